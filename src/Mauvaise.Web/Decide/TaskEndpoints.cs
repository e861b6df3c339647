using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

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

        var (row, words, checks) = Read(s, gardenId, body);
        if (row is null)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(gardenId, body.MemberId, words, db => db.Tasks.Add(row), stop);
        return TypedResults.Created((string?)null);
    }

    /// <summary>Takes on many steps with one tap: all of them or, when one is refused, none.</summary>
    private static async Task<Results<Created, ProblemHttpResult>> TakeMany(Guid gardenId, ManySteps body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var tasks = new List<TaskRow>();
        foreach (var task in body.Tasks.Where(t => s.Tasks.All(x => x.Id != t.Id)))
        {
            var (row, _, checks) = Read(s, gardenId, task);
            if (row is null)
            {
                return checks.Problem();
            }

            tasks.Add(row);
        }

        var courses = new List<CourseRow>();
        foreach (var course in body.Courses.Where(c => s.Courses.All(x => x.Id != c.Id)))
        {
            var (opened, checks) = CourseEndpoints.Read(s, course);
            if (opened is null)
            {
                return checks.Problem();
            }

            courses.Add(CourseEndpoints.Row(gardenId, body.MemberId, opened));
        }

        if (tasks.Count + courses.Count > 0)
        {
            var words = $"Took on {tasks.Count + courses.Count} {(tasks.Count + courses.Count == 1 ? "step" : "steps")}";
            await tools.Log.WriteAsync(gardenId, body.MemberId, words, db =>
            {
                db.Tasks.AddRange(tasks);
                db.Courses.AddRange(courses);
            }, stop);
        }

        return TypedResults.Created((string?)null);
    }

    /// <summary>The row of a step that was taken on or passed by; null with what is wrong.</summary>
    private static (TaskRow? Row, string Words, Checks Checks) Read(GardenSnapshot s, Guid gardenId, NewTask body)
    {
        var seen = s.Observations.FirstOrDefault(o => o.Id == body.ObservationId);
        var planting = seen is null ? null : s.FindPlanting(seen.PlantingId);
        var checks = new Checks()
            .That(seen is not null, "observationId", "note-unknown", "This note is not in the garden any more. Look at the list again.")
            .That(planting is null || planting.GrowsOn(s.Today), "observationId", "planting-ended", "This planting has ended: there is nothing to decide.")
            .That(seen is null or { LeavesLooked: > 0 }, "observationId", "no-count", "No leaf was counted. Count ten or more, and the steps follow.")
            .That(body.On is null || (body.On >= s.Today && body.On <= s.Today.AddDays(FurthestDays)), "on", "day-range", $"Choose a day from today on, within {FurthestDays} days.");
        if (!checks.Passed)
        {
            return (null, "", checks);
        }

        var ladder = ActionLadder.For(s, planting!, seen!);
        var step = ladder.Steps.FirstOrDefault(x => x.Code == body.Step);
        checks.That(step is not null, "step", "step-unknown", "This step is not on the ladder for what was found.")
            .That(step is null || body.Pass || step.Measure is not null, "step", "step-is-a-course", "A spray is taken on as a course.");
        if (!checks.Passed)
        {
            return (null, "", checks);
        }

        var row = new TaskRow
        {
            Id = body.Id,
            GardenId = gardenId,
            PlantingId = planting!.Id,
            LookId = seen!.LookId,
            Step = body.Step,
            Target = ladder.Finding.Target?.Id,
            DueOn = body.On ?? step!.On ?? s.Today,
            State = body.Pass ? TaskState.Passed : TaskState.Planned,
            MemberId = body.MemberId,
        };
        return (row, $"{(body.Pass ? "Passed by" : "Took on")}: {step!.Name.InSentence()}, {GardenAnswers.Where(s, planting)}", checks);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Done(Guid gardenId, Guid taskId, TaskDone body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Tasks.FirstOrDefault(t => t.Id == taskId) is not { } task)
        {
            return Problems.NotFound("task");
        }

        if (task.State == TaskState.Done)
        {
            return TypedResults.NoContent();
        }

        var measure = s.Catalogue.FindMeasure(task.Step);
        var checks = new Checks()
            .That(task.State == TaskState.Planned && measure is not null, "", "task-not-planned", "This was not taken on, so it can not be done.")
            .That(body.Leaves is null or (>= 0 and <= MostLeaves), "leaves", "leaves-range", $"Leaves taken off are 0 to {MostLeaves:N0}.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = await tools.Db.Tasks.FirstAsync(t => t.Id == taskId, stop);
        var planting = s.FindPlanting(task.PlantingId)!;
        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Done: {measure!.Name.InSentence()}, {GardenAnswers.Where(s, planting)}", db =>
            Finish(db, s, gardenId, row, tools.Now, body.Leaves), stop);
        return TypedResults.NoContent();
    }

    /// <summary>Ticks a task off and sets its check-back.</summary>
    internal static void Finish(GardenDb db, GardenSnapshot s, Guid gardenId, TaskRow row, DateTimeOffset at, int? leaves)
    {
        row.State = TaskState.Done;
        row.DoneAt = at;
        row.Leaves = leaves;
        if (s.Catalogue.FindMeasure(row.Step)?.CheckBackDays is { } days && row.Target is not null)
        {
            db.CheckBacks.Add(new CheckBackRow { Id = Guid.NewGuid(), GardenId = gardenId, TaskId = row.Id, PlantingId = row.PlantingId, DueOn = s.Garden.DateOf(at).AddDays(days) });
        }
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Drop(Guid gardenId, Guid taskId, TaskDropped body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Tasks.FirstOrDefault(t => t.Id == taskId) is not { } task)
        {
            return Problems.NotFound("task");
        }

        if (task.State == TaskState.Planned)
        {
            var row = await tools.Db.Tasks.FirstAsync(t => t.Id == taskId, stop);
            var words = $"Dropped: {s.Catalogue.FindMeasure(task.Step)?.Name.InSentence()}, {GardenAnswers.Where(s, s.FindPlanting(task.PlantingId)!)}";
            await tools.Log.WriteAsync(gardenId, body.MemberId, words, _ => row.State = TaskState.Dropped, stop);
        }

        return TypedResults.NoContent();
    }

    /// <summary>Null when the catalogue no longer has the measure.</summary>
    internal static TaskAnswer? Answer(GardenSnapshot s, GardenTask t) => s.Catalogue.FindMeasure(t.Step) is not { } measure ? null : new(
        t.Id,
        t.PlantingId,
        GardenAnswers.Where(s, s.FindPlanting(t.PlantingId)!),
        t.Step,
        measure.Name,
        measure.How,
        t.Target is { } target ? s.Catalogue.FindTarget(target)?.Name : null,
        t.DueOn,
        t.State == TaskState.Planned && t.DueOn <= s.Today,
        t.State,
        t.DoneAt,
        t.Leaves,
        measure.Rung == Rung.Prune && measure.CheckBackDays is not null,
        measure.Recipe);
}
