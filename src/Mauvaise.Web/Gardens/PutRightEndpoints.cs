using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Weather;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>Where the garden lies and what it is called.</summary>
public sealed record SiteChange(string Name, double Latitude, double Longitude, string TimeZoneId, string Climate, Guid? MemberId = null);

/// <summary>What a planting is, as it should have been written at first.</summary>
/// <param name="Variety">Null for none.</param>
/// <param name="Until">Last day; null while it grows.</param>
/// <param name="Count">Plants; null where nobody counted them.</param>
public sealed record PlantingFacts(
    Guid PlaceId,
    string Crop,
    [property: StringLength(PlantingFacts.VarietyLetters)] string? Variety,
    DateOnly From,
    DateOnly? Until,
    [property: Range(1, PlantingFacts.MostPlants)] int? Count,
    Guid? MemberId = null
)
{
    public const int VarietyLetters = 80,
        MostPlants = 10_000;
}

/// <summary>What was entered wrong is put right; what never was is taken away. Records are never lost by it.</summary>
public static class PutRightEndpoints
{
    /// <summary>Nothing was planted longer ago than this.</summary>
    private const int MostYears = 60;

    public static void MapPutRight(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Garden");
        garden.MapPut("/site", ChangeSite);
        garden.MapDelete("/places/{placeId:guid}", RemovePlace);
        garden.MapPut("/plantings/{plantingId:guid}/facts", ChangeFacts);
        garden.MapDelete("/plantings/{plantingId:guid}", RemovePlanting);
        garden.MapDelete("/looks/{lookId:guid}", StrikeLook);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ChangeSite(
        Guid gardenId,
        SiteChange body,
        GardenTools tools,
        GardenCatalogue catalogue,
        WeatherClient weather,
        CancellationToken stop
    )
    {
        if (await tools.Db.Gardens.FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        var checks = GardenEndpoints.CheckSite(new Checks(), body.Name, body.Latitude, body.Longitude, body.TimeZoneId, body.Climate, catalogue);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var moved = garden.Latitude != body.Latitude || garden.Longitude != body.Longitude;
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("gardens.putTheGardenRight", ("name", body.Name.Trim())),
            _ =>
            {
                (garden.Name, garden.Latitude, garden.Longitude, garden.TimeZoneId, garden.Climate) = (
                    body.Name.Trim(),
                    body.Latitude,
                    body.Longitude,
                    body.TimeZoneId,
                    body.Climate
                );
            },
            stop
        );
        if (moved)
        {
            await weather.TryRefreshAsync(gardenId, stop);
        }

        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> RemovePlace(
        Guid gardenId,
        Guid placeId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Places.FirstOrDefaultAsync(p => p.Id == placeId && p.GardenId == gardenId, stop) is not { } place)
        {
            return Problems.NotFound("place");
        }

        if (await tools.Db.Plantings.AnyAsync(p => p.PlaceId == placeId || p.EarlierPlaces!.Contains(placeId.ToString()), stop))
        {
            return Problems.Refused("place-planted", Say.Of("gardens.somethingGrowsOrGrew", ("place", place.Name)));
        }

        await tools.Log.WriteAsync(gardenId, memberId, Say.Of("gardens.tookAway", ("place", place.Name)), db => db.Places.Remove(place), stop);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ChangeFacts(
        Guid gardenId,
        Guid plantingId,
        PlantingFacts body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || await FindAsync(tools.Db, gardenId, plantingId, stop) is not { } row)
        {
            return Problems.NotFound("planting");
        }

        var counts = tools.Db.Observations.Where(o => o.PlantingId == plantingId).Select(o => o.At);
        var sprays = tools.Db.Applications.Where(a => a.Treated.Any(t => t.PlantingId == plantingId)).Select(a => a.At);
        DateOnly[] recorded = [.. (await counts.Concat(sprays).ToListAsync(stop)).Select(s.Garden.DateOf).Order()];
        var checks = new Checks()
            .That(s.Places.Any(p => p.Id == body.PlaceId), "placeId", "place-unknown", Say.Of("gardens.chooseOneOfTheGardensPlaces"))
            .That(s.Catalogue.FindCrop(body.Crop) is not null, "crop", "crop-unknown", Say.Of("gardens.chooseACropFromTheList"))
            .That(
                body.From <= s.Today.AddDays(1) && body.From > s.Today.AddYears(-MostYears),
                "from",
                "date-ahead",
                Say.Of("gardens.aPlantingStartsTodayOrEarlier")
            )
            .That(
                recorded.Length == 0 || body.From <= recorded[0],
                "from",
                "date-after-records",
                recorded.Length == 0 ? "" : Say.Of("gardens.somethingWasWrittenAbout", ("recorded", Say.In(recorded[0], "d MMMM yyyy")))
            )
            .That(body.Until is null || body.Until >= body.From, "until", "date-order", Say.Of("gardens.itEndsAfterItBegan"))
            .That(body.Until is null || body.Until <= s.Today, "until", "date-ahead", Say.Of("gardens.theLastDayIsToday"))
            .That(
                body.Until is null || recorded.Length == 0 || body.Until >= recorded[^1],
                "until",
                "date-before-records",
                recorded.Length == 0 ? "" : Say.Of("gardens.somethingWasWrittenAbout2", ("recorded", Say.In(recorded[^1], "d MMMM yyyy")))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("gardens.putRight", ("crop", s.Catalogue.Crop(body.Crop).Name.InSentence()), ("places", s.Places.First(p => p.Id == body.PlaceId).Name)),
            _ =>
            {
                (row.PlaceId, row.Crop, row.From, row.Until, row.Count) = (body.PlaceId, body.Crop, body.From, body.Until, body.Count);
                row.Variety = string.IsNullOrWhiteSpace(body.Variety) ? null : body.Variety.Trim();
            },
            stop
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> RemovePlanting(
        Guid gardenId,
        Guid plantingId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        var db = tools.Db;
        if (await tools.LoadAsync(gardenId, stop) is not { } s || await FindAsync(db, gardenId, plantingId, stop) is not { } row)
        {
            return Problems.NotFound("planting");
        }

        var name = s.Catalogue.FindCrop(row.Crop)?.Name ?? row.Crop;
        var recorded =
            await db.Observations.AnyAsync(o => o.PlantingId == plantingId, stop)
            || await db.Applications.AnyAsync(a => a.Treated.Any(t => t.PlantingId == plantingId), stop)
            || await db.Batches.AnyAsync(b => b.Plantings.Any(p => p.PlantingId == plantingId), stop)
            || await db.Tasks.AnyAsync(t => t.PlantingId == plantingId, stop)
            || await db.Courses.AnyAsync(c => c.PlantingId == plantingId, stop)
            || await db.Harvests.AnyAsync(h => h.PlantingId == plantingId, stop)
            || await db.Trials.AnyAsync(t => t.Units.Any(u => u.PlantingId == plantingId), stop);
        if (recorded)
        {
            return Problems.Refused("planting-recorded", Say.Of("gardens.thereAreRecordsOfThisClear", ("name", name.InSentence())));
        }

        var picks = await db.Picks.Where(p => p.PlantingId == plantingId).ToListAsync(stop);
        var choices = await db.PlanChoices.Where(c => c.PlantingId == plantingId).ToListAsync(stop);
        await tools.Log.WriteAsync(
            gardenId,
            memberId,
            Say.Of("gardens.tookAway2", ("name", name.InSentence())),
            written =>
            {
                written.Picks.RemoveRange(picks);
                written.PlanChoices.RemoveRange(choices);
                written.Plantings.Remove(row);
            },
            stop
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> StrikeLook(
        Guid gardenId,
        Guid lookId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        var db = tools.Db;
        var look = await db.Observations.Include(o => o.Signs).Where(o => o.GardenId == gardenId && o.LookId == lookId).ToListAsync(stop);
        if (await tools.LoadAsync(gardenId, stop) is not { } s || look.Count == 0)
        {
            return Problems.NotFound("count");
        }

        var ids = look.ConvertAll(o => o.Id);
        if (
            await db.CheckBacks.AnyAsync(
                c => (c.ObservationId != null && ids.Contains(c.ObservationId.Value)) || (c.BeforeId != null && ids.Contains(c.BeforeId.Value)),
                stop
            )
        )
        {
            return Problems.Refused("count-judges", Say.Of("gardens.aCheckBackWasJudged"));
        }

        if (await db.Photos.AnyAsync(p => ids.Contains(p.ObservationId), stop))
        {
            return Problems.Refused("count-pictured", Say.Of("gardens.thereArePicturesOfItTake"));
        }

        var where = s.FindPlanting(look[0].PlantingId) is { } planting ? s.Where(planting) : Say.Of("gardens.aPlantingThatIsGone");
        await tools.Log.WriteAsync(
            gardenId,
            memberId,
            Say.Of("gardens.struckTheCount", ("date", Say.In(s.Garden.DateOf(look[0].At), "d MMMM")), ("where", where)),
            written => written.Observations.RemoveRange(look),
            stop
        );
        return TypedResults.NoContent();
    }

    private static Task<Store.Rows.PlantingRow?> FindAsync(GardenDb db, Guid gardenId, Guid plantingId, CancellationToken stop) =>
        db.Plantings.FirstOrDefaultAsync(p => p.Id == plantingId && db.Places.Any(x => x.Id == p.PlaceId && x.GardenId == gardenId), stop);
}
