using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using YamlDotNet.Core;
using YamlDotNet.Serialization;

namespace Mauvaise.Store.Facts;

/// <summary>Reads the catalogue's YAML files into the core's records. An unknown or missing field is a fault with its file named.</summary>
public static partial class CatalogueFiles
{
    /// <summary>How facts are read, and how their JSON schema is written.</summary>
    public static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        NumberHandling = JsonNumberHandling.Strict,
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    private static readonly IDeserializer Reader = new DeserializerBuilder().WithAttemptingUnquotedStringTypeDeserialization().Build();
    private static readonly ISerializer Writer = new SerializerBuilder().JsonCompatible().Build();

    /// <summary>File name and the record that each of its entries becomes.</summary>
    public static readonly IReadOnlyDictionary<string, Type> Kinds = new SortedDictionary<string, Type>
    {
        ["climates"] = typeof(Climate),
        ["crops"] = typeof(Crop),
        ["groups"] = typeof(ModeOfAction),
        ["heard"] = typeof(HeardWord),
        ["helpers"] = typeof(Beneficial),
        ["materials"] = typeof(Material),
        ["measures"] = typeof(Measure),
        ["pairs"] = typeof(MixingPair),
        ["readings"] = typeof(ReadingKind),
        ["recipes"] = typeof(Recipe),
        ["signs"] = typeof(Sign),
        ["targets"] = typeof(Target),
    };

    /// <summary>Where the files lie beside the running program.</summary>
    public static string DefaultFolder => Path.Combine(AppContext.BaseDirectory, "catalogue");

    /// <summary>Reads and checks a folder of catalogue files.</summary>
    /// <param name="words">Of another language; null for the files' own.</param>
    /// <param name="own">
    /// Folder of the household's own facts, which may hold files of the same names and form: an entry with a listed id gives the fields that differ, any
    /// other is added. Null, or a folder that is not there, for none.
    /// </param>
    /// <exception cref="CatalogueException">A file is missing, does not read, or contradicts another.</exception>
    public static GardenCatalogue Read(string folder, CatalogueWords? words = null, string? own = null)
    {
        var faults = new List<string>();
        // Beside each other: one by one they take a third of a start.
        var texts = Kinds.Keys.ToDictionary(kind => kind, kind => Task.Run(() => Text(folder, kind)));
        List<T> List<T>(string kind) => Entries<T>(() => texts[kind].GetAwaiter().GetResult(), kind, faults, words, own);
        var facts = new GardenCatalogue
        {
            Groups = List<ModeOfAction>("groups"),
            Materials = List<Material>("materials"),
            Targets = List<Target>("targets"),
            Signs = List<Sign>("signs"),
            Helpers = List<Beneficial>("helpers"),
            Crops = List<Crop>("crops"),
            Recipes = List<Recipe>("recipes"),
            Pairs = List<MixingPair>("pairs"),
            Measures = List<Measure>("measures"),
            Climates = List<Climate>("climates"),
            Readings = List<ReadingKind>("readings"),
            Heard = List<HeardWord>("heard"),
        };
        if (faults.Count > 0)
        {
            throw new CatalogueException(faults);
        }

        faults = [.. CatalogueRules.Faults(facts), .. CatalogueRules.KnownMissing(facts)];
        return faults.Count > 0
            ? throw new CatalogueException([.. faults.Select(f => (own is null ? null : Placed(own, own, f)) ?? Placed(folder, "", f) ?? f)])
            : GardenCatalogue.Create(facts);
    }

    /// <summary>A fault with the file and line of the entry that it names, "measure 'prune': …"; null where the folder does not have it.</summary>
    /// <param name="told">What is told of the folder before the file; empty for the shipped one.</param>
    private static string? Placed(string folder, string told, string fault)
    {
        if (
            Named().Match(fault) is not { Success: true } named
            || Kinds.Keys.FirstOrDefault(k => k.StartsWith(named.Groups["kind"].Value, StringComparison.Ordinal)) is not { } kind
        )
        {
            return null;
        }

        var file = Path.Combine(folder, kind + ".yaml");
        var entry = new Regex($@"\bid:\s*[""']?{Regex.Escape(named.Groups["id"].Value)}[""']?\s*([,}}#]|$)");
        var line = File.Exists(file) ? Array.FindIndex(File.ReadAllLines(file), l => entry.IsMatch(l)) : -1;
        return line < 0 ? null : $"{Path.Combine(told, kind + ".yaml")}, line {line + 1}: {fault}";
    }

    [GeneratedRegex("^(?<kind>[a-z]+) '(?<id>[^']+)'")]
    private static partial Regex Named();

    /// <summary>Reads the climates alone.</summary>
    /// <exception cref="CatalogueException">Their file is missing or does not read.</exception>
    public static IReadOnlyList<Climate> Climates(string folder)
    {
        var faults = new List<string>();
        var climates = Entries<Climate>(() => Text(folder, "climates"), "climates", faults, null, null);
        return faults.Count > 0 ? throw new CatalogueException(faults) : climates;
    }

    /// <summary>The JSON schema of one file, for editors; made from the record itself so that they can not part.</summary>
    public static string Schema(string kind) =>
        Json.GetJsonSchemaAsNode(typeof(IReadOnlyList<>).MakeGenericType(Kinds[kind])).ToJsonString(new JsonSerializerOptions { WriteIndented = true }) + "\n";

    /// <summary>YAML text as the JSON that it stands for.</summary>
    public static string ToJson(string yaml) => Writer.Serialize(Reader.Deserialize(yaml));

    private static string Text(string folder, string kind) => ToJson(File.ReadAllText(Path.Combine(folder, kind + ".yaml")));

    /// <param name="text">The listed entries as JSON.</param>
    private static List<T> Entries<T>(Func<string> text, string kind, List<string> faults, CatalogueWords? words, string? own)
    {
        var file = kind + ".yaml";
        var read = file;
        try
        {
            var json = text();
            json = words?.Tell(kind, json) ?? json;
            if (own is not null && File.Exists(Path.Combine(own, file)))
            {
                read = Path.Combine(own, file);
                json = WithOwn(json, Text(own, kind));
            }

            return JsonSerializer.Deserialize<List<T>>(Figure.Read(json), Json) ?? [];
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or YamlException or JsonException)
        {
            faults.Add($"{read}: {e.Message}");
            return [];
        }
    }

    /// <summary>Listed entries with the household's own: fields of a listed id in place of what they were, other entries behind.</summary>
    /// <exception cref="JsonException">The own ones are no list of entries.</exception>
    private static string WithOwn(string listed, string own)
    {
        var entries = JsonNode.Parse(listed)!.AsArray();
        var parsed = JsonNode.Parse(own);
        if (parsed is null)
        {
            // A file that holds nothing yet.
            return listed;
        }

        if (parsed is not JsonArray added || added.Any(e => e is not JsonObject))
        {
            throw new JsonException("a list of entries is wanted, each begun by '- '");
        }

        foreach (var entry in added.OfType<JsonObject>())
        {
            var same = entry["id"] is { } id ? entries.OfType<JsonObject>().FirstOrDefault(e => e["id"]?.ToString() == id.ToString()) : null;
            if (same is null)
            {
                entries.Add(entry.DeepClone());
                continue;
            }

            foreach (var (field, value) in entry)
            {
                same[field] = value?.DeepClone();
            }
        }

        return entries.ToJsonString();
    }
}
