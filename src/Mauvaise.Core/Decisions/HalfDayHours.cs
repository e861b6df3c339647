using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;

namespace Mauvaise.Core.Decisions;

/// <summary>The hours of one half of a day in which a material may go on at a place.</summary>
/// <param name="Known">The weather of these hours is known; otherwise they are the usual ones, and the weather has the last word.</param>
public sealed record SlotHours(DateTimeOffset From, DateTimeOffset To, Verdict Verdict, bool Known);

/// <summary>Hours by place, material and half day. Worked out once each.</summary>
public sealed class HalfDayHours(GardenSnapshot garden, int days)
{
    /// <summary>Usual hours where no weather is known, by the local clock (assumed).</summary>
    private const int MorningFrom = 6,
        MorningTo = 9,
        EveningFrom = 18,
        EveningTo = 21;

    private readonly Dictionary<(Guid Place, string Material), SlotHours?[]> known = [];

    /// <summary>By slot; null where it can not go on.</summary>
    public SlotHours?[] Of(Place place, Material material)
    {
        if (!known.TryGetValue((place.Id, material.Id), out var slots))
        {
            known[(place.Id, material.Id)] = slots = Find(place, material);
        }

        return slots;
    }

    private SlotHours?[] Find(Place place, Material material)
    {
        var sky = garden.PlannedSkyOf(place);
        var slots = new SlotHours?[2 * days];
        var start = HourSeries.WholeHour(garden.Now);
        var verdicts = SprayHours.Verdicts(sky, start, garden.Garden.StartOf(garden.Today.AddDays(days)), material);
        var first = Math.Clamp(sky.IndexOf(start), 0, sky.Count);
        for (var slot = 0; slot < slots.Length; slot++)
        {
            var (from, to) = Half(slot);
            slots[slot] = Best(sky, verdicts, first, from > start ? from : start, to) ?? Usual(sky, from > start ? from : start, slot);
        }

        return slots;
    }

    private DayHalf HalfOf(int slot) => new(garden.Today.AddDays(slot / 2), slot % 2 == 0);

    private (DateTimeOffset From, DateTimeOffset To) Half(int slot) => HalfOf(slot).Hours(garden.Garden.Zone);

    /// <summary>The longest run of good hours, else of poor ones; null when there is none.</summary>
    private static SlotHours? Best(PlaceSky sky, Verdict[] verdicts, int first, DateTimeOffset from, DateTimeOffset to)
    {
        SlotHours? best = null;
        foreach (var wanted in new[] { Verdict.Good, Verdict.Poor })
        {
            int begin = Math.Max(0, sky.IndexOf(from) - first),
                end = Math.Min(verdicts.Length, sky.IndexOf(to) - first),
                run = 0,
                longest = 0;
            for (var i = begin; i < end; i++)
            {
                // Where bees leave a part of an hour alone, a run ends or begins within it.
                var joins = run > 0 && sky.Open(first + i).From == 0 && sky.Open(first + i - 1).To == 60;
                run =
                    verdicts[i] != wanted ? 0
                    : joins ? run + 1
                    : 1;
                if (run > longest)
                {
                    longest = run;
                    best = new SlotHours(From(first + i - run + 1), To(first + i), wanted, true);
                }
            }

            if (best is not null)
            {
                return best;
            }
        }

        return null;

        DateTimeOffset From(int i) => sky.At(i).AddMinutes(sky.Open(i) is { IsNone: false } open ? open.From : 0);
        DateTimeOffset To(int i) => sky.At(i).AddMinutes(sky.Open(i) is { IsNone: false } open ? open.To : 60);
    }

    /// <summary>The usual hours when nothing is known of this half day and somebody is free; null otherwise.</summary>
    private SlotHours? Usual(PlaceSky sky, DateTimeOffset earliest, int slot)
    {
        var (from, to) = Half(slot);
        for (var i = sky.IndexOf(from); i < sky.IndexOf(to); i++)
        {
            if (i >= 0 && i < sky.Count && sky.Hour(i).IsComplete)
            {
                return null;
            }
        }

        var half = HalfOf(slot);
        var place = sky.Place;
        var (usualFrom, usualTo) = half.IsMorning ? (MorningFrom, MorningTo) : (EveningFrom, EveningTo);
        if (place is { CropInFlower: true, Shelter: not Shelter.Indoor } && !(place.FlowersCloseAtHour <= usualFrom))
        {
            return WhileBeesAreHome(from, to, earliest);
        }

        var hours = Enumerable
            .Range(usualFrom, usualTo - usualFrom)
            .Select(h => garden.Garden.Zone.At(half.Day, h))
            .Where(h => h >= earliest && IsFree(h))
            .ToList();
        return hours.Count == 0 ? null : new SlotHours(hours[0], hours[^1].AddHours(1), Verdict.Poor, false);
    }

    private bool IsFree(DateTimeOffset hour) => garden.Garden.Free?.Holds(garden.Garden.Zone.Local(hour)) ?? true;

    /// <summary>On open flowers in unknown weather: only while the sun is surely down, and there is light.</summary>
    private SlotHours? WhileBeesAreHome(DateTimeOffset from, DateTimeOffset to, DateTimeOffset earliest)
    {
        var dusk = new List<(DateTimeOffset From, DateTimeOffset To)>();
        for (var hour = HourSeries.WholeHour(from); hour < to; hour = hour.AddHours(1))
        {
            if (hour >= earliest && IsFree(hour) && Sun.BeeFreeLight(garden.Garden.Latitude, garden.Garden.Longitude, hour) is { IsNone: false } open)
            {
                dusk.Add((hour.AddMinutes(open.From), hour.AddMinutes(open.To)));
            }
        }

        return dusk.Count == 0
            ? null
            : new SlotHours(dusk[0].From, dusk.TakeWhile((d, i) => i == 0 || d.From == dusk[i - 1].To).Last().To, Verdict.Poor, false);
    }
}
