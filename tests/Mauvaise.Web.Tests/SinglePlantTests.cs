using System.Net;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Plan;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Walk;

namespace Mauvaise.Web.Tests;

/// <summary>Plants are counted one by one, and the sick ones alone are treated.</summary>
public sealed class SinglePlantTests : IAsyncLifetime
{
    private TestApp app = null!;
    private HttpClient http = null!;
    private readonly Guid planting = Guid.NewGuid();
    private Guid chapel;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}/";

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, Api);
        chapel = (await GetAsync<GardenAnswer>("")).Places.First(p => p.Name == "Chapel").Id;
        await http.SendAsync(
            "plantings",
            new NewPlanting(planting, chapel, "kale", null, new DateOnly(2026, 5, 1), GrowthStage.Young, false, Count: 12),
            HttpStatusCode.Created
        );
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    private async Task<T> GetAsync<T>(string path) => (await http.GetFromJsonAsync<T>(path, TestApp.Json, Stop))!;

    private NewObservation Look(int looked, params int[] sick) =>
        new(Guid.NewGuid(), planting, looked, sick.Length, Ants.None, 0, 0, [new SeenSign("grey-wax-insects", true)], Plants: sick);

    [Fact]
    public async Task The_sick_plants_alone_are_mixed_for_treated_and_told_of()
    {
        var look = Look(12, 8, 3, 7);
        await http.SendAsync("observations", look, HttpStatusCode.Created);
        await http.SendPutAsync($"observations/{look.Id}/name", new NameGiven("cabbage-aphid"), HttpStatusCode.NoContent);
        Assert.Equal([3, 7, 8], (await GetAsync<ObservationAnswer>($"observations/{look.Id}")).Plants);
        var ladder = Assert.Single((await GetAsync<DecideAnswer>($"decide?planting={planting}")).Ladders);
        Assert.True(ladder.ByPlant);
        Assert.StartsWith("25 % of plants with cabbage aphid (3, 7–8)", ladder.Told, StringComparison.Ordinal);

        var bench = $"bench?planting={planting}&target=cabbage-aphid&recipe=insecticidal-soap";
        var whole = await GetAsync<BenchAnswer>(bench);
        Assert.Equal((12, 3, 7), (whole.Plants!.All, whole.Plants.Sick.Count, whole.Plants.WithNeighbours.Count));
        var some = await GetAsync<BenchAnswer>(bench + "&plants=3&plants=7&plants=8");
        Assert.True(some.SizeNeeded <= whole.SizeNeeded / 4 + 0.1, $"{some.SizeNeeded} of {whole.SizeNeeded}");

        await http.SendAsync(
            "plan/choices",
            new NewPlanChoice(Guid.NewGuid(), PlanWord.Proven, planting, Material: "insecticidal-soap"),
            HttpStatusCode.Created
        );
        var bottle = Guid.NewGuid();
        await http.SendAsync(
            "batches",
            new NewBatch(bottle, [planting], "insecticidal-soap", DoseStep.Gentle, 0.3, "cabbage-aphid", At: some.At),
            HttpStatusCode.Created
        );
        await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle, [planting], 0.3, Plants: [3, 7, 8]), HttpStatusCode.Created);
        var story = await http.GetStringAsync(new Uri($"places/{chapel}/story", UriKind.Relative), Stop);
        Assert.Contains("Found: 3 of 12 plants (3, 7\u20138)", System.Text.RegularExpressions.Regex.Unescape(story), StringComparison.Ordinal);
        Assert.Contains("on plants 3, 7\u20138 alone", System.Text.RegularExpressions.Regex.Unescape(story), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Numbers_that_are_not_the_plantings_are_refused_and_nothing_is_kept()
    {
        NewObservation[] wrong =
        [
            Look(12, 13),
            Look(12, 0),
            Look(12, 4, 4),
            Look(13, 4),
            Look(12, 4) with
            {
                LeavesAffected = 2,
            },
            Look(12, 4) with
            {
                Also = [new FurtherTrouble(Guid.NewGuid(), 1, [])],
            },
            Look(2, 1) with
            {
                PlantingId = DemoGarden.PlantingId("Chapel/courgette"),
            },
        ];
        foreach (var look in wrong)
        {
            var problem = await http.SendAsync("observations", look, HttpStatusCode.BadRequest);
            Assert.Equal("plants-not-theirs", problem.GetProperty("code").GetString());
            Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"observations/{look.Id}", UriKind.Relative), Stop)).StatusCode);
        }

        using var bench = await http.GetAsync(new Uri($"bench?planting={planting}&plants=99", UriKind.Relative), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, bench.StatusCode);
    }
}
