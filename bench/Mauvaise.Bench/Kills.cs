using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Store;

namespace Mauvaise.Bench;

/// <summary>The app is killed while it writes and while it is backed up, many times: nothing that it acknowledged may be gone.</summary>
internal static class Kills
{
    private const int Usual = 200;

    public static void Run() => RunAsync().GetAwaiter().GetResult();

    private static async Task RunAsync()
    {
        var rounds = int.TryParse(Environment.GetEnvironmentVariable("MAUVAISE_KILLS"), CultureInfo.InvariantCulture, out var n) ? n : Usual;
        var folder = Directory.CreateTempSubdirectory("mauvaise-kills").FullName;
        var backup = Path.Combine(folder, "kept.db");
        var chance = new Random(11);
        var garden = Guid.NewGuid();
        var acknowledged = new HashSet<string> { "Bed" };
        int lost = 0, unsound = 0, halfCopies = 0, copies = 0, cutOff = 0;
        for (var round = 0; round < rounds; round++)
        {
            using var app = await RunningApp.StartAsync(folder);
            if (round == 0)
            {
                (await app.Http.PostAsJsonAsync("/api/gardens", new { id = garden, name = "Killed", latitude = 47.5, longitude = 16.3, timeZoneId = "Europe/Vienna", climate = "continental", kitchen = "metric", stance = "watchAndTreat", memberName = "Ilse", firstPlace = Bed("Bed") })).EnsureSuccessStatusCode();
            }

            var kept = (await app.Http.GetFromJsonAsync<JsonElement>($"/api/gardens/{garden}")).GetProperty("places").EnumerateArray().Select(p => p.GetProperty("name").GetString()!).ToHashSet();
            lost += acknowledged.Except(kept).Count();
            // What was written and not acknowledged any more is there or not, whole in either case.
            acknowledged.UnionWith(kept);

            // The first write waits for the compiler; from then on they follow each other closely.
            await WriteAsync(app.Http, garden, $"Bed {round}", acknowledged);
            var during = round % 4 == 3;
            File.Delete(backup);
            using var copying = during ? RunningApp.Command(folder, "backup", "--File", backup) : null;
            var writing = WriteOnAsync(app.Http, garden, round, acknowledged);
            var victim = Task.Run(() =>
            {
                // At a moment that nobody chose.
                using var timer = new ManualResetEventSlim();
                timer.Wait(chance.Next(5, during ? 900 : 250));
                copying?.Kill(true);
                app.Kill();
            });
            await victim;
            cutOff += await writing ? 1 : 0;
            copying?.WaitForExit();
            if (during && File.Exists(backup))
            {
                copies++;
                halfCopies += Sound(backup) ? 0 : 1;
            }

            unsound += Sound(Path.Combine(folder, "mauvaise.db")) ? 0 : 1;
        }

        Console.WriteLine(FormattableString.Invariant($"{rounds} kills, {cutOff} in the middle of a request, {rounds / 4} beside a backup: {acknowledged.Count} records acknowledged, {lost} of them lost; data file unsound {unsound} times; {copies} finished copies, {halfCopies} of them unsound."));
        Directory.Delete(folder, true);
    }

    private static bool Sound(string file)
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
    /// <returns>True when the last request was cut off.</returns>
    private static async Task<bool> WriteOnAsync(HttpClient http, Guid garden, int round, HashSet<string> acknowledged)
    {
        for (var i = 0; ; i++)
        {
            try
            {
                await WriteAsync(http, garden, $"Bed {round}.{i}", acknowledged);
            }
            catch (HttpRequestException)
            {
                return true;
            }
        }
    }

    private static async Task WriteAsync(HttpClient http, Guid garden, string name, HashSet<string> acknowledged)
    {
        using var answer = await http.PostAsJsonAsync($"/api/gardens/{garden}/places", Bed(name));
        answer.EnsureSuccessStatusCode();
        acknowledged.Add(name);
    }

    private static object Bed(string name) => new { id = Guid.NewGuid(), name, kind = "openBed", lengthM = 4.0, widthM = 1.2, sunHours = 7.0, watering = "drip" };
}
