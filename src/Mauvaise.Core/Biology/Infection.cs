using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Biology;

/// <summary>Weather that lets a leaf disease in.</summary>
public static class Infection
{
    /// <summary>Hours needed are never said to be more than this: no wet period lasts longer in practice (assumed).</summary>
    public const double LongestHours = 96;

    /// <summary>
    /// Temperature response 0 to 1: Yan and Hunt 1999 (doi:10.1006/anbo.1999.0955) as used by Magarey, Sutton and Russo 2005
    /// (doi:10.1094/PHYTO-95-0092). 0 outside the open range.
    /// </summary>
    /// <example>7/24/30 at 18 C gives 0.5826.</example>
    public static double Response(double temperatureC, double minC, double optimumC, double maxC)
    {
        Bounds.Within(temperatureC, -60, 60);
        Check(minC, optimumC, maxC);
        if (temperatureC <= minC || temperatureC >= maxC)
        {
            return 0;
        }

        return (maxC - temperatureC) / (maxC - optimumC) * Math.Pow((temperatureC - minC) / (optimumC - minC), (optimumC - minC) / (maxC - optimumC));
    }

    /// <summary>Wet hours needed for infection: W over the response, at most <see cref="LongestHours"/>; null where the response is 0.</summary>
    /// <param name="wetHoursAtOptimum">Over 0.</param>
    /// <example>7/24/30 and W 2: 24 C needs 2.00 h, 18 C 3.43 h, 12 C 21.37 h.</example>
    public static double? HoursNeeded(double temperatureC, double minC, double optimumC, double maxC, double wetHoursAtOptimum)
    {
        Bounds.Positive(wetHoursAtOptimum);
        var response = Response(temperatureC, minC, optimumC, maxC);
        return response > 0 ? Math.Min(LongestHours, wetHoursAtOptimum / response) : null;
    }

    private static void Check(double minC, double optimumC, double maxC)
    {
        Bounds.Within(optimumC, -60, 60);
        if (!(minC < optimumC && optimumC < maxC))
        {
            throw new ArgumentOutOfRangeException(nameof(optimumC), optimumC, "Temperatures must rise from minimum over optimum to maximum.");
        }
    }
}
