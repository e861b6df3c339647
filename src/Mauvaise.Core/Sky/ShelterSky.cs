namespace Mauvaise.Core.Sky;

/// <summary>
/// The weather under one kind of shelter, with what the spray rules ask of many hours at once worked out in one sweep. Every
/// figure is made when it is first asked for. Hours outside the series are unknown.
/// </summary>
public sealed class ShelterSky
{
    /// <summary>Hours that a rule looks ahead at most, and a little more.</summary>
    private const int FarAhead = 19;

    /// <summary>Water that a wet leaf must lose, as vapour pressure deficit times hours (assumed).</summary>
    private const double DryingKPaHours = 0.8;

    private static readonly WeatherHour Unknown;

    private readonly GardenSky garden;
    private readonly Lazy<WeatherHour[]> hours;
    private readonly Lazy<bool[]> wet;
    private readonly Lazy<double[]> dryingKPa;
    private readonly Lazy<double[]> deltaTK;
    private readonly Lazy<double[]> rainBefore;
    private readonly Lazy<double[]> hoursToDry;
    private readonly Lazy<int[]> hoursUntilWet;
    private readonly Lazy<bool[]> wetFromRain;
    private readonly Lazy<double[]> nightInfection;
    private readonly Lazy<int[]> warmestHour;
    private readonly Lazy<bool[]> frostWithinADay;
    private readonly Lazy<double[]> driestBefore;

    internal ShelterSky(GardenSky garden, Shelter shelter)
    {
        this.garden = garden;
        Shelter = shelter;
        hours = new(() => [.. garden.Series.Hours.Select((h, i) => UnderCover.Inside(h, shelter, garden.Elevation[i]))]);
        wet = new(() => Each(h => LeafWetness.IsWet(h) == true));
        dryingKPa = new(() => Each(h => h is { TemperatureC: { } t, RelativeHumidityPercent: { } rh, RainMm: 0 } ? Air.VapourPressureDeficitKPa(t, rh) : 0));
        deltaTK = new(() =>
            Each(h => h is { TemperatureC: { } t, RelativeHumidityPercent: { } rh } ? Air.DeltaTK(Math.Clamp(t, -20, 50), Math.Clamp(rh, 5, 99)) : 0)
        );
        rainBefore = new(RunningRain);
        hoursToDry = new(() => EachHour(MeasureHoursToDry));
        hoursUntilWet = new(() => EachHour(MeasureHoursUntilWet));
        wetFromRain = new(() => EachHour(IsWetFromRain));
        nightInfection = new(() => EachHour(MeasureNightInfection));
        warmestHour = new(() => EachHour(FindWarmest));
        frostWithinADay = new(() => EachHour(i => Ahead(i, 24).Any(k => Hour(k).TemperatureC < 0)));
        driestBefore = new(() => EachHour(i => Enumerable.Range(i - 4, 4).Max(DeltaTK)));
    }

    public Shelter Shelter { get; }

    public int Count => garden.LocalStart.Length;

    public DateTimeOffset At(int i) => garden.Series.At(i);

    public int IndexOf(DateTimeOffset instant) => garden.Series.IndexOf(instant);

    /// <summary>Local time at the start of an hour of the series.</summary>
    public DateTimeOffset LocalStart(int i) => garden.LocalStart[i];

    /// <summary>All fields null outside the series.</summary>
    public ref readonly WeatherHour Hour(int i) => ref Holds(i) ? ref hours.Value[i] : ref Unknown;

    /// <summary>Sun's height in the middle of the hour, degrees; below the horizon outside the series.</summary>
    public double Elevation(int i) => Holds(i) ? garden.Elevation[i] : -90;

    /// <summary>The part of an hour of the series in which the sun is down and leaves can still be seen.</summary>
    internal MinutesOfHour BeeFreeLight(int i) => garden.BeeFreeLight[i];

    /// <summary>Share of the hour in which the sun stands high under an open sky, 0 to 1; 0 indoors and behind cloud.</summary>
    internal double SunHigh(int i) =>
        garden.SunHigh[i] > 0 && Shelter != Shelter.Indoor && (garden.Series.Hours[i].CloudPercent ?? 0) < SprayRules.SunnyCloudPercent ? garden.SunHigh[i] : 0;

    public bool Wet(int i) => Holds(i) && wet.Value[i];

    /// <summary>Vapour pressure deficit of the hour while no rain falls, kPa; 0 when unknown.</summary>
    public double DryingKPa(int i) => Holds(i) ? dryingKPa.Value[i] : 0;

    public double DeltaTK(int i) => Holds(i) ? deltaTK.Value[i] : 0;

    /// <summary>Rain of the hours from <paramref name="i"/>, mm; unknown hours count as dry.</summary>
    public double RainMm(int i, int count)
    {
        var sums = rainBefore.Value;
        return sums[Math.Clamp(i + count, 0, Count)] - sums[Math.Clamp(i, 0, Count)];
    }

    /// <summary>Hours until a leaf that is wet now has lost its water, 19 when it takes longer.</summary>
    public double HoursToDry(int i) => hoursToDry.Value[i];

    /// <summary>Hours from this one until leaves are next wet, at most 18.</summary>
    public int HoursUntilWet(int i) => hoursUntilWet.Value[i];

    /// <summary>Rain in this hour, or in one of the three before while the air has not yet taken it up.</summary>
    public bool WetFromRain(int i) => wetFromRain.Value[i];

    /// <summary>Share of the next dark hours (sun down, within 18 h) in which leaves are wet and it is 10 to 28 C.</summary>
    public double NightInfectionShare(int i) => nightInfection.Value[i];

    /// <summary>The warmest hour of this one and the six that follow.</summary>
    public int WarmestHour(int i) => warmestHour.Value[i];

    /// <summary>Frost in this hour or the 23 that follow.</summary>
    public bool FrostWithinADay(int i) => frostWithinADay.Value[i];

    /// <summary>Largest Delta T of the four hours before, K.</summary>
    public double DriestBeforeK(int i) => driestBefore.Value[i];

    private int MeasureHoursUntilWet(int i)
    {
        var k = 1;
        while (k < FarAhead - 1 && !Wet(i + k))
        {
            k++;
        }

        return k;
    }

    private int FindWarmest(int i) => Ahead(i, SprayRules.After + 1).MaxBy(k => Hour(k).TemperatureC ?? double.MinValue);

    private bool IsWetFromRain(int i)
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
                return dried < DryingKPaHours;
            }
        }

        return false;
    }

    private double MeasureNightInfection(int i)
    {
        int night = 0,
            infectious = 0;
        for (var k = i; k < Math.Min(Count, i + 18); k++)
        {
            if (Elevation(k) < 0)
            {
                night++;
                infectious += Wet(k) && Hour(k).TemperatureC is >= 10 and <= 28 ? 1 : 0;
            }
        }

        return night == 0 ? 0 : (double)infectious / night;
    }

    private bool Holds(int i) => i >= 0 && i < Count;

    /// <summary>Hours of the series from <paramref name="i"/>, at most <paramref name="count"/>.</summary>
    private IEnumerable<int> Ahead(int i, int count) => Enumerable.Range(i, Math.Min(count, Count - i));

    private T[] EachHour<T>(Func<int, T> figure)
    {
        var figures = new T[Count];
        for (var i = 0; i < figures.Length; i++)
        {
            figures[i] = figure(i);
        }

        return figures;
    }

    private T[] Each<T>(Func<WeatherHour, T> figure) => [.. hours.Value.Select(figure)];

    /// <summary>Rain before each hour, from the start of the series, in whole hundredths of a millimetre so that dry hours stay exactly dry.</summary>
    private double[] RunningRain()
    {
        var sums = new double[Count + 1];
        var hundredths = 0L;
        for (var i = 0; i < Count; i++)
        {
            hundredths += (long)Math.Round((hours.Value[i].RainMm ?? 0) * 100);
            sums[i + 1] = hundredths / 100.0;
        }

        return sums;
    }

    private double MeasureHoursToDry(int i)
    {
        var gone = 0.0;
        for (var k = 0; k < FarAhead; k++)
        {
            var here = DryingKPa(i + k);
            if (here > 0 && gone + here >= DryingKPaHours)
            {
                return k + (DryingKPaHours - gone) / here;
            }

            gone += here;
        }

        return FarAhead;
    }
}
