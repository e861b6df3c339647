using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

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
    SeasonAnswer Season
);

/// <summary>A place with what the weather does to its troubles.</summary>
/// <param name="LapsesOn">When its cover falls under what the stance wants kept; null when it is under now, or holds to the end of what is known.</param>
public sealed record PlaceOutlookAnswer(
    PlaceAnswer Place,
    DateOnly Today,
    double CoverNow,
    double CoverFloor,
    DateTimeOffset? LapsesOn,
    IReadOnlyList<TroubleAnswer> Troubles
);

/// <summary>The page of one place.</summary>
public static class PlaceEndpoints
{
    public static void MapPlaces(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}/places").WithTags("Places").MapGet("/{placeId:guid}/outlook", Outlook);

    public static PressureAnswer Of(PressureReading p) => new(p.Day, Math.Round(p.Value, 3), p.Said.Words);

    private static async Task<Results<Ok<PlaceOutlookAnswer>, ProblemHttpResult>> Outlook(
        Guid gardenId,
        Guid placeId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.FirstOrDefault(p => p.Id == placeId) is not { } place)
        {
            return Problems.NotFound("place");
        }

        var troubles = PlaceOutlook.Of(s, place);
        var firsts = await FirstFinds.OfAsync(tools, s, place.Shelter, [.. troubles.Select(t => t.Target).DistinctBy(t => t.Id)], stop);
        var sky = s.SkyOf(place);
        var cover = PlaceCover.Together(PlaceCover.Bands(s, place, sky), sky.Count);
        var now = cover[Math.Clamp(sky.IndexOf(s.Now), 0, cover.Length - 1)];
        var floor = CoverCurve.Floor(s.StanceAt(place));
        return TypedResults.Ok(
            new PlaceOutlookAnswer(
                GardenAnswers.Place(s, place),
                s.Today,
                now,
                floor,
                now < floor ? null : CoverCurve.LapsesOn(cover, sky, s.Now, floor),
                [
                    .. troubles.Select(t => new TroubleAnswer(
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
                        Season(s, place, t.Target, firsts[t.Target.Id])
                    )),
                ]
            )
        );
    }

    private static SeasonAnswer Season(GardenSnapshot s, Place place, Target target, IReadOnlyList<FirstDate> past)
    {
        var outlook = FirstDates.Outlook(target, past, s.Catalogue, s.Garden, s.StanceAt(place), s.Today);
        return new(
            outlook.Expected,
            outlook.Own,
            outlook.ProtectFrom,
            outlook.Sentence,
            [.. past.Select(f => new FirstDateAnswer(f.Year, f.Day, f.DegreeDays is { } dd ? Math.Round(dd) : null))]
        );
    }
}
