using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Serialization;
using Mauvaise.Core.Catalogue;
using Mauvaise.StandIns;
using Mauvaise.Store;
using Mauvaise.Store.Facts;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Weather;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.DependencyInjection.Extensions;
using Microsoft.Extensions.Time.Testing;

namespace Mauvaise.Web.Tests;

/// <summary>The real app on a data file of its own, with the stand-in weather service over real HTTP and a clock that is set by hand.</summary>
public sealed class TestApp : WebApplicationFactory<GardenTools>
{
    public static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) } };

    /// <summary>The shipped facts, read once for all apps: they never change.</summary>
    private static readonly Lazy<GardenCatalogue> Catalogue = new(() => CatalogueFiles.Read(CatalogueFiles.DefaultFolder));

    /// <summary>The demo garden with its weather, as it is a moment after the first start; each app begins with a copy of its own.</summary>
    private static readonly Lazy<Task<byte[]>> Beginning = new(BeginAsync);

    private const int UsualHistoryDays = 160;

    private readonly WebApplication standIn = StandInService.Build(["--urls", "http://127.0.0.1:0", "--Seed", "52675"]);
    private readonly string folder = Directory.CreateTempSubdirectory("mauvaise-test").FullName;
    private readonly bool demo;

    private readonly int historyDays;

    private TestApp(bool demo, int historyDays)
    {
        this.demo = demo;
        this.historyDays = historyDays;
    }

    /// <summary>Starts the stand-in; the app itself starts with its first client.</summary>
    public static async Task<TestApp> StartAsync(bool demo, int historyDays = UsualHistoryDays)
    {
        var app = new TestApp(demo, historyDays);
        if (demo && historyDays == UsualHistoryDays)
        {
            await File.WriteAllBytesAsync(app.DatabasePath, await Beginning.Value);
        }

        await app.standIn.StartAsync();
        return app;
    }

    private static async Task<byte[]> BeginAsync()
    {
        await using var app = new TestApp(demo: true, UsualHistoryDays);
        await app.standIn.StartAsync();
        await app.RefreshWeatherAsync();
        var copy = Path.Combine(app.folder, "beginning.db");
        Backups.Copy(app.DatabasePath, copy);
        return await File.ReadAllBytesAsync(copy);
    }

    public FakeTimeProvider Clock { get; } = new(new DateTimeOffset(2026, 7, 16, 15, 40, 0, TimeSpan.Zero));

    private string DatabasePath => Path.Combine(folder, "mauvaise.db");

    public string WeatherAddress => standIn.Urls.First();

    public async Task SetMoodAsync(Mood mood)
    {
        using var http = new HttpClient { BaseAddress = new Uri(WeatherAddress) };
        (await http.PostAsJsonAsync("/mood", mood)).EnsureSuccessStatusCode();
    }

    /// <summary>Has the demo garden's weather fetched now.</summary>
    public async Task RefreshWeatherAsync()
    {
        using var scope = Services.CreateScope();
        await scope.ServiceProvider.GetRequiredService<WeatherClient>().RefreshAsync(DemoGarden.GardenId, TestContext.Current.CancellationToken);
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseEnvironment("Development");
        builder.UseSetting("Demo", demo.ToString());
        builder.UseSetting("Data", folder);
        builder.UseSetting("HistoryDays", historyDays.ToString(System.Globalization.CultureInfo.InvariantCulture));
        builder.UseSetting("Weather", WeatherAddress + "/v1/hours");
        builder.ConfigureTestServices(s => s.Replace(ServiceDescriptor.Singleton<TimeProvider>(Clock)).Replace(ServiceDescriptor.Singleton(Catalogue.Value)));
    }

    public override async ValueTask DisposeAsync()
    {
        await base.DisposeAsync();
        await standIn.DisposeAsync();
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, true);
        GC.SuppressFinalize(this);
    }
}
