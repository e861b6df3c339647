using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Walk;

/// <summary>A count on one planting, as it is noted on a walk or a check-back.</summary>
/// <param name="Id">Made by the client, so that a repeated send is harmless.</param>
public sealed record NewObservation(
    Guid Id,
    Guid PlantingId,
    int LeavesLooked,
    int LeavesAffected,
    Ants Ants,
    int Helpers,
    int Mummies,
    IReadOnlyList<SeenSign> Signs,
    string? Note = null,
    Guid? MemberId = null);

public sealed record ObservationAnswer(
    Guid Id,
    Guid PlantingId,
    string Where,
    DateTimeOffset At,
    int LeavesLooked,
    int LeavesAffected,
    Ants Ants,
    int Helpers,
    int Mummies,
    IReadOnlyList<SeenSign> Signs,
    string? Named,
    string? NamedAs,
    string? Note);

/// <summary>A count against the action line, while it is being made.</summary>
public sealed record SampleAnswer(double Share, double Low, double High, SampleVerdict Verdict, int MoreLeaves, double Line, string LineReason);

/// <summary>Scouting: counts and signs.</summary>
public static class WalkEndpoints
{
    private const int MostLeaves = 1000;

    public static void MapWalk(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Walk");
        garden.MapGet("/plantings/{plantingId:guid}/sample", Sample);
        garden.MapPost("/observations", Note);
        garden.MapGet("/observations/{observationId:guid}", Show);
        garden.MapGet("/plantings/{plantingId:guid}/observations", OfPlanting);
    }

    /// <summary>Checks a count; shared with the check-back, which makes one too.</summary>
    public static Checks CheckCount(GardenSnapshot s, NewObservation body, Checks checks) => checks
        .That(body.LeavesLooked >= 0 && body.LeavesLooked <= MostLeaves, "leavesLooked", "leaves-range", $"Leaves looked at lie between 0 and {MostLeaves}.")
        .That(body.LeavesAffected >= 0, "leavesAffected", "affected-negative", "Affected leaves can not be fewer than 0.")
        .That(body.LeavesAffected <= body.LeavesLooked, "leavesAffected", "affected-over-looked", "More leaves are affected than were looked at. Count the affected ones among those you looked at.")
        .That(body.Helpers is >= 0 and <= 10_000, "helpers", "helpers-range", "Helpers lie between 0 and 10000.")
        .That(body.Mummies is >= 0 and <= 10_000, "mummies", "mummies-range", "Mummies lie between 0 and 10000.")
        .That(body.Signs.All(x => s.Catalogue.FindSign(x.Sign) is not null), "signs", "sign-unknown", "One of the signs is not in the catalogue.")
        .That(body.Signs.Select(x => x.Sign).Distinct().Count() == body.Signs.Count, "signs", "sign-twice", "A sign is named twice.")
        .That(body.Note is null or { Length: <= 2000 }, "note", "note-long", "A note has up to 2000 letters.")
        .That(s.FindPlanting(body.PlantingId) is { } p && p.GrowsOn(s.Today), "plantingId", "planting-not-growing", "This planting is not growing now.");

    public static ObservationRow Row(Guid gardenId, NewObservation body, DateTimeOffset at, string? named) => new()
    {
        Id = body.Id,
        GardenId = gardenId,
        PlantingId = body.PlantingId,
        At = at,
        MemberId = body.MemberId,
        LeavesLooked = body.LeavesLooked,
        LeavesAffected = body.LeavesAffected,
        Ants = body.Ants,
        Helpers = body.Helpers,
        Mummies = body.Mummies,
        Named = named,
        Note = string.IsNullOrWhiteSpace(body.Note) ? null : body.Note.Trim(),
        Signs = [.. body.Signs.Select(x => new ObservedSignRow { ObservationId = body.Id, Sign = x.Sign, Present = x.Present })],
    };

    public static ObservationAnswer Answer(GardenSnapshot s, Observation o) => new(
        o.Id,
        o.PlantingId,
        s.FindPlanting(o.PlantingId) is { } p ? GardenAnswers.Where(s, p) : "a planting that is gone",
        o.At,
        o.LeavesLooked,
        o.LeavesAffected,
        o.Ants,
        o.Helpers,
        o.Mummies,
        o.Signs,
        o.Named,
        o.Named is null ? null : s.Catalogue.FindTarget(o.Named)?.Name,
        o.Note);

    /// <summary>The action line for what was last named on a planting, or for something without a name.</summary>
    public static ActionLine Line(GardenSnapshot s, Planting planting, Target? target) =>
        ActionLine.For(target, s.StanceAt(s.PlaceOf(planting)), s.PlaceOf(planting).Shelter, planting.Stage);

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

        var checks = CheckCount(s, body, new Checks())
            .That(body.LeavesLooked > 0 || body.Signs.Count > 0 || body.Helpers + body.Mummies > 0 || body.Note is { Length: > 0 }, "leavesLooked", "nothing-noted", "Look at one leaf at least, or note a sign.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        // A clean look closes what was named before; anything else is named on the next screen.
        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Noted {GardenAnswers.Where(s, s.FindPlanting(body.PlantingId)!)}",
            db => db.Observations.Add(Row(gardenId, body, tools.Now, null)), stop);
        var saved = (await tools.LoadAsync(gardenId, stop))!;
        return TypedResults.Created($"/api/gardens/{gardenId}/observations/{body.Id}", Answer(saved, saved.Observations.First(o => o.Id == body.Id)));
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
