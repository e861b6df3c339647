using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>Where things lie and stand: a place on the plan of the beds, a planting that is carried to another place.</summary>
public static class MoveEndpoints
{
    public static void MapMoves(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Garden");
        garden.MapPut("/places/{placeId:guid}/spot", MovePlace);
        garden.MapPut("/plantings/{plantingId:guid}/place", CarryPlanting);
    }

    /// <summary>Puts a place on the plan of the beds, or somewhere else on it.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> MovePlace(
        Guid gardenId,
        Guid placeId,
        SpotChange body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.FirstOrDefault(p => p.Id == placeId) is not { } place)
        {
            return Problems.NotFound("place");
        }

        var checks = new Checks().That(
            body is { AcrossM: >= 0 and <= Spot.Most, DownM: >= 0 and <= Spot.Most },
            "acrossM",
            "spot-range",
            Say.Of("gardens.theSpotLies", ("figure", Figure.Length(Spot.Most)))
        );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = await tools.Db.Places.FirstAsync(p => p.Id == placeId, stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("gardens.movedOnThePlan", ("place", place.Name)),
            _ => (row.SpotAcrossM, row.SpotDownM) = (body.AcrossM, body.DownM),
            stop
        );
        return TypedResults.NoContent();
    }

    /// <summary>Carries a planting elsewhere with its records, or keeps it apart where it stands.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> CarryPlanting(
        Guid gardenId,
        Guid plantingId,
        PlantingMove body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.FindPlanting(plantingId) is not { } planting || !planting.GrowsOn(s.Today))
        {
            return Problems.NotFound("planting");
        }

        var on = body.On ?? s.Today;
        var (from, to) = (s.PlaceOf(planting), s.Places.FirstOrDefault(p => p.Id == body.PlaceId));
        var last = planting.Earlier.Count > 0 ? planting.Earlier[^1].Until : planting.From;
        var crop = s.Catalogue.Crop(planting.Crop).Name.InSentence();
        var alike = to is null ? null : s.GrowingAt(to).FirstOrDefault(p => p.Id != planting.Id && p.Crop == planting.Crop);
        var checks = new Checks()
            .That(to is not null, "placeId", "place-unknown", Say.Of("gardens.chooseOneOfTheGardensPlaces"))
            .That(on <= s.Today && on >= last, "on", "date-order", Say.Of("gardens.itIsCarriedBetween", ("date", Say.In(last, "d MMMM yyyy"))))
            .That(
                body.ApartUntil is null || (body.ApartUntil >= s.Today && body.ApartUntil <= s.Today.AddDays(PlantingMove.MostDaysApart)),
                "apartUntil",
                "date-ahead",
                Say.Of("gardens.keptApartUntilALaterDay")
            )
            .That(
                alike is null || (!alike.IsApart(s.Today) && body.ApartUntil is null),
                alike?.IsApart(s.Today) == true ? "placeId" : "apartUntil",
                "kept-apart",
                Say.Of("gardens.oneIsKeptApart", ("crop", crop), ("place", to?.Name ?? ""))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var words =
            to != from ? Say.Of("gardens.carried", ("crop", crop), ("from", from.Name), ("to", to!.Name))
            : body.ApartUntil is { } until ? Say.Of("gardens.keptApart", ("name", s.Where(planting)), ("date", Say.In(until, "d MMMM")))
            : Say.Of("gardens.amongOthersAgain", ("name", s.Where(planting)));
        var row = await tools.Db.Plantings.FirstAsync(p => p.Id == plantingId, stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            words,
            _ =>
            {
                row.ApartUntil = body.ApartUntil;
                if (to != from)
                {
                    (row.PlaceId, row.EarlierPlaces) = (to!.Id, Stays.Kept([.. planting.Earlier, new Stay(from.Id, on)]));
                }
            },
            stop
        );
        return TypedResults.NoContent();
    }
}
