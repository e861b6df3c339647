using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Preventing;

/// <summary>
/// When the first adults of an insect fly: degree-days from the first day of the season, by the weather that is known and by the climate's
/// normals for every other day.
/// </summary>
public static class FirstFlights
{
    private const int KnownDaysBack = 55,
        KnownDaysAhead = 10;

    /// <summary>Warmth above it counts no more, C (assumed).</summary>
    private const double UpperC = 35;

    /// <summary>The first day of flight at a place in the season that holds today; null for a target without one, and where it is never warm enough.</summary>
    public static DateOnly? On(GardenSnapshot garden, Place place, Target target)
    {
        if (target.Flight is not { } flight || garden.Catalogue.FindClimate(garden.Garden.Climate) is not { } climate)
        {
            return null;
        }

        var known = SkyDays
            .Of(garden.SkyOf(place).Shelter, garden.Garden, garden.Today.AddDays(-KnownDaysBack), garden.Today.AddDays(KnownDaysAhead))
            .All.Where(d => d.Known)
            .ToDictionary(d => d.Date);
        var start = garden.Garden.SeasonStart(garden.Today);
        var sum = 0.0;
        for (var day = start; day < start.AddYears(1); day = day.AddDays(1))
        {
            sum += known.TryGetValue(day, out var sky)
                ? sky.Hours.Where(h => h.TemperatureC.HasValue).Average(h => DegreeDays.OfHour(h.TemperatureC!.Value, flight.LowerC, UpperC)) * 24
                : Normal(garden.Garden, climate, flight, start, day);
            if (sum >= flight.DegreeDays)
            {
                return day;
            }
        }

        return null;
    }

    /// <summary>Degree-days of a usual day, whose warmth swings by the climate's daily range.</summary>
    private static double Normal(Garden garden, Climate climate, FirstFlight flight, DateOnly start, DateOnly day)
    {
        var mean = FirstDates.MeanC(climate, day.DayNumber - start.DayNumber);
        var swing = climate.DailyRangeK[garden.NorthernMonth(day) - 1] / 2;
        return Enumerable.Range(0, 24).Average(h => Math.Max(0, Math.Min(UpperC, mean - swing * Math.Cos(2 * Math.PI * h / 24)) - flight.LowerC));
    }
}
