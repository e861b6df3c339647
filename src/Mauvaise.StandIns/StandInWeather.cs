using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Sky;

namespace Mauvaise.StandIns;

/// <summary>
/// Made-up but physically sensible weather of a climate type: a daily temperature wave, fronts with cloud, rain and gusts, dew
/// nights. The same seed gives the same hours, in any order. A forecast is the truth read with an error that grows with lead
/// time: fronts come early or late, temperatures are off, rain is over- or underdone.
/// </summary>
public sealed class StandInWeather(Climate climate, double latitude, double longitude, ulong seed)
{
    private const int Synoptic = 1,
        Front = 2,
        Burst = 3,
        Dew = 4,
        Breeze = 5,
        LateBy = 6,
        WarmBy = 7,
        WetBy = 8;

    private readonly SmoothNoise noise = new(
        seed ^ (ulong)BitConverter.DoubleToInt64Bits(Math.Round(latitude, 1)) * 31 ^ (ulong)BitConverter.DoubleToInt64Bits(Math.Round(longitude, 1))
    );

    /// <summary>What really comes in the UTC hour that starts then.</summary>
    public WeatherHour Truth(DateTimeOffset hour) => At(hour, 0, 0, 1);

    /// <summary>What is said at <paramref name="issuedAt"/> of an hour; the truth for hours that are over.</summary>
    public WeatherHour Forecast(DateTimeOffset hour, DateTimeOffset issuedAt)
    {
        var lead = (hour - issuedAt).TotalHours;
        if (lead <= 0)
        {
            return Truth(hour);
        }

        // Errors drift slowly over the valid time and are drawn anew as forecasts are issued.
        var issue = issuedAt.ToUnixTimeSeconds() / 3600.0;
        var valid = hour.ToUnixTimeSeconds() / 3600.0;
        var late = noise.At(LateBy, issue, 12) * Math.Min(18, 0.09 * lead);
        var warm = (0.7 * noise.At(WarmBy, issue, 12) + 0.7 * noise.At(WarmBy + 20, valid, 30)) * Math.Min(4, 0.018 * lead);
        var wet = Math.Exp(Math.Clamp(noise.At(WetBy, issue, 12) * Math.Min(0.9, 0.005 * lead), -1.2, 1.2));
        return At(hour, late, warm, wet);
    }

    /// <summary>A run of hours as said at an instant.</summary>
    public HourSeries Hours(DateTimeOffset from, DateTimeOffset to, DateTimeOffset issuedAt)
    {
        var start = HourSeries.WholeHour(from);
        return new HourSeries(start, [.. Enumerable.Range(0, Math.Max(0, (int)(to - start).TotalHours)).Select(i => Forecast(start.AddHours(i), issuedAt))]);
    }

    private WeatherHour At(DateTimeOffset hour, double shiftHours, double warmerK, double wetter)
    {
        var clock = hour.ToUnixTimeSeconds() / 3600.0 + 0.5;
        var t = clock - shiftHours;
        var month = Month(hour);
        var synoptic = 0.75 * noise.At(Synoptic, t, 110) + 0.45 * noise.At(Synoptic + 20, t, 45);
        var wetShare = Normal(climate.RainDays, month) / 30.4 * 0.26;
        var front = 0.72 * noise.At(Front, t, 30) + 0.7 * noise.At(Front + 20, t, 9);
        var over = front - Quantile(1 - wetShare);
        var cloud = Math.Clamp(0.42 + 0.42 * (over + 0.75) + 0.18 * noise.At(Breeze + 40, t, 9), 0.02, 1);

        var rainMm = over > 0 ? Rain(month, wetShare, over, t) * wetter : 0;
        var solar = (clock % 24 + longitude / 15 + 48) % 24;
        var temperature =
            Normal(climate.MeanC, month)
            + 3.4 * synoptic
            + warmerK
            + Normal(climate.DailyRangeK, month) / 2 * DailyWave(solar) * (1.15 - 0.7 * cloud)
            - (over > 0 ? Math.Min(4, 2 + 2 * over) : 0);
        var dewPoint =
            Air.DewPointC(Normal(climate.MeanC, month), Normal(climate.RelativeHumidityPercent, month))
            + 2.2 * synoptic
            + 2.2 * noise.At(Dew, t, 60)
            + (over > -0.3 ? 2 : 0);
        var humidity =
            over > 0
                ? 93 + 5 * Math.Min(1, over)
                : 100 * Air.SaturationVapourPressureKPa(Math.Min(dewPoint, temperature)) / Air.SaturationVapourPressureKPa(temperature);
        var wind =
            Normal(climate.WindMetresPerSecond, month)
            * (0.75 + 0.35 * Math.Abs(synoptic) + 0.6 * Math.Clamp(over + 0.6, 0, 1.4))
            * (1 + 0.38 * DailyWave(solar))
            * Math.Exp(0.28 * noise.At(Breeze, t, 5));
        var gust = wind * (1.45 + 0.5 * Math.Clamp(over + 0.3, 0, 1.5));
        return new WeatherHour(
            Math.Round(temperature, 1),
            Math.Round(Math.Clamp(humidity, 12, 100)),
            Math.Round(wind, 1),
            Math.Round(gust, 1),
            rainMm < 0.05 ? 0 : Math.Round(rainMm, 1),
            Math.Round(100 * cloud)
        );
    }

    /// <summary>Rain of a wet hour, so that a month of them makes the normal sum: more at the heart of a front, in bursts.</summary>
    private double Rain(double month, double wetShare, double over, double t)
    {
        var meanMm = Normal(climate.RainMm, month) / (wetShare * 730);
        return meanMm * 2.3 * over * Math.Exp(0.7 * noise.At(Burst, t, 3) - 0.25);
    }

    /// <summary>-1 at about five in the morning, +1 at about three in the afternoon, of solar time.</summary>
    private static double DailyWave(double solarHour)
    {
        // Rise over ten hours, fall over fourteen.
        var h = (solarHour - 5 + 24) % 24;
        return h < 10 ? -Math.Cos(Math.PI * h / 10) : Math.Cos(Math.PI * (h - 10) / 14);
    }

    /// <summary>Months since January as the northern hemisphere counts them, with the fraction of the month: mid-January is 0.</summary>
    private double Month(DateTimeOffset hour)
    {
        var year = (hour.DayOfYear - 1 + hour.Hour / 24.0) / 365.25 * 12 - 0.5;
        return (year + (latitude < 0 ? 6 : 0) + 12) % 12;
    }

    private static double Normal(IReadOnlyList<double> months, double month)
    {
        var i = (int)Math.Floor(month);
        var f = month - i;
        return months[i % 12] * (1 - f) + months[(i + 1) % 12] * f;
    }

    /// <summary>Standard normal quantile, Abramowitz and Stegun 26.2.23, for a probability over one half; error under 0.0005.</summary>
    private static double Quantile(double p)
    {
        var t = Math.Sqrt(-2 * Math.Log(1 - Math.Clamp(p, 0.5, 0.999)));
        return t - (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
    }
}
