using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <summary>Bottles that were really made: saved, drawn from the shelf, carried to later or poured away.</summary>
public static class BatchEndpoints
{
    /// <summary>A rest smaller than this is not worth a line, litres.</summary>
    private const double RestLitres = 0.03;

    /// <summary>A rest that nobody poured away is named for this long after its use-by.</summary>
    private static readonly TimeSpan NamedAfter = TimeSpan.FromDays(7);

    public static void MapBatches(this RouteGroupBuilder garden)
    {
        garden.MapPost("/batches", Save);
        garden.MapGet("/batches/left", Left);
        garden.MapGet("/batches/{batchId:guid}", Show);
        garden.MapPost("/batches/{batchId:guid}/empty", Empty);
    }

    private static async Task<Results<Created<BatchAnswer>, ProblemHttpResult>> Save(Guid gardenId, NewBatch body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (await tools.FindBatchAsync(s, body.Id, stop) is { } sent)
        {
            return TypedResults.Created($"/api/gardens/{gardenId}/batches/{body.Id}", Answer(s, sent));
        }

        var wet = s.Catalogue.FindRecipe(body.Recipe)?.IsWet ?? true;
        var checks = BenchOrder
            .Check(s, body.PlantingIds, body.Target, body.Recipe, body.Add ?? [], body.Soap, body.Dose, body.BottlePercent, new Checks())
            .That(body.PlantingIds.Count > 0, "plantingIds", "plantings-missing", Say.Of("bench.sayWhatTheMix"))
            .That(body.Size > 0 && body.Size <= Mix.MostOf(wet), "size", "size-range", BenchOrder.SizeRange(wet))
            .That(!body.PatchTest || (wet && body.Size <= SprayVolume.MostPatchTestLitres), "size", "patch-size", Say.Of("bench.twoLeavesTakeHalfALitre"))
            .That(
                body.Sprayer is null || s.Sprayers.Any(x => x.Id == body.Sprayer),
                "sprayer",
                "sprayer-unknown",
                Say.Of("bench.chooseOneOfTheGardensSprayers")
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var ask = new MixAsk(
            body.PlantingIds,
            body.Target,
            body.Recipe,
            body.Step,
            body.Add ?? [],
            body.Dose,
            body.Soap,
            body.BottlePercent,
            body.At,
            body.PatchTest
        );
        var shared = body.Also is null ? null : OneTank.For(s, ask, body.Size).FirstOrDefault(t => t.Other.Id == body.Also);
        if (body.Also is not null && shared?.Material is null)
        {
            return new Checks().That(false, "also", "also-not", shared?.Sentence ?? Say.Of("bench.thatIsNotThere")).Problem();
        }

        var made = MixDeeds.Make(s, shared is { Beside: true } ? ask with { Add = [.. ask.Add, shared.Material!.Id] } : ask, body.Size);
        var mix = made.Mix;
        if (made.Verdict != MixVerdict.Ok)
        {
            var why = made.Reasons.First(r => r.Verdict == made.Verdict);
            return Problems.Refused(
                "mix-" + why.Code,
                made.NearestStep is { } nearest
                    ? Say.Of("bench.theDoseIsTheMost", ("sentence", why.Sentence), ("nearest", nearest.ToString().ToLowerInvariant()))
                    : why.Sentence
            );
        }

        var bottle = Bottles.Fill(
            s,
            body.Id,
            body.PlantingIds,
            body.Target,
            body.PatchTest,
            mix,
            tools.Now,
            body.MemberId,
            sprayerId: body.Sprayer,
            also: shared is null ? null : new AlsoAgainst(shared.Other.Id, shared.Material!.Id)
        );
        var after = await tools.DoAsync(s, bottle, stop);
        return TypedResults.Created($"/api/gardens/{gardenId}/batches/{body.Id}", Answer(after, bottle.Batches[0]));
    }

    private static async Task<Results<Ok<BatchAnswer>, ProblemHttpResult>> Show(Guid gardenId, Guid batchId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && await tools.FindBatchAsync(s, batchId, stop) is { } batch
            ? TypedResults.Ok(Answer(s, batch))
            : Problems.NotFound("bottle");

    private static async Task<Results<Ok<IReadOnlyList<LeftoverAnswer>>, ProblemHttpResult>> Left(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s
            ? TypedResults.Ok<IReadOnlyList<LeftoverAnswer>>([
                .. s
                    .Batches.Where(b => s.LeftIn(b) >= RestLitres && b.UseBy > s.Now - NamedAfter)
                    .OrderBy(b => b.UseBy)
                    .Select(b => new LeftoverAnswer(
                        Answer(s, b),
                        b.UseBy < s.Now,
                        b.UseBy < s.Now ? Say.Of("bench.pastItsUseByPour")
                            : b.ReadyAt is { } ready && ready > s.Now ? Say.Of("sprays.itStandsUntil", ("when", Figure.Moment(s.Garden.Zone.Local(ready))))
                            : Say.Of("bench.stillGoodItCanGo")
                    )),
            ])
            : Problems.NotFound("garden");

    private static async Task<Results<NoContent, ProblemHttpResult>> Empty(
        Guid gardenId,
        Guid batchId,
        EmptyBottle body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Batches.FirstOrDefaultAsync(b => b.GardenId == gardenId && b.Id == batchId, stop) is not { } row)
        {
            return Problems.NotFound("bottle");
        }

        if (row.EmptiedAt is null)
        {
            await tools.Log.WriteAsync(gardenId, body.MemberId, Say.Of("bench.pouredARestAway"), _ => row.EmptiedAt = tools.Now, stop);
        }

        return TypedResults.NoContent();
    }

    private static BatchAnswer Answer(GardenSnapshot s, Batch b)
    {
        var recipe = s.Catalogue.FindRecipe(b.Recipe)!;
        var active = s.Catalogue.Material(recipe.Active.Material);
        var parts = b.Ingredients.Select(i => (Material: s.Catalogue.Material(i.Material), i.Amount, i.Unit)).ToList();
        var strengths =
            b.Litres > 0
                ? Strengths.Of(s.Catalogue, b.Ingredients.Select(i => new MixShare(s.Catalogue.Material(i.Material), i.Amount / b.Litres, i.BottlePercent)))
                : [];
        return new(
            b.Id,
            recipe.Name,
            recipe.Form,
            active.Id,
            s.Catalogue.Group(active.Group).Hatch,
            b.Step,
            b.Litres,
            s.LeftIn(b),
            Figure.Volume(s.LeftIn(b)),
            b.Litres > 0 ? Figure.Volume(b.Litres) : Figure.Amount(b.Ingredients[0].Amount, b.Ingredients[0].Unit),
            b.MadeAt,
            b.UseBy,
            s.Members.FirstOrDefault(m => m.Id == b.MemberId)?.Name,
            b.Target,
            b.Target is null ? null : s.Catalogue.FindTarget(b.Target)?.Name,
            b.PlantingIds,
            [.. b.PlantingIds.Select(s.FindPlanting).OfType<Planting>().Select(p => s.Where(p))],
            [.. parts.Select(p => $"{p.Material.Name} {Figure.Amount(p.Amount, p.Unit)}")],
            [.. strengths.Select(BenchEndpoints.Strength)],
            [.. parts.Select(p => p.Material).Concat(strengths.Select(x => x.Material)).SelectMany(m => m.Cautions).Distinct()],
            b.PatchTest,
            b.ReadyAt,
            b.Also is null ? null : s.Catalogue.FindTarget(b.Also.Target)?.Name
        );
    }
}
