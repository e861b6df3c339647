using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Ways;

/// <summary>Everything about one trouble on one planting that the ladder weighs.</summary>
/// <param name="Target">What it is, or the likeliest of its group; null when nobody can say yet.</param>
/// <param name="IsGroup">The target stands for its group: nobody settled which of them it is.</param>
/// <param name="Share">Share of leaves affected, 0 to 1.</param>
/// <param name="Line">The line that holds here and now.</param>
/// <param name="Doubled">Twice as many as at a look in the last five days.</param>
/// <param name="DaysToEnd">Days until the crop ends by its usual length; null where that is not known.</param>
/// <param name="RainMm">Rain of the coming three days.</param>
/// <param name="Course">The course that runs against it, or null.</param>
/// <param name="Visit">The check-back that is still to come, or null.</param>
/// <param name="Overdue">A check-back that should have been made by now and that no count has settled: hands may go on,
/// sprays wait for it. Null without one.</param>
/// <param name="Tried">Measures done here in the last days, with their day.</param>
/// <param name="Passed">Steps that somebody said no to for this look.</param>
public sealed record Finding(
    GardenSnapshot Garden,
    Planting Planting,
    Place Place,
    Observation Seen,
    Target? Target,
    bool IsGroup,
    Stance Stance,
    double Share,
    ActionLine Line,
    bool Doubled,
    int? DaysToEnd,
    double RainMm,
    CourseProgress? Course,
    CheckBack? Visit,
    CheckBack? Overdue,
    IReadOnlyDictionary<string, DateOnly> Tried,
    IReadOnlySet<string> Passed
)
{
    /// <summary>A count older than this no longer decides anything.</summary>
    public const int CountHoldsDays = 10;

    /// <summary>The ladder moves a line down when a count doubles within so many days.</summary>
    private const double SteepDays = 5;
    private const int LeavesForSteep = 3;

    /// <summary>Rain that splashes spores about, mm in three days (assumed).</summary>
    private const double SplashMm = 5;
    private const int SplashHours = 72;

    /// <summary>One helper or mummy for this many infested leaves, and the colony is left to them.</summary>
    public const double LeavesPerHelper = 10;

    /// <summary>Affected leaf area at which growth counts as hurt where no sign says so, per cent (assumed).</summary>
    private const double HurtPercent = 25;

    private const int TriedDays = 10;

    public Crop Crop => Garden.Catalogue.Crop(Planting.Crop);

    public int Helpers => Seen.Helpers + Seen.Mummies;

    public bool Clean => Seen.LeavesAffected == 0;

    public bool Stale => Seen.At < Garden.Now.AddDays(-CountHoldsDays);

    public bool OverLine => !Clean && (Share >= Line.Share || RainWillSpread || (Stance == Stance.KeepAhead && Target?.Kind == TargetKind.Disease));

    /// <summary>First spots of what splashes, with rain on the way.</summary>
    public bool RainWillSpread =>
        Stance != Stance.LastResort && Target?.Disease is { SpreadsBy: "splash" } && Place.Shelter == Shelter.Open && RainMm >= SplashMm;

    /// <summary>Ants on the plants, as this count or one shortly before it says.</summary>
    public Ants Ants => Garden.AntsAt(Seen);

    public bool HelpersAtWork =>
        !Ants.Climb() && !Doubled && Target is { Group: KnownIds.TargetGroups.SapFeeders } && Helpers >= Math.Max(1, Seen.LeavesAffected / LeavesPerHelper);

    /// <summary>Growth stands still: what the last resort waits for.</summary>
    public bool GrowthHurt =>
        Seen.SeverityPercent >= HurtPercent
        || Seen.Signs.Any(s => s is { Present: true, Sign: KnownIds.Signs.Stunted or KnownIds.Signs.Curled or KnownIds.Signs.Wilting });

    public bool WebbedOver => Seen.Signs.Any(s => s is { Present: true, Sign: KnownIds.Signs.Webbing }) && Seen.Part == PlantPart.Tips;

    public bool Ending => Planting.Stage == GrowthStage.Ending || DaysToEnd is <= 14;

    /// <summary>Beyond this share, or webbed over, the plant itself is in question.</summary>
    public bool Overrun => Share > 0.6 || WebbedOver;

    /// <summary>No spray reaches it: it is put right as the catalogue says, or left.</summary>
    public bool IsPutRight => Target is { } target && Garden.Catalogue.Measure(KnownIds.Measures.PutRight).IsFor(target);

    /// <summary>The household cleans first and then protects, and this way is the cleaning.</summary>
    internal bool CleansFirst(Way way) =>
        Garden.Garden.DiseaseApproach == DiseaseApproach.CleanThenProtect && way.Option?.Material.Group == KnownIds.Modes.Oxidiser;

    /// <summary>"12 % of leaves with black bean aphid, line 20 %".</summary>
    public Said Told =>
        Seen.Plants is { Count: > 0 } plants
            ? Said.Of(
                "ways.ofPlantsWithLine",
                ("share", Fact.Percent(Share * 100)),
                ("plants", Fact.Thing(SinglePlants.Told(plants))),
                ("name", Fact.Thing(Name)),
                ("share2", Fact.Percent(Line.Share * 100))
            )
            : Said.Of(
                "ways.ofThingsWithLine",
                ("share", Fact.Percent(Share * 100)),
                ("things", Fact.Thing(Say.Word(Seen.On))),
                ("name", Fact.Thing(Name)),
                ("share2", Fact.Percent(Line.Share * 100, "0.#"))
            );

    public string Name =>
        Target is null ? Say.Of("scouting.somethingUnnamed")
        : IsGroup ? TargetGroups.Words(Target.Group)
        : Target.Name.InSentence();

    /// <summary>Why a measure can not be done here, on this stage, this soon after the last time; null when it can.</summary>
    public Said? Against(Measure m) =>
        m.OnlyIn.Count > 0 && !m.OnlyIn.Contains(Place.Kind) ? Said.Of("ways.notIn", ("words", Fact.Thing(Words(Place.Kind))))
        : m.NotOnSeedlings && Planting.Stage == GrowthStage.Seedling ? Said.Of("ways.seedlingsDoNotBear")
        : Tried.TryGetValue(m.Id, out var day) && m.WorksOn.Count > 0 ? Said.Of("ways.doneOnAndNow", ("day", Fact.Weekday(day)), ("told", Fact.Clause(Told)))
        : null;

    private static string Words(PlaceKind kind) =>
        kind switch
        {
            PlaceKind.Containers => Say.Of("ways.tubs"),
            PlaceKind.Tunnel => Say.Of("ways.aTunnel"),
            PlaceKind.IndoorRack => Say.Of("ways.anIndoorRack"),
            _ => Say.Of("ways.aBed"),
        };

    /// <param name="seen">A count: at least one leaf was looked at.</param>
    public static Finding Of(GardenSnapshot garden, Planting planting, Observation seen)
    {
        var place = garden.PlaceOf(planting);
        var (target, group) = NameOf(garden, planting, place, seen);
        var stance = garden.StanceAt(place);
        var share = seen.Incidence ?? 0;
        var doubled = HasDoubled(garden, planting, seen, target);
        var line = ActionLine.For(target, stance, place.Shelter, planting.Stage, seen.On);
        if (doubled)
        {
            line = Lower(line, target, stance, place, planting, seen.On);
        }

        var sky = garden.SkyOf(place);
        var since = garden.Today.AddDays(-TriedDays);
        var open = garden
            .CheckBacks.Where(c =>
                c.PlantingId == planting.Id
                && c.DoneAt is null
                && c.DueOn >= since
                && Against(garden, c) == target?.Id
                && SettlingCount.Of(garden, c, target?.Id) is null
            )
            .ToList();
        return new Finding(
            garden,
            planting,
            place,
            seen,
            target,
            group,
            stance,
            share,
            line,
            doubled,
            CropLife.DaysToEnd(garden, planting),
            sky.Shelter.RainMm(sky.IndexOf(garden.Now), SplashHours),
            target is null ? null : CourseProgress.Running(garden, planting, target.Id),
            open.Find(c => c.DueOn >= garden.Today),
            open.Find(c => c.DueOn < garden.Today),
            garden
                .Tasks.Where(t =>
                    t.PlantingId == planting.Id && t is { State: TaskState.Done, DoneAt: not null } && garden.Garden.DateOf(t.DoneAt!.Value) >= since
                )
                .GroupBy(t => t.Step)
                .ToDictionary(g => g.Key, g => garden.Garden.DateOf(g.Max(t => t.DoneAt!.Value))),
            garden
                .Tasks.Where(t => t.LookId == seen.LookId && t.State == TaskState.Passed && (t.Target is null || t.Target == target?.Id))
                .Select(t => t.Step)
                .ToHashSet()
        );
    }

    private static string? Against(GardenSnapshot garden, CheckBack visit) =>
        visit.ApplicationId is { } spray
            ? garden.FindSpray(spray) is { PatchTest: false } a
                ? visit.AlsoTarget ?? a.Target
                : null
            // Helpers that were let out keep nothing back but what harms them.
            : garden.Tasks.FirstOrDefault(t => t.Id == visit.TaskId && t.Step != KnownIds.Measures.ReleaseHelpers)?.Target;

    /// <summary>The name that was given, or the likeliest of the group when a group is name enough.</summary>
    private static (Target? Target, bool Group) NameOf(GardenSnapshot garden, Planting planting, Place place, Observation seen)
    {
        if (seen.Named is { } named)
        {
            return (garden.Catalogue.FindTarget(named), seen.NameIsGroup);
        }

        if (seen.Signs.Count == 0)
        {
            return (null, false);
        }

        var ranking = SuspectRanker.Rank(garden.Catalogue, LocalClues.At(garden, planting, garden.SkyOf(place), seen.LookId), Evidence.Of(seen));
        return ranking.NamingCanWait is not null ? (ranking.Suspects[0].Target, true)
            : ranking.Suspects[0].Probability >= Known ? (ranking.Suspects[0].Target, false)
            : (null, false);
    }

    /// <summary>A suspect this likely is acted on as if it had been named.</summary>
    private const double Known = 0.85;

    private static bool HasDoubled(GardenSnapshot garden, Planting planting, Observation seen, Target? target)
    {
        if (target is null || seen.LeavesAffected < LeavesForSteep)
        {
            return false;
        }

        var before = garden
            .CountsOf(planting.Id)
            .LastOrDefault(o =>
                o.LookId != seen.LookId
                && o.At < seen.At
                && o.At >= seen.At.AddDays(-SteepDays)
                && o.LeavesLooked > 0
                && o.On == seen.On
                && (o.Named == target.Id || (o.Named is null && o.LeavesAffected == 0))
            );
        return before is not null && seen.Incidence >= 2 * before.Incidence;
    }

    /// <summary>The line of the next stricter stance; half of it where there is none.</summary>
    private static ActionLine Lower(ActionLine line, Target? target, Stance stance, Place place, Planting planting, CountedOn on)
    {
        var lower =
            stance == Stance.KeepAhead ? line.Share / 2 : Math.Min(line.Share, ActionLine.For(target, stance + 1, place.Shelter, planting.Stage, on).Share);
        return new ActionLine(lower, Said.Of("ways.itDoubledInUnderDaysSo", ("steepDays", Fact.Days(SteepDays)), ("lower", Fact.Percent(lower * 100))));
    }
}
