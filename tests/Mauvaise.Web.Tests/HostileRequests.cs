using System.Text.Json.Nodes;

namespace Mauvaise.Web.Tests;

/// <summary>An operation of the OpenAPI document.</summary>
internal sealed record HostileOperation(string Method, string Path, JsonObject Described);

/// <param name="What">What is wrong with it.</param>
internal sealed record HostileRequest(string Method, string Path, string? Body, string What, string ContentType = "application/json");

/// <summary>Ids that an app knows.</summary>
/// <param name="Ids">Of the garden that is asked for, by the name of the field.</param>
/// <param name="Others">Of another garden, by the name of the field.</param>
internal sealed record HostileIds(string Garden, IReadOnlyDictionary<string, List<string>> Ids, IReadOnlyDictionary<string, string> Others);

/// <summary>
/// What nobody should send, made from the OpenAPI document: for each field and parameter wrong types, nulls, ends of ranges, odd text, ids of others
/// and of zeros, holes and crowds in lists.
/// </summary>
internal sealed class HostileRequests(JsonObject document, HostileIds known, Random random)
{
    public IEnumerable<HostileOperation> Operations() =>
        from path in document["paths"]!.AsObject()
        from method in path.Value!.AsObject()
        where !path.Key.StartsWith("/api/demo", StringComparison.Ordinal) && !path.Key.StartsWith("/api/archive", StringComparison.Ordinal)
        select new HostileOperation(method.Key.ToUpperInvariant(), path.Key, method.Value!.AsObject());

    /// <summary>All that may go wrong with an operation, one thing at a time; the sound part is drawn anew each time.</summary>
    public IEnumerable<HostileRequest> Of(HostileOperation operation)
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
                yield return new HostileRequest(
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
            yield return new HostileRequest(operation.Method, Address(operation), whole, $"body {whole}");
        }

        yield return new HostileRequest(
            operation.Method,
            Address(operation),
            Example(body, "", 0)?.ToJsonString(),
            "as a form",
            "application/x-www-form-urlencoded"
        );
        foreach (var changed in Changed(Example(body, "", 0)!, body, ""))
        {
            yield return new HostileRequest(operation.Method, Address(operation), changed.Body, changed.What);
        }
    }

    /// <summary>As a gardener might send it.</summary>
    public HostileRequest Usual(HostileOperation operation) => Usual(operation, BodyOf(operation));

    /// <summary>Every view that needs nothing but the garden.</summary>
    public IEnumerable<HostileRequest> Views() =>
        Operations()
            .Where(o =>
                o.Method == "GET"
                && o.Path.Contains("{gardenId}", StringComparison.Ordinal)
                && Parameters(o).All(p => p["name"]!.GetValue<string>() == "gardenId" || p["required"]?.GetValue<bool>() != true)
            )
            .Select(o => new HostileRequest("GET", Address(o), null, o.Path));

    private HostileRequest Usual(HostileOperation operation, JsonObject? body) =>
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
                $"\"{known.Others.GetValueOrDefault(Singular(name), known.Others["gardenId"])}\"",
                $"\"{known.Garden}\"",
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
                known.Others.GetValueOrDefault(Singular(name), known.Others["gardenId"]),
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

    private string Address(HostileOperation operation, string? changed = null, string? odd = null)
    {
        var path = operation.Path;
        var query = new List<string>();
        foreach (var parameter in Parameters(operation))
        {
            var name = parameter["name"]!.GetValue<string>();
            var value =
                name == changed ? odd!
                : name == "gardenId" ? known.Garden
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
        known.Ids.TryGetValue(Singular(name), out var there) && there.Count > 0 ? there[random.Next(there.Count)] : Guid.NewGuid().ToString();

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

    private JsonObject? BodyOf(HostileOperation operation) =>
        operation.Described["requestBody"]?["content"]?["application/json"]?["schema"] is { } schema ? Resolved(schema) : null;

    private static IEnumerable<JsonObject> Parameters(HostileOperation operation) =>
        operation.Described["parameters"]?.AsArray().Select(p => p!.AsObject()) ?? [];
}
