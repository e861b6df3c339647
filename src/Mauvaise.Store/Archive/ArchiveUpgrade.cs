using System.Text.Json;
using System.Text.Json.Nodes;

namespace Mauvaise.Store.Archive;

/// <summary>Reads garden.json of this version and of every earlier one.</summary>
public static class ArchiveUpgrade
{
    /// <summary>Steps from each version to the next, the first from version 1 to 2.</summary>
    private static readonly Action<JsonObject>[] Steps = [TrialsAndHistory];

    /// <exception cref="ArchiveRefusedException">It is no garden, or one of a newer version.</exception>
    public static GardenArchive Read(string json)
    {
        try
        {
            if (JsonNode.Parse(json) is not JsonObject garden || garden["version"]?.GetValue<int>() is not { } version || version < 1)
            {
                throw new ArchiveRefusedException("archive-unreadable", "This file does not say which version it is, so it can not be read safely.");
            }

            if (version > GardenArchive.Current)
            {
                throw new ArchiveRefusedException(
                    "archive-newer",
                    $"This file was written by a newer Mauvaise (version {version}; this one reads up to {GardenArchive.Current}). "
                        + "Bring Mauvaise up to date first."
                );
            }

            foreach (var step in Steps[(version - 1)..])
            {
                step(garden);
            }

            // What was added since without changing what was there: an older Mauvaise leaves it out and reads the rest.
            garden["ownRecipes"] ??= new JsonArray();
            garden["ownStocks"] ??= new JsonArray();
            garden["ownKinds"] ??= new JsonArray();
            garden["harvests"] ??= new JsonArray();
            garden["readings"] ??= new JsonArray();
            garden["version"] = GardenArchive.Current;
            return garden.Deserialize<GardenArchive>(GardenArchive.Json)!;
        }
        catch (Exception e) when (e is JsonException or InvalidOperationException or FormatException)
        {
            throw new ArchiveRefusedException("archive-unreadable", $"What stands in {ArchiveFile.GardenEntry} can not be read: {e.Message}");
        }
    }

    /// <summary>
    /// Version 1 knew no trials and no corrections, and did not say which count a spray was judged against: the last of its planting before it.
    /// </summary>
    private static void TrialsAndHistory(JsonObject garden)
    {
        garden["corrections"] = new JsonArray();
        garden["trials"] = new JsonArray();
        garden["trialCounts"] = new JsonArray();
        static IEnumerable<JsonObject> Rows(JsonObject garden, string list) => garden[list]?.AsArray().OfType<JsonObject>() ?? [];
        static string? Text(JsonObject row, string field) => row[field]?.GetValue<string>();
        static DateTimeOffset At(JsonObject row) => row["at"]!.GetValue<DateTimeOffset>();
        var sprays = Rows(garden, "applications").ToDictionary(a => Text(a, "id")!);
        var counts = Rows(garden, "observations").Where(o => o["leavesLooked"]?.GetValue<int>() > 0).ToLookup(o => Text(o, "plantingId"));
        foreach (var visit in Rows(garden, "checkBacks").Where(c => Text(c, "observationId") is not null && Text(c, "applicationId") is not null))
        {
            if (sprays.TryGetValue(Text(visit, "applicationId")!, out var spray))
            {
                visit["beforeId"] = counts[Text(visit, "plantingId")]
                    .Where(o => At(o) <= At(spray))
                    .OrderByDescending(At)
                    .ThenByDescending(o => Text(o, "named") == Text(spray, "target"))
                    .Select(o => Text(o, "id"))
                    .FirstOrDefault();
            }
        }
    }
}
