using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>A look at one planting, as it is noted on a walk or a check-back.</summary>
/// <param name="Id">Made by the client, so that a repeated send is harmless.</param>
/// <param name="At">When it was counted, for what is sent later; null for now.</param>
/// <param name="WalkId">The round it belongs to; a round that is not known yet is begun with it.</param>
/// <param name="SeverityPercent">Share of the leaf area of affected leaves, 0 to 100; null when nobody judged it.</param>
/// <param name="Also">Further troubles counted on the same leaves.</param>
/// <param name="On">What was counted, where it was neither leaves nor plants one by one.</param>
/// <param name="Plants">Numbers of the affected plants, where plants and not leaves were counted; null otherwise.</param>
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
    IReadOnlyList<FurtherTrouble>? Also = null,
    IReadOnlyList<int>? Plants = null,
    CountedOn On = CountedOn.Leaves
);

/// <summary>A second trouble on the leaves of the same look, with its own count and signs.</summary>
public sealed record FurtherTrouble(Guid Id, int LeavesAffected, IReadOnlyList<SeenSign> Signs, double? SeverityPercent = null);

/// <summary>Noting what was seen.</summary>
public static class Looks
{
    /// <summary>The look, and the round that it begins: a count is never refused because the start of its round got lost on the way.</summary>
    public static Written Note(GardenSnapshot garden, NewObservation look)
    {
        var planting = garden.FindPlanting(look.PlantingId)!;
        return new Written(Say.Of("deeds.noted", ("garden", garden.Where(planting))), look.MemberId)
        {
            Walks = Begun(garden, look),
            Observations = Of(garden, look, null),
        };
    }

    /// <summary>When something was looked at: a device that was out of reach says so later, and its clock may be ahead.</summary>
    public static DateTimeOffset LookedAt(GardenSnapshot garden, DateTimeOffset? said) => said is { } at && at < garden.Now ? at : garden.Now;

    /// <summary>The round that a look begins; empty when it is known, or there is none.</summary>
    internal static IReadOnlyList<WalkTaken> Begun(GardenSnapshot garden, NewObservation look) =>
        look.WalkId is { } id && garden.Walks.All(w => w.Id != id) ? [new WalkTaken(id, LookedAt(garden, look.At), null, look.MemberId, [])] : [];

    /// <summary>The troubles of a look, the first one first.</summary>
    /// <param name="named">What the first trouble is known to be; null when nobody has named it.</param>
    internal static IReadOnlyList<Observation> Of(GardenSnapshot garden, NewObservation look, string? named)
    {
        Observation One(Guid id, int affected, double? severity, IReadOnlyList<SeenSign> signs, string? name) =>
            new(
                id,
                look.Id,
                look.WalkId,
                look.PlantingId,
                LookedAt(garden, look.At),
                look.LeavesLooked,
                affected,
                severity,
                look.Ants,
                look.Helpers,
                look.Mummies,
                look.Part,
                look.Side,
                look.Roots,
                signs,
                name,
                false,
                string.IsNullOrWhiteSpace(look.Note) ? null : look.Note.Trim(),
                Plants: look.Plants is null ? null : [.. look.Plants.Order()],
                On: look.Plants is null ? look.On : CountedOn.Leaves
            );

        return
        [
            One(look.Id, look.LeavesAffected, look.SeverityPercent, look.Signs, named),
            .. (look.Also ?? []).Select(x => One(x.Id, x.LeavesAffected, x.SeverityPercent, x.Signs, null)),
        ];
    }
}
