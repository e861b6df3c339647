namespace Mauvaise.Core.Sky;

/// <summary>Where a plant stands, as far as the weather cares.</summary>
public enum Shelter
{
    Open,
    Tunnel,
    Indoor,
}

/// <summary>The weather inside a tunnel or a room, made from the weather outside.</summary>
public static class UnderCover
{
    /// <summary>A tunnel is this much warmer while the sun is up and not hidden (assumed).</summary>
    public const double TunnelSunOffsetK = 6;

    /// <summary>And this much at night (assumed).</summary>
    public const double TunnelNightOffsetK = 1;

    private const double IndoorC = 20;
    private const double IndoorHumidityPercent = 55;
    private const double StillWindMetresPerSecond = 0.3;

    /// <summary>
    /// The hour as the plants have it. Tunnel: no rain, hardly any wind, +6 K in full sun fading with cloud and a low sun,
    /// +1 K at night, the same water in the air. Indoor: 20 C and 55 % (assumed), no rain, no wind.
    /// </summary>
    public static WeatherHour Inside(WeatherHour outside, Shelter shelter, double sunElevationDegrees)
    {
        switch (shelter)
        {
            case Shelter.Open:
                return outside;
            case Shelter.Indoor:
                return new WeatherHour(IndoorC, IndoorHumidityPercent, StillWindMetresPerSecond, StillWindMetresPerSecond, 0, 100);
            default:
                var sun = Math.Clamp(sunElevationDegrees / 30, 0, 1) * (1 - 0.7 * (outside.CloudPercent ?? 0) / 100);
                var offset = TunnelNightOffsetK + (TunnelSunOffsetK - TunnelNightOffsetK) * sun;
                var warm = Math.Min(60, outside.TemperatureC + offset ?? double.NaN);
                return outside with
                {
                    TemperatureC = double.IsNaN(warm) ? null : warm,
                    RelativeHumidityPercent = InsideHumidity(outside, warm),
                    WindMetresPerSecond = StillWindMetresPerSecond,
                    GustMetresPerSecond = StillWindMetresPerSecond,
                    RainMm = 0,
                };
        }
    }

    private static double? InsideHumidity(WeatherHour outside, double warmC) =>
        outside is { TemperatureC: { } t, RelativeHumidityPercent: { } rh }
            ? Math.Min(100, rh * Air.SaturationVapourPressureKPa(t) / Air.SaturationVapourPressureKPa(warmC))
            : null;
}
