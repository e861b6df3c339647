using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Demo;

namespace Mauvaise.Web.Tests;

/// <summary>Recipes that the household heard and keeps.</summary>
public sealed class OwnRecipeTests : IAsyncLifetime
{
    private const string Sound = "5 ml neem oil, 2 ml castile soap, 1 litre of water";
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private TestApp app = null!;
    private HttpClient http = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    private async Task<OwnRecipeAnswer> KeepAsync(Guid id, OwnRecipeChange change)
    {
        using var answer = await http.PutAsJsonAsync($"own-recipes/{id}", change, TestApp.Json, Stop);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync(Stop));
        return (await answer.Content.ReadFromJsonAsync<OwnRecipeAnswer>(TestApp.Json, Stop))!;
    }

    [Fact]
    public async Task Kept_recipes_go_out_and_in_as_a_file_of_the_catalogues_form()
    {
        await KeepAsync(Guid.NewGuid(), new OwnRecipeChange("Ruth's \"neem\"", Sound, HeardKitchen.Metric, "Ruth"));
        await KeepAsync(Guid.NewGuid(), new OwnRecipeChange("Never", "a cup of bleach in a litre of water", HeardKitchen.Metric, Warning: true));
        var file = await http.GetStringAsync("own-recipes/file", Stop);
        Assert.Contains("# Ruth", file, StringComparison.Ordinal);
        Assert.DoesNotContain("bleach", file, StringComparison.Ordinal);
        async Task<RecipeFileTaken> Take(string yaml)
        {
            using var answer = await http.PostAsJsonAsync("own-recipes/file", new RecipeFileIn(yaml), TestApp.Json, Stop);
            Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync(Stop));
            return (await answer.Content.ReadFromJsonAsync<RecipeFileTaken>(TestApp.Json, Stop))!;
        }

        Assert.Equal(["Ruth's \"neem\""], (await Take(file)).Had);
        var other = file.Replace("Ruth's", "Paul's", StringComparison.Ordinal);
        Assert.Equal(["Paul's \"neem\""], (await Take(other)).Kept);
        Assert.Empty((await Take(other)).Kept);
        var recipes = (await http.GetFromJsonAsync<List<OwnRecipeAnswer>>("own-recipes", TestApp.Json, Stop))!.Where(r => !r.Warning).ToList();
        Assert.Equal(2, recipes.Count);
        Assert.Equal(recipes[0].Parts, recipes[1].Parts);
        Assert.All(recipes, r => Assert.NotNull(r.Recipe));
        foreach (
            var (wrong, code) in new[]
            {
                ("this: is no list", "file-unreadable"),
                ("- { id: x", "file-unreadable"),
                ("[null]", "file-unreadable"),
                ("[]", "file-empty"),
                (file.Replace("neem-oil", "moon-dust", StringComparison.Ordinal), "recipe-stops"),
                (file.Replace("amount: 4.9", "amount: 490", StringComparison.Ordinal), "recipe-stops"),
                (file.Replace("amount: ", "amount: -", StringComparison.Ordinal), "recipe-stops"),
                (file.Replace("  shake:", "  steepHours: 1000000000\n  shake:", StringComparison.Ordinal), "recipe-stops"),
                (file.Replace("  shake:", "  steepHours: -3\n  shake:", StringComparison.Ordinal), "recipe-stops"),
                ("- { id: x, name: x, ingredients: [null], mixedLifeHours: 4, shake: x }", "file-unreadable"),
            }
        )
        {
            var refused = await http.SendAsync("own-recipes/file", new RecipeFileIn(wrong), HttpStatusCode.BadRequest);
            Assert.Equal(code, refused.GetProperty("code").GetString());
        }
    }

    private Task<BenchAnswer?> BenchAsync(string recipe) =>
        http.GetFromJsonAsync<BenchAnswer>($"bench?planting={Courgette}&recipe={recipe}", TestApp.Json, Stop);

    [Fact]
    public async Task A_kept_recipe_is_mixed_as_it_was_told()
    {
        var kept = await KeepAsync(Guid.NewGuid(), new OwnRecipeChange(" Ruth's neem ", Sound, HeardKitchen.Metric, "Ruth"));
        Assert.Equal(("Ruth's neem", "Ruth", false), (kept.Name, kept.HeardFrom, kept.Warning));
        var bench = (await BenchAsync(kept.Recipe!))!;
        // A litre that comes out holds 1.007 litres of parts: what was poured in is added to the water.
        Assert.Equal(5 / 1.007, bench.Dose.Amount, 3);
        Assert.Contains(bench.Steps, s => s.Material == "castile-soap");
        Assert.Contains(bench.WhyThisDose, w => w.StartsWith("It is mixed as you keep it", StringComparison.Ordinal));
        var listed = bench.Recipes.Single(r => r.Id == kept.Recipe);
        Assert.Equal((EvidenceGrade.Weak, true), (listed.Evidence, listed.Kept));

        // The strength does not follow the step: it is as it was told.
        var strong = (await http.GetFromJsonAsync<BenchAnswer>($"bench?planting={Courgette}&recipe={kept.Recipe}&step=strong", TestApp.Json, Stop))!;
        Assert.Equal(bench.Dose.Amount, strong.Dose.Amount);

        // Mixed, it stands in the log under its name, also when it is put away afterwards.
        var batch = new NewBatch(Guid.NewGuid(), [Courgette], kept.Recipe!, DoseStep.Gentle, 0.5, null);
        using var made = await http.PostAsJsonAsync("batches", batch, TestApp.Json, Stop);
        Assert.True(made.IsSuccessStatusCode, await made.Content.ReadAsStringAsync(Stop));
        Assert.Contains("Ruth's neem", await made.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Null((await KeepAsync(kept.Id, new OwnRecipeChange(kept.Name, kept.Text, HeardKitchen.Metric, Retired: true))).Recipe);
        Assert.DoesNotContain((await BenchAsync("neem-with-soap"))!.Recipes, r => r.Id == kept.Recipe);
        Assert.Contains("Ruth's neem", await http.GetStringAsync(new Uri($"batches/{batch.Id}", UriKind.Relative), Stop), StringComparison.Ordinal);
    }

    /// <summary>It would be missing from the tank: such a recipe is kept as a warning, or told without it.</summary>
    [Theory]
    [InlineData("1 tablespoon of grandpa's wonder, 2 tsp soap and a litre of water", "recipe-stops")]
    [InlineData("some neem oil and 2 ml soap in a litre of water", "recipe-stops")]
    [InlineData("5 ml seaweed extract, 5 ml soap, 1 litre of water", "not-measured")]
    [InlineData("5 ml neem oil, 2 ml soap", "recipe-stops")]
    public async Task What_the_bench_could_not_measure_is_not_kept_to_be_mixed(string told, string code)
    {
        var id = Guid.NewGuid();
        var change = new OwnRecipeChange("Heard", told, HeardKitchen.Metric);
        var read = await http.SendAsync("/api/calc/recipe", new RecipeRequest(told, HeardKitchen.Metric), HttpStatusCode.OK);
        Assert.False(read.GetProperty("canBeMixed").GetBoolean());
        var refused = await http.SendPutAsync($"own-recipes/{id}", change, HttpStatusCode.BadRequest);
        Assert.Equal(code, refused.GetProperty("code").GetString());
        Assert.True((await KeepAsync(id, change with { Warning = true })).Warning);
    }

    [Fact]
    public async Task Putting_it_away_leaves_it_as_it_was_read()
    {
        const string told = "1 tsp neem oil, 1/2 tsp castile soap, 1 gallon of water";
        var kept = await KeepAsync(Guid.NewGuid(), new OwnRecipeChange("Heard overseas", told, HeardKitchen.Us));
        var away = await KeepAsync(kept.Id, new OwnRecipeChange(kept.Name, told, HeardKitchen.Metric, Retired: true));
        Assert.Equal(kept.Parts, away.Parts);
        Assert.NotEqual(kept.Parts, (await KeepAsync(Guid.NewGuid(), new OwnRecipeChange("Heard here", told, HeardKitchen.Metric))).Parts);
    }

    [Theory]
    [InlineData("2 tbsp of neem a litre", "text", "recipe-stops")]
    [InlineData("what a lovely evening", "text", "nothing-read")]
    [InlineData("", "text", "text-missing")]
    [InlineData("1 l water, 5 ml neem oil, 2 ml soap, 3 litres of water", "text", "two-recipes")]
    public async Task What_may_not_go_on_or_can_not_be_read_is_not_kept_to_be_mixed(string text, string field, string code)
    {
        using var answer = await http.PutAsJsonAsync(
            $"own-recipes/{Guid.NewGuid()}",
            new OwnRecipeChange("Heard", text, HeardKitchen.Metric),
            TestApp.Json,
            Stop
        );
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var problem = await answer.Content.ReadFromJsonAsync<JsonElement>(Stop);
        Assert.Equal(code, problem.GetProperty("code").GetString());
        Assert.True(problem.GetProperty("errors").TryGetProperty(field, out _));
        Assert.Empty((await http.GetFromJsonAsync<List<OwnRecipeAnswer>>("own-recipes", TestApp.Json, Stop))!);
    }

    [Fact]
    public async Task A_bad_one_is_kept_as_a_warning_and_never_mixed()
    {
        var kept = await KeepAsync(Guid.NewGuid(), new OwnRecipeChange("The burner", "2 tbsp of neem a litre", HeardKitchen.Metric, Warning: true));
        Assert.Equal((true, null), (kept.Warning, kept.Recipe));
        using var bench = await http.GetAsync(new Uri($"bench?recipe=heard-{kept.Id:N}", UriKind.Relative), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, bench.StatusCode);
    }

    [Fact]
    public async Task A_name_stands_for_one_recipe_and_a_repeated_send_is_harmless()
    {
        var id = Guid.NewGuid();
        await KeepAsync(id, new OwnRecipeChange("Neem", Sound, HeardKitchen.Metric));
        await KeepAsync(id, new OwnRecipeChange("Neem", Sound, HeardKitchen.Metric));
        Assert.Single((await http.GetFromJsonAsync<List<OwnRecipeAnswer>>("own-recipes", TestApp.Json, Stop))!);
        using var second = await http.PutAsJsonAsync(
            $"own-recipes/{Guid.NewGuid()}",
            new OwnRecipeChange("Neem", Sound, HeardKitchen.Metric),
            TestApp.Json,
            Stop
        );
        Assert.Equal(HttpStatusCode.BadRequest, second.StatusCode);
    }
}
