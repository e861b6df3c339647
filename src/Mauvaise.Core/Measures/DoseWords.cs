using System.Globalization;

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
        if (kitchen is not (KitchenSystem.Us or KitchenSystem.Imperial))
        {
            return unit == "g" && amount >= 1000
                ? string.Create(CultureInfo.InvariantCulture, $"{amount / 1000:0.##} kg")
                : string.Create(CultureInfo.InvariantCulture, $"{amount:0.#} {unit}");
        }

        if (unit == "g")
        {
            var ounces = amount / Units.Get("oz").InBase;
            return ounces >= OuncesAPound
                ? string.Create(CultureInfo.InvariantCulture, $"{ounces / OuncesAPound:0.##} lb")
                : string.Create(CultureInfo.InvariantCulture, $"{ounces:0.##} oz");
        }

        var ounce = Units.Get(kitchen == KitchenSystem.Us ? "us-floz" : "imp-floz");
        return amount >= ounce.InBase / 2 ? string.Create(CultureInfo.InvariantCulture, $"{amount / ounce.InBase:0.#} fl oz")
            : amount == 0 ? "0 fl oz" : $"{KitchenMeasure.InQuarters(amount, KitchenMeasure.Spoons(kitchen).Teaspoon)} tsp";
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
            return string.Create(CultureInfo.InvariantCulture, $"{amount:0.##} {unit} a litre");
        }

        if (unit == "g")
        {
            var ounces = amount * large.InBase / 1000 / Units.Get("oz").InBase;
            return string.Create(CultureInfo.InvariantCulture, $"{ounces:0.##} oz a gallon");
        }

        var (teaspoon, tablespoon, _) = KitchenMeasure.Spoons(kitchen);
        var teaspoons = amount * vessel.InBase / 1000 / teaspoon.InBase;
        return teaspoons >= TeaspoonsOfSpoon
            ? $"{KitchenMeasure.InQuarters(amount * vessel.InBase / 1000, tablespoon)} tbsp a {vessel.Name}"
            : teaspoons >= 0.25 ? $"{KitchenMeasure.InQuarters(amount * vessel.InBase / 1000, teaspoon)} tsp a {vessel.Name}"
            : $"{KitchenMeasure.InQuarters(amount * large.InBase / 1000, teaspoon)} tsp a gallon";
    }
}
