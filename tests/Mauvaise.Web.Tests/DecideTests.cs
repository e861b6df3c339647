using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Actions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Undo;

namespace Mauvaise.Web.Tests;

public class DecideTests
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly Guid Beans = DemoGarden.PlantingId("Sluice/runner-bean");
    private static readonly Guid Aubergine = DemoGarden.PlantingId("Polytunnel north/aubergine");
    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private static async Task<(TestApp App, HttpClient Http)> DemoAsync()
    {
        var app = await TestApp.StartAsync(demo: true);
        await app.RefreshWeatherAsync();
        return (app, app.CreateClient());
    }

    private static async Task<DecideAnswer> LookAsync(HttpClient http, Guid? planting = null, int? leaves = null) =>
        (
            await http.GetFromJsonAsync<DecideAnswer>(
                $"{Api}/decide?{(planting is null ? "" : $"planting={planting}&")}{(leaves is null ? "" : $"leaves={leaves}")}",
                TestApp.Json,
                Stop
            )
        )!;

    private static LadderStepAnswer Step(DecideAnswer answer, Guid planting, string code) =>
        answer.Ladders.First(l => l.PlantingId == planting).Steps.First(s => s.Code == code);

    [Theory]
    [InlineData("predatory-mite", 5000, null, "too-many")]
    [InlineData("predatory-mite", 0, 5, "helpers-range")]
    [InlineData("hoverfly", 10, 5, "helper-unknown")]
    [InlineData("predatory-mite", 10, 90, "day-range")]
    public async Task Helpers_that_can_not_be_are_refused_in_words(string kind, int number, int? inDays, string code)
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var today = new DateOnly(2026, 7, 16);
        var order = new NewHelpers(Guid.NewGuid(), Aubergine, kind, number, inDays is { } d ? today.AddDays(d) : null);
        var refused = await http.SendAsync($"{Api}/helpers", order, HttpStatusCode.BadRequest);
        Assert.Equal(code, refused.GetProperty("code").GetString());
        Assert.DoesNotContain((await LookAsync(http)).Tasks, t => t.Helpers is not null);
    }

    [Fact]
    public async Task Helpers_on_order_wait_on_the_board_are_let_out_and_keep_soap_away_and_all_can_be_taken_back()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var order = new NewHelpers(Guid.NewGuid(), Aubergine, "predatory-mite", 200, new DateOnly(2026, 7, 27), "spider-mite");
        foreach (var _2 in new[] { 1, 2 })
        {
            await http.SendAsync($"{Api}/helpers", order, HttpStatusCode.Created);
        }

        Assert.Equal("200 predatory mites", (await LookAsync(http)).Tasks.Single(t => t.Id == order.Id).Helpers);
        app.Clock.Advance(TimeSpan.FromDays(11));
        await app.RefreshWeatherAsync();
        var board = await http.GetFromJsonAsync<JsonElement>($"{Api}/board", TestApp.Json, Stop);
        Assert.Contains(
            "Let the helpers out: 200 predatory mites, Polytunnel north aubergine",
            board.GetProperty("evening").ToString(),
            StringComparison.Ordinal
        );
        await http.SendAsync($"{Api}/tasks/{order.Id}/done", new TaskDone(), HttpStatusCode.NoContent);
        var bench = await http.GetFromJsonAsync<JsonElement>($"{Api}/bench?planting={Aubergine}&recipe=insecticidal-soap", TestApp.Json, Stop);
        Assert.Contains("were let out here on 27 July", bench.GetProperty("reasons").ToString(), StringComparison.Ordinal);

        var last = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.LastDeed!;
        Assert.Equal("Let out 200 predatory mites, Polytunnel north aubergine", last.Words);
        await http.SendAsync($"{Api}/undo", new UndoRequest(last.Id), HttpStatusCode.NoContent);
        Assert.Equal(TaskState.Planned, (await LookAsync(http)).Tasks.Single(t => t.Id == order.Id).State);
    }

    [Fact]
    public async Task A_feed_is_mixed_in_the_dose_that_was_proposed_also_after_the_leaves_are_off()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var step = Step(await LookAsync(http, Courgette), Courgette, "feed");
        Assert.Equal((StepChoice.Do, "castings-feed"), (step.Choice, step.Recipe));
        var ladder = (await LookAsync(http, Courgette)).Ladders[0];
        var feed = new NewTask(Guid.NewGuid(), ladder.ObservationId, "feed");
        var prune = new NewTask(Guid.NewGuid(), ladder.ObservationId, "prune");
        await http.SendAsync($"{Api}/tasks", feed, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/tasks", prune, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/tasks/{prune.Id}/done", new TaskDone(33), HttpStatusCode.NoContent);

        var task = (await LookAsync(http, Courgette)).Tasks.Single(t => t.Id == feed.Id);
        Assert.Equal((step.Recipe, step.Dose), (task.Recipe, task.Dose));
        var bench = await http.GetFromJsonAsync<JsonElement>($"{Api}/bench?planting={Courgette}&recipe={task.Recipe}&step={task.Dose}", TestApp.Json, Stop);
        Assert.Equal(task.Dose.ToString(), bench.GetProperty("step").GetString(), ignoreCase: true);
    }

    [Fact]
    public async Task A_task_is_taken_on_done_and_judged_like_a_spray_and_can_be_taken_back()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var ladder = (await LookAsync(http, Courgette)).Ladders[0];
        var task = new NewTask(Guid.NewGuid(), ladder.ObservationId, "prune");
        await http.SendAsync($"{Api}/tasks", task, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/tasks", task, HttpStatusCode.Created);
        var taken = await LookAsync(http, Courgette);
        Assert.Equal(task.Id, Assert.Single(taken.Tasks).Id);
        Assert.Equal(task.Id, Step(taken, Courgette, "prune").Taken);

        await http.SendAsync($"{Api}/tasks/{task.Id}/done", new TaskDone(33), HttpStatusCode.NoContent);
        Assert.Empty((await LookAsync(http, Courgette)).Tasks);
        var visits = await http.GetFromJsonAsync<JsonElement>($"{Api}/check-backs", TestApp.Json, Stop);
        var visit = visits.EnumerateArray().First(v => v.GetProperty("byHand").GetBoolean());
        Assert.Equal(("Take off the worst leaves", "2026-07-21"), (visit.GetProperty("what").GetString(), visit.GetProperty("dueOn").GetString()));

        app.Clock.Advance(TimeSpan.FromDays(5));
        var judged = await http.SendAsync(
            $"{Api}/check-backs/{visit.GetProperty("id").GetGuid()}/count",
            new
            {
                count = new
                {
                    id = Guid.NewGuid(),
                    plantingId = Courgette,
                    leavesLooked = 20,
                    leavesAffected = 1,
                    ants = "none",
                    helpers = 0,
                    mummies = 0,
                    signs = Array.Empty<object>(),
                },
                injury = "none",
            },
            HttpStatusCode.OK
        );
        Assert.Equal("holding", judged.GetProperty("outcome").GetString());
    }

    [Fact]
    public async Task A_step_that_was_passed_by_stays_passed_until_the_next_look()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var ladder = (await LookAsync(http, Courgette)).Ladders[0];
        await http.SendAsync($"{Api}/tasks", new NewTask(Guid.NewGuid(), ladder.ObservationId, "spray", Pass: true), HttpStatusCode.Created);
        var step = Step(await LookAsync(http, Courgette), Courgette, "spray");
        Assert.Equal(("actions.youPassed", "You passed it by."), (step.Why[0].Code, step.Why[0].Sentence));
        var board = await http.GetFromJsonAsync<JsonElement>($"{Api}/board", TestApp.Json, Stop);
        Assert.DoesNotContain(board.GetProperty("evening").GetProperty("deeds").EnumerateArray(), d =>
            d.GetProperty("kind").GetString() == "spray" && d.GetProperty("plantingIds").EnumerateArray().Any(p => p.GetGuid() == Courgette)
        );
    }

    [Fact]
    public async Task A_course_is_begun_once_and_stopped_and_its_first_round_is_on_the_Board()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var course = new NewCourse(Guid.NewGuid(), Courgette, "powdery-mildew", "neem-with-soap");
        await http.SendAsync($"{Api}/courses", course, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/courses", course, HttpStatusCode.Created);
        var running = Assert.Single((await LookAsync(http, Courgette)).Courses);
        var ways = (await http.GetFromJsonAsync<WaysAnswer>($"{Api}/ways?planting={Courgette}&target=powdery-mildew", TestApp.Json, Stop))!;
        // As many rounds as the way has that was begun.
        var rounds = ways.Ways.First(w => w.Materials.Contains("neem-oil")).Sprays;
        Assert.Equal((0, rounds), (running.RoundsGiven, running.Rounds));
        var twice = await http.SendAsync($"{Api}/courses", course with { Id = Guid.NewGuid() }, HttpStatusCode.BadRequest);
        Assert.Contains("Stop that first", twice.GetProperty("title").GetString()!, StringComparison.Ordinal);
        var board = await http.GetStringAsync($"{Api}/board", Stop);
        Assert.Contains($"Round 1 of {rounds} now", board, StringComparison.Ordinal);
        await http.SendAsync($"{Api}/courses/{course.Id}/stop", new CourseStopped(), HttpStatusCode.NoContent);
        Assert.Empty((await LookAsync(http, Courgette)).Courses);
    }

    [Fact]
    public async Task A_schedule_of_the_what_if_becomes_the_course()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        await http.SendAsync(
            $"{Api}/courses",
            new NewCourse(Guid.NewGuid(), Courgette, "powdery-mildew", "neem-with-soap", [0, 8, 20]),
            HttpStatusCode.Created
        );
        var running = Assert.Single((await LookAsync(http, Courgette)).Courses);
        Assert.Equal((3, new DateOnly(2026, 7, 16)), (running.Rounds, running.NextOn));
        Assert.Contains("as you chose", running.Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_whole_walk_is_answered_in_one_go()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var all = await LookAsync(http);
        Assert.True(all.Ladders.Count > 6);
        var many = new ManySteps(
            [
                .. all.Ladders.SelectMany(l =>
                    l.Steps.Where(s => s.Choice == Core.Actions.StepChoice.Do && s.Course is null && s.How is not null)
                        .Select(s => new NewTask(Guid.NewGuid(), l.ObservationId, s.Code))
                ),
            ],
            [
                .. all.Ladders.SelectMany(l =>
                    l.Steps.Where(s => s.Choice == Core.Actions.StepChoice.Do && s.Course is not null)
                        .Select(s => new NewCourse(Guid.NewGuid(), l.PlantingId, l.Target!, s.Recipe!))
                ),
            ]
        );
        // One step that can not be taken on takes none of them.
        await http.SendAsync(
            $"{Api}/tasks/many",
            many with
            {
                Tasks = [.. many.Tasks, new NewTask(Guid.NewGuid(), Guid.NewGuid(), "prune")],
            },
            HttpStatusCode.BadRequest
        );
        Assert.Empty((await LookAsync(http)).Tasks);
        await http.SendAsync($"{Api}/tasks/many", many, HttpStatusCode.Created);
        await http.SendAsync($"{Api}/tasks/many", many, HttpStatusCode.Created);
        Assert.Equal(many.Tasks.Count, (await LookAsync(http)).Tasks.Count);

        Assert.DoesNotContain((await LookAsync(http)).Ladders.SelectMany(l => l.Steps), s =>
            s is { Choice: Core.Actions.StepChoice.Do, Course: null, How: not null, Taken: null }
        );
    }

    [Fact]
    public async Task A_band_that_wore_off_is_renewed_or_let_be()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var ladder = (await LookAsync(http)).Ladders.First(l => l.Steps.Any(s => s.Code == "ant-band" && s.Choice == Core.Actions.StepChoice.Do));
        var task = Guid.NewGuid();
        await http.SendAsync($"{Api}/tasks", new NewTask(task, ladder.ObservationId, "ant-band"), HttpStatusCode.Created);
        await http.SendAsync($"{Api}/tasks/{task}/done", new TaskDone(null), HttpStatusCode.NoContent);
        Assert.DoesNotContain((await LookAsync(http)).Tasks, t => t.Worn is not null);
        app.Clock.Advance(TimeSpan.FromDays(22));
        await app.RefreshWeatherAsync();
        var worn = (await LookAsync(http)).Tasks.Single(t => t.Worn is not null);
        Assert.Equal(task, worn.Id);
        // Sent twice it is renewed once.
        await http.SendAsync($"{Api}/tasks/{worn.Id}/done", new TaskDone(null), HttpStatusCode.NoContent);
        await http.SendAsync($"{Api}/tasks/{worn.Id}/done", new TaskDone(null), HttpStatusCode.NoContent);
        Assert.DoesNotContain((await LookAsync(http)).Tasks, t => t.Worn is not null);
        app.Clock.Advance(TimeSpan.FromDays(22));
        await app.RefreshWeatherAsync();
        var again = (await LookAsync(http)).Tasks.Single(t => t.Worn is not null);
        await http.SendAsync($"{Api}/tasks/{again.Id}/drop", new TaskDropped(), HttpStatusCode.NoContent);
        Assert.DoesNotContain((await LookAsync(http)).Tasks, t => t.Worn is not null);
    }

    [Fact]
    public async Task A_no_to_all_that_is_proposed_is_one_deed_and_one_undo()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var ladder = (await LookAsync(http)).Ladders.First(l => l.Steps.Count(s => s.Choice == Core.Actions.StepChoice.Do && s.Taken is null) > 1);
        var said = ladder.Steps.Where(s => s.Choice == Core.Actions.StepChoice.Do && s.Taken is null).Select(s => s.Code).ToList();
        await http.SendAsync(
            $"{Api}/tasks/many",
            new ManySteps([.. said.Select(code => new NewTask(Guid.NewGuid(), ladder.ObservationId, code, Pass: true))], []),
            HttpStatusCode.Created
        );
        var last = (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.LastDeed!;
        Assert.Equal($"Passed by {said.Count} steps", last.Words);
        await http.SendAsync($"{Api}/undo", new UndoRequest(last.Id), HttpStatusCode.NoContent);
        var again = (await LookAsync(http)).Ladders.First(l => l.ObservationId == ladder.ObservationId);
        Assert.Equal(said, again.Steps.Where(s => s.Choice == Core.Actions.StepChoice.Do && s.Taken is null).Select(s => s.Code));
    }

    [Fact]
    public async Task Counted_leaves_change_the_pruning_plan()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var plan = Step(await LookAsync(http, Courgette, leaves: 60), Courgette, "prune").Prune!;
        Assert.Equal((60, true, 15, 15), (plan.Leaves, plan.Counted, plan.Affected, plan.TakeNow));
    }

    [Theory]
    [InlineData("decide?planting=00000000-0000-0000-0000-000000000001", "planting-unknown")]
    [InlineData("decide?leaves=20", "leaves-whose")]
    [InlineData("decide?planting=COURGETTE&leaves=0", "leaves-range")]
    public async Task A_question_that_makes_no_sense_is_answered_in_words(string path, string code)
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var answer = await http.GetAsync(new Uri($"{Api}/{path.Replace("COURGETTE", Courgette.ToString(), StringComparison.Ordinal)}", UriKind.Relative), Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal(code, (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
    }

    [Fact]
    public async Task What_can_not_be_decided_or_begun_says_what_is_missing_and_saves_nothing()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        async Task Refused(string path, object body, string code)
        {
            var answer = await http.SendAsync($"{Api}/{path}", body, HttpStatusCode.BadRequest);
            Assert.Equal(code, answer.GetProperty("code").GetString());
        }

        var ladder = (await LookAsync(http, Courgette)).Ladders[0];
        await Refused("tasks", new NewTask(Guid.NewGuid(), Guid.NewGuid(), "prune"), "note-unknown");
        await Refused("tasks", new NewTask(Guid.NewGuid(), ladder.ObservationId, "water-jet"), "step-unknown");
        await Refused("tasks", new NewTask(Guid.NewGuid(), ladder.ObservationId, "spray"), "step-is-a-course");
        await Refused("tasks", new NewTask(Guid.NewGuid(), ladder.ObservationId, "prune", On: new DateOnly(2026, 7, 1)), "day-range");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Guid.NewGuid(), "powdery-mildew", "milk"), "planting-unknown");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Courgette, "gout", "milk"), "target-unknown");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Courgette, "whitefly", "milk"), "no-effect");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Courgette, "powdery-mildew", "neem-with-soap", [-3, 5]), "days-range");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Courgette, "powdery-mildew", "neem-with-soap", [5, 1]), "days-order");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Courgette, "powdery-mildew", "neem-with-soap", [0, 2]), "days-too-close");
        await Refused("courses", new NewCourse(Guid.NewGuid(), Beans, "black-bean-aphid", "neem-with-soap"), "use-pond");
        var stance = await http.PutAsJsonAsync($"{Api}/settings", new { stance = "braveheart", kitchen = "metric" }, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, stance.StatusCode);

        var bare = Guid.NewGuid();
        await http.SendAsync(
            $"{Api}/observations",
            new
            {
                id = bare,
                plantingId = Courgette,
                leavesLooked = 0,
                leavesAffected = 0,
                ants = "few",
                helpers = 0,
                mummies = 0,
                signs = new[] { new { sign = "white-dust", present = true } },
            },
            HttpStatusCode.Created
        );
        Assert.Contains("no leaf was counted", Assert.Single((await LookAsync(http, Courgette)).Uncounted), StringComparison.Ordinal);
        await Refused("tasks", new NewTask(Guid.NewGuid(), bare, "prune"), "no-count");
        var after = await LookAsync(http);
        Assert.Empty(after.Tasks);
    }

    [Fact]
    public async Task Nothing_is_decided_for_a_planting_that_has_ended()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var ladder = (await LookAsync(http, Courgette)).Ladders[0];
        Assert.Equal(
            HttpStatusCode.NoContent,
            (
                await http.PutAsJsonAsync(
                    $"{Api}/plantings/{Courgette}",
                    new
                    {
                        stage = "fruiting",
                        inFlower = false,
                        ended = true,
                    },
                    Stop
                )
            ).StatusCode
        );
        var task = await http.SendAsync($"{Api}/tasks", new NewTask(Guid.NewGuid(), ladder.ObservationId, "prune"), HttpStatusCode.BadRequest);
        Assert.Contains("has ended", task.GetProperty("title").GetString()!, StringComparison.Ordinal);
        await http.SendAsync($"{Api}/courses", new NewCourse(Guid.NewGuid(), Courgette, "powdery-mildew", "neem-with-soap"), HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task A_place_may_have_a_stance_of_its_own_and_what_that_changes_is_told()
    {
        var (app, http) = await DemoAsync();
        await using var _ = app;
        var board = await http.GetFromJsonAsync<JsonElement>($"{Api}/board", TestApp.Json, Stop);
        var place = board.GetProperty("rows").EnumerateArray().First(r => r.GetProperty("name").GetString() == "Sluice").GetProperty("placeId").GetGuid();
        var stances = (await http.GetFromJsonAsync<StancesAnswer>($"{Api}/stances?place={place}", TestApp.Json, Stop))!;
        Assert.Equal("watchAndTreat", stances.Stances.Single(s => s.Current).Choice);
        Assert.Empty(stances.Stances.Single(s => s.Current).Differences);
        Assert.Contains(stances.Stances.Single(s => s.Choice == "keepAhead").Differences, d => d.StartsWith("Sluice runner bean", StringComparison.Ordinal));
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await http.PutAsJsonAsync($"{Api}/places/{place}/stance", new PlaceStance(Core.Gardens.Stance.KeepAhead), TestApp.Json, Stop)).StatusCode
        );
        Assert.Equal(Core.Gardens.Stance.KeepAhead, (await LookAsync(http, Beans)).Ladders[0].Stance);
        Assert.Equal(
            HttpStatusCode.NoContent,
            (await http.PutAsJsonAsync($"{Api}/places/{place}/stance", new PlaceStance(null), TestApp.Json, Stop)).StatusCode
        );
        Assert.Equal(Core.Gardens.Stance.WatchAndTreat, (await LookAsync(http, Beans)).Ladders[0].Stance);
    }
}
