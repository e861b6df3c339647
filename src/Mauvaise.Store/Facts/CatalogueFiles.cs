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
    /// <exception cref="CatalogueException">A file is missing, does not read, or contradicts another.</exception>
    public static GardenCatalogue Read(string folder, CatalogueWords? words = null)
    {
        var faults = new List<string>();
        var facts = new GardenCatalogue
        {
            Groups = List<ModeOfAction>(folder, "groups", faults, words),
            Materials = List<Material>(folder, "materials", faults, words),
            Targets = List<Target>(folder, "targets", faults, words),
            Signs = List<Sign>(folder, "signs", faults, words),
            Helpers = List<Beneficial>(folder, "helpers", faults, words),
            Crops = List<Crop>(folder, "crops", faults, words),
            Recipes = List<Recipe>(folder, "recipes", faults, words),
            Pairs = List<MixingPair>(folder, "pairs", faults, words),
            Measures = List<Measure>(folder, "measures", faults, words),
            Climates = List<Climate>(folder, "climates", faults, words),
            Readings = List<ReadingKind>(folder, "readings", faults, words),
            Heard = List<HeardWord>(folder, "heard", faults, words),
        };
        if (faults.Count > 0)
        {
            throw new CatalogueException(faults);
        }

        faults = [.. CatalogueRules.Faults(facts), .. CatalogueRules.KnownMissing(facts)];
        return faults.Count > 0 ? throw new CatalogueException([.. faults.Select(f => Placed(folder, f))]) : GardenCatalogue.Create(facts);
    }

    /// <summary>A fault with the file and line of the entry that it names, "measure 'prune': …".</summary>
    private static string Placed(string folder, string fault)
    {
        if (
            Named().Match(fault) is not { Success: true } named
            || Kinds.Keys.FirstOrDefault(k => k.StartsWith(named.Groups["kind"].Value, StringComparison.Ordinal)) is not { } kind
        )
        {
            return fault;
        }

        var entry = new Regex($@"\bid:\s*[""']?{Regex.Escape(named.Groups["id"].Value)}[""']?\s*([,}}#]|$)");
        var line = Array.FindIndex(File.ReadAllLines(Path.Combine(folder, kind + ".yaml")), l => entry.IsMatch(l));
        return line < 0 ? $"{kind}.yaml: {fault}" : $"{kind}.yaml, line {line + 1}: {fault}";
    }

    [GeneratedRegex("^(?<kind>[a-z]+) '(?<id>[^']+)'")]
    private static partial Regex Named();

    /// <summary>Reads the climates alone.</summary>
    /// <exception cref="CatalogueException">Their file is missing or does not read.</exception>
    public static IReadOnlyList<Climate> Climates(string folder)
    {
        var faults = new List<string>();
        var climates = List<Climate>(folder, "climates", faults, null);
        return faults.Count > 0 ? throw new CatalogueException(faults) : climates;
    }

    /// <summary>The JSON schema of one file, for editors; made from the record itself so that they can not part.</summary>
    public static string Schema(string kind) =>
        Json.GetJsonSchemaAsNode(typeof(IReadOnlyList<>).MakeGenericType(Kinds[kind])).ToJsonString(new JsonSerializerOptions { WriteIndented = true }) + "\n";

    /// <summary>YAML text as the JSON that it stands for.</summary>
    public static string ToJson(string yaml)
    {
        var tree = new DeserializerBuilder().WithAttemptingUnquotedStringTypeDeserialization().Build().Deserialize(yaml);
        return new SerializerBuilder().JsonCompatible().Build().Serialize(tree);
    }

    private static List<T> List<T>(string folder, string kind, List<string> faults, CatalogueWords? words)
    {
        var file = Path.Combine(folder, kind + ".yaml");
        try
        {
            var json = ToJson(File.ReadAllText(file));
            return JsonSerializer.Deserialize<List<T>>(Figure.Read(words?.Tell(kind, json) ?? json), Json) ?? [];
        }
        catch (Exception e) when (e is IOException or YamlException or JsonException)
        {
            faults.Add($"{kind}.yaml: {e.Message}");
            return [];
        }
    }
}
