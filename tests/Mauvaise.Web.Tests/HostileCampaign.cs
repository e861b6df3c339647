using System.Globalization;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace Mauvaise.Web.Tests;

/// <summary>What came of a campaign.</summary>
/// <param name="ServerErrors">Requests that were answered 5xx, or not at all.</param>
/// <param name="BrokenViews">Views that answered 5xx after them.</param>
/// <param name="WritesBehindErrors">Requests that were refused and wrote all the same.</param>
public sealed record CampaignReport(
    int Sent,
    IReadOnlyDictionary<int, int> ByStatus,
    IReadOnlyList<string> ServerErrors,
    IReadOnlyList<string> BrokenViews,
    IReadOnlyList<string> WritesBehindErrors
);

/// <summary>Sends what nobody should (<see cref="HostileRequests"/>) to every operation, the same thing at once as well, and looks at every view.</summary>
/// <param name="http">Of an app with the demo garden; addresses begin at its root.</param>
/// <param name="seed">Order and choice of requests are drawn from it.</param>
public sealed class HostileCampaign(HttpClient http, int seed)
{
    private const int LookEvery = 400;
    private readonly Random random = new(seed);
    private readonly Dictionary<int, int> byStatus = [];
    private readonly List<string> errors = [],
        broken = [],
        written = [];
    private string garden = "";
    private string? lastDeed;
    private int sent;

    /// <summary>Sends up to so many requests.</summary>
    public async Task<CampaignReport> RunAsync(int most, CancellationToken stop)
    {
        var requests = new HostileRequests((await JsonAsync("/openapi/v1.json", stop))!.AsObject(), await MeetAsync(stop), random);
        lastDeed = await LastDeedAsync(stop);
        var operations = requests.Operations().ToList();
        while (sent < most)
        {
            // Each time round the sound part of a request is drawn anew.
            foreach (var request in operations.SelectMany(requests.Of).OrderBy(_ => random.Next()).Take(most - sent).ToList())
            {
                await SendAsync(request, stop);
                if (sent % LookEvery == 0)
                {
                    await LookAsync(requests, request, stop);
                }
            }
        }

        foreach (var operation in operations.Where(o => o.Method != "GET" && o.Path.Contains("gardenId", StringComparison.Ordinal)))
        {
            await AtOnceAsync(requests.Usual(operation) with { What = "three at once" }, stop);
        }

        await LookAsync(requests, new HostileRequest("GET", "", null, "the end"), stop);
        return new CampaignReport(sent, byStatus, errors, broken, written);
    }

    /// <summary>Finds ids to use, and makes a second garden whose ids are somebody else's.</summary>
    private async Task<HostileIds> MeetAsync(CancellationToken stop)
    {
        var ids = new Dictionary<string, List<string>>();
        var state = (await JsonAsync("/api/state", stop))!;
        garden = state["gardens"]![0]!["id"]!.GetValue<string>();
        var otherGarden = Guid.NewGuid().ToString();
        var place = Guid.NewGuid().ToString();
        using var made = await http.PostAsync(
            "/api/gardens",
            Content(
                $$$"""
                {"id":"{{{otherGarden}}}","name":"Other","latitude":47,"longitude":16,"timeZoneId":"Europe/Vienna","climate":"continental",
                "kitchen":"metric","stance":"watchAndTreat","memberName":"Else",
                "firstPlace":{"id":"{{{place}}}","name":"Bed","kind":"openBed","lengthM":1,"widthM":1,"sunHours":6,"watering":"drip"}}
                """
            ),
            stop
        );
        made.EnsureSuccessStatusCode();
        var home = (await JsonAsync($"/api/gardens/{garden}", stop))!;
        var other = (await JsonAsync($"/api/gardens/{otherGarden}", stop))!;
        ids["placeId"] = [.. home["places"]!.AsArray().Select(p => p!["id"]!.GetValue<string>())];
        ids["plantingId"] = [.. home["places"]!.AsArray().SelectMany(p => p!["plantings"]!.AsArray()).Select(p => p!["id"]!.GetValue<string>())];
        ids["memberId"] = [.. home["members"]!.AsArray().Where(m => m!["role"]!.GetValue<string>() != "looker").Select(m => m!["id"]!.GetValue<string>())];
        ids["sprayerId"] = [.. home["sprayers"]!.AsArray().Select(p => p!["id"]!.GetValue<string>())];
        ids["checkBackId"] = [.. (await JsonAsync($"/api/gardens/{garden}/check-backs", stop))!.AsArray().Select(c => c!["id"]!.GetValue<string>())];
        ids["trialId"] = [.. (await JsonAsync($"/api/gardens/{garden}/trials", stop))!.AsArray().Select(c => c!["id"]!.GetValue<string>())];
        var others = new Dictionary<string, string>
        {
            ["placeId"] = place,
            ["memberId"] = other["members"]![0]!["id"]!.GetValue<string>(),
            ["sprayerId"] = other["sprayers"]![0]!["id"]!.GetValue<string>(),
            ["gardenId"] = otherGarden,
        };
        return new HostileIds(garden, ids, others);
    }

    private async Task SendAsync(HostileRequest request, CancellationToken stop)
    {
        sent++;
        var status = await StatusAsync(request, stop);
        var before = lastDeed;
        lastDeed = request.Method == "GET" ? lastDeed : await LastDeedAsync(stop);
        byStatus[status] = byStatus.GetValueOrDefault(status) + 1;
        if (status is 0 or >= 500)
        {
            errors.Add($"{status} {request.Method} {request.Path} | {request.What}");
        }
        else if (status >= 400 && before != lastDeed)
        {
            written.Add($"{status} {request.Method} {request.Path} | {request.What}");
        }
    }

    private async Task<int> StatusAsync(HostileRequest request, CancellationToken stop)
    {
        try
        {
            using var message = new HttpRequestMessage(new HttpMethod(request.Method), request.Path)
            {
                Content = request.Body is null ? null : Content(request.Body, request.ContentType),
            };
            using var answer = await http.SendAsync(message, HttpCompletionOption.ResponseHeadersRead, stop);
            if (answer.Content.Headers.ContentType?.MediaType != "text/event-stream")
            {
                // A fault half way through counts too; a stream of news has no end.
                await answer.Content.LoadIntoBufferAsync(stop);
            }

            return (int)answer.StatusCode;
        }
        catch (Exception e) when (e is HttpRequestException or UriFormatException or OperationCanceledException && !stop.IsCancellationRequested)
        {
            return 0;
        }
    }

    /// <summary>The same thing three times at once: taken once, or refused, and never a fault.</summary>
    private async Task AtOnceAsync(HostileRequest request, CancellationToken stop)
    {
        foreach (var status in await Task.WhenAll(Enumerable.Range(0, 3).Select(_ => StatusAsync(request, stop))))
        {
            sent++;
            byStatus[status] = byStatus.GetValueOrDefault(status) + 1;
            if (status is 0 or >= 500)
            {
                errors.Add($"{status} {request.Method} {request.Path} | {request.What}");
            }
        }
    }

    /// <summary>Every view that needs nothing but the garden.</summary>
    private async Task LookAsync(HostileRequests requests, HostileRequest last, CancellationToken stop)
    {
        foreach (var view in requests.Views())
        {
            var status = await StatusAsync(view, stop);
            if (status is 0 or >= 500)
            {
                broken.Add($"{status} {view.Path} after {last.Method} {last.Path} | {last.What}");
            }
        }
    }

    private async Task<string?> LastDeedAsync(CancellationToken stop) => (await JsonAsync($"/api/gardens/{garden}", stop))?["lastDeed"]?["id"]?.ToString();

    private async Task<JsonNode?> JsonAsync(string path, CancellationToken stop)
    {
        using var answer = await http.GetAsync(path, stop);
        return answer.StatusCode == HttpStatusCode.OK ? JsonNode.Parse(await answer.Content.ReadAsStringAsync(stop)) : null;
    }

    private static StringContent Content(string body, string type = "application/json") => new(body, Encoding.UTF8, type);

    /// <summary>The report as lines to print.</summary>
    public static string Told(CampaignReport report) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"{report.Sent} requests: {string.Join(", ", report.ByStatus.OrderBy(s => s.Key).Select(s => $"{s.Value} x {s.Key}"))}\n"
                + $"{report.ServerErrors.Count} answered 5xx, {report.BrokenViews.Count} views broken, "
                + $"{report.WritesBehindErrors.Count} writes behind an error\n"
                + $"{string.Join('\n', report.ServerErrors.Concat(report.BrokenViews).Concat(report.WritesBehindErrors).Take(200))}"
        );
}
