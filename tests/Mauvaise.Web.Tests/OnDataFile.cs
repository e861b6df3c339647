using Mauvaise.Store;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Tests;

/// <summary>A data folder of its own, which goes with the test.</summary>
public abstract class OnDataFile : IDisposable
{
    protected static CancellationToken Stop => TestContext.Current.CancellationToken;

    protected string Folder { get; } = Directory.CreateTempSubdirectory("mauvaise-file").FullName;

    protected string DatabasePath => Path.Combine(Folder, "mauvaise.db");

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, true);
        GC.SuppressFinalize(this);
    }

    protected GardenDb Open() => new(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(DatabasePath)).Options);
}
