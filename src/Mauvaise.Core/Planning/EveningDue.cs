using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>What falls due in an evening whatever is decided in it: looks back, tasks, what wore off or stood long enough, work before trouble.</summary>
internal static class EveningDue
{
    /// <summary>Share of what is likely at a planting that work before trouble must keep off to be put before somebody in the evening (assumed).</summary>
    private const double WorthAnEvening = 0.08;

    public static IEnumerable<Deed> CheckBacks(GardenSnapshot garden) =>
        from c in garden.CheckBacks
        where c.DoneAt is null && c.DueOn <= garden.Today
        let planting = garden.FindPlanting(c.PlantingId)
        where planting is not null
        select CheckBackDeed(garden, c, planting);

    private static Deed CheckBackDeed(GardenSnapshot garden, CheckBack visit, Planting planting)
    {
        var spray = garden.FindSpray(visit.ApplicationId);
        var task = garden.Tasks.FirstOrDefault(t => t.Id == visit.TaskId);
        var at = spray?.At ?? task?.DoneAt ?? garden.Now;
        var days = Say.Of("words.days", ("n", garden.Today.DayNumber - garden.Garden.DateOf(at).DayNumber));
        var what = spray is not null
            ? garden.Catalogue.Material(spray.Material).Name
            : garden.Catalogue.FindMeasure(task?.Step ?? "")?.Name ?? Say.Of("planning.something");
        return new Deed(
            DeedKind.CheckBack,
            spray is { PatchTest: true }
                ? Say.Of("planning.judgeTwoLeaves", ("garden", garden.Where(planting)))
                : Say.Of("planning.checkBack", ("garden", garden.Where(planting))),
            spray switch
            {
                { PatchTest: true } => Say.Of("planning.wasTriedAgoDidItScorch", ("what", what), ("days", days)),
                not null => Say.Of("planning.wentOnAgoCountTheSame", ("what", what), ("days", days)),
                _ => Say.Of("planning.doneAgoCountTheSameLeaves", ("what", what), ("days", days)),
            },
            [new("check-back-due", Said.Of("planning.aCheckBackWasDue", ("date", Fact.Weekday(visit.DueOn))))],
            [planting.Id],
            null,
            visit.Id
        );
    }

    /// <summary>Tasks that were taken on and are due. A task to look is done by looking.</summary>
    public static IEnumerable<Deed> Tasks(GardenSnapshot garden) =>
        from t in garden.Tasks
        where t.State == TaskState.Planned && t.DueOn <= garden.Today
        let planting = garden.FindPlanting(t.PlantingId)
        where planting is not null && planting.GrowsOn(garden.Today)
        let measure = garden.Catalogue.FindMeasure(t.Step)
        where measure is not null && !(measure.Rung == Rung.Look && t.LookId is { } look && garden.LatestObservation(planting.Id)?.LookId != look)
        select new Deed(
            DeedKind.Task,
            $"{measure.Name}: {(t.Helper is null ? "" : HelperGuards.Told(garden.Catalogue, t.Helper, t.Number ?? 1) + ", ")}{garden.Where(planting)}",
            measure.How,
            [new("task-due", Said.Of("planning.youTook", ("date", Fact.Weekday(t.DueOn))))],
            [planting.Id],
            null,
            null,
            t.Id
        );

    /// <summary>What was put on once and holds no longer.</summary>
    public static IEnumerable<Deed> WornOff(GardenSnapshot garden) =>
        Wearing
            .Due(garden)
            .Select(w => new Deed(
                DeedKind.Task,
                Say.Of("planning.renew", ("measure", w.Measure.Name.InSentence()), ("garden", garden.Where(w.Planting))),
                Say.Sentences(w.Why.Words, w.Measure.How),
                [new("worn-off", w.Why)],
                [w.Planting.Id],
                null,
                null,
                w.Task.Id
            ));

    /// <summary>Stocks that stood long enough, or will before the day is over.</summary>
    public static IEnumerable<Deed> Straining(GardenSnapshot garden) =>
        from stock in garden.Stocks
        where stock.ReadyAt is { } at && garden.Garden.DateOf(at) <= garden.Today
        let at = garden.Garden.Zone.Local(stock.ReadyAt!.Value)
        let ready = Said.Of("planning.readyAt", ("when", new Fact(FactKind.Day, null, DateOnly.FromDateTime(at.DateTime), Figure.Moment(at))))
        select new Deed(
            DeedKind.Strain,
            Say.Of("planning.strain", ("name", stock.Name.InSentence())),
            Say.Sentences(ready.Words, Say.Of("planning.strainItAndTickItOff")),
            [new("steeped", ready)],
            [],
            null,
            null
        );

    /// <summary>What keeps most trouble off for its minutes: one thing, wherever it is due. The rest waits on its own screen.</summary>
    public static IEnumerable<Deed> BeforeTrouble(GardenSnapshot garden)
    {
        if (PreventionPlan.Of(garden).Kinds.FirstOrDefault(k => k.New.Any(w => w.Worth >= WorthAnEvening)) is not { Measure: var measure, New: var due })
        {
            yield break;
        }

        yield return new Deed(
            DeedKind.Prevent,
            due.Count == 1
                ? Say.Of("planning.beforeTrouble", ("measure", measure.Name.InSentence()), ("garden", garden.Where(due[0].Planting)))
                : Say.Of("planning.beforeTroublePlantings", ("measure", measure.Name.InSentence()), ("due", due.Count)),
            Say.Of("planning.about", ("how", measure.How), ("some", Say.Of("words.minutes", ("n", PreventiveKind.MinutesOf(due))))),
            [.. due.Select(w => new Reason(measure.Id, w.Why.About(Fact.Thing(garden.Where(w.Planting)))))],
            [.. due.Select(w => w.Planting.Id)],
            null,
            null
        );
    }
}
