using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Identification;

/// <summary>What an observation says about signs.</summary>
public static class Evidence
{
    /// <summary>
    /// Signs as noted, and those that follow from the rest of the note: ants on the stems, the part of the plant, roots that
    /// were looked at and found clean. What was noted as a sign outranks what follows.
    /// </summary>
    public static IReadOnlyList<SeenSign> Of(Observation seen)
    {
        var noted = seen.Signs.Select(s => s.Sign).ToHashSet();
        return [.. seen.Signs, .. Implied(seen).Where(s => !noted.Contains(s.Sign))];
    }

    private static IEnumerable<SeenSign> Implied(Observation seen)
    {
        if (seen.Ants != Ants.None)
        {
            yield return new(KnownIds.Signs.Ants, true);
        }

        switch (seen.Part)
        {
            case PlantPart.Tips:
                yield return new(KnownIds.Signs.TipsFirst, true);
                break;
            case PlantPart.NewLeaves:
                yield return new(KnownIds.Signs.NewLeavesFirst, true);
                break;
            case PlantPart.OldLeaves:
                yield return new(KnownIds.Signs.OldLeavesFirst, true);
                break;
        }

        if (seen.Roots == RootCheck.Clean)
        {
            yield return new(KnownIds.Signs.WhiteOnRoots, false);
            yield return new(KnownIds.Signs.RootInsects, false);
        }
    }
}
