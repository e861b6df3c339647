using System.Collections.Concurrent;
using Mauvaise.Core.Time;

namespace Mauvaise.Core.Sky;

/// <summary>
/// The weather of a garden as all its places share it: the sun is worked out once for each hour, and the air under each kind of
/// shelter once. Safe to read from several threads once made.
/// </summary>
public sealed class GardenSky
{
    private readonly ShelterSky[] shelters;
    private readonly ConcurrentDictionary<PlaceExposure, PlaceSky> places = new();

    private readonly Lazy<MinutesOfHour[]> beeFreeLight;

    private GardenSky(HourSeries series, GardenZone zone, double[] elevation, double[] sunHigh, Func<int, MinutesOfHour> beeFree)
    {
        beeFreeLight = new(() => [.. Enumerable.Range(0, series.Hours.Count).Select(beeFree)]);
        Series = series;
        Zone = zone;
        LocalStart = [.. Enumerable.Range(0, series.Hours.Count).Select(i => zone.Local(series.At(i)))];
        Elevation = elevation;
        SunHigh = sunHigh;
        shelters = [.. Enum.GetValues<Shelter>().Select(s => new ShelterSky(this, s))];
    }

    public HourSeries Series { get; }

    public GardenZone Zone { get; }

    /// <summary>Local time at the start of each hour.</summary>
    internal DateTimeOffset[] LocalStart { get; }

    /// <summary>Sun's height in the middle of each hour, degrees.</summary>
    internal double[] Elevation { get; }

    /// <summary>Share of each hour with the sun high enough to burn, 0 to 1.</summary>
    internal double[] SunHigh { get; }

    /// <summary>The part of each hour in which bees are home and there is light.</summary>
    internal MinutesOfHour[] BeeFreeLight => beeFreeLight.Value;

    /// <param name="latitude">-90 to 90, north positive.</param>
    /// <param name="longitude">-180 to 180, east positive.</param>
    public static GardenSky Of(HourSeries series, double latitude, double longitude, GardenZone zone)
    {
        var count = series.Hours.Count;
        var elevation = new double[count];
        var sunHigh = new double[count];
        for (var i = 0; i < count; i++)
        {
            elevation[i] = Sun.Position(latitude, longitude, series.At(i).AddMinutes(30)).ElevationDegrees;
            // The sun moves at most 15 degrees an hour: far from the limit one look is enough.
            sunHigh[i] =
                Math.Abs(elevation[i] - SprayRules.SunHighDegrees) > 8
                    ? elevation[i] > SprayRules.SunHighDegrees
                        ? 1
                        : 0
                    : Sun.ShareAbove(latitude, longitude, series.At(i), SprayRules.SunHighDegrees);
        }

        // In half an hour the sun moves at most 7.5 degrees.
        return new GardenSky(series, zone, elevation, sunHigh, i =>
            elevation[i] is > 7.5 or < Sun.DarkDegrees - 7.5 ? default : Sun.BeeFreeLight(latitude, longitude, series.At(i))
        );
    }

    /// <summary>The weather under a kind of shelter.</summary>
    public ShelterSky Under(Shelter shelter) => shelters[(int)shelter];

    /// <summary>The weather as one place has it; places that are exposed alike share it.</summary>
    public PlaceSky At(PlaceExposure place) => places.GetOrAdd(place, p => new PlaceSky(Under(p.Shelter), p));
}
