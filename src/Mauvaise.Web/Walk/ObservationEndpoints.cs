using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Store;
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
            .That(body.LeavesLooked >= 0 && body.LeavesLooked <= MostLeaves, "leavesLooked", "leaves-range", $"Leaves looked at lie between 0 and {MostLeaves}.")
            .That(body.Helpers is >= 0 and <= 10_000, "helpers", "helpers-range", "Helpers lie between 0 and 10000.")
            .That(body.Mummies is >= 0 and <= 10_000, "mummies", "mummies-range", "Mummies lie between 0 and 10000.")
            .That(body.Note is null or { Length: <= 2000 }, "note", "note-long", "A note has up to 2000 letters.")
            .That((body.Also?.Count ?? 0) <= MostFurther, "also", "troubles-many", $"Up to {MostFurther + 1} troubles can be counted on the same leaves.");
        CheckTrouble(s, checks, "", body.LeavesLooked, body.LeavesAffected, body.SeverityPercent, body.Signs);
        foreach (var (trouble, i) in (body.Also ?? []).Select((x, i) => (x, i)))
        {
            CheckTrouble(s, checks, $"also[{i}].", body.LeavesLooked, trouble.LeavesAffected, trouble.SeverityPercent, trouble.Signs);
        }

        var ids = (body.Also ?? []).Select(x => x.Id).Append(body.Id).ToList();
        checks.That(ids.Distinct().Count() == ids.Count, "also", "id-twice", "Two troubles were sent with the same id.");
        return CheckWhen(s, body, checks);
    }

    /// <summary>The rows of a look: one for each trouble.</summary>
    public static IReadOnlyList<ObservationRow> Rows(Guid gardenId, NewObservation body, DateTimeOffset now, string? named) =>
    [
        Row(gardenId, body, now, body.Id, body.LeavesAffected, body.SeverityPercent, body.Signs, named),
        .. (body.Also ?? []).Select(x => Row(gardenId, body, now, x.Id, x.LeavesAffected, x.SeverityPercent, x.Signs, null)),
    ];

    public static ObservationAnswer Answer(GardenSnapshot s, Observation o) => new(
        o.Id,
        o.LookId,
        o.WalkId,
        o.PlantingId,
        s.FindPlanting(o.PlantingId) is { } p ? GardenAnswers.Where(s, p) : "a planting that is gone",
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
        o.Note);

    /// <summary>The action line for what was last named on a planting, or for something without a name.</summary>
    public static ActionLine Line(GardenSnapshot s, Planting planting, Target? target) =>
        ActionLine.At(s, planting, target);

    private static string? NamedAs(GardenSnapshot s, Observation o) =>
        o.Named is null || s.Catalogue.FindTarget(o.Named) is not { } target ? null
        : o.NameIsGroup ? char.ToUpperInvariant(TargetGroups.Words(target.Group)[0]) + TargetGroups.Words(target.Group)[1..]
        : target.Name;

    private static void CheckTrouble(GardenSnapshot s, Checks checks, string at, int looked, int affected, double? severity, IReadOnlyList<SeenSign> signs) => checks
        .That(affected >= 0, at + "leavesAffected", "affected-negative", "Affected leaves can not be fewer than 0.")
        .That(affected <= looked, at + "leavesAffected", "affected-over-looked", "More leaves are affected than were looked at. Count the affected ones among those you looked at.")
        .That(severity is null or (>= 0 and <= 100), at + "severityPercent", "severity-range", "The share of the leaf that is covered lies between 0 and 100 %.")
        .That(severity is null or 0 || affected > 0, at + "severityPercent", "severity-clean", "How much of a leaf is covered goes with affected leaves, and none was counted.")
        .That(signs.All(x => s.Catalogue.FindSign(x.Sign) is not null), at + "signs", "sign-unknown", "One of the signs is not in the catalogue.")
        .That(signs.Select(x => x.Sign).Distinct().Count() == signs.Count, at + "signs", "sign-twice", "A sign is named twice.");

    private static Checks CheckWhen(GardenSnapshot s, NewObservation body, Checks checks)
    {
        var at = body.At ?? s.Now;
        if (s.FindPlanting(body.PlantingId) is not { } planting)
        {
            return checks.That(false, "plantingId", "planting-unknown", "There is no such planting in this garden.");
        }

        var date = s.Garden.DateOf(at);
        return checks
            .That(at <= s.Now + ClockSlack, "at", "in-the-future", "This count lies in the future. Is the clock of your device right?")
            .That(date >= planting.From, "at", "before-planting", $"This was planted on {planting.From.ToString("d MMMM yyyy", CultureInfo.InvariantCulture)}; nothing can have been seen on it before.")
            .That(planting.Until is null || date <= planting.Until, "plantingId", "planting-not-growing", "This planting had ended by then.");
    }

    private static ObservationRow Row(Guid gardenId, NewObservation body, DateTimeOffset now, Guid id, int affected, double? severity, IReadOnlyList<SeenSign> signs, string? named) => new()
    {
        Id = id,
        GardenId = gardenId,
        LookId = body.Id,
        WalkId = body.WalkId,
        PlantingId = body.PlantingId,
        At = body.At is { } at && at < now ? at : now,
        MemberId = body.MemberId,
        LeavesLooked = body.LeavesLooked,
        LeavesAffected = affected,
        SeverityPercent = severity,
        Ants = body.Ants,
        Helpers = body.Helpers,
        Mummies = body.Mummies,
        Part = body.Part,
        Side = body.Side,
        Roots = body.Roots,
        Named = named,
        Note = string.IsNullOrWhiteSpace(body.Note) ? null : body.Note.Trim(),
        Signs = [.. signs.Select(x => new ObservedSignRow { ObservationId = id, Sign = x.Sign, Present = x.Present })],
    };

    private static async Task<Results<Ok<SampleAnswer>, ProblemHttpResult>> Sample(
        Guid gardenId, Guid plantingId, int looked, int affected, string? target, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.FindPlanting(plantingId) is not { } planting)
        {
            return Problems.NotFound("planting");
        }

        var checks = new Checks()
            .That(looked is >= 0 and <= MostLeaves, "looked", "leaves-range", $"Leaves looked at lie between 0 and {MostLeaves}.")
            .That(affected >= 0 && affected <= looked, "affected", "affected-over-looked", "Affected leaves lie between 0 and those looked at.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var named = target ?? s.LatestObservation(plantingId)?.Named;
        var line = Line(s, planting, named is null ? null : s.Catalogue.FindTarget(named));
        var r = LeafSample.Judge(looked, affected, line.Share);
        return TypedResults.Ok(new SampleAnswer(r.Share, r.Low, r.High, r.Verdict, r.MoreLeaves, line.Share, line.Reason));
    }

    private static async Task<Results<Created<ObservationAnswer>, ProblemHttpResult>> Note(Guid gardenId, NewObservation body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Observations.FirstOrDefault(o => o.Id == body.Id) is { } sent)
        {
            return TypedResults.Created($"/api/gardens/{gardenId}/observations/{body.Id}", Answer(s, sent));
        }

        var foreign = body.WalkId is { } walk && await tools.Db.Walks.AnyAsync(w => w.Id == walk && w.GardenId != gardenId, stop);
        var checks = CheckCount(s, body, new Checks())
            .That(!foreign, "walkId", "walk-foreign", "This walk belongs to another garden.")
            .That(body.LeavesLooked > 0 || body.Signs.Count > 0 || body.Helpers + body.Mummies > 0 || body.Note is { Length: > 0 }, "leavesLooked", "nothing-noted", "Look at one leaf at least, or note a sign.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Noted {GardenAnswers.Where(s, s.FindPlanting(body.PlantingId)!)}", db =>
        {
            BeginWalk(db, s, body);
            db.Observations.AddRange(Rows(gardenId, body, tools.Now, null));
        }, stop);
        var saved = (await tools.LoadAsync(gardenId, stop))!;
        return TypedResults.Created($"/api/gardens/{gardenId}/observations/{body.Id}", Answer(saved, saved.Observations.First(o => o.Id == body.Id)));
    }

    /// <summary>A count is never refused because the start of its round got lost on the way.</summary>
    private static void BeginWalk(GardenDb db, GardenSnapshot s, NewObservation body)
    {
        if (body.WalkId is { } id && s.Walks.All(w => w.Id != id))
        {
            db.Walks.Add(new WalkRow { Id = id, GardenId = s.Garden.Id, StartedAt = body.At ?? s.Now, MemberId = body.MemberId });
        }
    }

    private static async Task<Results<Ok<ObservationAnswer>, ProblemHttpResult>> Show(Guid gardenId, Guid observationId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && s.Observations.FirstOrDefault(o => o.Id == observationId) is { } seen
            ? TypedResults.Ok(Answer(s, seen))
            : Problems.NotFound("note");

    private static async Task<Results<Ok<IReadOnlyList<ObservationAnswer>>, ProblemHttpResult>> OfPlanting(Guid gardenId, Guid plantingId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && s.FindPlanting(plantingId) is not null
            ? TypedResults.Ok<IReadOnlyList<ObservationAnswer>>([.. s.Observations.Where(o => o.PlantingId == plantingId).Reverse().Take(20).Select(o => Answer(s, o))])
            : Problems.NotFound("planting");
}
