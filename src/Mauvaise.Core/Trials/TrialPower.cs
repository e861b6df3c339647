using MathNet.Numerics.Distributions;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Trials;

/// <summary>What a number of leaves can show at all.</summary>
public static class TrialPower
{
    private const double Error = 0.05;
    private const double Power = 0.8;

    /// <summary>Share of leaves affected when left alone, for what is asked before anything was counted (assumed).</summary>
    public const double UsualUntreated = 0.5;

    /// <summary>Leaves that each side has for certain when units are shared out evenly.</summary>
    public static int LeavesASide(int units, int leavesPerUnit, int sides) => units / sides * leavesPerUnit;

    /// <summary>
    /// The smallest difference of two shares, in points, that leaves of this number a side show four times in five at an error of 5 %;
    /// null when not even none against the untreated share would show. Normal approximation for two shares (Fleiss 1981).
    /// </summary>
    /// <param name="leaves">A side, 1 or more; effective ones where leaves of a plant are alike.</param>
    /// <param name="untreated">Share of leaves affected on the side left alone, over 0 to 1.</param>
    /// <example>20 leaves a side, half of them affected when left alone: 40 points.</example>
    public static double? SmallestDifferencePoints(double leaves, double untreated)
    {
        Bounds.Within(leaves, 1, 1e6);
        Bounds.Within(untreated, 0.001, 1);
        double za = Normal.InvCDF(0, 1, 1 - Error / 2),
            zb = Normal.InvCDF(0, 1, Power);
        bool Shows(double difference)
        {
            double treated = untreated - difference,
                mean = untreated - difference / 2;
            return difference
                >= za * Math.Sqrt(2 * mean * (1 - mean) / leaves) + zb * Math.Sqrt((untreated * (1 - untreated) + treated * (1 - treated)) / leaves);
        }

        if (!Shows(untreated))
        {
            return null;
        }

        double low = 0,
            high = untreated;
        for (var i = 0; i < 50; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = Shows(middle) ? (low, middle) : (middle, high);
        }

        return high * 100;
    }

    /// <summary>"With 20 leaves a side you would see a difference of 40 points or more."</summary>
    public static string Sentence(int leaves, double untreated) =>
        SmallestDifferencePoints(leaves, untreated) is { } points
            ? Say.Of("trials.withLeavesASideYouWould", ("leaves", leaves), ("points", Say.In(Math.Ceiling(points), "0")))
            : Say.Of("trials.withLeavesASideNotEven", ("leaves", leaves));
}
