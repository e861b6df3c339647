using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Tests;

public class SuspectTests
{
    private static SuspectRanking Rank(string crop, Shelter shelter, int month, params string[] signs) =>
        SuspectRanker.Rank(
            Shipped.Catalogue,
            new Circumstances(Shipped.Catalogue.Crop(crop), shelter, month),
            [.. signs.Select(s => new SeenSign(s.TrimStart('!'), !s.StartsWith('!')))]
        );

    [Theory]
    [InlineData("courgette", Shelter.Open, 7, "powdery-mildew", "white-dust", "old-leaves-first")]
    [InlineData("runner-bean", Shelter.Open, 6, "black-bean-aphid", "small-insects", "black-insects", "ants")]
    [InlineData("aubergine", Shelter.Tunnel, 7, "spider-mite", "pale-dots", "webbing")]
    [InlineData("cucumber", Shelter.Tunnel, 7, "whitefly", "flies-up", "sticky")]
    [InlineData("tomato", Shelter.Open, 7, "septoria", "small-dark-spots", "dots-in-spots")]
    [InlineData("tomato", Shelter.Open, 7, "early-blight", "rings", "old-leaves-first")]
    [InlineData("chard", Shelter.Open, 8, "cercospora", "purple-rim")]
    [InlineData("cabbage", Shelter.Open, 7, "cabbage-white", "holes", "caterpillar", "!looping")]
    [InlineData("courgette", Shelter.Open, 7, "variegation", "along-veins", "!rubs-off")]
    [InlineData("lettuce", Shelter.Indoor, 1, "root-aphid", "white-on-roots", "stunted")]
    public void Clear_signs_name_the_cause(string crop, Shelter shelter, int month, string cause, params string[] signs)
    {
        var ranking = Rank(crop, shelter, month, signs);
        Assert.Equal(cause, ranking.Suspects[0].Target.Id);
        Assert.True(ranking.Suspects[0].Probability > 0.6, $"{ranking.Suspects[0].Probability}");
    }

    [Fact]
    public void Probabilities_sum_to_one_and_no_sign_leaves_the_prior()
    {
        var ranking = Rank("courgette", Shelter.Open, 7);
        Assert.Equal(1, ranking.Suspects.Sum(s => s.Probability) + ranking.NotListed, 1e-9);
        Assert.NotNull(ranking.Next);
        Assert.All(ranking.Suspects, s => Assert.True(s.Probability < 0.5));
    }

    [Fact]
    public void A_sign_keeps_its_capital_where_a_language_keeps_that_of_nouns()
    {
        string Told() =>
            string.Join(
                ' ',
                Rank("courgette", Shelter.Open, 7, "pale-dots", "!webbing").Suspects.SelectMany(s => s.Against.Concat(s.For)).Select(c => c.Said.Words)
            );
        Assert.Contains("webbing", Told(), StringComparison.Ordinal);
        using var german = Language.Speaking(new Voice("de", DayOrder.DayFirst));
        Assert.Contains("Webbing", Told(), StringComparison.Ordinal);
    }

    [Fact]
    public void The_next_question_moves_the_leader_both_ways()
    {
        var ranking = Rank("courgette", Shelter.Open, 7, "white-dust");
        var next = Assert.IsType<NextQuestion>(ranking.Next);
        Assert.True(next.LeadIfYes > ranking.Suspects[0].Probability != next.LeadIfNo > ranking.Suspects[0].Probability);
        Assert.True(next.GainBits > 0);
    }

    [Fact]
    public void A_sign_that_was_asked_is_not_asked_again()
    {
        var first = Rank("courgette", Shelter.Open, 7, "white-dust").Next!.Sign.Id;
        Assert.NotEqual(first, Rank("courgette", Shelter.Open, 7, "white-dust", "!" + first).Next?.Sign.Id);
    }

    [Fact]
    public void A_name_given_here_before_counts()
    {
        var crop = Shipped.Catalogue.Crop("runner-bean");
        SeenSign[] seen = [new("small-insects", true)];
        Dictionary<string, IReadOnlyList<Clue>> named = new() { ["black-bean-aphid"] = [new("here-before", 2.5, Said.Plain("named 3 times here"))] };
        double Share(Circumstances where) =>
            SuspectRanker.Rank(Shipped.Catalogue, where, seen).Suspects.First(s => s.Target.Id == "black-bean-aphid").Probability;
        var plain = new Circumstances(crop, Shelter.Open, 6);
        Assert.True(Share(plain with { Local = named }) > Share(plain));
    }

    [Fact]
    public void Sap_feeders_need_no_name()
    {
        var ranking = Rank("aubergine", Shelter.Tunnel, 7, "small-insects", "sticky");
        Assert.NotNull(ranking.NamingCanWait);
        Assert.Equal("sap-feeders", ranking.NamingCanWait.Group);
        Assert.Contains("sap feeder", ranking.NamingCanWait.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void An_unknown_sign_is_an_error() => Assert.Throws<ArgumentException>(() => Rank("tomato", Shelter.Open, 7, "purple-unicorn"));
}
