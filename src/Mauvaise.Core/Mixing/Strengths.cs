using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Mixing;

/// <summary>How much of one bought thing is in a litre of a mix, however deep in preparations it came.</summary>
/// <param name="PerLitre">In the material's unit.</param>
/// <param name="Percent">Weight by volume for powders, else volume by volume, of the pure substance where its strength is known.</param>
public sealed record ActiveStrength(Material Material, double PerLitre, double Percent);

/// <summary>Takes preparations apart.</summary>
public static class Strengths
{
    /// <summary>Everything in a made-up litre, preparations taken apart to what was bought, in the order of first mention.</summary>
    public static IReadOnlyList<ActiveStrength> Of(GardenCatalogue catalogue, IEnumerable<MixShare> shares)
    {
        var found = new Dictionary<string, ActiveStrength>();
        foreach (var share in shares)
        {
            Add(catalogue, found, share.Material, share.PerLitre, share.BottlePercent);
        }

        return [.. found.Values];
    }

    private static void Add(GardenCatalogue catalogue, Dictionary<string, ActiveStrength> found, Material material, double perLitre, double? bottlePercent)
    {
        if (material.MadeFrom is { } made)
        {
            foreach (var part in made.Parts)
            {
                Add(catalogue, found, catalogue.Material(part.Material), perLitre * part.Amount / made.YieldMl, null);
            }

            return;
        }

        var percent = perLitre / 10 * (bottlePercent ?? material.StockStrengthPercent ?? 100) / 100;
        found[material.Id] = found.TryGetValue(material.Id, out var already)
            ? already with
            {
                PerLitre = already.PerLitre + perLitre,
                Percent = already.Percent + percent,
            }
            : new ActiveStrength(material, perLitre, percent);
    }
}
