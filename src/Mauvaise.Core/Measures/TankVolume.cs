using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>Volumes of water and tanks as a household reads them.</summary>
public static class TankVolume
{
    private static readonly (string Unit, double From)[] Us = [("us-gal", 3.78), ("us-qt", 0.94), ("us-cup", 0.2), ("us-floz", 0)];
    private static readonly (string Unit, double From)[] Imperial = [("imp-gal", 4.5), ("imp-pt", 0.25), ("imp-floz", 0)];

    /// <summary>What a volume is typed in: litres, quarts or pints.</summary>
    public static UnitScale Scale(KitchenSystem system)
    {
        var unit = Units.Get(
            system switch
            {
                KitchenSystem.Us => "us-qt",
                KitchenSystem.Imperial => "imp-pt",
                _ => "l",
            }
        );
        return new UnitScale(unit.Named(1), 1000 / unit.InBase, 0, 2);
    }

    private static (string Unit, double From)[] Stairs(KitchenSystem system) =>
        system switch
        {
            KitchenSystem.Us => Us,
            KitchenSystem.Imperial => Imperial,
            _ => [],
        };

    /// <summary>"2.4 l", "500 ml"; "2 1/2 quarts" where gallons are used.</summary>
    /// <param name="litres">0 or more.</param>
    public static string Text(double litres, KitchenSystem system)
    {
        Bounds.NotNegative(litres);
        return Beside(litres, system) is null ? Metric(litres) : string.Join(" + ", Measures(litres, system).Select(m => Said(m.Amount, m.Unit)));
    }

    /// <summary>What <see cref="Text"/> says, litres: a volume rounded as the household measures it.</summary>
    /// <param name="litres">0 or more.</param>
    public static double AsTold(double litres, KitchenSystem system) =>
        Beside(litres, system) is not null ? Measures(litres, system).Sum(m => m.Amount * m.Unit.InBase) / 1000
        : litres >= 1 ? Math.Round(litres, 2)
        : Math.Round(litres, 3);

    /// <summary>Quarters of the largest measure that tells it near enough, or whole ones of it and the rest in the next smaller.</summary>
    private static List<(double Amount, Unit Unit)> Measures(double litres, KitchenSystem system)
    {
        var stairs = Stairs(system);
        var first = Math.Min(Array.FindIndex(stairs, s => litres >= s.From), stairs.Length - 1);
        var unit = Units.Get(stairs[first].Unit);
        var exact = Units.Convert(litres, Units.Get("l"), unit);
        if (litres == 0 || first == stairs.Length - 1 || Math.Abs(Quarters(exact) / exact - 1) <= QuartersMayMiss)
        {
            return [(Quarters(exact), unit)];
        }

        var next = Units.Get(stairs[first + 1].Unit);
        var whole = Math.Floor(exact);
        var rest = (Quarters((exact - whole) * unit.InBase / next.InBase), next);
        return whole == 0 ? [rest] : [(whole, unit), rest];
    }

    /// <summary>"2 1/2 quarts".</summary>
    private static string Said(double amount, Unit unit) => $"{(amount == 0 ? "0" : KitchenMeasure.Count(amount))} {unit.Named(amount)}";

    /// <summary>A volume in quarters may be off by this share; beyond it a smaller measure tells it better (assumed).</summary>
    private const double QuartersMayMiss = 0.02;

    private static double Quarters(double amount) => amount == 0 ? 0 : Math.Max(0.25, Math.Round(amount * 4, MidpointRounding.AwayFromZero) / 4);

    /// <summary>
    /// What a tank may be typed in, whatever the household reads; a gallon is that of its kitchen, and of the United States where it has none.
    /// </summary>
    public static IReadOnlyList<UnitScale> Typed(KitchenSystem system)
    {
        var imperial = system == KitchenSystem.Imperial;
        (string Word, string Code)[] known =
        [
            ("l", "l"),
            ("ml", "ml"),
            ("gal", imperial ? "imp-gal" : "us-gal"),
            ("qt", "us-qt"),
            ("pt", imperial ? "imp-pt" : "us-pt"),
            ("cup", imperial ? "metric-cup" : "us-cup"),
            ("cups", imperial ? "metric-cup" : "us-cup"),
            ("fl oz", imperial ? "imp-floz" : "us-floz"),
        ];
        return [.. known.Select(k => new UnitScale(k.Word, 1000 / Units.Get(k.Code).InBase, 0, 2))];
    }

    /// <summary>The same in litres where the household reads something else; null where it does not.</summary>
    public static string? Beside(double litres, KitchenSystem system) => system.HasGallons() ? Metric(litres) : null;

    private static string Metric(double litres) =>
        litres >= 1 ? $"{Say.In(litres, "0.##")} l" : Say.Of("measures.litresMl", ("litres", Say.In(litres * 1000, "0")));
}
