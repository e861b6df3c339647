using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

public class RoundTests
{
    private static readonly Place North = GardenSamples.Bed("North", 0);
    private static readonly Place South = GardenSamples.Bed("South", 1);
    private static readonly Planting Kale = GardenSamples.Grown(North, "kale");
    private static readonly Planting Courgette = GardenSamples.Grown(South, "courgette");
    private static readonly Planting Squash = GardenSamples.Grown(South, "squash");

    private static GardenSnapshot Garden(params Observation[] seen) =>
        GardenSamples.Garden([North, South], [Kale, Courgette, Squash]) with
        {
            Observations = [.. seen.OrderBy(o => o.At)],
        };

    private static string[] Order(GardenSnapshot garden) => [.. WalkRound.Plan(garden).Select(s => s.Place.Name)];

    private static IReadOnlyList<Clue> Clues(GardenSnapshot garden, Planting planting, string target) =>
        [.. LocalClues.At(garden, planting, GardenSamples.Sky(garden, garden.PlaceOf(planting))).CluesFor(GardenSamples.Target(target))];

    [Fact]
    public void What_nobody_looked_at_comes_first_and_says_so()
    {
        var garden = Garden(GardenSamples.Seen(Kale, 1, 20, 0));
        Assert.Equal(["South", "North"], Order(garden));
        Assert.Contains("nobody looked yet", WalkRound.Plan(garden)[0].Why.Select(w => w.Words));
    }

    [Theory]
    [InlineData(1, 3, "")]
    [InlineData(2, 5, "")]
    [InlineData(3, 8, "5:2")]
    [InlineData(20, 50, "5:2 10:4 15:6 30:12")]
    public void A_long_round_has_parts_with_what_is_most_urgent(int places, int minutes, string parts)
    {
        var beds = Enumerable.Range(0, places).Select(i => GardenSamples.Bed($"Bed {i}", i)).ToList();
        var kale = beds.Select(b => GardenSamples.Grown(b, "kale")).ToList();
        var looks = kale.Select(k => GardenSamples.Seen(k, k == kale[^1] ? 6 : 1, 20, 0)).OrderBy(o => o.At);
        var garden = GardenSamples.Garden([.. beds], [.. kale]) with { Observations = [.. looks] };
        var round = WalkRound.Plan(garden);
        Assert.Equal(minutes, WalkRound.Minutes(garden, round.Count));
        var offered = WalkRound.Parts(garden, round);
        Assert.Equal(parts, string.Join(' ', offered.Select(p => $"{p.Minutes}:{p.PlaceIds.Count}")));
        Assert.All(offered, p => Assert.Equal(beds[^1].Id, p.PlaceIds[0]));
    }

    [Fact]
    public void Two_looks_on_one_round_can_be_one()
    {
        var walk = Guid.NewGuid();
        Observation By(int looked, int affected, double? severity, params SeenSign[] signs)
        {
            var seen = GardenSamples.Seen(Kale, 0, looked, affected);
            return seen with { WalkId = walk, SeverityPercent = severity, Signs = signs };
        }

        var first = By(20, 6, 10, new SeenSign("holes", true), new SeenSign("slime", false));
        var second = By(10, 2, 30, new SeenSign("slime", true)) with { Named = "slugs", Note = "at dusk", Helpers = 2 };
        var two = Assert.Single(CountedTwice.On(Garden(first, second), walk));
        var one = two.Together();
        Assert.Equal((30, 8, 15.0), (one.LeavesLooked, one.LeavesAffected, one.SeverityPercent!.Value));
        Assert.Equal(["holes", "slime"], one.Signs.Where(s => s.Present).Select(s => s.Sign).Order());
        Assert.Equal(("slugs", "at dusk", 2), (one.Named, one.Note, one.Helpers));
        static Guid[] Both(CountedTwice pair) => [pair.First.Id, pair.Second.Id];

        // Of three the first two, and then the rest.
        var third = By(5, 5, null) with { At = second.At.AddHours(1) };
        Assert.DoesNotContain(third.Id, Both(Assert.Single(CountedTwice.On(Garden(first, second, third), walk))));
        Assert.Contains(third.Id, Both(Assert.Single(CountedTwice.On(Garden(one, third), walk))));

        // Two names are two troubles, and another round is another day.
        Assert.Empty(CountedTwice.On(Garden(first with { Named = "cabbage-white" }, second), walk));
        Assert.Empty(CountedTwice.On(Garden(first with { WalkId = Guid.NewGuid() }, second), walk));
        Assert.Empty(CountedTwice.On(Garden(first with { On = CountedOn.Roots }, second), walk));
    }

    [Theory]
    [InlineData(0, 0, 5.4, 0, true)]
    [InlineData(0, 0, 5.5, 0, false)]
    [InlineData(0, 0, 0, 1, true)]
    public void Beds_of_six_square_metres_are_beside_each_other_within_three_metres_of_path(double x, double y, double otherX, double otherY, bool beside)
    {
        var there = South with { Spot = new(otherX, otherY) };
        Assert.Equal(beside, (North with { Spot = new(x, y) }).IsBeside(there));
        Assert.False(North.IsBeside(there));
        Assert.False(there.IsBeside(there));
    }

    [Fact]
    public void Among_what_matters_as_much_the_way_is_short_and_what_matters_more_comes_first()
    {
        var beds = "0 20 5 15 10"
            .Split(' ')
            .Select((x, i) => GardenSamples.Bed(x, i) with { Spot = new(double.Parse(x, System.Globalization.CultureInfo.InvariantCulture), 0) })
            .ToList();
        var kale = beds.Select(b => GardenSamples.Grown(b, "kale")).ToList();
        var garden = GardenSamples.Garden([.. beds], [.. kale]);
        Assert.Equal(["0", "5", "10", "15", "20"], Order(garden with { Observations = [.. kale.Select(k => GardenSamples.Seen(k, 1, 20, 0))] }));
        Assert.Equal(
            ["20", "15", "10", "5", "0"],
            Order(garden with { Observations = [.. kale.Select(k => GardenSamples.Seen(k, k == kale[1] ? 6 : 1, 20, 0)).OrderBy(o => o.At)] })
        );
    }

    [Fact]
    public void A_trouble_on_the_bed_close_by_counts_for_more_than_one_far_off()
    {
        double Factor(Spot? other)
        {
            var (north, south) = (North with { Spot = new(3, 3) }, South with { Spot = other });
            var garden = Garden(GardenSamples.Seen(Courgette, 2, 20, 6, "powdery-mildew")) with { Places = [north, south] };
            return Clues(garden, GardenSamples.Grown(north, "cucumber"), "powdery-mildew").Single(c => c.Code == "neighbour").Factor;
        }

        Assert.True(Factor(new(6, 3)) > Factor(new(40, 3)));
        Assert.Equal(Factor(new(40, 3)), Factor(null));
    }

    [Fact]
    public void A_new_garden_without_weather_has_a_round_too()
    {
        var garden = GardenSamples.Garden([North], [GardenSamples.Grown(North, "tomato")], _ => default);
        var stop = Assert.Single(WalkRound.Plan(garden));
        Assert.Equal(["nobody looked yet"], stop.Why.Select(w => w.Words));
        Assert.NotEmpty(stop.Plantings[0].Watch);
        Assert.Empty(WalkRound.Plan(GardenSamples.Garden([North], [])));
    }

    [Fact]
    public void A_place_that_was_skipped_moves_up()
    {
        var seen = new[] { GardenSamples.Seen(Kale, 4, 20, 0), GardenSamples.Seen(Courgette, 4, 20, 0), GardenSamples.Seen(Squash, 4, 20, 0) };
        Assert.Equal(
            "North",
            Order(Garden(seen) with { Walks = [new(Guid.NewGuid(), GardenSamples.Now.AddDays(-4), GardenSamples.Now.AddDays(-4), null, [North.Id])] })[0]
        );
        Assert.Equal(
            "South",
            Order(Garden(seen) with { Walks = [new(Guid.NewGuid(), GardenSamples.Now.AddDays(-4), GardenSamples.Now.AddDays(-4), null, [South.Id])] })[0]
        );
    }

    [Fact]
    public void A_disease_that_hands_carry_sends_its_place_to_the_end()
    {
        var garden = Garden(
            GardenSamples.Seen(Kale, 1, 20, 0),
            GardenSamples.Seen(Courgette, 5, 20, 8, "powdery-mildew"),
            GardenSamples.Seen(Squash, 5, 20, 0)
        );
        Assert.Equal(["North", "South"], Order(garden));
        Assert.Equal("last: hands and sleeves carry powdery mildew", WalkRound.Plan(garden)[1].Why[0].Words);
    }

    [Fact]
    public void The_round_names_what_to_look_for_with_its_reasons()
    {
        var garden = Garden(GardenSamples.Seen(Squash, 2, 20, 6, "powdery-mildew"));
        var stop = WalkRound.Plan(garden).Single(s => s.Place == South).Plantings.Single(p => p.Planting == Courgette);
        Assert.Equal("powdery-mildew", stop.Watch[0].Target.Id);
        Assert.Contains("on the squash in the same bed 2 days ago", stop.Watch[0].Why.Select(w => w.Words));
    }

    [Fact]
    public void Young_plants_are_watched_for_what_likes_them()
    {
        var radish = GardenSamples.Grown(North, "radish", GrowthStage.Seedling);
        var garden = GardenSamples.Garden([North], [radish]);
        Assert.Equal("flea-beetle", WalkRound.Plan(garden)[0].Plantings[0].Watch[0].Target.Id);
    }

    [Fact]
    public void A_neighbour_counts_more_in_the_same_bed_and_not_once_it_is_clean_or_long_ago()
    {
        double Factor(GardenSnapshot garden) =>
            Clues(garden, Courgette, "powdery-mildew").Where(c => c.Code == "neighbour").Select(c => c.Factor).SingleOrDefault(1);
        var elsewhere = GardenSamples.Grown(North, "cucumber");
        var near = Factor(Garden(GardenSamples.Seen(Squash, 2, 20, 6, "powdery-mildew")));
        var far = Factor(
            GardenSamples.Garden([North, South], [Courgette, elsewhere]) with
            {
                Observations = [GardenSamples.Seen(elsewhere, 2, 20, 6, "powdery-mildew")],
            }
        );
        Assert.True(near > far && far > 1);
        Assert.Equal(1, Factor(Garden(GardenSamples.Seen(Squash, 2, 20, 0, "powdery-mildew"))));
        Assert.Equal(1, Factor(Garden(GardenSamples.Seen(Squash, 30, 20, 6, "powdery-mildew"))));
    }

    [Fact]
    public void Names_given_here_before_count_but_not_a_group_and_not_the_look_itself()
    {
        double Factor(Observation seen, Guid? except = null) =>
            LocalClues
                .At(Garden(seen), Kale, GardenSamples.Sky(Garden(), North), except)
                .CluesFor(GardenSamples.Target("cabbage-aphid"))
                .Where(c => c.Code == "here-before")
                .Select(c => c.Factor)
                .SingleOrDefault(1);
        var named = GardenSamples.Seen(Kale, 40, 20, 6, "cabbage-aphid");
        Assert.Equal(1.5, Factor(named));
        Assert.Equal(1, Factor(named, named.LookId));
        Assert.Equal(1, Factor(GardenSamples.Seen(Kale, 40, 20, 6, "cabbage-aphid", group: true)));
    }

    [Fact]
    public void Scorch_is_unlikely_without_a_spray_and_likely_after_one()
    {
        double Factor(GardenSnapshot garden) => Clues(garden, Kale, "spray-scorch").Single(c => c.Code == "sprayed").Factor;
        Assert.True(Factor(Garden()) < 0.5);
        Assert.True(Factor(Garden() with { Applications = [GardenSamples.Sprayed(Kale, 2, "castile-soap")] }) > 2);
        Assert.True(Factor(Garden() with { Applications = [GardenSamples.Sprayed(Kale, 2, "castile-soap", patchTest: true)] }) < 0.5);
    }

    [Fact]
    public void Weather_speaks_for_and_against()
    {
        var warm = GardenSamples.Garden([North], [Kale], _ => new WeatherHour(28, 60, 2, 3, 0, 20));
        var cold = GardenSamples.Garden([North], [Kale], _ => new WeatherHour(6, 60, 2, 3, 0, 20));
        double Factor(GardenSnapshot garden) => Clues(garden, Kale, "cabbage-aphid").Single(c => c.Code == "weather").Factor;
        Assert.True(Factor(warm) > 1.4 && Factor(cold) < 0.6);
    }

    [Fact]
    public void The_latest_look_holds_all_its_troubles_the_worst_first()
    {
        var look = Guid.NewGuid();
        var garden = Garden(
            GardenSamples.Seen(Kale, 3, 20, 9, "cabbage-white"),
            GardenSamples.Seen(Kale, 1, 20, 2, "cabbage-aphid", look: look),
            GardenSamples.Seen(Kale, 1, 20, 7, "flea-beetle", look: look)
        );
        Assert.Equal(["flea-beetle", "cabbage-aphid"], garden.LatestLook(Kale.Id).Select(o => o.Named));
        Assert.Empty(garden.LatestLook(Courgette.Id));
    }

    [Fact]
    public void A_trend_takes_looks_of_the_same_name_and_clean_ones_and_begins_anew_with_a_spray()
    {
        var garden = Garden(
            GardenSamples.Seen(Kale, 12, 30, 1, "cabbage-aphid"),
            GardenSamples.Seen(Kale, 8, 30, 20, "flea-beetle"),
            GardenSamples.Seen(Kale, 6, 30, 6, "cabbage-aphid"),
            GardenSamples.Seen(Kale, 1, 30, 18, "cabbage-aphid")
        );
        Assert.Equal(TrendDirection.Rising, WalkRound.TrendOf(garden, Kale.Id, "cabbage-aphid")!.Direction);
        Assert.Null(WalkRound.TrendOf(garden with { Applications = [GardenSamples.Sprayed(Kale, 4, "castile-soap")] }, Kale.Id, "cabbage-aphid"));
        Assert.Null(WalkRound.TrendOf(garden, Kale.Id, "whitefly"));
    }

    [Fact]
    public void A_walk_that_nobody_ended_is_over_by_itself()
    {
        var walk = new WalkTaken(Guid.NewGuid(), GardenSamples.Now, null, null, []);
        Assert.True(walk.IsOpen(GardenSamples.Now.AddHours(17)));
        Assert.False(walk.IsOpen(GardenSamples.Now.AddHours(18)));
        Assert.False((walk with { EndedAt = GardenSamples.Now }).IsOpen(GardenSamples.Now));
    }

    [Fact]
    public void Ants_part_and_clean_roots_are_signs_too_and_a_noted_sign_outranks_them()
    {
        var seen = GardenSamples.Seen(Kale, 0, 10, 3, ants: Ants.Few, part: PlantPart.OldLeaves, roots: RootCheck.Clean, signs: [new("ants", false)]);
        Assert.Equal([new("ants", false), new("old-leaves-first", true), new("white-on-roots", false), new("root-insects", false)], Evidence.Of(seen));
    }
}
