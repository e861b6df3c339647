using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Web.Walk;

/// <summary>A look at one planting, as it is noted on a walk or a check-back.</summary>
/// <param name="Id">Made by the client, so that a repeated send is harmless.</param>
/// <param name="At">When it was counted, for what is sent later; null for now.</param>
/// <param name="WalkId">The round it belongs to; a round that is not known yet is begun with it.</param>
/// <param name="SeverityPercent">Share of the leaf area of affected leaves, 0 to 100; null when nobody judged it.</param>
/// <param name="Also">Further troubles counted on the same leaves.</param>
public sealed record NewObservation(
    Guid Id,
    Guid PlantingId,
    int LeavesLooked,
    int LeavesAffected,
    Ants Ants,
    int Helpers,
    int Mummies,
    IReadOnlyList<SeenSign> Signs,
    string? Note = null,
    Guid? MemberId = null,
    DateTimeOffset? At = null,
    Guid? WalkId = null,
    double? SeverityPercent = null,
    PlantPart Part = PlantPart.Unsaid,
    BedSide Side = BedSide.Unsaid,
    RootCheck Roots = RootCheck.NotLooked,
    IReadOnlyList<FurtherTrouble>? Also = null);

/// <summary>A second trouble on the leaves of the same look, with its own count and signs.</summary>
public sealed record FurtherTrouble(Guid Id, int LeavesAffected, IReadOnlyList<SeenSign> Signs, double? SeverityPercent = null);

public sealed record ObservationAnswer(
    Guid Id,
    Guid LookId,
    Guid? WalkId,
    Guid PlantingId,
    string Where,
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
    string? NamedAs,
    string? Note);

/// <summary>A count against the action line, while it is being made.</summary>
public sealed record SampleAnswer(double Share, double Low, double High, SampleVerdict Verdict, int MoreLeaves, double Line, string LineReason);

/// <summary>Growth of a trouble over the last looks.</summary>
public sealed record TrendAnswer(TrendDirection Direction, double? DoublingDays, string Sentence)
{
    public static TrendAnswer? Of(Trend? t) => t is null ? null : new(t.Direction, t.DoublingDays, t.Sentence);
}
