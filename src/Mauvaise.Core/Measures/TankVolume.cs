using System.Globalization;

namespace Mauvaise.Core.Measures;

/// <summary>Volumes of water and tanks as a household reads them.</summary>
public static class TankVolume
{
    private static readonly (string Unit, double From)[] Us = [("us-gal", 3.78), ("us-qt", 0.94), ("us-cup", 0.2), ("us-floz", 0)];
    private static readonly (string Unit, double From)[] Imperial = [("imp-gal", 4.5), ("imp-pt", 0.25), ("imp-floz", 0)];

    /// <summary>"2.4 l", "500 ml"; "2.54 quarts" where gallons are used.</summary>
    /// <param name="litres">0 or more.</param>
    public static string Text(double litres, KitchenSystem system)
    {
        Bounds.NotNegative(litres);
        var steps = system switch { KitchenSystem.Us => Us, KitchenSystem.Imperial => Imperial, _ => [] };
        if (steps.Length == 0)
        {
            return Metric(litres);
        }

        var unit = Units.Get(steps.First(s => litres >= s.From).Unit);
        var exact = Units.Convert(litres, Units.Get("l"), unit);
        var amount = Math.Round(exact, exact < 10 ? 2 : 1);
        return string.Create(CultureInfo.InvariantCulture, $"{amount} {unit.Name}{(amount == 1 || unit.Code.EndsWith("oz", StringComparison.Ordinal) ? "" : "s")}");
    }

    /// <summary>The same in litres where the household reads something else; null where it does not.</summary>
    public static string? Beside(double litres, KitchenSystem system) =>
        system is KitchenSystem.Us or KitchenSystem.Imperial ? Metric(litres) : null;

    private static string Metric(double litres) => litres >= 1
        ? string.Create(CultureInfo.InvariantCulture, $"{litres:0.##} l")
        : string.Create(CultureInfo.InvariantCulture, $"{litres * 1000:0} ml");
}
