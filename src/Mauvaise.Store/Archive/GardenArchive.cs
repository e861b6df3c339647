using System.Text.Json;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Mauvaise.Core.Words;
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
    IReadOnlyList<OwnStockRow> OwnStocks,
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
    IReadOnlyList<TrialCountRow> TrialCounts
)
{
    /// <summary>Raised with every change that an older Mauvaise could not read.</summary>
    public const int Current = 2;

    public static JsonSerializerOptions Json { get; } =
        new(JsonSerializerDefaults.Web)
        {
            WriteIndented = true,
            NewLine = "\n",
            RespectNullableAnnotations = true,
            TypeInfoResolver = new DefaultJsonTypeInfoResolver(),
            Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
        };

    /// <summary>Rows of one kind in the archive, with the words for them.</summary>
    public static IReadOnlyList<(string Words, Func<GardenArchive, IEnumerable<object>> Rows)> Kinds =>
        [
            (Say.Of("store.kindGarden"), a => [a.Garden]),
            (Say.Of("store.kindPeople"), a => a.Members),
            (Say.Of("store.kindPlaces"), a => a.Places),
            (Say.Of("store.kindPlantings"), a => a.Plantings),
            (Say.Of("store.kindSprayers"), a => a.Sprayers),
            (Say.Of("store.kindProducts"), a => a.Products),
            (Say.Of("store.recipesOfOnesOwn"), a => a.OwnRecipes),
            (Say.Of("store.stocksOfOnesOwn"), a => a.OwnStocks),
            (Say.Of("store.cropsAndTroublesOfOnesOwn"), a => a.OwnKinds),
            (Say.Of("store.thingsOnTheShelf"), a => a.Stocks),
            (Say.Of("store.plannedPicks"), a => a.Picks),
            (Say.Of("store.kindPickings"), a => a.Harvests),
            (Say.Of("store.kindReadings"), a => a.Readings),
            (Say.Of("store.jarTests"), a => a.Emulsions),
            (Say.Of("store.kindWalks"), a => a.Walks),
            (Say.Of("store.kindCounts"), a => a.Observations),
            (Say.Of("store.kindPhotos"), a => a.Photos),
            (Say.Of("store.kindMixes"), a => a.Batches),
            (Say.Of("store.kindSprays"), a => a.Applications),
            (Say.Of("store.kindTasks"), a => a.Tasks),
            (Say.Of("store.kindCheckBacks"), a => a.CheckBacks),
            (Say.Of("store.kindCourses"), a => a.Courses),
            (Say.Of("store.wordsToThePlan"), a => a.PlanChoices),
            (Say.Of("store.roundsAsLastSeen"), a => a.SeenRounds),
            (Say.Of("store.calendarEntries"), a => a.FeedEvents),
            (Say.Of("store.kindCorrections"), a => a.Corrections),
            (Say.Of("store.kindTrials"), a => a.Trials),
            (Say.Of("store.countsOfTrials"), a => a.TrialCounts),
        ];

    /// <summary>The JSON schema of garden.json.</summary>
    public static string Schema()
    {
        var schema = Json.GetJsonSchemaAsNode(typeof(GardenArchive), new JsonSchemaExporterOptions { TreatNullObliviousAsNonNullable = true }).AsObject();
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", $"A garden of Mauvaise, version {Current}");
        return schema.ToJsonString(Json);
    }
}
