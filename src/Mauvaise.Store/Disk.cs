namespace Mauvaise.Store;

/// <summary>Steps on files beside the data file: copies, what is restored, and what is kept for a moment. A test lets each of them fail in turn.</summary>
public static class Disk
{
    /// <summary>Asked before each step, with the file or folder; what it throws is what the disk does.</summary>
    internal static event Action<string>? Touching;

    public static void MakeFolder(string folder)
    {
        Touching?.Invoke(folder);
        Directory.CreateDirectory(folder);
    }

    public static void Copy(string from, string to)
    {
        Touching?.Invoke(to);
        File.Copy(from, to, overwrite: true);
    }

    /// <summary>In one step: whoever looks sees the old file or the new one.</summary>
    public static void Move(string from, string to)
    {
        Touching?.Invoke(to);
        File.Move(from, to, overwrite: true);
    }

    public static void Delete(string file)
    {
        Touching?.Invoke(file);
        File.Delete(file);
    }

    /// <summary>A file that nobody needs any more. One that can not go now goes at the next start: what was done is done all the same.</summary>
    public static void Discard(string file)
    {
        try
        {
            Delete(file);
        }
        catch (IOException)
        {
            // It carries the prefix that the next start looks for.
        }
    }

    /// <summary>A file that is gone when it is closed; what a kill leaves of it goes at the next start.</summary>
    public static FileStream Scratch(string folder)
    {
        var file = Path.Combine(folder, $"{DataFile.ScratchPrefix}{Guid.NewGuid():N}.tmp");
        Touching?.Invoke(file);
        return new FileStream(file, FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 81920, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
    }
}
