using System.Text.Json.Serialization;

namespace Mauvaise.Core.Catalogue;

/// <summary>What kind of thing is behind a sign.</summary>
public enum TargetKind
{
    Insect,
    Disease,
    LookAlike,
}

/// <summary>How sure a figure is: sourced from the literature, generally agreed, or our assumption.</summary>
public enum Confidence
{
    Sourced,
    Agreed,
    Assumed,
}

/// <summary>Degree-day biology of an insect or mite. Lower threshold in C, the rest in degree-days above it.</summary>
/// <param name="LowerC">Lower threshold of development, degrees C.</param>
/// <param name="UpperC">Horizontal cut-off, degrees C.</param>
/// <param name="EggDegreeDays">Laying to hatch; 0 for live-bearers.</param>
/// <param name="ToAdultDegreeDays">Laying (or birth) to adult.</param>
/// <param name="GrowthPerDayAt20C">Growth of a colony without helpers, per day at 20 C.</param>
/// <param name="LikesDryAir">Slows in humid air.</param>
public sealed record InsectBiology(
    double LowerC,
    double UpperC,
    double EggDegreeDays,
    double ToAdultDegreeDays,
    double GrowthPerDayAt20C,
    Confidence Confidence,
    string Source,
    bool LikesDryAir = false
);

/// <summary>One stage of a creature's life, as it is met on a plant.</summary>
/// <param name="Name">"egg", "young", "pupa", "adult" or what gardeners call it.</param>
/// <param name="Drawing">Name of its line drawing.</param>
/// <param name="Where">Where it sits, in a few words.</param>
/// <param name="LengthMm">Of a grown one of that stage, mm; over 0.</param>
/// <param name="Tint">Colour of its body by day, as "#rrggbb".</param>
public sealed record LifeStage(string Name, string Drawing, string Where, double LengthMm, string Tint);

/// <summary>Weather response of a disease.</summary>
/// <param name="WetHoursAtOptimum">Wet hours needed at the optimum; null for dry-leaf diseases.</param>
/// <param name="SpreadsBy">"splash", "wind" or "air".</param>
/// <param name="WarnedByHumidDays">The two-day humidity warning (late blight) holds for it.</param>
public sealed record DiseaseBiology(
    double MinC,
    double OptimumC,
    double MaxC,
    double? WetHoursAtOptimum,
    string SpreadsBy,
    Confidence Confidence,
    string Source,
    bool WarnedByHumidDays = false
);

/// <summary>Months (1 to 12, northern hemisphere) in which a target is usual.</summary>
public sealed record SeasonMonths(int From, int To)
{
    /// <summary>True when <paramref name="month"/> (northern hemisphere) lies in the season, both ends included; a season may cross the new year.</summary>
    public bool Holds(int month) => From <= To ? month >= From && month <= To : month >= From || month <= To;
}

/// <summary>The warmth after which an insect's first adults fly.</summary>
/// <param name="LowerC">No warmth counts below it.</param>
/// <param name="DegreeDays">From the first day of the season.</param>
public sealed record FirstFlight(double LowerC, double DegreeDays, string Source);

/// <summary>A pest, a disease, or a look-alike that is no pest.</summary>
public sealed record Target
{
    public required string Id { get; init; }
    public required string Name { get; init; }

    /// <summary>What people elsewhere call it; it is found by all of these.</summary>
    public IReadOnlyList<string> AlsoCalled { get; init; } = [];
    public string? LatinName { get; init; }

    /// <summary>The target whose facts it goes by, for a kind of one's own; null otherwise. No file says it.</summary>
    [JsonIgnore]
    public string? Like { get; init; }
    public required TargetKind Kind { get; init; }

    /// <summary>Group that shares an action: "sap-feeders", "chewers", "surface-mildew", "leaf-spots", "look-alikes", "hopeless", ...</summary>
    public required string Group { get; init; }

    /// <summary>What it is called by whoever can not tell its kind: "aphid", "caterpillar", "leaf-spot", "shortage", ...</summary>
    public required string NameGroup { get; init; }

    /// <summary>It stands for its whole name group, also for kinds that are not listed.</summary>
    public bool IsGroup { get; init; }

    /// <summary>Crop or family ids; "all" for any crop.</summary>
    public required IReadOnlyList<string> Hosts { get; init; }

    /// <summary>Probability of each sign given this target, 0.01 to 0.99, by sign id; unlisted signs have the sign's own small value.</summary>
    public required IReadOnlyDictionary<string, double> Signs { get; init; }

    /// <summary>Signs whose likelihood is generally agreed; the others are assumed.</summary>
    public IReadOnlyList<string> AgreedSigns { get; init; } = [];
    public required SeasonMonths Season { get; init; }

    /// <summary>When its first adults fly; null where nobody measured it.</summary>
    public FirstFlight? Flight { get; init; }

    /// <summary>Relative frequency among the causes of damage on a host in season; 1 is ordinary (assumed).</summary>
    public double Commonness { get; init; } = 1;

    /// <summary>How much more usual it is under cover than outdoors; 1 for no difference (assumed).</summary>
    public double UnderCoverFactor { get; init; } = 1;

    /// <summary>How much more usual it is on seedlings and young plants than on grown ones; 1 for no difference (assumed).</summary>
    public double YoungFactor { get; init; } = 1;

    /// <summary>It is the work of a spray, so a spray in the last days speaks for it.</summary>
    public bool FollowsSpray { get; init; }

    /// <summary>
    /// Days after a spray from which on a count shows what it did, as where only clean new leaves tell (assumed); null where the material alone decides.
    /// </summary>
    public int? CheckBackDays { get; init; }
    public InsectBiology? Insect { get; init; }

    /// <summary>Stages of its life in order; empty for what has none.</summary>
    public IReadOnlyList<LifeStage> Stages { get; init; } = [];
    public DiseaseBiology? Disease { get; init; }

    /// <summary>Where to look first.</summary>
    public required string LookFirst { get; init; }

    /// <summary>How to tell it from what it resembles, in a sentence.</summary>
    public required string HowToTell { get; init; }

    /// <summary>Nothing kitchen-made helps: remove, bag, ask the plant health service.</summary>
    public bool NoSpray { get; init; }

    /// <summary>Crops of which varieties are sold that are said to resist it.</summary>
    public IReadOnlyList<string> ResistedBy { get; init; } = [];

    /// <summary>What tells most of it when it is counted.</summary>
    public CountedOn CountOn { get; init; }

    /// <summary>The sick plants go and the others stay.</summary>
    public bool ByPlant { get; init; }

    /// <summary>What to do instead of spraying, when that is the whole answer.</summary>
    public string? InsteadOfSpray { get; init; }

    /// <summary>Ids of targets that no question in the catalogue can tell from this one.</summary>
    public IReadOnlyList<string> InseparableFrom { get; init; } = [];
}
