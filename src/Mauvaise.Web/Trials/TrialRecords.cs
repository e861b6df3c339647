using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Trials;

namespace Mauvaise.Web.Trials;

/// <param name="Recipe">Null for what is done by hand, and for the side that is left alone.</param>
/// <param name="ByHand">A measure, or something else in one's own words; null for what is mixed and for the side left alone.</param>
public sealed record NewTrialSide(string? Recipe, DoseStep Step, [property: StringLength(TrialSide.ByHandLetters)] string? ByHand = null);

/// <param name="Units">How many plants or leaves of it take part; 1 where places are compared.</param>
public sealed record NewTrialUnits(Guid PlantingId, int Units);

/// <param name="Seed">Of the lot; null to draw one.</param>
public sealed record NewTrial(
    Guid Id,
    string Name,
    string Target,
    TrialUnitKind Unit,
    int LeavesPerUnit,
    bool Blind,
    IReadOnlyList<NewTrialSide> Sides,
    IReadOnlyList<NewTrialUnits> Plantings,
    int? Seed = null,
    Guid? MemberId = null
);

public sealed record NewTrialCount(
    Guid Id,
    int Unit,
    int LeavesLooked,
    int LeavesAffected,
    double? SeverityPercent = null,
    Injury Injury = Injury.Unsaid,
    int? Alive = null
);

/// <summary>Units counted in one go.</summary>
public sealed record TrialCounts(IReadOnlyList<NewTrialCount> Counts, DateTimeOffset? At = null, Guid? MemberId = null);

/// <summary>What was done to a side.</summary>
/// <param name="BatchId">Of the mix; nothing is mixed for what is done by hand.</param>
/// <param name="ApplicationId">Of the spray, or of the task for what is done by hand.</param>
/// <param name="Litres">Or square metres, plants or stations, as the mix is dosed; 0 for what is done by hand.</param>
public sealed record SideTreated(int Number, Guid BatchId, Guid ApplicationId, double Litres);

public sealed record TrialTreated(IReadOnlyList<SideTreated> Sides, Guid? MemberId = null);

public sealed record TrialClosed(Guid? MemberId = null);

/// <param name="Letter">A, B, C …, as on the labels.</param>
public sealed record TrialSideAnswer(
    int Number,
    string Letter,
    string? Recipe,
    string? ByHand,
    string SizeUnit,
    string Name,
    DoseStep Step,
    string? Hatch,
    int Units,
    int Leaves,
    double? Affected,
    double? AffectedBefore,
    double? AreaUnderCurve,
    double? ControlPercent,
    double? ControlLow,
    double? ControlHigh,
    string? Method,
    TrialVerdict? Verdict,
    string Sentence,
    double? Hurt,
    double? AliveALeaf
);

/// <summary>Two treated sides held against each other.</summary>
public sealed record TrialPairAnswer(string First, string Second, double Percent, double Low, double High, bool Differs, string Sentence);

/// <param name="Side">Null while the trial is blind.</param>
public sealed record TrialUnitAnswer(int Number, Guid PlantingId, string Where, int? Side, int Counts, int? LastLooked, int? LastAffected);

public sealed record TrialAnswer(
    Guid Id,
    string Name,
    string Target,
    string TargetName,
    bool IsDisease,
    TrialUnitKind Unit,
    int LeavesPerUnit,
    int Seed,
    bool Blind,
    DateTimeOffset OpenedAt,
    DateTimeOffset? TreatedAt,
    DateTimeOffset? ClosedAt,
    IReadOnlyList<TrialSideAnswer> Sides,
    IReadOnlyList<TrialUnitAnswer> Units,
    int CountRounds,
    int TreatedTimes,
    bool IsInsect,
    IReadOnlyList<TrialPairAnswer> Pairs,
    string Power,
    string Next
);

/// <summary>Which units a side treats: for whoever sprays, and for the labels.</summary>
public sealed record TrialSheetSide(string Letter, string Name, IReadOnlyList<TrialSheetUnit> Units);

public sealed record TrialSheetUnit(int Number, string Where);

public sealed record TrialSheet(string Name, bool Blind, IReadOnlyList<TrialSheetSide> Sides);

/// <param name="LeavesASide">Leaves that each side has for certain.</param>
/// <param name="Points">Smallest difference that shows; null when nothing would.</param>
public sealed record TrialPowerAnswer(int LeavesASide, double? Points, string Sentence);
