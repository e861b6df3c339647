using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Mixing;

/// <summary>Litres that a planting needs, both leaf sides wet and not dripping.</summary>
public static class SprayVolume
{
    /// <summary>Litres per square metre of bed by stage: 0.03 seedlings, 0.06 young, 0.12 full, 0.20 tall (assumed).</summary>
    public static double LitresPerM2(GrowthStage stage, bool tall) =>
        stage switch
        {
            GrowthStage.Seedling => 0.03,
            GrowthStage.Young => 0.06,
            _ => tall ? 0.20 : 0.12,
        };

    /// <summary>Enough for two leaves, litres.</summary>
    public const double PatchTestLitres = 0.1;

    /// <summary>A patch test takes no more than this, litres.</summary>
    public const double MostPatchTestLitres = 0.5;

    /// <summary>Litres for a small plant to be dipped into (assumed).</summary>
    private const double DipLitres = 3;

    /// <summary>Litres that wet the root zone of a square metre, or of one plant where they are counted (assumed).</summary>
    private const double DrenchLitresPerM2 = 2;
    private const double DrenchLitresPerPlant = 0.25;

    /// <summary>Litres to dab single spots (assumed).</summary>
    private const double WipeLitres = 0.1;

    /// <summary>Stations of bait for a garden (assumed).</summary>
    private const double Stations = 4;

    /// <summary>How much a recipe takes for plantings: litres, or square metres, plants or stations as its active is dosed.</summary>
    public static double SizeFor(GardenSnapshot garden, Recipe recipe, IReadOnlyList<Planting> plantings)
    {
        return recipe.Form switch
        {
            _ when !recipe.IsWet => garden.Catalogue.Material(recipe.Active.Material).Doses?.Per switch
            {
                DosedPer.SquareMetre => Math.Max(0.1, Math.Round(plantings.Sum(garden.AreaOf), 1)),
                DosedPer.Plant => plantings.Sum(p => (double)garden.PlantsOf(p)),
                _ => Stations,
            },
            Form.Dip => DipLitres,
            Form.Wipe => WipeLitres,
            // Where water goes round, the reservoir is what is dosed, once for all that grows on it.
            Form.Drench => Math.Round(
                plantings
                    .Where(p => garden.PlaceOf(p).ReservoirLitres is null)
                    .Sum(p => p.Count is { } n ? n * DrenchLitresPerPlant : garden.AreaOf(p) * DrenchLitresPerM2)
                    + plantings.Select(garden.PlaceOf).Distinct().Sum(p => p.ReservoirLitres ?? 0),
                1
            ),
            _ => LitresFor(garden, plantings),
        };
    }

    /// <summary>Litres of a recipe for a planting; 0 of what is dry.</summary>
    public static double LitresOf(GardenSnapshot garden, Recipe recipe, Planting planting) => recipe.IsWet ? SizeFor(garden, recipe, [planting]) : 0;

    /// <summary>How much a recipe takes for some plants of a planting: their part of what all take.</summary>
    public static double SizeFor(GardenSnapshot garden, Recipe recipe, Planting planting, IReadOnlyList<int> plants)
    {
        if (recipe.Form == Form.Drench && garden.PlaceOf(planting).ReservoirLitres is { } reservoir)
        {
            return reservoir;
        }

        var part = SizeFor(garden, recipe, [planting]) * plants.Count / Math.Max(plants.Count, planting.Count ?? plants.Count);
        // Nobody lays out a part of a station.
        var inOne = garden.Catalogue.Material(recipe.Active.Material).Doses?.Per == DosedPer.Station ? 1 : 10;
        return Math.Max(1.0 / inOne, Math.Ceiling(part * inOne - 1e-9) / inOne);
    }

    /// <summary>Litres for one planting, which shares its place evenly with the others that grow there.</summary>
    public static double Litres(Place place, Planting planting, Crop crop, int plantingsInPlace) =>
        place.AreaM2 / Math.Max(1, plantingsInPlace) * LitresPerM2(planting.Stage, crop.Tall);

    /// <summary>Litres for several plantings of a garden together, as this garden uses them, rounded up to a tenth so that the tank is not short.</summary>
    public static double LitresFor(GardenSnapshot garden, IEnumerable<Planting> plantings) =>
        Math.Max(0.1, Math.Ceiling(Reckoned(garden, plantings) * garden.Learned.LitresFactor * 10 - 1e-9) / 10);

    /// <summary>Litres for several plantings by area and stage alone.</summary>
    public static double Reckoned(GardenSnapshot garden, IEnumerable<Planting> plantings) =>
        plantings.Sum(p =>
        {
            var place = garden.PlaceOf(p);
            return Litres(place, p, garden.Catalogue.Crop(p.Crop), garden.GrowingAt(place).Count());
        });
}
