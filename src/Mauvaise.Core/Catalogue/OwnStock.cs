namespace Mauvaise.Core.Catalogue;

/// <summary>How what works gets out of the parts of a stock.</summary>
public enum StockMaking
{
    /// <summary>Liquids and powders that are only shaken together.</summary>
    Shaken,

    /// <summary>Plants blended with water, stood over night and strained.</summary>
    Blended,

    /// <summary>Plants cut up, left in cold water and strained.</summary>
    Steeped,

    /// <summary>Plants simmered in water and strained.</summary>
    Boiled,
}

/// <summary>One part of a stock of one's own: "four of oil".</summary>
/// <param name="Parts">Over 0; by weight or by volume, as the stock says.</param>
public sealed record StockPart(string Material, double Parts);

/// <summary>A stock that the household makes by proportions of its own: "4 to 1", "16 to 1".</summary>
/// <param name="WaterParts">0 where no water goes in.</param>
/// <param name="ByWeight">The proportions are of weights; else of volumes.</param>
/// <param name="SteepHours">How long plants lie in the water; for what is steeped alone.</param>
/// <param name="Retired">It is offered no longer; what it was recorded for keeps it.</param>
public sealed record OwnStock(
    Guid Id,
    string Name,
    IReadOnlyList<StockPart> Parts,
    double WaterParts,
    bool ByWeight,
    StockMaking Making,
    double SteepHours,
    bool Retired
)
{
    /// <summary>The id under which shelf, mixes and sprays name it.</summary>
    public string MaterialId => $"stock-{Id:N}";

    /// <summary>The stock as a material; null when it can not be one.</summary>
    public Material? ToMaterial(GardenCatalogue catalogue) => StockReckoning.Of(catalogue, this).Material;

    /// <summary>Stirred into water, with soap where it is oil that brings none.</summary>
    public Recipe ToRecipe(Material material) =>
        new(
            MaterialId,
            Name,
            material.NeedsEmulsifier
                ? [new Ingredient(MaterialId, "active"), new Ingredient(KnownIds.Materials.CastileSoap, "emulsifier", StockReckoning.SoapForOilMl)]
                : [new Ingredient(MaterialId, "active")],
            material.MixedLifeHours,
            Words.Say.Of("catalogue.shakeEveryMinuteWhileSpraying"),
            PutAway: Retired
        );
}
