using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Decide;

/// <summary>Steps of the ladder that were taken on or passed by.</summary>
public static class TaskEndpoints
{
    private const int MostLeaves = 100_000;
    private const int FurthestDays = 120;

    internal static void MapTasks(this IEndpointRouteBuilder app)
    {
        var tasks = app.MapGroup("/api/gardens/{gardenId:guid}/tasks").WithTags("Decide");
        tasks.MapPost("", Take);
        tasks.MapPost("/many", TakeMany);
        tasks.MapPost("/{taskId:guid}/done", Done);
        tasks.MapPost("/{taskId:guid}/drop", Drop);
    }

    private static async Task<Results<Created, ProblemHttpResult>> Take(Guid gardenId, NewTask body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Tasks.Any(t => t.Id == body.Id))
        {
            return TypedResults.Created((string?)null);
        }

        var (task, words, checks) = Read(s, body);
        if (task is null)
        {
            return checks.Problem();
        }

        await tools.DoAsync(s, new Written(words, body.MemberId) { Tasks = [task] }, stop);
        return TypedResults.Created((string?)null);
    }

    /// <summary>Takes on many steps with one tap: all of them or, when one is refused, none.</summary>
    private static async Task<Results<Created, ProblemHttpResult>> TakeMany(Guid gardenId, ManySteps body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var twice = new Checks()
            .That(body.Tasks.Select(t => t.Id).Distinct().Count() == body.Tasks.Count, "tasks", "id-twice", Say.Of("decide.twoStepsWereSent"))
            .That(body.Courses.Select(c => c.Id).Distinct().Count() == body.Courses.Count, "courses", "id-twice", Say.Of("decide.twoCoursesWereSent"));
        if (!twice.Passed)
        {
            return twice.Problem();
        }

        var tasks = new List<GardenTask>();
        foreach (var task in body.Tasks.Where(t => s.Tasks.All(x => x.Id != t.Id)))
        {
            var (taken, _, checks) = Read(s, task);
            if (taken is null)
            {
                return checks.Problem();
            }

            tasks.Add(taken);
        }

        var courses = new List<Course>();
        foreach (var course in body.Courses.Where(c => s.Courses.All(x => x.Id != c.Id)))
        {
            var (opened, checks) = CourseEndpoints.Read(s, course);
            if (opened is null)
            {
                return checks.Problem();
            }

            courses.Add(opened);
        }

        if (tasks.Count + courses.Count > 0)
        {
            var steps = Say.Of("decide.steps", ("n", tasks.Count + courses.Count));
            var words =
                courses.Count == 0 && tasks.All(t => t.State == TaskState.Passed)
                    ? Say.Of("decide.passedBy", ("steps", steps))
                    : Say.Of("decide.tookOn", ("steps", steps));
            await tools.DoAsync(s, new Written(words, body.MemberId) { Tasks = tasks, Courses = courses }, stop);
        }

        return TypedResults.Created((string?)null);
    }

    /// <summary>A step that was taken on or passed by; null with what is wrong.</summary>
    private static (GardenTask? Task, string Words, Checks Checks) Read(GardenSnapshot s, NewTask body)
    {
        var seen = s.Observations.FirstOrDefault(o => o.Id == body.ObservationId);
        var planting = seen is null ? null : s.FindPlanting(seen.PlantingId);
        var checks = new Checks()
            .That(seen is not null, "observationId", "note-unknown", Say.Of("decide.thisNoteIsNot"))
            .That(planting is null || planting.GrowsOn(s.Today), "observationId", "planting-ended", Say.Of("decide.thisPlantingHasEndedThere"))
            .That(seen is null or { LeavesLooked: > 0 }, "observationId", "no-count", Say.Of("decide.noLeafWasCountedCountTen2"))
            .That(
                body.On is null || (body.On >= s.Today && body.On <= s.Today.AddDays(FurthestDays)),
                "on",
                "day-range",
                Say.Of("decide.chooseADayFromToday", ("furthestDays", FurthestDays))
            );
        if (!checks.Passed)
        {
            return (null, "", checks);
        }

        var ladder = ActionLadder.For(s, planting!, seen!);
        var step = ladder.Steps.FirstOrDefault(x => x.Code == body.Step);
        checks
            .That(step is not null, "step", "step-unknown", Say.Of("decide.thisStepIsNot"))
            .That(step is null || body.Pass || step.Measure is not null, "step", "step-is-a-course", Say.Of("decide.aSprayIsTaken"));
        if (!checks.Passed)
        {
            return (null, "", checks);
        }

        var task = new GardenTask(
            body.Id,
            planting!.Id,
            seen!.LookId,
            body.Step,
            ladder.Finding.Target?.Id,
            body.On ?? step!.On ?? s.Today,
            body.Pass ? TaskState.Passed : TaskState.Planned,
            Dose: step!.Dose
        );
        return (
            task,
            body.Pass
                ? Say.Of("decide.passedBy2", ("step", step!.Name.InSentence()), ("where", s.Where(planting)))
                : Say.Of("decide.tookOn2", ("step", step!.Name.InSentence()), ("where", s.Where(planting))),
            checks
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Done(Guid gardenId, Guid taskId, TaskDone body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Tasks.FirstOrDefault(t => t.Id == taskId) is not { } task)
        {
            return Problems.NotFound("task");
        }

        if (task.State == TaskState.Done)
        {
            if (Wearing.Of(s, task) is { } worn)
            {
                await tools.DoAsync(s, TaskDeeds.Renew(s, worn, tools.Now, body.MemberId), stop);
            }

            return TypedResults.NoContent();
        }

        var measure = s.Catalogue.FindMeasure(task.Step);
        var checks = new Checks()
            .That(task.State == TaskState.Planned && measure is not null, "", "task-not-planned", Say.Of("decide.thisWasNotTakenOnSo"))
            .That(
                body.Leaves is null or (>= 0 and <= MostLeaves),
                "leaves",
                "leaves-range",
                Say.Of("decide.leavesTakenOffAre0", ("mostLeaves", Say.In(MostLeaves, "N0")))
            );
        if (checks.Passed && task is { Step: KnownIds.Measures.ReleaseHelpers, Helper: { } helper })
        {
            HelperEndpoints.CheckRelease(s, s.FindPlanting(task.PlantingId)!, helper, task.Number ?? 1, checks);
        }

        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var finished = TaskDeeds.Finish(s, task, tools.Now, body.Leaves, body.MemberId);
        if (body.Ordered is { } o && task.Step == KnownIds.Measures.OrderHelpers)
        {
            var order = new NewHelpers(o.ReleaseId, task.PlantingId, o.Helper, o.Number, o.ComesOn, task.Target, body.MemberId);
            if (!HelperEndpoints.Check(s, order, checks).Passed)
            {
                return checks.Problem();
            }

            finished = HelperDeeds.Expect(s, order, o.ComesOn).And(finished);
        }

        await tools.DoAsync(s, finished, stop);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Drop(
        Guid gardenId,
        Guid taskId,
        TaskDropped body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Tasks.FirstOrDefault(t => t.Id == taskId) is not { } task)
        {
            return Problems.NotFound("task");
        }

        if (Wearing.Of(s, task) is { } worn)
        {
            await tools.DoAsync(s, TaskDeeds.LetBe(s, worn, body.MemberId), stop);
        }
        else if (task.State == TaskState.Planned)
        {
            var words = Say.Of(
                "decide.dropped",
                ("measure", s.Catalogue.FindMeasure(task.Step)?.Name.InSentence()),
                ("where", s.Where(s.FindPlanting(task.PlantingId)!))
            );
            await tools.DoAsync(s, new Written(words, body.MemberId) { Tasks = [task with { State = TaskState.Dropped }] }, stop);
        }

        return TypedResults.NoContent();
    }

    /// <summary>Null when the catalogue no longer has the measure.</summary>
    internal static TaskAnswer? Answer(GardenSnapshot s, GardenTask t, string? worn = null) =>
        s.Catalogue.FindMeasure(t.Step) is not { } measure
            ? null
            : new(
                t.Id,
                t.PlantingId,
                s.Where(s.FindPlanting(t.PlantingId)!),
                t.Step,
                measure.Name,
                measure.How,
                t.Target is { } target ? s.Catalogue.FindTarget(target)?.Name : null,
                t.DueOn,
                worn is not null || (t.State == TaskState.Planned && t.DueOn <= s.Today),
                worn,
                t.State,
                t.DoneAt,
                t.Leaves,
                measure.Rung == Rung.Prune && measure.CheckBackDays is not null,
                measure.Recipe,
                t.Dose,
                t.Helper is null ? null : HelperGuards.Told(s.Catalogue, t.Helper, t.Number ?? 1),
                t.Step == KnownIds.Measures.OrderHelpers && t.Target is { } eaten && s.FindPlanting(t.PlantingId) is { } planting
                    ? [.. HelperGuards.For(s.Catalogue, s.PlaceOf(planting), eaten).Select(h => new HelperChoice(h.Kind.Id, h.Kind.Name, h.Number))]
                    : [],
                t.Step == KnownIds.Measures.OrderHelpers ? s.Today.AddDays(measure.LeadDays) : null
            );
}
