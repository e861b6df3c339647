using Mauvaise.Core.Gardens;
using Mauvaise.Store;
using Mauvaise.Store.Deeds;
using Mauvaise.Store.Loading;

namespace Mauvaise.Web.Hosting;

/// <summary>What nearly every handler needs: the snapshot to read from and the log to write through.</summary>
public sealed class GardenTools(SnapshotLoader loader, DeedLog log, GardenDb db, TimeProvider clock)
{
    public GardenDb Db => db;
    public DeedLog Log => log;
    public DateTimeOffset Now => clock.GetUtcNow();

    public Task<GardenSnapshot?> LoadAsync(Guid gardenId, CancellationToken stop) => loader.LoadAsync(gardenId, stop);

    /// <inheritdoc cref="SnapshotLoader.LoadSeasonAsync"/>
    public Task<GardenSnapshot?> LoadSeasonAsync(Guid gardenId, DateOnly from, DateOnly to, Guid? placeId, CancellationToken stop) => loader.LoadSeasonAsync(gardenId, from, to, placeId, stop);
}
