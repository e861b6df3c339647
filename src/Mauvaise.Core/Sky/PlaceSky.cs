namespace Mauvaise.Core.Sky;

/// <summary>The weather as one place has it: that of its shelter, with the sun that its shade lets through.</summary>
public sealed class PlaceSky
{
    private readonly double[] sunOnLeaves;

    /// <summary>Sun on the leaves before each hour, from the start of the series.</summary>
    private readonly double[] sunBefore;

    internal PlaceSky(ShelterSky shelter, PlaceExposure place)
    {
        Shelter = shelter;
        Place = place;
        sunOnLeaves = new double[shelter.Count];
        sunBefore = new double[shelter.Count + 1];
        for (var i = 0; i < sunOnLeaves.Length; i++)
        {
            sunOnLeaves[i] = SunShare(i);
            sunBefore[i + 1] = sunBefore[i] + sunOnLeaves[i];
        }
    }

    /// <summary>The weather under the place's shelter, which other places share.</summary>
    public ShelterSky Shelter { get; }

    public PlaceExposure Place { get; }

    public int Count => Shelter.Count;

    public DateTimeOffset At(int i) => Shelter.At(i);

    public int IndexOf(DateTimeOffset instant) => Shelter.IndexOf(instant);

    /// <summary>All fields null outside the series.</summary>
    public ref readonly WeatherHour Hour(int i) => ref Shelter.Hour(i);

    /// <summary>Share of the hour in which the sun burns on the leaves, 0 to 1.</summary>
    public double SunOnLeaves(int i) => i >= 0 && i < sunOnLeaves.Length ? sunOnLeaves[i] : 0;

    /// <summary>Hours of sun on the leaves in the hours from <paramref name="i"/>.</summary>
    public double SunHours(int i, int count) => sunBefore[Math.Clamp(i + count, 0, Count)] - sunBefore[Math.Clamp(i, 0, Count)];

    /// <summary>
    /// The part of an hour in which bees and light allow a spray: all of it, but where bees would fly on open flowers the quarters between
    /// the sun's going down and the dark.
    /// </summary>
    public MinutesOfHour Open(int i) => BeesMayFly(i) ? Shelter.BeeFreeLight(i) : MinutesOfHour.All;

    /// <summary>Flowers stand open outside, and it is warm enough for bees while the sun is up.</summary>
    internal bool BeesMayFly(int i) => Place.CropInFlower && Shelter.Shelter != Sky.Shelter.Indoor && Hour(i).TemperatureC > 12 && !FlowersClosed(i);

    /// <summary>True when the place's flowers have closed for the day.</summary>
    internal bool FlowersClosed(int i) => Place.FlowersCloseAtHour is { } hour && hour <= Shelter.LocalStart(i).Hour;

    private double SunShare(int i)
    {
        var share = Shelter.SunHigh(i);
        if (share <= 0 || (Place.SunFrom is null && Place.SunTo is null))
        {
            return share;
        }

        var clock = Shelter.LocalStart(i).TimeOfDay.TotalHours;
        var from = Math.Max(clock, Place.SunFrom?.ToTimeSpan().TotalHours ?? 0);
        var to = Math.Min(clock + 1, Place.SunTo?.ToTimeSpan().TotalHours ?? 24);
        return Math.Min(share, Math.Max(0, to - from));
    }
}
