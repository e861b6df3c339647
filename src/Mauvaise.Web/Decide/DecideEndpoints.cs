using Mauvaise.Core.Actions;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Decide;

/// <summary>The ladder for what was found: for one planting, or for everything that the last looks showed.</summary>
public static class DecideEndpoints
{
    private const int MostLeaves = 100_000;

    public static void MapDecide(this IEndpointRouteBuilder app)
    {
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Decide").MapGet("/decide", Show);
        app.MapTasks();
        app.MapHelpers();
        app.MapCourses();
        app.MapStances();
        app.MapWays();
    }

    /// <param name="planting">Null for the whole garden.</param>
    /// <param name="leaves">Leaves on all plants of that planting, where somebody counted them.</param>
    private static async Task<Results<Ok<DecideAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        Guid? planting,
        int? leaves,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var one = planting is { } id ? s.FindPlanting(id) : null;
        var checks = new Checks()
            .That(planting is null || one is not null, "planting", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(
                one is null || one.GrowsOn(s.Today),
                "planting",
                "planting-ended",
                one is null ? Say.Of("decide.thisPlantingHasEndedThere") : Say.Of("decide.hasEndedThereIsNothing", ("where", s.Where(one)))
            )
            .That(
                leaves is null or (>= 1 and <= MostLeaves),
                "leaves",
                "leaves-range",
                Say.Of("decide.leavesOnThePlantsAre1", ("mostLeaves", Say.In(MostLeaves, "N0")))
            )
            .That(leaves is null || planting is not null, "leaves", "leaves-whose", Say.Of("decide.sayWhichPlantingTheLeaves"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var looks = (one is null ? s.Growing : [one]).SelectMany(p => s.LatestLook(p.Id).Select(o => (Planting: p, Seen: o))).ToList();
        var rota = RotaPlanner.Plan(s);
        return TypedResults.Ok(
            new DecideAnswer(
                [
                    .. looks
                        .Where(x => x.Seen is { LeavesLooked: > 0, LeavesAffected: > 0 })
                        .Select(x => ActionLadder.For(s, x.Planting, x.Seen, leaves))
                        .OrderByDescending(Urgency)
                        .Select(l => Answer(s, l, rota)),
                ],
                [.. looks.Where(x => x.Seen.LeavesLooked == 0).Select(x => Say.Of("decide.noLeafWasCountedCountTen", ("where", s.Where(x.Planting))))],
                [
                    .. Wearing
                        .Due(s)
                        .Where(w => one is null || w.Planting.Id == one.Id)
                        .Select(w => TaskEndpoints.Answer(s, w.Task, w.Why.Words))
                        .OfType<TaskAnswer>(),
                    .. s
                        .Tasks.Where(t => t.State == TaskState.Planned && (one is null || t.PlantingId == one.Id))
                        .Select(t => TaskEndpoints.Answer(s, t))
                        .OfType<TaskAnswer>(),
                ],
                [
                    .. s
                        .Courses.Where(c => one is null || c.PlantingId == one.Id)
                        .GroupBy(c => (c.PlantingId, c.Target))
                        .Select(g => CourseEndpoints.Answer(s, StepDays.Of(CourseProgress.Of(s, g.Last()), rota)))
                        .Where(c => !c.Over || c.State is CourseState.ChangeGroup or CourseState.GiveUp)
                        .OrderBy(c => c.NextOn ?? DateOnly.MaxValue),
                ]
            )
        );
    }

    /// <summary>What is furthest over its line first; what is under it, or too old, last.</summary>
    private static double Urgency(ActionLadder l) =>
        (l.Finding.Stale ? -10 : 0) + (l.Finding.OverLine ? 5 : 0) + l.Finding.Share / Math.Max(0.01, l.Finding.Line.Share);

    private static LadderAnswer Answer(GardenSnapshot s, ActionLadder l, Rota rota)
    {
        var f = l.Finding;
        var compared = l.Ways.Compared;
        var taken = s
            .Tasks.Where(t => t.LookId == f.Seen.LookId && t.State is TaskState.Planned or TaskState.Done && (t.Target is null || t.Target == f.Target?.Id))
            .GroupBy(t => t.Step)
            .ToDictionary(g => g.Key, g => g.Last());
        return new(
            f.Seen.Id,
            f.Planting.Id,
            s.Where(f.Planting),
            f.Seen.At,
            f.Target?.Id,
            f.Name,
            f.IsGroup,
            f.Stance,
            f.Seen.LeavesLooked,
            f.Seen.LeavesAffected,
            f.Share,
            f.Line.Share,
            f.Line.Reason.Words,
            f.Told.Words,
            f.Ants,
            f.Helpers,
            f.Target is { } target && f.Seen.Named == target.Id && Trouble.Knows(target),
            (f.Course is { } course ? StepDays.Of(course, rota).Sentence : l.Ways.Sentence).Words,
            [.. compared.Select(w => WayAnswer.Of(w, s.Catalogue))],
            [
                .. compared
                    .Where(w => w.Outlook is not null)
                    .Select(w => new DrawnWay(w.Id, [.. w.AllSprayDays], WhatIfDay.Drawn(w.Outlook!.Days, WayBook.JudgedAfterDays + 1))),
            ],
            l.Ways.WithoutHour,
            [
                .. StepDays
                    .Of(l, rota)
                    .Select(x => new LadderStepAnswer(
                        x.Rung,
                        x.Code,
                        x.Name,
                        x.Choice,
                        SaidAnswer.Of(x.Why),
                        x.Measure?.How,
                        x.On,
                        x.Option?.Recipe.Id ?? x.Measure?.Recipe,
                        x.Dose,
                        x.Shape is { } shape ? new ShapeAnswer(shape.SpacingDays, shape.Rounds, shape.Reason.Words) : null,
                        x.Prune is { } p ? new PruneAnswer(p.Leaves, p.Counted, p.Affected, p.TakeNow, p.Visits, p.Sentence.Words) : null,
                        taken.GetValueOrDefault(x.Code)?.Id,
                        taken.GetValueOrDefault(x.Code)?.State
                    )),
            ],
            f.Seen.Plants is not null,
            f.Seen.On
        );
    }
}
