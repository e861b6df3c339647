using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>What an evening out weighs.</summary>
public sealed class CostsTests
{
    [Theory]
    [InlineData(Stance.KeepAhead, 0.016 * 1.4, 0.016 * 2)]
    [InlineData(Stance.WatchAndTreat, 0.016, 0.016 * 3)]
    [InlineData(Stance.LastResort, 0.016 * 2, 0)]
    public void An_evening_weighs_more_for_each_bed_that_could_share_it(Stance stance, double alone, double each)
    {
        double[] beds = [.. Enumerable.Range(1, 6).Select(n => Costs.OutingOf(stance, n))];

        Assert.Equal(alone, beds[0], 9);
        Assert.Equal(alone, Costs.OutingOf(stance), 9);
        Assert.All(beds.Zip(beds.Skip(1)), pair => Assert.Equal(each, pair.Second - pair.First, 9));
        Assert.Equal(beds[^1], Costs.OutingOf(stance, 40));
        Assert.Equal(beds[0], Costs.OutingOf(stance, 0));
    }
}
