using System.Security.Claims;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Weather;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>The garden itself: set-up, places, plantings and how it is run.</summary>
public static class GardenEndpoints
{
    private const int MostLengthM = 200;
    private const int MostWidthM = 50;
    private const int MostAreaM2 = MostLengthM * MostWidthM;

    public static void MapGardens(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api").WithTags("Garden");
        api.MapGet("/state", State);
        var garden = api.MapGroup("/gardens/{gardenId:guid}");
        garden.MapGet("", Show);
        garden.MapPut("/settings", ChangeSettings);
        garden.MapPost("/places", AddPlace);
        garden.MapPut("/places/{placeId:guid}", ChangePlace);
        garden.MapPost("/plantings", AddPlanting);
        garden.MapPut("/plantings/{plantingId:guid}", ChangePlanting);
    }

    /// <summary>Where people sign in, each sees the gardens that they are of.</summary>
    private static async Task<Ok<StateAnswer>> State(
        GardenDb db,
        Settings settings,
        HomeSettings home,
        ClaimsPrincipal user,
        TimeProvider clock,
        MachineClock machine,
        CancellationToken stop
    )
    {
        var gardens = await db.Gardens.AsNoTracking().OrderBy(g => g.CreatedAt).Select(g => new GardenName(g.Id, g.Name)).ToListAsync(stop);
        if (home.On && Sessions.PersonOf(user) is { } person)
        {
            var own = await AccessHandler.StandingsAsync(db, person, machine.Now, stop);
            gardens.RemoveAll(g => !own.ContainsKey(g.Id));
        }

        return TypedResults.Ok(new StateAnswer(gardens, settings.Demo, clock.GetUtcNow()));
    }

    private static async Task<Results<Ok<GardenAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s
            ? TypedResults.Ok(GardenAnswers.Of(s, await tools.Log.LastAsync(gardenId, stop)))
            : Problems.NotFound("garden");

    private static async Task<Results<NoContent, ProblemHttpResult>> ChangeSettings(
        Guid gardenId,
        GardenSettings body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Gardens.FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        var wrong = -1;
        var free = body.FreeHours is null ? null : FreeHours.Read(body.FreeHours, out wrong);
        var checks = new Checks()
            .That(wrong < 0, $"freeHours[{wrong}]", "free-hours", Say.Of("gardens.writeHoursAs6818"))
            .That(body.Language is null || MessageBook.All.ContainsKey(body.Language), "language", "language-unknown", Say.Of("gardens.chooseALanguage"));
        CheckUnits(checks, body.Units);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("gardens.changedHowTheGardenIsRun"),
            _ =>
            {
                garden.FreeHours = free is null ? garden.FreeHours : string.Join(',', free.Days);
                garden.Stance = body.Stance;
                garden.Kitchen = body.Kitchen;
                garden.Language = body.Language ?? garden.Language;
                garden.OnlyLabelled = body.OnlyLabelled ?? garden.OnlyLabelled;
                garden.Water = body.Water ?? garden.Water;
                garden.DiseaseApproach = body.DiseaseApproach ?? garden.DiseaseApproach;
                Fill(garden, body.Units);
            },
            stop
        );
        return TypedResults.NoContent();
    }

    internal static void CheckUnits(Checks checks, HouseholdUnits? units) =>
        checks
            .That(units is null || HouseholdUnits.IsCurrency(units.Currency), "units.currency", "currency", Say.Of("gardens.currencyIsThreeLetters"))
            .That(units is null || HouseholdUnits.IsDropper(units.DropsInSpoon), "units.dropsInSpoon", "drops-range", HouseholdUnits.DropperRange());

    /// <summary>Null leaves them as they are.</summary>
    internal static void Fill(GardenRow garden, HouseholdUnits? units)
    {
        if (units is not null)
        {
            (garden.TemperatureUnit, garden.LengthUnit, garden.RainUnit) = (units.Temperature, units.Length, units.Rain);
            (garden.WindUnit, garden.Hours, garden.WeekStart) = (units.Wind, units.Hours, units.WeekStart);
            (garden.Days, garden.Currency, garden.DropsInSpoon) = (units.Days, units.Currency, units.DropsInSpoon);
        }
    }

    private static async Task<Results<Created, ProblemHttpResult>> AddPlace(Guid gardenId, NewPlace body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = CheckName(CheckPlace(new Checks(), body, ""), s, body.Id, body.Name);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (s.Places.All(p => p.Id != body.Id))
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("gardens.added", ("name", body.Name)),
                db => db.Places.Add(PlaceRow(gardenId, body, s.Places.Count)),
                stop
            );
        }

        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ChangePlace(
        Guid gardenId,
        Guid placeId,
        PlaceChange body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.FirstOrDefault(p => p.Id == placeId) is not { } place)
        {
            return Problems.NotFound("place");
        }

        var checks = CheckName(CheckGround(new Checks(), body.Name, body.SunHours, body.PondDistanceM, body.SunFrom, body.SunTo, ""), s, placeId, body.Name)
            .That(Place.IsReservoir(body.ReservoirLitres), "reservoirLitres", "reservoir-range", Place.ReservoirRange())
            .That(Place.AreLamps(body.LampsFrom, body.LampsTo), "lampsTo", "lamps-both", Say.Of("gardens.lampsHaveBothTimes"))
            .That(body.AreaM2 is > 0 and <= MostAreaM2, "areaM2", "area-range", Say.Of("gardens.theAreaIsOver0", ("area", Figure.Area(MostAreaM2))));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = await tools.Db.Places.FirstAsync(p => p.Id == placeId, stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("gardens.changed", ("name", place.Name)),
            _ =>
            {
                row.Name = body.Name.Trim();
                row.Kind = body.Kind;
                row.AreaM2 = body.AreaM2;
                row.SunHours = body.SunHours;
                row.Watering = body.Watering;
                row.PondDistanceM = body.PondDistanceM;
                row.ReservoirLitres = body.ReservoirLitres;
                (row.LampsFrom, row.LampsTo) = (body.LampsFrom, body.LampsTo);
                row.SunFrom = body.SunFrom;
                row.SunTo = body.SunTo;
            },
            stop
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<Created, ProblemHttpResult>> AddPlanting(Guid gardenId, NewPlanting body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = CheckPlanting(new Checks(), body, s.Places.Any(p => p.Id == body.PlaceId), s.Catalogue, s.Today, "");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (s.FindPlanting(body.Id) is null)
        {
            var words = Say.Of(
                "gardens.plantedIn",
                ("crop", s.Catalogue.Crop(body.Crop).Name.InSentence()),
                ("places", s.Places.First(p => p.Id == body.PlaceId).Name)
            );
            await tools.Log.WriteAsync(gardenId, body.MemberId, words, db => db.Plantings.Add(PlantingRow(body)), stop);
        }

        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ChangePlanting(
        Guid gardenId,
        Guid plantingId,
        PlantingChange body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.FindPlanting(plantingId) is not { } planting)
        {
            return Problems.NotFound("planting");
        }

        var words = body.Ended ? Say.Of("gardens.cleared", ("where", s.Where(planting))) : Say.Of("gardens.changed", ("name", s.Where(planting)));
        var row = await tools.Db.Plantings.FirstAsync(p => p.Id == plantingId, stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            words,
            _ =>
            {
                row.Stage = body.Stage;
                row.InFlower = body.InFlower;
                row.Until = body.Ended ? s.Today.AddDays(-1) : null;
            },
            stop
        );
        return TypedResults.NoContent();
    }

    internal static Checks CheckSite(
        Checks checks,
        string? name,
        double latitude,
        double longitude,
        string? zone,
        string? climate,
        GardenCatalogue catalogue
    ) =>
        checks
            .That(name?.Trim() is { Length: > 0 and <= 80 }, "name", "name-missing", Say.Of("gardens.giveTheGardenAName"))
            .That(latitude is >= -90 and <= 90, "latitude", "latitude-range", Say.Of("gardens.latitudeLiesBetween90And90"))
            .That(longitude is >= -180 and <= 180, "longitude", "longitude-range", Say.Of("gardens.longitudeLiesBetween180And180"))
            .That(GardenZone.Find(zone) is not null, "timeZoneId", "time-zone-unknown", Say.Of("gardens.chooseATimeZoneFrom"))
            .That(climate is not null && catalogue.FindClimate(climate) is not null, "climate", "climate-unknown", Say.Of("gardens.chooseTheClimateType"));

    internal static Checks CheckPlace(Checks checks, NewPlace? place, string path) =>
        CheckGround(checks, place?.Name, place?.SunHours, place?.PondDistanceM, place?.SunFrom, place?.SunTo, path)
            .That(Place.IsReservoir(place?.ReservoirLitres), $"{path}reservoirLitres", "reservoir-range", Place.ReservoirRange())
            .That(Place.AreLamps(place?.LampsFrom, place?.LampsTo), $"{path}lampsTo", "lamps-both", Say.Of("gardens.lampsHaveBothTimes"))
            .That(
                place?.LengthM is > 0 and <= MostLengthM,
                $"{path}lengthM",
                "length-range",
                Say.Of("gardens.lengthIsOver0AndUp", ("figure", Figure.Length(MostLengthM)))
            )
            .That(
                place?.WidthM is > 0 and <= MostWidthM,
                $"{path}widthM",
                "width-range",
                Say.Of("gardens.widthIsOver0AndUp", ("figure", Figure.Length(MostWidthM)))
            );

    private static Checks CheckGround(Checks checks, string? name, double? sunHours, double? pondDistanceM, TimeOnly? sunFrom, TimeOnly? sunTo, string path) =>
        checks
            .That(name?.Trim() is { Length: > 0 and <= 80 }, $"{path}name", "place-name-missing", Say.Of("gardens.giveThePlaceAName"))
            .That(sunHours is >= 0 and <= 24, $"{path}sunHours", "sun-range", Say.Of("gardens.hoursOfSunLieBetween0"))
            .That(
                pondDistanceM is null or (>= 0 and <= 1000),
                $"{path}pondDistanceM",
                "pond-range",
                Say.Of("gardens.thePondLiesUpToAway", ("figure", Figure.Length(1000)))
            )
            .That(sunFrom is null || sunTo is null || sunFrom < sunTo, $"{path}sunTo", "sun-order", Say.Of("gardens.theSunLeavesAfterItHas"));

    private static Checks CheckName(Checks checks, GardenSnapshot s, Guid placeId, string? name) =>
        checks.That(
            !s.Places.Any(p => p.Id != placeId && string.Equals(p.Name, name?.Trim(), StringComparison.OrdinalIgnoreCase)),
            "name",
            "name-taken",
            Say.Of("gardens.anotherPlaceHasThisName")
        );

    internal static Checks CheckPlanting(Checks checks, NewPlanting p, bool placeKnown, GardenCatalogue catalogue, DateOnly today, string path) =>
        checks
            .That(placeKnown, $"{path}placeId", "place-unknown", Say.Of("gardens.chooseOneOfTheGardensPlaces"))
            .That(catalogue.FindCrop(p.Crop) is not null, $"{path}crop", "crop-unknown", Say.Of("gardens.chooseACropFromTheList"))
            .That(p.From <= today.AddDays(1), $"{path}from", "date-ahead", Say.Of("gardens.aPlantingStartsTodayOrEarlier"))
            .That(
                p.Variety is null or { Length: <= PlantingFacts.VarietyLetters },
                $"{path}variety",
                "variety-long",
                Say.Of("gardens.aVarietyHasUpToLetters", ("varietyLetters", PlantingFacts.VarietyLetters))
            );

    internal static PlantingRow PlantingRow(NewPlanting p) =>
        new()
        {
            Id = p.Id,
            PlaceId = p.PlaceId,
            Crop = p.Crop,
            Variety = string.IsNullOrWhiteSpace(p.Variety) ? null : p.Variety.Trim(),
            From = p.From,
            Count = p.Count,
            Stage = p.Stage,
            InFlower = p.InFlower,
        };

    internal static PlaceRow PlaceRow(Guid gardenId, NewPlace p, int order) =>
        new()
        {
            Id = p.Id,
            GardenId = gardenId,
            Name = p.Name.Trim(),
            Kind = p.Kind,
            AreaM2 = p.LengthM * p.WidthM,
            SunHours = p.SunHours,
            Watering = p.Watering,
            PondDistanceM = p.PondDistanceM,
            ReservoirLitres = p.ReservoirLitres,
            LampsFrom = p.LampsFrom,
            LampsTo = p.LampsTo,
            SunFrom = p.SunFrom,
            SunTo = p.SunTo,
            Order = order,
        };
}
