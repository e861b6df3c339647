namespace Mauvaise.Core.Sky;

/// <summary>Whether leaves are wet, from air and rain. Huber and Gillespie 1992, doi:10.1146/annurev.py.30.090192.003005.</summary>
public static class LeafWetness
{
    private const double WetHumidityPercent = 90;
    private const double WetDepressionK = 2;

    /// <summary>
    /// True when a sensor says so for half the hour or more; else with rain, humidity of at least 90 %, or a dew point
    /// depression under 2 K. Null when neither rain nor air is known.
    /// </summary>
    public static bool? IsWet(WeatherHour hour)
    {
        if (hour.LeafWetness is { } sensed)
        {
            return sensed >= 0.5;
        }

        if (hour.RainMm > 0)
        {
            return true;
        }

        return hour is { TemperatureC: { } t, RelativeHumidityPercent: { } rh }
                ? rh >= WetHumidityPercent || t - Air.DewPointC(t, Math.Max(rh, 0.1)) < WetDepressionK
            : hour.RainMm is null ? null
            : false;
    }
}
