using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>What is done once a mix is on: rinsing it off, waiting, washing what is picked.</summary>
public static class AfterSpray
{
    /// <summary>When to rinse it off; null where it stays on.</summary>
    public static string? Rinse(IEnumerable<Material> inMix) =>
        inMix.Where(m => m.RinseAfterHours is not null).MinBy(m => m.RinseAfterHours) is { } first
            ? Say.Of("mixing.rinseAfterHours", ("material", first.Name.InSentence()), ("n", first.RinseAfterHours))
            : null;

    /// <summary>All of it, in the order in which it is done.</summary>
    public static IReadOnlyList<string> Of(IReadOnlyList<Material> inMix)
    {
        var wait = inMix.Select(m => m.DaysToWait ?? 1).DefaultIfEmpty(0).Max();
        string?[] all =
        [
            Rinse(inMix),
            wait == 0 ? null : Say.Of("mixing.pickAfterDays", ("n", wait)),
            inMix.Count == 0 ? null : Say.Of("mixing.washTheHarvest"),
        ];
        return [.. all.OfType<string>()];
    }
}
