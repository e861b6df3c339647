using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Text;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Ledger;

/// <summary>A table of records to bring in.</summary>
public sealed record LedgerTable([property: StringLength(Weather.TableText.MostLetters)] string Text, Guid? MemberId = null);

/// <summary>What bringing a table in does.</summary>
/// <param name="Fresh">Records that are not here yet.</param>
/// <param name="Here">Records whose id is here already: those stay as they are.</param>
/// <param name="Faults">What can not be read, by line and column; while there is any, nothing is brought in.</param>
public sealed record LedgerTablePreview(int Fresh, int Here, IReadOnlyList<string> Faults);

/// <summary>The ledger out as a table and in again.</summary>
internal static class LedgerCsvEndpoints
{
    private const int MostLetters = 50_000_000;
    private const int MostFaults = 20;

    internal static void MapLedgerCsv(this RouteGroupBuilder ledger)
    {
        ledger.MapGet("/table.csv", Write).Produces(StatusCodes.Status200OK, contentType: "text/csv");
        ledger.MapPost("/table/preview", Preview);
        ledger.MapPost("/table", TakeIn);
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Write(
        Guid gardenId,
        [AsParameters] LedgerAsk ask,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = ask.Check(new Checks());
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var reader = new LedgerReader(tools.Db);
        var filter = ask.In(s.Garden);
        bool Wanted(LedgerKind kind) => filter.Kind is null || filter.Kind == kind;
        var rows = new LedgerRows(
            Wanted(LedgerKind.Spray) ? await reader.Sprays(gardenId, filter).Include(a => a.Treated).ToListAsync(stop) : [],
            Wanted(LedgerKind.Task) ? await reader.Tasks(gardenId, filter).ToListAsync(stop) : [],
            Wanted(LedgerKind.Count) ? await reader.CountsOf(gardenId, filter).Include(o => o.Signs).ToListAsync(stop) : [],
            Wanted(LedgerKind.Check) ? await reader.Checks(gardenId, filter).ToListAsync(stop) : []
        );
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        await LedgerCsvWriter.WriteAsync(text, s, rows);
        return TypedResults.File(
            Encoding.UTF8.GetBytes(text.ToString()),
            "text/csv; charset=utf-8",
            string.Create(CultureInfo.InvariantCulture, $"ledger-{s.Today:yyyy-MM-dd}.csv")
        );
    }

    private static async Task<Results<Ok<LedgerTablePreview>, ProblemHttpResult>> Preview(
        Guid gardenId,
        LedgerTable body,
        GardenTools tools,
        CancellationToken stop
    ) =>
        await tools.LoadAsync(gardenId, stop) is not { } s ? Problems.NotFound("garden")
        : body.Text.Length > MostLetters ? TooLong()
        : TypedResults.Ok((await ReadAsync(s, body, tools, stop)).Preview);

    private static async Task<Results<Ok<LedgerTablePreview>, ProblemHttpResult>> TakeIn(
        Guid gardenId,
        LedgerTable body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (body.Text.Length > MostLetters)
        {
            return TooLong();
        }

        var (fresh, preview) = await ReadAsync(s, body, tools, stop);
        if (preview.Faults.Count > 0)
        {
            return new Checks().That(false, "text", "table-faults", string.Join(" ", preview.Faults)).Problem();
        }

        if (fresh.Count > 0)
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                fresh.Count == 1
                    ? Say.Of("ledger.broughtInRecordFromATable", ("fresh", fresh.Count))
                    : Say.Of("ledger.broughtInRecordsFromATable", ("fresh", fresh.Count)),
                db =>
                {
                    db.Applications.AddRange(fresh.Sprays);
                    db.Tasks.AddRange(fresh.Tasks);
                    db.Observations.AddRange(fresh.Counts);
                    db.CheckBacks.AddRange(fresh.Checks);
                },
                stop
            );
        }

        return TypedResults.Ok(preview);
    }

    private static ProblemHttpResult TooLong() => Problems.Of(StatusCodes.Status413PayloadTooLarge, "table-long", Say.Of("ledger.thisTableIsTooLongBring"));

    /// <summary>What of a table is not here yet, with links that lead nowhere found out.</summary>
    private static async Task<(LedgerRows Fresh, LedgerTablePreview Preview)> ReadAsync(
        GardenSnapshot s,
        LedgerTable body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        var rows = LedgerCsvReader.Read(body.Text, s, out var faults);
        var id = s.Garden.Id;
        // Ids of other gardens count as here: they can not be used again.
        var sprays = (await tools.Db.Applications.Select(a => a.Id).ToListAsync(stop)).ToHashSet();
        var tasks = (await tools.Db.Tasks.Select(a => a.Id).ToListAsync(stop)).ToHashSet();
        var counts = (await tools.Db.Observations.Select(a => a.Id).ToListAsync(stop)).ToHashSet();
        var checks = (await tools.Db.CheckBacks.Select(a => a.Id).ToListAsync(stop)).ToHashSet();
        var batches = (await tools.Db.Batches.Where(b => b.GardenId == id).Select(a => a.Id).ToListAsync(stop)).ToHashSet();
        var walks = (await tools.Db.Walks.Where(w => w.GardenId == id).Select(a => a.Id).ToListAsync(stop)).ToHashSet();
        var fresh = new LedgerRows(
            [.. rows.Sprays.Where(r => !sprays.Contains(r.Id))],
            [.. rows.Tasks.Where(r => !tasks.Contains(r.Id))],
            [.. rows.Counts.Where(r => !counts.Contains(r.Id))],
            [.. rows.Checks.Where(r => !checks.Contains(r.Id))]
        );
        sprays.UnionWith(rows.Sprays.Select(r => r.Id));
        tasks.UnionWith(rows.Tasks.Select(r => r.Id));
        counts.UnionWith(rows.Counts.Select(r => r.Id));
        var found = faults.ToList();
        // Mixes and walks are no part of the table: a record stands without them.
        foreach (var spray in fresh.Sprays.Where(r => r.BatchId is { } b && !batches.Contains(b)))
        {
            spray.BatchId = null;
        }

        foreach (var count in fresh.Counts.Where(r => r.WalkId is { } w && !walks.Contains(w)))
        {
            count.WalkId = null;
        }

        found.AddRange(
            fresh.Checks.Where(r => r.ApplicationId is { } a && !sprays.Contains(a)).Select(r => Say.Of("ledger.theCheckJudgesASpray", ("id", r.Id)))
        );
        found.AddRange(fresh.Checks.Where(r => r.TaskId is { } t && !tasks.Contains(t)).Select(r => Say.Of("ledger.theCheckJudgesATask", ("id", r.Id))));
        found.AddRange(
            fresh
                .Checks.Where(r => (r.ObservationId is { } o && !counts.Contains(o)) || (r.BeforeId is { } b && !counts.Contains(b)))
                .Select(r => Say.Of("ledger.theCheckNamesACount", ("id", r.Id)))
        );
        found.AddRange(Twice(fresh).Select(twice => Say.Of("ledger.theIdStandsInTheTable", ("twice", twice))));
        return (fresh, new LedgerTablePreview(fresh.Count, rows.Count - fresh.Count, [.. found.Take(MostFaults)]));
    }

    private static IEnumerable<Guid> Twice(LedgerRows rows) =>
        rows
            .Sprays.Select(r => r.Id)
            .Concat(rows.Tasks.Select(r => r.Id))
            .Concat(rows.Counts.Select(r => r.Id))
            .Concat(rows.Checks.Select(r => r.Id))
            .GroupBy(id => id)
            .Where(g => g.Count() > 1)
            .Select(g => g.Key);
}
