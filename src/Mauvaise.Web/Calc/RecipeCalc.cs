using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.ByEar;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Calc;

/// <summary>Whose spoons, cups and gallons are meant.</summary>
public enum HeardKitchen
{
    Us,
    Uk,
    Metric,
    Australian,
}

/// <summary>What a part is like that is not known here.</summary>
/// <param name="Name">As the line of an answer calls it.</param>
public sealed record DescribedPart([property: StringLength(60)] string Name, HeardNature Nature);

/// <param name="Text">As it was heard, in its own words.</param>
/// <param name="SprayerLitres">What the corrected recipe is made up for; null for what was told.</param>
/// <param name="Described">What parts are like that were not known; none to begin with.</param>
public sealed record RecipeRequest(
    [property: StringLength(RecipeReader.MostLetters)] string Text,
    HeardKitchen Kitchen,
    string? Crop = null,
    double? SprayerLitres = null,
    [property: MaxLength(RecipeCalc.MostDescribed)] IReadOnlyList<DescribedPart>? Described = null
);

/// <param name="Understood">Null when it could not be read.</param>
/// <param name="Asked">It names something that is not known here: say what it is like.</param>
public sealed record RecipeLineCalc(string Text, string? Understood, string? Material, string? Name, double? Millilitres, double? Grams, bool Asked);

public sealed record RecipeShareCalc(string Material, double Amount, string Unit);

/// <param name="Stops">It may not go on a plant like this.</param>
public sealed record RecipeFaultCalc(string Code, string Words, bool Stops);

public sealed record CorrectedCalc(IReadOnlyList<string> Lines);

/// <param name="Litres">Of what comes out; null when nobody said how much water.</param>
/// <param name="Corrected">Null when nothing is to be put right, or nothing is left.</param>
/// <param name="After">What is done once it is on: rinse, wait, wash.</param>
/// <param name="CanBeMixed">All of it is understood and measured, and nothing stops it.</param>
public sealed record RecipeCalcAnswer(
    IReadOnlyList<RecipeLineCalc> Lines,
    double? Litres,
    IReadOnlyList<RecipeShareCalc> PerLitre,
    IReadOnlyList<RecipeFaultCalc> Faults,
    CorrectedCalc? Corrected,
    HeardVerdict Verdict,
    bool CanBeMixed,
    double SteepHours,
    StockCalcRequest? Stock,
    IReadOnlyList<string> After
);

/// <summary>A recipe that was heard: read, judged and put right.</summary>
public static class RecipeCalc
{
    public const int MostDescribed = 20;

    public static void MapRecipeCalc(this RouteGroupBuilder calc) => calc.MapPost("/recipe", Read);

    private static Results<Ok<RecipeCalcAnswer>, ProblemHttpResult> Read(RecipeRequest body, GardenCatalogue catalogue)
    {
        var kitchen = KitchenOf(body.Kitchen);
        var crop = body.Crop is null ? null : catalogue.FindCrop(body.Crop);
        var heard = RecipeReader.Read(catalogue, body.Text, kitchen, body.Described?.Select(d => (d.Name, d.Nature)));
        var checks = CheckText(new Checks(), body.Text, heard)
            .That(
                body.Crop is null || crop is not null,
                "crop",
                "crop-unknown",
                Say.Of("calc.thisCropIsNot2", ("nearest", CatalogueRules.Nearest(body.Crop ?? "", catalogue.Crops.Select(c => c.Id))))
            )
            .That(
                body.SprayerLitres is null or (> 0 and <= Mix.MostLitres),
                "sprayerLitres",
                "size-range",
                Say.Of("calc.theSprayerHoldsOver0", ("mostLitres", Say.In(Mix.MostLitres, "0")))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var judged = RecipeJudge.Judge(catalogue, heard, kitchen, crop, body.SprayerLitres);
        return TypedResults.Ok(
            new RecipeCalcAnswer(
                [
                    .. heard
                        .Lines.Where(l => l.Text.Length > 0)
                        .Select(l => new RecipeLineCalc(
                            l.Text,
                            l.Understood,
                            l.Word?.Material,
                            l.Name,
                            l.Millilitres,
                            l.Grams,
                            l is { Kind: HeardKind.Unknown, Name: not null, Word: null }
                        )),
                ],
                judged.Litres,
                [.. judged.PerLitre.Select(s => new RecipeShareCalc(s.Material.Id, s.PerLitre, s.Material.Unit))],
                [.. judged.Faults.Select(f => new RecipeFaultCalc(f.Code, f.Words, f.Stops))],
                judged.Corrected is { } lines ? new CorrectedCalc(lines) : null,
                judged.Verdict,
                judged.CanBeMixed,
                heard.SteepHours,
                heard.AsStock(catalogue) is { } stock
                    ? new StockCalcRequest(stock.Parts, stock.WaterParts, stock.ByWeight, stock.Making, stock.SteepHours)
                    : null,
                AfterSpray.Of([.. judged.PerLitre.Select(p => p.Material)])
            )
        );
    }

    public static KitchenSystem KitchenOf(HeardKitchen kitchen) =>
        kitchen switch
        {
            HeardKitchen.Us => KitchenSystem.Us,
            HeardKitchen.Uk => KitchenSystem.Imperial,
            HeardKitchen.Australian => KitchenSystem.Australian,
            _ => KitchenSystem.Metric,
        };

    /// <summary>Whether a text is a recipe at all, and one only.</summary>
    public static Checks CheckText(Checks checks, string text, HeardRecipe heard) =>
        checks
            .That(!string.IsNullOrWhiteSpace(text), "text", "text-missing", Say.Of("calc.writeTheRecipeAsYouHeard"))
            .That(heard.Lines.Any(l => l.Name is not null), "text", "nothing-read", Say.Of("calc.nothingHereCouldBeRead"))
            .That(heard.Recipes == 1, "text", "two-recipes", Say.Of("calc.waterIsNamedTwiceWriteOne"));
}
