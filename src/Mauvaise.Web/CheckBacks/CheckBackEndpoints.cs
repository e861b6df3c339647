using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Walk;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.CheckBacks;

public sealed record CountAnswer(DateTimeOffset At, int LeavesLooked, int LeavesAffected);

/// <summary>A visit that is due or done.</summary>
/// <param name="What">The material, or what was done by hand.</param>
/// <param name="Before">The count before it; null when nobody counted.</param>
public sealed record CheckBackAnswer(
    Guid Id,
    Guid PlantingId,
    string Where,
    string Leaf,
    string What,
    bool ByHand,
    string? Target,
    string? TargetName,
    DateTimeOffset DoneWhatAt,
    DateOnly DueOn,
    bool Due,
    bool PatchTest,
    CountAnswer? Before,
    DateTimeOffset? DoneAt,
    Outcome? Outcome,
    Injury Injury,
    string? Sentence);

/// <summary>The count on a check-back, with what the spray did to the plant.</summary>
public sealed record CheckBackCount(NewObservation Count, Injury Injury);

/// <summary>What two leaves look like after a patch test.</summary>
public sealed record PatchJudgement(Injury Injury, Guid? MemberId = null);

/// <summary>Judging a spray, or what was done by hand, by counting again.</summary>
public static class CheckBackEndpoints
{
    public static void MapCheckBacks(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}/check-backs").WithTags("Check back");
        garden.MapGet("", List);
        garden.MapGet("/{checkBackId:guid}", Show);
        garden.MapPost("/{checkBackId:guid}/count", Count);
        garden.MapPost("/{checkBackId:guid}/patch", JudgePatch);
    }

    private static async Task<Results<Ok<IReadOnlyList<CheckBackAnswer>>, ProblemHttpResult>> List(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s
            ? TypedResults.Ok<IReadOnlyList<CheckBackAnswer>>([
                .. s.CheckBacks.Where(c => c.DoneAt is null).OrderBy(c => c.DueOn).Select(c => Answer(s, c)),
                .. s.CheckBacks.Where(c => c.DoneAt is not null).OrderByDescending(c => c.DoneAt).Take(10).Select(c => Answer(s, c))])
            : Problems.NotFound("garden");

    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> Show(Guid gardenId, Guid checkBackId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is { } visit
            ? TypedResults.Ok(Answer(s, visit))
            : Problems.NotFound("check-back");

    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> Count(Guid gardenId, Guid checkBackId, CheckBackCount body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is not { } visit)
        {
            return Problems.NotFound("check-back");
        }

        if (visit.ObservationId == body.Count.Id)
        {
            return TypedResults.Ok(Answer(s, visit));
        }

        var checks = ObservationEndpoints.CheckCount(s, body.Count, new Checks())
            .That(body.Count.LeavesLooked > 0, "leavesLooked", "count-some-leaves", "Look at one leaf at least.")
            .That(body.Count.PlantingId == visit.PlantingId, "plantingId", "other-planting", "This check-back is for another planting.")
            .That(Judged.Of(s, visit) is { PatchTest: false }, "", "patch-test", "This was a patch test: judge the two leaves instead.")
            .That(visit.DoneAt is null, "", "already-judged", "This spray was judged already. Undo that first to judge it again.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var what = Judged.Of(s, visit);
        var planting = s.FindPlanting(visit.PlantingId)!;
        var judged = Judge(s, visit, body.Count.LeavesLooked, body.Count.LeavesAffected);
        var row = await tools.Db.CheckBacks.FirstAsync(c => c.Id == checkBackId, stop);
        await tools.Log.WriteAsync(gardenId, body.Count.MemberId, $"Checked {GardenAnswers.Where(s, planting)}: {judged.Outcome.ToString().ToLowerInvariant()}", db =>
        {
            db.Observations.AddRange(ObservationEndpoints.Rows(gardenId, body.Count, tools.Now, what.Target));
            row.DoneAt = tools.Now;
            row.ObservationId = body.Count.Id;
            row.Outcome = judged.Outcome;
            row.Injury = body.Injury;
        }, stop);
        var saved = (await tools.LoadAsync(gardenId, stop))!;
        return TypedResults.Ok(Answer(saved, saved.CheckBacks.First(c => c.Id == checkBackId)));
    }

    /// <summary>A patch test is judged by the two leaves alone: nothing is counted, so no count of the bed is made of it.</summary>
    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> JudgePatch(Guid gardenId, Guid checkBackId, PatchJudgement body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is not { } visit)
        {
            return Problems.NotFound("check-back");
        }

        var spray = Judged.Of(s, visit);
        var checks = new Checks()
            .That(spray.PatchTest, "", "no-patch-test", "This was a whole spray: count the leaves.")
            .That(visit.DoneAt is null || visit.Injury == body.Injury, "", "already-judged", "These leaves were judged already. Undo that first to judge them again.")
            .That(s.Now >= spray.At.AddDays(UseGuards.PatchTestDays - 0.5), "", "too-early", FormattableString.Invariant($"Scorch shows late: look again on {visit.DueOn:d MMMM}."));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (visit.DoneAt is null)
        {
            var row = await tools.Db.CheckBacks.FirstAsync(c => c.Id == checkBackId, stop);
            await tools.Log.WriteAsync(gardenId, body.MemberId, $"Judged two leaves of {GardenAnswers.Where(s, s.FindPlanting(visit.PlantingId)!)}", _ =>
            {
                row.DoneAt = tools.Now;
                row.Injury = body.Injury;
            }, stop);
        }

        var saved = (await tools.LoadAsync(gardenId, stop))!;
        return TypedResults.Ok(Answer(saved, saved.CheckBacks.First(c => c.Id == checkBackId)));
    }

    private static CheckBackAnswer Answer(GardenSnapshot s, CheckBack c)
    {
        var what = Judged.Of(s, c);
        var planting = s.FindPlanting(c.PlantingId)!;
        var before = Before(s, c, what);
        var after = c.ObservationId is { } id ? s.Observations.FirstOrDefault(o => o.Id == id) : null;
        return new(
            c.Id,
            c.PlantingId,
            GardenAnswers.Where(s, planting),
            s.Catalogue.Crop(planting.Crop).Leaf,
            what.Name,
            c.TaskId is not null,
            what.Target,
            what.Target is null ? null : s.Catalogue.FindTarget(what.Target)?.Name,
            what.At,
            c.DueOn,
            c.DoneAt is null && c.DueOn <= s.Today,
            what.PatchTest,
            before is null ? null : new CountAnswer(before.At, before.LeavesLooked, before.LeavesAffected),
            c.DoneAt,
            c.Outcome,
            c.Injury,
            after is { LeavesLooked: > 0 } ? Judge(s, c, after.LeavesLooked, after.LeavesAffected).Sentence : null);
    }

    private static Judgement Judge(GardenSnapshot s, CheckBack c, int looked, int affected)
    {
        var what = Judged.Of(s, c);
        var planting = s.FindPlanting(c.PlantingId)!;
        var before = Before(s, c, what);
        var line = ObservationEndpoints.Line(s, planting, what.Target is null ? null : s.Catalogue.FindTarget(what.Target));
        return CheckBackVerdict.Judge(before is null ? null : (before.LeavesLooked, before.LeavesAffected), (looked, affected), line.Share);
    }

    private static Observation? Before(GardenSnapshot s, CheckBack c, Judged what) =>
        s.Observations.LastOrDefault(o => o.PlantingId == c.PlantingId && o.At <= what.At && o.LeavesLooked > 0);

    /// <summary>What a visit judges: a spray, or a task.</summary>
    private sealed record Judged(string Name, string? Target, DateTimeOffset At, bool PatchTest)
    {
        public static Judged Of(GardenSnapshot s, CheckBack c)
        {
            if (s.Applications.FirstOrDefault(a => a.Id == c.ApplicationId) is { } spray)
            {
                return new(s.Catalogue.Material(spray.Material).Name, spray.Target, spray.At, spray.PatchTest);
            }

            var task = s.Tasks.First(t => t.Id == c.TaskId);
            return new(s.Catalogue.Measure(task.Step).Name, task.Target, task.DoneAt ?? s.Garden.StartOf(task.DueOn), false);
        }
    }
}
