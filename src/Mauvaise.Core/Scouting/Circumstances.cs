using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Scouting;

/// <summary>Something that speaks for a suspect (factor over 1) or against it.</summary>
/// <param name="Measured">By an instrument: it counts in full beside whatever else speaks.</param>
public sealed record Clue(string Code, double Factor, Said Said, bool Measured = false);

/// <summary>Where and when something was seen: what is known before any sign.</summary>
/// <param name="NorthernMonth">1 to 12 as the northern hemisphere counts.</param>
/// <param name="Local">What this garden adds, by target id: weather, neighbours, earlier names, sprays. Null for nowhere in particular.</param>
public sealed record Circumstances(Crop Crop, Shelter Shelter, int NorthernMonth, IReadOnlyDictionary<string, IReadOnlyList<Clue>>? Local = null)
{
    /// <summary>Weight of a host in the wrong season, against 1 in season (assumed).</summary>
    private const double OutOfSeason = 0.15;

    /// <summary>Weight of a cause on a crop that it is not known to live on: a list of hosts is never whole (assumed).</summary>
    private const double UnusualHere = 0.006;

    /// <summary>Weight of the name of a whole group, against that of a kind: for the kinds that are not listed (assumed).</summary>
    private const double OtherKind = 0.04;

    /// <summary>
    /// The garden's own clues hang together (mildew follows mildew, next to mildew, in mildew's weather), so all of them count no more than
    /// this, either way (assumed).
    /// </summary>
    private const double MostLocal = 5;

    /// <summary>How likely a target is before any sign, as a weight: its commonness times everything of <see cref="CluesFor"/>.</summary>
    public double PriorWeight(Target t)
    {
        var weight =
            t.Commonness
            * (
                t.IsGroup ? OtherKind
                : GardenCatalogue.IsHost(t, Crop) ? 1
                : UnusualHere
            )
            * (InSeason(t) ? 1 : OutOfSeason)
            * (Shelter == Shelter.Open ? 1 : t.UnderCoverFactor);
        var (local, measured) = (1.0, 1.0);
        foreach (var clue in Local?.GetValueOrDefault(t.Id) ?? [])
        {
            (local, measured) = clue.Measured ? (local, measured * clue.Factor) : (local * clue.Factor, measured);
        }

        return weight * Math.Clamp(local, 1 / MostLocal, MostLocal) * measured;
    }

    /// <summary>What speaks for and against a target before any sign.</summary>
    public IEnumerable<Clue> CluesFor(Target t)
    {
        if (!InSeason(t))
        {
            yield return new("season", OutOfSeason, Said.Of("scouting.earlyOrLateInTheYear"));
        }

        if (Shelter != Shelter.Open && Math.Abs(t.UnderCoverFactor - 1) > 0.01)
        {
            yield return new(
                "cover",
                t.UnderCoverFactor,
                t.UnderCoverFactor > 1 ? Said.Of("scouting.likesItUnderCover") : Said.Of("scouting.seldomUnderCover")
            );
        }

        if (!GardenCatalogue.IsHost(t, Crop))
        {
            yield return new("host", UnusualHere, Said.Of("scouting.notKnownToLive", ("crop", Fact.Thing(Crop.Name.InSentence()))));
        }

        foreach (var clue in Local?.GetValueOrDefault(t.Id) ?? [])
        {
            yield return clue;
        }
    }

    private bool InSeason(Target t) => Shelter == Shelter.Indoor || t.Season.Holds(NorthernMonth);
}
