using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>Days on which the household means to pick: no spray goes inside a material's wait before them.</summary>
public static class PickEndpoints
{
    private const int FurthestDays = 200;

    public static void MapPicks(this IEndpointRouteBuilder app)
    {
        var picks = app.MapGroup("/api/gardens/{gardenId:guid}/picks").WithTags("Garden");
        picks.MapPost("", Add);
        picks.MapDelete("/{pickId:guid}", Remove);
    }

    private static async Task<Results<Created, ProblemHttpResult>> Add(Guid gardenId, NewPick body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var planting = s.FindPlanting(body.PlantingId);
        var checks = new Checks()
            .That(planting is not null, "plantingId", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(body.On >= s.Today && body.On <= s.Today.AddDays(FurthestDays), "on", "pick-date", Say.Of("gardens.chooseTodayOrADay"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (s.Picks.All(p => p.Id != body.Id && (p.PlantingId != body.PlantingId || p.On != body.On)))
        {
            var words = Say.Of("gardens.pickingOn", ("where", s.Where(planting!)), ("on", Say.In(body.On, "d MMMM")));
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                words,
                db =>
                    db.Picks.Add(
                        new PickRow
                        {
                            Id = body.Id,
                            GardenId = gardenId,
                            PlantingId = body.PlantingId,
                            On = body.On,
                        }
                    ),
                stop
            );
        }

        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Remove(
        Guid gardenId,
        Guid pickId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // A repeated send finds nothing and has nothing to do.
        if (await tools.Db.Picks.FirstOrDefaultAsync(p => p.GardenId == gardenId && p.Id == pickId, stop) is { } row)
        {
            await tools.Log.WriteAsync(gardenId, memberId, Say.Of("gardens.tookAPlannedPickingOff"), db => db.Picks.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }
}
