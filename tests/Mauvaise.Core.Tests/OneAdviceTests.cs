using System.Globalization;
using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>Everything that advises reads the one judgement of what may be done: Decide, the evening, the rota and the course say the same.</summary>
public class OneAdviceTests
{
    /// <summary>Gardens by chance that a run goes through; more of them where the environment says so.</summary>
    private static int Gardens => int.TryParse(Environment.GetEnvironmentVariable("MAUVAISE_GARDENS"), CultureInfo.InvariantCulture, out var n) ? n : 80;

    [Fact]
    public void Ladder_plan_and_course_read_the_same_way_in_every_garden()
    {
        var decided = 0;
        for (var seed = 1000; seed < 1000 + Gardens; seed++)
        {
            var garden = ChanceGarden.Of(seed);
            var rota = RotaPlanner.Plan(garden);
            var evening = EveningPlanner.Plan(garden);
            Assert.True(PlanChecker.Faults(garden, rota) is [], $"{seed}: {string.Join("; ", PlanChecker.Faults(garden, rota))}");
            foreach (var planting in garden.Growing)
            {
                foreach (var seen in garden.LatestLook(planting.Id).Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 }))
                {
                    var where = $"{seed} {garden.Where(planting)} {seen.Named}";
                    decided += Agrees(garden, planting, seen, rota, where);
                    SameDay(garden, ActionLadder.For(garden, planting, seen), rota, evening, where);
                }
            }
        }

        Assert.True(decided > Gardens);
    }

    /// <summary>What Decide says of a mix's day, the rota has planned, and this evening does when it is today.</summary>
    private static void SameDay(GardenSnapshot garden, ActionLadder ladder, Rota rota, Evening evening, string where)
    {
        var planting = ladder.Finding.Planting;
        if (
            ladder.Finding is not { Target: { } target, Stale: false }
            || StepDays.Of(ladder, rota).FirstOrDefault(s => s is { Rung: Rung.Spray, Choice: StepChoice.Do, Option: not null }) is not { } step
        )
        {
            return;
        }

        DateOnly[] planned =
        [
            .. rota.Patches.Where(p => p.Planting.Id == planting.Id && p.Target.Id == target.Id).Select(p => p.On),
            .. rota.Rounds.Where(r => r.Planting.Id == planting.Id && r.Target.Id == target.Id).Select(r => r.On),
        ];
        Assert.True(planned.Contains(step.On ?? garden.Today), $"{where}: Decide says {step.On}, the plan {string.Join(", ", planned)}");
        // Hands and water come first: later, water would take off again what was sprayed.
        Assert.All(ladder.Steps.Where(s => s is { Rung: Rung.Hands, Choice: StepChoice.Do }), hands =>
            Assert.True((hands.On ?? garden.Today) <= (step.On ?? garden.Today), $"{where}: {hands.Name} on {hands.On}, after {step.Name} on {step.On}")
        );
        var now = evening.Deeds.Any(d => d.Tank?.Recipe.Id == step.Option!.Recipe.Id && d.PlantingIds.Contains(planting.Id));
        Assert.True(!now || step.On <= garden.Today, $"{where}: this evening, but Decide says {step.On}");
        Assert.True(
            now || step.On > garden.Today || evening.LeftAlone.Any(l => l.PlantingId == planting.Id) || garden.CheckBacks.Any(c => c.PlantingId == planting.Id),
            $"{where}: Decide says today, this evening nothing of it"
        );
    }

    private static int Agrees(GardenSnapshot garden, Planting planting, Observation seen, Rota rota, string where)
    {
        var set = WayBook.Of(garden).For(planting, seen);
        var ladder = ActionLadder.For(garden, planting, seen);
        if (set.Proposed is not { } proposed || ladder.Finding.Course is not null || ladder.Finding.Target is not { } target)
        {
            return 0;
        }

        Assert.True(proposed.Allowed, where);
        var mixed = ladder.Steps.FirstOrDefault(s => s is { Rung: Rung.Spray, Choice: StepChoice.Do, Option: not null });
        Assert.True(
            mixed?.Option?.Recipe.Id == proposed.Option?.Recipe.Id,
            $"{where}: the ladder mixes {mixed?.Option?.Recipe.Id}, the way {proposed.Option?.Recipe.Id}"
        );
        Assert.All(proposed.Hands.Where(h => h.Measure.Rung is Rung.Hands or Rung.Prune or Rung.TakeOut && ladder.Finding.Visit is null), h =>
            Assert.True(ladder.Proposes(h.Measure.Id), $"{where}: {h.Measure.Id}")
        );
        Assert.False(ladder.Proposes("take-out") && mixed is not null, $"{where}: saved and given up");
        Assert.All(rota.Rounds.Where(r => r.Planting.Id == planting.Id && r.Target.Id == target.Id), r =>
            Assert.True(r.Recipe.Id == proposed.Option?.Recipe.Id || r.Recipe.Id == proposed.After?.Option.Recipe.Id, $"{where}: the plan mixes {r.Recipe.Id}")
        );
        if (proposed is { Option: { } option, Shape: { } shape })
        {
            var course = CourseDeeds.Open(garden, Guid.NewGuid(), planting, target, option.Recipe, DoseStep.Gentle, [], garden.Now);
            Assert.Equal((shape.SpacingDays, shape.Rounds), (course.SpacingDays, course.Rounds));
            Assert.Equal(proposed.After?.Option.Recipe.Id, course.Then?.Recipe);
        }

        return 1;
    }
}
