using System.Globalization;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Mauvaise.Web.WhatIfs;

/// <summary>A way, or a schedule of one's own, played through.</summary>
/// <param name="Id">Of the way; "own-1", "own-2" and so on for schedules of one's own.</param>
/// <param name="SprayDays">Days from today.</param>
/// <param name="Days">By day from today.</param>
/// <param name="Loss">Share of the crop's value, 0 to 1.</param>
/// <param name="HelpersLeft">Against leaving it alone; null where there are none.</param>
/// <param name="Recipe">What is sprayed; null for nothing.</param>
public sealed record CurveAnswer(
    string Id,
    string Words,
    IReadOnlyList<int> SprayDays,
    IReadOnlyList<WhatIfDay> Days,
    double Loss,
    double Litres,
    string Amount,
    double? HelpersLeft,
    string? Recipe
);

/// <param name="Share">Of leaves, that it begins with.</param>
/// <param name="Counted">Somebody counted it; otherwise it is supposed.</param>
/// <param name="Line">Action line here, share of leaves.</param>
/// <param name="Answer">What is proposed and what comes of it.</param>
/// <param name="Ways">All ways that can be played, the proposed one first.</param>
/// <param name="Recipes">What a schedule of one's own may be of.</param>
public sealed record WhatIfAnswer(
    Guid PlantingId,
    string Where,
    string Target,
    string TargetName,
    double Share,
    bool Counted,
    double Line,
    DateOnly From,
    string Answer,
    IReadOnlyList<WayAnswer> Ways,
    IReadOnlyList<RecipeChoice> Recipes,
    IReadOnlyList<CurveAnswer> Curves
);

public sealed record RecipeChoice(string Recipe, string Material);

/// <summary>Trying ways out before anything is done.</summary>
public static class WhatIfEndpoints
{
    private const int MostSprays = 8,
        MostCurves = 6;

    public static void MapWhatIfs(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("What if").MapGet("/what-if", Play);

    /// <param name="share">Share of leaves to suppose, 0 to 1; null for what was counted.</param>
    /// <param name="way">Ids of ways to compare; none for those worth comparing.</param>
    /// <param name="recipe">Of the schedules of one's own.</param>
    /// <param name="days">Schedules of the gardener's own, each as "0,4,8".</param>
    private static async Task<Results<Ok<WhatIfAnswer>, ProblemHttpResult>> Play(
        Guid gardenId,
        Guid planting,
        string target,
        double? share,
        [FromQuery] string[] way,
        string? recipe,
        [FromQuery] string[] days,
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
        var own = days.Select(Read).ToList();
        var checks = new Checks()
            .That(grown is not null, "planting", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(grown is null || grown.GrowsOn(s.Today), "planting", "planting-not-growing", Say.Of("whatIfs.thisPlantingHasEndedThere"))
            .That(t is not null, "target", "target-unknown", Say.Of("bench.thisPestOrDiseaseIsNot"))
            .That(t is null || Trouble.Knows(t), "target", "not-simulated", Say.Of("whatIfs.canNotBePlayedThroughNo", ("target", t?.Name)))
            .That(share is null or (> 0 and <= 1), "share", "share-range", Say.Of("calc.theShareOfLeavesAffected"))
            .That(
                own.TrueForAll(d => d is not null),
                "days",
                "days-not-days",
                Say.Of("whatIfs.giveDaysFromTodayWithCommas", ("judgedAfterDays", WayBook.JudgedAfterDays), ("mostSprays", MostSprays))
            )
            .That(
                own.Count <= MostCurves - 2 && way.Length <= MostCurves,
                "days",
                "days-many",
                Say.Of("whatIfs.compareUpToAtOnce", ("mostCurves", MostCurves))
            );
        var set =
            !checks.Passed ? null
            : share is { } supposed ? WayBook.Of(s).Imagined(grown!, ImaginedGarden.Count(grown!, target, supposed, s.Now))
            : WayBook.Of(s).For(grown!, t!);
        checks.That(
            !checks.Passed || set is { All.Count: > 0 },
            "share",
            "no-count",
            Say.Of("whatIfs.countSomeLeavesWithFirst", ("target", t?.Name.InSentence()))
        );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var options = set!.WithMaterials.Select(w => w.Option!).ToList();
        var chosen = options.Find(o => o.Recipe.Id == recipe) ?? options.FirstOrDefault();
        checks
            .That(own.Count == 0 || chosen is not null, "recipe", "no-material", Say.Of("whatIfs.nothingInTheCatalogueWorks", ("target", t!.Name.InSentence())))
            .That(
                own.TrueForAll(d => chosen is null || d!.Zip(d!.Skip(1)).All(p => p.Second - p.First >= chosen.Material.Cadence.CurativeMinDays)),
                "days",
                "days-too-close",
                Say.Of("whatIfs.wantsDaysBetweenTwoRounds", ("chosen", chosen?.Material.Name), ("chosen2", chosen?.Material.Cadence.CurativeMinDays))
            );
        var unknown = way.FirstOrDefault(id => set.All.All(w => w.Id != id));
        checks.That(unknown is null, "way", "way-unknown", Say.Of("whatIfs.oneOfTheseWaysIsNot"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var litres = SprayVolume.LitresFor(s, [grown!]);
        var compared = (
            way.Length > 0
                ? set.All.Where(w => w.Id == Way.AloneId || way.Contains(w.Id))
                : set.Compared.Where(w => w.Allowed && !w.Uses(Core.Catalogue.KnownIds.Measures.TakeOut))
        )
            .Where(w => w.Outlook is not null)
            .Take(MostCurves - own.Count);
        return TypedResults.Ok(
            new WhatIfAnswer(
                planting,
                s.Where(grown!),
                target,
                t!.Name,
                set.Finding.Share,
                share is null,
                set.Finding.Line.Share,
                s.Today,
                set.Sentence.Words,
                [.. set.All.Where(w => w.Outlook is not null).Select(w => WayAnswer.Of(w, s.Catalogue))],
                [.. options.Select(o => new RecipeChoice(o.Recipe.Id, o.Material.Name))],
                [
                    .. compared.Select(w => new CurveAnswer(
                        w.Id,
                        w.Words,
                        [.. w.AllSprayDays],
                        WhatIfDay.Drawn(w.Outlook!.Days, WayBook.JudgedAfterDays + 1),
                        w.Outlook.Loss,
                        w.Sprays * litres,
                        Figure.Volume(w.Sprays * litres),
                        w.Outlook.HelpersLeft,
                        w.Option?.Recipe.Id
                    )),
                    .. Own(set, chosen, [.. own.Select(d => d!)], litres),
                ]
            )
        );
    }

    private static IEnumerable<CurveAnswer> Own(WaySet set, MaterialOption? option, List<List<int>> schedules, double litres)
    {
        if (schedules.Count == 0 || option is null)
        {
            return [];
        }

        var f = set.Finding;
        return WhatIf
            .Play(
                Scene.Of(f.Garden, f.Planting, f.Target!, f.Seen),
                [.. schedules.Select(d => new Schedule(new SprayRounds(option.Material, d)))],
                WayBook.PlayedDays
            )
            .Select(
                (c, i) =>
                    new CurveAnswer(
                        $"own-{i + 1}",
                        Say.Of("whatIfs.onDay", ("recipe", option.Recipe.Name.InSentence()), ("list", string.Join(", ", schedules[i]))),
                        schedules[i],
                        WhatIfDay.Drawn(c.Days, WayBook.JudgedAfterDays + 1),
                        c.Loss,
                        schedules[i].Count * litres,
                        Figure.Volume(schedules[i].Count * litres),
                        c.HelpersLeft,
                        option.Recipe.Id
                    )
            );
    }

    /// <summary>Null when it is no rising list of days within the time.</summary>
    private static List<int>? Read(string list)
    {
        var days = list.Split(',').Select(x => int.TryParse(x, CultureInfo.InvariantCulture, out var d) ? d : -1).ToList();
        return days.Count <= MostSprays && days.TrueForAll(d => d is >= 0 and <= WayBook.JudgedAfterDays) && days.Zip(days.Skip(1)).All(p => p.First < p.Second)
            ? days
            : null;
    }
}
