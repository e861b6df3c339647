using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

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
    public void Of_one_place_among_several_the_place_comes_first()
    {
        var said = Said.Plain("it waits").At("Chapel");
        Assert.Equal("Chapel: it waits.", said.Words);
        Assert.Equal("Chapel", The(said, "where").Words);
    }

    [Fact]
    public void Sayings_are_the_same_when_they_say_the_same() =>
        Assert.Equal([Said.Plain("it waits")], new[] { Said.Plain("it waits"), new Said("it waits", [new("day", Fact.Count(2))]) }.Distinct());
}
