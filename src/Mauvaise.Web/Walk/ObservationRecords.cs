using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Web.Walk;

/// <param name="Plants">Numbers of the affected plants, where plants and not leaves were counted; null otherwise.</param>
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
    string? Note,
    IReadOnlyList<int>? Plants,
    CountedOn On
);

/// <summary>A count against the action line, while it is being made.</summary>
public sealed record SampleAnswer(double Share, double Low, double High, SampleVerdict Verdict, int MoreLeaves, double Line, string LineReason);

/// <summary>Growth of a trouble over the last looks.</summary>
public sealed record TrendAnswer(TrendDirection Direction, double? DoublingDays, string Sentence)
{
    public static TrendAnswer? Of(Trend? t) => t is null ? null : new(t.Direction, t.DoublingDays, t.Sentence);
}
