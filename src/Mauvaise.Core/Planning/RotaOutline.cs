using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Planning;

/// <summary>The season beyond the fortnight, by weeks: rounds that reach into it, and upkeep of places that keep ahead, group after group.</summary>
internal static class RotaOutline
{
    private const int UsualUpkeepDays = 10;

    /// <summary>The season ends with this many weeks at the most.</summary>
    private const int MostWeeks = 26;

    public static IReadOnlyList<OutlineEntry> Of(GardenSnapshot garden, IReadOnlyList<PlannedRound> rounds)
    {
        var from = garden.Today.AddDays(RotaPlanner.FirmDays);
        var to = from.AddDays(7 * MostWeeks);
        return
        [
            .. Running(garden, rounds, from)
                .Concat(garden.Growing.SelectMany(p => Upkeep(garden, p, rounds, from, to)))
                .OrderBy(e => e.WeekOf)
                .ThenBy(e => e.Place.Order)
                .ThenBy(e => e.Target.Id, StringComparer.Ordinal),
        ];
    }

    private static IEnumerable<OutlineEntry> Running(GardenSnapshot garden, IReadOnlyList<PlannedRound> rounds, DateOnly beyond) =>
        from last in rounds.GroupBy(r => (r.Planting.Id, r.Target.Id)).Select(g => g.MaxBy(r => r.Round)!)
        let material = garden.Catalogue.Material(last.Recipe.Active.Material)
        from k in Enumerable.Range(1, Math.Max(0, last.Rounds - last.Round))
        let day = last.On.AddDays(k * material.Cadence.CurativeMaxDays)
        where day >= beyond
        select new OutlineEntry(Week(day), last.Place, last.Target, material, last.Kind);

    /// <summary>Upkeep against the likeliest disease in its months, each time with the next group, inside season limits and while the crop stands.</summary>
    private static IEnumerable<OutlineEntry> Upkeep(GardenSnapshot garden, Planting planting, IReadOnlyList<PlannedRound> rounds, DateOnly from, DateOnly to)
    {
        var place = garden.PlaceOf(planting);
        if (garden.StanceAt(place) != Stance.KeepAhead)
        {
            yield break;
        }

        var crop = garden.Catalogue.Crop(planting.Crop);
        var target = garden
            .Catalogue.TargetsOn(crop)
            .Select(t => t.Target)
            .Where(t => t is { Kind: TargetKind.Disease, NoSpray: false, Disease: not null })
            .OrderByDescending(t => t.Commonness)
            .ThenBy(t => t.Id, StringComparer.Ordinal)
            .FirstOrDefault();
        if (target is null)
        {
            yield break;
        }

        var materials = MaterialChoice
            .Options(garden, planting, target)
            .Where(o => o.Recipe.Form == Form.Spray && o.Material.EffectOn(target)!.Protects >= CoverCurve.Floor(Stance.WatchAndTreat))
            .OrderByDescending(o => o.Score)
            .ThenBy(o => o.Material.Id, StringComparer.Ordinal)
            .Select(o => o.Material)
            .DistinctBy(m => m.Group)
            .ToList();
        if (materials.Count == 0)
        {
            yield break;
        }

        var left = materials.Select(m => m.SeasonLimit).OfType<SeasonLimit>().DistinctBy(l => l.Together).ToDictionary(l => l.Together, l => l.Most / 2);
        var end = CropLife.DaysToEnd(garden, planting) is { } days ? garden.Today.AddDays(days) : DateOnly.MaxValue;
        var last = rounds.Where(r => r.Planting.Id == planting.Id).Select(r => (DateOnly?)r.On).Max();
        var on = last?.AddDays(UsualUpkeepDays) is { } next && next > from ? next : from;
        for (var turn = 0; on < to && on <= end; turn++)
        {
            var material = Enumerable
                .Range(0, materials.Count)
                .Select(k => materials[(turn + k) % materials.Count])
                .FirstOrDefault(m => m.SeasonLimit is not { } limit || left[limit.Together] > 0);
            if (material is null)
            {
                yield break;
            }

            if (target.Season.Holds(garden.Garden.NorthernMonth(on)))
            {
                yield return new OutlineEntry(Week(on), place, target, material, NeedKind.Protect);
                if (material.SeasonLimit is { } limit)
                {
                    left[limit.Together]--;
                }
            }

            on = on.AddDays(material.Cadence.UpkeepMaxDays ?? UsualUpkeepDays);
        }
    }

    /// <summary>Monday of the week.</summary>
    private static DateOnly Week(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));
}
