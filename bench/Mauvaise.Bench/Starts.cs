using System.Diagnostics;

namespace Mauvaise.Bench;

/// <summary>From the command to the first answer, and the memory that is held then.</summary>
internal static class Starts
{
    private const int Times = 15;
    private const double Mega = 1024 * 1024;

    public static void Run() => RunAsync().GetAwaiter().GetResult();

    private static async Task RunAsync()
    {
        var folder = Directory.CreateTempSubdirectory("mauvaise-starts").FullName;
        // The first one begins the data file.
        (await RunningApp.StartAsync(folder)).Dispose();
        var (seconds, megabytes) = (new List<double>(), new List<double>());
        for (var i = 0; i < Times; i++)
        {
            var watch = Stopwatch.StartNew();
            using var app = await RunningApp.StartAsync(folder);
            seconds.Add(watch.Elapsed.TotalSeconds);
            megabytes.Add(app.MemoryBytes / Mega);
        }

        Directory.Delete(folder, true);
        seconds.Sort();
        Console.WriteLine("| starts | first answer, s: least | middle | most | memory then, MB |");
        Console.WriteLine("|---|---|---|---|---|");
        Console.WriteLine(
            FormattableString.Invariant($"| {Times} | {seconds[0]:0.00} | {seconds[Times / 2]:0.00} | {seconds[^1]:0.00} | {megabytes.Average():0} |")
        );
    }
}
