using System.Text.Json;
using Mauvaise.Core.ByEar;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

/// <param name="Parts">Amount a litre by material.</param>
/// <param name="Stops">Codes that must be among what stops it; empty for a recipe that is not refused.</param>
public sealed record HeardCase(string Text, string Kitchen, IReadOnlyDictionary<string, double> Parts, IReadOnlyList<string> Stops);

public class HeardTests
{
    private static readonly List<HeardCase> Cases = Read("heard.yaml");
    private static readonly List<HeardCase> Others = [.. Read("heard-de.yaml"), .. Read("heard-es.yaml")];

    private static List<HeardCase> Read(string file) =>
        JsonSerializer.Deserialize<List<HeardCase>>(
            CatalogueFiles.ToJson(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "cases", file))),
            CatalogueFiles.Json
        )!;

    public static TheoryData<string> Texts => [.. Cases.Concat(Others).Select(c => c.Text)];

    private static JudgedRecipe Judge(string text, string kitchen = "metric", string? crop = null, double? sprayer = null)
    {
        var system = kitchen switch
        {
            "us" => KitchenSystem.Us,
            "uk" => KitchenSystem.Imperial,
            _ => KitchenSystem.Metric,
        };
        return RecipeJudge.Judge(
            Shipped.Catalogue,
            RecipeReader.Read(Shipped.Catalogue, text, system),
            system,
            crop is null ? null : Shipped.Catalogue.Crop(crop),
            sprayer
        );
    }

    [Fact]
    public void There_are_sixty_and_a_third_have_a_fault()
    {
        Assert.True(Cases.Count >= 60, $"{Cases.Count} recipes.");
        Assert.True(Cases.Count(c => c.Stops.Count > 0) * 3 >= Cases.Count);
    }

    [Theory]
    [MemberData(nameof(Texts))]
    public void A_recipe_is_read_as_it_was_told(string text)
    {
        var c = Cases.Concat(Others).Single(x => x.Text == text);
        var judged = Judge(c.Text, c.Kitchen);
        Assert.Equal(c.Parts.Keys.Order(), judged.PerLitre.Select(s => s.Material.Id).Order());
        Assert.All(judged.PerLitre, s => Assert.InRange(s.PerLitre / c.Parts[s.Material.Id], 0.985, 1.015));
    }

    [Theory]
    [MemberData(nameof(Texts))]
    public void A_dangerous_one_is_caught_and_a_harmless_one_is_not_refused(string text)
    {
        var c = Cases.Concat(Others).Single(x => x.Text == text);
        var judged = Judge(c.Text, c.Kitchen);
        var stops = judged.Faults.Where(f => f.Stops).Select(f => f.Code).ToHashSet();
        Assert.True(c.Stops.Count > 0 == (judged.Verdict == HeardVerdict.No), string.Join(' ', judged.Faults.Where(f => f.Stops).Select(f => f.Words)));
        Assert.Subset(stops, c.Stops.ToHashSet());
    }

    [Fact]
    public void A_recipe_in_another_language_is_shown_in_its_own_words()
    {
        var heard = RecipeReader.Read(Shipped.Catalogue, "2 EL Neemöl und 1 TL Spülmittel auf 5 Liter Wasser", KitchenSystem.Metric);
        Assert.Equal(["2 EL Neemöl", "1 TL Spülmittel", "5 Liter Wasser"], heard.Lines.Select(l => l.Text));
    }

    [Theory]
    [InlineData("1 tablespoon of grandpa's wonder and a litre of water", HeardNature.Oil, "no-emulsifier", HeardVerdict.No)]
    [InlineData("50 ml green magic, 5 ml soap, 1 l water", HeardNature.Oil, "ceiling", HeardVerdict.No)]
    [InlineData("25 g of swamp dust in a litre of water", HeardNature.Salt, "ceiling", HeardVerdict.No)]
    [InlineData("2 teaspoons of dragon sauce in 2 litres", HeardNature.Hot, "hot", HeardVerdict.Warn)]
    [InlineData("ein Esslöffel Wundertrank auf einen Liter Wasser", HeardNature.Oil, "no-emulsifier", HeardVerdict.No)]
    public void What_is_not_known_is_asked_and_judged_by_what_it_is_like(string text, HeardNature nature, string code, HeardVerdict verdict)
    {
        var before = RecipeReader.Read(Shipped.Catalogue, text, KitchenSystem.Metric);
        var asked = Assert.Single(before.Lines, l => l is { Kind: HeardKind.Unknown, Name: not null });
        Assert.NotNull(asked.Unclear);
        var after = RecipeReader.Read(Shipped.Catalogue, text, KitchenSystem.Metric, [(asked.Name!, nature)]);
        Assert.DoesNotContain(after.Lines, l => l.Kind == HeardKind.Unknown);
        var judged = RecipeJudge.Judge(Shipped.Catalogue, after, KitchenSystem.Metric, null, null);
        Assert.Contains(judged.Faults, f => f.Code == code);
        Assert.Equal(verdict, judged.Verdict);
    }

    /// <summary>"Soda" is washing soda in one language and stands in "baking soda" in another: such a word would put the recipe into the wrong one.</summary>
    [Theory]
    [InlineData("de")]
    [InlineData("es")]
    public void No_word_of_another_language_stands_in_an_English_recipe(string language)
    {
        var file = Path.Combine(CatalogueTests.Root, "languages", language, "heard.json");
        var own = JsonSerializer.Deserialize<Dictionary<string, string[]>>(File.ReadAllText(file))!.Values.SelectMany(w => w).ToHashSet();
        Assert.True(own.Count > 300);
        var told = Cases.SelectMany(c => c.Text.Split([' ', ',', '.', ';', ':', '\n', '(', ')'], StringSplitOptions.RemoveEmptyEntries)).ToHashSet();
        Assert.Empty(told.Intersect(own, StringComparer.OrdinalIgnoreCase));
    }

    [Fact]
    public void How_strong_a_stock_is_that_nobody_measured_is_asked()
    {
        var judged = Judge("200 ml neem oil, 100 ml castile soap, rest water. Use 10 ml of it per litre");
        Assert.Equal("unclear", Assert.Single(judged.Faults).Code);
        Assert.Contains("in all", judged.Faults[0].Words, StringComparison.Ordinal);
        Assert.Equal(HeardVerdict.No, judged.Verdict);
        Assert.Null(judged.Corrected);
    }

    [Fact]
    public void What_is_corrected_may_go_on()
    {
        foreach (var c in Cases.Where(c => c.Stops.Count > 0))
        {
            if (Judge(c.Text, c.Kitchen).Corrected is { } lines)
            {
                var again = Judge(string.Join("\n", lines), c.Kitchen);
                Assert.True(
                    again.Verdict != HeardVerdict.No,
                    $"{c.Text} became {string.Join("; ", lines)}: {string.Join(" ", again.Faults.Where(f => f.Stops).Select(f => f.Words))}"
                );
            }
        }

        // Neem's strongest dose for the two litres of the sprayer, and soap for it.
        var neem = Judge("two tablespoons of neem a litre", sprayer: 2).Corrected!;
        Assert.Contains("neem oil", neem[0], StringComparison.Ordinal);
        Assert.StartsWith("3/4 tsp (3.75 ml) of", neem[1], StringComparison.Ordinal);
        Assert.Contains("castile soap", neem[1], StringComparison.Ordinal);
        Assert.Equal("made up with water to 2 l", neem[2]);
        // What nobody can measure is left out.
        Assert.StartsWith("made up with water", Judge("two tablespoons of neem a litre", sprayer: 0.0001).Corrected![0], StringComparison.Ordinal);
        Assert.Null(Judge("borax 10 g in a litre of water, spray").Corrected);
    }

    [Theory]
    [InlineData("5 ml neem and 2 ml soap in 1 l water. 10 g bicarbonate in 2 l water", 2)]
    [InlineData("2 tsp oil and 1 tsp soap in a cup of water, strain into a gallon of water", 1)]
    [InlineData("1 tsp neem per litre and 1 tsp soap per litre", 1)]
    public void Two_recipes_are_told_from_two_steps(string text, int recipes) => Assert.Equal(recipes, Judge(text).Heard.Recipes);

    [Theory]
    [InlineData("two tablespoons of neem oil and one of castile soap in a gallon of water", 15.0)]
    [InlineData("2 tsp of neem oil, half of castile soap, 1 litre of water", 2.5)]
    [InlineData("dos cucharadas de aceite de neem y una de jabón líquido en 4 litros de agua", 15.0)]
    [InlineData("one of castile soap in a litre of water", null)]
    public void What_has_no_unit_of_its_own_has_the_one_before(string text, double? soapMl) =>
        Assert.Equal(soapMl, Judge(text).Heard.Lines.First(l => l.Word?.Material == "castile-soap").Millilitres);

    [Fact]
    public void Bait_is_no_spray()
    {
        var bait = Judge("5 g borax, 50 g sugar, 500 ml water for ants");
        Assert.Equal(HeardVerdict.Warn, bait.Verdict);
        Assert.All(bait.Faults, f => Assert.Equal("bait", f.Code));
        Assert.Contains(Judge("25 g borax, 50 g sugar, 500 ml water for ants").Faults, f => f.Code == "bait-strong");
        Assert.Equal(HeardVerdict.No, Judge("5 g borax, 50 g sugar in 500 ml water, sprayed").Verdict);
    }

    [Fact]
    public void An_oil_that_is_not_listed_is_held_to_what_oils_are()
    {
        Assert.DoesNotContain(Judge("5 ml jojoba oil, 5 ml soap, 1 litre").Faults, f => f.Stops);
        Assert.Contains(Judge("50 ml jojoba oil, 5 ml soap, 1 litre").Faults, f => f is { Code: "ceiling", Stops: true });
        Assert.Equal("kitchen-oil", Judge("a teaspoon of oil, a teaspoon of soap, 1 litre").PerLitre[0].Material.Id);
    }

    [Theory]
    [InlineData("3 metres of soap in a litre", "metres")]
    [InlineData("-3 tsp neem in a litre", "no amount")]
    [InlineData("1000000 ml soap in a litre", "no amount")]
    [InlineData("soap and water, a litre", "How much")]
    [InlineData("2 spoons of moon dust in a litre of water", "Not known here")]
    public void What_does_not_read_is_said(string text, string told) =>
        Assert.Contains(told, string.Join(' ', Judge(text).Heard.Lines.Select(l => l.Unclear)), StringComparison.Ordinal);

    [Fact]
    public void A_tender_crop_is_named() => Assert.Contains(Judge("10 ml insecticidal soap a litre", crop: "pea").Faults, f => f.Code == "tender");
}
