using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using Mauvaise.StandIns;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Board;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Mailing;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Mauvaise.Web.Tests;

/// <summary>Letters of an evening, over real SMTP to a stand-in that keeps them.</summary>
public sealed class MailTests : DemoTest, IDisposable
{
    private readonly StandInMail box = new();
    private readonly CancellationTokenSource end = new();
    private readonly int port = FreePort();

    private static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    public void Dispose()
    {
        end.Cancel();
        end.Dispose();
    }

    private MailServerRequest Server => new("127.0.0.1", port, MailSecurity.None, "garden@example.org");

    private async Task ServeAsync()
    {
        _ = box.ServeAsync(port, end.Token);
        using var kept = await Http.PutAsJsonAsync("/api/mail-server", Server, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.NoContent, kept.StatusCode);
    }

    private async Task<Guid> AskedAsync(string address, TimeOnly at)
    {
        var id = Guid.NewGuid();
        using var kept = await Http.PutAsJsonAsync($"mails/{id}", new MailRequest(address, at), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.NoContent, kept.StatusCode);
        return id;
    }

    private Task StepAsync(int hours)
    {
        App.Clock.Advance(TimeSpan.FromHours(hours));
        return SendDueAsync();
    }

    private async Task SendDueAsync()
    {
        await using var scope = App.Services.CreateAsyncScope();
        await scope.ServiceProvider.GetRequiredService<MailRound>().SendDueAsync(Stop);
    }

    /// <summary>Something that is to be done today.</summary>
    private async Task TakenOnAsync(string planting)
    {
        await using var scope = App.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<GardenDb>();
        db.Tasks.Add(
            new TaskRow
            {
                Id = Guid.NewGuid(),
                GardenId = DemoGarden.GardenId,
                PlantingId = DemoGarden.PlantingId(planting),
                Step = "isolate",
                DueOn = new DateOnly(2026, 7, 16),
            }
        );
        await db.SaveChangesAsync(Stop);
    }

    private async Task<MailAnswer> MailAsync(Guid id) => (await GetAsync<MailsAnswer>("mails")).Mails.Single(m => m.Id == id);

    [Fact]
    public async Task A_letter_goes_after_its_hour_once_and_says_what_the_board_says()
    {
        await ServeAsync();
        var id = await AskedAsync("ilse@example.org", new TimeOnly(18, 30));
        await SendDueAsync();
        Assert.Empty(box.Letters);
        await StepAsync(1);
        var letter = Assert.Single(box.Letters);
        Assert.Contains("ilse@example.org", letter.To, StringComparison.Ordinal);
        var board = await GetAsync<BoardAnswer>("board");
        foreach (var deed in board.Evening.Deeds.Where(d => d.Kind is Core.Planning.DeedKind.Spray or Core.Planning.DeedKind.CheckBack))
        {
            Assert.Contains(deed.Title, letter.Text, StringComparison.Ordinal);
        }

        Assert.NotNull((await MailAsync(id)).SentAt);
        await SendDueAsync();
        Assert.Single(box.Letters);
    }

    [Fact]
    public async Task A_second_letter_goes_only_when_the_plan_changed_and_there_is_no_third()
    {
        await ServeAsync();
        await AskedAsync("ilse@example.org", new TimeOnly(17, 0));
        await SendDueAsync();
        Assert.StartsWith("18:00 neem with soap: Chapel courgette, Chapel squash; ", Assert.Single(box.Letters).Subject, StringComparison.Ordinal);
        await TakenOnAsync("Herb tubs/mint");
        await SendDueAsync();
        Assert.Equal(2, box.Letters.Count);
        Assert.StartsWith("Changed: ", box.Letters[0].Subject, StringComparison.Ordinal);
        Assert.Contains("Herb tubs mint", box.Letters[0].Text, StringComparison.Ordinal);
        await TakenOnAsync("Herb tubs/parsley");
        await SendDueAsync();
        Assert.Equal(2, box.Letters.Count);
    }

    [Fact]
    public async Task A_server_that_refuses_is_said_and_asked_again_later()
    {
        await ServeAsync();
        box.Mood = new Mood(Down: true);
        var id = await AskedAsync("ilse@example.org", new TimeOnly(17, 0));
        await SendDueAsync();
        Assert.StartsWith("The mail server refused the letter (code 5", (await MailAsync(id)).Fault, StringComparison.Ordinal);
        box.Mood = new Mood();
        await SendDueAsync();
        Assert.Empty(box.Letters);
        await StepAsync(1);
        Assert.Single(box.Letters);
        Assert.Null((await MailAsync(id)).Fault);
    }

    [Fact]
    public async Task Where_no_server_answers_the_try_says_so_in_words()
    {
        using var kept = await Http.PutAsJsonAsync("/api/mail-server", Server, TestApp.Json, Stop);
        using var answer = await Http.PostAsJsonAsync("/api/mail-server/try", new MailTry("ilse@example.org"), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadGateway, answer.StatusCode);
        Assert.Contains($"Nothing answers at 127.0.0.1, port {port}.", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_server_that_hangs_or_lies_ends_in_time()
    {
        var postman = new Postman(App.Services.GetRequiredService<IDataProtectionProvider>()) { Longest = TimeSpan.FromMilliseconds(400) };
        using var silent = new TcpListener(IPAddress.Loopback, 0);
        silent.Start();
        var row = new MailServerRow
        {
            Host = "127.0.0.1",
            Port = ((IPEndPoint)silent.LocalEndpoint).Port,
            From = "garden@example.org",
        };
        Assert.EndsWith("did not answer in time.", await postman.SendAsync(row, "ilse@example.org", "a", "b", Stop), StringComparison.Ordinal);

        using var liar = new TcpListener(IPAddress.Loopback, 0);
        liar.Start();
        var lying = Task.Run(
            async () =>
            {
                using var caller = await liar.AcceptTcpClientAsync(Stop);
                await caller.GetStream().WriteAsync("HTTP/1.1 200 OK\r\n\r\n"u8.ToArray(), Stop);
            },
            Stop
        );
        var fault = await postman.SendAsync(
            new MailServerRow
            {
                Host = "127.0.0.1",
                Port = ((IPEndPoint)liar.LocalEndpoint).Port,
                From = "garden@example.org",
            },
            "ilse@example.org",
            "a",
            "b",
            Stop
        );
        Assert.EndsWith("does not speak as mail servers do.", fault, StringComparison.Ordinal);
        await lying;
    }

    [Fact]
    public async Task A_pass_phrase_is_sealed_never_told_and_not_shown_to_another_server()
    {
        const string secret = "seven red wheelbarrows";
        var server = Server with { Security = MailSecurity.Tls, User = "ilse", PassPhrase = secret };
        using var kept = await Http.PutAsJsonAsync("/api/mail-server", server, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.NoContent, kept.StatusCode);
        var told = await Http.GetStringAsync("/api/mail-server", Stop);
        Assert.Contains("\"hasPassPhrase\":true", told, StringComparison.Ordinal);
        Assert.DoesNotContain(secret, told, StringComparison.Ordinal);
        await using (var scope = App.Services.CreateAsyncScope())
        {
            Assert.DoesNotContain(
                secret,
                (await scope.ServiceProvider.GetRequiredService<GardenDb>().MailServers.SingleAsync(Stop)).Sealed!,
                StringComparison.Ordinal
            );
        }

        using var same = await Http.PutAsJsonAsync("/api/mail-server", server with { Port = 465, PassPhrase = null }, TestApp.Json, Stop);
        Assert.True((await GetAsync<KeptMailServer>("/api/mail-server")).Server!.HasPassPhrase);
        using var other = await Http.PutAsJsonAsync("/api/mail-server", server with { Host = "mail.example.net", PassPhrase = null }, TestApp.Json, Stop);
        Assert.False((await GetAsync<KeptMailServer>("/api/mail-server")).Server!.HasPassPhrase);
    }

    [Theory]
    [InlineData("mail.example.org/inbox", 587, MailSecurity.Tls, "garden@example.org", null, "host")]
    [InlineData("mail.example.org", 587, MailSecurity.Tls, "garden", null, "from")]
    [InlineData("mail.example.org", 587, MailSecurity.None, "garden@example.org", "ilse", "security")]
    [InlineData("mail.example.org", 70000, MailSecurity.Tls, "garden@example.org", null, "port")]
    public async Task A_server_that_can_not_be_is_refused(string host, int at, MailSecurity security, string from, string? user, string field)
    {
        using var answer = await Http.PutAsJsonAsync("/api/mail-server", new MailServerRequest(host, at, security, from, user), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains($"\"{field}\"", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("ilse")]
    [InlineData("ilse@example.org\nBcc: all@example.org")]
    [InlineData("Ilse <ilse@example.org>")]
    [InlineData("a@example.org, b@example.org")]
    public async Task An_address_that_is_none_is_refused(string address)
    {
        using var answer = await Http.PutAsJsonAsync($"mails/{Guid.NewGuid()}", new MailRequest(address, new TimeOnly(17, 0)), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Empty((await GetAsync<MailsAnswer>("mails")).Mails);
    }

    [Fact]
    public async Task An_address_is_asked_once_changed_and_taken_off()
    {
        var id = await AskedAsync("ilse@example.org", new TimeOnly(17, 0));
        using var twice = await Http.PutAsJsonAsync($"mails/{Guid.NewGuid()}", new MailRequest("Ilse@example.org", new TimeOnly(17, 0)), TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, twice.StatusCode);
        using var later = await Http.PutAsJsonAsync($"mails/{id}", new MailRequest("ilse@example.org", new TimeOnly(20, 15)), TestApp.Json, Stop);
        Assert.Equal(new TimeOnly(20, 15), (await MailAsync(id)).At);
        using var off = await Http.DeleteAsync(new Uri($"mails/{id}", UriKind.Relative), Stop);
        Assert.Empty((await GetAsync<MailsAnswer>("mails")).Mails);
    }
}
