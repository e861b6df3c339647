using Mauvaise.Core.Words;

namespace Mauvaise.Core.Sky;

/// <summary>Where a figure came from. A later name outranks an earlier one where both have a figure.</summary>
public enum WeatherSource
{
    Service = 0,
    File = 1,
    Station = 2,
    Hand = 3,
}

/// <summary>The weather of one hour; a field is null where nobody knows it.</summary>
/// <param name="RainMm">Rain fallen in the hour.</param>
/// <param name="LeafWetness">Share of the hour in which leaves were wet, 0 to 1, when a sensor says so.</param>
public readonly record struct WeatherHour(
    double? TemperatureC,
    double? RelativeHumidityPercent,
    double? WindMetresPerSecond,
    double? GustMetresPerSecond,
    double? RainMm,
    double? CloudPercent,
    double? LeafWetness = null,
    double? SolarWattsPerSquareMetre = null
)
{
    /// <summary>True when temperature, humidity, wind and rain are all known: enough to judge a spray.</summary>
    public bool IsComplete => TemperatureC.HasValue && RelativeHumidityPercent.HasValue && WindMetresPerSecond.HasValue && RainMm.HasValue;

    /// <summary>This hour with gaps filled from a lower-ranking source, field by field.</summary>
    public WeatherHour OrElse(WeatherHour lower) =>
        new(
            TemperatureC ?? lower.TemperatureC,
            RelativeHumidityPercent ?? lower.RelativeHumidityPercent,
            WindMetresPerSecond ?? lower.WindMetresPerSecond,
            GustMetresPerSecond ?? lower.GustMetresPerSecond,
            RainMm ?? lower.RainMm,
            CloudPercent ?? lower.CloudPercent,
            LeafWetness ?? lower.LeafWetness,
            SolarWattsPerSquareMetre ?? lower.SolarWattsPerSquareMetre
        );

    /// <summary>The first field that no weather can have, as a sentence; null when all are possible.</summary>
    public string? Impossible() =>
        Outside("temperature", TemperatureC, -60, 60, "C")
        ?? Outside("humidity", RelativeHumidityPercent, 0, 100, "%")
        ?? Outside("wind", WindMetresPerSecond, 0, 80, "m/s")
        ?? Outside("gust", GustMetresPerSecond, 0, 120, "m/s")
        ?? Outside("rain", RainMm, 0, 300, "mm")
        ?? Outside("cloud", CloudPercent, 0, 100, "%")
        ?? Outside(Say.Of("sky.leafWetness"), LeafWetness, 0, 1, "")
        ?? Outside(Say.Of("sky.solarRadiation"), SolarWattsPerSquareMetre, 0, 1600, "W/m2");

    private static string? Outside(string field, double? value, double low, double high, string unit) =>
        value is null || (value >= low && value <= high)
            ? null
            : Say.Of("sky.isOutside", ("field", field), ("value", value), ("unit", unit), ("low", low), ("high", high)).TrimEnd();
}

/// <summary>A run of whole UTC hours without holes in time; a hole in knowledge is an hour whose fields are null.</summary>
/// <param name="Start">A whole UTC hour.</param>
public sealed record HourSeries(DateTimeOffset Start, IReadOnlyList<WeatherHour> Hours)
{
    public DateTimeOffset End => Start.AddHours(Hours.Count);

    public DateTimeOffset At(int index) => Start.AddHours(index);

    /// <summary>Index of the hour that holds the instant; may lie outside the series.</summary>
    public int IndexOf(DateTimeOffset instant) => (int)Math.Floor((instant - Start).TotalHours);

    /// <summary>The hour that holds the instant; all fields null outside the series.</summary>
    public WeatherHour this[DateTimeOffset instant] => AtOrUnknown(IndexOf(instant));

    public WeatherHour AtOrUnknown(int index) => index >= 0 && index < Hours.Count ? Hours[index] : default;

    /// <summary>The start of the UTC hour that holds the instant.</summary>
    public static DateTimeOffset WholeHour(DateTimeOffset instant) => new(instant.UtcTicks - instant.UtcTicks % TimeSpan.TicksPerHour, TimeSpan.Zero);
}
