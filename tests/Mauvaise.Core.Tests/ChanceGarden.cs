using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>Gardens made by chance, the same for the same seed.</summary>
public static class ChanceGarden
{
    private static readonly GardenCatalogue Catalogue = Shipped.Catalogue;

    /// <summary>A garden by chance: places, crops, troubles, history, weather and shelf.</summary>
    public static GardenSnapshot Of(int seed)
    {
        var chance = new Chance((ulong)seed);
        T One<T>(IReadOnlyList<T> of) => of[(int)(chance.Next() * of.Count)];
        Guid Id() => new([.. Enumerable.Range(0, 16).Select(_ => (byte)(chance.Next() * 256))]);
        var places = Enumerable
            .Range(0, 2 + (int)(chance.Next() * 6))
            .Select(i => new Place(
                Id(),
                $"Place {i}",
                One(Enum.GetValues<PlaceKind>()),
                chance.Between(0.5, 12),
                8,
                Watering.Drip,
                null,
                null,
                chance.Next() < 0.3 ? One(Enum.GetValues<Stance>()) : null,
                chance.Next() < 0.2 ? 6 : null,
                i
            ))
            .ToList();
        var plantings = places
            .SelectMany(p =>
                Enumerable
                    .Range(0, 1 + (int)(chance.Next() * 2))
                    .Select(_ => new Planting(
                        Id(),
                        p.Id,
                        One(Catalogue.Crops).Id,
                        null,
                        new DateOnly(2026, 6, 1),
                        null,
                        null,
                        One(Enum.GetValues<GrowthStage>()),
                        chance.Next() < 0.3
                    ))
            )
            .ToList();
        var seen = plantings
            .Where(_ => chance.Next() < 0.8)
            .Select(p => (Planting: p, Target: One(Catalogue.TargetsOn(Catalogue.Crop(p.Crop))).Target))
            .Select(x => new Observation(
                Id(),
                Id(),
                null,
                x.Planting.Id,
                GardenSamples.Now.AddDays(-chance.Between(0.1, 8)),
                20,
                (int)(chance.Next() * 20),
                null,
                Ants.None,
                (int)(chance.Next() * 3),
                0,
                PlantPart.Unsaid,
                BedSide.Unsaid,
                RootCheck.NotLooked,
                [],
                x.Target.Id,
                false,
                null
            ))
            .ToList();
        var rainy = chance.Next() < 0.4;
        var storm = GardenSamples.Now.AddHours(chance.Between(0, 90));
        var garden = GardenSamples.Garden(places, plantings, at =>
            WeatherSamples.Mild with
            {
                TemperatureC = 20 + 8 * Math.Sin((at.Hour - 9) / 24.0 * 2 * Math.PI),
                RainMm = rainy && at >= storm && at < storm.AddHours(8) ? 3 : 0,
                WindMetresPerSecond = 1 + 4 * (at.Day % 3) / 2.0,
            }
        );
        garden = chance.Next() < 0.7 ? GardenSamples.Tried(garden) : garden;
        var sprays = seen.Where(_ => chance.Next() < 0.4)
            .Select(o => (o, Material: One(Catalogue.Materials.Where(m => m.Doses is not null && Catalogue.RecipeFor(m.Id) is not null).ToList())))
            .Select(x => new SprayApplication(
                Id(),
                null,
                GardenSamples.Now.AddDays(-chance.Between(1, 25)),
                x.Material.Id,
                null,
                1,
                x.o.Named,
                [new(x.o.PlantingId, 0.9)],
                false,
                null
            ))
            .OrderBy(a => a.At)
            .ToList();
        var made = garden with
        {
            Garden = GardenSamples.Home with
            {
                Stance = One(Enum.GetValues<Stance>()),
                OnlyLabelled = chance.Next() < 0.1,
                Free = chance.Next() < 0.3 ? new FreeHours([.. Enumerable.Repeat(0b1110_0000_0000_0000_1110_0000, 7)]) : null,
            },
            Observations = [.. seen.OrderBy(o => o.At)],
            Applications = [.. garden.Applications, .. sprays],
            Stocks =
                chance.Next() < 0.5
                    ? []
                    :
                    [
                        .. Catalogue
                            .Materials.Where(m => m.Doses is not null)
                            .Select(m => new Stock(Id(), m.Id, m.Name, 500, chance.Between(0, 60), m.Unit, null, null)),
                    ],
            Picks = chance.Next() < 0.3 ? [new(Id(), plantings[0].Id, new DateOnly(2026, 7, 19))] : [],
        };
        return chance.Next() >= 0.2
            ? made
            : made with
            {
                Tasks =
                [
                    new(
                        Id(),
                        One(plantings).Id,
                        null,
                        "release-helpers",
                        null,
                        GardenSamples.Home.DateOf(GardenSamples.Now),
                        TaskState.Done,
                        GardenSamples.Now.AddDays(-chance.Between(0, 25)),
                        null,
                        "lacewing",
                        100
                    ),
                ],
            };
    }
}
