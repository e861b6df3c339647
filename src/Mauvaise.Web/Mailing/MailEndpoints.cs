using System.Net;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using MimeKit;

namespace Mauvaise.Web.Mailing;

/// <summary>Who is told of an evening by mail, and the server that brings it.</summary>
public static class MailEndpoints
{
    private const int MostMails = 12;

    /// <summary>The one server.</summary>
    public const int ServerId = 1;

    public static void MapMails(this IEndpointRouteBuilder app)
    {
        var server = app.MapGroup("/api/mail-server").WithTags("Mail");
        server.MapGet("", Server);
        server.MapPut("", KeepServer);
        server.MapDelete("", ForgetServer);
        server.MapPost("/try", Try).RequireRateLimiting(HomeEndpoints.Guessing);
        var mails = app.MapGroup("/api/gardens/{gardenId:guid}/mails").WithTags("Mail");
        mails.MapGet("", List);
        mails.MapPut("/{mailId:guid}", Keep);
        mails.MapDelete("/{mailId:guid}", End);
    }

    private static async Task<Ok<KeptMailServer>> Server(GardenTools tools, CancellationToken stop) =>
        TypedResults.Ok(
            new KeptMailServer(
                await MailRound.ServerAsync(tools, stop) is { } row
                    ? new MailServerAnswer(row.Host, row.Port, row.Security, row.From, row.User, row.Sealed is not null)
                    : null
            )
        );

    private static async Task<Results<NoContent, ProblemHttpResult>> KeepServer(
        MailServerRequest body,
        GardenTools tools,
        Postman postman,
        CancellationToken stop
    )
    {
        var row = await tools.Db.MailServers.FirstOrDefaultAsync(stop);
        var user = string.IsNullOrWhiteSpace(body.User) ? null : body.User.Trim();
        var checks = new Checks()
            .That(Uri.CheckHostName(body.Host.Trim()) != UriHostNameType.Unknown, "host", "mail-host", Say.Of("mailing.enterTheServersNameLikeMail"))
            .That(body.Port is >= 1 and <= 65535, "port", "mail-port", Say.Of("mailing.aPortLiesBetween1"))
            .That(IsAddress(body.From), "from", "mail-address", Say.Of("mailing.enterTheAddressThatLettersCome"))
            .That(
                user is null || body.Security != MailSecurity.None || IsHere(body.Host.Trim()),
                "security",
                "mail-open",
                Say.Of("mailing.nameAndPassPhraseWouldTravel")
            )
            .That(body.PassPhrase is null or "" || user is not null, "user", "mail-user", Say.Of("mailing.aPassPhraseNeedsAName"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (row is null)
        {
            tools.Db.MailServers.Add(
                row = new MailServerRow
                {
                    Id = ServerId,
                    Host = "",
                    From = "",
                }
            );
        }

        // What was kept for one server and name is not shown to another.
        var sameOne = row.Host == body.Host.Trim() && row.User == user;
        row.Sealed =
            body.PassPhrase is { Length: > 0 } said ? postman.Seal(said)
            : body.PassPhrase is null && sameOne ? row.Sealed
            : null;
        (row.Host, row.Port, row.Security, row.From, row.User) = (body.Host.Trim(), body.Port, body.Security, body.From.Trim(), user);
        await tools.Db.SaveChangesAsync(stop);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> ForgetServer(GardenTools tools, CancellationToken stop)
    {
        await tools.Db.MailServers.ExecuteDeleteAsync(stop);
        return TypedResults.NoContent();
    }

    /// <summary>Sends a letter now, to see whether the server takes it.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> Try(MailTry body, GardenTools tools, Postman postman, CancellationToken stop)
    {
        if (!IsAddress(body.To))
        {
            return new Checks().That(false, "to", "mail-address", Say.Of("mailing.enterAnAddressLikeYouExample")).Problem();
        }

        if (await MailRound.ServerAsync(tools, stop) is not { } server)
        {
            return Problems.Refused("mail-no-server", Say.Of("mailing.noMailServerIsKeptHere"));
        }

        return
            await postman.SendAsync(server, body.To.Trim(), Say.Of("mailing.lettersFromYourGardenReachYou"), Say.Of("mailing.thisIsATryLettersCome"), stop)
                is { } fault
            ? Problems.Of(StatusCodes.Status502BadGateway, "mail-failed", fault)
            : TypedResults.NoContent();
    }

    private static async Task<Results<Ok<MailsAnswer>, ProblemHttpResult>> List(Guid gardenId, GardenTools tools, Settings settings, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var rows = await tools.Db.Mails.AsNoTracking().Where(m => m.GardenId == gardenId).OrderBy(m => m.At).ThenBy(m => m.Address).ToListAsync(stop);
        return TypedResults.Ok(
            new MailsAnswer(
                await tools.Db.MailServers.AnyAsync(stop),
                rows.ConvertAll(m => new MailAnswer(m.Id, m.Address, m.At, m.SentAt, m.Fault, m.FailedAt)),
                EveningLetter.Of(s)?.Subject,
                settings.DemoLetters?.ToString()
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Keep(
        Guid gardenId,
        Guid mailId,
        MailRequest body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (!await tools.Db.Gardens.AnyAsync(g => g.Id == gardenId, stop))
        {
            return Problems.NotFound("garden");
        }

        var address = body.Address.Trim();
        var others = await tools.Db.Mails.AsNoTracking().Where(m => m.GardenId == gardenId && m.Id != mailId).Select(m => m.Address).ToListAsync(stop);
        var row = await tools.Db.Mails.FirstOrDefaultAsync(m => m.Id == mailId, stop);
        var checks = new Checks()
            .That(mailId != Guid.Empty && (row is null || row.GardenId == gardenId), "id", "id-taken", Say.Of("home.somethingElseHasThisIdAlready"))
            .That(IsAddress(address), "address", "mail-address", Say.Of("mailing.enterAnAddressLikeYouExample"))
            .That(!others.Contains(address, StringComparer.OrdinalIgnoreCase), "address", "mail-twice", Say.Of("mailing.lettersGoToThisAddressAlready"))
            .That(others.Count < MostMails, "address", "mails-many", Say.Of("mailing.lettersGoToAddresses", ("mostMails", MostMails)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (row is null)
        {
            tools.Db.Mails.Add(
                row = new MailRow
                {
                    Id = mailId,
                    GardenId = gardenId,
                    Address = address,
                }
            );
        }

        // Another address has not been told of today; a fault is of the old one.
        if (row.Address != address)
        {
            (row.SentOn, row.SentAt, row.Told, row.Fault, row.FailedAt) = (null, null, null, null, null);
        }

        (row.Address, row.At) = (address, body.At);
        await tools.Db.SaveChangesAsync(stop);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> End(Guid gardenId, Guid mailId, GardenTools tools, CancellationToken stop)
    {
        await tools.Db.Mails.Where(m => m.Id == mailId && m.GardenId == gardenId).ExecuteDeleteAsync(stop);
        return TypedResults.NoContent();
    }

    /// <summary>One plain address, without a name before it.</summary>
    private static bool IsAddress(string text) =>
        MailboxAddress.TryParse(text.Trim(), out var address)
        && address.Address == text.Trim()
        && address.Domain.Contains('.', StringComparison.Ordinal)
        && !text.Any(char.IsControl);

    private static bool IsHere(string host) => host == "localhost" || (IPAddress.TryParse(host, out var ip) && IPAddress.IsLoopback(ip));
}
