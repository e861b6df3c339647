using System.Net;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Places;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Walk;

namespace Mauvaise.Web.Tests;

public sealed class PlaceTests : IAsyncLifetime
{
    private TestApp app = null!;
    private HttpClient http = null!;

    public async ValueTask InitializeAsync()
    {
        // Three summers of weather, for the degree-days of earlier first dates.
        app = await TestApp.StartAsync(demo: true, historyDays: 950);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
        await app.RefreshWeatherAsync();
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public async Task A_place_tells_pressure_stages_and_first_dates()
    {
        var sluice = ((await http.GetFromJsonAsync<GardenAnswer>("", TestApp.Json, Stop))!).Places.Single(p => p.Name == "Sluice");
        var outlook = (await http.GetFromJsonAsync<PlaceOutlookAnswer>($"places/{sluice.Id}/outlook", TestApp.Json, Stop))!;
        var aphid = outlook.Troubles.First(t => t.Target == "black-bean-aphid");
        Assert.Equal(41, aphid.Pressure.Count);
        Assert.All(aphid.Pressure, p => Assert.InRange(p.Value, 0, 1));
        Assert.NotEmpty(aphid.Stages);
        Assert.Equal([2024, 2025, 2026], aphid.Season.Past.Select(f => f.Year));
        Assert.All(aphid.Season.Past, f => Assert.True(f.DegreeDays > 100));
        Assert.True(aphid.Season.Own);
    }

    [Fact]
    public async Task A_place_is_put_on_the_plan_moved_and_never_lies_outside_it()
    {
        var sluice = await PlaceAsync("Sluice");
        Assert.Null(sluice.Spot);
        await http.SendPutAsync($"places/{sluice.Id}/spot", new SpotChange(3, 4.5), HttpStatusCode.NoContent);
        await http.SendPutAsync($"places/{sluice.Id}/spot", new SpotChange(6, 4.5), HttpStatusCode.NoContent);
        Assert.Equal(new SpotAnswer(6, 4.5), (await PlaceAsync("Sluice")).Spot);
        await http.SendPutAsync($"places/{sluice.Id}/spot", new SpotChange(6, 201), HttpStatusCode.BadRequest);
        await http.SendPutAsync($"places/{Guid.NewGuid()}/spot", new SpotChange(6, 1), HttpStatusCode.NotFound);
        Assert.Equal(new SpotAnswer(6, 4.5), (await PlaceAsync("Sluice")).Spot);
    }

    [Fact]
    public async Task A_drench_for_a_tower_is_mixed_for_the_water_that_goes_round_in_it()
    {
        var (tower, basil) = (Guid.NewGuid(), Guid.NewGuid());
        await http.SendAsync("places", new NewPlace(tower, "Tower", PlaceKind.IndoorRack, 1, 1, 8, Watering.Drip, ReservoirLitres: 20), HttpStatusCode.Created);
        await http.SendAsync(
            "places",
            new NewPlace(Guid.NewGuid(), "Tub", PlaceKind.IndoorRack, 1, 1, 8, Watering.Drip, ReservoirLitres: 0),
            HttpStatusCode.BadRequest
        );
        await http.SendAsync(
            "plantings",
            new NewPlanting(basil, tower, "basil", null, new DateOnly(2026, 5, 1), GrowthStage.Young, false, Count: 6),
            HttpStatusCode.Created
        );
        Assert.Equal(20, (await PlaceAsync("Tower")).ReservoirLitres);
        Assert.Equal(20, (await http.GetFromJsonAsync<BenchAnswer>($"bench?planting={basil}&recipe=neem-drench", TestApp.Json, Stop))!.Size);
    }

    [Fact]
    public async Task A_planting_takes_its_records_along_and_its_old_place_tells_where_it_went()
    {
        var (tubs, rack) = (await PlaceAsync("Herb tubs"), await PlaceAsync("Window rack"));
        var mint = tubs.Plantings.Single(p => p.Crop == "mint");
        var look = new NewObservation(Guid.NewGuid(), mint.Id, 10, 4, Ants.None, 0, 0, [new SeenSign("small-insects", true)]);
        await http.SendAsync("observations", look, HttpStatusCode.Created);
        await http.SendPutAsync($"observations/{look.Id}/name", new NameGiven("peach-aphid"), HttpStatusCode.NoContent);
        await http.SendPutAsync($"plantings/{mint.Id}/place", new PlantingMove(rack.Id, ApartUntil: new DateOnly(2026, 7, 30)), HttpStatusCode.NoContent);

        Assert.DoesNotContain((await PlaceAsync("Herb tubs")).Plantings, p => p.Id == mint.Id);
        Assert.Equal(new DateOnly(2026, 7, 30), (await PlaceAsync("Window rack")).Plantings.Single(p => p.Id == mint.Id).ApartUntil);
        var here = await StoryAsync(rack.Id);
        Assert.Contains(here.Chapters, c => c.PlantingId == mint.Id && c.Target == "peach-aphid");
        Assert.Contains(here.Chapters.Where(c => c.PlantingId == mint.Id).SelectMany(c => c.Lines), l => l.Sentence == "Carried away from Herb tubs");
        Assert.All((await StoryAsync(tubs.Id)).Chapters.Where(c => c.PlantingId == mint.Id), c => Assert.Equal("It was carried to Window rack.", c.Ending));
        var round = (await http.GetFromJsonAsync<RoundAnswer>("round", TestApp.Json, Stop))!;
        var last = round.Stops.SkipWhile(x => x.Place != "Window rack").ToList();
        Assert.Equal("last: mint is kept apart until 30 July", last[0].Why[0].Sentence);
        Assert.All(last, x => Assert.StartsWith("last: ", x.Why[0].Sentence, StringComparison.Ordinal));
    }

    [Fact]
    public async Task What_is_kept_apart_stays_so_and_a_wrong_day_is_refused()
    {
        var (tubs, rack) = (await PlaceAsync("Herb tubs"), await PlaceAsync("Window rack"));
        var mint = tubs.Plantings.Single(p => p.Crop == "mint");
        await http.SendPutAsync($"plantings/{mint.Id}/place", new PlantingMove(tubs.Id, ApartUntil: new DateOnly(2026, 7, 30)), HttpStatusCode.NoContent);
        var bought = Guid.NewGuid();
        await http.SendAsync(
            "plantings",
            new NewPlanting(bought, rack.Id, "mint", null, new DateOnly(2026, 7, 10), GrowthStage.Young, false),
            HttpStatusCode.Created
        );
        PlantingMove[] wrong =
        [
            new(tubs.Id),
            new(Guid.NewGuid()),
            new(rack.Id, new DateOnly(2026, 7, 9)),
            new(rack.Id, new DateOnly(2026, 7, 17)),
            new(rack.Id, ApartUntil: new DateOnly(2026, 7, 15)),
        ];
        foreach (var move in wrong)
        {
            await http.SendPutAsync($"plantings/{bought}/place", move, HttpStatusCode.BadRequest);
        }

        Assert.Contains((await PlaceAsync("Window rack")).Plantings, p => p.Id == bought && p.ApartUntil is null);
        await http.SendPutAsync($"plantings/{mint.Id}/place", new PlantingMove(tubs.Id), HttpStatusCode.NoContent);
        await http.SendPutAsync($"plantings/{bought}/place", new PlantingMove(tubs.Id), HttpStatusCode.NoContent);
    }

    private async Task<StoryAnswer> StoryAsync(Guid place) => (await http.GetFromJsonAsync<StoryAnswer>($"places/{place}/story", TestApp.Json, Stop))!;

    private async Task<PlaceAnswer> PlaceAsync(string name) =>
        (await http.GetFromJsonAsync<GardenAnswer>("", TestApp.Json, Stop))!.Places.Single(p => p.Name == name);
}
