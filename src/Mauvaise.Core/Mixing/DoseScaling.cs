using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>A dose as a label or a neighbour says it: so much in so much.</summary>
/// <param name="GramsPerMillilitre">Bulk density, for a powder measured by volume or a mass measured by spoon; null for a liquid.</param>
/// <param name="StockPercent">Strength of the bottle at hand, when it matters.</param>
/// <param name="RecipePercent">Strength of the bottle that the recipe was written for.</param>
/// <param name="Heaped">The spoons were heaped.</param>
/// <param name="AddTo">The dose is added to so much water, not made up to it: the whole is a little more.</param>
public sealed record SpokenDose(
    double Amount,
    Unit Unit,
    double PerAmount,
    Unit PerUnit,
    double TankAmount,
    Unit TankUnit,
    double? GramsPerMillilitre = null,
    double? StockPercent = null,
    double? RecipePercent = null,
    bool Heaped = false,
    bool AddTo = false
);

/// <summary>A dose scaled to a tank. Amounts are grams for powders, else millilitres.</summary>
/// <param name="FinalPercent">Strength in the tank; null when the stock's strength is not known.</param>
public sealed record ScaledDose(string Unit, double PerLitre, double Needed, KitchenMeasure Kitchen, double? FinalPercent);

/// <summary>Carries a dose from any kitchen to any tank.</summary>
public static class DoseScaling
{
    /// <summary>Scales a dose. The tank is made up to its volume.</summary>
    /// <exception cref="ArgumentOutOfRangeException">An amount is not over 0, a tank is absurd, a strength is over 100 %, or more is needed than the tank
    /// holds.</exception>
    public static ScaledDose Scale(SpokenDose dose)
    {
        Bounds.Positive(dose.Amount, "doseAmount");
        Bounds.Positive(dose.PerAmount, "perAmount");
        Bounds.Positive(dose.TankAmount, "tankAmount");
        var density = dose.GramsPerMillilitre is { } g ? Bounds.Within(g, 0.05, 20, "densityGramsPerMillilitre") : 1;
        var stock = dose.StockPercent is { } s ? Bounds.Within(s, 0.01, 100, "stockStrengthPercent") : (double?)null;
        var recipe = dose.RecipePercent is { } r ? Bounds.Within(r, 0.01, 100, "recipeStrengthPercent") : (double?)null;
        var litres = Bounds.Within(Volume(dose.TankAmount, dose.TankUnit, "tankUnit"), 0.001, Mix.MostLitres, "tankAmount");
        var weighed = dose.Unit.Dimension == Dimension.Mass || dose.GramsPerMillilitre is not null;
        var unit = weighed ? Units.Get("g") : Units.Get("ml");
        var level = Units.Convert(dose.Amount * (dose.Heaped ? KitchenMeasure.LevelPerHeaped : 1), dose.Unit, unit, density);
        var per = Volume(dose.PerAmount, dose.PerUnit, "perUnit");
        var perLitre = level / (dose.AddTo && !weighed ? per + level / 1000 : per);
        var needed = perLitre * litres * (stock is { } have && recipe is { } meant ? meant / have : 1);
        var millilitres = weighed ? needed / density : needed;
        Bounds.Hold(millilitres <= litres * 1000, "doseAmount", dose.Amount, Say.Of("mixing.thatIsMoreThanTheTank"));

        var exact = $"{Say.In(needed, "0.##")} {unit.Code}";
        var spoonable = dose.Unit.Dimension != Dimension.Mass || dose.GramsPerMillilitre is not null;
        return new ScaledDose(
            unit.Code,
            perLitre,
            needed,
            spoonable
                ? KitchenMeasure.Nearest(millilitres, System(dose), exact, weighed)
                : new KitchenMeasure([], Say.Of("mixing.withAScale", ("exact", exact)), 0),
            stock is { } percent ? Dilution.FinalPercent(percent, millilitres, litres * 1000) : null
        );
    }

    private static double Volume(double amount, Unit unit, string name)
    {
        Bounds.Hold(unit.Dimension == Dimension.Volume, name, unit.Code, Say.Of("mixing.waterAndTanksAreMeasured"));
        return Units.Convert(amount, unit, Units.Get("l"));
    }

    /// <summary>Whose spoons lie in the drawer: those of the units that were spoken.</summary>
    private static KitchenSystem System(SpokenDose dose)
    {
        string[] codes = [dose.TankUnit.Code, dose.Unit.Code, dose.PerUnit.Code];
        return codes.Any(c => c.StartsWith("us-", StringComparison.Ordinal)) ? KitchenSystem.Us
            : codes.Any(c => c.StartsWith("au-", StringComparison.Ordinal)) ? KitchenSystem.Australian
            : codes.Any(c => c.StartsWith("imp-", StringComparison.Ordinal)) ? KitchenSystem.Imperial
            : KitchenSystem.Metric;
    }
}
