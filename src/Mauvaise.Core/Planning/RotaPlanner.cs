using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Planning;

/// <summary>
/// The rota: finds what wants to be sprayed, lays it bare as a <see cref="RotaProblem"/>, solves that, and puts the gardening back.
/// Deterministic, and nothing in it breaks a hard rule.
/// </summary>
public static class RotaPlanner
{
    /// <summary>Days that are planned firmly.</summary>
    public const int FirmDays = 14;

    /// <summary>The plan of a garden, solved once for as long as nothing that it depends on changes.</summary>
    public static Rota Plan(GardenSnapshot garden) => garden.Remembered(g => Plan(g, FirmDays));

    /// <param name="firmDays">How far ahead it plans firmly, days.</param>
    public static Rota Plan(GardenSnapshot garden, int firmDays)
    {
        var build = new RotaBuild(garden, RotaNeeds.Find(garden), firmDays);
        return new RotaReading(build).Read(build.Solve());
    }

    /// <summary>What it would cost to do a need's next round on each of the firm days instead; null where that can not be, with the reason.</summary>
    public static IReadOnlyList<(DateOnly On, double? More, Said Sentence)> Moves(GardenSnapshot garden, Guid plantingId, string target)
    {
        var needs = RotaNeeds.Find(garden);
        var now = new RotaBuild(garden, needs, FirmDays);
        var index = needs.Index().Where(n => n.Item.Planting.Id == plantingId && n.Item.Target.Id == target).Select(n => (int?)n.Index).FirstOrDefault();
        if (index is not { } i)
        {
            return [];
        }

        var told = now.Problem.AsTold(Costs.OutingOf(garden.Garden.Stance));
        var cost = RotaSolver.Cost(told, now.Solve().Choices);
        return
        [
            .. Enumerable
                .Range(0, FirmDays)
                .Select(day =>
                {
                    var on = garden.Today.AddDays(day);
                    var pinned = new RotaBuild(garden, [.. needs.Select((n, k) => k == i ? n with { Pinned = on } : n)], FirmDays);
                    var moved = pinned.Solve();
                    if (moved.Choices[i].Option < 0)
                    {
                        return (on, (double?)null, new RotaReading(pinned).WhyNot(i));
                    }

                    var more = Math.Max(0, RotaSolver.Cost(told, moved.Choices) - cost);
                    return (
                        on,
                        more,
                        more < 5e-5 ? Said.Of("planning.asGoodAsPlanned") : Said.Of("planning.costsOfABedsCropMore", ("more", Fact.Percent(more * 100, "0.00")))
                    );
                }),
        ];
    }
}
