using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Mixing;

/// <summary>What goes into a spray by way of a stock that is made of it.</summary>
public static class Preparations
{
    /// <summary>
    /// The most in a litre of spray of a thing that has no doses, in its unit: what the catalogue says of it, else what its stock brings at that
    /// stock's ceiling; null when neither is known.
    /// </summary>
    public static double? MostOf(GardenCatalogue catalogue, Material material) =>
        material.MostPerLitre
        ?? catalogue
            .Materials.Where(m => m is { MadeFrom: not null, Doses.Per: DosedPer.Litre } && m.MadeFrom.Parts.Any(p => p.Material == material.Id))
            .Select(m => (double?)(m.Doses!.Ceiling * m.MadeFrom!.Parts.First(p => p.Material == material.Id).Amount / m.MadeFrom.YieldMl))
            .Max();
}
