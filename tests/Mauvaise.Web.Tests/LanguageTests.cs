using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.RegularExpressions;
using Mauvaise.Store.Facts;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;

namespace Mauvaise.Web.Tests;

/// <summary>Whoever asks in a language is answered in it.</summary>
public partial class LanguageTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    [GeneratedRegex(@"\p{L}{4,}")]
    private static partial Regex Word();

    /// <summary>A code, an address, an instant: nothing that a reader reads.</summary>
    [GeneratedRegex(@"^[a-z0-9][A-Za-z0-9_./:?=&#-]*$|^[0-9T:.+-]+Z?$|^/")]
    private static partial Regex NoSentence();

    /// <summary>What people wrote and called things themselves stays as they wrote it.</summary>
    private static readonly HashSet<string> Own = ["note", "timeZoneId", "latinName", "source", "words", "lastDeed", "id"];

    /// <summary>Names of bottles on the shelf and of trials are the household's.</summary>
    private static bool OfTheHousehold(string view, string field) =>
        field switch
        {
            "name" or "materialName" => view is "/shelf" or "/trials",
            "where" => view is "/learned",
            _ => false,
        };

    /// <summary>A note, as somebody wrote it.</summary>
    [GeneratedRegex("\"[^\"]*\"")]
    private static partial Regex Quoted();

    /// <summary>Words that English texts have and those of another language have not.</summary>
    private static HashSet<string> EnglishOnly(string other, IEnumerable<string> own)
    {
        static IEnumerable<string> Of(string language) =>
            Directory
                .EnumerateFiles(Path.Combine(Repository, "languages", language), "*.json")
                .SelectMany(f => DemoViews.Texts(JsonDocument.Parse(File.ReadAllText(f)).RootElement))
                .Select(t => t.Text);
        var english = Of("en")
            .Concat(
                CatalogueFiles.Kinds.Keys.SelectMany(k =>
                    CatalogueWords.All(k, CatalogueFiles.ToJson(File.ReadAllText(Path.Combine(CatalogueFiles.DefaultFolder, k + ".yaml"))))
                )
            );
        // A hole is filled with something else.
        static IEnumerable<string> Words(IEnumerable<string> texts) =>
            texts.SelectMany(t => Word().Matches(Regex.Replace(t, @"\{[^}]*\}", " ")).Select(m => m.Value.ToLowerInvariant()));
        return [.. Words(english).Except(Words(Of(other))).Except(Words(own))];
    }

    private static string Repository
    {
        get
        {
            var folder = new DirectoryInfo(AppContext.BaseDirectory);
            while (!Directory.Exists(Path.Combine(folder.FullName, "languages")))
            {
                folder = folder.Parent!;
            }

            return folder.FullName;
        }
    }

    [Theory]
    [InlineData("de", "de-AT,de;q=0.9,en;q=0.5")]
    [InlineData("es", "es-MX,es;q=0.9,en;q=0.5")]
    public async Task A_reader_of_another_language_finds_no_english_word_in_any_view_while_twenty_days_go_by(string language, string wanted)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        using var http = app.CreateClient();
        http.DefaultRequestHeaders.Add("Accept-Language", wanted);
        var garden = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!;
        // A product that the household named itself.
        var english = EnglishOnly(
            language,
            [
                "Caterpillar Bt",
                garden.Name,
                .. garden.Places.Select(p => p.Name),
                .. garden.Members.Select(m => m.Name),
                .. garden.Sprayers.Select(x => x.Name),
                .. garden.Places.SelectMany(p => p.Plantings).Select(p => p.Variety ?? ""),
            ]
        );
        Assert.True(english.Count > 1500, "The words were found.");
        var found = new SortedSet<string>(StringComparer.Ordinal);
        var read = 0;
        for (var day = 0; day <= 20; day += 5)
        {
            foreach (var view in DemoViews.Of(garden.Places))
            {
                var answer = await http.GetFromJsonAsync<JsonElement>(new Uri(Api + view, UriKind.Relative), Stop);
                foreach (
                    var (field, text) in DemoViews
                        .Texts(answer)
                        .Where(t => !Own.Contains(t.Field) && !OfTheHousehold(view, t.Field) && !NoSentence().IsMatch(t.Text))
                )
                {
                    read++;
                    if (Word().Matches(Quoted().Replace(text, "")).FirstOrDefault(m => english.Contains(m.Value.ToLowerInvariant())) is { } word)
                    {
                        found.Add($"{view.Split('?')[0].Split('/').Last()} {field}: {text} ({word.Value})");
                    }
                }
            }

            app.Clock.Advance(TimeSpan.FromDays(5));
            await app.RefreshWeatherAsync();
        }

        Assert.True(read > 3000, $"{read} texts");
        Assert.True(found.Count == 0, string.Join("\n", found));
    }

    [Fact]
    public async Task Two_readers_of_one_garden_are_each_answered_in_their_language()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var german = app.CreateClient();
        german.DefaultRequestHeaders.Add("Accept-Language", "de");
        using var english = app.CreateClient();
        for (var again = 0; again < 2; again++)
        {
            var own = await german.GetStringAsync(new Uri($"{Api}/decide", UriKind.Relative), Stop);
            var other = await english.GetStringAsync(new Uri($"{Api}/decide", UriKind.Relative), Stop);
            Assert.Contains("Echter Mehltau", own, StringComparison.Ordinal);
            Assert.Contains("owdery mildew", other, StringComparison.Ordinal);
            Assert.DoesNotContain("owdery mildew", own, StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task A_refusal_is_told_in_the_readers_language()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        http.DefaultRequestHeaders.Add("Accept-Language", "de");
        using var refused = await http.PostAsJsonAsync(
            "/api/calc/suspects",
            new
            {
                crop = "tomatto",
                placeKind = "openBed",
                date = "2026-07-16",
                latitude = 48,
                signs = new[] { new { sign = "white-dust", present = true } },
            },
            Stop
        );
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("Diese Kultur steht nicht im Katalog", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Letters_and_calendar_speak_what_the_garden_was_told_to_speak()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        using var http = app.CreateClient();
        await http.SendPutAsync(
            $"{Api}/settings",
            new GardenSettings(Core.Gardens.Stance.WatchAndTreat, Core.Measures.KitchenSystem.Metric, Language: "de"),
            HttpStatusCode.NoContent
        );
        var calendar = (await http.GetStringAsync(new Uri($"{Api}/plan/calendar.ics", UriKind.Relative), Stop)).Replace("\r\n ", "", StringComparison.Ordinal);
        Assert.Contains("Durchgang", calendar, StringComparison.Ordinal);
        Assert.DoesNotContain(", round ", calendar, StringComparison.Ordinal);
        using var unknown = await http.PutAsJsonAsync(
            $"{Api}/settings",
            new GardenSettings(Core.Gardens.Stance.WatchAndTreat, Core.Measures.KitchenSystem.Metric, Language: "xx"),
            TestApp.Json,
            Stop
        );
        Assert.Equal(HttpStatusCode.BadRequest, unknown.StatusCode);
    }
}
