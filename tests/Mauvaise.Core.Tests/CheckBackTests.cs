using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>Looking back: judged by what lives, settled by a fresh count, and keeping nothing back that does not wait for it.</summary>
public class CheckBackTests
{
    private const string Aphid = "melon-aphid";

    /// <summary>A courgette with aphids that was hosed some days ago, and a visit for it.</summary>
    private static (GardenSnapshot Garden, Planting Planting, CheckBack Visit) Hosed(int daysAgo, int dueDaysAgo, params Observation[] seen)
    {
        var bed = GardenSamples.Bed("Bed");
        var planting = GardenSamples.Grown(bed, "courgette");
        var task = new GardenTask(
            Guid.NewGuid(),
            planting.Id,
            null,
            KnownIds.Measures.WaterJet,
            Aphid,
            Day(daysAgo),
            TaskState.Done,
            GardenSamples.Now.AddDays(-daysAgo)
        );
        var visit = new CheckBack(Guid.NewGuid(), null, planting.Id, Day(dueDaysAgo), null, null, null, Injury.None, task.Id);
        var garden = GardenSamples.Tried(GardenSamples.Garden([bed], [planting]));
        return (
            garden with
            {
                Tasks = [task],
                CheckBacks = [.. garden.CheckBacks, visit],
                Observations = [.. seen.Select(o => o with { PlantingId = planting.Id })],
            },
            planting,
            visit
        );
    }

    private static DateOnly Day(int ago) => new DateOnly(2026, 7, 16).AddDays(-ago);

    private static Observation Count(double daysAgo, int affected, Ants ants = Ants.None) =>
        GardenSamples.Seen(GardenSamples.Grown(GardenSamples.Bed("Any"), "courgette"), daysAgo, 20, affected, affected > 0 ? Aphid : null, ants: ants);

    [Theory]
    [InlineData(true, 5, "5 more with dead ones alone")]
    [InlineData(true, 1, "1 more with dead ones alone")]
    [InlineData(false, 3, "3 more with old spots alone")]
    public void The_dead_are_told_and_do_not_count(bool insects, int onlyDead, string told)
    {
        var judged = CheckBackVerdict.Judge((20, 10), (20, 0), 0.1, new SeenBeside(insects, onlyDead, false));
        Assert.Equal(Outcome.Cleared, judged.Outcome);
        Assert.Contains(told, judged.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void Ants_that_climb_say_that_some_are_left()
    {
        var judged = CheckBackVerdict.Judge((20, 10), (20, 0), 0.1, new SeenBeside(true, null, true));
        Assert.Equal(Outcome.Holding, judged.Outcome);
        Assert.Contains("Ants still climb", judged.Sentence, StringComparison.Ordinal);
        Assert.Equal(Outcome.Losing, CheckBackVerdict.Judge((20, 4), (20, 8), 0.1, new SeenBeside(true, null, true)).Outcome);
    }

    [Fact]
    public void Ants_mean_survivors_only_where_they_tend_what_was_treated()
    {
        var (garden, _, visit) = Hosed(4, 1, Count(5, 10));
        var what = WhatIsJudged.Of(garden, visit)!;
        Assert.Equal(Outcome.Holding, CheckBackDeeds.Verdict(garden, visit, what, 20, 0, Ants.Many, null).Outcome);
        var mildew = what with { Target = "powdery-mildew" };
        Assert.Equal(Outcome.Cleared, CheckBackDeeds.Verdict(garden, visit, mildew, 20, 0, Ants.Many, null).Outcome);
    }

    [Fact]
    public void A_visit_to_come_waits_and_one_that_was_forgotten_keeps_hands_back_no_longer()
    {
        var (garden, planting, _) = Hosed(1, -2, Count(2, 10));
        var waits = WayBook.Of(garden).For(planting, garden.Observations[0]);
        Assert.Equal(Way.AloneId, waits.Proposed!.Id);
        Assert.NotNull(waits.Finding.Visit);

        (garden, planting, _) = Hosed(6, 3, Count(7, 10));
        var forgotten = WayBook.Of(garden).For(planting, garden.Observations[0]);
        Assert.Null(forgotten.Finding.Visit);
        Assert.All(forgotten.WithMaterials, w => Assert.Contains(w.Against, r => r.Code == "check-first"));
        Assert.DoesNotContain(forgotten.All.Where(w => w.Option is null), w => w.Against.Any(r => r.Code == "check-first"));
    }

    [Fact]
    public void A_fresh_count_of_the_same_settles_it()
    {
        var (garden, planting, visit) = Hosed(6, 3, Count(7, 6), Count(1, 12));
        Assert.Equal(garden.Observations[1].Id, SettlingCount.Of(garden, visit, Aphid)!.Id);
        var set = WayBook.Of(garden).For(planting, garden.Observations[1]);
        Assert.Null(set.Finding.Overdue);
        Assert.Contains(set.WithMaterials, w => w.Allowed);

        var judged = CheckBackDeeds
            .JudgeBy(garden, visit, WhatIsJudged.Of(garden, visit)!, garden.Observations[1], new JudgedByCount(garden.Observations[1].Id, Injury.None))
            .CheckBacks[0];
        Assert.Equal((Outcome.Losing, garden.Observations[1].Id, garden.Observations[1].At), (judged.Outcome, judged.ObservationId, judged.DoneAt));
        Assert.Null(SettlingCount.Of(garden, judged, Aphid));
    }

    [Fact]
    public void A_count_before_it_was_due_or_of_something_else_settles_nothing()
    {
        var (garden, _, visit) = Hosed(6, 3, Count(4, 5), Count(1, 5) with { Named = "powdery-mildew" });
        Assert.Null(SettlingCount.Of(garden, visit, Aphid));
    }

    [Fact]
    public void Hosed_off_they_are_counted_again_in_two_days()
    {
        var (garden, _, visit) = Hosed(4, 0, Count(5, 10));
        var written = CheckBackDeeds.HoseAndCountAgain(garden, visit, WhatIsJudged.Of(garden, visit)!, Guid.NewGuid(), null);
        Assert.Equal(garden.Today.AddDays(2), written.CheckBacks.Single().DueOn);
        Assert.Equal((KnownIds.Measures.WaterJet, TaskState.Done, garden.Now), (written.Tasks[0].Step, written.Tasks[0].State, written.Tasks[0].DoneAt!.Value));
        Assert.Empty(written.Observations);
    }

    [Fact]
    public void A_material_that_was_used_for_years_wants_no_two_leaves_until_it_burns()
    {
        var bed = GardenSamples.Bed("Bed");
        var planting = GardenSamples.Grown(bed, "kale");
        var garden = GardenSamples.Garden([bed], [planting]);
        var (kale, soap) = (Shipped.Catalogue.Crop("kale"), Shipped.Catalogue.Material("insecticidal-soap"));
        Assert.Equal(PatchState.Needed, UseGuards.PatchOf(garden, kale, soap).State);

        var said = garden with { Choices = [new PlanChoice(Guid.NewGuid(), PlanWord.Proven, planting.Id, null, soap.Id, null)] };
        Assert.Equal(PatchState.Proven, UseGuards.PatchOf(said, kale, soap).State);
        Assert.Equal(PatchState.Needed, UseGuards.PatchOf(said, Shipped.Catalogue.Crop("courgette"), soap).State);
        Assert.Equal(PatchState.Needed, UseGuards.PatchOf(said, kale, Shipped.Catalogue.Material("neem-oil")).State);

        var spray = GardenSamples.Sprayed(planting, 3, soap.Id);
        var burnt = said with
        {
            Applications = [spray],
            CheckBacks = [new(Guid.NewGuid(), spray.Id, planting.Id, Day(1), GardenSamples.Now.AddDays(-1), null, null, Injury.Severe)],
        };
        Assert.Equal((PatchState.Needed, true), (UseGuards.PatchOf(burnt, kale, soap).State, UseGuards.PatchOf(burnt, kale, soap).Burnt));
    }

    [Fact]
    public void What_stands_mixed_is_sprayed_not_mixed_again()
    {
        var bed = GardenSamples.Bed("Bed");
        var planting = GardenSamples.Grown(bed, "kale");
        var seen = GardenSamples.Seen(planting, 0.1, 20, 12, "cabbage-whitefly");
        var garden = GardenSamples.Tried(GardenSamples.Garden([bed], [planting])) with { Observations = [seen] };
        var tank = EveningPlanner.Plan(garden).Deeds.Single(d => d.Tank is not null);
        Assert.Null(tank.BatchId);

        var bottle = new Batch(
            Guid.NewGuid(),
            garden.Now.AddMinutes(-30),
            tank.Tank!.Recipe.Id,
            tank.Tank.Step,
            1,
            garden.Now.AddHours(8),
            "cabbage-whitefly",
            [planting.Id],
            [new Measured(tank.Tank.Recipe.Active.Material, "active", 20, "ml")]
        );
        var mixed = EveningPlanner.Plan(garden with { Batches = [bottle] }).Deeds.Single(d => d.Tank is not null);
        Assert.Equal(bottle.Id, mixed.BatchId);
        Assert.StartsWith(
            $"It stands mixed since {Figure.Time(new DateTimeOffset(2026, 7, 16, 17, 10, 0, TimeSpan.FromHours(2)))}",
            mixed.Detail,
            StringComparison.Ordinal
        );
        Assert.Null(
            EveningPlanner.Plan(garden with { Batches = [bottle with { UseBy = garden.Now.AddMinutes(-1) }] }).Deeds.Single(d => d.Tank is not null).BatchId
        );
    }
}
