using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Board;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Home;
using Mauvaise.Web.Undo;
using Microsoft.Extensions.DependencyInjection;

namespace Mauvaise.Web.Tests;

/// <summary>The home network: who comes in, who may do what, and who is told.</summary>
public class HomeTests
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly Guid Beans = DemoGarden.PlantingId("Sluice/runner-bean");

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    /// <summary>Every operation of the document, with its ids filled in, and what it takes.</summary>
    private static IEnumerable<(string Method, string Path, string Sent, string Takes)> Operations()
    {
        using var document = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "openapi", "openapi.json")));
        return
        [
            .. from path in document.RootElement.GetProperty("paths").EnumerateObject()
            from operation in path.Value.EnumerateObject()
            let parts = path
                .Name.Split('/')
                .Select(p =>
                    p == "{gardenId}" ? DemoGarden.GardenId.ToString()
                    : p == "{date}" ? "2026-07-01"
                    : p.StartsWith('{') ? Guid.NewGuid().ToString()
                    : p
                )
            let takes = operation.Value.TryGetProperty("requestBody", out var body)
                ? body.GetProperty("content").EnumerateObject().First().Name
                : "application/json"
            select (operation.Name.ToUpperInvariant(), path.Name, string.Join('/', parts), takes),
        ];
    }

    /// <summary>A browser with cookies of its own, whose clock is the test's: the framework's would find them out of date.</summary>
    internal static HttpClient Browser(TestApp app) => app.CreateDefaultClient(new Uri("https://localhost"), new KeepsCookie());

    private sealed class KeepsCookie : DelegatingHandler
    {
        private string cookie = "";

        protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken)
        {
            if (cookie.Length > 0)
            {
                request.Headers.Add("Cookie", cookie);
            }

            var answer = await base.SendAsync(request, cancellationToken);
            if (answer.Headers.TryGetValues("Set-Cookie", out var set))
            {
                Assert.All(set, c =>
                    Assert.All(["httponly", "secure", "samesite=strict", "path=/"], said => Assert.Contains(said, c, StringComparison.OrdinalIgnoreCase))
                );
                cookie = set.Last().Split(';')[0];
            }

            return answer;
        }
    }

    private static async Task<HttpStatusCode> AskAsync(HttpClient http, string method, string path, string takes = "application/json")
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (method is "POST" or "PUT")
        {
            request.Content = new StringContent("{}", MediaTypeHeaderValue.Parse(takes));
        }

        using var answer = await http.SendAsync(request, HttpCompletionOption.ResponseHeadersRead, Stop);
        return answer.StatusCode;
    }

    /// <summary>The keeper's own browser, let in by the first code.</summary>
    internal static async Task<HttpClient> KeeperAsync(TestApp app)
    {
        var http = Browser(app);
        await using var scope = app.Services.CreateAsyncScope();
        var key = await HomeHosting.KeeperKeyAsync(scope.ServiceProvider.GetRequiredService<GardenDb>(), app.Clock.GetUtcNow());
        Assert.Equal(HttpStatusCode.OK, (await http.PostAsJsonAsync("/api/home/join", new JoinRequest(key, "Laptop"), Stop)).StatusCode);
        return http;
    }

    private static async Task<InviteAnswer> InviteAsync(HttpClient keeper, Guid memberId, InviteRequest? request = null)
    {
        var answer = await keeper.PostAsJsonAsync($"{Api}/members/{memberId}/invite", request ?? new InviteRequest(), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<InviteAnswer>(TestApp.Json, Stop))!;
    }

    /// <summary>A phone of somebody new with a role.</summary>
    internal static async Task<(HttpClient Phone, Guid MemberId)> PhoneAsync(TestApp app, HttpClient keeper, Role role, InviteRequest? request = null)
    {
        var memberId = Guid.NewGuid();
        await keeper.SendPutAsync($"{Api}/members/{memberId}", new MemberChange($"A {role} {memberId.ToString()[..4]}", role), HttpStatusCode.NoContent);
        var invite = await InviteAsync(keeper, memberId, request);
        var phone = Browser(app);
        Assert.Equal(
            HttpStatusCode.OK,
            (await phone.PostAsJsonAsync("/api/home/join", new JoinRequest(invite.Address.Split('#')[1], "Phone"), Stop)).StatusCode
        );
        return (phone, memberId);
    }

    [Fact]
    public void Every_write_of_the_document_stands_in_the_table_and_the_table_names_nothing_else()
    {
        var all = Operations().Select(o => $"{o.Method} {o.Path}").ToList();
        Assert.True(all.Count > 100);
        Assert.Empty(all.Where(o => !o.StartsWith("GET ", StringComparison.Ordinal)).Except(Access.Named));
        Assert.Empty(Access.Named.Except(all));
    }

    [Fact]
    public async Task Without_a_session_only_the_way_in_is_open()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var http = Browser(app);
        foreach (var (method, path, sent, takes) in Operations())
        {
            var status = await AskAsync(http, method, sent, takes);
            var open = Access.Of(method, path) == Right.Open;
            Assert.True(
                open ? path.Contains("/readings", StringComparison.Ordinal) || status != HttpStatusCode.Unauthorized : status == HttpStatusCode.Unauthorized,
                $"{method} {path}: {status}"
            );
        }

        Assert.Equal(HttpStatusCode.OK, await AskAsync(http, "GET", "/join"));
        Assert.Equal(HttpStatusCode.NotFound, await AskAsync(http, "GET", "/links/anything/calendar.ics"));
    }

    [Fact]
    public async Task A_role_holds_at_every_operation()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        // All come in before anything is asked: tries at the way in are counted.
        var phones = new List<(Role Role, Right Most, HttpClient Phone)>();
        foreach (var (role, most) in new[] { (Role.Looker, Right.Look), (Role.Guest, Right.Log), (Role.Helper, Right.Work) })
        {
            phones.Add((role, most, (await PhoneAsync(app, keeper, role)).Phone));
        }

        foreach (var (role, most, phone) in phones)
        {
            // What everybody reads is read once: between writes every view is put together anew.
            foreach (
                var (method, path, sent, takes) in Operations()
                    .Where(o => o.Path is not "/api/home/sign-out" && (role == Role.Looker || Access.Of(o.Method, o.Path) != Right.Look))
            )
            {
                var status = await AskAsync(phone, method, sent, takes);
                Assert.True(status == HttpStatusCode.Forbidden == Access.Of(method, path) > most, $"{role}: {method} {path}: {status}");
            }
        }
    }

    [Fact]
    public async Task A_code_is_good_once_and_for_ten_minutes_and_the_newest_alone()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var member = (await keeper.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.Members[1];
        using var phone = Browser(app);
        async Task<HttpStatusCode> JoinAsync(InviteAnswer with) =>
            (await phone.PostAsJsonAsync("/api/home/join", new JoinRequest(with.Address.Split('#')[1]), Stop)).StatusCode;

        var first = await InviteAsync(keeper, member.Id);
        Assert.Contains("<svg", first.Svg, StringComparison.Ordinal);
        var second = await InviteAsync(keeper, member.Id);
        Assert.Equal(HttpStatusCode.Gone, await JoinAsync(first));
        Assert.Equal(HttpStatusCode.OK, await JoinAsync(second));
        Assert.Equal(HttpStatusCode.Gone, await JoinAsync(second));
        var late = await InviteAsync(keeper, member.Id);
        app.Clock.Advance(TimeSpan.FromMinutes(11));
        Assert.Equal(HttpStatusCode.Gone, await JoinAsync(late));
        Assert.Equal(HttpStatusCode.Gone, (await phone.PostAsJsonAsync("/api/home/join", new JoinRequest("nonsense"), Stop)).StatusCode);
    }

    [Fact]
    public async Task A_deed_is_signed_by_the_session_whatever_the_body_says()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var (other, _) = await PhoneAsync(app, keeper, Role.Helper);
        var (phone, me) = await PhoneAsync(app, keeper, Role.Helper);
        var somebody = (await keeper.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.Members[0];
        await phone.SendPutAsync(
            $"{Api}/settings",
            new GardenSettings(Stance.KeepAhead, Core.Measures.KitchenSystem.Metric, MemberId: somebody.Id),
            HttpStatusCode.NoContent
        );
        var deed = (await phone.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.LastDeed!;
        Assert.Equal(me, deed.MemberId);

        // One takes back what one did oneself; who keeps the garden, anything.
        await other.SendAsync($"{Api}/undo", new UndoRequest(deed.Id), HttpStatusCode.Conflict);
        await keeper.SendAsync($"{Api}/undo", new UndoRequest(deed.Id), HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task A_guest_logs_at_the_places_named_and_until_the_day_named()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var chapel = (await keeper.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.Places.First(p => p.Plantings.Any(x => x.Id == Courgette));
        var (phone, me) = await PhoneAsync(app, keeper, Role.Guest, new InviteRequest(7, [chapel.Id]));
        NewObservation Count(Guid planting) => new(Guid.NewGuid(), planting, 10, 0, Ants.None, 0, 0, []);
        await phone.SendAsync($"{Api}/observations", Count(Courgette), HttpStatusCode.Created);
        await phone.SendAsync($"{Api}/observations", Count(Beans), HttpStatusCode.Forbidden);
        Assert.Equal(me, (await keeper.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.LastDeed!.MemberId);
        app.Clock.Advance(TimeSpan.FromDays(8));
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync(phone, "GET", $"{Api}/board"));
    }

    [Fact]
    public async Task A_device_that_is_signed_out_is_out_at_once()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var (phone, _) = await PhoneAsync(app, keeper, Role.Helper);
        var devices = (await keeper.GetFromJsonAsync<List<DeviceAnswer>>($"{Api}/devices", TestApp.Json, Stop))!;
        Assert.Equal(["Laptop"], devices.Where(d => d.This).Select(d => d.Device));
        await keeper.DeleteAsync(new Uri($"{Api}/devices/{devices.Single(d => !d.This).Id}", UriKind.Relative), Stop);
        Assert.Equal(HttpStatusCode.Unauthorized, await AskAsync(phone, "GET", Api));
        Assert.Equal(HttpStatusCode.OK, await AskAsync(keeper, "GET", Api));
        // Unseen for over ninety days.
        app.Clock.Advance(TimeSpan.FromDays(91));
        Assert.Equal(HttpStatusCode.Unauthorized, await AskAsync(keeper, "GET", Api));
    }

    [Fact]
    public async Task A_pass_phrase_lets_in_and_guessing_is_stopped()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var name = (await keeper.GetFromJsonAsync<HomeAnswer>("/api/home", TestApp.Json, Stop))!.Person!.Name;
        await keeper.SendPutAsync("/api/home/pass-phrase", new PassPhraseChange("short"), HttpStatusCode.BadRequest);
        await keeper.SendPutAsync("/api/home/pass-phrase", new PassPhraseChange("radish under the pear tree"), HttpStatusCode.NoContent);
        using var other = Browser(app);
        async Task<HttpStatusCode> TryAsync(string phrase) =>
            (await other.PostAsJsonAsync("/api/home/sign-in", new SignInRequest(name, phrase), Stop)).StatusCode;
        Assert.Equal(HttpStatusCode.Unauthorized, await TryAsync("radish under the apple tree"));
        Assert.Equal(HttpStatusCode.OK, await TryAsync("radish under the pear tree"));
        Assert.True((await other.GetFromJsonAsync<HomeAnswer>("/api/home", TestApp.Json, Stop))!.Person!.Keeper);
        var tries = new List<HttpStatusCode>();
        for (var i = 0; i < 9; i++)
        {
            tries.Add(await TryAsync("guess " + i));
        }

        Assert.Contains(HttpStatusCode.TooManyRequests, tries);
        Assert.Equal(HttpStatusCode.TooManyRequests, await TryAsync("radish under the pear tree"));
    }

    [Fact]
    public async Task A_link_opens_one_thing_until_it_is_ended_and_a_gardens_id_opens_nothing()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        using var stranger = Browser(app);
        async Task<(Guid Id, string Path)> MakeAsync(LinkKind kind)
        {
            var answer = await keeper.PostAsJsonAsync($"{Api}/links", new NewLink(Guid.NewGuid(), kind, "Next door"), TestApp.Json, Stop);
            var made = (await answer.Content.ReadFromJsonAsync<MadeLink>(TestApp.Json, Stop))!;
            return (made.Id, new Uri(made.Address).AbsolutePath);
        }

        var (calendar, feed) = await MakeAsync(LinkKind.Calendar);
        var (_, page) = await MakeAsync(LinkKind.Neighbours);
        Assert.StartsWith("BEGIN:VCALENDAR", await stranger.GetStringAsync(new Uri(feed, UriKind.Relative), Stop), StringComparison.Ordinal);
        Assert.Contains("What was sprayed", await stranger.GetStringAsync(new Uri(page, UriKind.Relative), Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, await AskAsync(stranger, "GET", page + "/calendar.ics"));
        Assert.Equal(HttpStatusCode.Unauthorized, await AskAsync(stranger, "GET", $"{Api}/plan/calendar.ics"));
        Assert.DoesNotContain(feed.Split('/')[2], await keeper.GetStringAsync(new Uri($"{Api}/links", UriKind.Relative), Stop), StringComparison.Ordinal);
        await keeper.DeleteAsync(new Uri($"{Api}/links/{calendar}", UriKind.Relative), Stop);
        Assert.Equal(HttpStatusCode.NotFound, await AskAsync(stranger, "GET", feed));
    }

    [Fact]
    public async Task What_one_writes_the_others_are_told()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var (phone, _) = await PhoneAsync(app, keeper, Role.Looker);
        using var news = await phone.GetAsync(new Uri($"{Api}/changes", UriKind.Relative), HttpCompletionOption.ResponseHeadersRead, Stop);
        Assert.Equal("text/event-stream", news.Content.Headers.ContentType!.MediaType);
        using var reader = new StreamReader(await news.Content.ReadAsStreamAsync(Stop));
        Assert.Equal("event: here", await reader.ReadLineAsync(Stop));
        keeper.DefaultRequestHeaders.Add(GardenNews.PageHeader, "page-1");
        await keeper.SendPutAsync($"{Api}/settings", new GardenSettings(Stance.KeepAhead, Core.Measures.KitchenSystem.Metric), HttpStatusCode.NoContent);
        var told = new List<string?>();
        while (!told.Contains("data: page-1"))
        {
            told.Add(await reader.ReadLineAsync(Stop));
        }

        Assert.Contains("event: changed", told);
    }

    [Fact]
    public async Task The_first_keeper_owns_what_stands_here_and_sets_up_what_comes()
    {
        await using var app = await TestApp.AtHomeAsync();
        using var keeper = await KeeperAsync(app);
        var person = (await keeper.GetFromJsonAsync<HomeAnswer>("/api/home", TestApp.Json, Stop))!.Person!;
        Assert.Equal([(DemoGarden.GardenId, Role.Owner)], person.Gardens.Select(g => (g.GardenId, g.Role)));
        // A phone of a helper sees the one garden, and may set up none.
        var (phone, _) = await PhoneAsync(app, keeper, Role.Helper);
        Assert.Single((await phone.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
        Assert.Equal(HttpStatusCode.Forbidden, await AskAsync(phone, "POST", "/api/gardens"));
        Assert.NotNull(await keeper.GetFromJsonAsync<BoardAnswer>($"{Api}/board", TestApp.Json, Stop));
    }

    [Fact]
    public async Task A_garden_that_comes_in_by_an_archive_is_owned_by_who_brought_it()
    {
        await using var app = await TestApp.AtHomeAsync(demo: false);
        using var keeper = await KeeperAsync(app);
        Assert.Empty((await keeper.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
        using var zip = new ByteArrayContent(await File.ReadAllBytesAsync(Path.Combine(AppContext.BaseDirectory, "archives", "garden-1.zip"), Stop))
        {
            Headers = { ContentType = new MediaTypeHeaderValue("application/zip") },
        };
        using var taken = await keeper.PostAsync(new Uri("/api/archive?takeTheirs=false", UriKind.Relative), zip, Stop);
        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
        var garden = (await keeper.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens.Single();
        Assert.Equal(HttpStatusCode.OK, await AskAsync(keeper, "GET", $"/api/gardens/{garden.Id}/devices"));
    }

    [Fact]
    public async Task On_its_own_machine_nobody_signs_in()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        Assert.Equal(new HomeAnswer(false, null), await http.GetFromJsonAsync<HomeAnswer>("/api/home", TestApp.Json, Stop));
        Assert.Equal(HttpStatusCode.Conflict, (await http.PostAsJsonAsync("/api/home/join", new JoinRequest("any"), Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, await AskAsync(http, "GET", $"{Api}/board"));
    }
}
