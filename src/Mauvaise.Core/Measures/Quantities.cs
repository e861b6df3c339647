using System.Collections.Frozen;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>What a unit measures.</summary>
public enum Dimension
{
    Volume,
    Mass,
    Drops,
}

/// <summary>Which spoons, cups and jugs a household owns.</summary>
public enum KitchenSystem
{
    Metric,
    Us,
    Imperial,
    Australian,
}

public static class Kitchens
{
    /// <summary>Whether the household reads gallons, fluid ounces and ounces.</summary>
    public static bool HasGallons(this KitchenSystem kitchen) => kitchen is KitchenSystem.Us or KitchenSystem.Imperial;
}

/// <summary>A unit of the kitchen: its factor to millilitres, grams or drops.</summary>
public sealed record Unit(string Code, Dimension Dimension, double InBase)
{
    /// <summary>What so much of it is called: "quart", "quarts".</summary>
    public string Named(double amount) => Say.Of($"units.{Code}", ("n", amount is > 0 and <= 1 ? 1 : 2));
}

/// <summary>
/// All units that Mauvaise reads. Base units are the millilitre, the gram and the drop. Factors are exact by definition:
/// US customary from the cubic inch (16.387064 ml; 231 in3 a gallon), imperial from the gallon of 4546.09 ml, metric and
/// Australian spoons as legislated.
/// </summary>
public static class Units
{
    private const double UsGallonMl = 231 * 16.387064;
    private const double ImperialGallonMl = 4546.09;

    public static readonly IReadOnlyList<Unit> All =
    [
        new("ml", Dimension.Volume, 1),
        new("l", Dimension.Volume, 1000),
        new("us-tsp", Dimension.Volume, UsGallonMl / 768),
        new("us-tbsp", Dimension.Volume, UsGallonMl / 256),
        new("us-floz", Dimension.Volume, UsGallonMl / 128),
        new("us-cup", Dimension.Volume, UsGallonMl / 16),
        new("us-pt", Dimension.Volume, UsGallonMl / 8),
        new("us-qt", Dimension.Volume, UsGallonMl / 4),
        new("us-gal", Dimension.Volume, UsGallonMl),
        new("metric-tsp", Dimension.Volume, 5),
        new("metric-tbsp", Dimension.Volume, 15),
        new("metric-cup", Dimension.Volume, 250),
        new("au-tbsp", Dimension.Volume, 20),
        new("imp-floz", Dimension.Volume, ImperialGallonMl / 160),
        new("imp-pt", Dimension.Volume, ImperialGallonMl / 8),
        new("imp-gal", Dimension.Volume, ImperialGallonMl),
        new("g", Dimension.Mass, 1),
        new("kg", Dimension.Mass, 1000),
        new("oz", Dimension.Mass, 28.349523125),
        new("drop", Dimension.Drops, 1),
    ];

    private static readonly FrozenDictionary<string, Unit> ByCode = All.ToFrozenDictionary(u => u.Code);

    /// <summary>Null when no unit has this code.</summary>
    public static Unit? Find(string code) => ByCode.GetValueOrDefault(code);

    /// <summary>The unit with a code that is known to exist.</summary>
    /// <exception cref="ArgumentOutOfRangeException">There is no such unit.</exception>
    public static Unit Get(string code) => Find(code) ?? throw new ArgumentOutOfRangeException(nameof(code), code, "There is no such unit.");

    /// <summary>
    /// An amount in another unit. Between mass and volume the density carries it over, between drops and volume the drop
    /// count. Exact within rounding of a double; a round trip returns the amount within 1e-9 relative.
    /// </summary>
    /// <param name="amount">Any finite number of <paramref name="from"/>.</param>
    /// <param name="gramsPerMillilitre">Over 0; 1 for water.</param>
    /// <param name="dropsPerMillilitre">Over 0; 20 for water-like liquids, 30 for essential oils (assumed).</param>
    public static double Convert(double amount, Unit from, Unit to, double gramsPerMillilitre = 1, double dropsPerMillilitre = 20)
    {
        ArgumentNullException.ThrowIfNull(from);
        ArgumentNullException.ThrowIfNull(to);
        Bounds.Finite(amount);
        Bounds.Positive(gramsPerMillilitre);
        Bounds.Positive(dropsPerMillilitre);
        var millilitres = from.Dimension switch
        {
            Dimension.Mass => amount * from.InBase / gramsPerMillilitre,
            Dimension.Drops => amount / dropsPerMillilitre,
            _ => amount * from.InBase,
        };
        return to.Dimension switch
        {
            Dimension.Mass => millilitres * gramsPerMillilitre / to.InBase,
            Dimension.Drops => millilitres * dropsPerMillilitre,
            _ => millilitres / to.InBase,
        };
    }
}
