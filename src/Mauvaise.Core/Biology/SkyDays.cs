using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Biology;

/// <summary>A civil day under a shelter.</summary>
/// <param name="WetHours">Longest wet spell of the night that ends on it, noon to noon.</param>
/// <param name="WetMeanC">Mean temperature while wet.</param>
public sealed record SkyDay(
    DateOnly Date,
    IReadOnlyList<WeatherHour> Hours,
    int WetHours,
    double WetMeanC,
    double NightHumidityPercent,
    double MeanHumidityPercent,
    double RainMm
)
{
    /// <summary>The temperature of half the day at least is known.</summary>
    public bool Known { get; } = Hours.Count(h => h.TemperatureC.HasValue) >= 12;
}

/// <summary>Days of weather as biology reads them, with a run-up before the first so that indices have settled.</summary>
/// <param name="First">Index of the first day that was asked for.</param>
public sealed record SkyDays(IReadOnlyList<SkyDay> All, int First, DateOnly To)
{
    private const int RunUpDays = 21;

    /// <summary>Days that were worked out already, for as long as their sky lives: places under one shelter share them.</summary>
    private static readonly ConditionalWeakTable<ShelterSky, ConcurrentDictionary<(string Zone, DateOnly From, DateOnly To), SkyDays>> Kept = [];

    /// <summary>The days from <paramref name="from"/> to <paramref name="to"/>, both included.</summary>
    public static SkyDays Of(ShelterSky sky, Garden garden, DateOnly from, DateOnly to) =>
        Kept.GetValue(sky, _ => []).GetOrAdd((garden.TimeZoneId, from, to), _ => Made(sky, garden, from, to));

    private static SkyDays Made(ShelterSky sky, Garden garden, DateOnly from, DateOnly to)
    {
        var first = from.AddDays(-RunUpDays);
        return new SkyDays([.. Enumerable.Range(0, to.DayNumber - first.DayNumber + 1).Select(d => Day(sky, garden, first.AddDays(d)))], RunUpDays, to);
    }

    private static SkyDay Day(ShelterSky sky, Garden garden, DateOnly date)
    {
        int start = sky.IndexOf(garden.StartOf(date)),
            end = sky.IndexOf(garden.StartOf(date.AddDays(1)));
        int run = 0,
            longest = 0,
            longestEnd = start;
        for (var i = start - 12; i < end - 12; i++)
        {
            run = sky.Wet(i) ? run + 1 : 0;
            if (run > longest)
            {
                (longest, longestEnd) = (run, i);
            }
        }

        var hours = new WeatherHour[end - start];
        for (var i = start; i < end; i++)
        {
            hours[i - start] = sky.Hour(i);
        }

        return new SkyDay(
            date,
            hours,
            longest,
            Mean(sky, longestEnd - longest + 1, longestEnd + 1, h => h.TemperatureC),
            Mean(sky, start - 3, start + 6, h => h.RelativeHumidityPercent),
            Mean(sky, start, end, h => h.RelativeHumidityPercent),
            sky.RainMm(start, end - start)
        );
    }

    /// <summary>Mean of what is known; 0 when nothing is.</summary>
    private static double Mean(ShelterSky sky, int from, int to, Func<WeatherHour, double?> field)
    {
        var sum = 0.0;
        var known = 0;
        for (var i = from; i < to; i++)
        {
            if (field(sky.Hour(i)) is { } value)
            {
                sum += value;
                known++;
            }
        }

        return known == 0 ? 0 : sum / known;
    }
}
