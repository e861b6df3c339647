using System.Net.Http.Json;
using Mauvaise.Core.Sky;

namespace Mauvaise.StandIns;

/// <summary>Where a made-up station stands and whom it tells.</summary>
/// <param name="Address">The garden's address for readings.</param>
public sealed record StationSettings(Uri Address, string Key, double Latitude, double Longitude, string Climate);

/// <summary>A made-up weather station that sends what it measured: the same truth as the service's, every hour of the last days anew.</summary>
public sealed class StandInStation(StandInWeather weather, StationSettings settings)
{
    private static readonly TimeSpan Remembers = TimeSpan.FromDays(2);

    /// <summary>Sends the readings of the last two days up to <paramref name="now"/>, four an hour.</summary>
    public async Task<HttpResponseMessage> PushAsync(HttpClient http, DateTimeOffset now, CancellationToken stop)
    {
        var last = HourSeries.WholeHour(now);
        var hours = (int)Remembers.TotalHours;
        var readings = Enumerable
            .Range(0, hours * 4)
            .Select(q => last.AddHours(-hours).AddMinutes(15 * q))
            .Select(at => (At: at, Hour: weather.Truth(HourSeries.WholeHour(at))))
            .Select(x => new
            {
                at = x.At,
                temperatureC = x.Hour.TemperatureC,
                relativeHumidityPercent = x.Hour.RelativeHumidityPercent,
                windMetresPerSecond = x.Hour.WindMetresPerSecond,
                gustMetresPerSecond = x.Hour.GustMetresPerSecond,
                rainMm = x.Hour.RainMm / 4,
            });
        using var request = new HttpRequestMessage(HttpMethod.Post, settings.Address) { Content = JsonContent.Create(new { readings }) };
        request.Headers.Add("X-Station-Key", settings.Key);
        return await http.SendAsync(request, stop);
    }
}

/// <summary>Sends every minute while the stand-in runs. What goes wrong is told and tried again.</summary>
internal sealed partial class StationSchedule(StandInStation station, ILogger<StationSchedule> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var http = new HttpClient();
        using var timer = new PeriodicTimer(TimeSpan.FromMinutes(1));
        do
        {
            try
            {
                using var answer = await station.PushAsync(http, DateTimeOffset.UtcNow, stoppingToken);
                if (!answer.IsSuccessStatusCode)
                {
                    NotTaken(log, $"{(int)answer.StatusCode}");
                }
            }
            catch (HttpRequestException e)
            {
                NotTaken(log, e.GetType().Name);
            }
        } while (await timer.WaitForNextTickAsync(stoppingToken));
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The readings were not taken: {Failure}")]
    private static partial void NotTaken(ILogger log, string failure);
}
