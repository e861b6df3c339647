using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Web.Hosting;

namespace Mauvaise.Web.Bench;

/// <summary>What can be wrong with what is asked of the bench.</summary>
public static class BenchOrder
{
    /// <summary>How much can be made at once, in words.</summary>
    public static string SizeRange(bool wet) => wet ? $"Litres are over 0 and up to {Mix.MostLitres:0}." : $"The amount is over 0 and up to {Mix.MostDry:0}.";

    /// <summary>What is wrong with what was asked, before anything is mixed.</summary>
    public static Checks Check(GardenSnapshot s, IReadOnlyList<Guid> plantings, string? target, string? recipe, IReadOnlyList<string> add, string? soap, double? dose, double? bottlePercent, Checks checks) => checks
        .That(plantings.All(p => s.FindPlanting(p) is not null), "plantingIds", "planting-unknown", "One of the plantings is not in this garden.")
        .That(target is null || s.Catalogue.FindTarget(target) is not null, "target", "target-unknown", "This pest or disease is not in the catalogue.")
        .That(recipe is null || s.Catalogue.FindRecipe(recipe) is not null, "recipe", "recipe-unknown", "This recipe is not in the catalogue.")
        .That(recipe is null || s.Catalogue.FindRecipe(recipe) is not { } r || s.Catalogue.Material(r.Active.Material).Doses is not null, "recipe", "label-dose", "This product is dosed by its label: put yours on the shelf with its label's dose first.")
        .That(recipe is null || s.Catalogue.FindRecipe(recipe) is not { } known || s.Catalogue.Material(known.Active.Material).Label is not { Retired: true }, "recipe", "product-retired", "This product was put away. Take it out again on the shelf first.")
        .That(add.All(id => s.Catalogue.FindMaterial(id) is { Doses.Per: DosedPer.Litre }), "add", "material-unknown", "One of the things to add is not in the catalogue, or can not go into a tank.")
        .That(soap is null || s.Catalogue.FindMaterial(soap) is { Load: LoadKind.Soap }, "soap", "soap-unknown", "Choose one of the soaps.")
        .That(dose is null or (> 0 and < 1000), "dose", "dose-range", "A dose is over 0 and under a litre in a litre.")
        .That(bottlePercent is null or (> 0 and <= 100), "bottlePercent", "bottle-range", "A bottle's strength lies between 0 and 100 %.");
}
