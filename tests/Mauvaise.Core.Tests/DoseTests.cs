using System.Globalization;
using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

/// <summary>
/// Doses carried from kitchen to tank: forty made-up recipes worked by exact fractions (tests/cases/recipes.csv), and what must hold for any.
/// </summary>
public class DoseTests
{
    public static TheoryData<string> Recipes => [.. File.ReadLines(Path.Combine(AppContext.BaseDirectory, "cases", "recipes.csv")).Skip(1)];

    [Theory]
    [MemberData(nameof(Recipes))]
    public void A_made_up_recipe_by_hand(string line)
    {
        var c = line.Split(',');
        static double? Maybe(string text) => text.Length == 0 ? null : double.Parse(text, CultureInfo.InvariantCulture);
        var scaled = DoseScaling.Scale(
            new SpokenDose(
                Maybe(c[0])!.Value,
                Units.Get(c[1]),
                Maybe(c[2])!.Value,
                Units.Get(c[3]),
                Maybe(c[4])!.Value,
                Units.Get(c[5]),
                Maybe(c[6]),
                Maybe(c[7]),
                Maybe(c[8])
            )
        );
        Assert.Equal(c[11], scaled.Unit);
        Assert.Equal(Maybe(c[9])!.Value, scaled.PerLitre, 1e-8);
        Assert.Equal(Maybe(c[10])!.Value, scaled.Needed, 1e-8);
        Assert.Equal(Maybe(c[12]) is null, scaled.FinalPercent is null);
        Assert.Equal(Maybe(c[12]) ?? 0, scaled.FinalPercent ?? 0, 1e-8);
    }

    [Fact]
    public void There_are_forty_of_them_in_every_system()
    {
        var lines = Recipes.Select(r => r.Data).ToList();
        Assert.Equal(40, lines.Count);
        Assert.All(Units.All.Where(u => u.Code is not "metric-cup"), u => Assert.Contains(lines, l => l.Split(',').Contains(u.Code)));
    }

    [Fact]
    public void Twice_the_dose_or_the_tank_is_twice_the_amount() =>
        Gen.Select(Gen.Double[0.01, 5], Gen.Double[0.5, 12], Gen.Double[1.1, 4])
            .Sample(
                (dose, tank, factor) =>
                {
                    SpokenDose Spoken(double d, double t) => new(d, Units.Get("us-tsp"), 1, Units.Get("l"), t, Units.Get("us-qt"));
                    var needed = DoseScaling.Scale(Spoken(dose, tank)).Needed;
                    return Near(DoseScaling.Scale(Spoken(dose * factor, tank)).Needed, needed * factor)
                        && Near(DoseScaling.Scale(Spoken(dose, tank * factor)).Needed, needed * factor);
                }
            );

    [Fact]
    public void What_the_spoons_say_is_what_they_hold() =>
        Gen.Select(Gen.Double[0.2, 900], Gen.Enum<KitchenSystem>())
            .Sample(
                (ml, system) =>
                {
                    var k = KitchenMeasure.Nearest(ml, system, "x", false);
                    return k.Scoops.Count == 0
                        || (
                            Near(Read(k.Text, system), k.Scoops.Sum(s => s.Count * s.Unit.InBase))
                            && Near(Read(k.Text, system), ml * (1 + k.ErrorPercent / 100))
                        );
                }
            );

    [Fact]
    public void Added_to_a_litre_is_less_a_litre_than_made_up_to_one()
    {
        var madeUp = new SpokenDose(50, Units.Get("ml"), 1, Units.Get("l"), 2, Units.Get("l"));
        Assert.Equal(100, DoseScaling.Scale(madeUp).Needed, 1e-9);
        Assert.Equal(100 / 1.05, DoseScaling.Scale(madeUp with { AddTo = true }).Needed, 1e-9);
    }

    [Fact]
    public void A_heaped_spoon_counts_for_more()
    {
        var level = new SpokenDose(1, Units.Get("metric-tsp"), 1, Units.Get("l"), 1, Units.Get("l"), 0.95);
        Assert.Equal(DoseScaling.Scale(level).Needed * 1.6, DoseScaling.Scale(level with { Heaped = true }).Needed, 1e-9);
        Assert.Equal("1 heaped tsp", KitchenMeasure.Heaped(8, KitchenSystem.Metric));
        Assert.Null(KitchenMeasure.Heaped(5, KitchenSystem.Metric));
    }

    [Theory]
    [InlineData(2.4, KitchenSystem.Metric, "2.4 l", null)]
    [InlineData(0.5, KitchenSystem.Australian, "500 ml", null)]
    [InlineData(5, KitchenSystem.Us, "1 gallon + 1 1/4 quarts", "5 l")]
    [InlineData(0.5, KitchenSystem.Us, "2 cups + 1 fl oz", "500 ml")]
    [InlineData(0.1, KitchenSystem.Us, "3 1/2 fl oz", "100 ml")]
    [InlineData(1, KitchenSystem.Imperial, "1 3/4 pints", "1 l")]
    public void Tanks_in_the_household_s_units(double litres, KitchenSystem system, string text, string? beside) =>
        Assert.Equal((text, beside), (TankVolume.Text(litres, system), TankVolume.Beside(litres, system)));

    [Theory]
    // By hand: 2 tbsp of 14.787 ml in 3.785 l; 50 ml in 10 l; half a hundredth; 1 oz of 28.35 g in 4.546 l; 8 oz on 9.29 m2.
    [InlineData(KitchenSystem.Us, "ml", "tbsp/gal", 2, 7.8125)]
    [InlineData(KitchenSystem.Metric, "ml", "ml/10 l", 50, 5)]
    [InlineData(KitchenSystem.Metric, "ml", "%", 0.5, 5)]
    [InlineData(KitchenSystem.Imperial, "g", "oz/gal", 1, 6.2360)]
    public void A_label_s_dose_in_its_own_words(KitchenSystem kitchen, string unit, string word, double typed, double perLitre) =>
        Assert.Equal(perLitre, typed / LabelDose.TypedInWater(unit, kitchen).Single(s => s.Word == word).Factor, 1e-4);

    [Fact]
    public void A_label_s_dose_by_area() => Assert.Equal(8 * 28.349523 / 9.290304, 8 / LabelDose.OnArea("g", KitchenSystem.Us, LengthUnit.Feet).Factor, 1e-4);

    [Theory]
    [InlineData(KitchenSystem.Us, "tbsp/gal", "oz/gal")]
    [InlineData(KitchenSystem.Metric, "ml/l", "g/l")]
    [InlineData(KitchenSystem.Australian, "ml/l", "g/l")]
    public void The_field_of_a_dose_reads_as_the_household_does(KitchenSystem kitchen, string volume, string mass)
    {
        Assert.Equal((volume, mass), (LabelDose.InWater("ml", kitchen).Word, LabelDose.InWater("g", kitchen).Word));
        // What the field is in can be typed with it, and comes to the same.
        Assert.All(["ml", "g"], unit =>
            Assert.Equal(LabelDose.InWater(unit, kitchen), LabelDose.TypedInWater(unit, kitchen).Single(s => s.Word == LabelDose.InWater(unit, kitchen).Word))
        );
    }

    [Theory]
    [InlineData(0, 1, 1)]
    [InlineData(-1, 1, 1)]
    [InlineData(1, 0, 1)]
    [InlineData(1, 1, double.PositiveInfinity)]
    [InlineData(1, 1, 1001)]
    [InlineData(2000, 1, 1)]
    public void Absurd_doses_are_errors(double dose, double per, double tank) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => DoseScaling.Scale(new SpokenDose(dose, Units.Get("ml"), per, Units.Get("l"), tank, Units.Get("l"))));

    private static bool Near(double a, double b) => Math.Abs(a - b) <= 1e-9 * Math.Max(1, Math.Abs(b));

    /// <summary>Millilitres of "1 tbsp + 1/2 tsp", read as a cook would.</summary>
    private static double Read(string text, KitchenSystem system)
    {
        var (teaspoon, tablespoon, cup) = KitchenMeasure.Spoons(system);
        return text.Split(" + ")
            .Sum(part =>
            {
                var words = part.Split(' ');
                var count = words[..^1]
                    .Sum(w =>
                        w.Split('/') is [var a, var b]
                            ? double.Parse(a, CultureInfo.InvariantCulture) / double.Parse(b, CultureInfo.InvariantCulture)
                            : double.Parse(w, CultureInfo.InvariantCulture)
                    );
                return count
                    * (
                        words[^1] switch
                        {
                            "tsp" => teaspoon,
                            "tbsp" => tablespoon,
                            _ => cup,
                        }
                    ).InBase;
            });
    }

    /// <summary>Every recipe of the catalogue that is a liquid, in three kitchens: spoons measure it, or it is said with what else.</summary>
    [Theory]
    [InlineData(KitchenSystem.Metric)]
    [InlineData(KitchenSystem.Us)]
    [InlineData(KitchenSystem.Imperial)]
    public void A_size_is_found_that_spoons_measure_or_nothing_is_moved(KitchenSystem kitchen)
    {
        var (found, all) = (0, 0);
        foreach (var recipe in Shipped.Catalogue.Recipes.Where(r => r.IsWet && Shipped.Catalogue.Material(r.Active.Material).Doses is not null))
        {
            foreach (var litres in new[] { 0.1, 0.5, 1, 1.5, 2, 3, 5, 7.5, 10, 12 })
            {
                var order = new MixOrder(recipe, DoseStep.Gentle, litres, kitchen);
                var size = SpoonSize.For(Shipped.Catalogue, order, 15);
                Assert.InRange(size, litres, litres * (1 + SpoonSize.MostMore) + 1e-9);
                var parts = Mix.Make(Shipped.Catalogue, order with { Size = size }, new MixConditions(null, [], false)).Parts;
                all++;
                if (parts.All(p => p.Kitchen.InKitchen))
                {
                    found++;
                    Assert.All(parts, p => Assert.InRange(p.Kitchen.ErrorPercent, -KitchenMeasure.LargestErrorPercent, KitchenMeasure.LargestErrorPercent));
                }
                else
                {
                    Assert.Equal(litres, size);
                    Assert.All(parts.Where(p => !p.Kitchen.InKitchen), p => Assert.Contains(" with a ", p.Kitchen.Text, StringComparison.Ordinal));
                }
            }
        }

        Assert.True(found > 0.85 * all, $"{found} of {all}");
    }
}
