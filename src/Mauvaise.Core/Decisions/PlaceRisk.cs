using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Decisions;

/// <summary>How much more or less of a trouble comes to a planting than the weather alone says.</summary>
/// <param name="Factor">1 for neither.</param>
/// <param name="Why">What moves it, as clauses.</param>
public sealed record PlaceRisk(double Factor, IReadOnlyList<string> Why)
{
    /// <summary>A bed with so many hours of sun, and so many plants on a square metre, is an ordinary one (assumed).</summary>
    private const double OrdinarySunHours = 6, OrdinaryPlantsPerM2 = 4;

    /// <summary>What an hour of sun more dries, and what twice the plants keep wet (assumed).</summary>
    private const double AnHourOfSun = 0.05, TwiceThePlants = 0.1;

    /// <summary>The risk of a planting: shade and crowding for diseases that want wet leaves, and what was done before trouble and holds.</summary>
    public static PlaceRisk Of(GardenSnapshot garden, Planting planting, Target target)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var place = garden.PlaceOf(planting);
        var parts = new List<(double Factor, string Why)>();
        if (target.Disease is { WetHoursAtOptimum: not null })
        {
            if (place.Shelter == Shelter.Open)
            {
                var sun = Math.Clamp(1 + AnHourOfSun * (OrdinarySunHours - place.SunHours), 0.8, 1.3);
                parts.Add((sun, FormattableString.Invariant($"{place.SunHours:0.#} hours of sun")));
            }

            if (planting.Count is { } count && garden.AreaOf(planting) is > 0 and var area)
            {
                var crowding = count / area / OrdinaryPlantsPerM2;
                parts.Add((Math.Clamp(1 + TwiceThePlants * (crowding - 1), 0.9, 1.2), crowding > 1 ? "crowded" : "well spaced"));
            }
        }

        parts.AddRange(Held(garden, planting).Where(m => m.Prevents!.IsAgainst(target)).Select(m => (1 - m.Prevents!.TakesOff, m.Name.ToLowerInvariant())));
        return new PlaceRisk(parts.Aggregate(1.0, (f, p) => f * p.Factor), [.. parts.Where(p => Math.Abs(p.Factor - 1) > 0.01).Select(p => p.Why)]);
    }

    /// <summary>What was done before trouble at a planting this season, and still holds.</summary>
    public static IEnumerable<Measure> Held(GardenSnapshot garden, Planting planting) =>
        from last in garden.Tasks.Where(t => t.PlantingId == planting.Id).GroupBy(t => t.Step).Select(g => g.MaxBy(t => t.DoneAt ?? DateTimeOffset.MinValue)!)
        where last is { State: TaskState.Done, DoneAt: not null } && garden.Garden.DateOf(last.DoneAt.Value) >= garden.Garden.SeasonStart(garden.Today)
        let measure = garden.Catalogue.FindMeasure(last.Step)
        where measure?.Prevents is not null && Wearing.Holds(garden, planting, measure, last.DoneAt!.Value)
        select measure;
}
