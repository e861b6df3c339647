using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Cover;

/// <summary>What is left of one application at one place, hour by hour over the snapshot's weather.</summary>
/// <param name="Material">What of it covers.</param>
public sealed record CoverBand(SprayApplication Application, Material Material, Place Place, PlaceSky Sky, double[] Hours)
{
    public double At(DateTimeOffset instant) => Hours[Math.Clamp(Sky.IndexOf(instant), 0, Hours.Length - 1)];
}

/// <summary>Cover of places from what was really applied there.</summary>
public static class PlaceCover
{
    /// <summary>Bands of all applications at a place that left a cover; a place's share wetted is the mean of its treated plantings.</summary>
    /// <param name="sky">The place's weather over the snapshot's hours.</param>
    public static IReadOnlyList<CoverBand> Bands(GardenSnapshot garden, Place place, PlaceSky sky)
    {
        var plantings = garden.PlantedAt(place).ToDictionary(p => p.Id);
        return
        [
            .. from a in garden.AppliedAt(place, DateTimeOffset.MaxValue)
            where a.At >= sky.At(0) && !a.PatchTest
            from material in garden.CoveringIn(a)
            let here = a.Treated.Where(t => plantings.ContainsKey(t.PlantingId)).ToList()
            where here.Count > 0
            let stage = plantings[here[0].PlantingId].Stage
            let hours = CoverCurve.Of(material, a.At, here.Average(t => t.ShareWetted), sky, place, stage)
            select new CoverBand(a, material, place, sky, hours),
        ];
    }

    /// <summary>Cover of all materials together in each hour: 1 - product of (1 - cover).</summary>
    public static double[] Together(IReadOnlyList<CoverBand> bands, int hours) =>
        [.. Enumerable.Range(0, hours).Select(i => CoverCurve.Protection(bands.Select(b => (b.Hours[i], 1.0))))];
}
