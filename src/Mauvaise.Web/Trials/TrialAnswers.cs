using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Trials;
using Mauvaise.Core.Words;

namespace Mauvaise.Web.Trials;

/// <summary>What is told of a trial.</summary>
internal static class TrialAnswers
{
    public static string Letter(int number) => ((char)('A' + number - 1)).ToString();

    public static string Name(GardenSnapshot s, TrialSide side) =>
        side.IsAlone ? Say.Of("trials.leftAlone")
        : side.ByHand is { } work ? s.Catalogue.FindMeasure(work)?.Name ?? work
        : s.Catalogue.FindRecipe(side.Recipe!)?.Name ?? side.Recipe!;

    public static string Where(GardenSnapshot s, TrialUnit unit) =>
        s.FindPlanting(unit.PlantingId) is { } p ? s.Where(p) : Say.Of("gardens.aPlantingThatIsGone");

    public static TrialAnswer Of(GardenSnapshot s, Trial t)
    {
        var target = s.Catalogue.Target(t.Target);
        var result = TrialResult.Of(t, target);
        var hidden = t.Blind && t.ClosedAt is null;
        var rounds = t.Counts.Select(c => c.At).Distinct().Count();
        return new(
            t.Id,
            t.Name,
            t.Target,
            target.Name,
            target.Kind == TargetKind.Disease,
            t.Unit,
            t.LeavesPerUnit,
            t.Seed,
            t.Blind,
            t.OpenedAt,
            t.TreatedAt,
            t.ClosedAt,
            [
                .. result.Sides.Select(r => new TrialSideAnswer(
                    r.Side.Number,
                    Letter(r.Side.Number),
                    r.Side.Recipe,
                    r.Side.ByHand,
                    SizeUnit(s, r.Side),
                    Name(s, r.Side),
                    r.Side.Step,
                    r.Side.Recipe is { } recipe && s.Catalogue.FindRecipe(recipe) is { } known
                        ? s.Catalogue.Group(s.Catalogue.Material(known.Active.Material).Group).Hatch
                        : null,
                    r.Units,
                    r.Leaves,
                    Rounded(r.Affected),
                    Rounded(r.AffectedBefore),
                    Rounded(r.AreaUnderCurve),
                    Shown(r.Control?.Percent),
                    Shown(r.Control?.Low),
                    Shown(r.Control?.High),
                    r.Method,
                    r.Verdict,
                    r.Sentence,
                    Rounded(r.Hurt),
                    Rounded(r.AliveALeaf)
                )),
            ],
            [
                .. t
                    .Units.Select(u => (Unit: u, Counts: t.Counts.Where(c => c.Unit == u.Number).ToList()))
                    .Select(u => new TrialUnitAnswer(
                        u.Unit.Number,
                        u.Unit.PlantingId,
                        Where(s, u.Unit),
                        hidden ? null : u.Unit.Side,
                        u.Counts.Count,
                        u.Counts.LastOrDefault()?.LeavesLooked,
                        u.Counts.LastOrDefault()?.LeavesAffected
                    )),
            ],
            rounds,
            t.TreatedTimes,
            target.Insect is not null,
            [.. result.Pairs.Select(p => Pair(s, p))],
            result.PowerSentence,
            Next(t, rounds)
        );
    }

    /// <summary>"l", "m²", "plants" or "stations"; empty for what is not mixed.</summary>
    private static string SizeUnit(GardenSnapshot s, TrialSide side) =>
        side.Recipe is { } recipe && s.Catalogue.FindRecipe(recipe) is { } known
            ? MixSize.Unit(s.Catalogue.Material(known.Active.Material).Doses?.Per ?? DosedPer.Litre)
            : "";

    private static TrialPairAnswer Pair(GardenSnapshot s, SidePair p)
    {
        var (low, high) = (Say.In(Math.Max(-999, p.Control.Low), "0"), Say.In(p.Control.High, "0"));
        return new TrialPairAnswer(
            Letter(p.First.Number),
            Letter(p.Second.Number),
            Math.Round(p.Control.Percent, 1),
            Shown(p.Control.Low)!.Value,
            Math.Round(p.Control.High, 1),
            p.Differs,
            Say.Of(
                p.Differs ? "trials.doesMoreThan" : "trials.notToldApart",
                ("first", Name(s, p.First)),
                ("second", Name(s, p.Second).InSentence()),
                ("percent", Say.In(p.Control.Percent, "0")),
                ("low", low),
                ("high", high)
            )
        );
    }

    private static string Next(Trial t, int rounds) =>
        t switch
        {
            { ClosedAt: not null } => Say.Of("trials.closedWhatItShowedCounts"),
            { TreatedAt: null } when rounds == 0 => Say.Of("trials.markTheUnitsWithTheirLabels"),
            { TreatedAt: null } => Say.Of("trials.countedBeforeTreatTheSidesNow"),
            _ when t.Counts.All(c => c.At <= t.TreatedAt) => Say.Of("trials.treatedCountTheSameUnitsAgain"),
            _ => Say.Of("trials.countedAfterCountAgain"),
        };

    private static double? Rounded(double? value) => value is { } v ? Math.Round(v, 4) : null;

    /// <summary>A control is told from -999 up: beyond that it only says that much more was there.</summary>
    private static double? Shown(double? percent) => percent is { } p ? Math.Round(Math.Max(-999, p), 1) : null;
}
