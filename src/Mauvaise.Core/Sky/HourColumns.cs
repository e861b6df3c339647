namespace Mauvaise.Core.Sky;

/// <summary>
/// Hours as columns, one list a field: the documented JSON form of the weather service, and the Board's. All lists have the same
/// length; null stands for unknown.
/// </summary>
public sealed record HourColumns(
    DateTimeOffset Start,
    IReadOnlyList<double?> TemperatureC,
    IReadOnlyList<double?> RelativeHumidityPercent,
    IReadOnlyList<double?> WindMetresPerSecond,
    IReadOnlyList<double?> GustMetresPerSecond,
    IReadOnlyList<double?> RainMm,
    IReadOnlyList<double?> CloudPercent)
{
    public static HourColumns Of(HourSeries series) => new(
        series.Start,
        Column(series, h => h.TemperatureC),
        Column(series, h => h.RelativeHumidityPercent),
        Column(series, h => h.WindMetresPerSecond),
        Column(series, h => h.GustMetresPerSecond),
        Column(series, h => h.RainMm),
        Column(series, h => h.CloudPercent));

    /// <summary>The same hours as a series.</summary>
    /// <exception cref="FormatException">The lists differ in length, or the start is not a whole UTC hour.</exception>
    public HourSeries ToSeries()
    {
        var count = TemperatureC.Count;
        if (new[] { RelativeHumidityPercent, WindMetresPerSecond, GustMetresPerSecond, RainMm, CloudPercent }.Any(c => c.Count != count))
        {
            throw new FormatException("The weather columns differ in length.");
        }

        if (HourSeries.WholeHour(Start) != Start)
        {
            throw new FormatException("The weather does not start at a whole hour.");
        }

        return new HourSeries(Start.ToUniversalTime(), [.. Enumerable.Range(0, count).Select(i =>
            new WeatherHour(TemperatureC[i], RelativeHumidityPercent[i], WindMetresPerSecond[i], GustMetresPerSecond[i], RainMm[i], CloudPercent[i]))]);
    }

    private static List<double?> Column(HourSeries series, Func<WeatherHour, double?> field) =>
        [.. series.Hours.Select(h => field(h) is { } value ? (double?)Math.Round(value, 2) : null)];
}
