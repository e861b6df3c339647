using Mauvaise.Core.Gardens;
using Mauvaise.Store;
using Microsoft.AspNetCore.Authorization;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Home;

/// <summary>What a request asks for, the least first.</summary>
public enum Right
{
    Open,
    Look,
    Log,
    Work,
    Keep,
}

/// <summary>Whom of the garden's household the request comes from.</summary>
/// <param name="Places">Those that a guest may write to; null for all.</param>
public sealed record Standing(Guid MemberId, Role Role, IReadOnlySet<Guid>? Places);

/// <summary>The one table of who may do what. What is not named here is read by who may look, and written by keepers alone.</summary>
public static class Access
{
    private const string Garden = "/api/gardens/{gardenId}";

    private static readonly Dictionary<string, Right> Table = new(StringComparer.Ordinal)
    {
        // Before anybody is in.
        ["GET /api/home"] = Right.Open,
        ["POST /api/home/join"] = Right.Open,
        ["POST /api/home/sign-in"] = Right.Open,
        ["POST /api/home/sign-out"] = Right.Open,
        ["POST /api/home/passkeys/sign-in/ask"] = Right.Open,
        ["POST /api/home/passkeys/sign-in"] = Right.Open,
        // The station has a key of its own.
        [$"POST {Garden}/weather/readings"] = Right.Open,
        // One's own.
        ["PUT /api/home/pass-phrase"] = Right.Look,
        ["POST /api/home/passkeys/ask"] = Right.Look,
        ["POST /api/home/passkeys"] = Right.Look,
        ["DELETE /api/home/passkeys/{id}"] = Right.Look,
        // Reckoning keeps nothing.
        ["POST /api/calc/cover"] = Right.Look,
        ["POST /api/calc/window"] = Right.Look,
        ["POST /api/calc/suspects"] = Right.Look,
        ["POST /api/calc/dilution"] = Right.Look,
        ["POST /api/calc/mix"] = Right.Look,
        ["POST /api/calc/stock"] = Right.Look,
        ["POST /api/calc/recipe"] = Right.Look,
        ["POST /api/calc/ways"] = Right.Look,
        // Walking and logging.
        [$"PUT {Garden}/walks/{{walkId}}"] = Right.Log,
        [$"PUT {Garden}/walks/{{walkId}}/end"] = Right.Log,
        [$"PUT {Garden}/walks/{{walkId}}/skipped/{{placeId}}"] = Right.Log,
        [$"POST {Garden}/observations"] = Right.Log,
        [$"PUT {Garden}/observations/{{observationId}}/photos/{{photoId}}"] = Right.Log,
        [$"POST {Garden}/observations/{{observationId}}/answers"] = Right.Log,
        [$"PUT {Garden}/observations/{{observationId}}/name"] = Right.Log,
        [$"POST {Garden}/applications"] = Right.Log,
        [$"POST {Garden}/tasks/{{taskId}}/done"] = Right.Log,
        [$"POST {Garden}/check-backs/{{checkBackId}}/count"] = Right.Log,
        [$"POST {Garden}/check-backs/{{checkBackId}}/by-count"] = Right.Log,
        [$"POST {Garden}/check-backs/{{checkBackId}}/hose"] = Right.Log,
        [$"POST {Garden}/check-backs/{{checkBackId}}/patch"] = Right.Log,
        [$"POST {Garden}/undo"] = Right.Log,
        // All the work of a garden.
        [$"PUT {Garden}/settings"] = Right.Work,
        [$"POST {Garden}/places"] = Right.Work,
        [$"PUT {Garden}/places/{{placeId}}"] = Right.Work,
        [$"PUT {Garden}/places/{{placeId}}/spot"] = Right.Work,
        [$"PUT {Garden}/places/{{placeId}}/stance"] = Right.Work,
        [$"POST {Garden}/plantings"] = Right.Work,
        [$"PUT {Garden}/plantings/{{plantingId}}"] = Right.Work,
        [$"PUT {Garden}/plantings/{{plantingId}}/facts"] = Right.Work,
        [$"PUT {Garden}/plantings/{{plantingId}}/place"] = Right.Work,
        [$"DELETE {Garden}/looks/{{lookId}}"] = Right.Work,
        [$"POST {Garden}/looks/{{lookId}}/together/{{otherId}}"] = Right.Work,
        [$"POST {Garden}/picks"] = Right.Work,
        [$"DELETE {Garden}/picks/{{pickId}}"] = Right.Work,
        [$"POST {Garden}/harvests"] = Right.Work,
        [$"DELETE {Garden}/harvests/{{harvestId}}"] = Right.Work,
        [$"POST {Garden}/readings"] = Right.Work,
        [$"DELETE {Garden}/readings/{{readingId}}"] = Right.Work,
        [$"DELETE {Garden}/photos/{{photoId}}"] = Right.Work,
        [$"PUT {Garden}/sprayers/{{sprayerId}}"] = Right.Work,
        [$"DELETE {Garden}/sprayers/{{sprayerId}}"] = Right.Work,
        [$"POST {Garden}/emulsions"] = Right.Work,
        [$"POST {Garden}/batches"] = Right.Work,
        [$"POST {Garden}/batches/{{batchId}}/empty"] = Right.Work,
        [$"PUT {Garden}/shelf/{{stockId}}"] = Right.Work,
        [$"DELETE {Garden}/shelf/{{stockId}}"] = Right.Work,
        [$"POST {Garden}/shelf/preparations"] = Right.Work,
        [$"PUT {Garden}/products/{{productId}}"] = Right.Work,
        [$"PUT {Garden}/own-recipes/{{recipeId}}"] = Right.Work,
        [$"POST {Garden}/own-recipes/file"] = Right.Work,
        [$"PUT {Garden}/own-stocks/{{stockId}}"] = Right.Work,
        [$"POST {Garden}/own-stocks/{{stockId}}/retire"] = Right.Work,
        [$"POST {Garden}/shelf/{{stockId}}/strained"] = Right.Work,
        [$"PUT {Garden}/own-kinds/{{kindId}}"] = Right.Work,
        [$"PUT {Garden}/weather/hand/{{date}}"] = Right.Work,
        [$"DELETE {Garden}/weather/hand/{{date}}"] = Right.Work,
        [$"POST {Garden}/weather/ask"] = Right.Work,
        [$"POST {Garden}/weather/table/preview"] = Right.Work,
        [$"POST {Garden}/weather/table"] = Right.Work,
        [$"POST {Garden}/tasks"] = Right.Work,
        [$"POST {Garden}/tasks/many"] = Right.Work,
        [$"POST {Garden}/tasks/{{taskId}}/drop"] = Right.Work,
        [$"POST {Garden}/helpers"] = Right.Work,
        [$"POST {Garden}/prevention"] = Right.Work,
        [$"POST {Garden}/courses"] = Right.Work,
        [$"POST {Garden}/courses/{{courseId}}/stop"] = Right.Work,
        [$"POST {Garden}/plan/choices"] = Right.Work,
        [$"DELETE {Garden}/plan/choices/{{choiceId}}"] = Right.Work,
        [$"POST {Garden}/plan/seen"] = Right.Work,
        [$"POST {Garden}/plan/outings"] = Right.Work,
        [$"POST {Garden}/check-backs/{{checkBackId}}/discount"] = Right.Work,
        [$"POST {Garden}/ledger/table/preview"] = Right.Work,
        [$"POST {Garden}/ledger/table"] = Right.Work,
        [$"POST {Garden}/ledger/sprays"] = Right.Work,
        [$"PUT {Garden}/ledger/sprays/{{sprayId}}"] = Right.Work,
        [$"POST {Garden}/ledger/sprays/{{sprayId}}/strike"] = Right.Work,
        [$"POST {Garden}/trials"] = Right.Work,
        [$"POST {Garden}/trials/{{trialId}}/counts"] = Right.Work,
        [$"POST {Garden}/trials/{{trialId}}/treated"] = Right.Work,
        [$"POST {Garden}/trials/{{trialId}}/close"] = Right.Work,
        ["POST /api/demo/step"] = Right.Work,
        // Keeping it.
        ["POST /api/gardens"] = Right.Keep,
        ["POST /api/gardens/check"] = Right.Keep,
        [$"PUT {Garden}/site"] = Right.Keep,
        [$"DELETE {Garden}/places/{{placeId}}"] = Right.Keep,
        [$"DELETE {Garden}/plantings/{{plantingId}}"] = Right.Keep,
        [$"PUT {Garden}/members/{{memberId}}"] = Right.Keep,
        [$"POST {Garden}/members/{{memberId}}/invite"] = Right.Keep,
        [$"GET {Garden}/devices"] = Right.Keep,
        [$"DELETE {Garden}/devices/{{sessionId}}"] = Right.Keep,
        [$"GET {Garden}/links"] = Right.Keep,
        [$"POST {Garden}/links"] = Right.Keep,
        [$"DELETE {Garden}/links/{{linkId}}"] = Right.Keep,
        [$"GET {Garden}/mails"] = Right.Keep,
        [$"PUT {Garden}/mails/{{mailId}}"] = Right.Keep,
        [$"DELETE {Garden}/mails/{{mailId}}"] = Right.Keep,
        ["GET /api/mail-server"] = Right.Keep,
        ["PUT /api/mail-server"] = Right.Keep,
        ["DELETE /api/mail-server"] = Right.Keep,
        ["POST /api/mail-server/try"] = Right.Keep,
        [$"POST {Garden}/weather/station-key"] = Right.Keep,
        [$"GET {Garden}/archive"] = Right.Keep,
        ["POST /api/archive/preview"] = Right.Keep,
        ["POST /api/archive"] = Right.Keep,
        ["GET /api/backups"] = Right.Keep,
        ["POST /api/backups"] = Right.Keep,
        ["GET /api/backups/{name}"] = Right.Keep,
        ["POST /api/backups/{name}/restore"] = Right.Keep,
        ["GET /api/doctor"] = Right.Keep,
        ["POST /api/doctor/mend"] = Right.Keep,
        ["POST /api/demo/reset"] = Right.Keep,
    };

    /// <summary>What the table names, as "POST /api/gardens/{gardenId}/tasks".</summary>
    public static IReadOnlyCollection<string> Named => Table.Keys;

    /// <summary>What an operation asks for.</summary>
    /// <param name="path">As the OpenAPI document writes it. What lies outside the API is open: page, pictures, links with keys.</param>
    public static Right Of(string method, string path) =>
        !path.StartsWith("/api/", StringComparison.Ordinal) ? Right.Open
        : Table.TryGetValue($"{(HttpMethods.IsHead(method) ? HttpMethods.Get : method)} {path}", out var right) ? right
        : HttpMethods.IsGet(method) || HttpMethods.IsHead(method) ? Right.Look
        : Right.Keep;

    /// <summary>The most that a role may do.</summary>
    public static Right Of(Role role) =>
        role switch
        {
            Role.Owner => Right.Keep,
            Role.Helper => Right.Work,
            Role.Guest => Right.Log,
            _ => Right.Look,
        };
}

/// <summary>The one requirement: what the table says.</summary>
public sealed class TableRequirement : IAuthorizationRequirement;

/// <summary>Asks the table, for whoever the session says it is.</summary>
public sealed class AccessHandler(HomeSettings home, GardenDb db, MachineClock clock) : AuthorizationHandler<TableRequirement>
{
    protected override async Task HandleRequirementAsync(AuthorizationHandlerContext context, TableRequirement requirement)
    {
        if (context.Resource is not HttpContext http)
        {
            return;
        }

        var right = RightOf(http);
        if (!home.On || right == Right.Open)
        {
            context.Succeed(requirement);
            return;
        }

        if (Sessions.PersonOf(context.User) is { } person && await MayAsync(http, person, right))
        {
            context.Succeed(requirement);
        }
    }

    /// <summary>What the table says of the operation; where a request fits none, all that comes is a word about that.</summary>
    private static Right RightOf(HttpContext http)
    {
        if ((http.GetEndpoint() as RouteEndpoint)?.RoutePattern is not { RawText: { } raw } || raw.Contains("{*", StringComparison.Ordinal))
        {
            return http.Request.Path.StartsWithSegments("/api") ? Right.Look : Right.Open;
        }

        // The document leaves out what the route says of its parts.
        var parts = raw.Split('/', StringSplitOptions.RemoveEmptyEntries).Select(part => part.StartsWith('{') ? part.Split(':')[0].TrimEnd('}') + "}" : part);
        return Access.Of(http.Request.Method, "/" + string.Join('/', parts));
    }

    private async Task<bool> MayAsync(HttpContext http, Guid personId, Right right)
    {
        var person = await db.People.AsNoTracking().FirstOrDefaultAsync(p => p.Id == personId, http.RequestAborted);
        if (person is null)
        {
            return false;
        }

        var standings = await StandingsAsync(db, personId, clock.Now, http.RequestAborted);
        if (!http.Request.RouteValues.TryGetValue("gardenId", out var named))
        {
            return person.IsKeeper || standings.Values.Any(s => right <= Access.Of(s.Role));
        }

        if (!Guid.TryParse(named?.ToString(), out var gardenId) || !standings.TryGetValue(gardenId, out var standing))
        {
            return false;
        }

        http.Features.Set(standing);
        return right <= Access.Of(standing.Role);
    }

    /// <summary>Whom a person is, by garden; what has run out is left out.</summary>
    public static async Task<Dictionary<Guid, Standing>> StandingsAsync(GardenDb db, Guid personId, DateTimeOffset now, CancellationToken stop) => (
            await db
                .Grants.AsNoTracking()
                .Where(g => g.PersonId == personId)
                .Join(
                    db.Members,
                    g => g.MemberId,
                    m => m.Id,
                    (g, m) =>
                        new
                        {
                            g.GardenId,
                            g.MemberId,
                            g.Until,
                            g.Places,
                            m.Role,
                        }
                )
                .ToListAsync(stop)
        ).Where(g => g.Until is null || g.Until > now).ToDictionary(g => g.GardenId, g => new Standing(g.MemberId, g.Role, NamedPlaces(g.Places)));

    private static HashSet<Guid>? NamedPlaces(string? ids) => ids?.Split(',').Select(Guid.Parse).ToHashSet();
}
