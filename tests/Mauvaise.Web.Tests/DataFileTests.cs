using System.Diagnostics;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Store;
using Mauvaise.Web.Gardens;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace Mauvaise.Web.Tests;

public sealed class DataFileTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("mauvaise-file").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

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
            await DataFile.OpenAsync(now, DatabasePath, Stop);
            Assert.Equal(steps, await now.Database.GetAppliedMigrationsAsync(Stop));
            SqliteConnection.ClearAllPools();
        }
    }

    [Fact]
    public async Task A_newer_file_is_refused_and_left_alone()
    {
        await using (var db = Open())
        {
            await DataFile.OpenAsync(db, DatabasePath, Stop);
            await db.Database.ExecuteSqlRawAsync("INSERT INTO __EFMigrationsHistory VALUES ('99990101000000_FromTheFuture', '99.0')", Stop);
        }

        await using var again = Open();
        var e = await Assert.ThrowsAsync<DamagedDataException>(() => DataFile.OpenAsync(again, DatabasePath, Stop));
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

    [Fact]
    public async Task Killing_the_process_right_after_an_answer_loses_nothing()
    {
        var bed = new NewPlace(Guid.NewGuid(), "Bed 0", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip);
        var garden = new NewGarden(Guid.NewGuid(), "Killed", 47.5, 16.3, "Europe/Vienna", "continental", KitchenSystem.Metric, Stance.WatchAndTreat, "Ilse", bed);
        var acknowledged = new List<string> { bed.Name };
        for (var round = 1; round <= 4; round++)
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
        await DataFile.OpenAsync(db, DatabasePath, Stop);
        Assert.Equal(21, await db.Places.CountAsync(Stop));
    }

    private GardenDb Open() => new(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(DatabasePath)).Options);

    /// <summary>Starts the built app as a process of its own on this folder.</summary>
    private Process Start(out Uri address)
    {
        using var listener = new System.Net.Sockets.TcpListener(System.Net.IPAddress.Loopback, 0);
        listener.Start();
        address = new Uri($"http://127.0.0.1:{((System.Net.IPEndPoint)listener.LocalEndpoint).Port}");
        listener.Stop();
        var dll = AppContext.BaseDirectory
            .Replace(Path.Combine("tests", "Mauvaise.Web.Tests"), Path.Combine("src", "Mauvaise.Web"), StringComparison.Ordinal) + "Mauvaise.Web.dll";
        return Process.Start(new ProcessStartInfo("dotnet", [dll, "--urls", address.ToString(), "--Data", folder])
        {
            RedirectStandardError = true,
            Environment = { ["ASPNETCORE_ENVIRONMENT"] = "Development" },
            WorkingDirectory = Path.GetDirectoryName(dll),
        })!;
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
