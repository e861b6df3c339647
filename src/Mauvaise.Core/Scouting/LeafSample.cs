namespace Mauvaise.Core.Scouting;

/// <summary>What a count says about the action line.</summary>
public enum SampleVerdict
{
    Above,
    Below,
    CountMore,
}

/// <summary>A share of leaves with its uncertainty, and whether enough leaves were looked at.</summary>
/// <param name="Share">Affected over looked, 0 to 1; 0 when none was looked at.</param>
/// <param name="Low">Lower end of the 95 % interval.</param>
/// <param name="High">Upper end.</param>
/// <param name="MoreLeaves">Leaves still to look at, as expected at this share; 0 when decided.</param>
public sealed record SampleResult(double Share, double Low, double High, SampleVerdict Verdict, int MoreLeaves);

/// <summary>Where the sequential test ends after a number of leaves.</summary>
/// <param name="BelowAtMost">With this many affected or fewer the share is below the line; null while no count is few enough.</param>
/// <param name="AboveAtLeast">With this many or more it is above; null while no count is enough.</param>
public sealed record StopLine(int Looked, int? BelowAtMost, int? AboveAtLeast);

/// <summary>Statistics of leaves that are either clean or affected.</summary>
public static class LeafSample
{
    /// <summary>Both error rates of the sequential test.</summary>
    public const double ErrorRate = 0.1;

    /// <summary>No more than this is asked for in one go.</summary>
    private const int MostMoreLeaves = 60;
    private const double Z95 = 1.959963984540054;

    /// <summary>Wilson's score interval, 95 % (Wilson 1927, doi:10.1080/01621459.1927.10502953).</summary>
    /// <param name="looked">1 or more.</param>
    /// <param name="affected">0 to <paramref name="looked"/>.</param>
    /// <example>6 of 30: 0.0951 to 0.3731. 0 of 20: 0 to 0.1611.</example>
    public static (double Low, double High) Interval(int looked, int affected)
    {
        Check(looked, affected);
        double n = looked;
        var p = affected / n;
        var centre = (p + Z95 * Z95 / (2 * n)) / (1 + Z95 * Z95 / n);
        var half = Z95 / (1 + Z95 * Z95 / n) * Math.Sqrt(p * (1 - p) / n + Z95 * Z95 / (4 * n * n));
        return (affected == 0 ? 0 : Math.Max(0, centre - half), affected == looked ? 1 : Math.Min(1, centre + half));
    }

    /// <summary>
    /// Judges a count against an action line by Wald's sequential probability ratio test (Wald 1945,
    /// doi:10.1214/aoms/1177731118) between half the line and one and a half times the line, both errors 10 %.
    /// </summary>
    /// <param name="line">Over 0 and under 1.</param>
    public static SampleResult Judge(int looked, int affected, double line)
    {
        if (!(line is > 0 and < 1))
        {
            throw new ArgumentOutOfRangeException(nameof(line), line, "The action line must be over 0 and under 1.");
        }

        if (looked == 0 && affected == 0)
        {
            return new SampleResult(0, 0, 1, SampleVerdict.CountMore, (int)Math.Ceiling(LeavesToDecide(line / 2, line)));
        }

        var (low, high) = Interval(looked, affected);
        var (clean, hit, bound) = Steps(line);
        var ratio = affected * hit + (looked - affected) * clean;
        var verdict =
            ratio >= bound ? SampleVerdict.Above
            : ratio <= -bound ? SampleVerdict.Below
            : SampleVerdict.CountMore;
        var share = (double)affected / looked;
        return new SampleResult(share, low, high, verdict, verdict == SampleVerdict.CountMore ? MoreLeaves(ratio, share, line) : 0);
    }

    /// <summary>
    /// Judges a count of plants of which there are so many: what is left to look at sets the bounds of the share, and all of them leave no doubt.
    /// </summary>
    /// <param name="of">All there are, <paramref name="looked"/> or more.</param>
    public static SampleResult JudgeOf(int looked, int affected, double line, int of)
    {
        var judged = Judge(looked, affected, line);
        Measures.Bounds.Within(of, looked, 1_000_000);
        var (least, most) = of == 0 ? (0, 1) : ((double)affected / of, (double)(affected + of - looked) / of);
        var verdict =
            least >= line ? SampleVerdict.Above
            : most < line ? SampleVerdict.Below
            : judged.Verdict;
        return judged with
        {
            Low = Math.Max(judged.Low, least),
            High = Math.Min(judged.High, most),
            Verdict = verdict,
            MoreLeaves = verdict == SampleVerdict.CountMore ? Math.Min(judged.MoreLeaves, of - looked) : 0,
        };
    }

    /// <summary>The test's two lines for every number of leaves from 1 up to <paramref name="most"/>: the same verdicts as <see cref="Judge"/>.</summary>
    public static IReadOnlyList<StopLine> StopLines(double line, int most) =>
        [
            .. Enumerable
                .Range(1, most)
                .Select(n =>
                {
                    var verdicts = Enumerable.Range(0, n + 1).Select(k => Judge(n, k, line).Verdict).ToList();
                    var below = verdicts.LastIndexOf(SampleVerdict.Below);
                    var above = verdicts.IndexOf(SampleVerdict.Above);
                    return new StopLine(n, below < 0 ? null : below, above < 0 ? null : above);
                }),
        ];

    private static int MoreLeaves(double ratio, double share, double line)
    {
        var (clean, hit, bound) = Steps(line);
        var drift = share * hit + (1 - share) * clean;
        var distance = drift >= 0 ? bound - ratio : bound + ratio;
        var needed = Math.Abs(drift) < 1e-9 ? MostMoreLeaves : distance / Math.Abs(drift);
        return (int)Math.Clamp(Math.Ceiling(needed), 1, MostMoreLeaves);
    }

    private static double LeavesToDecide(double share, double line)
    {
        var (clean, hit, bound) = Steps(line);
        return bound / Math.Abs(share * hit + (1 - share) * clean);
    }

    /// <summary>Log likelihood ratio that a clean and an affected leaf add, and the bound at which the test ends.</summary>
    private static (double Clean, double Hit, double Bound) Steps(double line)
    {
        var low = line / 2;
        var high = Math.Min(0.99, line * 1.5);
        return (Math.Log((1 - high) / (1 - low)), Math.Log(high / low), Math.Log((1 - ErrorRate) / ErrorRate));
    }

    private static void Check(int looked, int affected)
    {
        if (looked < 1)
        {
            throw new ArgumentOutOfRangeException(nameof(looked), looked, "looked must be 1 or more.");
        }

        if (affected < 0 || affected > looked)
        {
            throw new ArgumentOutOfRangeException(nameof(affected), affected, "affected must be 0 to looked.");
        }
    }
}
