using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>Who gardens here, and what they spray with.</summary>
public static class HouseholdEndpoints
{
    private const int MostMembers = 20;

    public static void MapHousehold(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Garden");
        garden.MapPut("/members/{memberId:guid}", PutMember);
        garden.MapPut("/sprayers/{sprayerId:guid}", PutSprayer);
        garden.MapDelete("/sprayers/{sprayerId:guid}", RemoveSprayer);
    }

    /// <summary>Adds somebody, or changes their name or what they may do; records keep naming the same person.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> PutMember(
        Guid gardenId,
        Guid memberId,
        MemberChange body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var known = s.Members.FirstOrDefault(m => m.Id == memberId);
        var name = body.Name.Trim();
        var role = body.Role ?? known?.Role ?? Role.Helper;
        var checks = new Checks()
            .That(
                role != Role.Looker || s.Members.Any(m => m.Id != memberId && m.Role != Role.Looker),
                "role",
                "nobody-writes",
                Say.Of("gardens.somebodyHasToBeAble")
            )
            .That(name is { Length: > 0 and <= 80 }, "name", "member-missing", Say.Of("gardens.giveANameOfUp"))
            .That(!s.Members.Any(m => m.Id != memberId && Same(m.Name, name)), "name", "name-taken", Say.Of("gardens.somebodyHereHasThisNameAlready"))
            .That(
                known is not null || s.Members.Count < MostMembers,
                "name",
                "members-many",
                Say.Of("gardens.aHouseholdHasUpToPeople", ("mostMembers", MostMembers))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (known is null)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("gardens.gardensHereToo", ("name", name)),
                db =>
                    db.Members.Add(
                        new MemberRow
                        {
                            Id = memberId,
                            GardenId = gardenId,
                            Name = name,
                            Role = role,
                        }
                    ),
                stop
            );
        }
        else if (known.Name != name || known.Role != role)
        {
            var row = await tools.Db.Members.FirstAsync(m => m.Id == memberId, stop);
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("gardens.changedInTheHousehold", ("known", known.Name)),
                _ => (row.Name, row.Role) = (name, role),
                stop
            );
        }

        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> PutSprayer(
        Guid gardenId,
        Guid sprayerId,
        SprayerChange body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var name = body.Name.Trim();
        var checks = new Checks()
            .That(name is { Length: > 0 and <= 80 }, "name", "sprayer-name", Say.Of("gardens.giveTheSprayerAName"))
            .That(!s.Sprayers.Any(x => x.Id != sprayerId && Same(x.Name, name)), "name", "name-taken", Say.Of("gardens.anotherSprayerHasThisName"))
            .That(
                body.CapacityLitres is > 0 and <= Mix.MostLitres,
                "capacityLitres",
                "capacity-range",
                Say.Of("gardens.itHoldsSomethingAndUp", ("volume", Figure.Volume(Mix.MostLitres)))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = await tools.Db.Sprayers.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == sprayerId, stop);
        if (row is null)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("gardens.added", ("name", name)),
                db =>
                    db.Sprayers.Add(
                        new SprayerRow
                        {
                            Id = sprayerId,
                            GardenId = gardenId,
                            Name = name,
                            CapacityLitres = body.CapacityLitres,
                        }
                    ),
                stop
            );
        }
        else if (row.Name != name || row.CapacityLitres != body.CapacityLitres)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("gardens.changed", ("name", name)),
                _ => (row.Name, row.CapacityLitres) = (name, body.CapacityLitres),
                stop
            );
        }

        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> RemoveSprayer(
        Guid gardenId,
        Guid sprayerId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // A repeated send finds nothing and has nothing to do.
        if (await tools.Db.Sprayers.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == sprayerId, stop) is { } row)
        {
            await tools.Log.WriteAsync(gardenId, memberId, Say.Of("gardens.tookOff", ("name", row.Name)), db => db.Sprayers.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
