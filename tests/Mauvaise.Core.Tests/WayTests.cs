using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>The one judgement of what may be done.</summary>
public class WayTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;

    private static WaySet Ways(
        string crop,
        string target,
        double share,
        PlaceKind kind = PlaceKind.OpenBed,
        Stance stance = Stance.WatchAndTreat,
        int helpers = 0,
        Ants ants = Ants.None,
        DiseaseApproach approach = DiseaseApproach.ProtectOnly,
        Func<GardenSnapshot, GardenSnapshot>? with = null
    )
    {
        var (garden, planting, seen) = ImaginedGarden.With(
            C,
            new Imagined(crop, kind, null, new DateOnly(2026, 7, 16), 47, "continental", target, share, helpers, ants, stance, approach)
        );
        garden = GardenSamples.Tried(garden);
        return WayBook.Of(with?.Invoke(garden) ?? garden).For(planting, seen);
    }

    [Theory]
    [InlineData("courgette", "melon-aphid", 0.6, PlaceKind.OpenBed)]
    [InlineData("kale", "cabbage-aphid", 0.25, PlaceKind.OpenBed)]
    [InlineData("aubergine", "spider-mite", 0.3, PlaceKind.Tunnel)]
    [InlineData("cucumber", "whitefly", 0.25, PlaceKind.Tunnel)]
    [InlineData("cabbage", "cabbage-white", 0.4, PlaceKind.OpenBed)]
    public void What_is_proposed_comes_under_the_line_and_stays_there(string crop, string target, double share, PlaceKind kind)
    {
        var set = Ways(crop, target, share, kind);
        var (proposed, alone) = (set.Proposed!, set.Alone!);
        Assert.True(proposed.Holds, set.Sentence.Words);
        Assert.All(proposed.Outlook!.Days.Take(22).Skip(18), d => Assert.True(d.Middle <= set.Finding.Line.Share));
        Assert.True(proposed.Outlook.End.High < alone.Outlook!.End.Middle);
        Assert.Equal([.. proposed.SprayDays.Order()], proposed.SprayDays);
        Assert.Contains("left alone", set.Sentence.Words, StringComparison.Ordinal);
    }

    /// <summary>Peroxide kills what sits on a leaf: spots are inside it.</summary>
    [Fact]
    public void Nothing_cures_a_spot_that_is_there()
    {
        var set = Ways("tomato", "septoria", 0.2);
        var (alone, peroxide, bicarbonate) = (set.Alone!.Outlook!.End.Middle, Outlook(set, "peroxide"), Outlook(set, "bicarbonate"));
        Assert.InRange(peroxide, 0.75 * alone, alone);
        Assert.True(bicarbonate < alone);
        // Mildew is on the leaf.
        var mildew = Ways("courgette", "powdery-mildew", 0.2);
        Assert.True(Outlook(mildew, "potassium-bicarbonate") < 0.6 * mildew.Alone!.Outlook!.End.Middle);
    }

    [Fact]
    public void Cleaning_and_then_protecting_is_one_way_and_plays_better_than_either()
    {
        var set = Ways("courgette", "powdery-mildew", 0.3, approach: DiseaseApproach.CleanThenProtect);
        var both = set.All.Where(w => w.After is not null).ToList();
        Assert.NotEmpty(both);
        Assert.All(both, w =>
        {
            var (clean, after) = (w.Option!.Material, w.After!.Option.Material);
            Assert.NotEqual(clean.Group, after.Group);
            Assert.Single(w.SprayDays);
            Assert.True(w.After.Days[0] - w.SprayDays[0] >= Pairs.Between(C, clean, after).DaysApart);
            Assert.Equal(1 + w.After.Days.Count, w.Sprays);
            Assert.EndsWith(after.Id, w.Id, StringComparison.Ordinal);
            Assert.True(w.Outlook!.End.Middle < set.Alone!.Outlook!.End.Middle);
        });
        var once = set.All.Where(w => w.After is null && w.Option?.Material.Group == "oxidiser").Min(w => w.Outlook!.End.Middle);
        Assert.True(both.Min(w => w.Outlook!.End.Middle) < once);
    }

    [Fact]
    public void A_course_that_cleaned_goes_on_with_what_protects()
    {
        var (garden, planting, seen) = ImaginedGarden.With(
            C,
            new Imagined(
                "courgette",
                PlaceKind.OpenBed,
                null,
                new DateOnly(2026, 7, 16),
                47,
                "continental",
                "powdery-mildew",
                0.3,
                0,
                Ants.None,
                Stance.WatchAndTreat,
                DiseaseApproach.CleanThenProtect
            )
        );
        garden = GardenSamples.Tried(garden);
        var way = WayBook.Of(garden).For(planting, seen).All.First(w => w is { After: not null, Allowed: true });
        var course = CourseDeeds.Open(
            garden,
            Guid.NewGuid(),
            planting,
            C.Target("powdery-mildew"),
            way.Option!.Recipe,
            DoseStep.Gentle,
            [],
            garden.Now.AddMinutes(-1),
            way.Id
        );
        Assert.Equal(new CourseRounds(way.After!.Option.Recipe.Id, way.After.Shape.SpacingDays, way.After.Shape.Rounds), course.Then);
        var before = CourseProgress.Of(garden with { Courses = [course] }, course);
        Assert.Equal(way.Option.Recipe.Id, before.Recipe.Id);

        var spray = GardenSamples.Sprayed(planting, 0, way.Option.Material.Id, "powdery-mildew") with { At = garden.Now };
        var cleaned = garden with { Courses = [course], Applications = [.. garden.Applications, spray] };
        var after = CourseProgress.Of(cleaned, course);
        Assert.Equal(way.After.Option.Recipe.Id, after.Recipe.Id);
        Assert.Equal(CourseState.RoundDue, after.State);
        Assert.True(after.NextOn >= garden.Today.AddDays(1), $"{after.NextOn}");
        Assert.Null(after.Bars(way.After.Option.Material.Id));
    }

    private static double Outlook(WaySet set, string way) => set.All.First(w => w.Id == way).Outlook!.End.Middle;

    [Fact]
    public void Every_set_has_leaving_alone_and_taking_out_and_one_proposal()
    {
        var set = Ways("courgette", "powdery-mildew", 0.3);
        Assert.Contains(set.All, w => w.Id == "nothing");
        Assert.Contains(set.All, w => w.Id == "take-out");
        Assert.Single(set.All, w => w.Proposed);
        Assert.Equal(set.All.Select(w => w.Id).Distinct(), set.All.Select(w => w.Id));
        Assert.All(set.All, w => Assert.True(w.Outlook!.End.Low <= w.Outlook.End.Middle && w.Outlook.End.Middle <= w.Outlook.End.High));
        Assert.True(set.All[0].Proposed);
    }

    [Theory]
    [InlineData("tomato", "blossom-end-rot")]
    [InlineData("cabbage", "birds")]
    [InlineData("tomato", "ladybird-young")]
    public void What_is_no_pest_is_put_right_and_never_sprayed(string crop, string target)
    {
        var set = Ways(crop, target, 0.3);
        Assert.Equal(["put-right", "nothing", "take-out"], set.All.Select(w => w.Id));
        Assert.Equal("put-right", set.Proposed!.Id);
        Assert.Equal(C.Target(target).InsteadOfSpray ?? "No spray mends it.", set.Sentence.Words);
        Assert.False(set.All[2].Allowed);
    }

    [Theory]
    [InlineData("radish", "flea-beetle", "pick-off", "sticky-sweep")]
    [InlineData("squash", "vine-borer", "pick-off", "slit-stem")]
    public void Hands_do_what_hands_can(string crop, string target, string not, string but)
    {
        var set = Ways(crop, target, 0.4);
        Assert.DoesNotContain(set.All, w => w.Uses(not));
        Assert.Contains(set.All, w => w.Uses(but));
    }

    [Fact]
    public void Potato_haulm_is_cut_and_not_pulled()
    {
        Assert.Contains("haulm", Ways("potato", "late-blight", 0.2).Sentence.Words, StringComparison.Ordinal);
        Assert.DoesNotContain("haulm", Ways("tomato", "late-blight", 0.2).Sentence.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_planting_that_is_left_alone_on_purpose_is_never_proposed_for()
    {
        var (garden, planting, seen) = ImaginedGarden.With(
            C,
            new Imagined(
                "courgette",
                PlaceKind.OpenBed,
                null,
                new DateOnly(2026, 7, 16),
                47,
                "continental",
                "melon-aphid",
                0.6,
                0,
                Ants.Many,
                Stance.KeepAhead,
                DiseaseApproach.ProtectOnly
            )
        );
        Assert.NotEmpty(EveningPlanner.Plan(garden).Deeds);
        var alone = garden with { Choices = [new PlanChoice(Guid.NewGuid(), PlanWord.LeaveAlone, planting.Id, null, null, null)] };
        Assert.Empty(WayBook.Of(alone).For(planting, seen).All);
        Assert.DoesNotContain(ActionLadder.For(alone, planting, seen).Steps, s => s.Choice == StepChoice.Do);
        Assert.Empty(RotaPlanner.Plan(alone).Rounds);
        Assert.DoesNotContain(EveningPlanner.Plan(alone).Deeds, d => d.Kind != DeedKind.Walk && d.PlantingIds.Contains(planting.Id));
    }

    [Fact]
    public void While_a_course_runs_nothing_else_is_mixed_against_the_same_trouble()
    {
        var set = Ways("courgette", "melon-aphid", 0.3, with: g =>
        {
            var planting = g.Plantings.Single();
            var recipe = C.Recipes.First(r => r.Active.Material == "insecticidal-soap");
            return g with
            {
                Courses = [new Course(Guid.NewGuid(), planting.Id, "melon-aphid", recipe.Id, g.Now.AddHours(-1), DoseStep.Gentle, 5, 3, null, [])],
            };
        });
        Assert.NotNull(set.Finding.Course);
        var others = set.All.Where(w => w.Option is { } option && option.Material.Id != "insecticidal-soap").ToList();
        Assert.NotEmpty(others);
        Assert.All(others, w => Assert.False(w.Allowed, w.Id));
        Assert.Contains(others, w => w.Against.Any(r => r.Code == "course-runs"));
        Assert.Equal(3, set.All.First(w => w.Id == "insecticidal-soap").Sprays);
    }

    [Fact]
    public void Ants_are_baited_under_the_line_too_and_the_ladder_says_the_same()
    {
        var set = Ways("kale", "cabbage-aphid", 0.04, ants: Ants.Few);
        Assert.False(set.Finding.OverLine);
        Assert.True(set.Proposed!.Uses("ant-bait"));
        Assert.True(ActionLadder.For(set.Finding.Garden, set.Finding.Planting, set.Finding.Seen).Proposes("ant-bait"));
    }

    [Fact]
    public void Who_hardly_ever_sprays_is_not_proposed_a_spray_until_growth_is_hurt()
    {
        var set = Ways("kale", "cabbage-aphid", 0.5, stance: Stance.LastResort);
        Assert.Null(set.Proposed!.Option);
        Assert.All(set.All.Where(w => w.Option is not null), w => Assert.Contains(w.Against, r => r.Code == "last-resort"));
    }

    [Fact]
    public void Where_only_labelled_products_are_used_hands_are_weighed_and_the_answer_is_not_empty()
    {
        var set = Ways("kale", "cabbage-aphid", 0.5, with: g => g with { Garden = g.Garden with { OnlyLabelled = true } });
        Assert.Equal(Rung.Hands, set.Proposed!.Rung);
        Assert.All(set.All.Where(w => w.Option is not null), w => Assert.NotEmpty(w.Against));
    }

    [Fact]
    public void Under_its_line_or_among_helpers_it_is_left()
    {
        Assert.Equal("nothing", Ways("kale", "cabbage-aphid", 0.1).Proposed!.Id);
        var helped = Ways("kale", "cabbage-aphid", 0.3, helpers: 3);
        Assert.Equal("nothing", helped.Proposed!.Id);
        Assert.True(helped.Proposed.Holds);
    }

    [Fact]
    public void Ants_are_kept_off_first_and_their_helpers_do_the_rest()
    {
        var set = Ways("kale", "cabbage-aphid", 0.3, helpers: 4, ants: Ants.Many);
        Assert.Equal(Rung.Helpers, set.Proposed!.Rung);
        Assert.True(set.Proposed.Uses("ant-bait") && set.Proposed.Uses("ant-band"));
        Assert.True(set.Proposed.Outlook!.End.Middle < set.Alone!.Outlook!.End.Middle / 2);
    }

    /// <summary>What a label says beats the catalogue's cadence, and a ban bars.</summary>
    [Fact]
    public void Rules_of_a_label_and_of_the_gardener_bind_the_rounds()
    {
        var soap = C.Material("insecticidal-soap");
        var labelled = C.Knowing(new Dictionary<string, Material> { [soap.Id] = soap with { Label = new ProductLabel(null, 6, false) } });
        var set = Ways("courgette", "melon-aphid", 0.6, with: g => g with { Catalogue = labelled });
        var own = set.Of(labelled.Material(soap.Id))!;
        Assert.All(own.SprayDays.Zip(own.SprayDays.Skip(1)), p => Assert.True(p.Second - p.First >= 6));
        var banned = Ways("courgette", "melon-aphid", 0.6, with: g =>
            g with
            {
                Choices = [new(Guid.NewGuid(), PlanWord.Ban, g.Plantings[0].Id, null, soap.Id, null)],
            }
        );
        Assert.Contains(banned.Of(soap)!.Against, r => r.Code == "banned");
        Assert.NotEqual(soap.Id, banned.Proposed!.Option?.Material.Id);
    }

    [Fact]
    public void A_no_to_a_part_of_the_proposed_way_brings_the_next()
    {
        var set = Ways("kale", "cabbage-aphid", 0.25);
        Assert.Equal("water-jet", set.Proposed!.Id);
        var seen = set.Finding.Seen;
        var garden = set.Finding.Garden with
        {
            Tasks = [new(Guid.NewGuid(), seen.PlantingId, seen.LookId, "water-jet", "cabbage-aphid", new(2026, 7, 16), TaskState.Passed)],
        };
        var next = WayBook.Of(garden).For(set.Finding.Planting, seen).Proposed!;
        Assert.False(next.Uses("water-jet"));
        Assert.True(next.Holds);
    }

    [Fact]
    public void What_no_model_plays_is_met_by_hand_or_said_to_be_hopeless()
    {
        Assert.Equal("slug-round", Ways("lettuce", "slugs", 0.3).Proposed!.Id);
        Assert.Equal("take-out", Ways("cucumber", "virus", 0.1).Proposed!.Id);
        Assert.Null(Ways("lettuce", "slugs", 0.3).Alone!.Outlook);
    }

    [Fact]
    public void What_a_label_doses_is_named_and_barred_until_the_household_owns_it()
    {
        var without = Ways("basil", "fungus-gnat", 0.4, PlaceKind.IndoorRack).All.Single(w => w.Id == "bti");
        Assert.Equal(MaterialOption.NeedsLabel, Assert.Single(without.Against).Code);
        var owned = new OwnProduct(Guid.NewGuid(), "Gnat drops", "bti", [], "ml", 1, 2, false, null, null, null);
        var with = Ways("basil", "fungus-gnat", 0.4, PlaceKind.IndoorRack, with: g => g with { Catalogue = C.With([owned]) }).All;
        Assert.DoesNotContain(with, w => w.Id == "bti");
        var own = with.Single(w => w.Id == owned.MaterialId);
        Assert.True(own.Allowed);
        Assert.Equal(Form.Drench, own.Option!.Recipe.Form);
    }

    [Fact]
    public void What_holds_only_when_it_is_bought_is_said_in_the_first_line()
    {
        var set = Ways("radish", "flea-beetle", 0.4, with: g =>
            g with
            {
                Choices =
                [
                    .. C.Materials.Where(m => !m.LabelOnly).Select(m => new PlanChoice(Guid.NewGuid(), PlanWord.Ban, g.Plantings[0].Id, null, m.Id, null)),
                ],
            }
        );
        Assert.False(set.Proposed!.Holds);
        Assert.EndsWith("Spinosad would: enter the product that you buy on the shelf.", set.Sentence.Words, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("hornworm", 0.3, "pick-off")]
    [InlineData("hornworm", 0.02, "nothing")]
    [InlineData("fruitworm", 0.15, "nothing")]
    public void What_eats_is_picked_under_its_line_when_leaving_it_would_cross_it(string target, double share, string way) =>
        Assert.Equal(way, Ways("tomato", target, share).Proposed!.Id);

    [Theory]
    [InlineData("virus", "take the sick plants out", 10)]
    [InlineData("late-blight", "take the plants out", 100)]
    public void Of_what_is_by_plant_the_sick_ones_go(string target, string words, double lost)
    {
        var way = Ways("tomato", target, 0.1).Proposed!;
        Assert.Equal(words, way.Words);
        Assert.Equal(lost, 100 * way.Outlook!.Loss, 6);
    }

    [Fact]
    public void A_group_that_no_kind_is_known_of_is_played_like_its_group() =>
        Assert.All(C.Targets.Where(t => t.IsGroup && KnownGroups.Contains(t.Group) && !t.NoSpray && t.Kind == TargetKind.Disease), t =>
            Assert.True(Trouble.Knows(t), t.Id)
        );

    private static readonly string[] KnownGroups = ["surface-mildew", "leaf-spots", "downy-mildew", "rusts", "moulds"];
}
