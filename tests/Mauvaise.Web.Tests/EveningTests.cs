using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.StandIns;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Board;
using Mauvaise.Web.CheckBacks;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Sprays;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Walk;
using Mauvaise.Web.Windows;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Mauvaise.Web.Tests;

public sealed class EveningTests : IAsyncLifetime
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private TestApp app = null!;
    private HttpClient http = null!;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public async Task The_whole_evening_from_count_to_verdict()
    {
        await app.RefreshWeatherAsync();
        var seen = await CountAsync(21, 5, "white-dust", "old-leaves-first");
        var suspects = await GetAsync<SuspectsAnswer>($"observations/{seen.Id}/suspects");
        Assert.Equal("powdery-mildew", suspects.Suspects[0].Target);
        await PostAsync($"observations/{seen.Id}/answers", new SignAnswer("rubs-off", true), HttpStatusCode.NoContent);
        var surer = await GetAsync<SuspectsAnswer>($"observations/{seen.Id}/suspects");
        Assert.True(surer.Suspects[0].Probability > suspects.Suspects[0].Probability);
        (await http.PutAsJsonAsync($"observations/{seen.Id}/name", new NameGiven("powdery-mildew"), TestApp.Json, Stop)).EnsureSuccessStatusCode();

        var bench = await GetAsync<BenchAnswer>($"bench?planting={Courgette}&target=powdery-mildew");
        Assert.Equal(bench.Recipe, bench.Options.First(o => o.Allowed).Recipe);
        var batch = await MixAsync(bench.Recipe, bench.Size);

        var windows = await GetAsync<WindowsAnswer>($"windows?planting={Courgette}&material={batch.Material}");
        Assert.Contains(windows.Hours, h => h.Verdict == Core.Sky.Verdict.Good);
        Assert.All(windows.Hours.Where(h => h.Verdict == Core.Sky.Verdict.Never), h => Assert.NotEmpty(h.Rules[0].Sentence));

        app.Clock.Advance(TimeSpan.FromHours(2));
        var spray = await PostAsync<ApplicationAnswer>(
            "applications",
            new NewApplication(Guid.NewGuid(), batch.Id, [Courgette], batch.Litres),
            HttpStatusCode.Created
        );
        Assert.Equal(new DateOnly(2026, 7, 19), spray.CheckBackOn);
        var board = await GetAsync<BoardAnswer>("board");
        var chapel = board.Rows.Single(r => r.Name == "Chapel");
        Assert.Contains(chapel.Bands, b => b.ApplicationId == spray.Id && Math.Abs(b.Points[0] - 0.9) < 0.001);

        app.Clock.Advance(TimeSpan.FromDays(3));
        var due = (await GetAsync<BoardAnswer>("board")).Evening.Deeds.First(d =>
            d.Kind == Core.Planning.DeedKind.CheckBack && d.PlantingIds.Contains(Courgette)
        );
        var verdict = await PostAsync<CheckBackAnswer>(
            $"check-backs/{due.CheckBackId}/count",
            new CheckBackCount(Count(Guid.NewGuid(), 20, 0), Injury.None),
            HttpStatusCode.OK
        );
        Assert.Equal(Outcome.Cleared, verdict.Outcome);
        Assert.Contains("down from 24 %", verdict.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_repeated_send_writes_once()
    {
        var body = Count(Guid.NewGuid(), 10, 2);
        await PostAsync("observations", body, HttpStatusCode.Created);
        await PostAsync("observations", body, HttpStatusCode.Created);
        var kept = await GetAsync<List<ObservationAnswer>>($"plantings/{Courgette}/observations");
        Assert.Single(kept, o => o.Id == body.Id);
    }

    [Fact]
    public async Task Undo_takes_back_the_last_write_and_only_that()
    {
        var seen = await CountAsync(10, 2, "white-dust");
        (await http.PutAsJsonAsync($"observations/{seen.Id}/name", new NameGiven("powdery-mildew"), TestApp.Json, Stop)).EnsureSuccessStatusCode();
        var naming = (await GetAsync<GardenAnswer>("")).LastDeed!;
        await PostAsync("undo", new { deedId = naming.Id - 1 }, HttpStatusCode.Conflict);
        await PostAsync("undo", new { deedId = naming.Id }, HttpStatusCode.NoContent);
        Assert.Null((await GetAsync<ObservationAnswer>($"observations/{seen.Id}")).Named);
        await PostAsync("undo", new { deedId = naming.Id }, HttpStatusCode.NoContent);
        var noting = (await GetAsync<GardenAnswer>("")).LastDeed!;
        await PostAsync("undo", new { deedId = noting.Id }, HttpStatusCode.NoContent);
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"observations/{seen.Id}", UriKind.Relative), Stop)).StatusCode);
    }

    [Fact]
    public async Task A_looker_may_not_write()
    {
        var noor = (await GetAsync<GardenAnswer>("")).Members.Single(m => m.Role == Role.Looker);
        var problem = await PostAsync("observations", Count(Guid.NewGuid(), 10, 2) with { MemberId = noor.Id }, HttpStatusCode.Conflict);
        Assert.Equal("only-looks", problem.GetProperty("code").GetString());
    }

    [Theory]
    [InlineData(5, 6, "affected-over-looked", "leavesAffected")]
    [InlineData(5, -1, "affected-negative", "leavesAffected")]
    [InlineData(-1, 0, "leaves-range", "leavesLooked")]
    [InlineData(1001, 0, "leaves-range", "leavesLooked")]
    [InlineData(0, 0, "nothing-noted", "leavesLooked")]
    public async Task A_count_that_can_not_be_is_refused_beside_its_field(int looked, int affected, string code, string field)
    {
        var problem = await PostAsync("observations", Count(Guid.NewGuid(), looked, affected), HttpStatusCode.BadRequest);
        Assert.Equal(code, problem.GetProperty("code").GetString());
        Assert.NotEmpty(problem.GetProperty("errors").GetProperty(field)[0].GetString()!);
    }

    [Fact]
    public async Task An_unknown_sign_or_planting_is_refused()
    {
        var unknown = Count(Guid.NewGuid(), 10, 1) with { Signs = [new SeenSign("unicorn", true)] };
        Assert.Equal("sign-unknown", (await PostAsync("observations", unknown, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
        var gone = Count(Guid.NewGuid(), 10, 1) with { PlantingId = DemoGarden.PlantingId("Lower Gate/pea") };
        Assert.Equal("planting-not-growing", (await PostAsync("observations", gone, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
    }

    [Fact]
    public async Task A_mix_that_is_refused_can_not_be_saved()
    {
        var pak = DemoGarden.PlantingId("Window rack/pak-choi");
        var problem = await PostAsync(
            "batches",
            new NewBatch(Guid.NewGuid(), [pak], "insecticidal-soap", DoseStep.Strong, 0.1, null, PatchTest: true),
            HttpStatusCode.Conflict
        );
        Assert.Equal("mix-tender", problem.GetProperty("code").GetString());
        var label = await PostAsync("batches", new NewBatch(Guid.NewGuid(), [pak], "sulfur", DoseStep.Gentle, 1, null), HttpStatusCode.BadRequest);
        Assert.Equal("label-dose", label.GetProperty("code").GetString());
    }

    [Fact]
    public async Task No_more_goes_on_than_was_in_the_bottle_nor_after_its_use_by_nor_ahead_of_time()
    {
        var batch = await MixAsync("neem-with-soap", 1);
        async Task<string?> Code(NewApplication a) => (await PostAsync("applications", a, HttpStatusCode.BadRequest)).GetProperty("code").GetString();
        var good = new NewApplication(Guid.NewGuid(), batch.Id, [Courgette], 1);
        Assert.Equal("litres-over-bottle", await Code(good with { Litres = 1.2 }));
        Assert.Equal("time-ahead", await Code(good with { At = app.Clock.GetUtcNow().AddHours(1) }));
        Assert.Equal("before-mixing", await Code(good with { At = app.Clock.GetUtcNow().AddHours(-1) }));
        Assert.Equal("batch-unknown", await Code(good with { BatchId = Guid.NewGuid() }));
        app.Clock.Advance(TimeSpan.FromHours(25));
        Assert.Equal("past-use-by", await Code(good));
    }

    [Fact]
    public async Task A_check_back_is_judged_once()
    {
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).First(c => c.Due);
        var count = Count(Guid.NewGuid(), 20, 3) with { PlantingId = visit.PlantingId };
        await PostAsync($"check-backs/{visit.Id}/count", new CheckBackCount(count, Injury.Slight), HttpStatusCode.OK);
        await PostAsync($"check-backs/{visit.Id}/count", new CheckBackCount(count, Injury.Slight), HttpStatusCode.OK);
        var again = await PostAsync(
            $"check-backs/{visit.Id}/count",
            new CheckBackCount(count with { Id = Guid.NewGuid() }, Injury.None),
            HttpStatusCode.BadRequest
        );
        Assert.Equal("already-judged", again.GetProperty("code").GetString());
    }

    [Theory]
    [InlineData(2, null, 0, "2 of those that you touched move, and yet no leaf")]
    [InlineData(0, 30, 12, "None of the 30 that you touched moves, and yet 12 leaves")]
    [InlineData(0, 1, 1, "The one that you touched does not move, and yet 1 leaf was counted")]
    [InlineData(2, 1, 3, null)]
    [InlineData(0, 4, 0, null)]
    public async Task What_was_touched_and_what_was_counted_are_asked_about_when_they_disagree(int? alive, int? dead, int living, string? asked)
    {
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).First(c => c.Due && !c.PatchTest);
        var count = new CheckBackCount(Count(Guid.NewGuid(), 30, living) with { PlantingId = visit.PlantingId }, Injury.None, null, alive, dead, OnlyDead: 5);
        if (asked is null)
        {
            Assert.Equal(5, (await PostAsync<CheckBackAnswer>($"check-backs/{visit.Id}/count", count, HttpStatusCode.OK)).OnlyDead);
            return;
        }

        var question = await PostAsync($"check-backs/{visit.Id}/count", count, HttpStatusCode.BadRequest);
        Assert.Contains(asked, question.GetProperty("errors").GetProperty("certain")[0].GetString(), StringComparison.Ordinal);
        Assert.Null((await GetAsync<CheckBackAnswer>($"check-backs/{visit.Id}")).DoneAt);
        Assert.NotNull((await PostAsync<CheckBackAnswer>($"check-backs/{visit.Id}/count", count with { Certain = true }, HttpStatusCode.OK)).DoneAt);
    }

    [Fact]
    public async Task More_leaves_with_dead_ones_than_were_looked_at_are_refused()
    {
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).First(c => c.Due && !c.PatchTest);
        var count = new CheckBackCount(Count(Guid.NewGuid(), 20, 10) with { PlantingId = visit.PlantingId }, Injury.None, OnlyDead: 11);
        Assert.Equal("only-dead-range", (await PostAsync($"check-backs/{visit.Id}/count", count, HttpStatusCode.BadRequest)).GetProperty("code").GetString());
    }

    [Fact]
    public async Task A_walks_count_since_it_was_due_judges_a_check_back_and_no_other_does()
    {
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).First(c => c.Due && !c.PatchTest);
        var look = Count(Guid.NewGuid(), 20, 0) with { PlantingId = visit.PlantingId };
        await PostAsync("observations", look, HttpStatusCode.Created);
        Assert.Equal(look.Id, (await GetAsync<CheckBackAnswer>($"check-backs/{visit.Id}")).CountedSince!.ObservationId);
        var other = await PostAsync($"check-backs/{visit.Id}/by-count", new JudgedByCount(Guid.NewGuid(), Injury.None), HttpStatusCode.BadRequest);
        Assert.Equal("count-not-fit", other.GetProperty("code").GetString());
        var judged = await PostAsync<CheckBackAnswer>($"check-backs/{visit.Id}/by-count", new JudgedByCount(look.Id, Injury.Slight), HttpStatusCode.OK);
        Assert.Equal((Outcome.Cleared, Injury.Slight, 20), (judged.Outcome, judged.Injury, judged.After!.LeavesLooked));
        await PostAsync($"check-backs/{visit.Id}/by-count", new JudgedByCount(look.Id, Injury.Slight), HttpStatusCode.OK);
        Assert.Null((await GetAsync<CheckBackAnswer>($"check-backs/{visit.Id}")).CountedSince);
    }

    [Fact]
    public async Task Hosed_off_they_are_counted_in_two_days_once_however_often_it_is_sent()
    {
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).First(c => c.Due && c.CanHose);
        var hosed = new HosedOff(Guid.NewGuid());
        foreach (var _ in new[] { 1, 2 })
        {
            Assert.Equal(new DateOnly(2026, 7, 18), (await PostAsync<CheckBackAnswer>($"check-backs/{visit.Id}/hose", hosed, HttpStatusCode.OK)).DueOn);
        }

        Assert.DoesNotContain((await GetAsync<BoardAnswer>("board")).Evening.Deeds, d => d.CheckBackId == visit.Id);
    }

    [Fact]
    public async Task A_check_back_made_out_of_reach_says_when_and_not_before_its_spray()
    {
        var visit = (await GetAsync<List<CheckBackAnswer>>("check-backs")).First(c => c.Due);
        var count = Count(Guid.NewGuid(), 20, 3) with { PlantingId = visit.PlantingId };
        var early = await PostAsync(
            $"check-backs/{visit.Id}/count",
            new CheckBackCount(count with { At = visit.DoneWhatAt.AddMinutes(-5) }, Injury.None),
            HttpStatusCode.BadRequest
        );
        Assert.Equal("before-spray", early.GetProperty("code").GetString());
        var looked = app.Clock.GetUtcNow().AddHours(-3);
        var judged = await PostAsync<CheckBackAnswer>(
            $"check-backs/{visit.Id}/count",
            new CheckBackCount(count with { At = looked }, Injury.None),
            HttpStatusCode.OK
        );
        Assert.Equal((looked, looked), (judged.DoneAt, judged.After!.At));
    }

    [Theory]
    [InlineData("down", "does not answer")]
    [InlineData("nonsense", "something that is no weather")]
    [InlineData("wrong", "impossible values")]
    [InlineData("slow", "does not answer")]
    public async Task A_weather_service_in_trouble_leaves_what_is_known_and_says_so(string trouble, string told)
    {
        await app.RefreshWeatherAsync();
        var before = (await GetAsync<BoardAnswer>("board")).Sky;
        await app.SetMoodAsync(
            new Mood(SlowSeconds: trouble == "slow" ? 60 : 0, Down: trouble == "down", Nonsense: trouble == "nonsense", Wrong: trouble == "wrong")
        );
        await app.RefreshWeatherAsync();
        var board = await GetAsync<BoardAnswer>("board");
        Assert.True(board.Weather.Stale);
        Assert.Contains(told, board.Weather.Sentence, StringComparison.Ordinal);
        Assert.Equal(before.TemperatureC, board.Sky.TemperatureC);
        await app.SetMoodAsync(new Mood());
        await app.RefreshWeatherAsync();
        Assert.False((await GetAsync<BoardAnswer>("board")).Weather.Stale);
    }

    [Fact]
    public async Task Without_weather_the_board_still_answers_and_names_no_hour_outdoors()
    {
        await app.SetMoodAsync(new Mood(Down: true));
        await app.RefreshWeatherAsync();
        using var scope = app.Services.CreateScope();
        await scope.ServiceProvider.GetRequiredService<Store.GardenDb>().WeatherDays.ExecuteDeleteAsync(Stop);
        var board = await GetAsync<BoardAnswer>("board");
        Assert.Equal(10, board.Rows.Count);
        Assert.NotEmpty(board.Evening.WindowSentence);
        // On the window sill the hours are known all the same.
        Assert.True(board.Evening.Window is null || board.Evening.Window.Sentence.Contains("No wind under cover", StringComparison.Ordinal));
    }

    private static NewObservation Count(Guid id, int looked, int affected, params string[] signs) =>
        new(id, Courgette, looked, affected, Ants.None, 0, 0, [.. signs.Select(s => new SeenSign(s, true))]);

    private Task<ObservationAnswer> CountAsync(int looked, int affected, params string[] signs) =>
        PostAsync<ObservationAnswer>("observations", Count(Guid.NewGuid(), looked, affected, signs), HttpStatusCode.Created);

    private Task<BatchAnswer> MixAsync(string recipe, double litres) =>
        PostAsync<BatchAnswer>("batches", new NewBatch(Guid.NewGuid(), [Courgette], recipe, DoseStep.Gentle, litres, "powdery-mildew"), HttpStatusCode.Created);

    private async Task<T> GetAsync<T>(string path) =>
        (await http.GetFromJsonAsync<T>(path.Length == 0 ? http.BaseAddress!.ToString().TrimEnd('/') : path, TestApp.Json, Stop))!;

    private Task<JsonElement> PostAsync(string path, object body, HttpStatusCode expected) => http.SendAsync(path, body, expected);

    private async Task<T> PostAsync<T>(string path, object body, HttpStatusCode expected) =>
        (await PostAsync(path, body, expected)).Deserialize<T>(TestApp.Json)!;
}
