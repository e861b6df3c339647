using System.Globalization;
using Microsoft.Data.Sqlite;

namespace Mauvaise.Store;

/// <summary>Copies of the data file, made while it is in use, and put back.</summary>
public static class Backups
{
    private const int KeepDays = 7;
    private const int KeepMonths = 12;
    private const int KeepMerges = 5;

    /// <summary>Begins the names of copies that are made before a garden is merged in; the last five stay.</summary>
    public const string MergePrefix = "before-merge-";

    /// <summary>Begins the names of copies that are made before a new version changes the schema; the last five stay.</summary>
    public const string MigrationPrefix = "before-schema-";

    private const string Stamp = "yyyy-MM-dd";

    /// <summary>Copies the data file by SQLite's online backup and checks the copy before it takes its name.</summary>
    /// <exception cref="DamagedDataException">The copy is not sound.</exception>
    public static void Copy(string from, string to)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(to))!);
        var unfinished = to + ".unfinished";
        File.Delete(unfinished);
        // A copy is one file: no log beside it, and no connection that stays open in a pool.
        using (var source = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = from, Mode = SqliteOpenMode.ReadOnly, Pooling = false, DefaultTimeout = 10 }.ToString()))
        using (var copy = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = unfinished, Pooling = false }.ToString()))
        {
            source.Open();
            copy.Open();
            source.BackupDatabase(copy);
            Run(copy, "PRAGMA journal_mode = DELETE");
        }

        Check(unfinished);
        File.Move(unfinished, to, overwrite: true);
    }

    /// <summary>Reads a whole copy through.</summary>
    /// <exception cref="DamagedDataException">It is no data file of Mauvaise, or not sound.</exception>
    public static void Check(string path)
    {
        try
        {
            using var copy = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
            copy.Open();
            if (Run(copy, "PRAGMA integrity_check(1)") is not "ok" || Run(copy, "PRAGMA foreign_key_check") is not null)
            {
                throw new DamagedDataException(path, "part of it is damaged.");
            }

            if (Run(copy, "SELECT count(*) FROM sqlite_master WHERE name = '__EFMigrationsHistory'") is not 1L)
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
    /// <returns>Where the old file went; null when there was none.</returns>
    /// <exception cref="DamagedDataException">The copy is not sound; nothing was changed.</exception>
    public static string? Restore(string copy, string dataFile, DateTimeOffset now)
    {
        Check(copy);
        Directory.CreateDirectory(Path.GetDirectoryName(Path.GetFullPath(dataFile))!);
        string? aside = null;
        if (File.Exists(dataFile))
        {
            aside = $"{dataFile}.before-restore-{now.ToString("yyyyMMdd-HHmmss", CultureInfo.InvariantCulture)}";
            Copy(dataFile, aside);
        }

        var ready = dataFile + ".restoring";
        File.Copy(copy, ready, overwrite: true);
        // The log belongs to the old file; were it left, SQLite would play it into the new one.
        File.Delete(dataFile + "-wal");
        File.Delete(dataFile + "-shm");
        File.Move(ready, dataFile, overwrite: true);
        return aside;
    }

    /// <summary>
    /// Today's copy in the folder, made once a day. The last seven stay, and the last of each of twelve months: counted by the copies, not by
    /// the clock, so that a clock that jumps takes none away.
    /// </summary>
    /// <returns>The copy that was made; null when today's was there.</returns>
    public static string? Roll(string dataFile, string folder, DateOnly today)
    {
        var path = Path.Combine(folder, $"mauvaise-{today.ToString(Stamp, CultureInfo.InvariantCulture)}.db");
        if (File.Exists(path))
        {
            return null;
        }

        Copy(dataFile, path);
        var kept = Days(folder);
        var stay = kept.Take(KeepDays).Concat(kept.GroupBy(k => (k.Day.Year, k.Day.Month)).Take(KeepMonths).Select(g => g.First())).ToHashSet();
        foreach (var (_, file) in kept.Where(k => !stay.Contains(k)))
        {
            File.Delete(file);
        }

        foreach (var file in new[] { MergePrefix, MigrationPrefix }.SelectMany(p => Directory.EnumerateFiles(folder, p + "*.db").OrderDescending(StringComparer.Ordinal).Skip(KeepMerges)))
        {
            File.Delete(file);
        }

        return path;
    }

    /// <summary>The rolling copies in a folder, the newest first.</summary>
    public static IReadOnlyList<(DateOnly Day, string File)> Days(string folder) => Directory.Exists(folder)
        ? [.. Directory.EnumerateFiles(folder, "mauvaise-*.db")
            .Select(f => (Ok: DateOnly.TryParseExact(Path.GetFileNameWithoutExtension(f)["mauvaise-".Length..], Stamp, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day), Day: day, File: f))
            .Where(f => f.Ok).OrderByDescending(f => f.Day).Select(f => (f.Day, f.File))]
        : [];

    private static object? Run(SqliteConnection connection, string command)
    {
        using var run = connection.CreateCommand();
        run.CommandText = command;
        return run.ExecuteScalar();
    }
}
