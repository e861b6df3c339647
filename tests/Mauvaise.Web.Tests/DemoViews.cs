using System.Text.Json;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;

namespace Mauvaise.Web.Tests;

/// <summary>What a garden can be asked for, for tests that read all of it.</summary>
public static class DemoViews
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");

    /// <summary>Addresses behind that of the demo's garden.</summary>
    public static IReadOnlyList<string> Of(IEnumerable<PlaceAnswer> places) =>
        [
            "",
            "/board",
            "/round",
            "/decide",
            "/plan",
            "/check-backs",
            "/ledger",
            "/weather",
            "/shelf",
            "/almanac",
            "/learned",
            "/trials",
            "/stances",
            "/batches/left",
            "/ledger/recipes",
            "/prevention",
            "/harvests",
            $"/windows?planting={Courgette}&material=neem-oil",
            $"/what-if?planting={Courgette}&target=powdery-mildew&share=0.2",
            $"/ways?planting={Courgette}&target=powdery-mildew",
            $"/bench?planting={Courgette}&target=powdery-mildew",
            $"/bench?planting={Courgette}&recipe=earth-dust",
            $"/bench?planting={Courgette}&recipe=castings-feed",
            .. places.SelectMany(p => new[] { $"/places/{p.Id}/outlook", $"/places/{p.Id}/story" }),
        ];

    /// <summary>Every text of an answer with the name of its field.</summary>
    public static IEnumerable<(string Field, string Text)> Texts(JsonElement e, string field = "") =>
        e.ValueKind switch
        {
            JsonValueKind.Object => e.EnumerateObject().SelectMany(p => Texts(p.Value, p.Name)),
            JsonValueKind.Array => e.EnumerateArray().SelectMany(x => Texts(x, field)),
            JsonValueKind.String => [(field, e.GetString()!)],
            _ => [],
        };
}
