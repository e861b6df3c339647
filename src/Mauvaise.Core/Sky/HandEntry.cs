using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Sky;

/// <summary>What a rain gauge or a thermometer says of a whole day, laid over the hours that other sources know.</summary>
public static class HandEntry
{
    /// <summary>
    /// Hours of a day with their rain scaled to the gauge's sum, the pattern kept. Where no hour of the day had rain, it goes into
    /// the six most humid hours (assumed), or the first six when humidity is unknown.
    /// </summary>
    /// <param name="rainMm">0 or more.</param>
    /// <returns>Only rain is filled in.</returns>
    public static HourSeries Rain(HourSeries day, double rainMm)
    {
        Bounds.NotNegative(rainMm);
        var known = day.Hours.Sum(h => h.RainMm ?? 0);
        var shares = known > 0 ? [.. day.Hours.Select(h => (h.RainMm ?? 0) / known)] : Humid(day);
        return new HourSeries(day.Start, [.. shares.Select(share => default(WeatherHour) with { RainMm = rainMm * share })]);
    }

    /// <summary>Hours of a day with their temperatures stretched to run from the thermometer's minimum to its maximum, the pattern kept.</summary>
    /// <returns>Only temperature is filled in, and humidity where it was known: the water in the air stays. Null where fewer than two different
    /// temperatures are known.</returns>
    public static HourSeries? Temperature(HourSeries day, double minC, double maxC)
    {
        Bounds.Within(maxC, -60, 60);
        Bounds.Within(minC, -60, maxC);
        var (low, high) = (day.Hours.Min(h => h.TemperatureC), day.Hours.Max(h => h.TemperatureC));
        if (low is not { } from || high is not { } to || to - from < 0.1)
        {
            return null;
        }

        return new HourSeries(
            day.Start,
            [.. day.Hours.Select(h => h.TemperatureC is { } t ? Stretched(h, minC + (t - from) / (to - from) * (maxC - minC)) : default)]
        );
    }

    private static WeatherHour Stretched(WeatherHour before, double temperatureC) =>
        default(WeatherHour) with
        {
            TemperatureC = temperatureC,
            RelativeHumidityPercent = before.RelativeHumidityPercent is { } rh
                ? Math.Min(100, rh * Air.SaturationVapourPressureKPa(before.TemperatureC!.Value) / Air.SaturationVapourPressureKPa(temperatureC))
                : null,
        };

    private static double[] Humid(HourSeries day)
    {
        var wettest = Enumerable.Range(0, day.Hours.Count).OrderByDescending(i => day.Hours[i].RelativeHumidityPercent ?? 0).ThenBy(i => i).Take(6).ToHashSet();
        return [.. Enumerable.Range(0, day.Hours.Count).Select(i => wettest.Contains(i) ? 1.0 / wettest.Count : 0)];
    }
}
