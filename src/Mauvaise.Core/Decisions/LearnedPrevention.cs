using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Decisions;

/// <summary>What work before trouble kept off in this garden.</summary>
/// <param name="With">Plantings on which it held for half of their days at least.</param>
/// <param name="FoundWith">Of them with a find of what it is against, after it was done.</param>
/// <param name="Without">Plantings of the same crops, looked at as well, without it.</param>
/// <param name="FoundWithout">Of them with such a find.</param>
/// <param name="Share">What it is taken to keep off here, 0 to 1: the catalogue's figure, moved by these.</param>
public sealed record KeptOff(int With, int FoundWith, int Without, int FoundWithout, double Share)
{
    /// <summary>Enough plantings on both sides to have moved the figure.</summary>
    public bool IsOwn => With > 0 && Without > 0;
}

/// <summary>
/// The catalogue's share that a measure keeps off, held against plantings of the last year with and without it: the ratio of those on which the
/// trouble was found, on the logarithm, with a weight n/(n + 10) for n = with x without / (with + without) plantings (assumed).
/// </summary>
public sealed class LearnedPrevention
{
    /// <summary>So many plantings weigh as much as the catalogue.</summary>
    private const double CatalogueWeighs = 10;

    /// <summary>No work keeps off more, and none is said to bring trouble.</summary>
    private const double Most = 0.95;

    /// <summary>It held when it was good for this share of the days that the planting grew.</summary>
    private const double HeldShare = 0.5;

    private readonly Dictionary<string, KeptOff> known;

    private LearnedPrevention(GardenSnapshot garden) =>
        known = garden.Catalogue.Measures.Where(m => m.Prevents is not null).ToDictionary(m => m.Id, m => Weigh(garden, m, m.Prevents!));

    /// <summary>What is known of a measure that prevents something.</summary>
    public static KeptOff Of(GardenSnapshot garden, Measure measure)
    {
        ArgumentNullException.ThrowIfNull(measure);
        return garden.Remembered(g => new LearnedPrevention(g)).known[measure.Id];
    }

    private static KeptOff Weigh(GardenSnapshot garden, Measure measure, Prevention prevents)
    {
        int with = 0,
            foundWith = 0,
            without = 0,
            foundWithout = 0;
        foreach (var planting in garden.Plantings.Where(p => p.From <= garden.Today && IsOn(garden, prevents, p)))
        {
            var looks = garden.CountsOf(planting.Id).Where(o => o.At <= garden.Now && o.LeavesLooked > 0).ToList();
            if (looks.Count == 0)
            {
                continue;
            }

            var done = garden
                .Tasks.Where(t => t.PlantingId == planting.Id && t.Step == measure.Id && t.DoneAt is not null)
                .Select(t => t.DoneAt!.Value)
                .Order()
                .ToList();
            var held = done.Count > 0 && Held(garden, planting, measure, done);
            bool IsFind(Observation o) =>
                o.LeavesAffected > 0 && (!held || o.At > done[0]) && garden.Catalogue.FindTarget(o.Named ?? "") is { } target && prevents.IsAgainst(target);
            var found = looks.Exists(IsFind) ? 1 : 0;
            (with, foundWith, without, foundWithout) = held
                ? (with + 1, foundWith + found, without, foundWithout)
                : (with, foundWith, without + 1, foundWithout + found);
        }

        return new KeptOff(with, foundWith, without, foundWithout, Share(prevents.TakesOff, with, foundWith, without, foundWithout));
    }

    private static double Share(double usual, int with, int foundWith, int without, int foundWithout)
    {
        if (with == 0 || without == 0)
        {
            return usual;
        }

        var ratio = (foundWith + 0.5) / (with + 1) / ((foundWithout + 0.5) / (without + 1));
        var n = (double)with * without / (with + without);
        var weight = n / (n + CatalogueWeighs);
        return Math.Clamp(1 - Math.Exp((1 - weight) * Math.Log(1 - usual) + weight * Math.Log(ratio)), 0, Most);
    }

    private static bool IsOn(GardenSnapshot garden, Prevention prevents, Planting planting) =>
        garden.Catalogue.FindCrop(planting.Crop) is { } crop && prevents.IsOn(crop);

    private static bool Held(GardenSnapshot garden, Planting planting, Measure measure, List<DateTimeOffset> done)
    {
        var until = planting.Until is { } end && end < garden.Today ? end : garden.Today;
        var days = until.DayNumber - planting.From.DayNumber + 1;
        if (measure.Lasts is not { } lasts)
        {
            return until.DayNumber - garden.Garden.DateOf(done[0]).DayNumber >= HeldShare * days;
        }

        var good = 0;
        var last = int.MinValue;
        foreach (var from in done.Select(at => garden.Garden.DateOf(at).DayNumber))
        {
            good += Math.Max(0, Math.Min(from + lasts.Days, until.DayNumber + 1) - Math.Max(from, last));
            last = Math.Max(last, from + lasts.Days);
        }

        return good >= HeldShare * days;
    }
}
