using System.Net.Http.Json;
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
}
