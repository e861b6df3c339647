using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Sky;
using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Sprays;

/// <summary>A spray that went on from a bottle that was mixed.</summary>
/// <param name="ShareWetted">Share of the leaves wetted, 0 to 1; null for the usual 0.9.</param>
/// <param name="At">When, if not now.</param>
/// <param name="Anyway">It is done already on a planting where it should not have gone: log it all the same.</param>
/// <param name="Parts">What of the plants was wetted; null when nobody said.</param>
public sealed record NewApplication(
    Guid Id,
    Guid BatchId,
    IReadOnlyList<Guid> PlantingIds,
    double Litres,
    double? ShareWetted = null,
    bool PatchTest = false,
    DateTimeOffset? At = null,
    bool Anyway = false,
    string? Note = null,
    Guid? MemberId = null,
    IReadOnlyList<WettedPart>? Parts = null);

/// <param name="CheckBackOn">When to look whether it worked.</param>
/// <param name="PickFrom">First day to pick again; null when the label says.</param>
public sealed record ApplicationAnswer(Guid Id, DateTimeOffset At, string Material, double Litres, IReadOnlyList<string> Where, DateOnly CheckBackOn, DateOnly? PickFrom);

/// <summary>Logging a spray: it starts the cover and sets the check-back.</summary>
public static class SprayEndpoints
{
    public static void MapSprays(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Sprays").MapPost("/applications", Save);

    private static async Task<Results<Created<ApplicationAnswer>, ProblemHttpResult>> Save(Guid gardenId, NewApplication body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Applications.FirstOrDefault(a => a.Id == body.Id) is { } sent)
        {
            return TypedResults.Created((string?)null, Answer(s, sent));
        }

        var batch = s.Batches.FirstOrDefault(b => b.Id == body.BatchId);
        var at = body.At ?? s.Now;
        var left = batch is null ? 0 : s.LeftIn(batch);
        var wet = batch is null or { Litres: > 0 };
        var checks = new Checks()
            .That(batch is not null, "batchId", "batch-unknown", "Mix a bottle first, so that the log knows what was in it.")
            .That(body.PlantingIds.Count > 0 && body.PlantingIds.All(p => s.FindPlanting(p) is not null), "plantingIds", "plantings-missing", "Choose where it went: one planting at least.")
            .That(wet ? body.Litres > 0 : body.Litres == 0, "litres", "litres-range", wet ? "Litres used are over 0." : "This is no liquid: it has no litres.")
            .That(batch is null || body.Litres <= left + 0.05, "litres", "litres-over-bottle", $"The bottle held {TankVolume.Text(left, s.Garden.Kitchen)}; no more can have gone on.")
            .That(batch?.EmptiedAt is null, "batchId", "bottle-empty", "This bottle was poured away.")
            .That(batch is null or { PatchTest: false } || body.PatchTest, "patchTest", "patch-only", "This bottle was mixed for two leaves only.")
            .That(body.ShareWetted is null or (> 0 and <= 1), "shareWetted", "share-range", "The share of leaves wetted lies between 0 and 100 %.")
            .That(at <= s.Now.AddMinutes(5), "at", "time-ahead", "A spray is logged after it went on, not before.")
            .That(batch is null || at >= batch.MadeAt.AddMinutes(-5), "at", "before-mixing", "The bottle was mixed after that.")
            .That(batch is null || at <= batch.UseBy, "at", "past-use-by", "The mix was past its use-by. Pour it on a path and mix fresh.")
            .That(body.Note is null or { Length: <= 2000 }, "note", "note-long", "A note has up to 2000 letters.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var active = batch!.Ingredients.First(i => i.Role == "active");
        var material = s.Catalogue.Material(active.Material);
        if (!body.Anyway && Elsewhere(s, body, batch, at) is { } against)
        {
            return against;
        }

        var where = string.Join(", ", body.PlantingIds.Select(s.FindPlanting).OfType<Planting>().Select(p => GardenAnswers.Where(s, p)));
        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Logged {material.Name.InSentence()} on {where}", db => Put(db, s, gardenId, body, batch, at, null), stop);
        var saved = (await tools.LoadAsync(gardenId, stop))!;
        return TypedResults.Created((string?)null, Answer(saved, saved.Applications.First(a => a.Id == body.Id)));
    }

    /// <summary>Puts a spray into the file with its check-backs, and opens the course that it begins.</summary>
    /// <param name="why">Null to find out: a round of a course that is running, or somebody's own idea.</param>
    internal static void Put(GardenDb db, GardenSnapshot s, Guid gardenId, NewApplication body, Batch batch, DateTimeOffset at, SprayReason? why)
    {
        db.Applications.Add(Row(s, gardenId, body, batch, at, why ?? (IsRound(s, body, batch) ? SprayReason.Course : SprayReason.OwnIdea)));
        db.Courses.AddRange(Opened(s, body, batch, at).Select(c => CourseEndpoints.Row(gardenId, body.MemberId, c)));
        db.CheckBacks.AddRange(body.PlantingIds.Distinct().Select(p => Visit(s, gardenId, body.Id, p, s.Catalogue.Material(batch.Ingredients.First(i => i.Role == "active").Material), batch.Target, body.PatchTest, at)));
    }

    /// <summary>The visit that judges a spray on a planting.</summary>
    internal static CheckBackRow Visit(GardenSnapshot s, Guid gardenId, Guid applicationId, Guid planting, Material material, string? target, bool patchTest, DateTimeOffset at) => new()
    {
        Id = Guid.NewGuid(),
        GardenId = gardenId,
        ApplicationId = applicationId,
        PlantingId = planting,
        DueOn = VisitOn(s, material, target, patchTest, at),
    };

    /// <summary>The day on which a spray is judged.</summary>
    internal static DateOnly VisitOn(GardenSnapshot s, Material material, string? target, bool patchTest, DateTimeOffset at) =>
        s.Garden.DateOf(at).AddDays(patchTest ? UseGuards.PatchTestDays : CheckBackDay.DaysAfter(material, target is null ? null : s.Catalogue.FindTarget(target)));

    /// <summary>The row of a spray with the weather that was then and what the places were reckoned to take.</summary>
    internal static ApplicationRow Row(GardenSnapshot s, Guid gardenId, NewApplication body, Batch batch, DateTimeOffset at, SprayReason why)
    {
        var active = batch.Ingredients.First(i => i.Role == "active");
        var material = s.Catalogue.Material(active.Material);
        var hour = s.Weather[at];
        var reckoned = batch.Litres > 0 && !body.PatchTest ? SprayVolume.Reckoned(s, body.PlantingIds.Select(s.FindPlanting).OfType<Planting>().Where(p => p.GrowsOn(s.Garden.DateOf(at)))) : 0;
        return new ApplicationRow
        {
            Id = body.Id,
            GardenId = gardenId,
            BatchId = batch.Id,
            At = at,
            MemberId = body.MemberId,
            Material = material.Id,
            PerLitre = batch.Litres > 0 ? active.Amount / batch.Litres : null,
            Litres = body.Litres,
            Target = batch.Target,
            PatchTest = body.PatchTest,
            Note = string.IsNullOrWhiteSpace(body.Note) ? null : body.Note.Trim(),
            TemperatureC = hour.TemperatureC,
            RelativeHumidityPercent = hour.RelativeHumidityPercent,
            WindMetresPerSecond = hour.WindMetresPerSecond,
            Why = why,
            Parts = SnapshotLoader.Joined(body.Parts),
            ExpectedLitres = reckoned > 0 ? reckoned : null,
            Treated = [.. body.PlantingIds.Distinct().Select(p => new TreatedRow { ApplicationId = body.Id, PlantingId = p, ShareWetted = body.ShareWetted ?? CoverCurve.UsualShareWetted })],
        };
    }

    /// <summary>A course with this mix is running on one of the plantings.</summary>
    private static bool IsRound(GardenSnapshot s, NewApplication body, Batch batch) =>
        batch.Target is { } target && body.PlantingIds.Select(s.FindPlanting).OfType<Planting>().Any(p => CourseProgress.Running(s, p, target)?.Course.Recipe == batch.Recipe);

    /// <summary>One spray and then nothing lets the eggs hatch: a first spray against a trouble opens its course where none is running.</summary>
    private static IEnumerable<Course> Opened(GardenSnapshot s, NewApplication body, Batch batch, DateTimeOffset at)
    {
        if (body.PatchTest || batch.Target is not { } named || s.Catalogue.FindTarget(named) is not { } target || s.Catalogue.FindRecipe(batch.Recipe) is not { Form: Form.Spray } recipe)
        {
            return [];
        }

        return body.PlantingIds.Distinct().Select(s.FindPlanting).OfType<Planting>()
            .Where(p => p.GrowsOn(s.Today) && CourseProgress.Running(s, p, target.Id) is null)
            .Select(p => CourseEndpoints.Open(s, Guid.NewGuid(), p, target, recipe, batch.Step, [], at));
    }

    /// <summary>Why the rest of a bottle does not belong on plantings that it was not mixed for; null when it does.</summary>
    private static ProblemHttpResult? Elsewhere(GardenSnapshot s, NewApplication body, Batch batch, DateTimeOffset at)
    {
        var inMix = batch.Ingredients.OrderByDescending(i => i.Role == "active").ThenByDescending(i => i.Role == "partner").Select(i => s.Catalogue.Material(i.Material)).ToList();
        var working = batch.Ingredients.Count(i => i.Role is "active" or "partner");
        foreach (var planting in body.PlantingIds.Except(batch.PlantingIds).Select(s.FindPlanting).OfType<Planting>())
        {
            var crop = s.Catalogue.Crop(planting.Crop);
            var untried = batch.Ingredients.Where(i => i.Role is "active" or "partner").Select(i => UseGuards.PatchOf(s, crop, s.Catalogue.Material(i.Material)))
                .FirstOrDefault(p => p.State is PatchState.Needed or PatchState.Waiting);
            if (UseGuards.Against(s, planting, inMix, at, working).FirstOrDefault() is { } reason)
            {
                return Problems.Refused("use-" + reason.Code, $"{GardenAnswers.Where(s, planting)}: {reason.Clause}.");
            }

            if (untried is not null && !body.PatchTest)
            {
                return Problems.Refused("use-patch-test", $"{untried.Material.Name} was not tried on {crop.Name.InSentence()} yet: two leaves first.");
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
            [.. a.Treated.Select(t => s.FindPlanting(t.PlantingId)).OfType<Planting>().Select(p => GardenAnswers.Where(s, p))],
            s.CheckBacks.Where(c => c.ApplicationId == a.Id).Select(c => c.DueOn).DefaultIfEmpty(day).Min(),
            material.DaysToWait is { } wait ? day.AddDays(wait) : null);
    }
}
