using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>What was last in a sprayer, and whether it has to be rinsed out before something else goes in.</summary>
public static class Rinsing
{
    /// <summary>A sprayer is taken to have been washed out after so many days (assumed).</summary>
    private const int ForgottenAfterDays = 60;

    /// <summary>A sentence where what was in it last may not meet what goes in now; null where it does no harm.</summary>
    /// <param name="inMix">All that goes in now.</param>
    public static string? First(GardenSnapshot garden, Sprayer? sprayer, IReadOnlyList<Material> inMix)
    {
        if (
            sprayer is null
            || garden.Batches.LastOrDefault(b => b.SprayerId == sprayer.Id && b.MadeAt <= garden.Now && b.MadeAt > garden.Now.AddDays(-ForgottenAfterDays))
                is not { } last
        )
        {
            return null;
        }

        var clash = (
            from before in last.Ingredients.Select(i => garden.Catalogue.FindMaterial(i.Material)).OfType<Material>()
            from now in inMix
            let pair = Pairs.Between(garden.Catalogue, now, before)
            where pair.InOneTank == "never" || pair.DaysApart > 0
            select (before, now, pair.Why)
        ).FirstOrDefault();
        return clash.before is null
            ? null
            : Say.Of(
                "mixing.theHeldOnRinseItTwice",
                ("sprayer", sprayer.Name),
                ("before", clash.before.Name.InSentence()),
                ("date", Say.In(garden.Garden.DateOf(last.MadeAt), "d MMMM")),
                ("why", clash.Why)
            );
    }
}
