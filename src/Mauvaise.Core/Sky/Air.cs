using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Sky;

/// <summary>Moist-air arithmetic. Temperatures in degrees C, humidity in per cent, pressures in kPa.</summary>
public static class Air
{
    /// <summary>Saturation vapour pressure over water, kPa. Alduchov and Eskridge 1996, doi:10.1175/1520-0450(1996)035.</summary>
    /// <param name="temperatureC">-60 to 60.</param>
    /// <example>25 C gives 3.162 kPa.</example>
    public static double SaturationVapourPressureKPa(double temperatureC)
    {
        Bounds.Within(temperatureC, -60, 60);
        return 0.61094 * Math.Exp(17.625 * temperatureC / (temperatureC + 243.04));
    }

    /// <summary>Dew point in C: the inverse of <see cref="SaturationVapourPressureKPa"/>.</summary>
    /// <param name="relativeHumidityPercent">Over 0, to 100.</param>
    /// <example>25 C and 60 % give 16.70 C.</example>
    public static double DewPointC(double temperatureC, double relativeHumidityPercent)
    {
        Bounds.Within(relativeHumidityPercent, 0.1, 100);
        var logRatio = Math.Log(SaturationVapourPressureKPa(temperatureC) * relativeHumidityPercent / 100 / 0.61094);
        return 243.04 * logRatio / (17.625 - logRatio);
    }

    /// <summary>Vapour pressure deficit, kPa: how hard the air pulls water off a leaf.</summary>
    /// <example>25 C and 60 % give 1.265 kPa.</example>
    public static double VapourPressureDeficitKPa(double temperatureC, double relativeHumidityPercent)
    {
        Bounds.Within(relativeHumidityPercent, 0, 100);
        return SaturationVapourPressureKPa(temperatureC) * (1 - relativeHumidityPercent / 100);
    }

    /// <summary>Wet bulb in C at sea level. Stull 2011, doi:10.1175/JAMC-D-11-0143.1, valid 5 to 99 % and -20 to 50 C.</summary>
    /// <example>20 C and 50 % give 13.70 C; 25 C and 60 % give 19.50 C.</example>
    public static double WetBulbC(double temperatureC, double relativeHumidityPercent)
    {
        Bounds.Within(temperatureC, -20, 50);
        var rh = Bounds.Within(relativeHumidityPercent, 5, 99);
        return temperatureC * Math.Atan(0.151977 * Math.Sqrt(rh + 8.313659))
            + Math.Atan(temperatureC + rh)
            - Math.Atan(rh - 1.676331)
            + 0.00391838 * Math.Pow(rh, 1.5) * Math.Atan(0.023101 * rh)
            - 4.686035;
    }

    /// <summary>Dry minus wet bulb, kelvins: how fast droplets vanish on their way to the leaf.</summary>
    /// <example>31 C and 35 % give 10.77 K.</example>
    public static double DeltaTK(double temperatureC, double relativeHumidityPercent) => temperatureC - WetBulbC(temperatureC, relativeHumidityPercent);
}
