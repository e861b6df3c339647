using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>A spray that went on from a bottle that was mixed.</summary>
/// <param name="ShareWetted">Share of the leaves wetted, 0 to 1; null for the usual.</param>
/// <param name="At">When, if not now.</param>
/// <param name="Anyway">It is done already on a planting where it should not have gone: log it all the same.</param>
/// <param name="Parts">What of the plants was wetted; null when nobody said.</param>
/// <param name="Plants">Numbers of the plants that were treated, of the one planting; null for all.</param>
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
    IReadOnlyList<WettedPart>? Parts = null,
    IReadOnlyList<int>? Plants = null
);

/// <summary>Logging a spray: it starts the cover, sets the check-backs, and opens the course that it begins.</summary>
public static class Sprays
{
    /// <summary>What a spray writes.</summary>
    /// <param name="batch">The bottle that it came from; it need not be in the garden's records yet.</param>
    /// <param name="why">Null to find out: a round of a course that is running, or somebody's own idea.</param>
    /// <param name="air">The air when it went on; null to take it from the garden's weather.</param>
    public static Written Log(GardenSnapshot garden, NewApplication order, Batch batch, DateTimeOffset at, SprayReason? why, SprayAir? air = null)
    {
        var active = batch.Active;
        var material = garden.Catalogue.Material(active.Material);
        var plantings = order.PlantingIds.Distinct().Select(garden.FindPlanting).OfType<Planting>().ToList();
        var part = order.Plants is { } some && plantings is [{ Count: { } all }] ? (double)some.Count / all : 1;
        var reckoned =
            batch.Litres > 0 && !order.PatchTest ? part * SprayVolume.Reckoned(garden, plantings.Where(p => p.GrowsOn(garden.Garden.DateOf(at)))) : 0;
        var spray = new SprayApplication(
            order.Id,
            batch.Id,
            at,
            material.Id,
            batch.Litres > 0 ? active.Amount / batch.Litres : null,
            order.Litres,
            batch.Target,
            [.. plantings.Select(p => new Treated(p.Id, part * (order.ShareWetted ?? CoverCurve.UsualShareWetted), order.Plants))],
            order.PatchTest,
            string.IsNullOrWhiteSpace(order.Note) ? null : order.Note.Trim(),
            order.MemberId,
            why ?? (IsRound(garden, plantings, batch) ? SprayReason.Course : SprayReason.OwnIdea),
            order.Parts,
            reckoned > 0 ? reckoned : null,
            air ?? AirAt(garden, at),
            order.PatchTest ? null : batch.Also
        );
        return new Written(
            Say.Of("deeds.loggedOn", ("material", Measures.Wording.InSentence(material.Name)), ("list", string.Join(", ", plantings.Select(garden.Where)))),
            order.MemberId
        )
        {
            Sprays = [spray],
            Courses = order.PatchTest
                ? []
                :
                [
                    .. Opened(garden, plantings, batch.Target, batch.Recipe, batch.Step, at),
                    .. Opened(garden, plantings, batch.Also?.Target, RecipeFor(garden, batch), batch.Step, at),
                ],
            Tasks = [.. FreshWater(garden, batch, material, plantings, at)],
            CheckBacks =
            [
                .. plantings.Select(p => Visit(garden, spray, p.Id)),
                .. spray.Also is { } also ? plantings.Select(p => Visit(garden, spray, p.Id, also.Target)) : [],
            ],
        };
    }

    /// <summary>What went through a rack is followed by fresh water.</summary>
    private static IEnumerable<GardenTask> FreshWater(GardenSnapshot garden, Batch batch, Material active, List<Planting> plantings, DateTimeOffset at) =>
        SystemRun
            .Of(garden, garden.Catalogue.FindRecipe(batch.Recipe)?.Form ?? Form.Spray, active, plantings)
            .Select(run => new GardenTask(
                Guid.NewGuid(),
                plantings.First(p => garden.PlaceOf(p) == run.Rack).Id,
                null,
                KnownIds.Measures.FreshWater,
                null,
                garden.Garden.DateOf(at).AddDays(run.FreshWaterDays),
                TaskState.Planned,
                null
            ));

    /// <summary>How what a filling holds against its second trouble is usually mixed.</summary>
    private static string RecipeFor(GardenSnapshot garden, Batch batch) =>
        batch.Also is not { } also || also.Material == batch.Active.Material ? batch.Recipe : garden.Catalogue.RecipeFor(also.Material)?.Id ?? batch.Recipe;

    /// <summary>The visit that will judge a spray on a planting.</summary>
    /// <param name="alsoTarget">The spray's second trouble; null for its own.</param>
    public static CheckBack Visit(GardenSnapshot garden, SprayApplication spray, Guid plantingId, string? alsoTarget = null) =>
        new(Guid.NewGuid(), spray.Id, plantingId, VisitOn(garden, spray, alsoTarget), null, null, null, Injury.Unsaid, AlsoTarget: alsoTarget);

    /// <summary>The day on which a spray is judged.</summary>
    /// <param name="alsoTarget">The spray's second trouble; null for its own.</param>
    public static DateOnly VisitOn(GardenSnapshot garden, SprayApplication spray, string? alsoTarget = null)
    {
        var target = alsoTarget ?? spray.Target;
        return garden
            .Garden.DateOf(spray.At)
            .AddDays(
                spray.PatchTest
                    ? UseGuards.PatchTestDays
                    : CheckBackDay.DaysAfter(
                        garden.Catalogue.Material(spray.MaterialAgainst(target)),
                        target is null ? null : garden.Catalogue.FindTarget(target)
                    )
            );
    }

    /// <summary>The air of an hour, as far as the garden's weather knows it; null when it knows nothing.</summary>
    public static SprayAir? AirAt(GardenSnapshot garden, DateTimeOffset at)
    {
        var hour = garden.Weather[at];
        return hour.TemperatureC is null && hour.RelativeHumidityPercent is null && hour.WindMetresPerSecond is null
            ? null
            : new SprayAir(hour.TemperatureC, hour.RelativeHumidityPercent, hour.WindMetresPerSecond);
    }

    /// <summary>A course with this mix is running on one of the plantings.</summary>
    private static bool IsRound(GardenSnapshot garden, List<Planting> plantings, Batch batch) =>
        batch.Target is { } target && plantings.Any(p => CourseProgress.Running(garden, p, target)?.Course.Recipe == batch.Recipe);

    /// <summary>One spray and then nothing lets the eggs hatch: a first spray against a trouble opens its course where none is running.</summary>
    private static IEnumerable<Course> Opened(GardenSnapshot garden, List<Planting> plantings, string? named, string recipeId, DoseStep step, DateTimeOffset at)
    {
        if (named is null || garden.Catalogue.FindTarget(named) is not { } target || garden.Catalogue.FindRecipe(recipeId) is not { Form: Form.Spray } recipe)
        {
            return [];
        }

        return plantings
            .Where(p => p.GrowsOn(garden.Today) && CourseProgress.Running(garden, p, target.Id) is null)
            .Select(p => CourseDeeds.Open(garden, Guid.NewGuid(), p, target, recipe, step, [], at));
    }
}
