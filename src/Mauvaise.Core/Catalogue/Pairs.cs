namespace Mauvaise.Core.Catalogue;

/// <summary>Decides every pair of materials: never in one tank, apart by days, or allowed.</summary>
public static class Pairs
{
    /// <summary>
    /// The strictest rule that fits the two materials, by id, group, load kind, "living" or "anything"; null when nothing
    /// speaks against them.
    /// </summary>
    public static MixingPair? Between(GardenCatalogue catalogue, Material a, Material b) =>
        a.Id == b.Id
            ? null
            : catalogue.Pairs
                .Where(p => (Fits(p.A, a) && Fits(p.B, b)) || (Fits(p.A, b) && Fits(p.B, a)))
                .OrderByDescending(p => p.InOneTank == "never").ThenByDescending(p => p.DaysApart)
                .FirstOrDefault();

    private static bool Fits(string rule, Material m) =>
        rule == "anything" || rule == m.Id || rule == m.Group || (rule == "living" && m.Living)
        || (m.Load != LoadKind.None && string.Equals(rule, m.Load.ToString(), StringComparison.OrdinalIgnoreCase));
}
