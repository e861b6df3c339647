using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;

namespace Mauvaise.Web.Bench;

/// <summary>What can be wrong with what is asked of the bench.</summary>
public static class BenchOrder
{
    /// <summary>How much can be made at once, in words.</summary>
    public static string SizeRange(bool wet) =>
        wet
            ? Say.Of("bench.litresAreOver0AndUp", ("mostLitres", Say.In(Mix.MostLitres, "0")))
            : Say.Of("bench.theAmountIsOver0", ("mostDry", Say.In(Mix.MostDry, "0")));

    /// <summary>What is wrong with what was asked, before anything is mixed.</summary>
    public static Checks Check(
        GardenSnapshot s,
        IReadOnlyList<Guid> plantings,
        string? target,
        string? recipe,
        IReadOnlyList<string> add,
        string? soap,
        double? dose,
        double? bottlePercent,
        Checks checks
    ) =>
        checks
            .That(plantings.All(p => s.FindPlanting(p) is not null), "plantingIds", "planting-unknown", Say.Of("bench.oneOfThePlantingsIsNot"))
            .That(target is null || s.Catalogue.FindTarget(target) is not null, "target", "target-unknown", Say.Of("bench.thisPestOrDiseaseIsNot"))
            .That(recipe is null || s.Catalogue.FindRecipe(recipe) is not null, "recipe", "recipe-unknown", Say.Of("bench.thisRecipeIsNot"))
            .That(
                recipe is null || s.Catalogue.FindRecipe(recipe) is not { } r || s.Catalogue.Material(r.Active.Material).Doses is not null,
                "recipe",
                "label-dose",
                Say.Of("bench.thisProductIsDosedByIts")
            )
            .That(
                recipe is null || s.Catalogue.FindRecipe(recipe) is not { } known || s.Catalogue.Material(known.Active.Material).Label is not { Retired: true },
                "recipe",
                "product-retired",
                Say.Of("bench.thisProductWasPutAwayTake")
            )
            .That(add.All(id => s.Catalogue.FindMaterial(id) is { Doses.Per: DosedPer.Litre }), "add", "material-unknown", Say.Of("bench.oneOfTheThingsToAdd"))
            .That(soap is null || s.Catalogue.FindMaterial(soap) is { Load: LoadKind.Soap }, "soap", "soap-unknown", Say.Of("bench.chooseOneOfTheSoaps"))
            .That(dose is null or (> 0 and < 1000), "dose", "dose-range", Say.Of("bench.aDoseIsOver0"))
            .That(bottlePercent is null or (> 0 and <= 100), "bottlePercent", "bottle-range", Say.Of("bench.aBottlesStrengthLiesBetween0"));
}
