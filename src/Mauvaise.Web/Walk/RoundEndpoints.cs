using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Walk;

/// <param name="Why">What makes it likelier than usual here.</param>
public sealed record WatchAnswer(
    string Target,
    string Name,
    string LookFirst,
    double Share,
    IReadOnlyList<SaidAnswer> Why,
    IReadOnlyList<LifeStage> Stages,
    CountedOn On
);

public sealed record PlantingStopAnswer(
    Guid PlantingId,
    string LikeCrop,
    string CropName,
    string Leaf,
    GrowthStage Stage,
    DateTimeOffset? LastSeen,
    string? LastNamedAs,
    int LastLooked,
    int LastAffected,
    TrendAnswer? Trend,
    double Line,
    string LineReason,
    IReadOnlyList<WatchAnswer> Watch
);

public sealed record PlaceStopAnswer(Guid PlaceId, string Place, IReadOnlyList<SaidAnswer> Why, IReadOnlyList<PlantingStopAnswer> Plantings);

/// <summary>Where counting may stop against a line, leaf by leaf, for a device without a network. Both lists begin at the first leaf.</summary>
/// <param name="BelowAtMost">Affected leaves with which the share is below the line; -1 while none is few enough.</param>
/// <param name="AboveAtLeast">Affected leaves from which it is above; -1 while none is enough.</param>
public sealed record StopLinesAnswer(double Line, IReadOnlyList<int> BelowAtMost, IReadOnlyList<int> AboveAtLeast);

/// <summary>A round that is going on.</summary>
/// <param name="ToName">Observations of this round that wait for a name.</param>
/// <param name="Twice">Beds that were counted twice on this round.</param>
public sealed record WalkAnswer(
    Guid Id,
    DateTimeOffset StartedAt,
    IReadOnlyList<Guid> SkippedPlaceIds,
    IReadOnlyList<Guid> SeenPlantingIds,
    IReadOnlyList<ObservationAnswer> ToName,
    IReadOnlyList<TwiceAnswer> Twice
);

/// <param name="Minutes">What all of it takes, as this garden has shown.</param>
/// <param name="Parts">Shorter rounds for who has less time, the shortest first.</param>
public sealed record RoundAnswer(
    WalkAnswer? Walk,
    IReadOnlyList<PlaceStopAnswer> Stops,
    IReadOnlyList<StopLinesAnswer> StopLines,
    int Minutes,
    IReadOnlyList<WalkPart> Parts
);

/// <param name="At">When it began, for what is sent later; null for now.</param>
public sealed record WalkStart(Guid? MemberId = null, DateTimeOffset? At = null);

public sealed record WalkDeed(Guid? MemberId = null);

/// <summary>The walk as a round over the places.</summary>
public static class RoundEndpoints
{
    /// <summary>Stop lines reach this far; beyond it the screen asks.</summary>
    private const int MostOfflineLeaves = 80;

    public static void MapRound(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Walk");
        garden.MapGet("/round", Round);
        garden.MapPut("/walks/{walkId:guid}", Start);
        garden.MapPut("/walks/{walkId:guid}/end", End);
        garden.MapPut("/walks/{walkId:guid}/skipped/{placeId:guid}", Skip);
    }

    private static async Task<Results<Ok<RoundAnswer>, ProblemHttpResult>> Round(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var stops = WalkRound.Plan(s);
        var lines = stops.SelectMany(x => x.Plantings).Select(p => p.Line.Share).Distinct().Order();
        return TypedResults.Ok(
            new RoundAnswer(
                s.Walks.LastOrDefault(w => w.IsOpen(s.Now)) is { } open ? Walk(s, open) : null,
                [.. stops.Select(x => new PlaceStopAnswer(x.Place.Id, x.Place.Name, SaidAnswer.Of(x.Why), [.. x.Plantings.Select(p => Stop(s, p))]))],
                [.. lines.Select(StopLines)],
                WalkRound.Minutes(s, stops.Count),
                WalkRound.Parts(s, stops)
            )
        );
    }

    private static WalkAnswer Walk(GardenSnapshot s, WalkTaken walk)
    {
        var seen = s.Observations.Where(o => o.WalkId == walk.Id).ToList();
        return new(
            walk.Id,
            walk.StartedAt,
            walk.SkippedPlaceIds,
            [.. seen.Select(o => o.PlantingId).Distinct()],
            [.. seen.Where(o => o.Named is null && (o.LeavesAffected > 0 || o.Signs.Count > 0)).Select(o => ObservationEndpoints.Answer(s, o))],
            TwiceAnswer.On(s, walk.Id)
        );
    }

    private static PlantingStopAnswer Stop(GardenSnapshot s, PlantingStop p)
    {
        var crop = s.Catalogue.Crop(p.Planting.Crop);
        return new(
            p.Planting.Id,
            crop.Like ?? crop.Id,
            crop.Name,
            crop.Leaf,
            p.Planting.Stage,
            p.LastLook?.At,
            p.LastLook is null ? null : ObservationEndpoints.Answer(s, p.LastLook).NamedAs,
            p.LastLook?.LeavesLooked ?? 0,
            p.LastLook?.LeavesAffected ?? 0,
            TrendAnswer.Of(p.Trend),
            p.Line.Share,
            p.Line.Reason.Words,
            [
                .. p.Watch.Select(w => new WatchAnswer(
                    w.Target.Id,
                    w.Target.Name,
                    w.Target.LookFirst,
                    w.Share,
                    SaidAnswer.Of(w.Why),
                    w.Target.Stages,
                    w.Target.CountOn
                )),
            ]
        );
    }

    private static StopLinesAnswer StopLines(double line)
    {
        var lines = LeafSample.StopLines(line, MostOfflineLeaves);
        return new(line, [.. lines.Select(l => l.BelowAtMost ?? -1)], [.. lines.Select(l => l.AboveAtLeast ?? -1)]);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Start(
        Guid gardenId,
        Guid walkId,
        WalkStart body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (!await tools.Db.Gardens.AnyAsync(g => g.Id == gardenId, stop))
        {
            return Problems.NotFound("garden");
        }

        if (!await tools.Db.Walks.AnyAsync(w => w.Id == walkId, stop))
        {
            var at = body.At is { } given && given < tools.Now ? given : tools.Now;
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("walk.startedAWalk"),
                db =>
                    db.Walks.Add(
                        new WalkRow
                        {
                            Id = walkId,
                            GardenId = gardenId,
                            StartedAt = at,
                            MemberId = body.MemberId,
                        }
                    ),
                stop
            );
        }

        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> End(Guid gardenId, Guid walkId, WalkDeed body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.Db.Walks.FirstOrDefaultAsync(w => w.Id == walkId && w.GardenId == gardenId, stop) is not { } walk)
        {
            return Problems.NotFound("walk");
        }

        if (walk.EndedAt is null)
        {
            await tools.Log.WriteAsync(gardenId, body.MemberId, Say.Of("walk.endedTheWalk"), _ => walk.EndedAt = tools.Now, stop);
        }

        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Skip(
        Guid gardenId,
        Guid walkId,
        Guid placeId,
        WalkDeed body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Walks.Include(w => w.Skipped).FirstOrDefaultAsync(w => w.Id == walkId && w.GardenId == gardenId, stop) is not { } walk)
        {
            return Problems.NotFound("walk");
        }

        if (await tools.Db.Places.FirstOrDefaultAsync(p => p.Id == placeId && p.GardenId == gardenId, stop) is not { } place)
        {
            return Problems.NotFound("place");
        }

        if (walk.Skipped.All(x => x.PlaceId != placeId))
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("walk.skipped", ("place", place.Name)),
                db => db.Add(new SkippedPlaceRow { WalkId = walkId, PlaceId = placeId }),
                stop
            );
        }

        return TypedResults.NoContent();
    }
}
