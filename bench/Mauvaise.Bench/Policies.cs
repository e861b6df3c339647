using Mauvaise.Core.Deeds;
using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Planning;
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
    public void Live(SeasonLoop season)
    {
    }
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
            var worst = season.Count(planting).Where(o => o.Named is not null).Select(o => (Seen: o, Target: BenchGarden.Catalogue.Target(o.Named!)))
                .Where(x => x.Seen.Incidence >= ActionLine.For(x.Target, Stance.WatchAndTreat, place.Shelter, planting.Stage).Share).OrderByDescending(x => x.Seen.Incidence).FirstOrDefault();
            if (worst.Target is { } target
                && BenchGarden.Catalogue.Materials.Where(m => m.Doses is not null && !m.LabelOnly && m.EffectOn(target) is not null && BenchGarden.Catalogue.RecipeFor(m.Id) is { Form: Form.Spray })
                    .MaxBy(m => m.EffectOn(target)!.Young + m.EffectOn(target)!.Protects) is { } material)
            {
                season.Spray(planting, material, SprayVolume.Litres(place, planting, BenchGarden.Catalogue.Crop(planting.Crop), 1));
            }
        }
    }
}

/// <summary>The app: walks, ladders, courses, check-backs, and the rota planned anew with every new fact.</summary>
internal sealed class Mauvaise(Stance stance) : IPolicy
{
    /// <summary>Without news the plan is looked at again after so many days, for what the forecast changed.</summary>
    private const int ReplanDays = 2;

    private readonly List<Observation> observations = [];
    private readonly List<SprayApplication> applications = [];
    private readonly List<CheckBack> visits = [];
    private readonly List<GardenTask> tasks = [];
    private readonly List<Course> courses = [];
    private GardenSnapshot? tried;
    private Rota? rota;

    public Stance Stance => stance;

    public void Live(SeasonLoop season)
    {
        var news = false;
        foreach (var planting in season.Plantings)
        {
            news |= Judge(season, planting);
            if (season.IsWalkDay && observations.All(o => o.PlantingId != planting.Id || o.At < season.Now))
            {
                observations.AddRange(season.Count(planting));
                news = true;
            }
        }

        if (season.IsWalkDay)
        {
            Hands(season, Snapshot(season));
        }

        var due = rota?.Outings.Any(o => o.On == season.Today) == true;
        if (!news && !due && rota is not null && season.Day % ReplanDays != 0)
        {
            return;
        }

        var garden = Snapshot(season);
        rota = RotaPlanner.Plan(garden);
        foreach (var round in rota.Rounds.Where(r => r.On == season.Today).ToList())
        {
            Give(season, garden, round);
        }
    }

    private void Give(SeasonLoop season, GardenSnapshot garden, PlannedRound round)
    {
        var material = garden.Catalogue.Material(round.Recipe.Active.Material);
        var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, round.Recipe);
        var verdicts = SprayHours.Verdicts(garden.PlannedSkyOf(round.Place), round.Hours.From, round.Hours.From.AddHours(1), material);
        season.Broke(UseGuards.Against(garden, round.Planting, inMix, round.Hours.From, MaterialChoice.Working(round.Recipe)).Count + (round.Hours.Known && verdicts.Contains(Verdict.Never) ? 1 : 0));
        season.Spray(round.Planting, material, SprayVolume.LitresFor(garden, [round.Planting]));
        var spray = new SprayApplication(season.NewId(), null, round.Hours.From, material.Id, null, 1, round.Target.Id, [new(round.Planting.Id, 0.85)], false, null);
        applications.Add(spray);
        visits.Add(new CheckBack(season.NewId(), spray.Id, round.Planting.Id, season.Today.AddDays(CheckBackDay.DaysAfter(material, round.Target)), null, null, null, Injury.None));
        if (CourseProgress.Running(garden, round.Planting, round.Target.Id) is null)
        {
            var shape = CourseShape.For(garden, round.Planting, round.Target, material);
            courses.Add(new Course(season.NewId(), round.Planting.Id, round.Target.Id, round.Recipe.Id, round.Hours.From, DoseStep.Gentle, shape.SpacingDays, shape.Rounds, shape.DegreeDaysPerDay, []));
        }
    }

    /// <summary>Check-backs that are due: a count, and its verdict.</summary>
    private bool Judge(SeasonLoop season, Planting planting)
    {
        var due = visits.Index().Where(v => v.Item.PlantingId == planting.Id && v.Item.DoneAt is null && v.Item.DueOn <= season.Today).ToList();
        if (due.Count == 0)
        {
            return false;
        }

        var look = season.Count(planting);
        foreach (var (index, visit) in due)
        {
            var (target, at) = applications.FirstOrDefault(a => a.Id == visit.ApplicationId) is { } spray
                ? (spray.Target!, spray.At)
                : (tasks.First(t => t.Id == visit.TaskId).Target!, tasks.First(t => t.Id == visit.TaskId).DoneAt!.Value);
            var before = observations.LastOrDefault(o => o.PlantingId == planting.Id && o.At <= at && o.Named == target);
            var after = look.FirstOrDefault(o => o.Named == target);
            var place = season.Places.First(p => p.Id == planting.PlaceId);
            var line = ActionLine.For(BenchGarden.Catalogue.Target(target), stance, place.Shelter, planting.Stage).Share;
            var verdict = CheckBackVerdict.Judge(before is null ? null : (before.LeavesLooked, before.LeavesAffected), (look[0].LeavesLooked, after?.LeavesAffected ?? 0), line);
            visits[index] = visit with { DoneAt = season.Now, ObservationId = look[0].Id, Outcome = verdict.Outcome };
        }

        observations.AddRange(look);
        return true;
    }

    /// <summary>What the ladders propose to do by hand is done on the walk.</summary>
    private void Hands(SeasonLoop season, GardenSnapshot garden)
    {
        foreach (var planting in season.Plantings)
        {
            foreach (var ladder in garden.LatestLook(planting.Id).Where(o => o.LeavesAffected > 0).Select(o => ActionLadder.For(garden, planting, o)))
            {
                foreach (var step in ladder.Steps.Where(s => s.Choice == StepChoice.Do && s.Measure is not null && (s.Measure.WorksOn.Count > 0 || s.Prune is not null) && s.On <= season.Today.AddDays(2)))
                {
                    season.Hands(planting, ladder.Finding.Target!.Id, step.Measure!, step.Prune is { } plan ? (double)plan.TakeNow / plan.Leaves : 0);
                    var task = new GardenTask(season.NewId(), planting.Id, ladder.Finding.Seen.LookId, step.Code, ladder.Finding.Target.Id, season.Today, TaskState.Done, season.Now);
                    tasks.Add(task);
                    if (step.Measure!.CheckBackDays is { } days)
                    {
                        visits.Add(new CheckBack(season.NewId(), null, planting.Id, season.Today.AddDays(days), null, null, null, Injury.None, task.Id));
                    }
                }
            }
        }
    }

    private GardenSnapshot Snapshot(SeasonLoop season)
    {
        var weather = season.Forecast();
        tried ??= BenchGarden.Tried(
            new GardenSnapshot(season.Home, season.Now, BenchGarden.Catalogue, [], season.Places, season.Plantings, [], [], [], [], [], [], [], [], [], [], [], [], [], weather, new WeatherState(season.Now, null)),
            season.Now.AddDays(-290));
        return tried with
        {
            Now = season.Now,
            Weather = weather,
            Observations = [.. observations],
            Applications = [.. tried.Applications, .. applications],
            CheckBacks = [.. tried.CheckBacks, .. visits],
            Tasks = [.. tasks],
            Courses = [.. courses],
        };
    }
}
