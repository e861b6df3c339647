using System.Diagnostics;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Store;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.Configuration;

namespace Mauvaise.Web.Tests;

public sealed class DataFileTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("mauvaise-file").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static string App { get; } =
        AppContext.BaseDirectory.Replace(Path.Combine("tests", "Mauvaise.Web.Tests"), Path.Combine("src", "Mauvaise.Web"), StringComparison.Ordinal)
        + "Mauvaise.Web.dll";

    private string DatabasePath => Path.Combine(folder, "mauvaise.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
    }

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
        var source = Path.Combine([AppContext.BaseDirectory, .. Enumerable.Repeat("..", 6), "src", "Mauvaise.Store", "Migrations", "new-file.sql"]);
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
        var tables = Texts(file, "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name <> '__EFMigrationsHistory'");
        Assert.All(tables, table => Assert.Equal(["0"], Texts(file, $"SELECT count(*) FROM \"{table}\"")));
        return string.Concat([
            .. Texts(file, "SELECT sql || ';' || char(10) FROM sqlite_master WHERE sql IS NOT NULL AND name NOT LIKE 'sqlite_%' ORDER BY type DESC, name"),
            .. Texts(
                file,
                "SELECT 'INSERT INTO __EFMigrationsHistory VALUES (' || quote(MigrationId) || ', ' || quote(ProductVersion) || ');' || char(10) FROM __EFMigrationsHistory ORDER BY MigrationId"
            ),
        ]);
    }

    private static List<string> Texts(SqliteConnection file, string sql)
    {
        using var command = file.CreateCommand();
        command.CommandText = sql;
        using var rows = command.ExecuteReader();
        var texts = new List<string>();
        while (rows.Read())
        {
            texts.Add(rows.GetString(0));
        }

        return texts;
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
    public async Task A_damaged_file_is_told_in_plain_words_and_not_overwritten()
    {
        byte[] rubbish = [.. Enumerable.Repeat((byte)'x', 5000)];
        await File.WriteAllBytesAsync(DatabasePath, rubbish, Stop);
        using var process = Start(out _);
        var told = await process.StandardError.ReadToEndAsync(Stop);
        await process.WaitForExitAsync(Stop);
        Assert.Equal(1, process.ExitCode);
        Assert.Contains("not a Mauvaise data file", told, StringComparison.Ordinal);
        Assert.Equal(rubbish, await File.ReadAllBytesAsync(DatabasePath, Stop));
    }

    [Theory]
    [InlineData("empty", "it is empty")]
    [InlineData("foreign", "another program")]
    [InlineData("newer", "newer Mauvaise")]
    public async Task A_file_that_is_not_ours_to_open_is_told_and_left_as_it_is(string what, string words)
    {
        if (what == "foreign")
        {
            await using var other = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = DatabasePath, Pooling = false }.ToString());
            await other.OpenAsync(Stop);
            await using var make = other.CreateCommand();
            make.CommandText = "CREATE TABLE Letters (Id INTEGER PRIMARY KEY, Words TEXT)";
            await make.ExecuteNonQueryAsync(Stop);
        }
        else if (what == "newer")
        {
            await using var db = Open();
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
            await db.Database.ExecuteSqlRawAsync("INSERT INTO __EFMigrationsHistory VALUES ('99990101000000_FromTheFuture', '99.0')", Stop);
            await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)", Stop);
        }
        else
        {
            await File.WriteAllBytesAsync(DatabasePath, [], Stop);
        }

        SqliteConnection.ClearAllPools();
        var before = await File.ReadAllBytesAsync(DatabasePath, Stop);
        var (code, told) = await RunAsync("serve");
        Assert.Equal(1, code);
        Assert.Contains(words, told, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", told, StringComparison.Ordinal);
        Assert.Equal(before, await File.ReadAllBytesAsync(DatabasePath, Stop));
        if (what == "newer")
        {
            var copy = Path.Combine(folder, "newer.db");
            File.Move(DatabasePath, copy);
            Assert.Equal(1, (await RunAsync("restore", "--File", copy)).ExitCode);
            Assert.False(File.Exists(DatabasePath));
        }
    }

    [Fact]
    public async Task A_port_that_is_taken_and_a_folder_that_is_a_file_are_told_in_a_sentence()
    {
        var taken = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        taken.Start();
        var (code, told) = await RunAsync("serve", "--urls", $"http://{taken.LocalEndpoint}");
        taken.Stop();
        Assert.Equal(1, code);
        Assert.Contains("another --port", told, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", told, StringComparison.Ordinal);

        var file = Path.Combine(folder, "a-file");
        await File.WriteAllTextAsync(file, "x", Stop);
        (code, told) = await RunAsync("serve", "--Data", file);
        Assert.Equal(1, code);
        Assert.Contains("is a file, not a folder", told, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", told, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_lost_picture_is_mended_after_a_copy_and_a_sound_file_is_left_alone()
    {
        await using var db = Open();
        await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        var copies = Path.Combine(folder, "backups");
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
    public async Task Killing_the_process_right_after_an_answer_loses_nothing()
    {
        var bed = new NewPlace(Guid.NewGuid(), "Bed 0", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip);
        var garden = new NewGarden(
            Guid.NewGuid(),
            "Killed",
            47.5,
            16.3,
            "Europe/Vienna",
            "continental",
            KitchenSystem.Metric,
            Stance.WatchAndTreat,
            "Ilse",
            bed
        );
        var acknowledged = new List<string> { bed.Name };
        for (var round = 1; round <= 2; round++)
        {
            using var process = Start(out var address);
            using var http = await AnsweringAsync(process, address);
            if (round == 1)
            {
                (await http.PostAsJsonAsync("/api/gardens", garden, TestApp.Json, Stop)).EnsureSuccessStatusCode();
            }

            var kept = await http.GetFromJsonAsync<GardenAnswer>($"/api/gardens/{garden.Id}", TestApp.Json, Stop);
            Assert.Equal(acknowledged.Order(), kept!.Places.Select(p => p.Name).Order());
            for (var i = 0; i < 5; i++)
            {
                var next = bed with { Id = Guid.NewGuid(), Name = $"Bed {round}.{i}" };
                (await http.PostAsJsonAsync($"/api/gardens/{garden.Id}/places", next, TestApp.Json, Stop)).EnsureSuccessStatusCode();
                acknowledged.Add(next.Name);
            }

            // SIGKILL: no shutdown code runs.
            process.Kill(entireProcessTree: true);
            await process.WaitForExitAsync(Stop);
        }

        await using var db = Open();
        await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        Assert.Equal(acknowledged.Count, await db.Places.CountAsync(Stop));
    }

    [Fact]
    public async Task A_backup_is_made_while_the_app_runs_and_restored_only_when_it_does_not()
    {
        var backup = Path.Combine(folder, "kept", "garden.db");
        var bed = new NewPlace(Guid.NewGuid(), "Bed 0", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip);
        var garden = new NewGarden(Guid.NewGuid(), "Kept", 47.5, 16.3, "Europe/Vienna", "continental", KitchenSystem.Metric, Stance.WatchAndTreat, "Ilse", bed);
        using (var process = Start(out var address))
        {
            using var http = await AnsweringAsync(process, address);
            (await http.PostAsJsonAsync("/api/gardens", garden, TestApp.Json, Stop)).EnsureSuccessStatusCode();
            Assert.Equal(0, (await RunAsync("backup", "--File", backup)).ExitCode);
            (
                await http.PostAsJsonAsync($"/api/gardens/{garden.Id}/places", bed with { Id = Guid.NewGuid(), Name = "Since then" }, TestApp.Json, Stop)
            ).EnsureSuccessStatusCode();
            var (code, told) = await RunAsync("restore", "--File", backup);
            Assert.Equal(1, code);
            Assert.Contains("running", told, StringComparison.Ordinal);
            process.Kill(entireProcessTree: true);
            await process.WaitForExitAsync(Stop);
        }

        var restored = await RunAsync("restore", "--File", backup);
        Assert.Equal(0, restored.ExitCode);
        Assert.Contains("What was there is kept", restored.Told, StringComparison.Ordinal);
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
            Assert.Equal("Bed 0", (await db.Places.SingleAsync(Stop)).Name);
        }

        // What was put aside still has what came after the backup.
        SqliteConnection.ClearAllPools();
        var aside = Directory.EnumerateFiles(Path.Combine(folder, "backups"), "before-restore-*").Single();
        await using var old = new GardenDb(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(aside)).Options);
        Assert.Equal(2, await old.Places.CountAsync(Stop));
    }

    [Fact]
    public async Task A_backup_that_is_not_sound_is_not_restored()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        }

        SqliteConnection.ClearAllPools();
        var before = await File.ReadAllBytesAsync(DatabasePath, Stop);
        var rubbish = Path.Combine(folder, "rubbish.db");
        await File.WriteAllBytesAsync(rubbish, [.. before.Take(before.Length / 2)], Stop);
        var (code, told) = await RunAsync("restore", "--File", rubbish);
        Assert.Equal(1, code);
        Assert.Contains("damaged", told, StringComparison.Ordinal);
        Assert.Equal(1, (await RunAsync("restore", "--File", Path.Combine(folder, "nowhere.db"))).ExitCode);
        Assert.Equal(1, (await RunAsync("restore")).ExitCode);
        Assert.Equal(before, await File.ReadAllBytesAsync(DatabasePath, Stop));
    }

    [Fact]
    public async Task Daily_copies_are_thinned_to_a_week_and_a_month_each()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
        }

        var copies = Path.Combine(folder, "backups");
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

        var copies = Path.Combine(folder, "backups");
        var today = new DateOnly(2026, 11, 26);
        foreach (var day in new[] { today.AddDays(-1), today, today.AddYears(9), today.AddDays(1) })
        {
            Assert.NotNull(Backups.Roll(DatabasePath, copies, day));
        }

        Assert.Equal(4, Backups.Days(copies).Count);
    }

    [Fact]
    public async Task The_doctor_tells_a_sound_file_from_a_damaged_and_a_foreign_one_and_writes_nothing()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
            var garden = Guid.NewGuid();
            db.Gardens.Add(
                new()
                {
                    Id = garden,
                    Name = "Lock side",
                    TimeZoneId = "Europe/Vienna",
                    Climate = "continental",
                    CreatedAt = DateTimeOffset.UtcNow,
                }
            );
            db.Places.Add(
                new()
                {
                    Id = Guid.NewGuid(),
                    GardenId = garden,
                    Name = "Bed",
                    AreaM2 = 4,
                    SunHours = 6,
                }
            );
            await db.SaveChangesAsync(Stop);
        }

        SqliteConnection.ClearAllPools();
        var own = Path.Combine(folder, "own");
        using (var held = new DataFolder(Settings.From(new ConfigurationBuilder().AddInMemoryCollection([new("Data", own)]).Build())))
        {
            held.Take();
            Assert.True(
                OperatingSystem.IsWindows() || File.GetUnixFileMode(own) == (UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute)
            );
        }

        Backups.Roll(DatabasePath, Path.Combine(folder, "backups"), DateOnly.FromDateTime(DateTime.Now));
        var before = await File.ReadAllBytesAsync(DatabasePath, Stop);
        var (code, told) = await RunAsync("doctor");
        Assert.True(code == 0, told);
        Assert.Contains("Lock side: 1 places, 0 plantings", told, StringComparison.Ordinal);
        Assert.DoesNotContain("LOOK", told, StringComparison.Ordinal);
        Assert.Equal(before, await File.ReadAllBytesAsync(DatabasePath, Stop));

        await using (var db = Open())
        {
            await db.Places.ExecuteUpdateAsync(p => p.SetProperty(x => x.AreaM2, -3), Stop);
        }

        SqliteConnection.ClearAllPools();
        (code, told) = await RunAsync("doctor");
        Assert.Equal(1, code);
        Assert.Contains("places, row 1, areaM2", told, StringComparison.Ordinal);

        var foreign = Path.Combine(folder, "foreign.db");
        await File.WriteAllTextAsync(foreign, "no database at all", Stop);
        (code, told) = await RunAsync("doctor", "--File", foreign);
        Assert.Equal(1, code);
        Assert.Contains("not a Mauvaise data file", told, StringComparison.Ordinal);
        Assert.Equal(1, (await RunAsync("doctor", "--File", Path.Combine(folder, "nowhere.db"))).ExitCode);
    }

    [Fact]
    public async Task Killing_the_process_during_a_backup_leaves_the_data_and_no_half_copy()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, null, Stop);
            db.Gardens.Add(
                new()
                {
                    Id = Guid.NewGuid(),
                    Name = "Large",
                    TimeZoneId = "Europe/Vienna",
                    Climate = "continental",
                }
            );
            await db.SaveChangesAsync(Stop);
        }

        SqliteConnection.ClearAllPools();
        var backup = Path.Combine(folder, "kept.db");
        var chance = new Random(5);
        for (var round = 0; round < 2; round++)
        {
            File.Delete(backup);
            using var process = Command("backup", "--File", backup);
            process.WaitForExit(chance.Next(50, 700));
            process.Kill(entireProcessTree: true);
            await process.WaitForExitAsync(Stop);
            if (File.Exists(backup))
            {
                Backups.Check(backup);
            }

            Backups.Check(DatabasePath);
        }
    }

    private async Task<(int ExitCode, string Told)> RunAsync(params string[] command)
    {
        using var process = Command(command);
        var told = await process.StandardOutput.ReadToEndAsync(Stop) + await process.StandardError.ReadToEndAsync(Stop);
        await process.WaitForExitAsync(Stop);
        return (process.ExitCode, told);
    }

    /// <summary>The built app asked for something else than to serve.</summary>
    /// <summary>The built app, asked for something on this folder unless the command names another.</summary>
    private Process Command(params string[] command) =>
        Process.Start(
            new ProcessStartInfo("dotnet", [App, .. command, .. command.Contains("--Data") ? Array.Empty<string>() : ["--Data", folder]])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                WorkingDirectory = Path.GetDirectoryName(App),
            }
        )!;

    private GardenDb Open() => new(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(DatabasePath)).Options);

    /// <summary>Starts the built app as a process of its own on this folder.</summary>
    private Process Start(out Uri address)
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        address = new Uri($"http://127.0.0.1:{((System.Net.IPEndPoint)listener.LocalEndpoint).Port}");
        listener.Stop();
        return Process.Start(
            new ProcessStartInfo("dotnet", [App, "--urls", address.ToString(), "--Data", folder])
            {
                RedirectStandardError = true,
                Environment = { ["ASPNETCORE_ENVIRONMENT"] = "Development" },
                WorkingDirectory = Path.GetDirectoryName(App),
            }
        )!;
    }

    private static async Task<HttpClient> AnsweringAsync(Process process, Uri address)
    {
        var http = new HttpClient { BaseAddress = address };
        while (!process.HasExited)
        {
            try
            {
                (await http.GetAsync(new Uri("/api/state", UriKind.Relative), Stop)).EnsureSuccessStatusCode();
                return http;
            }
            catch (HttpRequestException)
            {
                await Task.Yield();
            }
        }

        throw new InvalidOperationException("The app ended: " + await process.StandardError.ReadToEndAsync(Stop));
    }
}
