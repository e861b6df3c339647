using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.ByEar;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <summary>A recipe that the household keeps.</summary>
/// <param name="Recipe">Under which it is mixed; null when it is a warning, or nothing in it can be dosed.</param>
/// <param name="Parts">What is in a litre, in words.</param>
public sealed record OwnRecipeAnswer(
    Guid Id,
    string Name,
    string Text,
    string? HeardFrom,
    bool Warning,
    bool Retired,
    string? Recipe,
    IReadOnlyList<string> Parts
);

/// <summary>What shall be kept. The id is the address's; what it holds is read from the text.</summary>
/// <param name="Warning">Keep it so that nobody mixes it.</param>
public sealed record OwnRecipeChange(
    [property: StringLength(OwnRecipeChange.NameLetters)] string Name,
    [property: StringLength(RecipeReader.MostLetters)] string Text,
    HeardKitchen Kitchen,
    [property: StringLength(OwnRecipeChange.NameLetters)] string? HeardFrom = null,
    bool Warning = false,
    bool Retired = false,
    Guid? MemberId = null
)
{
    public const int NameLetters = 80;
}

/// <summary>Recipes of one's own: read, judged and kept, beside those of the catalogue.</summary>
public static class OwnRecipeEndpoints
{
    public static void MapOwnRecipes(this RouteGroupBuilder garden)
    {
        var recipes = garden.MapGroup("/own-recipes");
        recipes.MapGet("", List);
        recipes.MapPut("/{recipeId:guid}", Put);
        recipes.MapRecipeFile();
    }

    private static async Task<Results<Ok<IReadOnlyList<OwnRecipeAnswer>>, ProblemHttpResult>> List(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var rows = await tools.Db.OwnRecipes.AsNoTracking().Where(r => r.GardenId == gardenId).OrderBy(r => r.Retired).ThenBy(r => r.Name).ToListAsync(stop);
        return TypedResults.Ok<IReadOnlyList<OwnRecipeAnswer>>([.. rows.Select(RowReading.ToOwnRecipe).Select(r => Answer(s, r))]);
    }

    private static OwnRecipeAnswer Answer(GardenSnapshot s, OwnRecipe r) =>
        new(
            r.Id,
            r.Name,
            r.Text,
            r.HeardFrom,
            r.Warning,
            r.Retired,
            r.Retired ? null : s.Catalogue.FindRecipe(r.RecipeId)?.Id,
            [.. r.Parts.Select(p => s.Catalogue.FindMaterial(p.Material) is { } m ? $"{m.Name}, {Figure.Dose(p.PerLitre, m.Unit)}" : p.Material)]
        );

    private static async Task<Results<Ok<OwnRecipeAnswer>, ProblemHttpResult>> Put(
        Guid gardenId,
        Guid recipeId,
        OwnRecipeChange body,
        GardenTools tools,
        GardenCatalogue shipped,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var name = body.Name.Trim();
        var row = await tools.Db.OwnRecipes.FirstOrDefaultAsync(r => r.GardenId == gardenId && r.Id == recipeId, stop);
        var kitchen = RecipeCalc.KitchenOf(body.Kitchen);
        var heard = RecipeReader.Read(shipped, body.Text, kitchen);
        var judged = RecipeJudge.Judge(shipped, heard, kitchen, null, null);
        var mixed = !body.Warning && !body.Retired;
        var checks = RecipeCalc
            .CheckText(new Checks(), body.Text, heard)
            .That(name.Length > 0, "name", "name-missing", Say.Of("bench.giveItANameByWhich"))
            .That(
                !await tools.Db.OwnRecipes.AnyAsync(r => r.GardenId == gardenId && r.Id != recipeId && r.Name == name, stop),
                "name",
                "name-taken",
                Say.Of("bench.anotherRecipeHasThisName")
            )
            .That(!mixed || judged.Stopped is null, "text", "recipe-stops", Say.Of("bench.itCanNotBeKept", ("stops", judged.Stopped)))
            .That(!mixed || judged.Litres is not null, "text", "no-water", Say.Of("bench.sayHowMuchWaterItGoes"))
            .That(!mixed || judged.NotMeasured is null, "text", "not-measured", Say.Of("bench.itCanNotBeMeasured", ("name", judged.NotMeasured)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        // What was kept stays as it was read then: whose spoons were meant is known only while it is told.
        var parts =
            row is not null && row.Text == body.Text.Trim() && row.Warning == body.Warning ? row.Parts
            : body.Warning ? ""
            : RowReading.PartsText(judged.PerLitre.Select(p => new OwnPart(p.Material.Id, p.PerLitre)));
        var words = row is null
            ? body.Warning
                ? Say.Of("bench.keptAsAWarning")
                : Say.Of("bench.keptTheRecipe")
            : body.Retired
                ? Say.Of("bench.putAwayTheRecipe")
                : Say.Of("bench.changedTheRecipe");
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of("bench.didToRecipe", ("words", words), ("name", name)),
            db =>
            {
                if (row is null)
                {
                    db.OwnRecipes.Add(
                        row = new OwnRecipeRow
                        {
                            Id = recipeId,
                            GardenId = gardenId,
                            Name = "",
                            Text = "",
                            Parts = "",
                        }
                    );
                }

                (row.Name, row.Text, row.HeardFrom) = (name, body.Text.Trim(), string.IsNullOrWhiteSpace(body.HeardFrom) ? null : body.HeardFrom.Trim());
                (row.Warning, row.Retired, row.Parts) = (body.Warning, body.Retired, parts);
                row.SteepHours = body.Warning ? 0 : heard.SteepHours;
            },
            stop
        );
        return TypedResults.Ok(Answer((await tools.LoadAsync(gardenId, stop))!, RowReading.ToOwnRecipe(row!)));
    }
}
