using System.Collections.Concurrent;
using System.Text.Json;
using System.Text.Json.Nodes;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Words;

namespace Mauvaise.Store.Facts;

/// <summary>The catalogue in every language: the same facts, told in that language's words.</summary>
/// <param name="folder">Of the YAML files, which are English.</param>
/// <param name="own">Of the household's own facts, which stay in its words; null for none.</param>
public sealed class Catalogues(string folder, string? own = null)
{
    private readonly ConcurrentDictionary<string, Lazy<GardenCatalogue>> read = new();

    /// <summary>In the language that is spoken now.</summary>
    public GardenCatalogue Spoken => In(Say.Language.Code);

    /// <exception cref="CatalogueException">The files do not read.</exception>
    public GardenCatalogue In(string language) => read.GetOrAdd(language, l => new(() => CatalogueFiles.Read(folder, CatalogueWords.Of(l), own))).Value;
}

/// <summary>
/// A language's words for the texts of the catalogue, by kind and English text (<c>languages/CODE/catalogue.json</c>), and its other names of crops,
/// materials and troubles, by id. A text without words stays English.
/// </summary>
public sealed class CatalogueWords
{
    private const string OtherNames = "alsoCalled";

    /// <summary>What of an entry is text for a reader, by its kind: a path of field names, through lists.</summary>
    public static readonly IReadOnlyDictionary<string, string[]> Texts = new Dictionary<string, string[]>
    {
        ["climates"] = ["name"],
        ["crops"] = ["name", "takenOutBy"],
        ["groups"] = ["name"],
        ["heard"] = ["says", "stops"],
        ["helpers"] = ["name", "ordered.many"],
        ["materials"] = ["name", "storage", "seasonLimit.together", "worksOn.source", "cautions", "schools", "madeFrom.where", "madeFrom.steps", "mixingNote"],
        ["measures"] = ["name", "how", "prevents.why"],
        ["pairs"] = ["why"],
        ["readings"] = ["name", "source"],
        ["recipes"] = ["name", "shake", "steps"],
        ["signs"] = ["name", "question"],
        ["targets"] = ["name", "stages.name", "stages.where", "lookFirst", "howToTell", "insteadOfSpray", "insect.source", "flight.source", "disease.source"],
    };

    private readonly JsonObject words;

    private CatalogueWords(JsonObject words) => this.words = words;

    /// <summary>Null for the language of the files themselves.</summary>
    public static CatalogueWords? Of(string language)
    {
        if (language == Language.Default)
        {
            return null;
        }

        using var file = typeof(CatalogueWords).Assembly.GetManifestResourceStream($"languages/{language}/catalogue.json");
        return file is null ? null : new CatalogueWords(JsonNode.Parse(file)!.AsObject());
    }

    /// <summary>The words for a text; null where there are none.</summary>
    public string? For(string kind, string text) => words[kind]?[text]?.GetValue<string>();

    /// <summary>English texts that there are words for.</summary>
    public IEnumerable<string> Told(string kind) => words[kind]?.AsObject().Select(w => w.Key) ?? [];

    /// <summary>Entries of one kind with this language's words in place of the English.</summary>
    /// <param name="json">As the YAML file stands.</param>
    public string Tell(string kind, string json)
    {
        var entries = JsonNode.Parse(json)!.AsArray();
        foreach (var entry in entries.OfType<JsonObject>())
        {
            foreach (var path in Texts[kind])
            {
                Visit(entry, path.Split('.'), text => For(kind, text) ?? text);
            }

            if (entry.ContainsKey(OtherNames) || words[OtherNames]?[kind]?[(string?)entry["id"] ?? ""] is not null)
            {
                entry[OtherNames] = words[OtherNames]?[kind]?[(string?)entry["id"] ?? ""]?.DeepClone() ?? new JsonArray();
            }
        }

        return entries.ToJsonString();
    }

    /// <summary>Every text of one kind, for checks.</summary>
    public static IReadOnlyList<string> All(string kind, string json)
    {
        var all = new List<string>();
        foreach (var entry in JsonNode.Parse(json)!.AsArray().OfType<JsonObject>())
        {
            foreach (var path in Texts[kind])
            {
                Visit(entry, path.Split('.'), text =>
                {
                    all.Add(text);
                    return text;
                });
            }
        }

        return [.. all.Distinct()];
    }

    private static void Visit(JsonNode? node, ReadOnlySpan<string> path, Func<string, string> tell)
    {
        switch (node)
        {
            case JsonArray list:
                for (var i = 0; i < list.Count; i++)
                {
                    if (path.IsEmpty && list[i] is JsonValue text && text.GetValueKind() == JsonValueKind.String)
                    {
                        list[i] = tell(text.GetValue<string>());
                    }
                    else
                    {
                        Visit(list[i], path, tell);
                    }
                }

                break;
            case JsonObject thing when !path.IsEmpty && thing[path[0]] is { } field:
                if (path.Length == 1 && field.GetValueKind() == JsonValueKind.String)
                {
                    thing[path[0]] = tell(field.GetValue<string>());
                }
                else
                {
                    Visit(field, path[1..], tell);
                }

                break;
        }
    }
}
