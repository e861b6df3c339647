using System.Globalization;
using Mauvaise.Core.Words;
using Mauvaise.Store.Archive;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store;

/// <summary>One thing that was looked at.</summary>
public sealed record Examined(bool Sound, string Words);

/// <summary>Looks a data file through from end to end, and never writes to it.</summary>
public static class Doctor
{
    /// <summary>Less room than this many times the file is told.</summary>
    private const int RoomTimes = 3;

    /// <summary>A copy that is older than this is told, days.</summary>
    private const int CopyDays = 3;

    private const int MostTold = 20;

    /// <param name="backups">Folder of the copies; null to leave them out.</param>
    public static async Task<IReadOnlyList<Examined>> ExamineAsync(string path, string? backups, DateTimeOffset now, CancellationToken stop)
    {
        var found = new List<Examined>();
        if (!File.Exists(path))
        {
            return [new(false, Say.Of("store.thereIsNoFile", ("path", path)))];
        }

        var bytes = new FileInfo(path).Length;
        found.Add(
            new(
                bytes > 0,
                bytes > 0
                    ? string.Create(CultureInfo.InvariantCulture, $"{path}, {bytes / 1048576.0:0.0} MB.")
                    : Say.Of("store.isEmptyPutACopyBack", ("path", path))
            )
        );
        try
        {
            Backups.Check(path);
            found.Add(new(true, Say.Of("store.itsPagesIndexesAndReferences")));
            var options = new DbContextOptionsBuilder<GardenDb>()
                .UseSqlite(
                    new SqliteConnectionStringBuilder
                    {
                        DataSource = path,
                        Mode = SqliteOpenMode.ReadOnly,
                        Pooling = false,
                        DefaultTimeout = 10,
                    }.ToString()
                )
                .Options;
            await using var db = new GardenDb(options);
            found.AddRange(await SchemaAsync(db, stop));
            if (found.TrueForAll(f => f.Sound))
            {
                found.AddRange(await RowsAsync(db, stop));
            }
        }
        catch (DamagedDataException e)
        {
            found.Add(new(false, e.Message));
        }
        catch (SqliteException e)
        {
            found.Add(new(false, Say.Of("store.itCanNotBeReadThrough", ("message", e.Message))));
        }

        return [.. found, .. backups is null ? [] : Copies(backups, now), Room(path, bytes)];
    }

    /// <summary>
    /// Mends what can be mended without losing anything, after a copy: indexes are made anew, and pictures whose image is lost are taken
    /// off their counts. What holds records is never changed: for that there are the copies.
    /// </summary>
    /// <returns>What was done, the copy first; empty when there was nothing to do.</returns>
    public static async Task<IReadOnlyList<string>> MendAsync(string path, string backups, DateTimeOffset now, CancellationToken stop)
    {
        await using var db = new GardenDb(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(path, pooling: false)).Options);
        var indexes = (await db.Database.SqlQueryRaw<string>("PRAGMA integrity_check(20)").ToListAsync(stop)).Exists(w =>
            w.Contains("index", StringComparison.Ordinal)
        );
        var lost = await db.Photos.CountAsync(p => !db.PhotoImages.Any(i => i.PhotoId == p.Id), stop);
        if (!indexes && lost == 0)
        {
            return [];
        }

        // A file with a broken index is no sound copy, so that it is copied as it is.
        var copy = Path.Combine(backups, Backups.Name(CopyKind.BeforeMend, now));
        Directory.CreateDirectory(backups);
        await db.Database.ExecuteSqlAsync($"VACUUM INTO {copy}", stop);
        List<string> done = [Say.Of("store.aCopyOfBefore", ("copy", copy))];
        if (indexes)
        {
            await db.Database.ExecuteSqlRawAsync("REINDEX", stop);
            done.Add(Say.Of("store.itsIndexesWereMadeAnew"));
        }

        if (lost > 0)
        {
            await db.Photos.Where(p => !db.PhotoImages.Any(i => i.PhotoId == p.Id)).ExecuteDeleteAsync(stop);
            done.Add(Say.Of("store.picturesThatWereLostWereTaken", ("lost", lost)));
        }

        return done;
    }

    private static async Task<IEnumerable<Examined>> SchemaAsync(GardenDb db, CancellationToken stop)
    {
        var known = db.Database.GetMigrations().ToList();
        var applied = (await db.Database.GetAppliedMigrationsAsync(stop)).ToList();
        return applied.FirstOrDefault(m => !known.Contains(m)) is { } newer
            ? [new(false, Say.Of("store.itWasWrittenByANewer", ("newer", newer)))]
            :
            [
                new(
                    true,
                    applied.Count == known.Count
                        ? Say.Of("store.itsShapeIsThatOfThis")
                        : Say.Of("store.itIsStepsOlderThanThis", ("known", known.Count - applied.Count))
                ),
            ];
    }

    private static async Task<List<Examined>> RowsAsync(GardenDb db, CancellationToken stop)
    {
        if ((await db.Database.GetPendingMigrationsAsync(stop)).Any())
        {
            return [];
        }

        var found = new List<Examined>();
        foreach (var id in await db.Gardens.Select(g => g.Id).ToListAsync(stop))
        {
            var garden = (await new ArchiveMerge(db).ReadAsync(id, stop))!;
            var faults = ArchiveCheck.Faults(garden).Take(MostTold).ToList();
            found.Add(
                faults.Count == 0
                    ? new(
                        true,
                        Say.Of(
                            "store.placesPlantingsCountsAndSpraysAll",
                            ("garden", garden.Garden.Name),
                            ("places", garden.Places.Count),
                            ("plantings", garden.Plantings.Count),
                            ("observations", garden.Observations.Count),
                            ("applications", garden.Applications.Count)
                        )
                    )
                    : new(false, $"{garden.Garden.Name}: {string.Join("; ", faults)}.")
            );
            found.AddRange(await PicturesAsync(db, id, stop));
            var fetch = await db.WeatherFetches.AsNoTracking().Where(f => f.GardenId == id).OrderByDescending(f => f.AnsweredAt).FirstOrDefaultAsync(stop);
            found.Add(
                fetch switch
                {
                    { Trouble: { } trouble } => new(false, Say.Of("store.weather", ("trouble", trouble))),
                    { AnsweredAt: { } last } => new(true, Say.Of("store.weatherWasLastFetched", ("last", Say.In(last, "d MMMM yyyy")))),
                    _ => new(true, Say.Of("store.noWeatherServiceHasAnsweredYet")),
                }
            );
        }

        return found.Count > 0 ? found : [new(true, Say.Of("store.thereIsNoGarden"))];
    }

    private static async Task<IEnumerable<Examined>> PicturesAsync(GardenDb db, Guid garden, CancellationToken stop)
    {
        var pictures = await db.Photos.CountAsync(p => p.GardenId == garden, stop);
        var missing = await db.Photos.CountAsync(p => p.GardenId == garden && !db.PhotoImages.Any(i => i.PhotoId == p.Id), stop);
        return pictures == 0
            ? []
            :
            [
                new(
                    missing == 0,
                    missing == 0
                        ? Say.Of("store.pictures", ("pictures", pictures))
                        : Say.Of("store.picturesOfWhichAreLost", ("pictures", pictures), ("missing", missing))
                ),
            ];
    }

    private static IEnumerable<Examined> Copies(string folder, DateTimeOffset now)
    {
        var days = Backups.Days(folder);
        if (days.Count == 0)
        {
            return [new(false, Say.Of("store.thereIsNoCopyInYet", ("folder", folder)))];
        }

        var age = DateOnly.FromDateTime(now.Date).DayNumber - days[0].Day.DayNumber;
        return [new(age <= CopyDays, Say.Of("store.copiesInTheNewest", ("days", days.Count), ("folder", folder), ("day", Say.In(days[0].Day, "d MMMM yyyy"))))];
    }

    private static Examined Room(string path, long bytes)
    {
        var free = new DriveInfo(Path.GetFullPath(path)).AvailableFreeSpace;
        return new(free > RoomTimes * bytes, Say.Of("store.gbOfRoomOnTheDisk", ("free", Say.In(free / 1073741824.0, "0.0"))));
    }
}
