using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

public enum CaseSet { Tuning, HeldOut }

/// <summary>A made-up case with its true cause.</summary>
/// <param name="Seen">What was noticed first.</param>
/// <param name="Absent">What was looked for and was not there.</param>
/// <param name="Shows">What further questions would find; everything else is answered with no.</param>
public sealed record NamingCase(
    CaseSet Set,
    string Crop,
    PlaceKind Place,
    int Month,
    string Cause,
    IReadOnlyList<string> Seen,
    IReadOnlyList<string> Absent,
    IReadOnlyList<string> Shows);

/// <summary>How well a case was named.</summary>
/// <param name="Rank">Of the true cause, 1 for first; 0 when it was not ranked at all.</param>
/// <param name="Brier">Sum of squared distances of all probabilities from the truth, 0 to 2.</param>
/// <param name="Questions">Asked until the leader held 80 %, or none was left.</param>
/// <param name="Reached">The leader did reach 80 %.</param>
public sealed record NamingScore(NamingCase Case, int Rank, double Brier, int Questions, bool Reached);

/// <summary>Names the made-up cases as the app does, answering its questions.</summary>
public static class NamingCases
{
    private const double SureEnough = 0.8;

    public static IReadOnlyList<NamingCase> Read() => JsonSerializer.Deserialize<List<NamingCase>>(
        CatalogueFiles.ToJson(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "cases", "naming.yaml"))), CatalogueFiles.Json)!;

    /// <summary>Scores a case on what was noticed first, without any question.</summary>
    public static NamingScore AtFirst(GardenCatalogue catalogue, NamingCase c) => Score(catalogue, c, mostQuestions: 0);

    /// <summary>Scores a case after the questions.</summary>
    public static NamingScore AfterQuestions(GardenCatalogue catalogue, NamingCase c) => Score(catalogue, c, mostQuestions: 20);

    private static NamingScore Score(GardenCatalogue catalogue, NamingCase c, int mostQuestions)
    {
        var where = new Circumstances(catalogue.Crop(c.Crop), Place.ShelterOf(c.Place), c.Month);
        List<SeenSign> evidence = [.. c.Seen.Select(s => new SeenSign(s, true)), .. c.Absent.Select(s => new SeenSign(s, false))];
        var ranking = SuspectRanker.Rank(catalogue, where, evidence);
        var asked = 0;
        while (asked < mostQuestions && ranking.Suspects[0].Probability < SureEnough && ranking.Next is { } next)
        {
            evidence.Add(new SeenSign(next.Sign.Id, c.Shows.Contains(next.Sign.Id)));
            ranking = SuspectRanker.Rank(catalogue, where, evidence);
            asked++;
        }

        return new(
            c,
            ranking.Suspects.ToList().FindIndex(s => s.Target.Id == c.Cause) + 1,
            ranking.Suspects.Sum(s => Math.Pow(s.Probability - (s.Target.Id == c.Cause ? 1 : 0), 2)),
            asked,
            ranking.Suspects[0].Probability >= SureEnough);
    }
}
