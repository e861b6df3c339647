using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

public class SinglePlantTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Twelve = GardenSamples.Grown(Bed, "squash") with { Count = 12 };

    [Theory]
    [InlineData(new[] { 3, 9, 7, 8 }, "3, 7–9")]
    [InlineData(new[] { 1 }, "1")]
    [InlineData(new int[0], "")]
    public void Plants_are_told_in_runs(int[] plants, string told) => Assert.Equal(told, SinglePlants.Told(plants));

    [Fact]
    public void What_stands_next_to_the_sick_is_a_neighbour_and_the_row_has_two_ends() =>
        Assert.Equal([1, 2, 6, 7, 8, 11, 12], SinglePlants.WithNeighbours([1, 7, 12], 12));

    [Theory]
    [InlineData("3,7,8")]
    [InlineData("")]
    [InlineData(null)]
    public void What_was_kept_is_read_as_it_was(string? kept) => Assert.Equal(kept, SinglePlants.Kept(SinglePlants.Read(kept)));

    [Fact]
    public void What_can_not_be_read_is_no_plant() => Assert.Null(SinglePlants.Read("3,x"));

    [Theory]
    [InlineData(new[] { 1, 12 }, true)]
    [InlineData(new[] { 0 }, false)]
    [InlineData(new[] { 13 }, false)]
    [InlineData(new[] { 4, 4 }, false)]
    public void Numbers_are_those_of_the_planting(int[] plants, bool theirs) => Assert.Equal(theirs, SinglePlants.AreOf(Twelve, plants));

    [Theory]
    [InlineData(null)]
    [InlineData(1)]
    [InlineData(61)]
    public void A_planting_of_one_or_of_very_many_is_not_counted_one_by_one(int? count) => Assert.False(SinglePlants.AreOf(Twelve with { Count = count }, [1]));

    [Fact]
    public void Some_plants_take_their_part_of_what_all_take()
    {
        var garden = GardenSamples.Garden([Bed], [Twelve]);
        var soap = Shipped.Catalogue.FindRecipe("insecticidal-soap")!;
        var all = SprayVolume.SizeFor(garden, soap, [Twelve]);
        Assert.InRange(SprayVolume.SizeFor(garden, soap, Twelve, [2, 3, 4]), all / 4 - 1e-9, all / 4 + 0.1);
        Assert.Equal(all, SprayVolume.SizeFor(garden, soap, Twelve, [.. Enumerable.Range(1, 12)]), 1);
    }

    [Fact]
    public void Bait_is_laid_out_by_whole_stations_and_a_reservoir_is_dosed_once_for_all_that_grows_on_it()
    {
        var tower = GardenSamples.Bed("Tower", kind: PlaceKind.IndoorRack) with { ReservoirLitres = 20 };
        Planting[] both = [GardenSamples.Grown(tower, "basil") with { Count = 6 }, GardenSamples.Grown(tower, "lettuce") with { Count = 9 }];
        var garden = GardenSamples.Garden([Bed, tower], [Twelve, .. both]);
        var drench = Shipped.Catalogue.FindRecipe("neem-drench")!;
        Assert.Equal(20, SprayVolume.SizeFor(garden, drench, both));
        Assert.Equal(20, SprayVolume.SizeFor(garden, drench, both[0], [2]));
        var bait = Shipped.Catalogue.Recipes.First(r => r.Form == Form.Bait);
        Assert.Equal(2, SprayVolume.SizeFor(garden, bait, Twelve, [1, 2, 3, 4]));
        Assert.Equal(1, SprayVolume.SizeFor(garden, bait, Twelve, [1]));
    }
}
