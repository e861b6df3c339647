using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;

namespace Mauvaise.Web.Tests;

/// <summary>What was entered wrong is put right, and nothing that was recorded is lost by it.</summary>
public sealed class PutRightTests : IAsyncLifetime
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private TestApp app = null!;
    private HttpClient http = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    private async Task<GardenAnswer> GardenAsync() => (await http.GetFromJsonAsync<GardenAnswer>("", TestApp.Json, Stop))!;

    private async Task<(HttpStatusCode Status, string? Code)> SendAsync(HttpMethod method, string path, object? body = null)
    {
        using var request = new HttpRequestMessage(method, path) { Content = body is null ? null : JsonContent.Create(body, options: TestApp.Json) };
        using var answer = await http.SendAsync(request, Stop);
        var text = await answer.Content.ReadAsStringAsync(Stop);
        return (answer.StatusCode, text.Length == 0 ? null : JsonDocument.Parse(text).RootElement.GetProperty("code").GetString());
    }

    private static (PlaceAnswer Place, PlantingAnswer Planting) Find(GardenAnswer garden, Guid id) =>
        garden.Places.SelectMany(p => p.Plantings.Select(x => (p, x))).First(x => x.x.Id == id);

    [Fact]
    public async Task A_planting_gets_its_crop_its_day_its_number_and_its_place()
    {
        var garden = await GardenAsync();
        var (place, planting) = Find(garden, Courgette);
        var elsewhere = garden.Places.First(p => p.Id != place.Id);
        var facts = new PlantingFacts(elsewhere.Id, "squash", " Uchiki ", planting.From.AddDays(-3), null, 7);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(HttpMethod.Put, $"plantings/{Courgette}/facts", facts)).Status);
        var (now, right) = Find(await GardenAsync(), Courgette);
        Assert.Equal((elsewhere.Id, "squash", "Uchiki", planting.From.AddDays(-3), (int?)7), (now.Id, right.Crop, right.Variety, right.From, right.Count));
        // Leaves are reckoned with the plants that were counted, and undo brings the old facts back.
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await http.PostAsJsonAsync("undo", new { deedId = (await GardenAsync()).LastDeed!.Id }, TestApp.Json, Stop)).StatusCode
        );
        Assert.Equal("courgette", Find(await GardenAsync(), Courgette).Planting.Crop);
    }

    [Theory]
    [InlineData("from", "date-after-records")]
    [InlineData("until", "date-before-records")]
    [InlineData("crop", "crop-unknown")]
    [InlineData("place", "place-unknown")]
    [InlineData("ahead", "date-ahead")]
    public async Task Facts_that_can_not_be_are_told(string what, string code)
    {
        var (place, planting) = Find(await GardenAsync(), Courgette);
        var facts = new PlantingFacts(place.Id, planting.Crop, null, planting.From, null, null);
        var today = new DateOnly(2026, 7, 16);
        var wrong = what switch
        {
            "from" => facts with { From = today },
            "until" => facts with { Until = planting.From.AddDays(1) },
            "crop" => facts with { Crop = "eggplant-tree" },
            "place" => facts with { PlaceId = Guid.NewGuid() },
            _ => facts with { From = today.AddDays(9) },
        };
        Assert.Equal((HttpStatusCode.BadRequest, code), await SendAsync(HttpMethod.Put, $"plantings/{Courgette}/facts", wrong));
    }

    [Fact]
    public async Task What_never_was_is_taken_away_and_what_has_records_stays()
    {
        Assert.Equal((HttpStatusCode.Conflict, "planting-recorded"), await SendAsync(HttpMethod.Delete, $"plantings/{Courgette}"));
        var (place, _) = Find(await GardenAsync(), Courgette);
        Assert.Equal((HttpStatusCode.Conflict, "place-planted"), await SendAsync(HttpMethod.Delete, $"places/{place.Id}"));
        var (newPlace, newPlanting) = (Guid.NewGuid(), Guid.NewGuid());
        Assert.Equal(
            HttpStatusCode.Created,
            (
                await SendAsync(
                    HttpMethod.Post,
                    "places",
                    new NewPlace(newPlace, "By mistake", Core.Catalogue.PlaceKind.OpenBed, 2, 1, 6, Core.Gardens.Watering.Drip)
                )
            ).Status
        );
        Assert.Equal(
            HttpStatusCode.Created,
            (
                await SendAsync(
                    HttpMethod.Post,
                    "plantings",
                    new NewPlanting(newPlanting, newPlace, "okra", null, new(2026, 7, 1), GrowthStage.Young, false, Count: 5)
                )
            ).Status
        );
        Assert.Equal(5, Find(await GardenAsync(), newPlanting).Planting.Count);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(HttpMethod.Delete, $"plantings/{newPlanting}")).Status);
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(HttpMethod.Delete, $"places/{newPlace}")).Status);
        Assert.DoesNotContain((await GardenAsync()).Places, p => p.Id == newPlace);
        Assert.Equal(HttpStatusCode.NotFound, (await SendAsync(HttpMethod.Delete, $"places/{newPlace}")).Status);
    }

    [Fact]
    public async Task A_garden_is_renamed_and_moved()
    {
        var garden = await GardenAsync();
        var site = new SiteChange(" Lock side ", -37.8, 145, "Australia/Melbourne", "mediterranean");
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(HttpMethod.Put, "site", site)).Status);
        var now = await GardenAsync();
        Assert.Equal(("Lock side", -37.8, 145.0, "Australia/Melbourne", "mediterranean"), (now.Name, now.Latitude, now.Longitude, now.TimeZoneId, now.Climate));
        Assert.NotEqual(garden.Climate, now.Climate);
        Assert.Equal((HttpStatusCode.BadRequest, "latitude-range"), await SendAsync(HttpMethod.Put, "site", site with { Latitude = 120 }));
        Assert.Equal((HttpStatusCode.BadRequest, "time-zone-unknown"), await SendAsync(HttpMethod.Put, "site", site with { TimeZoneId = "Mars/Olympus" }));
    }

    [Fact]
    public async Task A_wrong_count_is_struck_unless_something_was_judged_by_it()
    {
        var id = Guid.NewGuid();
        var made = await http.PostAsJsonAsync(
            "observations",
            new Core.Deeds.NewObservation(id, Courgette, 20, 20, Core.Gardens.Ants.None, 0, 0, [new("white-dust", true)]),
            TestApp.Json,
            Stop
        );
        Assert.Equal(HttpStatusCode.Created, made.StatusCode);
        var look = (await made.Content.ReadFromJsonAsync<JsonElement>(TestApp.Json, Stop)).GetProperty("lookId").GetGuid();
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(HttpMethod.Delete, $"looks/{look}")).Status);
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"observations/{id}", UriKind.Relative), Stop)).StatusCode);
        Assert.Equal((HttpStatusCode.NotFound, "not-found"), await SendAsync(HttpMethod.Delete, $"looks/{look}"));
    }

    /// <summary>Sends an edit as from a form that was opened when the garden's last deed was <paramref name="seen"/>.</summary>
    private async Task<JsonElement?> EditAsync(string path, object body, long seen, HttpStatusCode wanted, bool over = false)
    {
        using var request = new HttpRequestMessage(HttpMethod.Put, path)
        {
            Content = JsonContent.Create(body, options: TestApp.Json),
            Headers = { { SeenDeeds.Header, seen.ToString(System.Globalization.CultureInfo.InvariantCulture) } },
        };
        request.Headers.Add(SeenDeeds.OverHeader, over ? "true" : "false");
        using var answer = await http.SendAsync(request, Stop);
        Assert.Equal(wanted, answer.StatusCode);
        return wanted == HttpStatusCode.NoContent ? null : await answer.Content.ReadFromJsonAsync<JsonElement>(Stop);
    }

    [Fact]
    public async Task Two_who_change_one_place_lose_nothing()
    {
        var sluice = (await GardenAsync()).Places.First(p => p.Name == "Sluice");
        var path = $"places/{sluice.Id}";
        var asRead = new PlaceChange(
            sluice.Name,
            sluice.Kind,
            sluice.AreaM2,
            sluice.SunHours,
            sluice.Watering,
            sluice.PondDistanceM,
            sluice.SunFrom,
            sluice.SunTo
        );
        // A first write, so that there is something to have seen.
        await EditAsync(path, asRead with { SunHours = 6 }, 0, HttpStatusCode.NoContent);
        asRead = asRead with { SunHours = 6 };
        var garden = await GardenAsync();
        var (seen, tove) = (garden.LastDeed!.Id, garden.Members[1]);

        // Tove measured it; the other form, opened before, gives it a name.
        await EditAsync(path, asRead with { AreaM2 = 9, MemberId = tove.Id }, seen, HttpStatusCode.NoContent);
        await EditAsync(path, asRead with { Name = "Old sluice" }, seen, HttpStatusCode.NoContent);
        var both = (await GardenAsync()).Places.First(p => p.Id == sluice.Id);
        Assert.Equal(("Old sluice", 9.0), (both.Name, both.AreaM2));

        // Both measured it: told with what each wrote, and nothing is written until one says so.
        var problem = (await EditAsync(path, asRead with { Name = "Old sluice", AreaM2 = 12 }, seen, HttpStatusCode.Conflict))!.Value;
        Assert.Equal("changed-meanwhile", problem.GetProperty("code").GetString());
        var clash = Assert.Single(problem.GetProperty("clashes").EnumerateArray());
        Assert.Equal(
            ("area", "9 m²", "12 m²"),
            (clash.GetProperty("what").GetString(), clash.GetProperty("theirs").GetString(), clash.GetProperty("yours").GetString())
        );
        Assert.Equal(9, (await GardenAsync()).Places.First(p => p.Id == sluice.Id).AreaM2);
        // Written over: what both changed, and nothing that only she changed.
        await EditAsync(path, asRead with { AreaM2 = 12 }, seen, HttpStatusCode.NoContent, over: true);
        var over = (await GardenAsync()).Places.First(p => p.Id == sluice.Id);
        Assert.Equal(("Old sluice", 12.0), (over.Name, over.AreaM2));
    }
}
