using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Suspects;

/// <summary>A sign with how likely it is under a cause that does not list it.</summary>
/// <param name="Usual">Under what lives.</param>
/// <param name="WithoutLife">Under what is no pest.</param>
public sealed record NamingSign(string Id, string Question, double Usual, double WithoutLife);

/// <summary>A cause as the ranking of a device needs it.</summary>
/// <param name="Suspect">As it is shown, without a probability.</param>
/// <param name="Shows">How likely each sign that it lists is.</param>
public sealed record NamingCause(SuspectAnswer Suspect, string NameGroup, IReadOnlyDictionary<string, double> Shows);

/// <summary>How likely each cause is on a planting before any sign.</summary>
/// <param name="Priors">Weights, in the order of the causes.</param>
public sealed record NamingPlanting(Guid PlantingId, string Leaf, IReadOnlyList<double> Priors);

/// <summary>What stands for a whole group.</summary>
public sealed record NamingGroup(string NameGroup, string Target, string Name);

/// <summary>All that a device needs to rank causes as <see cref="SuspectRanker"/> does, while nothing can be asked.</summary>
/// <param name="GroupSure">A group is offered as a name from this probability on.</param>
/// <param name="Shown">So many suspects are shown.</param>
/// <param name="Meanwhile">What to do while it has no name.</param>
public sealed record NamingTables(
    NamingRules Rules,
    double GroupSure,
    int Shown,
    string Meanwhile,
    IReadOnlyList<NamingSign> Signs,
    IReadOnlyList<NamingCause> Causes,
    IReadOnlyList<NamingGroup> Groups,
    IReadOnlyList<NamingPlanting> Plantings,
    FollowingSigns Following
);

/// <summary>Naming away from the network.</summary>
public static class NamingEndpoints
{
    public static void MapNaming(this IEndpointRouteBuilder app) => app.MapGet("/api/gardens/{gardenId:guid}/naming", Tables).WithTags("Suspects");

    private static async Task<Results<Ok<NamingTables>, ProblemHttpResult>> Tables(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var catalogue = s.Catalogue;
        return TypedResults.Ok(
            new NamingTables(
                SuspectRanker.Rules,
                SuspectEndpoints.GroupSure,
                SuspectEndpoints.Shown,
                SuspectEndpoints.NotListedMeanwhile,
                [.. catalogue.Signs.Select(x => new NamingSign(x.Id, x.Question, x.WhenUnlisted, x.WithoutLife))],
                [
                    .. catalogue.Causes.Select(c => new NamingCause(
                        SuspectEndpoints.Suspect(catalogue, new Suspect(c.Target, 0, [], [])),
                        c.Target.NameGroup,
                        c.Target.Signs
                    )),
                ],
                [
                    .. from name in catalogue.Causes.Select(c => c.Target.NameGroup).Distinct()
                    let target = catalogue.NameOfGroup(name)
                    where target is not null
                    select new NamingGroup(name, target.Id, target.Name),
                ],
                [
                    .. s.Plantings.Select(p => new NamingPlanting(
                        p.Id,
                        catalogue.Crop(p.Crop).Leaf,
                        SuspectRanker.Priors(catalogue, LocalClues.At(s, p, s.SkyOf(s.PlaceOf(p))))
                    )),
                ],
                Evidence.Following
            )
        );
    }
}
