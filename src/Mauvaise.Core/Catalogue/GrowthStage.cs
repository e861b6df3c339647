namespace Mauvaise.Core.Catalogue;

/// <summary>How far a planting has grown.</summary>
public enum GrowthStage
{
    Seedling,
    Young,
    Flowering,
    Fruiting,
    Mature,
    Ending,
}
