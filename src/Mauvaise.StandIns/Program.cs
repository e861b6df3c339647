using System.Globalization;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store.Facts;

var builder = WebApplication.CreateBuilder(args);
builder.Logging.SetMinimumLevel(LogLevel.Warning);
var seed = builder.Configuration.GetValue("Seed", 1UL);
var catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
var mood = new Mood();
var app = builder.Build();

app.MapGet("/v1/hours", async (double latitude, double longitude, DateTimeOffset from, DateTimeOffset to, DateTimeOffset? asOf, string climate, CancellationToken stop) =>
{
    if (catalogue.FindClimate(climate) is not { } known)
    {
        return Results.Problem($"There is no climate '{climate}'.", statusCode: StatusCodes.Status400BadRequest);
    }

    if (to <= from || to - from > TimeSpan.FromDays(4000))
    {
        return Results.Problem("'to' must come after 'from', by at most 4000 days.", statusCode: StatusCodes.Status400BadRequest);
    }

    await Task.Delay(mood.Slow, stop);
    if (mood.Down)
    {
        return Results.Problem("The stand-in was told to be down.", statusCode: StatusCodes.Status503ServiceUnavailable);
    }

    var hours = HourColumns.Of(new StandInWeather(known, latitude, longitude, seed).Hours(from, to, asOf ?? DateTimeOffset.UtcNow));
    return Results.Json(mood.Wrong ? hours with { TemperatureC = [.. hours.TemperatureC.Select((t, i) => i % 7 == 0 ? 999 : t)] } : hours);
});

app.MapGet("/health", () => Results.Ok());

// For tests: makes the service slow, wrong or unreachable.
app.MapPost("/mood", (string? slowSeconds, bool? wrong, bool? down) =>
{
    mood.Slow = TimeSpan.FromSeconds(double.Parse(slowSeconds ?? "0", CultureInfo.InvariantCulture));
    mood.Wrong = wrong ?? false;
    mood.Down = down ?? false;
    return Results.NoContent();
});

await app.RunAsync();

internal sealed class Mood
{
    public TimeSpan Slow { get; set; }
    public bool Wrong { get; set; }
    public bool Down { get; set; }
}
