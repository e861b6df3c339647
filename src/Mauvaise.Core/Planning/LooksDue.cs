using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>Where leaves want to be turned over: because cards caught much, or because nobody looked for some days.</summary>
internal static class LooksDue
{
    /// <param name="visited">Plantings that somebody goes to this evening anyway.</param>
    public static IEnumerable<Deed> For(GardenSnapshot garden, HashSet<Guid> visited)
    {
        var stale = garden
            .Growing.Where(p => !visited.Contains(p.Id))
            .Select(p =>
                (Planting: p, Days: garden.LatestObservation(p.Id) is { } o ? (int?)(garden.Today.DayNumber - garden.Garden.DateOf(o.At).DayNumber) : null)
            )
            .Where(x => x.Days is null or >= WalkRhythm.Days)
            .ToList();
        var calling = CardsCall(garden, visited).ToList();
        if (calling.Count > 0)
        {
            yield return new Deed(
                DeedKind.Walk,
                Say.Of("planning.walkCards", ("list", string.Join(", ", calling.Select(c => c.Place.Name).Distinct()))),
                Say.Sentences([.. calling.Select(c => c.Sentence.Words)]),
                [.. calling.Select(c => new Reason("cards", c.Sentence))],
                [.. calling.SelectMany(c => garden.GrowingAt(c.Place)).Select(p => p.Id).Distinct()],
                null,
                null
            );
        }

        if (stale.Count > 0)
        {
            var longest = stale.Max(x => x.Days ?? 0);
            yield return new Deed(
                DeedKind.Walk,
                stale.Count > 3
                    ? Say.Of(
                        "planning.walkAndMore",
                        ("list", string.Join(", ", stale.Take(3).Select(x => garden.Where(x.Planting)))),
                        ("stale", stale.Count - 3)
                    )
                    : Say.Of("planning.walk", ("list", string.Join(", ", stale.Take(3).Select(x => garden.Where(x.Planting))))),
                stale.All(x => x.Days is null)
                    ? Say.Of(
                        "planning.nobodyHasLookedHereYetTurn",
                        ("minutes", WalkRound.Minutes(garden, stale.Select(x => x.Planting.PlaceId).Distinct().Count()))
                    )
                    : Say.Of(
                        "planning.lastLookedAtUpToAgo",
                        ("days", Say.Of("words.days", ("n", longest))),
                        ("minutes", WalkRound.Minutes(garden, stale.Select(x => x.Planting.PlaceId).Distinct().Count()))
                    ),
                [new("not-seen", Said.Of("planning.aWalkEveryDaysFindsThings", ("days", Fact.Days(WalkRhythm.Days))))],
                [.. stale.Select(x => x.Planting.Id)],
                null,
                null
            );
        }
    }

    /// <summary>Places whose sticky cards caught more than their line, and where nobody looked since.</summary>
    private static IEnumerable<(Place Place, Said Sentence)> CardsCall(GardenSnapshot garden, HashSet<Guid> visited) =>
        from place in garden.Places
        let grown = garden.GrowingAt(place).Where(p => !visited.Contains(p.Id)).ToList()
        where grown.Count > 0
        from kind in garden.Catalogue.Readings
        where kind.PerCard
        let read = garden.ReadingOf(place, kind)
        where read is not null && kind.StateOf(read.Value, null) == ReadingState.High
        where grown.Exists(p => garden.LatestObservation(p.Id) is not { } seen || seen.At < read.At)
        select (
            place,
            Said.Of(
                "planning.cardsCall",
                ("place", Fact.Thing(place.Name)),
                ("reading", Fact.Clause(Say.Remarked(kind.Name.InSentence(), kind.Told(read.Value))))
            )
        );
}
