using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>
/// What is due now: check-backs first, then tasks that were taken on, rounds of courses and what the ladder proposes, then cover that lapsed
/// where a bed keeps ahead, then what is best done before trouble comes, then beds that nobody has looked at. Deterministic: the same snapshot gives the
/// same evening.
/// </summary>
public static class EveningPlanner
{
    private static string ByHandTitle => Say.Of("planning.byHand");

    public static Evening Plan(GardenSnapshot garden)
    {
        var deeds = new List<Deed>();
        var left = new List<LeftAlone>();
        var wishes = new List<SprayWish>();
        deeds.AddRange(EveningDue.CheckBacks(garden));
        var visited = deeds.SelectMany(d => d.PlantingIds).ToHashSet();
        // What waits for a check-back of today waits; one that was forgotten keeps nothing back by itself.
        var waits = garden.CheckBacks.Where(c => c.DoneAt is null && c.DueOn == garden.Today).Select(c => c.PlantingId).ToHashSet();
        foreach (var planting in garden.Growing.Where(p => !waits.Contains(p.Id) && !garden.IsLeftAlone(p)))
        {
            Decide(garden, planting, deeds, wishes, left);
        }

        deeds.InsertRange(
            deeds.TakeWhile(d => d.Kind == DeedKind.CheckBack).Count(),
            [.. EveningDue.Tasks(garden), .. EveningDue.WornOff(garden), .. EveningDue.Straining(garden)]
        );
        TogetherByHand(deeds);
        deeds.AddRange(EveningTanks.Of(garden, wishes, left));
        deeds.AddRange(EveningDue.BeforeTrouble(garden));
        deeds.AddRange(LooksDue.For(garden, visited));
        var (window, sentence) = Window(garden, deeds);
        return new Evening(window, sentence, deeds, left);
    }

    /// <summary>The worst verdict over all places that a tank goes to, hour by hour from now.</summary>
    /// <param name="anyHour">True to leave the household's free hours out: somebody is there already.</param>
    public static IReadOnlyList<HourVerdict> HoursFor(
        GardenSnapshot garden,
        Material material,
        IEnumerable<Guid> plantingIds,
        DateTimeOffset to,
        bool anyHour = false
    )
    {
        var places = plantingIds.Select(garden.FindPlanting).OfType<Planting>().Select(garden.PlaceOf).Distinct().ToList();
        var judged = places.Select(p => SprayHours.Judge(anyHour ? garden.SkyOf(p) : garden.PlannedSkyOf(p), garden.Now, to, material)).ToList();
        return judged.Count == 0 ? [] : [.. Enumerable.Range(0, judged.Min(j => j.Count)).Select(i => judged.Select(j => j[i]).MaxBy(h => h.Verdict)!)];
    }

    private static void Decide(GardenSnapshot garden, Planting planting, List<Deed> deeds, List<SprayWish> wishes, List<LeftAlone> left)
    {
        var look = garden.LatestLook(planting.Id).FirstOrDefault()?.LookId;
        var passed = look is not null && garden.Tasks.Any(t => t.LookId == look && t.State == TaskState.Passed && SprayCodes.All.Contains(t.Step));
        if (
            !passed
            && Renewal(garden, planting, garden.PlaceOf(planting)) is { } renewal
            && CourseProgress.Running(garden, planting, renewal.Target.Id) is null
        )
        {
            wishes.Add(renewal);
        }

        foreach (var seen in garden.LatestLook(planting.Id).Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 }))
        {
            DecideTrouble(garden, ActionLadder.For(garden, planting, seen), deeds, wishes, left);
        }

        var seenNow = garden.LatestLook(planting.Id).Where(o => o.LeavesAffected > 0).Select(o => o.Named).ToHashSet();
        foreach (
            var course in garden
                .Courses.Where(c => c.PlantingId == planting.Id && !seenNow.Contains(c.Target))
                .Select(c => CourseProgress.Of(garden, c))
                .Where(c => !c.IsOver)
        )
        {
            GoOn(garden, planting, course, wishes, left);
        }
    }

    /// <summary>What the ladder proposes becomes a tank, or something by hand; what it leaves alone is told.</summary>
    private static void DecideTrouble(GardenSnapshot garden, ActionLadder ladder, List<Deed> deeds, List<SprayWish> wishes, List<LeftAlone> left)
    {
        var f = ladder.Finding;
        var planting = f.Planting;
        if (f.Stale)
        {
            return;
        }

        if (f.Course is { } course)
        {
            GoOn(garden, planting, course, wishes, left);
            return;
        }

        var taken = garden.Tasks.Where(t => t.LookId == f.Seen.LookId && t.State is TaskState.Planned or TaskState.Done).Select(t => t.Step).ToHashSet();
        var byHand = ladder.ByHand.Where(s => !taken.Contains(s.Code) && s.On <= garden.Today.AddDays(1)).ToList();
        if (byHand.Count > 0)
        {
            var drastic = byHand[^1].Rung == Rung.TakeOut;
            deeds.Add(
                new(
                    drastic ? DeedKind.Remove : DeedKind.ByHand,
                    drastic
                        ? Say.Of("planning.takeOutWhatIsSick", ("garden", garden.Where(planting)))
                        : Say.Of("planning.byhandtitleGarden", ("byHandTitle", ByHandTitle), ("garden", garden.Where(planting))),
                    string.Join(" ", byHand.Select(s => s.Name + ".")) + " " + byHand[drastic ? ^1 : 0].Why[0].Words,
                    [new("over-line", f.Told.AsSentence()), .. byHand.Select(s => new Reason(s.Code, s.Why[0].About(Fact.Thing(s.Name))))],
                    [planting.Id],
                    null,
                    null
                )
                {
                    Where = garden.Where(planting),
                }
            );
        }

        if (ladder.Steps.FirstOrDefault(s => s is { Choice: StepChoice.Do, Rung: Rung.Spray, Option: not null }) is { } spray)
        {
            Treat(garden, planting, f.Target!, spray, wishes, left);
        }
        else if (byHand.Count == 0)
        {
            left.Add(new(planting.Id, LeftSentence(garden, ladder, taken)));
        }
    }

    /// <summary>What is done by hand in several places is one thing to do on the way round.</summary>
    private static void TogetherByHand(List<Deed> deeds)
    {
        var byHand = deeds.Where(d => d.Kind == DeedKind.ByHand).ToList();
        if (byHand.Count < 2)
        {
            return;
        }

        var first = deeds.IndexOf(byHand[0]);
        deeds.RemoveAll(byHand.Contains);
        deeds.Insert(
            first,
            new(
                DeedKind.ByHand,
                Say.Of("planning.inPlaces", ("byHandTitle", ByHandTitle), ("byHand", byHand.Count)),
                string.Join(" ", byHand.Select(d => d.Where + ".")),
                [.. byHand.SelectMany(d => d.Reasons.Select(r => r with { Said = r.Said.In(d.Where!) }))],
                [.. byHand.SelectMany(d => d.PlantingIds).Distinct()],
                null,
                null
            )
        );
    }

    private static Said LeftSentence(GardenSnapshot garden, ActionLadder ladder, HashSet<string> taken)
    {
        var f = ladder.Finding;
        var spray = ladder.Steps.FirstOrDefault(s => s.Rung == Rung.Spray);
        var why =
            f.Target?.Kind == TargetKind.LookAlike ? Said.Of("planning.whichNoSprayMends", ("it", Fact.Thing(f.Name)))
            : taken.Count > 0 ? Said.Of("planning.whatYouTookOnComesFirst", ("it", Fact.Clause(f.Told)))
            : ladder.First is { Code: KnownIds.Measures.LookAgain } look ? (f.OverLine ? AfterWhatWasFound(look.Why[0]) : look.Why[0])
            : AfterWhatWasFound((spray ?? ladder.Steps[0]).Why[0]);
        var left =
            ladder.First is { Code: KnownIds.Measures.LookAgain, On: { } on } && taken.Count == 0
                ? Said.Of(
                    "planning.lookAgain",
                    ("garden", Fact.Thing(garden.Where(f.Planting))),
                    ("why", Fact.Clause(why)),
                    ("when", new Fact(FactKind.Day, null, on, When(garden, on)))
                )
                : Said.Of("planning.gardenWhy", ("garden", Fact.Thing(garden.Where(f.Planting))), ("why", Fact.Clause(why)));
        return left with { Code = why.Code };

        // Its code says why it is left, and not what was found.
        Said AfterWhatWasFound(Said reason) => Said.Sentences(f.Told.AsSentence(), reason) with { Code = reason.Code };
    }

    private static void Treat(GardenSnapshot garden, Planting planting, Target target, LadderStep spray, List<SprayWish> wishes, List<LeftAlone> left)
    {
        if (wishes.FirstOrDefault(w => w.Planting.Id == planting.Id && w.Kind == DeedKind.Spray) is { } first)
        {
            left.Add(
                new(
                    planting.Id,
                    Said.Of(
                        "planning.waitsComesFirstHere",
                        ("garden", Fact.Thing(garden.Where(planting))),
                        ("target", Fact.Thing(target.Name.InSentence())),
                        ("target2", Fact.Thing(first.Target.Name.InSentence()))
                    )
                )
            );
            return;
        }

        wishes.RemoveAll(w => w.Planting.Id == planting.Id);
        wishes.Add(new(planting, target, DeedKind.Spray, spray.Option!, DoseStep.Gentle, [.. spray.Why.Select(w => new Reason(spray.Code, w))]));
    }

    /// <summary>The next round of a course, when it is due.</summary>
    private static void GoOn(GardenSnapshot garden, Planting planting, CourseProgress course, List<SprayWish> wishes, List<LeftAlone> left)
    {
        var target = garden.Catalogue.Target(course.Course.Target);
        var material = garden.Catalogue.Material(course.Recipe.Active.Material);
        var against = UseGuards.Against(
            garden,
            planting,
            MaterialChoice.MaterialsIn(garden.Catalogue, course.Recipe),
            garden.Now,
            MaterialChoice.Working(course.Recipe)
        );
        var due = course is { State: CourseState.RoundDue or CourseState.PatchFirst, NextOn: { } on } && on <= garden.Today;
        if (!due || against.Count > 0)
        {
            left.Add(
                new(
                    planting.Id,
                    due
                        ? Said.Of(
                            "planning.courseAgainstWaits",
                            ("garden", Fact.Thing(garden.Where(planting))),
                            ("target", Fact.Thing(target.Name.InSentence())),
                            ("material", Fact.Thing(material.Name)),
                            ("clause", Fact.Clause(against[0].Said))
                        )
                        : Said.Of(
                            "planning.courseAgainst",
                            ("garden", Fact.Thing(garden.Where(planting))),
                            ("target", Fact.Thing(target.Name.InSentence())),
                            ("sentence", Fact.Clause(StepDays.Of(course, RotaPlanner.Plan(garden)).Sentence))
                        )
                )
            );
            return;
        }

        List<Said> why = [course.Sentence, .. course.Change is { } change ? [change] : Array.Empty<Said>()];
        Treat(
            garden,
            planting,
            target,
            new LadderStep(
                Rung.Spray,
                "round",
                course.Recipe.Name,
                StepChoice.Do,
                why,
                garden.Today,
                null,
                new MaterialOption(material, course.Recipe, 1, [], [])
            ),
            wishes,
            left
        );
        if (wishes.FindIndex(w => w.Planting.Id == planting.Id && w.Target.Id == target.Id) is var i and >= 0)
        {
            wishes[i] = wishes[i] with { Step = course.Step };
        }
    }

    /// <summary>Says that two leaves wait to be judged; null when they do not.</summary>
    private static string? PatchWaits(GardenSnapshot garden, Planting planting, Material material) =>
        UseGuards.PatchOf(garden, garden.Catalogue.Crop(planting.Crop), material) is { State: PatchState.Waiting, JudgeOn: { } on }
            ? Say.Of(
                "planning.twoLeavesWereTriedWithJudge",
                ("garden", garden.Where(planting)),
                ("material", material.Name.InSentence()),
                ("when", When(garden, on))
            )
            : null;

    /// <summary>Where a bed keeps ahead: the protectant last given, again, once its protection has lapsed.</summary>
    private static SprayWish? Renewal(GardenSnapshot garden, Planting planting, Place place)
    {
        var stance = garden.StanceAt(place);
        if (
            stance != Stance.KeepAhead
            || garden.LastSpray(planting.Id) is not { Target: { } lastTarget } last
            || garden.Catalogue.FindTarget(lastTarget) is not { Kind: TargetKind.Disease } target
            || garden.Catalogue.Material(last.Material).EffectOn(target) is not { Protects: > 0 } effect
        )
        {
            return null;
        }

        var sky = garden.SkyOf(place);
        var wetted = last.Treated.First(t => t.PlantingId == planting.Id).ShareWetted;
        var material = garden.Catalogue.Material(last.Material);
        var now = CoverCurve.Of(material, last.At, wetted, sky, place, planting.Stage)[Math.Clamp(sky.IndexOf(garden.Now), 0, sky.Count - 1)];
        if (now * effect.Protects >= CoverCurve.Floor(stance) * effect.Protects)
        {
            return null;
        }

        return
            MaterialChoice.Options(garden, planting, target).FirstOrDefault(o => o.Allowed && o.Recipe.Form == Form.Spray) is { } best
            && PatchWaits(garden, planting, best.Material) is null
            ? new SprayWish(
                planting,
                target,
                DeedKind.Renew,
                best,
                DoseStep.Gentle,
                [
                    new(
                        "cover-lapsed",
                        Said.Of(
                            "planning.ofTheIsLeftAtKeep",
                            ("now", Fact.Percent(now * 100)),
                            ("material", Fact.Thing(material.Name.InSentence())),
                            ("place", Fact.Thing(place.Name))
                        )
                    ),
                ]
            )
            : null;
    }

    private static (SprayWindow? Window, string Sentence) Window(GardenSnapshot garden, List<Deed> deeds)
    {
        if (deeds.FirstOrDefault(d => d.Tank is not null) is not { } spray)
        {
            return (null, Say.Of("planning.nothingToSpray"));
        }

        var material = garden.Catalogue.Material(spray.Tank!.Recipe.Active.Material);
        var hours = HoursFor(garden, material, spray.PlantingIds, garden.Now.AddHours(24));
        var window = SprayHours.Windows(hours, material).OrderByDescending(w => w.Score).ThenBy(w => w.Start).FirstOrDefault();
        return window is not null
            ? (window, window.Sentence)
            : (
                null,
                hours.Count == 0
                    ? Say.Of("planning.noWeatherIsKnown")
                    : Say.Of(
                        "planning.noGoodHourInTheComing",
                        (
                            "sentence",
                            hours
                                .SelectMany(h => h.Rules)
                                .Where(r => r.Verdict == Verdict.Never)
                                .GroupBy(r => r.Rule)
                                .OrderByDescending(g => g.Count())
                                .First()
                                .First()
                                .Sentence
                        )
                    )
            );
    }

    internal static string When(GardenSnapshot garden, DateOnly date) => date <= garden.Today ? Say.Of("words.today") : Date(date);

    internal static string Date(DateOnly date) => Fact.Weekday(date).Words;
}
