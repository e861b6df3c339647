using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
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

/// <summary>A stock that was made at home.</summary>
public sealed record NewPreparation(Guid Id, string Material, double YieldMl, Guid? MemberId = null);

/// <summary>The shelf: what stands there, what to buy, and stocks made at home.</summary>
public static class ShelfEndpoints
{
    private const double Most = 100_000;

    public static void MapShelf(this RouteGroupBuilder garden)
    {
        var shelf = garden.MapGroup("/shelf").WithTags("Shelf");
        shelf.MapGet("", Show);
        shelf.MapPut("/{stockId:guid}", Put);
        shelf.MapDelete("/{stockId:guid}", Remove);
        shelf.MapPost("/preparations", MakePreparation);
        shelf.MapPost("/{stockId:guid}/strained", Strained);
        garden.MapGet("/materials/{material}", Know).WithTags("Shelf");
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
                        .Select(x => Preparation(s, x.Material, x.Own)),
                ],
                await ProductEndpoints.ListAsync(tools.Db, s, stop),
                own
            )
        );
    }

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

    private static PreparationAnswer Preparation(GardenSnapshot s, Material m, OwnStockAnswer? own)
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

    private static async Task<Results<Created, ProblemHttpResult>> MakePreparation(
        Guid gardenId,
        NewPreparation body,
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
