using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Courses;

/// <summary>Where a course stands.</summary>
public enum CourseState
{
    PatchFirst,
    PatchWaits,
    RoundDue,
    CheckFirst,
    Cleared,
    Held,
    ChangeGroup,
    GiveUp,
    Stopped,
}

/// <summary>What is to be done next in a course, worked out from what was really sprayed, counted and forecast.</summary>
/// <param name="NextOn">Day of the next round, patch judgement or check; null when the course is over.</param>
/// <param name="Step">Dose of the next round.</param>
/// <param name="Sentence">Where it stands.</param>
/// <param name="Change">What the weather changed since it was opened; null when nothing did.</param>
public sealed record CourseProgress(
    Course Course,
    Recipe Recipe,
    CourseState State,
    int RoundsGiven,
    int Rounds,
    int SpacingDays,
    DateOnly? NextOn,
    DoseStep Step,
    Said Sentence,
    Said? Change
)
{
    /// <summary>Two clean looks in a row end a course.</summary>
    public const int CleanLooks = 2;

    /// <summary>So many rounds at least, before a count that is well under the line ends a course early.</summary>
    private const int EnoughRounds = 2;

    /// <summary>A protectant is not renewed sooner than this, however hard it rained (assumed).</summary>
    private const int RenewAfterDays = 2;

    /// <summary>A look at fewer leaves does not count as clean.</summary>
    private const int LeavesForClean = 5;

    /// <summary>A clean look keeps the next round waiting for the walk after it, and a day more.</summary>
    private const int WaitForLookDays = WalkRhythm.Days + 1;

    public bool IsOver => State is CourseState.Cleared or CourseState.Held or CourseState.ChangeGroup or CourseState.GiveUp or CourseState.Stopped;

    /// <summary>Why another material waits while this course runs; null for the course's own.</summary>
    public UseReason? Bars(string material) =>
        Recipe.Active.Material == material
            ? null
            : new("course-runs", Said.Of("courses.isUnderWayAgainstItStop", ("recipe", Fact.Thing(Recipe.Name.InSentence()))));

    /// <summary>The course against a trouble on a planting that is still going on, or null.</summary>
    public static CourseProgress? Running(GardenSnapshot garden, Planting planting, string target) =>
        garden
            .Courses.Where(c => c.PlantingId == planting.Id && c.Target == target)
            .OrderBy(c => c.OpenedAt)
            .Select(c => Of(garden, c))
            .LastOrDefault(c => !c.IsOver);

    /// <summary>Where a course stands now. One whose first rounds are through stands where those that follow them do.</summary>
    public static CourseProgress Of(GardenSnapshot garden, Course course)
    {
        var recipe = garden.Catalogue.FindRecipe(course.Recipe)!;
        var given = GivenRounds(garden, course, garden.Catalogue.Material(recipe.Active.Material));
        if (course is not { StoppedAt: null, Then: { } then } || given.Count < course.Rounds || garden.Catalogue.FindRecipe(then.Recipe) is not { } next)
        {
            return Of(garden, course, recipe, given, given.Count == 0 ? OwnDays(garden, course, recipe) : null);
        }

        var wait = MaterialChoice.DaysBetween(garden.Catalogue, recipe, next);
        var following = course with
        {
            Recipe = next.Id,
            OpenedAt = given[^1].At,
            SpacingDays = then.SpacingDays,
            Rounds = then.Rounds,
            DegreeDaysPerDay = null,
            OwnDays = [],
            Then = null,
        };
        var rounds = GivenRounds(garden, following, garden.Catalogue.Material(next.Active.Material));
        return Of(
            garden,
            following,
            next,
            rounds,
            new Beginning(garden.Garden.DateOf(given[^1].At).AddDays(wait), Said.Of("courses.whatWasCleanedIsKeptClean"))
        );
    }

    /// <summary>When the first round may be, where that is not at once.</summary>
    private sealed record Beginning(DateOnly On, Said Why);

    /// <summary>What went on against it before the course was begun keeps its days.</summary>
    private static Beginning? OwnDays(GardenSnapshot garden, Course course, Recipe recipe)
    {
        var material = garden.Catalogue.Material(recipe.Active.Material);
        return UseGuards.AgainFrom(garden, garden.FindPlanting(course.PlantingId)!, garden.Catalogue.Target(course.Target), material) is { } on
            ? new Beginning(
                on,
                Said.Of(
                    "courses.itWantsDaysAfterTheLast",
                    ("material", Fact.Thing(material.Name.InSentence())),
                    ("days", Fact.Span(material.Cadence.CurativeMinDays))
                )
            )
            : null;
    }

    /// <param name="notBefore">Of the first round; null for at once.</param>
    private static CourseProgress Of(GardenSnapshot garden, Course course, Recipe recipe, List<SprayApplication> given, Beginning? notBefore)
    {
        var planting = garden.FindPlanting(course.PlantingId)!;
        var target = garden.Catalogue.Target(course.Target);
        var material = garden.Catalogue.Material(recipe.Active.Material);
        var usual = CourseShape.For(garden, planting, target, material);
        var shape =
            course.DegreeDaysPerDay is null && course.OwnDays.Count == 0
                ? usual with
                {
                    SpacingDays = course.SpacingDays,
                    Rounds = course.Rounds,
                    DegreeDaysPerDay = null,
                }
                : usual;
        var visits = given
            .Select(a => garden.VisitsOf(a.Id).FirstOrDefault(c => c.PlantingId == planting.Id && c.AlsoTarget == a.AlsoFor(course.Target)))
            .ToList();
        var facts = new Facts(
            garden,
            course,
            planting,
            material,
            recipe,
            shape,
            given,
            [.. visits.OfType<CheckBack>().Where(v => v.DoneAt is not null)],
            visits.Count > 0 ? visits[^1] : null,
            CleanLooksSince(garden, course, given),
            notBefore
        );
        return Ended(facts) ?? Next(facts);
    }

    /// <summary>Sprays that count as rounds of a course, in time order.</summary>
    private static List<SprayApplication> GivenRounds(GardenSnapshot garden, Course course, Material material) =>
        [
            .. garden
                .SpraysOn(course.PlantingId)
                .Where(a => !a.PatchTest && a.At >= course.OpenedAt && a.At <= garden.Now && a.MaterialAgainst(course.Target) == material.Id),
        ];

    /// <summary>Instants of the latest looks, newest first, that found none of the trouble since the first round; none before it.</summary>
    private static List<DateTimeOffset> CleanLooksSince(GardenSnapshot garden, Course course, List<SprayApplication> given) =>
        given.Count == 0
            ? []
            :
            [
                .. garden
                    .CountsOf(course.PlantingId)
                    .Where(o => o.At > given[0].At && o.At <= garden.Now)
                    .GroupBy(o => o.LookId)
                    .Reverse()
                    .TakeWhile(look =>
                        look.All(o => o.LeavesAffected == 0 || (o.Named is not null && o.Named != course.Target))
                        && look.Max(o => o.LeavesLooked) >= LeavesForClean
                    )
                    .Select(look => look.Max(o => o.At)),
            ];

    /// <param name="Clean">Instants of the clean looks in a row, newest first.</param>
    /// <param name="NotBefore">Of the first round; null for at once.</param>
    private sealed record Facts(
        GardenSnapshot Garden,
        Course Course,
        Planting Planting,
        Material Material,
        Recipe Recipe,
        CourseShape Shape,
        List<SprayApplication> Given,
        List<CheckBack> Judged,
        CheckBack? LastVisit,
        List<DateTimeOffset> Clean,
        Beginning? NotBefore
    )
    {
        /// <summary>Share of leaves at which to act here.</summary>
        public double Line => ActionLine.At(Garden, Planting, Garden.Catalogue.Target(Course.Target)).Share;

        public int Total => Course.OwnDays.Count > 0 ? Course.OwnDays.Count : Shape.Rounds;

        /// <summary>Verdicts at the end that say the trouble grew.</summary>
        public int LosingInARow => Judged.AsEnumerable().Reverse().TakeWhile(v => v.Outcome == Outcome.Losing).Count();

        /// <summary>
        /// Eggs hatch on a clean plant, who keeps ahead covers one, and own days are own days; otherwise it is looked at again before anything more goes
        /// on.
        /// </summary>
        public bool GoesOnWhenClean =>
            Course.OwnDays.Count > 0
            || Garden.Catalogue.Target(Course.Target).Insect is { EggDegreeDays: > 0 }
            || Garden.StanceAt(Garden.PlaceOf(Planting)) == Stance.KeepAhead;

        public bool Burnt => Judged.LastOrDefault() is { Injury: >= Injury.Clear };
    }

    private static CourseProgress? Ended(Facts f) =>
        f switch
        {
            { Course.StoppedAt: not null } => Over(f, CourseState.Stopped, Said.Of("courses.stoppedByHand")),
            _ when f.Clean.Count >= CleanLooks => Over(f, CourseState.Cleared, Said.Of("courses.twoCleanLooksInARow")),
            _ when f.Judged.LastOrDefault() is { Outcome: Outcome.Lost } => Over(f, CourseState.GiveUp, Said.Of("courses.pastSavingAtTheLastCheck")),
            { Burnt: true } => Over(f, CourseState.ChangeGroup, Said.Of("courses.burntTheLeavesRestThePlant", ("material", Fact.Thing(f.Material.Name)))),
            _ when f.LosingInARow >= 2 => Over(f, CourseState.ChangeGroup, Said.Of("courses.itGrewThroughTwoRoundsChange")),
            _ when f.Given.Count >= EnoughRounds && !f.GoesOnWhenClean && f.LastVisit is { DoneAt: not null, Outcome: Outcome.Cleared } => Over(
                f,
                CourseState.Held,
                Said.Of("courses.roundsHaveBroughtItWellUnder", ("given", Fact.Count(f.Given.Count)))
            ),
            _ when f.Given.Count >= MostRounds(f) && f.LastVisit is { DoneAt: not null } && Left(f) is > 0 and var left => left >= f.Line
                ? Over(f, CourseState.ChangeGroup, Said.Of("courses.roundsAreThrough", ("given", Fact.Count(f.Given.Count))))
                : Over(f, CourseState.Held, Said.Of("courses.roundsAreThrough2", ("given", Fact.Count(f.Given.Count)))),
            _ => null,
        };

    /// <summary>Share of leaves at the latest count since the last round; 0 when it was clean, null when nobody counted.</summary>
    private static double? Left(Facts f)
    {
        var after = f.Garden.CountsOf(f.Planting.Id).Where(o => o.At > f.Given[^1].At && o.At <= f.Garden.Now && o.LeavesLooked > 0).ToList();
        return after.Count == 0
            ? f.LastVisit is { Outcome: Outcome.Losing }
                ? 1
                : null
            : after.Where(o => o.LookId == after[^1].LookId && o.Named == f.Course.Target).Select(o => o.Incidence!.Value).DefaultIfEmpty(0).Max();
    }

    /// <summary>The rounds of the course, and one more while what is found at its end still holds.</summary>
    private static int MostRounds(Facts f) =>
        Math.Min(f.Material.InARowLimit ?? int.MaxValue, f.Total + (f.Judged.LastOrDefault() is { Outcome: Outcome.Holding } ? 1 : 0));

    private static CourseProgress Next(Facts f)
    {
        var step = StepOf(f);
        if (
            f.Given.Count == 0
            && UseGuards.PatchOf(f.Garden, f.Garden.Catalogue.Crop(f.Planting.Crop), f.Material) is { State: PatchState.Needed or PatchState.Waiting } patch
        )
        {
            return patch.JudgeOn is { } judge
                ? Going(
                    f,
                    CourseState.PatchWaits,
                    judge,
                    step,
                    Said.Of("courses.twoLeavesWaitToBeJudged", ("date", Fact.Weekday(judge)), ("total", Fact.Count(f.Total)))
                )
                : Going(f, CourseState.PatchFirst, f.Garden.Today, step, Said.Of("courses.twoLeavesFirstItIsNew"));
        }

        if (
            f.LastVisit is { DoneAt: null } visit
            && SettlingCount.Of(f.Garden, visit, f.Course.Target) is null
            && (visit.DueOn <= f.Garden.Today || f.Given.Count >= f.Total)
        )
        {
            return Going(
                f,
                CourseState.CheckFirst,
                visit.DueOn,
                step,
                Said.Of("courses.checkBackBeforeAnythingMore", ("word", Fact.Clause(Word(f.Garden, visit.DueOn))))
            );
        }

        if (f.Given.Count >= MostRounds(f))
        {
            // Every round is through and judged, and one clean look is still missing.
            var look = f.Garden.Garden.DateOf(f.Judged.LastOrDefault()?.DoneAt ?? f.Given[^1].At).AddDays(f.Shape.SpacingDays);
            return Going(
                f,
                CourseState.CheckFirst,
                look,
                step,
                Said.Of("courses.allRoundsAreThroughLookOnce", ("given", Fact.Count(f.Given.Count)), ("word", Fact.Clause(Word(f.Garden, look))))
            );
        }

        var (next, why) = NextRound(f);
        return Going(
            f,
            CourseState.RoundDue,
            next,
            step,
            Said.Of(
                step > f.Course.Step ? "courses.roundOfAStepStronger" : "courses.roundOf",
                ("given", Fact.Count(f.Given.Count + 1)),
                ("total", Fact.Count(Math.Max(f.Total, f.Given.Count + 1))),
                ("word", Fact.Clause(Word(f.Garden, next))),
                ("why", Fact.Clause(why))
            )
        );
    }

    /// <summary>One step up after a failed round that did no harm; back to gentle after any harm.</summary>
    private static DoseStep StepOf(Facts f) =>
        f.Judged.LastOrDefault() switch
        {
            { Injury: > Injury.None } => DoseStep.Gentle,
            // Whether it hurt them somebody must have said.
            { Outcome: Outcome.Losing, Injury: Injury.None } => (DoseStep)Math.Min((int)DoseStep.Strong, (int)f.Course.Step + 1),
            _ => f.Course.Step,
        };

    private static (DateOnly On, Said Why) NextRound(Facts f)
    {
        if (f.Course.OwnDays.Count > f.Given.Count)
        {
            return (f.Course.OwnDays[f.Given.Count], Said.Of("courses.asYouChose"));
        }

        if (f.Given.Count == 0)
        {
            return f.NotBefore is { } first && first.On > f.Garden.Today ? (first.On, first.Why) : (f.Garden.Today, Said.Of("courses.theFirst"));
        }

        var (on, why) = Spaced(f);
        return f.Clean.Count > 0 && !f.GoesOnWhenClean && f.Garden.Garden.DateOf(f.Clean[0]).AddDays(WaitForLookDays) is var look && look > on
            ? (look, Said.Of("courses.theLastLookWasClean"))
            : (on, why);
    }

    /// <summary>The next round by the course's spacing, or by the cover of a protectant.</summary>
    private static (DateOnly On, Said Why) Spaced(Facts f)
    {
        var last = f.Given[^1];
        var spaced = f.Garden.Garden.DateOf(last.At).AddDays(f.Shape.SpacingDays);
        var target = f.Garden.Catalogue.Target(f.Course.Target);
        if (target.Kind != TargetKind.Disease || f.Material.EffectOn(target) is not { Protects: > 0 } || f.Material.Cover.HalfLifeDays is null)
        {
            return (spaced, Said.Of("courses.afterTheLast", ("days", Fact.Span(f.Shape.SpacingDays)), ("because", Fact.Clause(f.Shape.Because))));
        }

        var place = f.Garden.PlaceOf(f.Planting);
        var sky = f.Garden.SkyOf(place);
        var wetted = last.Treated.First(t => t.PlantingId == f.Planting.Id).ShareWetted;
        var cover = CoverCurve.Of(f.Material, last.At, wetted, sky, place, f.Planting.Stage);
        var floor = Math.Max(0.3, CoverCurve.Floor(f.Garden.StanceAt(place)));
        DateOnly? Under(double share, int afterDays) =>
            CoverCurve.LapsesOn(cover, sky, last.At.AddHours(1), share) is { } at
                ? DateOnly.FromDayNumber(Math.Max(f.Garden.Garden.DateOf(at).DayNumber, f.Garden.Garden.DateOf(last.At).DayNumber + afterDays))
                : null;
        var washed = Under(CoverCurve.WashedOff, RenewAfterDays);
        var lapsed = Under(floor, f.Material.Cadence.UpkeepMinDays ?? f.Material.Cadence.CurativeMinDays);
        return (washed, lapsed) switch
        {
            ({ } w, _) when lapsed is null || w < lapsed => (w, Said.Of("courses.rainHasTakenItsCover")),
            (_, { } l) => (l, Said.Of("courses.itsCoverIsUnderThen", ("floor", Fact.Percent(floor * 100)))),
            _ => (spaced, Said.Of("courses.itsCoverHoldsUntilThen")),
        };
    }

    private static CourseProgress Over(Facts f, CourseState state, Said sentence) =>
        new(f.Course, f.Recipe, state, f.Given.Count, f.Total, f.Shape.SpacingDays, null, f.Course.Step, sentence, null);

    private static CourseProgress Going(Facts f, CourseState state, DateOnly on, DoseStep step, Said sentence) =>
        new(f.Course, f.Recipe, state, f.Given.Count, f.Total, f.Shape.SpacingDays, on, step, sentence, Changed(f));

    private static Said? Changed(Facts f)
    {
        if (
            f.Course.OwnDays.Count > 0
            || f.Course.DegreeDaysPerDay is not { } then
            || f.Shape.DegreeDaysPerDay is not { } now
            || (f.Shape.SpacingDays == f.Course.SpacingDays && f.Shape.Rounds == f.Course.Rounds)
        )
        {
            return null;
        }

        return Said.Of(
            now > then ? "courses.warmerThanWhenItWasBegun" : "courses.coolerThanWhenItWasBegun",
            ("degreeDays", Fact.Warmth(now, 1)),
            ("degreeDays2", Fact.Warmth(then, 1)),
            ("rounds", Fact.Count(f.Shape.Rounds)),
            ("days", Fact.Span(f.Shape.SpacingDays)),
            ("rounds2", Fact.Count(f.Course.Rounds)),
            ("days2", Fact.Span(f.Course.SpacingDays))
        );
    }

    private static Said Word(GardenSnapshot garden, DateOnly date) =>
        date <= garden.Today ? Said.Of("words.now") : Said.Of("courses.dateOn", ("date", Fact.Weekday(date)));
}
