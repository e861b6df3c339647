using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Outcomes;

/// <summary>How much a treatment held back, against plants that were left alone.</summary>
public static class Control
{
    /// <summary>Abbott 1925: (C - T) / C in per cent, from counts after. Negative when the treated ones are worse.</summary>
    /// <param name="untreatedAfter">Over 0.</param>
    public static double AbbottPercent(double treatedAfter, double untreatedAfter)
    {
        Bounds.NotNegative(treatedAfter);
        Bounds.Positive(untreatedAfter);
        return (untreatedAfter - treatedAfter) / untreatedAfter * 100;
    }

    /// <summary>Henderson and Tilton 1955, doi:10.1093/jee/48.2.157: 1 - (Ta Cb) / (Tb Ca) in per cent, when both were counted before too.</summary>
    /// <example>Tb 120, Ta 18, Cb 110, Ca 165 gives 90 %.</example>
    public static double HendersonTiltonPercent(double treatedBefore, double treatedAfter, double untreatedBefore, double untreatedAfter)
    {
        Bounds.Positive(treatedBefore);
        Bounds.NotNegative(treatedAfter);
        Bounds.NotNegative(untreatedBefore);
        Bounds.Positive(untreatedAfter);
        return (1 - treatedAfter * untreatedBefore / (treatedBefore * untreatedAfter)) * 100;
    }
}

/// <summary>Disease over time.</summary>
public static class DiseaseProgress
{
    /// <summary>Area under the disease progress curve by trapezoids, per-cent-days. Shaner and Finney 1977, doi:10.1094/Phyto-67-1051.</summary>
    /// <param name="days">Rising.</param>
    /// <param name="percents">As many, each 0 to 100.</param>
    /// <example>Days 0, 7, 14 with 5, 20, 50 % give 332.5.</example>
    public static double AreaUnderCurve(IReadOnlyList<double> days, IReadOnlyList<double> percents)
    {
        if (days.Count != percents.Count || days.Count < 2)
        {
            throw new ArgumentOutOfRangeException(nameof(percents), percents.Count, "There must be as many per cents as days, two or more.");
        }

        var area = 0.0;
        for (var i = 0; i < days.Count; i++)
        {
            Bounds.Within(percents[i], 0, 100, "percent");
            if (i == 0)
            {
                Bounds.Finite(days[0], "days");
                continue;
            }

            if (!(days[i] > days[i - 1]))
            {
                throw new ArgumentOutOfRangeException(nameof(days), days[i], "Days must rise.");
            }

            area += (percents[i] + percents[i - 1]) / 2 * (days[i] - days[i - 1]);
        }

        return area;
    }
}
