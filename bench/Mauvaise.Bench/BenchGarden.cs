using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

/// <summary>Gardens for the planner's benchmarks: mixed places with what is usually found in them.</summary>
internal static class BenchGarden
{
    public static readonly GardenCatalogue Catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);

    public static readonly DateTimeOffset Now = new(2026, 7, 16, 15, 40, 0, TimeSpan.Zero);

    /// <summary>What grows and what is found on it.</summary>
    public static readonly (string Crop, PlaceKind Kind, string[] Targets)[] Kinds =
    [
        ("kale", PlaceKind.OpenBed, ["cabbage-aphid", "cabbage-white"]),
        ("courgette", PlaceKind.OpenBed, ["powdery-mildew", "melon-aphid"]),
        ("tomato", PlaceKind.OpenBed, ["septoria", "peach-aphid"]),
        ("aubergine", PlaceKind.Tunnel, ["spider-mite", "whitefly"]),
        ("cucumber", PlaceKind.Tunnel, ["powdery-mildew", "whitefly"]),
        ("runner-bean", PlaceKind.RaisedBed, ["black-bean-aphid", "rust"]),
    ];

    public static Garden Home(Stance stance, string climate = "continental") =>
        new(
            new Guid("00000000-0000-0000-0000-000000000001"),
            "Bench",
            47.52,
            16.31,
            212,
            "Europe/Vienna",
            climate,
            KitchenSystem.Metric,
            stance,
            DiseaseApproach.ProtectOnly,
            false
        );

    public static Place Place(int i) =>
        new(Id("place", i), $"Bed {i}", Kinds[i % Kinds.Length].Kind, 3 + i % 5, 8, Watering.Drip, null, null, i % 7 == 6 ? Stance.KeepAhead : null, null, i);

    public static Planting Planting(int i, DateOnly from) =>
        new(Id("planting", i), Id("place", i), Kinds[i % Kinds.Length].Crop, null, from, null, null, GrowthStage.Fruiting, false);

    public static Guid Id(string what, int i) =>
        new(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes($"{what}/{i}")).AsSpan(0, 16));

    /// <summary>A garden in July with a trouble over its line in two places of three.</summary>
    public static GardenSnapshot Snapshot(int places, ulong seed, Stance stance = Stance.WatchAndTreat)
    {
        var chance = new Chance(seed);
        var beds = Enumerable.Range(0, places).Select(Place).ToList();
        var plantings = beds.Select(b => Planting(b.Order, new DateOnly(2026, 6, 1))).ToList();
        var seen = plantings
            .Where((_, i) => chance.Next() < 0.66)
            .Select(
                (p, i) =>
                {
                    var target = Kinds[beds.First(b => b.Id == p.PlaceId).Order % Kinds.Length].Targets[(int)(chance.Next() * 2)];
                    return new Observation(
                        Id($"seen{seed}", i),
                        Id($"seen{seed}", i),
                        null,
                        p.Id,
                        Now.AddDays(-chance.Between(0.2, 3)),
                        20,
                        6 + (int)(chance.Next() * 10),
                        null,
                        Ants.None,
                        0,
                        0,
                        PlantPart.Unsaid,
                        BedSide.Unsaid,
                        RootCheck.NotLooked,
                        [],
                        target,
                        false,
                        null
                    );
                }
            )
            .OrderBy(o => o.At)
            .ToList();
        var weather = new StandInWeather(Catalogue.FindClimate("continental")!, 47.52, 16.31, seed).Hours(Now.AddDays(-55), Now.AddDays(11), Now);
        return Tried(
            new GardenSnapshot(
                Home(stance),
                Now,
                Catalogue,
                [],
                beds,
                plantings,
                [],
                seen,
                [],
                [],
                [],
                [],
                [],
                [],
                [],
                [],
                [],
                [],
                [],
                weather,
                new WeatherState(Now, null)
            ),
            Now.AddDays(-290)
        );
    }

    /// <summary>The garden of a season on its first morning.</summary>
    public static GardenSnapshot Empty(SeasonLoop season, HourSeries weather) =>
        new(
            season.Home,
            season.Now,
            Catalogue,
            [],
            season.Places,
            season.Plantings,
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            weather,
            new WeatherState(season.Now, null)
        );

    /// <summary>The garden with every material tried on its crops before, without harm.</summary>
    public static GardenSnapshot Tried(GardenSnapshot garden, DateTimeOffset at)
    {
        var sprays = garden
            .Catalogue.Materials.Where(m => m.Doses is not null)
            .Select(
                (m, i) =>
                    new SprayApplication(Id("tried", i), null, at, m.Id, null, 0.1, null, [.. garden.Plantings.Select(p => new Treated(p.Id, 0.9))], true, null)
            )
            .ToList();
        return garden with
        {
            Applications = [.. sprays, .. garden.Applications],
            CheckBacks =
            [
                .. sprays.SelectMany(
                    (a, i) =>
                        a.Treated.Select(
                            (t, k) =>
                                new CheckBack(
                                    Id($"judged{i}", k),
                                    a.Id,
                                    t.PlantingId,
                                    garden.Garden.DateOf(at).AddDays(2),
                                    at.AddDays(2),
                                    null,
                                    null,
                                    Injury.None
                                )
                        )
                ),
                .. garden.CheckBacks,
            ],
        };
    }
}
