using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>Every cause's two first signs on every crop: nothing that lives may be called no pest, and no wrong kind may be called for sure.</summary>
public static class NamingSweep
{
    private const double ForSure = 0.7;

    public static int Pairs(GardenCatalogue catalogue) => catalogue.Crops.Count * catalogue.Targets.Count(t => !t.IsGroup);

    /// <summary>A sentence for each fault.</summary>
    public static IReadOnlyList<string> Faults(GardenCatalogue catalogue)
    {
        var faults = new List<string>();
        foreach (var crop in catalogue.Crops)
        {
            foreach (var target in catalogue.Targets.Where(t => !t.IsGroup))
            {
                // The two that are likeliest under it, as somebody who sees it would tick them.
                var signs = target.Signs.OrderByDescending(s => s.Value).ThenBy(s => s.Key, StringComparer.Ordinal).Take(2).Select(s => s.Key).ToList();
                var ranking = SuspectRanker.Rank(
                    catalogue,
                    new Circumstances(crop, Shelter.Open, (target.Season.From + (target.Season.To - target.Season.From + 12) % 12 / 2 - 1) % 12 + 1),
                    [.. signs.Select(s => new SeenSign(s, true))]
                );
                var lead = ranking.Suspects[0];
                if (
                    signs.Exists(s => catalogue.FindSign(s)!.Living)
                    && ranking.Suspects.Where(s => s.Target is { Kind: TargetKind.LookAlike, Group: KnownIds.TargetGroups.LookAlikes }).Sum(s => s.Probability)
                        is var harmless
                            and >= 0.3
                )
                {
                    faults.Add(FormattableString.Invariant($"{string.Join(" and ", signs)} on {crop.Id} is no pest at {harmless:0.00} (of {target.Id})"));
                }

                if (
                    lead.Probability >= ForSure
                    && lead.Target.Id != target.Id
                    && lead.Target.NameGroup != target.NameGroup
                    && lead.Target.Group != target.Group
                    && !target.InseparableFrom.Contains(lead.Target.Id)
                )
                {
                    faults.Add(
                        FormattableString.Invariant(
                            $"{string.Join(" and ", signs)} on {crop.Id} is {lead.Target.Id} at {lead.Probability:0.00} and was {target.Id}"
                        )
                    );
                }
            }
        }

        return faults;
    }
}
