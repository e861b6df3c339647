using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Store;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Plan;
using Mauvaise.Web.Undo;
using Mauvaise.Web.Walk;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Mauvaise.Web.Tests;

/// <summary>What follows from a deed: the same whichever way it comes, answered from what was written.</summary>
public sealed class DeedTests : IAsyncLifetime
{
    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly Guid Aubergine = DemoGarden.PlantingId("Polytunnel north/aubergine");
    private TestApp app = null!;
    private HttpClient http = null!;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: true);
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    private async Task<T> GetAsync<T>(string path) => (await http.GetFromJsonAsync<T>(path, TestApp.Json, Stop))!;

    private async Task<T> InFileAsync<T>(Func<GardenDb, Task<T>> ask)
    {
        using var scope = app.Services.CreateScope();
        return await ask(scope.ServiceProvider.GetRequiredService<GardenDb>());
    }

    [Theory]
    [InlineData(null, 0.09)]
    [InlineData(6.0, 0.09)]
    [InlineData(12.0, 0.09)]
    public async Task The_strength_on_the_label_is_the_one_on_the_bench(double? bottle, double percent)
    {
        var bench = await GetAsync<BenchAnswer>(
            $"bench?planting={Courgette}&recipe=peroxide&patchTest=true{(bottle is { } b ? FormattableString.Invariant($"&bottlePercent={b}") : "")}"
        );
        Assert.Equal(percent, Assert.Single(bench.Strengths).Percent, 1e-9);
        var order = new NewBatch(Guid.NewGuid(), [Courgette], "peroxide", DoseStep.Gentle, 0.1, null, BottlePercent: bottle, PatchTest: true);
        var saved = (await http.SendAsync("batches", order, HttpStatusCode.Created)).Deserialize<BatchAnswer>(TestApp.Json)!;
        var label = await GetAsync<BatchAnswer>($"batches/{order.Id}");
        Assert.Equal(percent, Assert.Single(saved.Strengths).Percent, 1e-9);
        Assert.Equal(percent, Assert.Single(label.Strengths).Percent, 1e-9);
    }

    [Fact]
    public async Task A_count_of_long_ago_is_kept_answered_and_may_be_sent_again()
    {
        var since = await InFileAsync(db =>
            db.Plantings.OrderBy(p => p.From)
                .Where(p => p.Until != null && p.From < new DateOnly(2025, 6, 1))
                .Select(p => new { p.Id, p.From })
                .FirstAsync(Stop)
        );
        var at = new DateTimeOffset(since.From.AddDays(10).ToDateTime(new TimeOnly(12, 0)), TimeSpan.Zero);
        Assert.True(at < app.Clock.GetUtcNow().AddDays(-400));
        var look = new NewObservation(Guid.NewGuid(), since.Id, 20, 3, Ants.None, 0, 0, [], At: at, WalkId: Guid.NewGuid());
        for (var send = 0; send < 2; send++)
        {
            var answer = (await http.SendAsync("observations", look, HttpStatusCode.Created)).Deserialize<ObservationAnswer>(TestApp.Json)!;
            Assert.Equal((look.Id, at, 3), (answer.Id, answer.At, answer.LeavesAffected));
        }

        Assert.Equal(1, await InFileAsync(db => db.Observations.CountAsync(o => o.Id == look.Id, Stop)));
        Assert.Equal(3, (await GetAsync<ObservationAnswer>($"observations/{look.Id}")).LeavesAffected);
    }

    [Fact]
    public async Task A_spray_logged_by_hand_opens_its_course_by_the_warmth_that_one_logged_from_a_bottle_does()
    {
        await app.RefreshWeatherAsync();
        var mint = DemoGarden.PlantingId("Herb tubs/mint");
        var order = new HandSpray(
            Guid.NewGuid(),
            Guid.NewGuid(),
            app.Clock.GetUtcNow(),
            [mint],
            "insecticidal-soap",
            DoseStep.Gentle,
            0.3,
            "peach-aphid",
            0.9,
            null
        );
        await http.SendAsync("ledger/sprays", order, HttpStatusCode.Created);
        var opened = await InFileAsync(db => db.Courses.Where(c => c.PlantingId == mint).Select(c => c.DegreeDaysPerDay).SingleAsync(Stop));
        var undo = (await http.GetFromJsonAsync<GardenAnswer>("", TestApp.Json, Stop))!.LastDeed!;
        await http.SendAsync("undo", new UndoRequest(undo.Id), HttpStatusCode.NoContent);

        var bottle = new NewBatch(Guid.NewGuid(), [mint], "insecticidal-soap", DoseStep.Gentle, 0.3, "peach-aphid");
        var refused = await http.PostAsJsonAsync("batches", bottle, TestApp.Json, Stop);
        if (refused.StatusCode == HttpStatusCode.Conflict)
        {
            // New on this crop: the same comparison by an outing, which is logged as done.
            await http.SendAsync(
                "plan/outings",
                new OutingDone([new TankDone(Guid.NewGuid(), Guid.NewGuid(), "insecticidal-soap", DoseStep.Gentle, "peach-aphid", 0.3, 0.3, [mint])], []),
                HttpStatusCode.Created
            );
        }
        else
        {
            await http.SendAsync("applications", new NewApplication(Guid.NewGuid(), bottle.Id, [mint], 0.3), HttpStatusCode.Created);
        }

        Assert.Equal(
            opened!.Value,
            (await InFileAsync(db => db.Courses.Where(c => c.PlantingId == mint).Select(c => c.DegreeDaysPerDay).SingleAsync(Stop)))!.Value,
            1e-9
        );
    }

    [Theory]
    [InlineData("bench?step=7", "step-unknown")]
    [InlineData("bench?step=gentle,strong", "step-unknown")]
    [InlineData("bench?size=51&recipe=neem-with-soap", "size-range")]
    [InlineData("bench?size=0&recipe=neem-with-soap", "size-range")]
    [InlineData("bench?dose=5e-324&recipe=neem-with-soap", "out-of-range")]
    public async Task What_the_bench_can_not_read_is_refused_in_words(string path, string code)
    {
        var answer = await http.GetAsync(path, Stop);
        var problem = JsonDocument.Parse(await answer.Content.ReadAsStringAsync(Stop)).RootElement;
        Assert.Equal((HttpStatusCode.BadRequest, code), (answer.StatusCode, problem.GetProperty("code").GetString()));
        Assert.DoesNotContain("1000", problem.GetProperty("title").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Rounds_of_a_tank_add_up_to_it()
    {
        await app.RefreshWeatherAsync();
        var plan = await GetAsync<RotaAnswer>("plan");
        Assert.NotEmpty(plan.Outings);
        Assert.All(plan.Outings.SelectMany(o => o.Tanks), t => Assert.Equal(t.Litres, t.Rounds.Sum(r => r.Litres), 0.02 * t.Rounds.Count));
    }

    [Fact]
    public async Task Reading_the_calendar_again_writes_nothing()
    {
        await http.GetStringAsync("plan/calendar.ics", Stop);
        var before = await InFileAsync(db => db.FeedEvents.CountAsync(Stop));
        Assert.Contains("BEGIN:VEVENT", await http.GetStringAsync("plan/calendar.ics", Stop), StringComparison.Ordinal);
        Assert.Equal(before, await InFileAsync(db => db.FeedEvents.CountAsync(Stop)));
    }

    [Fact]
    public async Task Ten_sprays_at_once_take_ten_doses_from_the_shelf_and_one_parcel_three_times_takes_one()
    {
        var left = await LeftAsync();
        var orders = Enumerable.Range(0, 10).Select(i => Order(i)).ToList();
        await Task.WhenAll(orders.Select(o => http.SendAsync("ledger/sprays", o, HttpStatusCode.Created)));
        var dose = (left - await LeftAsync()) / 10;
        Assert.True(dose > 0);
        var thrice = Order(20);
        await Task.WhenAll(Enumerable.Range(0, 3).Select(_ => http.SendAsync("ledger/sprays", thrice, HttpStatusCode.Created)));
        Assert.Equal(left - 11 * dose, await LeftAsync(), 1e-6);

        HandSpray Order(int minutes) =>
            new(
                Guid.NewGuid(),
                Guid.NewGuid(),
                app.Clock.GetUtcNow().AddDays(-2).AddMinutes(minutes),
                [Courgette],
                "bicarbonate-with-sticker",
                DoseStep.Usual,
                1,
                "powdery-mildew",
                0.8,
                null,
                FromShelf: true
            );
        async Task<double> LeftAsync() => await InFileAsync(db => db.Stocks.Where(s => s.Material == "bicarbonate").SumAsync(s => s.Left, Stop));
    }

    [Fact]
    public async Task Undo_after_any_deed_gives_the_file_back_as_it_was()
    {
        var before = await FileAsync();
        var bottle = new NewBatch(Guid.NewGuid(), [Courgette], "neem-with-soap", DoseStep.Gentle, 0.3, "powdery-mildew");
        (string Path, object Body)[] deeds =
        [
            (
                "observations",
                new NewObservation(
                    Guid.NewGuid(),
                    Courgette,
                    20,
                    4,
                    Ants.Few,
                    1,
                    0,
                    [new SeenSign("white-dust", true)],
                    WalkId: Guid.NewGuid(),
                    Also: [new FurtherTrouble(Guid.NewGuid(), 2, [])]
                )
            ),
            ("batches", bottle),
            (
                "ledger/sprays",
                new HandSpray(
                    Guid.NewGuid(),
                    Guid.NewGuid(),
                    app.Clock.GetUtcNow().AddDays(-1),
                    [Courgette],
                    "bicarbonate-with-sticker",
                    DoseStep.Usual,
                    1,
                    "powdery-mildew",
                    0.8,
                    null,
                    FromShelf: true
                )
            ),
            (
                "plan/outings",
                new OutingDone([new TankDone(Guid.NewGuid(), Guid.NewGuid(), "insecticidal-soap", DoseStep.Gentle, "spider-mite", 0.5, 0.5, [Aubergine])], [])
            ),
        ];
        foreach (var (path, body) in deeds)
        {
            await http.SendAsync(path, body, HttpStatusCode.Created);
            Assert.NotEqual(before, await FileAsync());
            await http.SendAsync("undo", new UndoRequest((await GetAsync<GardenAnswer>("")).LastDeed!.Id), HttpStatusCode.NoContent);
            Assert.Equal(before, await FileAsync());
        }

        // All rows of the records, in the order of their ids.
        async Task<string> FileAsync() =>
            await InFileAsync(async db =>
                JsonSerializer.Serialize(
                    new object[]
                    {
                        await db.Observations.AsNoTracking().Include(o => o.Signs).OrderBy(o => o.Id).ToListAsync(Stop),
                        await db.Walks.AsNoTracking().OrderBy(o => o.Id).ToListAsync(Stop),
                        await db.Batches.AsNoTracking().Include(b => b.Ingredients).OrderBy(o => o.Id).ToListAsync(Stop),
                        await db.Applications.AsNoTracking().Include(a => a.Treated).OrderBy(o => o.Id).ToListAsync(Stop),
                        await db.CheckBacks.AsNoTracking().OrderBy(o => o.Id).ToListAsync(Stop),
                        await db.Courses.AsNoTracking().OrderBy(o => o.Id).ToListAsync(Stop),
                        await db.Stocks.AsNoTracking().OrderBy(o => o.Id).ToListAsync(Stop),
                    }
                )
            );
    }
}
