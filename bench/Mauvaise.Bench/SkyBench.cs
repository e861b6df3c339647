using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

/// <summary>A season of the sky: 200 days by the hour.</summary>
internal static class SkyBench
{
    private const int Places = 40;
    private const int Targets = 20;
    private const int SpraysEach = 10;
    private static readonly GardenCatalogue Catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
    private static readonly DateTimeOffset Start = new(2026, 3, 20, 0, 0, 0, TimeSpan.Zero);

    private static readonly Garden Home = new(
        Guid.Empty,
        "Bench",
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

    public static IEnumerable<Benchmark> All()
    {
        var hours = new StandInWeather(Catalogue.FindClimate("continental")!, Home.Latitude, Home.Longitude, 1).Hours(
            Start,
            Start.AddDays(200),
            Start.AddDays(300)
        );
        var places = Enumerable.Range(0, Places).Select(Place).ToList();
        var targets = Catalogue.Targets.Where(t => t.Insect is not null || t.Disease is not null).Take(Targets).ToList();
        var material = Catalogue.Material("neem-oil");
        yield return new("season", $"200 days of sun, windows, cover of {SpraysEach} sprays and pressure of {Targets} targets for {Places} places", () =>
        {
            var sky = GardenSky.Of(hours, Home.Latitude, Home.Longitude, Home.Zone);
            foreach (var place in places)
            {
                var here = sky.At(Exposure(place));
                SprayHours.Verdicts(here, Start, hours.End, material);
                for (var i = 0; i < SpraysEach; i++)
                {
                    CoverCurve.Of(material, Start.AddDays(i * 18), 0.9, here, place, GrowthStage.Mature);
                }
            }

            foreach (var shelter in places.Select(p => p.Shelter).Distinct())
            {
                var days = SkyDays.Of(sky.Under(shelter), Home, new DateOnly(2026, 3, 21), new DateOnly(2026, 10, 4));
                foreach (var target in targets)
                {
                    Pressure.Daily(target, days);
                }
            }
        });
        var one = GardenSky.Of(hours, Home.Latitude, Home.Longitude, Home.Zone).At(Exposure(places[0]));
        yield return new("windows", "10 days of hours for one place and material, with every reason in words", () =>
            SprayHours.Judge(one, Start.AddDays(100), Start.AddDays(110), material)
        );
    }

    private static Place Place(int i) =>
        new(
            Guid.NewGuid(),
            $"Bed {i}",
            i % 5 == 0 ? PlaceKind.Tunnel : PlaceKind.OpenBed,
            6,
            8,
            i % 3 == 0 ? Watering.Overhead : Watering.Drip,
            new TimeOnly(7 + i % 4, 0),
            new TimeOnly(17 + i % 3, 30),
            null,
            null,
            i
        );

    private static PlaceExposure Exposure(Place place) => new(place.Shelter, place.Order % 4 == 0, false, place.SunFrom, place.SunTo);
}
