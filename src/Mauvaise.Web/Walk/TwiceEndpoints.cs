using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Deeds;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Walk;

/// <summary>The same bed, counted twice on one round.</summary>
public sealed record TwiceAnswer(ObservationAnswer First, ObservationAnswer Second)
{
    public static IReadOnlyList<TwiceAnswer> On(GardenSnapshot s, Guid walkId) =>
        [.. CountedTwice.On(s, walkId).Select(t => new TwiceAnswer(ObservationEndpoints.Answer(s, t.First), ObservationEndpoints.Answer(s, t.Second)))];
}

/// <summary>Two looks become one.</summary>
public static class TwiceEndpoints
{
    public static void MapTwice(this IEndpointRouteBuilder app) =>
        app.MapPost("/api/gardens/{gardenId:guid}/looks/{lookId:guid}/together/{otherId:guid}", Together).WithTags("Walk");

    private static async Task<Results<NoContent, ProblemHttpResult>> Together(
        Guid gardenId,
        Guid lookId,
        Guid otherId,
        WalkDeed body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { } s
            || s.Observations.FirstOrDefault(o => o.Id == lookId) is not { WalkId: { } walkId } first
            || s.FindPlanting(first.PlantingId) is not { } planting
        )
        {
            return Problems.NotFound("count");
        }

        if (CountedTwice.On(s, walkId).FirstOrDefault(t => t.First.Id == lookId && t.Second.Id == otherId) is not { } two)
        {
            return Problems.Refused("not-twice", Say.Of("walk.theseTwoAreNotOne"));
        }

        var db = tools.Db;
        // What a verdict was given on stays as it was; a visit that is to come compares with both.
        if (
            await db.CheckBacks.AnyAsync(
                c => c.ObservationId == otherId || c.BeforeId == otherId || c.ObservationId == lookId || (c.BeforeId == lookId && c.DoneAt != null),
                stop
            )
        )
        {
            return Problems.Refused("count-judges", Say.Of("gardens.aCheckBackWasJudged"));
        }

        var rows = await db.Observations.Include(o => o.Signs).Where(o => o.Id == lookId || o.Id == otherId).ToDictionaryAsync(o => o.Id, stop);
        var photos = await db.Photos.Where(p => p.ObservationId == otherId).ToListAsync(stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("walk.oneLookOfBoth", ("where", s.Where(planting))),
            written =>
            {
                Writing.Fill(rows[lookId], two.Together());
                photos.ForEach(p => p.ObservationId = lookId);
                written.Observations.Remove(rows[otherId]);
            },
            stop
        );
        return TypedResults.NoContent();
    }
}
