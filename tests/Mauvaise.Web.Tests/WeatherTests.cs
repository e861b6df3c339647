using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;
using Mauvaise.Store.Facts;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Weather;
using Mauvaise.Web.Windows;

namespace Mauvaise.Web.Tests;

/// <summary>Weather from a station, a file and by hand, over that of the service.</summary>
public sealed class WeatherTests : IAsyncLifetime
{
    private TestApp app = null!;
    private HttpClient http = null!;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
        await app.RefreshWeatherAsync();
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public async Task Thirty_days_back_and_ten_ahead_are_told_and_the_service_is_asked_again()
    {
        var now = await GetAsync<WeatherStateAnswer>("weather");
        Assert.Equal((new DateOnly(2026, 7, 26), new DateOnly(2026, 6, 16)), (now.Days[0].Date, now.Days[^1].Date));
        Assert.True(now.HasService);
        var past = now.Days.Where(d => d.Date <= new DateOnly(2026, 7, 16)).ToList();
        Assert.Equal($"{past.Sum(d => d.RainMm!.Value):0} mm of rain on the last {past.Count} days that are known.", now.Sentence);
        Assert.All(now.Days.Skip(1), d => Assert.Equal([WeatherSource.Service], d.Sources));

        await app.SetMoodAsync(new Mood(Down: true));
        var asked = await http.SendAsync("weather/ask", new { }, HttpStatusCode.OK);
        Assert.Equal("The weather service does not answer.", asked.GetProperty("sources")[0].GetProperty("trouble").GetString());
    }

    private async Task<T> GetAsync<T>(string path) => (await http.GetFromJsonAsync<T>(path, TestApp.Json, Stop))!;

    private async Task<WeatherDayAnswer> DayAsync(int day) =>
        (await GetAsync<WeatherStateAnswer>("weather")).Days.Single(d => d.Date == new DateOnly(2026, 7, day));

    private async Task<HttpResponseMessage> PutAsync(string path, object body) => await http.PutAsJsonAsync(path, body, TestApp.Json, Stop);

    private Task<JsonElement> PostAsync(string path, object body, HttpStatusCode expected = HttpStatusCode.OK) => http.SendAsync(path, body, expected);

    private async Task<StationKeyAnswer> KeyAsync() =>
        (await PostAsync("weather/station-key", new StationKeyRequest())).Deserialize<StationKeyAnswer>(TestApp.Json)!;

    private async Task<HttpResponseMessage> PushAsync(string key, params StationReading[] readings)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "weather/readings")
        {
            Content = JsonContent.Create(new StationBatch(readings), options: TestApp.Json),
        };
        request.Headers.Add("X-Station-Key", key);
        return await http.SendAsync(request, Stop);
    }

    [Fact]
    public async Task A_rain_gauge_outranks_the_service_is_undone_and_dropped()
    {
        var before = await DayAsync(10);
        Assert.True(before.RainMm > 0);
        Assert.Equal([WeatherSource.Service], before.Sources);
        (await PutAsync("weather/hand/2026-07-10", new HandValues(RainMm: 12.5))).EnsureSuccessStatusCode();
        var entered = await DayAsync(10);
        Assert.Equal((12.5, true), (entered.RainMm, entered.ByHand));
        Assert.Equal([WeatherSource.Hand, WeatherSource.Service], entered.Sources);
        Assert.Equal((before.MinC, before.MaxC), (entered.MinC, entered.MaxC));

        (await PutAsync("weather/hand/2026-07-10", new HandValues(MinC: 5, MaxC: 25))).EnsureSuccessStatusCode();
        var warmer = await DayAsync(10);
        Assert.Equal((5.0, 25.0, 12.5), (Math.Round(warmer.MinC!.Value, 4), Math.Round(warmer.MaxC!.Value, 4), warmer.RainMm!.Value));
        var last = (await GetAsync<GardenAnswer>("")).LastDeed!;
        await PostAsync("undo", new { deedId = last.Id }, HttpStatusCode.NoContent);
        Assert.Equal(before.MaxC, (await DayAsync(10)).MaxC);

        (await http.DeleteAsync("weather/hand/2026-07-10", Stop)).EnsureSuccessStatusCode();
        Assert.Equal(before, await DayAsync(10), (a, b) => a!.RainMm == b!.RainMm && !b.ByHand);
    }

    [Theory]
    [InlineData("2026-07-10", -1.0, null, null, "rain-range")]
    [InlineData("2026-07-10", null, 20.0, null, "temperature-pair")]
    [InlineData("2026-07-10", null, 20.0, 10.0, "temperature-order")]
    [InlineData("2026-07-10", null, null, null, "nothing-entered")]
    [InlineData("2026-07-17", 1.0, null, null, "date-range")]
    [InlineData("2025-07-10", 1.0, null, null, "date-range")]
    public async Task What_no_gauge_can_say_is_refused(string date, double? rain, double? min, double? max, string code)
    {
        var answer = await PutAsync($"weather/hand/{date}", new HandValues(rain, min, max));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(code, JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement.GetProperty("code").GetString());
    }

    [Fact]
    public async Task A_station_pushes_with_its_key_and_a_batch_sent_again_changes_nothing()
    {
        var key = (await KeyAsync()).Key;
        var at = new DateTimeOffset(2026, 7, 16, 10, 0, 0, TimeSpan.Zero);
        StationReading[] readings = [new(at, 30, RainMm: 0.2), new(at.AddMinutes(30), 32, RainMm: 0.3), new(at.AddHours(1), 999)];
        for (var time = 0; time < 2; time++)
        {
            var answer = (await (await PushAsync(key, readings)).Content.ReadFromJsonAsync<StationAnswer>(TestApp.Json, Stop))!;
            Assert.Equal(1, answer.Hours);
            Assert.Contains("temperature 999 C", Assert.Single(answer.Refused), StringComparison.Ordinal);
        }

        var day = await DayAsync(16);
        Assert.Equal(0.5, day.RainMm!.Value, 0.01);
        Assert.Contains(WeatherSource.Station, day.Sources);
        var station = (await GetAsync<WeatherStateAnswer>("weather")).Sources.Single(s => s.Source == WeatherSource.Station);
        Assert.Equal(app.Clock.GetUtcNow(), station.LastHeard);
        Assert.Contains("One reading was left out", station.Trouble, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_wrong_or_an_old_key_is_turned_away()
    {
        var old = (await KeyAsync()).Key;
        var at = new StationReading(new DateTimeOffset(2026, 7, 16, 10, 0, 0, TimeSpan.Zero), 30);
        Assert.Equal(HttpStatusCode.Unauthorized, (await PushAsync("guess", at)).StatusCode);
        await KeyAsync();
        Assert.Equal(HttpStatusCode.Unauthorized, (await PushAsync(old, at)).StatusCode);
        Assert.DoesNotContain((await GetAsync<WeatherStateAnswer>("weather")).Sources, s => s.Source == WeatherSource.Station);
    }

    [Fact]
    public async Task The_stand_in_station_is_understood()
    {
        var key = await KeyAsync();
        var climate = CatalogueFiles.Read(CatalogueFiles.DefaultFolder).FindClimate("continental")!;
        var settings = new StationSettings(new Uri(http.BaseAddress!, key.Address), key.Key, 47.52, 16.31, "continental");
        var station = new StandInStation(new StandInWeather(climate, 47.52, 16.31, 52675), settings);
        using var answer = await station.PushAsync(http, app.Clock.GetUtcNow(), Stop);
        Assert.Equal(48, (await answer.Content.ReadFromJsonAsync<StationAnswer>(TestApp.Json, Stop))!.Hours);
    }

    private const string Table = "time;temp;rain\n2026-07-01 12:00;40,5;0\n2026-07-01 13:00;41,5;0\n2026-07-01 14:00;400;0\n2026-07-01 15:00;warm;0\n";

    [Fact]
    public async Task A_file_is_looked_at_before_its_good_lines_are_kept()
    {
        var preview = (await PostAsync("weather/table/preview", new TableRequest(Table))).Deserialize<TablePreview>(TestApp.Json)!;
        Assert.Equal((4, 2, 2, false), (preview.Lines, preview.Hours, preview.BadCount, preview.Daily));
        Assert.Equal([4, 5], preview.Bad.Select(b => b.Line));
        Assert.Equal("2026-07-01 14:00;400;0", preview.Bad[0].Text);
        Assert.DoesNotContain((await GetAsync<WeatherStateAnswer>("weather")).Sources, s => s.Source == WeatherSource.File);

        var blind = await PostAsync("weather/table", new TableImport(Table, preview.Columns, 0), HttpStatusCode.BadRequest);
        Assert.Equal("look-first", blind.GetProperty("code").GetString());
        var done = (await PostAsync("weather/table", new TableImport(Table, preview.Columns, 2))).Deserialize<TableImported>(TestApp.Json)!;
        Assert.Equal(new TableImported(2, 2), done);
        Assert.Contains((await GetAsync<WeatherStateAnswer>("weather")).Sources, s => s is { Source: WeatherSource.File, Days: 1 });
    }

    [Theory]
    [InlineData("")]
    [InlineData("just words")]
    [InlineData("\"never ends")]
    public async Task What_is_no_table_is_refused_in_words(string text)
    {
        var problem = await PostAsync("weather/table/preview", new TableRequest(text), HttpStatusCode.BadRequest);
        Assert.NotEmpty(problem.GetProperty("errors").GetProperty("text")[0].GetString()!);
    }

    [Fact]
    public async Task A_gap_is_shown_as_long_as_nobody_fills_it()
    {
        // A garden of its own without a service: what a file leaves out stays unknown.
        await app.SetMoodAsync(new Mood(Down: true));
        var garden = Guid.NewGuid();
        await PostAsync(
            "/api/gardens",
            new NewGarden(
                garden,
                "Gaps",
                47.5,
                16.3,
                "Europe/Vienna",
                "continental",
                KitchenSystem.Metric,
                Stance.WatchAndTreat,
                "Ilse",
                new NewPlace(Guid.NewGuid(), "Bed", PlaceKind.OpenBed, 4, 1, 8, Watering.Drip)
            ),
            HttpStatusCode.Created
        );
        var lines = Enumerable.Range(0, 24).Where(h => h is < 6 or > 9).Select(h => $"2026-07-15T{h:00}:00:00Z;20");
        var text = "time;temp\n" + string.Join('\n', lines);
        var path = $"/api/gardens/{garden}/weather";
        var preview = (await PostAsync(path + "/table/preview", new TableRequest(text))).Deserialize<TablePreview>(TestApp.Json)!;
        await PostAsync(path + "/table", new TableImport(text, preview.Columns, 0));
        var gaps = (await http.GetFromJsonAsync<WeatherStateAnswer>(path, TestApp.Json, Stop))!.Gaps;
        Assert.Equal(
            new GapAnswer(new DateTimeOffset(2026, 7, 15, 6, 0, 0, TimeSpan.Zero), new DateTimeOffset(2026, 7, 15, 10, 0, 0, TimeSpan.Zero), 4),
            gaps[0]
        );
        Assert.Equal(15, gaps[^1].Hours);
    }

    [Fact]
    public async Task Ten_years_of_hours_are_imported_and_read()
    {
        var lines = Enumerable
            .Range(0, 3650)
            .Select(d => string.Create(CultureInfo.InvariantCulture, $"{new DateOnly(2014, 1, 1).AddDays(d):yyyy-MM-dd};{d % 20};{d % 20 + 8};{d % 3}"));
        var text = "date;tmin;tmax;rain\n" + string.Join('\n', lines);
        var preview = (await PostAsync("weather/table/preview", new TableRequest(text))).Deserialize<TablePreview>(TestApp.Json)!;
        Assert.Equal((true, 0), (preview.Daily, preview.BadCount));
        Assert.Equal(3650 * 24, preview.Hours);
        await PostAsync("weather/table", new TableImport(text, preview.Columns, 0));
        var file = (await GetAsync<WeatherStateAnswer>("weather")).Sources.Single(s => s.Source == WeatherSource.File);
        Assert.InRange(file.Days, 3650, 3652);
    }

    [Fact]
    public async Task Free_hours_bound_what_is_proposed_and_not_what_is_done()
    {
        var courgette = DemoGarden.PlantingId("Chapel/courgette");
        var path = $"windows?planting={courgette}&material=neem-oil&hours=24";
        Assert.Contains((await GetAsync<WindowsAnswer>(path)).Hours, h => h.Verdict == Verdict.Good);
        (
            await PutAsync("settings", new GardenSettings(Stance.WatchAndTreat, KitchenSystem.Metric, [.. Enumerable.Repeat("6-7", 7)]))
        ).EnsureSuccessStatusCode();
        Assert.Equal("6-7", (await GetAsync<GardenAnswer>("")).FreeHours[0]);
        var busy = await GetAsync<WindowsAnswer>(path);
        Assert.DoesNotContain(busy.Hours, h => h.Verdict == Verdict.Good && h.Hour.Hour is 16 or 17 or 18);
        Assert.Contains(busy.Hours.SelectMany(h => h.Rules), r => r is { Rule: SprayRule.Free, Verdict: Verdict.Never, Sentence: "Nobody is free then." });
        Assert.Contains((await GetAsync<WindowsAnswer>(path + "&anyHour=true")).Hours, h => h.Verdict == Verdict.Good);
        var wrong = await PutAsync("settings", new GardenSettings(Stance.WatchAndTreat, KitchenSystem.Metric, ["evenings", .. Enumerable.Repeat("6-7", 6)]));
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
    }
}
