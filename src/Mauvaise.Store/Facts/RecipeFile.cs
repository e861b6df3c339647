using System.Globalization;
using System.Text;
using System.Text.Encodings.Web;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using YamlDotNet.Core;

namespace Mauvaise.Store.Facts;

/// <summary>Recipes of one's own as a file of the catalogue's form (<c>recipes.yaml</c>): to be handed on, or laid into the catalogue itself.</summary>
public static class RecipeFile
{
    /// <summary>Letters of a file that is read.</summary>
    public const int MostLetters = 40_000;

    /// <summary>Recipes of a file that is read.</summary>
    public const int MostRecipes = 50;

    private static readonly JsonSerializerOptions Quoted = new() { Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping };

    /// <summary>Amounts are per litre, in the material's unit. Where a recipe came from stands above it as a remark.</summary>
    public static string Write(IEnumerable<(OwnRecipe Own, Recipe Recipe)> recipes)
    {
        var text = new StringBuilder("# Amounts a litre of finished spray, in the unit of the material.\n");
        foreach (var (own, recipe) in recipes)
        {
            if (own.HeardFrom is { } from)
            {
                text.Append(CultureInfo.InvariantCulture, $"# {OneLine(from)}\n");
            }

            text.Append(CultureInfo.InvariantCulture, $"# {OneLine(own.Text)}\n- id: {recipe.Id}\n  name: {Text(recipe.Name)}\n  ingredients:\n");
            foreach (var i in recipe.Ingredients)
            {
                text.Append(CultureInfo.InvariantCulture, $"    - {{ material: {i.Material}, role: {i.Role}, amount: {i.Amount:0.####} }}\n");
            }

            text.Append(CultureInfo.InvariantCulture, $"  mixedLifeHours: {recipe.MixedLifeHours:0.##}\n");
            if (recipe.SteepHours > 0)
            {
                text.Append(CultureInfo.InvariantCulture, $"  steepHours: {recipe.SteepHours:0.##}\n");
            }

            text.Append(CultureInfo.InvariantCulture, $"  shake: {Text(recipe.Shake)}\n");
        }

        return text.ToString();
    }

    /// <summary>What a file holds.</summary>
    /// <exception cref="CatalogueException">It is no list of recipes, and why.</exception>
    public static IReadOnlyList<Recipe> Read(string yaml)
    {
        try
        {
            var recipes = JsonSerializer.Deserialize<List<Recipe>>(CatalogueFiles.ToJson(yaml), CatalogueFiles.Json) ?? [];
            return recipes.Exists(r => r is null || r.Ingredients.Any(i => i is null)) ? throw new JsonException("a list of recipes has a hole") : recipes;
        }
        catch (Exception e) when (e is YamlException or JsonException)
        {
            throw new CatalogueException([e.Message]);
        }
    }

    /// <summary>A quoted text of JSON is one of YAML.</summary>
    private static string Text(string text) => JsonSerializer.Serialize(text, Quoted);

    private static string OneLine(string text) => string.Join(' ', text.Split(default(char[]), StringSplitOptions.RemoveEmptyEntries));
}
