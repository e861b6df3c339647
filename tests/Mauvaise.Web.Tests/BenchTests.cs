using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Board;
using Mauvaise.Web.CheckBacks;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Plan;
using Mauvaise.Web.Sprays;

namespace Mauvaise.Web.Tests;

public sealed class BenchTests : IAsyncLifetime
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly Guid Squash = DemoGarden.PlantingId("Chapel/squash");
    private static readonly Guid Kale = DemoGarden.PlantingId("Winding Hole/kale");
    private static readonly Guid Chard = DemoGarden.PlantingId("Boathouse/chard");
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

    private async Task<T> GetAsync<T>(string path) => (await http.GetFromJsonAsync<T>(path, TestApp.Json, Stop))!;

    private async Task<T> PostAsync<T>(string path, object body, HttpStatusCode expected) =>
        (await http.SendAsync(path, body, expected)).Deserialize<T>(TestApp.Json)!;

    private async Task<string?> RefusedAsync(NewBatch batch, HttpStatusCode status = HttpStatusCode.Conflict) =>
        (await http.SendAsync("batches", batch, status)).GetProperty("code").GetString();

    private async Task PutAsync(string path, object body, HttpStatusCode expected = HttpStatusCode.NoContent)
    {
        var answer = await http.PutAsJsonAsync(path, body, TestApp.Json, Stop);
        Assert.True(expected == answer.StatusCode, await answer.Content.ReadAsStringAsync(Stop));
    }

    [Fact]
    public async Task The_bench_offers_the_round_of_the_course_under_way_and_refuses_another_mix_in_the_same_words()
    {
        var cucumber = DemoGarden.PlantingId("Polytunnel south/cucumber");
        var bench = await GetAsync<BenchAnswer>($"bench?planting={cucumber}&target=whitefly");
        Assert.Equal("neem-with-soap", bench.Recipe);
        Assert.True(bench.Options.Single(o => o.Recipe == "neem-with-soap").Allowed);
        var soap = bench.Options.Single(o => o.Recipe == "insecticidal-soap");
        Assert.False(soap.Allowed);
        var other = await GetAsync<BenchAnswer>($"bench?planting={cucumber}&target=whitefly&recipe=insecticidal-soap");
        Assert.Equal(MixVerdict.Refused, other.Verdict);
        var reason = Assert.Single(other.Reasons, r => r.Code == "course-runs");
        Assert.Contains(soap.Reasons[0].Sentence.Replace("Not now: ", "", StringComparison.Ordinal), reason.Sentence, StringComparison.Ordinal);
        Assert.Equal("mix-course-runs", await RefusedAsync(new NewBatch(Guid.NewGuid(), [cucumber], "insecticidal-soap", DoseStep.Gentle, 0.5, "whitefly")));
        // Against something else it is mixed as always.
        Assert.DoesNotContain((await GetAsync<BenchAnswer>($"bench?planting={cucumber}&target=downy-mildew&recipe=insecticidal-soap")).Reasons, r =>
            r.Code == "course-runs"
        );
    }

    private static NewBatch Neem(Guid planting, DoseStep step = DoseStep.Gentle, double size = 0.5) =>
        new(Guid.NewGuid(), [planting], "neem-with-soap", step, size, "powdery-mildew");

    [Fact]
    public async Task No_route_saves_a_refused_mix()
    {
        var good = Neem(Courgette);
        Assert.Equal("mix-ceiling", await RefusedAsync(good with { Dose = 13 }));
        Assert.Equal("mix-never-together", await RefusedAsync(good with { Add = ["peroxide"] }));
        Assert.Equal(
            "mix-oil-load",
            await RefusedAsync(good with { Dose = 12, Add = ["horticultural-oil", "peppermint-oil"], Step = DoseStep.Usual, PatchTest = true, Size = 0.1 })
        );
        Assert.Equal("mix-no-spray", await RefusedAsync(good with { Target = "virus" }));
        Assert.Equal("dose-range", await RefusedAsync(good with { Dose = -1 }, HttpStatusCode.BadRequest));
        Assert.Equal("dose-range", await RefusedAsync(good with { Dose = 1000 }, HttpStatusCode.BadRequest));
        Assert.Equal("bottle-range", await RefusedAsync(good with { BottlePercent = 101 }, HttpStatusCode.BadRequest));
        Assert.Equal("material-unknown", await RefusedAsync(good with { Add = ["unicorn-milk"] }, HttpStatusCode.BadRequest));
        Assert.Equal("size-range", await RefusedAsync(good with { Size = 51 }, HttpStatusCode.BadRequest));
        Assert.Equal("size-range", await RefusedAsync(good with { Size = 0 }, HttpStatusCode.BadRequest));
        Assert.Equal("patch-size", await RefusedAsync(good with { PatchTest = true, Size = 2 }, HttpStatusCode.BadRequest));
        Assert.Equal(
            "mix-bottle-strong",
            await RefusedAsync(new NewBatch(Guid.NewGuid(), [Courgette], "peroxide", DoseStep.Gentle, 0.1, null, BottlePercent: 35, PatchTest: true))
        );
        Assert.Empty(await GetAsync<List<LeftoverAnswer>>("batches/left"));
        await http.SendAsync("batches", good, HttpStatusCode.Created);
    }

    [Fact]
    public async Task A_refusal_names_the_nearest_dose_that_is_allowed()
    {
        var problem = await http.SendAsync("batches", Neem(Courgette) with { Dose = 13 }, HttpStatusCode.Conflict);
        Assert.Contains("The strong dose is the most", problem.GetProperty("title").GetString(), StringComparison.Ordinal);
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap&dose=13");
        Assert.Equal((MixVerdict.Refused, DoseStep.Strong), (bench.Verdict, bench.NearestStep));
    }

    [Fact]
    public async Task A_new_pairing_is_tried_on_two_leaves_judged_after_two_days_and_then_allowed()
    {
        await app.RefreshWeatherAsync();
        var whole = new NewBatch(Guid.NewGuid(), [Chard], "neem-with-soap", DoseStep.Gentle, 0.3, "cercospora");
        Assert.Equal("mix-patch-test", await RefusedAsync(whole));
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Chard}&recipe=neem-with-soap&patchTest=true");
        Assert.Equal((MixVerdict.Ok, SprayVolume.PatchTestLitres, PatchState.Needed), (bench.Verdict, bench.Size, Assert.Single(bench.Patches).State));

        var bottle = await PostAsync<BatchAnswer>("batches", whole with { Id = Guid.NewGuid(), Size = 0.1, PatchTest = true }, HttpStatusCode.Created);
        var log = new NewApplication(Guid.NewGuid(), bottle.Id, [Chard], 0.1);
        Assert.Equal("patch-only", (await http.SendAsync("applications", log, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
        var spray = await PostAsync<ApplicationAnswer>("applications", log with { PatchTest = true }, HttpStatusCode.Created);
        Assert.Equal(new DateOnly(2026, 7, 18), spray.CheckBackOn);
        Assert.Equal("mix-patch-test", await RefusedAsync(whole));

        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).Single(c => c.PlantingId == Chard && c.PatchTest && c.DoneAt is null);
        Assert.Equal(
            "too-early",
            (await http.SendAsync($"check-backs/{visit.Id}/patch", new PatchJudgement(Injury.None), HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );
        app.Clock.Advance(TimeSpan.FromDays(2));
        Assert.Contains((await GetAsync<BoardAnswer>("board")).Evening.Deeds, d =>
            d.CheckBackId == visit.Id && d.Title.StartsWith("Judge two leaves", StringComparison.Ordinal)
        );
        Assert.Equal(
            "injury-unsaid",
            (await http.SendAsync($"check-backs/{visit.Id}/patch", new PatchJudgement(Injury.Unsaid), HttpStatusCode.BadRequest))
                .GetProperty("code")
                .GetString()
        );
        await PostAsync<CheckBackAnswer>($"check-backs/{visit.Id}/patch", new PatchJudgement(Injury.None), HttpStatusCode.OK);
        await http.SendAsync("batches", whole with { Id = Guid.NewGuid() }, HttpStatusCode.Created);
    }

    [Fact]
    public async Task What_was_used_for_years_is_mixed_at_once_and_the_word_stands_in_the_ledger()
    {
        await app.RefreshWeatherAsync();
        var whole = new NewBatch(Guid.NewGuid(), [Chard], "neem-with-soap", DoseStep.Gentle, 0.3, "cercospora");
        Assert.Equal("mix-patch-test", await RefusedAsync(whole));
        foreach (var patch in (await GetAsync<BenchAnswer>($"bench?planting={Chard}&recipe=neem-with-soap")).Patches)
        {
            await http.SendAsync("plan/choices", new NewPlanChoice(Guid.NewGuid(), PlanWord.Proven, Chard, Material: patch.MaterialId), HttpStatusCode.Created);
        }

        await http.SendAsync("batches", whole with { Id = Guid.NewGuid() }, HttpStatusCode.Created);
        Assert.Contains("Neem oil on chard: used for years, as you said.", (await GetAsync<LedgerAnswer>("ledger")).Proven);
        var bare = new NewPlanChoice(Guid.NewGuid(), PlanWord.Proven, Chard);
        Assert.Equal("material-unknown", (await http.SendAsync("plan/choices", bare, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
    }

    [Fact]
    public async Task Two_leaves_that_burnt_keep_the_mix_off_the_bed()
    {
        var bottle = await PostAsync<BatchAnswer>(
            "batches",
            new NewBatch(Guid.NewGuid(), [Chard], "neem-with-soap", DoseStep.Gentle, 0.1, null, PatchTest: true),
            HttpStatusCode.Created
        );
        await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [Chard], 0.1, PatchTest: true), HttpStatusCode.Created);
        app.Clock.Advance(TimeSpan.FromDays(2));
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).Single(c => c.PlantingId == Chard && c.PatchTest && c.DoneAt is null);
        await PostAsync<CheckBackAnswer>($"check-backs/{visit.Id}/patch", new PatchJudgement(Injury.Severe), HttpStatusCode.OK);
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Chard}&recipe=neem-with-soap");
        Assert.Contains(bench.Reasons, r => r is { Code: "patch-test", Verdict: MixVerdict.Refused } && r.Sentence.Contains("burnt", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_bottle_draws_from_the_shelf_and_undo_puts_it_back()
    {
        async Task<double> Left() => (await GetAsync<ShelfAnswer>("shelf")).Stocks.Single(x => x.Material == "neem-oil").Left;
        Assert.Equal(140, await Left());
        await http.SendAsync("batches", Neem(Courgette, size: 2), HttpStatusCode.Created);
        Assert.Equal(132, await Left(), 1e-9);
        var deed = (await GetAsync<GardenAnswer>(http.BaseAddress!.ToString().TrimEnd('/'))).LastDeed!;
        Assert.Equal("Mixed 2 l of neem with soap", deed.Words);
        await http.SendAsync("undo", new { deedId = deed.Id }, HttpStatusCode.NoContent);
        Assert.Equal(140, await Left());
    }

    [Fact]
    public async Task A_rest_is_carried_to_later_used_elsewhere_or_poured_away()
    {
        var bottle = await PostAsync<BatchAnswer>("batches", Neem(Courgette, size: 1), HttpStatusCode.Created);
        await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [Courgette], 0.4), HttpStatusCode.Created);
        var rest = Assert.Single(await GetAsync<List<LeftoverAnswer>>("batches/left"));
        Assert.Equal((0.6, false), (Math.Round(rest.Batch.LitresLeft, 9), rest.Past));

        var elsewhere = new NewApplication(Guid.NewGuid(), bottle.Id, [Chard], 0.3);
        Assert.Equal("use-patch-test", (await http.SendAsync("applications", elsewhere, HttpStatusCode.Conflict)).GetProperty("code").GetString());
        await http.SendAsync("applications", elsewhere with { Anyway = true }, HttpStatusCode.Created);
        await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [Squash], 0.1), HttpStatusCode.Created);

        app.Clock.Advance(TimeSpan.FromHours(30));
        Assert.True(Assert.Single(await GetAsync<List<LeftoverAnswer>>("batches/left")).Past);
        await http.SendAsync($"batches/{bottle.Id}/empty", new EmptyBottle(), HttpStatusCode.NoContent);
        await http.SendAsync($"batches/{bottle.Id}/empty", new EmptyBottle(), HttpStatusCode.NoContent);
        Assert.Empty(await GetAsync<List<LeftoverAnswer>>("batches/left"));
    }

    [Fact]
    public async Task A_planned_picking_keeps_the_wait_free()
    {
        var pick = new NewPick(Guid.NewGuid(), Courgette, new DateOnly(2026, 7, 16));
        Assert.Equal(
            "pick-date",
            (await http.SendAsync("picks", pick with { On = new DateOnly(2026, 7, 15) }, HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );
        await http.SendAsync("picks", pick, HttpStatusCode.Created);
        await http.SendAsync("picks", pick, HttpStatusCode.Created);
        Assert.Equal("mix-pick-wait", await RefusedAsync(Neem(Courgette)));
        var garden = await GetAsync<GardenAnswer>(http.BaseAddress!.ToString().TrimEnd('/'));
        Assert.Single(garden.Places.SelectMany(p => p.Plantings).Single(p => p.Id == Courgette).Picks);
        (await http.DeleteAsync(new Uri($"picks/{pick.Id}", UriKind.Relative), Stop)).EnsureSuccessStatusCode();
        await http.SendAsync("batches", Neem(Courgette), HttpStatusCode.Created);
    }

    [Fact]
    public async Task Stocks_of_stocks_are_made_drawn_and_told_in_full()
    {
        var shelf = await GetAsync<ShelfAnswer>("shelf");
        var blend = shelf.Preparations.Single(p => p.Material == "garlic-chilli-stock");
        Assert.Equal(120, blend.Strengths.Single(s => s.Material == "Garlic cloves").PerLitre, 1e-9);
        foreach (var material in new[] { "garlic-stock", "chilli-stock" })
        {
            await http.SendAsync("shelf/preparations", new NewPreparation(Guid.NewGuid(), material, 500), HttpStatusCode.Created);
        }

        app.Clock.Advance(TimeSpan.FromDays(3));
        foreach (var standing in (await GetAsync<ShelfAnswer>("shelf")).Stocks.Where(x => x.ReadyAt is not null))
        {
            await http.SendAsync($"shelf/{standing.Id}/strained", new EmptyBottle(), HttpStatusCode.NoContent);
        }

        var made = new NewPreparation(Guid.NewGuid(), "garlic-chilli-stock", 250);
        await http.SendAsync("shelf/preparations", made, HttpStatusCode.Created);
        await http.SendAsync("shelf/preparations", made, HttpStatusCode.Created);
        var stocks = (await GetAsync<ShelfAnswer>("shelf")).Stocks;
        double Left(string material) => stocks.Single(x => x.Material == material).Left;
        Assert.Equal((350, 400), (Left("garlic-stock"), Left("chilli-stock")));
        Assert.Equal(new DateOnly(2026, 7, 24), stocks.Single(x => x.Id == made.Id).BestBefore);

        var bottle = await PostAsync<BatchAnswer>(
            "batches",
            new NewBatch(Guid.NewGuid(), [Kale], "garlic-chilli-spray", DoseStep.Usual, 0.2, "cabbage-aphid", PatchTest: true),
            HttpStatusCode.Created
        );
        Assert.Equal(1.8, bottle.Strengths.Single(s => s.Material == "Garlic cloves").PerLitre, 1e-9);
        Assert.Contains(bottle.Cautions, c => c.Contains("Gloves", StringComparison.Ordinal));
        Assert.Equal(247, (await GetAsync<ShelfAnswer>("shelf")).Stocks.Single(x => x.Id == made.Id).Left, 1e-9);
    }

    [Fact]
    public async Task The_bottle_s_own_strength_sets_the_amount()
    {
        await PutAsync(
            $"shelf/{Guid.NewGuid()}",
            new StockChange("peroxide", "Peroxide 9 %", 500, 500, BestBefore: new DateOnly(2026, 8, 1), StrengthPercent: 9)
        );
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=peroxide&size=1&step=strong");
        Assert.Equal(9, bench.BottlePercent);
        Assert.Equal(20, bench.Shelf[0].Needed, 1e-9);
        Assert.Equal(0.18, bench.Strengths[0].Percent, 1e-9);
        await PutAsync($"shelf/{Guid.NewGuid()}", new StockChange("peroxide", "Peroxide 35 %", 500, 500, StrengthPercent: 35), HttpStatusCode.BadRequest);
    }

    [Theory]
    [InlineData("", 100, 50, "name-missing")]
    [InlineData("Soap", 0, 0, "amount-range")]
    [InlineData("Soap", 100, 101, "left-range")]
    [InlineData("Soap", 100, -1, "left-range")]
    public async Task A_bottle_that_can_not_be_is_not_put_up(string name, double amount, double left, string code)
    {
        var answer = await http.PutAsJsonAsync($"shelf/{Guid.NewGuid()}", new StockChange("castile-soap", name, amount, left), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(code, JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement.GetProperty("code").GetString());
    }

    [Fact]
    public async Task A_label_is_mixed_by_its_own_figures_and_rules_where_only_labels_do()
    {
        var id = Guid.NewGuid();
        var label = new ProductChange("Cabbage soap", "insecticidal-soap", [], "ml", 12, 16, MaxTimes: 4, DaysToWait: 2);
        await PutAsync($"products/{id}", label);
        await PutAsync("settings", new GardenSettings(Stance.WatchAndTreat, KitchenSystem.Metric, OnlyLabelled: true));
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Kale}&target=cabbage-aphid");
        Assert.Equal("Cabbage soap", bench.MaterialName);
        Assert.Equal((12, 16, 2), (bench.Dose.Amount, bench.Dose.Ceiling, bench.DaysToWait));
        Assert.All(bench.Options.Where(o => o.Recipe != bench.Recipe && !o.RecipeName.Contains("by its label", StringComparison.Ordinal)), o =>
            Assert.False(o.Allowed)
        );
        Assert.Equal("mix-only-labelled", await RefusedAsync(new NewBatch(Guid.NewGuid(), [Kale], "castile-soap", DoseStep.Gentle, 0.3, null)));

        await PutAsync($"products/{id}", label with { Retired = true });
        Assert.Equal(
            "product-retired",
            await RefusedAsync(new NewBatch(Guid.NewGuid(), [Kale], bench.Recipe, DoseStep.Gentle, 0.3, null), HttpStatusCode.BadRequest)
        );
        Assert.DoesNotContain((await GetAsync<BenchAnswer>($"bench?planting={Kale}&target=cabbage-aphid")).Options, o => o.Material == "Cabbage soap");
    }

    [Fact]
    public async Task What_is_strewn_is_dosed_by_the_square_metre_and_weighed_with_the_other_ways()
    {
        var id = Guid.NewGuid();
        var bait = new ProductChange("Slug stop", "ferric-phosphate", [], "g", 5, 5, Form: Form.Bait, Per: DosedPer.SquareMetre);
        await PutAsync($"products/{id}", bait);
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Kale}&target=slugs&recipe=own-{id:N}");
        Assert.Equal((Form.Bait, DosedPer.SquareMetre, "m²"), (bench.Form, bench.Dose.Per, bench.SizeUnit));
        Assert.True(bench.SizeNeeded > 0.5, $"{bench.SizeNeeded}");
        Assert.Contains(bench.Steps, s => s.Title.Contains("thinly", StringComparison.Ordinal));
        Assert.DoesNotContain(bench.Reasons, r => r.Code is "heat" or "patch-test");

        var answer = await http.PutAsJsonAsync($"products/{id}", bait with { Per = DosedPer.Litre }, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("per-what", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_label_with_nothing_to_say_is_refused()
    {
        var bad = new ProductChange("X", null, [], "ml", 5, 4);
        var answer = await http.PutAsJsonAsync($"products/{Guid.NewGuid()}", bad, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var errors = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement.GetProperty("errors");
        Assert.True(errors.TryGetProperty("worksOn", out _) && errors.TryGetProperty("doseHigh", out _));
    }

    [Fact]
    public async Task What_a_jar_showed_is_kept_for_that_soap_and_water()
    {
        var test = new NewEmulsion(Guid.NewGuid(), "neem-oil", "castile-soap", Water.Rain, 3, 45);
        Assert.Equal(
            "held-range",
            (await http.SendAsync("emulsions", test with { HeldSeconds = 5 }, HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );
        Assert.Equal(
            "soap-range",
            (await http.SendAsync("emulsions", test with { SoapMlPerLitre = 50 }, HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );
        await http.SendAsync("emulsions", test, HttpStatusCode.Created);
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap&size=1");
        Assert.Equal((true, 3.0), (bench.Emulsifier!.Found, bench.Emulsifier.MlPerLitre));
        Assert.False((await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap&soap=dish-detergent")).Emulsifier!.Found);
        await PutAsync("settings", new GardenSettings(Stance.WatchAndTreat, KitchenSystem.Metric, Water: Water.HardTap));
        var hard = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap");
        Assert.False(hard.Emulsifier!.Found);
        Assert.Contains(hard.Reasons, r => r.Code == "hard-water");
    }

    [Fact]
    public async Task An_hour_with_bees_is_refused_and_one_without_is_not()
    {
        await app.RefreshWeatherAsync();
        async Task<MixVerdict> At(int hour) =>
            (
                await GetAsync<BenchAnswer>(
                    $"bench?planting={DemoGarden.PlantingId("Sluice/runner-bean")}&recipe=castile-soap&patchTest=true&at=2026-07-17T{hour:00}:00:00Z"
                )
            )
                .Reasons.Single(r => r.Code == "bees")
                .Verdict;
        Assert.Equal(MixVerdict.Refused, await At(10));
        Assert.Equal(MixVerdict.Ok, await At(20));
    }

    [Fact]
    public async Task More_than_a_sprayer_holds_is_split_into_equal_fillings()
    {
        var small = (await GetAsync<GardenAnswer>(http.BaseAddress!.ToString().TrimEnd('/'))).Sprayers.Single(s => s.CapacityLitres == 1);
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap&size=2.2&sprayer={small.Id}");
        Assert.Equal((3, 0.8), (bench.Tanks, Math.Round(bench.Size, 9)));
        Assert.Contains("1.9 l more than they take: make less, or use the rest on another bed within 24 hours.", bench.Notes);
        Assert.DoesNotContain((await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap")).Notes, n =>
            n.Contains("more than they take", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task Dust_is_logged_without_litres()
    {
        var bottle = await PostAsync<BatchAnswer>(
            "batches",
            new NewBatch(Guid.NewGuid(), [Kale], "earth-dust", DoseStep.Usual, 1.5, "flea-beetle"),
            HttpStatusCode.Created
        );
        Assert.Equal((0.0, "7.5 g"), (bottle.Litres, bottle.Amount));
        Assert.Equal(
            "litres-range",
            (await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [Kale], 1), HttpStatusCode.BadRequest))
                .GetProperty("code")
                .GetString()
        );
        await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [Kale], 0), HttpStatusCode.Created);
    }

    [Fact]
    public async Task A_us_household_reads_its_own_units_with_litres_beside()
    {
        await PutAsync("settings", new GardenSettings(Stance.WatchAndTreat, KitchenSystem.Us));
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe=neem-with-soap&size=4");
        Assert.Equal(("1 gallon + 1/4 quart", "4 l"), (bench.SizeText, bench.SizeBeside));
        Assert.Equal("1 gallon + 1/4 quart", bench.Steps[^1].Measure);
    }

    [Fact]
    public async Task The_plan_is_held_against_the_shelf()
    {
        await app.RefreshWeatherAsync();
        var evening = (await GetAsync<BoardAnswer>("board")).Evening;
        Assert.Contains(evening.Deeds, d => d.Kind is DeedKind.Spray or DeedKind.PatchTest);
        var shelf = await GetAsync<ShelfAnswer>("shelf");
        Assert.Contains(shelf.Shopping, i => i.Material == "peppermint-oil" && i.Reasons[0].Sentence.StartsWith("Low", StringComparison.Ordinal));
        Assert.All(shelf.Shopping.Where(i => i.ToBuy > 0), i => Assert.Equal(i.Needed - i.OnShelf, i.ToBuy, 1e-9));
    }
}
