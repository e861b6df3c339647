using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>Doses as labels tell them, "2 tbsp/gal", "0.5 %", "50 ml/10 l", "8 oz/100 sq ft", and what they come to.</summary>
public static class LabelDose
{
    /// <summary>The square feet that a dose by area is for, and what they are in square metres.</summary>
    private static readonly string SquareFeet = $"{HouseholdUnits.SquareFeetOfDose} sq ft";
    private const double SquareMetres = HouseholdUnits.SquareFeetOfDose * HouseholdUnits.MetresPerFoot * HouseholdUnits.MetresPerFoot;
    private static readonly double Ounce = Units.Get("oz").InBase;

    /// <summary>What the dose of a litre is typed in.</summary>
    /// <param name="unit">"ml" or "g" a litre.</param>
    public static UnitScale InWater(string unit, KitchenSystem kitchen) =>
        (unit, kitchen.HasGallons()) switch
        {
            ("g", true) => Share("oz/gal", Ounce, Gallon(kitchen)),
            ("g", _) => new("g/l", 1, 0, 2),
            (_, true) => Share($"{Say.Of("measures.tbspShort")}/gal", KitchenMeasure.Spoons(kitchen).Tablespoon.InBase, Gallon(kitchen)),
            _ => new("ml/l", 1, 0, 2),
        };

    /// <summary>What it may be typed in besides, whatever the household reads; spoons and gallons are those of its kitchen.</summary>
    public static IReadOnlyList<UnitScale> TypedInWater(string unit, KitchenSystem kitchen)
    {
        (string Word, double Litres)[] waters =
        [
            ("l", 1),
            ("10 l", 10),
            ("100 l", 100),
            ("gal", Gallon(kitchen)),
            ("qt", Units.Get("us-qt").InBase / 1000),
            ("pt", Units.Get(kitchen == KitchenSystem.Imperial ? "imp-pt" : "us-pt").InBase / 1000),
        ];
        return
        [
            .. Amounts(unit, kitchen).SelectMany(a => waters.Select(w => Share($"{a.Word}/{w.Word}", a.InBase, w.Litres))),
            // By volume, or by weight on the litre of water.
            new UnitScale("%", 0.1, 0, 2),
        ];
    }

    /// <summary>What the dose of a square metre is typed in.</summary>
    public static UnitScale OnArea(string unit, KitchenSystem kitchen, LengthUnit length) =>
        length == LengthUnit.Metres ? new($"{unit}/m²", 1, 0, 2)
        : unit == "g" ? Share($"oz/{SquareFeet}", Ounce, SquareMetres)
        : Share($"fl oz/{SquareFeet}", FluidOunce(kitchen), SquareMetres);

    /// <summary>What it may be typed in besides.</summary>
    public static IReadOnlyList<UnitScale> TypedOnArea(string unit, KitchenSystem kitchen) =>
        [
            .. Amounts(unit, kitchen)
                .SelectMany(a =>
                    new[] { Share($"{a.Word}/m²", a.InBase, 1), Share($"{a.Word}/m2", a.InBase, 1), Share($"{a.Word}/{SquareFeet}", a.InBase, SquareMetres) }
                ),
        ];

    private static (string Word, double InBase)[] Amounts(string unit, KitchenSystem kitchen)
    {
        var (teaspoon, tablespoon, _) = KitchenMeasure.Spoons(kitchen);
        return unit == "g"
            ? [("g", 1), ("kg", 1000), ("oz", Ounce)]
            :
            [
                ("ml", 1),
                ("l", 1000),
                (Say.Of("measures.tspShort"), teaspoon.InBase),
                (Say.Of("measures.tbspShort"), tablespoon.InBase),
                ("fl oz", FluidOunce(kitchen)),
            ];
    }

    /// <summary>So much in, or on, so many of the base.</summary>
    private static UnitScale Share(string word, double amount, double of) => new(word, of / amount, 0, 2);

    private static double FluidOunce(KitchenSystem kitchen) => Units.Get(kitchen == KitchenSystem.Imperial ? "imp-floz" : "us-floz").InBase;

    private static double Gallon(KitchenSystem kitchen) => Units.Get(kitchen == KitchenSystem.Imperial ? "imp-gal" : "us-gal").InBase / 1000;
}
