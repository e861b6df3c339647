using System.Net;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Places;

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

    private async Task<PlaceAnswer> PlaceAsync(string name) =>
        (await http.GetFromJsonAsync<GardenAnswer>("", TestApp.Json, Stop))!.Places.Single(p => p.Name == name);
}
