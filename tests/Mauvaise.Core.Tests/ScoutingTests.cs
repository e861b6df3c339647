using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

public class ScoutingTests
{
    [Theory]
    [InlineData(30, 6, 0.0951, 0.3731)]
    [InlineData(20, 0, 0, 0.1611)]
    [InlineData(20, 20, 0.8389, 1)]
    public void Wilson_interval(int looked, int affected, double low, double high)
    {
        var (l, h) = LeafSample.Interval(looked, affected);
        Assert.Equal(low, l, 0.00005);
        Assert.Equal(high, h, 0.00005);
    }

    [Theory]
    [InlineData(30, 6, 0.1, SampleVerdict.Above)]
    [InlineData(40, 0, 0.1, SampleVerdict.Below)]
    [InlineData(10, 1, 0.1, SampleVerdict.CountMore)]
    [InlineData(0, 0, 0.1, SampleVerdict.CountMore)]
    public void Enough_leaves(int looked, int affected, double line, SampleVerdict verdict)
    {
        var r = LeafSample.Judge(looked, affected, line);
        Assert.Equal(verdict, r.Verdict);
        Assert.Equal(verdict == SampleVerdict.CountMore, r.MoreLeaves > 0);
    }

    [Theory]
    [InlineData(5, 6)]
    [InlineData(0, 1)]
    [InlineData(5, -1)]
    [InlineData(-1, 0)]
    public void More_affected_than_looked_at_is_an_error(int looked, int affected) =>
        Assert.Throws<ArgumentOutOfRangeException>(() => LeafSample.Judge(looked, affected, 0.1));

    [Fact]
    public void The_interval_holds_the_share() =>
        Gen.Int[1, 500]
            .SelectMany(n => Gen.Int[0, n].Select(k => (n, k)))
            .Sample(x =>
            {
                var (low, high) = LeafSample.Interval(x.n, x.k);
                var share = (double)x.k / x.n;
                return low >= 0 && low <= share && share <= high && high <= 1;
            });

    /// <summary>Ten thousand walks at half and one and a half of the line: about one in ten goes wrong, with far fewer leaves than fifty.</summary>
    [Theory]
    [InlineData(0.05, SampleVerdict.Below)]
    [InlineData(0.15, SampleVerdict.Above)]
    public void The_sequential_test_keeps_its_error_rate(double truth, SampleVerdict right)
    {
        var random = new Random(20260716);
        int wrong = 0;
        for (var walk = 0; walk < 10_000; walk++)
        {
            int looked = 0,
                affected = 0;
            SampleVerdict verdict;
            do
            {
                looked++;
                affected += random.NextDouble() < truth ? 1 : 0;
                verdict = LeafSample.Judge(looked, affected, 0.1).Verdict;
            } while (verdict == SampleVerdict.CountMore);
            wrong += verdict == right ? 0 : 1;
        }

        Assert.InRange(wrong / 10_000.0, 0.05, 0.12);
    }

    [Theory]
    [InlineData(0.02)]
    [InlineData(0.1)]
    [InlineData(0.4)]
    public void Stop_lines_give_the_verdicts_of_the_test(double line)
    {
        var lines = LeafSample.StopLines(line, 60);
        Assert.Equal(60, lines.Count);
        Assert.All(lines, l => Assert.All(Enumerable.Range(0, l.Looked + 1), k => Assert.Equal(
                    LeafSample.Judge(l.Looked, k, line).Verdict,
                    k >= l.AboveAtLeast ? SampleVerdict.Above
                        : k <= l.BelowAtMost ? SampleVerdict.Below
                        : SampleVerdict.CountMore
                )));
    }

    [Theory]
    [InlineData("black-bean-aphid", Stance.WatchAndTreat, Shelter.Open, GrowthStage.Fruiting, 0.2)]
    [InlineData("black-bean-aphid", Stance.WatchAndTreat, Shelter.Tunnel, GrowthStage.Fruiting, 0.1)]
    [InlineData("black-bean-aphid", Stance.KeepAhead, Shelter.Open, GrowthStage.Fruiting, 0.05)]
    [InlineData("black-bean-aphid", Stance.LastResort, Shelter.Open, GrowthStage.Seedling, 0.4)]
    [InlineData("powdery-mildew", Stance.WatchAndTreat, Shelter.Open, GrowthStage.Fruiting, 0.05)]
    [InlineData("powdery-mildew", Stance.LastResort, Shelter.Open, GrowthStage.Fruiting, 0.2)]
    [InlineData("cabbage-white", Stance.WatchAndTreat, Shelter.Open, GrowthStage.Young, 0.2)]
    public void Action_lines(string target, Stance stance, Shelter shelter, GrowthStage stage, double share) =>
        Assert.Equal(share, ActionLine.For(Shipped.Catalogue.Target(target), stance, shelter, stage).Share);

    [Theory]
    [InlineData(20, 10, 20, 0, Outcome.Cleared)]
    [InlineData(20, 10, 20, 1, Outcome.Holding)]
    [InlineData(20, 10, 25, 1, Outcome.Cleared)]
    [InlineData(20, 10, 20, 8, Outcome.Holding)]
    [InlineData(20, 10, 20, 11, Outcome.Losing)]
    [InlineData(20, 10, 20, 14, Outcome.Lost)]
    public void A_check_back_is_judged_against_the_count_before(int lookedBefore, int before, int looked, int after, Outcome outcome) =>
        Assert.Equal(outcome, CheckBackVerdict.Judge((lookedBefore, before), (looked, after), 0.1).Outcome);

    [Fact]
    public void A_check_back_without_a_count_before_says_so()
    {
        var j = CheckBackVerdict.Judge(null, (20, 1), 0.1);
        Assert.Equal(Outcome.Holding, j.Outcome);
        Assert.Null(j.ChangePercent);
        Assert.Contains("Nobody counted before", j.Sentence, StringComparison.Ordinal);
    }
}
