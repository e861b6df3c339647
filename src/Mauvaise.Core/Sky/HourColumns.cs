using System.ComponentModel.DataAnnotations;

namespace Mauvaise.Core.Sky;

/// <summary>
/// Hours as columns, one list a field: the documented JSON form of the weather service, and the Board's. All lists have the same
/// length; null stands for unknown.
/// </summary>
public sealed record HourColumns(
    DateTimeOffset Start,
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<double?> TemperatureC,
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<double?> RelativeHumidityPercent,
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<double?> WindMetresPerSecond,
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<double?> GustMetresPerSecond,
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<double?> RainMm,
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<double?> CloudPercent
)
{
    /// <summary>Thirteen months of hours; a history that is asked for at once is longer and comes from our own request.</summary>
    public const int MostHours = 24 * 400;

    public static HourColumns Of(HourSeries series) =>
        new(
            series.Start,
            Column(series, h => h.TemperatureC),
            Column(series, h => h.RelativeHumidityPercent),
            Column(series, h => h.WindMetresPerSecond),
            Column(series, h => h.GustMetresPerSecond),
            Column(series, h => h.RainMm),
            Column(series, h => h.CloudPercent)
        );

    /// <summary>The same hours as a series.</summary>
    /// <exception cref="FormatException">A list is missing, they differ in length, or the start is not a whole UTC hour of these centuries.</exception>
    public HourSeries ToSeries()
    {
        // What comes from a service may lack what the type promises.
        IReadOnlyList<double?>?[] columns = [TemperatureC, RelativeHumidityPercent, WindMetresPerSecond, GustMetresPerSecond, RainMm, CloudPercent];
        if (columns.Any(c => c is null))
        {
            throw new FormatException("A column of the weather is missing.");
        }

        var count = TemperatureC.Count;
        if (columns.Any(c => c!.Count != count))
        {
            throw new FormatException("The weather columns differ in length.");
        }

        if (HourSeries.WholeHour(Start) != Start || Start.Year is < 1900 or > 2200)
        {
            throw new FormatException("The weather does not start at a whole hour of our time.");
        }

        return new HourSeries(
            Start.ToUniversalTime(),
            [
                .. Enumerable
                    .Range(0, count)
                    .Select(i => new WeatherHour(
                        TemperatureC[i],
                        RelativeHumidityPercent[i],
                        WindMetresPerSecond[i],
                        GustMetresPerSecond[i],
                        RainMm[i],
                        CloudPercent[i]
                    )),
            ]
        );
    }

    private static List<double?> Column(HourSeries series, Func<WeatherHour, double?> field) =>
        [.. series.Hours.Select(h => field(h) is { } value ? (double?)Math.Round(value, 2) : null)];
}
