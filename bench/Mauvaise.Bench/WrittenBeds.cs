using System.Collections.Concurrent;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace Mauvaise.Bench;

/// <summary>Beds that are added to a garden while something goes wrong: what was acknowledged must be there afterwards.</summary>
internal sealed class WrittenBeds
{
    private readonly Guid garden = Guid.NewGuid();
    private readonly ConcurrentDictionary<string, bool> acknowledged = new();

    public int Count => acknowledged.Count;

    public async Task BeginAsync(HttpClient http)
    {
        var first = Bed("Bed");
        (
            await http.PostAsJsonAsync(
                "/api/gardens",
                new
                {
                    id = garden,
                    name = "Tried",
                    latitude = 47.5,
                    longitude = 16.3,
                    timeZoneId = "Europe/Vienna",
                    climate = "continental",
                    kitchen = "metric",
                    stance = "watchAndTreat",
                    memberName = "Ilse",
                    firstPlace = first,
                }
            )
        ).EnsureSuccessStatusCode();
        acknowledged["Bed"] = true;
    }

    /// <summary>How many of the acknowledged are not there. What was written and never acknowledged is there or not, whole in either case.</summary>
    public async Task<int> LostAsync(HttpClient http)
    {
        var kept = (await http.GetFromJsonAsync<JsonElement>($"/api/gardens/{garden}"))
            .GetProperty("places")
            .EnumerateArray()
            .Select(p => p.GetProperty("name").GetString()!)
            .ToHashSet();
        var lost = acknowledged.Keys.Count(name => !kept.Contains(name));
        foreach (var name in kept)
        {
            acknowledged[name] = true;
        }

        return lost;
    }

    /// <returns>What the app answered.</returns>
    public async Task<HttpStatusCode> TryAsync(HttpClient http, string name)
    {
        using var answer = await http.PostAsJsonAsync($"/api/gardens/{garden}/places", Bed(name));
        if (answer.IsSuccessStatusCode)
        {
            acknowledged[name] = true;
        }

        return answer.StatusCode;
    }

    public async Task WriteAsync(HttpClient http, string name)
    {
        if (await TryAsync(http, name) is var status and not HttpStatusCode.Created)
        {
            throw new InvalidOperationException($"A sound write was answered {status}.");
        }
    }

    private static object Bed(string name) =>
        new
        {
            id = Guid.NewGuid(),
            name,
            kind = "openBed",
            lengthM = 4.0,
            widthM = 1.2,
            sunHours = 7.0,
            watering = "drip",
        };
}
