using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Walk;

/// <summary>Counts and signs.</summary>
public static class ObservationEndpoints
{
    private const int MostLeaves = 1000;
    private const int MostFurther = 3;

    /// <summary>How far a device's clock may run ahead of ours.</summary>
    private static readonly TimeSpan ClockSlack = TimeSpan.FromMinutes(5);

    public static void MapObservations(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Walk");
        garden.MapGet("/plantings/{plantingId:guid}/sample", Sample);
        garden.MapPost("/observations", Note);
        garden.MapGet("/observations/{observationId:guid}", Show);
        garden.MapGet("/plantings/{plantingId:guid}/observations", OfPlanting);
    }

    /// <summary>Checks a count; shared with the check-back, which makes one too.</summary>
    public static Checks CheckCount(GardenSnapshot s, NewObservation body, Checks checks)
    {
        checks
            .That(
                body.LeavesLooked >= 0 && body.LeavesLooked <= MostLeaves,
                "leavesLooked",
                "leaves-range",
                Say.Of("walk.leavesLookedAtLieBetween0", ("mostLeaves", MostLeaves))
            )
            .That(body.Helpers is >= 0 and <= 10_000, "helpers", "helpers-range", Say.Of("walk.helpersLieBetween0And10000"))
            .That(body.Mummies is >= 0 and <= 10_000, "mummies", "mummies-range", Say.Of("walk.mummiesLieBetween0And10000"))
            .That(body.Note is null or { Length: <= 2000 }, "note", "note-long", Say.Of("plan.aNoteHasUpTo2000"))
            .That((body.Also?.Count ?? 0) <= MostFurther, "also", "troubles-many", Say.Of("walk.upToTroublesCanBeCounted", ("mostFurther", MostFurther + 1)));
        CheckTrouble(s, checks, "", body.LeavesLooked, body.LeavesAffected, body.SeverityPercent, body.Signs);
        foreach (var (trouble, i) in (body.Also ?? []).Select((x, i) => (x, i)))
        {
            CheckTrouble(s, checks, $"also[{i}].", body.LeavesLooked, trouble.LeavesAffected, trouble.SeverityPercent, trouble.Signs);
        }

        checks.That(
            body.Plants is null
                || (
                    s.FindPlanting(body.PlantingId) is { } grown
                    && SinglePlants.AreOf(grown, body.Plants)
                    && body.Plants.Count == body.LeavesAffected
                    && body.LeavesLooked <= grown.Count
                    && body.Also is null or []
                ),
            "plants",
            "plants-not-theirs",
            Say.Of("walk.plantsAreNumbered", ("most", SinglePlants.Most))
        );
        var ids = (body.Also ?? []).Select(x => x.Id).Append(body.Id).ToList();
        checks.That(ids.Distinct().Count() == ids.Count, "also", "id-twice", Say.Of("walk.twoTroublesWereSent"));
        return CheckWhen(s, body, checks);
    }

    public static ObservationAnswer Answer(GardenSnapshot s, Observation o) =>
        new(
            o.Id,
            o.LookId,
            o.WalkId,
            o.PlantingId,
            s.FindPlanting(o.PlantingId) is { } p ? s.Where(p) : Say.Of("gardens.aPlantingThatIsGone"),
            o.At,
            o.LeavesLooked,
            o.LeavesAffected,
            o.SeverityPercent,
            o.Ants,
            o.Helpers,
            o.Mummies,
            o.Part,
            o.Side,
            o.Roots,
            o.Signs,
            o.Named,
            NamedAs(s, o),
            o.Note,
            o.Plants,
            o.On
        );

    private static string? NamedAs(GardenSnapshot s, Observation o) =>
        o.OwnName
        ?? (
            o.Named is null || s.Catalogue.FindTarget(o.Named) is not { } target ? null
            : o.NameIsGroup ? char.ToUpperInvariant(TargetGroups.Words(target.Group)[0]) + TargetGroups.Words(target.Group)[1..]
            : target.Name
        );

    private static void CheckTrouble(GardenSnapshot s, Checks checks, string at, int looked, int affected, double? severity, IReadOnlyList<SeenSign> signs) =>
        checks
            .That(affected >= 0, $"{at}leavesAffected", "affected-negative", Say.Of("walk.affectedLeavesCanNotBeFewer"))
            .That(affected <= looked, $"{at}leavesAffected", "affected-over-looked", Say.Of("walk.moreLeavesAreAffectedThanWere"))
            .That(severity is null or (>= 0 and <= 100), $"{at}severityPercent", "severity-range", Say.Of("trials.theShareOfTheLeaf"))
            .That(severity is null or 0 || affected > 0, $"{at}severityPercent", "severity-clean", Say.Of("walk.howMuchOfALeaf"))
            .That(signs.All(x => s.Catalogue.FindSign(x.Sign) is not null), $"{at}signs", "sign-unknown", Say.Of("walk.oneOfTheSignsIsNot"))
            .That(signs.Select(x => x.Sign).Distinct().Count() == signs.Count, $"{at}signs", "sign-twice", Say.Of("walk.aSignIsNamedTwice"));

    private static Checks CheckWhen(GardenSnapshot s, NewObservation body, Checks checks)
    {
        var at = body.At ?? s.Now;
        if (s.FindPlanting(body.PlantingId) is not { } planting)
        {
            return checks.That(false, "plantingId", "planting-unknown", Say.Of("walk.thereIsNoSuchPlanting"));
        }

        var date = s.Garden.DateOf(at);
        return checks
            .That(at <= s.Now + ClockSlack, "at", "in-the-future", Say.Of("walk.thisCountLiesInTheFuture"))
            .That(date >= planting.From, "at", "before-planting", Say.Of("walk.thisWasPlantedOnNothingCan", ("from", Say.In(planting.From, "d MMMM yyyy"))))
            .That(planting.Until is null || date <= planting.Until, "plantingId", "planting-not-growing", Say.Of("walk.thisPlantingHadEndedByThen"));
    }

    private static async Task<Results<Ok<SampleAnswer>, ProblemHttpResult>> Sample(
        Guid gardenId,
        Guid plantingId,
        int looked,
        int affected,
        string? target,
        string? on,
        int? of,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.FindPlanting(plantingId) is not { } planting)
        {
            return Problems.NotFound("planting");
        }

        // An address says it in small letters, as the records do; the framework would read it by the letter.
        var known = Enum.TryParse<CountedOn>(on ?? nameof(CountedOn.Leaves), true, out var counted) && Enum.IsDefined(counted);
        var checks = new Checks()
            .That(known, "on", "counted-unknown", Say.Of("bench.chooseWhatItIsFrom"))
            .That(looked is >= 0 and <= MostLeaves, "looked", "leaves-range", Say.Of("walk.leavesLookedAtLieBetween0", ("mostLeaves", MostLeaves)))
            .That(affected >= 0 && affected <= looked, "affected", "affected-over-looked", Say.Of("walk.affectedLeavesLieBetween0"))
            .That(of is null || (of >= looked && of <= MostLeaves), "of", "of-range", Say.Of("walk.leavesLookedAtLieBetween0", ("mostLeaves", MostLeaves)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var named = target ?? s.LatestObservation(plantingId)?.Named;
        var line = ActionLine.At(s, planting, named is null ? null : s.Catalogue.FindTarget(named), counted);
        var r = of is { } all ? LeafSample.JudgeOf(looked, affected, line.Share, all) : LeafSample.Judge(looked, affected, line.Share);
        return TypedResults.Ok(new SampleAnswer(r.Share, r.Low, r.High, r.Verdict, r.MoreLeaves, line.Share, line.Reason.Words));
    }

    private static async Task<Results<Created<ObservationAnswer>, ProblemHttpResult>> Note(
        Guid gardenId,
        NewObservation body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (await tools.FindCountAsync(s, body.Id, stop) is { } sent)
        {
            return TypedResults.Created($"/api/gardens/{gardenId}/observations/{body.Id}", Answer(s, sent));
        }

        var foreign = body.WalkId is { } walk && await tools.Db.Walks.AnyAsync(w => w.Id == walk && w.GardenId != gardenId, stop);
        var checks = CheckCount(s, body, new Checks())
            .That(!foreign, "walkId", "walk-foreign", Say.Of("walk.thisWalkBelongsToAnotherGarden"))
            .That(
                body.LeavesLooked > 0 || body.Signs.Count > 0 || body.Helpers + body.Mummies > 0 || body.Note is { Length: > 0 },
                "leavesLooked",
                "nothing-noted",
                Say.Of("walk.lookAtOneLeafAtLeast")
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var written = Looks.Note(s, body);
        var after = await tools.DoAsync(s, written, stop);
        return TypedResults.Created($"/api/gardens/{gardenId}/observations/{body.Id}", Answer(after, written.Observations[0]));
    }

    private static async Task<Results<Ok<ObservationAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        Guid observationId,
        GardenTools tools,
        CancellationToken stop
    ) =>
        await tools.LoadAsync(gardenId, stop) is { } s && await tools.FindCountAsync(s, observationId, stop) is { } seen
            ? TypedResults.Ok(Answer(s, seen))
            : Problems.NotFound("note");

    private static async Task<Results<Ok<IReadOnlyList<ObservationAnswer>>, ProblemHttpResult>> OfPlanting(
        Guid gardenId,
        Guid plantingId,
        GardenTools tools,
        CancellationToken stop
    ) =>
        await tools.LoadAsync(gardenId, stop) is { } s && s.FindPlanting(plantingId) is not null
            ? TypedResults.Ok<IReadOnlyList<ObservationAnswer>>([.. s.CountsOf(plantingId).Reverse().Take(20).Select(o => Answer(s, o))])
            : Problems.NotFound("planting");
}
