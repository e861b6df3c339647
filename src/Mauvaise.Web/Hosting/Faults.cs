using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Web.Home;
using Microsoft.Data.Sqlite;

namespace Mauvaise.Web.Hosting;

/// <summary>What can be wrong with a machine, in sentences with what to do.</summary>
public static class Faults
{
    /// <summary>Of the operating system: no room on the disk, and a disk that can not be written.</summary>
    private const int NoRoom = 28,
        ReadOnlyDisk = 30;

    /// <summary>Null for what is no fault of the machine but of the program.</summary>
    public static string? InWords(Exception e) =>
        e switch
        {
            DamagedDataException or CatalogueException or FolderInUseException or HomeException => e.Message,
            UnauthorizedAccessException => Say.Of("hosting.giveYourselfTheRightToWrite", ("message", e.Message)),
            SqliteException { SqliteErrorCode: 13 } => Say.Of("hosting.theDiskIsFullMakeRoom"),
            IOException { HResult: NoRoom } => Say.Of("hosting.theDiskIsFullMakeRoom2", ("message", e.Message)),
            IOException { HResult: ReadOnlyDisk } => Say.Of("hosting.theDiskCanNotBeWritten", ("message", e.Message)),
            IOException => Say.Of("hosting.lookAtTheFolderOrStart", ("message", e.Message)),
            _ => null,
        };
}
