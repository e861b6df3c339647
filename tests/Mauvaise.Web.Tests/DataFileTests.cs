using Mauvaise.Core.Sky;
using Mauvaise.Store;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace Mauvaise.Web.Tests;

/// <summary>The file itself: its schema, its copies, what is mended in it.</summary>
public sealed class DataFileTests : OnDataFile
{
    [Fact]
    public async Task No_model_change_waits_for_a_migration()
    {
        await using var db = Open();
        Assert.False(db.Database.HasPendingModelChanges());
    }

    [Fact]
    public async Task A_file_of_every_earlier_schema_opens()
    {
        List<string> steps;
        await using (var db = Open())
        {
            steps = [.. db.Database.GetMigrations()];
        }

        Assert.NotEmpty(steps);
        foreach (var step in steps)
        {
            File.Delete(DatabasePath);
            await using (var old = Open())
            {
                await old.GetService<IMigrator>().MigrateAsync(step, Stop);
            }

            SqliteConnection.ClearAllPools();
            await using var now = Open();
            await DataFile.OpenAsync(now, DatabasePath, null, Stop);
            Assert.Equal(steps, await now.Database.GetAppliedMigrationsAsync(Stop));
            SqliteConnection.ClearAllPools();
        }
    }

    [Fact]
    public async Task A_new_file_begins_as_all_migrations_would_leave_it()
    {
        await using (var db = Open())
        {
            await db.Database.MigrateAsync(Stop);
        }

        SqliteConnection.ClearAllPools();
        var migrated = Written(DatabasePath);
        var source = Repository.Path("src", "Mauvaise.Store", "Migrations", "new-file.sql");
        if (Environment.GetEnvironmentVariable("MAUVAISE_WRITE_SCHEMAS") == "1")
        {
            await File.WriteAllTextAsync(source, migrated, Stop);
        }

        Assert.Equal(migrated, await File.ReadAllTextAsync(source, Stop));
        File.Delete(DatabasePath);
        await using var begun = Open();
        await DataFile.OpenAsync(begun, DatabasePath, null, Stop);
        SqliteConnection.ClearAllPools();
        Assert.Equal(migrated, Written(DatabasePath));
    }

    /// <summary>The statements that make a file as it is: tables, indexes, and rows, of which a new one has those of the migrations alone.</summary>
    private static string Written(string path)
    {
        using var file = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Pooling = false }.ToString());
        file.Open();
        var tables = SqliteFile.Texts(
            file,
            "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> '__EFMigrationsHistory'"
        );
        Assert.All(tables, table => Assert.Equal(["0"], SqliteFile.Texts(file, $"SELECT count(*) FROM \"{table}\"")));
        return string.Concat([
            .. SqliteFile.Texts(
                file,
                "SELECT sql || ';' || char(10) FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' ORDER BY type DESC, name"
            ),
            .. SqliteFile.Texts(
                file,
                "SELECT 'INSERT INTO __EFMigrationsHistory VALUES (' || quote(MigrationId) || ', ' || quote(ProductVersion) || ');' || char(10) "
                    + "FROM __EFMigrationsHistory ORDER BY MigrationId"
            ),
        ]);
    }

    [Fact]
    public async Task A_newer_file_is_refused_and_left_alone()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
            await db.Database.ExecuteSqlRawAsync("INSERT INTO __EFMigrationsHistory VALUES ('99990101000000_FromTheFuture', '99.0')", Stop);
        }

        await using var again = Open();
        var e = await Assert.ThrowsAsync<DamagedDataException>(() => DataFile.OpenAsync(again, DatabasePath, null, Stop));
        Assert.Contains("newer Mauvaise", e.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_day_of_weather_is_packed_and_unpacked_the_same()
    {
        var day = Enumerable.Range(0, 24).Select(h => new WeatherHour(h - 3.5, 60 + h, h % 3 == 0 ? null : 1.25, 2.5, 0, 12)).ToList();
        Assert.Equal(day, HourPacking.Unpack(HourPacking.Pack(day)));
        Assert.Throws<InvalidDataException>(() => HourPacking.Unpack([1, 2, 3]));
    }

    [Fact]
    public async Task A_lost_picture_is_mended_after_a_copy_and_a_sound_file_is_left_alone()
    {
        await using var db = Open();
        await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        var copies = Path.Combine(Folder, "backups");
        Assert.Empty(await Doctor.MendAsync(DatabasePath, copies, DateTimeOffset.UtcNow, Stop));
        Assert.False(Directory.Exists(copies));
        var (garden, place, planting, count) = (Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid());
        db.AddRange(
            new Store.Rows.GardenRow
            {
                Id = garden,
                Name = "G",
                TimeZoneId = "UTC",
                Climate = "continental",
            },
            new Store.Rows.PlaceRow
            {
                Id = place,
                GardenId = garden,
                Name = "P",
            },
            new Store.Rows.PlantingRow
            {
                Id = planting,
                PlaceId = place,
                Crop = "kale",
            },
            new Store.Rows.ObservationRow
            {
                Id = count,
                GardenId = garden,
                PlantingId = planting,
                LeavesLooked = 5,
                LookId = count,
            },
            new Store.Rows.PhotoRow
            {
                Id = Guid.NewGuid(),
                GardenId = garden,
                ObservationId = count,
            }
        );
        await db.SaveChangesAsync(Stop);
        var done = await Doctor.MendAsync(DatabasePath, copies, DateTimeOffset.UtcNow, Stop);
        Assert.Contains("1 pictures", done[^1], StringComparison.Ordinal);
        Assert.Equal(CopyKind.BeforeMend, Backups.All(copies).Single().Kind);
        Assert.Equal((0, 1), (await db.Photos.CountAsync(Stop), await db.Observations.CountAsync(Stop)));
    }

    [Fact]
    public async Task Daily_copies_are_thinned_to_a_week_and_a_month_each()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        }

        var copies = Path.Combine(Folder, "backups");
        var today = new DateOnly(2026, 11, 26);
        for (var day = today.AddDays(-100); day <= today; day = day.AddDays(day < today.AddDays(-12) ? 11 : 1))
        {
            Assert.NotNull(Backups.Roll(DatabasePath, copies, day));
        }

        Assert.Null(Backups.Roll(DatabasePath, copies, today));
        var kept = Backups.Days(copies).Select(c => c.Day).ToList();
        Assert.Equal(Enumerable.Range(0, 7).Select(d => today.AddDays(-d)), kept.Take(7));
        Assert.All(kept.Skip(7).GroupBy(d => d.Month), m => Assert.Single(m));
        Assert.Equal([8, 9, 10, 11], kept.Select(d => d.Month).Distinct().Order());
        Backups.Check(Backups.Days(copies)[0].File);
    }

    [Fact]
    public async Task A_clock_that_jumps_ahead_and_back_takes_no_copy_away()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        }

        var copies = Path.Combine(Folder, "backups");
        var today = new DateOnly(2026, 11, 26);
        foreach (var day in new[] { today.AddDays(-1), today, today.AddYears(9), today.AddDays(1) })
        {
            Assert.NotNull(Backups.Roll(DatabasePath, copies, day));
        }

        Assert.Equal(4, Backups.Days(copies).Count);
    }
}
