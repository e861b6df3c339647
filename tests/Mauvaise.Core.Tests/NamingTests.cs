using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Tests;

public class NamingTests
{
    private static readonly IReadOnlyList<NamingCase> Cases = NamingCases.Read();

    private static double Share(IEnumerable<NamingScore> scores, int top)
    {
        var all = scores.ToList();
        return all.Count(s => s.Rank >= 1 && s.Rank <= top) / (double)all.Count;
    }

    [Fact]
    public void There_are_sixty_cases_whose_words_are_in_the_catalogue_and_whose_cause_lives_on_the_crop()
    {
        Assert.True(Cases.Count >= 60);
        Assert.True(Cases.Count(c => c.Set == CaseSet.HeldOut) >= 30);
        Assert.All(Cases, c =>
        {
            Assert.True(GardenCatalogue.IsHost(Shipped.Catalogue.Target(c.Cause), Shipped.Catalogue.Crop(c.Crop)), $"{c.Cause} on {c.Crop}");
            Assert.All(c.Seen.Concat(c.Absent).Concat(c.Shows), s => Assert.NotNull(Shipped.Catalogue.FindSign(s)));
        });
    }

    [Fact]
    public void Held_out_cases_are_named_from_what_was_noticed_first()
    {
        var scores = Cases.Where(c => c.Set == CaseSet.HeldOut).Select(c => NamingCases.AtFirst(Shipped.Catalogue, c)).ToList();
        Assert.True(Share(scores, 1) >= 0.85, $"top 1: {Share(scores, 1)}");
        Assert.True(Share(scores, 3) >= 0.97, $"top 3: {Share(scores, 3)}");
    }

    [Fact]
    public void Questions_sharpen_the_ranking()
    {
        var held = Cases.Where(c => c.Set == CaseSet.HeldOut).ToList();
        var before = held.Select(c => NamingCases.AtFirst(Shipped.Catalogue, c)).ToList();
        var after = held.Select(c => NamingCases.AfterQuestions(Shipped.Catalogue, c)).ToList();
        Assert.True(after.Average(s => s.Brier) < before.Average(s => s.Brier) / 2);
        Assert.True(Share(after, 1) >= Share(before, 1));
        Assert.InRange(after.Where(s => s.Reached).Select(s => s.Questions).Order().ElementAt(after.Count(s => s.Reached) / 2), 0, 3);
    }

    [Theory]
    [InlineData(0.2, 0.1, 0.0)]
    [InlineData(0.2, 0.3, 1.0)]
    [InlineData(0.1, 0.0, 0.0)]
    [InlineData(0.1, 0.25, 1.0)]
    public void The_sequential_test_needs_fewer_than_half_of_fifty_leaves(double line, double truth, double above)
    {
        var (leaves, shareAbove) = SampleWalks.Walk(line, truth, 10_000, seed: 20260716);
        Assert.True(leaves < 25, $"{leaves} leaves");
        Assert.InRange(Math.Abs(shareAbove - above), 0, 0.11);
    }
}
