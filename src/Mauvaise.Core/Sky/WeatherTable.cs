using System.Globalization;
using System.Text.RegularExpressions;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Time;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Sky;

/// <summary>What a column of a weather table holds.</summary>
public enum TableField
{
    Ignore,
    Time,
    Date,
    Clock,
    Temperature,
    MinTemperature,
    MaxTemperature,
    Humidity,
    DewPoint,
    Wind,
    Gust,
    Rain,
    Cloud,
    LeafWetness,
    Solar,
}

public enum DateOrder
{
    YearFirst,
    DayFirst,
    MonthFirst,
}

/// <summary>How a table is to be read.</summary>
/// <param name="Fields">One for each column.</param>
/// <param name="Utc">Times are UTC and not the garden's clock. A time that names its own offset is taken by that.</param>
public sealed record TableColumns(
    IReadOnlyList<TableField> Fields,
    DateOrder Dates,
    TemperatureUnit Temperature,
    WindUnit Wind,
    RainUnit Rain,
    bool DecimalComma,
    bool Utc
);

/// <summary>A line that can not be used.</summary>
/// <param name="Line">1 for the first line below the header.</param>
public sealed record BadLine(int Line, string Why);

/// <summary>What a table holds.</summary>
/// <param name="Daily">Its lines were days, spread to hours.</param>
/// <param name="Hours">By UTC hour.</param>
public sealed record TableReading(bool Daily, IReadOnlyDictionary<DateTimeOffset, WeatherHour> Hours, IReadOnlyList<BadLine> Bad);

/// <summary>Reads tables of hourly or daily weather as stations and services export them.</summary>
public static partial class WeatherTable
{
    /// <summary>A day that is known by its mean alone swings this far to either side (assumed).</summary>
    private const double SwingK = 4;

    /// <summary>A first proposal from the header's words and the look of the first lines.</summary>
    public static TableColumns Guess(IReadOnlyList<string> header, IReadOnlyList<IReadOnlyList<string>> lines)
    {
        var fields = header.Select(h => FieldOf(h.ToLowerInvariant())).ToList();
        // One time of the day at most for each kind; a later column of the same kind is left out.
        for (var i = 0; i < fields.Count; i++)
        {
            if (fields[i] != TableField.Ignore && fields.Take(i).Contains(fields[i]))
            {
                fields[i] = TableField.Ignore;
            }
        }

        if (fields.Contains(TableField.Date) && fields.IndexOf(TableField.Time) is >= 0 and var clock)
        {
            fields[clock] = TableField.Clock;
        }

        var text = string.Join(' ', header).ToLowerInvariant();
        var cells = lines.Take(50).SelectMany(l => l).ToList();
        var dates = lines.Take(200).SelectMany(l => l.Where((_, i) => i < fields.Count && fields[i] is TableField.Time or TableField.Date)).ToList();
        return new TableColumns(
            fields,
            Order(dates),
            Fahrenheit().IsMatch(text) ? TemperatureUnit.Fahrenheit : TemperatureUnit.Celsius,
            text.Contains("km/h", StringComparison.Ordinal) || text.Contains("kph", StringComparison.Ordinal) ? WindUnit.KilometresPerHour
                : text.Contains("mph", StringComparison.Ordinal) ? WindUnit.MilesPerHour
                : text.Contains("knot", StringComparison.Ordinal) ? WindUnit.Knots
                : WindUnit.MetresPerSecond,
            Inches().IsMatch(text) ? RainUnit.Inches : RainUnit.Millimetres,
            cells.Any(c => CommaNumber().IsMatch(c.Trim())),
            text.Contains("utc", StringComparison.Ordinal) || text.Contains("gmt", StringComparison.Ordinal)
        );
    }

    /// <summary>
    /// Reads the lines. An hourly line counts for the hour that holds its time; several lines in one hour make its mean, its
    /// sum of rain and its strongest gust. A time that the clocks skipped, a time that was there already and a value that no
    /// weather can have make a bad line.
    /// </summary>
    public static TableReading Read(IReadOnlyList<IReadOnlyList<string>> lines, TableColumns columns, double latitude, double longitude, GardenZone zone)
    {
        var daily =
            !columns.Fields.Contains(TableField.Clock) && lines.Take(20).All(l => !Cell(l, columns, TableField.Time).Contains(':', StringComparison.Ordinal));
        var bad = new List<BadLine>();
        return new TableReading(daily, daily ? Days(lines, columns, latitude, longitude, zone, bad) : Hours(lines, columns, zone, bad), bad);
    }

    private static SortedDictionary<DateTimeOffset, WeatherHour> Hours(
        IReadOnlyList<IReadOnlyList<string>> lines,
        TableColumns columns,
        GardenZone zone,
        List<BadLine> bad
    )
    {
        var byHour = new SortedDictionary<DateTimeOffset, List<WeatherHour>>();
        var seen = new HashSet<DateTimeOffset>();
        DateTimeOffset? previous = null;
        for (var i = 0; i < lines.Count; i++)
        {
            var (at, wrongTime) = Instant(lines[i], columns, columns.Utc ? GardenZone.Utc : zone, previous);
            var (hour, wrongValue) = Values(lines[i], columns);
            var why = wrongTime ?? wrongValue ?? hour.Impossible() ?? (seen.Add(at!.Value) ? null : Say.Of("sky.thisTimeWasThereBefore"));
            if (why is not null)
            {
                bad.Add(new(i + 1, why));
                continue;
            }

            previous = at;
            var whole = HourSeries.WholeHour(at!.Value);
            if (!byHour.TryGetValue(whole, out var parts))
            {
                byHour[whole] = parts = [];
            }

            parts.Add(hour);
        }

        return new(byHour.ToDictionary(x => x.Key, x => Together(x.Value)));
    }

    /// <summary>Readings of one hour as one.</summary>
    public static WeatherHour Together(IReadOnlyList<WeatherHour> parts)
    {
        double? Mean(Func<WeatherHour, double?> field) => parts.Select(field).OfType<double>().ToList() is { Count: > 0 } known ? known.Average() : null;
        return parts.Count == 1
            ? parts[0]
            : new WeatherHour(
                Mean(p => p.TemperatureC),
                Mean(p => p.RelativeHumidityPercent),
                Mean(p => p.WindMetresPerSecond),
                parts.Max(p => p.GustMetresPerSecond),
                parts.Any(p => p.RainMm.HasValue) ? parts.Sum(p => p.RainMm ?? 0) : null,
                Mean(p => p.CloudPercent),
                Mean(p => p.LeafWetness),
                Mean(p => p.SolarWattsPerSquareMetre)
            );
    }

    private static SortedDictionary<DateTimeOffset, WeatherHour> Days(
        IReadOnlyList<IReadOnlyList<string>> lines,
        TableColumns columns,
        double latitude,
        double longitude,
        GardenZone zone,
        List<BadLine> bad
    )
    {
        var days = new SortedDictionary<DateOnly, DayValues>();
        for (var i = 0; i < lines.Count; i++)
        {
            var date = Date(Cell(lines[i], columns, TableField.Date) is { Length: > 0 } d ? d : Cell(lines[i], columns, TableField.Time), columns.Dates);
            var (hour, wrong) = Values(lines[i], columns);
            var (min, wrongMin) = Number(lines[i], columns, TableField.MinTemperature, Celsius(columns));
            var (max, wrongMax) = Number(lines[i], columns, TableField.MaxTemperature, Celsius(columns));
            var why = date is null
                ? Say.Of("sky.theDateCanNotBeRead")
                : wrong
                    ?? wrongMin
                    ?? wrongMax
                    ?? hour.Impossible()
                    ?? (
                        min > max ? Say.Of("sky.theMinimumIsAboveTheMaximum")
                        : days.ContainsKey(date.Value) ? Say.Of("sky.thisDayWasThereBefore")
                        : null
                    );
            if (why is not null)
            {
                bad.Add(new(i + 1, why));
                continue;
            }

            var mean = hour.TemperatureC ?? (min + max) / 2;
            var (dew, _) = Number(lines[i], columns, TableField.DewPoint, Celsius(columns));
            days[date!.Value] = new DayValues(
                date.Value,
                min ?? hour.TemperatureC - SwingK,
                max ?? hour.TemperatureC + SwingK,
                dew ?? (mean is { } t && hour.RelativeHumidityPercent is > 0 and { } rh ? Air.DewPointC(t, rh) : null),
                hour.WindMetresPerSecond,
                hour.GustMetresPerSecond,
                hour.RainMm,
                hour.CloudPercent
            );
        }

        var hours = new SortedDictionary<DateTimeOffset, WeatherHour>();
        foreach (var day in days.Values)
        {
            var spread = DailySpread.Hours(day, days.GetValueOrDefault(day.Date.AddDays(1)), latitude, longitude, zone);
            for (var i = 0; i < spread.Hours.Count; i++)
            {
                hours[HourSeries.WholeHour(spread.At(i))] = spread.Hours[i];
            }
        }

        return hours;
    }

    private static (DateTimeOffset? At, string? Why) Instant(IReadOnlyList<string> line, TableColumns columns, GardenZone zone, DateTimeOffset? previous)
    {
        var text =
            columns.Fields.Contains(TableField.Clock) ? $"{Cell(line, columns, TableField.Date)} {Cell(line, columns, TableField.Clock)}"
            : Cell(line, columns, TableField.Time) is { Length: > 0 } time ? time
            : Cell(line, columns, TableField.Date);
        if (NamesOffset().IsMatch(text) && DateTimeOffset.TryParse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var instant))
        {
            return (instant.ToUniversalTime(), null);
        }

        if (
            !DateTime.TryParseExact(
                text.Replace('T', ' ').Trim(),
                ClockFormats(columns.Dates),
                CultureInfo.InvariantCulture,
                DateTimeStyles.AllowWhiteSpaces,
                out var local
            )
        )
        {
            return (null, Say.Of("sky.theTimeCanNotBeRead"));
        }

        return zone.InOrder(local, previous) is { } at ? (at, null) : (null, Say.Of("sky.thatTimeDidNotExist"));
    }

    private static (WeatherHour Hour, string? Why) Values(IReadOnlyList<string> line, TableColumns columns)
    {
        string? why = null;
        double? Take(TableField field, Func<double, double> convert)
        {
            var (value, wrong) = Number(line, columns, field, convert);
            why ??= wrong;
            return value;
        }

        var temperature = Take(TableField.Temperature, Celsius(columns));
        var humidity = Take(TableField.Humidity, x => x);
        if (humidity is null && temperature is { } t && Take(TableField.DewPoint, Celsius(columns)) is { } dew && dew <= t)
        {
            humidity = 100 * Air.SaturationVapourPressureKPa(dew) / Air.SaturationVapourPressureKPa(t);
        }

        Func<double, double> speed = x =>
            x
            * columns.Wind switch
            {
                WindUnit.KilometresPerHour => 1 / 3.6,
                WindUnit.MilesPerHour => 0.44704,
                WindUnit.Knots => 1852 / 3600.0,
                _ => 1,
            };
        return (
            new WeatherHour(
                temperature,
                humidity,
                Take(TableField.Wind, speed),
                Take(TableField.Gust, speed),
                Take(TableField.Rain, x => columns.Rain == RainUnit.Inches ? x * 25.4 : x),
                Take(TableField.Cloud, x => x),
                Take(TableField.LeafWetness, x => x),
                Take(TableField.Solar, x => x)
            ),
            why
        );
    }

    private static Func<double, double> Celsius(TableColumns columns) => x => columns.Temperature == TemperatureUnit.Fahrenheit ? (x - 32) / 1.8 : x;

    private static (double? Value, string? Why) Number(IReadOnlyList<string> line, TableColumns columns, TableField field, Func<double, double> convert)
    {
        var text = Cell(line, columns, field);
        if (text.Length == 0 || Missing().IsMatch(text))
        {
            return (null, null);
        }

        return
            double.TryParse(columns.DecimalComma ? text.Replace(',', '.') : text, NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
            && double.IsFinite(value)
            ? (convert(value), null)
            : (null, Say.Of("sky.isNoNumber", ("text", text)));
    }

    private static string Cell(IReadOnlyList<string> line, TableColumns columns, TableField field)
    {
        for (var i = 0; i < columns.Fields.Count && i < line.Count; i++)
        {
            if (columns.Fields[i] == field)
            {
                return line[i].Trim();
            }
        }

        return "";
    }

    private static DateOnly? Date(string text, DateOrder order) =>
        DateTime.TryParseExact(
            text.Trim(),
            [.. DayFormats(order), .. ClockFormats(order)],
            CultureInfo.InvariantCulture,
            DateTimeStyles.AllowWhiteSpaces,
            out var day
        )
            ? DateOnly.FromDateTime(day)
            : null;

    private static string[] DayFormats(DateOrder order) =>
        order switch
        {
            DateOrder.DayFirst => ["d.M.yyyy", "d/M/yyyy", "d-M-yyyy"],
            DateOrder.MonthFirst => ["M/d/yyyy", "M-d-yyyy"],
            _ => ["yyyy-M-d", "yyyy/M/d", "yyyy.M.d", "yyyyMMdd"],
        };

    private static string[] ClockFormats(DateOrder order) => [.. DayFormats(order).SelectMany(d => new[] { $"{d} H:mm", $"{d} H:mm:ss", $"{d} h:mm tt" })];

    private static DateOrder Order(List<string> dates)
    {
        var parts = dates
            .Select(d => DateParts().Match(d))
            .Where(m => m.Success)
            .Select(m => (A: int.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture), B: int.Parse(m.Groups[2].Value, CultureInfo.InvariantCulture)))
            .ToList();
        return parts.Count == 0 || parts.Any(p => p.A > 31) ? DateOrder.YearFirst
            : parts.Any(p => p.A <= 12 && p.B > 12) ? DateOrder.MonthFirst
            : DateOrder.DayFirst;
    }

    private static TableField FieldOf(string h) =>
        h.Contains("dew", StringComparison.Ordinal) ? TableField.DewPoint
        : h.Contains("gust", StringComparison.Ordinal) ? TableField.Gust
        : h.Contains("dir", StringComparison.Ordinal) ? TableField.Ignore
        : h.Contains("wind", StringComparison.Ordinal) ? TableField.Wind
        : h.Contains("rain", StringComparison.Ordinal) || h.Contains("precip", StringComparison.Ordinal) ? TableField.Rain
        : h.Contains("humid", StringComparison.Ordinal) || h is "rh" or "hum" || h.StartsWith("rh ", StringComparison.Ordinal) ? TableField.Humidity
        : h.Contains("cloud", StringComparison.Ordinal) ? TableField.Cloud
        : h.Contains("solar", StringComparison.Ordinal) || h.Contains("radiation", StringComparison.Ordinal) ? TableField.Solar
        : h.Contains("leaf", StringComparison.Ordinal) ? TableField.LeafWetness
        : h.Contains("temp", StringComparison.Ordinal)
        || h.StartsWith("tmin", StringComparison.Ordinal)
        || h.StartsWith("tmax", StringComparison.Ordinal)
        || h is "t" or "tmin" or "tmax"
            ? h.Contains("min", StringComparison.Ordinal) || h.Contains("low", StringComparison.Ordinal) ? TableField.MinTemperature
                : h.Contains("max", StringComparison.Ordinal) || h.Contains("high", StringComparison.Ordinal) ? TableField.MaxTemperature
                : TableField.Temperature
        : h.Contains("date", StringComparison.Ordinal) && h.Contains("time", StringComparison.Ordinal) ? TableField.Time
        : h.Contains("date", StringComparison.Ordinal) || h is "day" ? TableField.Date
        : h is "clock" or "hour" ? TableField.Clock
        : h.Contains("time", StringComparison.Ordinal) ? TableField.Time
        : TableField.Ignore;

    [GeneratedRegex(@"°\s*f\b|\(f\)|\bf\)|fahrenheit|_f\b")]
    private static partial Regex Fahrenheit();

    [GeneratedRegex(@"\binch|\(in\)|_in\b")]
    private static partial Regex Inches();

    [GeneratedRegex(@"^-?\d+,\d+$")]
    private static partial Regex CommaNumber();

    [GeneratedRegex(@"^\s*(\d{1,4})[-./](\d{1,2})[-./]\d{1,4}")]
    private static partial Regex DateParts();

    [GeneratedRegex(@"(Z|[+-]\d\d:?\d\d)\s*$")]
    private static partial Regex NamesOffset();

    [GeneratedRegex(@"^(-+|n/?a|nan|null|\.)$", RegexOptions.IgnoreCase)]
    private static partial Regex Missing();
}
