using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ways;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

/// <summary>Something found in some garden, and what a careful adviser says.</summary>
/// <param name="Does">Parts of a way, any of which is right.</param>
/// <param name="Never">Parts that are wrong.</param>
public sealed record Situation(
    CaseSet Set,
    string Case,
    string Crop,
    PlaceKind Kind,
    DateOnly On,
    string Climate,
    double Latitude,
    string Target,
    double Share,
    IReadOnlyList<string> Does,
    IReadOnlyList<string> Never,
    GrowthStage? Stage = null,
    Stance Stance = Stance.WatchAndTreat,
    DiseaseApproach Approach = DiseaseApproach.CleanThenProtect,
    int Helpers = 0,
    Ants Ants = Ants.None
)
{
    /// <summary>Ids of the parts of the way that is proposed, where nothing is known of the garden.</summary>
    public string[] Proposed()
    {
        var (garden, planting, seen) = ImaginedGarden.With(
            Shipped.Catalogue,
            new Imagined(Crop, Kind, Stage, On, Latitude, Climate, Target, Share, Helpers, Ants, Stance, Approach)
        );
        return WayBook.Of(garden).For(planting, seen).Proposed!.Id.Split('+');
    }
}

/// <summary>Advice held against a hundred written situations.</summary>
public class SituationTests
{
    private static readonly List<Situation> All = JsonSerializer.Deserialize<List<Situation>>(
        CatalogueFiles.ToJson(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "cases", "situations.yaml"))),
        CatalogueFiles.Json
    )!;

    public static TheoryData<string> Cases => [.. All.Select(s => s.Case)];

    [Theory]
    [MemberData(nameof(Cases))]
    public void Nothing_is_advised_that_a_careful_adviser_would_not(string name)
    {
        var situation = All.Single(s => s.Case == name);
        Assert.Empty(situation.Proposed().Intersect(situation.Never));
    }

    [Fact]
    public void A_careful_adviser_agrees_with_95_in_a_hundred()
    {
        Assert.True(All.Count >= 100);
        var disagrees = All.Where(s => !s.Proposed().Intersect(s.Does).Any()).ToList();
        Assert.True(disagrees.Count <= 0.05 * All.Count, string.Join("; ", disagrees.Select(s => s.Case)));
    }

    [Fact]
    public void Every_part_that_a_situation_names_is_known()
    {
        var known = Shipped.Catalogue.Measures.Select(m => m.Id).Concat(Shipped.Catalogue.Materials.Select(m => m.Id)).Append(Way.AloneId).ToHashSet();
        Assert.Empty(All.SelectMany(s => s.Does.Concat(s.Never)).Where(id => !known.Contains(id)).Distinct());
    }
}
