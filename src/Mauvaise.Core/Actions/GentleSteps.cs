using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Actions;

/// <summary>Steps made of measures.</summary>
internal static class MeasureFits
{
    /// <summary>A step that is passed over when the measure does not fit, whatever was meant for it.</summary>
    public static LadderStep Step(Finding f, string id, StepChoice choice, IReadOnlyList<string> why, DateOnly? on = null)
    {
        var m = f.Garden.Catalogue.Measure(id);
        return f.Against(m) is { } against
            ? new LadderStep(m.Rung, m.Id, m.Name, StepChoice.PassedOver, [against], null, m)
            : new LadderStep(m.Rung, m.Id, m.Name, choice, why, choice == StepChoice.PassedOver ? null : on ?? f.Garden.Today, m);
    }
}

/// <summary>Doing nothing, on purpose and until a date.</summary>
internal static class LookSteps
{
    private const int LookAgainDays = 4;
    private const int LookAgainSteepDays = 2;

    public static IEnumerable<LadderStep> Of(WaySet ways)
    {
        var f = ways.Finding;
        var today = f.Garden.Today;
        var seenOn = f.Garden.Garden.DateOf(f.Seen.At);
        if (f.Target is null && !f.Clean)
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.NameIt, StepChoice.Do, ["Nobody has named it, and its suspects want different things."]);
        }

        yield return f switch
        {
            { Clean: true } => Look(StepChoice.Do, seenOn.AddDays(WalkRhythm.Days), "Clean: the usual walk is soon enough."),
            { Stale: true } => Look(StepChoice.Do, today, $"The count is from {ActionLadder.Date(seenOn)}: too old to decide by."),
            { Visit: { } visit } => Look(StepChoice.Do, visit.DueOn, $"Something was done already; check back {ActionLadder.Date(visit.DueOn)}."),
            { Target: null } => Look(StepChoice.May, today.AddDays(LookAgainSteepDays), "Two counts say more than one."),
            { Target.NoSpray: true } => Look(StepChoice.PassedOver, null, "It does not go away by itself."),
            { Target.Kind: TargetKind.LookAlike } => Look(StepChoice.May, today.AddDays(WalkRhythm.Days), "It is no pest."),
            { OverLine: true, HelpersAtWork: true } => Look(StepChoice.Do, seenOn.AddDays(LookAgainDays), "Helpers are at work: count again in 3 to 5 days."),
            { OverLine: true } when ways.Proposed is { Rung: Rung.Look } => Look(StepChoice.Do, seenOn.AddDays(LookAgainDays), ways.Sentence),
            { OverLine: true } => Look(StepChoice.PassedOver, null, f.Told + ": waiting lets it grow."),
            { Doubled: true } => Look(StepChoice.Do, seenOn.AddDays(LookAgainSteepDays), f.Told + ", but it doubled: look again soon."),
            _ => Look(StepChoice.Do, seenOn.AddDays(LookAgainDays), f.Told + "."),
        };

        LadderStep Look(StepChoice choice, DateOnly? on, string why) => MeasureFits.Step(f, KnownIds.Measures.LookAgain, choice, [why], on < today ? today : on);
    }
}

/// <summary>Helpers, and the ants that keep them off.</summary>
internal static class HelperSteps
{
    public static IEnumerable<LadderStep> Of(Finding f)
    {
        if (f.Clean || f.Stale || f.Target is not { Group: KnownIds.TargetGroups.SapFeeders })
        {
            yield break;
        }

        var helpers = f.Helpers == 1 ? "1 helper" : $"{f.Helpers} helpers";
        yield return f switch
        {
            { Helpers: 0 } => MeasureFits.Step(f, KnownIds.Measures.SpareHelpers, StepChoice.PassedOver, ["None were seen."]),
            { HelpersAtWork: true } => MeasureFits.Step(f, KnownIds.Measures.SpareHelpers, StepChoice.Do, [$"{helpers} on {f.Seen.LeavesAffected} infested leaves: enough to wait for."]),
            { Seen.Ants: not Ants.None } => MeasureFits.Step(f, KnownIds.Measures.SpareHelpers, StepChoice.PassedOver, [$"{helpers}, but ants keep them off."]),
            { Doubled: true } => MeasureFits.Step(f, KnownIds.Measures.SpareHelpers, StepChoice.PassedOver, [$"{helpers}, but the count doubled all the same."]),
            _ => MeasureFits.Step(f, KnownIds.Measures.SpareHelpers, StepChoice.PassedOver, [$"{helpers} on {f.Seen.LeavesAffected} infested leaves: too few to wait for."]),
        };
        if (f.Seen.Ants != Ants.None)
        {
            string[] why = ["Ants carry them back and keep helpers off."];
            yield return MeasureFits.Step(f, KnownIds.Measures.AntBait, StepChoice.Do, why);
            yield return MeasureFits.Step(f, KnownIds.Measures.AntBand, StepChoice.Do, why);
        }

        if (f.Place.Shelter != Shelter.Open)
        {
            var lead = f.Garden.Catalogue.Measure(KnownIds.Measures.OrderHelpers).LeadDays;
            yield return Coming(f) is { } coming
                ? MeasureFits.Step(f, KnownIds.Measures.OrderHelpers, StepChoice.PassedOver, [coming])
                : f.Share >= 2 * f.Line.Share
                ? MeasureFits.Step(f, KnownIds.Measures.OrderHelpers, StepChoice.PassedOver, [$"Too late: they come in about {lead} days, and it is overrun now."])
                : MeasureFits.Step(f, KnownIds.Measures.OrderHelpers, f.Stance == Stance.LastResort ? StepChoice.Do : StepChoice.May, [$"Under cover none come by themselves; ordered today they are here about {ActionLadder.Date(f.Garden.Today.AddDays(lead))}."]);
        }
    }

    /// <summary>Helpers that are ordered, or were let out lately, are not ordered again; null when none are.</summary>
    private static string? Coming(Finding f)
    {
        var release = f.Garden.Tasks.LastOrDefault(t => t.PlantingId == f.Planting.Id
            && t is { Step: KnownIds.Measures.ReleaseHelpers, Helper: not null, State: TaskState.Planned or TaskState.Done }
            && (t.DoneAt ?? f.Garden.Now) > f.Garden.Now.AddDays(-OrderedAgainDays));
        var told = release is null ? "" : HelperGuards.Told(f.Garden.Catalogue, release.Helper!, release.Number ?? 1);
        return release switch
        {
            null => null,
            { State: TaskState.Planned } => $"{told} are ordered, for {ActionLadder.Date(release.DueOn)}.",
            _ => $"{told} were let out on {ActionLadder.Date(f.Garden.Garden.DateOf(release.DoneAt!.Value))}.",
        };
    }

    private const int OrderedAgainDays = 21;
}

/// <summary>Hands and water.</summary>
internal static class HandSteps
{
    /// <summary>Days that are looked through for one that is cool and dull.</summary>
    private const int DullWithinDays = 3;

    /// <summary>Hours of a day that have to be dull, by the clock: leaves dry in them (assumed).</summary>
    private const int DullFromHour = 9, DullHours = 9;
    private const double CoolC = 24;
    private const double DullCloudPercent = 60;

    public static IReadOnlyList<LadderStep> Of(WaySet ways)
    {
        var f = ways.Finding;
        if (f.Clean || f.Stale || f.Target is not { } target || f.Visit is not null)
        {
            return [];
        }

        if (f.IsPutRight)
        {
            return [MeasureFits.Step(f, KnownIds.Measures.PutRight, StepChoice.Do, [ways.Sentence])];
        }

        return [.. f.Garden.Catalogue.Measures.Where(m => m.Rung == Rung.Hands && m.IsFor(target)).Select(m => Step(f, m, ways.Proposed?.Uses(m.Id) == true))];
    }

    private static LadderStep Step(Finding f, Measure m, bool first)
    {
        var target = f.Target!;
        return m.Id switch
        {
            KnownIds.Measures.WaterAtSoil => MeasureFits.Step(f, m.Id, f.Place.Watering == Watering.Overhead ? StepChoice.Do : StepChoice.PassedOver,
                [f.Place.Watering == Watering.Overhead ? $"{f.Place.Name} is watered from above, which keeps leaves wet." : "The leaves are not watered here."]),
            KnownIds.Measures.Mulch => MeasureFits.Step(f, m.Id, f.RainWillSpread ? StepChoice.Do : StepChoice.May, [f.RainWillSpread
                ? ($"{Figure.Rain(f.RainMm)} of rain in three days will splash it up.") : "Rain splashes it up from the soil."]),
            KnownIds.Measures.MoreAir => MeasureFits.Step(f, m.Id, f.Place.Kind == PlaceKind.Tunnel && f.OverLine ? StepChoice.Do : StepChoice.May, ["It likes still, humid air."]),
            KnownIds.Measures.Netting => MeasureFits.Step(f, m.Id, StepChoice.May, ["It keeps the next brood off."]),
            KnownIds.Measures.PickOff when target.InsteadOfSpray is { } instead => MeasureFits.Step(f, m.Id, first ? StepChoice.Do : StepChoice.May, [instead]),
            _ when m.WantsDullDay => MeasureFits.Step(f, m.Id, first ? StepChoice.Do : StepChoice.May, [DullDayWhy(f, out var on)], on),
            KnownIds.Measures.PinchTips when !first => MeasureFits.Step(f, m.Id, StepChoice.PassedOver, ["It does not sit at the tips alone."]),
            _ => MeasureFits.Step(f, m.Id, first ? StepChoice.Do : StepChoice.May, [first ? f.Told + ": hands are a match for it." : "Costs nothing, and helps."]),
        };
    }

    /// <summary>The first cool and dull day of the next three; early today when there is none.</summary>
    private static string DullDayWhy(Finding f, out DateOnly on)
    {
        var sky = f.Garden.SkyOf(f.Place).Shelter;
        for (var day = 0; day < DullWithinDays; day++)
        {
            on = f.Garden.Today.AddDays(day);
            var from = sky.IndexOf(f.Garden.Garden.Zone.At(on, DullFromHour));
            var hours = Enumerable.Range(from, DullHours).Select(i => sky.Hour(i)).ToList();
            if (hours.TrueForAll(h => h.TemperatureC is <= CoolC) && hours.Average(h => h.CloudPercent ?? 0) >= DullCloudPercent)
            {
                return $"{f.Told}: water is a match for it. {ActionLadder.Date(on)} is cool and dull.";
            }
        }

        on = f.Garden.Today;
        return $"{f.Told}: water is a match for it. No dull day is near: do it early, so that leaves dry before the sun.";
    }
}

/// <summary>Leaves that come off, and where they go.</summary>
internal static class PruneSteps
{
    /// <summary>Taking off this share asks for a feed (assumed).</summary>
    private const double FeedShare = 0.12;
    private const int FeedAfterDays = 3;

    public static IEnumerable<LadderStep> Of(WaySet ways, int? leaves)
    {
        var f = ways.Finding;
        if (f.Clean || f.Stale || f.Target is not { } target)
        {
            yield break;
        }

        var prune = f.Garden.Catalogue.Measure(KnownIds.Measures.Prune);
        var plan = prune.IsFor(target) ? PrunePlan.For(f.Garden, f.Planting, f.Share, leaves) : null;
        var step = plan is null ? null : Prune(f, ways.Proposed?.Uses(KnownIds.Measures.Prune) == true, plan) with { Prune = plan };
        if (step is not null)
        {
            yield return step;
        }

        var comesOff = step is { Choice: StepChoice.Do } || target.NoSpray;
        // Where leaves are cut, the bag is part of the cutting.
        if (target.NoSpray && f.Garden.Catalogue.Measure(KnownIds.Measures.BagAndBin).IsFor(target))
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.BagAndBin, StepChoice.Do, ["What comes off must not lie about: spores live on."]);
        }

        if (f.Garden.Catalogue.Measure(KnownIds.Measures.Compost).IsFor(target))
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.Compost, StepChoice.May, ["There is no disease on them."]);
        }

        if (plan is not null && f.Garden.Catalogue.Measure(KnownIds.Measures.Feed).IsFor(target))
        {
            yield return comesOff && plan.TakeNow >= FeedShare * plan.Leaves
                ? MeasureFits.Step(f, KnownIds.Measures.Feed, StepChoice.Do, ["It grows back what it lost."], f.Garden.Today.AddDays(FeedAfterDays))
                : MeasureFits.Step(f, KnownIds.Measures.Feed, StepChoice.PassedOver, ["Few leaves come off."]);
        }
    }

    private static LadderStep Prune(Finding f, bool proposed, PrunePlan plan) => f switch
    {
        _ when plan.TakeNow == 0 => MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.PassedOver, [plan.Sentence]),
        _ when f.Tried.TryGetValue(KnownIds.Measures.Prune, out var day) && day > f.Garden.Today.AddDays(-7) =>
            MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.PassedOver, [$"Leaves came off on {ActionLadder.Date(day)}; the next a week later."]),
        _ when proposed => MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.Do, [plan.Sentence, "It takes most of what spreads with few of the leaves."]),
        _ => MeasureFits.Step(f, KnownIds.Measures.Prune, StepChoice.May, [plan.Sentence]),
    };
}

/// <summary>Keeping it from going on to the neighbours.</summary>
internal static class IsolateSteps
{
    /// <summary>Neighbours that were looked at within so many days before are known.</summary>
    private const int SeenLately = 2;

    public static IEnumerable<LadderStep> Of(Finding f)
    {
        if (f.Clean || f.Stale || f.Target is not { } target)
        {
            yield break;
        }

        var choice = f.OverLine && !f.HelpersAtWork ? StepChoice.Do : StepChoice.May;
        if (f.Garden.Catalogue.Measure(KnownIds.Measures.Isolate) is { } isolate && isolate.IsFor(target) && isolate.OnlyIn.Contains(f.Place.Kind))
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.Isolate, choice, ["It walks and drifts to what stands beside it."]);
        }

        var beside = f.Garden.Growing.Where(p => p.Id != f.Planting.Id && p.PlaceId == f.Planting.PlaceId && GardenCatalogue.IsHost(target, f.Garden.Catalogue.Crop(p.Crop)))
            .ToList();
        var unseen = beside.Where(p => f.Garden.LatestObservation(p.Id) is not { } o || o.At < f.Seen.At.AddDays(-SeenLately)).ToList();
        if (beside.Count > 0 && f.Garden.Catalogue.Measure(KnownIds.Measures.LookAtNeighbours).IsFor(target))
        {
            yield return unseen.Count > 0
                ? MeasureFits.Step(f, KnownIds.Measures.LookAtNeighbours, choice, [$"It lives on {string.Join(" and ", unseen.Select(Crop))} too, in the same place."])
                : MeasureFits.Step(f, KnownIds.Measures.LookAtNeighbours, StepChoice.PassedOver, [$"{string.Join(" and ", beside.Select(Crop))} beside it: looked at already."]);
        }

        string Crop(Planting p) => f.Garden.Catalogue.Crop(p.Crop).Name.InSentence();
    }
}
