using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;

namespace Mauvaise.Core.Tests;

/// <summary>Facts that an adviser would sign, use by use.</summary>
public class FactTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;

    private static Effect? Use(string material, string target) => C.Material(material).EffectOn(C.Target(target));

    [Theory]
    [InlineData("bicarbonate", "septoria", EvidenceGrade.Weak)]
    [InlineData("neem-oil", "rust", EvidenceGrade.Weak)]
    [InlineData("neem-oil", "root-aphid", EvidenceGrade.Weak)]
    [InlineData("neem-oil", "peach-aphid", EvidenceGrade.Good)]
    [InlineData("peroxide", "downy-mildew", EvidenceGrade.Weak)]
    [InlineData("peroxide", "powdery-mildew", EvidenceGrade.Fair)]
    public void Evidence_is_that_of_the_use(string material, string target, EvidenceGrade grade) =>
        Assert.Equal(grade, C.Material(material).EvidenceOn(C.Target(target)));

    [Fact]
    public void What_is_graded_for_a_use_says_what_it_rests_on() =>
        Assert.All(C.Materials.SelectMany(m => m.WorksOn).Where(e => e.Evidence is not null), e => Assert.False(string.IsNullOrWhiteSpace(e.Source)));

    [Theory]
    [InlineData("neem-oil")]
    [InlineData("clarified-neem")]
    [InlineData("horticultural-oil")]
    [InlineData("oil-soap-stock")]
    public void No_oil_reaches_eggs_inside_the_leaf(string oil) => Assert.Equal(0, Use(oil, "thrips")!.Eggs);

    [Theory]
    [InlineData("powdery-mildew", 0.2, 0.3)]
    [InlineData("downy-mildew", 0, 0.1)]
    [InlineData("grey-mould", 0, 0.1)]
    public void Peroxide_does_little(string target, double least, double most) => Assert.InRange(Use("peroxide", target)!.Young, least, most);

    [Theory]
    [InlineData("clove-oil")]
    [InlineData("thyme-oil")]
    public void Harsh_oils_stop_at_two_millilitres(string oil) => Assert.Equal(2, C.Material(oil).Doses!.Ceiling);

    [Fact]
    public void Soap_is_dosed_as_a_concentrate_of_half_soap()
    {
        var soap = C.Material("insecticidal-soap");
        Assert.Equal((10, 15, 20, 25), (soap.Doses!.Gentle, soap.Doses.Usual, soap.Doses.Strong, soap.Doses.Ceiling));
        Assert.Contains("49 %", soap.MixingNote!, StringComparison.Ordinal);
    }

    [Fact]
    public void Ant_bait_is_one_to_one_and_a_half_per_cent()
    {
        // 40 ml of water with 8 g of sugar to a station.
        var doses = C.Material("borax").Doses!;
        Assert.All([doses.Gentle, doses.Usual, doses.Strong], g => Assert.InRange(g / (40 + 8 + g) * 100, 0.8, 1.5));
        Assert.Equal(14, C.Measure("ant-bait").Lasts!.Days);
    }

    [Fact]
    public void Peroxide_and_a_living_product_keep_two_days_apart()
    {
        Assert.Equal(("never", 2), (Pairs.Between(C, C.Material("peroxide"), C.Material("bt-kurstaki")) is var p ? (p.InOneTank, (int)p.DaysApart) : default));
        Assert.Equal("never", Pairs.Between(C, C.Material("bti"), C.Material("bt-kurstaki")).InOneTank);
    }

    [Fact]
    public void Milk_bears_a_drop_of_detergent_and_no_soap_or_acid()
    {
        Assert.Equal("allowed", Pairs.Between(C, C.Material("milk"), C.Material("dish-detergent")).InOneTank);
        Assert.Equal("never", Pairs.Between(C, C.Material("milk"), C.Material("castile-soap")).InOneTank);
        Assert.Equal("never", Pairs.Between(C, C.Material("milk"), C.Material("vinegar")).InOneTank);
    }

    [Fact]
    public void Tomato_leaves_never_go_on_their_own_family()
    {
        var place = GardenSamples.Bed("Bed");
        var (tomato, kale) = (GardenSamples.Grown(place, "tomato"), GardenSamples.Grown(place, "kale"));
        var garden = GardenSamples.Garden([place], [tomato, kale]);
        Material[] mix = [C.Material("tomato-leaf-infusion")];
        Assert.Contains(UseGuards.Against(garden, tomato, mix, garden.Now, 1), r => r.Code == "own-family");
        Assert.DoesNotContain(UseGuards.Against(garden, kale, mix, garden.Now, 1), r => r.Code == "own-family");
    }

    [Fact]
    public void Mined_leaves_go_into_the_bin_and_flea_beetles_lay_eggs()
    {
        var miner = C.Target("leafminer");
        Assert.False(C.Measure("compost").IsFor(miner));
        Assert.True(C.Measure("bag-and-bin").IsFor(miner));
        Assert.True(C.Target("flea-beetle").Insect!.EggDegreeDays > 0);
    }

    [Theory]
    [InlineData("copper", "septoria")]
    [InlineData("spinosad", "cabbage-white")]
    [InlineData("ferric-phosphate", "slugs")]
    [InlineData("bti", "fungus-gnat")]
    [InlineData("nematodes", "fungus-gnat")]
    [InlineData("kaolin", "flea-beetle")]
    public void What_leaflets_name_is_known_and_goes_by_its_label_alone(string material, string target)
    {
        Assert.True(C.Material(material).LabelOnly);
        Assert.NotNull(Use(material, target));
        Assert.DoesNotContain(C.Recipes, r => r.Active.Material == material);
    }
}
