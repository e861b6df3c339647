using System.Net;
using System.Net.Http.Json;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Home;

namespace Mauvaise.Web.Tests;

/// <summary>Passkeys, made and shown by a device in software.</summary>
public class PasskeyTests
{
    private const string Keys = "/api/home/passkeys";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static async Task<PasskeyAsk> AskAsync(HttpClient http, string path, object body)
    {
        var answer = await http.PostAsJsonAsync(path, body, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<PasskeyAsk>(TestApp.Json, Stop))!;
    }

    private static Task<PasskeyAsk> AskAsync(HttpClient http, string? name = null) => AskAsync(http, $"{Keys}/ask", new PasskeyWish(name));

    private static Task<HttpStatusCode> AddAsync(HttpClient http, PasskeyAsk ask, SoftPasskey device, string? name = null) =>
        StatusAsync(http, Keys, new NewPasskey(ask.Try, device.Made(ask.Options), "Phone", name));

    private static async Task<HttpStatusCode> SignInAsync(HttpClient http, SoftPasskey device)
    {
        var ask = await AskAsync(http, $"{Keys}/sign-in/ask", new { });
        return await StatusAsync(http, $"{Keys}/sign-in", new PasskeySignIn(ask.Try, device.Shown(ask.Options), "Phone"));
    }

    private static async Task<HttpStatusCode> StatusAsync(HttpClient http, string path, object body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body, options: TestApp.Json) };
        // As a browser says it of its page, by which a key of another page is told.
        request.Headers.Add("Origin", "https://localhost");
        using var answer = await http.SendAsync(request, Stop);
        return answer.StatusCode;
    }

    private static async Task<PersonAnswer?> PersonAsync(HttpClient http) => (await http.GetFromJsonAsync<HomeAnswer>("/api/home", TestApp.Json, Stop))!.Person;

    private static async Task<IReadOnlyList<PasskeyAnswer>> ListAsync(HttpClient http) =>
        (await http.GetFromJsonAsync<List<PasskeyAnswer>>(Keys, TestApp.Json, Stop))!;

    [Fact]
    public async Task A_keeper_may_have_a_passkey_instead_of_a_pass_phrase_and_a_name_with_it()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await HomeTests.KeeperAsync(app);
        using var device = new SoftPasskey();
        Assert.False((await PersonAsync(keeper))!.HasWayIn);
        Assert.Equal(HttpStatusCode.NoContent, await AddAsync(keeper, await AskAsync(keeper, "Ilse of the lock"), device, "Ilse of the lock"));
        Assert.Equal(("Ilse of the lock", true), ((await PersonAsync(keeper))!.Name, (await PersonAsync(keeper))!.HasWayIn));
        Assert.Equal("Phone", Assert.Single(await ListAsync(keeper)).Device);

        using var other = HomeTests.Browser(app);
        Assert.Null(await PersonAsync(other));
        Assert.Equal(HttpStatusCode.OK, await SignInAsync(other, device));
        Assert.True((await PersonAsync(other))!.Keeper);

        // A copy of it falls behind, and is found out.
        device.Uses = 0;
        using var thief = HomeTests.Browser(app);
        Assert.Equal(HttpStatusCode.Unauthorized, await SignInAsync(thief, device));
        Assert.Null(await PersonAsync(thief));

        var key = Assert.Single(await ListAsync(keeper));
        Assert.Equal(HttpStatusCode.NoContent, (await keeper.DeleteAsync(new Uri($"{Keys}/{key.Id}", UriKind.Relative), Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await keeper.DeleteAsync(new Uri($"{Keys}/{key.Id}", UriKind.Relative), Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await keeper.DeleteAsync(new Uri($"{Keys}/no%20letters", UriKind.Relative), Stop)).StatusCode);
        device.Uses = 9;
        Assert.Equal(HttpStatusCode.Unauthorized, await SignInAsync(thief, device));
        Assert.False((await PersonAsync(keeper))!.HasWayIn);
    }

    [Fact]
    public async Task A_try_is_good_once_and_for_who_asked()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await HomeTests.KeeperAsync(app);
        var (phone, _) = await HomeTests.PhoneAsync(app, keeper, Role.Helper);
        using var device = new SoftPasskey();
        var ask = await AskAsync(keeper);
        Assert.Equal(HttpStatusCode.Unauthorized, await AddAsync(phone, ask, device));
        Assert.Equal(HttpStatusCode.Unauthorized, await AddAsync(keeper, ask, device));
        Assert.Empty(await ListAsync(keeper));
        Assert.Empty(await ListAsync(phone));

        // What was never asked, and what is no credential, opens nothing and breaks nothing.
        var fresh = await AskAsync(keeper);
        Assert.Equal(HttpStatusCode.Unauthorized, await StatusAsync(keeper, Keys, new NewPasskey(fresh.Try, "{}")));
        Assert.Equal(HttpStatusCode.Unauthorized, await StatusAsync(keeper, Keys, new NewPasskey("nothing", device.Made(fresh.Options))));
        Assert.Equal(HttpStatusCode.Unauthorized, await StatusAsync(phone, $"{Keys}/sign-in", new PasskeySignIn("nothing", "no json")));
        var entry = await AskAsync(phone, $"{Keys}/sign-in/ask", new { });
        Assert.Equal(HttpStatusCode.Unauthorized, await StatusAsync(phone, $"{Keys}/sign-in", new PasskeySignIn(entry.Try, "[1]")));
    }

    [Fact]
    public async Task A_device_has_to_know_its_owner_and_be_at_this_address()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await HomeTests.KeeperAsync(app);
        using var careless = new SoftPasskey { KnowsOwner = false };
        Assert.Equal(HttpStatusCode.Unauthorized, await AddAsync(keeper, await AskAsync(keeper), careless));
        using var elsewhere = new SoftPasskey("https://example.org");
        Assert.Equal(HttpStatusCode.Unauthorized, await AddAsync(keeper, await AskAsync(keeper), elsewhere));
        Assert.Empty(await ListAsync(keeper));
    }

    [Fact]
    public async Task Ten_passkeys_are_enough_and_a_name_is_nobody_else_s()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await HomeTests.KeeperAsync(app);
        var (phone, _) = await HomeTests.PhoneAsync(app, keeper, Role.Helper);
        var taken = (await PersonAsync(phone))!.Name;
        using var one = new SoftPasskey();
        Assert.Equal(HttpStatusCode.BadRequest, await AddAsync(keeper, await AskAsync(keeper, taken), one, taken));
        for (var i = 0; i < 10; i++)
        {
            using var device = new SoftPasskey();
            Assert.Equal(HttpStatusCode.NoContent, await AddAsync(keeper, await AskAsync(keeper), device));
        }

        Assert.Equal(HttpStatusCode.BadRequest, await AddAsync(keeper, await AskAsync(keeper), one));
        Assert.Equal(10, (await ListAsync(keeper)).Count);
    }

    [Fact]
    public async Task Where_nobody_signs_in_there_are_no_passkeys()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        Assert.Equal(HttpStatusCode.Conflict, (await http.GetAsync(new Uri(Keys, UriKind.Relative), Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.Conflict, await StatusAsync(http, $"{Keys}/sign-in/ask", new { }));
    }
}
