using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Outcomes;

/// <summary>When to look back at a spray.</summary>
public static class CheckBackDay
{
    /// <summary>
    /// Days from a spray to its check-back: as the material has it, and not before its effect on the target can be seen. A target that shows
    /// late does not hold up the next round: the visit is due by the last day of the material's curative cadence.
    /// </summary>
    /// <param name="target">What the spray was against; null when nothing was named.</param>
    /// <example>Bicarbonate (3 days, again after 7) against rust (7 days): 7. Peroxide (2 days, again after 2) against it: 2.</example>
    public static int DaysAfter(Material material, Target? target) =>
        Math.Max(material.CheckBackDays, Math.Min(target?.CheckBackDays ?? 0, material.Cadence.CurativeMaxDays));
}
