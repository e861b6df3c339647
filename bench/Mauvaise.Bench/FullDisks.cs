using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Net;

namespace Mauvaise.Bench;

/// <summary>
/// The disk of the data folder fills up at a moment that nobody chose, many times, under four writers: each write is acknowledged and there,
/// or refused in words and not there; and when there is room again, all goes on.
/// </summary>
internal static class FullDisks
{
    private const int Usual = 200,
        Writers = 4,
        RestartEach = 20;

    /// <summary>Size of the disk, MB, and the most that is left free when it fills up, bytes.</summary>
    private const int DiskMb = 48,
        MostFree = 150_000;

    public static void Run() => RunAsync().GetAwaiter().GetResult();

    private static async Task RunAsync()
    {
        var rounds = int.TryParse(Environment.GetEnvironmentVariable("MAUVAISE_DISKS"), CultureInfo.InvariantCulture, out var n) ? n : Usual;
        var disk = Directory.CreateTempSubdirectory("mauvaise-disk").FullName;
        if (!Shell("mount", "-t", "tmpfs", "-o", $"size={DiskMb}m", "mauvaise", disk))
        {
            Console.WriteLine("This bench mounts a small disk in memory, and may not do that here: run it as root.");
            return;
        }

        try
        {
            await RunAsync(disk, rounds);
        }
        finally
        {
            Shell("umount", disk);
            Directory.Delete(disk);
        }
    }

    private static async Task RunAsync(string disk, int rounds)
    {
        var (folder, filler) = (Path.Combine(disk, "data"), Path.Combine(disk, "filler"));
        var chance = new Random(17);
        var beds = new WrittenBeds();
        var answers = new ConcurrentDictionary<HttpStatusCode, int>();
        int lost = 0,
            unsound = 0,
            stuck = 0;
        var app = await RunningApp.StartAsync(folder);
        await beds.BeginAsync(app.Http);
        for (var round = 0; round < rounds; round++)
        {
            Fill(filler, new DriveInfo(disk).AvailableFreeSpace - chance.Next(MostFree));
            await Task.WhenAll(Enumerable.Range(0, Writers).Select(w => FillUpAsync(app.Http, $"Bed {round}.{w}", beds, answers)));
            // What is there can be read while there is no room.
            lost += await beds.LostAsync(app.Http);
            File.Delete(filler);
            stuck += await beds.TryAsync(app.Http, $"Bed {round}") == HttpStatusCode.Created ? 0 : 1;
            unsound += Kills.Sound(Path.Combine(folder, "mauvaise.db")) ? 0 : 1;
            if (round % RestartEach == RestartEach - 1)
            {
                app.Kill();
                app.Dispose();
                app = await RunningApp.StartAsync(folder);
                lost += await beds.LostAsync(app.Http);
            }
        }

        app.Dispose();
        var refused = string.Join(", ", answers.OrderBy(a => a.Key).Select(a => FormattableString.Invariant($"{a.Value} answered {(int)a.Key}")));
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{rounds} full disks: {beds.Count} records acknowledged, {lost} of them lost; {refused}; "
                    + $"data file unsound {unsound} times; {stuck} times no write when there was room again."
            )
        );
    }

    /// <summary>Writes until the disk is full.</summary>
    private static async Task FillUpAsync(HttpClient http, string name, WrittenBeds beds, ConcurrentDictionary<HttpStatusCode, int> answers)
    {
        const int most = 60;
        for (var i = 0; i < most; i++)
        {
            var status = await beds.TryAsync(http, $"{name}.{i}");
            answers.AddOrUpdate(status, 1, (_, n) => n + 1);
            if (status != HttpStatusCode.Created)
            {
                return;
            }
        }
    }

    private static void Fill(string file, long bytes)
    {
        using var to = File.Create(file);
        var zeros = new byte[65536];
        for (var left = bytes; left > 0; left -= zeros.Length)
        {
            to.Write(zeros, 0, (int)Math.Min(zeros.Length, left));
        }
    }

    private static bool Shell(string command, params string[] arguments)
    {
        using var process = Process.Start(command, arguments);
        process.WaitForExit();
        return process.ExitCode == 0;
    }
}
