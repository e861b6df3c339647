using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Picking;

/// <param name="At">Null for now.</param>
/// <param name="Washed">Null when nobody says.</param>
/// <param name="PickedAlready">It was picked inside a wait, and is logged all the same.</param>
public sealed record NewHarvest(
    Guid Id,
    Guid PlantingId,
    double Amount,
    HarvestUnit Unit,
    bool? Washed = null,
    DateTimeOffset? At = null,
    bool PickedAlready = false,
    Guid? MemberId = null
);

/// <summary>Whether a planting may be picked, and what it gave this season.</summary>
/// <param name="Sentence">Whether it may be picked now, and why not.</param>
/// <param name="From">The first day on which it may be; null for today.</param>
/// <param name="Given">What it gave, in words; null for nothing yet.</param>
public sealed record PickableAnswer(Guid PlantingId, string Where, string Sentence, DateOnly? From, string? Given, IReadOnlyList<HarvestAnswer> Harvests);

public sealed record HarvestAnswer(Guid Id, DateTimeOffset At, string Amount, bool? Washed);

/// <param name="Sentence">How many may be picked today.</param>
/// <param name="Unit">What this household usually weighs in.</param>
public sealed record PickingAnswer(string Sentence, HarvestUnit Unit, IReadOnlyList<PickableAnswer> Plantings);

/// <summary>What was picked, and from when a sprayed planting may be.</summary>
public static class HarvestEndpoints
{
    private const double MostGrams = 1_000_000;
    private const int MostPieces = 100_000;

    public static void MapHarvests(this IEndpointRouteBuilder app)
    {
        var harvests = app.MapGroup("/api/gardens/{gardenId:guid}/harvests").WithTags("Picking");
        harvests.MapGet("", Show);
        harvests.MapPost("", Log);
        harvests.MapDelete("/{harvestId:guid}", Strike);
    }

    private static async Task<Results<Ok<PickingAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var season = s.Garden.SeasonStart(s.Today);
        var yields = Yield.Of(s, season).ToDictionary(y => y.Planting.Id);
        var plantings = s.Growing.Select(p => (Planting: p, Wait: HarvestWait.Of(s, p))).OrderBy(x => x.Wait.From ?? DateOnly.MinValue).ToList();
        var free = plantings.Count(x => x.Wait.From is null);
        return TypedResults.Ok(
            new PickingAnswer(
                plantings.Count == 0 ? Say.Of("picking.nothingIsPlantedYet")
                    : free == plantings.Count ? Say.Of("picking.everythingMayBePickedToday")
                    : Say.Of("picking.mayBePickedTodayMustWait", ("some", Say.Of("words.plantings", ("n", free))), ("plantings", plantings.Count - free)),
                s.Garden.Kitchen == KitchenSystem.Us ? HarvestUnit.Pounds : HarvestUnit.Kilograms,
                [
                    .. plantings.Select(x => new PickableAnswer(
                        x.Planting.Id,
                        s.Where(x.Planting),
                        x.Wait.Sentence,
                        x.Wait.From,
                        yields.TryGetValue(x.Planting.Id, out var y)
                            ? Say.Of("picking.itSomeIn", ("it", y.Told), ("some", Say.Of("words.pickings", ("n", y.Times))))
                            : null,
                        [
                            .. s
                                .Harvests.Where(h => h.PlantingId == x.Planting.Id && s.Garden.DateOf(h.At) >= season)
                                .Reverse()
                                .Select(h => new HarvestAnswer(h.Id, h.At, h.Told, h.Washed)),
                        ]
                    )),
                ]
            )
        );
    }

    private static async Task<Results<Created, ProblemHttpResult>> Log(Guid gardenId, NewHarvest body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (await tools.Db.Harvests.AnyAsync(h => h.Id == body.Id && h.GardenId == gardenId, stop))
        {
            return TypedResults.Created((string?)null);
        }

        var at = body.At ?? tools.Now;
        var planting = s.FindPlanting(body.PlantingId);
        var amount = HarvestAmount.Of(body.Amount, body.Unit);
        var checks = new Checks()
            .That(planting is not null, "plantingId", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(at <= tools.Now, "at", "in-future", Say.Of("picking.itIsPickedWhen"))
            .That(planting is null || planting.GrowsOn(s.Garden.DateOf(at)), "at", "not-growing", Say.Of("picking.itDidNotGrowThere"))
            .That(amount is not null, "amount", "whole-pieces", Say.Of("picking.piecesAreWholeWeighWhat"))
            .That(
                amount?.Grams is null or (> 0 and <= MostGrams),
                "amount",
                "amount-range",
                Say.Of("picking.whatWasPickedWeighsOver0", ("mostGrams", Say.In(MostGrams / 1000, "N0")))
            )
            .That(
                amount?.Pieces is null or (> 0 and <= MostPieces),
                "amount",
                "amount-range",
                Say.Of("picking.piecesAreCountedFrom1", ("mostPieces", Say.In(MostPieces, "N0")))
            );
        if (
            checks.Passed
            && !body.PickedAlready
            && HarvestWait.Of(s, planting!) is { From: { } from } wait
            && s.Garden.DateOf(at) < from
            && at >= wait.Last!.At
        )
        {
            checks.That(false, "plantingId", "pick-wait", Say.Of("picking.ifItWasPickedAlreadySay", ("sentence", wait.Sentence)));
        }

        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = new HarvestRow
        {
            Id = body.Id,
            GardenId = gardenId,
            PlantingId = body.PlantingId,
            At = at.ToUniversalTime(),
            Grams = amount!.Grams,
            Pieces = amount.Pieces,
            Washed = body.Washed,
            MemberId = body.MemberId,
        };
        var words = Say.Of("picking.picked", ("harvestAmount", HarvestAmount.Told(amount.Grams ?? 0, amount.Pieces ?? 0)), ("where", s.Where(planting!)));
        await tools.Log.WriteAsync(gardenId, body.MemberId, words, db => db.Harvests.Add(row), stop);
        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Strike(
        Guid gardenId,
        Guid harvestId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // A repeated send finds nothing and has nothing to do.
        if (await tools.Db.Harvests.FirstOrDefaultAsync(h => h.GardenId == gardenId && h.Id == harvestId, stop) is { } row)
        {
            await tools.Log.WriteAsync(gardenId, memberId, Say.Of("picking.struckAPicking"), db => db.Harvests.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }
}
