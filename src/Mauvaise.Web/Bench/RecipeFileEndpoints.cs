using System.ComponentModel.DataAnnotations;
using System.Security.Cryptography;
using System.Text;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Store.Facts;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <summary>A file of recipes, as somebody handed it on.</summary>
public sealed record RecipeFileIn([property: StringLength(RecipeFile.MostLetters)] string Yaml, Guid? MemberId = null);

/// <param name="Kept">Names of what is new.</param>
/// <param name="Had">Names of what was here already.</param>
public sealed record RecipeFileTaken(IReadOnlyList<string> Kept, IReadOnlyList<string> Had);

/// <summary>Recipes of one's own, out and in as a file of the catalogue's form.</summary>
public static class RecipeFileEndpoints
{
    public static void MapRecipeFile(this RouteGroupBuilder recipes)
    {
        recipes.MapGet("/file", Write);
        recipes.MapPost("/file", Take);
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Write(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var rows = await tools
            .Db.OwnRecipes.AsNoTracking()
            .Where(r => r.GardenId == gardenId && !r.Retired && !r.Warning)
            .OrderBy(r => r.Name)
            .ToListAsync(stop);
        var kept = rows.Select(RowReading.ToOwnRecipe).Select(o => (Own: o, Recipe: o.ToRecipe(s.Catalogue))).Where(x => x.Recipe is not null);
        return TypedResults.File(Encoding.UTF8.GetBytes(RecipeFile.Write(kept.Select(x => (x.Own, x.Recipe!)))), "application/yaml", "recipes.yaml");
    }

    private static async Task<Results<Ok<RecipeFileTaken>, ProblemHttpResult>> Take(
        Guid gardenId,
        RecipeFileIn body,
        GardenTools tools,
        GardenCatalogue shipped,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is null)
        {
            return Problems.NotFound("garden");
        }

        IReadOnlyList<Recipe> read;
        try
        {
            read = RecipeFile.Read(body.Yaml);
        }
        catch (CatalogueException e)
        {
            return new Checks().That(false, "yaml", "file-unreadable", Say.Of("bench.thisIsNoFileOfRecipes", ("why", e.Faults[0]))).Problem();
        }

        var faults = read.Select(r => Fault(shipped, r)).OfType<string>().ToList();
        var checks = new Checks()
            .That(read.Count > 0, "yaml", "file-empty", Say.Of("bench.thereIsNoRecipeInIt"))
            .That(read.Count <= RecipeFile.MostRecipes, "yaml", "file-long", Say.Of("bench.upToRecipesAtOnce", ("most", RecipeFile.MostRecipes)))
            .That(faults.Count == 0, "yaml", "recipe-stops", Say.Sentences([.. faults]));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var names = await tools.Db.OwnRecipes.Where(r => r.GardenId == gardenId).Select(r => r.Name).ToListAsync(stop);
        var fresh = read.DistinctBy(r => r.Name.Trim()).Where(r => !names.Contains(r.Name.Trim())).ToList();
        if (fresh.Count > 0)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("bench.tookInRecipes", ("n", fresh.Count)),
                db => db.OwnRecipes.AddRange(fresh.Select(r => Row(gardenId, shipped, r))),
                stop
            );
        }

        return TypedResults.Ok(new RecipeFileTaken([.. fresh.Select(r => r.Name.Trim())], [.. read.Select(r => r.Name.Trim()).Intersect(names)]));
    }

    /// <summary>Why a recipe of a file is not taken, as a sentence that names it; null when it is.</summary>
    private static string? Fault(GardenCatalogue catalogue, Recipe r)
    {
        var name = r.Name.Trim();
        var unknown = r.Ingredients.Select(i => i.Material).FirstOrDefault(id => catalogue.FindMaterial(id) is null);
        var why =
            name.Length is 0 or > OwnRecipeChange.NameLetters ? Say.Of("bench.giveItANameOfUp")
            : !OwnRecipe.IsSteep(r.SteepHours) ? OwnRecipe.SteepRange()
            : r.Form != Form.Spray ? Say.Of("bench.onlySpraysAreTakenIn")
            : r.Ingredients.Count == 0 || r.Ingredients.Any(i => i.Amount is not > 0) ? Say.Of("bench.eachPartWantsAnAmount")
            : unknown is not null
                ? Say.Of("bench.isNoMaterialHere", ("id", unknown), ("nearest", CatalogueRules.Nearest(unknown, catalogue.Materials.Select(m => m.Id))))
            : Own(Guid.Empty, r).ToRecipe(catalogue) is not { } recipe ? Say.Of("bench.nothingInItIsDosed")
            : Mix.Make(catalogue, new MixOrder(recipe, DoseStep.Gentle, 1, KitchenSystem.Metric), new MixConditions(null, [], false))
                .Reasons.FirstOrDefault(x => x.Verdict == MixVerdict.Refused)
                ?.Sentence;
        return why is null ? null : Say.Of("bench.recipeWhy", ("name", name), ("why", why));
    }

    private static OwnRecipe Own(Guid id, Recipe r) =>
        new(id, r.Name.Trim(), "", null, false, false, [.. r.Ingredients.Select(i => new OwnPart(i.Material, i.Amount ?? 0))], r.SteepHours);

    private static OwnRecipeRow Row(Guid gardenId, GardenCatalogue catalogue, Recipe r)
    {
        var told = r.Ingredients.Select(i => catalogue.Material(i.Material) is var m ? $"{Say.In(i.Amount, "0.##")} {m.Unit} {m.Name}" : "");
        return new()
        {
            // The same recipe taken in twice is one.
            Id = new Guid(SHA256.HashData(Encoding.UTF8.GetBytes($"{gardenId}/{r.Name.Trim()}"))[..16]),
            GardenId = gardenId,
            Name = r.Name.Trim(),
            Text = string.Join('\n', told.Append(Say.Of("bench.inALitreOfWater"))),
            Parts = RowReading.PartsText(r.Ingredients.Select(i => new OwnPart(i.Material, i.Amount!.Value))),
            SteepHours = r.SteepHours,
        };
    }
}
