using System.Security.Claims;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Home;

/// <summary>Coming in and going out.</summary>
public static class HomeEndpoints
{
    /// <summary>Name of the limit for what may be guessed at.</summary>
    public const string Guessing = "guessing";

    private const int ShortestPassPhrase = 12;

    public static void MapHome(this IEndpointRouteBuilder app)
    {
        var home = app.MapGroup("/api/home").WithTags("Home");
        home.MapGet("", Show);
        home.MapPost("/join", Join).RequireRateLimiting(Guessing);
        home.MapPost("/sign-in", SignIn).RequireRateLimiting(Guessing);
        home.MapPost("/sign-out", (Delegate)SignOut);
        home.MapPut("/pass-phrase", SetPassPhrase);
    }

    private static async Task<Ok<HomeAnswer>> Show(ClaimsPrincipal user, HomeSettings home, GardenDb db, MachineClock clock, CancellationToken stop)
    {
        var person = home.On && Sessions.PersonOf(user) is { } id ? await db.People.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, stop) : null;
        return TypedResults.Ok(new HomeAnswer(home.On, person is null ? null : await AnswerAsync(person, db, clock, stop)));
    }

    internal static async Task<PersonAnswer> AnswerAsync(PersonRow person, GardenDb db, MachineClock clock, CancellationToken stop) =>
        new(
            person.UserName ?? "",
            person.IsKeeper,
            person.PasswordHash is not null || await db.Passkeys.AnyAsync(k => k.UserId == person.Id, stop),
            [.. (await AccessHandler.StandingsAsync(db, person.Id, clock.Now, stop)).Select(s => new StandingAnswer(s.Key, s.Value.MemberId, s.Value.Role))]
        );

    /// <summary>Lets a phone in with a code that nobody used yet.</summary>
    private static async Task<Results<Ok<PersonAnswer>, ProblemHttpResult>> Join(
        JoinRequest body,
        HttpContext http,
        HomeSettings home,
        GardenDb db,
        UserManager<PersonRow> people,
        MachineClock clock,
        CancellationToken stop
    )
    {
        if (!home.On)
        {
            return NotAtHome();
        }

        var hash = Keys.Hash(body.Key);
        var now = clock.Now;
        // Whoever marks it first has used it: two phones at once do not both come in.
        if (
            await db
                .Invites.Where(i => i.KeyHash == hash && i.UsedAt == null && i.GoodUntil > now)
                .ExecuteUpdateAsync(i => i.SetProperty(x => x.UsedAt, now), stop) == 0
        )
        {
            return Problems.Of(StatusCodes.Status410Gone, "code-spent", Say.Of("home.thisCodeWasUsedAlready"));
        }

        var invite = await db.Invites.AsNoTracking().FirstAsync(i => i.KeyHash == hash, stop);
        var person = invite.MemberId is { } memberId
            ? await Household.PersonOfAsync(db, people, invite, memberId, stop)
            : await Household.KeeperAsync(db, people, stop);
        await Sessions.SignInAsync(http, person, body.Device);
        return TypedResults.Ok(await AnswerAsync(person, db, clock, stop));
    }

    private static async Task<Results<Ok<PersonAnswer>, ProblemHttpResult>> SignIn(
        SignInRequest body,
        HttpContext http,
        HomeSettings home,
        GardenDb db,
        UserManager<PersonRow> people,
        MachineClock clock,
        CancellationToken stop
    )
    {
        if (!home.On)
        {
            return NotAtHome();
        }

        var person = await people.FindByNameAsync(body.Name.Trim());
        if (person is not null && await people.IsLockedOutAsync(person))
        {
            return Problems.Of(StatusCodes.Status429TooManyRequests, "locked-out", Say.Of("home.tooManyTriesWaitAQuarter"));
        }

        if (person is null || !await people.CheckPasswordAsync(person, body.PassPhrase))
        {
            if (person is not null)
            {
                await people.AccessFailedAsync(person);
            }

            return Problems.Of(StatusCodes.Status401Unauthorized, "name-or-phrase", Say.Of("home.nameAndPassPhraseDoNot"));
        }

        await people.ResetAccessFailedCountAsync(person);
        await Sessions.SignInAsync(http, person, body.Device);
        return TypedResults.Ok(await AnswerAsync(person, db, clock, stop));
    }

    private static async Task<NoContent> SignOut(HttpContext http)
    {
        await http.SignOutAsync();
        return TypedResults.NoContent();
    }

    /// <summary>One's own pass phrase, to come in without a code.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> SetPassPhrase(
        PassPhraseChange body,
        ClaimsPrincipal user,
        HomeSettings home,
        UserManager<PersonRow> people
    )
    {
        if (!home.On || Sessions.PersonOf(user) is not { } id || await people.FindByIdAsync(id.ToString()) is not { } person)
        {
            return NotAtHome();
        }

        var name = person.CalledOr(body.Name);
        var checks = (await CheckNameAsync(people, person, name)).That(
            body.PassPhrase.Length >= ShortestPassPhrase,
            "passPhrase",
            "phrase-short",
            Say.Of("home.aPassPhraseHasLetters", ("shortestPassPhrase", ShortestPassPhrase))
        );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        person.UserName = name;
        person.PasswordHash = people.PasswordHasher.HashPassword(person, body.PassPhrase);
        var done = await people.UpdateAsync(person);
        return done.Succeeded ? TypedResults.NoContent() : ChangedMeanwhile();
    }

    /// <summary>The name that was wished for; none keeps the person's own.</summary>
    internal static string CalledOr(this PersonRow person, string? wished) => wished?.Trim() ?? person.UserName!;

    /// <summary>Whether a person may be called so.</summary>
    internal static async Task<Checks> CheckNameAsync(UserManager<PersonRow> people, PersonRow person, string name)
    {
        var other = await people.FindByNameAsync(name);
        return new Checks()
            .That(name is { Length: > 0 and <= 80 }, "name", "member-missing", Say.Of("gardens.giveANameOfUp"))
            .That(other is null || other.Id == person.Id, "name", "name-taken", Say.Of("gardens.somebodyHereHasThisNameAlready"));
    }

    internal static ProblemHttpResult ChangedMeanwhile() =>
        Problems.Of(StatusCodes.Status409Conflict, "changed-meanwhile", Say.Of("home.thisWasChangedElsewhereJustNow"));

    internal static ProblemHttpResult NotAtHome() => Problems.Of(StatusCodes.Status409Conflict, "not-at-home", Say.Of("home.nobodySignsInHereThisMauvaise"));
}

/// <summary>Who of the household is which person.</summary>
internal static class Household
{
    /// <summary>The person behind a member, made with the first phone.</summary>
    public static async Task<PersonRow> PersonOfAsync(GardenDb db, UserManager<PersonRow> people, InviteRow invite, Guid memberId, CancellationToken stop)
    {
        var known = await db.Grants.FirstOrDefaultAsync(g => g.MemberId == memberId, stop);
        if (known is not null)
        {
            (known.Until, known.Places) = (invite.GuestUntil, invite.GuestPlaces);
            await db.SaveChangesAsync(stop);
            return await db.People.FirstAsync(p => p.Id == known.PersonId, stop);
        }

        var member = await db.Members.AsNoTracking().FirstAsync(m => m.Id == memberId, stop);
        var person = await NewAsync(people, member.Name, keeper: false);
        db.Grants.Add(
            new GrantRow
            {
                PersonId = person.Id,
                GardenId = member.GardenId,
                MemberId = memberId,
                Until = invite.GuestUntil,
                Places = invite.GuestPlaces,
            }
        );
        await db.SaveChangesAsync(stop);
        return person;
    }

    /// <summary>Who keeps this Mauvaise: the one who does, or somebody new.</summary>
    public static async Task<PersonRow> KeeperAsync(GardenDb db, UserManager<PersonRow> people, CancellationToken stop)
    {
        var person = await db.People.FirstOrDefaultAsync(p => p.IsKeeper, stop)
            ?? await NewAsync(
                people,
                await db.Members.Where(m => m.Role == Role.Owner).OrderBy(m => m.Name).Select(m => m.Name).FirstOrDefaultAsync(stop) ?? "Keeper",
                keeper: true
            );
        await OwnAsync(db, person.Id, stop);
        return person;
    }

    /// <summary>
    /// Makes a person the owner of every garden that none who signs in owns yet: of those that stood here before, and that came in from elsewhere.
    /// </summary>
    public static async Task OwnAsync(GardenDb db, Guid personId, CancellationToken stop)
    {
        var owners = await db.Members.AsNoTracking().Where(m => m.Role == Role.Owner).OrderBy(m => m.Name).ToListAsync(stop);
        var granted = await db.Grants.AsNoTracking().ToListAsync(stop);
        foreach (
            var garden in owners
                .GroupBy(m => m.GardenId)
                .Where(g => !granted.Exists(x => x.GardenId == g.Key && (x.PersonId == personId || g.Any(m => m.Id == x.MemberId))))
        )
        {
            db.Grants.Add(
                new GrantRow
                {
                    PersonId = personId,
                    GardenId = garden.Key,
                    MemberId = garden.First().Id,
                }
            );
        }

        await db.SaveChangesAsync(stop);
    }

    private static async Task<PersonRow> NewAsync(UserManager<PersonRow> people, string name, bool keeper)
    {
        var free = name;
        for (var n = 2; await people.FindByNameAsync(free) is not null; n++)
        {
            free = $"{name} {n}";
        }

        var person = new PersonRow
        {
            Id = Guid.NewGuid(),
            UserName = free,
            IsKeeper = keeper,
        };
        var made = await people.CreateAsync(person);
        return made.Succeeded ? person : throw new InvalidOperationException(string.Join(' ', made.Errors.Select(e => e.Description)));
    }
}
