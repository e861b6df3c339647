using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

/// <summary>Mixes of every form, stocks in stocks, other bottles, other soaps.</summary>
public class PreparationTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;
    private static readonly List<Recipe> Dosed = [.. C.Recipes.Where(r => C.Material(r.Active.Material).Doses is not null)];
    private static readonly MixConditions Mild = new(20, [], false);

    private static Mix Make(
        string recipe,
        DoseStep step,
        double size,
        KitchenSystem kitchen = KitchenSystem.Metric,
        MixConditions? conditions = null,
        Func<MixOrder, MixOrder>? with = null
    ) => Mix.Make(C, (with ?? (o => o))(new MixOrder(C.FindRecipe(recipe)!, step, size, kitchen)), conditions ?? Mild);

    [Fact]
    public void White_stock_is_taken_apart_into_oil_and_soap()
    {
        var mix = Make("white-stock", DoseStep.Usual, 2);
        Assert.Equal(30, mix.Parts[0].Amount, 1e-9);
        Assert.Equal([("kitchen-oil", 12.0), ("castile-soap", 3.0)], mix.Strengths.Select(s => (s.Material.Id, Math.Round(s.PerLitre, 9))));
        Assert.Equal((1.2, 0.3), (Math.Round(mix.OilPercent, 9), Math.Round(mix.SoapPercent, 9)));
    }

    [Fact]
    public void A_sprayer_that_held_what_may_not_meet_is_rinsed_first()
    {
        var bed = GardenSamples.Bed("Bed");
        var hand = new Sprayer(Guid.NewGuid(), "hand sprayer", 2);
        GardenSnapshot Held(string material, int daysAgo) =>
            GardenSamples.Garden([bed], []) with
            {
                Sprayers = [hand],
                Batches =
                [
                    new Batch(
                        Guid.NewGuid(),
                        GardenSamples.Now.AddDays(-daysAgo),
                        "any",
                        DoseStep.Usual,
                        1,
                        GardenSamples.Now,
                        null,
                        [],
                        [new Measured(material, "active", 2, "g")],
                        SprayerId: hand.Id
                    ),
                ],
            };
        Material[] neem = [C.Material("neem-oil")];
        Assert.StartsWith(
            "The hand sprayer held wettable sulfur on 13 July: rinse it twice first",
            Rinsing.First(Held("sulfur", 3), hand, neem),
            StringComparison.Ordinal
        );
        Assert.Null(Rinsing.First(Held("neem-oil", 3), hand, neem));
        Assert.Null(Rinsing.First(Held("sulfur", 90), hand, neem));
        Assert.Null(Rinsing.First(Held("sulfur", 3), hand with { Id = Guid.NewGuid() }, neem));
        Assert.Null(Rinsing.First(Held("gone from here", 3), hand, neem));
    }

    [Fact]
    public void A_stock_of_stocks_says_what_is_really_in_the_litre()
    {
        // 300 ml of garlic stock (100 g in 500 ml) and 200 ml of chilli stock (60 g in 500 ml) in 500 ml; 15 ml of that a litre.
        var mix = Make("garlic-chilli-spray", DoseStep.Usual, 1);
        Assert.Equal(15.0 * 300 / 500 * 100 / 500, mix.Strengths.Single(s => s.Material.Id == "garlic-cloves").PerLitre, 1e-9);
        Assert.Equal(15.0 * 200 / 500 * 60 / 500, mix.Strengths.Single(s => s.Material.Id == "hot-chilli").PerLitre, 1e-9);
        Assert.Contains(mix.Cautions, c => c.Contains("Gloves", StringComparison.Ordinal));
    }

    [Fact]
    public void However_deep_stocks_are_nested_the_strength_is_the_product_of_their_shares() =>
        Gen.Select(Gen.Double[1, 400].Array[1, 6], Gen.Double[500, 5000], Gen.Double[0.5, 20])
            .Sample(
                (amounts, yield, perLitre) =>
                {
                    var materials = new List<Material>
                    {
                        new()
                        {
                            Id = "m0",
                            Name = "m0",
                            Group = "oil",
                            Evidence = EvidenceGrade.Fair,
                            Pantry = true,
                        },
                    };
                    foreach (var amount in amounts)
                    {
                        materials.Add(
                            materials[^1] with
                            {
                                Id = $"m{materials.Count}",
                                MadeFrom = new Preparation(yield, 7, "", [new(materials[^1].Id, amount)], ["stir"]),
                            }
                        );
                    }

                    var catalogue = GardenCatalogue.Create(
                        new GardenCatalogue
                        {
                            Groups = C.Groups,
                            Materials = materials,
                            Targets = [],
                            Signs = [],
                            Helpers = [],
                            Crops = [],
                            Recipes = [],
                            Pairs = C.Pairs,
                            Measures = [],
                            Climates = [],
                        }
                    );
                    var deep = Assert.Single(Strengths.Of(catalogue, [new MixShare(materials[^1], perLitre)]));
                    var direct = amounts.Aggregate(perLitre, (p, a) => p * a / yield);
                    return deep.Material.Id == "m0" && Math.Abs(deep.PerLitre / direct - 1) < 1e-9;
                }
            );

    [Fact]
    public void Scaling_a_mix_is_linear() =>
        Gen.Select(Gen.Int[0, Dosed.Count - 1], Gen.Enum<DoseStep>(), Gen.Double[0.1, 10], Gen.Double[1.1, 4])
            .Sample(
                (index, step, size, factor) =>
                {
                    var (one, more) = (Make(Dosed[index].Id, step, size), Make(Dosed[index].Id, step, size * factor));
                    return one.Parts.Zip(more.Parts).All(p => Math.Abs(p.First.Amount * factor - p.Second.Amount) < 1e-9 * p.Second.Amount)
                        && one.Verdict == more.Verdict
                        && one.Strengths.Zip(more.Strengths).All(s => Math.Abs(s.First.Percent - s.Second.Percent) < 1e-12);
                }
            );

    [Fact]
    public void Every_usual_recipe_may_be_mixed_at_its_gentle_dose_on_a_mild_evening() =>
        Assert.All(Dosed, r => Assert.True(Make(r.Id, DoseStep.Gentle, 1) is { Verdict: MixVerdict.Ok } mix && MixSteps.Of(mix).Count >= 2, r.Id));

    [Fact]
    public void A_stronger_bottle_takes_less_of_it_for_the_same_strength()
    {
        var usual = Make("peroxide", DoseStep.Usual, 1);
        var strong = Make("peroxide", DoseStep.Usual, 1, with: o => o with { BottlePercent = new Dictionary<string, double> { ["peroxide"] = 9 } });
        Assert.Equal(45, usual.Parts[0].Amount, 1e-9);
        Assert.Equal(15, strong.Parts[0].Amount, 1e-9);
        Assert.Equal(usual.Strengths[0].Percent, strong.Strengths[0].Percent, 1e-12);
        Assert.Equal(MixVerdict.Ok, strong.Verdict);
    }

    [Theory]
    [InlineData(12, MixVerdict.Ok)]
    [InlineData(12.1, MixVerdict.Refused)]
    [InlineData(35, MixVerdict.Refused)]
    public void A_bottle_over_twelve_percent_is_refused(double percent, MixVerdict verdict)
    {
        var mix = Make("peroxide", DoseStep.Gentle, 1, with: o => o with { BottlePercent = new Dictionary<string, double> { ["peroxide"] = percent } });
        Assert.Equal(verdict, mix.Verdict);
        Assert.Equal(verdict == MixVerdict.Refused, mix.Reasons.Any(r => r.Code == "bottle-strong"));
    }

    [Fact]
    public void Over_the_ceiling_the_nearest_step_is_named()
    {
        var mix = Make("neem-with-soap", DoseStep.Usual, 1, with: o => o with { ActiveDose = 20 });
        Assert.Equal((MixVerdict.Refused, DoseStep.Strong), (mix.Verdict, Mix.NearestStep(C, mix.Order, Mild)!.Value));
        Assert.Contains("12 ml a litre is the most", Assert.Single(mix.Reasons).Sentence.Told(), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_added_steps_with_the_rest_and_must_be_allowed_to_meet_it()
    {
        var allowed = Make("neem-with-soap", DoseStep.Usual, 1, with: o => o with { Added = [C.Material("bicarbonate")] });
        Assert.Equal(5, allowed.Parts.Single(p => p.Material.Id == "bicarbonate").Amount, 1e-9);
        Assert.Equal(MixVerdict.Ok, allowed.Verdict);
        var never = Make("neem-with-soap", DoseStep.Usual, 1, with: o => o with { Added = [C.Material("peroxide")] });
        Assert.Contains(never.Reasons, r =>
            r is { Code: "never-together", Verdict: MixVerdict.Refused } && r.Sentence.Contains("1 day apart", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void What_a_stock_was_made_from_must_be_allowed_to_meet_too()
    {
        var mix = Make("sulfur-for-the-test", DoseStep.Usual, 1);
        Assert.Contains(mix.Reasons, r => r.Code == "never-together");

        static Mix Make(string id, DoseStep step, double size)
        {
            var product = new OwnProduct(Guid.NewGuid(), "Sulfur powder", "sulfur", [], "g", 2, 4, false, null, null, null);
            var catalogue = C.With([product]);
            var recipe = new Recipe(id, id, [new(product.MaterialId, "active"), new("oil-soap-stock", "sticker", 5)], 12, "");
            return Mix.Make(catalogue, new MixOrder(recipe, step, size, KitchenSystem.Metric), Mild);
        }
    }

    [Theory]
    [InlineData(true, "bees", MixVerdict.Refused)]
    [InlineData(false, "bees", MixVerdict.Ok)]
    [InlineData(null, "bees", MixVerdict.Ok)]
    public void Flowers_wait_for_the_bees_to_be_home(bool? beesOut, string code, MixVerdict verdict) =>
        Assert.Equal(
            verdict,
            Make("neem-with-soap", DoseStep.Gentle, 1, conditions: Mild with { InFlower = ["Courgette"], BeesOut = beesOut })
                .Reasons.Single(r => r.Code == code)
                .Verdict
        );

    [Fact]
    public void Dust_never_goes_on_flowers() =>
        Assert.Equal(MixVerdict.Refused, Make("earth-dust", DoseStep.Gentle, 4, conditions: Mild with { InFlower = ["Kale"] }).Verdict);

    [Fact]
    public void Dust_bait_and_feed_are_measured_by_what_they_are_for()
    {
        Assert.Equal(20, Make("earth-dust", DoseStep.Usual, 4).Parts[0].Amount, 1e-9);
        Assert.Equal([2, 32], Make("ant-bait", DoseStep.Usual, 4).Parts.Select(p => p.Amount));
        Assert.Equal([1.6, 32], Make("ant-bait", DoseStep.Gentle, 4).Parts.Select(p => p.Amount).Select(a => Math.Round(a, 9)));
        Assert.Equal(90, Make("castings-feed", DoseStep.Gentle, 6).Parts[0].Amount, 1e-9);
        Assert.Equal(0, Make("ant-bait", DoseStep.Usual, 4).Litres);
    }

    [Fact]
    public void A_jar_that_stayed_even_sets_the_soap()
    {
        var mix = Make("neem-with-soap", DoseStep.Gentle, 2, with: o => o with { EmulsifierMlPerLitre = 3 });
        Assert.Equal(6, mix.Parts.Single(p => p.Role == "emulsifier").Amount, 1e-9);
    }

    [Fact]
    public void Steps_keep_the_order_of_mixing()
    {
        var steps = MixSteps.Of(Make("neem-bicarbonate", DoseStep.Usual, 2, KitchenSystem.Us));
        Assert.Equal([null, "bicarbonate", "castile-soap", "neem-oil", null], steps.Select(s => s.Material));
        Assert.Equal("Warm water, about 30 °C", steps[0].Title.Told());
        Assert.Equal(("2 quarts + 1/2 cup", "2 l"), (steps[^1].Measure, steps[^1].Exact));
    }

    [Theory]
    [InlineData("oil-soap-stock", 250, "200 ml", 2)]
    [InlineData("garlic-stock", 250, "50 g", 3)]
    public void A_preparation_is_scaled_to_what_is_made(string id, double yieldMl, string first, int works)
    {
        var steps = MixSteps.OfPreparation(C, C.Material(id).MadeFrom!, yieldMl, KitchenSystem.Metric);
        Assert.Contains(first, new[] { steps[0].Measure.Told(), steps[0].Exact });
        Assert.Equal(works, steps.Count(s => s.Material is null));
    }

    [Fact]
    public void A_bicarbonate_without_oil_keeps_a_week_and_with_oil_a_day()
    {
        Assert.Equal(168, Make("bicarbonate-plain", DoseStep.Usual, 1).MixedLifeHours);
        Assert.Equal(24, Make("bicarbonate-with-sticker", DoseStep.Usual, 1).MixedLifeHours);
    }

    [Fact]
    public void A_label_beats_the_catalogue()
    {
        var product = new OwnProduct(Guid.NewGuid(), "Soap ready", "insecticidal-soap", [], "ml", 20, 30, true, 4, 6, 3);
        var catalogue = C.With([product]);
        var material = catalogue.Material(product.MaterialId);
        Assert.Equal((20, 25, 30, 30), (material.Doses!.Gentle, material.Doses.Usual, material.Doses.Strong, material.Doses.Ceiling));
        Assert.Equal((3, 6, true), (material.DaysToWait, material.Cadence.CurativeMinDays, material.IsLabelled));
        Assert.Equal(C.Material("insecticidal-soap").WorksOn, material.WorksOn);
        var mix = Mix.Make(catalogue, new MixOrder(catalogue.RecipeFor(product.MaterialId)!, DoseStep.Gentle, 1, KitchenSystem.Metric), Mild);
        Assert.Equal(20 / 1.02, mix.Parts[0].Amount, 1e-9);
        Assert.Null(C.FindMaterial(product.MaterialId));
    }
}
