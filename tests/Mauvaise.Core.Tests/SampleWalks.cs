using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Tests;

/// <summary>Walks through leaves of a known true share, each counted until the sequential test decides.</summary>
public static class SampleWalks
{
    /// <summary>Mean number of leaves counted, and the share of walks that ended above the line.</summary>
    public static (double MeanLeaves, double ShareAbove) Walk(double line, double truth, int walks, int seed)
    {
        var random = new Random(seed);
        var stops = LeafSample.StopLines(line, 400);
        long leaves = 0;
        var above = 0;
        for (var walk = 0; walk < walks; walk++)
        {
            var affected = 0;
            foreach (var stop in stops)
            {
                affected += random.NextDouble() < truth ? 1 : 0;
                if (affected >= stop.AboveAtLeast || affected <= stop.BelowAtMost || stop.Looked == stops.Count)
                {
                    leaves += stop.Looked;
                    above += affected >= stop.AboveAtLeast ? 1 : 0;
                    break;
                }
            }
        }

        return ((double)leaves / walks, (double)above / walks);
    }
}
