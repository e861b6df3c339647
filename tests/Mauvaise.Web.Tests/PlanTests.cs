using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Plan;

namespace Mauvaise.Web.Tests;

public partial class PlanTests
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private static async Task<(TestApp App, HttpClient Http)> DemoAsync()
    {
        var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        return (app, app.CreateClient());
    }

    private static async Task<RotaAnswer> PlanAsync(HttpClient http) => (await http.GetFromJsonAsync<RotaAnswer>($"{Api}/plan", TestApp.Json, Stop))!;

    private static PlannedRoundAnswer RoundAt(RotaAnswer plan, Guid planting) =>
        plan.Outings.SelectMany(o => o.Tanks).SelectMany(t => t.Rounds).First(r => r.PlantingId == planting);

    [Fact]
    public async Task A_round_is_moved_with_its_cost_told_pinned_and_let_go()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var round = RoundAt(await PlanAsync(http), Courgette);
        var moves = (await http.GetFromJsonAsync<List<MoveAnswer>>($"{Api}/plan/moves?planting={Courgette}&target={round.Target}", TestApp.Json, Stop))!;
        Assert.Equal(14, moves.Count);
        var to = moves.Last(m => m.MorePercent is not null);
        Assert.True(to.MorePercent > 0);
        var pin = new NewPlanChoice(Guid.NewGuid(), PlanWord.Pin, Courgette, round.Target, On: to.On);
        await http.SendAsync($"{Api}/plan/choices", pin, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/plan/choices", pin, HttpStatusCode.Created);
        var pinned = RoundAt(await PlanAsync(http), Courgette);
        Assert.Equal((to.On, (Guid?)pin.Id), (pinned.On, pinned.PinId));
        Assert.Equal(HttpStatusCode.NoContent, (await http.DeleteAsync(new Uri($"{Api}/plan/choices/{pin.Id}", UriKind.Relative), Stop)).StatusCode);
        Assert.Equal(round.On, RoundAt(await PlanAsync(http), Courgette).On);
    }

    [Fact]
    public async Task Changes_are_told_against_what_was_last_looked_at()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        await http.SendAsync($"{Api}/plan/seen", new { }, HttpStatusCode.NoContent);
        var round = RoundAt(await PlanAsync(http), Courgette);
        Assert.Empty((await PlanAsync(http)).Changes);
        await http.SendAsync(
            $"{Api}/plan/choices",
            new NewPlanChoice(Guid.NewGuid(), PlanWord.Skip, Courgette, round.Target, On: round.On.AddDays(1)),
            HttpStatusCode.Created
        );
        Assert.Contains((await PlanAsync(http)).Changes, c => c.Why.Sentence.Contains("You skipped it", StringComparison.Ordinal));
        await http.SendAsync($"{Api}/plan/seen", new { }, HttpStatusCode.NoContent);
        Assert.Empty((await PlanAsync(http)).Changes);
    }

    [Theory]
    [InlineData(PlanWord.LeaveAlone, null)]
    [InlineData(PlanWord.Ban, "neem-oil")]
    [InlineData(PlanWord.Proven, "neem-oil")]
    public async Task What_is_said_twice_stands_once_and_is_let_go_at_once(PlanWord word, string? material)
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        await http.SendAsync($"{Api}/plan/choices", new NewPlanChoice(Guid.NewGuid(), PlanWord.Ban, Courgette, null, "milk"), HttpStatusCode.Created);
        foreach (var id in new[] { Guid.NewGuid(), Guid.NewGuid() })
        {
            await http.SendAsync($"{Api}/plan/choices", new NewPlanChoice(id, word, Courgette, null, material), HttpStatusCode.Created);
        }

        var said = (await PlanAsync(http)).Choices;
        Assert.Equal(2, said.Count);
        var choice = Assert.Single(said, c => !c.Words.EndsWith("never milk", StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.NoContent, (await http.DeleteAsync(new Uri($"{Api}/plan/choices/{choice.Id}", UriKind.Relative), Stop)).StatusCode);
        Assert.Single((await PlanAsync(http)).Choices);
    }

    [Theory]
    [InlineData(PlanWord.Pin, "powdery-mildew", null, -1, "day-range")]
    [InlineData(PlanWord.Pin, "powdery-mildew", null, 30, "day-range")]
    [InlineData(PlanWord.Skip, "gout", null, 1, "target-unknown")]
    [InlineData(PlanWord.Ban, null, "gunpowder", 1, "material-unknown")]
    public async Task A_word_that_makes_no_sense_is_refused_in_words(PlanWord word, string? target, string? material, int days, string code)
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var answer = await http.SendAsync(
            $"{Api}/plan/choices",
            new NewPlanChoice(Guid.NewGuid(), word, Courgette, target, material, new DateOnly(2026, 7, 16).AddDays(days)),
            HttpStatusCode.BadRequest
        );
        Assert.Equal(code, answer.GetProperty("code").GetString());
        Assert.Empty((await PlanAsync(http)).Choices);
    }

    [Fact]
    public async Task An_outing_ends_in_logged_sprays_once_with_check_backs_shelf_and_undo()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var outing = (await PlanAsync(http)).Outings[0];
        app.Clock.Advance(outing.Hours.From - app.Clock.GetUtcNow());
        var done = new OutingDone(
            [
                .. outing.Tanks.Select(t => new TankDone(
                    Guid.NewGuid(),
                    Guid.NewGuid(),
                    t.Recipe,
                    t.Step,
                    t.Rounds[0].Target,
                    t.Litres,
                    t.Litres,
                    [.. t.Rounds.Select(r => r.PlantingId)]
                )),
            ],
            []
        );
        var logged = await http.SendAsync($"{Api}/plan/outings", done, HttpStatusCode.Created);
        Assert.Equal(outing.Tanks.Count, logged.GetProperty("sprayed").GetArrayLength());
        await http.SendAsync($"{Api}/plan/outings", done, HttpStatusCode.Created);
        var board = await http.GetStringAsync($"{Api}/board", Stop);
        Assert.Contains("check-back planned", board, StringComparison.Ordinal);
        Assert.DoesNotContain((await PlanAsync(http)).Outings, o => o.Key == outing.Key && o.On == outing.On);
        var state = await http.GetFromJsonAsync<System.Text.Json.JsonElement>($"{Api}", TestApp.Json, Stop);
        var deed = state.GetProperty("lastDeed");
        Assert.StartsWith("Logged an outing", deed.GetProperty("words").GetString(), StringComparison.Ordinal);
        await http.SendAsync($"{Api}/undo", new { deedId = deed.GetProperty("id").GetInt64() }, HttpStatusCode.NoContent);
        Assert.Contains((await PlanAsync(http)).Outings, o => o.Key == outing.Key);
        await http.SendAsync($"{Api}/plan/outings", new OutingDone([], []), HttpStatusCode.BadRequest);
        var tank = done.Tanks[0] with { BatchId = Guid.NewGuid(), ApplicationId = Guid.NewGuid(), UsedLitres = 40 };
        var over = await http.SendAsync($"{Api}/plan/outings", new OutingDone([tank], []), HttpStatusCode.BadRequest);
        Assert.Equal("litres-over-bottle", over.GetProperty("code").GetString());
    }

    [Fact]
    public async Task The_calendar_keeps_its_events_when_they_move_and_cancels_what_goes()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var round = RoundAt(await PlanAsync(http), Courgette);
        var told = await http.GetStringAsync($"{Api}/plan/calendar.ics", Stop);
        var before = Events(told);
        Assert.NotEmpty(before);
        // Each rings half an hour before.
        Assert.Equal(before.Count, told.Split("TRIGGER:-PT30M\r\n").Length - 1);
        Assert.Equal(before.Keys, Events(await http.GetStringAsync($"{Api}/plan/calendar.ics", Stop)).Keys);
        Assert.All(before.Values, e => Assert.Equal(("0", "CONFIRMED"), (e["SEQUENCE"], e["STATUS"])));
        var moves = (await http.GetFromJsonAsync<List<MoveAnswer>>($"{Api}/plan/moves?planting={Courgette}&target={round.Target}", TestApp.Json, Stop))!;
        await http.SendAsync(
            $"{Api}/plan/choices",
            new NewPlanChoice(Guid.NewGuid(), PlanWord.Pin, Courgette, round.Target, On: moves.Last(m => m.MorePercent is not null).On),
            HttpStatusCode.Created
        );
        var after = Events(await http.GetStringAsync($"{Api}/plan/calendar.ics", Stop));
        // Every event that was given out is still told of: moved or cancelled, with a higher sequence.
        Assert.Empty(before.Keys.Except(after.Keys));
        Assert.Contains(before, e =>
            after[e.Key]["SEQUENCE"] != "0" && (after[e.Key]["DTSTART"] != e.Value["DTSTART"] || after[e.Key]["STATUS"] == "CANCELLED")
        );
    }

    /// <summary>Events by UID, read by hand and not by the library that wrote them: lines unfolded, then name and value.</summary>
    private static Dictionary<string, Dictionary<string, string>> Events(string ics)
    {
        Assert.StartsWith("BEGIN:VCALENDAR\r\n", ics, StringComparison.Ordinal);
        Assert.EndsWith("END:VCALENDAR\r\n", ics, StringComparison.Ordinal);
        Assert.All(ics.Split("\r\n"), l => Assert.True(System.Text.Encoding.UTF8.GetByteCount(l) <= 75, l));
        return VEvent()
            .Matches(VAlarm().Replace(Folded().Replace(ics, ""), ""))
            .Select(m =>
                m.Groups[1]
                    .Value.Split("\r\n", StringSplitOptions.RemoveEmptyEntries)
                    .Select(l => l.Split(':', 2))
                    .ToDictionary(l => l[0].Split(';')[0], l => l[1])
            )
            .ToDictionary(e => e["UID"]);
    }

    [GeneratedRegex("\r\n[ \t]")]
    private static partial Regex Folded();

    [GeneratedRegex("BEGIN:VALARM\r\n.*?END:VALARM\r\n", RegexOptions.Singleline)]
    private static partial Regex VAlarm();

    [GeneratedRegex("BEGIN:VEVENT\r\n(.*?)END:VEVENT", RegexOptions.Singleline)]
    private static partial Regex VEvent();
}
