using System.Data.Common;
using System.Net.Http.Json;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Web.Bench;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Picking;
using Mauvaise.Web.Undo;
using Microsoft.AspNetCore.Http;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;

namespace Mauvaise.Web.Tests;

/// <summary>A data file that fails at one step of a request's write: a statement, the begin or the commit of its transaction.</summary>
public sealed class FaultyFile : IDbCommandInterceptor, IDbTransactionInterceptor
{
    private int step,
        failAt,
        error;

    /// <summary>Whether a request is under way: what runs in the background is left alone.</summary>
    public Func<bool> InRequest { get; set; } = () => false;

    public bool Failed { get; private set; }

    /// <param name="at">From 1; 0 for a sound file.</param>
    /// <param name="sqliteError">As SQLite numbers them: 10 for the disk's, 13 for a full one.</param>
    public void FailAt(int at, int sqliteError = 10) => (step, failAt, error, Failed) = (0, at, sqliteError, false);

    private void Step()
    {
        if (failAt > 0 && InRequest() && ++step == failAt)
        {
            Failed = true;
            throw new SqliteException("the file failed, as it was told to", error);
        }
    }

    private void Step(DbCommand command)
    {
        if (!command.CommandText.TrimStart().StartsWith("SELECT", StringComparison.OrdinalIgnoreCase))
        {
            Step();
        }
    }

    public ValueTask<InterceptionResult<DbDataReader>> ReaderExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<DbDataReader> result,
        CancellationToken cancellationToken = default
    )
    {
        Step(command);
        return ValueTask.FromResult(result);
    }

    public ValueTask<InterceptionResult<int>> NonQueryExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    )
    {
        Step(command);
        return ValueTask.FromResult(result);
    }

    public ValueTask<InterceptionResult<DbTransaction>> TransactionStartingAsync(
        DbConnection connection,
        TransactionStartingEventData eventData,
        InterceptionResult<DbTransaction> result,
        CancellationToken cancellationToken = default
    )
    {
        Step();
        return ValueTask.FromResult(result);
    }

    public ValueTask<InterceptionResult> TransactionCommittingAsync(
        DbTransaction transaction,
        TransactionEventData eventData,
        InterceptionResult result,
        CancellationToken cancellationToken = default
    )
    {
        Step();
        return ValueTask.FromResult(result);
    }
}

/// <summary>Whatever step of a write the file fails at, nothing of it is kept, it is said, and the same parcel is taken afterwards.</summary>
public sealed class FaultyFileTests : IAsyncLifetime
{
    private readonly FaultyFile file = new();
    private TestApp app = null!;
    private HttpClient http = null!;

    private static readonly Guid Courgette = DemoGarden.PlantingId("Chapel/courgette");
    private static readonly Guid Chard = DemoGarden.PlantingId("Boathouse/chard");

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.OnAsync(file);
        file.InRequest = () => app.Services.GetRequiredService<IHttpContextAccessor>().HttpContext is not null;
        http = app.CreateClient();
        http.BaseAddress = new Uri(http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
    }

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    /// <summary>Each kind of deed: method, path and body.</summary>
    private static IEnumerable<(HttpMethod Method, string Path, object Body)> Deeds()
    {
        var now = new DateTimeOffset(2026, 7, 16, 15, 0, 0, TimeSpan.Zero);
        yield return (
            HttpMethod.Post,
            "observations",
            new NewObservation(Guid.NewGuid(), Courgette, 20, 6, Ants.None, 0, 0, [], At: now, WalkId: Guid.NewGuid())
        );
        yield return (HttpMethod.Post, "places", new NewPlace(Guid.NewGuid(), "By the wall", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip));
        yield return (HttpMethod.Put, "settings", new GardenSettings(Stance.KeepAhead, KitchenSystem.Us, Units: HouseholdUnits.Metric));
        yield return (HttpMethod.Post, "batches", new NewBatch(Guid.NewGuid(), [Courgette], "peroxide", DoseStep.Gentle, 0.1, null, PatchTest: true));
        yield return (
            HttpMethod.Post,
            "ledger/sprays",
            new HandSpray(
                Guid.NewGuid(),
                Guid.NewGuid(),
                now.AddDays(-1),
                [DemoGarden.PlantingId("Herb tubs/mint")],
                "insecticidal-soap",
                DoseStep.Gentle,
                0.3,
                "peach-aphid",
                0.9,
                null
            )
        );
        yield return (
            HttpMethod.Post,
            "plan/outings",
            new OutingDone([new TankDone(Guid.NewGuid(), Guid.NewGuid(), "insecticidal-soap", DoseStep.Gentle, "peach-aphid", 0.3, 0.3, [Chard])], [])
        );
        yield return (HttpMethod.Post, "harvests", new NewHarvest(Guid.NewGuid(), Chard, 0.5, HarvestUnit.Kilograms));
        yield return (HttpMethod.Put, $"shelf/{Guid.NewGuid()}", new StockChange("castile-soap", "Another soap", 500, 400));
        yield return (HttpMethod.Put, $"products/{Guid.NewGuid()}", new ProductChange("Leaf oil", "horticultural-oil", [], "ml", 5, 10));
        yield return (
            HttpMethod.Put,
            $"own-recipes/{Guid.NewGuid()}",
            new OwnRecipeChange("Ruth's neem", "5 ml neem oil, 2 ml castile soap, 1 litre of water", HeardKitchen.Metric)
        );
    }

    [Theory]
    [InlineData(10)]
    [InlineData(13)]
    public async Task A_write_is_kept_whole_or_not_at_all_at_whatever_step_the_file_fails(int sqliteError)
    {
        var steps = 0;
        foreach (var (method, path, body) in Deeds())
        {
            var before = await HeldAsync();
            for (var at = 1; ; at++)
            {
                file.FailAt(at, sqliteError);
                using var answer = await SendAsync(method, path, body);
                if (!file.Failed)
                {
                    Assert.True(answer.IsSuccessStatusCode, $"{path}: {await answer.Content.ReadAsStringAsync(Stop)}");
                    Assert.True(at > 3, $"{path} wrote in {at - 1} steps.");
                    Assert.NotEqual(before, await HeldAsync());
                    break;
                }

                await RefusedAsync(answer, path, at, sqliteError);
                Assert.True(before == await HeldAsync(), $"{path}: something is kept of what failed at step {at}.");
                steps++;
            }
        }

        Assert.InRange(steps, 40, 1000);
    }

    [Fact]
    public async Task An_undo_that_fails_takes_nothing_back()
    {
        await http.SendAsync(
            "places",
            new NewPlace(Guid.NewGuid(), "By the wall", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip),
            System.Net.HttpStatusCode.Created
        );
        var deed = (await http.GetFromJsonAsync<GardenAnswer>("", TestApp.Json, Stop))!.LastDeed!;
        var before = await HeldAsync();
        for (var at = 1; ; at++)
        {
            file.FailAt(at);
            using var answer = await SendAsync(HttpMethod.Post, "undo", new UndoRequest(deed.Id));
            if (!file.Failed)
            {
                Assert.True(answer.IsSuccessStatusCode);
                break;
            }

            await RefusedAsync(answer, "undo", at, 10);
            Assert.Equal(before, await HeldAsync());
        }

        Assert.DoesNotContain("By the wall", await http.GetStringAsync(new Uri("", UriKind.Relative), Stop), StringComparison.Ordinal);
    }

    private async Task<HttpResponseMessage> SendAsync(HttpMethod method, string path, object body)
    {
        using var request = new HttpRequestMessage(method, path) { Content = JsonContent.Create(body, body.GetType(), options: TestApp.Json) };
        return await http.SendAsync(request, Stop);
    }

    private static async Task RefusedAsync(HttpResponseMessage answer, string path, int at, int sqliteError)
    {
        var said = await answer.Content.ReadFromJsonAsync<JsonElement>(Stop);
        Assert.True(
            (int)answer.StatusCode == (sqliteError == 13 ? StatusCodes.Status507InsufficientStorage : StatusCodes.Status500InternalServerError),
            $"{path}, step {at}: {(int)answer.StatusCode} {said}"
        );
        Assert.False(string.IsNullOrWhiteSpace(said.GetProperty("title").GetString()));
    }

    /// <summary>All that the file holds, but what is kept beside the requests.</summary>
    private async Task<string> HeldAsync()
    {
        file.FailAt(0);
        await using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = app.DatabasePath,
                Mode = SqliteOpenMode.ReadOnly,
                Pooling = false,
            }.ToString()
        );
        await connection.OpenAsync(Stop);
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        foreach (var table in await ColumnAsync("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name"))
        {
            if (table is "FeedEvents" or "WeatherSources")
            {
                continue;
            }

            await using var command = connection.CreateCommand();
            command.CommandText = $"SELECT * FROM \"{table}\"";
            await using var rows = await command.ExecuteReaderAsync(Stop);
            while (await rows.ReadAsync(Stop))
            {
                var values = new object[rows.FieldCount];
                rows.GetValues(values);
                hash.AppendData(Encoding.UTF8.GetBytes($"{table}|{string.Join('|', values)}\n"));
            }
        }

        return Convert.ToHexString(hash.GetHashAndReset());

        async Task<List<string>> ColumnAsync(string sql)
        {
            await using var command = connection.CreateCommand();
            command.CommandText = sql;
            await using var rows = await command.ExecuteReaderAsync(Stop);
            var found = new List<string>();
            while (await rows.ReadAsync(Stop))
            {
                found.Add(rows.GetString(0));
            }

            return found;
        }
    }
}
