using System.ComponentModel.DataAnnotations;
using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Readings;

/// <param name="Of">Id of what was measured.</param>
/// <param name="At">Null for now.</param>
public sealed record NewReading(Guid Id, Guid PlaceId, [property: MaxLength(40)] string Of, double Value, DateTimeOffset? At = null, Guid? MemberId = null);

/// <summary>Something that can be measured at a place, and how it lies.</summary>
/// <param name="Sentence">The latest that still speaks, and where it should lie.</param>
/// <param name="State">Null without a reading that still speaks.</param>
public sealed record ReadingKindAnswer(string Id, string Name, string Unit, double Least, double Most, string Sentence, ReadingState? State, IReadOnlyList<ReadingAnswer> Taken);

public sealed record ReadingAnswer(Guid Id, DateTimeOffset At, double Value, string Told);

/// <summary>What was measured at a place: pH and the strength of the feed.</summary>
public static class ReadingEndpoints
{
    private const int OldestDays = 400;

    public static void MapReadings(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Places");
        garden.MapGet("/places/{placeId:guid}/readings", Show);
        garden.MapPost("/readings", Take);
        garden.MapDelete("/readings/{readingId:guid}", Strike);
    }

    private static async Task<Results<Ok<IReadOnlyList<ReadingKindAnswer>>, ProblemHttpResult>> Show(Guid gardenId, Guid placeId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Places.FirstOrDefault(p => p.Id == placeId) is not { } place)
        {
            return Problems.NotFound("place");
        }

        return TypedResults.Ok<IReadOnlyList<ReadingKindAnswer>>(
        [
            .. s.Catalogue.Readings.Where(k => k.IsFor(place.Kind)).Select(k => new ReadingKindAnswer(
                k.Id, k.Name, k.Unit, k.Least, k.Most, Sentence(s, place, k), s.ReadingOf(place, k) is { } read ? StateOf(s, place, k, read) : null,
                [.. s.Readings.Where(r => r.PlaceId == placeId && r.Of == k.Id).Reverse().Select(r => new ReadingAnswer(r.Id, r.At, r.Value, k.Told(r.Value)))])),
        ]);
    }

    /// <summary>For what grows there: low or high as soon as one crop would have it otherwise.</summary>
    private static ReadingState StateOf(GardenSnapshot s, Place place, ReadingKind kind, Reading read) =>
        s.GrowingAt(place).Select(p => kind.StateOf(read.Value, s.Catalogue.Crop(p.Crop))).DefaultIfEmpty(kind.StateOf(read.Value, null)).MaxBy(state => state != ReadingState.Fine);

    private static string Sentence(GardenSnapshot s, Place place, ReadingKind kind)
    {
        var wanted = s.GrowingAt(place).Select(p => (Crop: s.Catalogue.Crop(p.Crop), Fine: kind.FineFor(s.Catalogue.Crop(p.Crop)))).DistinctBy(x => x.Crop.Id).ToList();
        var ranges = wanted.GroupBy(x => x.Fine).Select(g => string.Create(CultureInfo.InvariantCulture, $"{g.Key.From:0.##} to {kind.Told(g.Key.To)}{(wanted.Count == 0 ? "" : $" for {string.Join(", ", g.Select(x => x.Crop.Name.InSentence()))}")}")).ToList();
        var should = ranges.Count == 0 ? string.Create(CultureInfo.InvariantCulture, $"It should be {kind.FineFrom:0.##} to {kind.Told(kind.FineTo)}.") : $"It should be {string.Join(", ", ranges)}.";
        if (s.ReadingOf(place, kind) is not { } read)
        {
            return $"Not measured lately. {should}";
        }

        var how = StateOf(s, place, kind, read) switch { ReadingState.Low => "low", ReadingState.High => "high", _ => "as it should be" };
        return string.Create(CultureInfo.InvariantCulture, $"{kind.Told(read.Value)} on {s.Garden.DateOf(read.At):d MMM}: {how}. {should}");
    }

    private static async Task<Results<Created, ProblemHttpResult>> Take(Guid gardenId, NewReading body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (await tools.Db.Readings.AnyAsync(r => r.Id == body.Id && r.GardenId == gardenId, stop))
        {
            return TypedResults.Created((string?)null);
        }

        var at = body.At ?? tools.Now;
        var place = s.Places.FirstOrDefault(p => p.Id == body.PlaceId);
        var kind = s.Catalogue.Readings.FirstOrDefault(k => k.Id == body.Of);
        var checks = new Checks()
            .That(place is not null, "placeId", "place-unknown", "Choose one of the garden's places.")
            .That(kind is not null, "of", "reading-unknown", $"This can not be measured here. The nearest is {CatalogueRules.Nearest(body.Of, s.Catalogue.Readings.Select(k => k.Id))}.")
            .That(kind is null || place is null || kind.IsFor(place.Kind), "of", "reading-elsewhere", $"{kind?.Name} is not measured at {place?.Name}.")
            .That(kind is null || (body.Value >= kind.Least && body.Value <= kind.Most), "value", "value-range", kind is null ? "" : $"{kind.Name} lies between {kind.Told(kind.Least)} and {kind.Told(kind.Most)}.")
            .That(at <= tools.Now && at > tools.Now.AddDays(-OldestDays), "at", "day-range", $"It was measured now or earlier, within {OldestDays} days.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Measured {kind!.Name.InSentence()}, {kind.Told(body.Value)}: {place!.Name}",
            db => db.Readings.Add(new ReadingRow { Id = body.Id, GardenId = gardenId, PlaceId = body.PlaceId, Of = body.Of, At = at.ToUniversalTime(), Value = body.Value, MemberId = body.MemberId }), stop);
        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Strike(Guid gardenId, Guid readingId, Guid? memberId, GardenTools tools, CancellationToken stop)
    {
        // A repeated send finds nothing and has nothing to do.
        if (await tools.Db.Readings.FirstOrDefaultAsync(r => r.GardenId == gardenId && r.Id == readingId, stop) is { } row)
        {
            await tools.Log.WriteAsync(gardenId, memberId, "Struck a reading", db => db.Readings.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }
}
