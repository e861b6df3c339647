using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>What was done and what is planned at a place, held against a mix; and the shelf.</summary>
public class UseGuardTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Kale = GardenSamples.Grown(Bed, "kale", GrowthStage.Mature);
    private static readonly Planting Leek = GardenSamples.Grown(Bed, "leek", GrowthStage.Mature);
    private static readonly GardenCatalogue C = Shipped.Catalogue;

    private static GardenSnapshot Garden(params SprayApplication[] sprays) =>
        GardenSamples.Garden([Bed], [Kale, Leek]) with
        {
            Applications = [.. sprays.OrderBy(a => a.At)],
        };

    private static string[] Codes(GardenSnapshot garden, params string[] materials) =>
        [.. UseGuards.Against(garden, Kale, [.. materials.Select(m => garden.Catalogue.Material(m))], GardenSamples.Now, materials.Length).Select(r => r.Code)];

    [Theory]
    [InlineData("sulfur", 20.5, "neem-oil", true)]
    [InlineData("sulfur", 21.5, "neem-oil", false)]
    [InlineData("peroxide", 0.5, "castile-soap", true)]
    [InlineData("peroxide", 1.5, "castile-soap", false)]
    [InlineData("castile-soap", 2.5, "sulfur", true)]
    [InlineData("bicarbonate", 0.5, "neem-oil", false)]
    public void Waits_count_from_what_was_really_applied(string before, double daysAgo, string now, bool waits) =>
        Assert.Equal(waits ? ["wait"] : [], Codes(Garden(GardenSamples.Sprayed(Kale, daysAgo, before)), now));

    [Theory]
    [InlineData(1.5, "cabbage-aphid", 2)]
    [InlineData(1.5, "flea-beetle", 0)]
    [InlineData(9, "cabbage-aphid", 0)]
    public void A_material_keeps_its_own_cadence_against_a_trouble_without_a_course_too(double daysAgo, string against, int inDays)
    {
        var soap = C.Material("insecticidal-soap");
        Assert.Equal(3, soap.Cadence.CurativeMinDays);
        var garden = Garden(GardenSamples.Sprayed(Kale, daysAgo, soap.Id) with { Target = against }) with
        {
            Choices = [new(Guid.NewGuid(), PlanWord.Proven, Kale.Id, null, soap.Id, null)],
        };
        Assert.Equal(garden.Today.AddDays(inDays), UseGuards.FirstDay(garden, Kale, C.Target("cabbage-aphid"), soap));
    }

    [Theory]
    [InlineData(20.5, true)]
    [InlineData(21.5, false)]
    public void The_longest_wait_holds_in_a_garden_that_knows_its_materials_otherwise_too(double daysAgo, bool waits)
    {
        var longest = C.Pairs.MaxBy(p => p.DaysApart)!;
        Assert.Equal(21, longest.DaysApart);
        var garden = Garden(GardenSamples.Sprayed(Kale, daysAgo, "sulfur")) with
        {
            Catalogue = C.Knowing(new Dictionary<string, Material> { ["milk"] = C.Material("milk") with { HarmToHelpers = 0.1 } }),
        };
        Assert.Equal(waits ? ["wait"] : [], Codes(garden, "neem-oil"));
    }

    [Fact]
    public void What_went_on_a_neighbour_in_the_same_bed_counts() =>
        Assert.Equal(["wait"], Codes(Garden(GardenSamples.Sprayed(Leek, 5, "sulfur")), "horticultural-oil"));

    [Fact]
    public void What_else_was_in_the_bottle_counts()
    {
        var bottle = new Batch(
            Guid.NewGuid(),
            GardenSamples.Now.AddDays(-5),
            "bicarbonate-with-sticker",
            DoseStep.Gentle,
            1,
            GardenSamples.Now,
            null,
            [Kale.Id],
            [new("bicarbonate", "active", 3, "g"), new("horticultural-oil", "sticker", 3, "ml")]
        );
        var garden = Garden(GardenSamples.Sprayed(Kale, 5, "bicarbonate") with { BatchId = bottle.Id }) with { Batches = [bottle] };
        Assert.Equal(["wait"], Codes(garden, "sulfur"));
    }

    [Theory]
    [InlineData(7, false)]
    [InlineData(8, true)]
    public void Bicarbonates_end_after_eight_in_a_season_whichever_they_are(int times, bool over) =>
        Assert.Equal(
            over ? ["season-limit"] : [],
            Codes(
                Garden([
                    .. Enumerable
                        .Range(0, times)
                        .Select(i => GardenSamples.Sprayed(i % 2 == 0 ? Kale : Leek, 5 + 7 * i, i % 3 == 0 ? "potassium-bicarbonate" : "bicarbonate")),
                ]),
                "bicarbonate"
            )
        );

    [Fact]
    public void Oil_and_neem_are_counted_together() =>
        Assert.Equal(
            ["season-limit"],
            Codes(
                Garden([.. Enumerable.Range(0, 10).Select(i => GardenSamples.Sprayed(Kale, 5 + 7 * i, i % 2 == 0 ? "neem-oil" : "horticultural-oil"))]),
                "oil-soap-stock",
                "castile-soap"
            )
        );

    [Fact]
    public void Last_season_is_forgotten_by_the_hemisphere_s_own_calendar()
    {
        var sprays = Enumerable.Range(0, 8).Select(i => GardenSamples.Sprayed(Kale, 20 + 7 * i, "bicarbonate")).ToArray();
        var south = Garden(sprays) with { Garden = GardenSamples.Home with { Latitude = -33.9, Longitude = 18.9, TimeZoneId = "Africa/Johannesburg" } };
        Assert.Equal(["season-limit"], Codes(Garden(sprays), "bicarbonate"));
        Assert.Empty(Codes(south, "bicarbonate"));
    }

    [Fact]
    public void Soap_three_times_in_a_row_is_enough_whichever_soap()
    {
        var row = new[]
        {
            GardenSamples.Sprayed(Kale, 12, "castile-soap"),
            GardenSamples.Sprayed(Kale, 8, "dish-detergent"),
            GardenSamples.Sprayed(Kale, 4, "castile-soap"),
        };
        Assert.Equal(["in-a-row"], Codes(Garden(row), "insecticidal-soap"));
        Assert.Empty(Codes(Garden([.. row, GardenSamples.Sprayed(Kale, 2, "neem-oil")]), "insecticidal-soap"));
    }

    [Theory]
    [InlineData(0, true)]
    [InlineData(1, false)]
    public void Picking_comes_before_the_spray_or_after_its_wait(int inDays, bool refused)
    {
        var garden = Garden() with { Picks = [new(Guid.NewGuid(), Kale.Id, GardenSamples.Home.DateOf(GardenSamples.Now).AddDays(inDays))] };
        Assert.Equal(refused ? ["pick-wait"] : [], Codes(garden, "neem-oil"));
        Assert.Empty(Codes(garden, "castile-soap"));
    }

    [Fact]
    public void A_label_s_times_and_interval_are_kept()
    {
        var product = new OwnProduct(Guid.NewGuid(), "Bt", "bt-kurstaki", [], "g", 0.5, 1, false, 2, 6, 0);
        GardenSnapshot With(params double[] days) =>
            Garden([.. days.Select(d => GardenSamples.Sprayed(Kale, d, product.MaterialId))]) with
            {
                Catalogue = C.With([product]),
            };
        Assert.Empty(Codes(With(8), product.MaterialId));
        Assert.Equal(["label-interval"], Codes(With(5), product.MaterialId));
        Assert.Equal(["label-times"], Codes(With(20, 8), product.MaterialId));
    }

    [Fact]
    public void Only_labelled_products_where_the_garden_says_so()
    {
        var product = new OwnProduct(Guid.NewGuid(), "Soap", "insecticidal-soap", [], "ml", 10, 20, false, null, null, null);
        var strict = Garden() with { Catalogue = C.With([product]), Garden = GardenSamples.Home with { OnlyLabelled = true } };
        Assert.Equal(["only-labelled"], Codes(strict, "insecticidal-soap"));
        Assert.Empty(Codes(strict, product.MaterialId));
    }

    [Fact]
    public void A_plant_that_oil_burnt_gets_no_oil_in_any_form_until_it_is_healed()
    {
        var spray = GardenSamples.Sprayed(Kale, 12, "horticultural-oil");
        CheckBack Judged(double daysAgo, Injury injury) =>
            new(Guid.NewGuid(), spray.Id, Kale.Id, new DateOnly(2026, 7, 10), GardenSamples.Now.AddDays(-daysAgo), null, Outcome.Holding, injury);
        GardenSnapshot Burnt(params CheckBack[] visits) => Garden(spray) with { CheckBacks = visits };
        foreach (var oil in new[] { "horticultural-oil", "oil-soap-stock", "clarified-neem" })
        {
            Assert.Contains("burnt", Codes(Burnt(Judged(8, Injury.Clear)), oil));
        }

        Assert.DoesNotContain("burnt", Codes(Burnt(Judged(8, Injury.Clear)), "insecticidal-soap"));
        Assert.DoesNotContain("burnt", Codes(Burnt(Judged(8, Injury.Slight)), "horticultural-oil"));
        // A later look that finds it healed, or three weeks, end the rest.
        Assert.DoesNotContain("burnt", Codes(Burnt(Judged(8, Injury.Severe), Judged(2, Injury.None)), "horticultural-oil"));
        Assert.Contains("burnt", Codes(Burnt(Judged(8, Injury.Severe), Judged(2, Injury.Unsaid)), "horticultural-oil"));
        Assert.DoesNotContain("burnt", Codes(Burnt(Judged(30, Injury.Severe)), "horticultural-oil"));
    }

    private static PatchState Patch(double? judgedDaysAgo, Injury injury = Injury.None, bool patchTest = true)
    {
        var spray = GardenSamples.Sprayed(Kale, 3, "neem-oil") with { PatchTest = patchTest };
        var visit = new CheckBack(
            Guid.NewGuid(),
            spray.Id,
            Kale.Id,
            new DateOnly(2026, 7, 18),
            judgedDaysAgo is { } d ? GardenSamples.Now.AddDays(-d) : null,
            null,
            null,
            injury
        );
        return UseGuards.PatchOf(Garden(spray) with { CheckBacks = [visit] }, C.Crop("kale"), C.Material("neem-oil")).State;
    }

    [Fact]
    public void A_new_pairing_is_tried_on_two_leaves_and_judged_first()
    {
        Assert.Equal(PatchState.Needed, UseGuards.PatchOf(Garden(), C.Crop("kale"), C.Material("neem-oil")).State);
        Assert.Equal(PatchState.Waiting, Patch(null));
        Assert.Equal(PatchState.Proven, Patch(0.5));
        Assert.Equal(PatchState.Proven, Patch(0.5, Injury.Slight, patchTest: false));
        Assert.Equal(PatchState.Needed, Patch(0.5, Injury.Severe));
        Assert.Equal(PatchState.Needed, Patch(0.5, Injury.Unsaid, patchTest: false));
        Assert.Equal(PatchState.NotNeeded, UseGuards.PatchOf(Garden(), C.Crop("kale"), C.Material("borax")).State);
    }

    [Fact]
    public void The_evening_tries_two_leaves_before_the_first_spray_of_a_crop()
    {
        var garden = Garden() with { Observations = [GardenSamples.Seen(Kale, 1, 20, 12, "cabbage-whitefly")] };
        var deed = Assert.Single(EveningPlanner.Plan(garden).Deeds, d => d.Tank is not null);
        Assert.Equal((DeedKind.PatchTest, SprayVolume.PatchTestLitres), (deed.Kind, deed.Tank!.Litres));
        var spray = new SprayApplication(
            Guid.NewGuid(),
            null,
            GardenSamples.Now.AddHours(-20),
            deed.Tank.Recipe.Active.Material,
            null,
            0.1,
            null,
            [new(Kale.Id, 0.9)],
            true,
            null
        );
        var waiting = garden with
        {
            Applications = [spray],
            CheckBacks = [new(Guid.NewGuid(), spray.Id, Kale.Id, new DateOnly(2026, 7, 17), null, null, null, Injury.None)],
        };
        Assert.Contains(EveningPlanner.Plan(waiting).LeftAlone, l => l.Said.Words.Contains("planned for Fri 17 Jul", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(17, false)]
    [InlineData(16, true)]
    [InlineData(14, true)]
    public void Leaves_that_wait_to_be_judged_are_judged_before_more_is_mixed(int dueOn, bool due)
    {
        var spray = GardenSamples.Sprayed(Kale, 3, "neem-oil", patchTest: true);
        var garden = Garden(spray) with
        {
            Observations = [GardenSamples.Seen(Kale, 1, 20, 12, "cabbage-whitefly")],
            CheckBacks = [new(Guid.NewGuid(), spray.Id, Kale.Id, new DateOnly(2026, 7, dueOn), null, null, null, Injury.None)],
        };
        var neem = WayBook.Of(garden).For(Kale, garden.Observations[0]).WithMaterials.Where(w => w.Option!.Material.Id == "neem-oil").ToList();
        Assert.NotEmpty(neem);
        Assert.All(neem, w => Assert.Equal(due, w.Against.Any(r => r.Code == "judge-first")));
        Assert.DoesNotContain(EveningPlanner.Plan(garden).Deeds, d => d.Tank?.Recipe.Active.Material == "neem-oil");
    }

    [Fact]
    public void A_renewal_waits_for_the_leaves_that_are_tried_too()
    {
        var ahead = GardenSamples.Bed("Ahead", 0, stance: Stance.KeepAhead);
        var squash = GardenSamples.Grown(ahead, "squash");
        var garden = GardenSamples.Garden([ahead], [squash]) with { Applications = [GardenSamples.Sprayed(squash, 20, "milk", "powdery-mildew")] };
        var deed = Assert.Single(EveningPlanner.Plan(garden).Deeds, d => d.Tank is not null);
        Assert.Equal(DeedKind.PatchTest, deed.Kind);
        var trial = new SprayApplication(
            Guid.NewGuid(),
            null,
            GardenSamples.Now.AddHours(-20),
            deed.Tank!.Recipe.Active.Material,
            null,
            0.1,
            null,
            [new(squash.Id, 0.9)],
            true,
            null
        );
        var waiting = garden with
        {
            Applications = [.. garden.Applications, trial],
            CheckBacks = [new(Guid.NewGuid(), trial.Id, squash.Id, new DateOnly(2026, 7, 17), null, null, null, Injury.None)],
        };
        Assert.DoesNotContain(EveningPlanner.Plan(waiting).Deeds, d => d.Tank?.Recipe.Active.Material == trial.Material);
    }

    private static Stock Bottle(string material, double left, DateOnly? bestBefore = null, DateOnly? opened = null, double? cost = null) =>
        new(Guid.NewGuid(), material, material, 250, left, C.Material(material).Unit, opened, bestBefore, Cost: cost);

    [Fact]
    public void The_shelf_gives_what_goes_off_first_and_says_what_is_missing()
    {
        var today = new DateOnly(2026, 7, 16);
        var (old, soon, later) = (
            Bottle("neem-oil", 50, today.AddDays(-1)),
            Bottle("neem-oil", 30, today.AddDays(30)),
            Bottle("neem-oil", 100, today.AddDays(90))
        );
        var taken = Shelf.Take([later, old, soon], "neem-oil", 140, today);
        Assert.Equal([(soon.Id, 30.0), (later.Id, 100.0), (old.Id, 10.0)], taken.Draws.Select(d => (d.Stock.Id, d.Amount)));
        Assert.Equal((true, 0.0), (taken.Kept, taken.Missing));
        Assert.Equal(20, Shelf.Take([later, old, soon], "neem-oil", 200, today).Missing, 1e-9);
        Assert.False(Shelf.Take([later], "milk", 10, today).Kept);
    }

    [Theory]
    [InlineData("neem-oil", 140, "2025-06-01", null, 20.0, "rancid")]
    [InlineData("neem-oil", 140, "2026-04-02", null, 12.0, "cold")]
    [InlineData("neem-oil", 30, "2026-04-02", null, 20.0, "low")]
    [InlineData("peroxide", 200, "2025-12-01", null, 20.0, "old")]
    [InlineData("garlic-stock", 200, null, "2026-07-10", 20.0, "stale")]
    [InlineData("castile-soap", 0, null, null, 20.0, "empty")]
    [InlineData("castile-soap", 200, "2026-01-01", "2027-01-01", 5.0, null)]
    public void Hints_of_a_bottle(string material, double left, string? opened, string? bestBefore, double coldestC, string? code)
    {
        static DateOnly? Date(string? text) => text is null ? null : DateOnly.Parse(text, System.Globalization.CultureInfo.InvariantCulture);
        var hints = Shelf.Hints(C.Material(material), Bottle(material, left, Date(bestBefore), Date(opened)), new DateOnly(2026, 7, 16), coldestC);
        Assert.Equal(code is null ? [] : [code], hints.Select(h => h.Code));
    }

    [Fact]
    public void The_shopping_list_is_what_the_fortnight_takes_beyond_the_shelf()
    {
        var garden = GardenSamples.Tried(Garden() with { Observations = [GardenSamples.Seen(Kale, 1, 20, 12, "cabbage-aphid")] });
        var evening = EveningPlanner.Plan(garden);
        var recipe = evening.Deeds.Single(d => d.Tank is not null).Tank!.Recipe;
        var active = recipe.Active.Material;
        var bare = ShoppingList.For(garden, evening).Single(i => i.Material.Id == active);
        Assert.True(bare.ToBuy > 0 && bare.ToBuy == bare.Needed && bare.Cost is null);
        var half = garden with { Stocks = [Bottle(active, bare.Needed / 2, cost: 25)] };
        var item = ShoppingList.For(half, evening).Single(i => i.Material.Id == active);
        Assert.Equal(bare.Needed / 2, item.ToBuy, 1e-9);
        Assert.Equal(25 * item.ToBuy / 250, item.Cost!.Value, 1e-9);
        var full = garden with { Stocks = [Bottle(active, 240)] };
        Assert.DoesNotContain(ShoppingList.For(full, evening), i => i.Material.Id == active);
    }

    [Theory]
    [InlineData("insecticidal-soap", 0.4)]
    [InlineData("earth-dust", 3)]
    [InlineData("castings-feed", 8)]
    [InlineData("ant-bait", 4)]
    [InlineData("neem-drench", 2)]
    public void Each_form_asks_for_its_own_measure(string recipe, double size)
    {
        var garden = GardenSamples.Garden([Bed], [Kale with { Count = 8 }, Leek]);
        Assert.Equal(size, SprayVolume.SizeFor(garden, C.FindRecipe(recipe)!, [garden.Plantings[0]]), 1e-9);
    }

    [Fact]
    public void A_product_like_any_material_may_follow_any_other()
    {
        foreach (var like in C.Materials.Where(m => m is { Pantry: false, Doses: not null }))
        {
            var product = new OwnProduct(Guid.NewGuid(), "Own", like.Id, [], "ml", 1, 2, false, null, null, null).ToMaterial(C);
            Assert.All(C.Materials, m => Assert.NotNull(Pairs.Find(C.Pairs, product, m)));
        }
    }

    [Theory]
    [InlineData(2, true)]
    [InlineData(1, false)]
    public void A_partner_counts_against_the_season_and_a_sticker_does_not(int working, bool refused)
    {
        var garden = Garden() with { Applications = [.. Enumerable.Range(0, 10).Select(i => GardenSamples.Sprayed(Kale, 100 - i * 5, "neem-oil"))] };
        var codes = UseGuards
            .Against(garden, Kale, [C.Material("bicarbonate"), C.Material("horticultural-oil")], GardenSamples.Now, working)
            .Select(r => r.Code);
        Assert.Equal(refused, codes.Contains("season-limit"));
    }
}
