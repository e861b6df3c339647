using MathNet.Numerics.Distributions;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Trials;

/// <summary>A unit as it was counted: affected leaves of those looked at, and before the treatment where that was counted too.</summary>
public sealed record CountedUnit(int Looked, int Affected, int? AffectedBefore);

/// <summary>Control in per cent with its interval: 100 is all of it held back, 0 nothing, under 0 worse than left alone.</summary>
public sealed record ControlEstimate(double Percent, double Low, double High);

/// <summary>
/// How much a side held back against the side that was left alone, with an interval that covers the truth about as often as it
/// says, also with few leaves, none affected, or leaves of one plant that are alike.
/// </summary>
public static class Comparison
{
    private const double MostRatio = 1e4;
    private const double LeastRatio = 1e-6;

    /// <summary>Half a leaf keeps the logarithm of nothing finite (Haldane 1956).</summary>
    private const double HalfALeaf = 0.5;

    /// <summary>
    /// Abbott's control from counts after. The interval of the ratio of two shares is the score interval (Koopman 1984,
    /// doi:10.2307/2531551) on effective leaves: where the units of a side differ more than chance makes them, its leaves count for
    /// less (Rao and Scott 1992, doi:10.2307/2532311), with the quantile of Student's t for the number of units.
    /// </summary>
    /// <param name="confidence">0.95 for an interval of 95 %.</param>
    /// <returns>Null when no leaf of the untreated side is affected: there was nothing to hold back.</returns>
    public static ControlEstimate? Abbott(IReadOnlyList<CountedUnit> treated, IReadOnlyList<CountedUnit> untreated, double confidence = 0.95)
    {
        Check(treated);
        Check(untreated);
        var ratio = Ratio(Shares(treated, u => u.Affected), Shares(untreated, u => u.Affected), confidence);
        return ratio is { } r ? Control(r.Estimate, r.Low, r.High) : null;
    }

    /// <summary>
    /// Henderson and Tilton's control from counts before and after. The intervals of both ratios are put together by the method of
    /// variance estimates recovery (Zou and Donner 2008, doi:10.1002/sim.3095) with the correlation that the units show.
    /// </summary>
    /// <returns>Null when a side had nothing before, or the untreated side has nothing after.</returns>
    public static ControlEstimate? HendersonTilton(IReadOnlyList<CountedUnit> treated, IReadOnlyList<CountedUnit> untreated, double confidence = 0.95)
    {
        Check(treated);
        Check(untreated);
        if (
            Ratio(Shares(treated, Before), Shares(untreated, Before), confidence) is not { Estimate: > 0 } before
            || Ratio(Shares(treated, u => u.Affected), Shares(untreated, u => u.Affected), confidence) is not { } after
        )
        {
            return null;
        }

        // On the logarithm; where nothing is left, the estimate is taken half a leaf above it.
        var least = (Sum(treated, u => u.Affected) + HalfALeaf) / (Sum(untreated, u => u.Affected) + HalfALeaf) * Looked(untreated) / Looked(treated);
        double a = Math.Log(after.Estimate > 0 ? after.Estimate : Math.Min(least, after.High)),
            b = Math.Log(before.Estimate);
        double aLow = a - Math.Log(Math.Max(LeastRatio, after.Low)),
            aHigh = Math.Log(after.High) - a,
            bLow = b - Math.Log(Math.Max(LeastRatio, before.Low)),
            bHigh = Math.Log(before.High) - b;
        var alike = Math.Clamp((Correlation(treated) + Correlation(untreated)) / 2, 0, 0.95);
        double Half(double x, double y) => Math.Sqrt(Math.Max(0, x * x + y * y - 2 * alike * x * y));
        return Control(after.Estimate / before.Estimate, Math.Exp(a - b - Half(aLow, bHigh)), Math.Exp(a - b + Half(aHigh, bLow)));
    }

    /// <summary>
    /// Control of an amount that is measured unit by unit, as the area under a disease curve: the ratio of means with Welch's t
    /// interval of the difference of their logarithms.
    /// </summary>
    /// <returns>Null with fewer than two units on a side, or when a side's mean is 0.</returns>
    public static ControlEstimate? OfAmounts(IReadOnlyList<double> treated, IReadOnlyList<double> untreated, double confidence = 0.95)
    {
        if (treated.Count < 2 || untreated.Count < 2 || treated.Sum() <= 0 || untreated.Sum() <= 0)
        {
            return null;
        }

        var (t, vt) = LogMean(treated);
        var (u, vu) = LogMean(untreated);
        var spread = vt + vu;
        if (spread <= 0)
        {
            return Control(Math.Exp(t - u), Math.Exp(t - u), Math.Exp(t - u));
        }

        var freedom = spread * spread / (vt * vt / (treated.Count - 1) + vu * vu / (untreated.Count - 1));
        var half = StudentT.InvCDF(0, 1, freedom, 1 - (1 - confidence) / 2) * Math.Sqrt(spread);
        return Control(Math.Exp(t - u), Math.Exp(t - u - half), Math.Exp(t - u + half));
    }

    private static (double Log, double Variance) LogMean(IReadOnlyList<double> values)
    {
        var mean = values.Average();
        return (Math.Log(mean), values.Sum(v => (v - mean) * (v - mean)) / (values.Count - 1) / values.Count / (mean * mean));
    }

    private static ControlEstimate Control(double ratio, double low, double high) => new((1 - ratio) * 100, (1 - high) * 100, (1 - low) * 100);

    private sealed record SideShares(double Share, double Leaves, int Units, double Effect, bool SingleLeaves);

    private static SideShares Shares(IReadOnlyList<CountedUnit> side, Func<CountedUnit, int> affected)
    {
        double leaves = Looked(side),
            share = Sum(side, affected) / leaves;
        if (side.All(u => u.Looked == 1))
        {
            return new(share, leaves, side.Count, 1, true);
        }

        var within = share * (1 - share) / leaves;
        var between = side.Sum(u => Math.Pow(affected(u) - share * u.Looked, 2)) * side.Count / Math.Max(1, side.Count - 1) / (leaves * leaves);
        return new(share, leaves, side.Count, within > 0 ? Math.Max(1, between / within) : double.NaN, false);
    }

    private static (double Estimate, double Low, double High)? Ratio(SideShares t, SideShares u, double confidence)
    {
        if (u.Share <= 0)
        {
            return null;
        }

        // A side that is all clean or all affected does not show how much its units differ: the other one's figure serves.
        var other = double.IsNaN(t.Effect) ? u.Effect : t.Effect;
        var effect = double.IsNaN(other) ? 1 : other;
        double nt = t.Leaves / (double.IsNaN(t.Effect) ? effect : t.Effect),
            nu = u.Leaves / (double.IsNaN(u.Effect) ? effect : u.Effect);
        double tail = 1 - (1 - confidence) / 2,
            quantile = t.SingleLeaves && u.SingleLeaves ? Normal.InvCDF(0, 1, tail) : StudentT.InvCDF(0, 1, Math.Max(1, t.Units + u.Units - 2), tail);
        double Solve(double at)
        {
            double low = LeastRatio,
                high = MostRatio;
            for (var i = 0; i < 80; i++)
            {
                var middle = Math.Sqrt(low * high);
                (low, high) = Score(t.Share * nt, nt, u.Share * nu, nu, middle) > at ? (middle, high) : (low, middle);
            }

            return Math.Sqrt(low * high);
        }

        return (t.Share / u.Share, t.Share <= 0 ? 0 : Solve(quantile), Solve(-quantile));
    }

    /// <summary>Standardised distance of two shares from a ratio of theirs, by the shares most likely under it.</summary>
    private static double Score(double xt, double nt, double xu, double nu, double ratio)
    {
        double a = ratio * (nt + nu),
            b = -(ratio * (xu + nt) + xt + nu),
            c = xt + xu;
        var pu = Math.Clamp((-b - Math.Sqrt(Math.Max(0, b * b - 4 * a * c))) / (2 * a), 1e-12, 1 - 1e-12);
        var pt = Math.Clamp(ratio * pu, 1e-12, 1 - 1e-12);
        return (xt / nt - ratio * xu / nu) / Math.Sqrt(pt * (1 - pt) / nt + ratio * ratio * pu * (1 - pu) / nu);
    }

    private static double Correlation(IReadOnlyList<CountedUnit> side)
    {
        double a = side.Average(u => u.Affected),
            b = side.Average(Before);
        double ab = side.Sum(u => (u.Affected - a) * (Before(u) - b)),
            aa = side.Sum(u => Math.Pow(u.Affected - a, 2)),
            bb = side.Sum(u => Math.Pow(Before(u) - b, 2));
        return aa > 0 && bb > 0 ? ab / Math.Sqrt(aa * bb) : 0;
    }

    private static int Before(CountedUnit u) => u.AffectedBefore ?? throw new ArgumentException("A unit was not counted before.", nameof(u));

    private static double Looked(IReadOnlyList<CountedUnit> side) => side.Sum(u => u.Looked);

    private static double Sum(IReadOnlyList<CountedUnit> side, Func<CountedUnit, int> affected) => side.Sum(affected);

    private static void Check(IReadOnlyList<CountedUnit> side)
    {
        Bounds.Within(side.Count, 1, 10_000);
        foreach (var unit in side)
        {
            Bounds.Within(unit.Looked, 1, 100_000);
            Bounds.Within(unit.Affected, 0, unit.Looked);
        }
    }
}
