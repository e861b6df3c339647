using System.Globalization;
using System.Text.RegularExpressions;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>
/// A figure within a sentence. It stands there as a quantity in SI between two marks that no keyboard writes, and is put into the
/// household's units when the sentence is told: so a sentence is made once, may be kept, and follows when the units change.
/// </summary>
public static partial class Figure
{
    /// <summary>Begins and ends a figure: of Unicode's private use, so that no text holds them by itself.</summary>
    private const char Open = '\uE000',
        Close = '\uE001';

    private const char OfTime = 't',
        OfVolume = 'v',
        OfDose = 'd',
        OfAmount = 'a',
        OfDoseByArea = 's';

    /// <param name="celsius">A point, not a difference.</param>
    public static string Temperature(double celsius) => Of('T', celsius, 0);

    /// <param name="digits">After the decimal sign where it is read in millimetres.</param>
    public static string Rain(double mm, int digits = 0) => Of('R', mm, digits);

    public static string Wind(double metresPerSecond) => Of('W', metresPerSecond, 1);

    public static string Length(double metres) => Of('L', metres, 1);

    public static string Area(double squareMetres) => Of('A', squareMetres, 1);

    /// <summary>Warmth over a base, for insects.</summary>
    /// <param name="digits">After the decimal sign where it is read in Celsius.</param>
    public static string DegreeDays(double degreeDays, int digits = 0) => Of('D', degreeDays, digits);

    /// <summary>A volume of spray or water.</summary>
    public static string Volume(double litres) => Of(OfVolume, litres, 2);

    /// <summary>A dose: "5 ml a litre", "1 tsp a quart".</summary>
    /// <param name="amount">Millilitres or grams a litre.</param>
    /// <param name="unit">"ml" or "g".</param>
    public static string Dose(double amount, string unit) =>
        $"{Open}{OfDose}{(unit == "g" ? 'g' : 'm')}{amount.ToString("R", CultureInfo.InvariantCulture)}{Close}";

    /// <summary>A dose by area: "50 g a square metre", "16 oz on 100 sq ft".</summary>
    /// <param name="amount">Millilitres or grams a square metre.</param>
    /// <param name="unit">"ml" or "g".</param>
    public static string DoseByArea(double amount, string unit) =>
        $"{Open}{OfDoseByArea}{(unit == "g" ? 'g' : 'm')}{amount.ToString("R", CultureInfo.InvariantCulture)}{Close}";

    /// <summary>So much of something on the shelf: "610 ml", "1.4 oz".</summary>
    /// <param name="unit">"ml" or "g".</param>
    public static string Amount(double amount, string unit) =>
        $"{Open}{OfAmount}{(unit == "g" ? 'g' : 'm')}{amount.ToString("R", CultureInfo.InvariantCulture)}{Close}";

    /// <summary>A text of the catalogue, where figures stand as {volume 0.5} in litres, {length 0.6} in metres and {dose 4} in ml a litre.</summary>
    public static string Read(string text) =>
        Braced()
            .Replace(text, m =>
            {
                var si = double.Parse(m.Groups[2].ValueSpan, CultureInfo.InvariantCulture);
                return m.Groups[1].Value switch
                {
                    "volume" => Volume(si),
                    "length" => Length(si),
                    _ => Dose(si, "ml"),
                };
            });

    /// <summary>A time of day by the garden's clock.</summary>
    public static string Time(DateTimeOffset local) => $"{Open}{OfTime}0{local.Hour * 60 + local.Minute}{Close}";

    /// <summary>A day and a time of day: "Sun 12 Jul, 19:30".</summary>
    /// <param name="local">In the garden's own time.</param>
    public static string Moment(DateTimeOffset local) => $"{Say.In(local, "ddd d MMM")}, {Time(local)}";

    private static string Of(char kind, double si, int digits) => $"{Open}{kind}{digits}{Bounds.Finite(si).ToString("R", CultureInfo.InvariantCulture)}{Close}";

    /// <summary>Whether a text holds figures.</summary>
    public static bool In(string text) => text.Contains(Open, StringComparison.Ordinal);

    /// <summary>A text with its figures in the household's units. A mark that no version of Mauvaise wrote is left out.</summary>
    public static string Told(this string text, HouseholdUnits units, KitchenSystem kitchen) =>
        In(text)
            ? Marked()
                .Replace(text, m =>
                    double.TryParse(m.Groups[3].ValueSpan, NumberStyles.Float, CultureInfo.InvariantCulture, out var si) && Math.Abs(si) < 1e9
                        ? Tell(m.Groups[1].Value[0], m.Groups[2].Value[0], si, units, kitchen)
                        : ""
                )
            : text;

    /// <summary>In metres, millimetres, Celsius and by 24 hours.</summary>
    public static string Told(this string text) => text.Told(HouseholdUnits.Metric, KitchenSystem.Metric);

    private static string Tell(char kind, char digits, double value, HouseholdUnits units, KitchenSystem kitchen)
    {
        switch (kind)
        {
            case OfTime:
                return new TimeOnly((int)Math.Abs(value) / 60 % 24, (int)Math.Abs(value) % 60)
                    .ToString(units.Hours == HourCount.Twelve ? "h:mm tt" : "HH:mm", CultureInfo.InvariantCulture)
                    .ToLowerInvariant();
            case OfVolume:
                return TankVolume.Text(Math.Max(0, value), kitchen);
            case OfAmount:
                return DoseWords.Amount(Math.Max(0, value), digits == 'g' ? "g" : "ml", kitchen);
            case OfDose:
                return DoseWords.Text(Math.Max(0, value), digits == 'g' ? "g" : "ml", kitchen);
            case OfDoseByArea:
                var area = units.Scale(Quantity.Area).Factor;
                return area == 1
                    ? Say.Of("measures.aSquareMetre", ("amount", DoseWords.Amount(Math.Max(0, value), digits == 'g' ? "g" : "ml", kitchen)))
                    : Say.Of(
                        "measures.on100SquareFeet",
                        ("amount", DoseWords.Amount(Math.Max(0, value) / area * HouseholdUnits.SquareFeetOfDose, digits == 'g' ? "g" : "ml", kitchen))
                    );
            default:
                var scale = units.Scale(
                    kind switch
                    {
                        'T' => Quantity.Temperature,
                        'R' => Quantity.Rain,
                        'W' => Quantity.Wind,
                        'L' => Quantity.Length,
                        'A' => Quantity.Area,
                        _ => Quantity.DegreeDays,
                    }
                );
                // The digits were chosen for the SI unit; another one has its own.
                var places = scale.Factor == 1 ? Math.Clamp(digits - '0', 0, 6) : scale.Digits;
                return $"{Say.In(Math.Round(scale.Of(value), places, MidpointRounding.AwayFromZero), "0.######")} {scale.Word}";
        }
    }

    [GeneratedRegex(@"\{(volume|length|dose) ([0-9]+(?:\.[0-9]+)?)\}")]
    private static partial Regex Braced();

    [GeneratedRegex("\uE000(.)(.)([^\uE001]*)\uE001")]
    private static partial Regex Marked();
}
