using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>
/// Reads a finished plan and says which hard rules it breaks, from the catalogue's facts and the garden's records alone: nothing of
/// the planner, of the guards or of the ways is used here.
/// </summary>
public static class PlanChecker
{
    private sealed record Given(Guid PlaceId, Guid PlantingId, string Target, DateTimeOffset At, IReadOnlyList<Material> InTank, Material Active);

    /// <summary>A sentence for each rule that is broken.</summary>
    public static IReadOnlyList<string> Faults(GardenSnapshot garden, Rota rota)
    {
        var planned = rota
            .Rounds.Select(r => new Given(
                r.Place.Id,
                r.Planting.Id,
                r.Target.Id,
                r.Hours.From,
                Tank(garden, r.Recipe),
                garden.Catalogue.Material(r.Recipe.Active.Material)
            ))
            .ToList();
        var done = garden
            .Applications.Where(a => a.At <= garden.Now)
            .SelectMany(a =>
                a.Treated.Select(t => new Given(
                    garden.Plantings.First(p => p.Id == t.PlantingId).PlaceId,
                    t.PlantingId,
                    a.Target ?? "",
                    a.At,
                    garden.Batches.FirstOrDefault(b => b.Id == a.BatchId) is { } bottle
                        ? [.. bottle.Ingredients.Select(i => garden.Catalogue.Material(i.Material))]
                        : [garden.Catalogue.Material(a.Material)],
                    garden.Catalogue.Material(a.Material)
                ))
            )
            .ToList();
        var all = done.Concat(planned).OrderBy(g => g.At).ToList();
        return
        [
            .. planned.SelectMany(p => Alone(garden, p)),
            .. planned.SelectMany(p => all.Where(b => b != p && b.PlaceId == p.PlaceId && b.At <= p.At).SelectMany(b => Pair(garden, b, p))),
            .. Sums(garden, all, planned),
        ];
    }

    private static Material[] Tank(GardenSnapshot garden, Recipe recipe) => [.. recipe.Ingredients.Select(i => garden.Catalogue.Material(i.Material))];

    private static IEnumerable<string> Alone(GardenSnapshot garden, Given p)
    {
        var place = garden.Places.First(x => x.Id == p.PlaceId);
        if (place.PondDistanceM is { } pond && p.InTank.Any(m => m.KeepFromPondM > pond))
        {
            yield return $"{p.Active.Id} {pond} m from a pond";
        }

        if (garden.Garden.OnlyLabelled && p.Active is { Label: null, LabelOnly: false })
        {
            yield return $"{p.Active.Id} is not labelled";
        }

        var day = garden.Garden.DateOf(p.At);
        foreach (var pick in garden.Picks.Where(x => x.PlantingId == p.PlantingId && x.On >= day))
        {
            if (p.InTank.Any(m => m.DaysToWait is { } wait && pick.On < day.AddDays(wait)))
            {
                yield return $"{p.Active.Id} too near to picking";
            }
        }

        if (garden.Choices.Any(c => c.Word == PlanWord.Ban && c.PlantingId == p.PlantingId && c.Material == p.Active.Id))
        {
            yield return $"{p.Active.Id} was banned there";
        }

        foreach (
            var release in garden.Tasks.Where(t =>
                t is { Step: "release-helpers", DoneAt: not null } && garden.Plantings.First(x => x.Id == t.PlantingId).PlaceId == place.Id
            )
        )
        {
            var spared = garden.Catalogue.Helpers.FirstOrDefault(h => h.Id == release.Helper)?.Ordered?.SpareDays ?? 14;
            if (p.InTank.Any(m => m.HarmToHelpers >= 0.2) && day.DayNumber - garden.Garden.DateOf(release.DoneAt!.Value).DayNumber < spared)
            {
                yield return $"{p.Active.Id} on helpers that were let out";
            }
        }

        if (place.Shelter == Shelter.Open)
        {
            var from = garden.Weather.IndexOf(p.At);
            var rain = Enumerable.Range(from, Math.Max(1, (int)p.Active.RainFreeHours)).Sum(i => garden.Weather.AtOrUnknown(i).RainMm ?? 0);
            var hottest = Enumerable.Range(from, 6).Max(i => garden.Weather.AtOrUnknown(i).TemperatureC ?? -50);
            if (rain > 1)
            {
                yield return $"{p.Active.Id} with {rain:0.0} mm of rain within {p.Active.RainFreeHours} h";
            }

            if (hottest > p.Active.HeatNeverC)
            {
                yield return $"{p.Active.Id} at {hottest:0} C";
            }
        }
    }

    private static IEnumerable<string> Pair(GardenSnapshot garden, Given before, Given after)
    {
        var apart = (after.At - before.At).TotalDays;
        var (from, to) = (garden.Garden.DateOf(before.At), garden.Garden.DateOf(after.At));
        if (
            before.PlantingId == after.PlantingId
            && before.Target == after.Target
            && before.Active.Id == after.Active.Id
            && to.DayNumber - from.DayNumber < after.Active.Cadence.CurativeMinDays
        )
        {
            yield return $"{after.Active.Id} {to.DayNumber - from.DayNumber} days after the last";
        }

        if (before.Active.Id == after.Active.Id && after.Active.Label?.DaysBetween is { } interval && to.DayNumber - from.DayNumber < interval && from != to)
        {
            yield return $"{after.Active.Id} inside its label's interval";
        }

        // Oil and sulfur burn together; three weeks lie between them, a day less from an evening to a morning.
        var oil = before.InTank.Any(m => m.Load == LoadKind.Oil) && after.InTank.Any(m => m.Group == "sulfur");
        var sulfur = before.InTank.Any(m => m.Group == "sulfur") && after.InTank.Any(m => m.Load == LoadKind.Oil);
        if ((oil || sulfur) && apart < 3 * 7 - 1)
        {
            yield return $"{before.Active.Id} and {after.Active.Id} {apart:0.0} days apart";
        }
    }

    private static IEnumerable<string> Sums(GardenSnapshot garden, List<Given> all, List<Given> planned)
    {
        var season = garden.Garden.SeasonStart(garden.Today);
        foreach (var place in garden.Places)
        {
            var here = all.Where(g => g.PlaceId == place.Id && garden.Garden.DateOf(g.At) >= season).ToList();
            foreach (var limit in garden.Catalogue.Materials.Select(m => m.SeasonLimit).OfType<SeasonLimit>().DistinctBy(l => l.Together))
            {
                var times = here.Where(g => g.Active.SeasonLimit?.Together == limit.Together).Select(g => (g.At, g.Active.Id)).Distinct().Count();
                if (times > limit.Most && planned.Exists(p => p.PlaceId == place.Id && p.Active.SeasonLimit?.Together == limit.Together))
                {
                    yield return $"{limit.Together} {times} times at {place.Name}";
                }
            }

            foreach (var material in planned.Where(p => p.PlaceId == place.Id).Select(p => p.Active).DistinctBy(m => m.Id))
            {
                var times = here.Where(g => g.Active.Id == material.Id).Select(g => g.At).Distinct().Count();
                if (material.Label?.MaxTimes is { } most && times > most)
                {
                    yield return $"{material.Id} {times} times, its label allows {most}";
                }
            }
        }
    }
}
