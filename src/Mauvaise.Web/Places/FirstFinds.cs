using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Places;

/// <summary>First finds over all years of a garden's log.</summary>
public static class FirstFinds
{
    /// <summary>By target, with degree-days where the weather of that season is known.</summary>
    /// <param name="shelter">Where the warmth is summed.</param>
    public static async Task<Dictionary<string, IReadOnlyList<FirstDate>>> OfAsync(
        GardenTools tools,
        GardenSnapshot s,
        Shelter shelter,
        IReadOnlyList<Target> targets,
        CancellationToken stop
    )
    {
        var ids = targets.Select(t => t.Id).ToList();
        var named = (
            await tools
                .Db.Observations.AsNoTracking()
                .Where(o => o.GardenId == s.Garden.Id && o.Named != null && ids.Contains(o.Named) && o.LeavesAffected > 0 && o.At <= s.Now)
                .Select(o => new { o.Named, o.At })
                .ToListAsync(stop)
        ).ToLookup(o => o.Named!, o => s.Garden.DateOf(o.At));
        var warmth = targets.Where(t => t.Insect is not null).Select(t => t.Id).ToHashSet();
        var seasons = new Dictionary<DateOnly, SkyDays>();
        // Degree-days are wanted up to the latest of a season's first finds, and no further.
        foreach (
            var season in named
                .Where(g => warmth.Contains(g.Key))
                .SelectMany(g => g.GroupBy(d => FirstDates.SeasonStart(s.Garden.Latitude, d)).Select(y => (Start: y.Key, First: y.Min())))
                .GroupBy(y => y.Start)
        )
        {
            var end = season.Max(y => y.First);
            var hours = await WeatherStore.ReadAsync(tools.Db, s.Garden.Id, s.Garden.StartOf(season.Key).AddDays(-1), s.Garden.StartOf(end.AddDays(1)), stop);
            seasons[season.Key] = SkyDays.Of(
                GardenSky.Of(hours, s.Garden.Latitude, s.Garden.Longitude, s.Garden.Zone).Under(shelter),
                s.Garden,
                season.Key,
                end
            );
        }

        return targets.ToDictionary(
            t => t.Id,
            t =>
                FirstDates.Of(named[t.Id], s.Garden.Latitude, (start, day) =>
                    t.Insect is { } insect ? StageTimeline.DegreeDaysUntil(insect, seasons[start], day) : null
                )
        );
    }
}
