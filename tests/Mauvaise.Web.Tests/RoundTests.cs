using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Walk;

namespace Mauvaise.Web.Tests;

/// <summary>The walk as a round, and what is noted on it, against the demo garden.</summary>
public sealed class RoundTests : IAsyncLifetime
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

    private static NewObservation Look(int looked, int affected, params string[] signs) =>
        new(Guid.NewGuid(), Courgette, looked, affected, Ants.None, 0, 0, [.. signs.Select(s => new SeenSign(s, true))]);

    private async Task<T> GetAsync<T>(string path) => (await http.GetFromJsonAsync<T>(path, TestApp.Json, Stop))!;

    private Task<JsonElement> NoteAsync(NewObservation body, HttpStatusCode expected = HttpStatusCode.Created) =>
        http.SendAsync("observations", body, expected);

    private async Task PutAsync(string path, object body, HttpStatusCode expected = HttpStatusCode.NoContent)
    {
        var answer = await http.PutAsJsonAsync(path, body, TestApp.Json, Stop);
        Assert.True(expected == answer.StatusCode, $"{(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync(Stop)}");
    }

    private async Task RefusedAsync(NewObservation body, string field, string code)
    {
        var before = (await GetAsync<List<ObservationAnswer>>($"plantings/{Courgette}/observations")).Count;
        var problem = await NoteAsync(body, HttpStatusCode.BadRequest);
        Assert.Equal(code, problem.GetProperty("code").GetString());
        Assert.NotEmpty(problem.GetProperty("errors").GetProperty(field)[0].GetString()!);
        Assert.Equal(before, (await GetAsync<List<ObservationAnswer>>($"plantings/{Courgette}/observations")).Count);
    }

    [Fact]
    public async Task The_round_holds_every_growing_place_once_with_its_plantings()
    {
        var round = await GetAsync<RoundAnswer>("round");
        Assert.Null(round.Walk);
        Assert.Equal(10, round.Stops.Count);
        Assert.Equal(10, round.Stops.Select(s => s.PlaceId).Distinct().Count());
        Assert.All(round.Stops, s => Assert.NotEmpty(s.Why));
        Assert.All(round.Stops.SelectMany(s => s.Plantings), p =>
        {
            Assert.NotEmpty(p.Watch);
            Assert.Contains(round.StopLines, l => Math.Abs(l.Line - p.Line) < 1e-12);
        });
        Assert.All(round.StopLines, l => Assert.Equal(l.BelowAtMost.Count, l.AboveAtLeast.Count));
    }

    [Fact]
    public async Task A_bed_that_two_counted_becomes_one_look_and_two_again()
    {
        var walk = Guid.NewGuid();
        await PutAsync($"walks/{walk}", new WalkStart());
        var first = Look(20, 4, "white-dust") with { WalkId = walk, At = app.Clock.GetUtcNow().AddMinutes(-5) };
        var second = Look(10, 5, "rubs-off") with { WalkId = walk };
        await NoteAsync(first);
        await NoteAsync(second);
        var twice = Assert.Single((await GetAsync<RoundAnswer>("round")).Walk!.Twice);
        Assert.Equal((first.Id, second.Id), (twice.First.Id, twice.Second.Id));

        var together = $"looks/{first.Id}/together/{second.Id}";
        await http.SendAsync(together, new WalkDeed(), HttpStatusCode.NoContent);
        var one = await GetAsync<ObservationAnswer>($"observations/{first.Id}");
        Assert.Equal((30, 9), (one.LeavesLooked, one.LeavesAffected));
        Assert.Equal(["rubs-off", "white-dust"], one.Signs.Select(s => s.Sign).Order());
        Assert.Empty((await GetAsync<RoundAnswer>("round")).Walk!.Twice);
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"observations/{second.Id}", UriKind.Relative), Stop)).StatusCode);
        // Sent again it finds nothing to do, and says so.
        var again = await http.SendAsync(together, new WalkDeed(), HttpStatusCode.Conflict);
        Assert.Equal("not-twice", again.GetProperty("code").GetString());

        var garden = (await http.GetFromJsonAsync<GardenAnswer>(http.BaseAddress!.ToString().TrimEnd('/'), TestApp.Json, Stop))!;
        await http.SendAsync("undo", new { deedId = garden.LastDeed!.Id }, HttpStatusCode.NoContent);
        Assert.Equal(20, (await GetAsync<ObservationAnswer>($"observations/{first.Id}")).LeavesLooked);
        Assert.Equal(5, (await GetAsync<ObservationAnswer>($"observations/{second.Id}")).LeavesAffected);
    }

    [Fact]
    public async Task A_walk_is_begun_skips_a_place_goes_on_and_ends()
    {
        var walk = Guid.NewGuid();
        await PutAsync($"walks/{walk}", new WalkStart());
        await PutAsync($"walks/{walk}", new WalkStart());
        var towpath = (await GetAsync<RoundAnswer>("round")).Stops.First(s => s.Place == "Towpath").PlaceId;
        await PutAsync($"walks/{walk}/skipped/{towpath}", new WalkDeed());
        await PutAsync($"walks/{walk}/skipped/{towpath}", new WalkDeed());
        await NoteAsync(Look(20, 4, "white-dust") with { WalkId = walk });

        var open = (await GetAsync<RoundAnswer>("round")).Walk!;
        Assert.Equal(walk, open.Id);
        Assert.Equal([towpath], open.SkippedPlaceIds);
        Assert.Equal([Courgette], open.SeenPlantingIds);
        Assert.Equal(4, Assert.Single(open.ToName).LeavesAffected);

        await PutAsync($"walks/{walk}/end", new WalkDeed());
        var after = await GetAsync<RoundAnswer>("round");
        Assert.Null(after.Walk);
        Assert.Contains("skipped on the last walk", after.Stops.First(s => s.Place == "Towpath").Why.Select(w => w.Sentence));
    }

    [Fact]
    public async Task A_count_begins_its_walk_when_the_start_got_lost()
    {
        var walk = Guid.NewGuid();
        await NoteAsync(Look(20, 0) with { WalkId = walk });
        Assert.Equal(walk, (await GetAsync<RoundAnswer>("round")).Walk!.Id);
    }

    [Fact]
    public async Task Two_troubles_on_the_same_leaves_are_kept_apart()
    {
        var look = Look(20, 8, "white-dust") with
        {
            SeverityPercent = 10,
            Part = PlantPart.OldLeaves,
            Side = BedSide.Edge,
            Roots = RootCheck.Clean,
            Also = [new(Guid.NewGuid(), 3, [new("flies-up", true)])],
        };
        await NoteAsync(look);
        await NoteAsync(look);
        var kept = (await GetAsync<List<ObservationAnswer>>($"plantings/{Courgette}/observations")).Where(o => o.LookId == look.Id).ToList();
        Assert.Equal(2, kept.Count);
        Assert.All(kept, o => Assert.Equal((20, PlantPart.OldLeaves, BedSide.Edge, RootCheck.Clean), (o.LeavesLooked, o.Part, o.Side, o.Roots)));
        Assert.Equal([3, 8], kept.Select(o => o.LeavesAffected).Order());
        Assert.Equal(10, kept.Single(o => o.Id == look.Id).SeverityPercent);
        var second = await GetAsync<SuspectsAnswer>($"observations/{look.Also![0].Id}/suspects");
        Assert.Equal("whitefly", second.Suspects[0].Target);
        Assert.Equal("powdery-mildew", (await GetAsync<SuspectsAnswer>($"observations/{look.Id}/suspects")).Suspects[0].Target);
    }

    [Fact]
    public async Task Undo_takes_a_look_back_with_both_troubles()
    {
        var look = Look(20, 8) with { Also = [new(Guid.NewGuid(), 3, [])] };
        await NoteAsync(look);
        var last = (await GetAsync<Gardens.GardenAnswer>("")).LastDeed!;
        await http.SendAsync("undo", new { deedId = last.Id }, HttpStatusCode.NoContent);
        Assert.DoesNotContain(await GetAsync<List<ObservationAnswer>>($"plantings/{Courgette}/observations"), o => o.LookId == look.Id);
    }

    [Fact]
    public async Task A_count_that_comes_later_keeps_the_time_it_was_made()
    {
        var look = Look(20, 2) with { At = app.Clock.GetUtcNow().AddHours(-5) };
        await NoteAsync(look);
        Assert.Equal(look.At, (await GetAsync<ObservationAnswer>($"observations/{look.Id}")).At);
    }

    [Fact]
    public async Task A_name_may_stand_for_its_group()
    {
        var look = Look(20, 9, "small-insects");
        await NoteAsync(look);
        await PutAsync($"observations/{look.Id}/name", new NameGiven("melon-aphid", Group: true));
        Assert.Equal("A sap feeder", (await GetAsync<ObservationAnswer>($"observations/{look.Id}")).NamedAs);
        await PutAsync($"observations/{look.Id}/name", new NameGiven("melon-aphid"));
        Assert.Equal("Melon aphid", (await GetAsync<ObservationAnswer>($"observations/{look.Id}")).NamedAs);
    }

    [Fact]
    public async Task Suspects_know_the_weather_the_neighbours_and_the_trend()
    {
        var look = Look(40, 30, "white-dust");
        await NoteAsync(look);
        var named = await GetAsync<SuspectsAnswer>($"observations/{look.Id}/suspects");
        Assert.Contains(named.Suspects[0].For, f => f.Contains("same bed", StringComparison.Ordinal));
        Assert.NotNull(named.Trend);
        Assert.Equal(TrendDirection.Rising, named.Trend.Direction);
    }

    [Fact]
    public async Task What_can_not_be_is_refused_in_words_and_nothing_is_saved()
    {
        await RefusedAsync(Look(10, 11), "leavesAffected", "affected-over-looked");
        await RefusedAsync(Look(10, -1), "leavesAffected", "affected-negative");
        await RefusedAsync(Look(-1, 0), "leavesLooked", "leaves-range");
        await RefusedAsync(Look(10, 1, "purple-unicorn"), "signs", "sign-unknown");
        await RefusedAsync(Look(10, 1, "ants", "ants"), "signs", "sign-twice");
        await RefusedAsync(Look(10, 0) with { SeverityPercent = 5 }, "severityPercent", "severity-clean");
        await RefusedAsync(Look(10, 1) with { SeverityPercent = 101 }, "severityPercent", "severity-range");
        await RefusedAsync(Look(10, 1) with { Helpers = -1 }, "helpers", "helpers-range");
        await RefusedAsync(Look(10, 1) with { At = app.Clock.GetUtcNow().AddDays(1) }, "at", "in-the-future");
        await RefusedAsync(Look(10, 1) with { At = new DateTimeOffset(2026, 5, 1, 12, 0, 0, TimeSpan.Zero) }, "at", "before-planting");
        await RefusedAsync(Look(10, 1) with { Also = [new(Guid.NewGuid(), 11, [])] }, "also[0].leavesAffected", "affected-over-looked");
        await RefusedAsync(Look(0, 0), "leavesLooked", "nothing-noted");
        var twice = Look(10, 1);
        await RefusedAsync(twice with { Also = [new(twice.Id, 1, [])] }, "also", "id-twice");
        await PutAsync($"walks/{Guid.NewGuid()}/end", new WalkDeed(), HttpStatusCode.NotFound);
        await PutAsync($"walks/{Guid.NewGuid()}/skipped/{Guid.NewGuid()}", new WalkDeed(), HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_date_before_the_planting_says_when_it_was_planted()
    {
        var problem = await NoteAsync(Look(10, 1) with { At = new DateTimeOffset(2026, 5, 1, 12, 0, 0, TimeSpan.Zero) }, HttpStatusCode.BadRequest);
        Assert.Contains("planted on 18 May 2026", problem.GetProperty("title").GetString(), StringComparison.Ordinal);
    }
}
