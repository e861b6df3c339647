using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Identification;

/// <summary>A cause with its probability and what speaks for and against it, strongest first.</summary>
public sealed record Suspect(Target Target, double Probability, IReadOnlyList<Clue> For, IReadOnlyList<Clue> Against);

/// <summary>The question that would narrow the ranking most.</summary>
/// <param name="GainBits">Expected information, bits.</param>
/// <param name="LeadIfYes">Probability of the leading suspect after a yes.</param>
public sealed record NextQuestion(Sign Sign, double GainBits, double LeadIfYes, double LeadIfNo);

/// <summary>A group that holds nearly all of the probability and is met with one action.</summary>
public sealed record SharedAction(string Group, double Probability, string Sentence);

/// <summary>The ranking of causes, the best next question, and whether a name matters.</summary>
/// <param name="NamingCanWait">Null when the leading suspects want different things.</param>
public sealed record SuspectRanking(IReadOnlyList<Suspect> Suspects, NextQuestion? Next, SharedAction? NamingCanWait);

/// <summary>
/// Names a cause from signs: naive Bayes over the catalogue's likelihoods, with the circumstances as the prior. Signs that
/// nobody looked for say nothing.
/// </summary>
public static class SuspectRanker
{
    /// <summary>Probability at which the leader counts as known, so that no further question is asked.</summary>
    private const double Settled = 0.97;

    /// <summary>Probability that the leading group must hold before naming can wait.</summary>
    private const double GroupSettled = 0.85;

    /// <summary>Suspects that come with their clues; the rest only have a probability.</summary>
    private const int Explained = 8;

    /// <summary>Ranks every cause that lives on the crop. Probabilities sum to 1.</summary>
    /// <param name="notSure">Signs that were asked for and not settled: they say nothing and are not asked again.</param>
    /// <exception cref="ArgumentException">A sign is not in the catalogue.</exception>
    public static SuspectRanking Rank(GardenCatalogue catalogue, Circumstances where, IReadOnlyList<SeenSign> seen, IReadOnlySet<string>? notSure = null)
    {
        var evidence = seen.Select(s => (
            Sign: catalogue.FindSign(s.Sign) ?? throw new ArgumentException($"There is no sign '{s.Sign}'.", nameof(seen)),
            s.Present)).ToList();
        var causes = catalogue.TargetsOn(where.Crop);
        var p = new double[causes.Count];
        for (var i = 0; i < p.Length; i++)
        {
            p[i] = where.PriorWeight(causes[i].Target);
            foreach (var (sign, present) in evidence)
            {
                p[i] *= Chance(causes[i].Target, sign, present);
            }
        }

        var total = p.Sum();
        for (var i = 0; i < p.Length; i++)
        {
            p[i] /= total;
        }

        var order = Enumerable.Range(0, p.Length).OrderByDescending(i => p[i]).ThenBy(i => causes[i].Target.Id, StringComparer.Ordinal).ToArray();
        var ranking = order.Select((i, rank) => rank < Explained
            ? Explain(causes, p, i, where, evidence)
            : new Suspect(causes[i].Target, p[i], [], [])).ToList();
        var asked = evidence.Select(e => e.Sign.Id).Concat(notSure ?? new HashSet<string>()).ToHashSet();
        return new SuspectRanking(ranking, BestQuestion(catalogue, causes, p, order[0], asked), NamingCanWait(ranking));
    }

    private static double Chance(Target t, Sign sign, bool present)
    {
        var p = CatalogueRules.Likelihood(t, sign);
        return present ? p : 1 - p;
    }

    private static Suspect Explain(IReadOnlyList<TargetOnCrop> causes, double[] p, int i, Circumstances where, List<(Sign Sign, bool Present)> evidence)
    {
        var t = causes[i].Target;
        var clues = new List<Clue>();
        foreach (var (sign, present) in evidence)
        {
            var factor = Chance(t, sign, present) / Math.Max(OthersChance(causes, p, i, sign, present), 1e-6);
            clues.Add(new Clue(sign.Id, factor, (present, factor >= 1) switch
            {
                (true, true) => $"{sign.Name}: fits",
                (true, false) => $"{sign.Name}: unusual for it",
                (false, true) => $"no {Lower(sign.Name)}: as expected",
                (false, false) => $"no {Lower(sign.Name)}, though {CatalogueRules.Likelihood(t, sign) * 100:0} in 100 show it",
            }));
        }

        clues.AddRange(where.CluesFor(t));
        return new Suspect(
            t,
            p[i],
            [.. clues.Where(c => c.Factor > 1.1).OrderByDescending(c => c.Factor)],
            [.. clues.Where(c => c.Factor < 0.9).OrderBy(c => c.Factor)]);
    }

    /// <summary>The other causes' chance of the same answer, weighted by how likely each still is.</summary>
    private static double OthersChance(IReadOnlyList<TargetOnCrop> causes, double[] p, int except, Sign sign, bool present)
    {
        double weighted = 0, weight = 0, plain = 0;
        for (var k = 0; k < p.Length; k++)
        {
            if (k != except)
            {
                var chance = Chance(causes[k].Target, sign, present);
                weighted += p[k] * chance;
                weight += p[k];
                plain += chance;
            }
        }

        return weight > 1e-9 ? weighted / weight : p.Length > 1 ? plain / (p.Length - 1) : 1;
    }

    /// <summary>The unasked sign with the largest expected drop in entropy; null when the leader is settled or nothing helps.</summary>
    private static NextQuestion? BestQuestion(GardenCatalogue catalogue, IReadOnlyList<TargetOnCrop> causes, double[] p, int lead, HashSet<string> asked)
    {
        if (p.Length < 2 || p[lead] >= Settled)
        {
            return null;
        }

        var now = -p.Sum(PLogP);
        NextQuestion? best = null;
        for (var s = 0; s < catalogue.Signs.Count; s++)
        {
            var sign = catalogue.Signs[s];
            if (asked.Contains(sign.Id))
            {
                continue;
            }

            // Entropy after the answer, from sums alone: H = log2(S) - sum(w log2 w) / S for weights w with sum S.
            double yes = 0, yesLog = 0, no = 0, noLog = 0;
            for (var i = 0; i < p.Length; i++)
            {
                var w = p[i] * causes[i].Likelihoods[s];
                yes += w;
                yesLog += PLogP(w);
                no += p[i] - w;
                noLog += PLogP(p[i] - w);
            }

            var gain = Math.Round(now - (PLogP(yes) - yesLog) - (PLogP(no) - noLog), 9);
            if (gain > 0.01 && (best is null || gain > best.GainBits || (gain == best.GainBits && string.CompareOrdinal(sign.Id, best.Sign.Id) < 0)))
            {
                var leadYes = p[lead] * causes[lead].Likelihoods[s];
                best = new NextQuestion(sign, gain, leadYes / yes, (p[lead] - leadYes) / no);
            }
        }

        return best;
    }

    private static double PLogP(double p) => p > 0 ? p * Math.Log2(p) : 0;

    private static SharedAction? NamingCanWait(List<Suspect> ranking)
    {
        if (ranking.Count < 2 || ranking[0].Probability >= GroupSettled)
        {
            return null;
        }

        var group = ranking[0].Target.Group;
        var share = ranking.Where(s => s.Target.Group == group).Sum(s => s.Probability);
        return share >= GroupSettled && TargetGroups.Action(group) is { } action
            ? new(group, share, $"Naming can wait: {share * 100:0} in 100 it is {TargetGroups.Words(group)}, and {action}.")
            : null;
    }

    private static string Lower(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}
