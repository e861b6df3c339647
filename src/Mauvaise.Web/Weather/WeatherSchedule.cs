using Mauvaise.Store;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>Fetches the weather of every garden at the start and every half hour of real time.</summary>
public sealed class WeatherSchedule(IServiceScopeFactory scopes) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(30);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, TimeProvider.System);
        do
        {
            await using var scope = scopes.CreateAsyncScope();
            var gardens = await scope.ServiceProvider.GetRequiredService<GardenDb>().Gardens.Select(g => g.Id).ToListAsync(stoppingToken);
            foreach (var garden in gardens)
            {
                await scope.ServiceProvider.GetRequiredService<WeatherClient>().RefreshAsync(garden, stoppingToken);
            }
        }
        while (await timer.WaitForNextTickAsync(stoppingToken));
    }
}
