using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Scouting;

/// <summary>A trouble worth looking for on a planting now.</summary>
/// <param name="Share">Its share of all troubles that live on the crop, before any sign.</param>
/// <param name="Why">What makes it likelier than usual, strongest first.</param>
public sealed record WatchFor(Target Target, double Share, IReadOnlyList<Said> Why);

/// <summary>A planting on the round.</summary>
/// <param name="LastLook">The most affected trouble of the latest look; null when nobody looked yet.</param>
/// <param name="Trend">Of the trouble last named, over the last weeks; null when there is none.</param>
public sealed record PlantingStop(Planting Planting, Observation? LastLook, Trend? Trend, ActionLine Line, IReadOnlyList<WatchFor> Watch);

/// <summary>A place on the round, with what moved it up or down.</summary>
public sealed record PlaceStop(Place Place, double Urgency, IReadOnlyList<Said> Why, IReadOnlyList<PlantingStop> Plantings);

/// <summary>A part of the round for who has not the time for all of it: the places that matter most.</summary>
public sealed record WalkPart(int Minutes, IReadOnlyList<Guid> PlaceIds);

/// <summary>
/// The order of a round. Places that were not seen for long, were skipped, had something near its line or have the weather for
/// it come first; places with a disease that hands and sleeves carry come last. All weights are assumed.
/// </summary>
public static class WalkRound
{
    private const int WatchCount = 2;

    /// <summary>A second trouble is worth a look from this share on.</summary>
    private const double WorthALook = 0.12;

    private const double SkippedWeight = 0.6;
    private const double TroubleWeight = 0.7;
    private const double PressureWeight = 0.8;

    /// <summary>Places that are no further apart than this matter as much (assumed).</summary>
    private const double SameUrgency = 0.5;

    /// <summary>A disease seen this many days back still sends its place to the end of the round.</summary>
    private const int CarriedDays = 10;

    /// <summary>A trend looks this far back.</summary>
    private const int TrendDays = 21;

    /// <summary>The count that led to a spray belongs to what came after it.</summary>
    private const double SameDay = 1;

    public static IReadOnlyList<PlaceStop> Plan(GardenSnapshot garden)
    {
        var skipped = garden.Walks.LastOrDefault(w => !w.IsOpen(garden.Now))?.SkippedPlaceIds ?? [];
        return
        [
            .. garden
                .Growing.GroupBy(p => p.PlaceId)
                .Select(g => Stop(garden, garden.PlaceOf(g.First()), [.. g], skipped.Contains(g.Key)))
                .OrderBy(x => x.Carries)
                .ThenByDescending(x => Math.Round(x.Stop.Urgency, 6))
                .ThenBy(x => x.Stop.Place.Order)
                .GroupBy(x => (x.Carries, Band: Math.Floor(x.Stop.Urgency / SameUrgency)))
                .Aggregate(new List<PlaceStop>(), (way, band) => [.. way, .. Nearest(way.LastOrDefault()?.Place, [.. band.Select(x => x.Stop)])]),
        ];
    }

    /// <summary>Among what matters as much, each place is the next one from the last, where the plan of the beds says where they lie.</summary>
    private static IEnumerable<PlaceStop> Nearest(Place? from, List<PlaceStop> stops)
    {
        while (stops.Count > 0)
        {
            var next = stops.MinBy(s => from?.DistanceM(s.Place) ?? 0)!;
            stops.Remove(next);
            from = next.Place;
            yield return next;
        }
    }

    /// <summary>Minutes that a walk past so many places takes, as this garden has shown.</summary>
    public static int Minutes(GardenSnapshot garden, int places) => (int)Math.Ceiling(places * garden.Learned.MinutesAPlace);

    /// <summary>Parts of a round that are shorter than all of it, the shortest first.</summary>
    public static IReadOnlyList<WalkPart> Parts(GardenSnapshot garden, IReadOnlyList<PlaceStop> round)
    {
        var urgent = round.OrderByDescending(s => s.Urgency).ThenBy(s => s.Place.Order).Select(s => s.Place.Id).ToList();
        return
        [
            .. OfferedMinutes
                .Where(m => m < Minutes(garden, round.Count))
                .Select(m => new WalkPart(m, [.. urgent.Take(Math.Max(1, (int)(m / garden.Learned.MinutesAPlace)))])),
        ];
    }

    private static readonly int[] OfferedMinutes = [5, 10, 15, 30];

    /// <summary>Trend of a trouble on a planting: looks that named it and clean looks, three weeks back or since the last spray there.</summary>
    /// <param name="also">An observation without that name that counts too, because it is being named.</param>
    public static Trend? TrendOf(GardenSnapshot garden, Guid plantingId, string? target, Observation? also = null)
    {
        var since =
            garden.LastSpray(plantingId) is { } spray && spray.At > garden.Now.AddDays(-TrendDays)
                ? spray.At.AddDays(-SameDay)
                : garden.Now.AddDays(-TrendDays);
        // Shares of leaves and of fruits are no series.
        var on = garden.CountsOf(plantingId).LastOrDefault(o => o.At <= garden.Now && o.LeavesLooked > 0)?.On ?? CountedOn.Leaves;
        return Trends.Of([
            .. garden
                .CountsOf(plantingId)
                .Where(o =>
                    o.At > since
                    && o.At <= garden.Now
                    && o.LeavesLooked > 0
                    && o.On == (also?.On ?? on)
                    && (o.Named == target || o.Id == also?.Id || (o.Named is null && o.LeavesAffected == 0))
                )
                .Select(o => new CountAt((o.At - since).TotalDays, o.LeavesLooked, o.LeavesAffected)),
        ]);
    }

    private static (PlaceStop Stop, bool Carries) Stop(GardenSnapshot garden, Place place, IReadOnlyList<Planting> plantings, bool skipped)
    {
        var sky = garden.SkyOf(place);
        var why = new List<Said>();
        var stops = plantings.Select(p => Stop(garden, p, sky)).ToList();
        var days = stops.Max(s => s.LastLook is { } o ? garden.Today.DayNumber - garden.Garden.DateOf(o.At).DayNumber : int.MaxValue);
        // A look as old as the rhythm weighs 1; twice that is the most it weighs.
        var urgency = Math.Min(2, days / (double)WalkRhythm.Days);
        why.Add(
            days switch
            {
                int.MaxValue => Said.Of("scouting.nobodyLookedYet"),
                0 => Said.Of("scouting.seenToday"),
                1 => Said.Of("scouting.seenYesterday"),
                _ => Said.Of("scouting.lastSeenDaysAgo", ("days", Fact.Days(days))),
            }
        );
        if (skipped)
        {
            urgency += SkippedWeight;
            why.Add(Said.Of("scouting.skippedOnTheLastWalk"));
        }

        if (
            stops.Where(s => s.LastLook is { LeavesAffected: > 0 } o && o.Incidence >= s.Line.Share / 2).MaxBy(s => s.LastLook!.Incidence) is
            { LastLook: { Incidence: { } share } trouble }
        )
        {
            urgency += TroubleWeight;
            var name = trouble.Named is { } id && garden.Catalogue.FindTarget(id) is { } t ? t.Name.InSentence() : Say.Of("scouting.somethingUnnamed");
            why.Add(
                Said.Of(
                    "scouting.onOfThingsLastTime",
                    ("name", Fact.Thing(name)),
                    ("incidence", Fact.Percent(share * 100)),
                    ("things", Fact.Thing(Say.Word(trouble.On)))
                )
            );
        }

        if (stops.SelectMany(s => s.Watch).Where(w => w.Why.Count > 0).MaxBy(w => w.Share) is { } watch)
        {
            urgency += PressureWeight * watch.Share;
            why.Add(Said.Of("scouting.lookFor", ("target", Fact.Thing(watch.Target.Name.InSentence())), ("why", Fact.Clause(watch.Why[0]))));
        }

        var carried = stops
            .Select(s => s.LastLook)
            .FirstOrDefault(o =>
                o is { LeavesAffected: > 0, Named: { } id }
                && o.At > garden.Now.AddDays(-CarriedDays)
                && garden.Catalogue.FindTarget(id)?.Disease is { SpreadsBy: "splash" or "wind" }
            );
        if (carried is not null)
        {
            why.Insert(0, Said.Of("scouting.lastHandsAndSleevesCarry", ("target", Fact.Thing(garden.Catalogue.Target(carried.Named!).Name.InSentence()))));
        }

        var apart = plantings.FirstOrDefault(p => p.IsApart(garden.Today));
        if (apart is not null)
        {
            why.Insert(
                0,
                Said.Of(
                    "scouting.lastKeptApart",
                    ("crop", Fact.Thing(garden.Catalogue.Crop(apart.Crop).Name.InSentence())),
                    ("date", Fact.Day(apart.ApartUntil!.Value))
                )
            );
        }

        return (new PlaceStop(place, urgency, why, stops), carried is not null || apart is not null);
    }

    private static PlantingStop Stop(GardenSnapshot garden, Planting planting, PlaceSky sky)
    {
        var where = LocalClues.At(garden, planting, sky);
        var last = garden.LatestObservation(planting.Id);
        var named = last?.Named is { } id ? garden.Catalogue.FindTarget(id) : null;
        var likely = garden
            .Catalogue.TargetsOn(where.Crop)
            .Where(t => t.Target.Kind != TargetKind.LookAlike)
            .Select(t => (t.Target, Weight: where.PriorWeight(t.Target)))
            .OrderByDescending(x => x.Weight)
            .ThenBy(x => x.Target.Id, StringComparer.Ordinal)
            .ToList();
        var total = likely.Sum(x => x.Weight);
        var watched = likely.Take(WatchCount).Where((x, i) => i == 0 || x.Weight / total >= WorthALook);
        return new PlantingStop(
            planting,
            last,
            last is { LeavesAffected: > 0 } ? TrendOf(garden, planting.Id, last.Named) : null,
            ActionLine.At(garden, planting, named, last?.On ?? CountedOn.Leaves),
            [
                .. watched.Select(x => new WatchFor(
                    x.Target,
                    x.Weight / total,
                    [.. where.CluesFor(x.Target).Where(c => c.Factor > 1.1).OrderByDescending(c => c.Factor).Select(c => c.Said)]
                )),
            ]
        );
    }
}
