using System.Security.Cryptography;
using System.Text;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>A weather station in the garden, which pushes its readings with a key.</summary>
internal static class StationEndpoints
{
    public const int MostReadings = 5000;
    private const string KeyHeader = "X-Station-Key";

    public static void MapStation(this RouteGroupBuilder weather)
    {
        weather.MapPost("/station-key", NewKey);
        weather.MapPost("/readings", Take);
    }

    private static async Task<Results<Ok<StationKeyAnswer>, ProblemHttpResult>> NewKey(
        Guid gardenId,
        StationKeyRequest body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Gardens.FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        var key = Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(16));
        await tools.Log.WriteAsync(gardenId, body.MemberId, Say.Of("weather.madeAKeyForTheWeather"), _ => garden.StationKeyHash = Hash(key), stop);
        return TypedResults.Ok(new StationKeyAnswer(key, $"/api/gardens/{gardenId}/weather/readings"));
    }

    /// <summary>Readings pushed by a station. A batch may be sent again: the last word on an hour counts.</summary>
    private static async Task<Results<Ok<StationAnswer>, ProblemHttpResult>> Take(
        Guid gardenId,
        StationBatch body,
        HttpRequest request,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        var given = Encoding.ASCII.GetBytes(Hash(request.Headers[KeyHeader].ToString()));
        if (garden.StationKeyHash is not { } hash || !CryptographicOperations.FixedTimeEquals(given, Encoding.ASCII.GetBytes(hash)))
        {
            return Problems.Of(StatusCodes.Status401Unauthorized, "station-key", Say.Of("weather.sendTheStationsKey", ("keyHeader", KeyHeader)));
        }

        var checks = new Checks().That(
            body.Readings.Count is > 0 and <= MostReadings,
            "readings",
            "readings-range",
            Say.Of("weather.send1ToReadingsAtOnce", ("mostReadings", MostReadings))
        );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var refused = new List<string>();
        var hours = new Dictionary<DateTimeOffset, List<WeatherHour>>();
        foreach (var r in body.Readings)
        {
            var reading = new WeatherHour(
                r.TemperatureC,
                r.RelativeHumidityPercent,
                r.WindMetresPerSecond,
                r.GustMetresPerSecond,
                r.RainMm,
                r.CloudPercent,
                r.LeafWetness,
                r.SolarWattsPerSquareMetre
            );
            var why =
                r.At > tools.Now.AddHours(1) ? Say.Of("weather.liesInTheFuture")
                : r.At < tools.Now.AddYears(-20) ? Say.Of("weather.liesOverTwentyYearsBack")
                : reading.Impossible();
            if (why is not null)
            {
                refused.Add(Say.Of("weather.utc", ("utcDateTime", Say.In(r.At.UtcDateTime, "yyyy-MM-dd HH:mm")), ("why", why)));
                continue;
            }

            var whole = HourSeries.WholeHour(r.At);
            if (!hours.TryGetValue(whole, out var parts))
            {
                hours[whole] = parts = [];
            }

            parts.Add(reading);
        }

        if (hours.Count > 0)
        {
            await WeatherStore.PutAsync(
                tools.Db,
                gardenId,
                WeatherSource.Station,
                WeatherStore.Series(hours.ToDictionary(h => h.Key, h => WeatherTable.Together(h.Value))),
                stop
            );
        }

        var heard = await tools.Db.WeatherFetches.FirstOrDefaultAsync(f => f.GardenId == gardenId && f.Source == WeatherSource.Station, stop);
        if (heard is null)
        {
            heard = new WeatherFetchRow { GardenId = gardenId, Source = WeatherSource.Station };
            tools.Db.WeatherFetches.Add(heard);
        }

        heard.AnsweredAt = tools.Now;
        heard.Trouble =
            refused.Count == 0 ? null
            : refused.Count == 1 ? Say.Of("weather.oneReadingWasLeftOut", ("refused", refused[0]))
            : Say.Of("weather.readingsWereLeftOut", ("refused", refused.Count), ("refused2", refused[0]));
        await tools.Db.SaveChangesAsync(stop);
        return TypedResults.Ok(new StationAnswer(hours.Count, refused));
    }

    private static string Hash(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));
}
