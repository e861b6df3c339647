using Mauvaise.Core.Measures;
using Mauvaise.Core.Time;

namespace Mauvaise.Core.Sky;

/// <summary>What is known of a whole civil day. Fields are null where unknown.</summary>
/// <param name="DewPointC">Taken for the whole day; from the mean humidity where a table gives that.</param>
public sealed record DayValues(
    DateOnly Date,
    double? MinC,
    double? MaxC,
    double? DewPointC,
    double? WindMetresPerSecond,
    double? GustMetresPerSecond,
    double? RainMm,
    double? CloudPercent
);

/// <summary>Daily values turned into hours.</summary>
public static class DailySpread
{
    /// <summary>Lags of maximum and minimum and the night's decay: Parton and Logan 1981, doi:10.1016/0002-1571(81)90105-9.</summary>
    private const double MaximumLagHours = 1.86;
    private const double NightDecay = 2.2;
    private const double MinimumLagHours = -0.17;

    /// <summary>Rain of a day whose hours nobody knows comes in one spell about this local hour, an hour for each 2 mm, 1 to 12 (assumed).</summary>
    private const int SpellAroundHour = 4;
    private const double SpellMmPerHour = 2;

    /// <summary>
    /// The hours of a civil day in the zone: 23 or 25 where the clocks change. Temperature is a sine by day and an exponential by
    /// night; humidity follows from it and the day's dew point; wind and cloud stay the same all day.
    /// </summary>
    /// <param name="next">The day after, whose minimum ends the night; null to use the same day's.</param>
    public static HourSeries Hours(DayValues day, DayValues? next, double latitude, double longitude, GardenZone zone)
    {
        var start = zone.StartOf(day.Date);
        var count = (int)(zone.StartOf(day.Date.AddDays(1)) - start).TotalHours;
        var rain = Rain(day.RainMm, count);
        var sun = Sun.Day(latitude, longitude, day.Date);
        var hours = new WeatherHour[count];
        for (var i = 0; i < count; i++)
        {
            var t = Temperature(day, next, sun, start.AddHours(i + 0.5), start);
            hours[i] = new WeatherHour(
                t is { } c ? Math.Round(c, 1) : null,
                t is { } warm && day.DewPointC is { } dew
                    ? Math.Round(Math.Min(100, 100 * Air.SaturationVapourPressureKPa(dew) / Air.SaturationVapourPressureKPa(warm)))
                    : null,
                day.WindMetresPerSecond,
                day.GustMetresPerSecond,
                rain?[i],
                day.CloudPercent
            );
        }

        return new HourSeries(start.ToUniversalTime(), hours);
    }

    /// <summary>The day's temperature at an instant; null without minimum and maximum.</summary>
    private static double? Temperature(DayValues day, DayValues? next, SunDay sun, DateTimeOffset at, DateTimeOffset start)
    {
        if (day is not { MinC: { } min, MaxC: { } max })
        {
            return null;
        }

        Bounds.Within(min, -60, max);
        // Without a rise and a set the day is taken as twelve hours about local noon.
        var rise = sun.Sunrise ?? start.AddHours(6);
        var set = sun.Sunset ?? start.AddHours(18);
        var length = (set - rise).TotalHours;
        double ByDay(double hoursAfterMinimum) => min + (max - min) * Math.Sin(Math.PI * hoursAfterMinimum / (length + 2 * MaximumLagHours));
        var sinceMinimum = (at - rise).TotalHours - MinimumLagHours;
        if (sinceMinimum >= 0 && at <= set)
        {
            return ByDay(sinceMinimum);
        }

        var atSet = ByDay(length - MinimumLagHours);
        var night = 24 - length;
        var (after, low) = at > set ? ((at - set).TotalHours, next?.MinC ?? min) : ((at - set).TotalHours + 24, min);
        return low + (atSet - low) * Math.Exp(-NightDecay * after / night);
    }

    private static double[]? Rain(double? rainMm, int count)
    {
        if (rainMm is not { } mm)
        {
            return null;
        }

        var rain = new double[count];
        if (mm > 0)
        {
            var spell = (int)Math.Clamp(Math.Round(mm / SpellMmPerHour), 1, 12);
            var first = Math.Max(0, SpellAroundHour - spell / 2);
            for (var i = first; i < first + spell; i++)
            {
                rain[i] = mm / spell;
            }
        }

        return rain;
    }
}
