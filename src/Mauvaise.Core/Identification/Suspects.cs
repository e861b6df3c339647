using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Identification;

/// <summary>A cause with its probability and what speaks for and against it, strongest first.</summary>
public sealed record Suspect(Target Target, double Probability, IReadOnlyList<Clue> For, IReadOnlyList<Clue> Against);

/// <summary>All that goes by one name when its kind can not be told, with the kinds that are not listed.</summary>
public sealed record SuspectGroup(string NameGroup, double Probability);

/// <summary>Two troubles that together explain what no single one does.</summary>
public sealed record TwoTroubles(Target First, Target Second, double Probability);

/// <summary>The question that would narrow the ranking most.</summary>
/// <param name="GainBits">Expected information, bits.</param>
/// <param name="LeadIfYes">What is told of the leading suspect after a yes.</param>
public sealed record NextQuestion(Sign Sign, double GainBits, double LeadIfYes, double LeadIfNo);

/// <summary>A group that holds nearly all of the probability and is met with one action.</summary>
public sealed record SharedAction(string Group, double Probability, string Sentence);

/// <summary>The ranking of causes, the best next question, and whether a name matters.</summary>
/// <param name="Suspects">Kinds, and names of whole groups for kinds that are not listed; with <paramref name="NotListed"/> they sum to 1.</param>
/// <param name="Groups">Name groups, the likeliest first.</param>
/// <param name="NotListed">Probability that it is none of these.</param>
/// <param name="Together">The likeliest two at once; null when one explains it as well.</param>
/// <param name="NamingCanWait">Null when the leading suspects want different things.</param>
public sealed record SuspectRanking(
    IReadOnlyList<Suspect> Suspects,
    IReadOnlyList<SuspectGroup> Groups,
    double NotListed,
    TwoTroubles? Together,
    NextQuestion? Next,
    SharedAction? NamingCanWait
);

/// <summary>The figures of <see cref="SuspectRanker"/>, each of which is explained there.</summary>
public sealed record NamingRules(
    double Settled,
    int MostQuestions,
    double WorthAsking,
    double OtherWeight,
    double OtherShows,
    double OtherLacks,
    double TogetherWeight,
    double Sharpness,
    double Unexplained,
    double MostUntold,
    double OwnToGroup,
    double OwnToAll,
    double Shows,
    int ManySigns,
    int PairedForEachSign,
    double TellTogether
);

/// <summary>
/// Names a cause from signs (<see cref="CauseWeights"/>), says what speaks for and against it, and asks for the sign that would tell most.
/// </summary>
public static class SuspectRanker
{
    /// <summary>Probability at which the leader counts as known, so that no further question is asked.</summary>
    private const double Settled = 0.97;

    /// <summary>Probability that the leading group must hold before naming can wait.</summary>
    private const double GroupSettled = 0.85;

    /// <summary>Suspects that come with their clues; the rest only have a probability.</summary>
    private const int Explained = 8;

    /// <summary>After so many answers of "no" and "not sure" it is enough.</summary>
    private const int MostQuestions = 6;

    /// <summary>A question that is expected to tell less than this is not worth asking, bits.</summary>
    private const double WorthAsking = 0.02;

    /// <summary>Two at once are spoken of from this probability on.</summary>
    private const double TellTogether = 0.4;

    /// <summary>What it goes by, for a device that ranks by itself while nothing can be asked.</summary>
    public static readonly NamingRules Rules = new(
        Settled,
        MostQuestions,
        WorthAsking,
        CauseWeights.OtherWeight,
        CauseWeights.OtherShows,
        CauseWeights.OtherLacks,
        CauseWeights.TogetherWeight,
        CauseWeights.Sharpness,
        CauseWeights.Unexplained,
        CauseWeights.MostUntold,
        CauseWeights.OwnToGroup,
        CauseWeights.OwnToAll,
        CauseWeights.Shows,
        CauseWeights.ManySigns,
        CauseWeights.PairedForEachSign,
        TellTogether
    );

    /// <summary>Ranks every cause there is. Probabilities with that of something not listed sum to 1.</summary>
    /// <param name="notSure">Signs that were asked for and not settled: they say nothing and are not asked again.</param>
    /// <exception cref="ArgumentException">A sign is not in the catalogue.</exception>
    public static SuspectRanking Rank(GardenCatalogue catalogue, Circumstances where, IReadOnlyList<SeenSign> seen, IReadOnlySet<string>? notSure = null)
    {
        var evidence = seen.Select(s =>
                (Sign: catalogue.FindSign(s.Sign) ?? throw new ArgumentException($"There is no sign '{s.Sign}'.", nameof(seen)), s.Present)
            )
            .ToList();
        var causes = catalogue.Causes;
        var prior = Priors(catalogue, where);
        var now = CauseWeights.Of(causes, prior, evidence);
        var p = now.Told;
        var order = Enumerable.Range(0, p.Length).OrderByDescending(i => p[i]).ThenBy(i => causes[i].Target.Id, StringComparer.Ordinal).ToArray();
        var ranking = order
            .Select((i, rank) => rank < Explained ? Explain(causes, p, i, where, evidence) : new Suspect(causes[i].Target, p[i], [], []))
            .ToList();
        var asked = evidence.Select(e => e.Sign.Id).Concat(notSure ?? new HashSet<string>()).ToHashSet();
        var enough = evidence.Count(e => !e.Present) + (notSure?.Count ?? 0) >= MostQuestions;
        double LeadIf(Sign sign, bool present) => CauseWeights.Of(causes, prior, [.. evidence, (sign, present)]).Told[order[0]];
        return new SuspectRanking(
            ranking,
            [
                .. ranking
                    .GroupBy(s => s.Target.NameGroup)
                    .Select(g => new SuspectGroup(g.Key, g.Sum(s => s.Probability)))
                    .OrderByDescending(g => g.Probability)
                    .ThenBy(g => g.NameGroup, StringComparer.Ordinal),
            ],
            now.NotListed,
            now.Together is { } two && two.Share >= TellTogether ? new TwoTroubles(causes[two.I].Target, causes[two.J].Target, two.Share) : null,
            !enough && BestQuestion(catalogue, causes, now.Said, order[0], asked) is { } best
                ? new NextQuestion(best.Sign, best.GainBits, LeadIf(best.Sign, true), LeadIf(best.Sign, false))
                : null,
            NamingCanWait(ranking)
        );
    }

    /// <summary>How likely each cause is before any sign, as weights, in the order of <see cref="GardenCatalogue.Causes"/>.</summary>
    public static double[] Priors(GardenCatalogue catalogue, Circumstances where) => [.. catalogue.Causes.Select(c => where.PriorWeight(c.Target))];

    private static Suspect Explain(IReadOnlyList<TargetOnCrop> causes, double[] p, int i, Circumstances where, List<(Sign Sign, bool Present)> evidence)
    {
        var t = causes[i].Target;
        var clues = new List<Clue>();
        foreach (var (sign, present) in evidence)
        {
            var factor = CauseWeights.Chance(t, sign, present) / Math.Max(OthersChance(causes, p, i, sign, present), 1e-6);
            clues.Add(
                new Clue(
                    sign.Id,
                    factor,
                    (present, factor >= 1) switch
                    {
                        (true, true) => Said.Of("identification.fits", ("sign", Fact.Thing(sign.Name))),
                        (true, false) => Said.Of("identification.unusualFor", ("sign", Fact.Thing(sign.Name))),
                        (false, true) => Said.Of("identification.noAsExpected", ("lower", Fact.Thing(sign.Name.InSentence()))),
                        (false, false) => Said.Of(
                            "identification.noThoughIn100Show",
                            ("lower", Fact.Thing(sign.Name.InSentence())),
                            ("likelihood", Fact.Percent(CatalogueRules.Likelihood(t, sign) * 100))
                        ),
                    }
                )
            );
        }

        clues.AddRange(where.CluesFor(t));
        return new Suspect(
            t,
            p[i],
            [.. clues.Where(c => c.Factor > 1.1).OrderByDescending(c => c.Factor)],
            [.. clues.Where(c => c.Factor < 0.9).OrderBy(c => c.Factor)]
        );
    }

    /// <summary>The other causes' chance of the same answer, weighted by how likely each still is.</summary>
    private static double OthersChance(IReadOnlyList<TargetOnCrop> causes, double[] p, int except, Sign sign, bool present)
    {
        double weighted = 0,
            weight = 0,
            plain = 0;
        for (var k = 0; k < p.Length; k++)
        {
            if (k != except)
            {
                var chance = CauseWeights.Chance(causes[k].Target, sign, present);
                weighted += p[k] * chance;
                weight += p[k];
                plain += chance;
            }
        }

        return weight > 1e-9 ? weighted / weight
            : p.Length > 1 ? plain / (p.Length - 1)
            : 1;
    }

    /// <summary>
    /// The unasked sign with the largest expected drop in entropy, by what the signs say and not by how modestly it is told; null when the leader is
    /// settled or nothing helps.
    /// </summary>
    private static (Sign Sign, double GainBits)? BestQuestion(
        GardenCatalogue catalogue,
        IReadOnlyList<TargetOnCrop> causes,
        double[] p,
        int lead,
        HashSet<string> asked
    )
    {
        if (p.Length < 2 || p[lead] >= Settled)
        {
            return null;
        }

        var all = p.Sum();
        var now = PLogP(all) - p.Sum(PLogP);
        (Sign Sign, double GainBits)? best = null;
        for (var s = 0; s < catalogue.Signs.Count; s++)
        {
            var sign = catalogue.Signs[s];
            if (asked.Contains(sign.Id))
            {
                continue;
            }

            // Entropy after the answer, from sums alone: S H = S log2(S) - sum(w log2 w) for weights w with sum S.
            double yes = 0,
                yesLog = 0,
                no = 0,
                noLog = 0;
            for (var i = 0; i < p.Length; i++)
            {
                var w = p[i] * causes[i].Likelihoods[s];
                yes += w;
                yesLog += PLogP(w);
                no += p[i] - w;
                noLog += PLogP(p[i] - w);
            }

            var gain = Math.Round(now - (PLogP(yes) - yesLog) - (PLogP(no) - noLog), 9);
            if (gain > WorthAsking && (best is not { } so || gain > so.GainBits || (gain == so.GainBits && string.CompareOrdinal(sign.Id, so.Sign.Id) < 0)))
            {
                best = (sign, gain);
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
            ? new(
                group,
                share,
                Say.Of("identification.namingCanWaitIn100", ("share", Say.In(share * 100, "0")), ("words", TargetGroups.Words(group)), ("action", action))
            )
            : null;
    }
}
