using Mauvaise.Core.Actions;
using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Planning;

/// <summary>Why something is to be sprayed: a course that runs, a trouble over its line, or cover that is wanted before anything shows.</summary>
public enum NeedKind
{
    Round,
    Treat,
    Protect,
}

/// <summary>A material that would meet a need.</summary>
/// <param name="PatchOn">Day of the patch test that has to come first; null when none is wanted.</param>
/// <param name="From">First day that its rules allow.</param>
public sealed record NeedOption(MaterialOption Option, CourseShape Shape, DateOnly? PatchOn, DateOnly From);

/// <summary>Something that wants to be sprayed within the fortnight.</summary>
/// <param name="RoundsGiven">Rounds that went on already.</param>
/// <param name="Rounds">Rounds in all.</param>
/// <param name="Against">Materials that were passed over, and why.</param>
/// <param name="Pressure">Of what is protected against before anything shows, 0 to 1; 0 for all else.</param>
/// <param name="Urgency">Share of leaves against the line.</param>
/// <param name="Pinned">Day that the gardener pinned the next round to; null otherwise.</param>
public sealed record Need(
    NeedKind Kind,
    Planting Planting,
    Place Place,
    Target Target,
    DoseStep Step,
    int RoundsGiven,
    int Rounds,
    DateOnly From,
    IReadOnlyList<NeedOption> Options,
    IReadOnlyList<Said> Why,
    IReadOnlyList<Said> Against,
    DateOnly? Pinned,
    Scene? Damage,
    double Pressure = 0,
    double Urgency = 1
)
{
    /// <summary>Of its next round, or a later one: planting, trouble and how many rounds came before.</summary>
    public string Key(int later = 0) => new RoundKey(Planting.Id, Target.Id, RoundsGiven + later).ToString();
}

/// <summary>Finds what wants to be sprayed.</summary>
internal static class RotaNeeds
{
    private const int AheadDays = 10;

    /// <summary>Materials that are weighed against each other for one need.</summary>
    private const int MostOptions = 3;

    /// <summary>Pressure at which a garden that keeps ahead protects before anything shows, within so many days.</summary>
    private const double ProtectAtPressure = 0.6;
    private const int ProtectAheadDays = 5;

    /// <summary>A disease that is a smaller part of what is likely than this is not protected against.</summary>
    private const double WorthProtecting = 0.15;

    public static IReadOnlyList<Need> Find(GardenSnapshot garden)
    {
        var needs = new List<Need>();
        // Places under one kind of shelter share their days.
        var days = new Dictionary<Shelter, SkyDays>();
        foreach (var place in garden.Places)
        {
            var plantings = garden.Growing.Where(p => p.PlaceId == place.Id && !garden.IsLeftAlone(p)).ToList();
            if (plantings.Count == 0)
            {
                continue;
            }

            if (!days.TryGetValue(place.Shelter, out var here))
            {
                days[place.Shelter] = here = SkyDays.Of(garden.SkyOf(place).Shelter, garden.Garden, garden.Today, garden.Today.AddDays(AheadDays));
            }

            foreach (var planting in plantings)
            {
                needs.AddRange(OfPlanting(garden, place, planting, here));
            }
        }

        return needs;
    }

    private static IEnumerable<Need> OfPlanting(GardenSnapshot garden, Place place, Planting planting, SkyDays days)
    {
        var met = new HashSet<string>();
        var look = garden.LatestLook(planting.Id);
        foreach (
            var course in garden
                .Courses.Where(c => c.PlantingId == planting.Id)
                .OrderBy(c => c.OpenedAt)
                .Select(c => CourseProgress.Of(garden, c))
                .Where(c => !c.IsOver)
        )
        {
            if (met.Add(course.Course.Target) && OfCourse(garden, place, planting, course, look, days) is { } need)
            {
                yield return need;
                if (course.Course.Then is { } then && garden.Catalogue.FindRecipe(then.Recipe) is { } next)
                {
                    var option = new MaterialOption(garden.Catalogue.Material(next.Active.Material), next, 1, [], []);
                    var wait = MaterialChoice.DaysBetween(garden.Catalogue, course.Recipe, next);
                    var shape = CourseShape.For(garden, planting, need.Target, option.Material) with { SpacingDays = then.SpacingDays, Rounds = then.Rounds };
                    yield return Following(need, Option(garden, planting, need.Target, option, shape), need.From.AddDays(wait));
                }
            }
        }

        foreach (var seen in look.Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 }))
        {
            var ladder = ActionLadder.For(garden, planting, seen);
            if (
                ladder.Finding is { Target: { } target, Course: null }
                && met.Add(target.Id)
                && ladder.Steps.FirstOrDefault(s => s is { Rung: Rung.Spray, Choice: StepChoice.Do, Option: not null } && SprayCodes.All.Contains(s.Code))
                    is { } step
            )
            {
                var need = OfLadder(garden, place, planting, ladder, target, step, days);
                yield return need;
                if (ladder.Ways.Proposed is { After: { } after })
                {
                    yield return Following(need, Option(garden, planting, target, after.Option, after.Shape), garden.Today.AddDays(after.Days[0]));
                }
            }
        }

        if (garden.StanceAt(place) == Stance.KeepAhead && Protection(garden, place, planting, look, days, met) is { } protect)
        {
            yield return protect;
        }
    }

    /// <summary>What keeps clean what another need cleans.</summary>
    private static Need Following(Need cleaning, NeedOption option, DateOnly from) =>
        cleaning with
        {
            RoundsGiven = cleaning.Rounds,
            Rounds = cleaning.Rounds + option.Shape.Rounds,
            From = from,
            Options = cleaning.Options.Count == 0 ? [] : [option with { From = option.From > from ? option.From : from }],
            Why =
            [
                Said.Of(
                    "planning.keepsCleanWhatCleaned",
                    ("material", Fact.Thing(cleaning.Options.Count == 0 ? "" : cleaning.Options[0].Option.Material.Name.InSentence()))
                ),
            ],
            Against = [],
            Pinned = null,
        };

    private static Need? OfCourse(GardenSnapshot garden, Place place, Planting planting, CourseProgress course, IReadOnlyList<Observation> look, SkyDays days)
    {
        if (course.State is not (CourseState.RoundDue or CourseState.PatchFirst or CourseState.PatchWaits) || course.NextOn is not { } next)
        {
            return null;
        }

        var target = garden.Catalogue.Target(course.Course.Target);
        var material = garden.Catalogue.Material(course.Recipe.Active.Material);
        var from = course.State == CourseState.PatchFirst ? garden.Today.AddDays(UseGuards.PatchTestDays) : next;
        var option = new NeedOption(
            new MaterialOption(material, course.Recipe, 1, [], []),
            CourseShape.For(garden, planting, target, material) with
            {
                SpacingDays = course.SpacingDays,
                Rounds = course.Rounds,
            },
            course.State == CourseState.PatchFirst ? garden.Today : null,
            from
        );
        var banned = Banned(garden, planting, material);
        var seen = look.FirstOrDefault(o => o.Named == target.Id);
        return new Need(
            NeedKind.Round,
            planting,
            place,
            target,
            course.Step,
            course.RoundsGiven,
            Math.Max(course.Rounds, course.RoundsGiven + 1),
            Later(garden, planting, target, from),
            banned ? [] : [option],
            [course.Sentence, .. course.Change is { } change ? [change] : Array.Empty<Said>()],
            banned ? [Said.Of("planning.youBannedItHere", ("material", Fact.Thing(material.Name)))] : [],
            Pinned(garden, planting, target),
            Forecast(garden, planting, target, seen, days),
            Urgency: (seen?.Incidence ?? 0) / Math.Max(0.01, ActionLine.At(garden, planting, target).Share)
        );
    }

    /// <summary>What the proposed way mixes, and nothing else: the plan finds the hours for what was decided.</summary>
    private static Need OfLadder(GardenSnapshot garden, Place place, Planting planting, ActionLadder ladder, Target target, LadderStep step, SkyDays days)
    {
        var barred = ladder.Ways.All.Where(w => w is { Allowed: false, Option: not null }).ToList();
        return new Need(
            NeedKind.Treat,
            planting,
            place,
            target,
            DoseStep.Gentle,
            0,
            step.Shape!.Rounds,
            Later(garden, planting, target, garden.Today),
            [Option(garden, planting, target, step.Option!, step.Shape!)],
            [ladder.Finding.Told.AsSentence(), .. ladder.Finding.Doubled ? [ladder.Finding.Line.Reason] : Array.Empty<Said>()],
            [.. barred.Take(MostOptions).Select(w => w.Against[0].Said.About(Fact.Thing(w.Option!.Material.Name)))],
            Pinned(garden, planting, target),
            Forecast(garden, planting, target, ladder.Finding.Seen, days),
            Urgency: ladder.Finding.Share / Math.Max(0.01, ladder.Finding.Line.Share)
        );
    }

    /// <summary>Cover before anything shows: the likeliest disease with the weather for it, where cover is under what keep ahead wants.</summary>
    private static Need? Protection(GardenSnapshot garden, Place place, Planting planting, IReadOnlyList<Observation> look, SkyDays days, HashSet<string> met)
    {
        if (
            look.Any(o => o.LeavesAffected > 0 && o.Named is { } id && garden.Catalogue.FindTarget(id) is { Kind: TargetKind.Disease })
            || met.Any(id => garden.Catalogue.FindTarget(id) is { Kind: TargetKind.Disease })
        )
        {
            return null;
        }

        var where = LocalClues.At(garden, planting, garden.SkyOf(place));
        var likely = garden
            .Catalogue.TargetsOn(where.Crop)
            .Where(t => t.Target is { Kind: TargetKind.Disease, NoSpray: false, Disease: not null })
            .Select(t => (t.Target, Weight: where.PriorWeight(t.Target)))
            .OrderByDescending(x => x.Weight)
            .ThenBy(x => x.Target.Id, StringComparer.Ordinal)
            .ToList();
        var total = likely.Sum(x => x.Weight);
        foreach (var (target, weight) in likely.TakeWhile(x => x.Weight >= WorthProtecting * total))
        {
            var worst = Pressure
                .Daily(target, days)
                .Where(p => p.Day >= garden.Today && p.Day <= garden.Today.AddDays(ProtectAheadDays))
                .Select(p => p.Value)
                .DefaultIfEmpty(0)
                .Max();
            var pressure = worst * PlaceRisk.Of(garden, planting, target);
            var renewal = garden.LastSpray(planting.Id)?.IsAgainst(target.Id) == true;
            if ((pressure < ProtectAtPressure && !renewal) || Covered(garden, place, planting, target))
            {
                continue;
            }

            var all = MaterialChoice
                .Options(garden, planting, target)
                .Where(o => o.Recipe.Form == Form.Spray && o.Material.EffectOn(target)!.Protects > 0)
                .ToList();
            var allowed = all.Where(o => o.AllowedForUpkeep && !Banned(garden, planting, o.Material) && !Spent(garden, place, o.Material))
                // What insects are met with is kept for them where something else protects.
                .OrderBy(o => o.Material.WorksOn.Any(e => e.On == KnownIds.TargetGroups.SapFeeders))
                .Take(MostOptions)
                .ToList();
            return new Need(
                NeedKind.Protect,
                planting,
                place,
                target,
                DoseStep.Gentle,
                0,
                1,
                Later(garden, planting, target, garden.Today),
                [.. allowed.Select(o => Option(garden, planting, target, o, CourseShape.For(garden, planting, target, o.Material)))],
                [
                    renewal && pressure < ProtectAtPressure
                        ? Said.Of("planning.theCoverAgainstHasLapsed", ("target", Fact.Thing(target.Name.InSentence())), ("place", Fact.Thing(place.Name)))
                        : Said.Of(
                            "planning.pressureOfReachesOf100Within",
                            ("target", Fact.Thing(target.Name.InSentence())),
                            ("pressure", Fact.Percent(pressure * 100)),
                            ("protectAheadDays", Fact.Days(ProtectAheadDays)),
                            ("place", Fact.Thing(place.Name))
                        ),
                ],
                [.. all.Where(o => !o.Allowed).Take(MostOptions).Select(o => o.Barred[0].Said.About(Fact.Thing(o.Material.Name)))],
                Pinned(garden, planting, target),
                Forecast(garden, planting, target, null, days),
                Math.Max(pressure, ProtectAtPressure)
            );
        }

        return null;
    }

    /// <summary>Half of what a season allows is kept back for what is found.</summary>
    private static bool Spent(GardenSnapshot garden, Place place, Material material) =>
        material.SeasonLimit is { } limit
        && 2 * UseGuards.GivenSince(garden, garden.AppliedAt(place, garden.Now), garden.Garden.SeasonStart(garden.Today), limit) >= limit.Most;

    /// <summary>Kept up, or given so lately that it is not yet its time again and rain has left some.</summary>
    private static bool Covered(GardenSnapshot garden, Place place, Planting planting, Target target)
    {
        var sky = garden.SkyOf(place);
        var layers = garden
            .SpraysOn(planting.Id)
            .Where(a => !a.PatchTest && a.At <= garden.Now && a.At > garden.Now.AddDays(-30))
            .SelectMany(a => garden.CoveringIn(a).Select(m => (Material: m, Application: a)))
            .Where(x => x.Material.EffectOn(target) is { Protects: > 0 })
            .Select(x =>
                (
                    Cover: CoverCurve.Of(
                        x.Material,
                        x.Application.At,
                        x.Application.Treated.First(t => t.PlantingId == planting.Id).ShareWetted,
                        sky,
                        place,
                        planting.Stage
                    )[Math.Clamp(sky.IndexOf(garden.Now), 0, sky.Count - 1)],
                    Fresh: x.Application.At > garden.Now.AddDays(-(x.Material.Cadence.UpkeepMinDays ?? 0))
                )
            );
        return layers.Any(l => l.Cover >= CoverCurve.Floor(Stance.KeepAhead) || (l.Fresh && l.Cover >= CoverCurve.WashedOff));
    }

    private static NeedOption Option(GardenSnapshot garden, Planting planting, Target target, MaterialOption option, CourseShape shape) =>
        new(
            option,
            shape,
            UseGuards.PatchOf(garden, garden.Catalogue.Crop(planting.Crop), option.Material).State == PatchState.Needed ? garden.Today : null,
            UseGuards.FirstDay(garden, planting, target, option.Material)
        );

    private static bool Banned(GardenSnapshot garden, Planting planting, Material material) =>
        garden.Choices.Any(c => c.Word == PlanWord.Ban && c.PlantingId == planting.Id && c.Material == material.Id);

    private static DateOnly? Pinned(GardenSnapshot garden, Planting planting, Target target) =>
        garden.Choices.LastOrDefault(c => c.Word == PlanWord.Pin && c.PlantingId == planting.Id && c.Target == target.Id && c.On >= garden.Today)?.On;

    /// <summary>Not before a skip is over.</summary>
    private static DateOnly Later(GardenSnapshot garden, Planting planting, Target target, DateOnly from)
    {
        var skipped = garden
            .Choices.Where(c => c.Word == PlanWord.Skip && c.PlantingId == planting.Id && c.Target == target.Id && c.On is not null)
            .Select(c => c.On!.Value.AddDays(1))
            .DefaultIfEmpty(from)
            .Max();
        return skipped > from ? skipped : from;
    }

    private static Scene? Forecast(GardenSnapshot garden, Planting planting, Target target, Observation? seen, SkyDays days) =>
        Trouble.Knows(target) ? new Scene(garden, planting, target, seen, days) : null;
}
