using System.Globalization;
using Mauvaise.Store;

namespace Mauvaise.Bench;

/// <summary>The app is killed while it writes and while it is backed up, many times: nothing that it acknowledged may be gone.</summary>
internal static class Kills
{
    private const int Usual = 200,
        Writers = 4;

    public static void Run() => RunAsync().GetAwaiter().GetResult();

    private static async Task RunAsync()
    {
        var rounds = int.TryParse(Environment.GetEnvironmentVariable("MAUVAISE_KILLS"), CultureInfo.InvariantCulture, out var n) ? n : Usual;
        var folder = Directory.CreateTempSubdirectory("mauvaise-kills").FullName;
        var backup = Path.Combine(folder, "kept.db");
        var beds = new WrittenBeds();
        int lost = 0,
            unsound = 0,
            halfCopies = 0,
            copies = 0,
            cutOff = 0;
        for (var round = 0; round < rounds; round++)
        {
            using var app = await RunningApp.StartAsync(folder);
            if (round == 0)
            {
                await beds.BeginAsync(app.Http);
            }

            lost += await beds.LostAsync(app.Http);
            // The first write waits for the compiler; from then on they follow each other closely.
            await beds.WriteAsync(app.Http, $"Bed {round}");
            var during = round % 4 == 3;
            File.Delete(backup);
            using var copying = during ? RunningApp.Command(folder, "backup", "--File", backup) : null;
            var writing = Task.WhenAll(Enumerable.Range(0, Writers).Select(w => WriteOnAsync(app.Http, $"Bed {round}.{w}", beds)));
            var victim = Task.Run(() =>
            {
                // At a moment that nobody chose.
                using var timer = new ManualResetEventSlim();
                timer.Wait(Random.Shared.Next(5, during ? 900 : 250));
                copying?.Kill(true);
                app.Kill();
            });
            await victim;
            await writing;
            cutOff += Writers;
            copying?.WaitForExit();
            if (during && File.Exists(backup))
            {
                copies++;
                halfCopies += Sound(backup) ? 0 : 1;
            }

            unsound += Sound(Path.Combine(folder, "mauvaise.db")) ? 0 : 1;
        }

        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{rounds} kills, {cutOff} writers cut off, {rounds / 4} beside a backup: "
                    + $"{beds.Count} records acknowledged, {lost} of them lost; data file unsound {unsound} times; "
                    + $"{copies} finished copies, {halfCopies} of them unsound."
            )
        );
        Directory.Delete(folder, true);
    }

    internal static bool Sound(string file)
    {
        try
        {
            Backups.Check(file);
            return true;
        }
        catch (DamagedDataException)
        {
            return false;
        }
    }

    /// <summary>Writes until the app is gone.</summary>
    private static async Task WriteOnAsync(HttpClient http, string name, WrittenBeds beds)
    {
        try
        {
            for (var i = 0; ; i++)
            {
                await beds.WriteAsync(http, $"{name}.{i}");
            }
        }
        catch (HttpRequestException)
        {
            // Cut off, as it was meant to be.
        }
    }
}
