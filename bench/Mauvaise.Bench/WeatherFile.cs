using System.Diagnostics;
using System.Globalization;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store;
using Mauvaise.Store.Facts;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Bench;

/// <summary>Ten years of hours written to a data file and read back.</summary>
internal static class WeatherFile
{
    public static void TenYears()
    {
        var folder = Directory.CreateTempSubdirectory("mauvaise-bench");
        var path = Path.Combine(folder.FullName, "mauvaise.db");
        var garden = Guid.NewGuid();
        var start = new DateTimeOffset(2016, 1, 1, 0, 0, 0, TimeSpan.Zero);
        var end = start.AddYears(10);
        var series = new StandInWeather(CatalogueFiles.Read(CatalogueFiles.DefaultFolder).FindClimate("continental")!, 47.52, 16.31, 1).Hours(start, end, end);
        GardenDb Open() => new(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(path)).Options);
        using (var db = Open())
        {
            db.Database.Migrate();
            db.Gardens.Add(
                new GardenRow
                {
                    Id = garden,
                    Name = "Bench",
                    TimeZoneId = "Europe/Vienna",
                    Climate = "continental",
                }
            );
            var write = Stopwatch.StartNew();
            WeatherStore.PutAsync(db, garden, WeatherSource.File, series, default).GetAwaiter().GetResult();
            db.SaveChanges();
            Console.WriteLine($"{series.Hours.Count} hours written in {write.ElapsedMilliseconds} ms");
        }

        for (var round = 0; round < 3; round++)
        {
            using var db = Open();
            var before = GC.GetAllocatedBytesForCurrentThread();
            var read = Stopwatch.StartNew();
            var hours = WeatherStore.ReadAsync(db, garden, start, end, default).GetAwaiter().GetResult();
            Console.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{hours.Hours.Count} hours read in {read.ElapsedMilliseconds} ms, "
                        + $"{(GC.GetAllocatedBytesForCurrentThread() - before) / 1e6:0.0} MB allocated; data file {new FileInfo(path).Length / 1e6:0.0} MB"
                )
            );
        }

        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        folder.Delete(true);
    }
}
