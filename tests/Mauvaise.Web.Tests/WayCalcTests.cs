using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Decide;

namespace Mauvaise.Web.Tests;

/// <summary>Ways without a garden.</summary>
public sealed class WayCalcTests : IAsyncLifetime
{
    private static readonly WaysRequest Aphids = new("courgette", PlaceKind.OpenBed, new DateOnly(2026, 7, 16), 47, "continental", "melon-aphid", 0.6);
    private TestApp app = null!;
    private HttpClient http = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: false);
        http = app.CreateClient();
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    private async Task<WaysAnswer> AskAsync(WaysRequest body)
    {
        var answer = await http.PostAsJsonAsync(new Uri("/api/calc/ways", UriKind.Relative), body, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<WaysAnswer>(TestApp.Json, Stop))!;
    }

    [Fact]
    public async Task Aphids_on_most_leaves_get_a_way_that_holds()
    {
        var answer = await AskAsync(Aphids);
        var proposed = Assert.Single(answer.Ways, w => w.Proposed);
        Assert.Equal(0.2, answer.Line);
        Assert.True(proposed.Holds && proposed.Share!.Middle <= answer.Line && proposed.Against.Count == 0);
        Assert.True(proposed.LossPercent < answer.Ways.First(w => w.Id == "nothing").LossPercent);
        Assert.Contains(answer.Ways, w => w.Id == "take-out");
        Assert.All(answer.Ways.Where(w => w.Materials.Count > 0), w => Assert.InRange(w.Sprays, 1, 4));
        Assert.Equal(JsonSerializer.Serialize(answer), JsonSerializer.Serialize(await AskAsync(Aphids)));
    }

    [Fact]
    public async Task The_stance_the_helpers_and_the_half_of_the_world_are_weighed()
    {
        Assert.Empty((await AskAsync(Aphids with { Stance = Stance.LastResort })).Ways[0].Materials);
        Assert.Equal("nothing", (await AskAsync(Aphids with { Crop = "kale", Target = "cabbage-aphid", Share = 0.3, Helpers = 4 })).Ways[0].Id);
        var (summer, winter) = (
            await AskAsync(Aphids with { Latitude = -37, Date = new DateOnly(2026, 1, 16) }),
            await AskAsync(Aphids with { Latitude = -37 })
        );
        Assert.True(summer.Ways.First(w => w.Id == "nothing").LossPercent > winter.Ways.First(w => w.Id == "nothing").LossPercent);
        Assert.Equal("take-out", (await AskAsync(Aphids with { Target = "virus" })).Ways[0].Id);
        Assert.Contains(
            "potassium-bicarbonate",
            (await AskAsync(Aphids with { Target = "powdery-mildew", DiseaseApproach = DiseaseApproach.ProtectOnly })).Ways[0].Materials
        );
    }

    [Theory]
    [InlineData("share", "share-range")]
    [InlineData("crop", "crop-unknown")]
    [InlineData("target", "target-unknown")]
    [InlineData("climate", "climate-unknown")]
    [InlineData("latitude", "latitude-range")]
    public async Task What_can_not_be_weighed_is_told(string field, string code)
    {
        var body = field switch
        {
            "share" => Aphids with { Share = 0 },
            "crop" => Aphids with { Crop = "courgete" },
            "target" => Aphids with { Target = "melon-aphids" },
            "climate" => Aphids with { Climate = "lunar" },
            _ => Aphids with { Latitude = 91 },
        };
        var answer = await http.PostAsJsonAsync(new Uri("/api/calc/ways", UriKind.Relative), body, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var problem = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement;
        Assert.Equal(code, problem.GetProperty("code").GetString());
        Assert.True(problem.GetProperty("errors").TryGetProperty(field, out _));
    }
}
