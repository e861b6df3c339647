using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>What is known of the weather, and from whom.</summary>
public static class WeatherEndpoints
{
    private const int DaysBack = 30,
        DaysAhead = 10;

    public static void MapWeather(this IEndpointRouteBuilder app)
    {
        var weather = app.MapGroup("/api/gardens/{gardenId:guid}/weather").WithTags("Weather");
        weather.MapGet("", Show);
        weather.MapPost("/ask", Ask);
        weather.MapHand();
        weather.MapStation();
        weather.MapTable();
    }

    private static async Task<Results<Ok<WeatherStateAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        GardenTools tools,
        Settings settings,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        return TypedResults.Ok(await AnswerAsync(s, tools, settings, stop));
    }

    /// <summary>Asks the service at once, and tells what is known then.</summary>
    private static async Task<Results<Ok<WeatherStateAnswer>, ProblemHttpResult>> Ask(
        Guid gardenId,
        GardenTools tools,
        WeatherClient client,
        Settings settings,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is null)
        {
            return Problems.NotFound("garden");
        }

        var checks = new Checks().That(settings.WeatherService is not null, "", "no-service", Say.Of("weather.noWeatherServiceWasNamedWhen"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await client.TryRefreshAsync(gardenId, stop);
        return TypedResults.Ok(await AnswerAsync((await tools.LoadAsync(gardenId, stop))!, tools, settings, stop));
    }

    private static async Task<WeatherStateAnswer> AnswerAsync(GardenSnapshot s, GardenTools tools, Settings settings, CancellationToken stop)
    {
        var gardenId = s.Garden.Id;
        var spans = await tools
            .Db.WeatherDays.AsNoTracking()
            .Where(w => w.GardenId == gardenId)
            .GroupBy(w => w.Source)
            .Select(g => new
            {
                Source = g.Key,
                First = g.Min(w => w.DayUtc),
                Last = g.Max(w => w.DayUtc),
                Days = g.Count(),
            })
            .ToListAsync(stop);
        var heard = await tools.Db.WeatherFetches.AsNoTracking().Where(f => f.GardenId == gardenId).ToDictionaryAsync(f => f.Source, stop);
        var first = s.Today.AddDays(-DaysBack);
        var rows = await tools.Db.WeatherDays.AsNoTracking().Where(w => w.GardenId == gardenId && w.DayUtc >= first.AddDays(-1)).ToListAsync(stop);
        var said = rows.Select(r =>
                (r.Source, Series: new HourSeries(new DateTimeOffset(r.DayUtc.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero), HourPacking.Unpack(r.Hours)))
            )
            .ToList();
        WeatherDayAnswer[] days = [.. Enumerable.Range(0, DaysBack + DaysAhead + 1).Select(d => Day(s, first.AddDays(d), said)).Reverse()];
        return new WeatherStateAnswer(
            [
                .. spans
                    .OrderByDescending(x => x.Source)
                    .Select(x => new SourceAnswer(
                        x.Source,
                        x.First,
                        x.Last,
                        x.Days,
                        heard.GetValueOrDefault(x.Source)?.AnsweredAt,
                        heard.GetValueOrDefault(x.Source)?.Trouble
                    )),
            ],
            Gaps(s),
            Fell([.. days.Where(d => d.Date <= s.Today)]),
            days,
            await tools.Db.Gardens.AnyAsync(g => g.Id == gardenId && g.StationKeyHash != null, stop),
            settings.WeatherService is not null
        );
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

    private static string Fell(WeatherDayAnswer[] past)
    {
        var known = past.Where(d => d.RainMm is not null).ToList();
        var unknown = past.Length - known.Count;
        var fell =
            known.Count == 0
                ? Say.Of("weather.nobodyKnowsWhatFell")
                : Say.Of("weather.ofRainOnTheLastDays", ("rain", Figure.Rain(known.Sum(d => d.RainMm!.Value))), ("known", known.Count));
        return unknown == 0 || known.Count == 0 ? fell
            : unknown == 1 ? Say.Of("weather.oneDayIsNotKnown", ("fell", fell))
            : Say.Of("weather.daysAreNotKnown", ("fell", fell), ("unknown", unknown));
    }

    /// <param name="said">What each source says, by day in UTC.</param>
    private static WeatherDayAnswer Day(GardenSnapshot s, DateOnly date, List<(WeatherSource Source, HourSeries Series)> said)
    {
        var hours = HoursOf(s, date);
        var sources = said.Where(x =>
                Enumerable.Range(0, x.Series.Hours.Count).Any(h => x.Series.At(h) >= hours.Start && x.Series.At(h) < hours.End && x.Series.Hours[h] != default)
            )
            .Select(x => x.Source)
            .Distinct()
            .OrderByDescending(x => x)
            .ToList();
        return new(
            date,
            hours.Hours.Min(h => h.TemperatureC),
            hours.Hours.Max(h => h.TemperatureC),
            hours.Hours.Any(h => h.RainMm.HasValue) ? Math.Round(hours.Hours.Sum(h => h.RainMm ?? 0), 1) : null,
            hours.Hours.Count(h => h.TemperatureC.HasValue),
            sources,
            sources.Contains(WeatherSource.Hand)
        );
    }

    /// <summary>The hours of a civil day, in whole UTC hours.</summary>
    internal static HourSeries HoursOf(GardenSnapshot s, DateOnly date)
    {
        var start = HourSeries.WholeHour(s.Garden.StartOf(date));
        var count = (int)(HourSeries.WholeHour(s.Garden.StartOf(date.AddDays(1))) - start).TotalHours;
        return new HourSeries(start, [.. Enumerable.Range(0, count).Select(i => s.Weather[start.AddHours(i)])]);
    }

    /// <summary>Keeps hours under a source, as one write that can be undone.</summary>
    internal static async Task KeepAsync(
        GardenTools tools,
        Guid gardenId,
        Guid? memberId,
        string words,
        WeatherSource source,
        IReadOnlyList<HourSeries> series,
        CancellationToken stop
    )
    {
        foreach (var one in series)
        {
            await WeatherStore.PutAsync(tools.Db, gardenId, source, one, stop);
        }

        await tools.Log.WriteAsync(gardenId, memberId, words, _ => { }, stop);
    }
}
