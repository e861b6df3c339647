using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;

namespace Mauvaise.Web.Home;

/// <summary>What the browser is to ask the device for.</summary>
/// <param name="Options">As WebAuthn has them in JSON.</param>
/// <param name="Try">Names this try; good once, for some minutes.</param>
public sealed record PasskeyAsk(string Options, string Try);

/// <param name="Name">What the person is to be called; null to keep it.</param>
public sealed record PasskeyWish([property: StringLength(80)] string? Name = null);

/// <summary>A passkey that a device made.</summary>
/// <param name="Credential">As WebAuthn gives it in JSON.</param>
/// <param name="Device">As it is listed.</param>
/// <param name="Name">What the person is to be called; null to keep it.</param>
public sealed record NewPasskey(
    [property: StringLength(100)] string Try,
    [property: StringLength(PasskeyEndpoints.LongestCredential)] string Credential,
    [property: StringLength(80)] string? Device = null,
    [property: StringLength(80)] string? Name = null
);

public sealed record PasskeySignIn(
    [property: StringLength(100)] string Try,
    [property: StringLength(PasskeyEndpoints.LongestCredential)] string Credential,
    [property: StringLength(80)] string? Device = null
);

/// <param name="Id">Of the credential, in letters that an address may hold.</param>
public sealed record PasskeyAnswer(string Id, string Device, DateTimeOffset MadeAt);

/// <summary>Coming in with a passkey: a key that stays on the device, which knows its owner by finger, face or code.</summary>
public static class PasskeyEndpoints
{
    /// <summary>Letters of a credential in JSON; devices of today send some two thousand.</summary>
    public const int LongestCredential = 20_000;

    private const int MostPasskeys = 10;

    public static void MapPasskeys(this IEndpointRouteBuilder app)
    {
        var keys = app.MapGroup("/api/home/passkeys").WithTags("Home");
        keys.MapGet("", List);
        keys.MapPost("/ask", Ask);
        keys.MapPost("", Add);
        keys.MapDelete("/{id}", Remove);
        keys.MapPost("/sign-in/ask", AskToSignIn).RequireRateLimiting(HomeEndpoints.Guessing);
        keys.MapPost("/sign-in", SignIn).RequireRateLimiting(HomeEndpoints.Guessing);
    }

    private static async Task<Results<Ok<IReadOnlyList<PasskeyAnswer>>, ProblemHttpResult>> List(
        ClaimsPrincipal user,
        HomeSettings home,
        UserManager<PersonRow> people
    ) =>
        await PersonAsync(user, home, people) is { } person
            ? TypedResults.Ok<IReadOnlyList<PasskeyAnswer>>([
                .. (await people.GetPasskeysAsync(person))
                    .OrderBy(k => k.CreatedAt)
                    .Select(k => new PasskeyAnswer(Keys.InLetters(k.CredentialId), k.Name ?? "", k.CreatedAt)),
            ])
            : HomeEndpoints.NotAtHome();

    private static async Task<Results<Ok<PasskeyAsk>, ProblemHttpResult>> Ask(
        PasskeyWish body,
        HttpContext http,
        HomeSettings home,
        UserManager<PersonRow> people,
        IPasskeyHandler<PersonRow> handler,
        PasskeyTries tries
    )
    {
        if (await PersonAsync(http.User, home, people) is not { } person)
        {
            return HomeEndpoints.NotAtHome();
        }

        var name = person.CalledOr(body.Name);
        var made = await handler.MakeCreationOptionsAsync(
            new PasskeyUserEntity
            {
                Id = person.Id.ToString(),
                Name = name,
                DisplayName = name,
            },
            http
        );
        return TypedResults.Ok(new PasskeyAsk(made.CreationOptionsJson, tries.Begin(made.AttestationState)));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Add(
        NewPasskey body,
        HttpContext http,
        HomeSettings home,
        UserManager<PersonRow> people,
        IPasskeyHandler<PersonRow> handler,
        PasskeyTries tries
    )
    {
        if (await PersonAsync(http.User, home, people) is not { } person)
        {
            return HomeEndpoints.NotAtHome();
        }

        var name = person.CalledOr(body.Name);
        var checks = (await HomeEndpoints.CheckNameAsync(people, person, name)).That(
            (await people.GetPasskeysAsync(person)).Count < MostPasskeys,
            "credential",
            "passkeys-count",
            Say.Of("home.mostPasskeysAre", ("mostPasskeys", MostPasskeys))
        );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var made = await handler.PerformAttestationAsync(
            new PasskeyAttestationContext
            {
                HttpContext = http,
                CredentialJson = body.Credential,
                AttestationState = tries.Take(body.Try),
            }
        );
        if (!made.Succeeded || made.UserEntity.Id != person.Id.ToString())
        {
            return Unclear();
        }

        made.Passkey.Name = string.IsNullOrWhiteSpace(body.Device) ? "a device" : body.Device.Trim();
        person.UserName = name;
        var kept = await people.AddOrUpdatePasskeyAsync(person, made.Passkey);
        return kept.Succeeded ? TypedResults.NoContent() : HomeEndpoints.ChangedMeanwhile();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Remove(string id, ClaimsPrincipal user, HomeSettings home, UserManager<PersonRow> people)
    {
        if (await PersonAsync(user, home, people) is not { } person)
        {
            return HomeEndpoints.NotAtHome();
        }

        if (Keys.FromLetters(id) is not { } credential || await people.GetPasskeyAsync(person, credential) is null)
        {
            return Problems.NotFound("passkey");
        }

        await people.RemovePasskeyAsync(person, credential);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<PasskeyAsk>, ProblemHttpResult>> AskToSignIn(
        HttpContext http,
        HomeSettings home,
        IPasskeyHandler<PersonRow> handler,
        PasskeyTries tries
    )
    {
        if (!home.On)
        {
            return HomeEndpoints.NotAtHome();
        }

        var made = await handler.MakeRequestOptionsAsync(null, http);
        return TypedResults.Ok(new PasskeyAsk(made.RequestOptionsJson, tries.Begin(made.AssertionState)));
    }

    private static async Task<Results<Ok<PersonAnswer>, ProblemHttpResult>> SignIn(
        PasskeySignIn body,
        HttpContext http,
        HomeSettings home,
        GardenDb db,
        UserManager<PersonRow> people,
        IPasskeyHandler<PersonRow> handler,
        PasskeyTries tries,
        MachineClock clock,
        CancellationToken stop
    )
    {
        if (!home.On)
        {
            return HomeEndpoints.NotAtHome();
        }

        var shown = await handler.PerformAssertionAsync(
            new PasskeyAssertionContext
            {
                HttpContext = http,
                CredentialJson = body.Credential,
                AssertionState = tries.Take(body.Try),
            }
        );
        if (!shown.Succeeded)
        {
            return Unclear();
        }

        // How often it was used is kept: a copy of it would fall behind.
        await people.AddOrUpdatePasskeyAsync(shown.User, shown.Passkey);
        await Sessions.SignInAsync(http, shown.User, body.Device);
        return TypedResults.Ok(await HomeEndpoints.AnswerAsync(shown.User, db, clock, stop));
    }

    private static async Task<PersonRow?> PersonAsync(ClaimsPrincipal user, HomeSettings home, UserManager<PersonRow> people) =>
        home.On && Sessions.PersonOf(user) is { } id ? await people.FindByIdAsync(id.ToString()) : null;

    private static ProblemHttpResult Unclear() => Problems.Of(StatusCodes.Status401Unauthorized, "passkey-unclear", Say.Of("home.thisPasskeyDidNotFit"));
}
