using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>A file of hourly or daily weather: looked at first, then imported without its bad lines.</summary>
internal static class TableEndpoints
{
    private const int BadShown = 50;
    private const int MostText = 20_000_000;

    public static void MapTable(this RouteGroupBuilder weather)
    {
        weather.MapPost("/table/preview", Preview);
        weather.MapPost("/table", Import);
    }

    private static async Task<Results<Ok<TablePreview>, ProblemHttpResult>> Preview(Guid gardenId, TableRequest body, GardenTools tools, CancellationToken stop)
    {
        if (await GardenAsync(tools, gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        if (Text(body.Text, out var table) is { } problem)
        {
            return problem;
        }

        var columns = body.Columns ?? WeatherTable.Guess(table.Header, table.Lines);
        var reading = WeatherTable.Read(table.Lines, columns, garden.Latitude, garden.Longitude, garden.Zone);
        return TypedResults.Ok(
            new TablePreview(
                columns,
                table.Header,
                [.. table.Lines.Take(5)],
                table.Lines.Count,
                reading.Daily,
                reading.Hours.Count,
                reading.Hours.Count == 0 ? null : reading.Hours.Keys.Min(),
                reading.Hours.Count == 0 ? null : reading.Hours.Keys.Max().AddHours(1),
                reading.Bad.Count,
                [.. reading.Bad.Take(BadShown).Select(b => new BadLineAnswer(b.Line + 1, table.Raw[b.Line - 1], b.Why))]
            )
        );
    }

    private static async Task<Results<Ok<TableImported>, ProblemHttpResult>> Import(Guid gardenId, TableImport body, GardenTools tools, CancellationToken stop)
    {
        if (await GardenAsync(tools, gardenId, stop) is not { } garden)
        {
            return Problems.NotFound("garden");
        }

        if (Text(body.Text, out var table) is { } problem)
        {
            return problem;
        }

        var reading = WeatherTable.Read(table.Lines, body.Columns, garden.Latitude, garden.Longitude, garden.Zone);
        var checks = new Checks()
            .That(reading.Hours.Count > 0, "text", "no-hours", Say.Of("weather.noLineOfThisFileCan"))
            .That(reading.Bad.Count == body.BadLinesSeen, "badLinesSeen", "look-first", Say.Of("weather.linesCanNotBeUsedLook", ("bad", reading.Bad.Count)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await WeatherEndpoints.KeepAsync(
            tools,
            gardenId,
            body.MemberId,
            Say.Of("weather.importedHoursOfWeather", ("hours", reading.Hours.Count)),
            WeatherSource.File,
            [WeatherStore.Series(reading.Hours)],
            stop
        );
        return TypedResults.Ok(new TableImported(reading.Hours.Count, reading.Bad.Count));
    }

    private static async Task<Garden?> GardenAsync(GardenTools tools, Guid gardenId, CancellationToken stop) =>
        await tools.Db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is { } row ? RowReading.ToGarden(row) : null;

    private static ProblemHttpResult? Text(string text, out TableText table)
    {
        table = null!;
        var checks = new Checks().That(text.Length is > 0 and <= MostText, "text", "text-range", Say.Of("weather.theFileIsEmptyOrOver"));
        if (checks.Passed)
        {
            try
            {
                table = TableText.Read(text);
                return null;
            }
            catch (Exception e) when (e is FormatException or CsvHelper.CsvHelperException)
            {
                checks.That(false, "text", "not-a-table", e is FormatException ? e.Message : Say.Of("weather.thisIsNoTableOfValues"));
            }
        }

        return checks.Problem();
    }
}
