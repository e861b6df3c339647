using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Web.Demo;

namespace Mauvaise.Web.Tests;

/// <summary>Facts of the catalogue as the screens ask for them: once, and packed.</summary>
public sealed class FactsTests : DemoTest
{
    [Fact]
    public async Task Signs_are_told_once_and_each_crop_names_its_own()
    {
        using var http = App.CreateClient();
        var signs = (await http.GetFromJsonAsync<List<JsonElement>>("/api/catalogue/signs", Stop))!.Select(s => s.GetProperty("id").GetString()!).ToHashSet();
        var onCrops = (await http.GetFromJsonAsync<Dictionary<string, List<string>>>("/api/catalogue/crop-signs", Stop))!;
        var crops = (await http.GetFromJsonAsync<List<JsonElement>>("/api/catalogue/crops", Stop))!.Select(c => c.GetProperty("id").GetString()!);
        Assert.Equal(crops.Order(), onCrops.Keys.Order());
        Assert.All(onCrops.Values, ids => Assert.Subset(signs, ids.ToHashSet()));
        Assert.Contains("swollen-roots", onCrops["kale"]);
        Assert.True(onCrops["kale"].IndexOf("holes") < onCrops["kale"].IndexOf("cracked-stems"));
    }

    [Fact]
    public async Task Answers_come_packed_and_the_line_of_news_does_not()
    {
        using var http = App.CreateClient();
        var unpacked = (await http.GetByteArrayAsync("/api/catalogue/targets", Stop)).Length;
        http.DefaultRequestHeaders.AcceptEncoding.ParseAdd("br");
        var packed = await http.GetAsync("/api/catalogue/targets", Stop);
        Assert.Equal(["br"], packed.Content.Headers.ContentEncoding);
        Assert.True((await packed.Content.ReadAsByteArrayAsync(Stop)).Length < unpacked / 2);
        using var news = await http.GetAsync($"/api/gardens/{DemoGarden.GardenId}/changes", HttpCompletionOption.ResponseHeadersRead, Stop);
        Assert.Equal("text/event-stream", news.Content.Headers.ContentType?.MediaType);
        Assert.DoesNotContain("br", news.Content.Headers.ContentEncoding);
    }
}
