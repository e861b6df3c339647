using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Plan;

/// <summary>Keeps what calendars are told, soon after anything was written, so that a visit that goes can be called off.</summary>
public sealed partial class FeedKeeper(IServiceScopeFactory scopes, SnapshotCache cache, ILogger<FeedKeeper> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(30);

    /// <summary>Brings what is kept of a garden up to now.</summary>
    public static async Task KeepAsync(GardenTools tools, Guid gardenId, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return;
        }

        await using var transaction = await tools.Db.Database.BeginTransactionAsync(stop);
        var told = await tools.Db.FeedEvents.Where(e => e.GardenId == gardenId).ToListAsync(stop);
        var next = FeedBook.Next(s, [.. told]);
        foreach (var row in told.Except(next))
        {
            tools.Db.FeedEvents.Remove(row);
        }

        await tools.Db.SaveChangesAsync(stop);
        tools.Db.FeedEvents.AddRange(next.Except(told));
        await tools.Db.SaveChangesAsync(stop);
        await transaction.CommitAsync(stop);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, TimeProvider.System);
        var kept = -1L;
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                if (cache.Version() is var version && version != kept)
                {
                    await KeepAllAsync(stoppingToken);
                    kept = cache.Version();
                }
            }
            catch (Exception e) when (!stoppingToken.IsCancellationRequested)
            {
                LogFailure(log, e);
            }
        }
    }

    private async Task KeepAllAsync(CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        var tools = scope.ServiceProvider.GetRequiredService<GardenTools>();
        foreach (var garden in await tools.Db.Gardens.AsNoTracking().Select(g => g.Id).ToListAsync(stop))
        {
            await KeepAsync(tools, garden, stop);
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "What calendars are told could not be kept. The next try is in half a minute.")]
    private static partial void LogFailure(ILogger log, Exception exception);
}
