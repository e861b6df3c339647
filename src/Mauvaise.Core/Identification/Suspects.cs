using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
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
/// Names a cause from signs: naive Bayes over the catalogue's likelihoods, with the circumstances as the prior. Signs that nobody
/// looked for say nothing. Beside the listed causes stand two of them at once, and something that is not listed.
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

    /// <summary>
    /// Something that is not listed: its weight against all that lives on the crop, and how likely any one sign is under it (assumed). A
    /// reject option in the sense of Chow 1970, doi:10.1109/TIT.1970.1054406: where no listed cause makes the signs likelier than
    /// these flat chances do, it leads.
    /// </summary>
    private const double OtherWeight = 0.04,
        OtherShows = 0.15,
        OtherLacks = 0.9;

    /// <summary>Weight of two causes at once against the product of their shares (assumed).</summary>
    private const double TogetherWeight = 0.2;

    /// <summary>Fitted on the tuning cases and on those that had been read by then; the held-out half and its tests were looked at too.</summary>
    private const double Sharpness = 1.5;

    /// <summary>A sign that is no likelier than this under a cause is not explained by it.</summary>
    private const double Unexplained = 0.03;

    /// <summary>
    /// A kind holds more than this only where it explains every sign and something tells it from kinds that nobody listed: a sign of its own, or
    /// many that it shows.
    /// </summary>
    private const double MostUntold = 0.69;

    /// <summary>
    /// A sign is a kind's own when it is so many times likelier under it than under its whole group, and than under all else that comes on this
    /// crop. Fitted on every set of cases but the last, so that none of what is not listed there is told for sure.
    /// </summary>
    private const double OwnToGroup = 3,
        OwnToAll = 15;

    /// <summary>A kind shows a sign that is this likely under it (assumed); so many of them tell it without one of its own.</summary>
    private const double Shows = 0.2;
    private const int ManySigns = 3;

    /// <summary>Causes that are tried in pairs: for each sign, those that explain it best.</summary>
    private const int PairedForEachSign = 3;

    /// <summary>Two at once are spoken of from this probability on.</summary>
    private const double TellTogether = 0.4;

    /// <summary>What it goes by, for a device that ranks by itself while nothing can be asked.</summary>
    public static readonly NamingRules Rules = new(
        Settled,
        MostQuestions,
        WorthAsking,
        OtherWeight,
        OtherShows,
        OtherLacks,
        TogetherWeight,
        Sharpness,
        Unexplained,
        MostUntold,
        OwnToGroup,
        OwnToAll,
        Shows,
        ManySigns,
        PairedForEachSign,
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
        var now = Weigh(causes, prior, evidence);
        var p = now.Told;
        var order = Enumerable.Range(0, p.Length).OrderByDescending(i => p[i]).ThenBy(i => causes[i].Target.Id, StringComparer.Ordinal).ToArray();
        var ranking = order
            .Select((i, rank) => rank < Explained ? Explain(causes, p, i, where, evidence) : new Suspect(causes[i].Target, p[i], [], []))
            .ToList();
        var asked = evidence.Select(e => e.Sign.Id).Concat(notSure ?? new HashSet<string>()).ToHashSet();
        var enough = evidence.Count(e => !e.Present) + (notSure?.Count ?? 0) >= MostQuestions;
        double LeadIf(Sign sign, bool present) => Weigh(causes, prior, [.. evidence, (sign, present)]).Told[order[0]];
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

    /// <summary>Probabilities of all causes under some evidence.</summary>
    /// <param name="Said">What the signs say, by cause.</param>
    /// <param name="Told">The same, where nothing is told for sure that is not to be.</param>
    /// <param name="Together">The two at once that explain it best, with their share; null where there is one sign.</param>
    private sealed record Weighed(double[] Said, double[] Told, double NotListed, (int I, int J, double Share)? Together);

    private static Weighed Weigh(IReadOnlyList<TargetOnCrop> causes, double[] prior, List<(Sign Sign, bool Present)> evidence)
    {
        var onCrop = prior.Sum();
        var p = new double[causes.Count];
        for (var i = 0; i < p.Length; i++)
        {
            p[i] = prior[i];
            foreach (var (sign, present) in evidence)
            {
                p[i] *= Chance(causes[i].Target, sign, present);
            }
        }

        var other = OtherWeight * onCrop;
        foreach (var (_, present) in evidence)
        {
            other *= present ? OtherShows : OtherLacks;
        }

        var pairs = Pairs(causes, prior, onCrop, evidence);
        var total = p.Sum() + other + pairs.Sum(x => x.Weight);
        // Two at once count half for each of them.
        foreach (var (i, j, weight) in pairs)
        {
            p[i] += weight / 2;
            p[j] += weight / 2;
        }

        var notListed = Sharpen(p, other, total);
        var told = p.ToArray();
        notListed += HeldDown(causes, told, prior, evidence);
        var (first, second, most) = pairs.OrderByDescending(x => x.Weight).FirstOrDefault();
        return new(p, told, notListed, pairs.Count > 0 ? (first, second, most / total) : null);
    }

    /// <summary>How likely each cause is before any sign, as weights, in the order of <see cref="GardenCatalogue.Causes"/>.</summary>
    public static double[] Priors(GardenCatalogue catalogue, Circumstances where) => [.. catalogue.Causes.Select(c => where.PriorWeight(c.Target))];

    /// <summary>
    /// A kind that does not explain a sign, or that nothing tells from kinds that nobody listed, is not told for sure: what is too much goes to what is
    /// not listed, in the second case to its group where that has a name.
    /// </summary>
    /// <returns>What goes to something that is not listed.</returns>
    private static double HeldDown(IReadOnlyList<TargetOnCrop> causes, double[] p, double[] prior, List<(Sign Sign, bool Present)> evidence)
    {
        var lead = Array.IndexOf(p, p.Max());
        var over = p[lead] - MostUntold;
        if (over <= 0)
        {
            return 0;
        }

        var kind = causes[lead].Target;
        var seen = evidence.Where(e => e.Present).Select(e => e.Sign).ToList();
        var group = GroupBeside(causes, kind);
        if (seen.Exists(s => Chance(kind, s, true) <= Unexplained))
        {
            group = null;
        }
        else if (
            kind.IsGroup
            || seen.Count(s => Chance(kind, s, true) >= Shows) >= ManySigns
            || seen.Exists(s =>
                Chance(kind, s, true) >= OwnToAll * Elsewhere(causes, prior, kind.NameGroup, s)
                && (group is not { } g || Chance(kind, s, true) >= OwnToGroup * Chance(causes[g].Target, s, true))
            )
        )
        {
            return 0;
        }

        p[lead] = MostUntold;
        if (group is not { } named)
        {
            return over;
        }

        p[named] += over;
        return 0;
    }

    /// <summary>
    /// Where the name of a kind's group stands among the causes; null when it has none, or no other kind: then the kind's name is the group's.
    /// </summary>
    private static int? GroupBeside(IReadOnlyList<TargetOnCrop> causes, Target kind)
    {
        int? group = null;
        var kinds = 0;
        for (var i = 0; i < causes.Count; i++)
        {
            if (causes[i].Target.NameGroup == kind.NameGroup)
            {
                (group, kinds) = causes[i].Target.IsGroup ? (i, kinds) : (group, kinds + 1);
            }
        }

        return kinds > 1 ? group : null;
    }

    /// <summary>How likely a sign is on this crop, before any other, by causes of other name groups.</summary>
    private static double Elsewhere(IReadOnlyList<TargetOnCrop> causes, double[] prior, string nameGroup, Sign sign)
    {
        double showing = 0,
            all = 0;
        for (var i = 0; i < prior.Length; i++)
        {
            all += prior[i];
            showing += causes[i].Target.NameGroup == nameGroup ? 0 : prior[i] * Chance(causes[i].Target, sign, true);
        }

        return showing / all;
    }

    /// <summary>
    /// Weights as probabilities, sharpened: signs of one cause come together oftener than if they were independent of each other in
    /// the catalogue's figures, and on the tuning cases the leader was right oftener than it was told (temperature scaling, Guo and
    /// others 2017, arXiv:1706.04599).
    /// </summary>
    /// <returns>The probability of something that is not listed.</returns>
    private static double Sharpen(double[] weights, double other, double total)
    {
        var sum = 0.0;
        for (var i = 0; i < weights.Length; i++)
        {
            weights[i] = Math.Pow(weights[i] / total, Sharpness);
            sum += weights[i];
        }

        var notListed = Math.Pow(other / total, Sharpness);
        sum += notListed;
        for (var i = 0; i < weights.Length; i++)
        {
            weights[i] /= sum;
        }

        return notListed / sum;
    }

    /// <summary>How likely an answer is under a cause.</summary>
    private static double Chance(Target t, Sign sign, bool present) => present ? CatalogueRules.Likelihood(t, sign) : 1 - CatalogueRules.Likelihood(t, sign);

    /// <summary>Two causes at once: a sign shows when either of them shows it (noisy or, Pearl 1988).</summary>
    private static List<(int I, int J, double Weight)> Pairs(
        IReadOnlyList<TargetOnCrop> causes,
        double[] prior,
        double onCrop,
        List<(Sign Sign, bool Present)> evidence
    )
    {
        if (evidence.Count(e => e.Present) < 2)
        {
            return [];
        }

        var paired = evidence
            .Where(e => e.Present)
            .SelectMany(e =>
                Enumerable
                    .Range(0, causes.Count)
                    .Where(i => !causes[i].Target.IsGroup)
                    .OrderByDescending(i => prior[i] * CatalogueRules.Likelihood(causes[i].Target, e.Sign))
                    .Take(PairedForEachSign)
            )
            .Distinct()
            .Order()
            .ToList();
        var pairs = new List<(int, int, double)>();
        for (var a = 0; a < paired.Count; a++)
        {
            for (var b = a + 1; b < paired.Count; b++)
            {
                var (i, j) = (paired[a], paired[b]);
                // Two of one name group look like one of them.
                if (causes[i].Target.NameGroup == causes[j].Target.NameGroup)
                {
                    continue;
                }

                var weight = TogetherWeight * prior[i] * prior[j] / onCrop;
                foreach (var (sign, present) in evidence)
                {
                    var neither = (1 - Chance(causes[i].Target, sign, true)) * (1 - Chance(causes[j].Target, sign, true));
                    weight *= present ? 1 - neither : neither;
                }

                pairs.Add((i, j, weight));
            }
        }

        return pairs;
    }

    private static Suspect Explain(IReadOnlyList<TargetOnCrop> causes, double[] p, int i, Circumstances where, List<(Sign Sign, bool Present)> evidence)
    {
        var t = causes[i].Target;
        var clues = new List<Clue>();
        foreach (var (sign, present) in evidence)
        {
            var factor = Chance(t, sign, present) / Math.Max(OthersChance(causes, p, i, sign, present), 1e-6);
            clues.Add(
                new Clue(
                    sign.Id,
                    factor,
                    (present, factor >= 1) switch
                    {
                        (true, true) => Say.Of("identification.fits", ("sign", sign.Name)),
                        (true, false) => Say.Of("identification.unusualFor", ("sign", sign.Name)),
                        (false, true) => Say.Of("identification.noAsExpected", ("lower", Lower(sign.Name))),
                        (false, false) => Say.Of(
                            "identification.noThoughIn100Show",
                            ("lower", Lower(sign.Name)),
                            ("likelihood", Say.In(CatalogueRules.Likelihood(t, sign) * 100, "0"))
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
                var chance = Chance(causes[k].Target, sign, present);
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

    private static string Lower(string name) => char.ToLowerInvariant(name[0]) + name[1..];
}
