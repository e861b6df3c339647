using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;

namespace Mauvaise.Web.Tests;

/// <summary>Reasons leave the app as a code, a sentence and the figures in it, whoever reads them.</summary>
public class ReasonTests
{
    private static readonly string[] Views =
    [
        "decide",
        "plan",
        "board",
        "round",
        "prevention",
        "shelf",
        "bench?planting=" + DemoGarden.PlantingId("Chapel/courgette") + "&target=powdery-mildew",
    ];

    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private sealed record Told(
        string View,
        string Code,
        string Sentence,
        IReadOnlyList<(string Name, string Kind, double? Amount, DateOnly? Day, string Words)> Figures
    );

    /// <summary>Every reason in an answer, wherever it stands.</summary>
    private static IEnumerable<Told> In(string view, JsonElement element) =>
        element.ValueKind switch
        {
            JsonValueKind.Array => element.EnumerateArray().SelectMany(e => In(view, e)),
            JsonValueKind.Object when element.TryGetProperty("figures", out var figures) =>
            [
                new Told(
                    view,
                    element.Text("code")!,
                    element.TryGetProperty("sentence", out var sentence) ? sentence.GetString()! : element.Text("words")!,
                    [
                        .. figures
                            .EnumerateArray()
                            .Select(f =>
                                (
                                    f.Text("name")!,
                                    f.Text("kind")!,
                                    f.GetProperty("amount").ValueKind == JsonValueKind.Null ? (double?)null : f.GetProperty("amount").GetDouble(),
                                    f.Text("day") is { } day ? DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture) : (DateOnly?)null,
                                    f.Text("words")!
                                )
                            ),
                    ]
                ),
            ],
            JsonValueKind.Object => element.EnumerateObject().SelectMany(p => In(view, p.Value)),
            _ => [],
        };

    private static async Task<List<Told>> ReadAsync(TestApp app, string language)
    {
        using var http = app.CreateClient();
        http.DefaultRequestHeaders.Add("Accept-Language", language);
        var all = new List<Told>();
        foreach (var view in Views)
        {
            all.AddRange(In(view, await http.GetFromJsonAsync<JsonElement>(new Uri($"{Api}/{view}", UriKind.Relative), Stop)));
        }

        return all;
    }

    private static async Task<TestApp> DemoAsync(Country? household = null)
    {
        var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        if (household is not null)
        {
            using var http = app.CreateClient();
            var settings = new GardenSettings(Stance.WatchAndTreat, household.Kitchen, Units: household.Units);
            await http.SendPutAsync($"{Api}/settings", settings, HttpStatusCode.NoContent);
        }

        return app;
    }

    [Fact]
    public async Task Every_screen_that_advises_gives_its_reasons_with_codes_and_the_figures_stand_in_the_sentence()
    {
        await using var app = await DemoAsync();
        var reasons = await ReadAsync(app, "en");
        Assert.All(Views, view => Assert.Contains(reasons, r => r.View == view && r.Figures.Count > 0));
        Assert.All(reasons, r => Assert.Matches("^[a-z][A-Za-z0-9.-]+$", r.Code));
        Assert.All(reasons, r => Assert.All(r.Figures, f => Assert.Contains(f.Words, r.Sentence, StringComparison.OrdinalIgnoreCase)));
        // Whoever reckons further finds a number or a day wherever the kind promises one.
        Assert.All(reasons.SelectMany(r => r.Figures), f =>
            Assert.True(f.Kind is "thing" or "clause" or "unit" || f.Amount is not null || f.Day is not null, $"{f.Kind} {f.Words}")
        );
    }

    [Fact]
    public async Task A_us_household_reads_the_same_amounts_in_its_own_words()
    {
        await using var metric = await DemoAsync();
        var here = await ReadAsync(metric, "en");
        await using var app = await DemoAsync(Country.All.First(c => c.Code == "US"));
        var there = await ReadAsync(app, "en-US");

        static IEnumerable<(string Code, string Name, double? Amount, DateOnly? Day)> Amounts(List<Told> all) =>
            all.SelectMany(r => r.Figures.Where(f => f.Kind is not "thing").Select(f => (r.Code, f.Name, f.Amount, f.Day)));

        Assert.Equal(Amounts(here), Amounts(there));
        Assert.All(there, r => Assert.DoesNotContain('\uE000', r.Sentence));
        Assert.All(there.SelectMany(r => r.Figures), f => Assert.DoesNotContain('\uE000', f.Words));
        Assert.All(there, r => Assert.All(r.Figures, f => Assert.Contains(f.Words, r.Sentence, StringComparison.OrdinalIgnoreCase)));
        Assert.NotEqual(here.Select(r => r.Sentence), there.Select(r => r.Sentence));
    }

    [Theory]
    [InlineData("de")]
    [InlineData("es")]
    public async Task Another_language_gives_the_same_codes_and_amounts_in_other_sentences(string language)
    {
        await using var app = await DemoAsync();
        var (here, there) = (await ReadAsync(app, "en"), await ReadAsync(app, language));
        Assert.Equal(here.Select(r => (r.View, r.Code)), there.Select(r => (r.View, r.Code)));
        Assert.Equal(
            here.SelectMany(r => r.Figures).Select(f => (f.Name, f.Amount, f.Day)),
            there.SelectMany(r => r.Figures).Select(f => (f.Name, f.Amount, f.Day))
        );
        Assert.All(here.Zip(there).Where(x => x.First.Figures.Count > 0), x => Assert.NotEqual(x.First.Sentence, x.Second.Sentence));
    }

    [Fact]
    public async Task What_a_step_says_of_its_share_is_the_share_of_its_ladder()
    {
        await using var app = await DemoAsync();
        using var http = app.CreateClient();
        var decide = await http.GetFromJsonAsync<JsonElement>(new Uri($"{Api}/decide", UriKind.Relative), Stop);
        var told = 0;
        foreach (var ladder in decide.GetProperty("ladders").EnumerateArray())
        {
            foreach (var said in In("decide", ladder.GetProperty("steps")).Where(r => r.Code == "actions.waitingLetsItGrow"))
            {
                told++;
                Assert.Equal(ladder.GetProperty("share").GetDouble() * 100, said.Figures.Single(f => f.Name == "share").Amount!.Value, 9);
                Assert.Equal(ladder.GetProperty("line").GetDouble() * 100, said.Figures.Single(f => f.Name == "share2").Amount!.Value, 9);
            }
        }

        Assert.True(told > 2, $"{told} steps");
    }
}
