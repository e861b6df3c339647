using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Mixing;

/// <summary>What may be done with a mix.</summary>
public enum MixVerdict { Ok, StepDown, Refused }

/// <summary>Why a mix is refused, weakened or to be watched: a stable code and a sentence.</summary>
public sealed record MixReason(string Code, MixVerdict Verdict, string Sentence);

/// <summary>What the mix will meet.</summary>
/// <param name="WarmestNext6hC">Warmest of the six hours after spraying, or null when unknown.</param>
/// <param name="TenderCrops">Names of crops among those to be sprayed that are tender to the active.</param>
public sealed record MixConditions(double? WarmestNext6hC, IReadOnlyList<string> TenderCrops, bool Seedlings);

/// <summary>One thing to measure.</summary>
/// <param name="Amount">For the whole tank, in <see cref="Unit"/>.</param>
/// <param name="FinalPercent">Strength of the active in the finished spray: weight by volume for powders, else volume by volume.</param>
public sealed record MixPart(Material Material, string Role, double PerLitre, double Amount, string Unit, KitchenMeasure Kitchen, double FinalPercent);

/// <summary>A recipe scaled to a sprayer. "Made up to": water is added until the whole is <see cref="Litres"/>.</summary>
public sealed record Mix(
    Recipe Recipe,
    DoseStep Step,
    DoseStep AllowedStep,
    double Litres,
    IReadOnlyList<MixPart> Parts,
    double OilPercent,
    double SoapPercent,
    MixVerdict Verdict,
    IReadOnlyList<MixReason> Reasons,
    IReadOnlyList<string> Cautions,
    double MixedLifeHours)
{
    /// <summary>Scales a recipe and judges it. The amounts are those of <paramref name="step"/> even when a lower step is allowed.</summary>
    /// <param name="litres">Over 0, to 50: the finished spray.</param>
    /// <exception cref="ArgumentException">The active has no dose of its own (a labelled product).</exception>
    public static Mix Make(GardenCatalogue catalogue, Recipe recipe, DoseStep step, double litres, KitchenSystem kitchen, MixConditions conditions)
    {
        Bounds.Positive(litres);
        Bounds.Within(litres, 0, 50);
        var active = catalogue.Material(recipe.Active.Material);
        var doses = active.Doses ?? throw new ArgumentException($"{active.Name} is dosed by its label.", nameof(recipe));
        var parts = recipe.Ingredients
            .Select(i => Part(catalogue.Material(i.Material), i.Role, i.PerLitre ?? doses.At(step), litres, kitchen))
            .ToList();
        var judged = MixGuards.Judge(catalogue, [.. parts.Select(p => new MixShare(p.Material, p.PerLitre))], active, conditions);
        return new Mix(
            recipe,
            step,
            judged.AllowedStep,
            litres,
            parts,
            judged.OilPercent,
            judged.SoapPercent,
            judged.Verdict,
            judged.Reasons,
            [.. parts.SelectMany(p => p.Material.Cautions).Distinct()],
            recipe.MixedLifeHours);
    }

    private static MixPart Part(Material m, string role, double perLitre, double litres, KitchenSystem kitchen)
    {
        var unit = m.Doses?.Unit ?? "ml";
        var amount = perLitre * litres;
        var spoonMl = unit == "g" ? amount / m.DensityGramsPerMillilitre : amount;
        var exact = string.Create(CultureInfo.InvariantCulture, $"{amount:0.#} {unit}");
        return new MixPart(
            m,
            role,
            perLitre,
            amount,
            unit,
            KitchenMeasure.Nearest(spoonMl, kitchen, exact, unit == "g"),
            perLitre / 10 * (m.StockStrengthPercent ?? 100) / 100);
    }
}
