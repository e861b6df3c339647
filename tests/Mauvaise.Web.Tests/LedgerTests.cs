using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Trials;
using Mauvaise.Web.Archive;
using Mauvaise.Web.CheckBacks;
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

    internal static HandSpray ByHand(TestApp app, Guid? planting = null) =>
        new(
            Guid.NewGuid(),
            Guid.NewGuid(),
            app.Clock.GetUtcNow().AddDays(-2),
            [planting ?? Courgette],
            "bicarbonate-with-sticker",
            DoseStep.Usual,
            1.2,
            "powdery-mildew",
            0.8,
            [WettedPart.Tops],
            Note: "=2+3 forgot it, \"sorry\""
        );

    [Fact]
    public async Task A_spray_logged_by_hand_counts_like_any_other_and_is_put_right_with_its_history()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var spray = ByHand(app) with { FromShelf = true };
        var before = (await http.GetFromJsonAsync<JsonElement>($"{Api}/shelf", Stop))
            .GetProperty("stocks")
            .EnumerateArray()
            .First(x => x.GetProperty("material").GetString() == "bicarbonate")
            .GetProperty("left")
            .GetDouble();
        await http.SendAsync($"{Api}/ledger/sprays", spray, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/ledger/sprays", spray, HttpStatusCode.Created);
        var record = await GetAsync<SprayRecord>(http, $"ledger/sprays/{spray.Id}");
        Assert.Equal((1.2, 0.8, SprayReason.OwnIdea), (record.Litres, record.ShareWetted, record.Why));
        Assert.Contains("humidity", record.Air, StringComparison.Ordinal);
        Assert.NotEmpty(record.Mix);
        Assert.NotNull(record.ExpectedAmount);
        Assert.Single(record.CheckBackIds);
        var after = (await http.GetFromJsonAsync<JsonElement>($"{Api}/shelf", Stop))
            .GetProperty("stocks")
            .EnumerateArray()
            .First(x => x.GetProperty("material").GetString() == "bicarbonate")
            .GetProperty("left")
            .GetDouble();
        Assert.True(after < before);

        var right = new SprayCorrection(
            record.At.AddHours(-1),
            0.9,
            0.8,
            [WettedPart.Undersides, WettedPart.Tops],
            [Courgette, DemoGarden.PlantingId("Chapel/squash")],
            "powdery-mildew",
            SprayReason.Plan,
            "Two beds",
            null
        );
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

        // On another day, it is looked back at on another day too.
        async Task<List<DateOnly>> DueAsync() =>
            [.. (await GetAsync<List<CheckBackAnswer>>(http, "check-backs")).Where(c => now.CheckBackIds.Contains(c.Id)).Select(c => c.DueOn)];
        var due = await DueAsync();
        await http.PutAsJsonAsync($"{Api}/ledger/sprays/{spray.Id}", right with { At = right.At.AddDays(-2) }, TestApp.Json, Stop);
        Assert.Equal(due.Select(d => d.AddDays(-2)), await DueAsync());
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
        var put = await http.PutAsJsonAsync(
            $"{Api}/ledger/sprays/{spray.Id}",
            new SprayCorrection(spray.At, 1, 0.9, [], [Courgette], null, SprayReason.OwnIdea, null, null),
            TestApp.Json,
            Stop
        );
        Assert.Equal("spray-struck", (await put.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
        await http.SendAsync($"{Api}/ledger/sprays/{spray.Id}/strike", new SprayStruck(false), HttpStatusCode.OK);
        Assert.Equal(with, (await GetAsync<LedgerAnswer>(http, "ledger?material=bicarbonate")).Totals.Sprays);
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

    [Fact]
    public async Task A_line_written_in_a_spreadsheet_becomes_a_record()
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        const string table =
            "kind;at;places;leaves_looked;leaves_affected;against;note\r\ncount;2026-07-10T18:00;Chapel/courgette;20;3;powdery-mildew;'-5 it was cold\r\n";
        var done = await http.SendAsync($"{Api}/ledger/table", new LedgerTable(table), HttpStatusCode.OK);
        Assert.Equal(1, done.GetProperty("fresh").GetInt32());
        var entry = (await GetAsync<LedgerAnswer>(http, "ledger?kind=count&from=2026-07-10&to=2026-07-10&target=powdery-mildew")).Entries.First(e =>
            e.Note == "-5 it was cold"
        );
        Assert.Equal(new DateTimeOffset(2026, 7, 10, 16, 0, 0, TimeSpan.Zero), entry.At.ToUniversalTime());
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
        Assert.Equal(
            before.Now.Mean,
            (await GetAsync<LearnedGardenAnswer>(http, "learned")).Efficacies.First(e => e is { Material: "insecticidal-soap", About: "whitefly" }).Now.Mean,
            10
        );
        await http.SendAsync($"{Api}/check-backs/{Guid.NewGuid()}/discount", new { why = "x" }, HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_trial_runs_from_the_lot_to_its_verdict()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var trial = new NewTrial(
            Guid.NewGuid(),
            "Milk on the squash",
            "powdery-mildew",
            TrialUnitKind.Leaf,
            1,
            true,
            [new(null, DoseStep.Usual), new("milk", DoseStep.Usual)],
            [new(DemoGarden.PlantingId("Chapel/squash"), 40)],
            7
        );
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
        Assert.Contains((await GetAsync<LearnedGardenAnswer>(http, "learned")).Efficacies, e =>
            e is { Material: "milk", About: "powdery-mildew" } && e.Outcomes.Any(o => o.TrialId == trial.Id)
        );
        Assert.Equal(
            "trial-closed",
            (await http.SendAsync($"{Api}/trials/{trial.Id}/counts", All(_ => 0), HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );
    }

    [Fact]
    public async Task A_garden_in_which_nothing_was_done_yet_has_a_page_for_everything_and_southern_seasons()
    {
        await using var app = await TestApp.StartAsync(demo: false);
        using var http = app.CreateClient();
        var bed = new NewPlace(Guid.NewGuid(), "Karee bed", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip);
        var garden = new NewGarden(
            Guid.NewGuid(),
            "Karee Ridge",
            -33.9,
            18.9,
            "Africa/Johannesburg",
            "mediterranean",
            KitchenSystem.Metric,
            Stance.WatchAndTreat,
            "Ilse",
            bed
        );
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
