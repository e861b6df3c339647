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

/// <summary>
/// Sends what nobody should to every operation of the OpenAPI document: for each field and parameter wrong types, nulls, ends of
/// ranges, odd text, ids of others and of zeros, holes and crowds in lists, the same thing at once; then looks at every view.
/// </summary>
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
    private JsonObject document = [];
    private string garden = "",
        otherGarden = "";
    private readonly Dictionary<string, List<string>> ids = [];
    private readonly Dictionary<string, string> others = [];
    private int sent;

    private sealed record Operation(string Method, string Path, JsonObject Described);

    private sealed record Request(string Method, string Path, string? Body, string What, string ContentType = "application/json");

    /// <summary>Sends up to so many requests.</summary>
    public async Task<CampaignReport> RunAsync(int most, CancellationToken stop)
    {
        document = (await JsonAsync("/openapi/v1.json", stop))!.AsObject();
        await MeetAsync(stop);
        var operations = Operations().ToList();
        while (sent < most)
        {
            // Each time round the sound part of a request is drawn anew.
            foreach (var request in operations.SelectMany(Requests).OrderBy(_ => random.Next()).Take(most - sent).ToList())
            {
                await SendAsync(request, stop);
                if (sent % LookEvery == 0)
                {
                    await LookAsync(operations, request, stop);
                }
            }
        }

        foreach (var operation in operations.Where(o => o.Method != "GET" && o.Path.Contains("gardenId", StringComparison.Ordinal)))
        {
            await AtOnceAsync(operation, stop);
        }

        await LookAsync(operations, new Request("GET", "", null, "the end"), stop);
        return new CampaignReport(sent, byStatus, errors, broken, written);
    }

    /// <summary>Finds ids to use, and makes a second garden whose ids are somebody else's.</summary>
    private async Task MeetAsync(CancellationToken stop)
    {
        var state = (await JsonAsync("/api/state", stop))!;
        garden = state["gardens"]![0]!["id"]!.GetValue<string>();
        otherGarden = Guid.NewGuid().ToString();
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
        (others["placeId"], others["memberId"], others["sprayerId"], others["gardenId"]) = (
            place,
            other["members"]![0]!["id"]!.GetValue<string>(),
            other["sprayers"]![0]!["id"]!.GetValue<string>(),
            otherGarden
        );
    }

    private IEnumerable<Operation> Operations() =>
        from path in document["paths"]!.AsObject()
        from method in path.Value!.AsObject()
        where !path.Key.StartsWith("/api/demo", StringComparison.Ordinal) && !path.Key.StartsWith("/api/archive", StringComparison.Ordinal)
        select new Operation(method.Key.ToUpperInvariant(), path.Key, method.Value!.AsObject());

    private IEnumerable<Request> Requests(Operation operation)
    {
        var body = BodyOf(operation);
        yield return Usual(operation, body);
        foreach (var parameter in Parameters(operation))
        {
            var schema = Resolved(parameter["schema"]!);
            var name = parameter["name"]!.GetValue<string>();
            // A path with a nought in it does not get as far as a route.
            foreach (var odd in OddParameters(name, schema).Where(o => o != "%00" || parameter["in"]!.GetValue<string>() == "query"))
            {
                yield return new Request(
                    operation.Method,
                    Address(operation, name, odd),
                    body is null ? null : Example(body, "", 0)?.ToJsonString(),
                    $"{name}={odd}"
                );
            }
        }

        if (body is null)
        {
            yield break;
        }

        foreach (var whole in new[] { "", "null", "[]", "7", "{", "\"x\"", "[null]", "{\"__proto__\":{}}", new string('[', 200) })
        {
            yield return new Request(operation.Method, Address(operation), whole, $"body {whole}");
        }

        yield return new Request(operation.Method, Address(operation), Example(body, "", 0)?.ToJsonString(), "as a form", "application/x-www-form-urlencoded");
        foreach (var changed in Changed(Example(body, "", 0)!, body, ""))
        {
            yield return new Request(operation.Method, Address(operation), changed.Body, changed.What);
        }
    }

    private Request Usual(Operation operation, JsonObject? body) =>
        new(operation.Method, Address(operation), body is null ? null : Example(body, "", 0)?.ToJsonString(), "as usual");

    /// <summary>The example with one field after the other changed to something odd.</summary>
    private IEnumerable<(string Body, string What)> Changed(JsonNode example, JsonObject schema, string at)
    {
        var fields = new List<(JsonArray Path, JsonObject Schema)>();
        Leaves(schema, [], fields, 0);
        foreach (var (path, leaf) in fields)
        {
            foreach (var odd in OddValues(path.Count > 0 ? path[^1]!.ToString() : "", leaf))
            {
                var copy = example.DeepClone();
                yield return (Put(copy, path, odd), $"{at}{string.Join('.', path.Select(p => p!.ToString()))}={(odd.Length > 60 ? odd[..60] + "…" : odd)}");
            }
        }
    }

    private void Leaves(JsonObject schema, JsonArray path, List<(JsonArray, JsonObject)> fields, int depth)
    {
        if (path.Count > 0)
        {
            fields.Add((path, schema));
        }

        if (depth > 4)
        {
            return;
        }

        foreach (var property in schema["properties"]?.AsObject() ?? [])
        {
            Leaves(Resolved(property.Value!), [.. path.Select(p => p!.DeepClone()), property.Key], fields, depth + 1);
        }

        if (schema["items"] is { } items)
        {
            Leaves(Resolved(items), [.. path.Select(p => p!.DeepClone()), 0], fields, depth + 1);
        }
    }

    /// <summary>The body as text with raw JSON at a path, so that also what no serializer writes can be sent.</summary>
    private static string Put(JsonNode root, JsonArray path, string raw)
    {
        const string mark = "\"@@here@@\"";
        var at = root;
        for (var i = 0; i < path.Count; i++)
        {
            var last = i == path.Count - 1;
            if (at is JsonObject o && path[i]!.GetValueKind() == System.Text.Json.JsonValueKind.String)
            {
                var key = path[i]!.GetValue<string>();
                if (last)
                {
                    o[key] = "@@here@@";
                }
                at = o[key];
            }
            else if (at is JsonArray a && path[i]!.GetValueKind() == System.Text.Json.JsonValueKind.Number)
            {
                if (a.Count == 0)
                {
                    a.Add(JsonValue.Create(0));
                }
                if (last)
                {
                    a[0] = "@@here@@";
                }
                at = a[0];
            }
            else
            {
                return raw;
            }
        }

        return root.ToJsonString().Replace(mark, raw, StringComparison.Ordinal);
    }

    private List<string> OddValues(string name, JsonObject schema)
    {
        List<string> odd = ["null", "{}", "[]", "true", "\"\"", "\"x\"", "99", "-1", "[null]", "1e400", "\"99\""];
        var type = TypeOf(schema);
        if (type is "number" or "integer")
        {
            odd.AddRange(["0", "5e-324", "1e308", "-1e308", "2147483648", "\"NaN\"", "\"1\"", "0.5"]);
        }
        else if (type == "array")
        {
            var one = schema["items"] is { } items ? Example(Resolved(items), name, 3)?.ToJsonString() ?? "null" : "null";
            odd.AddRange([$"[{one},{one}]", $"[{string.Join(',', Enumerable.Repeat(one, 1200))}]", $"[{one},null]"]);
        }
        else if (schema["format"]?.ToString() is "uuid")
        {
            odd.AddRange([
                $"\"{Guid.Empty}\"",
                $"\"{Guid.NewGuid()}\"",
                $"\"{Known(name)}\"",
                $"\"{others.GetValueOrDefault(Singular(name), otherGarden)}\"",
                $"\"{garden}\"",
                "\"{00000000-0000-0000-0000-000000000000}\"",
            ]);
        }
        else if (schema["format"]?.ToString() is "date-time" or "date" or "time")
        {
            odd.AddRange(["\"0001-01-01T00:00:00Z\"", "\"9999-12-31T23:59:59Z\"", "\"0001-01-01\"", "\"9999-12-31\"", "\"2026-02-30\"", "\"25:00\""]);
        }
        else if (schema["enum"] is JsonArray words)
        {
            odd.AddRange([$"\"{words[0]}, {words[^1]}\"", $"\"{words[0]},{words[0]}\"", "0", "\"0\""]);
        }
        else
        {
            odd.AddRange([
                $"\"{new string('a', 5000)}\"",
                "\"<script>alert(1)</script>\"",
                "\"\\u0000\"",
                "\"\\ud800\"",
                "\"../../etc/passwd\"",
                "\"'; DROP TABLE Gardens;--\"",
                "\"‮\"",
            ]);
        }

        return odd;
    }

    private IEnumerable<string> OddParameters(string name, JsonObject schema) =>
        TypeOf(schema) switch
        {
            "number" or "integer" => ["", "x", "NaN", "Infinity", "-Infinity", "1e400", "5e-324", "1e308", "-1", "99999999999"],
            _ when schema["format"]?.ToString() == "uuid" =>
            [
                "x",
                Guid.Empty.ToString(),
                Guid.NewGuid().ToString(),
                others.GetValueOrDefault(Singular(name), otherGarden),
                "%7B%7D",
            ],
            _ when schema["format"]?.ToString() is "date" or "date-time" =>
            [
                "x",
                "0001-01-01",
                "9999-12-31",
                "0001-01-01T00:00:00Z",
                "9999-12-31T23:59:59Z",
                "2026-02-30",
            ],
            _ => ["", "x", "99", "-1", new string('a', 3000), "%00", "'", "%F0%9F%98%80", "null"],
        };

    private string Address(Operation operation, string? changed = null, string? odd = null)
    {
        var path = operation.Path;
        var query = new List<string>();
        foreach (var parameter in Parameters(operation))
        {
            var name = parameter["name"]!.GetValue<string>();
            var value =
                name == changed ? odd!
                : name == "gardenId" ? garden
                : Example(Resolved(parameter["schema"]!), name, 0)?.ToString() ?? "";
            if (parameter["in"]!.GetValue<string>() == "path")
            {
                path = path.Replace($"{{{name}}}", value, StringComparison.Ordinal);
            }
            else if (name == changed || parameter["required"]?.GetValue<bool>() == true)
            {
                query.Add($"{name}={value}");
            }
        }

        return path + (query.Count > 0 ? "?" + string.Join('&', query) : "");
    }

    /// <summary>Something that a gardener might send.</summary>
    private JsonNode? Example(JsonObject schema, string name, int depth)
    {
        if (schema["enum"] is JsonArray words)
        {
            return words[random.Next(words.Count)]!.DeepClone();
        }

        switch (TypeOf(schema))
        {
            case "object":
                var made = new JsonObject();
                foreach (var property in schema["properties"]?.AsObject() ?? [])
                {
                    var inner = Resolved(property.Value!);
                    made[property.Key] = depth > 4 ? null : Example(inner, property.Key, depth + 1);
                }

                return made;
            case "array":
                return schema["items"] is { } items && depth < 5 && Example(Resolved(items), name, depth + 1) is { } one ? new JsonArray(one) : [];
            case "integer":
                return 1;
            case "number":
                return name switch
                {
                    "latitude" => 47,
                    "longitude" => 16,
                    _ => 1.0,
                };
            case "boolean":
                return false;
        }

        return schema["format"]?.ToString() switch
        {
            "uuid" => Known(name),
            "date" => "2026-07-16",
            "date-time" => "2026-07-16T12:00:00Z",
            "time" => "12:00:00",
            _ => name switch
            {
                "crop" => "kale",
                "target" => "powdery-mildew",
                "recipe" => "neem-with-soap",
                "material" or "like" or "oil" => "neem-oil",
                "soap" => "castile-soap",
                "climate" => "continental",
                "timeZoneId" => "Europe/Vienna",
                "sign" => "white-dust",
                "unit" or "doseUnit" => "ml",
                "perUnit" or "tankUnit" or "waterUnit" => "l",
                "step" => "gentle",
                _ => "word",
            },
        };
    }

    private string Known(string name) =>
        ids.TryGetValue(Singular(name), out var known) && known.Count > 0 ? known[random.Next(known.Count)] : Guid.NewGuid().ToString();

    private static string Singular(string name) =>
        name switch
        {
            "plantingIds" or "planting" or "plantings" => "plantingId",
            "place" => "placeId",
            "doneBy" => "memberId",
            "sprayer" => "sprayerId",
            _ => name,
        };

    private static string? TypeOf(JsonObject schema) =>
        schema["type"] switch
        {
            JsonArray types => types.Select(t => t!.GetValue<string>()).FirstOrDefault(t => t is not "null" and not "string") ?? "string",
            JsonNode type => type.GetValue<string>(),
            _ => schema["properties"] is null ? null : "object",
        };

    /// <summary>A schema with references and "or null" taken apart.</summary>
    private JsonObject Resolved(JsonNode schema)
    {
        var at = schema.AsObject();
        while (true)
        {
            if (at["$ref"] is { } reference)
            {
                at = document["components"]!["schemas"]![reference.GetValue<string>().Split('/')[^1]]!.AsObject();
            }
            else if (at["oneOf"] is JsonArray choices)
            {
                at = choices.Select(c => c!.AsObject()).First(c => c["type"]?.ToString() != "null");
            }
            else
            {
                return at;
            }
        }
    }

    private JsonObject? BodyOf(Operation operation) =>
        operation.Described["requestBody"]?["content"]?["application/json"]?["schema"] is { } schema ? Resolved(schema) : null;

    private static IEnumerable<JsonObject> Parameters(Operation operation) => operation.Described["parameters"]?.AsArray().Select(p => p!.AsObject()) ?? [];

    private async Task SendAsync(Request request, CancellationToken stop)
    {
        sent++;
        var before = request.Method == "GET" ? null : await LastDeedAsync(stop);
        var status = await StatusAsync(request, stop);
        byStatus[status] = byStatus.GetValueOrDefault(status) + 1;
        if (status is 0 or >= 500)
        {
            errors.Add($"{status} {request.Method} {request.Path} | {request.What}");
        }
        else if (status >= 400 && request.Method != "GET" && before != await LastDeedAsync(stop))
        {
            written.Add($"{status} {request.Method} {request.Path} | {request.What}");
        }
    }

    private async Task<int> StatusAsync(Request request, CancellationToken stop)
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
    private async Task AtOnceAsync(Operation operation, CancellationToken stop)
    {
        var request = Usual(operation, BodyOf(operation)) with { What = "three at once" };
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
    private async Task LookAsync(List<Operation> operations, Request last, CancellationToken stop)
    {
        foreach (
            var view in operations.Where(o =>
                o.Method == "GET"
                && o.Path.Contains("{gardenId}", StringComparison.Ordinal)
                && Parameters(o).All(p => p["name"]!.GetValue<string>() == "gardenId" || p["required"]?.GetValue<bool>() != true)
            )
        )
        {
            var status = await StatusAsync(new Request("GET", Address(view), null, ""), stop);
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
