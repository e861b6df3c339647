using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

public class MixTests
{
    private static readonly MixConditions Mild = new(22, [], false);

    private static Mix Make(string recipe, DoseStep step, double litres, MixConditions? conditions = null) =>
        Mix.Make(Shipped.Catalogue, new MixOrder(Shipped.Catalogue.FindRecipe(recipe)!, step, litres, KitchenSystem.Metric), conditions ?? Mild);

    private static Mix Make(Recipe recipe, DoseStep step, MixConditions? conditions = null) =>
        Mix.Make(Shipped.Catalogue, new MixOrder(recipe, step, 1, KitchenSystem.Metric), conditions ?? Mild);

    [Fact]
    public void Bicarbonate_for_a_half_full_pump()
    {
        var mix = Make("bicarbonate-with-sticker", DoseStep.Usual, 2.4);
        Assert.Equal(MixVerdict.Ok, mix.Verdict);
        Assert.Equal([12, 3.6, 7.2], mix.Parts.Select(p => Math.Round(p.Amount, 6)));
        Assert.Equal("2 1/2 tsp", mix.Parts[0].Kitchen.Text);
        Assert.Equal(0.5, mix.Strengths[0].Percent, 1e-9);
        var steps = MixSteps.Of(mix);
        Assert.Equal([null, "bicarbonate", "castile-soap", "horticultural-oil", null], steps.Select(s => s.Material));
        Assert.Equal("2.4 l", steps[^1].Measure);
    }

    [Fact]
    public void Peroxide_from_the_three_percent_bottle() => Assert.Equal(0.18, Make("peroxide", DoseStep.Strong, 1).Strengths[0].Percent, 1e-9);

    [Theory]
    [InlineData(27.0, MixVerdict.Ok)]
    [InlineData(27.1, MixVerdict.StepDown)]
    [InlineData(32.0, MixVerdict.StepDown)]
    [InlineData(32.1, MixVerdict.Refused)]
    public void Heat_steps_down_then_refuses(double warmest, MixVerdict verdict) =>
        Assert.Equal(verdict, Make("insecticidal-soap", DoseStep.Strong, 1, Mild with { WarmestNext6hC = warmest }).Verdict);

    [Fact]
    public void A_lower_step_in_heat_is_allowed_and_the_reason_still_told()
    {
        var mix = Make("insecticidal-soap", DoseStep.Usual, 1, Mild with { WarmestNext6hC = 30 });
        Assert.Equal(MixVerdict.Ok, mix.Verdict);
        Assert.Contains(mix.Reasons, r => r.Code == "heat");
    }

    [Fact]
    public void Tender_crops_and_seedlings_together_leave_only_the_gentle_dose()
    {
        var mix = Make("insecticidal-soap", DoseStep.Usual, 1, new MixConditions(20, ["Pea"], true));
        Assert.Equal(DoseStep.Gentle, mix.AllowedStep);
        Assert.Equal(MixVerdict.StepDown, mix.Verdict);
    }

    [Fact]
    public void Over_the_ceiling_or_the_load_is_refused()
    {
        var stock = new Recipe("x", "X", [new("castile-soap", "active"), new("horticultural-oil", "sticker", 21)], 24, "");
        var mix = Make(stock, DoseStep.Strong);
        Assert.Equal(MixVerdict.Refused, mix.Verdict);
        Assert.Equal(["ceiling", "oil-load"], mix.Reasons.Select(r => r.Code));
    }

    [Fact]
    public void Above_27_C_the_oil_load_halves()
    {
        var warm = Make("oil-with-soap", DoseStep.Strong, 1, Mild with { WarmestNext6hC = 28 });
        Assert.Contains(warm.Reasons, r => r.Code == "oil-load");
        Assert.DoesNotContain(Make("oil-with-soap", DoseStep.Strong, 1).Reasons, r => r.Code == "oil-load");
    }

    [Fact]
    public void What_may_not_meet_is_refused()
    {
        var bad = new Recipe("x", "X", [new("peroxide", "active"), new("neem-oil", "sticker", 4)], 8, "");
        var mix = Make(bad, DoseStep.Gentle);
        Assert.Contains(mix.Reasons, r => r is { Code: "never-together", Verdict: MixVerdict.Refused });
    }

    [Theory]
    [InlineData(0)]
    [InlineData(-1)]
    [InlineData(51)]
    [InlineData(double.NaN)]
    public void Absurd_volumes_are_errors(double litres) => Assert.Throws<ArgumentOutOfRangeException>(() => Make("peroxide", DoseStep.Usual, litres));

    [Theory]
    [InlineData(50, 135, 13, false, 3, 5, 5, 2)]
    [InlineData(50, 135, 6, false, 3, 5, 5, 3)]
    [InlineData(50, 135, 13, true, 3, 5, 5, 2)]
    [InlineData(120, 380, 12, false, 3, 5, 5, 3)]
    [InlineData(50, 135, 40, false, 3, 5, 3, 2)]
    public void Respray_spacing(double e, double j, double d, bool killsEggs, int min, int max, int spacing, int rounds) =>
        Assert.Equal(new Spacing(spacing, rounds), RespraySpacing.ForEggLayer(e, j, d, killsEggs, min, max));
}
