using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

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
            var target = visit.AlsoTarget ?? spray.Target;
            var material = spray.MaterialAgainst(target);
            return new(garden.Catalogue.FindMaterial(material)?.Name ?? material, target, spray.At, spray.PatchTest);
        }

        return garden.Tasks.FirstOrDefault(t => t.Id == visit.TaskId) is { } task
            ? new(garden.Catalogue.FindMeasure(task.Step)?.Name ?? task.Step, task.Target, task.DoneAt ?? garden.Garden.StartOf(task.DueOn), false)
            : null;
    }

    public Target? TargetOf(GardenSnapshot garden) => Target is null ? null : garden.Catalogue.FindTarget(Target);
}

/// <summary>The count on a check-back, with what the spray did to the plant. Affected are the leaves with something living on them.</summary>
/// <param name="Alive">Of the insects that were touched.</param>
/// <param name="OnlyDead">Leaves with dead insects, or old spots, and nothing living; null when nobody told them apart.</param>
/// <param name="Certain">Said again after it was asked about: what was touched and what was counted may differ.</param>
public sealed record CheckBackCount(
    NewObservation Count,
    Injury Injury,
    IReadOnlyList<InjurySign>? InjurySigns = null,
    int? Alive = null,
    int? Dead = null,
    int? OnlyDead = null,
    bool Certain = false
);

/// <summary>A visit judged by a count that was made on a walk meanwhile.</summary>
public sealed record JudgedByCount(Guid ObservationId, Injury Injury, IReadOnlyList<InjurySign>? InjurySigns = null, Guid? MemberId = null);

/// <summary>What two leaves look like after a patch test.</summary>
/// <param name="At">When they were looked at; null for now.</param>
public sealed record PatchJudgement(Injury Injury, Guid? MemberId = null, IReadOnlyList<InjurySign>? InjurySigns = null, DateTimeOffset? At = null);

/// <summary>Judging a spray, or what was done by hand, by counting again.</summary>
public static class CheckBackDeeds
{
    /// <summary>After insects were hosed off, whoever comes back was alive: counted again so many days later.</summary>
    public const int AfterHosingDays = 2;

    /// <summary>The verdict of a count on a visit.</summary>
    /// <param name="onlyDead">Leaves with nothing but dead ones, or old spots; null when nobody told them apart.</param>
    public static Judgement Verdict(GardenSnapshot garden, CheckBack visit, WhatIsJudged what, int looked, int affected, Ants ants, int? onlyDead)
    {
        var before = Before(garden, visit, what);
        var target = what.TargetOf(garden);
        var line = ActionLine.At(garden, garden.FindPlanting(visit.PlantingId)!, target, before?.On ?? CountedOn.Leaves);
        var climbing = ants.Climb() && target is { Group: KnownIds.TargetGroups.SapFeeders };
        return CheckBackVerdict.Judge(
            before is null ? null : (before.LeavesLooked, before.LeavesAffected),
            (looked, affected),
            line.Share,
            new SeenBeside(target?.Insect is not null, onlyDead, climbing)
        );
    }

    /// <summary>The count that a visit is held against: the one it was judged against, else the last before; null when nobody counted.</summary>
    public static Observation? Before(GardenSnapshot garden, CheckBack visit, WhatIsJudged what) =>
        garden.FindCount(visit.BeforeId) ?? CountBefore.Of(garden, visit.PlantingId, what.Target, what.At);

    /// <summary>A visit judged by counting on it.</summary>
    public static Written Judge(GardenSnapshot garden, CheckBack visit, WhatIsJudged what, CheckBackCount order)
    {
        var looked = Looks.Of(garden, order.Count, what.Target);
        return Judged(
            garden,
            visit with
            {
                Alive = order.Alive,
                Dead = order.Dead,
                OnlyDead = order.OnlyDead,
            },
            what,
            looked[0],
            order.Injury,
            order.InjurySigns,
            order.Count.MemberId
        ) with
        {
            Walks = Looks.Begun(garden, order.Count),
            Observations = looked,
        };
    }

    /// <summary>A visit judged by a count that was made on a walk meanwhile.</summary>
    /// <param name="seen">As <see cref="SettlingCount"/> finds it.</param>
    public static Written JudgeBy(GardenSnapshot garden, CheckBack visit, WhatIsJudged what, Observation seen, JudgedByCount order) =>
        Judged(garden, visit, what, seen, order.Injury, order.InjurySigns, order.MemberId);

    /// <summary>Where nobody can tell the living from the dead: they are hosed off, and those that are back in two days lived.</summary>
    public static Written HoseAndCountAgain(GardenSnapshot garden, CheckBack visit, WhatIsJudged what, Guid taskId, Guid? memberId) =>
        new(Say.Of("deeds.hosedToCountAgain", ("garden", garden.Where(garden.FindPlanting(visit.PlantingId)!))), memberId)
        {
            Tasks = [new GardenTask(taskId, visit.PlantingId, null, KnownIds.Measures.WaterJet, what.Target, garden.Today, TaskState.Done, garden.Now)],
            CheckBacks = [visit with { DueOn = garden.Today.AddDays(AfterHosingDays) }],
        };

    private static Written Judged(
        GardenSnapshot garden,
        CheckBack visit,
        WhatIsJudged what,
        Observation seen,
        Injury injury,
        IReadOnlyList<InjurySign>? signs,
        Guid? memberId
    )
    {
        var outcome = Verdict(garden, visit, what, seen.LeavesLooked, seen.LeavesAffected, seen.Ants, visit.OnlyDead).Outcome;
        return new Written(Say.Of("deeds.checked", ("garden", garden.Where(garden.FindPlanting(visit.PlantingId)!)), ("outcome", Say.Word(outcome))), memberId)
        {
            CheckBacks =
            [
                visit with
                {
                    DoneAt = seen.At,
                    ObservationId = seen.Id,
                    Outcome = outcome,
                    Injury = injury,
                    InjurySigns = signs,
                    MemberId = memberId,
                    BeforeId = CountBefore.Of(garden, visit.PlantingId, what.Target, what.At)?.Id,
                },
            ],
        };
    }

    /// <summary>A patch test judged by its two leaves alone: nothing is counted, so no count of the bed is made of it.</summary>
    public static Written JudgePatch(GardenSnapshot garden, CheckBack visit, PatchJudgement order) =>
        new(Say.Of("deeds.judgedTwoLeaves", ("garden", garden.Where(garden.FindPlanting(visit.PlantingId)!))), order.MemberId)
        {
            CheckBacks =
            [
                visit with
                {
                    DoneAt = Looks.LookedAt(garden, order.At),
                    Injury = order.Injury,
                    InjurySigns = order.InjurySigns,
                    MemberId = order.MemberId,
                },
            ],
        };
}
