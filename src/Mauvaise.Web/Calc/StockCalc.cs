using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Calc;

/// <summary>A stock as it is typed.</summary>
public sealed record StockCalcRequest(
    [property: MaxLength(StockReckoning.MostParts)] IReadOnlyList<StockPart> Parts,
    double WaterParts,
    bool ByWeight,
    StockMaking Making,
    double SteepHours = 0
);

/// <param name="Amounts">For half a litre, in words.</param>
/// <param name="DoseText">How much of it goes into a litre of spray; null with faults.</param>
/// <param name="KeepsDays">Under 1: it is used the same day.</param>
public sealed record StockCalcAnswer(
    IReadOnlyList<string> Amounts,
    IReadOnlyList<string> Drawn,
    string? DoseText,
    Doses? Doses,
    double KeepsDays,
    string KeepsText,
    IReadOnlyList<StrengthCalc> Strengths,
    IReadOnlyList<StockFault> Faults
);

/// <summary>A stock by proportions of one's own, worked out.</summary>
public static class StockCalc
{
    public static void MapStockCalc(this RouteGroupBuilder calc) => calc.MapPost("/stock", Reckon);

    private static Results<Ok<StockCalcAnswer>, ProblemHttpResult> Reckon(StockCalcRequest body, GardenCatalogue catalogue)
    {
        var checks = Check(new Checks(), catalogue, body.Parts, body.WaterParts);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var stock = new OwnStock(Guid.Empty, "", body.Parts, body.WaterParts, body.ByWeight, body.Making, body.SteepHours, false);
        var reckoned = StockReckoning.Of(catalogue, stock);
        return TypedResults.Ok(
            new StockCalcAnswer(
                reckoned.Made is { } made
                    ?
                    [
                        .. made.Parts.Select(p =>
                            catalogue.Material(p.Material) is var m
                                ? Say.Of("bench.amountOf", ("amount", Figure.Amount(p.Amount, m.Unit)), ("name", m.Name.InSentence()))
                                : ""
                        ),
                    ]
                    : [],
                reckoned.Drawn,
                reckoned.Material?.Doses is { } doses ? DoseTold.Steps(doses) : null,
                reckoned.Material?.Doses,
                reckoned.Made?.KeepsDays ?? 0,
                reckoned.Made is { } kept ? Keeps(kept, reckoned.KeepsWhy) : "",
                reckoned.Material is { } material
                    ?
                    [
                        .. Strengths
                            .Of(catalogue, [new MixShare(material, 1000)])
                            .Select(x => new StrengthCalc(x.Material.Id, x.PerLitre, x.Material.Unit, x.Percent)),
                    ]
                    : [],
                reckoned.Faults
            )
        );
    }

    /// <summary>"Keeps 7 days in the fridge: …", "Does not keep: …".</summary>
    private static string Keeps(Preparation made, string why) =>
        made.KeepsDays < 1
            ? Say.Of("bench.doesNotKeep", ("why", why))
            : Say.Of("bench.keepsDaysWhere", ("days", Say.Of("words.days", ("n", (int)made.KeepsDays))), ("where", made.Where), ("why", why));

    /// <summary>Whether parts can be parts at all.</summary>
    public static Checks Check(Checks checks, GardenCatalogue catalogue, IReadOnlyList<StockPart> parts, double waterParts) =>
        checks
            .That(parts.Count > 0, "parts", "parts-missing", Say.Of("catalogue.stockNeedsParts"))
            .That(
                parts.All(p => catalogue.FindMaterial(p.Material) is not null),
                "parts",
                "material-unknown",
                Say.Of(
                    "bench.onePartIsNot",
                    (
                        "nearest",
                        CatalogueRules.Nearest(
                            parts.FirstOrDefault(p => catalogue.FindMaterial(p.Material) is null)?.Material ?? "",
                            catalogue.Materials.Select(m => m.Id)
                        )
                    )
                )
            )
            .That(parts.Select(p => p.Material).Distinct().Count() == parts.Count, "parts", "part-twice", Say.Of("bench.eachPartOnce"))
            .That(
                parts.All(p => p.Parts is > 0 and <= StockReckoning.MostOfOne) && waterParts is >= 0 and <= StockReckoning.MostOfOne,
                "parts",
                "parts-range",
                Say.Of("bench.partsRange", ("most", Say.In(StockReckoning.MostOfOne, "0")))
            );
}
