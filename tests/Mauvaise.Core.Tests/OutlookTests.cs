using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;

namespace Mauvaise.Core.Tests;

/// <summary>What is told of the days ahead: cover and rain, the season's outline, and what to buy.</summary>
public class OutlookTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Place Other = GardenSamples.Bed("Other", 1);
    private static readonly Planting Squash = GardenSamples.Grown(Bed, "squash");

    /// <summary>The same cover at every hour, and another from an hour on.</summary>
    private static double[] Cover(GardenSnapshot garden, double now, double? later = null, int laterHours = 0) =>
        [.. Enumerable.Range(0, garden.Weather.Hours.Count).Select(i => later is { } l && i >= garden.Weather.IndexOf(garden.Now) + laterHours ? l : now)];

    private static GardenSnapshot Garden(double rainMm = 0) =>
        GardenSamples.Garden([Bed, Other], [Squash], at =>
            at >= GardenSamples.Now.AddHours(24) && at < GardenSamples.Now.AddHours(28) ? WeatherSamples.Mild with { RainMm = rainMm } : WeatherSamples.Mild
        );

    [Fact]
    public void Cover_without_rain_is_counted_and_no_more()
    {
        var dry = Garden();
        Assert.Equal(
            "Cover holds on 1 of 2 places.",
            CoverOutlook.Sentence(dry, new Dictionary<Place, double[]> { [Bed] = Cover(dry, 0.8), [Other] = Cover(dry, 0.1) })
        );
        Assert.Equal("No place has cover now.", CoverOutlook.Sentence(dry, new Dictionary<Place, double[]> { [Bed] = Cover(dry, 0) }));
        // Nor is rain said to leave standing what is not there.
        var wet = Garden(rainMm: 3);
        Assert.Equal("No place has cover now.", CoverOutlook.Sentence(wet, new Dictionary<Place, double[]> { [Bed] = Cover(wet, 0) }));
    }

    [Fact]
    public void Rain_that_takes_cover_is_named_with_its_day_and_what_it_takes()
    {
        var wet = Garden(rainMm: 3);
        var cover = new Dictionary<Place, double[]> { [Bed] = Cover(wet, 0.8, 0.1, 26), [Other] = Cover(wet, 0.9, 0.7, 26) };
        // The storm begins on Friday evening, a day from now.
        Assert.Equal("Cover holds on 2 of 2 places. Friday's rain, 12 mm, will strip Bed.", CoverOutlook.Sentence(wet, cover).Told());
        Assert.EndsWith(
            "leaves it standing.",
            CoverOutlook.Sentence(wet, new Dictionary<Place, double[]> { [Other] = cover[Other] }),
            StringComparison.Ordinal
        );
        Assert.Equal("Cover holds on 2 of 2 places.", CoverOutlook.Sentence(Garden(rainMm: 1), cover));
    }

    [Fact]
    public void Rain_is_not_blamed_for_what_fades_under_cover_or_before_it_comes()
    {
        var wet = Garden(rainMm: 3);
        var tunnel = Bed with { Kind = PlaceKind.Tunnel };
        Assert.EndsWith(
            "leaves it standing.",
            CoverOutlook.Sentence(wet, new Dictionary<Place, double[]> { [tunnel] = Cover(wet, 0.8, 0.1, 26) }),
            StringComparison.Ordinal
        );
        Assert.EndsWith(
            "leaves it standing.",
            CoverOutlook.Sentence(wet, new Dictionary<Place, double[]> { [Bed] = Cover(wet, 0.8, 0.1, 2) }),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void The_outline_of_a_place_that_keeps_ahead_takes_groups_by_turns_inside_half_the_season_limits()
    {
        var garden = GardenSamples.Tried(Garden());
        var ahead = RotaPlanner.Plan(garden with { Garden = garden.Garden with { Stance = Stance.KeepAhead } });
        var upkeep = ahead.Outline.Where(e => e.Kind == NeedKind.Protect).ToList();
        Assert.True(upkeep.Count >= 4);
        Assert.All(upkeep.Zip(upkeep.Skip(1)), p => Assert.NotEqual(p.First.Material.Group, p.Second.Material.Group));
        Assert.All(upkeep, e => Assert.Equal(DayOfWeek.Monday, e.WeekOf.DayOfWeek));
        Assert.All(upkeep.Where(e => e.Material.SeasonLimit is not null).GroupBy(e => e.Material.SeasonLimit!.Together), g =>
            Assert.True(g.Count() <= g.First().Material.SeasonLimit!.Most / 2)
        );
        // Not beyond the life of the crop.
        Assert.All(upkeep, e => Assert.True(e.WeekOf <= Squash.From.AddDays(Shipped.Catalogue.Crop("squash").StageDays[2])));
        Assert.DoesNotContain(RotaPlanner.Plan(garden).Outline, e => e.Kind == NeedKind.Protect);
    }

    private static Evening Spraying(string recipe, DeedKind kind = DeedKind.Spray) =>
        new(
            null,
            "",
            [
                new(
                    kind,
                    "",
                    "",
                    [],
                    [Squash.Id],
                    new Tank(Shipped.Catalogue.FindRecipe(recipe)!, DoseStep.Usual, 1, GardenSamples.Target("powdery-mildew")),
                    null
                ),
            ],
            []
        );

    private static Stock Kept(string material, double left, DateOnly? bestBefore = null, double? cost = null, double amount = 500) =>
        new(Guid.NewGuid(), material, material, amount, left, Shipped.Catalogue.Material(material).Unit, null, bestBefore, null, cost);

    [Fact]
    public void All_rounds_of_the_fortnight_are_bought_for_and_what_is_there_is_taken_off()
    {
        var bare = ShoppingList.For(Garden(), Spraying("bicarbonate-plain")).Single(i => i.Material.Id == "bicarbonate");
        var garden = Garden() with { Stocks = [Kept("bicarbonate", 4, cost: 10)] };
        var some = ShoppingList.For(garden, Spraying("bicarbonate-plain")).Single(i => i.Material.Id == "bicarbonate");
        Assert.Equal(bare.Needed, some.Needed);
        Assert.Equal(some.Needed - 4, some.ToBuy, 9);
        Assert.Equal(some.ToBuy * 10 / 500, some.Cost!.Value, 9);
        Assert.Null(bare.Cost);
        Assert.Contains("4 g are on the shelf", Assert.Single(some.Reasons).Words.Told(), StringComparison.Ordinal);
        // A week between rounds: today, in seven days and in fourteen.
        var once = Mix.Make(
            Shipped.Catalogue,
            new MixOrder(
                Shipped.Catalogue.FindRecipe("bicarbonate-plain")!,
                DoseStep.Usual,
                SprayVolume.SizeFor(garden, Shipped.Catalogue.FindRecipe("bicarbonate-plain")!, [Squash]),
                garden.Garden.Kitchen
            ),
            new MixConditions(null, [], false)
        );
        Assert.Equal(3 * once.Parts.Single(p => p.Material.Id == "bicarbonate").Amount, bare.Needed, 9);
    }

    [Fact]
    public void What_is_past_its_date_does_not_count_and_what_is_low_is_said_to_be()
    {
        var nothing = new Evening(null, "", [], []);
        Assert.Equal(
            "What is on the shelf is past its date.",
            ShoppingList.For(Garden() with { Stocks = [Kept("neem-oil", 300, new(2026, 1, 1))] }, nothing).Single().Reasons.Single().Words
        );
        Assert.Equal("Low: 40 ml left.", ShoppingList.For(Garden() with { Stocks = [Kept("neem-oil", 40)] }, nothing).Single().Reasons.Single().Words.Told());
        Assert.Empty(ShoppingList.For(Garden() with { Stocks = [Kept("neem-oil", 400)] }, nothing));
        var old = ShoppingList
            .For(Garden() with { Stocks = [Kept("bicarbonate", 400, new(2026, 1, 1))] }, Spraying("bicarbonate-plain"))
            .Single(i => i.Material.Id == "bicarbonate");
        Assert.Equal((0, old.Needed), (old.OnShelf, old.ToBuy));
    }

    [Fact]
    public void A_stock_that_is_made_at_home_is_bought_as_its_parts()
    {
        var list = ShoppingList.For(Garden(), Spraying("white-stock")).Select(i => i.Material.Id).ToList();
        Assert.DoesNotContain("oil-soap-stock", list);
        Assert.Contains("kitchen-oil", list);
        var made = ShoppingList.For(Garden() with { Stocks = [Kept("oil-soap-stock", 500)] }, Spraying("white-stock")).Select(i => i.Material.Id).ToList();
        Assert.DoesNotContain("kitchen-oil", made);
    }
}
