using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Store.Archive;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Board;
using Mauvaise.Web.Calc;
using Mauvaise.Web.CheckBacks;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Readings;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Trials;
using Mauvaise.Web.Undo;

namespace Mauvaise.Web.Tests;

/// <summary>Stocks by proportions of one's own, what stands, one filling for two troubles, cards, and what runs through a rack.</summary>
public sealed class OwnStockTests : DemoTest
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly StockPart[] FiveToOne = [new("kitchen-oil", 5), new("castile-soap", 1)];

    private Task<ShelfAnswer> ShelfAsync() => GetAsync<ShelfAnswer>("shelf");

    [Fact]
    public async Task A_stock_is_worked_out_kept_made_mixed_put_away_and_taken_back()
    {
        var id = Guid.NewGuid();
        var change = new OwnStockChange(" Five to one ", FiveToOne, 0, false, StockMaking.Shaken);
        await Http.SendPutAsync($"own-stocks/{id}", change, HttpStatusCode.OK);
        await Http.SendPutAsync($"own-stocks/{id}", change, HttpStatusCode.OK);
        var made = Assert.Single((await ShelfAsync()).Preparations, p => p.Own?.Id == id);
        Assert.Equal(("Five to one", EvidenceGrade.Weak, 0.0), (made.Name, made.Evidence, made.SteepHours));
        await Http.SendAsync("shelf/preparations", new NewPreparation(Guid.NewGuid(), made.Material, 300), HttpStatusCode.Created);
        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&recipe={made.Material}");
        Assert.Equal(made.Material, bench.Material);
        Assert.Contains(bench.Strengths, s => s.Material.StartsWith("Kitchen oil", StringComparison.Ordinal));

        // Other proportions under the same id would change what stands on the shelf already.
        var refused = await Http.SendPutAsync($"own-stocks/{id}", change with { Parts = [FiveToOne[0]] }, HttpStatusCode.BadRequest);
        Assert.Contains("keeps its proportions", refused.GetRawText(), StringComparison.Ordinal);
        await Http.SendPutAsync($"own-stocks/{Guid.NewGuid()}", change, HttpStatusCode.BadRequest);

        await Http.SendAsync($"own-stocks/{id}/retire", new RetiredStock(true), HttpStatusCode.NoContent);
        var shelf = await ShelfAsync();
        Assert.DoesNotContain(shelf.Preparations, p => p.Own?.Id == id);
        Assert.True(Assert.Single(shelf.OwnStocks).Retired);
        Assert.Single(shelf.Stocks, s => s.Material == made.Material);
        await Http.SendAsync("undo", new UndoRequest((await GetAsync<GardenAnswer>("")).LastDeed!.Id), HttpStatusCode.NoContent);
        Assert.False(Assert.Single((await ShelfAsync()).OwnStocks).Retired);
    }

    [Fact]
    public async Task What_is_no_stock_is_told_while_it_is_typed_and_never_kept()
    {
        async Task<StockCalcAnswer> Calc(StockCalcRequest asked) =>
            (await (await Http.PostAsJsonAsync("/api/calc/stock", asked, TestApp.Json, Stop)).Content.ReadFromJsonAsync<StockCalcAnswer>(TestApp.Json, Stop))!;
        var sound = await Calc(new StockCalcRequest([new StockPart("garlic-cloves", 1)], 4, false, StockMaking.Steeped, 24));
        Assert.Empty(sound.Faults);
        Assert.Equal(7, sound.KeepsDays);
        Assert.Contains(sound.Drawn, d => d.Contains("assumed", StringComparison.Ordinal));
        var neem = new StockCalcRequest([new StockPart("neem-oil", 1), new StockPart("peroxide", 1)], 4, false, StockMaking.Shaken);
        Assert.Contains("never-together", (await Calc(neem)).Faults.Select(f => f.Code));
        foreach (
            var (parts, water) in new (StockPart[], double)[]
            {
                ([], 1),
                ([new("moon-dust", 1)], 1),
                ([new("neem-oil", -1)], 1),
                ([new("neem-oil", 1), new("neem-oil", 2)], 1),
                ([new("neem-oil", 1)], -3),
                ([new("neem-oil", 1e9)], 1),
            }
        )
        {
            await Http.SendAsync("/api/calc/stock", new StockCalcRequest(parts, water, false, StockMaking.Shaken), HttpStatusCode.BadRequest);
        }

        var change = new OwnStockChange("Bad", neem.Parts, neem.WaterParts, false, StockMaking.Shaken);
        await Http.SendPutAsync($"own-stocks/{Guid.NewGuid()}", change, HttpStatusCode.BadRequest);
        await Http.SendPutAsync($"own-stocks/{Guid.NewGuid()}", change with { Name = "  ", Parts = FiveToOne, WaterParts = 0 }, HttpStatusCode.BadRequest);
        await Http.SendAsync($"own-stocks/{Guid.NewGuid()}/retire", new RetiredStock(true), HttpStatusCode.NotFound);
        Assert.Empty((await ShelfAsync()).OwnStocks);
    }

    [Fact]
    public async Task A_brew_that_was_heard_becomes_a_stock()
    {
        var asked = new RecipeRequest("Six onions in two litres of water, let it stand for 24 hours, strain and spray.", HeardKitchen.Metric);
        var heard = (
            await (await Http.PostAsJsonAsync("/api/calc/recipe", asked, TestApp.Json, Stop)).Content.ReadFromJsonAsync<RecipeCalcAnswer>(TestApp.Json, Stop)
        )!;
        Assert.Equal((24.0, StockMaking.Steeped), (heard.SteepHours, heard.Stock!.Making));
        Assert.False(heard.CanBeMixed);
        var stock = heard.Stock;
        await Http.SendPutAsync(
            $"own-stocks/{Guid.NewGuid()}",
            new OwnStockChange("Onion brew", stock.Parts, stock.WaterParts, stock.ByWeight, stock.Making, stock.SteepHours),
            HttpStatusCode.OK
        );
        Assert.Equal(24, Assert.Single((await ShelfAsync()).Preparations, p => p.Own is not null).SteepHours);
    }

    [Fact]
    public async Task What_stands_is_told_in_the_evening_and_used_when_it_was_strained()
    {
        var id = Guid.NewGuid();
        await Http.SendAsync("shelf/preparations", new NewPreparation(id, "garlic-stock", 500), HttpStatusCode.Created);
        var standing = Assert.Single((await ShelfAsync()).Stocks, s => s.Id == id);
        Assert.NotNull(standing.ReadyAt);
        Assert.Contains(standing.Hints, h => h.Code == "steeping");
        App.Clock.Advance(TimeSpan.FromHours(14));
        Assert.Contains((await GetAsync<BoardAnswer>("board")).Evening.Deeds, d => d.Kind == DeedKind.Strain);
        await Http.SendAsync($"shelf/{id}/strained", new EmptyBottle(), HttpStatusCode.NoContent);
        await Http.SendAsync($"shelf/{id}/strained", new EmptyBottle(), HttpStatusCode.NoContent);
        Assert.Null(Assert.Single((await ShelfAsync()).Stocks, s => s.Id == id).ReadyAt);
        Assert.DoesNotContain((await GetAsync<BoardAnswer>("board")).Evening.Deeds, d => d.Kind == DeedKind.Strain);
        await Http.SendAsync($"shelf/{Guid.NewGuid()}/strained", new EmptyBottle(), HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task One_filling_against_two_troubles_is_mixed_logged_and_judged_for_each()
    {
        var look = new NewObservation(
            Guid.NewGuid(),
            Courgette,
            30,
            15,
            Ants.None,
            0,
            0,
            [new SeenSign("sticky", true)],
            Also: [new FurtherTrouble(Guid.NewGuid(), 15, [new SeenSign("white-dust", true)])]
        );
        await Http.SendAsync("observations", look, HttpStatusCode.Created);
        await Http.SendPutAsync($"observations/{look.Id}/name", new NameGiven("melon-aphid"), HttpStatusCode.NoContent);
        await Http.SendPutAsync($"observations/{look.Also![0].Id}/name", new NameGiven("powdery-mildew"), HttpStatusCode.NoContent);
        var ask = $"bench?planting={Courgette}&target=melon-aphid&recipe=neem-with-soap";
        var bench = await GetAsync<BenchAnswer>(ask);
        var other = Assert.Single(bench.Together);
        Assert.Equal("powdery-mildew", other.Target);
        Assert.NotNull(other.Material);
        Assert.Null(bench.Also);
        Assert.Equal("powdery-mildew", (await GetAsync<BenchAnswer>(ask + "&also=powdery-mildew")).Also);

        var bottle = new NewBatch(Guid.NewGuid(), [Courgette], "neem-with-soap", DoseStep.Gentle, bench.Size, "melon-aphid", Also: "powdery-mildew");
        await Http.SendAsync("batches", bottle with { Id = Guid.NewGuid(), Also = "rust" }, HttpStatusCode.BadRequest);
        var mixed = await Http.SendAsync("batches", bottle, HttpStatusCode.Created);
        Assert.Equal("Powdery mildew", mixed.GetProperty("alsoTargetName").GetString());
        await Http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [Courgette], bench.Size, Anyway: true), HttpStatusCode.Created);
        var due = await GetAsync<List<CheckBackAnswer>>("check-backs");
        Assert.Equal(["melon-aphid", "powdery-mildew"], due.Where(c => c.PlantingId == Courgette && c.DoneAt is null).Select(c => c.Target).Order());
    }

    [Fact]
    public async Task Cards_are_counted_by_the_card_and_week()
    {
        var tunnel = (await GetAsync<GardenAnswer>("")).Places.First(p => p.Name == "Polytunnel south").Id;
        var caught = new NewReading(Guid.NewGuid(), tunnel, "card-whitefly", Caught: new CardCatch(48, 2, 7));
        await Http.SendAsync("readings", caught, HttpStatusCode.Created);
        var kind = (await GetAsync<List<ReadingKindAnswer>>($"places/{tunnel}/readings")).Single(k => k.Id == "card-whitefly");
        Assert.Equal((true, ReadingState.High, "24 a card and week"), (kind.PerCard, kind.State, kind.Taken[0].Told));
        Assert.Contains((await GetAsync<BoardAnswer>("board")).Evening.Deeds, d => d.Title.StartsWith("Cards call", StringComparison.Ordinal));
        foreach (
            var wrong in new[]
            {
                caught with
                {
                    Id = Guid.NewGuid(),
                    Caught = new CardCatch(5, 0, 7),
                },
                caught with
                {
                    Id = Guid.NewGuid(),
                    Caught = null,
                },
                caught with
                {
                    Id = Guid.NewGuid(),
                    Of = "soil-ph",
                    Value = 6,
                },
            }
        )
        {
            await Http.SendAsync("readings", wrong, HttpStatusCode.BadRequest);
        }
    }

    [Fact]
    public async Task A_trial_holds_hands_dust_and_something_else_against_each_other_and_is_treated_again()
    {
        NewTrialSide[] sides =
        [
            new(null, DoseStep.Usual),
            new("earth-dust", DoseStep.Usual),
            new(null, DoseStep.Usual, "water-jet"),
            new(null, DoseStep.Usual, " Banana peel "),
        ];
        var trial = new NewTrial(Guid.NewGuid(), "Peel", "melon-aphid", TrialUnitKind.Leaf, 1, false, sides, [new NewTrialUnits(Courgette, 12)], 7);
        foreach (
            var wrong in new[]
            {
                trial with
                {
                    Sides = [.. sides, new("milk", DoseStep.Usual, "water-jet")],
                },
                trial with
                {
                    Sides = [.. sides, new(null, DoseStep.Usual)],
                },
                trial with
                {
                    Sides = [.. sides, new(null, DoseStep.Strong, "Banana peel")],
                },
                trial with
                {
                    Sides = [.. sides, new(null, DoseStep.Usual, new string('x', 61))],
                },
            }
        )
        {
            await Http.SendAsync("trials", wrong with { Id = Guid.NewGuid() }, HttpStatusCode.BadRequest);
        }

        await Http.SendAsync("trials", trial, HttpStatusCode.Created);
        var opened = await GetAsync<TrialAnswer>($"trials/{trial.Id}");
        Assert.Equal(["Left alone", "Banana peel"], opened.Sides.Where((_, i) => i is 0 or 3).Select(s => s.Name));
        Assert.Equal(["", "m²", "", ""], opened.Sides.Select(s => s.SizeUnit));
        TrialCounts Round(int dusted, int hosed) =>
            new([
                .. opened.Units.Select(u => new NewTrialCount(
                    Guid.NewGuid(),
                    u.Number,
                    1,
                    u.Side == 2 ? dusted
                        : u.Side == 3 ? hosed
                        : 1,
                    Injury: u.Side == 2 ? Injury.Slight : Injury.None,
                    Alive: u.Side == 2 ? 0 : 3
                )),
            ]);
        await Http.SendAsync($"trials/{trial.Id}/counts", Round(1, 1), HttpStatusCode.OK);
        TrialTreated Treated() =>
            new([new(2, Guid.NewGuid(), Guid.NewGuid(), 1), new(3, Guid.NewGuid(), Guid.NewGuid(), 0), new(4, Guid.NewGuid(), Guid.NewGuid(), 0)]);
        var first = Treated();
        await Http.SendAsync($"trials/{trial.Id}/treated", first, HttpStatusCode.OK);
        await Http.SendAsync($"trials/{trial.Id}/treated", Treated(), HttpStatusCode.BadRequest);
        App.Clock.Advance(TimeSpan.FromDays(3));
        await Http.SendAsync($"trials/{trial.Id}/treated", Treated(), HttpStatusCode.OK);
        App.Clock.Advance(TimeSpan.FromDays(2));
        await Http.SendAsync($"trials/{trial.Id}/counts", Round(0, 1), HttpStatusCode.OK);
        await Http.SendAsync($"trials/{trial.Id}/counts", new TrialCounts([new(Guid.NewGuid(), 1, 1, 0, Alive: -1)]), HttpStatusCode.BadRequest);
        var told = await GetAsync<TrialAnswer>($"trials/{trial.Id}");
        Assert.Equal(2, told.TreatedTimes);
        Assert.Equal((1.0, 0.0), (told.Sides[1].Hurt!.Value, told.Sides[1].AliveALeaf!.Value));
        Assert.Contains(told.Pairs, p => (p.First, p.Second) is ("B", "C"));
    }

    [Fact]
    public async Task A_product_goes_on_nothing_that_its_label_does_not_name()
    {
        var id = Guid.NewGuid();
        var label = new ProductChange("Bean oil", "horticultural-oil", [], "ml", 5, 10, Crops: ["french-bean", "nightshades"]);
        await Http.SendPutAsync($"products/{id}", label, HttpStatusCode.NoContent);
        var product = (await ShelfAsync()).Products.Single(p => p.Id == id);
        Assert.Equal(["french-bean", "nightshades"], product.Crops);
        async Task<IEnumerable<string>> Reasons(Guid planting) =>
            (await GetAsync<BenchAnswer>($"bench?planting={planting}&recipe={product.MaterialId}")).Reasons.Select(r => r.Code);
        Assert.Contains("label-crop", await Reasons(Courgette));
        Assert.DoesNotContain("label-crop", await Reasons(DemoGarden.PlantingId("Towpath/tomato")));
    }

    [Fact]
    public async Task The_ledger_says_what_was_counted()
    {
        var tomato = DemoGarden.PlantingId("Towpath/tomato");
        var look = new NewObservation(Guid.NewGuid(), tomato, 20, 3, Ants.None, 0, 0, [], On: CountedOn.Fruits);
        await Http.SendAsync("observations", look, HttpStatusCode.Created);
        Assert.Equal("3 of 20 fruits", (await GetAsync<LedgerAnswer>("ledger?kind=count")).Entries.Single(e => e.Id == look.Id).Detail);
    }

    [Theory]
    [InlineData("\"runHours\":", "900")]
    [InlineData("\"freshWaterDays\":", "2147483647")]
    [InlineData("\"daysBetween\":", "-1")]
    public async Task A_label_in_an_archive_keeps_to_what_a_form_may_say(string field, string wrong)
    {
        var label = new ProductChange("Root drench", null, ["root-aphid"], "ml", 1, 2, Form: Form.Drench, RunHours: 4, FreshWaterDays: 5, DaysBetween: 7);
        await Http.SendPutAsync($"products/{Guid.NewGuid()}", label, HttpStatusCode.NoContent);
        var good = await Http.GetByteArrayAsync("archive", Stop);
        var bad = ArchiveTests.With(good, ArchiveFile.GardenEntry, t => Regex.Replace(t, field + @"\s*\d+", $"{field} {wrong}"));
        var answer = await Http.PostAsync(new Uri("/api/archive?takeTheirs=true", UriKind.Relative), ArchiveTests.Body(bad), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var title = (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("title").GetString();
        Assert.Matches($@"products, row \d, {field.Trim('"', ':')}", title);
    }

    [Theory]
    [InlineData("", HttpStatusCode.OK)]
    [InlineData("&on=leaves", HttpStatusCode.OK)]
    [InlineData("&on=tips&of=24", HttpStatusCode.OK)]
    [InlineData("&on=moons", HttpStatusCode.BadRequest)]
    [InlineData("&on=7", HttpStatusCode.BadRequest)]
    [InlineData("&of=3", HttpStatusCode.BadRequest)]
    public async Task A_sample_says_in_small_letters_what_is_counted(string more, HttpStatusCode expected)
    {
        using var answer = await Http.GetAsync($"plantings/{Courgette}/sample?looked=20&affected=1{more}", Stop);
        Assert.Equal(expected, answer.StatusCode);
    }

    [Fact]
    public async Task Only_a_drench_runs_through_a_rack()
    {
        var label = new ProductChange("Root saver", "neem-oil", [], "ml", 3, 5, Form: Form.Drench, RunHours: 4, FreshWaterDays: 5);
        var id = Guid.NewGuid();
        await Http.SendPutAsync($"products/{id}", label, HttpStatusCode.NoContent);
        Assert.Equal((4, 5), (await ShelfAsync()).Products.Where(p => p.Id == id).Select(p => (p.RunHours!.Value, p.FreshWaterDays!.Value)).Single());
        await Http.SendPutAsync($"products/{Guid.NewGuid()}", label with { Form = Form.Spray }, HttpStatusCode.BadRequest);
        await Http.SendPutAsync($"products/{Guid.NewGuid()}", label with { RunHours = 0 }, HttpStatusCode.BadRequest);
        await Http.SendPutAsync($"products/{Guid.NewGuid()}", label with { FreshWaterDays = 99 }, HttpStatusCode.BadRequest);
        await Http.SendPutAsync($"products/{Guid.NewGuid()}", label with { Crops = ["moon-flower"] }, HttpStatusCode.BadRequest);
    }
}
