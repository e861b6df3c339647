using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Web.Board;
using Mauvaise.Web.Gardens;

namespace Mauvaise.Web.Tests;

public sealed class SetUpTests : IDisposable
{
    private readonly TestApp app = new(demo: false);
    private readonly HttpClient http;

    public SetUpTests() => http = app.CreateClient();

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static NewGarden Karee => new(
        Guid.NewGuid(), "Karee Ridge", -33.9, 18.9, "Africa/Johannesburg", "mediterranean", KitchenSystem.Metric, Stance.WatchAndTreat, "Owner",
        new NewPlace(Guid.NewGuid(), "Stoep bed", PlaceKind.RaisedBed, 3, 1.2, 7, Watering.Drip));

    public void Dispose()
    {
        http.Dispose();
        app.Dispose();
    }

    [Fact]
    public async Task A_southern_garden_is_set_up_planted_and_has_a_board_in_winter()
    {
        Assert.Empty((await http.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
        var karee = Karee;
        await PostAsync("/api/gardens", karee, HttpStatusCode.Created);
        await PostAsync("/api/gardens", karee, HttpStatusCode.Created);
        var planting = new NewPlanting(Guid.NewGuid(), karee.FirstPlace.Id, "pea", null, new(2026, 6, 1), GrowthStage.Young, false);
        await PostAsync($"/api/gardens/{karee.Id}/plantings", planting, HttpStatusCode.Created);
        var board = (await http.GetFromJsonAsync<BoardAnswer>($"/api/gardens/{karee.Id}/board", TestApp.Json, Stop))!;
        Assert.Equal("pea", Assert.Single(Assert.Single(board.Rows).Plantings).Crop);
        Assert.Equal(TimeSpan.FromHours(2), board.LocalNow.Offset);
        // July is winter there: the nights are longer than the days.
        var night = board.Nights[1];
        Assert.True(night.To - night.From > TimeSpan.FromHours(12));
        Assert.Contains(board.Sky.TemperatureC, t => t < 14);
    }

    [Theory]
    [InlineData("latitude", 91.0, "latitude")]
    [InlineData("longitude", -181.0, "longitude")]
    [InlineData("timeZoneId", "Mars/Olympus", "timeZoneId")]
    [InlineData("climate", "lunar", "climate")]
    [InlineData("name", "", "name")]
    [InlineData("memberName", "", "memberName")]
    public async Task A_wrong_field_is_named_and_nothing_is_saved(string field, object value, string told)
    {
        var body = JsonSerializer.SerializeToNode(Karee, TestApp.Json)!.AsObject();
        body[field] = JsonSerializer.SerializeToNode(value);
        var problem = await PostAsync("/api/gardens", body, HttpStatusCode.BadRequest);
        Assert.True(problem.GetProperty("errors").TryGetProperty(told, out _));
        Assert.Empty((await http.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
    }

    [Fact]
    public async Task Places_and_plantings_are_checked()
    {
        var karee = Karee;
        await PostAsync("/api/gardens", karee, HttpStatusCode.Created);
        var place = new NewPlace(Guid.NewGuid(), "stoep bed", PlaceKind.OpenBed, 0, 1, 7, Watering.Drip);
        var problem = await PostAsync($"/api/gardens/{karee.Id}/places", place, HttpStatusCode.BadRequest);
        Assert.Equal(["lengthM", "name"], problem.GetProperty("errors").EnumerateObject().Select(e => e.Name).Order());
        var planting = new NewPlanting(Guid.NewGuid(), karee.FirstPlace.Id, "unicorn", null, new(2027, 1, 1), GrowthStage.Young, false);
        var wrong = await PostAsync($"/api/gardens/{karee.Id}/plantings", planting, HttpStatusCode.BadRequest);
        Assert.Equal(["crop", "from"], wrong.GetProperty("errors").EnumerateObject().Select(e => e.Name).Order());
    }

    [Theory]
    [InlineData("/api/nowhere", 404, "not-found")]
    [InlineData("/api/gardens/00000000-0000-0000-0000-000000000001/board", 404, "not-found")]
    [InlineData("/api/calc/air?temperatureC=99&relativeHumidityPercent=50", 400, "out-of-range")]
    [InlineData("/api/calc/air?temperatureC=NaN&relativeHumidityPercent=50", 400, "out-of-range")]
    [InlineData("/api/calc/air?temperatureC=warm&relativeHumidityPercent=50", 400, "not-readable")]
    [InlineData("/api/calc/sample?looked=5&affected=6&line=0.1", 400, "out-of-range")]
    [InlineData("/api/calc/spacing?eggDegreeDays=50&toAdultDegreeDays=40&degreeDaysPerDay=13&killsEggs=false&cadenceMinDays=3&cadenceMaxDays=5", 400, "out-of-range")]
    public async Task Every_refusal_is_a_problem_with_a_code(string path, int status, string code)
    {
        var answer = await http.GetAsync(new Uri(path, UriKind.Relative), Stop);
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        Assert.Equal(code, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
    }

    [Theory]
    [InlineData("/api/calc/air?temperatureC=25&relativeHumidityPercent=60", "dewPointC", 16.70)]
    [InlineData("/api/calc/sun?latitude=47.52&longitude=16.31&at=2026-07-16T17:30:00Z", "elevationDegrees", 10.83)]
    [InlineData("/api/calc/degree-days?minC=10&maxC=30&lowerC=12", "degreeDays", 8.271)]
    [InlineData("/api/calc/infection?tMinC=7&tOptC=24&tMaxC=30&wetHoursAtOptimum=2&temperatureC=18", "hoursNeeded", 3.43)]
    [InlineData("/api/calc/severity-value?wetHours=10&meanTemperatureC=22", "value", 2)]
    [InlineData("/api/calc/spacing?eggDegreeDays=50&toAdultDegreeDays=135&degreeDaysPerDay=6&killsEggs=false&cadenceMinDays=3&cadenceMaxDays=5", "rounds", 3)]
    [InlineData("/api/calc/sample?looked=30&affected=6&line=0.1", "low", 0.0951)]
    public async Task Calculators_answer(string path, string field, double expected) =>
        Assert.Equal(expected, (await http.GetFromJsonAsync<JsonElement>(path, Stop)).GetProperty(field).GetDouble(), 0.006);

    [Fact]
    public async Task Polar_night_has_no_rise_and_says_night()
    {
        var day = await http.GetFromJsonAsync<JsonElement>("/api/calc/sun-day?latitude=78&longitude=15&date=2026-12-21", Stop);
        Assert.Equal(JsonValueKind.Null, day.GetProperty("sunrise").ValueKind);
        Assert.Equal("night", day.GetProperty("polar").GetString());
    }

    private async Task<JsonElement> PostAsync(string path, object body, HttpStatusCode expected)
    {
        var answer = await http.PostAsJsonAsync(path, body, TestApp.Json, Stop);
        var text = await answer.Content.ReadAsStringAsync(Stop);
        Assert.True(expected == answer.StatusCode, $"{(int)answer.StatusCode} {text}");
        return text.Length == 0 ? default : JsonDocument.Parse(text).RootElement;
    }
}
