using System.Globalization;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Deeds;
using Mauvaise.Store.Loading;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Hosting;

/// <summary>Edits say with a header what they had seen, so that nobody's work is written over unseen.</summary>
public static class SeenDeeds
{
    /// <summary>Holds the id of the garden's last deed when the form was opened.</summary>
    public const string Header = "X-Seen";

    /// <summary>Holds "true" when what both changed shall be written over.</summary>
    public const string OverHeader = "X-Over";

    public static Seen SeenDeed(this IHttpContextAccessor http) =>
        new()
        {
            Deed = long.TryParse(http.HttpContext?.Request.Headers[Header], NumberStyles.None, CultureInfo.InvariantCulture, out var deed) ? deed : null,
            Over = http.HttpContext?.Request.Headers[OverHeader].ToString() is "true",
        };
}

/// <summary>What nearly every handler needs: the snapshot to read from and the log to write through.</summary>
public sealed class GardenTools(SnapshotLoader loader, DeedLog log, GardenDb db, TimeProvider clock, IHttpContextAccessor http)
{
    public GardenDb Db => db;
    public DeedLog Log => log;
    public DateTimeOffset Now => clock.GetUtcNow();

    /// <summary>How a garden's letters and calendar speak.</summary>
    public Task<Voice> VoiceOfAsync(Guid gardenId, CancellationToken stop) =>
        Db.Gardens.AsNoTracking().Where(g => g.Id == gardenId).Select(g => new Voice(g.Language, g.Days)).FirstOrDefaultAsync(stop);

    /// <summary>The garden as it is; what is answered from here on is told in its household's units.</summary>
    public async Task<GardenSnapshot?> LoadAsync(Guid gardenId, CancellationToken stop)
    {
        var garden = await loader.LoadAsync(gardenId, stop);
        http.HttpContext?.Features.Set(garden?.Garden);
        return garden;
    }

    /// <summary>A count of the garden, also one that is too old to be in the snapshot; null when there is none.</summary>
    public async Task<Observation?> FindCountAsync(GardenSnapshot garden, Guid id, CancellationToken stop) =>
        garden.FindCount(id)
        ?? (
            await db.Observations.AsNoTracking().Include(o => o.Signs).FirstOrDefaultAsync(o => o.GardenId == garden.Garden.Id && o.Id == id, stop) is { } row
                ? RowReading.ToObservation(row)
                : null
        );

    /// <summary>A bottle of the garden, also one that is too old to be in the snapshot; null when there is none.</summary>
    public async Task<Batch?> FindBatchAsync(GardenSnapshot garden, Guid id, CancellationToken stop) =>
        garden.FindBatch(id)
        ?? (
            await db
                .Batches.AsNoTracking()
                .Include(b => b.Plantings)
                .Include(b => b.Ingredients)
                .AsSplitQuery()
                .FirstOrDefaultAsync(b => b.GardenId == garden.Garden.Id && b.Id == id, stop)
                is { } row
                ? RowReading.ToBatch(row)
                : null
        );

    /// <summary>A spray of the garden, also one that is too old to be in the snapshot; null when there is none.</summary>
    public async Task<SprayApplication?> FindSprayAsync(GardenSnapshot garden, Guid id, CancellationToken stop) =>
        garden.FindSpray(id)
        ?? (
            await db.Applications.AsNoTracking().Include(a => a.Treated).FirstOrDefaultAsync(a => a.GardenId == garden.Garden.Id && a.Id == id, stop) is { } row
                ? RowReading.ToApplication(row)
                : null
        );

    /// <summary>Writes what follows from a deed. The garden as it stands after it, without reading it anew.</summary>
    public async Task<GardenSnapshot> DoAsync(GardenSnapshot garden, Written written, CancellationToken stop)
    {
        await log.WriteAsync(garden.Garden.Id, written, stop);
        return garden.After(written);
    }

    /// <inheritdoc cref="SnapshotLoader.LoadSeasonAsync"/>
    public Task<GardenSnapshot?> LoadSeasonAsync(Guid gardenId, DateOnly from, DateOnly to, Guid? placeId, CancellationToken stop) =>
        loader.LoadSeasonAsync(gardenId, from, to, placeId, stop);
}
