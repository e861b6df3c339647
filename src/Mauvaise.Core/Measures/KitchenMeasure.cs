using System.Globalization;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>One scoop of a kitchen measure: how many, of what.</summary>
/// <param name="Count">Number of times, with quarters as 0.25, 0.5, 0.75.</param>
public sealed record Scoop(double Count, Unit Unit);

/// <summary>What to measure in a kitchen, and how far that is from the wanted amount.</summary>
/// <param name="Scoops">Largest measure first; empty when no set of spoons is near enough.</param>
/// <param name="Text">As printed: "1 tbsp + 1/2 tsp", "15 drops", or the advice to use a syringe or a scale.</param>
/// <param name="ErrorPercent">Measured minus wanted, in per cent of wanted; 0 for syringe or scale.</param>
public sealed record KitchenMeasure(IReadOnlyList<Scoop> Scoops, string Text, double ErrorPercent)
{
    /// <summary>Drops to count; 0 where something else measures it.</summary>
    public int Drops { get; init; }

    /// <summary>Whether a kitchen measures it, without a syringe or a scale.</summary>
    public bool InKitchen => Scoops.Count > 0 || Drops > 0;

    /// <summary>A set of spoons may be off by this much; beyond it a syringe or a scale is named.</summary>
    public const double LargestErrorPercent = 5;

    private static readonly double[] Parts = [0.25, 0.5, 0.75];

    /// <summary>
    /// The nearest amount that the household's spoons and cups can measure, from quarter teaspoons, tablespoons and quarter cups;
    /// of two that are equally near, the one with fewer scoops.
    /// </summary>
    /// <param name="millilitres">Over 0, as volume in the spoon (a powder's mass over its bulk density).</param>
    /// <param name="exactText">What to say when no spoon fits, as "7.3 g".</param>
    /// <param name="byWeight">True for a powder: the advice is then a scale, else a syringe.</param>
    /// <param name="dropsPerMillilitre">Of this liquid by the household's dropper, over 0; drops are counted where no spoon is near enough.</param>
    public static KitchenMeasure Nearest(
        double millilitres,
        KitchenSystem system,
        string exactText,
        bool byWeight,
        double dropsPerMillilitre = (double)HouseholdUnits.UsualDropsInSpoon / 5
    )
    {
        Bounds.Positive(millilitres);
        var (teaspoon, tablespoon, cup) = Spoons(system);
        var best = default(Choice);
        var nearest = (Off: double.MaxValue, Scoops: double.MaxValue);
        foreach (var choice in Candidates(millilitres, teaspoon, tablespoon, cup))
        {
            var order = (Math.Round(Math.Abs(choice.Millilitres - millilitres), 9), Math.Ceiling(choice.Many) + Math.Ceiling(choice.Few));
            if (order.CompareTo(nearest) < 0)
            {
                (best, nearest) = (choice, order);
            }
        }

        var error = (best.Millilitres - millilitres) / millilitres * 100;
        if (Math.Abs(error) <= LargestErrorPercent)
        {
            return new KitchenMeasure(best.Scoops, best.Text, error);
        }

        return byWeight
            ? new KitchenMeasure([], Say.Of("measures.withAScale", ("exactText", exactText)), 0)
            : InDrops(millilitres, Bounds.Positive(dropsPerMillilitre)) ?? new KitchenMeasure([], Say.Of("measures.withASyringe", ("exactText", exactText)), 0);
    }

    /// <summary>Nobody counts more drops than these.</summary>
    private const int MostDrops = 40;

    /// <summary>Whole drops within the error; null where they are too many, or too few to be near enough.</summary>
    private static KitchenMeasure? InDrops(double millilitres, double dropsPerMillilitre)
    {
        var drops = (int)Math.Round(Math.Min(millilitres * dropsPerMillilitre, MostDrops + 1));
        var error = (drops / dropsPerMillilitre - millilitres) / millilitres * 100;
        return drops is >= 1 and <= MostDrops && Math.Abs(error) <= LargestErrorPercent
            ? new KitchenMeasure([], Say.Of("measures.inDrops", ("n", drops)), error) { Drops = drops }
            : null;
    }

    /// <summary>
    /// The most that the household's spoons and cups can measure without going over; null below a quarter teaspoon, and where a quarter or more
    /// would be lost.
    /// </summary>
    /// <param name="millilitres">Over 0, as volume in the spoon.</param>
    public static (string Text, double Millilitres)? AtMost(double millilitres, KitchenSystem system)
    {
        Bounds.Positive(millilitres);
        var (teaspoon, tablespoon, cup) = Spoons(system);
        var quarter = teaspoon.InBase / 4;
        double[] below = [Math.Floor(millilitres / quarter + 1e-9) * quarter, millilitres - tablespoon.InBase, millilitres - cup.InBase / 4];
        var choices = below
            .Where(ml => ml >= quarter - 1e-9)
            .SelectMany(ml => Candidates(ml, teaspoon, tablespoon, cup))
            .Where(c => c.Millilitres <= millilitres + 1e-9 && c.Millilitres > millilitres * (1 - LargestLoss));
        return choices
            .OrderByDescending(c => Math.Round(c.Millilitres, 6))
            .ThenBy(c => Math.Ceiling(c.Many) + Math.Ceiling(c.Few))
            .Select(c => ((string Text, double Millilitres)?)(c.Text, c.Millilitres))
            .FirstOrDefault();
    }

    /// <summary>Spoons that do not go over may stay under by this share.</summary>
    private const double LargestLoss = 0.25;

    /// <summary>A heaped spoon of powder counts for this many level ones (assumed).</summary>
    public const double LevelPerHeaped = 1.6;

    /// <summary>Whole heaped spoons that come within the error; null when none do.</summary>
    /// <param name="millilitres">Over 0, as volume in level spoons.</param>
    public static string? Heaped(double millilitres, KitchenSystem system)
    {
        Bounds.Positive(millilitres);
        var (teaspoon, tablespoon, _) = Spoons(system);
        return new[] { tablespoon, teaspoon }
            .Select(u => (Unit: u, Count: Math.Round(millilitres / (u.InBase * LevelPerHeaped))))
            .Where(h => h.Count is >= 1 and <= 3 && Math.Abs(h.Count * h.Unit.InBase * LevelPerHeaped / millilitres - 1) * 100 <= LargestErrorPercent)
            .Select(h => Say.Of("measures.heaped", ("number", Count(h.Count)), ("unit", h.Unit.Named(1))))
            .FirstOrDefault();
    }

    /// <summary>Teaspoon, tablespoon and cup of a household. Imperial households measure with metric spoons.</summary>
    public static (Unit Teaspoon, Unit Tablespoon, Unit Cup) Spoons(KitchenSystem system) =>
        system switch
        {
            KitchenSystem.Us => (Units.Get("us-tsp"), Units.Get("us-tbsp"), Units.Get("us-cup")),
            KitchenSystem.Australian => (Units.Get("metric-tsp"), Units.Get("au-tbsp"), Units.Get("metric-cup")),
            _ => (Units.Get("metric-tsp"), Units.Get("metric-tbsp"), Units.Get("metric-cup")),
        };

    /// <summary>So many of the larger measure, and so many of a smaller one beside them; 0 for none.</summary>
    private readonly record struct Choice(double Many, Unit Larger, double Few = 0, Unit? Smaller = null)
    {
        public double Millilitres => Many * Larger.InBase + (Smaller is null ? 0 : Few * Smaller.InBase);
        public IReadOnlyList<Scoop> Scoops => Smaller is null ? [new Scoop(Many, Larger)] : [new Scoop(Many, Larger), new Scoop(Few, Smaller)];
        public string Text => Smaller is null ? $"{Count(Many)} {Larger.Named(1)}" : $"{Count(Many)} {Larger.Named(1)} + {Count(Few)} {Smaller.Named(1)}";
    }

    private static IEnumerable<Choice> Candidates(double millilitres, Unit teaspoon, Unit tablespoon, Unit cup)
    {
        if (millilitres <= tablespoon.InBase * 1.02)
        {
            yield return new Choice(Quarters(millilitres, teaspoon), teaspoon);
        }

        var tablespoons = Math.Floor(millilitres / tablespoon.InBase + 1e-9);
        if (tablespoons is >= 1 and <= 7)
        {
            yield return new Choice(tablespoons, tablespoon);
            yield return new Choice(tablespoons + 1, tablespoon);
            var rest = millilitres - tablespoons * tablespoon.InBase;
            if (Math.Round(rest / teaspoon.InBase * 4) > 0)
            {
                yield return new Choice(tablespoons, tablespoon, Quarters(rest, teaspoon), teaspoon);
            }
        }

        var cups = Math.Floor(millilitres / cup.InBase * 4 + 1e-9) / 4;
        if (cups >= 0.25)
        {
            yield return new Choice(cups, cup);
            yield return new Choice(cups + 0.25, cup);
            var rest = Math.Round((millilitres - cups * cup.InBase) / tablespoon.InBase);
            if (rest > 0)
            {
                yield return new Choice(cups, cup, rest, tablespoon);
            }
        }
        else
        {
            yield return new Choice(Quarters(millilitres, teaspoon), teaspoon);
        }
    }

    private static double Quarters(double millilitres, Unit spoon) =>
        Math.Max(0.25, Math.Round(millilitres / spoon.InBase * 4, MidpointRounding.AwayFromZero) / 4);

    /// <summary>So many quarters of a spoon as they are written: "1 1/4".</summary>
    internal static string InQuarters(double millilitres, Unit spoon) => Count(Quarters(millilitres, spoon));

    /// <summary>A number with quarters as they are written: "2 1/4". Other parts are left out.</summary>
    internal static string Count(double count)
    {
        var whole = Math.Floor(count);
        var index = Array.IndexOf(Parts, count - whole);
        var part = index < 0 ? "" : new[] { "1/4", "1/2", "3/4" }[index];
        var wholeText = whole.ToString(CultureInfo.InvariantCulture);
        return (whole, part) switch
        {
            (0, _) => part,
            (_, "") => wholeText,
            _ => $"{wholeText} {part}",
        };
    }
}
