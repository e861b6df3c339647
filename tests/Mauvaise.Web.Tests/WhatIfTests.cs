using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Web.Demo;
using Mauvaise.Web.WhatIfs;

namespace Mauvaise.Web.Tests;

public sealed class WhatIfTests : IAsyncLifetime
{
    private static readonly Guid Aubergine = DemoGarden.PlantingId("Polytunnel north/aubergine");
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

    private Task<WhatIfAnswer?> PlayAsync(string query) => http.GetFromJsonAsync<WhatIfAnswer>($"what-if?{query}", TestApp.Json, Stop);

    [Fact]
    public async Task Schedules_are_played_through_alike_each_time()
    {
        await app.RefreshWeatherAsync();
        var query = $"planting={Aubergine}&target=spider-mite&recipe=oil-with-soap&days=0,7,20";
        var first = (await PlayAsync(query))!;
        var again = (await PlayAsync(query))!;
        Assert.Equal(JsonSerializer.Serialize(first.Curves), JsonSerializer.Serialize(again.Curves));
        Assert.Equal(["", "0", "0,7,14", "0,14,28", "0,7,20"], first.Curves.Select(c => string.Join(',', c.SprayDays)));
        Assert.All(first.Curves.SelectMany(c => c.Days), d => Assert.True(0 <= d.Low && d.Low <= d.Middle && d.Middle <= d.High && d.High <= 1));
        var (nothing, once, thrice, fortnights) = (first.Curves[0], first.Curves[1], first.Curves[2], first.Curves[3]);
        Assert.True(nothing.MeanShare > once.MeanShare && once.MeanShare > fortnights.MeanShare && fortnights.MeanShare > thrice.MeanShare);
        Assert.True(nothing.Loss > thrice.Loss);
        Assert.Equal((0.0, 3 * once.Litres), (nothing.Litres, thrice.Litres));
    }

    [Fact]
    public async Task A_disease_is_played_in_shares_of_leaves_too()
    {
        await app.RefreshWeatherAsync();
        var answer = (await PlayAsync($"planting={DemoGarden.PlantingId("Chapel/courgette")}&target=powdery-mildew&recipe=neem-with-soap"))!;
        Assert.True(answer.CanPrune);
        Assert.InRange(answer.Line, 0.01, 0.5);
        Assert.True(answer.Curves[2].MeanShare < answer.Curves[0].MeanShare);
    }

    [Theory]
    [InlineData("target=spider-mite&days=5,3", "days-not-days")]
    [InlineData("target=spider-mite&days=0,400", "days-not-days")]
    [InlineData("target=spider-mite&days=soon", "days-not-days")]
    [InlineData("target=spider-mite&recipe=oil-with-soap&days=0,1", "days-too-close")]
    [InlineData("target=thrips", "no-count")]
    [InlineData("target=virus", "not-simulated")]
    [InlineData("target=unicorn", "target-unknown")]
    public async Task What_can_not_be_played_is_told(string query, string code)
    {
        var answer = await http.GetAsync(new Uri($"what-if?planting={Aubergine}&{query}", UriKind.Relative), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(code, JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement.GetProperty("code").GetString());
    }
}
