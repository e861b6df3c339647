using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Words;
using Mauvaise.Web.Board;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Ledger;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Places;

/// <param name="PhotoIds">Pictures of a count.</param>
public sealed record StoryLineAnswer(StoryKind Kind, DateTimeOffset At, string Sentence, Guid RecordId, IReadOnlyList<Guid> PhotoIds);

public sealed record StoryChapterAnswer(Guid PlantingId, string CropName, string? Target, string Title, IReadOnlyList<StoryLineAnswer> Lines, string Ending);

/// <summary>The season of a place as a story, with the same drawing as on the Board over its whole length.</summary>
/// <param name="Days">First instants of months, for the axis.</param>
public sealed record StoryAnswer(
    Guid PlaceId,
    string Name,
    DateTimeOffset Now,
    DateTimeOffset Start,
    DateTimeOffset End,
    IReadOnlyList<DateTimeOffset> Days,
    RowAnswer Row,
    IReadOnlyList<StoryChapterAnswer> Chapters,
    SeasonChoice Season,
    IReadOnlyList<SeasonChoice> Seasons
);

/// <summary>What was found at a place, done, and came of it.</summary>
public static class StoryEndpoints
{
    /// <summary>The axis ends so many days after the last that is known.</summary>
    private const int DaysAhead = 10;

    public static void MapStories(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Places").MapGet("/places/{placeId:guid}/story", Tell);

    private static async Task<Results<Ok<StoryAnswer>, ProblemHttpResult>> Tell(
        Guid gardenId,
        Guid placeId,
        GardenTools tools,
        CancellationToken stop,
        int? year = null
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.All(p => p.Id != placeId))
        {
            return Problems.NotFound("place");
        }

        var seasons = await LedgerEndpoints.SeasonsAsync(tools, s, stop);
        if (seasons.FirstOrDefault(x => year is null || x.Year == year) is not { } season)
        {
            return Problems.Of(StatusCodes.Status404NotFound, "no-season", Say.Of("ledger.nothingIsOnRecord"));
        }

        var then = (await tools.LoadSeasonAsync(gardenId, season.From, season.To, placeId, stop))!;
        var place = then.Places.First(p => p.Id == placeId);
        var chapters = PlaceStory.Of(then, place, season.From);
        var looks = chapters.SelectMany(c => c.Lines).Where(l => l.Kind is StoryKind.Found or StoryKind.Clean).Select(l => l.RecordId).ToList();
        var photos = (
            await tools
                .Db.Photos.AsNoTracking()
                .Where(p => p.GardenId == gardenId && looks.Contains(p.ObservationId) && p.RemovedAt == null)
                .OrderBy(p => p.At)
                .Select(p => new { p.ObservationId, p.Id })
                .ToListAsync(stop)
        ).ToLookup(p => p.ObservationId, p => p.Id);

        var sky = then.SkyOf(place);
        var bands = PlaceCover.Bands(then, place, sky);
        var first = chapters
            .SelectMany(c => c.Lines)
            .Where(l => l.Kind != StoryKind.Planted)
            .Select(l => then.Garden.DateOf(l.At))
            .DefaultIfEmpty(then.Today.AddDays(-14))
            .Min()
            .AddDays(-3);
        var (start, end) = (
            then.Garden.StartOf(first > season.From ? first : season.From),
            then.Garden.StartOf(then.Today.AddDays(1 + (season == seasons[0] ? DaysAhead : 0)))
        );
        return TypedResults.Ok(
            new StoryAnswer(
                placeId,
                place.Name,
                then.Now,
                start,
                end,
                [.. Months(then.Garden, then.Garden.DateOf(start), then.Garden.DateOf(end))],
                BoardEndpoints.Row(then, place, bands, PlaceCover.Together(bands, then.Weather.Hours.Count), null, start, end),
                [
                    .. chapters.Select(c => new StoryChapterAnswer(
                        c.Planting.Id,
                        then.Catalogue.Crop(c.Planting.Crop).Name,
                        c.Target?.Id,
                        c.Title,
                        [.. c.Lines.Select(l => new StoryLineAnswer(l.Kind, l.At, l.Sentence, l.RecordId, [.. photos[l.RecordId]]))],
                        c.Ending
                    )),
                ],
                season,
                seasons
            )
        );
    }

    private static IEnumerable<DateTimeOffset> Months(Garden garden, DateOnly from, DateOnly to)
    {
        for (var month = new DateOnly(from.Year, from.Month, 1).AddMonths(1); month <= to; month = month.AddMonths(1))
        {
            yield return garden.StartOf(month);
        }
    }
}
