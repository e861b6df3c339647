using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Identification;

/// <summary>A part of the plant, and the sign that it is.</summary>
public sealed record PartSign(PlantPart Part, string Sign);

/// <summary>Signs that follow from the rest of a note.</summary>
/// <param name="NotOnCleanRoots">Roots that were looked at and found clean show none of these.</param>
public sealed record FollowingSigns(string Ants, IReadOnlyList<PartSign> Parts, IReadOnlyList<string> NotOnCleanRoots);

/// <summary>What an observation says about signs.</summary>
public static class Evidence
{
    /// <summary>What else a note says without naming a sign.</summary>
    public static readonly FollowingSigns Following = new(
        KnownIds.Signs.Ants,
        [
            new(PlantPart.Tips, KnownIds.Signs.TipsFirst),
            new(PlantPart.NewLeaves, KnownIds.Signs.NewLeavesFirst),
            new(PlantPart.OldLeaves, KnownIds.Signs.OldLeavesFirst),
        ],
        [KnownIds.Signs.WhiteOnRoots, KnownIds.Signs.RootInsects]
    );

    /// <summary>
    /// Signs as noted, and those that follow from the rest of the note: ants on the stems, the part of the plant, roots that
    /// were looked at and found clean. What was noted as a sign outranks what follows.
    /// </summary>
    public static IReadOnlyList<SeenSign> Of(Observation seen)
    {
        var noted = seen.Signs.Select(s => s.Sign).ToHashSet();
        return [.. seen.Signs, .. Implied(seen).Where(s => !noted.Contains(s.Sign))];
    }

    private static IEnumerable<SeenSign> Implied(Observation seen) =>
        Following
            .Parts.Where(p => p.Part == seen.Part)
            .Select(p => p.Sign)
            .Concat(seen.Ants.Climb() ? [Following.Ants] : [])
            .Select(s => new SeenSign(s, true))
            .Concat(seen.Roots == RootCheck.Clean ? Following.NotOnCleanRoots.Select(s => new SeenSign(s, false)) : []);
}
