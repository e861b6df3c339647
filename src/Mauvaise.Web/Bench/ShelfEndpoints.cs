using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <param name="GoodUntil">By its date or its time since opening; null when nothing says.</param>
/// <param name="ReadyAt">It stands until then and waits to be strained; null for what is ready.</param>
public sealed record StockAnswer(
    Guid Id,
    string Material,
    string MaterialName,
    string GroupName,
    string Hatch,
    string Name,
    double Amount,
    double Left,
    string AmountText,
    string LeftText,
    string Unit,
    DateOnly? OpenedOn,
    DateOnly? BestBefore,
    DateOnly? GoodUntil,
    double? StrengthPercent,
    double? Cost,
    double? LowAt,
    string? Storage,
    IReadOnlyList<ShelfHint> Hints,
    DateTimeOffset? ReadyAt
);

/// <param name="UsualStrengthPercent">Of the bottles as usually sold, where strength matters.</param>
/// <param name="Own">The household's own, and not in the catalogue.</param>
public sealed record ShelfMaterial(string Id, string Name, string Unit, double? UsualStrengthPercent, string? Storage, bool Own);

public sealed record ShoppingAnswer(
    string Material,
    string Name,
    double Needed,
    double OnShelf,
    double ToBuy,
    string ToBuyText,
    string Unit,
    double? Cost,
    IReadOnlyList<SaidAnswer> Reasons
);

/// <param name="AheadDays">How far the shopping list looks.</param>
public sealed record ShelfAnswer(
    IReadOnlyList<StockAnswer> Stocks,
    IReadOnlyList<ShoppingAnswer> Shopping,
    int AheadDays,
    IReadOnlyList<ShelfMaterial> Materials,
    IReadOnlyList<PreparationAnswer> Preparations,
    IReadOnlyList<ProductAnswer> Products,
    IReadOnlyList<OwnStockAnswer> OwnStocks
);

/// <summary>A bottle or bag as it stands. The id is the address's.</summary>
public sealed record StockChange(
    string Material,
    string Name,
    double Amount,
    double Left,
    DateOnly? OpenedOn = null,
    DateOnly? BestBefore = null,
    double? StrengthPercent = null,
    double? Cost = null,
    double? LowAt = null,
    Guid? MemberId = null
);

/// <summary>The shelf: what stands there, and what to buy.</summary>
public static class ShelfEndpoints
{
    private const double Most = 100_000;

    public static void MapShelf(this RouteGroupBuilder garden)
    {
        var shelf = garden.MapGroup("/shelf").WithTags("Shelf");
        shelf.MapGet("", Show);
        shelf.MapPut("/{stockId:guid}", Put);
        shelf.MapDelete("/{stockId:guid}", Remove);
        shelf.MapPreparations();
        garden.MapMaterials();
    }

    /// <summary>The lowest temperature outside since yesterday evening; null when not known.</summary>
    public static double? ColdestLastNight(GardenSnapshot s)
    {
        var now = s.Weather.IndexOf(s.Now);
        return Enumerable.Range(now - 20, 21).Select(i => s.Weather.AtOrUnknown(i).TemperatureC).Min();
    }

    private static async Task<Results<Ok<ShelfAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        GardenTools tools,
        GardenCatalogue shipped,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var cold = ColdestLastNight(s);
        var own = (await tools.Db.OwnStocks.AsNoTracking().Where(x => x.GardenId == gardenId).OrderBy(x => x.Name).ToListAsync(stop)).ConvertAll(row =>
            OwnStockEndpoints.Answer(s.Catalogue, RowReading.ToOwnStock(row))
        );
        return TypedResults.Ok(
            new ShelfAnswer(
                [.. s.Stocks.Select(x => Stock(s, x, cold))],
                [
                    .. ShoppingList
                        .For(s, EveningPlanner.Plan(s))
                        .Select(i => new ShoppingAnswer(
                            i.Material.Id,
                            i.Material.Name,
                            i.Needed,
                            i.OnShelf,
                            i.ToBuy,
                            Figure.Amount(Math.Ceiling(i.ToBuy), i.Material.Unit),
                            i.Material.Unit,
                            i.Cost,
                            SaidAnswer.Of(i.Reasons)
                        )),
                ],
                ShoppingList.AheadDays,
                [
                    .. s
                        .Catalogue.Materials.Where(m => m.Label is not { Retired: true })
                        .OrderBy(m => m.Name, StringComparer.Ordinal)
                        .Select(m => new ShelfMaterial(m.Id, m.Name, m.Unit, m.StockStrengthPercent, m.Storage, shipped.FindMaterial(m.Id) is null)),
                ],
                [
                    .. s
                        .Catalogue.Materials.Where(m => m.MadeFrom is not null)
                        .Select(m => (Material: m, Own: own.Find(x => x.Material == m.Id)))
                        .Where(x => x.Own is not { Retired: true })
                        .Select(x => PreparationEndpoints.Answer(s, x.Material, x.Own)),
                ],
                await ProductEndpoints.ListAsync(tools.Db, s, stop),
                own
            )
        );
    }

    private static StockAnswer Stock(GardenSnapshot s, Stock x, double? coldC)
    {
        var material = s.Catalogue.Material(x.Material);
        var group = s.Catalogue.Group(material.Group);
        return new(
            x.Id,
            x.Material,
            material.Name,
            group.Name,
            group.Hatch,
            x.Name,
            x.Amount,
            x.Left,
            Figure.Amount(x.Amount, x.Unit),
            Figure.Amount(x.Left, x.Unit),
            x.Unit,
            x.OpenedOn,
            x.BestBefore,
            Shelf.GoodUntil(material, x),
            x.StrengthPercent,
            x.Cost,
            x.LowAt,
            material.Storage,
            Shelf.Hints(material, x, s.Today, coldC),
            x.ReadyAt
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Put(
        Guid gardenId,
        Guid stockId,
        StockChange body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var material = s.Catalogue.FindMaterial(body.Material);
        var checks = new Checks()
            .That(material is not null, "material", "material-unknown", Say.Of("bench.chooseWhatItIsFrom"))
            .That(body.Name is { Length: > 0 and <= 80 }, "name", "name-missing", Say.Of("bench.giveItANameOfUp"))
            .That(body.Amount is > 0 and <= Most, "amount", "amount-range", Say.Of("bench.aFullBottleHoldsOver0"))
            .That(body.Left >= 0 && body.Left <= body.Amount, "left", "left-range", Say.Of("bench.whatIsLeftLiesBetween0"))
            .That(body.StrengthPercent is null or (> 0 and <= 100), "strengthPercent", "bottle-range", Say.Of("bench.aStrengthLiesBetween0"))
            .That(
                material?.MostStockPercent is not { } most || body.StrengthPercent is not { } have || have <= most,
                "strengthPercent",
                "bottle-strong",
                Say.Of(
                    "bench.overBurnsSkinAndEyes",
                    ("material", Say.In(material?.MostStockPercent, "0")),
                    ("material2", Say.In(material?.StockStrengthPercent, "0"))
                )
            )
            .That(body.Cost is null or (>= 0 and <= Most), "cost", "cost-range", Say.Of("bench.aCostIs0OrMore"))
            .That(body.LowAt is null || (body.LowAt >= 0 && body.LowAt <= body.Amount), "lowAt", "low-range", Say.Of("bench.itIsLowAtSomethingBetween"))
            .That(body.OpenedOn is null || body.OpenedOn <= s.Today, "openedOn", "opened-ahead", Say.Of("bench.itWasOpenedTodayOrEarlier"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = await tools.Db.Stocks.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == stockId, stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of(row is null ? "bench.putOnTheShelf" : "gardens.changed", ("name", body.Name.Trim())),
            db =>
            {
                if (row is null)
                {
                    db.Stocks.Add(
                        row = new StockRow
                        {
                            Id = stockId,
                            GardenId = gardenId,
                            Material = body.Material,
                            Name = "",
                            Unit = "",
                        }
                    );
                }

                row.Material = body.Material;
                row.Name = body.Name.Trim();
                row.Amount = body.Amount;
                row.Left = body.Left;
                row.Unit = material!.Unit;
                row.OpenedOn = body.OpenedOn;
                row.BestBefore = body.BestBefore;
                row.StrengthPercent = body.StrengthPercent;
                row.Cost = body.Cost;
                row.LowAt = body.LowAt;
            },
            stop
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Remove(
        Guid gardenId,
        Guid stockId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // A repeated send finds nothing and has nothing to do.
        if (await tools.Db.Stocks.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == stockId, stop) is { } row)
        {
            await tools.Log.WriteAsync(gardenId, memberId, Say.Of("bench.tookOffTheShelf", ("name", row.Name)), db => db.Stocks.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }
}
