using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Gardens;

/// <summary>
/// How long a planting still stands, by the usual length of its crop. The length is that of the growing season: what stands through a
/// winter does not grow older by days on which nothing grows (assumed: none at a mean of 4 °C, all of it from 12 °C on, by the climate's
/// usual months). What lasts for years has no end, and neither has what stands on after its usual one: only the gardener's own word, that
/// it is ending, tells that then.
/// </summary>
public static class CropLife
{
    private const double StandsStillC = 4;
    private const double GrowsFullyC = 12;

    /// <summary>A tunnel is so much warmer than the air outside, K (assumed; the mean of day and night).</summary>
    private const double TunnelK = 4;

    /// <summary>Nobody looks further ahead.</summary>
    private const int FarthestDays = 400;

    /// <summary>Days until it ends; null where that is not known.</summary>
    public static int? DaysToEnd(GardenSnapshot garden, Planting planting)
    {
        var crop = garden.Catalogue.Crop(planting.Crop);
        if (crop.Lasting)
        {
            return null;
        }

        var shelter = garden.PlaceOf(planting).Shelter;
        var left = (double)crop.StageDays[2];
        for (var day = planting.From; day < garden.Today; day = day.AddDays(1))
        {
            left -= Growth(garden, shelter, day);
        }

        if (left < 0)
        {
            return null;
        }

        var days = 0;
        for (; left > 0 && days < FarthestDays; days++)
        {
            left -= Growth(garden, shelter, garden.Today.AddDays(days));
        }

        return days;
    }

    /// <summary>What a day counts for, 0 to 1.</summary>
    private static double Growth(GardenSnapshot garden, Shelter shelter, DateOnly day)
    {
        if (shelter == Shelter.Indoor)
        {
            return 1;
        }

        var meanC = garden.UsualMeanC(day) + (shelter == Shelter.Tunnel ? TunnelK : 0);
        return Math.Clamp((meanC - StandsStillC) / (GrowsFullyC - StandsStillC), 0, 1);
    }
}
