namespace Mauvaise.Core.Sky;

/// <summary>The weather as one place has it, with the sun's height worked out once for each hour.</summary>
public sealed class PlaceSky
{
    private readonly HourSeries series;
    private readonly WeatherHour[] hours;
    private readonly double[] elevation;
    private readonly double[] sunOnLeaves;

    private PlaceSky(HourSeries series, WeatherHour[] hours, double[] elevation, double[] sunOnLeaves)
    {
        this.series = series;
        this.hours = hours;
        this.elevation = elevation;
        this.sunOnLeaves = sunOnLeaves;
    }

    /// <summary>Applies the shelter and shade of a place to the weather outside.</summary>
    public static PlaceSky Of(HourSeries series, PlaceExposure place)
    {
        var count = series.Hours.Count;
        var hours = new WeatherHour[count];
        var elevation = new double[count];
        var sun = new double[count];
        for (var i = 0; i < count; i++)
        {
            var at = series.At(i);
            elevation[i] = Sun.Position(place.Latitude, place.Longitude, at.AddMinutes(30)).ElevationDegrees;
            hours[i] = UnderCover.Inside(series.Hours[i], place.Shelter, elevation[i]);
            sun[i] = SunShare(series.Hours[i], at, elevation[i], place);
        }

        return new PlaceSky(series, hours, elevation, sun);
    }

    public int Count => hours.Length;

    public DateTimeOffset At(int i) => series.At(i);

    public int IndexOf(DateTimeOffset instant) => series.IndexOf(instant);

    /// <summary>All fields null outside the series.</summary>
    public WeatherHour Hour(int i) => i >= 0 && i < hours.Length ? hours[i] : default;

    /// <summary>Sun's height in the middle of the hour, degrees; below the horizon outside the series.</summary>
    public double Elevation(int i) => i >= 0 && i < elevation.Length ? elevation[i] : -90;

    /// <summary>Share of the hour in which the sun burns on the leaves, 0 to 1.</summary>
    public double SunOnLeaves(int i) => i >= 0 && i < sunOnLeaves.Length ? sunOnLeaves[i] : 0;

    public bool Wet(int i) => LeafWetness.IsWet(Hour(i)) == true;

    /// <summary>Rain in this hour, or in one of the three before while the air has not yet taken it up.</summary>
    public bool WetFromRain(int i)
    {
        if (Hour(i).RainMm > 0)
        {
            return true;
        }

        var dried = 0.0;
        for (var k = i - 1; k >= i - 3; k--)
        {
            dried += DryingKPa(k + 1);
            if (Hour(k).RainMm > 0)
            {
                return dried < 0.8;
            }
        }

        return false;
    }

    /// <summary>Vapour pressure deficit of the hour while no rain falls, kPa; 0 when unknown.</summary>
    public double DryingKPa(int i) =>
        Hour(i) is { TemperatureC: { } t, RelativeHumidityPercent: { } rh, RainMm: 0 } ? Air.VapourPressureDeficitKPa(t, rh) : 0;

    public double DeltaTK(int i) =>
        Hour(i) is { TemperatureC: { } t, RelativeHumidityPercent: { } rh } ? Air.DeltaTK(Math.Clamp(t, -20, 50), Math.Clamp(rh, 5, 99)) : 0;

    /// <summary>Share of the next dark hours (sun down, within 18 h) in which leaves are wet and it is 10 to 28 C.</summary>
    public double NightInfectionShare(int i)
    {
        var night = Enumerable.Range(i, 18).Where(k => k < Count && Elevation(k) < 0).ToList();
        return night.Count == 0 ? 0 : night.Count(k => Wet(k) && Hour(k).TemperatureC is >= 10 and <= 28) / (double)night.Count;
    }

    private static double SunShare(WeatherHour outside, DateTimeOffset at, double elevation, PlaceExposure place)
    {
        if (place.Shelter == Shelter.Indoor || elevation < -5 || !SprayHours.IsSunny(outside))
        {
            return 0;
        }

        var share = SprayHours.SunHighShare(place.Latitude, place.Longitude, at);
        if (share <= 0 || (place.SunFrom is null && place.SunTo is null))
        {
            return share;
        }

        var clock = TimeOnly.FromDateTime(TimeZoneInfo.ConvertTime(at, place.Zone).DateTime);
        var from = Math.Max(clock.ToTimeSpan().TotalHours, (place.SunFrom ?? TimeOnly.MinValue).ToTimeSpan().TotalHours);
        var to = Math.Min(clock.ToTimeSpan().TotalHours + 1, place.SunTo?.ToTimeSpan().TotalHours ?? 24);
        return Math.Min(share, Math.Max(0, to - from));
    }
}
