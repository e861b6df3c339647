using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <summary>A stock that the household makes by its own proportions. The id is the address's.</summary>
/// <param name="WaterParts">0 where no water goes in.</param>
/// <param name="SteepHours">For what is steeped alone.</param>
public sealed record OwnStockChange(
    [property: StringLength(OwnRecipeChange.NameLetters)] string Name,
    [property: MaxLength(StockReckoning.MostParts)] IReadOnlyList<StockPart> Parts,
    double WaterParts,
    bool ByWeight,
    StockMaking Making,
    double SteepHours = 0,
    Guid? MemberId = null
);

/// <summary>Whether a stock is offered.</summary>
public sealed record RetiredStock(bool Retired, Guid? MemberId = null);

/// <summary>A stock of one's own as it is kept.</summary>
public sealed record OwnStockAnswer(Guid Id, string Material, string Name, string Proportions, bool Retired);

/// <summary>Stocks of one's own.</summary>
public static class OwnStockEndpoints
{
    public static void MapOwnStocks(this RouteGroupBuilder garden)
    {
        garden.MapPut("/own-stocks/{stockId:guid}", Put);
        garden.MapPost("/own-stocks/{stockId:guid}/retire", Retire);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Retire(
        Guid gardenId,
        Guid stockId,
        RetiredStock body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.OwnStocks.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == stockId, stop) is not { } row)
        {
            return Problems.NotFound("stock");
        }

        if (row.Retired != body.Retired)
        {
            var words = Say.Of(body.Retired ? "bench.putAwayTheStock" : "bench.tookOutTheStock", ("name", row.Name));
            await tools.Log.WriteAsync(gardenId, body.MemberId, words, _ => row.Retired = body.Retired, stop);
        }

        return TypedResults.NoContent();
    }

    /// <summary>A stock as it is kept.</summary>
    public static OwnStockAnswer Answer(GardenCatalogue catalogue, OwnStock stock) =>
        new(stock.Id, stock.MaterialId, stock.Name, Proportions(catalogue, stock), stock.Retired);

    private static string Proportions(GardenCatalogue catalogue, OwnStock stock)
    {
        var parts = stock
            .Parts.Select(p =>
                Say.Of("bench.partsOfIt", ("parts", Say.In(p.Parts, "0.##")), ("name", catalogue.FindMaterial(p.Material)?.Name.InSentence() ?? p.Material))
            )
            .Concat(stock.WaterParts > 0 ? [Say.Of("bench.partsOfWater", ("parts", Say.In(stock.WaterParts, "0.##")))] : Array.Empty<string>());
        return Say.Of(stock.ByWeight ? "bench.byWeight" : "bench.byVolume", ("list", Say.All(parts)));
    }

    private static async Task<Results<Ok<OwnStockAnswer>, ProblemHttpResult>> Put(
        Guid gardenId,
        Guid stockId,
        OwnStockChange body,
        GardenTools tools,
        GardenCatalogue shipped,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is null)
        {
            return Problems.NotFound("garden");
        }

        var name = body.Name.Trim();
        var row = await tools.Db.OwnStocks.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == stockId, stop);
        var checks = StockCalc
            .Check(new Checks(), shipped, body.Parts, body.WaterParts)
            .That(name.Length > 0, "name", "name-missing", Say.Of("bench.giveItANameByWhich"))
            .That(
                !await tools.Db.OwnStocks.AnyAsync(x => x.GardenId == gardenId && x.Id != stockId && x.Name == name, stop),
                "name",
                "name-taken",
                Say.Of("bench.anotherStockHasThisName")
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var stock = new OwnStock(stockId, name, body.Parts, body.WaterParts, body.ByWeight, body.Making, body.SteepHours, row?.Retired ?? false);
        var parts = RowReading.PartsText(body.Parts.Select(p => new OwnPart(p.Material, p.Parts)));
        var same =
            row is null
            || (row.Parts, row.WaterParts, row.ByWeight, row.Making, row.SteepHours) == (parts, body.WaterParts, body.ByWeight, body.Making, body.SteepHours);
        var faults = StockReckoning.Of(shipped, stock).Faults;
        checks = new Checks()
            // Bottles of it may stand on the shelf, and sprays name it.
            .That(same, "parts", "parts-kept", Say.Of("bench.aStockKeepsItsProportions"))
            .That(faults is [], "parts", "stock-stops", Say.Sentences([.. faults.Select(f => f.Sentence)]));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of(row is null ? "bench.keptTheStock" : "bench.changedTheStock", ("name", name)),
            db =>
            {
                if (row is null)
                {
                    db.OwnStocks.Add(
                        row = new OwnStockRow
                        {
                            Id = stockId,
                            GardenId = gardenId,
                            Name = "",
                            Parts = parts,
                            WaterParts = body.WaterParts,
                            ByWeight = body.ByWeight,
                            Making = body.Making,
                            SteepHours = body.SteepHours,
                        }
                    );
                }

                row.Name = name;
            },
            stop
        );
        return TypedResults.Ok(Answer(shipped, stock));
    }
}
