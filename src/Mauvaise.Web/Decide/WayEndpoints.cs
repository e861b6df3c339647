using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Decide;

/// <summary>Nine runs in ten keep between the low and the high share of leaves, 0 to 1.</summary>
public sealed record ShareRange(double Low, double Middle, double High);

/// <param name="Code">Stable key of the reason.</param>
public sealed record AgainstAnswer(string Code, string Words, IReadOnlyList<FigureAnswer> Figures);

/// <summary>One way to meet a trouble, and what comes of it.</summary>
/// <param name="Id">"nothing", "take-out", the id of a measure or of a material, or several of these with "+" between.</param>
/// <param name="Materials">What is mixed; empty for none.</param>
/// <param name="Measures">What is done by hand; empty for none.</param>
/// <param name="Recipe">For the bench, of what is mixed first; null where nothing is mixed.</param>
/// <param name="Holds">It comes under the line, and stays there.</param>
/// <param name="Share">Of leaves affected, after 21 days; null where no model plays it through.</param>
/// <param name="LossPercent">Of the crop's value; null where no model plays it through.</param>
/// <param name="HelpersLeftPercent">Against leaving it alone; null where there are none.</param>
/// <param name="Against">Why it is not done here and now; empty when it may be.</param>
public sealed record WayAnswer(
    string Id,
    string Words,
    IReadOnlyList<string> Materials,
    IReadOnlyList<string> Measures,
    string? Recipe,
    bool Holds,
    bool Proposed,
    ShareRange? Share,
    double? LossPercent,
    int Sprays,
    int Minutes,
    int Evenings,
    double? HelpersLeftPercent,
    IReadOnlyList<AgainstAnswer> Against
)
{
    public static WayAnswer Of(Way way, GardenCatalogue catalogue) =>
        new(
            way.Id,
            way.Words,
            [
                .. new[] { way.Option, way.After?.Option }
                    .OfType<MaterialOption>()
                    .SelectMany(o => MaterialChoice.MaterialsIn(catalogue, o.Recipe))
                    .Select(m => m.Id)
                    .Distinct(),
            ],
            [.. way.Hands.Select(h => h.Measure.Id)],
            way.Option?.Recipe.Id,
            way.Holds,
            way.Proposed,
            way.Outlook is { End: var end } ? new ShareRange(end.Low, end.Middle, end.High) : null,
            way.Outlook?.Loss * 100,
            way.Sprays,
            (int)Math.Ceiling(way.Minutes),
            way.Evenings,
            way.Outlook?.HelpersLeft * 100,
            [.. way.Against.Select(r => new AgainstAnswer(r.Code, r.Clause, FigureAnswer.Of(r.Said)))]
        );
}

/// <summary>The ways to meet a trouble.</summary>
/// <param name="Line">Share of leaves at which to act, 0 to 1.</param>
/// <param name="Sentence">What is proposed and what comes of it.</param>
/// <param name="Ways">The proposed one first, then what holds, then the rest.</param>
/// <param name="WithoutHour">What is left while no hour of the coming days suits any mix; empty when one does.</param>
public sealed record WaysAnswer(double Line, string Sentence, IReadOnlyList<WayAnswer> Ways, IReadOnlyList<LeftToDo> WithoutHour)
{
    public static WaysAnswer Of(WaySet set, GardenCatalogue catalogue) =>
        new(set.Finding.Line.Share, set.Sentence.Words, [.. set.All.Select(w => WayAnswer.Of(w, catalogue))], set.WithoutHour);
}

/// <summary>The ways to meet what was found on a planting.</summary>
public static class WayEndpoints
{
    public static void MapWays(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Decide").MapGet("/ways", Show);

    private static async Task<Results<Ok<WaysAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        Guid planting,
        string target,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var grown = s.FindPlanting(planting);
        var t = s.Catalogue.FindTarget(target);
        var checks = new Checks()
            .That(grown is not null, "planting", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(grown is null || grown.GrowsOn(s.Today), "planting", "planting-ended", Say.Of("decide.thisPlantingHasEndedThere"))
            .That(t is not null, "target", "target-unknown", Say.Of("bench.thisPestOrDiseaseIsNot"));
        var set = checks.Passed ? WayBook.Of(s).For(grown!, t!) : null;
        checks.That(!checks.Passed || set is not null, "planting", "no-count", Say.Of("decide.countSomeLeavesWithFirst", ("target", t?.Name)));
        return checks.Passed ? TypedResults.Ok(WaysAnswer.Of(set!, s.Catalogue)) : checks.Problem();
    }
}
