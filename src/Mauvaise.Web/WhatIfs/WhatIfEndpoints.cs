using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Ways;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.WhatIfs;

/// <param name="SprayDays">Days from today.</param>
/// <param name="MeanShare">Mean over the time of the middle run.</param>
/// <param name="Loss">Share of the crop's value, 0 to 1.</param>
/// <param name="HelpersLeft">Against leaving it alone; null where there are none.</param>
public sealed record CurveAnswer(IReadOnlyList<int> SprayDays, IReadOnlyList<WhatIfDay> Days, double MeanShare, double Loss, double Litres, double? HelpersLeft);

/// <param name="Prune">What would come off, and how much that is.</param>
/// <param name="CanPrune">Taking the worst leaves off is something that one may do.</param>
/// <param name="Line">Action line here, share of leaves.</param>
public sealed record WhatIfAnswer(
    string Where,
    string TargetName,
    string MaterialName,
    string Recipe,
    string Prune,
    bool CanPrune,
    double Line,
    DateOnly From,
    IReadOnlyList<RecipeChoice> Recipes,
    IReadOnlyList<CurveAnswer> Curves);

public sealed record RecipeChoice(string Recipe, string Material);

/// <summary>Trying schedules out before anything is sprayed.</summary>
public static class WhatIfEndpoints
{
    private const int MostSprays = 8;

    public static void MapWhatIfs(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("What if").MapGet("/what-if", Play);

    /// <param name="prune">The worst leaves come off first, a quarter at most.</param>
    /// <param name="days">Schedules of the gardener's own besides the usual four, each as "0,4,8".</param>
    private static async Task<Results<Ok<WhatIfAnswer>, ProblemHttpResult>> Play(Guid gardenId, Guid planting, string target, string? recipe, string[] days, bool? prune, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var grown = s.FindPlanting(planting);
        var t = s.Catalogue.FindTarget(target);
        var own = days.Select(Read).ToList();
        var checks = new Checks()
            .That(grown is not null, "planting", "planting-unknown", "Choose one of the garden's plantings.")
            .That(grown is null || grown.GrowsOn(s.Today), "planting", "planting-not-growing", "This planting has ended: there is nothing to play through.")
            .That(t is not null, "target", "target-unknown", "This pest or disease is not in the catalogue.")
            .That(t is null || Trouble.Knows(t), "target", "not-simulated", $"{t?.Name} can not be played through: no spray changes its course.")
            .That(own.TrueForAll(d => d is not null), "days", "days-not-days", $"Give days from today with commas between, rising, from 0 to {Scene.Days - 1}, {MostSprays} at most, as 0,5,10.")
            .That(own.Count <= 4, "days", "days-many", "Compare up to four schedules of your own.");
        var seen = checks.Passed ? s.LatestLook(planting).FirstOrDefault(o => o.Named == target) : null;
        checks.That(!checks.Passed || seen is { LeavesLooked: > 0, LeavesAffected: > 0 }, "planting", "no-count", $"Count some leaves with {t?.Name.InSentence()} first: the run has to begin somewhere.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var options = MaterialChoice.Options(s, grown!, t!).Where(o => o.Recipe.IsWet).ToList();
        var chosen = options.FirstOrDefault(o => o.Recipe.Id == recipe) ?? options.FirstOrDefault();
        if (chosen is null)
        {
            return Problems.Refused("no-material", $"Nothing in the catalogue works on {t!.Name.InSentence()}.");
        }

        var close = Math.Max(1, chosen.Material.Cadence.CurativeMaxDays);
        var plan = PrunePlan.For(s, grown!, seen!.Incidence!.Value);
        var pruned = prune == true ? (double)plan.TakeNow / plan.Leaves : 0;
        var leaves = pruned > 0 ? new PruneRounds(pruned, [0]) : null;
        Schedule[] schedules = [.. new int[][] { [], [0], [0, close, 2 * close], [0, 14, 28] }.Concat(own.Select(d => d!.ToArray())).Select(d => new Schedule(new SprayRounds(chosen.Material, d), Pruned: leaves))];
        var tooClose = own.Find(d => d!.Zip(d!.Skip(1)).Any(p => p.Second - p.First < chosen.Material.Cadence.CurativeMinDays));
        if (tooClose is not null)
        {
            return new Checks().That(false, "days", "days-too-close", $"{chosen.Material.Name} wants {chosen.Material.Cadence.CurativeMinDays} days between two rounds.").Problem();
        }

        var litres = SprayVolume.LitresFor(s, [grown!]);
        var curves = WhatIf.Play(Scene.Of(s, grown!, t!, seen), schedules);
        return TypedResults.Ok(new WhatIfAnswer(
            s.Where(grown!),
            t!.Name,
            chosen.Material.Name,
            chosen.Recipe.Id,
            plan.Sentence,
            t.Kind == Core.Catalogue.TargetKind.Disease,
            Core.Scouting.ActionLine.At(s, grown!, t).Share,
            s.Today,
            [.. options.Select(o => new RecipeChoice(o.Recipe.Id, o.Material.Name))],
            [.. curves.Select(c => new CurveAnswer(c.Schedule.Sprays!.Days, c.Days, c.Days.Average(d => d.Middle), c.Loss, c.Schedule.Sprays.Days.Count * litres, c.HelpersLeft))]));
    }

    /// <summary>Null when it is no rising list of days within the time.</summary>
    private static List<int>? Read(string list)
    {
        var days = list.Split(',').Select(x => int.TryParse(x, System.Globalization.CultureInfo.InvariantCulture, out var d) ? d : -1).ToList();
        return days.Count <= MostSprays && days.TrueForAll(d => d is >= 0 and < Scene.Days) && days.Zip(days.Skip(1)).All(p => p.First < p.Second) ? days : null;
    }
}
