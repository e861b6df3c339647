using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Mixing;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Bench;

/// <param name="On">Target or group of targets, as gardeners call it.</param>
public sealed record EffectAnswer(string On, double Eggs, double Young, double Adult, double Protects, string Confidence);

/// <param name="InOneTank">False when the two may never be in one tank.</param>
public sealed record MeetingAnswer(string Name, bool InOneTank, double DaysApart, string Why);

/// <summary>All that is known of a material, the label's word over the catalogue's.</summary>
/// <param name="Meetings">Groups with which it may not be mixed, or only days apart.</param>
public sealed record MaterialAnswer(
    string Id,
    string Name,
    string GroupName,
    string? GroupCode,
    EvidenceGrade Evidence,
    string? DoseText,
    Cadence Cadence,
    CoverTraits Cover,
    double RainFreeHours,
    int? DaysToWait,
    double MixedLifeHours,
    string? Storage,
    double HarmToHelpers,
    SeasonLimit? SeasonLimit,
    int? InARowLimit,
    IReadOnlyList<EffectAnswer> WorksOn,
    IReadOnlyList<MeetingAnswer> Meetings,
    string? Schools,
    IReadOnlyList<string> Assumed
);

/// <summary>What is known of a material.</summary>
public static class MaterialEndpoints
{
    public static void MapMaterials(this RouteGroupBuilder garden) => garden.MapGet("/materials/{material}", Know).WithTags("Shelf");

    private static async Task<Results<Ok<MaterialAnswer>, ProblemHttpResult>> Know(Guid gardenId, string material, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Catalogue.FindMaterial(material) is not { } m)
        {
            return Problems.NotFound("material");
        }

        var group = s.Catalogue.Group(m.Group);
        return TypedResults.Ok(
            new MaterialAnswer(
                m.Id,
                m.Name,
                group.Name,
                group.Code,
                m.Evidence,
                m.Doses is { } doses ? DoseTold.Steps(doses) : null,
                m.Cadence,
                m.Cover,
                m.RainFreeHours,
                m.DaysToWait,
                m.MixedLifeHours,
                m.Storage,
                m.HarmToHelpers,
                m.SeasonLimit,
                m.InARowLimit,
                [
                    .. m.WorksOn.Select(e => new EffectAnswer(
                        s.Catalogue.FindTarget(e.On)?.Name ?? TargetGroups.Many(e.On),
                        e.Eggs,
                        e.Young,
                        e.Adult,
                        e.Protects,
                        e.Confidence
                    )),
                ],
                [
                    .. s
                        .Catalogue.Materials.Where(x => !x.Pantry && x.Id != m.Id)
                        .Select(x => (Group: s.Catalogue.Group(x.Group).Name, Pair: Pairs.Between(s.Catalogue, m, x)))
                        .Where(x => x.Pair.InOneTank == "never" || x.Pair.DaysApart > 0)
                        .DistinctBy(x => x.Group)
                        .Select(x => new MeetingAnswer(x.Group, x.Pair.InOneTank != "never", x.Pair.DaysApart, x.Pair.Why)),
                ],
                m.Schools,
                m.AssumedInWords()
            )
        );
    }
}
