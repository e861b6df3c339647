using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>What was taken on and is done by hand.</summary>
public static class TaskDeeds
{
    /// <summary>Does again what was put on once and holds no longer.</summary>
    public static Written Renew(GardenSnapshot garden, Worn worn, DateTimeOffset at, Guid? memberId) =>
        new(Say.Of("deeds.renewed", ("measure", worn.Measure.Name.InSentence()), ("garden", garden.Where(worn.Planting))), memberId)
        {
            Tasks = [worn.Task with { Id = Guid.NewGuid(), DueOn = garden.Garden.DateOf(at), DoneAt = at }],
        };

    /// <summary>Lets it be: what wore off is not asked for again until it is taken on anew.</summary>
    public static Written LetBe(GardenSnapshot garden, Worn worn, Guid? memberId) =>
        new(Say.Of("deeds.notAgain", ("measure", worn.Measure.Name.InSentence()), ("garden", garden.Where(worn.Planting))), memberId)
        {
            Tasks = [worn.Task with { Id = Guid.NewGuid(), DueOn = garden.Today.AddDays(1), DoneAt = null, State = TaskState.Dropped }],
        };

    /// <summary>Ticks a task off and sets its check-back.</summary>
    /// <param name="leaves">Leaves taken off, where it is about leaves.</param>
    public static Written Finish(GardenSnapshot garden, GardenTask task, DateTimeOffset at, int? leaves, Guid? memberId)
    {
        var measure = garden.Catalogue.FindMeasure(task.Step);
        var what = task.Helper is { } helper
            ? Say.Of("deeds.letOut", ("helpers", HelperGuards.Told(garden.Catalogue, helper, task.Number ?? 1)))
            : Say.Of("deeds.done", ("measure", measure?.Name.InSentence() ?? task.Step));
        return new Written($"{what}, {garden.Where(garden.FindPlanting(task.PlantingId)!)}", memberId)
        {
            Tasks = [task with { State = TaskState.Done, DoneAt = at, Leaves = leaves }],
            CheckBacks =
                measure?.CheckBackDays is { } days && task.Target is not null
                    ? [new CheckBack(Guid.NewGuid(), null, task.PlantingId, garden.Garden.DateOf(at).AddDays(days), null, null, null, Injury.Unsaid, task.Id)]
                    : [],
        };
    }
}
