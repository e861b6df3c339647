using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Store.Facts;

namespace Mauvaise.Core.Tests;

public enum CaseSet
{
    Tuning,
    HeldOut,

    /// <summary>Written later, and read once before anything was changed for them.</summary>
    Unseen,

    /// <summary>Written after what the unseen ones taught had been put right.</summary>
    Later,

    /// <summary>Written before the signs of the whole catalogue were gone through once more.</summary>
    Fresh,

    /// <summary>Written as people tell it, after what the fresh ones taught had been put right.</summary>
    Told,

    /// <summary>Of troubles that no list holds.</summary>
    Beyond,
}

/// <summary>A made-up case with its true cause.</summary>
/// <param name="Seen">What was noticed first.</param>
/// <param name="Absent">What was looked for and was not there.</param>
/// <param name="Cause">"none" for one that is not in the catalogue.</param>
/// <param name="Groups">Name groups that are right as well, for a cause that is not listed.</param>
/// <param name="Shows">What further questions would find; everything else is answered with no.</param>
public sealed record NamingCase(
    CaseSet Set,
    string Crop,
    PlaceKind Place,
    int Month,
    string Cause,
    IReadOnlyList<string> Seen,
    IReadOnlyList<string> Absent,
    IReadOnlyList<string> Shows,
    IReadOnlyList<string>? Groups = null
)
{
    /// <summary>Its cause is in the catalogue.</summary>
    public bool IsListed => Cause != "none";
}

/// <summary>How well a case was named.</summary>
/// <param name="Rank">Of the true cause, 1 for first; 0 when it was not ranked at all.</param>
/// <param name="Brier">Sum of squared distances of all probabilities from the truth, 0 to 2.</param>
/// <param name="Questions">Asked until the leader held 80 %, or none was left.</param>
/// <param name="Reached">The leader did reach 80 %.</param>
/// <param name="LogLoss">Minus the natural logarithm of the true cause's probability.</param>
/// <param name="Lead">Probability of the leading kind.</param>
/// <param name="Owned">For a cause that is not listed: that was said, or a right group came first.</param>
public sealed record NamingScore(NamingCase Case, int Rank, double Brier, int Questions, bool Reached, double LogLoss, double Lead, bool Owned);

/// <summary>Names the made-up cases as the app does, answering its questions.</summary>
public static class NamingCases
{
    private const double SureEnough = 0.8;

    /// <summary>All cases, of causes that are listed and of such as are not.</summary>
    public static IReadOnlyList<NamingCase> Read() =>
        [
            .. Of("naming.yaml"),
            .. Of("naming-open.yaml"),
            .. Of("naming-leaflets.yaml"),
            .. Of("naming-later.yaml"),
            .. Of("naming-fresh.yaml"),
            .. Of("naming-told.yaml"),
            .. Of("naming-beyond.yaml"),
        ];

    private static List<NamingCase> Of(string file) =>
        JsonSerializer.Deserialize<List<NamingCase>>(
            CatalogueFiles.ToJson(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "cases", file))),
            CatalogueFiles.Json
        )!;

    /// <summary>Scores a case on what was noticed first, without any question.</summary>
    public static NamingScore AtFirst(GardenCatalogue catalogue, NamingCase c) => Score(catalogue, c, mostQuestions: 0);

    /// <summary>Scores a case after the questions.</summary>
    public static NamingScore AfterQuestions(GardenCatalogue catalogue, NamingCase c) => Score(catalogue, c, mostQuestions: 6);

    /// <summary>Scores a case after the questions when one answer in so many is the wrong way round.</summary>
    public static NamingScore AfterWrongAnswers(GardenCatalogue catalogue, NamingCase c, Random random, double wrong) =>
        Score(catalogue, c, 6, () => random.NextDouble() < wrong);

    private static NamingScore Score(GardenCatalogue catalogue, NamingCase c, int mostQuestions, Func<bool>? slips = null)
    {
        var where = new Circumstances(catalogue.Crop(c.Crop), Place.ShelterOf(c.Place), c.Month);
        List<SeenSign> evidence = [.. c.Seen.Select(s => new SeenSign(s, true)), .. c.Absent.Select(s => new SeenSign(s, false))];
        var ranking = SuspectRanker.Rank(catalogue, where, evidence);
        var asked = 0;
        while (asked < mostQuestions && Kinds(ranking)[0].Probability < SureEnough && ranking.Next is { } next)
        {
            evidence.Add(new SeenSign(next.Sign.Id, (c.Shows.Contains(next.Sign.Id) || c.Seen.Contains(next.Sign.Id)) ^ (slips?.Invoke() ?? false)));
            ranking = SuspectRanker.Rank(catalogue, where, evidence);
            asked++;
        }

        var kinds = Kinds(ranking);
        var truth = kinds.Find(s => s.Target.Id == c.Cause)?.Probability ?? 0;
        return new(
            c,
            kinds.FindIndex(s => s.Target.Id == c.Cause) + 1,
            kinds.Sum(s => Math.Pow(s.Probability - (s.Target.Id == c.Cause ? 1 : 0), 2)),
            asked,
            kinds[0].Probability >= SureEnough,
            -Math.Log(Math.Max(1e-6, truth)),
            kinds[0].Probability,
            ranking.NotListed >= ranking.Groups[0].Probability
                || ranking.NotListed >= kinds[0].Probability
                || c.Groups?.Contains(ranking.Groups[0].NameGroup) == true
        );
    }

    /// <summary>The kinds of a ranking, without names for whole groups.</summary>
    private static List<Suspect> Kinds(SuspectRanking ranking) => [.. ranking.Suspects.Where(s => !s.Target.IsGroup)];
}
