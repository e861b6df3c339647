using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Places;
using Mauvaise.Web.Trials;

namespace Mauvaise.Web.Tests;

/// <summary>The demo garden, started once for tests that change nothing.</summary>
public sealed class UntouchedDemo : IAsyncLifetime
{
    public TestApp App { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        App = await TestApp.StartAsync(demo: true);
        await App.RefreshWeatherAsync();
    }

    public ValueTask DisposeAsync() => App.DisposeAsync();
}

/// <summary>What is read, and what is refused in words, with nothing written.</summary>
public class LedgerReadingTests(UntouchedDemo demo) : IClassFixture<UntouchedDemo>
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private static async Task<T> GetAsync<T>(HttpClient http, string path) => (await http.GetFromJsonAsync<T>($"{Api}/{path}", TestApp.Json, Stop))!;

    [Fact]
    public async Task The_ledger_is_filtered_paged_and_summed()
    {
        using var http = demo.App.CreateClient();
        var all = await GetAsync<LedgerAnswer>(http, "ledger");
        Assert.Equal(100, all.Entries.Count);
        Assert.Equal(all.Total, all.Counts.Sum(c => c.Count));
        Assert.Equal(all.Entries.OrderByDescending(e => e.At).Select(e => e.At), all.Entries.Select(e => e.At));
        var next = await GetAsync<LedgerAnswer>(http, "ledger?skip=100&take=50");
        Assert.Empty(next.Entries.Select(e => e.Id).Intersect(all.Entries.Select(e => e.Id)));

        var chapel = all.Entries.First(e => e.Where.Any(w => w.StartsWith("Chapel", StringComparison.Ordinal))).PlaceIds[0];
        var sprays = await GetAsync<LedgerAnswer>(
            http,
            $"ledger?kind=spray&place={chapel}&material=bicarbonate&target=powdery-mildew&from=2026-06-01&to=2026-06-30"
        );
        Assert.Equal(4, sprays.Total);
        Assert.All(sprays.Entries, e => Assert.Contains("Chapel courgette", e.Where));
        Assert.Equal(4, sprays.Totals.Sprays);
        Assert.Equal(3.6, sprays.Totals.Litres, 6);
        Assert.Equal(4, sprays.Totals.Salt.Single().Rounds);
        Assert.Equal("bicarbonate", sprays.Totals.Groups.Single().Name);
        Assert.Equal([2026, 2025, 2024], all.Choices.Seasons.Select(s => s.Year));

        // The picture shows the season, or what was asked for.
        Assert.Equal((new DateOnly(2026, 3, 1), new DateOnly(2026, 7, 16)), (all.Picture.From, all.Picture.To));
        Assert.Equal(all.Picture.Rows.Select(r => r.Place).Distinct(), all.Picture.Rows.Select(r => r.Place));
        Assert.Equal(4, sprays.Picture.Rows.Single().Marks.Count);
        Assert.Equal("4 sprays, 0 by hand, 0 counts", sprays.Picture.Rows.Single().Words);
        Assert.All(sprays.Picture.Rows.Single().Marks, m => Assert.Equal((LedgerKind.Spray, "Bicarbonate", 6), (m.Kind, m.Words, m.On.Month)));
    }

    [Fact]
    public async Task A_place_tells_its_seasons()
    {
        using var http = demo.App.CreateClient();
        var chapel = (await GetAsync<LedgerAnswer>(http, "ledger"))
            .Entries.First(e => e.Where.Any(w => w.StartsWith("Chapel", StringComparison.Ordinal)))
            .PlaceIds[0];
        var story = await GetAsync<StoryAnswer>(http, $"places/{chapel}/story");
        var mildew = story.Chapters.First(c => c.Title == "Powdery mildew on courgette");
        Assert.Contains(mildew.Lines, l => l.Kind == StoryKind.Found && l.Sentence.StartsWith("Found", StringComparison.Ordinal));
        Assert.Contains(mildew.Lines, l => l.Kind == StoryKind.Done && l.Sentence.StartsWith("Bicarbonate", StringComparison.Ordinal));
        Assert.Contains(mildew.Lines, l => l.Kind == StoryKind.Judged && l.Sentence.StartsWith("Losing", StringComparison.Ordinal));
        Assert.NotEmpty(story.Row.Bands);
        Assert.Equal(mildew.Lines.OrderBy(l => l.At).Select(l => l.At), mildew.Lines.Select(l => l.At));
        var past = await GetAsync<StoryAnswer>(http, $"places/{chapel}/story?year=2025");
        Assert.Contains(past.Chapters, c => c.Lines.Any(l => l.Sentence.Contains("3 of 20 leaves", StringComparison.Ordinal)));
        Assert.All(past.Chapters.SelectMany(c => c.Lines).Where(l => l.Kind != StoryKind.Planted), l => Assert.Equal(2025, l.At.Year));
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"{Api}/places/{chapel}/story?year=1999", UriKind.Relative), Stop)).StatusCode);
    }

    [Fact]
    public async Task The_almanac_looks_back_and_ahead_by_season()
    {
        using var http = demo.App.CreateClient();
        var a = await GetAsync<AlmanacAnswer>(http, "almanac");
        Assert.Equal(10, a.Places.Count);
        Assert.True(a.WeeklySprays > a.Sprays && a.Sprays > 20);
        Assert.Contains(a.Burnt, b => b is { Crop: "Pea", Injury: Injury.Severe });
        Assert.Contains(a.Worked, w => w is { Material: "Insecticidal soap", Target: "Green peach aphid", Cleared: 2, Losing: 0 });
        var aphid = a.Firsts.First(f => f.Target == "black-bean-aphid");
        Assert.Equal([2024, 2025, 2026], aphid.Past.Select(p => p.Year));
        Assert.Contains("fortnight before", aphid.Before, StringComparison.Ordinal);
        Assert.Equal(2027, aphid.Expected!.Value.Year);
        Assert.True(aphid.ProtectFrom < aphid.Expected);
        Assert.Contains(a.Shopping, s => s.Material == "Neem oil" && s.Used > 0);
        var past = await GetAsync<AlmanacAnswer>(http, "almanac?year=2025");
        Assert.Equal(0, past.Sprays);
        Assert.Equal(4, past.Firsts.Count(f => f.Past.Any(p => p.Year == 2025)));
    }

    [Theory]
    [InlineData("ledger?kind=party", "kind-unknown")]
    [InlineData("ledger?from=2026-07-01&to=2026-06-01", "dates-turned")]
    [InlineData("ledger?take=100000", "take-range")]
    [InlineData("ledger/table.csv?kind=party", "kind-unknown")]
    public async Task A_question_that_makes_no_sense_is_answered_in_words(string path, string code)
    {
        using var http = demo.App.CreateClient();
        var answer = await http.GetAsync(new Uri($"{Api}/{path}", UriKind.Relative), Stop);
        Assert.Equal(
            (HttpStatusCode.BadRequest, code),
            (answer.StatusCode, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString())
        );
    }

    [Theory]
    [InlineData(3, 1.2, "bicarbonate-with-sticker", "time-ahead")]
    [InlineData(-2, 0, "bicarbonate-with-sticker", "size-range")]
    [InlineData(-2, 1, "gunpowder", "recipe-unknown")]
    [InlineData(-400, 1, "bicarbonate-with-sticker", "planting-not-growing")]
    public async Task A_spray_that_can_not_have_been_is_not_logged(int days, double litres, string recipe, string code)
    {
        using var http = demo.App.CreateClient();
        var problem = await http.SendAsync(
            $"{Api}/ledger/sprays",
            LedgerTests.ByHand(demo.App) with
            {
                At = demo.App.Clock.GetUtcNow().AddDays(days),
                Size = litres,
                Recipe = recipe,
            },
            HttpStatusCode.BadRequest
        );
        Assert.Equal(code, problem.GetProperty("code").GetString());
    }

    [Theory]
    [InlineData("", "empty")]
    [InlineData("when,what\r\n1,2", "\"kind\" is not among them")]
    [InlineData(
        "kind,at,places,material,litres\r\nspray,2026-07-10T18:00,Chapel/courgette,bicarbonate,=SUM(A1:A3)",
        "Line 2, litres: \"=SUM(A1:A3)\" is no number"
    )]
    [InlineData("kind,at,places,leaves_looked,leaves_affected\r\ncount,2026-07-10T18:00,Chapel/courgette,10,11", "more leaves are affected")]
    [InlineData("kind,at,places,leaves_looked\r\ncount,2026-07-10T18:00,Moon/courgette,10", "nothing like \"Moon/courgette\" grew then")]
    [InlineData("kind,at,places,leaves_looked\r\ncount,tomorrow,Chapel/courgette,10", "\"tomorrow\" is no time")]
    [InlineData("kind,at,places,leaves_looked\r\ncount,2027-07-10T18:00,Chapel/courgette,10", "future")]
    [InlineData("kind,at\r\nparty,2026-07-10T18:00", "no kind of record")]
    [InlineData("kind,at,places,spray_id\r\ncheck,2026-07-10T18:00,Chapel/courgette,00000000-0000-0000-0000-000000000009", "neither here nor in the table")]
    public async Task A_table_that_can_not_be_read_says_where_and_nothing_is_brought_in(string text, string told)
    {
        using var http = demo.App.CreateClient();
        var before = await http.GetStringAsync($"{Api}/ledger/table.csv", Stop);
        var preview = await http.SendAsync($"{Api}/ledger/table/preview", new LedgerTable(text), HttpStatusCode.OK);
        Assert.Contains(preview.GetProperty("faults").EnumerateArray(), f => f.GetString()!.Contains(told, StringComparison.Ordinal));
        Assert.Equal(
            "table-faults",
            (await http.SendAsync($"{Api}/ledger/table", new LedgerTable(text), HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );
        Assert.Equal(before, await http.GetStringAsync($"{Api}/ledger/table.csv", Stop));
    }

    [Fact]
    public async Task What_a_trial_could_show_is_told_before_it_begins()
    {
        using var http = demo.App.CreateClient();
        var power = await GetAsync<TrialPowerAnswer>(http, "trials/power?units=41&leavesPerUnit=1&sides=2");
        Assert.Equal(20, power.LeavesASide);
        Assert.StartsWith("With 20 leaves a side you would see a difference of 4", power.Sentence, StringComparison.Ordinal);
        Assert.True((await GetAsync<TrialPowerAnswer>(http, "trials/power?units=12&leavesPerUnit=10&sides=3")).Points < power.Points);
        var none = await http.GetAsync($"{Api}/trials/power?units=2&leavesPerUnit=1&sides=3", Stop);
        Assert.Equal("units-few", (await none.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
    }

    [Fact]
    public async Task A_mix_says_what_its_amount_is_told_in()
    {
        using var http = demo.App.CreateClient();
        var units = (await GetAsync<List<DosedRecipe>>(http, "ledger/recipes")).ToDictionary(r => r.Id, r => r.SizeUnit);
        Assert.Equal(("l", "m²"), (units["insecticidal-soap"], units["earth-dust"]));
    }

    public static TheoryData<string> BadTrials =>
        ["sides-alone", "sides-range", "units-range", "target-unknown", "name-length", "recipe-unknown", "leaves-range", "sides-twice"];

    [Theory]
    [MemberData(nameof(BadTrials))]
    public async Task A_trial_that_could_show_nothing_is_refused(string code)
    {
        using var http = demo.App.CreateClient();
        NewTrialSide alone = new(null, DoseStep.Usual),
            milk = new("milk", DoseStep.Usual);
        var good = new NewTrial(Guid.NewGuid(), "T", "powdery-mildew", TrialUnitKind.Plant, 10, false, [alone, milk], [new(Courgette, 8)]);
        var bad = code switch
        {
            "sides-alone" => good with { Sides = [milk, milk with { Step = DoseStep.Gentle }] },
            "sides-range" => good with { Sides = [alone] },
            "units-range" => good with { Plantings = [new(Courgette, 1)] },
            "target-unknown" => good with { Target = "gout" },
            "name-length" => good with { Name = " " },
            "recipe-unknown" => good with { Sides = [alone, new("gunpowder", DoseStep.Usual)] },
            "sides-twice" => good with { Sides = [alone, milk, milk] },
            _ => good with { LeavesPerUnit = 0 },
        };
        Assert.Equal(code, (await http.SendAsync($"{Api}/trials", bad, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
        Assert.Single((await http.GetFromJsonAsync<List<TrialAnswer>>($"{Api}/trials", TestApp.Json, Stop))!);
    }
}
