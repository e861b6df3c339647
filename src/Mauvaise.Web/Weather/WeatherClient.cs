using System.Globalization;
using System.Text.Json;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.EntityFrameworkCore;
using Polly.CircuitBreaker;
using Polly.Timeout;

namespace Mauvaise.Web.Weather;

/// <summary>
/// Asks the weather service for history and forecast and keeps the answer. When the service fails, what is known stays, and
/// the reason is kept for the screen.
/// </summary>
public sealed partial class WeatherClient(HttpClient http, GardenDb db, Settings settings, TimeProvider clock, ILogger<WeatherClient> log)
{
    /// <summary>Hours before the last answer that are asked again: they were forecast then, and are measured now.</summary>
    private static readonly TimeSpan Overlap = TimeSpan.FromDays(2);

    private static readonly TimeSpan Forecast = TimeSpan.FromDays(10);

    /// <summary>For the whole answer, its body too.</summary>
    public static readonly TimeSpan LongestAnswer = TimeSpan.FromSeconds(10);

    /// <summary>Ten years of hours are smaller than this, bytes.</summary>
    public const long LargestAnswer = 2_000_000;

    /// <summary>The schedule and a set-up or a stepped clock may ask at once; one after the other they do not write the same rows.</summary>
    private static readonly SemaphoreSlim OneAtATime = new(1, 1);

    /// <summary>Fetches for one garden.</summary>
    /// <returns>True when the service answered with usable hours.</returns>
    public async Task<bool> RefreshAsync(Guid gardenId, CancellationToken stop)
    {
        await OneAtATime.WaitAsync(stop);
        try
        {
            return await FetchAsync(gardenId, stop);
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    /// <summary>Fetches for one garden; what goes wrong is logged and left to the schedule, since the garden is there all the same.</summary>
    public async Task TryRefreshAsync(Guid gardenId, CancellationToken stop)
    {
        try
        {
            await RefreshAsync(gardenId, stop);
        }
        catch (Exception e) when (!stop.IsCancellationRequested)
        {
            FetchFailed(log, e.GetType().Name);
        }
    }

    private async Task<bool> FetchAsync(Guid gardenId, CancellationToken stop)
    {
        if (settings.WeatherService is null || await db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } row)
        {
            return false;
        }

        var fetch = await db.WeatherFetches.FirstOrDefaultAsync(f => f.GardenId == gardenId && f.Source == WeatherSource.Service, stop);
        if (fetch is null)
        {
            fetch = new WeatherFetchRow { GardenId = gardenId, Source = WeatherSource.Service };
            db.WeatherFetches.Add(fetch);
        }

        var now = clock.GetUtcNow();
        try
        {
            var from = HourSeries.WholeHour(fetch.AnsweredAt is { } last && last <= now ? last - Overlap : now.AddDays(-settings.HistoryDays));
            var hours = await http.GetFromJsonAsync<HourColumns>(Address(RowReading.ToGarden(row), from, now), stop)
                ?? throw new JsonException("The answer is empty.");
            var refused = await WeatherStore.PutAsync(db, gardenId, WeatherSource.Service, hours.ToSeries(), stop);
            fetch.AnsweredAt = now;
            fetch.Trouble = refused.Count == 0 ? null : Say.Of("weather.hoursHadImpossibleValuesAndWere", ("refused", refused.Count));
        }
        catch (Exception e)
            when (e
                    is HttpRequestException
                        or IOException
                        or JsonException
                        or FormatException
                        or NotSupportedException
                        or TimeoutRejectedException
                        or BrokenCircuitException
                || (e is OperationCanceledException && !stop.IsCancellationRequested)
            )
        {
            fetch.Trouble = e switch
            {
                JsonException or FormatException or NotSupportedException => Say.Of("weather.theWeatherServiceAnsweredWithSomething"),
                HttpRequestException { HttpRequestError: HttpRequestError.ConfigurationLimitExceeded } => Say.Of("weather.theWeatherServiceAnsweredWithMore"),
                _ => Say.Of("weather.theWeatherServiceDoesNotAnswer"),
            };
            FetchFailed(log, e.GetType().Name);
        }

        await db.SaveChangesAsync(stop);
        return fetch.Trouble is null;
    }

    /// <summary>
    /// The documented request: latitude, longitude, from, to, asOf (the asker's clock) and climate, added to the address in
    /// the settings.
    /// </summary>
    private Uri Address(Garden garden, DateTimeOffset from, DateTimeOffset now)
    {
        var query = string.Create(
            CultureInfo.InvariantCulture,
            $"latitude={garden.Latitude}&longitude={garden.Longitude}&from={from:yyyy-MM-ddTHH:mm:ssZ}"
                + $"&to={HourSeries.WholeHour(now + Forecast):yyyy-MM-ddTHH:mm:ssZ}&asOf={now.UtcDateTime:yyyy-MM-ddTHH:mm:ssZ}"
                + $"&climate={Uri.EscapeDataString(garden.Climate)}"
        );
        return new UriBuilder(settings.WeatherService!) { Query = query }.Uri;
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The weather service failed: {Failure}")]
    private static partial void FetchFailed(ILogger log, string failure);
}
