using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Walk;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.CheckBacks;

/// <param name="Low">Lower end of the 95 % interval of the share, 0 to 1.</param>
public sealed record CountAnswer(DateTimeOffset At, int LeavesLooked, int LeavesAffected, double Low, double High, CountedOn On)
{
    public static CountAnswer Of(Observation o)
    {
        var (low, high) = LeafSample.Interval(o.LeavesLooked, o.LeavesAffected);
        return new(o.At, o.LeavesLooked, o.LeavesAffected, low, high, o.On);
    }
}

/// <summary>A visit that is due or done.</summary>
/// <param name="What">The material, or what was done by hand.</param>
/// <param name="Before">The count before it; null when nobody counted.</param>
/// <param name="Insects">It was against something that can be touched.</param>
/// <param name="SameLeaves">Which leaves to count again.</param>
/// <param name="After">The count that judged it.</param>
/// <param name="Line">Action line, share of leaves.</param>
/// <param name="OnlyDead">Leaves with dead ones, or old spots, alone; null when nobody told them apart.</param>
/// <param name="Course">Where the course stands that this belongs to; null when it belongs to none.</param>
/// <param name="CountedSince">A count since it was due, by which it can be judged; null without one.</param>
/// <param name="CanHose">They can be hosed off and counted again, where nobody can tell the living from the dead.</param>
public sealed record CheckBackAnswer(
    Guid Id,
    Guid PlantingId,
    string Where,
    string Leaf,
    string What,
    bool ByHand,
    string? Target,
    string? TargetName,
    bool Insects,
    DateTimeOffset DoneWhatAt,
    DateOnly DueOn,
    bool Due,
    bool PatchTest,
    CountAnswer? Before,
    string SameLeaves,
    CountAnswer? After,
    double Line,
    DateTimeOffset? DoneAt,
    Outcome? Outcome,
    Injury Injury,
    IReadOnlyList<InjurySign> InjurySigns,
    int? Alive,
    int? Dead,
    int? OnlyDead,
    string? Sentence,
    string? Course,
    string? DiscountedFor,
    SettlingAnswer? CountedSince,
    bool CanHose
);

/// <summary>A count that was made on a walk since a visit was due, by which it can be judged.</summary>
public sealed record SettlingAnswer(Guid ObservationId, CountAnswer Count);

/// <summary>Insects hosed off, to be counted again.</summary>
/// <param name="TaskId">Of the hosing, made by the client.</param>
public sealed record HosedOff(Guid TaskId, Guid? MemberId = null);

/// <summary>Whether the garden is to learn from an outcome.</summary>
/// <param name="Why">Why not; null to learn from it.</param>
public sealed record Discount(string? Why, Guid? MemberId = null);

/// <summary>Judging a spray, or what was done by hand, by counting again.</summary>
public static class CheckBackEndpoints
{
    private const int MostTouched = 10_000;

    public static void MapCheckBacks(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}/check-backs").WithTags("Check back");
        garden.MapGet("", List);
        garden.MapGet("/{checkBackId:guid}", Show);
        garden.MapPost("/{checkBackId:guid}/count", Count);
        garden.MapPost("/{checkBackId:guid}/by-count", JudgeByCount);
        garden.MapPost("/{checkBackId:guid}/hose", Hose);
        garden.MapPost("/{checkBackId:guid}/patch", JudgePatch);
        garden.MapPost("/{checkBackId:guid}/discount", SetDiscount);
    }

    private static async Task<Results<Ok<IReadOnlyList<CheckBackAnswer>>, ProblemHttpResult>> List(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s
            ? TypedResults.Ok<IReadOnlyList<CheckBackAnswer>>([
                .. s.CheckBacks.Where(c => c.DoneAt is null && WhatIsJudged.Of(s, c) is not null).OrderBy(c => c.DueOn).Select(c => Answer(s, c)),
                .. s
                    .CheckBacks.Where(c => c.DoneAt is not null && WhatIsJudged.Of(s, c) is not null)
                    .OrderByDescending(c => c.DoneAt)
                    .Take(10)
                    .Select(c => Answer(s, c)),
            ])
            : Problems.NotFound("garden");

    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        Guid checkBackId,
        GardenTools tools,
        CancellationToken stop
    ) =>
        await tools.LoadAsync(gardenId, stop) is { } s
        && s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is { } visit
        && WhatIsJudged.Of(s, visit) is not null
            ? TypedResults.Ok(Answer(s, visit))
            : Problems.NotFound("check-back");

    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> Count(
        Guid gardenId,
        Guid checkBackId,
        CheckBackCount body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { } s
            || s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is not { } visit
            || WhatIsJudged.Of(s, visit) is not { } what
        )
        {
            return Problems.NotFound("check-back");
        }

        if (visit.ObservationId == body.Count.Id)
        {
            return TypedResults.Ok(Answer(s, visit));
        }

        var checks = ObservationEndpoints
            .CheckCount(s, body.Count, new Checks())
            .That(body.Count.LeavesLooked > 0, "leavesLooked", "count-some-leaves", Say.Of("checkBacks.lookAtOneLeafAtLeast"))
            .That(
                body.Alive is null or (>= 0 and <= MostTouched) && body.Dead is null or (>= 0 and <= MostTouched),
                "alive",
                "touched-range",
                Say.Of("checkBacks.insectsTouchedLieBetween0", ("mostTouched", MostTouched))
            )
            .That(
                body.OnlyDead is null or >= 0 && body.Count.LeavesAffected + (body.OnlyDead ?? 0) <= body.Count.LeavesLooked,
                "onlyDead",
                "only-dead-range",
                Say.Of("checkBacks.leavesWithDeadOnesAlone")
            )
            .That(Sane(body.Injury, body.InjurySigns), "injury", "injury-signs", HowMuch)
            .That(body.Count.PlantingId == visit.PlantingId, "plantingId", "other-planting", Say.Of("checkBacks.thisCheckBackIsForAnother"))
            .That(!what.PatchTest, "", "patch-test", PatchTest)
            .That(visit.DoneAt is null, "", "already-judged", AlreadyJudged)
            .That(Looks.LookedAt(s, body.Count.At) >= what.At, "at", "before-spray", Say.Of("checkBacks.thisWasCountedBeforeTheSpray"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (Contradiction(body) is { } contradiction && !body.Certain)
        {
            return new Checks().That(false, "certain", "contradiction", contradiction).Problem();
        }

        var written = CheckBackDeeds.Judge(s, visit, what, body);
        return TypedResults.Ok(Answer(await tools.DoAsync(s, written, stop), written.CheckBacks[0]));
    }

    /// <summary>What was touched against what was counted: asked about, and taken when it is said again. Null when they agree.</summary>
    private static string? Contradiction(CheckBackCount body) =>
        body switch
        {
            { Alive: > 0 and var moving, Count.LeavesAffected: 0 } => moving == 1
                ? Say.Of("checkBacks.ofThoseThatYouTouchedMoves", ("moving", moving))
                : Say.Of("checkBacks.ofThoseThatYouTouchedMove", ("moving", moving)),
            { Alive: 0, Dead: > 0 and var still, Count.LeavesAffected: > 0 and var leaves } => still == 1
                ? Say.Of("checkBacks.theOneThatYouTouchedDoes", ("some", Say.Of("checkBacks.leavesWere", ("n", leaves))))
                : Say.Of("checkBacks.noneOfTheThatYouTouched", ("still", still), ("some", Say.Of("checkBacks.leavesWere", ("n", leaves)))),
            _ => null,
        };

    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> JudgeByCount(
        Guid gardenId,
        Guid checkBackId,
        JudgedByCount body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { } s
            || s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is not { } visit
            || WhatIsJudged.Of(s, visit) is not { } what
        )
        {
            return Problems.NotFound("check-back");
        }

        if (visit.DoneAt is not null && visit.ObservationId == body.ObservationId)
        {
            return TypedResults.Ok(Answer(s, visit));
        }

        var settling = SettlingCount.Of(s, visit, what.Target);
        var checks = new Checks()
            .That(!what.PatchTest, "", "patch-test", PatchTest)
            .That(visit.DoneAt is null, "", "already-judged", AlreadyJudged)
            .That(Sane(body.Injury, body.InjurySigns), "injury", "injury-signs", HowMuch)
            .That(settling is not null && settling.Id == body.ObservationId, "observationId", "count-not-fit", Say.Of("checkBacks.thatCountDoesNotJudgeThis"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var written = CheckBackDeeds.JudgeBy(s, visit, what, settling!, body);
        return TypedResults.Ok(Answer(await tools.DoAsync(s, written, stop), written.CheckBacks[0]));
    }

    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> Hose(
        Guid gardenId,
        Guid checkBackId,
        HosedOff body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { } s
            || s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is not { } visit
            || WhatIsJudged.Of(s, visit) is not { } what
        )
        {
            return Problems.NotFound("check-back");
        }

        if (s.Tasks.Any(t => t.Id == body.TaskId && t.PlantingId == visit.PlantingId))
        {
            return TypedResults.Ok(Answer(s, visit));
        }

        var checks = new Checks()
            .That(!what.PatchTest, "", "patch-test", PatchTest)
            .That(visit.DoneAt is null, "", "already-judged", AlreadyJudged)
            .That(CanHose(s, what), "", "nothing-to-hose", Say.Of("checkBacks.waterDoesNotTellTheLiving"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var written = CheckBackDeeds.HoseAndCountAgain(s, visit, what, body.TaskId, body.MemberId);
        return TypedResults.Ok(Answer(await tools.DoAsync(s, written, stop), written.CheckBacks[0]));
    }

    private static string PatchTest => Say.Of("checkBacks.thisWasAPatchTestJudge");
    private static string AlreadyJudged => Say.Of("checkBacks.thisSprayWasJudgedAlreadyUndo");
    private static string HowMuch => Say.Of("checkBacks.sayHowMuchItIsHurt");

    private static bool Sane(Injury injury, IReadOnlyList<InjurySign>? signs) => injury > Injury.None || signs is not { Count: > 0 };

    private static bool CanHose(GardenSnapshot s, WhatIsJudged what) =>
        what.TargetOf(s) is { Insect: not null } target && s.Catalogue.Measure(KnownIds.Measures.WaterJet).IsFor(target);

    private static async Task<Results<NoContent, ProblemHttpResult>> SetDiscount(
        Guid gardenId,
        Guid checkBackId,
        Discount body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // Outcomes of every year count, so it need not be in the snapshot.
        if (await tools.Db.CheckBacks.FirstOrDefaultAsync(c => c.GardenId == gardenId && c.Id == checkBackId && c.DoneAt != null, stop) is not { } row)
        {
            return Problems.NotFound(Say.Of("checkBacks.judgedCheckBack"));
        }

        var why = string.IsNullOrWhiteSpace(body.Why) ? null : body.Why.Trim();
        var checks = new Checks().That(why is null or { Length: <= 200 }, "why", "why-long", Say.Of("checkBacks.theReasonHasUpTo200"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (row.DiscountedFor != why)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                why is null ? Say.Of("checkBacks.letsAnOutcomeCountAgain") : Say.Of("checkBacks.setAnOutcomeAside"),
                _ => row.DiscountedFor = why,
                stop
            );
        }

        return TypedResults.NoContent();
    }

    /// <summary>A patch test is judged by the two leaves alone: nothing is counted, so no count of the bed is made of it.</summary>
    private static async Task<Results<Ok<CheckBackAnswer>, ProblemHttpResult>> JudgePatch(
        Guid gardenId,
        Guid checkBackId,
        PatchJudgement body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { } s
            || s.CheckBacks.FirstOrDefault(c => c.Id == checkBackId) is not { } visit
            || WhatIsJudged.Of(s, visit) is not { } spray
        )
        {
            return Problems.NotFound("check-back");
        }

        var at = Looks.LookedAt(s, body.At);
        var checks = new Checks()
            .That(spray.PatchTest, "", "no-patch-test", Say.Of("checkBacks.thisWasAWholeSprayCount"))
            .That(body.Injury != Injury.Unsaid, "injury", "injury-unsaid", Say.Of("checkBacks.sayWhetherItHurt"))
            .That(visit.DoneAt is null || visit.Injury == body.Injury, "", "already-judged", Say.Of("checkBacks.theseLeavesWereJudgedAlreadyUndo"))
            .That(
                at >= spray.At.AddDays(UseGuards.PatchTestDays - 0.5),
                "",
                "too-early",
                Say.Of("checkBacks.scorchShowsLateLookAgain", ("dueOn", Say.In(visit.DueOn, "d MMMM")))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (visit.DoneAt is not null)
        {
            return TypedResults.Ok(Answer(s, visit));
        }

        var written = CheckBackDeeds.JudgePatch(s, visit, body);
        return TypedResults.Ok(Answer(await tools.DoAsync(s, written, stop), written.CheckBacks[0]));
    }

    private static CheckBackAnswer Answer(GardenSnapshot s, CheckBack c)
    {
        var what = WhatIsJudged.Of(s, c)!;
        var planting = s.FindPlanting(c.PlantingId)!;
        var before = CheckBackDeeds.Before(s, c, what);
        var after = s.FindCount(c.ObservationId);
        return new(
            c.Id,
            c.PlantingId,
            s.Where(planting),
            s.Catalogue.Crop(planting.Crop).Leaf,
            what.Name,
            c.TaskId is not null,
            what.Target,
            what.TargetOf(s)?.Name,
            what.TargetOf(s)?.Insect is not null,
            what.At,
            c.DueOn,
            c.DoneAt is null && c.DueOn <= s.Today,
            what.PatchTest,
            before is null ? null : CountAnswer.Of(before),
            SameLeaves(s, planting, before),
            after is { LeavesLooked: > 0 } ? CountAnswer.Of(after) : null,
            ActionLine.At(s, planting, what.TargetOf(s), before?.On ?? CountedOn.Leaves).Share,
            c.DoneAt,
            c.Outcome,
            c.Injury,
            c.InjurySigns ?? [],
            c.Alive,
            c.Dead,
            c.OnlyDead,
            after is { LeavesLooked: > 0 }
                ? CheckBackDeeds.Verdict(s, c, what, after.LeavesLooked, after.LeavesAffected, after.Ants, c.OnlyDead).Sentence
                : null,
            Course(s, planting, what),
            c.DiscountedFor,
            !what.PatchTest && SettlingCount.Of(s, c, what.Target) is { } settling ? new SettlingAnswer(settling.Id, CountAnswer.Of(settling)) : null,
            c.DoneAt is null && !what.PatchTest && CanHose(s, what)
        );
    }

    /// <summary>The same leaves tell more than others do.</summary>
    private static string SameLeaves(GardenSnapshot s, Planting planting, Observation? before)
    {
        if (before is null)
        {
            return Say.Of("checkBacks.nobodyCountedBeforeTakeTwentyLeaves");
        }

        var looked = before.Part switch
        {
            _ when before.Plants is not null => Say.Of("checkBacks.plants", ("n", before.LeavesLooked)),
            PlantPart.Unsaid => Say.Of("checkBacks.leaves", ("n", before.LeavesLooked)),
            PlantPart.Tips => Say.Of("checkBacks.tips", ("n", before.LeavesLooked)),
            PlantPart.NewLeaves => Say.Of("checkBacks.newLeaves", ("n", before.LeavesLooked)),
            PlantPart.OldLeaves => Say.Of("checkBacks.oldLeaves", ("n", before.LeavesLooked)),
            PlantPart.Stem => Say.Of("checkBacks.stems", ("n", before.LeavesLooked)),
            PlantPart.Flowers => Say.Of("checkBacks.flowers", ("n", before.LeavesLooked)),
            _ => Say.Of("checkBacks.fruit", ("n", before.LeavesLooked)),
        };
        var parts = before.Side switch
        {
            BedSide.Edge => Say.Of("checkBacks.partsAtTheEdge", ("parts", looked)),
            BedSide.Middle => Say.Of("checkBacks.partsInTheMiddle", ("parts", looked)),
            _ => looked,
        };
        var date = Say.In(s.Garden.DateOf(before.At), "d MMMM");
        return planting.Count is > 1 and var n
            ? Say.Of("checkBacks.countTheSameOnPlants", ("parts", parts), ("date", date), ("number", Math.Min(n, before.LeavesLooked)))
            : Say.Of("checkBacks.countTheSame", ("parts", parts), ("date", date));
    }

    private static string? Course(GardenSnapshot s, Planting planting, WhatIsJudged what) =>
        s.Courses.LastOrDefault(x => x.PlantingId == planting.Id && x.Target == what.Target && x.OpenedAt <= what.At.AddMinutes(5)) is { } course
        && s.Catalogue.FindRecipe(course.Recipe) is not null
            ? CourseProgress.Of(s, course).Sentence.Words
            : null;
}
