using System.Collections.Concurrent;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Microsoft.Data.Sqlite;

namespace Mauvaise.Store.Loading;

/// <summary>
/// The last snapshot of each garden in each voice (language, order of days) that was asked for, good until anything is written to the
/// data file, by this program or another, or the hour turns and the weather moves on.
/// </summary>
/// <param name="path">Of the data file.</param>
public sealed class SnapshotCache(string path) : IDisposable
{
    private readonly ConcurrentDictionary<(Guid Garden, Voice Voice), (long Version, GardenSnapshot Snapshot)> kept = new();
    private readonly Lock watching = new();
    private SqliteConnection? watch;

    /// <summary>A number that SQLite changes with every commit of any other connection. This one writes nothing, so none escapes it.</summary>
    public long Version()
    {
        lock (watching)
        {
            if (watch is null)
            {
                watch = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Pooling = false }.ToString());
                watch.Open();
            }

            using var ask = watch.CreateCommand();
            ask.CommandText = "PRAGMA data_version";
            return (long)ask.ExecuteScalar()!;
        }
    }

    public GardenSnapshot? Find(Guid gardenId, long version, DateTimeOffset now) =>
        kept.TryGetValue((gardenId, Say.Voice), out var found)
        && found.Version == version
        && HourSeries.WholeHour(found.Snapshot.Now) == HourSeries.WholeHour(now)
            ? found.Snapshot
            : null;

    public void Keep(Guid gardenId, long version, GardenSnapshot snapshot) => kept[(gardenId, Say.Voice)] = (version, snapshot);

    public void Dispose() => watch?.Dispose();
}
