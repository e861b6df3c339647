using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Tests;

/// <summary>What was picked and measured: amounts, waits, sums, and readings held against what crops want.</summary>
public class HarvestTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Kale = GardenSamples.Grown(Bed, "kale");

    private static GardenSnapshot Sprayed(params (string Material, double DaysAgo)[] sprays)
    {
        var garden = GardenSamples.Garden([Bed], [Kale]);
        return garden with { Applications = [.. sprays.OrderByDescending(s => s.DaysAgo).Select(s => GardenSamples.Sprayed(Kale, s.DaysAgo, s.Material))] };
    }

    [Theory]
    [InlineData(2, HarvestUnit.Kilograms, 2000.0, null)]
    [InlineData(250, HarvestUnit.Grams, 250.0, null)]
    [InlineData(1, HarvestUnit.Pounds, 453.59237, null)]
    [InlineData(4, HarvestUnit.Ounces, 113.3980925, null)]
    [InlineData(12, HarvestUnit.Pieces, null, 12)]
    public void An_amount_is_weighed_or_counted(double amount, HarvestUnit unit, double? grams, int? pieces)
    {
        var read = HarvestAmount.Of(amount, unit)!;
        Assert.Equal(pieces, read.Pieces);
        Assert.Equal(grams ?? 0, read.Grams ?? 0, 6);
        Assert.Equal(grams is null, read.Grams is null);
    }

    [Theory]
    [InlineData(1.5)]
    [InlineData(1e300)]
    public void Half_a_piece_is_none(double amount) => Assert.Null(HarvestAmount.Of(amount, HarvestUnit.Pieces));

    [Fact]
    public void The_longest_wait_that_is_not_over_keeps_it_back()
    {
        Assert.Null(HarvestWait.Of(Sprayed(), Kale).From);
        Assert.Equal("Never sprayed this season.", HarvestWait.Of(Sprayed(), Kale).Sentence);
        // Soap wants no wait, oil a day.
        Assert.Null(HarvestWait.Of(Sprayed(("insecticidal-soap", 0)), Kale).From);
        var oiled = Sprayed(("horticultural-oil", 0), ("insecticidal-soap", 0));
        Assert.Equal(oiled.Today.AddDays(1), HarvestWait.Of(oiled, Kale).From);
        Assert.Contains("horticultural oil wants 1 day", HarvestWait.Of(oiled, Kale).Sentence, StringComparison.Ordinal);
        var later = Sprayed(("horticultural-oil", 1));
        Assert.Null(HarvestWait.Of(later, Kale).From);
        Assert.Equal("Horticultural oil went on yesterday: wash it.", HarvestWait.Of(later, Kale).Sentence);
    }

    [Fact]
    public void A_season_is_summed_by_planting_beside_its_sprays()
    {
        var garden = Sprayed(("insecticidal-soap", 3), ("insecticidal-soap", 9));
        Harvest Picked(double daysAgo, double? grams, int? pieces) => new(Guid.NewGuid(), Kale.Id, garden.Now.AddDays(-daysAgo), grams, pieces, null, null);
        var season = garden.Garden.SeasonStart(garden.Today);
        var picked = garden with { Harvests = [Picked(400, 9000, null), Picked(5, 400, null), Picked(2, 250, null), Picked(1, null, 3)] };
        var yield = Assert.Single(Yield.Of(picked, season));
        Assert.Equal((650, 3, 3, 2), (yield.Grams, yield.Pieces, yield.Times, yield.Sprays));
        Assert.Equal("650 g and 3 pieces", yield.Told.Told());
        Assert.Equal("1.65 kg", HarvestAmount.Told(1650, 0).Told());
        Assert.Equal("3.64 lb", HarvestAmount.Told(1650, 0).Told(HouseholdUnits.Metric, KitchenSystem.Us));
        Assert.Equal((picked.Today.AddDays(-5), picked.Today.AddDays(-1)), (yield.First, yield.Last));
    }

    [Theory]
    [InlineData("kale", 6.2, ReadingState.Low)]
    [InlineData("kale", 7, ReadingState.Fine)]
    [InlineData("potato", 7, ReadingState.High)]
    [InlineData("carrot", 6.2, ReadingState.Fine)]
    public void A_reading_lies_where_the_crop_wants_it(string crop, double value, ReadingState state) =>
        Assert.Equal(state, C.Readings.Single(r => r.Id == "soil-ph").StateOf(value, C.Crop(crop)));

    [Fact]
    public void The_latest_reading_speaks_as_long_as_it_holds_and_for_every_crop_of_the_place()
    {
        var kind = C.Readings.Single(r => r.Id == "soil-ph");
        var garden = GardenSamples.Garden([Bed], [Kale, GardenSamples.Grown(Bed, "carrot")]);
        GardenSnapshot Read(params (double Value, double DaysAgo)[] readings) =>
            garden with
            {
                Readings = [.. readings.Select(r => new Reading(Guid.NewGuid(), Bed.Id, kind.Id, garden.Now.AddDays(-r.DaysAgo), r.Value, null))],
            };
        Assert.Null(PlaceReadings.StateOf(garden, Bed, kind));
        Assert.StartsWith("Not measured lately.", PlaceReadings.Sentence(garden, Bed, kind), StringComparison.Ordinal);
        Assert.Null(PlaceReadings.StateOf(Read((4, kind.HoldsDays + 1)), Bed, kind));
        // Fine for carrots, low for kale.
        Assert.Equal(ReadingState.Low, PlaceReadings.StateOf(Read((4, 9), (6.2, 2)), Bed, kind));
        Assert.Equal("6.2 on 14 Jul: too low. It should be 6.5 to 7.5 for kale, 6 to 7.2 for carrot.", PlaceReadings.Sentence(Read((6.2, 2)), Bed, kind));
        Assert.Equal(ReadingState.Fine, PlaceReadings.StateOf(Read((6.8, 2)), Bed, kind));
    }
}
