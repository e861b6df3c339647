using System.IO.Compression;
using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Store.Archive;
using Mauvaise.Web.Archive;
using Mauvaise.Web.Board;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using SkiaSharp;

namespace Mauvaise.Web.Tests;

public partial class ArchiveTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    [Fact]
    public async Task A_garden_goes_out_and_in_again_without_a_byte_of_difference()
    {
        byte[] first,
            photo;
        await using (var app = await TestApp.StartAsync(demo: true, historyDays: 10))
        {
            await app.RefreshWeatherAsync();
            using var http = app.CreateClient();
            photo = await SendPhotoAsync(http);
            first = await http.GetByteArrayAsync($"{Api}/archive", Stop);
        }

        await using var empty = await TestApp.StartAsync(demo: false);
        using var to = empty.CreateClient();
        var preview = await SendAsync<MergePreview>(to, "/api/archive/preview", first);
        Assert.False(preview.GardenIsHere);
        Assert.Equal((0, true), (preview.Differing, preview.Fresh > 40));
        var taken = await SendAsync<TakenIn>(to, "/api/archive?takeTheirs=false", first);
        Assert.Null(taken.BackupName);
        var second = await to.GetByteArrayAsync($"{Api}/archive", Stop);
        Assert.Equal(Recorded(first), Recorded(second));
        Assert.Equal(Entry(first, ArchiveFile.WeatherEntry), Entry(second, ArchiveFile.WeatherEntry));
        Assert.Contains("photos/", string.Join(' ', Names(second)), StringComparison.Ordinal);
        Assert.Equal(photo, await to.GetByteArrayAsync($"{Api}/photos/{PhotoId}", Stop));
        Assert.NotEmpty((await to.GetFromJsonAsync<BoardAnswer>($"{Api}/board", TestApp.Json, Stop))!.Rows);

        // Once more changes nothing, and a copy of the data was made first.
        var again = await SendAsync<TakenIn>(to, "/api/archive?takeTheirs=true", first);
        Assert.Equal((0, 0), (again.What.Fresh, again.What.Differing));
        Assert.NotNull(again.BackupName);
        Assert.Equal(Recorded(first), Recorded(await to.GetByteArrayAsync($"{Api}/archive", Stop)));
    }

    [Fact]
    public async Task What_differs_stays_or_is_taken_as_the_gardener_says()
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        var before = await http.GetByteArrayAsync($"{Api}/archive", Stop);
        await http.SendAsync($"{Api}/places", new NewPlace(Guid.NewGuid(), "Since then", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip), HttpStatusCode.Created);
        var changed = With(before, ArchiveFile.GardenEntry, text => text.Replace("\"Chapel\"", "\"Old chapel\"", StringComparison.Ordinal));
        var preview = await SendAsync<MergePreview>(http, "/api/archive/preview", changed);
        Assert.True(preview.GardenIsHere);
        Assert.Equal(1, preview.Differing);

        await SendAsync<TakenIn>(http, "/api/archive?takeTheirs=false", changed);
        Assert.DoesNotContain("Old chapel", await http.GetStringAsync($"{Api}", Stop), StringComparison.Ordinal);
        await SendAsync<TakenIn>(http, "/api/archive?takeTheirs=true", changed);
        var garden = await http.GetStringAsync($"{Api}", Stop);
        Assert.Contains("Old chapel", garden, StringComparison.Ordinal);
        Assert.Contains("Since then", garden, StringComparison.Ordinal);
        await UndoAsync(http);
        garden = await http.GetStringAsync($"{Api}", Stop);
        Assert.DoesNotContain("Old chapel", garden, StringComparison.Ordinal);
        Assert.Contains("Since then", garden, StringComparison.Ordinal);
    }

    [Fact]
    public async Task What_a_file_brought_goes_again_with_undo()
    {
        byte[] full;
        await using (var other = await TestApp.StartAsync(demo: true))
        {
            using var there = other.CreateClient();
            await there.SendAsync(
                $"{Api}/places",
                new NewPlace(Guid.NewGuid(), "By the wall", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip),
                HttpStatusCode.Created
            );
            await SendPhotoAsync(there);
            full = await there.GetByteArrayAsync($"{Api}/archive", Stop);
        }

        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var bare = await http.GetByteArrayAsync($"{Api}/archive", Stop);
        var what = (await SendAsync<TakenIn>(http, "/api/archive?takeTheirs=false", full)).What;
        Assert.Equal((1, 1), (what.Kinds.Single(k => k.Words == "places").Fresh, what.Kinds.Single(k => k.Words == "photos").Fresh));
        Assert.NotEmpty(await http.GetByteArrayAsync($"{Api}/photos/{PhotoId}", Stop));
        await UndoAsync(http);
        Assert.Equal(Recorded(bare), Recorded(await http.GetByteArrayAsync($"{Api}/archive", Stop)));
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"{Api}/photos/{PhotoId}", UriKind.Relative), Stop)).StatusCode);
    }

    [Fact]
    public async Task Pictures_of_a_file_are_drawn_anew_when_they_are_not_as_we_would_have_made_them()
    {
        byte[] good;
        await using (var app = await TestApp.StartAsync(demo: true))
        {
            using var there = app.CreateClient();
            await SendPhotoAsync(there);
            good = await there.GetByteArrayAsync($"{Api}/archive", Stop);
        }

        var image = EntryBytes(good, $"photos/{PhotoId}.jpg");
        // Where it was taken, in a segment that nothing draws.
        byte[] hidden = [.. image[..2], 0xFF, 0xE1, 0, 10, .. "47.07 N!"u8, .. image[2..]];
        await using var empty = await TestApp.StartAsync(demo: false);
        using var http = empty.CreateClient();
        using var refused = await http.PostAsync(
            new Uri("/api/archive?takeTheirs=false", UriKind.Relative),
            Body(WithBytes(good, $"photos/{PhotoId}.jpg", image[..(image.Length / 2)])),
            Stop
        );
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("archive-photo", await refused.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri(Api, UriKind.Relative), Stop)).StatusCode);

        await SendAsync<TakenIn>(http, "/api/archive?takeTheirs=false", WithBytes(good, $"photos/{PhotoId}.jpg", hidden));
        var kept = await http.GetByteArrayAsync($"{Api}/photos/{PhotoId}", Stop);
        Assert.Equal(-1, kept.AsSpan().IndexOf("47.07"u8));
        using var bitmap = SKBitmap.Decode(kept);
        Assert.Equal((64, 48), (bitmap.Width, bitmap.Height));
    }

    /// <summary>What people wrote: what calendars are told is kept beside them, whenever there is time.</summary>
    private static string Recorded(byte[] archive)
    {
        var garden = System.Text.Json.Nodes.JsonNode.Parse(Entry(archive, ArchiveFile.GardenEntry))!.AsObject();
        garden.Remove("feedEvents");
        return garden.ToJsonString();
    }

    private static async Task UndoAsync(HttpClient http)
    {
        var last = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.LastDeed!;
        Assert.Equal(HttpStatusCode.NoContent, (await http.PostAsJsonAsync($"{Api}/undo", new { deedId = last.Id }, TestApp.Json, Stop)).StatusCode);
    }

    /// <summary>Archives as earlier versions wrote them.</summary>
    public static TheoryData<string> Earlier =>
        [.. Directory.EnumerateFiles(Path.Combine(AppContext.BaseDirectory, "archives"), "*.zip").Select(f => Path.GetFileName(f)).Order()];

    [Theory]
    [MemberData(nameof(Earlier))]
    public async Task An_archive_of_every_earlier_version_comes_in(string name)
    {
        var old = await File.ReadAllBytesAsync(Path.Combine(AppContext.BaseDirectory, "archives", name), Stop);
        await using var app = await TestApp.StartAsync(demo: false);
        using var http = app.CreateClient();
        await SendAsync<TakenIn>(http, "/api/archive?takeTheirs=false", old);
        var board = (await http.GetFromJsonAsync<BoardAnswer>($"{Api}/board", TestApp.Json, Stop))!;
        Assert.Equal(10, board.Rows.Count);
        Assert.Contains(board.Rows.SelectMany(r => r.Dots), d => d.LeavesAffected > 0);
    }

    [Fact]
    public async Task Files_that_are_no_garden_are_refused_in_words_and_nothing_is_written()
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        var good = await http.GetByteArrayAsync($"{Api}/archive", Stop);
        (byte[] File, string Code)[] bad =
        [
            ([1, 2, 3, 4], "archive-broken"),
            ([], "archive-broken"),
            (good[..(good.Length / 2)], "archive-broken"),
            (Zip(("../../etc/passwd", "x")), "archive-strange"),
            (Zip(("photos/../garden.json", "x")), "archive-strange"),
            (Zip(("notes.txt", "hello")), "archive-strange"),
            (Zip((ArchiveFile.NoteEntry, "nothing else")), "archive-empty"),
            (Zip((ArchiveFile.GardenEntry, "{\"version\": 99}")), "archive-newer"),
            (Zip((ArchiveFile.GardenEntry, "{\"name\": \"x\"}")), "archive-unreadable"),
            (Zip((ArchiveFile.GardenEntry, "[1, 2")), "archive-unreadable"),
            (Zip((ArchiveFile.GardenEntry, "{\"version\": 1, \"garden\": null}")), "archive-unreadable"),
            (Bomb(), "archive-large"),
            (With(good, ArchiveFile.WeatherEntry, t => t + "Service,2026-07-01T05Z,999,,,,,,,\n"), "archive-weather"),
            (With(good, ArchiveFile.GardenEntry, t => PlaceId().Replace(t, $"\"placeId\": \"{Guid.NewGuid()}\"", 1)), "archive-rows"),
            (
                With(good, ArchiveFile.GardenEntry, t => t.Replace(DemoGarden.GardenId.ToString(), Guid.NewGuid().ToString(), StringComparison.Ordinal)),
                "archive-other-garden"
            ),
        ];
        foreach (var (file, code) in bad)
        {
            var answer = await http.PostAsync(new Uri("/api/archive?takeTheirs=true", UriKind.Relative), Body(file), Stop);
            var problem = await answer.Content.ReadFromJsonAsync<JsonElement>(Stop);
            Assert.Equal((HttpStatusCode.BadRequest, code), (answer.StatusCode, problem.GetProperty("code").GetString()));
            Assert.EndsWith(".", problem.GetProperty("title").GetString()!.TrimEnd(), StringComparison.Ordinal);
        }

        Assert.Equal(Entry(good, ArchiveFile.GardenEntry), Entry(await http.GetByteArrayAsync($"{Api}/archive", Stop), ArchiveFile.GardenEntry));
    }

    [Theory]
    [InlineData("\"areaM2\": ", "-4, \"was\": ", "places, row 1, areaM2")]
    [InlineData("\"leavesAffected\": ", "900, \"was\": ", "observations, row 1, leavesAffected")]
    [InlineData("\"timeZoneId\": ", "\"Mars/Olympus\", \"was\": ", "garden, row 1, timeZoneId")]
    [InlineData("\"shareWetted\": ", "7, \"was\": ", "applications, row 1, treated.shareWetted")]
    [InlineData("\"latitude\": ", "1e300, \"was\": ", "garden, row 1, latitude")]
    public async Task A_row_that_no_request_could_write_is_told_with_its_place_and_nothing_is_taken_in(string field, string wrong, string told)
    {
        await using var app = await TestApp.StartAsync(demo: true, historyDays: 1);
        using var http = app.CreateClient();
        var good = await http.GetByteArrayAsync($"{Api}/archive", Stop);
        var bad = With(good, ArchiveFile.GardenEntry, t =>
        {
            var at = t.IndexOf(field, StringComparison.Ordinal);
            Assert.True(at > 0, field);
            return t[..(at + field.Length)] + wrong + t[(at + field.Length)..];
        });
        var answer = await http.PostAsync(new Uri("/api/archive?takeTheirs=true", UriKind.Relative), Body(bad), Stop);
        var problem = await answer.Content.ReadFromJsonAsync<JsonElement>(Stop);
        Assert.Equal((HttpStatusCode.BadRequest, "archive-rows"), (answer.StatusCode, problem.GetProperty("code").GetString()));
        Assert.Contains(told, problem.GetProperty("title").GetString(), StringComparison.Ordinal);
        Assert.Equal(Entry(good, ArchiveFile.GardenEntry), Entry(await http.GetByteArrayAsync($"{Api}/archive", Stop), ArchiveFile.GardenEntry));
    }

    private static readonly string[] Renamed =
    [
        "courgette",
        "powdery-mildew",
        "neem-oil",
        "neem-with-soap",
        "bicarbonate",
        "white-dust",
        "continental",
        "spider-mite",
    ];

    /// <summary>From a newer Mauvaise, or another catalogue: it is shown under its name, and no view is lost for it.</summary>
    [Fact]
    public async Task What_this_catalogue_does_not_know_comes_in_and_breaks_no_view()
    {
        byte[] file;
        await using (var demo = await TestApp.StartAsync(demo: true, historyDays: 30))
        {
            await demo.RefreshWeatherAsync();
            using var from = demo.CreateClient();
            file = With(await from.GetByteArrayAsync($"{Api}/archive", Stop), ArchiveFile.GardenEntry, t =>
                Renamed.Aggregate(t, (text, id) => text.Replace($"\"{id}\"", $"\"moon-{id}\"", StringComparison.Ordinal))
            );
        }

        await using var app = await TestApp.StartAsync(demo: false);
        using var http = app.CreateClient();
        await SendAsync<TakenIn>(http, "/api/archive?takeTheirs=false", file);
        var garden = (await http.GetFromJsonAsync<Mauvaise.Web.Gardens.GardenAnswer>(Api, TestApp.Json, Stop))!;
        var moon = garden.Places.SelectMany(p => p.Plantings).First(p => p.Variety?.Contains("moon-courgette", StringComparison.Ordinal) == true);
        Assert.Equal("another-crop", moon.Crop);
        var place = garden.Places.First(p => p.Plantings.Contains(moon)).Id;
        foreach (
            var view in new[]
            {
                "board",
                "decide",
                "plan",
                "plan/calendar.ics",
                "ledger",
                "ledger.csv",
                "almanac",
                "learned",
                "shelf",
                "shelf/shopping",
                "trials",
                "check-backs",
                "walks/order",
                "weather/days",
                $"decide?planting={moon.Id}",
                $"places/{place}/outlook",
                $"places/{place}/story",
                $"plantings/{moon.Id}/observations",
                $"plantings/{moon.Id}/sample",
                $"bench?planting={moon.Id}",
                $"windows?planting={moon.Id}&material=castile-soap",
                "archive",
            }
        )
        {
            var answer = await http.GetAsync(new Uri($"{Api}/{view}", UriKind.Relative), Stop);
            Assert.True((int)answer.StatusCode < 500, $"{view}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync(Stop)}");
        }

        // What is not understood is kept as it came.
        Assert.Contains("moon-neem-oil", Entry(await http.GetByteArrayAsync($"{Api}/archive", Stop), ArchiveFile.GardenEntry), StringComparison.Ordinal);
    }

    [Fact]
    public void The_schema_names_every_list_of_the_archive()
    {
        var properties = JsonDocument.Parse(GardenArchive.Schema()).RootElement.GetProperty("properties");
        Assert.All(typeof(GardenArchive).GetProperties().Where(p => !p.GetMethod!.IsStatic), p =>
            Assert.True(properties.TryGetProperty(JsonNamingPolicy.CamelCase.ConvertName(p.Name), out _))
        );
    }

    private static readonly Guid PhotoId = Guid.NewGuid();

    private static async Task<byte[]> SendPhotoAsync(HttpClient http)
    {
        var board = (await http.GetFromJsonAsync<BoardAnswer>($"{Api}/board", TestApp.Json, Stop))!;
        var content = new ByteArrayContent(PhotoTests.Picture(64, 48, SKEncodedImageFormat.Jpeg));
        content.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        (
            await http.PutAsync(
                new Uri($"{Api}/observations/{board.Rows.SelectMany(r => r.Dots).First().ObservationId}/photos/{PhotoId}", UriKind.Relative),
                content,
                Stop
            )
        ).EnsureSuccessStatusCode();
        return await http.GetByteArrayAsync($"{Api}/photos/{PhotoId}", Stop);
    }

    internal static async Task<T> SendAsync<T>(HttpClient http, string path, byte[] file)
    {
        var answer = await http.PostAsync(new Uri(path, UriKind.Relative), Body(file), Stop);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync(Stop));
        return (await answer.Content.ReadFromJsonAsync<T>(TestApp.Json, Stop))!;
    }

    internal static ByteArrayContent Body(byte[] file) => new(file) { Headers = { ContentType = new MediaTypeHeaderValue("application/zip") } };

    [GeneratedRegex("\"placeId\": \"[^\"]+\"")]
    private static partial Regex PlaceId();

    private static string Entry(byte[] zip, string name)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        using var reader = new StreamReader(archive.GetEntry(name)!.Open());
        return reader.ReadToEnd();
    }

    private static byte[] EntryBytes(byte[] zip, string name)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        using var entry = archive.GetEntry(name)!.Open();
        using var bytes = new MemoryStream();
        entry.CopyTo(bytes);
        return bytes.ToArray();
    }

    /// <summary>The file with other bytes under one of its names.</summary>
    private static byte[] WithBytes(byte[] zip, string name, byte[] bytes)
    {
        using var file = new MemoryStream();
        file.Write(zip);
        using (var archive = new ZipArchive(file, ZipArchiveMode.Update, leaveOpen: true))
        {
            archive.GetEntry(name)!.Delete();
            using var entry = archive.CreateEntry(name).Open();
            entry.Write(bytes);
        }

        return file.ToArray();
    }

    private static List<string> Names(byte[] zip)
    {
        using var archive = new ZipArchive(new MemoryStream(zip));
        return [.. archive.Entries.Select(e => e.FullName)];
    }

    private static byte[] Zip(params (string Name, string Text)[] entries)
    {
        using var file = new MemoryStream();
        using (var zip = new ZipArchive(file, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (name, text) in entries)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(Encoding.UTF8.GetBytes(text));
            }
        }

        return file.ToArray();
    }

    internal static byte[] With(byte[] zip, string name, Func<string, string> change) =>
        Zip([.. Names(zip).Where(n => !n.StartsWith("photos/", StringComparison.Ordinal)).Select(n => (n, n == name ? change(Entry(zip, n)) : Entry(zip, n)))]);

    /// <summary>An archive of a garden before anything was recorded in it.</summary>
    internal static byte[] WithoutRecords(byte[] archive) => With(archive, ArchiveFile.GardenEntry, text =>
        {
            var garden = System.Text.Json.Nodes.JsonNode.Parse(text)!.AsObject();
            foreach (
                var list in (string[])
                    ["walks", "observations", "photos", "batches", "applications", "tasks", "checkBacks", "courses", "corrections", "trials", "trialCounts"]
            )
            {
                garden[list] = new System.Text.Json.Nodes.JsonArray();
            }

            return garden.ToJsonString();
        });

    /// <summary>A picture's name, and 20 MB of noughts behind it.</summary>
    private static byte[] Bomb() => Zip(($"photos/{Guid.Empty}.jpg", new string('0', 20 * 1024 * 1024)));
}
