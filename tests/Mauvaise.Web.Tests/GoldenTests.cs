using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Time;
using Mauvaise.Store.Facts;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Plan;
using Mauvaise.Web.Suspects;

namespace Mauvaise.Web.Tests;

/// <summary>A garden as a golden case tells it: one bed, one crop, one count, at a time by the garden's own clock.</summary>
public sealed record GoldenGarden(
    string Zone,
    string At,
    double Latitude,
    double Longitude,
    string Climate,
    string Crop,
    DateOnly Planted,
    string Trouble,
    int Leaves,
    int Affected,
    PlaceKind Place = PlaceKind.OpenBed,
    GrowthStage Stage = GrowthStage.Mature,
    bool InFlower = false,
    Stance Stance = Stance.WatchAndTreat,
    IReadOnlyList<string>? Shelf = null,
    bool Proven = false,
    int Helpers = 0,
    Ants Ants = Ants.None
);

/// <summary>
/// Whole evenings, written down as a gardener reads them: what Decide says of a count, what the rota makes of it, what stands on the label
/// of the first bottle. On and around days on which clocks change, since that is where days, halves and waits come apart. What was looked at
/// and is right stands in `tests/golden`; `MAUVAISE_WRITE_SCHEMAS=1` writes it anew, to be looked at again.
/// </summary>
public sealed class GoldenTests : IAsyncLifetime
{
    /// <summary>So many of what may be done are written down, those that are weighed first.</summary>
    private const int MostWays = 6;

    private const string Then = "\nthen:\n";

    private static readonly string Folder = Repository.Path("tests", "golden");

    private TestApp app = null!;
    private readonly Guid gardenId = Guid.NewGuid();
    private HttpClient http = null!;

    public static TheoryData<string> Cases =>
        [.. Directory.GetFiles(Folder, "*.yaml").Select(f => Path.GetFileNameWithoutExtension(f)).Order(StringComparer.Ordinal)];

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: false);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{gardenId}/");
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    [Theory]
    [MemberData(nameof(Cases))]
    public async Task An_evening_is_told_as_it_was_written_down(string name)
    {
        var file = Path.Combine(Folder, name + ".yaml");
        var text = await File.ReadAllTextAsync(file, Stop);
        var given = text.Split(Then)[0];
        var golden = JsonSerializer.Deserialize<Dictionary<string, GoldenGarden>>(CatalogueFiles.ToJson(given), CatalogueFiles.Json)!["given"];
        var told = given + Then + await TellAsync(golden);
        if (Environment.GetEnvironmentVariable("MAUVAISE_WRITE_SCHEMAS") == "1")
        {
            await File.WriteAllTextAsync(file, told, Stop);
        }

        Assert.Equal(text, told);
    }

    private async Task<string> TellAsync(GoldenGarden golden)
    {
        var zone = GardenZone.Of(golden.Zone);
        var clock = DateTime.ParseExact(golden.At, "yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture);
        app.Clock.Advance(zone.At(DateOnly.FromDateTime(clock), TimeOnly.FromDateTime(clock)) - app.Clock.GetUtcNow());
        var place = new NewPlace(Guid.NewGuid(), "Wall bed", golden.Place, 4, 1.2, 7, Watering.Drip);
        var garden = new NewGarden(
            gardenId,
            "Golden",
            golden.Latitude,
            golden.Longitude,
            golden.Zone,
            golden.Climate,
            KitchenSystem.Metric,
            golden.Stance,
            "Ilse",
            place
        );
        await http.SendAsync("/api/gardens", garden, HttpStatusCode.Created);
        await app.RefreshWeatherAsync(gardenId);
        var planting = new NewPlanting(Guid.NewGuid(), place.Id, golden.Crop, null, golden.Planted, golden.Stage, golden.InFlower);
        await http.SendAsync("plantings", planting, HttpStatusCode.Created);
        foreach (var material in golden.Shelf ?? [])
        {
            await http.SendPutAsync($"shelf/{Guid.NewGuid()}", new StockChange(material, material, 500, 500), HttpStatusCode.NoContent);
            if (golden.Proven)
            {
                await http.SendAsync(
                    "plan/choices",
                    new NewPlanChoice(Guid.NewGuid(), PlanWord.Proven, planting.Id, Material: material),
                    HttpStatusCode.Created
                );
            }
        }

        var look = new NewObservation(Guid.NewGuid(), planting.Id, golden.Leaves, golden.Affected, golden.Ants, golden.Helpers, 0, []);
        await http.SendAsync("observations", look, HttpStatusCode.Created);
        await http.SendPutAsync($"observations/{look.Id}/name", new NameGiven(golden.Trouble), HttpStatusCode.NoContent);
        var told = new Golden(zone);
        var ladder = (await http.GetFromJsonAsync<JsonElement>("decide", Stop)).GetProperty("ladders")[0];
        told.Line("decide", ladder.GetProperty("answer").GetString()!);
        told.List(
            "steps",
            ladder.GetProperty("steps").EnumerateArray().Where(s => s.Text("choice") == "do").Select(s => $"{s.Text("on") ?? "today"}: {s.Text("name")}")
        );
        told.List("ways", ladder.GetProperty("ways").EnumerateArray().Take(MostWays).Select(Way));
        var plan = await http.GetFromJsonAsync<JsonElement>("plan", Stop);
        told.List("rota", Rota(plan, told));
        if (plan.GetProperty("outings").EnumerateArray().FirstOrDefault() is { ValueKind: JsonValueKind.Object } outing)
        {
            await LabelAsync(outing.GetProperty("tanks")[0], told);
        }

        return told.ToString();
    }

    private static string Way(JsonElement way)
    {
        var share = way.GetProperty("share");
        var comes =
            share.ValueKind == JsonValueKind.Null
                ? "not played"
                : string.Create(CultureInfo.InvariantCulture, $"{share.GetProperty("middle").GetDouble() * 100:0} %");
        var against = string.Concat(way.GetProperty("against").EnumerateArray().Select(a => $"; {a.Text("words")}"));
        var holds = way.GetProperty("holds").GetBoolean() ? ", holds" : "";
        var proposed = way.GetProperty("proposed").GetBoolean() ? ", proposed" : "";
        return $"{way.Text("words")}: {comes}{holds}{proposed}{against}";
    }

    private static IEnumerable<string> Rota(JsonElement plan, Golden told) =>
        [
            .. plan.GetProperty("patches").EnumerateArray().Select(p => $"{p.Text("on")}: two leaves first, {p.Text("recipeName")}"),
            .. plan.GetProperty("outings").EnumerateArray().Select(o => $"{o.Text("title")}, {told.Hours(o.GetProperty("hours"))}; {Amounts(o)}"),
            .. plan.GetProperty("notPlanned").EnumerateArray().Select(n => n.GetProperty("why").Text("sentence")!),
            .. plan.GetProperty("cannot").EnumerateArray().Select(c => c.Text("sentence")!),
        ];

    private static string Amounts(JsonElement outing) => string.Join(", ", outing.GetProperty("tanks").EnumerateArray().Select(t => t.Text("amount")));

    /// <summary>Mixes the first tank as it is planned, and reads its label.</summary>
    private async Task LabelAsync(JsonElement tank, Golden told)
    {
        var round = tank.GetProperty("rounds")[0];
        var batch = new NewBatch(
            Guid.NewGuid(),
            [round.GetProperty("plantingId").GetGuid()],
            tank.Text("recipe")!,
            Enum.Parse<DoseStep>(tank.Text("step")!, ignoreCase: true),
            tank.GetProperty("litres").GetDouble(),
            round.Text("target")
        );
        using var made = await http.PostAsJsonAsync("batches", batch, TestApp.Json, Stop);
        var label = await made.Content.ReadFromJsonAsync<JsonElement>(Stop);
        told.List(
            "label",
            made.IsSuccessStatusCode
                ?
                [
                    $"{label.Text("recipeName")}, {label.Text("amount")}",
                    .. label.GetProperty("strengths").EnumerateArray().Select(s => $"{s.Text("material")}, {s.Text("text")}"),
                    $"good until {told.Clock(label.GetProperty("useBy"))}",
                    .. label.GetProperty("cautions").EnumerateArray().Select(c => c.GetString()!),
                ]
                : [label.Text("title")!]
        );
    }

    /// <summary>What is told, as lines that a gardener reads.</summary>
    private sealed class Golden(GardenZone zone)
    {
        private readonly StringBuilder lines = new();

        public void Line(string name, string words) => lines.Append("  ").Append(name).Append(": ").Append(Quoted(words)).Append('\n');

        public void List(string name, IEnumerable<string> words)
        {
            var all = words.ToList();
            lines.Append("  ").Append(name).Append(all.Count == 0 ? ": []\n" : ":\n");
            foreach (var one in all)
            {
                lines.Append("    - ").Append(Quoted(one)).Append('\n');
            }
        }

        public string Clock(JsonElement at) => zone.Local(at.GetDateTimeOffset()).ToString("yyyy-MM-dd HH:mm", CultureInfo.InvariantCulture);

        public string Hours(JsonElement hours)
        {
            var known = hours.GetProperty("known").GetBoolean() ? "" : ", as the weather allows";
            return $"{Clock(hours.GetProperty("from"))} to {Clock(hours.GetProperty("to"))[11..]}{known}";
        }

        public override string ToString() => lines.ToString();

        private static string Quoted(string words) => $"\"{words.Replace("\"", "\\\"", StringComparison.Ordinal)}\"";
    }
}

internal static class JsonWords
{
    /// <summary>A field's text; null where it is null.</summary>
    public static string? Text(this JsonElement element, string field) => element.GetProperty(field).GetString();
}
