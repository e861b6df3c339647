using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Planning;

namespace Mauvaise.Core.Tests;

public class EveningPlannerTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Place Tunnel = GardenSamples.Bed("Tunnel", 1, PlaceKind.Tunnel);
    private static readonly Planting Beans = GardenSamples.Grown(Bed, "broad-bean");
    private static readonly Planting Cucumber = GardenSamples.Grown(Tunnel, "cucumber");

    private static GardenSnapshot Garden(params Observation[] seen) =>
        GardenSamples.Tried(GardenSamples.Garden([Bed, Tunnel], [Beans, Cucumber])) with
        {
            Observations = [.. seen.OrderBy(o => o.At)],
        };

    [Fact]
    public void What_is_over_its_line_is_sprayed_and_says_why()
    {
        var evening = EveningPlanner.Plan(Garden(GardenSamples.Seen(Beans, 1, 20, 12, "black-bean-aphid"), GardenSamples.Seen(Cucumber, 1, 20, 0)));
        var spray = Assert.Single(evening.Deeds, d => d.Kind == DeedKind.Spray);
        Assert.Equal([Beans.Id], spray.PlantingIds);
        Assert.Contains(spray.Reasons, r => r.Said.Words == "60 % of leaves with black bean aphid, line 20 %.");
    }

    [Theory]
    [InlineData(3, 0, Ants.None, "line 20 %")]
    [InlineData(6, 4, Ants.None, "Helpers are at work")]
    public void What_is_under_its_line_or_in_good_hands_is_left_alone(int affected, int helpers, Ants ants, string because)
    {
        var seen = GardenSamples.Seen(Beans, 1, 20, affected, "black-bean-aphid", helpers, ants);
        var evening = EveningPlanner.Plan(Garden(seen));
        Assert.DoesNotContain(evening.Deeds, d => d.Kind == DeedKind.Spray);
        var left = Assert.Single(evening.LeftAlone).Said;
        Assert.Contains(because, left.Words, StringComparison.Ordinal);
        // Its code is that of the reason, and not of what was found or of how both are put together.
        Assert.Equal(ActionLadder.For(Garden(seen), Beans, seen).First!.Why[0].Code, left.Code);
    }

    [Fact]
    public void Ants_undo_the_helpers() =>
        Assert.Contains(EveningPlanner.Plan(Garden(GardenSamples.Seen(Beans, 1, 20, 6, "black-bean-aphid", 4, Ants.Many))).Deeds, d =>
            d.Kind == DeedKind.ByHand && d.Detail.Contains("Bait the ants", StringComparison.Ordinal)
        );

    [Theory]
    // A count that says nothing of ants leaves what the one before it said.
    [InlineData(Ants.Many, 3, Ants.Unsaid, true)]
    [InlineData(Ants.Many, 3, Ants.None, false)]
    [InlineData(Ants.None, 3, Ants.Unsaid, false)]
    [InlineData(Ants.Unsaid, 3, Ants.Unsaid, false)]
    // What was said long ago says nothing any more.
    [InlineData(Ants.Many, 12, Ants.Unsaid, false)]
    public void Ants_are_where_somebody_last_said_so(Ants before, double daysBefore, Ants now, bool baited)
    {
        var evening = EveningPlanner.Plan(
            Garden(
                GardenSamples.Seen(Beans, 1 + daysBefore, 20, 6, "black-bean-aphid", 4, before),
                GardenSamples.Seen(Beans, 1, 20, 6, "black-bean-aphid", 4, now)
            )
        );
        Assert.Equal(baited, evening.Deeds.Any(d => d.Detail.Contains("Bait the ants", StringComparison.Ordinal)));
    }

    [Fact]
    public void A_look_alike_is_never_sprayed()
    {
        var evening = EveningPlanner.Plan(Garden(GardenSamples.Seen(Cucumber, 1, 20, 20, "variegation")));
        Assert.DoesNotContain(evening.Deeds, d => d.Kind == DeedKind.Spray);
        Assert.Contains("no spray mends", Assert.Single(evening.LeftAlone).Said.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void What_no_spray_cures_is_taken_out() =>
        Assert.Contains(EveningPlanner.Plan(Garden(GardenSamples.Seen(Cucumber, 1, 20, 2, "virus"))).Deeds, d => d.Kind == DeedKind.Remove);

    [Fact]
    public void Two_troubles_on_one_planting_are_met_one_after_the_other()
    {
        var look = Guid.NewGuid();
        var evening = EveningPlanner.Plan(
            Garden(GardenSamples.Seen(Cucumber, 1, 20, 12, "whitefly", look: look), GardenSamples.Seen(Cucumber, 1, 20, 9, "powdery-mildew", look: look))
        );
        var spray = Assert.Single(evening.Deeds, d => d.Kind == DeedKind.Spray);
        Assert.Equal("whitefly", spray.Tank!.Target.Id);
        Assert.Contains("powdery mildew waits, greenhouse whitefly comes first", Assert.Single(evening.LeftAlone).Said.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void After_a_spray_it_waits_for_the_check_back()
    {
        var spray = GardenSamples.Sprayed(Beans, 0.5, "castile-soap", "black-bean-aphid");
        var garden = Garden(GardenSamples.Seen(Beans, 1, 20, 10, "black-bean-aphid")) with
        {
            Applications = [spray],
            CheckBacks = [new(Guid.NewGuid(), spray.Id, Beans.Id, new DateOnly(2026, 7, 18), null, null, null, Injury.None)],
        };
        Assert.Contains("check back Sat 18 Jul", Assert.Single(EveningPlanner.Plan(garden).LeftAlone).Said.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_check_back_that_is_due_comes_first_and_replaces_the_rest()
    {
        var spray = GardenSamples.Sprayed(Beans, 3, "castile-soap", "black-bean-aphid");
        var garden = Garden(GardenSamples.Seen(Beans, 4, 20, 10, "black-bean-aphid")) with
        {
            Applications = [spray],
            CheckBacks = [new(Guid.NewGuid(), spray.Id, Beans.Id, new DateOnly(2026, 7, 16), null, null, null, Injury.None)],
        };
        var deeds = EveningPlanner.Plan(garden).Deeds;
        Assert.Equal(DeedKind.CheckBack, deeds[0].Kind);
        Assert.DoesNotContain(deeds.Skip(1), d => d.PlantingIds.Contains(Beans.Id));
    }

    [Fact]
    public void What_nobody_saw_for_six_days_is_walked()
    {
        var walk = Assert.Single(EveningPlanner.Plan(Garden(GardenSamples.Seen(Beans, 6, 20, 0), GardenSamples.Seen(Cucumber, 2, 20, 0))).Deeds);
        Assert.Equal(DeedKind.Walk, walk.Kind);
        Assert.Equal([Beans.Id], walk.PlantingIds);
    }

    [Fact]
    public void The_same_garden_gives_the_same_evening()
    {
        var garden = Garden(GardenSamples.Seen(Beans, 1, 20, 10, "black-bean-aphid"), GardenSamples.Seen(Cucumber, 1, 20, 12, "whitefly"));
        Assert.Equal(EveningPlanner.Plan(garden).Deeds.Select(d => d.Title), EveningPlanner.Plan(garden).Deeds.Select(d => d.Title));
    }

    private static MaterialOption Option(GardenSnapshot garden, string material, string target = "black-bean-aphid") =>
        MaterialChoice.Options(garden, Beans, GardenSamples.Target(target)).Single(o => o.Material.Id == material);

    [Fact]
    public void A_group_that_was_used_twice_running_is_passed_over()
    {
        GardenSnapshot Twice(string material) =>
            Garden() with
            {
                Applications = [GardenSamples.Sprayed(Beans, 30, material, "black-bean-aphid"), GardenSamples.Sprayed(Beans, 24, material, "black-bean-aphid")],
            };
        Assert.Contains("the group changes between courses", Option(Twice("neem-oil"), "neem-oil").Barred[0].Clause, StringComparison.Ordinal);
        Assert.Contains(Option(Twice("neem-oil"), "castile-soap").Reasons, r => r.Words.StartsWith("Changes the group", StringComparison.Ordinal));
        Assert.True(Option(Garden(), "neem-oil").Allowed);
        // Soap breeds no resistance: it may be given again.
        Assert.True(Option(Twice("castile-soap"), "castile-soap").Allowed);
    }

    [Fact]
    public void Oil_waits_for_sulfur_to_pass()
    {
        var after = Garden() with { Applications = [GardenSamples.Sprayed(Beans, 3, "sulfur")] };
        Assert.Contains("wait", Option(after, "horticultural-oil").Barred[0].Clause, StringComparison.Ordinal);
        Assert.True(Option(Garden() with { Applications = [GardenSamples.Sprayed(Beans, 40, "sulfur")] }, "horticultural-oil").Allowed);
    }

    [Fact]
    public void What_harms_a_pond_is_passed_over_near_one()
    {
        var near = Garden() with { Places = [Bed with { PondDistanceM = 6 }, Tunnel] };
        Assert.Equal("the pond is 6 m away and neem oil keeps 10 m from water", Option(near, "neem-oil").Barred[0].Clause.Told());
        Assert.True(Option(near, "castile-soap").Allowed);
    }

    [Fact]
    public void Only_labelled_products_where_the_garden_says_so()
    {
        var strict = Garden() with { Garden = GardenSamples.Home with { OnlyLabelled = true } };
        Assert.Contains("only labelled", Option(strict, "castile-soap").Barred[0].Clause, StringComparison.Ordinal);
    }
}
