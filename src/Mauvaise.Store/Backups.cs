using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store;

/// <summary>Why a copy was made.</summary>
public enum CopyKind
{
    Day,
    ByHand,
    BeforeMerge,
    BeforeSchema,
    BeforeRestore,
    BeforeMend,
}

/// <summary>A copy of the data file.</summary>
/// <param name="Name">Of the file, within the folder of copies.</param>
public sealed record KeptCopy(string Name, CopyKind Kind, DateTimeOffset At, long Bytes);

/// <summary>Copies of the data file, made while it is in use, and put back.</summary>
public static class Backups
{
    private const int KeepDays = 7;
    private const int KeepMonths = 12;

    /// <summary>Of the copies before each kind of step so many stay, and of those made by hand.</summary>
    private const int KeepSteps = 5,
        KeepByHand = 20;

    /// <summary>Together the copies take no more than this, as long as the newest of each kind stays, bytes.</summary>
    private const long MostBytes = 4L << 30;

    private const string Stamp = "yyyy-MM-dd";
    private const string Ending = ".db";

    /// <summary>How the names of copies begin.</summary>
    private static readonly Dictionary<CopyKind, string> Prefixes = new()
    {
        [CopyKind.Day] = "mauvaise-",
        [CopyKind.ByHand] = "backup-",
        [CopyKind.BeforeMerge] = "before-merge-",
        [CopyKind.BeforeSchema] = "before-schema-",
        [CopyKind.BeforeRestore] = "before-restore-",
        [CopyKind.BeforeMend] = "before-mend-",
    };

    /// <summary>Name of a copy of now.</summary>
    public static string Name(CopyKind kind, DateTimeOffset now) => Name(kind, now.ToString("yyyyMMdd-HHmmss", CultureInfo.InvariantCulture));

    /// <param name="what">What tells it from others of its kind.</param>
    public static string Name(CopyKind kind, string what) => Prefixes[kind] + what + Ending;

    /// <summary>All copies in a folder, the newest first.</summary>
    public static IReadOnlyList<KeptCopy> All(string folder) =>
        !Directory.Exists(folder)
            ? []
            :
            [
                .. new DirectoryInfo(folder)
                    .EnumerateFiles("*" + Ending)
                    .SelectMany(f =>
                        Prefixes
                            .Where(p => f.Name.StartsWith(p.Value, StringComparison.Ordinal))
                            .Select(p => new KeptCopy(f.Name, p.Key, f.LastWriteTimeUtc, f.Length))
                    )
                    .OrderByDescending(c => c.At)
                    .ThenBy(c => c.Name, StringComparer.Ordinal),
            ];

    /// <summary>Copies the data file by SQLite's online backup and checks the copy before it takes its name.</summary>
    /// <exception cref="DamagedDataException">The copy is not sound.</exception>
    public static void Copy(string from, string to)
    {
        Disk.MakeFolder(Path.GetDirectoryName(Path.GetFullPath(to))!);
        var unfinished = to + ".unfinished";
        Disk.Delete(unfinished);
        // A copy is one file: no log beside it, and no connection that stays open in a pool.
        using (
            var source = new SqliteConnection(
                new SqliteConnectionStringBuilder
                {
                    DataSource = from,
                    Mode = SqliteOpenMode.ReadOnly,
                    Pooling = false,
                    DefaultTimeout = 10,
                }.ToString()
            )
        )
        using (var copy = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = unfinished, Pooling = false }.ToString()))
        {
            source.Open();
            copy.Open();
            source.BackupDatabase(copy);
            SqliteFile.Run(copy, "PRAGMA journal_mode = DELETE");
        }

        Check(unfinished);
        Disk.Move(unfinished, to);
    }

    /// <summary>Reads a whole copy through.</summary>
    /// <exception cref="DamagedDataException">It is no data file of Mauvaise, or not sound.</exception>
    public static void Check(string path)
    {
        try
        {
            using var copy = new SqliteConnection(
                new SqliteConnectionStringBuilder
                {
                    DataSource = path,
                    Mode = SqliteOpenMode.ReadOnly,
                    Pooling = false,
                }.ToString()
            );
            copy.Open();
            if (SqliteFile.Run(copy, "PRAGMA integrity_check(1)") is not "ok" || SqliteFile.Run(copy, "PRAGMA foreign_key_check") is not null)
            {
                throw new DamagedDataException(path, "part of it is damaged.");
            }

            if (SqliteFile.Run(copy, "SELECT count(*) FROM sqlite_master WHERE name = '__EFMigrationsHistory'") is not 1L)
            {
                throw new DamagedDataException(path, "it is not a Mauvaise data file.");
            }
        }
        catch (SqliteException e)
        {
            throw new DamagedDataException(path, "it is not a Mauvaise data file, or part of it is damaged.", e);
        }
    }

    /// <summary>Puts a copy in the place of the data file; what was there is kept beside it.</summary>
    /// <param name="folder">Where copies are kept: what was there becomes one of them.</param>
    /// <returns>Where the old file went; null when there was none.</returns>
    /// <exception cref="DamagedDataException">The copy is not sound, or of a newer version; nothing was changed.</exception>
    public static string? Restore(string copy, string dataFile, string folder, DateTimeOffset now)
    {
        Check(copy);
        using (var db = new GardenDb(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(copy, pooling: false)).Options))
        {
            DataFile.Check(db, copy);
        }

        Disk.MakeFolder(Path.GetDirectoryName(Path.GetFullPath(dataFile))!);
        string? aside = null;
        if (File.Exists(dataFile))
        {
            aside = Path.Combine(folder, Name(CopyKind.BeforeRestore, now));
            Copy(dataFile, aside);
        }

        var ready = dataFile + ".restoring";
        Disk.Copy(copy, ready);
        if (aside is not null)
        {
            // What the log holds goes into the old file first: should the last step fail, that one is whole.
            using var old = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = dataFile, Pooling = false }.ToString());
            old.Open();
            SqliteFile.Run(old, "PRAGMA wal_checkpoint(TRUNCATE)");
        }

        // The log belongs to the old file; were it left, SQLite would play it into the new one.
        Disk.Delete(dataFile + "-wal");
        Disk.Delete(dataFile + "-shm");
        Disk.Move(ready, dataFile);
        return aside;
    }

    /// <summary>Puts a copy in the place of a data file that is in use; what was there is kept as a copy first.</summary>
    /// <returns>Name of the copy of what was there.</returns>
    /// <exception cref="DamagedDataException">The copy is not sound, or of a newer version; nothing was changed.</exception>
    public static async Task<string> RestoreInUseAsync(string copy, string dataFile, string folder, DateTimeOffset now, CancellationToken stop)
    {
        Check(copy);
        var ready = Path.Combine(Path.GetDirectoryName(dataFile)!, $"{DataFile.ScratchPrefix}{Guid.NewGuid():N}.tmp");
        try
        {
            Copy(copy, ready);
            // An older copy is brought up to this version before anything is touched.
            await using (var db = new GardenDb(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(ready, pooling: false)).Options))
            {
                await DataFile.OpenAsync(db, ready, null, stop);
            }

            var aside = Name(CopyKind.BeforeRestore, now);
            Copy(dataFile, Path.Combine(folder, aside));
            using var source = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = ready, Pooling = false }.ToString());
            using var live = new SqliteConnection(
                new SqliteConnectionStringBuilder
                {
                    DataSource = dataFile,
                    Pooling = false,
                    DefaultTimeout = 10,
                }.ToString()
            );
            source.Open();
            live.Open();
            SqliteFile.Run(live, "PRAGMA busy_timeout = 10000");
            source.BackupDatabase(live);
            return aside;
        }
        finally
        {
            foreach (var end in new[] { "", "-wal", "-shm" })
            {
                Disk.Discard(ready + end);
            }
        }
    }

    /// <summary>
    /// Today's copy in the folder, made once a day. The last seven stay, and the last of each of twelve months: counted by the copies, not by
    /// the clock, so that a clock that jumps takes none away.
    /// </summary>
    /// <returns>The copy that was made; null when today's was there.</returns>
    public static string? Roll(string dataFile, string folder, DateOnly today)
    {
        var path = Path.Combine(folder, Name(CopyKind.Day, today.ToString(Stamp, CultureInfo.InvariantCulture)));
        if (File.Exists(path))
        {
            return null;
        }

        Copy(dataFile, path);
        var kept = Days(folder);
        var stay = kept.Take(KeepDays).Concat(kept.GroupBy(k => (k.Day.Year, k.Day.Month)).Take(KeepMonths).Select(g => g.First())).ToHashSet();
        foreach (var (_, file) in kept.Where(k => !stay.Contains(k)))
        {
            Disk.Delete(file);
        }

        Thin(folder);
        return path;
    }

    /// <summary>A copy of now that somebody asked for.</summary>
    public static void CopyByHand(string dataFile, string folder, DateTimeOffset now)
    {
        Copy(dataFile, Path.Combine(folder, Name(CopyKind.ByHand, now)));
        Thin(folder);
    }

    /// <summary>Takes away what is too much of one kind, then what is too large together; the newest of each kind always stays.</summary>
    private static void Thin(string folder)
    {
        var kinds = All(folder).Where(c => c.Kind != CopyKind.Day).GroupBy(c => c.Kind);
        foreach (
            var copy in kinds.SelectMany(k => k.OrderByDescending(c => c.Name, StringComparer.Ordinal).Skip(k.Key == CopyKind.ByHand ? KeepByHand : KeepSteps))
        )
        {
            Disk.Delete(Path.Combine(folder, copy.Name));
        }

        var left = All(folder);
        var together = left.Sum(c => c.Bytes);
        var newest = left.GroupBy(c => c.Kind).Select(k => k.First()).ToHashSet();
        foreach (var copy in left.Where(c => !newest.Contains(c)).Reverse().TakeWhile(_ => together > MostBytes))
        {
            together -= copy.Bytes;
            Disk.Delete(Path.Combine(folder, copy.Name));
        }
    }

    /// <summary>The rolling copies in a folder, the newest first.</summary>
    public static IReadOnlyList<(DateOnly Day, string File)> Days(string folder) =>
        Directory.Exists(folder)
            ?
            [
                .. Directory
                    .EnumerateFiles(folder, Prefixes[CopyKind.Day] + "*" + Ending)
                    .Select(f =>
                        (
                            Ok: DateOnly.TryParseExact(
                                Path.GetFileNameWithoutExtension(f)[Prefixes[CopyKind.Day].Length..],
                                Stamp,
                                CultureInfo.InvariantCulture,
                                DateTimeStyles.None,
                                out var day
                            ),
                            Day: day,
                            File: f
                        )
                    )
                    .Where(f => f.Ok)
                    .OrderByDescending(f => f.Day)
                    .Select(f => (f.Day, f.File)),
            ]
            : [];
}
