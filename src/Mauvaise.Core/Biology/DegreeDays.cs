using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Biology;

/// <summary>Heat that insects develop by.</summary>
public static class DegreeDays
{
    /// <summary>
    /// Degree-days of one day from its minimum and maximum: single sine over the lower threshold (Baskerville and Emin 1969,
    /// doi:10.2307/1933912), with a horizontal cut-off at the upper one.
    /// </summary>
    /// <param name="minC">Up to <paramref name="maxC"/>.</param>
    /// <param name="lowerC">Below <paramref name="upperC"/>.</param>
    /// <param name="upperC">Null for no cut-off.</param>
    /// <example>10 to 30 C over 12 C gives 8.271; 15 to 27 gives 9.000; 3 to 9 over 10 gives 0.</example>
    public static double OfDay(double minC, double maxC, double lowerC, double? upperC = null)
    {
        Bounds.Within(maxC, -60, 60);
        Bounds.Within(minC, -60, maxC);
        Bounds.Within(lowerC, -60, 60);
        if (upperC is { } upper)
        {
            Bounds.Within(upper, lowerC, 80);
        }

        return Above(minC, maxC, lowerC) - (upperC is { } cut ? Above(minC, maxC, cut) : 0);
    }

    /// <summary>Degree-days that one hour adds: (min(T, upper) - lower) / 24, never below 0.</summary>
    public static double OfHour(double temperatureC, double lowerC, double upperC) => Math.Max(0, Math.Min(temperatureC, upperC) - lowerC) / 24;

    private static double Above(double minC, double maxC, double thresholdC)
    {
        if (maxC <= thresholdC)
        {
            return 0;
        }

        var mean = (minC + maxC) / 2;
        if (minC >= thresholdC)
        {
            return mean - thresholdC;
        }

        var amplitude = (maxC - minC) / 2;
        var theta = Math.Asin((thresholdC - mean) / amplitude);
        return ((mean - thresholdC) * (Math.PI / 2 - theta) + amplitude * Math.Cos(theta)) / Math.PI;
    }
}
