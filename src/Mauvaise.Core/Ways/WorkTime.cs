using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Ways;

/// <summary>How long work takes, minutes (assumed). Ways, outings and the plan's days reckon with the same figures.</summary>
public static class WorkTime
{
    private const double MixMinutes = 10,
        MinutesALitre = 6,
        MinutesALeaf = 0.15,
        CheckBackMinutes = 5;

    /// <summary>Mixing a tank and going over what it is for.</summary>
    /// <param name="litres">0 or more.</param>
    public static double OfTank(double litres) => MixMinutes + MinutesALitre * litres;

    /// <summary>A measure on a planting, once.</summary>
    /// <param name="leaves">Leaves that come off; null where it is not about leaves.</param>
    public static double OfHands(GardenSnapshot garden, Planting planting, Measure measure, int? leaves) =>
        Math.Max(1, leaves is { } n ? MinutesALeaf * n : measure.MinutesPerM2 * garden.AreaOf(planting));

    /// <summary>Counting again at one planting.</summary>
    public static double OfCheckBack => CheckBackMinutes;
}
