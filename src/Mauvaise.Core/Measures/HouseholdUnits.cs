using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

public enum TemperatureUnit
{
    Celsius,
    Fahrenheit,
}

/// <summary>What beds are measured in.</summary>
public enum LengthUnit
{
    Metres,
    Feet,
}

public enum WindUnit
{
    MetresPerSecond,
    KilometresPerHour,
    MilesPerHour,
    Knots,
    Beaufort,
}

public enum RainUnit
{
    Millimetres,
    Inches,
}

/// <summary>How the hours of a day are counted.</summary>
public enum HourCount
{
    TwentyFour,
    Twelve,
}

/// <summary>What a household reads and measures with. Records stay in SI whatever it is; spoons and tanks go by its <see cref="KitchenSystem"/>.</summary>
/// <param name="Currency">What prices are in, by ISO 4217; empty where nobody said.</param>
/// <param name="DropsInSpoon">Drops of water that the household's own dropper gives in 5 ml; 100 where nobody counted.</param>
public sealed record HouseholdUnits(
    TemperatureUnit Temperature,
    LengthUnit Length,
    RainUnit Rain,
    WindUnit Wind,
    HourCount Hours,
    DayOfWeek WeekStart,
    DayOrder Days = DayOrder.DayFirst,
    string Currency = "",
    int DropsInSpoon = HouseholdUnits.UsualDropsInSpoon
)
{
    /// <summary>Drops of water in 5 ml by a usual dropper: 20 to a millilitre (assumed).</summary>
    public const int UsualDropsInSpoon = 100;

    /// <summary>What droppers give in 5 ml, from wide to fine ones.</summary>
    public const int FewestDrops = 40,
        MostDrops = 250;

    public static readonly HouseholdUnits Metric = new(
        TemperatureUnit.Celsius,
        LengthUnit.Metres,
        RainUnit.Millimetres,
        WindUnit.MetresPerSecond,
        HourCount.TwentyFour,
        DayOfWeek.Monday
    );

    /// <summary>Whether prices can be told in it: three large letters, or empty for plain figures.</summary>
    public static bool IsCurrency(string code) => code.Length == 0 || (code.Length == 3 && code.All(char.IsAsciiLetterUpper));

    /// <summary>Whether a dropper gives so many drops in 5 ml.</summary>
    public static bool IsDropper(int dropsInSpoon) => dropsInSpoon is >= FewestDrops and <= MostDrops;

    /// <summary>What a dropper may give, in words.</summary>
    public static string DropperRange() => Say.Of("measures.dropsLieBetween", ("fewest", FewestDrops), ("most", MostDrops));

    /// <summary>An amount as the household reads it: so many of the SI unit times the factor, and the offset on top.</summary>
    public UnitScale Scale(Quantity quantity) =>
        (quantity, Temperature, Length, Rain, Wind) switch
        {
            (Quantity.Temperature, TemperatureUnit.Fahrenheit, _, _, _) => new("°F", 1.8, 32, 0),
            (Quantity.Temperature, _, _, _, _) => new("°C", 1, 0, 0),
            (Quantity.DegreeDays, TemperatureUnit.Fahrenheit, _, _, _) => new(Say.Of("measures.degreeDaysF"), 1.8, 0, 0),
            (Quantity.DegreeDays, _, _, _, _) => new(Say.Of("measures.degreeDays"), 1, 0, 0),
            (Quantity.Length, _, LengthUnit.Feet, _, _) => new("ft", 1 / MetresPerFoot, 0, 1),
            (Quantity.Length, _, _, _, _) => new("m", 1, 0, 1),
            (Quantity.Area, _, LengthUnit.Feet, _, _) => new("sq ft", 1 / (MetresPerFoot * MetresPerFoot), 0, 0),
            (Quantity.Area, _, _, _, _) => new("m²", 1, 0, 1),
            (Quantity.Rain, _, _, RainUnit.Inches, _) => new("in", 1 / MillimetresPerInch, 0, 2),
            (Quantity.Rain, _, _, _, _) => new("mm", 1, 0, 1),
            (Quantity.Wind, _, _, _, WindUnit.KilometresPerHour) => new("km/h", 3.6, 0, 0),
            (Quantity.Wind, _, _, _, WindUnit.MilesPerHour) => new("mph", 3600 / MetresPerMile, 0, 0),
            (Quantity.Wind, _, _, _, WindUnit.Knots) => new(Say.Of("measures.knots"), 3600 / MetresPerSeaMile, 0, 0),
            (Quantity.Wind, _, _, _, WindUnit.Beaufort) => new(Say.Of("measures.beaufort"), BeaufortFactor, 0, 0, BeaufortPower),
            _ => new("m/s", 1, 0, 1),
        };

    /// <summary>
    /// What a quantity may be typed in, whatever the household reads: the unit's word in small letters, and its scale as in <see cref="Scale"/>.
    /// </summary>
    public static IReadOnlyList<UnitScale> Typed(Quantity quantity) =>
        quantity switch
        {
            Quantity.Temperature => [new("°c", 1, 0, 0), new("c", 1, 0, 0), new("°f", 1.8, 32, 0), new("f", 1.8, 32, 0)],
            Quantity.Length => [new("m", 1, 0, 1), new("cm", 100, 0, 0), new("ft", 1 / MetresPerFoot, 0, 1), new("in", 12 / MetresPerFoot, 0, 0)],
            Quantity.Area =>
            [
                new("m²", 1, 0, 1),
                new("m2", 1, 0, 1),
                new("sq ft", 1 / (MetresPerFoot * MetresPerFoot), 0, 0),
                new("ft²", 1 / (MetresPerFoot * MetresPerFoot), 0, 0),
            ],
            Quantity.Rain => [new("mm", 1, 0, 1), new("cm", 0.1, 0, 1), new("in", 1 / MillimetresPerInch, 0, 2)],
            Quantity.Wind =>
            [
                new("m/s", 1, 0, 1),
                new("km/h", 3.6, 0, 0),
                new("mph", 3600 / MetresPerMile, 0, 0),
                new("kn", 3600 / MetresPerSeaMile, 0, 0),
                new("knots", 3600 / MetresPerSeaMile, 0, 0),
                new("bft", BeaufortFactor, 0, 0, BeaufortPower),
            ],
            _ => [],
        };

    /// <summary>Doses by area are told for so many square feet.</summary>
    internal const int SquareFeetOfDose = 100;

    // Exact by definition: the international foot, inch and mile of 1959, the sea mile of 1929.
    internal const double MetresPerFoot = 0.3048;

    private const double MillimetresPerInch = 25.4,
        MetresPerMile = 1609.344,
        MetresPerSeaMile = 1852;

    /// <summary>The scale of 1946: a force B blows at 0.836 B^1.5 m/s.</summary>
    private const double BeaufortPower = 2.0 / 3;
    private static readonly double BeaufortFactor = Math.Pow(0.836, -BeaufortPower);
}

/// <summary>What is measured.</summary>
public enum Quantity
{
    Temperature,
    DegreeDays,
    Length,
    Area,
    Rain,
    Wind,
}

/// <summary>How SI becomes what a household reads: to the power, times the factor, plus the offset; a difference takes the factor alone.</summary>
/// <param name="Digits">After the decimal sign, as a gardener rounds.</param>
/// <param name="Power">1 but for a scale of forces, whose amounts are never below nothing.</param>
public sealed record UnitScale(string Word, double Factor, double Offset, int Digits, double Power = 1)
{
    public double Of(double si) => (Power == 1 ? si : Math.Pow(Math.Max(0, si), Power)) * Factor + Offset;
}

/// <summary>What a country's households mostly read, to begin with; each can be changed.</summary>
/// <param name="Code">ISO 3166 of two letters; "ZZ" for anywhere else. Who shows it names it.</param>
public sealed record Country(string Code, KitchenSystem Kitchen, HouseholdUnits Units)
{
    private static readonly HouseholdUnits Metric = HouseholdUnits.Metric with { Wind = WindUnit.KilometresPerHour };

    /// <summary>The last is for anywhere else.</summary>
    public static readonly IReadOnlyList<Country> All =
    [
        new("AU", KitchenSystem.Australian, Metric with { Hours = HourCount.Twelve, Currency = "AUD" }),
        new("AT", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("BE", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("CA", KitchenSystem.Metric, Metric with { Hours = HourCount.Twelve, WeekStart = DayOfWeek.Sunday, Currency = "CAD" }),
        new("FR", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("DE", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("IN", KitchenSystem.Metric, Metric with { Hours = HourCount.Twelve, WeekStart = DayOfWeek.Sunday, Currency = "INR" }),
        new("IE", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("IT", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("NL", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("NZ", KitchenSystem.Metric, Metric with { Hours = HourCount.Twelve, Currency = "NZD" }),
        new("ZA", KitchenSystem.Metric, Metric with { WeekStart = DayOfWeek.Sunday, Currency = "ZAR" }),
        new("ES", KitchenSystem.Metric, Metric with { Currency = "EUR" }),
        new("CH", KitchenSystem.Metric, Metric with { Currency = "CHF" }),
        new("GB", KitchenSystem.Metric, Metric with { Wind = WindUnit.MilesPerHour, Currency = "GBP" }),
        new(
            "US",
            KitchenSystem.Us,
            new HouseholdUnits(
                TemperatureUnit.Fahrenheit,
                LengthUnit.Feet,
                RainUnit.Inches,
                WindUnit.MilesPerHour,
                HourCount.Twelve,
                DayOfWeek.Sunday,
                DayOrder.MonthFirst,
                "USD"
            )
        ),
        new("ZZ", KitchenSystem.Metric, HouseholdUnits.Metric),
    ];
}
