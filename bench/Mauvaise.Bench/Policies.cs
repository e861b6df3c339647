using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Bench;

/// <summary>How a gardener decides, day by day.</summary>
internal interface IPolicy
{
    Stance Stance => Stance.WatchAndTreat;

    void Live(SeasonLoop season);
}

internal sealed class NoSpray : IPolicy
{
    public void Live(SeasonLoop season) { }
}

/// <summary>Every planting every seven days, one material after the other, whatever is found and whatever the sky does.</summary>
internal sealed class Calendar(params string[] materials) : IPolicy
{
    private const int EveryDays = 7;
    private readonly Dictionary<string, int> given = [];

    public void Live(SeasonLoop season)
    {
        if (season.Day % EveryDays != EveryDays - 1)
        {
            return;
        }

        var material = BenchGarden.Catalogue.Material(materials[season.Day / EveryDays % materials.Length]);
        // Windows are not looked at here: only what goes on more often than a season allows is counted as broken.
        var over = material.SeasonLimit is { } limit && (given[limit.Together] = given.GetValueOrDefault(limit.Together) + 1) > limit.Most;
        foreach (var (place, planting) in season.Places.Zip(season.Plantings))
        {
            season.Broke(over ? 1 : 0);
            season.Spray(planting, material, SprayVolume.Litres(place, planting, BenchGarden.Catalogue.Crop(planting.Crop), 1));
        }
    }
}

/// <summary>A spray of the best material whenever a walk finds a count over its line, and nothing more.</summary>
internal sealed class Threshold : IPolicy
{
    public void Live(SeasonLoop season)
    {
        if (!season.IsWalkDay)
        {
            return;
        }

        foreach (var (place, planting) in season.Places.Zip(season.Plantings))
        {
            var worst = season
                .Count(planting)
                .Where(o => o.Named is not null)
                .Select(o => (Seen: o, Target: BenchGarden.Catalogue.Target(o.Named!)))
                .Where(x => x.Seen.Incidence >= ActionLine.For(x.Target, Stance.WatchAndTreat, place.Shelter, planting.Stage).Share)
                .OrderByDescending(x => x.Seen.Incidence)
                .FirstOrDefault();
            if (
                worst.Target is { } target
                && BenchGarden
                    .Catalogue.Materials.Where(m =>
                        m.Doses is not null && !m.LabelOnly && m.EffectOn(target) is not null && BenchGarden.Catalogue.RecipeFor(m.Id) is { Form: Form.Spray }
                    )
                    .MaxBy(m => m.EffectOn(target)!.Young + m.EffectOn(target)!.Protects)
                    is { } material
            )
            {
                season.Spray(planting, material, SprayVolume.Litres(place, planting, BenchGarden.Catalogue.Crop(planting.Crop), 1));
            }
        }
    }
}

/// <summary>What the app asks to be done before trouble comes, and nothing else: no count, no hand, no spray.</summary>
/// <param name="only">One measure alone; null for all.</param>
internal sealed class WorkBefore(string? only = null) : IPolicy
{
    private GardenSnapshot? kept;

    public void Live(SeasonLoop season)
    {
        if (season.IsWalkDay)
        {
            var weather = season.Forecast();
            kept = (kept ?? BenchGarden.Empty(season, weather)) with { Now = season.Now, Weather = weather };
            kept = kept.After(Done(season, kept, only));
        }
    }

    /// <summary>Does all that is due.</summary>
    public static Written Done(SeasonLoop season, GardenSnapshot garden, string? only)
    {
        var due = PreventionPlan
            .Of(garden)
            .All.Where(w => w is { State: PreventionState.Due, Measure.Prevents: not null } && (only is null || w.Measure.Id == only))
            .Select(w => (Id: season.NewId(), Work: w))
            .ToList();
        foreach (var (_, work) in due)
        {
            season.Prevent(work.Planting, work.Measure, work.Minutes);
        }

        return due.Count == 0
            ? new Written("Nothing before trouble")
            : PreventionDeeds.Answer(garden, due, PreventionWord.Done, season.Today, season.Now, null);
    }
}

/// <summary>
/// The app: walks, ladders, courses, check-backs, and the rota planned anew with every new fact; what follows from a deed is what follows in the app.
/// </summary>
/// <param name="prevents">What is due before trouble comes is done on the walk.</param>
internal sealed class Mauvaise(Stance stance, bool prevents = true) : IPolicy
{
    /// <summary>Without news the plan is looked at again after so many days, for what the forecast changed.</summary>
    private const int ReplanDays = 2;

    /// <summary>What the gardener says was wetted.</summary>
    private const double SaidWetted = 0.85;

    private GardenSnapshot? kept;
    private Rota? rota;

    public Stance Stance => stance;

    public void Live(SeasonLoop season)
    {
        kept = Morning(season);
        var news = false;
        foreach (var planting in season.Plantings)
        {
            news |= Judge(season, planting);
            if (season.IsWalkDay && !(kept.CountsOf(planting.Id).LastOrDefault()?.At >= season.Now))
            {
                Do(new Written("Walked") { Observations = season.Count(planting) });
                news = true;
            }
        }

        if (season.IsWalkDay)
        {
            Hands(season);
            if (prevents)
            {
                Do(WorkBefore.Done(season, kept, null));
            }
        }

        var due = rota?.Outings.Any(o => o.On == season.Today) == true;
        if (!news && !due && rota is not null && season.Day % ReplanDays != 0)
        {
            return;
        }

        var garden = kept;
        rota = RotaPlanner.Plan(garden);
        foreach (var round in rota.Rounds.Where(r => r.On == season.Today).ToList())
        {
            Give(season, garden, round);
        }
    }

    private void Do(Written written) => kept = kept!.After(written);

    private void Give(SeasonLoop season, GardenSnapshot garden, PlannedRound round)
    {
        var material = garden.Catalogue.Material(round.Recipe.Active.Material);
        var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, round.Recipe);
        var verdicts = SprayHours.Verdicts(garden.PlannedSkyOf(round.Place), round.Hours.From, round.Hours.From.AddHours(1), material);
        season.Broke(
            UseGuards.Against(garden, round.Planting, inMix, round.Hours.From, MaterialChoice.Working(round.Recipe)).Count
                + (round.Hours.Known && verdicts.Contains(Verdict.Never) ? 1 : 0)
        );
        var litres = SprayVolume.LitresFor(garden, [round.Planting]);
        season.Spray(round.Planting, material, litres);
        Guid[] there = [round.Planting.Id];
        var mix = MixDeeds
            .Make(
                kept!,
                new MixAsk(there, round.Target.Id, round.Recipe.Id, round.Step, [], null, null, null, round.Hours.From, false, true),
                Math.Min(litres, Mix.MostLitres)
            )
            .Mix;
        var bottle = Bottles.Fill(kept!, season.NewId(), there, round.Target.Id, false, mix, round.Hours.From, null, fromShelf: false);
        Do(
            bottle.And(
                Sprays.Log(
                    kept!.After(bottle),
                    new NewApplication(season.NewId(), bottle.Batches[0].Id, there, mix.Litres, SaidWetted),
                    bottle.Batches[0],
                    round.Hours.From,
                    SprayReason.Plan
                )
            )
        );
    }

    /// <summary>Check-backs that are due: one look, and a verdict for each.</summary>
    private bool Judge(SeasonLoop season, Planting planting)
    {
        var due = kept!.CheckBacks.Where(v => v.PlantingId == planting.Id && v.DoneAt is null && v.DueOn <= season.Today).ToList();
        if (due.Count == 0)
        {
            return false;
        }

        var look = season.Count(planting);
        var done = new Written("Checked") { Observations = look };
        foreach (var visit in due)
        {
            var what = WhatIsJudged.Of(kept, visit)!;
            var affected = look.FirstOrDefault(o => o.Named == what.Target)?.LeavesAffected ?? 0;
            var count = new NewObservation(look[0].Id, planting.Id, look[0].LeavesLooked, affected, look[0].Ants, look[0].Helpers, 0, []);
            // The look is written once, whatever it judges.
            done = done.And(CheckBackDeeds.Judge(kept, visit, what, new CheckBackCount(count, Injury.None)) with { Observations = [] });
        }

        Do(done);
        return true;
    }

    /// <summary>What the ladders propose to do by hand is done on the walk.</summary>
    private void Hands(SeasonLoop season)
    {
        foreach (var planting in season.Plantings)
        {
            foreach (var ladder in kept!.LatestLook(planting.Id).Where(o => o.LeavesAffected > 0).Select(o => ActionLadder.For(kept, planting, o)).ToList())
            {
                foreach (
                    var step in ladder.Steps.Where(s =>
                        s.Choice == StepChoice.Do
                        && s.Measure is not null
                        && (s.Measure.WorksOn.Count > 0 || s.Prune is not null)
                        && s.On <= season.Today.AddDays(2)
                    )
                )
                {
                    season.Hands(planting, ladder.Finding.Target!.Id, step.Measure!, step.Prune is { } plan ? (double)plan.TakeNow / plan.Leaves : 0);
                    var task = new GardenTask(
                        season.NewId(),
                        planting.Id,
                        ladder.Finding.Seen.LookId,
                        step.Code,
                        ladder.Finding.Target.Id,
                        season.Today,
                        TaskState.Planned
                    );
                    Do(TaskDeeds.Finish(kept, task, season.Now, step.Prune?.TakeNow, null));
                }
            }
        }
    }

    /// <summary>The garden this morning, with the forecast of today.</summary>
    private GardenSnapshot Morning(SeasonLoop season)
    {
        var weather = season.Forecast();
        kept ??= BenchGarden.Tried(BenchGarden.Empty(season, weather), season.Now.AddDays(-290));
        return kept with { Now = season.Now, Weather = weather };
    }
}
