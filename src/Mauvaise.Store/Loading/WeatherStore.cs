using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Loading;

/// <summary>Reads and writes hours; where sources overlap, the higher-ranking one wins field by field.</summary>
public static class WeatherStore
{
    /// <summary>The best-known weather from one instant to another. Hours that nobody knows have all fields null.</summary>
    public static async Task<HourSeries> ReadAsync(GardenDb db, Guid gardenId, DateTimeOffset from, DateTimeOffset to, CancellationToken stop)
    {
        var start = HourSeries.WholeHour(from);
        var hours = new WeatherHour[Math.Max(0, (int)Math.Ceiling((to - start).TotalHours))];
        var firstDay = DateOnly.FromDateTime(start.UtcDateTime);
        var lastDay = DateOnly.FromDateTime(to.UtcDateTime);
        var rows = await db.WeatherDays.AsNoTracking().Where(w => w.GardenId == gardenId && w.DayUtc >= firstDay && w.DayUtc <= lastDay).ToListAsync(stop);
        foreach (var row in rows.OrderByDescending(r => r.Source))
        {
            var offset = (int)(new DateTimeOffset(row.DayUtc.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero) - start).TotalHours;
            var day = HourPacking.Unpack(row.Hours);
            for (var h = Math.Max(0, -offset); h < 24 && offset + h < hours.Length; h++)
            {
                hours[offset + h] = hours[offset + h].OrElse(day[h]);
            }
        }

        return new HourSeries(start, hours);
    }

    /// <summary>Hours that need not stand in a row, as a series with unknown hours between them.</summary>
    public static HourSeries Series(IReadOnlyDictionary<DateTimeOffset, WeatherHour> hours)
    {
        var start = hours.Keys.Min();
        var all = new WeatherHour[(int)(hours.Keys.Max() - start).TotalHours + 1];
        foreach (var (at, hour) in hours)
        {
            all[(int)(at - start).TotalHours] = hour;
        }

        return new HourSeries(start, all);
    }

    /// <summary>
    /// Marks the hours of a series to be saved under a source. A new figure outranks what that source said before; where the
    /// series knows nothing, that stays. An hour with an impossible value is kept out. The caller saves.
    /// </summary>
    /// <returns>A sentence for each hour that was kept out.</returns>
    public static async Task<IReadOnlyList<string>> PutAsync(GardenDb db, Guid gardenId, WeatherSource source, HourSeries series, CancellationToken stop)
    {
        var refused = new List<string>();
        var days = Enumerable.Range(0, series.Hours.Count).GroupBy(i => DateOnly.FromDateTime(series.At(i).UtcDateTime)).ToList();
        var (first, last) = days.Count > 0 ? (days[0].Key, days[^1].Key) : (default, default);
        var rows = await db
            .WeatherDays.Where(w => w.GardenId == gardenId && w.Source == source && w.DayUtc >= first && w.DayUtc <= last)
            .ToDictionaryAsync(w => w.DayUtc, stop);
        // What was marked before in the same write is not in the file yet.
        foreach (var marked in db.WeatherDays.Local.Where(w => w.GardenId == gardenId && w.Source == source))
        {
            rows.TryAdd(marked.DayUtc, marked);
        }

        foreach (var day in days)
        {
            var hours = rows.TryGetValue(day.Key, out var row) ? HourPacking.Unpack(row.Hours) : new WeatherHour[24];
            foreach (var i in day)
            {
                if (series.Hours[i].Impossible() is { } why)
                {
                    refused.Add(Say.Of("store.00Utc", ("at", Say.In(series.At(i), "yyyy-MM-dd HH")), ("why", why)));
                }
                else
                {
                    var h = series.At(i).UtcDateTime.Hour;
                    hours[h] = series.Hours[i].OrElse(hours[h]);
                }
            }

            var packed = HourPacking.Pack(hours);
            if (row is not null)
            {
                row.Hours = packed;
            }
            else
            {
                db.WeatherDays.Add(
                    new WeatherDayRow
                    {
                        GardenId = gardenId,
                        DayUtc = day.Key,
                        Source = source,
                        Hours = packed,
                    }
                );
            }
        }

        return refused;
    }
}
