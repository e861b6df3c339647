using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Scouting;

public enum TrendDirection
{
    Rising,
    Falling,
    Steady,
    Unclear,
}

/// <summary>A count for a trend.</summary>
/// <param name="Day">Days since any fixed instant.</param>
public sealed record CountAt(double Day, int Looked, int Affected);

/// <summary>Growth of a trouble over several looks.</summary>
/// <param name="GrowthPerDay">Growth of the odds of a leaf being affected, per day; for small shares that of the share.</param>
/// <param name="Low">Lower end of the 95 % interval.</param>
/// <param name="DoublingDays">Days to double when rising, or to halve when falling; null otherwise.</param>
/// <param name="DoublingLow">Shortest such time within the interval.</param>
/// <param name="DoublingHigh">Longest.</param>
public sealed record Trend(
    double GrowthPerDay,
    double Low,
    double High,
    TrendDirection Direction,
    double? DoublingDays,
    double? DoublingLow,
    double? DoublingHigh,
    string Sentence
);

/// <summary>Trend of counts: weighted least squares on empirical log odds with half a leaf added to each side (Haldane 1956).</summary>
public static class Trends
{
    private const double Z95 = 1.959963984540054;

    /// <summary>An interval that lies within this growth a day to either side is called steady (assumed).</summary>
    private const double SteadyPerDay = 0.03;

    /// <summary>The trend; null with fewer than two looks or all on one instant.</summary>
    /// <param name="counts">Each looked at one leaf or more.</param>
    public static Trend? Of(IReadOnlyList<CountAt> counts)
    {
        foreach (var c in counts)
        {
            Bounds.Within(c.Looked, 1, 100_000);
            Bounds.Within(c.Affected, 0, c.Looked);
        }

        if (counts.Count < 2)
        {
            return null;
        }

        var points = counts
            .Select(c =>
                (X: c.Day, Y: Math.Log((c.Affected + 0.5) / (c.Looked - c.Affected + 0.5)), W: 1 / (1 / (c.Affected + 0.5) + 1 / (c.Looked - c.Affected + 0.5)))
            )
            .ToList();
        var weight = points.Sum(p => p.W);
        var meanX = points.Sum(p => p.W * p.X) / weight;
        var meanY = points.Sum(p => p.W * p.Y) / weight;
        var spread = points.Sum(p => p.W * (p.X - meanX) * (p.X - meanX));
        if (spread < 1e-9)
        {
            return null;
        }

        var slope = points.Sum(p => p.W * (p.X - meanX) * (p.Y - meanY)) / spread;
        var half = Z95 / Math.Sqrt(spread);
        return Told(slope, slope - half, slope + half);
    }

    private static Trend Told(double slope, double low, double high)
    {
        if (low > 0)
        {
            var (days, shortest, longest) = (Doubling(slope), Doubling(high), Doubling(low));
            return new(
                slope,
                low,
                high,
                TrendDirection.Rising,
                days,
                shortest,
                longest,
                Say.Of("scouting.risingDoublesInAbout", ("days", Days(days)), ("span", Span(shortest, longest)))
            );
        }

        if (high < 0)
        {
            var (days, shortest, longest) = (Doubling(-slope), Doubling(-low), Doubling(-high));
            return new(
                slope,
                low,
                high,
                TrendDirection.Falling,
                days,
                shortest,
                longest,
                Say.Of("scouting.fallingHalvesInAbout", ("days", Days(days)), ("span", Span(shortest, longest)))
            );
        }

        return low > -SteadyPerDay && high < SteadyPerDay
            ? new(slope, low, high, TrendDirection.Steady, null, null, null, Say.Of("scouting.steady"))
            : new(slope, low, high, TrendDirection.Unclear, null, null, null, Say.Of("scouting.noClearTrendYetTooFew"));
    }

    private static double Doubling(double perDay) => Math.Log(2) / perDay;

    private static string Days(double days) => days < 1.5 ? Say.Of("words.aDay") : Say.Of("courses.days", ("days", Say.In(Math.Min(days, 365), "0")));

    private static string Span(double shortest, double longest) =>
        longest > 60
            ? Say.Of("scouting.daysAtTheFastestPerhapsMuch", ("shortest", Say.In(shortest, "0")))
            : Say.Of("scouting.toDays", ("shortest", Say.In(shortest, "0")), ("longest", Say.In(longest, "0")));
}
