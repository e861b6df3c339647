using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Web.Decide;
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
    public async Task Ways_and_schedules_of_ones_own_are_played_through_alike_each_time()
    {
        await app.RefreshWeatherAsync();
        var query = $"planting={Aubergine}&target=spider-mite&share=0.3&recipe=oil-with-soap&days=0,7,20";
        var first = (await PlayAsync(query))!;
        var again = (await PlayAsync(query))!;
        Assert.Equal(JsonSerializer.Serialize(first.Curves), JsonSerializer.Serialize(again.Curves));
        Assert.Contains(first.Curves, c => c.Id == "nothing");
        Assert.Equal([0, 7, 20], first.Curves[^1].SprayDays);
        Assert.All(first.Curves.SelectMany(c => c.Days), d => Assert.True(0 <= d.Low && d.Low <= d.Middle && d.Middle <= d.High && d.High <= 1));
        var (nothing, own) = (first.Curves.First(c => c.Id == "nothing"), first.Curves[^1]);
        Assert.True(nothing.Loss > own.Loss && nothing.Days[^1].Middle > own.Days[^1].Middle);
        Assert.Equal(0.0, nothing.Litres);
        Assert.False(first.Counted);
    }

    [Fact]
    public async Task What_was_counted_is_played_with_the_figures_of_Decide()
    {
        await app.RefreshWeatherAsync();
        var courgette = DemoGarden.PlantingId("Chapel/courgette");
        var answer = (await PlayAsync($"planting={courgette}&target=powdery-mildew"))!;
        var ways = (await http.GetFromJsonAsync<WaysAnswer>($"ways?planting={courgette}&target=powdery-mildew", TestApp.Json, Stop))!;
        Assert.True(answer.Counted);
        Assert.Equal((ways.Sentence, ways.Line), (answer.Answer, answer.Line));
        // What is drawn is drawn to a hundredth of a per cent.
        Assert.All(answer.Curves, c => Assert.Equal(Math.Round(ways.Ways.First(w => w.Id == c.Id).Share!.Middle, 4), c.Days[^1].Middle));
        var three = (await PlayAsync($"planting={courgette}&target=powdery-mildew&way=prune&way=milk"))!;
        Assert.Equal(["milk", "nothing", "prune"], three.Curves.Select(c => c.Id).Order());
    }

    [Theory]
    [InlineData("target=spider-mite&days=5,3", "days-not-days")]
    [InlineData("target=spider-mite&days=0,400", "days-not-days")]
    [InlineData("target=spider-mite&days=soon", "days-not-days")]
    [InlineData("target=spider-mite&share=0.3&recipe=oil-with-soap&days=0,1", "days-too-close")]
    [InlineData("target=spider-mite&share=1.5", "share-range")]
    [InlineData("target=spider-mite&share=0.3&way=magic", "way-unknown")]
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
