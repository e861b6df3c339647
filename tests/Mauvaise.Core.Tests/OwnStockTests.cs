using CsCheck;
using Mauvaise.Core.ByEar;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

/// <summary>Stocks by proportions of one's own, and what stands before it is strained.</summary>
public class OwnStockTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;

    private static OwnStock Stock(StockMaking making, double water, double hours, params (string Material, double Parts)[] parts) =>
        new(Guid.NewGuid(), "Mine", [.. parts.Select(p => new StockPart(p.Material, p.Parts))], water, false, making, hours, false);

    private static StockReckoning Of(StockMaking making, double water, double hours, params (string Material, double Parts)[] parts) =>
        StockReckoning.Of(C, Stock(making, water, hours, parts));

    [Fact]
    public void Four_to_one_of_oil_and_soap_is_the_white_stock()
    {
        var mine = Of(StockMaking.Shaken, 0, 0, ("kitchen-oil", 4), ("castile-soap", 1));
        Assert.Empty(mine.Faults);
        Assert.Equal([400, 100], mine.Made!.Parts.Select(p => Math.Round(p.Amount, 6)));
        var white = C.Material("oil-soap-stock").Doses!;
        Assert.Equal(
            (white.Gentle, white.Usual, white.Strong, 25),
            (mine.Material!.Doses!.Gentle, mine.Material.Doses.Usual, mine.Material.Doses.Strong, mine.Material.Doses.Ceiling)
        );
        Assert.False(mine.Material.NeedsEmulsifier);
        Assert.Equal(182, mine.Made.KeepsDays);
    }

    [Fact]
    public void Sixteen_to_one_leaves_the_oil_without_enough_soap_and_asks_for_some()
    {
        var mine = Of(StockMaking.Shaken, 0, 0, ("kitchen-oil", 16), ("castile-soap", 1));
        Assert.True(mine.Material!.NeedsEmulsifier);
        // 16/17 of it is oil: 0.8 x 17/16 of the white stock's dose.
        Assert.Equal(12, mine.Material.Doses!.Usual, 0.8);
        Assert.Equal(
            ["active", "emulsifier"],
            Stock(StockMaking.Shaken, 0, 0, ("kitchen-oil", 16), ("castile-soap", 1)).ToRecipe(mine.Material).Ingredients.Select(i => i.Role)
        );
    }

    [Fact]
    public void A_plant_is_held_against_the_stock_of_it_and_a_weaker_one_is_dosed_higher()
    {
        // 0.6 g a millilitre loose: a part of garlic in two of water is 0.3 g a millilitre, half as strong again as the stock's 0.2.
        var blended = Of(StockMaking.Blended, 2, 0, ("garlic-cloves", 1));
        Assert.Equal(10, blended.Material!.Doses!.Usual, 1e-9);
        Assert.Equal(40, blended.Material.Doses.Ceiling, 1e-9);
        var steeped = Of(StockMaking.Steeped, 2, 8, ("garlic-cloves", 1));
        // Eight hours in the cold draw 0.4 of it.
        Assert.Equal(25, steeped.Material!.Doses!.Usual, 1e-9);
        // What went in, not what is thought to come out, sets the most.
        Assert.Equal(40, steeped.Material.Doses.Ceiling, 1e-9);
        Assert.Contains("40 %", steeped.Drawn[0], StringComparison.Ordinal);
    }

    [Fact]
    public void Boiling_spoils_garlic_and_not_chilli()
    {
        Assert.Equal(
            0.3,
            Of(StockMaking.Blended, 5, 0, ("garlic-cloves", 1)).Material!.Doses!.Usual
                / Of(StockMaking.Boiled, 5, 0, ("garlic-cloves", 1)).Material!.Doses!.Usual,
            0.02
        );
        Assert.Equal(
            1,
            Of(StockMaking.Blended, 5, 0, ("hot-chilli", 1)).Material!.Doses!.Usual / Of(StockMaking.Boiled, 5, 0, ("hot-chilli", 1)).Material!.Doses!.Usual,
            0.02
        );
    }

    [Fact]
    public void What_stands_in_water_keeps_as_its_parts_do()
    {
        Assert.Equal(7, Of(StockMaking.Blended, 4, 0, ("garlic-cloves", 1), ("hot-chilli", 1)).Made!.KeepsDays);
        Assert.Equal(10, Of(StockMaking.Boiled, 4, 0, ("hot-chilli", 1)).Made!.KeepsDays);
        Assert.Equal(4, Of(StockMaking.Blended, 4, 0, ("garlic-cloves", 1), ("kitchen-oil", 1)).Made!.KeepsDays);
        Assert.True(Of(StockMaking.Shaken, 1, 0, ("milk", 1)).Made!.KeepsDays < 1);
    }

    [Theory]
    [InlineData("dry", StockMaking.Blended, 0, "garlic-cloves")]
    [InlineData("not-drawn", StockMaking.Shaken, 4, "garlic-cloves")]
    [InlineData("steep-range", StockMaking.Steeped, 4, "garlic-cloves")]
    [InlineData("unknown-strength", StockMaking.Shaken, 4, "sugar")]
    [InlineData("too-weak", StockMaking.Blended, 900, "garlic-cloves")]
    [InlineData("no-spray-form", StockMaking.Shaken, 4, "worm-castings")]
    [InlineData("parts", StockMaking.Shaken, 4, "moon-dust")]
    public void What_is_no_stock_says_why(string code, StockMaking making, double water, string material) =>
        Assert.Contains(code, Of(making, water, 0, (material, 1)).Faults.Select(f => f.Code));

    [Fact]
    public void Parts_that_may_not_meet_stand_in_no_bottle()
    {
        var fault = Assert.Single(Of(StockMaking.Shaken, 4, 0, ("neem-oil", 1), ("peroxide", 1)).Faults);
        Assert.Equal("never-together", fault.Code);
    }

    /// <summary>Whatever the proportions, no dose of a stock brings more of anything into a litre than the catalogue allows.</summary>
    [Fact]
    public void No_proportions_bring_too_much_into_a_litre()
    {
        string[] liquids = ["kitchen-oil", "neem-oil", "castile-soap", "horticultural-oil", "peppermint-oil"];
        string[] plants = ["garlic-cloves", "hot-chilli", "onion-bulb"];
        var parts = Gen.Double[0.2, 20];
        Gen.Select(
                Gen.OneOf([.. liquids.Select(x => Gen.Const(x))]),
                parts,
                Gen.OneOf([.. plants.Select(x => Gen.Const(x))]),
                parts,
                Gen.Double[1, 40],
                Gen.Bool
            )
            .Sample(
                (liquid, some, plant, more, water, boiled) =>
                {
                    var mine = Of(boiled ? StockMaking.Boiled : StockMaking.Blended, water, 0, (liquid, some), (plant, more));
                    if (mine.Material is not { Doses: { } doses } stock)
                    {
                        return;
                    }

                    Assert.True(0 < doses.Gentle && doses.Gentle <= doses.Usual && doses.Usual <= doses.Strong && doses.Strong <= doses.Ceiling);
                    foreach (var part in mine.Made!.Parts)
                    {
                        var m = C.Material(part.Material);
                        var inALitre = doses.Ceiling * part.Amount / mine.Made.YieldMl;
                        var most = m.Doses?.Ceiling ?? Preparations.MostOf(C, m);
                        Assert.True(inALitre <= most * 1.0001, $"{inALitre} of {part.Material}, {most} at most");
                    }
                },
                iter: 400
            );
    }

    [Fact]
    public void A_stock_of_ones_own_is_mixed_proposed_and_taken_apart_like_any_other()
    {
        var stock = Stock(StockMaking.Shaken, 0, 0, ("kitchen-oil", 5), ("castile-soap", 1));
        var mine = C.With([], null, null, [stock]);
        var mix = Mix.Make(mine, new MixOrder(mine.FindRecipe(stock.MaterialId)!, DoseStep.Usual, 2, KitchenSystem.Metric), new MixConditions(20, [], false));
        Assert.Equal(MixVerdict.Ok, mix.Verdict);
        Assert.Equal(["kitchen-oil", "castile-soap"], mix.Strengths.Select(s => s.Material.Id));
        Assert.Equal(EvidenceGrade.Weak, mine.Material(stock.MaterialId).Evidence);
        var retired = C.With([], null, null, [stock with { Retired = true }]);
        Assert.True(retired.FindRecipe(stock.MaterialId)!.PutAway);
    }

    [Fact]
    public void What_stands_is_not_taken_from_the_shelf()
    {
        var ready = new Stock(Guid.NewGuid(), "garlic-stock", "old", 500, 100, "ml", null, null);
        var standing = ready with { Id = Guid.NewGuid(), Left = 500, ReadyAt = GardenSamples.Now.AddHours(6) };
        var draw = Shelf.Take([standing, ready], "garlic-stock", 150, new DateOnly(2026, 7, 16));
        Assert.Equal([(ready.Id, 100.0)], draw.Draws.Select(d => (d.Stock.Id, d.Amount)));
        Assert.Equal(50, draw.Missing);
        Assert.Contains("steeping", Shelf.Hints(C.Material("garlic-stock"), standing, new DateOnly(2026, 7, 16), null).Select(h => h.Code));
    }

    [Theory]
    [InlineData("Two bulbs of garlic in a litre of water, steep overnight, then strain.", 12)]
    [InlineData("Chop 6 onions, cover with a gallon of water and let it stand for 24 hours.", 24)]
    [InlineData("Soak a handful of nettles in 2 l of water for three days.", 72)]
    [InlineData("5 ml of neem a litre. Spray and leave for 2 hours, then rinse the leaves.", 0)]
    [InlineData("10 ml of soap in a litre. Repeat every 5 days.", 0)]
    [InlineData("A cup of milk in a litre of water, spray overnight.", 0)]
    [InlineData("Boil a cup of chillies in a litre of water, leave it to stand for a day.", 24)]
    public void How_long_a_recipe_stands_is_heard(string text, double hours) =>
        Assert.Equal(hours, RecipeReader.Read(C, text, KitchenSystem.Metric).SteepHours);

    [Fact]
    public void A_bottle_that_stands_is_good_from_then_on()
    {
        var own = new OwnRecipe(Guid.NewGuid(), "Soapy brew", "", null, false, false, [new OwnPart("castile-soap", 8), new OwnPart("garlic-cloves", 6)], 24);
        var catalogue = C.With([], [own]);
        var garden = GardenSamples.Garden([GardenSamples.Bed("Bed")], []) with { Catalogue = catalogue };
        var mix = Mix.Make(
            catalogue,
            new MixOrder(catalogue.FindRecipe(own.RecipeId)!, DoseStep.Gentle, 1, KitchenSystem.Metric),
            new MixConditions(20, [], false)
        );
        var bottle = Bottles.Fill(garden, Guid.NewGuid(), [], null, false, mix, GardenSamples.Now, null).Batches[0];
        Assert.Equal(GardenSamples.Now.AddHours(24), bottle.ReadyAt);
        Assert.Equal(GardenSamples.Now.AddHours(24 + mix.MixedLifeHours), bottle.UseBy);
        Assert.Contains("24", MixSteps.Of(mix)[^1].Title, StringComparison.Ordinal);
    }
}
