using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>Check-backs and walks, on days on which somebody is free.</summary>
internal static class RotaVisits
{
    /// <summary>A walk goes along with an outing that is so many days sooner or later (assumed).</summary>
    private const int SoonerDays = 2,
        LaterDays = 1;

    /// <summary>Leaves are looked at by daylight, by the local clock (assumed).</summary>
    private const int LightFrom = 7,
        LightTo = 20;

    /// <summary>What is not free within a week is left on its day.</summary>
    private const int WaitDays = 7;

    /// <summary>Check-backs that are open, and those of the rounds that are planned.</summary>
    public static IReadOnlyList<PlannedVisit> CheckBacks(GardenSnapshot garden, IEnumerable<PlannedRound> rounds) =>
        [
            .. garden
                .CheckBacks.Where(c => c.DoneAt is null && garden.FindPlanting(c.PlantingId) is { } p && p.GrowsOn(garden.Today))
                .Select(c => new PlannedVisit(FreeFrom(garden, c.DueOn), garden.FindPlanting(c.PlantingId)!, Say.Of("planning.checkBack2"), c.Id))
                .Concat(
                    rounds.Select(r => new PlannedVisit(
                        FreeFrom(garden, r.On.AddDays(CheckBackDay.DaysAfter(garden.Catalogue.Material(r.Recipe.Active.Material), r.Target))),
                        r.Planting,
                        Say.Of("planning.checkBack3", ("recipe", r.Recipe.Name.InSentence())),
                        null
                    ))
                )
                .OrderBy(v => v.On),
        ];

    /// <summary>One walk for all that is due about then: with an outing where one is near, else on the first free day.</summary>
    public static IReadOnlyList<PlannedWalk> Walks(GardenSnapshot garden, IReadOnlyList<DateOnly> outings)
    {
        var walks = new List<PlannedWalk>();
        var waiting = garden
            .Growing.Select(p =>
                (Planting: p, Due: garden.LatestObservation(p.Id) is { } o ? garden.Garden.DateOf(o.At).AddDays(WalkRhythm.Days) : garden.Today)
            )
            .Select(x => (x.Planting, Due: Later(x.Due, garden.Today)))
            .OrderBy(x => x.Due)
            .ToList();
        while (waiting is [var (_, due), ..])
        {
            var on = outings
                .Where(o => o >= due.AddDays(-SoonerDays) && o <= due.AddDays(LaterDays))
                .OrderBy(o => Math.Abs(o.DayNumber - due.DayNumber))
                .ThenBy(o => o)
                .Select(o => (DateOnly?)o)
                .FirstOrDefault()
                ?? FreeFrom(garden, due);
            var together = Later(on, due).AddDays(SoonerDays);
            walks.Add(new PlannedWalk(on, [.. waiting.Where(x => x.Due <= together).Select(x => x.Planting)]));
            waiting.RemoveAll(x => x.Due <= together);
        }

        return walks;
    }

    /// <summary>The first day from a day on, and from today on, on which somebody is free by daylight.</summary>
    private static DateOnly FreeFrom(GardenSnapshot garden, DateOnly day)
    {
        var from = Later(day, garden.Today);
        return Enumerable.Range(0, WaitDays).Select(from.AddDays).Where(d => IsFree(garden, d)).Select(d => (DateOnly?)d).FirstOrDefault() ?? from;
    }

    private static bool IsFree(GardenSnapshot garden, DateOnly day) =>
        garden.Garden.Free is not { } free
        || Enumerable
            .Range(LightFrom, LightTo - LightFrom)
            .Select(h => garden.Garden.Zone.At(day, h))
            .Any(h => h.AddHours(1) > garden.Now && free.Holds(garden.Garden.Zone.Local(h)));

    private static DateOnly Later(DateOnly a, DateOnly b) => a > b ? a : b;
}
