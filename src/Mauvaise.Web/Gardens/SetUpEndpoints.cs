using System.Security.Claims;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Time;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Weather;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>A garden's first day: where it lies, whose it is, its first place, and what grows there.</summary>
public static class SetUpEndpoints
{
    public static void MapSetUp(this IEndpointRouteBuilder app)
    {
        var gardens = app.MapGroup("/api/gardens").WithTags("Garden");
        gardens.MapPost("", SetUp);
        gardens.MapPost("/check", Check);
    }

    /// <summary>What stands against a garden as far as it is filled in; nothing is written.</summary>
    private static Results<NoContent, ProblemHttpResult> Check(NewGarden body, GardenCatalogue catalogue, TimeProvider clock) =>
        Checked(body, catalogue, clock.GetUtcNow()) is { Passed: false } checks ? checks.Problem() : TypedResults.NoContent();

    private static Checks Checked(NewGarden body, GardenCatalogue catalogue, DateTimeOffset now)
    {
        var checks = GardenEndpoints
            .CheckSite(new Checks(), body.Name, body.Latitude, body.Longitude, body.TimeZoneId, body.Climate, catalogue)
            .That(body.MemberName is { Length: > 0 and <= 80 }, "memberName", "member-missing", Say.Of("gardens.sayWhoYouAreSo"));
        GardenEndpoints.CheckUnits(checks, body.Units);
        GardenEndpoints.CheckPlace(checks, body.FirstPlace, "firstPlace.");
        var today = (GardenZone.Find(body.TimeZoneId) ?? GardenZone.Utc).DateOf(now);
        return body.FirstPlanting is { } planting
            ? GardenEndpoints.CheckPlanting(checks, planting, planting.PlaceId == body.FirstPlace?.Id, catalogue, today, "firstPlanting.")
            : checks;
    }

    private static async Task<Results<Created<GardenName>, ProblemHttpResult>> SetUp(
        NewGarden body,
        GardenTools tools,
        GardenCatalogue catalogue,
        WeatherClient weather,
        ClaimsPrincipal user,
        CancellationToken stop
    )
    {
        var checks = Checked(body, catalogue, tools.Now);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var created = TypedResults.Created($"/api/gardens/{body.Id}", new GardenName(body.Id, body.Name));
        if (await tools.Db.Gardens.AnyAsync(g => g.Id == body.Id, stop))
        {
            return created;
        }

        var garden = new GardenRow
        {
            Id = body.Id,
            Name = body.Name.Trim(),
            Latitude = body.Latitude,
            Longitude = body.Longitude,
            TimeZoneId = body.TimeZoneId,
            Climate = body.Climate,
            Kitchen = body.Kitchen,
            Stance = body.Stance,
            CreatedAt = tools.Now,
            Language = Say.Language.Code,
        };
        GardenEndpoints.Fill(garden, body.Units);
        tools.Db.Gardens.Add(garden);
        var owner = new MemberRow
        {
            Id = Guid.NewGuid(),
            GardenId = body.Id,
            Name = body.MemberName.Trim(),
            Role = Role.Owner,
        };
        tools.Db.Members.Add(owner);
        if (Sessions.PersonOf(user) is { } person)
        {
            tools.Db.Grants.Add(
                new GrantRow
                {
                    PersonId = person,
                    GardenId = body.Id,
                    MemberId = owner.Id,
                }
            );
        }

        tools.Db.Places.Add(GardenEndpoints.PlaceRow(body.Id, body.FirstPlace, 0));
        if (body.FirstPlanting is { } planting)
        {
            tools.Db.Plantings.Add(GardenEndpoints.PlantingRow(planting));
        }

        tools.Db.Sprayers.Add(
            new SprayerRow
            {
                Id = Guid.NewGuid(),
                GardenId = body.Id,
                Name = Say.Of("gardens.triggerBottle"),
                CapacityLitres = Capacity(body.Kitchen, 1),
            }
        );
        tools.Db.Sprayers.Add(
            new SprayerRow
            {
                Id = Guid.NewGuid(),
                GardenId = body.Id,
                Name = Say.Of("gardens.pumpSprayer"),
                CapacityLitres = Capacity(body.Kitchen, 5),
            }
        );
        await tools.Db.SaveChangesAsync(stop);
        await weather.TryRefreshAsync(body.Id, stop);
        return created;
    }

    /// <summary>A sprayer of about so many litres, as it is sold where gallons are used: a quart, a gallon.</summary>
    private static double Capacity(KitchenSystem kitchen, double litres) =>
        kitchen != KitchenSystem.Us ? litres : Units.Get(litres < 2 ? "us-qt" : "us-gal").InBase / 1000;
}
