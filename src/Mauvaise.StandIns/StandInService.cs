using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Facts;

namespace Mauvaise.StandIns;

/// <summary>How the service behaves; tests make it slow, wrong or unreachable.</summary>
public sealed record Mood(double SlowSeconds = 0, bool Wrong = false, bool Down = false, bool Nonsense = false);

/// <summary>
/// The stand-in weather service: one documented route that answers hours as columns, and a switch for its mood; and a mail server, where asked for.
/// </summary>
public static class StandInService
{
    /// <summary>
    /// Builds the service. Arguments: --urls, --Seed; and for a station that pushes to a garden --Station (its address for
    /// readings), --StationKey, --Latitude, --Longitude, --Climate; and for letters --Mail, the port they come to.
    /// </summary>
    public static WebApplication Build(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Logging.SetMinimumLevel(LogLevel.Warning);
        var seed = builder.Configuration.GetValue("Seed", 1UL);
        var climates = CatalogueFiles.Climates(CatalogueFiles.DefaultFolder).ToDictionary(c => c.Id);
        if (builder.Configuration["Station"] is { Length: > 0 } address)
        {
            var settings = new StationSettings(
                new Uri(address),
                builder.Configuration["StationKey"] ?? "",
                builder.Configuration.GetValue<double>("Latitude"),
                builder.Configuration.GetValue<double>("Longitude"),
                builder.Configuration["Climate"] ?? KnownIds.Climates.Continental
            );
            builder.Services.AddSingleton(
                new StandInStation(new StandInWeather(climates[settings.Climate], settings.Latitude, settings.Longitude, seed), settings)
            );
            builder.Services.AddHostedService<StationSchedule>();
        }

        var mail = new StandInMail();
        if (builder.Configuration.GetValue<int?>("Mail") is { } port)
        {
            builder.Services.AddHostedService(_ => new MailBox(mail, port));
        }

        var mood = new Mood();
        var app = builder.Build();
        app.MapGet("/letters", () => Results.Text(mail.Page(), "text/html; charset=utf-8"));
        app.MapGet("/letters.json", () => Results.Json(mail.Letters));
        app.MapPost("/mail-mood", (Mood now) =>
        {
            mail.Mood = now;
            return Results.NoContent();
        });
        app.MapGet("/health", () => Results.Ok());
        app.MapPost("/mood", (Mood now) =>
        {
            mood = now;
            return Results.NoContent();
        });
        app.MapGet(
            "/v1/hours",
            async (double latitude, double longitude, DateTimeOffset from, DateTimeOffset to, DateTimeOffset? asOf, string climate, CancellationToken stop) =>
            {
                if (!climates.TryGetValue(climate, out var known))
                {
                    return Results.Problem($"There is no climate '{climate}'.", statusCode: StatusCodes.Status400BadRequest);
                }

                if (to <= from || to - from > TimeSpan.FromDays(4000))
                {
                    return Results.Problem("'to' must come after 'from', by at most 4000 days.", statusCode: StatusCodes.Status400BadRequest);
                }

                await Task.Delay(TimeSpan.FromSeconds(mood.SlowSeconds), stop);
                if (mood.Down)
                {
                    return Results.Problem("The stand-in was told to be down.", statusCode: StatusCodes.Status503ServiceUnavailable);
                }

                if (mood.Nonsense)
                {
                    return Results.Text("<html>not the weather</html>", "text/html");
                }

                var hours = HourColumns.Of(new StandInWeather(known, latitude, longitude, seed).Hours(from, to, asOf ?? DateTimeOffset.UtcNow));
                return Results.Json(mood.Wrong ? hours with { TemperatureC = [.. hours.TemperatureC.Select((t, i) => i % 7 == 0 ? 999 : t)] } : hours);
            }
        );
        return app;
    }
}
