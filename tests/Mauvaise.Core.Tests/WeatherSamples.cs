using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;

namespace Mauvaise.Core.Tests;

/// <summary>Hand-made weather and places.</summary>
public static class WeatherSamples
{
    public static readonly DateTimeOffset Start = new(2026, 7, 16, 0, 0, 0, TimeSpan.Zero);
    public static readonly GardenZone Vienna = GardenZone.Of("Europe/Vienna");
    public static readonly WeatherHour Mild = new(20, 60, 2, 3, 0, 20);

    public static readonly Place OpenBed = new(Guid.Empty, "Bed", PlaceKind.OpenBed, 6, 8, Watering.Drip, null, null, null, null, 0);

    public static HourSeries Hours(int count, Func<int, WeatherHour> at) => new(Start, [.. Enumerable.Range(0, count).Select(at)]);

    public static PlaceExposure Exposure(Shelter shelter = Shelter.Open, bool inFlower = false, bool dry = false) => new(shelter, inFlower, dry);

    public static PlaceSky SkyOver(HourSeries hours, PlaceExposure place, GardenZone? zone = null) =>
        GardenSky.Of(hours, 47.52, 16.31, zone ?? Vienna).At(place);

    public static Material Material(string id) => Shipped.Catalogue.Material(id);
}
