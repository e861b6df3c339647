using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <summary>A preparation that can be made at home.</summary>
/// <param name="Own">The household's own, where it is one.</param>
/// <param name="SteepHours">It stands so long before it is strained; 0 for what is ready at once.</param>
public sealed record PreparationAnswer(
    string Material,
    string Name,
    double YieldMl,
    string YieldText,
    double KeepsDays,
    string Where,
    EvidenceGrade Evidence,
    IReadOnlyList<StepAnswer> Steps,
    IReadOnlyList<StrengthAnswer> Strengths,
    IReadOnlyList<string> Cautions,
    double SteepHours,
    OwnStockAnswer? Own
);

/// <summary>A stock that was made at home.</summary>
public sealed record NewPreparation(Guid Id, string Material, double YieldMl, Guid? MemberId = null);

/// <summary>Stocks that are made at home, from what stands on the shelf.</summary>
public static class PreparationEndpoints
{
    public static void MapPreparations(this RouteGroupBuilder shelf)
    {
        shelf.MapPost("/preparations", Make);
        shelf.MapPost("/{stockId:guid}/strained", Strained);
    }

    public static PreparationAnswer Answer(GardenSnapshot s, Material m, OwnStockAnswer? own)
    {
        var made = m.MadeFrom!;
        return new(
            m.Id,
            m.Name,
            made.YieldMl,
            Figure.Amount(made.YieldMl, "ml"),
            made.KeepsDays,
            made.Where,
            m.Evidence,
            [.. MixSteps.OfPreparation(s.Catalogue, made, made.YieldMl, s.Garden.Kitchen).Select(BenchEndpoints.Step)],
            [.. Strengths.Of(s.Catalogue, [new MixShare(m, 1000)]).Select(BenchEndpoints.Strength)],
            m.Cautions,
            made.SteepHours,
            own
        );
    }

    private static async Task<Results<Created, ProblemHttpResult>> Make(Guid gardenId, NewPreparation body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var material = s.Catalogue.FindMaterial(body.Material);
        var checks = new Checks()
            .That(material?.MadeFrom is not null, "material", "material-unknown", Say.Of("bench.chooseOneOfTheStocks"))
            .That(body.YieldMl is >= 10 and <= 5000, "yieldMl", "yield-range", Say.Of("bench.make10To5000Ml"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (s.Stocks.Any(x => x.Id == body.Id))
        {
            return TypedResults.Created((string?)null);
        }

        var made = material!.MadeFrom!;
        var draws = made.Parts.SelectMany(p => Shelf.Take(s.Stocks, p.Material, p.Amount * body.YieldMl / made.YieldMl, s.Today).Draws).ToList();
        var drawn = draws.Select(d => d.Stock.Id).ToList();
        var rows = await tools.Db.Stocks.Where(x => drawn.Contains(x.Id)).ToDictionaryAsync(x => x.Id, stop);
        DateTimeOffset? readyAt = made.SteepHours > 0 ? tools.Now.AddHours(made.SteepHours) : null;
        var from = readyAt is { } ready ? s.Garden.DateOf(ready) : s.Today;
        // A stock of stocks is as old as its oldest part.
        var keeps = draws
            .Where(d => s.Catalogue.Material(d.Stock.Material).MadeFrom is not null)
            .Select(d => d.Stock.BestBefore)
            .OfType<DateOnly>()
            .Append(from.AddDays((int)made.KeepsDays))
            .Min();
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of(readyAt is null ? "bench.madeMl" : "bench.beganMl", ("yieldMl", Say.In(body.YieldMl, "0")), ("material", material.Name.InSentence())),
            db =>
            {
                db.Stocks.Add(
                    new StockRow
                    {
                        Id = body.Id,
                        GardenId = gardenId,
                        Material = material.Id,
                        Name = Say.Of("bench.made", ("material", material.Name), ("today", Say.In(s.Today, "d MMM"))),
                        Amount = body.YieldMl,
                        Left = body.YieldMl,
                        Unit = material.Unit,
                        OpenedOn = s.Today,
                        BestBefore = keeps,
                        ReadyAt = readyAt,
                    }
                );
                foreach (var draw in draws)
                {
                    rows[draw.Stock.Id].Left -= draw.Amount;
                }
            },
            stop
        );
        return TypedResults.Created((string?)null);
    }

    /// <summary>What stood is strained, and may be used from now on.</summary>
    private static async Task<Results<NoContent, ProblemHttpResult>> Strained(
        Guid gardenId,
        Guid stockId,
        EmptyBottle body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Stocks.FirstOrDefaultAsync(x => x.GardenId == gardenId && x.Id == stockId, stop) is not { } row)
        {
            return Problems.NotFound("bottle");
        }

        if (row.ReadyAt is not null)
        {
            await tools.Log.WriteAsync(gardenId, body.MemberId, Say.Of("bench.strained", ("name", row.Name)), _ => row.ReadyAt = null, stop);
        }

        return TypedResults.NoContent();
    }
}
