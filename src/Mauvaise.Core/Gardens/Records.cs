using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Gardens;

/// <summary>Ants on the plants, as somebody said.</summary>
public enum Ants
{
    Unsaid,
    None,
    Few,
    Many,
}

public static class AntsSaid
{
    /// <summary>Some were seen. That there are none is said by <see cref="Ants.None"/> alone.</summary>
    public static bool Climb(this Ants ants) => ants > Ants.None;
}

/// <summary>A sign that was looked for: there, or not there.</summary>
public sealed record SeenSign(string Sign, bool Present);

/// <summary>Where on the plant a trouble sits.</summary>
public enum PlantPart
{
    Unsaid,
    Tips,
    NewLeaves,
    OldLeaves,
    Stem,
    Flowers,
    Fruit,
}

/// <summary>Where in the bed the affected plants stand.</summary>
public enum BedSide
{
    Unsaid,
    Edge,
    Middle,
    Everywhere,
}

/// <summary>Whether somebody pulled a plant and looked at its roots.</summary>
public enum RootCheck
{
    NotLooked,
    Clean,
    Troubled,
}

/// <summary>One trouble at one planting, as it was counted; clean leaves alone are an observation too.</summary>
/// <param name="LookId">Shared by the troubles that were counted on the same leaves; the first one's id.</param>
/// <param name="WalkId">The round it was made on; null outside one.</param>
/// <param name="Named">Target id, once somebody has named it.</param>
/// <param name="OwnName">What the gardener calls it, where the catalogue has no name; null otherwise.</param>
/// <param name="NameIsGroup">The name stands for its whole group: nobody has settled which of them it is.</param>
/// <param name="SeverityPercent">Share of the leaf area of affected leaves, 0 to 100.</param>
/// <param name="Plants">Numbers of the affected plants, where plants and not leaves were counted: what is said of leaves is of plants then.</param>
/// <param name="On">What was counted where it was not leaves: what is said of leaves is of that then.</param>
public sealed record Observation(
    Guid Id,
    Guid LookId,
    Guid? WalkId,
    Guid PlantingId,
    DateTimeOffset At,
    int LeavesLooked,
    int LeavesAffected,
    double? SeverityPercent,
    Ants Ants,
    int Helpers,
    int Mummies,
    PlantPart Part,
    BedSide Side,
    RootCheck Roots,
    IReadOnlyList<SeenSign> Signs,
    string? Named,
    bool NameIsGroup,
    string? Note,
    string? OwnName = null,
    IReadOnlyList<int>? Plants = null,
    CountedOn On = CountedOn.Leaves
)
{
    /// <summary>A name of one's own has this many letters at the most.</summary>
    public const int OwnNameLetters = 80;

    /// <summary>Share of leaves affected, 0 to 1; null when no leaf was looked at.</summary>
    public double? Incidence => LeavesLooked > 0 ? (double)LeavesAffected / LeavesLooked : null;
}

/// <summary>A round over the places.</summary>
/// <param name="EndedAt">Null while it goes on.</param>
/// <param name="SkippedPlaceIds">Places that were passed by on purpose.</param>
public sealed record WalkTaken(Guid Id, DateTimeOffset StartedAt, DateTimeOffset? EndedAt, Guid? MemberId, IReadOnlyList<Guid> SkippedPlaceIds)
{
    /// <summary>A round that nobody ended is over by itself after this long.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromHours(18);

    public bool IsOpen(DateTimeOffset now) => EndedAt is null && now - StartedAt < Longest;
}

/// <summary>Part of a mix as it was made.</summary>
/// <param name="Amount">In <paramref name="Unit"/> ("ml" or "g") for the whole batch.</param>
/// <param name="BottlePercent">Strength of the bottle it came from; null for the usual one.</param>
public sealed record Measured(string Material, string Role, double Amount, string Unit, double? BottlePercent = null);

/// <summary>A second trouble that one filling is against, and what in it works on that.</summary>
public sealed record AlsoAgainst(string Target, string Material);

/// <summary>A bottle or tank that was really made.</summary>
/// <param name="Litres">0 for what is no liquid.</param>
/// <param name="PatchTest">Made for two leaves only.</param>
/// <param name="EmptiedAt">When the rest was poured away; null otherwise.</param>
/// <param name="SprayerId">What it was mixed in; null when nobody said.</param>
/// <param name="ReadyAt">It stands until then; null for what is ready at once.</param>
/// <param name="Also">A second trouble that it is against; null for none.</param>
public sealed record Batch(
    Guid Id,
    DateTimeOffset MadeAt,
    string Recipe,
    DoseStep Step,
    double Litres,
    DateTimeOffset UseBy,
    string? Target,
    IReadOnlyList<Guid> PlantingIds,
    IReadOnlyList<Measured> Ingredients,
    bool PatchTest = false,
    DateTimeOffset? EmptiedAt = null,
    Guid? MemberId = null,
    Guid? SprayerId = null,
    DateTimeOffset? ReadyAt = null,
    AlsoAgainst? Also = null
)
{
    /// <summary>What works in it.</summary>
    public Measured Active => Ingredients.First(i => i.Role == "active");
}

/// <summary>Where an application went.</summary>
/// <param name="ShareWetted">Share of the leaf area of the whole planting that was wetted, 0 to 1.</param>
/// <param name="Plants">Numbers of the plants that were treated; null for all of them.</param>
public sealed record Treated(Guid PlantingId, double ShareWetted, IReadOnlyList<int>? Plants = null);

/// <summary>What made somebody spray.</summary>
public enum SprayReason
{
    OwnIdea,
    Plan,
    Course,
}

/// <summary>What of a plant was wetted.</summary>
public enum WettedPart
{
    Undersides,
    Tops,
    Stems,
    Soil,
}

/// <summary>The air when a spray went on, as far as it is known.</summary>
public sealed record SprayAir(double? TemperatureC, double? RelativeHumidityPercent, double? WindMetresPerSecond);

/// <summary>A spray that was put on.</summary>
/// <param name="PerLitre">Dose of the active in its dose unit per litre.</param>
/// <param name="Parts">Empty when nobody said.</param>
/// <param name="ExpectedLitres">What the places were reckoned to take; null when nobody reckoned.</param>
/// <param name="Also">A second trouble that it was against; null for none.</param>
public sealed record SprayApplication(
    Guid Id,
    Guid? BatchId,
    DateTimeOffset At,
    string Material,
    double? PerLitre,
    double Litres,
    string? Target,
    IReadOnlyList<Treated> Treated,
    bool PatchTest,
    string? Note,
    Guid? MemberId = null,
    SprayReason Why = SprayReason.OwnIdea,
    IReadOnlyList<WettedPart>? Parts = null,
    double? ExpectedLitres = null,
    SprayAir? Air = null,
    AlsoAgainst? Also = null
)
{
    /// <summary>True when it was meant for a trouble.</summary>
    public bool IsAgainst(string target) => Target == target || Also?.Target == target;

    /// <summary>What in it was meant for a trouble.</summary>
    public string MaterialAgainst(string? target) => AlsoFor(target) is null ? Material : Also!.Material;

    /// <summary>The trouble, where it is the second of the spray; null for its own, and for any other.</summary>
    public string? AlsoFor(string? target) => target is not null && target != Target && Also?.Target == target ? target : null;
}

/// <summary>How an application, or a whole course, turned out.</summary>
public enum Outcome
{
    Cleared,
    Holding,
    Losing,
    Lost,
}

/// <summary>What a spray did to the plant, the mildest first. Where nobody said it, nothing is learned from it.</summary>
public enum Injury
{
    Unsaid,
    None,
    Slight,
    Clear,
    Severe,
}

/// <summary>How a spray hurt.</summary>
public enum InjurySign
{
    Scorch,
    Curl,
    Drop,
}

/// <summary>A visit to judge a spray, or a task, at one planting.</summary>
/// <param name="ApplicationId">The spray; null for a task.</param>
/// <param name="DoneAt">Null while it is due.</param>
/// <param name="ObservationId">The count made on that visit.</param>
/// <param name="TaskId">The task; null for a spray.</param>
/// <param name="BeforeId">The count before that it was judged against.</param>
/// <param name="Alive">Of the insects that were touched.</param>
/// <param name="DiscountedFor">Why the garden is not to learn from it; null when it is.</param>
/// <param name="OnlyDead">Leaves that showed dead insects, or old spots, and nothing living; null when nobody told them apart.</param>
/// <param name="AlsoTarget">The second trouble of the spray, where it judges that; null for the spray's own.</param>
public sealed record CheckBack(
    Guid Id,
    Guid? ApplicationId,
    Guid PlantingId,
    DateOnly DueOn,
    DateTimeOffset? DoneAt,
    Guid? ObservationId,
    Outcome? Outcome,
    Injury Injury,
    Guid? TaskId = null,
    Guid? BeforeId = null,
    IReadOnlyList<InjurySign>? InjurySigns = null,
    int? Alive = null,
    int? Dead = null,
    string? DiscountedFor = null,
    Guid? MemberId = null,
    int? OnlyDead = null,
    string? AlsoTarget = null
);

/// <summary>What became of a step of the ladder. Passed: the gardener said no to it for what was seen then.</summary>
public enum TaskState
{
    Planned,
    Done,
    Dropped,
    Passed,
}

/// <summary>A step of the ladder that the gardener took on, or passed by: a measure without a sprayer, or a spray that was passed by.</summary>
/// <param name="LookId">The look that it answers.</param>
/// <param name="Step">Id of a measure, or a code of the ladder's spray steps.</param>
/// <param name="Leaves">Leaves taken off, where it is about leaves.</param>
/// <param name="Helper">Kind of helper that is ordered or let out; null otherwise.</param>
/// <param name="Number">How many of them.</param>
/// <param name="Dose">Which dose of the measure's recipe was proposed; null where it has no recipe, or nobody said.</param>
public sealed record GardenTask(
    Guid Id,
    Guid PlantingId,
    Guid? LookId,
    string Step,
    string? Target,
    DateOnly DueOn,
    TaskState State,
    DateTimeOffset? DoneAt = null,
    int? Leaves = null,
    string? Helper = null,
    int? Number = null,
    DoseStep? Dose = null
);

/// <summary>
/// What the gardener said to the plan: this day and no other, not this time, never this material, that it has been used on this crop for
/// years and wants no two leaves first, or that a planting is left alone on purpose, for bees or as a decoy.
/// </summary>
public enum PlanWord
{
    Pin,
    Skip,
    Ban,
    Proven,
    LeaveAlone,
}

/// <summary>A word of the gardener's that the plan works round.</summary>
/// <param name="Target">Trouble that is meant; null where a material is.</param>
/// <param name="Material">Material that is banned, or proven on the planting's crop; null otherwise.</param>
/// <param name="On">Pin: the day of the next round. Skip: not before the day after. Otherwise null.</param>
public sealed record PlanChoice(Guid Id, PlanWord Word, Guid PlantingId, string? Target, string? Material, DateOnly? On);

/// <summary>A round as the gardener last saw it in the plan.</summary>
/// <param name="Key">Of the round: planting, trouble and how many rounds came before.</param>
public sealed record SeenRound(string Key, DateOnly On, string Recipe);

/// <summary>Rounds of one material against one trouble on one planting.</summary>
/// <param name="OpenedAt">Sprays from then on count as its rounds.</param>
/// <param name="SpacingDays">Days between rounds as it was opened; what the weather makes of it is worked out anew each day.</param>
/// <param name="DegreeDaysPerDay">Warmth that was expected then; null where warmth does not matter.</param>
/// <param name="OwnDays">Days that the gardener chose, rising; empty to go by the life cycle.</param>
/// <param name="Then">What it goes on with when its rounds are through: it cleaned, and this protects. Null for nothing.</param>
/// <param name="StoppedAt">When the gardener stopped it; null otherwise.</param>
public sealed record Course(
    Guid Id,
    Guid PlantingId,
    string Target,
    string Recipe,
    DateTimeOffset OpenedAt,
    DoseStep Step,
    int SpacingDays,
    int Rounds,
    double? DegreeDaysPerDay,
    IReadOnlyList<DateOnly> OwnDays,
    DateTimeOffset? StoppedAt = null,
    CourseRounds? Then = null
);

/// <summary>Rounds of another recipe.</summary>
public sealed record CourseRounds(string Recipe, int SpacingDays, int Rounds);

/// <summary>What is treated and counted as one in a trial.</summary>
public enum TrialUnitKind
{
    Place,
    Plant,
    Leaf,
}

/// <summary>A side of a trial.</summary>
/// <param name="Number">From 1.</param>
/// <param name="Recipe">What is mixed; null for what is done by hand, and for the side that is left alone.</param>
/// <param name="ByHand">A measure of the catalogue, or what the gardener calls something else; null for what is mixed and for the side left alone.</param>
public sealed record TrialSide(int Number, string? Recipe, DoseStep Step, string? ByHand = null)
{
    /// <summary>Something else has a name of this many letters at the most.</summary>
    public const int ByHandLetters = 60;

    public bool IsAlone => Recipe is null && ByHand is null;
}

/// <summary>A place, plant or marked leaf of a trial.</summary>
/// <param name="Number">From 1, as on its label.</param>
/// <param name="Side">Number of the side that the lot gave it.</param>
public sealed record TrialUnit(int Number, Guid PlantingId, int Side);

/// <summary>One unit of a trial counted once.</summary>
/// <param name="SeverityPercent">Share of the leaf area, 0 to 100, for a disease.</param>
/// <param name="Injury">What the treatment did to the unit.</param>
/// <param name="Alive">Living insects on its leaves; null when nobody counted them.</param>
public sealed record TrialCount(
    Guid Id,
    int Unit,
    DateTimeOffset At,
    int LeavesLooked,
    int LeavesAffected,
    double? SeverityPercent,
    Injury Injury = Injury.Unsaid,
    int? Alive = null
);

/// <summary>Materials held against each other and against nothing.</summary>
/// <param name="Seed">Of the lot that dealt the units to the sides.</param>
/// <param name="Blind">Whoever counts does not see which side a unit is on until the trial is closed.</param>
/// <param name="TreatedAt">Counts up to then are from before; null until the sides were treated.</param>
/// <param name="Counts">In time order.</param>
/// <param name="TreatedTimes">How often the sides were treated.</param>
/// <param name="LastTreatedAt">The last time; null until the sides were treated.</param>
public sealed record Trial(
    Guid Id,
    string Name,
    string Target,
    TrialUnitKind Unit,
    int LeavesPerUnit,
    int Seed,
    bool Blind,
    DateTimeOffset OpenedAt,
    DateTimeOffset? TreatedAt,
    DateTimeOffset? ClosedAt,
    IReadOnlyList<TrialSide> Sides,
    IReadOnlyList<TrialUnit> Units,
    IReadOnlyList<TrialCount> Counts,
    int TreatedTimes = 0,
    DateTimeOffset? LastTreatedAt = null
);
