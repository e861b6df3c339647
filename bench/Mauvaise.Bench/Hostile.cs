using Mauvaise.Web.Tests;

namespace Mauvaise.Bench;

/// <summary>The hostile campaign in full against the built app as a process of its own.</summary>
internal static class Hostile
{
    private const int Requests = 20_000;

    public static void Run() => RunAsync().GetAwaiter().GetResult();

    private static async Task RunAsync()
    {
        var folder = Directory.CreateTempSubdirectory("mauvaise-hostile");
        using (var app = await RunningApp.StartAsync(folder.FullName, "--Demo", "true"))
        {
            Console.WriteLine(HostileCampaign.Told(await new HostileCampaign(app.Http, seed: 52675).RunAsync(Requests, CancellationToken.None)));
        }

        folder.Delete(true);
    }
}
