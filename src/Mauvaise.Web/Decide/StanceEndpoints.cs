using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Decide;

/// <summary>When the household sprays at all, and how it meets disease: with what each choice would change.</summary>
public static class StanceEndpoints
{
    internal static void MapStances(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Decide");
        garden.MapGet("/stances", Show);
        garden.MapPut("/places/{placeId:guid}/stance", SetPlace);
    }

    /// <param name="place">Null for the garden's own stance.</param>
    private static async Task<Results<Ok<StancesAnswer>, ProblemHttpResult>> Show(Guid gardenId, Guid? place, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var one = s.Places.FirstOrDefault(p => p.Id == place);
        if (place is not null && one is null)
        {
            return Problems.NotFound("place");
        }

        return TypedResults.Ok(
            new StancesAnswer(
                [
                    .. Enum.GetValues<Stance>()
                        .Select(x => new StanceChange(
                            Name(x),
                            x == (one is null ? s.Garden.Stance : s.StanceAt(one)),
                            Lines(s, one, x),
                            Differences(s, With(s, one, x))
                        )),
                ],
                [
                    .. Enum.GetValues<DiseaseApproach>()
                        .Select(x => new StanceChange(
                            Name(x),
                            x == s.Garden.DiseaseApproach,
                            [Words(x)],
                            Differences(s, s with { Garden = s.Garden with { DiseaseApproach = x } })
                        )),
                ]
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> SetPlace(
        Guid gardenId,
        Guid placeId,
        PlaceStance body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.FirstOrDefault(p => p.Id == placeId) is not { } place)
        {
            return Problems.NotFound("place");
        }

        if (place.Stance != body.Stance)
        {
            var row = await tools.Db.Places.FirstAsync(p => p.Id == placeId, stop);
            var words = body.Stance is { } stance ? ActionLine.Words(stance) : Say.Of("decide.asTheGarden");
            await tools.Log.WriteAsync(gardenId, body.MemberId, $"{place.Name}: {words}", _ => row.Stance = body.Stance, stop);
        }

        return TypedResults.NoContent();
    }

    private static GardenSnapshot With(GardenSnapshot s, Place? one, Stance stance) =>
        one is null
            ? s with
            {
                Garden = s.Garden with { Stance = stance },
            }
            : s with
            {
                Places = [.. s.Places.Select(p => p.Id == one.Id ? p with { Stance = stance } : p)],
            };

    /// <summary>The lines of what was found, or of the usual groups where nothing was.</summary>
    private static List<string> Lines(GardenSnapshot s, Place? one, Stance stance)
    {
        var found = s
            .Growing.Where(p => one is null || p.PlaceId == one.Id)
            .SelectMany(p =>
                s.LatestLook(p.Id)
                    .Where(o => o is { LeavesAffected: > 0, Named: not null })
                    .Select(o => (Planting: p, Target: s.Catalogue.FindTarget(o.Named!)))
            )
            .Where(x => x.Target is { Kind: not TargetKind.LookAlike, NoSpray: false })
            .DistinctBy(x => x.Target!.Group)
            .Take(4)
            .Select(x =>
                $"{x.Target!.Name.InSentence()} {Say.In(ActionLine.For(x.Target, stance, s.PlaceOf(x.Planting).Shelter, x.Planting.Stage).Share * 100, "0")} %"
            )
            .ToList();
        return found.Count > 0
            ? [Say.Of("decide.actsFromTheseSharesOfLeaves", ("list", string.Join(", ", found)))]
            : [ActionLine.For(null, stance, one?.Shelter ?? Core.Sky.Shelter.Open, GrowthStage.Mature).Reason.Words];
    }

    /// <summary>For each trouble whose first step would be another: what it would be.</summary>
    private static List<string> Differences(GardenSnapshot now, GardenSnapshot then) =>
        [
            .. from planting in now.Growing
            from seen in now.LatestLook(planting.Id)
            where seen is { LeavesLooked: > 0, LeavesAffected: > 0 }
            let before = Summary(ActionLadder.For(now, planting, seen))
            let after = Summary(ActionLadder.For(then, planting, seen))
            where before != after
            select Say.Of("decide.insteadOf", ("now", now.Where(planting)), ("after", after.InSentence()), ("before", before.InSentence())),
        ];

    private static string Summary(ActionLadder ladder)
    {
        var names = ladder
            .Steps.Where(x =>
                x.Choice == StepChoice.Do
                && x.Code is not (KnownIds.Measures.BagAndBin or KnownIds.Measures.LookAtNeighbours or KnownIds.Measures.Feed or KnownIds.Measures.AntBand)
            )
            .Select(x => x.Name)
            .ToList();
        return names.Count == 0 ? Say.Of("words.nothing") : string.Join(", ", names);
    }

    private static string Name<T>(T value)
        where T : struct, Enum => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    private static string Words(DiseaseApproach approach) =>
        approach switch
        {
            DiseaseApproach.CleanThenProtect => Say.Of("decide.peroxideOnWhatShowsThenBicarbonate"),
            DiseaseApproach.ProtectOnly => Say.Of("decide.onlyWhatKeepsSporesOffBicarbonate"),
            DiseaseApproach.NeemOnly => Say.Of("decide.neemWhereverItWorks"),
            DiseaseApproach.Milk => Say.Of("decide.milkWhereverItWorks"),
            _ => throw new ArgumentOutOfRangeException(nameof(approach), approach, "Unknown approach."),
        };
}
