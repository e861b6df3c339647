using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>A dose in the words of a household's kitchen.</summary>
public static class DoseWords
{
    internal const double OuncesAPound = 16;

    /// <summary>From so many teaspoons on, tablespoons read better.</summary>
    private const double TeaspoonsOfSpoon = 3;

    /// <summary>"610 ml", "100 g"; teaspoons, fluid ounces and ounces where gallons are used.</summary>
    /// <param name="amount">Millilitres or grams, 0 or more.</param>
    /// <param name="unit">"ml" or "g".</param>
    public static string Amount(double amount, string unit, KitchenSystem kitchen)
    {
        Bounds.NotNegative(amount);
        if (!kitchen.HasGallons())
        {
            return unit == "g" && amount >= 1000 ? Say.Of("measures.amountKg", ("amount", Say.In(amount / 1000, "0.##"))) : $"{Say.In(amount, "0.#")} {unit}";
        }

        if (unit == "g")
        {
            var ounces = amount / Units.Get("oz").InBase;
            return ounces >= OuncesAPound
                ? Say.Of("measures.ouncesLb", ("ounces", Say.In(ounces / OuncesAPound, "0.##")))
                : Say.Of("measures.ouncesOz", ("ounces", Say.In(ounces, "0.##")));
        }

        var ounce = Units.Get(kitchen == KitchenSystem.Us ? "us-floz" : "imp-floz");
        return amount >= ounce.InBase / 2 ? $"{Say.In(amount / ounce.InBase, "0.#")} fl oz"
            : amount == 0 ? Say.Of("measures.0FlOz")
            : Say.Of("measures.tsp", ("inQuarters", KitchenMeasure.InQuarters(amount, KitchenMeasure.Spoons(kitchen).Teaspoon)));
    }

    /// <summary>"5 ml a litre"; "1 tsp a quart" where gallons are used, "1 tbsp a gallon" where that is whole; grams as ounces a gallon.</summary>
    /// <param name="amount">Millilitres or grams a litre, 0 or more.</param>
    /// <param name="unit">"ml" or "g".</param>
    public static string Text(double amount, string unit, KitchenSystem kitchen)
    {
        Bounds.NotNegative(amount);
        var (vessel, large) = kitchen switch
        {
            KitchenSystem.Us => (Units.Get("us-qt"), Units.Get("us-gal")),
            KitchenSystem.Imperial => (Units.Get("imp-pt"), Units.Get("imp-gal")),
            _ => (null, null),
        };
        if (vessel is null || large is null)
        {
            return Say.Of("measures.aLitre", ("amount", Say.In(amount, "0.##")), ("unit", unit));
        }

        if (unit == "g")
        {
            var ounces = amount * large.InBase / 1000 / Units.Get("oz").InBase;
            return Say.Of("measures.ozAGallon", ("ounces", Say.In(ounces, "0.##")));
        }

        var (teaspoon, tablespoon, _) = KitchenMeasure.Spoons(kitchen);
        var teaspoons = amount * vessel.InBase / 1000 / teaspoon.InBase;
        return teaspoons >= TeaspoonsOfSpoon
                ? Say.Of("measures.tbspA", ("inQuarters", KitchenMeasure.InQuarters(amount * vessel.InBase / 1000, tablespoon)), ("vessel", vessel.Named(1)))
            : teaspoons >= 0.25
                ? Say.Of("measures.tspA", ("inQuarters", KitchenMeasure.InQuarters(amount * vessel.InBase / 1000, teaspoon)), ("vessel", vessel.Named(1)))
            : Say.Of("measures.tspAGallon", ("inQuarters", KitchenMeasure.InQuarters(amount * large.InBase / 1000, teaspoon)));
    }
}
