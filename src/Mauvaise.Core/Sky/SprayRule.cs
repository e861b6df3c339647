namespace Mauvaise.Core.Sky;

/// <summary>What a rule says of an hour.</summary>
public enum Verdict
{
    Good = 0,
    Poor = 1,
    Never = 2,
}

/// <summary>The rules that the weather sets for a spray.</summary>
public enum SprayRule
{
    Heat,
    Sun,
    Wind,
    Rain,
    Evaporation,
    Drying,
    LeafWet,
    Cold,
    Bees,
    Light,
    Wilt,
    Pond,
    Free,
    Lamps,
    Unknown,
}

/// <summary>One rule's word on one hour.</summary>
/// <param name="Number">The figure it was judged by, in the rule's unit; null where there is none.</param>
/// <param name="Sentence">Why, for the gardener.</param>
public sealed record RuleVerdict(SprayRule Rule, Verdict Verdict, double? Number, string Sentence);

/// <summary>An hour with every rule's word on it.</summary>
/// <param name="Verdict">The worst of the rules.</param>
/// <param name="Rules">All rules, worst first.</param>
/// <param name="Morning">The sun still rises, or will.</param>
/// <param name="Open">The part of it that the verdict is about; null for all of it.</param>
public sealed record HourVerdict(DateTimeOffset Hour, Verdict Verdict, IReadOnlyList<RuleVerdict> Rules, bool Morning, MinutesOfHour? Open = null)
{
    /// <summary>When it may begin.</summary>
    public DateTimeOffset From => Hour.AddMinutes(Open?.From ?? 0);

    /// <summary>When it has to be over.</summary>
    public DateTimeOffset To => Hour.AddMinutes(Open?.To ?? 60);
}

/// <summary>A run of hours with no "never".</summary>
/// <param name="End">Exclusive.</param>
/// <param name="Score">1 when every hour is good, less with each poor rule and a little less at the end of the day that suits the material less; the worst
/// hour counts.</param>
public sealed record SprayWindow(DateTimeOffset Start, DateTimeOffset End, double Score, Verdict Verdict, string Sentence);

/// <summary>The facts about a place that the rules need.</summary>
/// <param name="SunFrom">Local clock time at which the sun reaches the leaves; null when the whole day.</param>
/// <param name="SunTo">Local clock time at which it leaves them; null when the whole day.</param>
/// <param name="FlowersCloseAtHour">Local hour from which no flower of the place is open; null when they stay open.</param>
/// <param name="PondDistanceM">Null where there is no pond.</param>
/// <param name="Free">Hours in which somebody can spray; null for any.</param>
/// <param name="Lamps">Null where there are none.</param>
/// <param name="CropInFlower">Flowers stand open on it or under it.</param>
public sealed record PlaceExposure(
    Shelter Shelter,
    bool CropInFlower,
    bool SoilMayBeDry,
    TimeOnly? SunFrom = null,
    TimeOnly? SunTo = null,
    int? FlowersCloseAtHour = null,
    double? PondDistanceM = null,
    FreeHours? Free = null,
    LampHours? Lamps = null
);

/// <summary>Local clock times between which lamps are on; over midnight where they go off before they come on.</summary>
public readonly record struct LampHours(TimeOnly From, TimeOnly To)
{
    /// <summary>Leaves are to be dry before lamps come on: so long before, hours (assumed).</summary>
    public const int DryHours = 2;

    /// <summary>On at some minute of the hour that begins then.</summary>
    public bool Holds(TimeOnly hour) => hour.IsBetween(From, To) || From.IsBetween(hour, hour.AddHours(1));
}
