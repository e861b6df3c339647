using Mauvaise.Store;

namespace Mauvaise.Web.Hosting;

/// <summary>Holds the data folder for as long as the app runs, so that no second one and no restore gets in between.</summary>
public sealed class DataFolder(Settings settings) : IDisposable
{
    /// <summary>What the operating system says when another program has a file.</summary>
    private const int Held = 11,
        HeldOnWindows = unchecked((int)0x80070020);

    private FileStream? held;

    /// <exception cref="FolderInUseException">Somebody else holds it.</exception>
    public void Take()
    {
        Make(settings.DataFolder);
        try
        {
            held ??= new FileStream(Path.Combine(settings.DataFolder, "mauvaise.lock"), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException e) when (e.HResult is Held or HeldOnWindows)
        {
            throw new FolderInUseException(settings.DataFolder, e);
        }

        // What a killed app could not tidy up.
        foreach (var left in Directory.EnumerateFiles(settings.DataFolder, DataFile.ScratchPrefix + "*.tmp*"))
        {
            File.Delete(left);
        }
    }

    /// <summary>A folder that is made here is for its owner alone; one that is there keeps its rights.</summary>
    private static void Make(string folder)
    {
        if (File.Exists(folder))
        {
            throw new IOException($"{folder} is a file, not a folder.");
        }

        if (OperatingSystem.IsWindows() || Directory.Exists(folder))
        {
            Directory.CreateDirectory(folder);
        }
        else
        {
            Directory.CreateDirectory(folder, UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute);
        }
    }

    public void Dispose() => held?.Dispose();
}

/// <summary>Another Mauvaise runs on the folder.</summary>
public sealed class FolderInUseException(string folder, Exception inner) : Exception($"Another Mauvaise is running on {folder}. Stop it first.", inner);
