using CsCheck;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Tests;

public class MeasureTests
{
    [Theory]
    [InlineData(2, "us-tbsp", 1, "us-gal", 7.8125)]
    [InlineData(2, "us-tsp", 1, "us-qt", 10.4167)]
    [InlineData(8, "us-floz", 1, "us-gal", 62.5)]
    public void Kitchen_doses_per_litre(double amount, string unit, double per, string perUnit, double mlPerLitre)
    {
        var ml = Units.Convert(amount, Units.Get(unit), Units.Get("ml"));
        var litres = Units.Convert(per, Units.Get(perUnit), Units.Get("l"));
        Assert.Equal(mlPerLitre, ml / litres, 0.00005);
    }

    [Fact]
    public void A_tablespoon_of_bicarbonate_in_a_gallon() =>
        Assert.Equal(3.71, Units.Convert(1, Units.Get("us-tbsp"), Units.Get("g"), 0.95) / Units.Convert(1, Units.Get("us-gal"), Units.Get("l")), 0.005);

    [Fact]
    public void Unit_factors_are_the_exact_ones()
    {
        Assert.Equal(4.92892159375, Units.Get("us-tsp").InBase, 1e-12);
        Assert.Equal(3785.411784, Units.Get("us-gal").InBase, 1e-9);
        Assert.Equal(28.4130625, Units.Get("imp-floz").InBase, 1e-12);
        Assert.Equal(20, Units.Get("au-tbsp").InBase);
    }

    [Fact]
    public void A_round_trip_returns_the_amount() =>
        Gen.Select(Gen.Double[1e-3, 1e6], Gen.Int[0, Units.All.Count - 1], Gen.Int[0, Units.All.Count - 1], Gen.Double[0.1, 3])
            .Sample(
                (amount, i, j, density) =>
                    Math.Abs(Units.Convert(Units.Convert(amount, Units.All[i], Units.All[j], density), Units.All[j], Units.All[i], density) / amount - 1) < 1e-9
            );

    [Fact]
    public void Peroxide_60_ml_of_3_percent_made_up_to_a_litre() => Assert.Equal(0.18, Dilution.FinalPercent(3, 60, 1000), 1e-12);

    [Theory]
    [InlineData(101, 10, 100)]
    [InlineData(3, 200, 100)]
    [InlineData(3, 10, 0)]
    [InlineData(double.NaN, 10, 100)]
    public void Impossible_dilutions_are_errors(double percent, double stock, double final) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Dilution.FinalPercent(percent, stock, final));

    [Theory]
    [InlineData(12.63, KitchenSystem.Metric, "2 1/2 tsp")]
    [InlineData(5, KitchenSystem.Metric, "1 tsp")]
    [InlineData(3.75, KitchenSystem.Metric, "3/4 tsp")]
    [InlineData(15, KitchenSystem.Metric, "1 tbsp")]
    [InlineData(20, KitchenSystem.Australian, "1 tbsp")]
    [InlineData(17.5, KitchenSystem.Metric, "1 tbsp + 1/2 tsp")]
    [InlineData(14.79, KitchenSystem.Us, "1 tbsp")]
    [InlineData(250, KitchenSystem.Metric, "1 cup")]
    [InlineData(0.4, KitchenSystem.Metric, "8 drops")]
    [InlineData(0.05, KitchenSystem.Us, "1 drop")]
    [InlineData(0.07, KitchenSystem.Metric, "0.4 ml with a syringe")]
    [InlineData(2.1, KitchenSystem.Metric, "0.4 ml with a syringe")]
    public void The_nearest_spoons(double ml, KitchenSystem system, string text) =>
        Assert.Equal(text, KitchenMeasure.Nearest(ml, system, "0.4 ml", false).Text);

    /// <summary>30 drops of an essential oil to a millilitre by a usual dropper; a finer one gives more of everything.</summary>
    [Theory]
    [InlineData(0.5, 30, "15 drops")]
    [InlineData(0.5, 36, "18 drops")]
    [InlineData(1.0, 30, "30 drops")]
    [InlineData(1.0, 60, "x with a syringe")]
    public void Drops_are_those_of_the_households_dropper(double ml, double dropsPerMl, string text) =>
        Assert.Equal(text, KitchenMeasure.Nearest(ml, KitchenSystem.Metric, "x", false, dropsPerMl).Text);

    [Fact]
    public void Spoons_are_within_five_percent_or_not_offered() =>
        Gen.Select(Gen.Double[0.1, 900], Gen.Enum<KitchenSystem>())
            .Sample(
                (ml, system) =>
                {
                    var k = KitchenMeasure.Nearest(ml, system, "exact", true);
                    var measured = k.Scoops.Sum(s => s.Count * s.Unit.InBase);
                    return k.Scoops.Count == 0
                        ? k.ErrorPercent == 0 && k.Text.Contains("scale", StringComparison.Ordinal)
                        : Math.Abs(measured - ml) / ml <= 0.05 + 1e-9 && Math.Abs((measured - ml) / ml * 100 - k.ErrorPercent) < 1e-9;
                }
            );

    [Theory]
    [InlineData("Neem oil", "neem oil")]
    [InlineData("Bt kurstaki", "Bt kurstaki")]
    [InlineData("Colorado potato beetle", "Colorado potato beetle")]
    [InlineData("Tomato-leaf infusion", "tomato-leaf infusion")]
    [InlineData("DE, dusted", "DE, dusted")]
    [InlineData("Wrong pH", "wrong pH")]
    [InlineData("A beetle", "a beetle")]
    public void A_name_within_a_sentence_keeps_the_capitals_that_are_its_own(string name, string said) => Assert.Equal(said, name.InSentence());
}
