using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

internal static class SkyBench
{
    private static readonly GardenCatalogue Catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
    private static readonly TimeZoneInfo Zone = TimeZoneInfo.FindSystemTimeZoneById("Europe/Vienna");
    private static readonly DateTimeOffset Start = new(2026, 3, 20, 0, 0, 0, TimeSpan.Zero);

    public static IEnumerable<Benchmark> All()
    {
        var hours = new StandInWeather(Catalogue.FindClimate("continental")!, 47.52, 16.31, 1).Hours(Start, Start.AddDays(200), Start.AddDays(300));
        var material = Catalogue.Material("neem-oil");
        var exposure = new PlaceExposure(47.52, 16.31, Zone, Shelter.Open, false, false);
        var place = new Place(Guid.Empty, "Bed", PlaceKind.OpenBed, 6, 8, Watering.Drip, null, null, null, null, 0);
        yield return new("windows-season", "200 days of hours judged by every rule for one place and material",
            () => SprayHours.Judge(hours, Start, hours.End, material, exposure));
        var sky = PlaceSky.Of(hours, exposure);
        yield return new("cover-season", "cover of 30 sprays over 200 days at one place", () =>
        {
            for (var i = 0; i < 30; i++)
            {
                CoverCurve.Of(material, Start.AddDays(i * 6), 0.9, sky, place, GrowthStage.Mature, Zone);
            }
        });
    }
}
