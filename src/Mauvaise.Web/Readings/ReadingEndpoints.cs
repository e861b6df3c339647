using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Readings;

/// <param name="Of">Id of what was measured.</param>
/// <param name="Value">Null for what was counted on cards.</param>
/// <param name="At">Null for now.</param>
/// <param name="Caught">On sticky cards; null for what is measured.</param>
public sealed record NewReading(
    Guid Id,
    Guid PlaceId,
    [property: MaxLength(40)] string Of,
    double? Value = null,
    DateTimeOffset? At = null,
    Guid? MemberId = null,
    CardCatch? Caught = null
);

/// <summary>Something that can be measured at a place, and how it lies.</summary>
/// <param name="Sentence">The latest that still speaks, and where it should lie.</param>
/// <param name="State">Null without a reading that still speaks.</param>
public sealed record ReadingKindAnswer(
    string Id,
    string Name,
    string Unit,
    string Sentence,
    ReadingState? State,
    bool PerCard,
    IReadOnlyList<ReadingAnswer> Taken
);

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

    private static async Task<Results<Ok<IReadOnlyList<ReadingKindAnswer>>, ProblemHttpResult>> Show(
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

        return TypedResults.Ok<IReadOnlyList<ReadingKindAnswer>>([
            .. s
                .Catalogue.Readings.Where(k => k.IsFor(place.Kind))
                .Select(k => new ReadingKindAnswer(
                    k.Id,
                    k.Name,
                    k.Unit,
                    PlaceReadings.Sentence(s, place, k),
                    PlaceReadings.StateOf(s, place, k),
                    k.PerCard,
                    [
                        .. s
                            .Readings.Where(r => r.PlaceId == placeId && r.Of == k.Id)
                            .Reverse()
                            .Select(r => new ReadingAnswer(r.Id, r.At, r.Value, k.Told(r.Value))),
                    ]
                )),
        ]);
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
        // Whoever reckoned the catch already may send it as a value.
        var value = kind is { PerCard: true } && body.Caught is { } caught && caught.IsSound() ? caught.PerCardAndWeek() : body.Value;
        var checks = new Checks()
            .That(place is not null, "placeId", "place-unknown", Say.Of("gardens.chooseOneOfTheGardensPlaces"))
            .That(
                kind is not null,
                "of",
                "reading-unknown",
                Say.Of("readings.thisCanNotBeMeasuredHere", ("nearest", CatalogueRules.Nearest(body.Of, s.Catalogue.Readings.Select(k => k.Id))))
            )
            .That(
                kind is null || place is null || kind.IsFor(place.Kind),
                "of",
                "reading-elsewhere",
                Say.Of("readings.isNotMeasured", ("kind", kind?.Name), ("place", place?.Name))
            )
            .That(
                body.Caught?.IsSound() != false,
                "caught",
                "caught-range",
                Say.Of("readings.sayTheCatch", ("cards", CardCatch.MostCards), ("days", CardCatch.MostDays))
            )
            .That(body.Caught is null || kind is null or { PerCard: true }, "caught", "caught-elsewhere", Say.Of("readings.thisIsNotCountedOnCards"))
            .That(
                kind is null || body.Caught?.IsSound() == false || (value >= kind.Least && value <= kind.Most),
                "value",
                "value-range",
                Say.Of("readings.liesBetween", ("kind", kind?.Name), ("kind2", kind?.Told(kind.Least)), ("kind3", kind?.Told(kind.Most)))
            )
            .That(
                at <= tools.Now && at > tools.Now.AddDays(-OldestDays),
                "at",
                "day-range",
                Say.Of("readings.itWasMeasuredNowOrEarlier", ("oldestDays", OldestDays))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = new ReadingRow
        {
            Id = body.Id,
            GardenId = gardenId,
            PlaceId = body.PlaceId,
            Of = body.Of,
            At = at.ToUniversalTime(),
            Value = value!.Value,
            MemberId = body.MemberId,
        };
        var words = Say.Of("readings.measured", ("kind", kind!.Name.InSentence()), ("kind2", kind.Told(value!.Value)), ("place", place!.Name));
        await tools.Log.WriteAsync(gardenId, body.MemberId, words, db => db.Readings.Add(row), stop);
        return TypedResults.Created((string?)null);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Strike(
        Guid gardenId,
        Guid readingId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // A repeated send finds nothing and has nothing to do.
        if (await tools.Db.Readings.FirstOrDefaultAsync(r => r.GardenId == gardenId && r.Id == readingId, stop) is { } row)
        {
            await tools.Log.WriteAsync(gardenId, memberId, Say.Of("readings.struckAReading"), db => db.Readings.Remove(row), stop);
        }

        return TypedResults.NoContent();
    }
}
