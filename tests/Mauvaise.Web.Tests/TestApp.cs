using System.Collections.Concurrent;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Serialization;
using Mauvaise.Core.Catalogue;
using Mauvaise.StandIns;
using Mauvaise.Store;
using Mauvaise.Store.Facts;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Weather;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;
using Microsoft.Extensions.Logging;

namespace Mauvaise.Web.Tests;

/// <summary>The real app on a data file of its own, with the stand-in weather service over real HTTP and a clock that is set by hand.</summary>
public sealed class TestApp : WebApplicationFactory<GardenTools>
{
    public static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
    };

    /// <summary>The shipped facts, read once for all apps: they never change.</summary>
    private static readonly Lazy<GardenCatalogue> Shipped = new(() => CatalogueFiles.Read(CatalogueFiles.DefaultFolder));

    /// <summary>
    /// The file as it is a moment after the first start, with the demo garden and its weather or without a garden: every test begins with it.
    /// </summary>
    private static readonly Dictionary<bool, Lazy<Task<string>>> Beginnings = new()
    {
        [true] = new(() => BeginAsync(true)),
        [false] = new(() => BeginAsync(false)),
    };

    /// <summary>Apps that a test is done with. A start takes seconds; putting the file back takes none.</summary>
    private static readonly Dictionary<bool, ConcurrentBag<TestApp>> Idle = new() { [true] = [], [false] = [] };

    private const int UsualHistoryDays = 160;

    private readonly WebApplication standIn = StandInService.Build(["--urls", "http://127.0.0.1:0", "--Seed", "52675"]);
    private readonly string folder = Directory.CreateTempSubdirectory("mauvaise-test").FullName;
    private readonly bool demo;
    private readonly int historyDays;

    /// <summary>Nobody else may have it: its stand-in misbehaved, and what that left behind is not in the file.</summary>
    private bool spoilt;

    private readonly bool home;
    private FaultyFile? faulty;

    private TestApp(bool demo, int historyDays, bool home = false)
    {
        this.home = home;
        this.demo = demo;
        this.historyDays = historyDays;
        spoilt = home || historyDays != UsualHistoryDays;
    }

    /// <summary>An app at its beginning: one that another test is done with, or a new one.</summary>
    public static async Task<TestApp> StartAsync(bool demo, int historyDays = UsualHistoryDays)
    {
        if (historyDays == UsualHistoryDays && Idle[demo].TryTake(out var idle))
        {
            await idle.PutBackAsync();
            return idle;
        }

        var app = new TestApp(demo, historyDays);
        if (historyDays == UsualHistoryDays)
        {
            File.Copy(await Beginnings[demo].Value, app.DatabasePath);
        }

        await app.standIn.StartAsync();
        return app;
    }

    /// <summary>An app on the home network, where people sign in. Over HTTPS, since that is where its cookies go.</summary>
    public static async Task<TestApp> AtHomeAsync(bool demo = true)
    {
        var app = new TestApp(demo, UsualHistoryDays, home: true);
        File.Copy(await Beginnings[demo].Value, app.DatabasePath);
        app.ClientOptions.BaseAddress = new Uri("https://localhost");
        await app.standIn.StartAsync();
        return app;
    }

    /// <summary>An app with the demo garden on a file that fails when it is told to.</summary>
    public static async Task<TestApp> OnAsync(FaultyFile faulty)
    {
        var app = new TestApp(demo: true, UsualHistoryDays) { faulty = faulty, spoilt = true };
        File.Copy(await Beginnings[true].Value, app.DatabasePath);
        await app.standIn.StartAsync();
        return app;
    }

    private static async Task<string> BeginAsync(bool demo)
    {
        var app = new TestApp(demo, UsualHistoryDays) { spoilt = true };
        await app.standIn.StartAsync();
        await app.RefreshWeatherAsync();
        var copy = Path.Combine(Directory.CreateTempSubdirectory("mauvaise-beginning").FullName, "beginning.db");
        Backups.Copy(app.DatabasePath, copy);
        await app.DisposeAsync();
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(Path.GetDirectoryName(copy)!, true);
        return copy;
    }

    public static GardenCatalogue Catalogue => Shipped.Value;

    /// <summary>The clock of the garden, set by hand.</summary>
    public HandClock Clock { get; } = new();

    public string DatabasePath => Path.Combine(folder, "mauvaise.db");

    /// <summary>Writes the beginning over the file while the app runs, as any other program's commit would come.</summary>
    private async Task PutBackAsync()
    {
        Clock.Reset();
        await using var beginning = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = await Beginnings[demo].Value,
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
            }.ToString()
        );
        await using var file = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = DatabasePath, Pooling = false }.ToString());
        await beginning.OpenAsync();
        await file.OpenAsync();
        await using var patience = file.CreateCommand();
        patience.CommandText = "PRAGMA busy_timeout = 10000";
        await patience.ExecuteNonQueryAsync();
        beginning.BackupDatabase(file);
    }

    public string WeatherAddress => standIn.Urls.First();

    /// <summary>What is done to it lies outside the file, as a limit on how often one may ask: the next test gets another.</summary>
    public void KeepFromOthers() => spoilt = true;

    public async Task SetMoodAsync(Mood mood)
    {
        spoilt = true;
        using var http = new HttpClient { BaseAddress = new Uri(WeatherAddress) };
        (await http.PostAsJsonAsync("/mood", mood)).EnsureSuccessStatusCode();
    }

    /// <summary>Has a garden's weather fetched now; the demo's where none is named.</summary>
    public async Task RefreshWeatherAsync(Guid? garden = null)
    {
        using var scope = Services.CreateScope();
        await scope.ServiceProvider.GetRequiredService<WeatherClient>().RefreshAsync(garden ?? DemoGarden.GardenId, TestContext.Current.CancellationToken);
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseEnvironment("Development");
        builder.UseSetting("Demo", demo.ToString());
        builder.UseSetting("Data", folder);
        builder.UseSetting("HistoryDays", historyDays.ToString(System.Globalization.CultureInfo.InvariantCulture));
        builder.UseSetting("AtHome", home.ToString());
        builder.UseSetting("Weather", WeatherAddress + "/v1/hours");
        builder.ConfigureTestServices(s =>
            s.Replace(ServiceDescriptor.Singleton<TimeProvider>(Clock))
                .Replace(ServiceDescriptor.Singleton(new MachineClock(Clock)))
                .Replace(ServiceDescriptor.Singleton(Shipped.Value))
        );
        if (faulty is not null)
        {
            builder.ConfigureTestServices(s => s.ConfigureDbContext<GardenDb>(o => o.AddInterceptors(faulty)));
            // It fails on purpose, and often.
            builder.ConfigureLogging(l => l.ClearProviders());
        }
    }

    public override async ValueTask DisposeAsync()
    {
        if (!spoilt)
        {
            Idle[demo].Add(this);
            return;
        }

        await base.DisposeAsync();
        await standIn.DisposeAsync();
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
        GC.SuppressFinalize(this);
    }
}

/// <summary>A clock that stands until it is moved, also back.</summary>
public sealed class HandClock : TimeProvider
{
    /// <summary>Thursday 16 July 2026, 17:40 in Vienna.</summary>
    private static readonly DateTimeOffset Beginning = new(2026, 7, 16, 15, 40, 0, TimeSpan.Zero);

    private DateTimeOffset now = Beginning;

    public override DateTimeOffset GetUtcNow() => now;

    public void Advance(TimeSpan by) => now += by;

    public void Reset() => now = Beginning;
}
