using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>What an evening out weighs.</summary>
public sealed class CostsTests
{
    [Fact]
    public void Who_keeps_ahead_pays_for_each_bed_that_could_share_an_evening()
    {
        double[] beds = [.. Enumerable.Range(1, 6).Select(n => Costs.OutingOf(Stance.KeepAhead, n))];

        Assert.Equal(0.016 * 1.4, beds[0], 9);
        Assert.All(beds.Zip(beds.Skip(1)), pair => Assert.Equal(0.032, pair.Second - pair.First, 9));
        Assert.Equal(beds[^1], Costs.OutingOf(Stance.KeepAhead, 7));
        Assert.Equal(beds[0], Costs.OutingOf(Stance.KeepAhead, 0));
    }

    [Theory]
    [InlineData(Stance.WatchAndTreat, 0.016)]
    [InlineData(Stance.LastResort, 0.032)]
    public void For_others_an_evening_weighs_the_same_however_many_beds(Stance stance, double cost) =>
        Assert.All([1, 2, 6, 40], beds => Assert.Equal(cost, Costs.OutingOf(stance, beds), 9));
}
