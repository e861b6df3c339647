using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

/// <summary>One filling against two troubles of a planting.</summary>
public class OneTankTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Courgette = GardenSamples.Grown(Bed, "courgette");

    private static GardenSnapshot Garden(params (string Target, int Affected)[] seen)
    {
        var look = Guid.NewGuid();
        return GardenSamples.Tried(
            GardenSamples.Garden([Bed], [Courgette]) with
            {
                Observations =
                [
                    .. seen.Select(
                        (x, i) => GardenSamples.Seen(Courgette, 0.1, 40, x.Affected, x.Target) with { Id = i == 0 ? look : Guid.NewGuid(), LookId = look }
                    ),
                ],
            }
        );
    }

    private static MixAsk Ask(string target, string recipe) => new([Courgette.Id], target, recipe, DoseStep.Gentle, [], null, null, null, null, false);

    [Fact]
    public void What_works_on_both_meets_both()
    {
        var garden = Garden(("melon-aphid", 20), ("powdery-mildew", 20));
        var other = Assert.Single(OneTank.For(garden, Ask("melon-aphid", "neem-with-soap"), 1));
        Assert.Equal("powdery-mildew", other.Other.Id);
        Assert.NotNull(other.Material);
        Assert.NotEqual("", other.Sentence);
    }

    [Fact]
    public void What_may_not_meet_wants_a_tank_of_its_own_and_says_why()
    {
        var garden = Garden(("melon-aphid", 20), ("powdery-mildew", 20));
        // Peroxide eats what it meets: nothing against aphids goes in beside it.
        var other = Assert.Single(OneTank.For(garden, Ask("powdery-mildew", "peroxide"), 1));
        Assert.Equal("melon-aphid", other.Other.Id);
        Assert.Null(other.Material);
        Assert.False(other.Worth);
        Assert.Contains(":", other.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Nothing_is_said_of_what_is_under_its_line_or_of_two_leaves()
    {
        Assert.Empty(OneTank.For(Garden(("melon-aphid", 20), ("powdery-mildew", 0)), Ask("melon-aphid", "neem-with-soap"), 1));
        Assert.Empty(OneTank.For(Garden(("melon-aphid", 20), ("powdery-mildew", 20)), Ask("melon-aphid", "neem-with-soap") with { PatchTest = true }, 1));
    }

    [Fact]
    public void One_spray_against_both_counts_once_opens_both_courses_and_is_judged_for_each()
    {
        var garden = Garden(("melon-aphid", 20), ("powdery-mildew", 20));
        var recipe = garden.Catalogue.FindRecipe("neem-with-soap")!;
        var mix = Mix.Make(garden.Catalogue, new MixOrder(recipe, DoseStep.Gentle, 1, KitchenSystem.Metric), new MixConditions(20, [], false));
        var bottle = Bottles
            .Fill(
                garden,
                Guid.NewGuid(),
                [Courgette.Id],
                "melon-aphid",
                false,
                mix,
                GardenSamples.Now,
                null,
                also: new AlsoAgainst("powdery-mildew", "neem-oil")
            )
            .Batches[0];
        var logged = Sprays.Log(garden, new NewApplication(Guid.NewGuid(), bottle.Id, [Courgette.Id], 1), bottle, GardenSamples.Now, null);
        var spray = Assert.Single(logged.Sprays);
        Assert.Equal(["melon-aphid", "powdery-mildew"], logged.Courses.Select(c => c.Target));
        Assert.Equal([null, "powdery-mildew"], logged.CheckBacks.Select(c => c.AlsoTarget));
        var after = (garden with { Batches = [bottle] }).After(logged);
        Assert.All(logged.Courses, c => Assert.Equal(1, CourseProgress.Of(after, c).RoundsGiven));
        Assert.Equal("powdery-mildew", WhatIsJudged.Of(after, logged.CheckBacks[1])!.Target);
        Assert.Equal(0, after.LeftIn(bottle), 1e-9);
        Assert.Single(PlaceCover.Bands(after, Bed, after.SkyOf(Bed)), b => b.Application.Id == spray.Id);
    }

    [Fact]
    public void A_round_of_the_other_course_goes_along_when_it_is_due()
    {
        var seen = Garden(("powdery-mildew", 20), ("melon-aphid", 20));
        GardenSnapshot Running(double daysAgo) =>
            seen with
            {
                Courses =
                [
                    new Course(
                        Guid.NewGuid(),
                        Courgette.Id,
                        "melon-aphid",
                        "neem-with-soap",
                        GardenSamples.Now.AddDays(-daysAgo),
                        DoseStep.Gentle,
                        7,
                        3,
                        null,
                        []
                    ),
                ],
                Applications = [.. seen.Applications, GardenSamples.Sprayed(Courgette, daysAgo, "neem-oil", "melon-aphid")],
            };
        var ask = Ask("powdery-mildew", "bicarbonate-with-sticker");
        var due = Assert.Single(OneTank.For(Running(7), ask, 1));
        Assert.Equal(("melon-aphid", "neem-oil", true), (due.Other.Id, due.Material?.Id, due.Worth));
        Assert.Contains("due too", due.Sentence, StringComparison.Ordinal);
        Assert.Empty(OneTank.For(Running(2), ask, 1));
    }

    [Fact]
    public void Each_course_is_judged_by_its_own_visit()
    {
        var garden = Garden(("melon-aphid", 20), ("powdery-mildew", 20));
        var spray = GardenSamples.Sprayed(Courgette, 4, "neem-oil", "melon-aphid") with { Also = new AlsoAgainst("powdery-mildew", "neem-oil") };
        CheckBack Visit(string? also, Outcome outcome) =>
            new(
                Guid.NewGuid(),
                spray.Id,
                Courgette.Id,
                garden.Today,
                GardenSamples.Now.AddHours(-1),
                garden.Observations[0].Id,
                outcome,
                Injury.None,
                AlsoTarget: also
            );
        var judged = garden with
        {
            Applications = [.. garden.Applications, spray],
            CheckBacks = [.. garden.CheckBacks, Visit(null, Outcome.Losing), Visit("powdery-mildew", Outcome.Holding)],
        };
        DoseStep Next(string target) =>
            CourseProgress.Of(judged, new Course(Guid.NewGuid(), Courgette.Id, target, "neem-with-soap", spray.At, DoseStep.Gentle, 7, 3, null, [])).Step;
        Assert.Equal((DoseStep.Usual, DoseStep.Gentle), (Next("melon-aphid"), Next("powdery-mildew")));
    }

    [Fact]
    public void What_went_in_beside_covers_too()
    {
        var garden = Garden(("melon-aphid", 20), ("powdery-mildew", 20));
        var spray = GardenSamples.Sprayed(Courgette, 0.5, "insecticidal-soap", "melon-aphid") with { Also = new AlsoAgainst("powdery-mildew", "bicarbonate") };
        var after = garden with { Applications = [.. garden.Applications, spray] };
        Assert.Equal(["bicarbonate"], PlaceCover.Bands(after, Bed, after.SkyOf(Bed)).Where(b => b.Application.Id == spray.Id).Select(b => b.Material.Id));
        Assert.Equal(("insecticidal-soap", "bicarbonate"), (spray.MaterialAgainst("melon-aphid"), spray.MaterialAgainst("powdery-mildew")));
    }

    [Fact]
    public void Feed_stays_out_of_the_tank() =>
        Assert.Contains("castings", OneTank.Feed(Shipped.Catalogue, Shipped.Catalogue.Material("neem-oil")), StringComparison.OrdinalIgnoreCase);
}
