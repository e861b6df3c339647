using System.Diagnostics;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Bench;

/// <summary>A garden of forty places after ten years: how large its file is, and how long its main views take.</summary>
internal static class TenYears
{
    private const int Places = 40,
        Years = 10,
        PhotoCount = 5000,
        WalksAYear = 60;
    private static readonly Guid Id = new("00000000-0000-0000-0000-0000000000aa");

    public static void Run() => RunAsync().GetAwaiter().GetResult();

    private static async Task RunAsync()
    {
        var folder = Directory.CreateTempSubdirectory("mauvaise-ten-years").FullName;
        var file = Path.Combine(folder, "mauvaise.db");
        var records = await FillAsync(file);
        Console.WriteLine(
            FormattableString.Invariant($"{Places} places, {Years} years, {records} records, {PhotoCount} photos: {new FileInfo(file).Length / 1e6:0.0} MB.\n")
        );
        using var app = await RunningApp.StartAsync(folder);
        var place = BenchGarden.Id("place", 3);
        (string Name, string Path)[] views =
        [
            ("Board", $"/api/gardens/{Id}/board"),
            ("Ledger, everything", $"/api/gardens/{Id}/ledger"),
            ("Ledger, one place and material, all years", $"/api/gardens/{Id}/ledger?kind=spray&place={place}&material=neem-oil"),
            ("Place, what may come", $"/api/gardens/{Id}/places/{place}/outlook"),
            ("Place, its story this season", $"/api/gardens/{Id}/places/{place}/story"),
            ("Place, its story five years ago", $"/api/gardens/{Id}/places/{place}/story?year={DateTime.UtcNow.Year - 5}"),
            ("Almanac", $"/api/gardens/{Id}/almanac"),
            ("What it taught", $"/api/gardens/{Id}/learned"),
        ];
        Console.WriteLine("| view | answer, ms (median of 15) | slowest | after a write, ms |\n|---|---|---|---|");
        foreach (var (name, path) in views)
        {
            for (var i = 0; i < 5; i++)
            {
                await TimeAsync(app.Http, path);
            }

            var warm = new List<double>();
            var fresh = new List<double>();
            for (var i = 0; i < 15; i++)
            {
                warm.Add(await TimeAsync(app.Http, path));
            }

            for (var i = 0; i < 7; i++)
            {
                await WriteAsync(app.Http);
                fresh.Add(await TimeAsync(app.Http, path));
            }

            Console.WriteLine(FormattableString.Invariant($"| {name} | {warm.Order().ElementAt(7):0} | {warm.Max():0} | {fresh.Order().ElementAt(3):0} |"));
        }

        app.Kill();
        Directory.Delete(folder, true);
    }

    private static async Task<double> TimeAsync(HttpClient http, string path)
    {
        var watch = Stopwatch.StartNew();
        using var answer = await http.GetAsync(new Uri(path, UriKind.Relative));
        answer.EnsureSuccessStatusCode();
        await answer.Content.ReadAsByteArrayAsync();
        return watch.Elapsed.TotalMilliseconds;
    }

    private static async Task WriteAsync(HttpClient http)
    {
        var body = JsonSerializer.Serialize(
            new
            {
                id = Guid.NewGuid(),
                plantingId = BenchGarden.Id($"planting{DateTime.UtcNow.Year}", 3),
                leavesLooked = 20,
                leavesAffected = 0,
                ants = "none",
                helpers = 0,
                mummies = 0,
                signs = Array.Empty<object>(),
            }
        );
        using var answer = await http.PostAsync(
            new Uri($"/api/gardens/{Id}/observations", UriKind.Relative),
            new StringContent(body, System.Text.Encoding.UTF8, "application/json")
        );
        answer.EnsureSuccessStatusCode();
    }

    private static async Task<int> FillAsync(string file)
    {
        await using var db = new GardenDb(new DbContextOptionsBuilder<GardenDb>().UseSqlite(DataFile.ConnectionString(file)).Options);
        await DataFile.OpenAsync(db, file, null, CancellationToken.None);
        var home = BenchGarden.Home(Stance.WatchAndTreat);
        var now = HourSeries.WholeHour(DateTimeOffset.UtcNow);
        db.Gardens.Add(
            new GardenRow
            {
                Id = Id,
                Name = "Ten years",
                Latitude = home.Latitude,
                Longitude = home.Longitude,
                ElevationM = 212,
                TimeZoneId = home.TimeZoneId,
                Climate = home.Climate,
                Stance = home.Stance,
                DiseaseApproach = home.DiseaseApproach,
            }
        );
        db.Members.Add(
            new MemberRow
            {
                Id = BenchGarden.Id("member", 0),
                GardenId = Id,
                Name = "Ilse",
            }
        );
        foreach (var place in Enumerable.Range(0, Places).Select(BenchGarden.Place))
        {
            db.Places.Add(
                new PlaceRow
                {
                    Id = place.Id,
                    GardenId = Id,
                    Name = place.Name,
                    Kind = place.Kind,
                    AreaM2 = place.AreaM2,
                    SunHours = 8,
                    Watering = Watering.Drip,
                    Order = place.Order,
                }
            );
        }

        await db.SaveChangesAsync();
        var weather = new StandInWeather(BenchGarden.Catalogue.FindClimate("continental")!, home.Latitude, home.Longitude, 5);
        for (var year = 0; year < Years; year++)
        {
            var from = now.AddDays(-365 * (year + 1));
            await WeatherStore.PutAsync(db, Id, WeatherSource.Service, weather.Hours(from, from.AddDays(year == 0 ? 376 : 365), now), CancellationToken.None);
            await db.SaveChangesAsync();
            db.ChangeTracker.Clear();
        }

        var chance = new Chance(9);
        var records = 0;
        var observed = new List<Guid>();
        for (var year = now.Year - Years + 1; year <= now.Year; year++)
        {
            records += AddYear(db, year, now, chance, observed);
            await db.SaveChangesAsync();
            db.ChangeTracker.Clear();
        }

        await AddPhotosAsync(db, observed);
        await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)");
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        return records;
    }

    /// <summary>Walks twice a week from March on, with a spray and its check-back wherever something was found.</summary>
    private static int AddYear(GardenDb db, int year, DateTimeOffset now, Chance chance, List<Guid> observed)
    {
        var records = 0;
        var plantings = Enumerable.Range(0, Places).Select(i => BenchGarden.Id($"planting{year}", i)).ToList();
        for (var i = 0; i < Places; i++)
        {
            db.Plantings.Add(
                new PlantingRow
                {
                    Id = plantings[i],
                    PlaceId = BenchGarden.Id("place", i),
                    Crop = BenchGarden.Kinds[i % BenchGarden.Kinds.Length].Crop,
                    From = new DateOnly(year, 3, 1),
                    Until = new DateOnly(year, 12, 20),
                    Stage = GrowthStage.Fruiting,
                }
            );
        }

        for (var walk = 0; walk < WalksAYear; walk++)
        {
            var at = new DateTimeOffset(year, 3, 5, 17, 0, 0, TimeSpan.Zero).AddDays(walk * 4.4);
            if (at > now)
            {
                break;
            }

            var walkId = BenchGarden.Id($"walk{year}", walk);
            db.Walks.Add(
                new WalkRow
                {
                    Id = walkId,
                    GardenId = Id,
                    StartedAt = at,
                    EndedAt = at.AddHours(1),
                }
            );
            records++;
            for (var i = 0; i < Places; i++)
            {
                var hit = chance.Next() < 0.3 ? 2 + (int)(chance.Next() * 9) : 0;
                var target = BenchGarden.Kinds[i % BenchGarden.Kinds.Length].Targets[(int)(chance.Next() * 2)];
                var seen = BenchGarden.Id($"seen{year}/{walk}", i);
                observed.Add(seen);
                db.Observations.Add(
                    new ObservationRow
                    {
                        Id = seen,
                        GardenId = Id,
                        LookId = seen,
                        WalkId = walkId,
                        PlantingId = plantings[i],
                        At = at.AddMinutes(i),
                        LeavesLooked = 20,
                        LeavesAffected = hit,
                        Named = hit > 0 ? target : null,
                        Helpers = (int)(chance.Next() * 3),
                    }
                );
                records++;
                if (hit >= 4)
                {
                    records += AddSpray(db, year, walk, i, at, plantings[i], seen, target, hit, chance);
                }
            }
        }

        return records;
    }

    private static int AddSpray(GardenDb db, int year, int walk, int i, DateTimeOffset at, Guid planting, Guid seen, string target, int hit, Chance chance)
    {
        string[] materials = ["neem-oil", "castile-soap", "potassium-bicarbonate", "horticultural-oil"];
        var material = materials[(walk + i) % materials.Length];
        Guid spray = BenchGarden.Id($"spray{year}/{walk}", i),
            batch = BenchGarden.Id($"batch{year}/{walk}", i),
            after = BenchGarden.Id($"after{year}/{walk}", i);
        db.Batches.Add(
            new BatchRow
            {
                Id = batch,
                GardenId = Id,
                MadeAt = at.AddHours(1),
                Recipe = BenchGarden.Catalogue.RecipeFor(material)!.Id,
                Litres = 1,
                UseBy = at.AddHours(9),
                Target = target,
                Plantings = [new BatchPlantingRow { BatchId = batch, PlantingId = planting }],
                Ingredients =
                [
                    new BatchIngredientRow
                    {
                        BatchId = batch,
                        Material = material,
                        Role = "active",
                        Amount = 5,
                        Unit = "ml",
                    },
                ],
            }
        );
        db.Applications.Add(
            new ApplicationRow
            {
                Id = spray,
                GardenId = Id,
                BatchId = batch,
                At = at.AddHours(2),
                Material = material,
                PerLitre = 5,
                Litres = 1,
                Target = target,
                ExpectedLitres = 1,
                Treated =
                [
                    new TreatedRow
                    {
                        ApplicationId = spray,
                        PlantingId = planting,
                        ShareWetted = 0.9,
                    },
                ],
            }
        );
        db.Observations.Add(
            new ObservationRow
            {
                Id = after,
                GardenId = Id,
                LookId = after,
                PlantingId = planting,
                At = at.AddDays(2),
                LeavesLooked = 20,
                LeavesAffected = (int)(hit * chance.Next()),
                Named = target,
            }
        );
        db.CheckBacks.Add(
            new CheckBackRow
            {
                Id = BenchGarden.Id($"check{year}/{walk}", i),
                GardenId = Id,
                ApplicationId = spray,
                PlantingId = planting,
                DueOn = DateOnly.FromDateTime(at.UtcDateTime).AddDays(2),
                DoneAt = at.AddDays(2),
                ObservationId = after,
                BeforeId = seen,
                Outcome = Outcome.Holding,
            }
        );
        return 4;
    }

    /// <summary>As large as a framed photo is.</summary>
    private static async Task AddPhotosAsync(GardenDb db, List<Guid> observed)
    {
        var noise = new Random(3);
        byte[] image = new byte[160_000],
            small = new byte[9_000];
        for (var i = 0; i < PhotoCount; i++)
        {
            noise.NextBytes(image);
            noise.NextBytes(small);
            var id = BenchGarden.Id("photo", i);
            db.Photos.Add(
                new PhotoRow
                {
                    Id = id,
                    GardenId = Id,
                    ObservationId = observed[(int)((long)i * observed.Count / PhotoCount)],
                    Width = 1600,
                    Height = 1200,
                }
            );
            db.PhotoImages.Add(
                new PhotoImageRow
                {
                    PhotoId = id,
                    Image = [.. image],
                    Small = [.. small],
                }
            );
            if (i % 100 == 99)
            {
                await db.SaveChangesAsync();
                db.ChangeTracker.Clear();
            }
        }
    }
}
