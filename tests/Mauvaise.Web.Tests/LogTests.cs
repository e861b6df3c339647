using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Mauvaise.Web.Tests;

/// <summary>With the levels that are shipped no log line holds a secret or a position, whatever goes wrong.</summary>
public sealed class LogTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task No_line_holds_a_key_or_a_position()
    {
        // With a history of its own it is nobody else's app, and starts with the provider.
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 3);
        using var lines = new Lines();
        await using var loud = app.WithWebHostBuilder(b =>
            b.ConfigureTestServices(s => s.AddLogging(l => l.AddProvider(lines).AddFilter<Lines>("Mauvaise", LogLevel.Trace)))
        );
        using var http = loud.CreateClient();
        var api = $"/api/gardens/{DemoGarden.GardenId}";
        var garden = (await http.GetFromJsonAsync<GardenAnswer>(api, TestApp.Json, Stop))!;
        using var made = await http.PostAsJsonAsync($"{api}/weather/station-key", new { }, TestApp.Json, Stop);
        var key = (await made.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("key").GetString()!;
        using var linked = await http.PostAsJsonAsync(
            $"{api}/links",
            new
            {
                id = Guid.NewGuid(),
                name = "Phone",
                kind = "calendar",
            },
            TestApp.Json,
            Stop
        );
        var link = (await linked.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("address").GetString()!;

        // A service that answers and one that does not, a reading with a wrong key and one that can not be read, a fault.
        await app.SetMoodAsync(new StandIns.Mood { Down = true });
        var moved = new SiteChange(garden.Name, garden.Latitude + 0.5, garden.Longitude, garden.TimeZoneId, garden.Climate);
        Assert.Equal(HttpStatusCode.NoContent, (await http.PutAsJsonAsync($"{api}/site", moved, TestApp.Json, Stop)).StatusCode);
        using var reading = new HttpRequestMessage(HttpMethod.Post, $"{api}/weather/readings")
        {
            Content = JsonContent.Create(new { at = "never" }),
            Headers = { { "X-Station-Key", key } },
        };
        Assert.Equal(HttpStatusCode.BadRequest, (await http.SendAsync(reading, Stop)).StatusCode);
        await http.GetAsync(new Uri(link, UriKind.RelativeOrAbsolute), Stop);
        await http.PostAsJsonAsync("/api/home/sign-in", new { name = "Ilse", passPhrase = "a wrong pass phrase" }, Stop);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await http.PutAsJsonAsync($"{api}/site", new { latitude = garden.Latitude, longitude = "here" }, Stop)).StatusCode
        );

        Assert.Contains(lines.All, line => line.Contains("weather service failed", StringComparison.Ordinal));
        string[] secrets = [key, link, "a wrong pass phrase", Number(garden.Latitude), Number(moved.Latitude), Number(garden.Longitude)];
        Assert.DoesNotContain(lines.All, line => secrets.Any(secret => line.Contains(secret, StringComparison.Ordinal)));
    }

    private static string Number(double degrees) => degrees.ToString(System.Globalization.CultureInfo.InvariantCulture);

    private sealed class Lines : ILoggerProvider, ILogger
    {
        private readonly ConcurrentQueue<string> all = new();

        public IReadOnlyCollection<string> All => all;

        public ILogger CreateLogger(string categoryName) => this;

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(LogLevel logLevel, EventId eventId, TState state, Exception? exception, Func<TState, Exception?, string> formatter) =>
            all.Enqueue($"{formatter(state, exception)} {exception}");

        public void Dispose() => all.Clear();
    }
}
