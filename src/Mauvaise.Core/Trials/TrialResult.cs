using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Trials;

public enum TrialVerdict
{
    TooFewToTell,
    Works,
    DoesLittle,
    MakesItWorse,
}

/// <summary>A side of a trial as it came out.</summary>
/// <param name="Affected">Share of leaves at the last count, 0 to 1; null before one.</param>
/// <param name="AffectedBefore">The same before the treatment.</param>
/// <param name="Control">Against the side left alone; null for that side itself and while nothing can be said.</param>
/// <param name="Method">How it was worked out.</param>
public sealed record SideResult(
    TrialSide Side,
    int Units,
    int Leaves,
    double? Affected,
    double? AffectedBefore,
    double? AreaUnderCurve,
    ControlEstimate? Control,
    string? Method,
    TrialVerdict? Verdict,
    string Sentence
)
{
    /// <summary>Share of its units that the treatment hurt at the last count after it, 0 to 1; null before one.</summary>
    public double? Hurt { get; init; }

    /// <summary>Living insects on a leaf at the last count after the treatment; null when nobody counted them.</summary>
    public double? AliveALeaf { get; init; }
}

/// <summary>Two treated sides held against each other.</summary>
/// <param name="Control">What the first has less than the second.</param>
/// <param name="Differs">Their intervals, widened for the number of pairs, lie off nothing.</param>
public sealed record SidePair(TrialSide First, TrialSide Second, ControlEstimate Control, bool Differs);

/// <summary>What a trial says so far.</summary>
/// <param name="Pairs">Treated sides against each other, as far as both were counted.</param>
public sealed record TrialResult(IReadOnlyList<SideResult> Sides, IReadOnlyList<SidePair> Pairs, string PowerSentence)
{
    /// <summary>A material whose control lies under this with what certainty there is does little, per cent.</summary>
    private const double LittlePercent = 40;

    private const double Confidence = 0.95;
    private const int ForACurve = 3;

    /// <summary>
    /// Control of each side against the one left alone: by the area under the curve for a disease that was counted three times or
    /// more, by Henderson and Tilton where every unit was counted before, by Abbott otherwise. A side is said to work when even an
    /// interval widened for the number of sides (Bonferroni) lies above nothing.
    /// </summary>
    public static TrialResult Of(Trial trial, Target target)
    {
        var sides = trial.Sides.Select(s => Counted.Of(trial, s)).ToList();
        var alone = sides.First(s => s.Side.IsAlone);
        var treated = sides.Count - 1;
        var leaves = Math.Max(1, sides.Min(s => s.Units) * trial.LeavesPerUnit);
        var untreated = alone.After.Count > 0 ? Share(alone.After, u => u.Affected) : alone.Before ?? TrialPower.UsualUntreated;
        return new TrialResult(
            [.. sides.Select(s => Judge(s, alone, target, treated))],
            [.. PairsOf(sides.FindAll(s => !s.Side.IsAlone))],
            TrialPower.Sentence(leaves, Math.Clamp(untreated, 0.05, 0.95))
        );
    }

    private static IEnumerable<SidePair> PairsOf(List<Counted> treated)
    {
        var pairs = treated.Count * (treated.Count - 1) / 2;
        for (var i = 0; i < treated.Count; i++)
        {
            foreach (var other in treated.Skip(i + 1))
            {
                // Whichever did more stands first, so that nobody has to read a figure under nothing.
                var (first, second) =
                    treated[i].After.Count > 0 && other.After.Count > 0 && Share(treated[i].After, u => u.Affected) > Share(other.After, u => u.Affected)
                        ? (other, treated[i])
                        : (treated[i], other);
                if (
                    first.After.Count > 0
                    && second.After.Count > 0
                    && Comparison.Abbott(first.After, second.After) is { } control
                    && Comparison.Abbott(first.After, second.After, 1 - (1 - Confidence) / pairs) is { } strict
                )
                {
                    yield return new SidePair(first.Side, second.Side, control, strict.Low > 0);
                }
            }
        }
    }

    private static SideResult Judge(Counted side, Counted alone, Target target, int treatedSides)
    {
        var (control, strict, method) = side.Side.IsAlone ? default : Compare(side, alone, target, treatedSides);
        var verdict =
            side.Side.IsAlone || side.After.Count == 0 || alone.After.Count == 0 ? (TrialVerdict?)null
            : control is null || strict is null ? TrialVerdict.TooFewToTell
            : strict.Low > 0 ? TrialVerdict.Works
            : strict.High < 0 ? TrialVerdict.MakesItWorse
            : control.High < LittlePercent ? TrialVerdict.DoesLittle
            : TrialVerdict.TooFewToTell;
        return new SideResult(
            side.Side,
            side.Units,
            side.After.Sum(u => u.Looked),
            side.After.Count > 0 ? Share(side.After, u => u.Affected) : null,
            side.Before,
            side.Areas.Count > 0 ? side.Areas.Average() : null,
            control,
            method,
            verdict,
            Words(side, verdict, control)
        )
        {
            Hurt = side.Hurt,
            AliveALeaf = side.AliveALeaf,
        };
    }

    private static (ControlEstimate? Control, ControlEstimate? Strict, string? Method) Compare(Counted side, Counted alone, Target target, int treatedSides)
    {
        if (side.After.Count == 0 || alone.After.Count == 0)
        {
            return default;
        }

        var strict = 1 - (1 - Confidence) / treatedSides;
        if (target.Kind == TargetKind.Disease && Comparison.OfAmounts(side.Areas, alone.Areas) is { } area)
        {
            return (area, Comparison.OfAmounts(side.Areas, alone.Areas, strict), Say.Of("trials.areaUnderTheCurve"));
        }

        if (side.After.Concat(alone.After).All(u => u.AffectedBefore is not null) && Comparison.HendersonTilton(side.After, alone.After) is { } both)
        {
            return (both, Comparison.HendersonTilton(side.After, alone.After, strict), Say.Of("trials.hendersonAndTilton"));
        }

        return (Comparison.Abbott(side.After, alone.After), Comparison.Abbott(side.After, alone.After, strict), "Abbott");
    }

    private static string Words(Counted side, TrialVerdict? verdict, ControlEstimate? control)
    {
        var told = control is null
            ? ""
            : Say.Of(
                "trials.fewerThanLeftAloneLikely",
                ("it", Say.In(Math.Max(-999, control.Percent), "0")),
                ("it2", Say.In(Math.Max(-999, control.Low), "0")),
                ("high", Say.In(control.High, "0"))
            );
        return verdict switch
        {
            null when side.Side.IsAlone => Say.Of("trials.leftAloneWhatTheOthers"),
            null => side.Treated ? Say.Of("trials.notCountedYetSince") : Say.Of("trials.notTreatedYet"),
            TrialVerdict.Works => Say.Of("trials.works", ("told", told)),
            TrialVerdict.MakesItWorse => Say.Of("trials.worseThanLeavingItAlone", ("told", told)),
            TrialVerdict.DoesLittle => Say.Of("trials.doesLittle", ("told", told)),
            _ when control is null => Say.Of("trials.nothingToTellTheSideLeft"),
            _ => Say.Of("trials.tooFewToTell", ("told", told)),
        };
    }

    private static double Share(IReadOnlyList<CountedUnit> units, Func<CountedUnit, int> affected) => (double)units.Sum(affected) / units.Sum(u => u.Looked);

    /// <summary>A side with its last counts after the treatment.</summary>
    private sealed record Counted(TrialSide Side, bool Treated, int Units, IReadOnlyList<CountedUnit> After, double? Before, IReadOnlyList<double> Areas)
    {
        public double? Hurt { get; private init; }
        public double? AliveALeaf { get; private init; }

        public static Counted Of(Trial trial, TrialSide side)
        {
            var units = trial.Units.Where(u => u.Side == side.Number).ToList();
            var counts = units.Select(u => trial.Counts.Where(c => c.Unit == u.Number).ToList()).ToList();
            bool IsAfter(TrialCount c) => trial.TreatedAt is { } treated && c.At > treated;
            var before = counts.Select(c => c.LastOrDefault(x => !IsAfter(x))).ToList();
            var after = counts
                .Zip(before)
                .Where(x => x.First.Any(IsAfter))
                .Select(x =>
                {
                    var last = x.First.Last(IsAfter);
                    // Henderson and Tilton want the same leaves: a count before on other leaves is scaled to them.
                    return new CountedUnit(
                        last.LeavesLooked,
                        last.LeavesAffected,
                        x.Second is { } b ? (int)Math.Round((double)b.LeavesAffected * last.LeavesLooked / b.LeavesLooked) : null
                    );
                })
                .ToList();
            var known = before.OfType<TrialCount>().ToList();
            var last = counts.Select(c => c.LastOrDefault(IsAfter)).OfType<TrialCount>().ToList();
            var lived = last.FindAll(c => c.Alive is not null);
            var said = last.FindAll(c => c.Injury != Injury.Unsaid);
            return new Counted(
                side,
                trial.TreatedAt is not null,
                units.Count,
                after,
                known.Count > 0 ? (double)known.Sum(c => c.LeavesAffected) / known.Sum(c => c.LeavesLooked) : null,
                [.. counts.Where(c => c.Count >= ForACurve && c.Any(IsAfter)).Select(Area)]
            )
            {
                Hurt = said.Count > 0 ? (double)said.Count(c => c.Injury > Injury.None) / said.Count : null,
                AliveALeaf = lived.Count > 0 ? (double)lived.Sum(c => c.Alive!.Value) / lived.Sum(c => c.LeavesLooked) : null,
            };
        }

        private static double Area(IReadOnlyList<TrialCount> counts)
        {
            var days = counts.GroupBy(c => c.At).Select(g => g.Last()).ToList();
            return DiseaseProgress.AreaUnderCurve(
                [.. days.Select(c => (c.At - days[0].At).TotalDays)],
                [.. days.Select(c => (double)c.LeavesAffected / c.LeavesLooked * Bounds.Within(c.SeverityPercent ?? 100, 0, 100, "severityPercent"))]
            );
        }
    }
}
