using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Plan;

/// <summary>Keeps what calendars are told, soon after anything was written, so that a visit that goes can be called off.</summary>
public sealed partial class FeedKeeper(IServiceScopeFactory scopes, SnapshotCache cache, ILogger<FeedKeeper> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromSeconds(30);

    /// <summary>A calendar that asks waits no longer than this for what it will be told to be kept.</summary>
    private static readonly TimeSpan MostWait = TimeSpan.FromSeconds(5);

    private static readonly TimeSpan Glance = TimeSpan.FromMilliseconds(50);

    private readonly SemaphoreSlim wake = new(0);
    private long kept = -1;

    /// <summary>Brings what is kept of a garden up to now.</summary>
    private static async Task KeepAsync(GardenTools tools, Guid gardenId, CancellationToken stop)
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

    /// <summary>Waits until what was written last is kept, so that no calendar is told what is kept nowhere.</summary>
    public async Task CaughtUpAsync(CancellationToken stop)
    {
        for (var waited = TimeSpan.Zero; Interlocked.Read(ref kept) != cache.Version() && waited < MostWait; waited += Glance)
        {
            wake.Release();
            await Task.Delay(Glance, TimeProvider.System, stop);
        }
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            await wake.WaitAsync(Every, stoppingToken);
            try
            {
                // Its own writes give a new version too: it looks once more, finds nothing to do, and is through.
                if (cache.Version() is var version && version != Interlocked.Read(ref kept))
                {
                    await KeepAllAsync(stoppingToken);
                    Interlocked.Exchange(ref kept, version);
                }
            }
            catch (Exception e) when (!stoppingToken.IsCancellationRequested)
            {
                LogFailure(log, e);
            }
        }
    }

    public override void Dispose()
    {
        wake.Dispose();
        base.Dispose();
    }

    private async Task KeepAllAsync(CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        var tools = scope.ServiceProvider.GetRequiredService<GardenTools>();
        foreach (var gardenId in await tools.Db.Gardens.AsNoTracking().Select(g => g.Id).ToListAsync(stop))
        {
            using var speaking = Language.Speaking(await tools.VoiceOfAsync(gardenId, stop));
            await KeepAsync(tools, gardenId, stop);
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "What calendars are told could not be kept. The next try is in half a minute.")]
    private static partial void LogFailure(ILogger log, Exception exception);
}
