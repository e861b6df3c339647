using Mauvaise.Core.Catalogue;
using Mauvaise.Store;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Home;
using Microsoft.AspNetCore.Connections;

namespace Mauvaise.Web.Hosting;

/// <summary>What happens before the first request.</summary>
public static class Startup
{
    /// <summary>Checks the catalogue, opens the data file, and puts the demo garden in where asked. Says in plain words what is wrong.</summary>
    /// <returns>False when the app must not start.</returns>
    public static async Task<bool> PrepareAsync(WebApplication app)
    {
        var settings = app.Services.GetRequiredService<Settings>();
        try
        {
            app.Services.GetRequiredService<GardenCatalogue>();
            app.Services.GetRequiredService<DataFolder>().Take();
            await using var scope = app.Services.CreateAsyncScope();
            await DataFile.OpenAsync(
                scope.ServiceProvider.GetRequiredService<GardenDb>(),
                settings.DatabasePath,
                settings.BackupFolder,
                CancellationToken.None
            );
            if (settings.Demo)
            {
                await scope.ServiceProvider.GetRequiredService<DemoGarden>().PutAsync(CancellationToken.None);
            }

            await HomeHosting.WelcomeAsync(app.Services);
            return true;
        }
        catch (Exception e) when (Faults.InWords(e) is { } words)
        {
            await Console.Error.WriteLineAsync(words);
            return false;
        }
    }

    /// <summary>Serves until it is told to stop.</summary>
    /// <returns>The exit code.</returns>
    public static async Task<int> ServeAsync(WebApplication app)
    {
        try
        {
            await app.StartAsync();
            await app.WaitForShutdownAsync();
            await app.DisposeAsync();
            return 0;
        }
        catch (IOException e) when (e.InnerException is AddressInUseException)
        {
            var address = e.Message.Split(": ")[0].Replace("Failed to bind to address ", "", StringComparison.Ordinal);
            await Console.Error.WriteLineAsync(
                $"Another program answers already where Mauvaise should ({address}). Stop it, or start Mauvaise with another --port."
            );
            return 1;
        }
    }
}
