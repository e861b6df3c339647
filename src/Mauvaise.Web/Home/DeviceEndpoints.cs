using System.Security.Claims;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using QRCoder;

namespace Mauvaise.Web.Home;

/// <summary>Phones of the household: let in by a code, listed, signed out.</summary>
public static class DeviceEndpoints
{
    private const int InviteMinutes = 10;

    private const int MostGuestPlaces = 60;

    public static void MapDevices(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Home");
        garden.MapPost("/members/{memberId:guid}/invite", Invite);
        garden.MapGet("/devices", List);
        garden.MapDelete("/devices/{sessionId:guid}", End);
    }

    /// <summary>A code for one phone of somebody of the household. An earlier one that nobody used opens nothing any more.</summary>
    private static async Task<Results<Ok<InviteAnswer>, ProblemHttpResult>> Invite(
        Guid gardenId,
        Guid memberId,
        InviteRequest body,
        GardenTools tools,
        HomeSettings home,
        HomeNames names,
        Authority authority,
        MachineClock clock,
        CancellationToken stop
    )
    {
        if (!home.On)
        {
            return HomeEndpoints.NotAtHome();
        }

        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Members.FirstOrDefault(m => m.Id == memberId) is not { } member)
        {
            return Problems.NotFound("person");
        }

        var guest = member.Role == Role.Guest;
        var checks = new Checks()
            .That(guest || body is { GuestDays: null, GuestPlaces: null }, "guestDays", "only-guests", Say.Of("home.onlyGuestsComeForAWhile"))
            .That(
                body.GuestPlaces is null or { Count: > 0 and <= MostGuestPlaces },
                "guestPlaces",
                "places-count",
                Say.Of("home.name1ToPlacesOrNone", ("mostGuestPlaces", MostGuestPlaces))
            )
            .That(
                body.GuestPlaces?.All(id => s.Places.Any(p => p.Id == id)) != false,
                "guestPlaces",
                "place-unknown",
                Say.Of("home.chooseAmongTheGardensPlaces")
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var key = Keys.New();
        var invite = new InviteRow
        {
            Id = Guid.NewGuid(),
            KeyHash = Keys.Hash(key),
            GardenId = gardenId,
            MemberId = memberId,
            GoodUntil = clock.Now.AddMinutes(InviteMinutes),
            GuestUntil = body.GuestDays is { } days ? clock.Now.AddDays(days) : null,
            GuestPlaces = body.GuestPlaces is { } places ? string.Join(',', places) : null,
        };
        await tools.Db.Invites.Where(i => i.MemberId == memberId && i.UsedAt == null).ExecuteDeleteAsync(stop);
        tools.Db.Invites.Add(invite);
        await tools.Db.SaveChangesAsync(stop);
        var address = JoinAddress(names, key);
        return TypedResults.Ok(
            new InviteAnswer(
                member.Name,
                member.Role,
                address,
                Svg(address),
                invite.GoodUntil,
                names.TrustAddress,
                home is { EndsHttps: true, Certificate: null } ? authority.Fingerprint : null
            )
        );
    }

    /// <summary>The key stands behind the hash, which no browser sends and no log keeps.</summary>
    internal static string JoinAddress(HomeNames names, string key) => $"{names.Address}/join#{key}";

    private static string Svg(string address)
    {
        using var code = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        return new SvgQRCode(code).GetGraphic(8, "#000000", "#ffffff", drawQuietZones: true, SvgQRCode.SizingMode.ViewBoxAttribute);
    }

    private static async Task<Ok<List<DeviceAnswer>>> List(Guid gardenId, ClaimsPrincipal user, GardenTools tools, MachineClock clock, CancellationToken stop)
    {
        var (here, now) = (Sessions.IdOf(user), clock.Now);
        var rows = await tools
            .Db.Sessions.AsNoTracking()
            .Where(s => tools.Db.Grants.Any(g => g.PersonId == s.PersonId && g.GardenId == gardenId) && s.ExpiresAt > now)
            .Join(
                tools.Db.People,
                s => s.PersonId,
                p => p.Id,
                (s, p) =>
                    new
                    {
                        s.Id,
                        p.UserName,
                        s.Device,
                        s.StartedAt,
                        s.LastSeenAt,
                    }
            )
            .OrderByDescending(s => s.LastSeenAt)
            .ToListAsync(stop);
        return TypedResults.Ok(rows.ConvertAll(r => new DeviceAnswer(r.Id, r.UserName ?? "", r.Device, r.StartedAt, r.LastSeenAt, r.Id == here)));
    }

    /// <summary>Signs a device out. A repeated send finds nothing and has nothing to do.</summary>
    private static async Task<NoContent> End(Guid gardenId, Guid sessionId, GardenTools tools, CancellationToken stop)
    {
        await tools
            .Db.Sessions.Where(s => s.Id == sessionId && tools.Db.Grants.Any(g => g.PersonId == s.PersonId && g.GardenId == gardenId))
            .ExecuteDeleteAsync(stop);
        return TypedResults.NoContent();
    }
}
