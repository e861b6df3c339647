using System.Collections.Concurrent;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Actions;

/// <summary>Whether a step is proposed, would be fine too, or was passed over.</summary>
public enum StepChoice
{
    Do,
    May,
    PassedOver,
}

/// <summary>One step of the ladder.</summary>
/// <param name="Code">Id of a measure; or spray, patch-test, dip, drench, dust for what is mixed.</param>
/// <param name="Why">Sentences; for what was passed over, the reason against it first.</param>
/// <param name="On">Day to do it; null for at once or not at all.</param>
/// <param name="Measure">Null for what is mixed.</param>
/// <param name="Option">Material, for what is mixed; null otherwise or when none may be used.</param>
/// <param name="Shape">Rounds of a spray course; null otherwise.</param>
/// <param name="Prune">Leaves that come off; null otherwise.</param>
/// <param name="Dose">Of the measure's recipe; null where it has none, or where the bench asks.</param>
public sealed record LadderStep(
    Rung Rung,
    string Code,
    string Name,
    StepChoice Choice,
    IReadOnlyList<Said> Why,
    DateOnly? On = null,
    Measure? Measure = null,
    MaterialOption? Option = null,
    CourseShape? Shape = null,
    PrunePlan? Prune = null,
    DoseStep? Dose = null
);

/// <summary>Steps against one trouble on one planting, from gentle to drastic, each with its reasons.</summary>
public sealed record ActionLadder(WaySet Ways, IReadOnlyList<LadderStep> Steps)
{
    public Finding Finding => Ways.Finding;

    /// <summary>The gentlest step that is proposed; null when everything was passed by.</summary>
    public LadderStep? First => Steps.FirstOrDefault(s => s.Choice == StepChoice.Do);

    /// <summary>What is proposed to be done there by hand.</summary>
    public IEnumerable<LadderStep> ByHand =>
        Finding.Target?.Kind == TargetKind.LookAlike
            ? []
            : Steps.Where(s => s is { Choice: StepChoice.Do, Measure.Rung: not Rung.Look } && s.Code != KnownIds.Measures.SpareHelpers);

    public bool Proposes(string code) => Steps.Any(s => s.Code == code && s.Choice == StepChoice.Do);

    /// <summary>The ladder for a count.</summary>
    /// <param name="seen">At least one leaf was looked at.</param>
    /// <param name="leaves">Leaves on all plants, where somebody counted them.</param>
    public static ActionLadder For(GardenSnapshot garden, Planting planting, Observation seen, int? leaves = null)
    {
        ArgumentNullException.ThrowIfNull(garden);
        return garden.Remembered(_ => new Known()).Ladders.GetOrAdd((seen.Id, leaves), _ => Make(garden, planting, seen, leaves));
    }

    /// <summary>The ladders of a garden at an instant: evening, rota and Decide climb the same ones.</summary>
    private sealed class Known
    {
        public ConcurrentDictionary<(Guid Observation, int? Leaves), ActionLadder> Ladders { get; } = new();
    }

    private static ActionLadder Make(GardenSnapshot garden, Planting planting, Observation seen, int? leaves)
    {
        var ways = WayBook.Of(garden).For(planting, seen, leaves);
        var finding = ways.Finding;
        if (garden.IsLeftAlone(planting))
        {
            return new ActionLadder(ways, [MeasureFits.Step(finding, KnownIds.Measures.LookAgain, StepChoice.May, [WayWords.LeftAlone])]);
        }

        List<LadderStep> steps =
        [
            .. LookSteps.Of(ways),
            .. HelperSteps.Of(finding),
            .. HandSteps.Of(ways),
            .. PruneSteps.Of(ways, leaves),
            .. IsolateSteps.Of(finding),
            .. SpraySteps.Of(ways),
            .. TakeOutSteps.Of(ways),
        ];
        return new ActionLadder(ways, [.. steps.Select(s => Answered(finding, s))]);
    }

    /// <summary>A step that somebody said no to is not proposed again for this look.</summary>
    private static LadderStep Answered(Finding finding, LadderStep step) =>
        finding.Passed.Contains(step.Code) ? step with { Choice = StepChoice.PassedOver, Why = [Said.Of("actions.youPassed"), .. step.Why] } : step;
}
