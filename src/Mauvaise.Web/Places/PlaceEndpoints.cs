using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Places;

public sealed record PressureAnswer(DateOnly Day, double Value, string Sentence);

public sealed record StageAnswer(DateOnly Day, StageEventKind Kind, int Generation, bool Certain, string Sentence);

public sealed record NightOfInfection(DateOnly Day, int WetHours, double NeededHours);

public sealed record FirstDateAnswer(int Year, DateOnly Day, double? DegreeDays);

public sealed record SeasonAnswer(DateOnly? Expected, bool Own, DateOnly? ProtectFrom, string Sentence, IReadOnlyList<FirstDateAnswer> Past);

public sealed record TroubleAnswer(
    Guid PlantingId,
    string CropName,
    string Target,
    string Name,
    TargetKind Kind,
    double Share,
    DateOnly? FoundOn,
    IReadOnlyList<PressureAnswer> Pressure,
    IReadOnlyList<StageAnswer> Stages,
    double? Generations,
    IReadOnlyList<NightOfInfection> Nights,
    SeasonAnswer Season);

/// <summary>A place with what the weather does to its troubles.</summary>
/// <param name="LapsesOn">When its cover falls under what the stance wants kept; null when it is under now, or holds to the end of what is known.</param>
public sealed record PlaceOutlookAnswer(PlaceAnswer Place, DateOnly Today, double CoverNow, double CoverFloor, DateTimeOffset? LapsesOn, IReadOnlyList<TroubleAnswer> Troubles);

/// <summary>The page of one place.</summary>
public static class PlaceEndpoints
{
    public static void MapPlaces(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}/places").WithTags("Places").MapGet("/{placeId:guid}/outlook", Outlook);

    public static PressureAnswer Of(PressureReading p) => new(p.Day, Math.Round(p.Value, 3), p.Sentence);

    private static async Task<Results<Ok<PlaceOutlookAnswer>, ProblemHttpResult>> Outlook(Guid gardenId, Guid placeId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.FirstOrDefault(p => p.Id == placeId) is not { } place)
        {
            return Problems.NotFound("place");
        }

        var troubles = PlaceOutlook.Of(s, place);
        var firsts = await FirstsAsync(tools, s, place, [.. troubles.Select(t => t.Target).DistinctBy(t => t.Id)], stop);
        var sky = s.SkyOf(place);
        var cover = PlaceCover.Together(PlaceCover.Bands(s, place, sky), sky.Count);
        var now = cover[Math.Clamp(sky.IndexOf(s.Now), 0, cover.Length - 1)];
        var floor = CoverCurve.Floor(s.StanceAt(place));
        return TypedResults.Ok(new PlaceOutlookAnswer(
            GardenAnswers.Place(s, place),
            s.Today,
            now,
            floor,
            now < floor ? null : CoverCurve.LapsesOn(cover, sky, s.Now, floor),
            [.. troubles.Select(t => new TroubleAnswer(
                t.Planting.Id,
                s.Catalogue.Crop(t.Planting.Crop).Name,
                t.Target.Id,
                t.Target.Name,
                t.Target.Kind,
                t.Share,
                t.FoundOn,
                [.. t.Pressure.Select(Of)],
                [.. t.Stages.Select(e => new StageAnswer(e.Day, e.Kind, e.Generation, e.Certain, e.Sentence))],
                t.Generations,
                [.. t.Nights.Select(n => new NightOfInfection(n.Day, n.WetHours, n.NeededHours))],
                Season(s, place, t.Target, firsts[t.Target.Id])))]));
    }

    private static SeasonAnswer Season(GardenSnapshot s, Place place, Target target, IReadOnlyList<FirstDate> past)
    {
        var outlook = FirstDates.Outlook(target, past, s.Catalogue, s.Garden, s.StanceAt(place), s.Today);
        return new(outlook.Expected, outlook.Own, outlook.ProtectFrom, outlook.Sentence, [.. past.Select(f => new FirstDateAnswer(f.Year, f.Day, f.DegreeDays is { } dd ? Math.Round(dd) : null))]);
    }

    /// <summary>First dates of targets over all years of the garden's log, with degree-days where the weather of that season is known.</summary>
    private static async Task<Dictionary<string, IReadOnlyList<FirstDate>>> FirstsAsync(GardenTools tools, GardenSnapshot s, Place place, IReadOnlyList<Target> targets, CancellationToken stop)
    {
        var ids = targets.Select(t => t.Id).ToList();
        var named = (await tools.Db.Observations.AsNoTracking()
            .Where(o => o.GardenId == s.Garden.Id && o.Named != null && ids.Contains(o.Named) && o.LeavesAffected > 0 && o.At <= s.Now)
            .Select(o => new { o.Named, o.At }).ToListAsync(stop)).ToLookup(o => o.Named!, o => s.Garden.DateOf(o.At));
        var seasons = new Dictionary<DateOnly, SkyDays>();
        foreach (var start in named.SelectMany(g => g).Select(d => FirstDates.SeasonStart(s.Garden.Latitude, d)).Distinct())
        {
            var end = new[] { start.AddYears(1).AddDays(-1), s.Today }.Min();
            var hours = await WeatherStore.ReadAsync(tools.Db, s.Garden.Id, s.Garden.StartOf(start).AddDays(-1), s.Garden.StartOf(end.AddDays(1)), stop);
            seasons[start] = SkyDays.Of(GardenSky.Of(hours, s.Garden.Latitude, s.Garden.Longitude, s.Garden.Zone).Under(place.Shelter), s.Garden, start, end);
        }

        return targets.ToDictionary(t => t.Id, t => FirstDates.Of(named[t.Id], s.Garden.Latitude, (start, day) => t.Insect is { } insect ? StageTimeline.DegreeDaysUntil(insect, seasons[start], day) : null));
    }
}
