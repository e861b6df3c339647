using Mauvaise.Core.Catalogue;
using Mauvaise.Store;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Home;

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
            await DataFile.OpenAsync(scope.ServiceProvider.GetRequiredService<GardenDb>(), settings.DatabasePath, settings.BackupFolder, CancellationToken.None);
            if (settings.Demo)
            {
                await scope.ServiceProvider.GetRequiredService<DemoGarden>().PutAsync(CancellationToken.None);
            }

            await HomeHosting.WelcomeAsync(app.Services);
            return true;
        }
        catch (Exception e) when (e is DamagedDataException or CatalogueException or FolderInUseException or HomeException or UnauthorizedAccessException)
        {
            await Console.Error.WriteLineAsync(e.Message);
            return false;
        }
    }
}
