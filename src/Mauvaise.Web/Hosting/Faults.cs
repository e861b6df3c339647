using Mauvaise.Core.Catalogue;
using Mauvaise.Store;
using Mauvaise.Web.Home;
using Microsoft.Data.Sqlite;

namespace Mauvaise.Web.Hosting;

/// <summary>What can be wrong with a machine, in sentences with what to do.</summary>
public static class Faults
{
    /// <summary>Of the operating system: no room on the disk, and a disk that can not be written.</summary>
    private const int NoRoom = 28, ReadOnlyDisk = 30;

    /// <summary>Null for what is no fault of the machine but of the program.</summary>
    public static string? InWords(Exception e) => e switch
    {
        DamagedDataException or CatalogueException or FolderInUseException or HomeException => e.Message,
        UnauthorizedAccessException => $"{e.Message} Give yourself the right to write there, or start Mauvaise with another --data folder.",
        SqliteException { SqliteErrorCode: 13 } => "The disk is full. Make room, then start Mauvaise again; nothing that was saved is lost.",
        IOException { HResult: NoRoom } => $"The disk is full: {e.Message} Make room, then try again.",
        IOException { HResult: ReadOnlyDisk } => $"The disk can not be written: {e.Message} Start Mauvaise with another --data folder.",
        IOException => $"{e.Message} Look at the folder, or start Mauvaise with another --data folder.",
        _ => null,
    };
}
