using Mauvaise.Core.Words;

namespace Mauvaise.Core.Catalogue;

/// <summary>What two materials may do together.</summary>
/// <param name="A">Material ids, group ids, load kinds ("oil", "soap"), "true-soap", "living" or "anything".</param>
/// <param name="B">The other side.</param>
/// <param name="InOneTank">"never" or "allowed".</param>
/// <param name="DaysApart">Days to wait between them on one bed; 0 for none.</param>
public sealed record MixingPair(IReadOnlyList<string> A, IReadOnlyList<string> B, string InOneTank, double DaysApart, string Why);

/// <summary>Decides every pair of materials: never in one tank, apart by days, or allowed.</summary>
public static class Pairs
{
    /// <summary>
    /// The strictest rule that fits the two materials. Every pair of a sound catalogue has one (<see cref="CatalogueRules"/>);
    /// a material beside itself is always allowed, and beside another of its group unless a rule says otherwise.
    /// </summary>
    public static MixingPair Between(GardenCatalogue catalogue, Material a, Material b) =>
        catalogue.DecidedPairs.GetOrAdd(
            (a.Id, b.Id),
            static (_, x) => Find(x.catalogue.Pairs, x.a, x.b) ?? throw new InvalidOperationException($"No rule for {x.a.Id} with {x.b.Id}."),
            (catalogue, a, b)
        );

    /// <summary>Null when no rule fits.</summary>
    public static MixingPair? Find(IReadOnlyList<MixingPair> rules, Material a, Material b) =>
        a.Id == b.Id
            ? new MixingPair([a.Id], [b.Id], "allowed", 0, Say.Of("catalogue.theyAreTheSame"))
            : rules
                .Where(p => (Fits(p.A, a) && Fits(p.B, b)) || (Fits(p.A, b) && Fits(p.B, a)))
                .OrderByDescending(p => p.InOneTank == "never")
                .ThenByDescending(p => p.DaysApart)
                .FirstOrDefault()
                ?? (a.Group == b.Group ? new MixingPair([a.Group], [b.Group], "allowed", 0, Say.Of("catalogue.theyAreOfOneKind")) : null);

    private static bool Fits(IReadOnlyList<string> rule, Material m) =>
        rule.Any(r =>
            r == "anything"
            || r == m.Id
            || r == m.Group
            || (r == "living" && m.Living)
            || (r == "true-soap" && m.TrueSoap)
            || (m.Load != LoadKind.None && string.Equals(r, m.Load.ToString(), StringComparison.OrdinalIgnoreCase))
        );
}
