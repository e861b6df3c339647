using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Decisions;

/// <summary>Something that was put on once, as a band or a mulch, and holds no longer.</summary>
/// <param name="Why">What wore it off, as a sentence.</param>
public sealed record Worn(GardenTask Task, Planting Planting, Measure Measure, Said Why);

/// <summary>Measures that last for a while, and what wears them off.</summary>
public static class Wearing
{
    /// <summary>
    /// What wants doing again: the latest doing of each lasting measure on each planting that grows, once its days are over or as much
    /// rain fell on it as it bears. Where ants are kept off, it ends with the first look since that finds none climbing.
    /// </summary>
    public static IEnumerable<Worn> Due(GardenSnapshot garden) =>
        from planting in garden.Growing
        where !garden.IsLeftAlone(planting)
        from last in garden
            .Tasks.Where(t => t.PlantingId == planting.Id && t.State != TaskState.Passed)
            .GroupBy(t => t.Step)
            .Select(g => g.MaxBy(t => (At(garden, t), t.State == TaskState.Planned))!)
        let measure = garden.Catalogue.FindMeasure(last.Step)
        where last is { State: TaskState.Done, DoneAt: not null } && measure?.Lasts is not null && StillWanted(garden, planting, measure, last.DoneAt.Value)
        let why = WornBy(garden, planting, measure, last.DoneAt!.Value)
        where why is not null
        select new Worn(last, planting, measure, why);

    /// <summary>That a task is what wants doing again; null when it does not.</summary>
    public static Worn? Of(GardenSnapshot garden, GardenTask task) => Due(garden).FirstOrDefault(w => w.Task.Id == task.Id);

    /// <summary>Whether a doing is good still; what lasts for no stated time does.</summary>
    public static bool Holds(GardenSnapshot garden, Planting planting, Measure measure, DateTimeOffset since) =>
        measure.Lasts is null || WornBy(garden, planting, measure, since) is null;

    private static DateTimeOffset At(GardenSnapshot garden, GardenTask task) => task.DoneAt ?? garden.Garden.StartOf(task.DueOn);

    private static bool StillWanted(GardenSnapshot garden, Planting planting, Measure measure, DateTimeOffset since) =>
        !measure.AgainstAnts
        || garden.LatestLook(planting.Id) is not [var look, ..]
        || look.At <= since
        || garden.LatestLook(planting.Id) is var seen && (seen.Any(o => o.Ants.Climb()) || seen.All(o => o.Ants == Ants.Unsaid));

    private static Said? WornBy(GardenSnapshot garden, Planting planting, Measure measure, DateTimeOffset since)
    {
        var lasts = measure.Lasts!;
        var days = garden.Today.DayNumber - garden.Garden.DateOf(since).DayNumber;
        var sky = garden.SkyOf(garden.PlaceOf(planting)).Shelter;
        var from = sky.IndexOf(since);
        var rain = lasts.RainMm is null ? 0 : sky.RainMm(from, Math.Max(0, sky.IndexOf(garden.Now) - from));
        return rain >= lasts.RainMm ? Said.Of("decisions.ofRainSinceItWasDone", ("rain", Fact.Rain(rain)), ("ago", Fact.Ago(days)))
            : days >= lasts.Days ? Said.Of("decisions.doneItHoldsForAboutDays", ("ago", Fact.Ago(days)), ("days", Fact.Days(lasts.Days)))
            : null;
    }
}
