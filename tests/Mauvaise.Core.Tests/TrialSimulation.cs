using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Trials;

namespace Mauvaise.Core.Tests;

/// <summary>Trials whose truth is known, for the tests and for the tables of the benchmarks.</summary>
internal static class TrialSimulation
{
    private static readonly DateTimeOffset Opened = new(2026, 6, 8, 17, 0, 0, TimeSpan.Zero);

    /// <summary>Share of trials whose 95 % interval holds the true control.</summary>
    /// <param name="alike">How far leaves of a plant are alike: the intraclass correlation, 0 to 1.</param>
    /// <param name="share">Affected when left alone.</param>
    /// <param name="control">True share held back, 0 to 1.</param>
    /// <param name="before">Counted before as well.</param>
    public static double Held(int trials, int units, int leaves, double alike, double share, double control, bool before)
    {
        var chance = new Chance((ulong)(units * 31 + leaves));
        return Enumerable
                .Range(0, trials)
                .Count(_ =>
                {
                    var (t, u) = (Side(chance, units, leaves, alike, share, 1 - control), Side(chance, units, leaves, alike, share, 1));
                    var estimate = before ? Comparison.HendersonTilton(t, u) : Comparison.Abbott(t, u);
                    return estimate is not null && estimate.Low <= control * 100 && control * 100 <= estimate.High;
                }) / (double)trials;
    }

    /// <summary>Share of trials in which a side that does nothing is said to work, 20 leaves a side.</summary>
    public static double SaidToWork(int trials, int sides)
    {
        var chance = new Chance(77);
        return Enumerable
                .Range(0, trials)
                .Count(i =>
                    TrialResult
                        .Of(LeafTrial(chance, sides, 20, 0.5, 0, i), Shipped.Catalogue.Target("black-bean-aphid"))
                        .Sides.Any(s => s.Verdict == TrialVerdict.Works)
                ) / (double)trials;
    }

    public static List<CountedUnit> Side(Chance chance, int units, int leaves, double alike, double share, double survives) =>
        [
            .. Enumerable
                .Range(0, units)
                .Select(_ =>
                {
                    // Plants of a side differ as a beta distribution has it, here by the means of a few even draws.
                    var own =
                        alike > 0
                            ? Math.Clamp(
                                share + Math.Sqrt(alike * share * (1 - share)) * Math.Sqrt(12.0 / 3) * (chance.Next() + chance.Next() + chance.Next() - 1.5),
                                0.01,
                                0.99
                            )
                            : share;
                    int Hit(double p) => Enumerable.Range(0, leaves).Count(_ => chance.Next() < p);
                    return new CountedUnit(leaves, Hit(own * survives), Hit(own));
                }),
        ];

    public static Trial LeafTrial(Chance chance, int sides, int each, double share, double control, int seed)
    {
        var units = Lot.Deal([.. Enumerable.Repeat(Guid.Empty, sides * each)], sides, seed);
        TrialCount At(TrialUnit u, int day, double p) => new(Guid.NewGuid(), u.Number, Opened.AddDays(day), 1, chance.Next() < p ? 1 : 0, null);
        return new Trial(
            Guid.NewGuid(),
            "Leaves",
            "black-bean-aphid",
            TrialUnitKind.Leaf,
            1,
            seed,
            false,
            Opened,
            Opened.AddDays(1),
            null,
            [new(1, null, DoseStep.Usual), .. Enumerable.Range(2, sides - 1).Select(n => new TrialSide(n, "castile-soap", (DoseStep)((n - 2) % 3)))],
            units,
            [.. units.Select(u => At(u, 3, share * (u.Side == 1 ? 1 : 1 - control)))]
        );
    }
}
