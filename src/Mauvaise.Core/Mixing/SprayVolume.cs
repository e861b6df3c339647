using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Mixing;

/// <summary>Litres that a planting needs, both leaf sides wet and not dripping.</summary>
public static class SprayVolume
{
    /// <summary>Litres per square metre of bed by stage: 0.03 seedlings, 0.06 young, 0.12 full, 0.20 tall (assumed).</summary>
    public static double LitresPerM2(GrowthStage stage, bool tall) => stage switch
    {
        GrowthStage.Seedling => 0.03,
        GrowthStage.Young => 0.06,
        _ => tall ? 0.20 : 0.12,
    };

    /// <summary>Litres for one planting, which shares its place evenly with the others that grow there.</summary>
    public static double Litres(Place place, Planting planting, Crop crop, int plantingsInPlace) =>
        place.AreaM2 / Math.Max(1, plantingsInPlace) * LitresPerM2(planting.Stage, crop.Tall);

    /// <summary>Litres for several plantings of a garden together, rounded up to a tenth so that the tank is not short.</summary>
    public static double LitresFor(GardenSnapshot garden, IEnumerable<Planting> plantings) =>
        Math.Max(0.1, Math.Ceiling(plantings.Sum(p =>
            Litres(garden.PlaceOf(p), p, garden.Catalogue.Crop(p.Crop), garden.Growing.Count(x => x.PlaceId == p.PlaceId))) * 10 - 1e-9) / 10);
}
