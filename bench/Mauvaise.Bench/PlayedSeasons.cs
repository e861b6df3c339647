using System.Text.Json;

namespace Mauvaise.Bench;

/// <summary>
/// Seasons that were played, kept in a file a line each: hours of playing that are cut short go on where they stopped. The file says nothing
/// of the app that played; it is for one state of it, and thrown away after.
/// </summary>
internal sealed class PlayedSeasons
{
    private readonly string? file;
    private readonly Lock writing = new();
    private readonly Dictionary<(string Policy, string Climate, int Season, bool OwnTruth), SeasonResult> known = [];

    private sealed record Line(string Policy, string Climate, int Season, bool OwnTruth, SeasonResult Result);

    /// <param name="file">Null keeps nothing.</param>
    public PlayedSeasons(string? file)
    {
        this.file = file;
        if (File.Exists(file))
        {
            var kept = File.ReadAllText(file);
            // A line that was being written when the playing was cut short is played anew.
            var whole = kept[..(kept.LastIndexOf('\n') + 1)];
            if (whole != kept)
            {
                File.WriteAllText(file, whole);
            }

            foreach (var line in whole.Split('\n', StringSplitOptions.RemoveEmptyEntries).Select(l => JsonSerializer.Deserialize<Line>(l)!))
            {
                known[(line.Policy, line.Climate, line.Season, line.OwnTruth)] = line.Result;
            }
        }
    }

    /// <summary>What a season came to: as it is kept, else it is played now.</summary>
    public SeasonResult Of(string policy, string climate, int season, Func<SeasonResult> play)
    {
        if (known.TryGetValue((policy, climate, season, BenchSettings.OwnTruth), out var before))
        {
            return before;
        }

        var result = play();
        if (file is not null)
        {
            lock (writing)
            {
                File.AppendAllText(file, JsonSerializer.Serialize(new Line(policy, climate, season, BenchSettings.OwnTruth, result)) + '\n');
            }
        }

        return result;
    }
}
