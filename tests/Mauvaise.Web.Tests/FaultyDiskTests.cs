using System.Net;
using System.Net.Http.Json;
using Mauvaise.Store;
using Mauvaise.Web.Demo;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;

namespace Mauvaise.Web.Tests;

/// <summary>A disk that fails at one step on the files of a folder.</summary>
internal sealed class FaultyDisk : IDisposable
{
    private readonly string folder;
    private readonly int failAt;
    private int step;

    /// <param name="failAt">From 1.</param>
    public FaultyDisk(string folder, int failAt)
    {
        (this.folder, this.failAt) = (folder, failAt);
        Disk.Touching += Touched;
    }

    /// <summary>As Linux says it.</summary>
    private const int NoSpace = 28;

    public bool Failed { get; private set; }

    public void Dispose() => Disk.Touching -= Touched;

    private void Touched(string file)
    {
        if (file.StartsWith(folder, StringComparison.Ordinal) && ++step == failAt)
        {
            Failed = true;
            throw new IOException("the disk is full, as it was told to be", NoSpace);
        }
    }
}

/// <summary>Whatever step on a file fails, what was there is whole, every copy in the list is sound, and it goes well once the disk does.</summary>
public sealed class FaultyDiskTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("mauvaise-faulty").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private string Data => Path.Combine(folder, "mauvaise.db");
    private string Copies => Path.Combine(folder, "copies");

    public void Dispose() => Directory.Delete(folder, true);

    private static object? Run(string file, string command)
    {
        using var data = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = file, Pooling = false }.ToString());
        data.Open();
        using var run = data.CreateCommand();
        run.CommandText = command;
        return run.ExecuteScalar();
    }

    private string? Name => Run(Data, "SELECT Name FROM Gardens") as string;

    [Theory]
    [InlineData("by hand")]
    [InlineData("of the day")]
    [InlineData("put back")]
    [InlineData("put back in use")]
    public async Task A_copy_fails_at_each_step_in_turn_and_nothing_is_lost(string what)
    {
        var now = new DateTimeOffset(2026, 7, 16, 18, 0, 0, TimeSpan.Zero);
        await using (var app = await TestApp.StartAsync(demo: true))
        {
            Backups.Copy(app.DatabasePath, Data);
        }

        Backups.CopyByHand(Data, Copies, now.AddDays(-1));
        var copy = Path.Combine(Copies, Backups.All(Copies)[0].Name);
        Run(Data, "PRAGMA journal_mode = WAL");
        Run(Data, "UPDATE Gardens SET Name = 'Since then'");
        var failures = 0;
        while (await FailsAsync(failures + 1))
        {
            failures++;
            Backups.Check(Data);
            Assert.Equal("Since then", Name);
            Assert.All(Backups.All(Copies), c => Backups.Check(Path.Combine(Copies, c.Name)));
        }

        Assert.True(failures >= 2, $"{what}: {failures} steps");
        Backups.Check(Data);
        Assert.Equal(what.StartsWith("put back", StringComparison.Ordinal), Name != "Since then");

        async Task<bool> FailsAsync(int at)
        {
            using var disk = new FaultyDisk(folder, at);
            try
            {
                await (
                    what switch
                    {
                        "by hand" => Task.Run(() => Backups.CopyByHand(Data, Copies, now), Stop),
                        "of the day" => Task.Run(() => Backups.Roll(Data, Copies, DateOnly.FromDateTime(now.Date)), Stop),
                        "put back" => Task.Run(() => Backups.Restore(copy, Data, Copies, now), Stop),
                        _ => Backups.RestoreInUseAsync(copy, Data, Copies, now, Stop),
                    }
                );
            }
            catch (IOException)
            {
                Assert.True(disk.Failed);
                return true;
            }

            return false;
        }
    }

    [Fact]
    public async Task An_archive_that_can_not_be_kept_for_a_moment_is_said_and_taken_afterwards()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var archive = new Uri($"/api/gardens/{DemoGarden.GardenId}/archive", UriKind.Relative);
        var whole = await http.GetByteArrayAsync(archive, Stop);
        using (var disk = new FaultyDisk(Path.GetDirectoryName(app.DatabasePath)!, 1))
        {
            using var refused = await http.GetAsync(archive, Stop);
            Assert.True(disk.Failed);
            await SaidAsync(refused);
        }

        foreach (var at in Enumerable.Range(1, 3))
        {
            using var disk = new FaultyDisk(Path.GetDirectoryName(app.DatabasePath)!, at);
            using var refused = await SendAsync();
            if (disk.Failed)
            {
                await SaidAsync(refused);
            }
        }

        using var taken = await SendAsync();
        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync(new Uri($"/api/gardens/{DemoGarden.GardenId}/board", UriKind.Relative), Stop)).StatusCode);

        async Task<HttpResponseMessage> SendAsync()
        {
            using var body = new ByteArrayContent(whole);
            body.Headers.ContentType = new("application/zip");
            return await http.PostAsync(new Uri("/api/archive?takeTheirs=false", UriKind.Relative), body, Stop);
        }

        static async Task SaidAsync(HttpResponseMessage refused)
        {
            Assert.Equal(HttpStatusCode.InsufficientStorage, refused.StatusCode);
            var problem = (await refused.Content.ReadFromJsonAsync<ProblemDetails>(Stop))!;
            Assert.Contains("The disk is full", problem.Detail ?? problem.Title, StringComparison.Ordinal);
        }
    }
}
