using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>What is beside the spray: cards, racks, feeding, stocks that stand, and places that were left.</summary>
public class BesideTests
{
    [Fact]
    public void A_catch_is_told_by_the_card_and_week()
    {
        Assert.Equal(24, new CardCatch(48, 4, 3.5).PerCardAndWeek());
        Assert.Equal(0, new CardCatch(0, 2, 7).PerCardAndWeek());
        Assert.False(new CardCatch(3, 0, 7).IsSound());
        Assert.False(new CardCatch(-1, 1, 7).IsSound());
        Assert.False(new CardCatch(3, 1, 0).IsSound());
    }

    [Fact]
    public void Cards_over_their_line_send_somebody_to_look_until_somebody_did()
    {
        var tunnel = GardenSamples.Bed("Tunnel", kind: PlaceKind.Tunnel);
        var tomato = GardenSamples.Grown(tunnel, "tomato");
        GardenSnapshot With(double perWeek, double lookedDaysAgo) =>
            GardenSamples.Garden([tunnel], [tomato]) with
            {
                Readings = [new Reading(Guid.NewGuid(), tunnel.Id, "card-whitefly", GardenSamples.Now.AddDays(-1), perWeek, null)],
                Observations = [GardenSamples.Seen(tomato, lookedDaysAgo, 30, 0)],
            };
        static bool Calls(GardenSnapshot garden) => EveningPlanner.Plan(garden).Deeds.Any(d => d.Reasons.Any(r => r.Code == "cards"));
        Assert.True(Calls(With(24, 2)));
        Assert.False(Calls(With(24, 0.2)));
        Assert.False(Calls(With(6, 2)));
    }

    /// <summary>Of twelve plants: all looked at leave no doubt, and what is left to look at bounds the share.</summary>
    [Theory]
    [InlineData(12, 3, 3 / 12.0, 3 / 12.0, SampleVerdict.Above)]
    [InlineData(12, 1, 1 / 12.0, 1 / 12.0, SampleVerdict.Below)]
    [InlineData(10, 4, 4 / 12.0, 6 / 12.0, SampleVerdict.Above)]
    [InlineData(11, 0, 0, 1 / 12.0, SampleVerdict.Below)]
    public void All_plants_counted_leave_no_doubt(int looked, int affected, double low, double high, SampleVerdict verdict)
    {
        var judged = LeafSample.JudgeOf(looked, affected, 0.2, 12);
        Assert.Equal((low, high, verdict, 0), (judged.Low, judged.High, judged.Verdict, judged.MoreLeaves));
    }

    [Fact]
    public void What_scorches_is_rinsed_off_and_what_is_picked_waits_and_is_washed()
    {
        var c = Shipped.Catalogue;
        Assert.Equal(3, AfterSpray.Of([c.Material("dish-detergent"), c.Material("kitchen-oil")]).Count);
        Assert.Contains("after 1 hour:", AfterSpray.Rinse([c.Material("dish-detergent"), c.Material("rubbing-alcohol")]), StringComparison.Ordinal);
        Assert.Null(AfterSpray.Rinse([c.Material("neem-oil")]));
        Assert.Empty(AfterSpray.Of([]));
    }

    [Fact]
    public void What_stood_long_enough_is_strained_this_evening()
    {
        var garden = GardenSamples.Garden([GardenSamples.Bed("Bed")], []) with
        {
            Stocks = [new Stock(Guid.NewGuid(), "garlic-stock", "Garlic", 500, 500, "ml", null, null, ReadyAt: GardenSamples.Now.AddHours(2))],
        };
        Assert.Equal(DeedKind.Strain, EveningPlanner.Plan(garden).Deeds[0].Kind);
        Assert.Empty(EveningPlanner.Plan(garden with { Stocks = [garden.Stocks[0] with { ReadyAt = GardenSamples.Now.AddDays(1) }] }).Deeds);
    }

    [Fact]
    public void A_drench_through_a_rack_is_followed_by_fresh_water_as_its_label_says()
    {
        var rack = GardenSamples.Bed("Rack", kind: PlaceKind.IndoorRack) with { ReservoirLitres = 20 };
        var mint = GardenSamples.Grown(rack, "mint");
        var product = new OwnProduct(
            Guid.NewGuid(),
            "Root saver",
            "neem-oil",
            [],
            "ml",
            3,
            5,
            false,
            null,
            null,
            null,
            Form: Form.Drench,
            RunHours: 4,
            FreshWaterDays: 5
        );
        var catalogue = Shipped.Catalogue.With([product]);
        var garden = GardenSamples.Garden([rack], [mint]) with { Catalogue = catalogue };
        var recipe = catalogue.FindRecipe(product.MaterialId)!;
        var run = Assert.Single(SystemRun.Of(garden, recipe.Form, catalogue.Material(product.MaterialId), [mint]));
        Assert.Equal((4, 5), (run.RunHours, run.FreshWaterDays));
        var mix = Mix.Make(catalogue, new MixOrder(recipe, DoseStep.Usual, 20, KitchenSystem.Metric), new MixConditions(20, [], false));
        var bottle = Bottles.Fill(garden, Guid.NewGuid(), [mint.Id], "root-aphid", false, mix, GardenSamples.Now, null).Batches[0];
        var task = Assert.Single(Sprays.Log(garden, new NewApplication(Guid.NewGuid(), bottle.Id, [mint.Id], 20), bottle, GardenSamples.Now, null).Tasks);
        Assert.Equal((KnownIds.Measures.FreshWater, new DateOnly(2026, 7, 21)), (task.Step, task.DueOn));
        Assert.Equal(
            (SystemRun.UsualRunHours, SystemRun.UsualFreshWaterDays),
            SystemRun.Of(garden, Form.Drench, catalogue.Material("neem-oil"), [mint]) is [var usual] ? (usual.RunHours, usual.FreshWaterDays) : default
        );
        Assert.Empty(SystemRun.Of(garden, Form.Spray, catalogue.Material("neem-oil"), [mint]));
    }

    [Fact]
    public void What_is_fed_goes_by_what_was_lost()
    {
        var bed = GardenSamples.Bed("Bed");
        var rack = GardenSamples.Bed("Rack", kind: PlaceKind.IndoorRack);
        var grown = GardenSamples.Grown(bed, "tomato");
        var seedling = GardenSamples.Grown(bed, "tomato", GrowthStage.Seedling);
        var basil = GardenSamples.Grown(rack, "basil");
        var ending = GardenSamples.Grown(bed, "tomato", GrowthStage.Ending);
        var radish = GardenSamples.Grown(bed, "radish") with { From = new DateOnly(2026, 7, 1) };
        var garden = GardenSamples.Garden([bed, rack], [grown, seedling, basil, ending, radish]);
        Assert.Null(Feeding.For(garden, grown, 0.1));
        var some = Feeding.For(garden, grown, 0.2)!;
        var much = Feeding.For(garden, grown, 0.5)!;
        Assert.Equal((DoseStep.Gentle, DoseStep.Usual), (some.Step, much.Step));
        Assert.True(much.AfterDays > some.AfterDays);
        Assert.Contains("50 %", much.Sentence.Words, StringComparison.Ordinal);
        Assert.Null(Feeding.For(garden, seedling, 0.5)!.Step);
        Assert.Null(Feeding.For(garden, basil, 0.5)!.Step);
        // What is over in a few weeks has no use for it, whether somebody says so or its days do.
        Assert.Null(Feeding.For(garden, ending, 0.5)!.Step);
        Assert.Null(Feeding.For(garden, radish, 0.5)!.Step);
    }

    [Fact]
    public void What_is_counted_sets_the_line_and_the_words_and_is_never_mixed_with_leaves()
    {
        var bed = GardenSamples.Bed("Bed");
        var tomato = GardenSamples.Grown(bed, "tomato");
        var onLeaves = GardenSamples.Seen(tomato, 8, 30, 3, "fruitworm");
        var onFruits = GardenSamples.Seen(tomato, 0.1, 30, 6, "fruitworm") with { On = CountedOn.Fruits };
        var garden = GardenSamples.Garden([bed], [tomato]) with { Observations = [onLeaves, onFruits] };
        var finding = Finding.Of(garden, tomato, onFruits);
        Assert.Equal(ActionLine.At(garden, tomato, finding.Target).Share / 2, finding.Line.Share, 1e-9);
        Assert.StartsWith("20 % of fruits with", finding.Told.Words, StringComparison.Ordinal);
        Assert.Contains("fruits", finding.Line.Reason.Words, StringComparison.Ordinal);
        // Six of thirty fruits after three of thirty leaves is no rise.
        Assert.Null(WalkRound.TrendOf(garden, tomato.Id, "fruitworm"));
        Assert.Equal(CountedOn.Roots, Shipped.Catalogue.Target("root-aphid").CountOn);
        // The story tells both, each in its own word.
        var story = PlaceStory.Of(garden, bed, tomato.From);
        var lines = story.SelectMany(c => c.Lines).Select(l => l.Sentence).ToList();
        Assert.Contains(lines, l => l.StartsWith("Found: 3 of 30 leaves.", StringComparison.Ordinal));
        Assert.Contains(lines, l => l.StartsWith("Still there: 6 of 30 fruits.", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData(CountedOn.Leaves, "leaves")]
    [InlineData(CountedOn.Tips, "shoot tips")]
    [InlineData(CountedOn.Stems, "stems")]
    [InlineData(CountedOn.Heads, "heads")]
    [InlineData(CountedOn.Fruits, "fruits")]
    [InlineData(CountedOn.Roots, "roots")]
    public void A_count_is_told_in_the_word_of_what_was_counted(CountedOn on, string word)
    {
        Assert.Equal($"6 of 20 {word}", CountTold.Of(on, 20, 6));
        Assert.Equal("6 of 20 plants", CountTold.Of(on, 20, 6, byPlant: true));
        // A line and a count say the same word.
        Assert.Contains(
            $"% of {word} is the line",
            ActionLine.For(null, Stance.WatchAndTreat, Shelter.Open, GrowthStage.Fruiting, on).Reason.Words,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_is_soon_over_or_lost_is_sown_again_where_the_season_is_long_enough()
    {
        var bed = GardenSamples.Bed("Bed");
        GardenSnapshot With(Planting planting, params Observation[] seen) => GardenSamples.Garden([bed], [planting]) with { Observations = seen };
        static PreventiveWork? Again(GardenSnapshot garden) => PreventionPlan.Of(garden).All.FirstOrDefault(w => w.Measure.Id == KnownIds.Measures.SowAgain);
        var lettuce = GardenSamples.Grown(bed, "lettuce") with { From = new DateOnly(2026, 6, 10) };
        Assert.NotNull(Again(With(lettuce)));
        Assert.Null(Again(With(lettuce with { From = new DateOnly(2026, 7, 1) })));
        // A tomato takes too long; a lost bean does not, but another one was sown last week.
        var tomato = GardenSamples.Grown(bed, "tomato");
        Assert.Null(Again(With(tomato)));
        var bean = GardenSamples.Grown(bed, "french-bean") with { From = new DateOnly(2026, 6, 20) };
        var lost = With(bean, GardenSamples.Seen(bean, 1, 20, 15, "spider-mite"));
        Assert.Contains("25 August", Again(lost)!.Why.Words, StringComparison.Ordinal);
        var next = GardenSamples.Grown(bed, "french-bean") with { From = new DateOnly(2026, 7, 8) };
        Assert.Null(Again(lost with { Plantings = [bean, next] }));
    }

    [Fact]
    public void What_work_keeps_off_moves_with_what_was_found_with_and_without_it()
    {
        var bed = GardenSamples.Bed("Bed");
        var net = Shipped.Catalogue.Measure("netting");
        var usual = net.Prevents!.TakesOff;
        var kales = Enumerable.Range(0, 16).Select(_ => GardenSamples.Grown(bed, "kale")).ToList();
        GardenSnapshot Garden(Func<int, bool> netted, Func<int, bool> found) =>
            GardenSamples.Garden([bed], kales) with
            {
                Tasks =
                [
                    .. kales
                        .Where((_, i) => netted(i))
                        .Select(p => new GardenTask(
                            Guid.NewGuid(),
                            p.Id,
                            null,
                            net.Id,
                            null,
                            new DateOnly(2026, 5, 2),
                            TaskState.Done,
                            new DateTimeOffset(2026, 5, 2, 8, 0, 0, TimeSpan.Zero)
                        )),
                ],
                Observations = [.. kales.Select((p, i) => GardenSamples.Seen(p, 3, 20, found(i) ? 4 : 0, found(i) ? "cabbage-white" : null))],
            };
        Assert.Equal(usual, LearnedPrevention.Of(Garden(_ => false, _ => true), net).Share);
        var works = LearnedPrevention.Of(Garden(i => i < 8, i => i >= 8), net);
        Assert.Equal((8, 0, 8, 8, true), (works.With, works.FoundWith, works.Without, works.FoundWithout, works.IsOwn));
        var fails = LearnedPrevention.Of(Garden(i => i < 8, _ => true), net);
        Assert.True(fails.Share < usual && usual < works.Share, $"{fails.Share} {usual} {works.Share}");
        Assert.InRange(works.Share, usual, 0.95);
    }

    [Fact]
    public void The_almanac_names_crops_that_can_be_had_otherwise()
    {
        var bed = GardenSamples.Bed("Bed");
        var tomato = GardenSamples.Grown(bed, "tomato") with { Variety = "Early red" };
        var garden = GardenSamples.Garden([bed], [tomato]) with
        {
            Observations = [GardenSamples.Seen(tomato, 3, 20, 4, "late-blight"), GardenSamples.Seen(tomato, 2, 20, 4, "whitefly")],
        };
        var days = Mauvaise.Core.Biology.SkyDays.Of(garden.SkyOf(bed).Shelter, garden.Garden, garden.Today.AddDays(-20), garden.Today);
        var almanac = Almanac.Of(garden, new DateOnly(2026, 1, 1), new Dictionary<string, IReadOnlyList<FirstDate>>(), days, []);
        var other = Assert.Single(almanac.Varieties);
        Assert.Equal("late-blight", other.Target.Id);
        Assert.Contains("Early red", other.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_place_that_was_left_keeps_its_days_in_the_almanac()
    {
        var (old, here) = (GardenSamples.Bed("Old"), GardenSamples.Bed("Here"));
        var mint = GardenSamples.Grown(here, "mint") with { Earlier = [new Stay(old.Id, new DateOnly(2026, 7, 10))] };
        var garden = GardenSamples.Garden([old, here], [mint]) with
        {
            Applications = [GardenSamples.Sprayed(mint, 12, "insecticidal-soap"), GardenSamples.Sprayed(mint, 1, "insecticidal-soap")],
        };
        var days = Mauvaise.Core.Biology.SkyDays.Of(garden.SkyOf(here).Shelter, garden.Garden, garden.Today.AddDays(-20), garden.Today);
        var almanac = Almanac.Of(garden, new DateOnly(2026, 1, 1), new Dictionary<string, IReadOnlyList<FirstDate>>(), days, []);
        Assert.Equal([1, 1], almanac.Places.Select(p => p.Sprays));
        Assert.Equal(2, almanac.Sprays);
    }

    [Fact]
    public void A_planting_that_was_carried_stood_at_each_place_for_its_days()
    {
        var (old, here) = (GardenSamples.Bed("Old"), GardenSamples.Bed("Here"));
        var mint = GardenSamples.Grown(here, "mint") with { Earlier = [new Stay(old.Id, new DateOnly(2026, 7, 1))] };
        Assert.Equal([(new DateOnly(2026, 5, 1), (DateOnly?)new DateOnly(2026, 6, 30))], mint.StaysAt(old.Id));
        Assert.Equal([(new DateOnly(2026, 7, 1), (DateOnly?)null)], mint.StaysAt(here.Id));
        Assert.Empty(mint.StaysAt(Guid.NewGuid()));
    }
}
