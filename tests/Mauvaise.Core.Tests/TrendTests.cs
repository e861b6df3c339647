using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Tests;

public class TrendTests
{
    [Fact]
    public void Two_looks_are_the_difference_of_log_odds()
    {
        var t = Trends.Of([new(0, 40, 4), new(5, 40, 16)])!;
        var expected = (Math.Log(16.5 / 24.5) - Math.Log(4.5 / 36.5)) / 5;
        Assert.Equal(expected, t.GrowthPerDay, 1e-12);
        Assert.Equal(TrendDirection.Rising, t.Direction);
        Assert.Equal(Math.Log(2) / expected, t.DoublingDays!.Value, 1e-9);
        Assert.True(t.DoublingLow < t.DoublingDays && t.DoublingDays < t.DoublingHigh);
        Assert.StartsWith("Rising: doubles in about 2 days", t.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Turned_round_it_falls_as_fast()
    {
        var up = Trends.Of([new(0, 40, 4), new(5, 40, 16)])!;
        var down = Trends.Of([new(0, 40, 16), new(5, 40, 4)])!;
        Assert.Equal(-up.GrowthPerDay, down.GrowthPerDay, 1e-12);
        Assert.Equal(TrendDirection.Falling, down.Direction);
        Assert.Equal(up.DoublingDays!.Value, down.DoublingDays!.Value, 1e-9);
    }

    [Theory]
    [InlineData(10, 1, 10, 2, TrendDirection.Unclear)]
    [InlineData(10, 0, 10, 0, TrendDirection.Unclear)]
    [InlineData(40, 0, 40, 12, TrendDirection.Rising)]
    [InlineData(40, 40, 40, 20, TrendDirection.Falling)]
    public void Few_leaves_say_little_and_zeros_do_no_harm(int looked0, int affected0, int looked1, int affected1, TrendDirection direction)
    {
        var t = Trends.Of([new(0, looked0, affected0), new(6, looked1, affected1)])!;
        Assert.Equal(direction, t.Direction);
        Assert.False(double.IsNaN(t.GrowthPerDay));
        Assert.Equal(direction is TrendDirection.Unclear, t.DoublingDays is null);
    }

    [Fact]
    public void Many_even_looks_are_steady() =>
        Assert.Equal(TrendDirection.Steady, Trends.Of([.. Enumerable.Range(0, 8).Select(i => new CountAt(i * 3, 200, 40))])!.Direction);

    [Fact]
    public void One_look_or_one_instant_has_no_trend()
    {
        Assert.Null(Trends.Of([]));
        Assert.Null(Trends.Of([new(0, 10, 1)]));
        Assert.Null(Trends.Of([new(2, 10, 1), new(2, 10, 5)]));
    }

    [Theory]
    [InlineData(0, 0)]
    [InlineData(5, 6)]
    [InlineData(5, -1)]
    public void Counts_that_can_not_be_are_refused(int looked, int affected) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => Trends.Of([new(0, looked, affected)]));

    /// <summary>The interval holds the true growth about 95 times in 100: 2,000 pairs of looks at a colony that grows 0.15 a day.</summary>
    [Fact]
    public void The_interval_holds_what_it_says()
    {
        var random = new Random(20260716);
        const double growth = 0.15;
        var held = Enumerable
            .Range(0, 2_000)
            .Count(_ =>
            {
                var counts = Enumerable
                    .Range(0, 4)
                    .Select(look => 4 * look)
                    .Select(day =>
                    {
                        var odds = 0.1 * Math.Exp(growth * day);
                        return new CountAt(day, 30, Enumerable.Range(0, 30).Count(_ => random.NextDouble() < odds / (1 + odds)));
                    });
                var t = Trends.Of([.. counts])!;
                return t.Low <= growth && growth <= t.High;
            });
        Assert.InRange(held / 2_000.0, 0.92, 0.99);
    }
}
