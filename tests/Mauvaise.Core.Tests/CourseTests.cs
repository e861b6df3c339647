using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

public class CourseTests
{
    private static readonly Place Warm = GardenSamples.Bed("Warm bed");
    private static readonly Place Bed = GardenSamples.Bed("Bed", 1);
    private static readonly Planting Aubergine = GardenSamples.Grown(Warm, "aubergine");
    private static readonly Planting Squash = GardenSamples.Grown(Bed, "squash");

    private static GardenSnapshot Garden(double meanC = 25, Stance stance = Stance.WatchAndTreat) =>
        GardenSamples.Tried(GardenSamples.Garden([Warm, Bed], [Aubergine, Squash], _ => WeatherSamples.Mild with { TemperatureC = meanC })) with
        {
            Garden = GardenSamples.Home with { Stance = stance },
        };

    private static CourseShape Shape(GardenSnapshot garden, string target, string material) =>
        CourseShape.For(garden, Aubergine, GardenSamples.Target(target), Shipped.Catalogue.Material(material));

    private static Course Course(
        GardenSnapshot garden,
        string recipe = "insecticidal-soap",
        string target = "spider-mite",
        double daysAgo = 20,
        Planting? on = null
    )
    {
        var shape = CourseShape.For(
            garden,
            on ?? Aubergine,
            GardenSamples.Target(target),
            Shipped.Catalogue.Material(Shipped.Catalogue.FindRecipe(recipe)!.Active.Material)
        );
        return new(
            Guid.NewGuid(),
            (on ?? Aubergine).Id,
            target,
            recipe,
            GardenSamples.Now.AddDays(-daysAgo),
            DoseStep.Gentle,
            shape.SpacingDays,
            shape.Rounds,
            shape.DegreeDaysPerDay,
            []
        );
    }

    /// <summary>The garden with a course, its rounds so many days ago, and what each check-back said.</summary>
    private static GardenSnapshot With(GardenSnapshot garden, Course course, params (double DaysAgo, Outcome? Outcome, Injury Injury)[] rounds)
    {
        var planting = garden.FindPlanting(course.PlantingId)!;
        var material = Shipped.Catalogue.FindRecipe(course.Recipe)!.Active.Material;
        var sprays = rounds.Select(r => GardenSamples.Sprayed(planting, r.DaysAgo, material, course.Target)).ToList();
        return garden with
        {
            Courses = [course],
            Applications = [.. garden.Applications, .. sprays],
            CheckBacks =
            [
                .. garden.CheckBacks,
                .. sprays.Zip(rounds, (a, r) =>
                    new CheckBack(
                        Guid.NewGuid(),
                        a.Id,
                        planting.Id,
                        garden.Garden.DateOf(a.At).AddDays(2),
                        r.Outcome is null ? null : a.At.AddDays(2),
                        null,
                        r.Outcome,
                        r.Injury
                    )
                ),
            ],
        };
    }

    [Theory]
    [InlineData(25, Stance.WatchAndTreat, 5, 2)]
    [InlineData(25, Stance.KeepAhead, 5, 3)]
    [InlineData(18, Stance.WatchAndTreat, 5, 3)]
    public void Mites_take_rounds_and_spacing_by_the_warmth(double meanC, Stance stance, int spacing, int rounds)
    {
        var shape = Shape(Garden(meanC, stance), "spider-mite", "insecticidal-soap");
        Assert.Equal((spacing, rounds), (shape.SpacingDays, shape.Rounds));
    }

    [Fact]
    public void What_kills_eggs_takes_two_rounds_and_live_bearers_go_by_growth()
    {
        Assert.Equal(2, Shape(Garden(), "spider-mite", "horticultural-oil").Rounds);
        var aphids = Shape(Garden(20), "peach-aphid", "insecticidal-soap");
        Assert.InRange(aphids.Rounds, 2, 3);
        Assert.Contains("live young", aphids.Reason.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void The_first_round_waits_for_two_leaves()
    {
        var untried = GardenSamples.Garden([Warm], [Aubergine]);
        var course = Course(untried, daysAgo: 0.1);
        Assert.Equal(CourseState.PatchFirst, CourseProgress.Of(untried with { Courses = [course] }, course).State);
        var trial = GardenSamples.Sprayed(Aubergine, 0.05, "insecticidal-soap", patchTest: true);
        var waiting = untried with
        {
            Courses = [course],
            Applications = [trial],
            CheckBacks = [new(Guid.NewGuid(), trial.Id, Aubergine.Id, new(2026, 7, 18), null, null, null, Injury.None)],
        };
        var progress = CourseProgress.Of(waiting, course);
        Assert.Equal((CourseState.PatchWaits, new DateOnly(2026, 7, 18)), (progress.State, progress.NextOn));
    }

    [Theory]
    [InlineData(1.5, "2026-07-18", "insecticidal soap wants 3 days after the last time")]
    [InlineData(6, "2026-07-16", "the first")]
    public void The_first_round_keeps_the_days_of_what_went_on_before_the_course(double sprayedDaysAgo, string next, string why)
    {
        var before = Course(Garden(), daysAgo: 0.1);
        var garden = Garden() with
        {
            Courses = [before],
            Applications = [GardenSamples.Sprayed(Aubergine, sprayedDaysAgo, "insecticidal-soap", "spider-mite")],
        };
        var progress = CourseProgress.Of(
            garden with
            {
                Choices = [new(Guid.NewGuid(), PlanWord.Proven, Aubergine.Id, null, "insecticidal-soap", null)],
            },
            before
        );
        Assert.Equal((0, next), (progress.RoundsGiven, progress.NextOn?.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture)));
        Assert.Contains(why, progress.Sentence.Words, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public void The_next_round_comes_after_the_spacing_and_the_change_of_weather_is_told()
    {
        var course = Course(Garden(16), daysAgo: 4);
        var garden = With(Garden(28), course, (4, Outcome.Holding, Injury.None));
        var progress = CourseProgress.Of(garden, course);
        Assert.Equal(CourseState.RoundDue, progress.State);
        Assert.Equal(garden.Today.AddDays(-4 + progress.SpacingDays), progress.NextOn);
        Assert.StartsWith("Warmer than when it was begun", progress.Change!.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_check_back_that_is_due_comes_before_the_next_round()
    {
        var course = Course(Garden(), daysAgo: 6);
        Assert.Equal(CourseState.CheckFirst, CourseProgress.Of(With(Garden(), course, (5, null, Injury.None)), course).State);
    }

    [Fact]
    public void Two_clean_looks_in_a_row_end_it_and_one_does_not()
    {
        var course = Course(Garden(), daysAgo: 12);
        var garden = With(Garden(), course, (11, Outcome.Holding, Injury.None), (6, Outcome.Cleared, Injury.None));
        Observation Clean(double daysAgo, int leaves = 20) => GardenSamples.Seen(Aubergine, daysAgo, leaves, 0);
        Assert.False(CourseProgress.Of(garden with { Observations = [Clean(4)] }, course).IsOver);
        Assert.False(CourseProgress.Of(garden with { Observations = [Clean(4), Clean(2, leaves: 2)] }, course).IsOver);
        Assert.False(
            CourseProgress.Of(garden with { Observations = [Clean(4), GardenSamples.Seen(Aubergine, 3, 20, 1, "spider-mite"), Clean(2)] }, course).IsOver
        );
        Assert.Equal(CourseState.Cleared, CourseProgress.Of(garden with { Observations = [Clean(4), Clean(2)] }, course).State);
    }

    [Fact]
    public void One_failed_round_without_injury_steps_the_dose_up_and_injury_steps_it_down()
    {
        var course = Course(Garden(), daysAgo: 6);
        Assert.Equal(DoseStep.Usual, CourseProgress.Of(With(Garden(), course, (5, Outcome.Losing, Injury.None)), course).Step);
        Assert.Equal(DoseStep.Gentle, CourseProgress.Of(With(Garden(), course, (5, Outcome.Losing, Injury.Slight)), course).Step);
        // Nobody said whether it hurt them: the dose stays.
        Assert.Equal(DoseStep.Gentle, CourseProgress.Of(With(Garden(), course, (5, Outcome.Losing, Injury.Unsaid)), course).Step);
        Assert.Equal(DoseStep.Gentle, CourseProgress.Of(With(Garden(), course, (5, Outcome.Holding, Injury.None)), course).Step);
    }

    [Theory]
    [InlineData(Outcome.Losing, Outcome.Losing, Injury.None, CourseState.ChangeGroup)]
    [InlineData(Outcome.Holding, Outcome.Losing, Injury.Clear, CourseState.ChangeGroup)]
    [InlineData(Outcome.Holding, Outcome.Lost, Injury.None, CourseState.GiveUp)]
    public void What_fails_or_burns_changes_the_group(Outcome first, Outcome second, Injury injury, CourseState state)
    {
        var course = Course(Garden(), daysAgo: 12);
        Assert.Equal(state, CourseProgress.Of(With(Garden(), course, (10, first, Injury.None), (5, second, injury)), course).State);
    }

    [Fact]
    public void Days_of_ones_own_are_kept_whatever_the_weather()
    {
        var course = Course(Garden()) with { OwnDays = [new(2026, 7, 20), new(2026, 7, 30)] };
        var progress = CourseProgress.Of(Garden() with { Courses = [course] }, course);
        Assert.Equal((new DateOnly(2026, 7, 20), 2), (progress.NextOn, progress.Rounds));
        Assert.Null(progress.Change);
    }

    [Fact]
    public void A_protectant_is_due_when_rain_takes_it_and_not_before()
    {
        DateOnly? Next(Func<DateTimeOffset, WeatherHour> weather)
        {
            var garden = GardenSamples.Tried(GardenSamples.Garden([Bed], [Squash], weather));
            var course = Course(garden, "bicarbonate-with-sticker", "powdery-mildew", 2, Squash);
            return CourseProgress.Of(With(garden, course, (1, Outcome.Holding, Injury.None)), course).NextOn;
        }

        var storm = GardenSamples.Now.AddDays(-0.5);
        var dry = Next(_ => WeatherSamples.Mild);
        var wet = Next(at => at >= storm && at < storm.AddHours(10) ? WeatherSamples.Mild with { RainMm = 4 } : WeatherSamples.Mild);
        Assert.True(wet < dry);
    }

    [Theory]
    [InlineData(Stance.WatchAndTreat, true)]
    [InlineData(Stance.LastResort, true)]
    [InlineData(Stance.KeepAhead, false)]
    public void After_a_clean_look_a_protectant_waits_for_another_look_unless_the_place_keeps_ahead(Stance stance, bool waits)
    {
        var garden = GardenSamples.Tried(GardenSamples.Garden([Bed], [Squash])) with { Garden = GardenSamples.Home with { Stance = stance } };
        var course = Course(garden, "bicarbonate-with-sticker", "powdery-mildew", 12, Squash);
        var sprayed = With(garden, course, (11, Outcome.Cleared, Injury.None));
        var without = CourseProgress.Of(sprayed, course).NextOn!.Value;
        var clean = CourseProgress.Of(sprayed with { Observations = [GardenSamples.Seen(Squash, 1, 20, 0)] }, course);
        Assert.Equal(CourseState.RoundDue, clean.State);
        Assert.Equal(waits ? garden.Today.AddDays(6) : without, clean.NextOn);
        Assert.Equal(waits, clean.Sentence.Words.Contains("one more clean look ends it", StringComparison.Ordinal));
    }

    [Theory]
    // Two rounds that brought it well under its line are enough where no eggs are left to hatch.
    [InlineData("powdery-mildew", "bicarbonate-with-sticker", Stance.WatchAndTreat, Outcome.Cleared, true)]
    [InlineData("powdery-mildew", "bicarbonate-with-sticker", Stance.WatchAndTreat, Outcome.Holding, false)]
    [InlineData("powdery-mildew", "bicarbonate-with-sticker", Stance.KeepAhead, Outcome.Cleared, false)]
    [InlineData("melon-aphid", "insecticidal-soap", Stance.WatchAndTreat, Outcome.Cleared, true)]
    [InlineData("spider-mite", "insecticidal-soap", Stance.WatchAndTreat, Outcome.Cleared, false)]
    public void Two_rounds_are_enough_when_it_is_well_under_its_line_and_nothing_hatches(string target, string recipe, Stance stance, Outcome second, bool held)
    {
        // Cool, so that mites take three rounds.
        var garden = GardenSamples.Tried(GardenSamples.Garden([Bed], [Squash], _ => WeatherSamples.Mild with { TemperatureC = 18 })) with
        {
            Garden = GardenSamples.Home with { Stance = stance },
        };
        var course = Course(garden, recipe, target, 12, Squash);
        var progress = CourseProgress.Of(With(garden, course, (11, Outcome.Holding, Injury.None), (4, second, Injury.None)), course);
        Assert.Equal(held, progress.State == CourseState.Held);
        Assert.Equal(held, progress.IsOver);
        var own = course with { OwnDays = [new(2026, 7, 5), new(2026, 7, 12), new(2026, 7, 20)] };
        Assert.False(CourseProgress.Of(With(garden, own, (11, Outcome.Holding, Injury.None), (4, second, Injury.None)), own).IsOver);
    }

    [Fact]
    public void It_stops_when_it_is_stopped()
    {
        var course = Course(Garden()) with { StoppedAt = GardenSamples.Now };
        Assert.Equal(CourseState.Stopped, CourseProgress.Of(Garden() with { Courses = [course] }, course).State);
    }
}
