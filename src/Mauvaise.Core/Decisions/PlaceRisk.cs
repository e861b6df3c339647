using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Decisions;

/// <summary>How much more or less of a trouble comes to a planting than the weather alone says.</summary>
public static class PlaceRisk
{
    /// <summary>A bed with so many hours of sun, and so many plants on a square metre, is an ordinary one (assumed).</summary>
    private const double OrdinarySunHours = 6,
        OrdinaryPlantsPerM2 = 4;

    /// <summary>What an hour of sun more dries, and what twice the plants keep wet (assumed).</summary>
    private const double AnHourOfSun = 0.05,
        TwiceThePlants = 0.1;

    /// <summary>
    /// The risk of a planting against an ordinary one, 1: more by shade and crowding for diseases that want wet leaves, less by what was done
    /// before trouble and holds.
    /// </summary>
    public static double Of(GardenSnapshot garden, Planting planting, Target target)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var wet = target.Disease is { WetHoursAtOptimum: not null } ? Shade(garden.PlaceOf(planting)) * Crowding(garden, planting) : 1;
        return Held(garden, planting).Where(m => m.Prevents!.IsAgainst(target)).Aggregate(wet, (risk, m) => risk * (1 - LearnedPrevention.Of(garden, m).Share));
    }

    private static double Shade(Place place) => place.Shelter == Shelter.Open ? Math.Clamp(1 + AnHourOfSun * (OrdinarySunHours - place.SunHours), 0.8, 1.3) : 1;

    private static double Crowding(GardenSnapshot garden, Planting planting) =>
        planting.Count is { } count && garden.AreaOf(planting) is > 0 and var area
            ? Math.Clamp(1 + TwiceThePlants * (count / area / OrdinaryPlantsPerM2 - 1), 0.9, 1.2)
            : 1;

    /// <summary>What was done before trouble at a planting this season, and still holds.</summary>
    public static IEnumerable<Measure> Held(GardenSnapshot garden, Planting planting) =>
        from last in garden.Tasks.Where(t => t.PlantingId == planting.Id).GroupBy(t => t.Step).Select(g => g.MaxBy(t => t.DoneAt ?? DateTimeOffset.MinValue)!)
        where last is { State: TaskState.Done, DoneAt: not null } && garden.Garden.DateOf(last.DoneAt.Value) >= garden.Garden.SeasonStart(garden.Today)
        let measure = garden.Catalogue.FindMeasure(last.Step)
        where measure?.Prevents is not null && Wearing.Holds(garden, planting, measure, last.DoneAt!.Value)
        select measure;
}
