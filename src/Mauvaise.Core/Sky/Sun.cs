using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Sky;

/// <summary>Where the sun stands.</summary>
/// <param name="ElevationDegrees">Above the horizon, without refraction.</param>
/// <param name="AzimuthDegrees">From north over east, 0 up to but not including 360.</param>
public readonly record struct SunPosition(double ElevationDegrees, double AzimuthDegrees);

/// <summary>Rise and set of one civil day. Both null in polar day or night; <see cref="AlwaysUp"/> tells which.</summary>
public sealed record SunDay(DateTimeOffset? Sunrise, DateTimeOffset? Sunset, bool AlwaysUp);

/// <summary>A part of an hour, in minutes from its start.</summary>
/// <param name="To">Exclusive; the same as <paramref name="From"/> for no part of it.</param>
public readonly record struct MinutesOfHour(int From, int To)
{
    public static readonly MinutesOfHour All = new(0, 60);

    public bool IsNone => From == To;
}

/// <summary>
/// Low-precision solar ephemeris, Meeus 1998, Astronomical Algorithms, chapters 12, 22 and 25: about 0.01 degrees from
/// 1950 to 2050, 0.02 to 2100. Terrestrial time is taken as UTC plus 69 s, which moves the sun by less than 0.001 degrees.
/// </summary>
public static class Sun
{
    /// <summary>The sun's centre stands here at rise and set: refraction 34' and half a disc 16'.</summary>
    public const double RiseElevationDegrees = -0.833;

    private const double Radian = Math.PI / 180;

    /// <param name="latitude">-90 to 90, north positive.</param>
    /// <param name="longitude">-180 to 180, east positive.</param>
    /// <example>47.52 N 16.31 E on 2026-07-16 at 17:30 UTC gives 10.83 and 289.76.</example>
    public static SunPosition Position(double latitude, double longitude, DateTimeOffset at)
    {
        Bounds.Within(latitude, -90, 90);
        Bounds.Within(longitude, -180, 180);
        var days = DaysSinceJ2000(at);
        var (declination, rightAscension) = Equatorial(days);
        var hourAngle = (SiderealDegrees(days) + longitude) * Radian - rightAscension;
        var lat = latitude * Radian;
        var sinElevation = Math.Sin(lat) * Math.Sin(declination) + Math.Cos(lat) * Math.Cos(declination) * Math.Cos(hourAngle);
        var azimuth = Math.Atan2(Math.Sin(hourAngle), Math.Cos(hourAngle) * Math.Sin(lat) - Math.Tan(declination) * Math.Cos(lat));
        return new SunPosition(Math.Asin(Math.Clamp(sinElevation, -1, 1)) / Radian, Modulo(azimuth / Radian + 180, 360));
    }

    /// <summary>Rise before and set after the transit that is nearest to local mean noon of <paramref name="date"/>.</summary>
    /// <param name="date">The civil date at that longitude (mean solar time).</param>
    public static SunDay Day(double latitude, double longitude, DateOnly date)
    {
        Bounds.Within(latitude, -90, 90);
        Bounds.Within(longitude, -180, 180);
        var noon = new DateTimeOffset(date.ToDateTime(new TimeOnly(12, 0)), TimeSpan.Zero) - TimeSpan.FromHours(longitude / 15);
        var transit = noon;
        for (var i = 0; i < 2; i++)
        {
            transit -= TimeSpan.FromDays(HourAngleDegrees(longitude, transit) / 360);
        }

        var rise = Crossing(latitude, longitude, transit, -1);
        var set = Crossing(latitude, longitude, transit, 1);
        return new SunDay(rise, set, rise is null && Position(latitude, longitude, transit).ElevationDegrees > RiseElevationDegrees);
    }

    /// <summary>
    /// Fraction of the hour from <paramref name="hour"/> in which the sun stands above <paramref name="degrees"/>, sampled every quarter of an hour.
    /// </summary>
    public static double ShareAbove(double latitude, double longitude, DateTimeOffset hour, double degrees) =>
        Enumerable.Range(0, 4).Count(q => Position(latitude, longitude, hour.AddMinutes(7.5 + 15 * q)).ElevationDegrees > degrees) / 4.0;

    /// <summary>
    /// The part of the hour from <paramref name="hour"/> in which bees are home and leaves can still be seen: the sun is down, and not yet
    /// at the end of civil twilight. In steps of five minutes: near the equator it lasts twenty.
    /// </summary>
    public static MinutesOfHour BeeFreeLight(double latitude, double longitude, DateTimeOffset hour)
    {
        const int Step = 5;
        int from = 0,
            to = 0;
        for (var minute = 0; minute < 60; minute += Step)
        {
            if (IsDusk(minute) && IsDusk(minute + Step))
            {
                from = to == 0 ? minute : from;
                to = minute + Step;
            }
        }

        return new MinutesOfHour(from, to);

        bool IsDusk(int minute) => Position(latitude, longitude, hour.AddMinutes(minute)).ElevationDegrees is > DarkDegrees and <= 0;
    }

    /// <summary>Below this height of the sun leaves can not be seen: the end of civil twilight.</summary>
    public const double DarkDegrees = -6;

    private static DateTimeOffset? Crossing(double latitude, double longitude, DateTimeOffset transit, int side)
    {
        var at = transit.AddHours(side * 6);
        var lat = latitude * Radian;
        for (var i = 0; i < 8; i++)
        {
            var (declination, _) = Equatorial(DaysSinceJ2000(at));
            var cosine = (Math.Sin(RiseElevationDegrees * Radian) - Math.Sin(lat) * Math.Sin(declination)) / (Math.Cos(lat) * Math.Cos(declination));
            if (!(Math.Abs(cosine) <= 1))
            {
                return null;
            }

            var wanted = side * Math.Acos(cosine) / Radian;
            var step = TimeSpan.FromDays((wanted - HourAngleDegrees(longitude, at)) / 360);
            at += step;
            if (step.Duration() < TimeSpan.FromSeconds(0.1))
            {
                break;
            }
        }

        return at;
    }

    private static double HourAngleDegrees(double longitude, DateTimeOffset at)
    {
        var days = DaysSinceJ2000(at);
        return Modulo(SiderealDegrees(days) + longitude - Equatorial(days).RightAscension / Radian + 180, 360) - 180;
    }

    private static double DaysSinceJ2000(DateTimeOffset at) =>
        (at.UtcTicks - new DateTimeOffset(2000, 1, 1, 12, 0, 0, TimeSpan.Zero).Ticks) / (double)TimeSpan.TicksPerDay;

    private static double SiderealDegrees(double days) => Modulo(280.46061837 + 360.98564736629 * days, 360);

    private static (double Declination, double RightAscension) Equatorial(double days)
    {
        var t = (days + 69 / 86400.0) / 36525;
        var meanLongitude = 280.46646 + t * (36000.76983 + t * 0.0003032);
        var anomaly = (357.52911 + t * (35999.05029 - t * 0.0001537)) * Radian;
        var centre =
            (1.914602 - t * (0.004817 + t * 0.000014)) * Math.Sin(anomaly)
            + (0.019993 - t * 0.000101) * Math.Sin(2 * anomaly)
            + 0.000289 * Math.Sin(3 * anomaly);
        var node = (125.04 - 1934.136 * t) * Radian;
        var apparent = (meanLongitude + centre - 0.00569 - 0.00478 * Math.Sin(node)) * Radian;
        var obliquity = (23.439291 - t * 0.0130042 + 0.00256 * Math.Cos(node)) * Radian;
        return (Math.Asin(Math.Sin(obliquity) * Math.Sin(apparent)), Math.Atan2(Math.Cos(obliquity) * Math.Sin(apparent), Math.Cos(apparent)));
    }

    private static double Modulo(double value, double by) => (value % by + by) % by;
}
