using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>Small gardens made by hand. They stand in the evening of 16 July 2026 with 30 days of weather behind and five ahead.</summary>
public static class GardenSamples
{
    public static readonly DateTimeOffset Now = new(2026, 7, 16, 15, 40, 0, TimeSpan.Zero);

    public static readonly Garden Home = new(
        Guid.NewGuid(),
        "Home",
        47.52,
        16.31,
        212,
        "Europe/Vienna",
        "continental",
        KitchenSystem.Metric,
        Stance.WatchAndTreat,
        DiseaseApproach.CleanThenProtect,
        false
    );

    /// <summary>A garden with these places and plantings, and mild weather unless told otherwise.</summary>
    public static GardenSnapshot Garden(IReadOnlyList<Place> places, IReadOnlyList<Planting> plantings, Func<DateTimeOffset, WeatherHour>? weather = null) =>
        new(
            Home,
            Now,
            Shipped.Catalogue,
            [],
            places,
            plantings,
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
            Weather(weather ?? (_ => WeatherSamples.Mild)),
            new WeatherState(Now, null)
        );

    /// <summary>The garden with every material tried on its crops last autumn, without harm.</summary>
    public static GardenSnapshot Tried(GardenSnapshot garden)
    {
        var sprays = garden
            .Catalogue.Materials.Where(m => m.Doses is not null)
            .Select(m => new SprayApplication(
                Guid.NewGuid(),
                null,
                Now.AddDays(-290),
                m.Id,
                null,
                0.1,
                null,
                [.. garden.Plantings.Select(p => new Treated(p.Id, 0.9))],
                true,
                null
            ))
            .ToList();
        return garden with
        {
            Applications = [.. sprays, .. garden.Applications],
            CheckBacks =
            [
                .. sprays.SelectMany(a =>
                    a.Treated.Select(t => new CheckBack(
                        Guid.NewGuid(),
                        a.Id,
                        t.PlantingId,
                        new DateOnly(2025, 10, 1),
                        a.At.AddDays(2),
                        null,
                        null,
                        Injury.None
                    ))
                ),
                .. garden.CheckBacks,
            ],
        };
    }

    public static HourSeries Weather(Func<DateTimeOffset, WeatherHour> at)
    {
        var start = HourSeries.WholeHour(Now).AddDays(-30);
        return new HourSeries(start, [.. Enumerable.Range(0, 35 * 24).Select(i => at(start.AddHours(i)))]);
    }

    public static Place Bed(string name, int order = 0, PlaceKind kind = PlaceKind.OpenBed, Stance? stance = null) =>
        new(Guid.NewGuid(), name, kind, 6, 8, Watering.Drip, null, null, stance, null, order);

    public static Planting Grown(Place place, string crop, GrowthStage stage = GrowthStage.Fruiting, bool inFlower = false) =>
        new(Guid.NewGuid(), place.Id, crop, null, new DateOnly(2026, 5, 1), null, null, stage, inFlower);

    public static Observation Seen(
        Planting planting,
        double daysAgo,
        int looked,
        int affected,
        string? named = null,
        int helpers = 0,
        Ants ants = Ants.None,
        Guid? look = null,
        bool group = false,
        PlantPart part = PlantPart.Unsaid,
        RootCheck roots = RootCheck.NotLooked,
        params SeenSign[] signs
    )
    {
        var id = Guid.NewGuid();
        return new(
            id,
            look ?? id,
            null,
            planting.Id,
            Now.AddDays(-daysAgo),
            looked,
            affected,
            null,
            ants,
            helpers,
            0,
            part,
            BedSide.Unsaid,
            roots,
            signs,
            named,
            group,
            null
        );
    }

    public static SprayApplication Sprayed(
        Planting planting,
        double daysAgo,
        string material,
        string? target = null,
        double? perLitre = null,
        bool patchTest = false
    ) => new(Guid.NewGuid(), null, Now.AddDays(-daysAgo), material, perLitre, 1, target, [new(planting.Id, 0.9)], patchTest, null);

    public static PlaceSky Sky(GardenSnapshot garden, Place place) => garden.SkyOf(place);

    public static Target Target(string id) => Shipped.Catalogue.Target(id);
}
