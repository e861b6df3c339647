using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>A day of the plan: the sky above it, and the work below.</summary>
/// <param name="WarmestC">Outdoors; null where it is not known.</param>
/// <param name="RainMm">Null where it is not known.</param>
/// <param name="GoodHours">Hours in which a soap may go on outdoors; null where they are not known.</param>
/// <param name="Minutes">Of all that is planned for it, to five minutes; 0 for nothing.</param>
public sealed record RotaDay(DateOnly On, double? WarmestC, double? RainMm, int? GoodHours, int Minutes)
{
    private const int MinutesStep = 5;

    /// <summary>"3 outings, 5 tanks, 2 h 40 min with all looking."; empty where nothing is sprayed.</summary>
    public static string InShort(GardenSnapshot garden, Rota rota)
    {
        ArgumentNullException.ThrowIfNull(rota);
        if (rota.Outings.Count == 0)
        {
            return "";
        }

        var minutes = Of(garden, rota).Sum(d => d.Minutes);
        var time = minutes < 60 ? Say.Of("planning.min", ("minutes", minutes)) : Say.Of("planning.hMin", ("minutes", minutes / 60), ("minutes2", minutes % 60));
        return Say.Of(
            "planning.withAllLooking",
            ("some", Say.Of("words.outings", ("n", rota.Outings.Count))),
            ("some2", Say.Of("words.tanks", ("n", rota.Outings.Sum(o => o.Tanks.Count)))),
            ("time", time)
        );
    }

    /// <summary>The firm days of a plan.</summary>
    public static IReadOnlyList<RotaDay> Of(GardenSnapshot garden, Rota rota)
    {
        ArgumentNullException.ThrowIfNull(garden);
        ArgumentNullException.ThrowIfNull(rota);
        if (garden.Places.Count == 0)
        {
            return [];
        }

        // Beds share their weather and differ by what flowers there: the best of them tells the hours.
        var open = garden.Places.Where(p => p.Shelter == Shelter.Open).ToList();
        var skies = (open.Count > 0 ? open : [garden.Places[0]]).Select(garden.PlannedSkyOf).Distinct().ToList();
        var soap = garden.Catalogue.Material(KnownIds.Materials.InsecticidalSoap);
        return [.. Enumerable.Range(0, rota.FirmTo.DayNumber - rota.From.DayNumber + 1).Select(i => Day(garden, rota, skies, soap, rota.From.AddDays(i)))];
    }

    private static RotaDay Day(GardenSnapshot garden, Rota rota, List<PlaceSky> skies, Material soap, DateOnly on)
    {
        var sky = skies[0];
        DateTimeOffset from = garden.Garden.StartOf(on),
            to = garden.Garden.StartOf(on.AddDays(1));
        var hours = Enumerable
            .Range(sky.IndexOf(from), sky.IndexOf(to) - sky.IndexOf(from))
            .Where(i => i >= 0 && i < sky.Count)
            .Select(i => sky.Hour(i))
            .Where(h => h.IsComplete)
            .ToList();
        var known = hours.Count > 0;
        var work =
            rota.Outings.Where(o => o.On == on).Sum(o => o.Tanks.Sum(t => WorkTime.OfTank(t.Litres)) + o.Tasks.Sum(t => OfTask(garden, t)))
            + rota.Patches.Count(p => p.On == on) * WorkTime.OfTank(0)
            + rota.Visits.Count(v => v.On == on) * WorkTime.OfCheckBack
            + rota.Walks.Where(w => w.On == on).Sum(w => w.Plantings.Select(p => p.PlaceId).Distinct().Count()) * garden.Learned.MinutesAPlace;
        return new RotaDay(
            on,
            known ? hours.Max(h => h.TemperatureC) : null,
            known ? hours.Sum(h => h.RainMm ?? 0) : null,
            known ? skies.Max(s => SprayHours.Verdicts(s, from, to, soap).Count(v => v == Verdict.Good)) : null,
            (int)Math.Ceiling(work / MinutesStep) * MinutesStep
        );
    }

    private static double OfTask(GardenSnapshot garden, GardenTask task) =>
        garden.FindPlanting(task.PlantingId) is { } planting && garden.Catalogue.FindMeasure(task.Step) is { } measure
            ? WorkTime.OfHands(garden, planting, measure, null)
            : 0;
}
