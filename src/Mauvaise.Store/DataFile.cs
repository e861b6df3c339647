using System.Data.Common;
using Mauvaise.Core.Words;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;

namespace Mauvaise.Store;

/// <summary>The data file can not be used as it is; nothing was written to it.</summary>
public sealed class DamagedDataException(string path, string what, Exception? inner = null)
    : Exception(Say.Of("store.theDataFileCanNot", ("path", path), ("what", what)), inner)
{
    /// <summary>What is wrong with it, as a sentence's end.</summary>
    public string What { get; } = what;
}

/// <summary>Opening the SQLite file: write-ahead log, foreign keys, a busy timeout, and a disk flush before every answer.</summary>
public static class DataFile
{
    /// <summary>Registers <see cref="GardenDb"/> on the file whose path is known when the first context is made.</summary>
    public static IServiceCollection AddGardenDb(this IServiceCollection services, Func<IServiceProvider, string> path) =>
        services.AddDbContext<GardenDb>(
            (sp, options) =>
                options
                    .UseSqlite(ConnectionString(path(sp)))
                    // Held by a test; looked for at every start it takes a second.
                    .ConfigureWarnings(w => w.Ignore(RelationalEventId.PendingModelChangesWarning))
                    .AddInterceptors(FlushEveryCommit.Instance)
        );

    /// <summary>A write waits so long for another one: on a slow or busy disk a flush may take seconds.</summary>
    private const int PatienceSeconds = 30;

    /// <summary>Begins the names of files that are only needed for a moment.</summary>
    public const string ScratchPrefix = "scratch-";

    /// <param name="pooling">False for a file that is read once: no connection stays open.</param>
    public static string ConnectionString(string path, bool pooling = true) =>
        new SqliteConnectionStringBuilder
        {
            DataSource = path,
            Pooling = pooling,
            ForeignKeys = true,
            DefaultTimeout = PatienceSeconds,
        }.ToString();

    /// <summary>Checks an existing file, then brings its schema up to date, keeping what is in it.</summary>
    /// <param name="backups">Folder for a copy that is made before the schema changes; null for none.</param>
    /// <exception cref="DamagedDataException">The file is no database, is damaged, or comes from a newer version.</exception>
    public static async Task OpenAsync(GardenDb db, string path, string? backups, CancellationToken stop)
    {
        var exists = File.Exists(path);
        if (exists && new FileInfo(path).Length == 0)
        {
            throw new DamagedDataException(
                path,
                "it is empty, as a disk that was full or a copy that broke off leaves it. "
                    + "Is there a garden to put back? If not, delete the empty file, and a new one is begun."
            );
        }

        try
        {
            if (!exists)
            {
                Begin(path);
            }

            var applied = Check(db, path);
            if (db.Database.GetMigrations().LastOrDefault(m => !applied.Contains(m)) is { } step)
            {
                if (backups is not null)
                {
                    Backups.Copy(path, Path.Combine(backups, Backups.Name(CopyKind.BeforeSchema, step)));
                }

                await db.Database.MigrateAsync(stop);
            }

            using var file = SqliteFile.Open(path);
            SqliteFile.Run(file, "PRAGMA journal_mode = WAL");
            // Without figures about its tables SQLite takes the wrong index on a garden of many years.
            SqliteFile.Run(file, "PRAGMA optimize = 0x10002");
        }
        catch (SqliteException e)
        {
            throw new DamagedDataException(path, Plain(e), e);
        }
    }

    /// <summary>
    /// Makes a file as all migrations would leave it, in one step, where they would take a second and a half: what a kill leaves of it goes at
    /// the next start.
    /// </summary>
    private static void Begin(string path)
    {
        var ready = Path.Combine(Path.GetDirectoryName(Path.GetFullPath(path))!, $"{ScratchPrefix}{Guid.NewGuid():N}.tmp");
        using (var file = SqliteFile.Open(ready))
        {
            SqliteFile.Run(file, "BEGIN;" + Empty() + "COMMIT;");
        }

        Disk.Move(ready, path);
    }

    /// <summary>Every table and index, and which migrations have been seen. A test writes it from the migrations and holds it to them.</summary>
    private static string Empty()
    {
        using var file = new StreamReader(typeof(DataFile).Assembly.GetManifestResourceStream("new-file.sql")!);
        return file.ReadToEnd();
    }

    /// <summary>Looks whether a file is sound, ours, and not of a newer version.</summary>
    /// <returns>The migrations that it has seen.</returns>
    /// <exception cref="DamagedDataException">It is not.</exception>
    internal static IReadOnlySet<string> Check(GardenDb db, string path)
    {
        using var file = SqliteFile.Open(path);
        if (SqliteFile.Texts(file, "PRAGMA quick_check(1)") is not ["ok"])
        {
            throw new DamagedDataException(path, "part of it is damaged.");
        }

        if (SqliteFile.Texts(file, "SELECT name FROM sqlite_master WHERE name = '__EFMigrationsHistory'").Count == 0)
        {
            throw new DamagedDataException(path, "it belongs to another program.");
        }

        var applied = SqliteFile.Texts(file, "SELECT MigrationId FROM __EFMigrationsHistory ORDER BY MigrationId");
        return applied.Except(db.Database.GetMigrations()).FirstOrDefault() is { } newer
            ? throw new DamagedDataException(path, $"it was written by a newer Mauvaise (step {newer}).")
            : applied.ToHashSet();
    }

    private static string Plain(SqliteException e) =>
        e.SqliteErrorCode switch
        {
            26 => Say.Of("store.itIsNotAMauvaiseData"),
            11 => Say.Of("store.partOfItIsDamaged"),
            5 or 6 => Say.Of("store.anotherProgramHolds"),
            8 or 14 => Say.Of("store.itCanNotBeRead"),
            13 => Say.Of("store.theDiskIsFull"),
            _ => Say.Of("store.sqliteSays", ("sqliteErrorCode", e.SqliteErrorCode)),
        };

    /// <summary>Makes SQLite flush its log at every commit, so that an acknowledged write survives a power cut.</summary>
    private sealed class FlushEveryCommit : DbConnectionInterceptor
    {
        public static readonly FlushEveryCommit Instance = new();

        public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
        {
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA synchronous = FULL";
            command.ExecuteNonQuery();
        }

        public override Task ConnectionOpenedAsync(DbConnection connection, ConnectionEndEventData eventData, CancellationToken cancellationToken = default)
        {
            ConnectionOpened(connection, eventData);
            return Task.CompletedTask;
        }
    }
}
