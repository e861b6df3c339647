using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Deeds;

/// <summary>What was taken on and is done by hand.</summary>
public static class TaskDeeds
{
    /// <summary>Ticks a task off and sets its check-back.</summary>
    /// <param name="leaves">Leaves taken off, where it is about leaves.</param>
    public static Written Finish(GardenSnapshot garden, GardenTask task, DateTimeOffset at, int? leaves, Guid? memberId)
    {
        var measure = garden.Catalogue.FindMeasure(task.Step);
        return new Written($"Done: {measure?.Name.InSentence() ?? task.Step}, {garden.Where(garden.FindPlanting(task.PlantingId)!)}", memberId)
        {
            Tasks = [task with { State = TaskState.Done, DoneAt = at, Leaves = leaves }],
            CheckBacks = measure?.CheckBackDays is { } days && task.Target is not null
                ? [new CheckBack(Guid.NewGuid(), null, task.PlantingId, garden.Garden.DateOf(at).AddDays(days), null, null, null, Injury.None, task.Id)]
                : [],
        };
    }
}
