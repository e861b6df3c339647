using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Ways;

/// <summary>What hands and water can do about a finding.</summary>
internal static class HandWork
{
    /// <summary>Measures of the hand rung that take something off and can be done here, the one that fits best first.</summary>
    public static IReadOnlyList<Measure> Fitting(Finding f)
    {
        if (f.Target is not { } target)
        {
            return [];
        }

        var atTips = f.Seen.Part == PlantPart.Tips || f.Seen.Signs.Any(s => s is { Sign: KnownIds.Signs.TipsFirst, Present: true });
        List<Measure> fitting =
        [
            .. f
                .Garden.Catalogue.Measures.Where(m =>
                    m.Rung == Rung.Hands
                    && m.IsFor(target)
                    && m.CheckBackDays is not null
                    && f.Against(m) is null
                    && (m.Id != KnownIds.Measures.PinchTips || atTips)
                )
                .OrderByDescending(m => m.EffectOn(target)?.Young ?? 0)
                .ThenByDescending(m => m.Id == KnownIds.Measures.WaterJet),
        ];
        // What sits at the tips alone goes with the tips.
        return fitting.Find(m => m.Id == KnownIds.Measures.PinchTips) is { } pinch ? [pinch] : fitting;
    }
}
