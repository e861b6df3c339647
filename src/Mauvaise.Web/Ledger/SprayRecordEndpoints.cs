using System.Globalization;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Deeds;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Sprays;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Ledger;

/// <summary>The record of a spray: shown whole, logged by hand after the fact, put right with its history, struck out.</summary>
internal static class SprayRecordEndpoints
{
    internal static void MapSprayRecords(this RouteGroupBuilder ledger)
    {
        ledger.MapGet("/sprays/{sprayId:guid}", Show);
        ledger.MapPost("/sprays", LogByHand);
        ledger.MapPut("/sprays/{sprayId:guid}", Correct);
        ledger.MapPost("/sprays/{sprayId:guid}/strike", Strike);
    }

    private static Task<ApplicationRow?> FindAsync(GardenDb db, Guid gardenId, Guid sprayId, CancellationToken stop) =>
        db.Applications.Include(a => a.Treated).FirstOrDefaultAsync(a => a.GardenId == gardenId && a.Id == sprayId, stop);

    private static async Task<Results<Ok<SprayRecord>, ProblemHttpResult>> Show(Guid gardenId, Guid sprayId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s && await FindAsync(tools.Db, gardenId, sprayId, stop) is { } row
            ? TypedResults.Ok(await AnswerAsync(tools.Db, s, row, stop))
            : Problems.NotFound("spray");

    private static async Task<Results<Created<SprayRecord>, ProblemHttpResult>> LogByHand(
        Guid gardenId,
        HandSpray body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (await FindAsync(tools.Db, gardenId, body.Id, stop) is { } sent)
        {
            return TypedResults.Created((string?)null, await AnswerAsync(tools.Db, s, sent, stop));
        }

        var wet = s.Catalogue.FindRecipe(body.Recipe)?.IsWet ?? true;
        var checks = BenchOrder
            .Check(s, body.PlantingIds, body.Target, body.Recipe, [], null, null, null, new Checks())
            .That(body.Size > 0 && body.Size <= Mix.MostOf(wet), "size", "size-range", BenchOrder.SizeRange(wet));
        SprayEndpoints.CheckSpray(s, checks, body.At, body.PlantingIds, body.ShareWetted, body.Note);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var made = MixDeeds
            .Make(s, new MixAsk(body.PlantingIds, body.Target, body.Recipe, body.Step, [], null, null, null, body.At, body.PatchTest, true), body.Size)
            .Mix;
        // It is done: only a mix that can not have been made so is refused here.
        if (made.Verdict == MixVerdict.Refused)
        {
            var why = made.Reasons.First(r => r.Verdict == MixVerdict.Refused);
            return Problems.Refused("mix-" + why.Code, why.Sentence);
        }

        var doneBy = body.DoneBy ?? body.MemberId;
        var bottle = Bottles.Fill(s, body.BatchId, body.PlantingIds, body.Target, body.PatchTest, made, body.At, doneBy, body.FromShelf);
        var order = new NewApplication(
            body.Id,
            body.BatchId,
            body.PlantingIds,
            made.Litres,
            body.ShareWetted,
            body.PatchTest,
            body.At,
            true,
            body.Note,
            doneBy,
            body.Parts
        );
        // The air of long ago is not in the snapshot; the warmth that the course goes by is that of today.
        var then = s with { Weather = await WeatherStore.ReadAsync(tools.Db, gardenId, body.At, body.At.AddHours(1), stop) };
        var spray = Core.Deeds.Sprays.Log(s, order, bottle.Batches[0], body.At, null, Core.Deeds.Sprays.AirAt(then, body.At));
        var name = s.Catalogue.Material(made.Recipe.Active.Material).Name.InSentence();
        var after = await tools.DoAsync(s, new Written(Say.Of("ledger.loggedByHand", ("name", name)), body.MemberId).And(bottle).And(spray), stop);
        return TypedResults.Created((string?)null, await AnswerAsync(tools.Db, after, (await FindAsync(tools.Db, gardenId, body.Id, stop))!, stop));
    }

    private static async Task<Results<Ok<SprayRecord>, ProblemHttpResult>> Correct(
        Guid gardenId,
        Guid sprayId,
        SprayCorrection body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || await FindAsync(tools.Db, gardenId, sprayId, stop) is not { } row)
        {
            return Problems.NotFound("spray");
        }

        var visits = await tools.Db.CheckBacks.Where(c => c.ApplicationId == sprayId).ToListAsync(stop);
        var gone = row.Treated.Select(t => t.PlantingId).Except(body.PlantingIds).ToHashSet();
        var checks = new Checks()
            .That(row.StruckAt is null, "", "spray-struck", Say.Of("ledger.thisSprayWasStruckOutBring"))
            .That(
                row.Litres > 0 ? body.Litres is > 0 and <= Mix.MostLitres : body.Litres == 0,
                "litres",
                "litres-range",
                row.Litres > 0 ? BenchOrder.SizeRange(true) : Say.Of("ledger.thisIsNoLiquidItHas")
            )
            .That(body.Target is null || s.Catalogue.FindTarget(body.Target) is not null, "target", "target-unknown", Say.Of("bench.thisPestOrDiseaseIsNot"))
            .That(
                !visits.Any(v => v.DoneAt is not null && gone.Contains(v.PlantingId)),
                "plantingIds",
                "already-judged",
                Say.Of("ledger.oneOfThePlantingsThatYou")
            );
        SprayEndpoints.CheckSpray(s, checks, body.At, body.PlantingIds, body.ShareWetted, body.Note);
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var note = string.IsNullOrWhiteSpace(body.Note) ? null : body.Note.Trim();
        var changes = Changes(s, row, body, note).ToList();
        if (changes.Count > 0)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("ledger.putRight", ("material", s.Catalogue.FindMaterial(row.Material)?.Name.InSentence() ?? row.Material)),
                db =>
                {
                    db.Corrections.AddRange(
                        changes.Select(c => new CorrectionRow
                        {
                            Id = Guid.NewGuid(),
                            GardenId = gardenId,
                            ApplicationId = sprayId,
                            At = tools.Now,
                            MemberId = body.MemberId,
                            Field = c.Field,
                            Was = c.Was,
                            Became = c.Became,
                        })
                    );
                    (row.At, row.Litres, row.Parts, row.Target, row.Why, row.Note, row.MemberId) = (
                        body.At,
                        body.Litres,
                        RowReading.Joined(body.Parts),
                        body.Target,
                        body.Why,
                        note,
                        body.DoneBy
                    );
                    row.Treated.RemoveAll(t => gone.Contains(t.PlantingId));
                    var added = body.PlantingIds.Distinct().Where(p => row.Treated.All(t => t.PlantingId != p)).ToList();
                    row.Treated.AddRange(added.Select(p => new TreatedRow { ApplicationId = sprayId, PlantingId = p }));
                    row.Treated.ForEach(t => t.ShareWetted = body.ShareWetted);
                    var spray = RowReading.ToApplication(row);
                    db.CheckBacks.AddRange(added.Select(p => Writing.Row(gardenId, Core.Deeds.Sprays.Visit(s, spray, p))));
                    db.CheckBacks.RemoveRange(visits.Where(v => gone.Contains(v.PlantingId)));
                    foreach (var open in visits.Where(v => v.DoneAt is null && !gone.Contains(v.PlantingId)))
                    {
                        open.DueOn = Core.Deeds.Sprays.VisitOn(s, spray);
                    }
                },
                stop
            );
        }

        return TypedResults.Ok(await AnswerAsync(tools.Db, s, row, stop));
    }

    private static async Task<Results<Ok<SprayRecord>, ProblemHttpResult>> Strike(
        Guid gardenId,
        Guid sprayId,
        SprayStruck body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || await FindAsync(tools.Db, gardenId, sprayId, stop) is not { } row)
        {
            return Problems.NotFound("spray");
        }

        if (body.Struck != row.StruckAt is not null)
        {
            var name = s.Catalogue.FindMaterial(row.Material)?.Name.InSentence() ?? row.Material;
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                body.Struck ? Say.Of("ledger.struckOut", ("name", name)) : Say.Of("ledger.broughtBack", ("name", name)),
                db =>
                {
                    row.StruckAt = body.Struck ? tools.Now : null;
                    db.Corrections.Add(
                        new CorrectionRow
                        {
                            Id = Guid.NewGuid(),
                            GardenId = gardenId,
                            ApplicationId = sprayId,
                            At = tools.Now,
                            MemberId = body.MemberId,
                            Field = Say.Of("ledger.struckOut2"),
                            Was = body.Struck ? "no" : "yes",
                            Became = body.Struck ? "yes" : "no",
                        }
                    );
                },
                stop
            );
        }

        return TypedResults.Ok(await AnswerAsync(tools.Db, s, row, stop));
    }

    private static IEnumerable<(string Field, string? Was, string? Became)> Changes(GardenSnapshot s, ApplicationRow row, SprayCorrection body, string? note)
    {
        string Time(DateTimeOffset at) => s.Garden.Zone.Local(at).ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture);
        string Number(double value) => value.ToString("0.###", CultureInfo.InvariantCulture);
        string Places(IEnumerable<Guid> ids) =>
            string.Join(", ", ids.Select(s.FindPlanting).OfType<Planting>().Select(p => s.Where(p)).Order(StringComparer.Ordinal));
        string? Member(Guid? id) => s.Members.FirstOrDefault(m => m.Id == id)?.Name;
        (string Field, string? Was, string? Became)[] all =
        [
            ("time", Time(row.At), Time(body.At)),
            ("litres", Number(row.Litres), Number(body.Litres)),
            (Say.Of("ledger.shareWetted"), Number(row.Treated.Select(t => t.ShareWetted).FirstOrDefault()), Number(body.ShareWetted)),
            ("parts", row.Parts, RowReading.Joined(body.Parts)),
            ("places", Places(row.Treated.Select(t => t.PlantingId)), Places(body.PlantingIds.Distinct())),
            (
                "against",
                row.Target is null ? null : s.Catalogue.FindTarget(row.Target)?.Name ?? row.Target,
                body.Target is null ? null : s.Catalogue.FindTarget(body.Target)!.Name
            ),
            ("why", row.Why.ToString(), body.Why.ToString()),
            ("note", row.Note, note),
            (Say.Of("ledger.doneBy"), Member(row.MemberId), Member(body.DoneBy)),
        ];
        return all.Where(c => c.Was != c.Became);
    }

    private static async Task<SprayRecord> AnswerAsync(GardenDb db, GardenSnapshot s, ApplicationRow row, CancellationToken stop)
    {
        var batch = await db.Batches.AsNoTracking().Include(b => b.Ingredients).FirstOrDefaultAsync(b => b.Id == row.BatchId, stop);
        var history = await db.Corrections.AsNoTracking().Where(c => c.ApplicationId == row.Id).OrderBy(c => c.At).ThenBy(c => c.Field).ToListAsync(stop);
        var visits = await db.CheckBacks.AsNoTracking().Where(c => c.ApplicationId == row.Id).Select(c => c.Id).ToListAsync(stop);
        var spray = RowReading.ToApplication(row);
        // What was not noted then may be on record since.
        var hour = spray.Air is null ? (await WeatherStore.ReadAsync(db, s.Garden.Id, row.At, row.At.AddHours(1), stop)).AtOrUnknown(0) : default;
        var material = s.Catalogue.FindMaterial(row.Material);
        string? Member(Guid? id) => s.Members.FirstOrDefault(m => m.Id == id)?.Name;
        string Name(string id) => s.Catalogue.FindMaterial(id)?.Name ?? id;
        return new SprayRecord(
            row.Id,
            row.At,
            row.Material,
            material?.Name ?? row.Material,
            material is null ? "" : s.Catalogue.Group(material.Group).Name,
            batch is null ? null : s.Catalogue.FindRecipe(batch.Recipe)?.Name ?? batch.Recipe,
            batch?.Step,
            row.PerLitre is { } dose ? Figure.Dose(dose, material?.Unit ?? "ml") : null,
            row.Litres,
            Figure.Volume(row.Litres),
            row.ExpectedLitres is { } reckoned ? Figure.Volume(reckoned) : null,
            row.Treated.Select(t => t.ShareWetted).FirstOrDefault(),
            spray.Parts ?? [],
            [.. row.Treated.Select(t => t.PlantingId)],
            [.. row.Treated.Select(t => s.FindPlanting(t.PlantingId)).OfType<Planting>().Select(p => s.Where(p))],
            row.Target,
            row.Target is null ? null : s.Catalogue.FindTarget(row.Target)?.Name ?? row.Target,
            row.Why,
            row.PatchTest,
            row.MemberId,
            row.Note,
            Air(spray.Air ?? (hour.TemperatureC is null ? null : new SprayAir(hour.TemperatureC, hour.RelativeHumidityPercent, hour.WindMetresPerSecond))),
            [
                .. (batch?.Ingredients ?? [])
                    .OrderBy(i => i.Role == "active" ? "" : i.Role, StringComparer.Ordinal)
                    .Select(i => new PartOfMix(Name(i.Material), i.Role, string.Create(CultureInfo.InvariantCulture, $"{i.Amount:0.##} {i.Unit}"))),
            ],
            visits,
            row.StruckAt,
            [.. history.Select(c => new CorrectionAnswer(c.At, Member(c.MemberId), c.Field, c.Was, c.Became))]
        );
    }

    private static string Air(SprayAir? air) =>
        air is null
            ? Say.Of("ledger.theWeatherThenIsNotKnown")
            : string.Join(
                ", ",
                new[]
                {
                    air.TemperatureC is { } t ? Figure.Temperature(t) : null,
                    air.RelativeHumidityPercent is { } h ? Say.Of("ledger.humidity", ("it", Say.In(h, "0"))) : null,
                    air.WindMetresPerSecond is { } w ? Say.Of("ledger.wind", ("wind", Figure.Wind(w))) : null,
                }.OfType<string>()
            );
}
