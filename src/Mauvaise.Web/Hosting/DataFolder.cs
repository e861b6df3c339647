namespace Mauvaise.Web.Hosting;

/// <summary>Holds the data folder for as long as the app runs, so that no second one and no restore gets in between.</summary>
public sealed class DataFolder(Settings settings) : IDisposable
{
    private FileStream? held;

    /// <exception cref="FolderInUseException">Somebody else holds it.</exception>
    public void Take()
    {
        Directory.CreateDirectory(settings.DataFolder);
        try
        {
            held ??= new FileStream(Path.Combine(settings.DataFolder, "mauvaise.lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException e)
        {
            throw new FolderInUseException(settings.DataFolder, e);
        }

        // What a killed app could not tidy up.
        foreach (var left in Directory.EnumerateFiles(settings.DataFolder, Settings.ScratchPrefix + "*.tmp"))
        {
            File.Delete(left);
        }
    }

    public void Dispose() => held?.Dispose();
}

/// <summary>Another Mauvaise runs on the folder.</summary>
public sealed class FolderInUseException(string folder, Exception inner) : Exception($"Another Mauvaise is running on {folder}. Stop it first.", inner);
