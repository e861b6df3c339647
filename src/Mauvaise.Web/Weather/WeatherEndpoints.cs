using System.Security.Cryptography;
using System.Text;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>Weather from sources other than the service: a station, a file, a rain gauge; and what is known from whom.</summary>
public static class WeatherEndpoints
{
    private const int DaysShown = 14;
    private const int BadShown = 50;
    private const int MostReadings = 5000;
    private const int MostText = 20_000_000;
    private const string KeyHeader = "X-Station-Key";

    public static void MapWeather(this IEndpointRouteBuilder app)
    {
        var weather = app.MapGroup("/api/gardens/{gardenId:guid}/weather").WithTags("Weather");
        weather.MapGet("", Show);
        weather.MapPut("/hand/{date}", ByHand);
        weather.MapDelete("/hand/{date}", DropHand);
        weather.MapPost("/station-key", NewKey);
        weather.MapPost("/readings", Take);
        weather.MapPost("/table/preview", Preview);
        weather.MapPost("/table", Import);
    }

    private static async Task<Results<Ok<WeatherStateAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var spans = await tools.Db.WeatherDays.AsNoTracking().Where(w => w.GardenId == gardenId).GroupBy(w => w.Source)
            .Select(g => new { Source = g.Key, First = g.Min(w => w.DayUtc), Last = g.Max(w => w.DayUtc), Days = g.Count() }).ToListAsync(stop);
        var heard = await tools.Db.WeatherFetches.AsNoTracking().Where(f => f.GardenId == gardenId).ToDictionaryAsync(f => f.Source, stop);
        var first = s.Today.AddDays(-DaysShown + 1);
        var rows = await tools.Db.WeatherDays.AsNoTracking().Where(w => w.GardenId == gardenId && w.DayUtc >= first.AddDays(-1)).ToListAsync(stop);
        return TypedResults.Ok(new WeatherStateAnswer(
            [.. spans.OrderByDescending(x => x.Source).Select(x => new SourceAnswer(x.Source, x.First, x.Last, x.Days, heard.GetValueOrDefault(x.Source)?.AnsweredAt, heard.GetValueOrDefault(x.Source)?.Trouble))],
            Gaps(s),
            [.. Enumerable.Range(0, DaysShown).Select(d => Day(s, first.AddDays(d), rows)).Reverse()],
            await tools.Db.Gardens.AnyAsync(g => g.Id == gardenId && g.StationKeyHash != null, stop)));
    }

    /// <summary>Stretches between the first known hour of the last weeks and now of which nobody knows the temperature.</summary>
    private static List<GapAnswer> Gaps(GardenSnapshot s)
    {
        var gaps = new List<GapAnswer>();
        var now = Math.Min(s.Weather.IndexOf(s.Now), s.Weather.Hours.Count);
        var i = Enumerable.Range(0, Math.Max(0, now)).FirstOrDefault(k => s.Weather.Hours[k].TemperatureC.HasValue, now);
        while (i < now)
        {
            var from = i;
            while (i < now && s.Weather.Hours[i].TemperatureC is null)
            {
                i++;
            }

            if (i > from)
            {
                gaps.Add(new(s.Weather.At(from), s.Weather.At(i), i - from));
            }

            i++;
        }

        return gaps;
    }

    private static WeatherDayAnswer Day(GardenSnapshot s, DateOnly date, List<WeatherDayRow> rows)
    {
        var hours = HoursOf(s, date);
        var start = hours.Start;
        var sources = rows
            .Where(r => Enumerable.Range(0, 24).Any(h =>
            {
                var at = new DateTimeOffset(r.DayUtc.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero).AddHours(h);
                return at >= start && at < hours.End && HourPacking.Unpack(r.Hours)[h] != default;
            }))
            .Select(r => r.Source).Distinct().OrderByDescending(x => x).ToList();
        return new(
            date,
            hours.Hours.Min(h => h.TemperatureC),
            hours.Hours.Max(h => h.TemperatureC),
            hours.Hours.Any(h => h.RainMm.HasValue) ? Math.Round(hours.Hours.Sum(h => h.RainMm ?? 0), 1) : null,
            hours.Hours.Count(h => h.TemperatureC.HasValue),
            sources,
            sources.Contains(WeatherSource.Hand));
    }

    /// <summary>The hours of a civil day, in whole UTC hours.</summary>
    private static HourSeries HoursOf(GardenSnapshot s, DateOnly date)
    {
        var start = HourSeries.WholeHour(s.Garden.StartOf(date));
        var count = (int)(HourSeries.WholeHour(s.Garden.StartOf(date.AddDays(1))) - start).TotalHours;
        return new HourSeries(start, [.. Enumerable.Range(0, count).Select(i => s.Weather[start.AddHours(i)])]);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ByHand(Guid gardenId, DateOnly date, HandValues body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var day = HoursOf(s, date);
        var checks = new Checks()
            .That(date <= s.Today && date > s.Today.AddDays(-40), "date", "date-range", "Days from 39 days ago to today can be entered.")
            .That(body.RainMm is not null || body.MinC is not null || body.MaxC is not null, "", "nothing-entered", "Enter the rain, or the lowest and the highest temperature.")
            .That(body.RainMm is null or (>= 0 and <= 500), "rainMm", "rain-range", "Rain of a day lies between 0 and 500 mm.")
            .That(body.MinC is null == body.MaxC is null, "maxC", "temperature-pair", "The lowest and the highest temperature go together.")
            .That(body.MinC is null or (>= -60 and <= 60), "minC", "temperature-range", "Temperatures lie between -60 and 60 °C.")
            .That(body.MaxC is null or (>= -60 and <= 60), "maxC", "temperature-range", "Temperatures lie between -60 and 60 °C.")
            .That(body.MinC is null || body.MaxC is null || body.MinC < body.MaxC, "maxC", "temperature-order", "The highest temperature lies above the lowest.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var entered = new List<HourSeries>();
        if (body.RainMm is { } rain)
        {
            entered.Add(HandEntry.Rain(day, rain));
        }

        if (body is { MinC: { } min, MaxC: { } max })
        {
            // Without any temperature to stretch, the day's usual curve stands in.
            entered.Add(HandEntry.Temperature(day, min, max)
                ?? DailySpread.Hours(new DayValues(date, min, max, null, null, null, null, null), null, s.Garden.Latitude, s.Garden.Longitude, s.Garden.Zone));
        }

        return await KeepAsync(tools, gardenId, body.MemberId, $"Entered the weather of {date:d MMMM}", WeatherSource.Hand, entered, stop);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> DropHand(Guid gardenId, DateOnly date, Guid? memberId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var day = HoursOf(s, date);
        var (first, last) = (DateOnly.FromDateTime(day.Start.UtcDateTime), DateOnly.FromDateTime(day.End.UtcDateTime));
        var rows = await tools.Db.WeatherDays.Where(w => w.GardenId == gardenId && w.Source == WeatherSource.Hand && w.DayUtc >= first && w.DayUtc <= last).ToListAsync(stop);
        await tools.Log.WriteAsync(gardenId, memberId, $"Dropped what was entered for {date:d MMMM}", _ =>
        {
            foreach (var row in rows)
            {
                var hours = HourPacking.Unpack(row.Hours);
                var midnight = new DateTimeOffset(row.DayUtc.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero);
                row.Hours = HourPacking.Pack([.. hours.Select((h, i) => midnight.AddHours(i) >= day.Start && midnight.AddHours(i) < day.End ? default : h)]);
            }
        }, stop);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<StationKeyAnswer>, ProblemHttpResult>> NewKey(Guid gardenId, StationKeyRequest body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.Db.Gardens.FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        await tools.Log.WriteAsync(gardenId, body.MemberId, "Made a key for the weather station", _ => garden.StationKeyHash = Hash(key), stop);
        return TypedResults.Ok(new StationKeyAnswer(key, $"/api/gardens/{gardenId}/weather/readings"));
    }

    /// <summary>Readings pushed by a station. A batch may be sent again: the last word on an hour counts.</summary>
    private static async Task<Results<Ok<StationAnswer>, ProblemHttpResult>> Take(Guid gardenId, StationBatch body, HttpRequest request, GardenTools tools, CancellationToken stop)
    {
        if (await tools.Db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        var given = Encoding.ASCII.GetBytes(Hash(request.Headers[KeyHeader].ToString()));
        if (garden.StationKeyHash is not { } hash || !CryptographicOperations.FixedTimeEquals(given, Encoding.ASCII.GetBytes(hash)))
        {
            return Problems.Of(StatusCodes.Status401Unauthorized, "station-key", $"Send the station's key in the header {KeyHeader}.");
        }

        var checks = new Checks().That(body.Readings.Count is > 0 and <= MostReadings, "readings", "readings-range", $"Send 1 to {MostReadings} readings at once.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var refused = new List<string>();
        var hours = new Dictionary<DateTimeOffset, List<WeatherHour>>();
        foreach (var r in body.Readings)
        {
            var reading = new WeatherHour(r.TemperatureC, r.RelativeHumidityPercent, r.WindMetresPerSecond, r.GustMetresPerSecond, r.RainMm, r.CloudPercent, r.LeafWetness, r.SolarWattsPerSquareMetre);
            var why = r.At > tools.Now.AddHours(1) ? "lies in the future" : r.At < tools.Now.AddYears(-20) ? "lies over twenty years back" : reading.Impossible();
            if (why is not null)
            {
                refused.Add($"{r.At.UtcDateTime:yyyy-MM-dd HH:mm} UTC: {why}");
                continue;
            }

            var whole = HourSeries.WholeHour(r.At);
            if (!hours.TryGetValue(whole, out var parts))
            {
                hours[whole] = parts = [];
            }

            parts.Add(reading);
        }

        if (hours.Count > 0)
        {
            await WeatherStore.PutAsync(tools.Db, gardenId, WeatherSource.Station, WeatherStore.Series(hours.ToDictionary(h => h.Key, h => WeatherTable.Together(h.Value))), stop);
        }

        var heard = await tools.Db.WeatherFetches.FirstOrDefaultAsync(f => f.GardenId == gardenId && f.Source == WeatherSource.Station, stop);
        if (heard is null)
        {
            heard = new WeatherFetchRow { GardenId = gardenId, Source = WeatherSource.Station };
            tools.Db.WeatherFetches.Add(heard);
        }

        heard.AnsweredAt = tools.Now;
        heard.Trouble = refused.Count == 0 ? null : $"{(refused.Count == 1 ? "One reading was" : $"{refused.Count} readings were")} left out: {refused[0]}.";
        await tools.Db.SaveChangesAsync(stop);
        return TypedResults.Ok(new StationAnswer(hours.Count, refused));
    }

    private static async Task<Results<Ok<TablePreview>, ProblemHttpResult>> Preview(Guid gardenId, TableRequest body, GardenTools tools, CancellationToken stop)
    {
        if (await GardenAsync(tools, gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        if (Text(body.Text, out var table) is { } problem)
        {
            return problem;
        }

        var columns = body.Columns ?? WeatherTable.Guess(table.Header, table.Lines);
        var reading = WeatherTable.Read(table.Lines, columns, garden.Latitude, garden.Longitude, garden.Zone);
        return TypedResults.Ok(new TablePreview(
            columns,
            table.Header,
            [.. table.Lines.Take(5)],
            table.Lines.Count,
            reading.Daily,
            reading.Hours.Count,
            reading.Hours.Count == 0 ? null : reading.Hours.Keys.Min(),
            reading.Hours.Count == 0 ? null : reading.Hours.Keys.Max().AddHours(1),
            reading.Bad.Count,
            [.. reading.Bad.Take(BadShown).Select(b => new BadLineAnswer(b.Line + 1, table.Raw[b.Line - 1], b.Why))]));
    }

    private static async Task<Results<Ok<TableImported>, ProblemHttpResult>> Import(Guid gardenId, TableImport body, GardenTools tools, CancellationToken stop)
    {
        if (await GardenAsync(tools, gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        if (Text(body.Text, out var table) is { } problem)
        {
            return problem;
        }

        var reading = WeatherTable.Read(table.Lines, body.Columns, garden.Latitude, garden.Longitude, garden.Zone);
        var checks = new Checks()
            .That(reading.Hours.Count > 0, "text", "no-hours", "No line of this file can be used with these columns.")
            .That(reading.Bad.Count == body.BadLinesSeen, "badLinesSeen", "look-first", $"{reading.Bad.Count} lines can not be used. Look at them first, then import the others.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var kept = await KeepAsync(tools, gardenId, body.MemberId, $"Imported {reading.Hours.Count} hours of weather", WeatherSource.File, [WeatherStore.Series(reading.Hours)], stop);
        return kept.Result is ProblemHttpResult refused ? refused : TypedResults.Ok(new TableImported(reading.Hours.Count, reading.Bad.Count));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> KeepAsync(
        GardenTools tools, Guid gardenId, Guid? memberId, string words, WeatherSource source, IReadOnlyList<HourSeries> series, CancellationToken stop)
    {
        foreach (var one in series)
        {
            await WeatherStore.PutAsync(tools.Db, gardenId, source, one, stop);
        }

        await tools.Log.WriteAsync(gardenId, memberId, words, _ => { }, stop);
        return TypedResults.NoContent();
    }

    private static async Task<Garden?> GardenAsync(GardenTools tools, Guid gardenId, CancellationToken stop) =>
        await tools.Db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is { } row ? SnapshotLoader.ToGarden(row) : null;

    private static ProblemHttpResult? Text(string text, out TableText table)
    {
        table = null!;
        var checks = new Checks().That(text.Length is > 0 and <= MostText, "text", "text-range", "The file is empty or over 20 MB.");
        if (checks.Passed)
        {
            try
            {
                table = TableText.Read(text);
                return null;
            }
            catch (Exception e) when (e is FormatException or CsvHelper.CsvHelperException)
            {
                checks.That(false, "text", "not-a-table", e is FormatException ? e.Message : "This is no table of values with separators.");
            }
        }

        return checks.Problem();
    }

    private static string Hash(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));
}
