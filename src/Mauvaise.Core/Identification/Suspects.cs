using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Identification;

/// <summary>Where and when something was seen.</summary>
/// <param name="NorthernMonth">1 to 12 as the northern hemisphere counts.</param>
public sealed record Circumstances(Crop Crop, Shelter Shelter, int NorthernMonth, IReadOnlyDictionary<string, int>? NamedHereBefore = null);

/// <summary>Something that speaks for a suspect (factor over 1) or against it.</summary>
public sealed record Clue(string Code, double Factor, string Sentence);

/// <summary>A cause with its probability and what speaks for and against it, strongest first.</summary>
public sealed record Suspect(Target Target, double Probability, IReadOnlyList<Clue> For, IReadOnlyList<Clue> Against);

/// <summary>The question that would narrow the ranking most.</summary>
/// <param name="GainBits">Expected information, bits.</param>
/// <param name="LeadIfYes">Probability of the leading suspect after a yes.</param>
public sealed record NextQuestion(Sign Sign, double GainBits, double LeadIfYes, double LeadIfNo);

/// <summary>The ranking of causes, the best next question, and whether a name matters.</summary>
/// <param name="NamingCanWait">A sentence when the leading suspects share one action; null otherwise.</param>
public sealed record SuspectRanking(IReadOnlyList<Suspect> Suspects, NextQuestion? Next, string? NamingCanWait);

/// <summary>
/// Names a cause from signs: naive Bayes over the catalogue's likelihoods, with crop, season, cover and this garden's earlier
/// names as the prior. Signs that nobody looked for say nothing.
/// </summary>
public static class SuspectRanker
{
    /// <summary>Weight of a host in the wrong season, against 1 in season (assumed).</summary>
    private const double OutOfSeason = 0.15;

    /// <summary>Probability at which the leader counts as known, so that no further question is asked.</summary>
    private const double Settled = 0.97;

    /// <summary>Probability that the leading group must hold before naming can wait.</summary>
    private const double GroupSettled = 0.85;

    /// <summary>Ranks every cause that lives on the crop. Probabilities sum to 1.</summary>
    /// <param name="notSure">Signs that were asked for and not settled: they say nothing and are not asked again.</param>
    /// <exception cref="ArgumentException">A sign is not in the catalogue.</exception>
    public static SuspectRanking Rank(GardenCatalogue catalogue, Circumstances where, IReadOnlyList<SeenSign> seen, IReadOnlySet<string>? notSure = null)
    {
        var evidence = seen.Select(s => (
            Sign: catalogue.FindSign(s.Sign) ?? throw new ArgumentException($"There is no sign '{s.Sign}'.", nameof(seen)),
            s.Present)).ToList();
        var causes = catalogue.Targets.Where(t => GardenCatalogue.IsHost(t, where.Crop)).ToList();
        var weights = causes.Select(t => Prior(t, where) * evidence.Aggregate(1.0, (p, e) => p * Chance(t, e.Sign, e.Present))).ToArray();
        var total = weights.Sum();
        var probabilities = weights.Select(w => w / total).ToArray();

        var ranking = causes.Zip(probabilities)
            .OrderByDescending(x => x.Second).ThenBy(x => x.First.Id, StringComparer.Ordinal)
            .Select(x => Explain(x.First, x.Second, where, evidence, causes, probabilities))
            .ToList();
        var asked = evidence.Select(e => e.Sign.Id).Concat(notSure ?? new HashSet<string>()).ToHashSet();
        return new SuspectRanking(ranking, BestQuestion(catalogue, causes, probabilities, asked), NamingCanWait(ranking));
    }

    private static double Prior(Target t, Circumstances where)
    {
        var season = t.Season.Holds(where.NorthernMonth) || where.Shelter == Shelter.Indoor ? 1 : OutOfSeason;
        var cover = where.Shelter == Shelter.Open ? 1 : t.UnderCoverFactor;
        var before = 1 + 0.5 * (where.NamedHereBefore?.GetValueOrDefault(t.Id) ?? 0);
        return t.Commonness * season * cover * before;
    }

    private static double Chance(Target t, Sign sign, bool present)
    {
        var p = CatalogueRules.Likelihood(t, sign);
        return present ? p : 1 - p;
    }

    private static Suspect Explain(
        Target t,
        double probability,
        Circumstances where,
        List<(Sign Sign, bool Present)> evidence,
        List<Target> causes,
        double[] probabilities)
    {
        var clues = new List<Clue>();
        foreach (var (sign, present) in evidence)
        {
            // The others' chance of the same sign, weighted by how likely each still is.
            var rest = causes.Zip(probabilities).Where(x => x.First.Id != t.Id).ToList();
            var weight = rest.Sum(x => x.Second);
            var others = weight > 1e-9
                ? rest.Sum(x => x.Second * Chance(x.First, sign, present)) / weight
                : rest.Select(x => Chance(x.First, sign, present)).DefaultIfEmpty(1).Average();
            var factor = Chance(t, sign, present) / Math.Max(others, 1e-6);
            var usual = CatalogueRules.Likelihood(t, sign);
            clues.Add(new Clue(sign.Id, factor, (present, factor >= 1) switch
            {
                (true, true) => $"{sign.Name}: fits",
                (true, false) => $"{sign.Name}: unusual for it",
                (false, true) => $"no {Lower(sign.Name)}: as expected",
                (false, false) => $"no {Lower(sign.Name)}, though {usual * 100:0} in 100 show it",
            }));
        }

        if (!t.Season.Holds(where.NorthernMonth) && where.Shelter != Shelter.Indoor)
        {
            clues.Add(new Clue("season", OutOfSeason, "early or late in the year for it"));
        }

        if (where.Shelter != Shelter.Open && Math.Abs(t.UnderCoverFactor - 1) > 0.01)
        {
            clues.Add(new Clue("cover", t.UnderCoverFactor, t.UnderCoverFactor > 1 ? "likes it under cover" : "seldom under cover"));
        }

        if (where.NamedHereBefore?.GetValueOrDefault(t.Id) is > 0 and var times)
        {
            clues.Add(new Clue("here-before", 1 + 0.5 * times, times == 1 ? "named once in this garden before" : $"named {times} times in this garden before"));
        }

        return new Suspect(
            t,
            probability,
            [.. clues.Where(c => c.Factor > 1.1).OrderByDescending(c => c.Factor)],
            [.. clues.Where(c => c.Factor < 0.9).OrderBy(c => c.Factor)]);
    }

    /// <summary>The unasked sign with the largest expected drop in entropy; null when the leader is settled or nothing helps.</summary>
    private static NextQuestion? BestQuestion(GardenCatalogue catalogue, List<Target> causes, double[] p, HashSet<string> asked)
    {
        if (p.Length < 2 || p.Max() >= Settled)
        {
            return null;
        }

        var now = Entropy(p);
        var lead = Array.IndexOf(p, p.Max());
        return catalogue.Signs
            .Where(s => !asked.Contains(s.Id))
            .Select(s =>
            {
                var like = causes.Select(t => CatalogueRules.Likelihood(t, s)).ToArray();
                var yes = p.Zip(like, (a, b) => a * b).ToArray();
                var no = p.Zip(like, (a, b) => a * (1 - b)).ToArray();
                var (pYes, pNo) = (yes.Sum(), no.Sum());
                var after = pYes * Entropy(yes.Select(x => x / pYes)) + pNo * Entropy(no.Select(x => x / pNo));
                return new NextQuestion(s, now - after, yes[lead] / pYes, no[lead] / pNo);
            })
            .OrderByDescending(q => Math.Round(q.GainBits, 9)).ThenBy(q => q.Sign.Id, StringComparer.Ordinal)
            .FirstOrDefault(q => q.GainBits > 0.01);
    }

    private static string? NamingCanWait(List<Suspect> ranking)
    {
        if (ranking.Count < 2 || ranking[0].Probability >= GroupSettled)
        {
            return null;
        }

        var group = ranking[0].Target.Group;
        var share = ranking.Where(s => s.Target.Group == group).Sum(s => s.Probability);
        return share >= GroupSettled && TargetGroups.Action(group) is { } action
            ? $"Naming can wait: {share * 100:0} in 100 it is {TargetGroups.Words(group)}, and {action}."
            : null;
    }

    private static double Entropy(IEnumerable<double> p) => -p.Where(x => x > 0).Sum(x => x * Math.Log2(x));

    private static string Lower(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}
