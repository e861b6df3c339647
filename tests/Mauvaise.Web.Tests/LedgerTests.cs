using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Trials;
using Mauvaise.Web.Archive;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Learned;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Places;
using Mauvaise.Web.Trials;

namespace Mauvaise.Web.Tests;

public class LedgerTests
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly Guid Kale = DemoGarden.PlantingId("Winding Hole/kale");
    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private static async Task<(TestApp App, HttpClient Http)> DemoAsync()
    {
        var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        return (app, app.CreateClient());
    }

    private static async Task<T> GetAsync<T>(HttpClient http, string path) => (await http.GetFromJsonAsync<T>($"{Api}/{path}", TestApp.Json, Stop))!;

    private static HandSpray ByHand(TestApp app, Guid? planting = null) => new(
        Guid.NewGuid(), Guid.NewGuid(), app.Clock.GetUtcNow().AddDays(-2), [planting ?? Courgette], "bicarbonate-with-sticker", DoseStep.Usual, 1.2, "powdery-mildew", 0.8, [WettedPart.Tops], Note: "=2+3 forgot it, \"sorry\"");

    [Fact]
    public async Task The_ledger_is_filtered_paged_and_summed()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var all = await GetAsync<LedgerAnswer>(http, "ledger");
        Assert.Equal(100, all.Entries.Count);
        Assert.Equal(all.Total, all.Counts.Sum(c => c.Count));
        Assert.Equal(all.Entries.OrderByDescending(e => e.At).Select(e => e.At), all.Entries.Select(e => e.At));
        var next = await GetAsync<LedgerAnswer>(http, "ledger?skip=100&take=50");
        Assert.Empty(next.Entries.Select(e => e.Id).Intersect(all.Entries.Select(e => e.Id)));

        var chapel = all.Entries.First(e => e.Where.Any(w => w.StartsWith("Chapel", StringComparison.Ordinal))).PlaceIds[0];
        var sprays = await GetAsync<LedgerAnswer>(http, $"ledger?kind=spray&place={chapel}&material=bicarbonate&target=powdery-mildew&from=2026-06-01&to=2026-06-30");
        Assert.Equal(4, sprays.Total);
        Assert.All(sprays.Entries, e => Assert.Contains("Chapel courgette", e.Where));
        Assert.Equal(4, sprays.Totals.Sprays);
        Assert.Equal(3.6, sprays.Totals.Litres, 6);
        Assert.Equal(4, sprays.Totals.Salt.Single().Rounds);
        Assert.Equal("bicarbonate", sprays.Totals.Groups.Single().Name);
        Assert.Equal([2026, 2025, 2024], all.Choices.Seasons.Select(s => s.Year));
    }

    [Theory]
    [InlineData("ledger?kind=party", "kind-unknown")]
    [InlineData("ledger?from=2026-07-01&to=2026-06-01", "dates-turned")]
    [InlineData("ledger?take=100000", "take-range")]
    [InlineData("ledger/table.csv?kind=party", "kind-unknown")]
    public async Task A_question_that_makes_no_sense_is_answered_in_words(string path, string code)
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        var answer = await http.GetAsync(new Uri($"{Api}/{path}", UriKind.Relative), Stop);
        Assert.Equal((HttpStatusCode.BadRequest, code), (answer.StatusCode, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString()));
    }

    [Fact]
    public async Task A_spray_logged_by_hand_counts_like_any_other_and_is_put_right_with_its_history()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var spray = ByHand(app) with { FromShelf = true };
        var before = (await http.GetFromJsonAsync<JsonElement>($"{Api}/shelf", Stop)).GetProperty("stocks").EnumerateArray().First(x => x.GetProperty("material").GetString() == "bicarbonate").GetProperty("left").GetDouble();
        await http.SendAsync($"{Api}/ledger/sprays", spray, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/ledger/sprays", spray, HttpStatusCode.Created);
        var record = await GetAsync<SprayRecord>(http, $"ledger/sprays/{spray.Id}");
        Assert.Equal((1.2, 0.8, SprayReason.OwnIdea), (record.Litres, record.ShareWetted, record.Why));
        Assert.Contains("humidity", record.Air, StringComparison.Ordinal);
        Assert.NotEmpty(record.Mix);
        Assert.NotNull(record.ExpectedLitres);
        Assert.Single(record.CheckBackIds);
        var after = (await http.GetFromJsonAsync<JsonElement>($"{Api}/shelf", Stop)).GetProperty("stocks").EnumerateArray().First(x => x.GetProperty("material").GetString() == "bicarbonate").GetProperty("left").GetDouble();
        Assert.True(after < before);

        var right = new SprayCorrection(record.At.AddHours(-1), 0.9, 0.8, [WettedPart.Undersides, WettedPart.Tops], [Courgette, DemoGarden.PlantingId("Chapel/squash")], "powdery-mildew", SprayReason.Plan, "Two beds", null);
        var put = await http.PutAsJsonAsync($"{Api}/ledger/sprays/{spray.Id}", right, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.OK, put.StatusCode);
        var now = await GetAsync<SprayRecord>(http, $"ledger/sprays/{spray.Id}");
        Assert.Equal(["litres", "note", "parts", "places", "time", "why"], now.History.Select(h => h.Field).Order());
        Assert.Equal(("1.2", "0.9"), now.History.Where(h => h.Field == "litres").Select(h => (h.Was, h.Became)).Single());
        Assert.Equal(2, now.CheckBackIds.Count);
        Assert.Contains((await GetAsync<LedgerAnswer>(http, "ledger?kind=spray")).Entries, e => e.Id == spray.Id && e.Corrected);

        // The same once more is no correction.
        await http.PutAsJsonAsync($"{Api}/ledger/sprays/{spray.Id}", right, TestApp.Json, Stop);
        Assert.Equal(6, (await GetAsync<SprayRecord>(http, $"ledger/sprays/{spray.Id}")).History.Count);
    }

    [Fact]
    public async Task What_is_struck_out_counts_for_nothing_and_comes_back()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var spray = ByHand(app);
        await http.SendAsync($"{Api}/ledger/sprays", spray, HttpStatusCode.Created);
        var with = (await GetAsync<LedgerAnswer>(http, "ledger?material=bicarbonate")).Totals.Sprays;
        await http.SendAsync($"{Api}/ledger/sprays/{spray.Id}/strike", new SprayStruck(true), HttpStatusCode.OK);
        var struck = await GetAsync<LedgerAnswer>(http, "ledger?material=bicarbonate");
        Assert.Equal(with - 1, struck.Totals.Sprays);
        Assert.Contains(struck.Entries, e => e.Id == spray.Id && e.Struck);
        var due = await http.GetStringAsync($"{Api}/check-backs", Stop);
        Assert.DoesNotContain((await GetAsync<SprayRecord>(http, $"ledger/sprays/{spray.Id}")).CheckBackIds[0].ToString(), due, StringComparison.Ordinal);
        var put = await http.PutAsJsonAsync($"{Api}/ledger/sprays/{spray.Id}", new SprayCorrection(spray.At, 1, 0.9, [], [Courgette], null, SprayReason.OwnIdea, null, null), TestApp.Json, Stop);
        Assert.Equal("spray-struck", (await put.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
        await http.SendAsync($"{Api}/ledger/sprays/{spray.Id}/strike", new SprayStruck(false), HttpStatusCode.OK);
        Assert.Equal(with, (await GetAsync<LedgerAnswer>(http, "ledger?material=bicarbonate")).Totals.Sprays);
    }

    [Theory]
    [InlineData(3, 1.2, "bicarbonate-with-sticker", "time-ahead")]
    [InlineData(-2, 0, "bicarbonate-with-sticker", "size-range")]
    [InlineData(-2, 1, "gunpowder", "recipe-unknown")]
    [InlineData(-400, 1, "bicarbonate-with-sticker", "planting-not-growing")]
    public async Task A_spray_that_can_not_have_been_is_not_logged(int days, double litres, string recipe, string code)
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        var problem = await http.SendAsync($"{Api}/ledger/sprays", ByHand(app) with { At = app.Clock.GetUtcNow().AddDays(days), Size = litres, Recipe = recipe }, HttpStatusCode.BadRequest);
        Assert.Equal(code, problem.GetProperty("code").GetString());
    }

    [Fact]
    public async Task The_table_goes_out_and_in_again_without_loss_and_is_safe_in_a_spreadsheet()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var spray = ByHand(app, Kale) with { Recipe = "castile-soap", Target = "cabbage-aphid" };
        await http.SendAsync($"{Api}/ledger/sprays", spray, HttpStatusCode.Created);
        var first = await http.GetStringAsync($"{Api}/ledger/table.csv", Stop);
        Assert.Contains("\r\n", first, StringComparison.Ordinal);
        Assert.Contains("'=2+3 forgot it", first, StringComparison.Ordinal);
        Assert.DoesNotContain(",=", first, StringComparison.Ordinal);
        Assert.DoesNotContain(",\"=", first, StringComparison.Ordinal);

        // Into the same garden as it was before anything was recorded.
        var archive = await http.GetByteArrayAsync($"{Api}/archive", Stop);
        await using var empty = await TestApp.StartAsync(demo: false);
        using var bare = empty.CreateClient();
        await ArchiveTests.SendAsync<TakenIn>(bare, "/api/archive?takeTheirs=false", ArchiveTests.WithoutRecords(archive));
        var preview = await bare.SendAsync($"{Api}/ledger/table/preview", new LedgerTable(first), HttpStatusCode.OK);
        Assert.Equal(0, preview.GetProperty("faults").GetArrayLength());
        Assert.True(preview.GetProperty("fresh").GetInt32() > 300);
        await bare.SendAsync($"{Api}/ledger/table", new LedgerTable(first), HttpStatusCode.OK);
        // Mixes and walks are no part of the table, so they do not come back with it.
        Assert.Equal(Without(first, "batch_id", "walk_id"), Without(await bare.GetStringAsync($"{Api}/ledger/table.csv", Stop), "batch_id", "walk_id"));

        var again = await http.SendAsync($"{Api}/ledger/table", new LedgerTable(first), HttpStatusCode.OK);
        Assert.Equal(0, again.GetProperty("fresh").GetInt32());
        Assert.Equal(first, await http.GetStringAsync($"{Api}/ledger/table.csv", Stop));
    }

    [Theory]
    [InlineData("", "empty")]
    [InlineData("when,what\r\n1,2", "\"kind\" is not among them")]
    [InlineData("kind,at,places,material,litres\r\nspray,2026-07-10T18:00,Chapel/courgette,bicarbonate,=SUM(A1:A3)", "Line 2, litres: \"=SUM(A1:A3)\" is no number")]
    [InlineData("kind,at,places,leaves_looked,leaves_affected\r\ncount,2026-07-10T18:00,Chapel/courgette,10,11", "more leaves are affected")]
    [InlineData("kind,at,places,leaves_looked\r\ncount,2026-07-10T18:00,Moon/courgette,10", "nothing like \"Moon/courgette\" grew then")]
    [InlineData("kind,at,places,leaves_looked\r\ncount,tomorrow,Chapel/courgette,10", "\"tomorrow\" is no time")]
    [InlineData("kind,at,places,leaves_looked\r\ncount,2027-07-10T18:00,Chapel/courgette,10", "future")]
    [InlineData("kind,at\r\nparty,2026-07-10T18:00", "no kind of record")]
    [InlineData("kind,at,places,spray_id\r\ncheck,2026-07-10T18:00,Chapel/courgette,00000000-0000-0000-0000-000000000009", "neither here nor in the table")]
    public async Task A_table_that_can_not_be_read_says_where_and_nothing_is_brought_in(string text, string told)
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        var before = await http.GetStringAsync($"{Api}/ledger/table.csv", Stop);
        var preview = await http.SendAsync($"{Api}/ledger/table/preview", new LedgerTable(text), HttpStatusCode.OK);
        Assert.Contains(preview.GetProperty("faults").EnumerateArray(), f => f.GetString()!.Contains(told, StringComparison.Ordinal));
        Assert.Equal("table-faults", (await http.SendAsync($"{Api}/ledger/table", new LedgerTable(text), HttpStatusCode.BadRequest)).GetProperty("code").GetString());
        Assert.Equal(before, await http.GetStringAsync($"{Api}/ledger/table.csv", Stop));
    }

    [Fact]
    public async Task A_line_written_in_a_spreadsheet_becomes_a_record()
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        const string table = "kind;at;places;leaves_looked;leaves_affected;against;note\r\ncount;2026-07-10T18:00;Chapel/courgette;20;3;powdery-mildew;'-5 it was cold\r\n";
        var done = await http.SendAsync($"{Api}/ledger/table", new LedgerTable(table), HttpStatusCode.OK);
        Assert.Equal(1, done.GetProperty("fresh").GetInt32());
        var entry = (await GetAsync<LedgerAnswer>(http, "ledger?kind=count&from=2026-07-10&to=2026-07-10&target=powdery-mildew")).Entries.First(e => e.Note == "-5 it was cold");
        Assert.Equal(new DateTimeOffset(2026, 7, 10, 16, 0, 0, TimeSpan.Zero), entry.At.ToUniversalTime());
    }

    [Fact]
    public async Task A_place_tells_its_seasons()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var chapel = (await GetAsync<LedgerAnswer>(http, "ledger")).Entries.First(e => e.Where.Any(w => w.StartsWith("Chapel", StringComparison.Ordinal))).PlaceIds[0];
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
        var (app, http) = await DemoAsync();
        await using var _ = app;
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

    [Fact]
    public async Task An_outcome_is_set_aside_and_counts_again()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var before = (await GetAsync<LearnedGardenAnswer>(http, "learned")).Efficacies.First(e => e is { Material: "insecticidal-soap", About: "whitefly" });
        Assert.True(before.Now.Mean < before.Usual.Mean);
        Assert.True(before.Now.Low < before.Now.Mean && before.Now.Mean < before.Now.High);
        var worst = before.Outcomes.MinBy(o => o.Hits)!;
        await http.SendAsync($"{Api}/check-backs/{worst.CheckBackId}/discount", new { why = "Somebody hosed it" }, HttpStatusCode.NoContent);
        var aside = (await GetAsync<LearnedGardenAnswer>(http, "learned")).Efficacies.First(e => e is { Material: "insecticidal-soap", About: "whitefly" });
        Assert.True(aside.Now.Mean > before.Now.Mean);
        Assert.Equal("Somebody hosed it", aside.Outcomes.First(o => o.CheckBackId == worst.CheckBackId).DiscountedFor);
        await http.SendAsync($"{Api}/check-backs/{worst.CheckBackId}/discount", new { why = (string?)null }, HttpStatusCode.NoContent);
        Assert.Equal(before.Now.Mean, (await GetAsync<LearnedGardenAnswer>(http, "learned")).Efficacies.First(e => e is { Material: "insecticidal-soap", About: "whitefly" }).Now.Mean, 10);
        await http.SendAsync($"{Api}/check-backs/{Guid.NewGuid()}/discount", new { why = "x" }, HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_trial_runs_from_the_lot_to_its_verdict()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var trial = new NewTrial(Guid.NewGuid(), "Milk on the squash", "powdery-mildew", TrialUnitKind.Leaf, 1, true, [new(null, DoseStep.Usual), new("milk", DoseStep.Usual)], [new(DemoGarden.PlantingId("Chapel/squash"), 40)], 7);
        await http.SendAsync($"{Api}/trials", trial, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/trials", trial, HttpStatusCode.Created);
        var opened = await GetAsync<TrialAnswer>(http, $"trials/{trial.Id}");
        Assert.All(opened.Units, u => Assert.Null(u.Side));
        var sheet = await GetAsync<TrialSheet>(http, $"trials/{trial.Id}/sheet");
        Assert.Equal([20, 20], sheet.Sides.Select(s => s.Units.Count));
        var milk = sheet.Sides.First(s => s.Name != "Left alone").Units.Select(u => u.Number).ToHashSet();

        TrialCounts All(Func<int, int> affected) => new([.. opened.Units.Select(u => new NewTrialCount(Guid.NewGuid(), u.Number, 1, affected(u.Number)))]);
        await http.SendAsync($"{Api}/trials/{trial.Id}/counts", All(_ => 1), HttpStatusCode.OK);
        var treated = new TrialTreated([new(2, Guid.NewGuid(), Guid.NewGuid(), 0.2)]);
        await http.SendAsync($"{Api}/trials/{trial.Id}/treated", treated, HttpStatusCode.OK);
        await http.SendAsync($"{Api}/trials/{trial.Id}/treated", treated, HttpStatusCode.OK);
        Assert.Single((await GetAsync<LedgerAnswer>(http, "ledger?material=milk&from=2026-07-16")).Entries, e => e.Note == "Trial Milk on the squash, side B");
        app.Clock.Advance(TimeSpan.FromDays(3));
        await http.SendAsync($"{Api}/trials/{trial.Id}/counts", All(n => milk.Contains(n) && n % 5 > 0 ? 0 : 1), HttpStatusCode.OK);
        await http.SendAsync($"{Api}/trials/{trial.Id}/close", new { }, HttpStatusCode.OK);
        var closed = await GetAsync<TrialAnswer>(http, $"trials/{trial.Id}");
        var side = closed.Sides[1];
        Assert.Equal((TrialVerdict.Works, "Henderson and Tilton"), (side.Verdict, side.Method));
        Assert.True(side.ControlLow < side.ControlPercent && side.ControlPercent < side.ControlHigh);
        Assert.All(closed.Units, u => Assert.NotNull(u.Side));
        Assert.Contains((await GetAsync<LearnedGardenAnswer>(http, "learned")).Efficacies, e => e is { Material: "milk", About: "powdery-mildew" } && e.Outcomes.Any(o => o.TrialId == trial.Id));
        Assert.Equal("trial-closed", (await http.SendAsync($"{Api}/trials/{trial.Id}/counts", All(_ => 0), HttpStatusCode.BadRequest)).GetProperty("code").GetString());
    }

    [Fact]
    public async Task A_garden_in_which_nothing_was_done_yet_has_a_page_for_everything_and_southern_seasons()
    {
        await using var app = await TestApp.StartAsync(demo: false);
        using var http = app.CreateClient();
        var bed = new NewPlace(Guid.NewGuid(), "Karee bed", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip);
        var garden = new NewGarden(Guid.NewGuid(), "Karee Ridge", -33.9, 18.9, "Africa/Johannesburg", "mediterranean", KitchenSystem.Metric, Stance.WatchAndTreat, "Ilse", bed);
        await http.SendAsync("/api/gardens", garden, HttpStatusCode.Created);
        var api = $"/api/gardens/{garden.Id}";
        var ledger = (await http.GetFromJsonAsync<LedgerAnswer>($"{api}/ledger", TestApp.Json, Stop))!;
        Assert.Equal((0, 0, null), (ledger.Total, ledger.Totals.Sprays, ledger.Totals.Cost));
        var almanac = (await http.GetFromJsonAsync<AlmanacAnswer>($"{api}/almanac", TestApp.Json, Stop))!;
        Assert.Equal((new DateOnly(2026, 7, 1), "2026/27"), (almanac.Season.From, almanac.Season.Name));
        Assert.Empty(almanac.Firsts);
        Assert.Empty((await http.GetFromJsonAsync<StoryAnswer>($"{api}/places/{bed.Id}/story", TestApp.Json, Stop))!.Chapters);
        Assert.Empty((await http.GetFromJsonAsync<LearnedGardenAnswer>($"{api}/learned", TestApp.Json, Stop))!.Efficacies);
        Assert.Empty((await http.GetFromJsonAsync<List<TrialAnswer>>($"{api}/trials", TestApp.Json, Stop))!);
        Assert.Single((await http.GetStringAsync($"{api}/ledger/table.csv", Stop)).Split("\r\n", StringSplitOptions.RemoveEmptyEntries));
    }

    public static TheoryData<string> BadTrials => ["sides-alone", "sides-range", "units-range", "target-unknown", "name-length", "recipe-unknown", "leaves-range", "sides-twice"];

    [Theory]
    [MemberData(nameof(BadTrials))]
    public async Task A_trial_that_could_show_nothing_is_refused(string code)
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        NewTrialSide alone = new(null, DoseStep.Usual), milk = new("milk", DoseStep.Usual);
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
        Assert.Single(await GetAsync<List<TrialAnswer>>(http, "trials"));
    }

    /// <summary>The table's lines without some columns.</summary>
    private static string Without(string table, params string[] columns)
    {
        using var parser = new CsvHelper.CsvParser(new StringReader(table), System.Globalization.CultureInfo.InvariantCulture);
        parser.Read();
        var keep = parser.Record!.Select((c, i) => (c, i)).Where(x => !columns.Contains(x.c)).Select(x => x.i).ToList();
        var lines = new List<string>();
        while (parser.Read())
        {
            lines.Add(string.Join('|', keep.Select(i => parser.Record![i])));
        }

        return string.Join('\n', lines);
    }
}
