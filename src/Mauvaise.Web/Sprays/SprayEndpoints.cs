using Mauvaise.Core.Courses;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Sprays;

/// <param name="CheckBackOn">When to look whether it worked.</param>
/// <param name="PickFrom">First day to pick again; null when the label says.</param>
public sealed record ApplicationAnswer(
    Guid Id,
    DateTimeOffset At,
    string Material,
    double Litres,
    string Amount,
    IReadOnlyList<string> Where,
    DateOnly CheckBackOn,
    DateOnly? PickFrom
);

/// <summary>Logging a spray: it starts the cover and sets the check-back.</summary>
public static class SprayEndpoints
{
    public static void MapSprays(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Sprays").MapPost("/applications", Save);

    /// <summary>What holds of every spray, however it is logged: where it went, when, how much of the leaves.</summary>
    internal static Checks CheckSpray(GardenSnapshot s, Checks checks, DateTimeOffset at, IReadOnlyList<Guid> plantings, double? shareWetted, string? note)
    {
        var day = s.Garden.DateOf(at);
        return checks
            .That(
                plantings.Count > 0 && plantings.All(p => s.FindPlanting(p) is not null),
                "plantingIds",
                "plantings-missing",
                Say.Of("plan.chooseWhereItWentOnePlanting")
            )
            .That(
                plantings.Select(s.FindPlanting).OfType<Planting>().All(p => p.GrowsOn(day)),
                "at",
                "planting-not-growing",
                Say.Of("sprays.oneOfThePlantingsDidNot")
            )
            .That(at <= s.Now.AddMinutes(5), "at", "time-ahead", Say.Of("sprays.aSprayIsLoggedAfter"))
            .That(shareWetted is null or (> 0 and <= 1), "shareWetted", "share-range", Say.Of("sprays.theShareOfLeavesWettedLies"))
            .That(note is null or { Length: <= 2000 }, "note", "note-long", Say.Of("plan.aNoteHasUpTo2000"));
    }

    private static async Task<Results<Created<ApplicationAnswer>, ProblemHttpResult>> Save(
        Guid gardenId,
        NewApplication body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (await tools.FindSprayAsync(s, body.Id, stop) is { } sent)
        {
            return TypedResults.Created((string?)null, Answer(s, sent));
        }

        var batch = s.FindBatch(body.BatchId);
        var at = body.At ?? s.Now;
        var left = batch is null ? 0 : s.LeftIn(batch);
        var wet = batch is null or { Litres: > 0 };
        var checks = CheckSpray(
                s,
                new Checks().That(batch is not null, "batchId", "batch-unknown", Say.Of("sprays.mixABottleFirstSo")),
                at,
                body.PlantingIds,
                body.ShareWetted,
                body.Note
            )
            .That(
                wet ? body.Litres > 0 : body.Litres == 0,
                "litres",
                "litres-range",
                wet ? Say.Of("sprays.litresUsedAreOver0") : Say.Of("ledger.thisIsNoLiquidItHas")
            )
            .That(
                batch is null || body.Litres <= left + 0.05,
                "litres",
                "litres-over-bottle",
                Say.Of("sprays.theBottleHeldNoMoreCan", ("text", TankVolume.Text(left, s.Garden.Kitchen)))
            )
            .That(
                body.Plants is null
                    || (body.PlantingIds is [var one] && s.FindPlanting(one) is { } grown && body.Plants.Count > 0 && SinglePlants.AreOf(grown, body.Plants)),
                "plants",
                "plants-not-theirs",
                Say.Of("bench.plantsAreOfOne")
            )
            .That(batch?.EmptiedAt is null, "batchId", "bottle-empty", Say.Of("sprays.thisBottleWasPouredAway"))
            .That(batch is null or { PatchTest: false } || body.PatchTest, "patchTest", "patch-only", Say.Of("sprays.thisBottleWasMixedForTwo"))
            .That(batch is null || at >= batch.MadeAt.AddMinutes(-5), "at", "before-mixing", Say.Of("sprays.theBottleWasMixedAfter"))
            .That(
                batch?.ReadyAt is not { } ready || at >= ready,
                "at",
                "still-standing",
                Say.Of("sprays.itStandsUntil", ("when", batch?.ReadyAt is { } until ? Figure.Moment(s.Garden.Zone.Local(until)) : ""))
            )
            .That(batch is null || at <= batch.UseBy, "at", "past-use-by", Say.Of("sprays.theMixWasPastItsUse"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (!body.Anyway && Elsewhere(s, body, batch!, at) is { } against)
        {
            return against;
        }

        var written = Core.Deeds.Sprays.Log(s, body, batch!, at, null);
        return TypedResults.Created((string?)null, Answer(await tools.DoAsync(s, written, stop), written.Sprays[0]));
    }

    /// <summary>Why the rest of a bottle does not belong on plantings that it was not mixed for; null when it does.</summary>
    private static ProblemHttpResult? Elsewhere(GardenSnapshot s, NewApplication body, Batch batch, DateTimeOffset at)
    {
        var inMix = batch
            .Ingredients.OrderByDescending(i => i.Role == "active")
            .ThenByDescending(i => i.Role == "partner")
            .Select(i => s.Catalogue.Material(i.Material))
            .ToList();
        var working = batch.Ingredients.Count(i => i.Role is "active" or "partner");
        foreach (var planting in body.PlantingIds.Except(batch.PlantingIds).Select(s.FindPlanting).OfType<Planting>())
        {
            var crop = s.Catalogue.Crop(planting.Crop);
            var untried = batch
                .Ingredients.Where(i => i.Role is "active" or "partner")
                .Select(i => UseGuards.PatchOf(s, crop, s.Catalogue.Material(i.Material)))
                .FirstOrDefault(p => p.State is PatchState.Needed or PatchState.Waiting);
            if (UseGuards.Against(s, planting, inMix, at, working).FirstOrDefault() is { } reason)
            {
                return Problems.Refused("use-" + reason.Code, $"{s.Where(planting)}: {reason.Clause}.");
            }

            if (untried is not null && !body.PatchTest)
            {
                return Problems.Refused(
                    "use-patch-test",
                    Say.Of("sprays.wasNotTriedOnYetTwo", ("material", untried.Material.Name), ("crop", crop.Name.InSentence()))
                );
            }
        }

        return null;
    }

    private static ApplicationAnswer Answer(GardenSnapshot s, SprayApplication a)
    {
        var material = s.Catalogue.Material(a.Material);
        var day = s.Garden.DateOf(a.At);
        return new(
            a.Id,
            a.At,
            material.Name,
            a.Litres,
            Figure.Volume(a.Litres),
            [.. a.Treated.Select(t => s.FindPlanting(t.PlantingId)).OfType<Planting>().Select(p => s.Where(p))],
            s.CheckBacks.Where(c => c.ApplicationId == a.Id).Select(c => c.DueOn).DefaultIfEmpty(day).Min(),
            material.DaysToWait is { } wait ? day.AddDays(wait) : null
        );
    }
}
