using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Deeds;

/// <summary>What a visit judges: a spray, or a task.</summary>
/// <param name="Name">Of the material, or of what was done by hand.</param>
public sealed record WhatIsJudged(string Name, string? Target, DateTimeOffset At, bool PatchTest)
{
    /// <summary>Null when the garden no longer knows what the visit was for.</summary>
    public static WhatIsJudged? Of(GardenSnapshot garden, CheckBack visit)
    {
        if (garden.FindSpray(visit.ApplicationId) is { } spray)
        {
            return new(garden.Catalogue.FindMaterial(spray.Material)?.Name ?? spray.Material, spray.Target, spray.At, spray.PatchTest);
        }

        return garden.Tasks.FirstOrDefault(t => t.Id == visit.TaskId) is { } task
            ? new(garden.Catalogue.FindMeasure(task.Step)?.Name ?? task.Step, task.Target, task.DoneAt ?? garden.Garden.StartOf(task.DueOn), false)
            : null;
    }

    public Target? TargetOf(GardenSnapshot garden) => Target is null ? null : garden.Catalogue.FindTarget(Target);
}

/// <summary>The count on a check-back, with what the spray did to the plant.</summary>
/// <param name="Alive">Of the insects that were touched.</param>
public sealed record CheckBackCount(NewObservation Count, Injury Injury, IReadOnlyList<InjurySign>? InjurySigns = null, int? Alive = null, int? Dead = null);

/// <summary>What two leaves look like after a patch test.</summary>
/// <param name="At">When they were looked at; null for now.</param>
public sealed record PatchJudgement(Injury Injury, Guid? MemberId = null, IReadOnlyList<InjurySign>? InjurySigns = null, DateTimeOffset? At = null);

/// <summary>Judging a spray, or what was done by hand, by counting again.</summary>
public static class CheckBackDeeds
{
    /// <summary>The verdict of a count on a visit.</summary>
    public static Judgement Verdict(GardenSnapshot garden, CheckBack visit, WhatIsJudged what, int looked, int affected)
    {
        var before = Before(garden, visit, what);
        var line = ActionLine.At(garden, garden.FindPlanting(visit.PlantingId)!, what.TargetOf(garden));
        return CheckBackVerdict.Judge(before is null ? null : (before.LeavesLooked, before.LeavesAffected), (looked, affected), line.Share);
    }

    /// <summary>The count that a visit is held against: the one it was judged against, else the last before; null when nobody counted.</summary>
    public static Observation? Before(GardenSnapshot garden, CheckBack visit, WhatIsJudged what) =>
        garden.FindCount(visit.BeforeId) ?? CountBefore.Of(garden, visit.PlantingId, what.Target, what.At);

    /// <summary>A visit judged by a count.</summary>
    public static Written Judge(GardenSnapshot garden, CheckBack visit, WhatIsJudged what, CheckBackCount order)
    {
        var outcome = Verdict(garden, visit, what, order.Count.LeavesLooked, order.Count.LeavesAffected).Outcome;
        return new Written($"Checked {garden.Where(garden.FindPlanting(visit.PlantingId)!)}: {outcome.ToString().ToLowerInvariant()}", order.Count.MemberId)
        {
            Walks = Looks.Begun(garden, order.Count),
            Observations = Looks.Of(garden, order.Count, what.Target),
            CheckBacks =
            [
                visit with
                {
                    DoneAt = Looks.LookedAt(garden, order.Count.At),
                    ObservationId = order.Count.Id,
                    Outcome = outcome,
                    Injury = order.Injury,
                    InjurySigns = order.InjurySigns,
                    Alive = order.Alive,
                    Dead = order.Dead,
                    MemberId = order.Count.MemberId,
                    BeforeId = CountBefore.Of(garden, visit.PlantingId, what.Target, what.At)?.Id,
                },
            ],
        };
    }

    /// <summary>A patch test judged by its two leaves alone: nothing is counted, so no count of the bed is made of it.</summary>
    public static Written JudgePatch(GardenSnapshot garden, CheckBack visit, PatchJudgement order) =>
        new($"Judged two leaves of {garden.Where(garden.FindPlanting(visit.PlantingId)!)}", order.MemberId)
        {
            CheckBacks = [visit with { DoneAt = Looks.LookedAt(garden, order.At), Injury = order.Injury, InjurySigns = order.InjurySigns, MemberId = order.MemberId }],
        };
}
