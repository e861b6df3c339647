using CsCheck;
using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Tests;

/// <summary>Reasons are figures first, and sentences made of them.</summary>
public class SaidTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed") with { PondDistanceM = 4 };
    private static readonly Planting Kale = GardenSamples.Grown(Bed, "kale", GrowthStage.Mature);
    private static readonly GardenCatalogue C = Shipped.Catalogue;

    private static UseReason Against(string code, GardenSnapshot garden, string material) =>
        UseGuards.Against(garden, Kale, [garden.Catalogue.Material(material)], GardenSamples.Now, 1).Single(r => r.Code == code);

    private static Fact The(Said said, string name) => said.Figures.Single(f => f.Key == name).Value;

    [Fact]
    public void A_wait_says_between_what_and_for_how_long()
    {
        var garden = GardenSamples.Garden([Bed], [Kale]) with { Applications = [GardenSamples.Sprayed(Kale, 5, "sulfur")] };
        var said = Against("wait", garden, "horticultural-oil").Said;
        var apart = Pairs.Between(C, C.Material("horticultural-oil"), C.Material("sulfur")).DaysApart;

        Assert.Equal((FactKind.Span, apart), (The(said, "days").Kind, The(said, "days").Amount));
        Assert.Equal((FactKind.Day, garden.Today.AddDays(-5)), (The(said, "date").Kind, The(said, "date").On));
        Assert.Equal(garden.Today.AddDays((int)apart - 5), The(said, "date2").On);
        Assert.Equal((FactKind.Thing, "wettable sulfur"), (The(said, "before").Kind, The(said, "before").Words.ToLowerInvariant()));
    }

    [Fact]
    public void A_pond_is_told_in_metres_whatever_the_household_reads()
    {
        var said = Against("pond", GardenSamples.Garden([Bed], [Kale]), "neem-oil").Said;

        Assert.Equal((FactKind.Length, 4), (The(said, "figure").Kind, The(said, "figure").Amount));
        Assert.Equal(C.Material("neem-oil").KeepFromPondM, The(said, "figure2").Amount);
        Assert.Contains("4 m", said.Words.Told(), StringComparison.Ordinal);
        Assert.Contains("13.1 ft", said.Words.Told(Country.All.First(c => c.Code == "US").Units, KitchenSystem.Us), StringComparison.Ordinal);
    }

    [Fact]
    public void All_that_a_reason_names_stands_in_its_sentence() =>
        Gen.Int[0, 79]
            .Sample(
                seed =>
                {
                    var garden = ChanceGarden.Of(seed);
                    var reasons = garden.Growing.SelectMany(p => garden.Catalogue.Materials.SelectMany(m => UseGuards.Against(garden, p, [m], garden.Now, 1)));
                    Assert.All(reasons, r =>
                    {
                        Assert.DoesNotContain(r.Said.Figures, f => f.Value is { Amount: null, On: null, Words: "" });
                        Assert.All(r.Said.Figures, f => Assert.Contains(f.Value.Words, r.Clause, StringComparison.Ordinal));
                    });
                },
                iter: 40
            );

    [Theory]
    [InlineData(1, "1 day")]
    [InlineData(2, "2 days")]
    [InlineData(1.5, "1.5 days")]
    public void A_span_is_told_as_days(double days, string told) => Assert.Equal(told, Fact.Span(days).Words);

    [Fact]
    public void Of_one_thing_among_several_the_thing_comes_first()
    {
        var said = Said.Of("actions.itSavesItsNeighbours").About(Fact.Thing("Chapel"));
        Assert.Equal("Chapel: It saves its neighbours.", said.Words);
        Assert.Equal(("actions.itSavesItsNeighbours", "Chapel"), (said.Code, The(said, "thing").Words));
    }

    [Fact]
    public void Sentences_in_a_row_keep_the_figures_of_each_and_the_code_of_the_first()
    {
        var first = Said.Of("courses.aDayAhead", ("degreeDays", Fact.Warmth(12.5, 1)));
        var both = Said.Sentences(first, null, Said.Of("planning.youBannedItHere", ("material", Fact.Thing("Neem"))));

        Assert.Equal("courses.aDayAhead", both.Code);
        Assert.Equal(["degreeDays", "material"], both.Figures.Select(f => f.Key));
        Assert.StartsWith(first.Words + " ", both.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void The_figures_of_a_saying_within_a_saying_are_not_lost()
    {
        var aphids = GardenSamples.Seen(Kale, 1, 20, 12, "black-bean-aphid");
        var told = Finding.Of(GardenSamples.Garden([Bed], [Kale]) with { Observations = [aphids] }, Kale, aphids).Told;
        var said = Said.Of("actions.waitingLetsItGrow", ("it", Fact.Clause(told)));

        Assert.Equal(60, The(said, "share").Amount);
        Assert.Contains(told.Words, said.Words, StringComparison.Ordinal);
    }

    /// <summary>Everything that a garden's screens give as a reason.</summary>
    private static IEnumerable<Said> Reasons(GardenSnapshot garden)
    {
        var rota = RotaPlanner.Plan(garden);
        var evening = EveningPlanner.Plan(garden);
        var round = WalkRound.Plan(garden);
        return
        [
            .. garden
                .Growing.SelectMany(p =>
                    garden.LatestLook(p.Id).Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 }).Select(o => ActionLadder.For(garden, p, o))
                )
                .SelectMany(l => StepDays.Of(l, rota).SelectMany(s => s.Why).Append(l.Ways.Sentence).Append(l.Finding.Told)),
            .. rota.Rounds.SelectMany(r => r.Why.Append(r.WhyThen).Concat(r.Against)),
            .. rota.NotPlanned.Select(n => n.Sentence),
            .. rota.Cannot,
            .. evening.Deeds.SelectMany(d => d.Reasons).Select(r => r.Said),
            .. evening.LeftAlone.Select(l => l.Said),
            .. round.SelectMany(s => s.Why),
            .. round.SelectMany(s => s.Plantings).SelectMany(p => p.Watch).SelectMany(w => w.Why),
            .. PreventionPlan.Of(garden).Kinds.SelectMany(k => k.All).Select(w => w.Why),
            .. ShoppingList.For(garden, evening).SelectMany(i => i.Reasons),
        ];
    }

    [Fact]
    public void Every_reason_of_ladder_rota_evening_walk_and_shelf_has_a_code_and_its_figures_stand_in_it() =>
        Gen.Int[0, 79]
            .Sample(seed => Assert.All(Reasons(ChanceGarden.Of(seed)), said =>
                    {
                        Assert.NotEmpty(said.Code);
                        Assert.All(said.Figures, f => Assert.Contains(f.Value.Words, said.Words, StringComparison.OrdinalIgnoreCase));
                    }), iter: 20);

    [Fact]
    public void A_reason_has_one_code_in_every_language()
    {
        static List<string> In(string language)
        {
            using var speaking = Language.Speaking(new Voice(language, DayOrder.DayFirst));
            return [.. Reasons(ChanceGarden.Of(7)).Select(s => s.Code)];
        }

        Assert.Equal(In("en"), In("de"));
        Assert.Equal(In("en"), In("es"));
    }

    [Fact]
    public void Sayings_are_the_same_when_they_say_the_same() =>
        Assert.Equal(
            [Said.Plain("it waits")],
            new[] { Said.Plain("it waits"), new Said("actions.youPassed", "it waits", [new("day", Fact.Count(2))]) }.Distinct()
        );
}
