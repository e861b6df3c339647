using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Bench;

/// <summary>Mixing: the recipe scaled to the sprayer at hand, and the bottle that comes of it.</summary>
public static class BenchEndpoints
{
    public static void MapBench(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Bench");
        garden.MapGet("/bench", Preview);
        garden.MapPost("/batches", Save);
        garden.MapGet("/batches/{batchId:guid}", Show);
    }

    private static async Task<Results<Ok<BenchAnswer>, ProblemHttpResult>> Preview(
        Guid gardenId, Guid[] planting, string? target, string? recipe, string? step, Guid? sprayer, double? litres, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = CheckWhat(s, planting, target, recipe, new Checks())
            .That(litres is null or (> 0 and <= 50), "litres", "litres-range", "Litres are over 0 and up to 50.")
            .That(Enum.TryParse<DoseStep>(step ?? "gentle", true, out var dose), "step", "step-unknown", "The dose is gentle, usual or strong.")
            .That(sprayer is null || s.Sprayers.Any(x => x.Id == sprayer), "sprayer", "sprayer-unknown", "Choose one of the garden's sprayers.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var plantings = planting.Select(s.FindPlanting).OfType<Planting>().ToList();
        var options = plantings.Count > 0 && target is not null ? MaterialChoice.Options(s, plantings[0], s.Catalogue.Target(target)) : [];
        var chosen = recipe is not null
            ? s.Catalogue.FindRecipe(recipe)!
            : options.FirstOrDefault(o => o.Allowed)?.Recipe ?? s.Catalogue.RecipeFor("insecticidal-soap") ?? s.Catalogue.Recipes[0];
        var needed = plantings.Count > 0 ? SprayVolume.LitresFor(s, plantings) : 1;
        var wanted = litres ?? needed;
        var tank = s.Sprayers.FirstOrDefault(x => x.Id == sprayer) ?? s.Sprayers.FirstOrDefault(x => x.CapacityLitres >= wanted) ?? s.Sprayers.LastOrDefault();
        var capacity = tank?.CapacityLitres ?? 50;
        var inTank = Math.Min(wanted, capacity);
        var conditions = Conditions(s, plantings, chosen);
        var mix = Mix.Make(s.Catalogue, chosen, dose, inTank, s.Garden.Kitchen, conditions);
        return TypedResults.Ok(new BenchAnswer(
            [.. plantings.Select(p => GardenAnswers.Where(s, p))],
            target,
            target is null ? null : s.Catalogue.Target(target).Name,
            [.. options.Select(o => Option(s.Catalogue, o))],
            chosen.Id,
            chosen.Name,
            chosen.Active.Material,
            mix.Step,
            mix.AllowedStep,
            needed,
            inTank,
            tank?.Id,
            capacity,
            (int)Math.Max(1, Math.Ceiling(wanted / capacity - 1e-9)),
            [.. MixSteps.Of(mix).Select(x => Step(x, mix))],
            [.. mix.Parts.Select(p => new StrengthAnswer(p.Material.Name, p.FinalPercent, p.PerLitre, p.Unit))],
            mix.OilPercent,
            mix.SoapPercent,
            mix.Verdict,
            [.. mix.Reasons.Select(r => new ReasonAnswer(r.Code, r.Verdict, r.Sentence))],
            mix.Cautions,
            s.Catalogue.Material(chosen.Active.Material).MixingNote,
            mix.MixedLifeHours,
            s.Catalogue.Material(chosen.Active.Material).Assumed));
    }

    private static async Task<Results<Created<BatchAnswer>, ProblemHttpResult>> Save(Guid gardenId, NewBatch body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Batches.FirstOrDefault(b => b.Id == body.Id) is { } sent)
        {
            return TypedResults.Created($"/api/gardens/{gardenId}/batches/{body.Id}", Answer(s, sent));
        }

        var checks = CheckWhat(s, body.PlantingIds, body.Target, body.Recipe, new Checks())
            .That(body.PlantingIds.Count > 0, "plantingIds", "plantings-missing", "Say what the mix is for: choose a planting.")
            .That(body.Litres is > 0 and <= 50, "litres", "litres-range", "Litres are over 0 and up to 50.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var recipe = s.Catalogue.FindRecipe(body.Recipe)!;
        var plantings = body.PlantingIds.Select(s.FindPlanting).OfType<Planting>().ToList();
        var mix = Mix.Make(s.Catalogue, recipe, body.Step, body.Litres, s.Garden.Kitchen, Conditions(s, plantings, recipe));
        if (mix.Verdict != MixVerdict.Ok)
        {
            var why = mix.Reasons.First(r => r.Verdict == mix.Verdict);
            return Problems.Refused("mix-" + why.Code, mix.Verdict == MixVerdict.StepDown
                ? $"{why.Sentence} The {mix.AllowedStep.ToString().ToLowerInvariant()} dose is the most that is allowed now."
                : why.Sentence);
        }

        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Mixed {MixSteps.Volume(body.Litres)} of {recipe.Name.ToLowerInvariant()}", db => db.Batches.Add(new BatchRow
        {
            Id = body.Id,
            GardenId = gardenId,
            MadeAt = tools.Now,
            MemberId = body.MemberId,
            Recipe = recipe.Id,
            Step = body.Step,
            Litres = body.Litres,
            UseBy = tools.Now.AddHours(mix.MixedLifeHours),
            Target = body.Target,
            Plantings = [.. body.PlantingIds.Distinct().Select(p => new BatchPlantingRow { BatchId = body.Id, PlantingId = p })],
            Ingredients = [.. mix.Parts.Select(p => new BatchIngredientRow { BatchId = body.Id, Material = p.Material.Id, Role = p.Role, Amount = p.Amount, Unit = p.Unit })],
        }), stop);
        var saved = (await tools.LoadAsync(gardenId, stop))!;
        return TypedResults.Created($"/api/gardens/{gardenId}/batches/{body.Id}", Answer(saved, saved.Batches.First(b => b.Id == body.Id)));
    }

    private static async Task<Results<Ok<BatchAnswer>, ProblemHttpResult>> Show(Guid gardenId, Guid batchId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && s.Batches.FirstOrDefault(b => b.Id == batchId) is { } batch
            ? TypedResults.Ok(Answer(s, batch))
            : Problems.NotFound("bottle");

    private static Checks CheckWhat(GardenSnapshot s, IReadOnlyList<Guid> plantings, string? target, string? recipe, Checks checks) => checks
        .That(plantings.All(p => s.FindPlanting(p) is not null), "plantingIds", "planting-unknown", "One of the plantings is not in this garden.")
        .That(target is null || s.Catalogue.FindTarget(target) is not null, "target", "target-unknown", "This pest or disease is not in the catalogue.")
        .That(recipe is null || s.Catalogue.FindRecipe(recipe) is not null, "recipe", "recipe-unknown", "This recipe is not in the catalogue.")
        .That(recipe is null || s.Catalogue.FindRecipe(recipe) is not { } r || s.Catalogue.Material(r.Active.Material).Doses is not null, "recipe", "label-dose", "This product is dosed by its label; the bench does not know yours yet.");

    /// <summary>The warmest hour after the best window tonight (or after now), tender crops and seedlings among the plantings.</summary>
    private static MixConditions Conditions(GardenSnapshot s, List<Planting> plantings, Recipe recipe)
    {
        var active = s.Catalogue.Material(recipe.Active.Material);
        var places = plantings.Select(s.PlaceOf).Distinct().ToList();
        double? warmest = null;
        foreach (var place in places)
        {
            var sky = s.PlannedSkyOf(place);
            var start = SprayHours.Windows(SprayHours.Judge(sky, s.Now, s.Now.AddHours(24), active), active).FirstOrDefault()?.Start ?? s.Now;
            var i = sky.IndexOf(start);
            var here = Enumerable.Range(i, 7).Select(k => sky.Hour(k).TemperatureC).Max();
            warmest = warmest is null || here > warmest ? here : warmest;
        }

        return new MixConditions(
            warmest,
            [.. plantings.Where(p => MaterialChoice.IsTender(s.Catalogue.Crop(p.Crop), p, active)).Select(p => s.Catalogue.Crop(p.Crop).Name).Distinct()],
            plantings.Any(p => p.Stage == GrowthStage.Seedling));
    }

    private static OptionAnswer Option(GardenCatalogue catalogue, MaterialOption o)
    {
        var group = catalogue.Group(o.Material.Group);
        return new(o.Recipe.Id, o.Recipe.Name, o.Material.Name, group.Id, group.Name, group.Hatch, o.Material.Evidence, o.Allowed,
            o.Allowed ? o.Reasons : [.. o.PassedOver.Select(p => $"Not now: {p}.")]);
    }

    private static StepAnswer Step(MixStep step, Mix mix) => new(
        step.Title,
        step.Detail,
        step.Material,
        step.Measure,
        step.Exact,
        [.. (mix.Parts.FirstOrDefault(p => p.Material.Id == step.Material)?.Kitchen.Scoops ?? []).Select(x => new ScoopAnswer(x.Unit.Name, x.Count))]);

    private static BatchAnswer Answer(GardenSnapshot s, Batch b)
    {
        var recipe = s.Catalogue.FindRecipe(b.Recipe)!;
        return new(
            b.Id,
            recipe.Name,
            recipe.Active.Material,
            b.Step,
            b.Litres,
            b.MadeAt,
            b.UseBy,
            b.Target,
            b.Target is null ? null : s.Catalogue.FindTarget(b.Target)?.Name,
            b.PlantingIds,
            [.. b.PlantingIds.Select(s.FindPlanting).OfType<Planting>().Select(p => GardenAnswers.Where(s, p))],
            [.. b.Ingredients.Select(i => string.Create(CultureInfo.InvariantCulture, $"{s.Catalogue.Material(i.Material).Name} {i.Amount:0.#} {i.Unit}"))],
            [.. b.Ingredients.SelectMany(i => s.Catalogue.Material(i.Material).Cautions).Distinct()]);
    }
}
