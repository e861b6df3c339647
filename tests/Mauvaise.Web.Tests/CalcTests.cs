using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace Mauvaise.Web.Tests;

/// <summary>One app for all calculator tests: they have no state.</summary>
public sealed class CalcApp : IAsyncLifetime
{
    private TestApp app = null!;

    public HttpClient Http { get; private set; } = null!;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: false);
        Http = app.CreateClient();
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        await app.DisposeAsync();
    }
}

public class CalcTests(CalcApp app) : IClassFixture<CalcApp>
{
    private readonly HttpClient http = app.Http;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

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

    [Theory]
    [InlineData(2, "us-tbsp", 1, "us-gal", 5, "l", null, "ml", 7.8125, 39.0625)]
    [InlineData(1, "us-tbsp", 1, "us-gal", 1, "us-gal", 0.95, "g", 3.71, 14.05)]
    [InlineData(8, "us-floz", 1, "us-gal", 1, "l", null, "ml", 62.5, 62.5)]
    [InlineData(5, "g", 1, "l", 2.4, "l", 0.95, "g", 5, 12)]
    public async Task A_dose_is_carried_to_another_tank(
        double dose,
        string doseUnit,
        double per,
        string perUnit,
        double tank,
        string tankUnit,
        double? density,
        string unit,
        double perLitre,
        double needed
    )
    {
        var body = new
        {
            doseAmount = dose,
            doseUnit,
            perAmount = per,
            perUnit,
            tankAmount = tank,
            tankUnit,
            densityGramsPerMillilitre = density,
        };
        var answer = await http.SendAsync("/api/calc/dilution", body, HttpStatusCode.OK);
        Assert.Equal(unit, answer.GetProperty("perLitre").GetProperty("unit").GetString());
        Assert.Equal(perLitre, answer.GetProperty("perLitre").GetProperty("amount").GetDouble(), 0.005);
        Assert.Equal(needed, answer.GetProperty("needed").GetProperty("amount").GetDouble(), 0.005);
        Assert.InRange(answer.GetProperty("kitchen").GetProperty("errorPercent").GetDouble(), -5, 5);
    }

    [Fact]
    public async Task A_stronger_bottle_needs_less_of_it()
    {
        var body = new
        {
            doseAmount = 60,
            doseUnit = "ml",
            perAmount = 1,
            perUnit = "l",
            tankAmount = 1,
            tankUnit = "l",
            stockStrengthPercent = 6,
            recipeStrengthPercent = 3,
        };
        var answer = await http.SendAsync("/api/calc/dilution", body, HttpStatusCode.OK);
        Assert.Equal(30, answer.GetProperty("needed").GetProperty("amount").GetDouble(), 1e-9);
        Assert.Equal(0.18, answer.GetProperty("finalStrengthPercent").GetDouble(), 1e-9);
    }

    [Theory]
    [InlineData(0, "ml", 1, "l", 1, "l", "doseAmount")]
    [InlineData(5, "handful", 1, "l", 1, "l", "doseUnit")]
    [InlineData(5, "ml", 1, "kg", 1, "l", "perUnit")]
    [InlineData(2000, "ml", 1, "l", 1, "l", "doseAmount")]
    [InlineData(5, "ml", 1, "l", 100000, "l", "tankAmount")]
    public async Task An_absurd_dose_is_refused_beside_its_field(
        double dose,
        string doseUnit,
        double per,
        string perUnit,
        double tank,
        string tankUnit,
        string field
    )
    {
        var body = new
        {
            doseAmount = dose,
            doseUnit,
            perAmount = per,
            perUnit,
            tankAmount = tank,
            tankUnit,
        };
        var problem = await http.SendAsync("/api/calc/dilution", body, HttpStatusCode.BadRequest);
        Assert.True(problem.GetProperty("errors").TryGetProperty(field, out _), problem.ToString());
    }

    [Theory]
    [InlineData("bicarbonate", 12, "g", 20, "ok", null)]
    [InlineData("insecticidal-soap", 45, "ml", 30, "stepDown", "heat")]
    [InlineData("insecticidal-soap", 80, "ml", 20, "refused", "ceiling")]
    [InlineData("insecticidal-soap", 12, "ml", 33, "refused", "too-hot")]
    public async Task A_mix_is_judged(string material, double amount, string unit, double warmest, string verdict, string? code)
    {
        var answer = await MixAsync(material, amount, unit, 2.4, warmest);
        Assert.Equal(verdict, answer.GetProperty("verdict").GetString());
        Assert.True(code is null || answer.GetProperty("reasons").EnumerateArray().Any(r => r.GetProperty("code").GetString() == code));
    }

    [Fact]
    public async Task A_reason_gives_its_figures_beside_its_sentence()
    {
        var answer = await MixAsync("sulfur", 500, "g", 1, 30);
        var reasons = answer.GetProperty("reasons").EnumerateArray().ToDictionary(r => r.GetProperty("code").GetString()!, r => r.GetProperty("figures"));
        Assert.Equal([("told", "massDose", 500), ("most", "massDose", 10), ("unit", "unit", null)], reasons["ceiling"].EnumerateArray().Select(Figure));
        Assert.Equal([("temperature", "temperature", 30), ("temperature2", "temperature", 27)], reasons["heat"].EnumerateArray().Select(Figure));

        static (string?, string?, double?) Figure(JsonElement f) =>
            (
                f.GetProperty("name").GetString(),
                f.GetProperty("kind").GetString(),
                f.GetProperty("amount") is { ValueKind: JsonValueKind.Number } amount ? amount.GetDouble() : null
            );
    }

    private Task<JsonElement> MixAsync(string material, double amount, string unit, double waterLitres, double warmest) =>
        http.SendAsync(
            "/api/calc/mix",
            new
            {
                ingredients = new[]
                {
                    new
                    {
                        material,
                        amount,
                        unit,
                    },
                },
                waterAmount = waterLitres,
                waterUnit = "l",
                conditions = new { maxTemperatureNext6hC = warmest, crop = "tomato" },
            },
            HttpStatusCode.OK
        );

    [Fact]
    public async Task Cover_falls_by_half_life_and_rain()
    {
        var hours = Enumerable.Range(0, 169).Select(i => new { rainMm = i == 5 ? 6.0 : 0 });
        var answer = await http.SendAsync(
            "/api/calc/cover",
            new
            {
                hours,
                halfLifeDays = 7,
                washOffMm = 6,
                start = 0.8,
            },
            HttpStatusCode.OK
        );
        var cover = answer.GetProperty("cover").EnumerateArray().Select(x => x.GetDouble()).ToList();
        Assert.Equal(0.8, cover[0]);
        Assert.Equal(0.2, cover[168], 1e-9);
    }

    [Fact]
    public async Task Hours_are_judged_for_anybody()
    {
        var one = (double value) => Enumerable.Repeat((double?)value, 48);
        var hours = new
        {
            start = "2026-07-16T00:00:00Z",
            temperatureC = one(20),
            relativeHumidityPercent = one(60),
            windMetresPerSecond = one(2),
            gustMetresPerSecond = one(3),
            rainMm = one(0),
            cloudPercent = one(20),
        };
        var body = new
        {
            hours,
            material = "neem-oil",
            place = new
            {
                latitude = 47.52,
                longitude = 16.31,
                timeZoneId = "Europe/Vienna",
            },
        };
        var answer = await http.SendAsync("/api/calc/window", body, HttpStatusCode.OK);
        Assert.Equal(48, answer.GetProperty("hours").GetArrayLength());
        Assert.Contains(answer.GetProperty("windows").EnumerateArray(), w => w.GetProperty("verdict").GetString() == "good");
    }

    [Fact]
    public async Task Suspects_are_named_for_anybody()
    {
        var body = new
        {
            crop = "courgette",
            placeKind = "openBed",
            date = "2026-07-16",
            latitude = 47.5,
            signs = new[] { new { sign = "white-dust", present = true } },
        };
        var answer = await http.SendAsync("/api/calc/suspects", body, HttpStatusCode.OK);
        Assert.Equal("powdery-mildew", answer.GetProperty("suspects")[0].GetProperty("target").GetString());
        Assert.Equal("powdery-mildew", answer.GetProperty("groups")[0].GetProperty("group").GetString());
        var sum =
            answer.GetProperty("suspects").EnumerateArray().Sum(s => s.GetProperty("probability").GetDouble()) + answer.GetProperty("notListed").GetDouble();
        Assert.InRange(sum, 0.8, 1.000001);
        Assert.Equal("rubs-off", answer.GetProperty("nextQuestion").GetProperty("sign").GetString());
        var unknown = new
        {
            crop = "unicorn",
            placeKind = "openBed",
            date = "2026-07-16",
            latitude = 47.5,
            signs = Array.Empty<object>(),
        };
        Assert.Equal("crop-unknown", (await http.SendAsync("/api/calc/suspects", unknown, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
        string[] notSure = ["rubs-off"];
        var unsure = await http.SendAsync(
            "/api/calc/suspects",
            new
            {
                body.crop,
                body.placeKind,
                body.date,
                body.latitude,
                body.signs,
                notSure,
            },
            HttpStatusCode.OK
        );
        Assert.NotEqual("rubs-off", unsure.GetProperty("nextQuestion").GetProperty("sign").GetString());
    }

    [Theory]
    [InlineData("""{"crop":"kalee","signs":[{"sign":"holes","present":true}]}""", "crop", "crop-unknown", "kale")]
    [InlineData("""{"crop":"kale","signs":[{"sign":"hole","present":true}]}""", "signs", "sign-unknown", "holes")]
    [InlineData("""{"crop":"kale","signs":[]}""", "signs", "signs-missing", "one sign")]
    [InlineData("""{"crop":"kale","signs":[{"sign":"holes","present":true},{"sign":"holes","present":false}]}""", "signs", "sign-twice", "holes")]
    [InlineData("""{"crop":"kale","signs":[{"sign":"holes","present":true}],"notSure":["holes"]}""", "notSure", "sign-twice", "holes")]
    [InlineData("""{"crop":"kale","signs":[{"sign":"holes","present":true}],"notSure":["slim"]}""", "notSure", "sign-unknown", "slime")]
    public async Task A_list_of_signs_that_makes_no_sense_is_refused_with_the_nearest_name(string part, string field, string code, string nearest)
    {
        var body = System.Text.Json.Nodes.JsonNode.Parse(part)!;
        (body["placeKind"], body["date"], body["latitude"]) = ("openBed", "2026-07-16", 47.5);
        var problem = await http.SendAsync("/api/calc/suspects", body, HttpStatusCode.BadRequest);
        Assert.Equal(code, problem.GetProperty("code").GetString());
        Assert.Contains(nearest, problem.GetProperty("errors").GetProperty(field)[0].GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_recipe_that_was_heard_is_read_judged_and_put_right()
    {
        var answer = await http.SendAsync(
            "/api/calc/recipe",
            new
            {
                text = "a cup of cayenne and six onions in a gallon",
                kitchen = "us",
                crop = "kale",
                sprayerLitres = 2,
            },
            HttpStatusCode.OK
        );
        Assert.Equal("no", answer.GetProperty("verdict").GetString());
        Assert.Equal(["hot-chilli", "onion-bulb", null], answer.GetProperty("lines").EnumerateArray().Select(l => l.GetProperty("material").GetString()));
        Assert.Contains(answer.GetProperty("faults").EnumerateArray(), f =>
            f.GetProperty("code").GetString() == "ceiling" && f.GetProperty("stops").GetBoolean()
        );
        Assert.Contains(answer.GetProperty("corrected").GetProperty("lines").EnumerateArray(), l =>
            l.GetString()!.StartsWith("made up with water to", StringComparison.Ordinal)
        );
        var good = await http.SendAsync("/api/calc/recipe", new { text = "5 ml neem, 2 ml soap per litre", kitchen = "metric" }, HttpStatusCode.OK);
        Assert.Equal((1, 5), (good.GetProperty("litres").GetDouble(), good.GetProperty("perLitre")[0].GetProperty("amount").GetDouble()));
        Assert.NotEqual("no", good.GetProperty("verdict").GetString());
        Assert.Equal(JsonValueKind.Null, good.GetProperty("corrected").ValueKind);
    }

    [Theory]
    [InlineData("bicarbonate", 47.5, "g", "ceiling", true)]
    [InlineData("sulfur", 500, "g", "ceiling", true)]
    [InlineData("vinegar", 900, "ml", "ceiling", true)]
    [InlineData("neem-oil", 5, "ml", "no-emulsifier", false)]
    [InlineData("borax", 5, "g", "no-spray-form", true)]
    public async Task A_dose_that_is_carried_over_is_judged_as_the_bench_does(string material, double amount, string unit, string code, bool refused)
    {
        var body = new
        {
            doseAmount = amount,
            doseUnit = unit,
            perAmount = 1,
            perUnit = "l",
            tankAmount = 1,
            tankUnit = "l",
            material,
        };
        var reasons = (await http.SendAsync("/api/calc/dilution", body, HttpStatusCode.OK)).GetProperty("reasons").EnumerateArray();
        var reason = Assert.Single(reasons, r => r.GetProperty("code").GetString() == code);
        Assert.Equal(refused, reason.GetProperty("verdict").GetString() == "refused");
    }

    [Theory]
    [InlineData("", "text-missing")]
    [InlineData("what a lovely evening", "nothing-read")]
    [InlineData("5 ml soap in 1 l water. 5 ml neem in 2 l water", "two-recipes")]
    public async Task What_is_no_recipe_is_told_so(string text, string code) =>
        Assert.Equal(
            code,
            (await http.SendAsync("/api/calc/recipe", new { text, kitchen = "metric" }, HttpStatusCode.BadRequest)).GetProperty("code").GetString()
        );

    [Theory]
    [InlineData("/api/calc/control?treatedBefore=120&treatedAfter=18&untreatedBefore=110&untreatedAfter=165", "controlPercent", 90)]
    [InlineData("/api/calc/control?treatedAfter=20&untreatedAfter=80", "controlPercent", 75)]
    [InlineData("/api/calc/progress?days=0,7,14&percent=5,20,50", "areaUnderCurve", 332.5)]
    public async Task Outcomes_are_reckoned(string path, string field, double expected) =>
        Assert.Equal(expected, (await http.GetFromJsonAsync<JsonElement>(path, Stop)).GetProperty(field).GetDouble(), 0.005);

    [Fact]
    public async Task Polar_night_has_no_rise_and_says_night()
    {
        var day = await http.GetFromJsonAsync<JsonElement>("/api/calc/sun-day?latitude=78&longitude=15&date=2026-12-21", Stop);
        Assert.Equal(JsonValueKind.Null, day.GetProperty("sunrise").ValueKind);
        Assert.Equal("night", day.GetProperty("polar").GetString());
    }

    [Theory]
    [InlineData("/api/nowhere", 404, "not-found")]
    [InlineData("/api/gardens/00000000-0000-0000-0000-000000000001/board", 404, "not-found")]
    [InlineData("/api/calc/air?temperatureC=99&relativeHumidityPercent=50", 400, "out-of-range")]
    [InlineData("/api/calc/air?temperatureC=NaN&relativeHumidityPercent=50", 400, "out-of-range")]
    [InlineData("/api/calc/air?temperatureC=warm&relativeHumidityPercent=50", 400, "not-readable")]
    [InlineData("/api/calc/sample?looked=5&affected=6&line=0.1", 400, "out-of-range")]
    [InlineData(
        "/api/calc/spacing?eggDegreeDays=50&toAdultDegreeDays=40&degreeDaysPerDay=13&killsEggs=false&cadenceMinDays=3&cadenceMaxDays=5",
        400,
        "out-of-range"
    )]
    public async Task Every_refusal_is_a_problem_with_a_code(string path, int status, string code)
    {
        var answer = await http.GetAsync(new Uri(path, UriKind.Relative), Stop);
        Assert.Equal(status, (int)answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType?.MediaType);
        Assert.Equal(code, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
    }
}
