using System.Diagnostics;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Store;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Configuration;

namespace Mauvaise.Web.Tests;

/// <summary>The built app as a process of its own: what it says of a file that is not as it should be, and what a kill leaves.</summary>
public sealed class CommandTests : OnDataFile
{
    private static string App { get; } =
        AppContext.BaseDirectory.Replace(Path.Combine("tests", "Mauvaise.Web.Tests"), Path.Combine("src", "Mauvaise.Web"), StringComparison.Ordinal)
        + "Mauvaise.Web.dll";

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
            var copy = Path.Combine(Folder, "newer.db");
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

        var file = Path.Combine(Folder, "a-file");
        await File.WriteAllTextAsync(file, "x", Stop);
        (code, told) = await RunAsync("serve", "--Data", file);
        Assert.Equal(1, code);
        Assert.Contains("is a file, not a folder", told, StringComparison.Ordinal);
        Assert.DoesNotContain("   at ", told, StringComparison.Ordinal);
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
        var backup = Path.Combine(Folder, "kept", "garden.db");
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
        var aside = Directory.EnumerateFiles(Path.Combine(Folder, "backups"), "before-restore-*").Single();
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
        var rubbish = Path.Combine(Folder, "rubbish.db");
        await File.WriteAllBytesAsync(rubbish, [.. before.Take(before.Length / 2)], Stop);
        var (code, told) = await RunAsync("restore", "--File", rubbish);
        Assert.Equal(1, code);
        Assert.Contains("damaged", told, StringComparison.Ordinal);
        Assert.Equal(1, (await RunAsync("restore", "--File", Path.Combine(Folder, "nowhere.db"))).ExitCode);
        Assert.Equal(1, (await RunAsync("restore")).ExitCode);
        Assert.Equal(before, await File.ReadAllBytesAsync(DatabasePath, Stop));
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
        var own = Path.Combine(Folder, "own");
        using (var held = new DataFolder(Settings.From(new ConfigurationBuilder().AddInMemoryCollection([new("Data", own)]).Build())))
        {
            held.Take();
            Assert.True(
                OperatingSystem.IsWindows() || File.GetUnixFileMode(own) == (UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute)
            );
        }

        Backups.Roll(DatabasePath, Path.Combine(Folder, "backups"), DateOnly.FromDateTime(DateTime.Now));
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

        var foreign = Path.Combine(Folder, "foreign.db");
        await File.WriteAllTextAsync(foreign, "no database at all", Stop);
        (code, told) = await RunAsync("doctor", "--File", foreign);
        Assert.Equal(1, code);
        Assert.Contains("not a Mauvaise data file", told, StringComparison.Ordinal);
        Assert.Equal(1, (await RunAsync("doctor", "--File", Path.Combine(Folder, "nowhere.db"))).ExitCode);
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
        var backup = Path.Combine(Folder, "kept.db");
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

    /// <summary>The built app, asked for something on this folder unless the command names another.</summary>
    private Process Command(params string[] command) =>
        Process.Start(
            new ProcessStartInfo("dotnet", [App, .. command, .. command.Contains("--Data") ? Array.Empty<string>() : ["--Data", Folder]])
            {
                RedirectStandardOutput = true,
                RedirectStandardError = true,
                WorkingDirectory = Path.GetDirectoryName(App),
            }
        )!;

    /// <summary>Starts the built app as a process of its own on this folder.</summary>
    private Process Start(out Uri address)
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        address = new Uri($"http://127.0.0.1:{((System.Net.IPEndPoint)listener.LocalEndpoint).Port}");
        listener.Stop();
        return Process.Start(
            new ProcessStartInfo("dotnet", [App, "--urls", address.ToString(), "--Data", Folder])
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
