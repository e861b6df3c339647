using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Preventing;

/// <summary>
/// Due: to be done now. Later: on a day that is foretold. Planned: taken on. Holds: done, and good still. LetBe: the gardener said no this season.
/// </summary>
public enum PreventionState
{
    Due,
    Later,
    Planned,
    Holds,
    LetBe,
}

/// <summary>Work on a planting before anything is found there.</summary>
/// <param name="Against">What it keeps off here in the coming weeks, the likeliest first.</param>
/// <param name="Worth">Share of all trouble that is likely here that it keeps off, 0 to 1.</param>
/// <param name="On">The day it is due, or until when it holds; null for what holds all season or was let be.</param>
/// <param name="Why">As sentences.</param>
/// <param name="Task">The last doing or plan of this season; null for none.</param>
public sealed record PreventiveWork(
    Planting Planting,
    Measure Measure,
    IReadOnlyList<Target> Against,
    double Worth,
    PreventionState State,
    DateOnly? On,
    Said Why,
    double Minutes,
    GardenTask? Task
);

/// <summary>All work of one kind.</summary>
/// <param name="All">What is worth most first.</param>
public sealed record PreventiveKind(Measure Measure, IReadOnlyList<PreventiveWork> All)
{
    public IReadOnlyList<PreventiveWork> Due { get; } = [.. All.Where(w => w.State == PreventionState.Due)];

    /// <summary>What is due and was not done before: what wore off asks for itself (<see cref="Wearing"/>).</summary>
    public IReadOnlyList<PreventiveWork> New => [.. Due.Where(w => w.Task is null)];

    /// <summary>What it keeps off for a minute, over all that is due.</summary>
    internal double WorthAMinute => Due.Count == 0 ? 0 : Due.Sum(w => w.Worth) / Due.Sum(w => w.Minutes);

    /// <summary>Of so much work, whole and at least one.</summary>
    public static int MinutesOf(IReadOnlyList<PreventiveWork> work) => work.Count == 0 ? 0 : (int)Math.Max(1, Math.Ceiling(work.Sum(w => w.Minutes)));
}

/// <summary>
/// What is worth doing before trouble comes, for every planting of a garden: by crop, stage, season, watering and the first flights of insects.
/// </summary>
public sealed class PreventionPlan
{
    /// <summary>Trouble that begins within so many days is met now.</summary>
    private const int AheadDays = 21;

    /// <summary>What keeps insects off stands so many days before they fly.</summary>
    private const int BeforeFlightDays = 7;

    /// <summary>Work that keeps off less than this share of what is likely here is not spoken of (assumed).</summary>
    private const double LeastWorth = 0.02;

    /// <summary>So many troubles are named.</summary>
    private const int MostNamed = 3;

    /// <summary>What is over in so many days is sown in short rows, one after another.</summary>
    private const int QuickDays = 70;

    /// <summary>Beyond this share of leaves a planting is seldom saved, and a count says so for so many days.</summary>
    private const double LostShare = 0.6;
    private const int LostSeenDays = 10;
    private const int SownLatelyDays = 21;

    /// <summary>A month with this mean brings a late sowing on (assumed), C.</summary>
    private const double GrowsFromC = 8;

    private readonly GardenSnapshot garden;

    /// <summary>First flights that were asked for: places under one shelter share them.</summary>
    private readonly Dictionary<(Shelter Shelter, string Target), DateOnly?> flights = [];

    private PreventionPlan(GardenSnapshot garden)
    {
        this.garden = garden;
        var growing = garden.Growing.Where(p => !garden.IsLeftAlone(p)).ToList();
        All = [.. growing.SelectMany(OfPlanting).Concat(growing.Select(Again).OfType<PreventiveWork>()).OrderByDescending(w => w.Worth)];
        Kinds =
        [
            .. All.GroupBy(w => w.Measure.Id)
                .Select(g => new PreventiveKind(g.First().Measure, [.. g]))
                .OrderByDescending(k => k.WorthAMinute)
                .ThenByDescending(k => k.All.Sum(w => w.Worth)),
        ];
    }

    /// <summary>What is worth most first.</summary>
    public IReadOnlyList<PreventiveWork> All { get; }

    /// <summary>By what is done; what keeps most off for its minutes first.</summary>
    public IReadOnlyList<PreventiveKind> Kinds { get; }

    /// <summary>The plan of a garden at an instant.</summary>
    public static PreventionPlan Of(GardenSnapshot garden)
    {
        ArgumentNullException.ThrowIfNull(garden);
        return garden.Remembered(g => new PreventionPlan(g));
    }

    /// <summary>The work that a measure is at a planting; null when it is none there.</summary>
    public PreventiveWork? Find(Guid planting, string measure) => All.FirstOrDefault(w => w.Planting.Id == planting && w.Measure.Id == measure);

    private IEnumerable<PreventiveWork> OfPlanting(Planting planting)
    {
        var fitting = garden.Catalogue.Measures.Where(m => m.Prevents is { } p && Fits(planting, m, p)).ToList();
        if (fitting.Count == 0)
        {
            yield break;
        }

        var place = garden.PlaceOf(planting);
        var crop = garden.Catalogue.Crop(planting.Crop);
        var where = LocalClues.At(garden, planting, garden.SkyOf(place));
        var coming = garden
            .Catalogue.TargetsOn(crop)
            .Select(t => t.Target)
            .Where(t => t is { Kind: not TargetKind.LookAlike, IsGroup: false } && GardenCatalogue.IsHost(t, crop) && Comes(place, t))
            .Select(t => (Target: t, Weight: where.PriorWeight(t)))
            .OrderByDescending(x => x.Weight)
            .ThenBy(x => x.Target.Id, StringComparer.Ordinal)
            .ToList();
        var all = coming.Sum(x => x.Weight);
        foreach (var measure in fitting)
        {
            var against = coming.Where(x => measure.Prevents!.IsAgainst(x.Target)).ToList();
            var worth = all > 0 ? LearnedPrevention.Of(garden, measure).Share * against.Sum(x => x.Weight) / all : 0;
            if (worth >= LeastWorth)
            {
                yield return Work(planting, measure, [.. against.Select(x => x.Target)], worth);
            }
        }
    }

    /// <summary>
    /// The next sowing of what is soon over, or will not be saved: where the season is long enough for it, and none was sown lately. Null for none.
    /// </summary>
    private PreventiveWork? Again(Planting planting)
    {
        var crop = garden.Catalogue.Crop(planting.Crop);
        var place = garden.PlaceOf(planting);
        var age = garden.Today.DayNumber - planting.From.DayNumber;
        var soonOver = crop.StageDays[2] <= QuickDays && age >= crop.StageDays[1];
        var lost = garden.LatestLook(planting.Id).Any(o => o.Incidence > LostShare && o.At > garden.Now.AddDays(-LostSeenDays));
        var full = garden.Today.AddDays(crop.StageDays[1]);
        var warm = place.Shelter != Shelter.Open || garden.UsualMeanC(full) >= GrowsFromC;
        var sown = garden.Plantings.Any(p => p.Id != planting.Id && p.Crop == planting.Crop && p.From > garden.Today.AddDays(-SownLatelyDays));
        if (!(soonOver || lost) || !warm || sown)
        {
            return null;
        }

        var why = Said.Of(
            lost ? "preventing.itWillNotBeSavedSowAgain" : "preventing.itIsSoonOverSowAgain",
            ("crop", Fact.Thing(crop.Name.InSentence())),
            ("date", Fact.Day(full))
        );
        return Work(planting, garden.Catalogue.Measure(KnownIds.Measures.SowAgain), [], LeastWorth, why);
    }

    private bool Fits(Planting planting, Measure measure, Prevention prevents)
    {
        var place = garden.PlaceOf(planting);
        var crop = garden.Catalogue.Crop(planting.Crop);
        return prevents.IsOn(crop)
            && planting.Stage >= prevents.From
            && planting.Stage <= prevents.Until
            && (measure.OnlyIn.Count == 0 || measure.OnlyIn.Contains(place.Kind))
            && (!prevents.Overhead || place.Watering == Watering.Overhead);
    }

    private bool Comes(Place place, Target target) =>
        place.Shelter == Shelter.Indoor
        || target.Season.Holds(garden.Garden.NorthernMonth(garden.Today))
        || target.Season.Holds(garden.Garden.NorthernMonth(garden.Today.AddDays(AheadDays)));

    /// <param name="because">Null where what it keeps off says it.</param>
    private PreventiveWork Work(Planting planting, Measure measure, List<Target> against, double worth, Said? because = null)
    {
        var season = garden.Garden.SeasonStart(garden.Today);
        var last = garden
            .Tasks.Where(t => t.PlantingId == planting.Id && t.Step == measure.Id && t.DueOn >= season)
            .MaxBy(t => (t.DoneAt is { } at ? garden.Garden.DateOf(at) : t.DueOn, t.State == TaskState.Planned));
        var (state, on) = StateOf(planting, measure, last);
        // What only flies in later, all of it, is met shortly before.
        var flying = against.Select(t => (Target: t, On: FlightOf(garden.PlaceOf(planting), t))).ToList();
        var first = flying.Count > 0 && flying.TrueForAll(f => f.On is not null) ? flying.MinBy(f => f.On) : default;
        if (state == PreventionState.Due && first.On is { } flies && flies.AddDays(-BeforeFlightDays) > garden.Today)
        {
            (state, on) = (PreventionState.Later, flies.AddDays(-BeforeFlightDays));
        }

        return new PreventiveWork(
            planting,
            measure,
            against,
            worth,
            state,
            on,
            because ?? Why(measure, flying),
            WorkTime.OfHands(garden, planting, measure, null),
            last
        );
    }

    private DateOnly? FlightOf(Place place, Target target)
    {
        if (!flights.TryGetValue((place.Shelter, target.Id), out var on))
        {
            flights[(place.Shelter, target.Id)] = on = FirstFlights.On(garden, place, target);
        }

        return on;
    }

    private (PreventionState State, DateOnly? On) StateOf(Planting planting, Measure measure, GardenTask? last) =>
        last switch
        {
            { State: TaskState.Planned } => (PreventionState.Planned, last.DueOn),
            { State: TaskState.Done, DoneAt: { } at } => Wearing.Holds(garden, planting, measure, at)
                ? (PreventionState.Holds, measure.Lasts is { } lasts ? garden.Garden.DateOf(at).AddDays(lasts.Days) : null)
                : (PreventionState.Due, garden.Today),
            { } => (PreventionState.LetBe, null),
            null => (PreventionState.Due, garden.Today),
        };

    private Said Why(Measure measure, List<(Target Target, DateOnly? On)> flying)
    {
        var named = flying.Take(MostNamed).Select(f => f.Target.Name.InSentence()).ToList();
        var flown = flying
            .Where(f => f.On is not null)
            .Select(f =>
                f.On <= garden.Today
                    ? Said.Of("preventing.fliesSinceAboutLookUnder", ("target", Fact.Thing(f.Target.Name)), ("day", Fact.Day(f.On!.Value)))
                    : Said.Of("preventing.fliesFromAbout", ("target", Fact.Thing(f.Target.Name)), ("day", Fact.Day(f.On!.Value)))
            );
        var kept = LearnedPrevention.Of(garden, measure);
        return Said.Sentences(
            Said.Of(
                "preventing.itKeepsOffAbout",
                ("why", Fact.Clause(measure.Prevents!.Why)),
                ("percent", Fact.Share(kept.Share)),
                ("what", Fact.Clause(Say.All(named)))
            ),
            [
                kept.IsOwn
                    ? Said.Of(
                        "preventing.hereItWasFound",
                        ("found", Fact.Count(kept.FoundWith)),
                        ("with", Fact.Count(kept.With)),
                        ("found2", Fact.Count(kept.FoundWithout)),
                        ("without", Fact.Count(kept.Without))
                    )
                    : null,
                .. flown,
            ]
        );
    }
}
