using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Mauvaise.Store.Rows;

namespace Mauvaise.Store.Archive;

/// <summary>
/// All that is known of a garden, as it stands in the archive's garden.json: the rows of the data file with their names, lists in
/// the order of their ids. Instants are UTC, days ISO 8601, amounts in the units that their names say. What is left out: the undo
/// list, the weather (a table of its own beside it), the pictures (files of their own) and the weather station's key.
/// </summary>
/// <param name="Version">Of this shape: see <see cref="Current"/>.</param>
public sealed record GardenArchive(
    int Version,
    GardenRow Garden,
    IReadOnlyList<MemberRow> Members,
    IReadOnlyList<PlaceRow> Places,
    IReadOnlyList<PlantingRow> Plantings,
    IReadOnlyList<SprayerRow> Sprayers,
    IReadOnlyList<ProductRow> Products,
    IReadOnlyList<OwnRecipeRow> OwnRecipes,
    IReadOnlyList<OwnKindRow> OwnKinds,
    IReadOnlyList<StockRow> Stocks,
    IReadOnlyList<PickRow> Picks,
    IReadOnlyList<HarvestRow> Harvests,
    IReadOnlyList<ReadingRow> Readings,
    IReadOnlyList<EmulsionRow> Emulsions,
    IReadOnlyList<WalkRow> Walks,
    IReadOnlyList<ObservationRow> Observations,
    IReadOnlyList<PhotoRow> Photos,
    IReadOnlyList<BatchRow> Batches,
    IReadOnlyList<ApplicationRow> Applications,
    IReadOnlyList<TaskRow> Tasks,
    IReadOnlyList<CheckBackRow> CheckBacks,
    IReadOnlyList<CourseRow> Courses,
    IReadOnlyList<PlanChoiceRow> PlanChoices,
    IReadOnlyList<SeenRoundRow> SeenRounds,
    IReadOnlyList<FeedEventRow> FeedEvents,
    IReadOnlyList<CorrectionRow> Corrections,
    IReadOnlyList<TrialRow> Trials,
    IReadOnlyList<TrialCountRow> TrialCounts)
{
    /// <summary>Raised with every change that an older Mauvaise could not read.</summary>
    public const int Current = 2;

    public static JsonSerializerOptions Json { get; } = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        NewLine = "\n",
        RespectNullableAnnotations = true,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>Rows of one kind in the archive, with the words for them.</summary>
    public static IReadOnlyList<(string Words, Func<GardenArchive, IEnumerable<object>> Rows)> Kinds { get; } =
    [
        ("garden", a => [a.Garden]),
        ("people", a => a.Members),
        ("places", a => a.Places),
        ("plantings", a => a.Plantings),
        ("sprayers", a => a.Sprayers),
        ("products", a => a.Products),
        ("recipes of one's own", a => a.OwnRecipes),
        ("crops and troubles of one's own", a => a.OwnKinds),
        ("things on the shelf", a => a.Stocks),
        ("planned picks", a => a.Picks),
        ("pickings", a => a.Harvests),
        ("readings", a => a.Readings),
        ("jar tests", a => a.Emulsions),
        ("walks", a => a.Walks),
        ("counts", a => a.Observations),
        ("photos", a => a.Photos),
        ("mixes", a => a.Batches),
        ("sprays", a => a.Applications),
        ("tasks", a => a.Tasks),
        ("check-backs", a => a.CheckBacks),
        ("courses", a => a.Courses),
        ("words to the plan", a => a.PlanChoices),
        ("rounds as last seen", a => a.SeenRounds),
        ("calendar entries", a => a.FeedEvents),
        ("corrections", a => a.Corrections),
        ("trials", a => a.Trials),
        ("counts of trials", a => a.TrialCounts),
    ];

    /// <summary>The JSON schema of garden.json.</summary>
    public static string Schema()
    {
        var schema = Json.GetJsonSchemaAsNode(typeof(GardenArchive), new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true }).AsObject();
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", JsonValue.Create($"A garden of Mauvaise, version {Current}"));
        return schema.ToJsonString(Json);
    }
}
