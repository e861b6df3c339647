using Mauvaise.Store;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>Fetches the weather of every garden soon after the start and every half hour of real time. Whatever goes wrong, the app goes on.</summary>
public sealed partial class WeatherSchedule(IServiceScopeFactory scopes, ILogger<WeatherSchedule> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(30);

    /// <summary>A start has enough to do.</summary>
    private static readonly TimeSpan First = TimeSpan.FromSeconds(2);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(First, TimeProvider.System);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            timer.Period = Every;
            try
            {
                await RefreshAllAsync(stoppingToken);
            }
            catch (Exception e) when (!stoppingToken.IsCancellationRequested)
            {
                // An unforeseen fault here would end the host.
                LogFailure(log, e);
            }
        }
    }

    private async Task RefreshAllAsync(CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        var gardens = await scope.ServiceProvider.GetRequiredService<GardenDb>().Gardens.Select(g => g.Id).ToListAsync(stop);
        foreach (var garden in gardens)
        {
            // One garden's fault does not follow the context to the next.
            await using var one = scopes.CreateAsyncScope();
            await one.ServiceProvider.GetRequiredService<WeatherClient>().RefreshAsync(garden, stop);
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "The weather could not be fetched. The next try is in half an hour.")]
    private static partial void LogFailure(ILogger log, Exception exception);
}
