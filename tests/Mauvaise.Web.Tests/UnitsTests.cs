using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Facts;
using Mauvaise.Web.Gardens;

namespace Mauvaise.Web.Tests;

/// <summary>A household reads its own units, wherever it looks.</summary>
public partial class UnitsTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private static readonly Country Us = Country.All.First(c => c.Code == "US");

    /// <summary>Texts that show metric beside the household's own, or an exact amount where no spoon fits.</summary>
    private static readonly HashSet<string> Beside = ["exact", "sizeBeside", "beside", "otherText", "amountBeside"];

    private static async Task<HttpClient> HouseholdAsync(TestApp app, Country country)
    {
        await app.RefreshWeatherAsync();
        var http = app.CreateClient();
        // The app asks for the household's order of days by it.
        http.DefaultRequestHeaders.AcceptLanguage.ParseAdd(country.Units.Days == DayOrder.MonthFirst ? "en-US" : "en");
        await http.SendPutAsync($"{Api}/settings", new GardenSettings(Stance.WatchAndTreat, country.Kitchen, Units: country.Units), HttpStatusCode.NoContent);
        return http;
    }

    [GeneratedRegex(@"\d ?(°C|C|mm|m/s|km/h|l|ml|g|kg|m|cm|m²|litres?|metres?)(?![A-Za-z0-9²'])|a litre|\uE000")]
    private static partial Regex Metric();

    /// <summary>Too little for a spoon: a syringe is marked in millilitres everywhere, and the step says so.</summary>
    [GeneratedRegex(@"^[0-9.]+ ml$")]
    private static partial Regex Syringe();

    [GeneratedRegex(@"\b\d{1,2} (?:Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec)")]
    private static partial Regex DayFirst();

    [Fact]
    public async Task A_us_household_reads_no_metric_unit_and_no_day_before_its_month_in_any_view_while_twenty_days_go_by()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = await HouseholdAsync(app, Us);
        var garden = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!;
        var views = DemoViews.Of(garden.Places);
        // What people call their own things stays as they call it, and what a label says may be typed in any unit.
        var typed = garden.Scales.Typed;
        IReadOnlyList<UnitScale>[] doses = [typed.DoseMl, typed.DoseG, typed.AreaDoseMl, typed.AreaDoseG];
        var own = garden.Sprayers.Select(x => x.Name).Concat(doses.SelectMany(d => d).Select(d => d.Word)).ToHashSet();
        var found = new SortedSet<string>(StringComparer.Ordinal);
        var read = 0;
        for (var day = 0; day <= 20; day += 5)
        {
            foreach (var view in views)
            {
                using var response = await http.GetAsync(new Uri(Api + view, UriKind.Relative), Stop);
                Assert.True(response.IsSuccessStatusCode, $"{view}: {await response.Content.ReadAsStringAsync(Stop)}");
                var answer = await response.Content.ReadFromJsonAsync<JsonElement>(Stop);
                foreach (var (field, text) in DemoViews.Texts(answer))
                {
                    read++;
                    if (
                        !Beside.Contains(field)
                        && !own.Contains(text)
                        && !(field == "measure" && Syringe().IsMatch(text))
                        && (Metric().IsMatch(text) || DayFirst().IsMatch(text))
                    )
                    {
                        found.Add($"{view.Split('?')[0].Split('/').Last()} {field}: {text}");
                    }
                }
            }

            app.Clock.Advance(TimeSpan.FromDays(5));
            await app.RefreshWeatherAsync();
        }

        Assert.True(read > 5000);
        Assert.True(found.Count == 0, string.Join("\n", found));
    }

    [Fact]
    public async Task What_was_recorded_stays_as_it_is_when_the_units_change()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var before = app.CreateClient();
        var metric = (await before.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!;
        using var http = await HouseholdAsync(app, Us);
        var us = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!;
        Assert.Equal(metric.Places.Select(p => p.AreaM2), us.Places.Select(p => p.AreaM2));
        Assert.Equal(("°C", "°F"), (metric.Scales.Temperature.Word, us.Scales.Temperature.Word));
        Assert.Equal(Us.Units, us.Units);
    }

    [Fact]
    public async Task The_calendar_tells_a_us_household_its_own_units()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = await HouseholdAsync(app, Us);
        var calendar = await http.GetStringAsync(new Uri($"{Api}/plan/calendar.ics", UriKind.Relative), Stop);
        Assert.Contains("BEGIN:VEVENT", calendar, StringComparison.Ordinal);
        Assert.DoesNotMatch(Metric(), calendar.Replace("\r\n ", "", StringComparison.Ordinal));
        Assert.DoesNotMatch(DayFirst(), calendar);
    }

    /// <summary>What is told is kept with the garden; whoever has another order of days gets it told anew.</summary>
    [Fact]
    public async Task Two_who_order_days_otherwise_read_the_same_evening_each_in_theirs()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        using var first = app.CreateClient();
        using var second = app.CreateClient();
        second.DefaultRequestHeaders.AcceptLanguage.ParseAdd("en-US");
        for (var again = 0; again < 2; again++)
        {
            Assert.Matches(DayFirst(), await first.GetStringAsync(new Uri($"{Api}/plan", UriKind.Relative), Stop));
            Assert.DoesNotMatch(DayFirst(), await second.GetStringAsync(new Uri($"{Api}/plan", UriKind.Relative), Stop));
        }
    }

    [Theory]
    [InlineData("EURO", 100, "units.currency")]
    [InlineData("eur", 100, "units.currency")]
    [InlineData("EUR", 0, "units.dropsInSpoon")]
    [InlineData("EUR", 251, "units.dropsInSpoon")]
    public async Task Money_and_droppers_that_are_none_are_refused_with_the_field(string currency, int drops, string field)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var asked = HouseholdUnits.Metric with { Currency = currency, DropsInSpoon = drops };
        var answer = await http.PutAsJsonAsync($"{Api}/settings", new GardenSettings(Stance.KeepAhead, KitchenSystem.Metric, Units: asked), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.True((await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("errors").TryGetProperty(field, out _));
        var kept = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!;
        Assert.Equal(("EUR", HouseholdUnits.UsualDropsInSpoon), (kept.Units.Currency, kept.Units.DropsInSpoon));
        Assert.NotEqual(Stance.KeepAhead, kept.Stance);
    }

    [Fact]
    public async Task A_script_asks_for_words_in_a_countrys_units_and_figures_stay_in_SI()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var ask = new
        {
            ingredients = new[]
            {
                new
                {
                    material = "neem-oil",
                    amount = 5,
                    unit = "ml",
                },
            },
            waterAmount = 1.0,
            waterUnit = "l",
            conditions = new { maxTemperatureNext6hC = 33, crop = "tomato" },
        };
        var metric = await http.SendAsync("/api/calc/mix", ask, HttpStatusCode.OK);
        var us = await http.SendAsync("/api/calc/mix?units=us", ask, HttpStatusCode.OK);
        Assert.Contains(Sentences(metric), s => Metric().IsMatch(s));
        Assert.All(Sentences(us), s => Assert.DoesNotMatch(Metric(), s));
        Assert.Equal(metric.GetProperty("strengths").GetRawText(), us.GetProperty("strengths").GetRawText());
        var refused = await http.SendAsync("/api/calc/mix?units=uk", ask, HttpStatusCode.BadRequest);
        Assert.Contains("units", refused.GetProperty("errors").EnumerateObject().Select(e => e.Name));

        static List<string> Sentences(JsonElement answer) =>
            [.. answer.GetProperty("reasons").EnumerateArray().Select(r => r.GetProperty("sentence").GetString()!)];
    }

    [Theory]
    [InlineData("wien", "Wien", "AT", "Europe/Vienna", "continental")]
    [InlineData("Köln", "Köln", "DE", "Europe/Berlin", "oceanic")]
    [InlineData("saint-denis, FR", "Saint-Denis", "FR", "Europe/Paris", "oceanic")]
    [InlineData("portland, US", "Portland", "US", "America/Los_Angeles", "oceanic")]
    [InlineData("hobart", "Hobart", "AU", "Australia/Hobart", "oceanic")]
    public async Task A_town_says_where_the_garden_lies(string typed, string name, string country, string zone, string climate)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var found = (await http.GetFromJsonAsync<List<TownAnswer>>($"/api/catalogue/towns?name={Uri.EscapeDataString(typed)}", TestApp.Json, Stop))!;
        var town = found.FirstOrDefault(t => t.Name == name && t.Country == country);
        Assert.True(town is not null, string.Join("; ", found.Select(t => $"{t.Name} {t.Country}")));
        Assert.Equal((zone, climate), (town.TimeZoneId, town.Climate));
        Assert.NotNull(TestAppCatalogue.FindClimate(town.Climate));
    }

    private static GardenCatalogue TestAppCatalogue => Store.Facts.CatalogueFiles.Read(Store.Facts.CatalogueFiles.DefaultFolder);

    [Theory]
    [InlineData("")]
    [InlineData("x")]
    [InlineData("no such town anywhere")]
    public async Task What_no_town_is_called_finds_none(string typed)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        Assert.Empty((await http.GetFromJsonAsync<List<TownAnswer>>($"/api/catalogue/towns?name={Uri.EscapeDataString(typed)}", TestApp.Json, Stop))!);
    }
}
