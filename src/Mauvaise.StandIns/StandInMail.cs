using System.Buffers;
using System.Collections.Concurrent;
using System.Net;
using MimeKit;
using SmtpServer;
using SmtpServer.ComponentModel;
using SmtpServer.Protocol;
using SmtpServer.Storage;

namespace Mauvaise.StandIns;

/// <summary>A letter that came.</summary>
public sealed record StandInLetter(DateTimeOffset At, string To, string Subject, string Text);

/// <summary>A mail server that keeps what it gets, the newest hundred, and delivers nothing.</summary>
public sealed class StandInMail : MessageStore
{
    private const int Most = 100;
    private const int LargestBytes = 1_000_000;

    private readonly ConcurrentQueue<StandInLetter> letters = new();

    /// <summary>How it behaves; tests make it refuse or hang.</summary>
    public Mood Mood { get; set; } = new();

    public IReadOnlyList<StandInLetter> Letters => [.. letters.Reverse()];

    public override async Task<SmtpResponse> SaveAsync(
        ISessionContext context,
        IMessageTransaction transaction,
        ReadOnlySequence<byte> buffer,
        CancellationToken cancellationToken
    )
    {
        await Task.Delay(TimeSpan.FromSeconds(Mood.SlowSeconds), cancellationToken);
        if (Mood.Down)
        {
            return SmtpResponse.MailboxUnavailable;
        }

        using var stream = new MemoryStream(buffer.ToArray());
        using var message = await MimeMessage.LoadAsync(stream, cancellationToken);
        letters.Enqueue(new StandInLetter(message.Date, message.To.ToString(), message.Subject ?? "", message.TextBody ?? ""));
        while (letters.Count > Most)
        {
            letters.TryDequeue(out _);
        }

        return SmtpResponse.Ok;
    }

    /// <summary>Takes letters on a port of this machine until it is told to stop.</summary>
    public Task ServeAsync(int port, CancellationToken stop)
    {
        var services = new SmtpServer.ComponentModel.ServiceProvider();
        services.Add(this);
        var options = new SmtpServerOptionsBuilder()
            .ServerName("stand-in")
            .MaxMessageSize(LargestBytes)
            .Endpoint(e => e.Endpoint(new IPEndPoint(IPAddress.Loopback, port)).AllowUnsecureAuthentication())
            .Build();
        return new SmtpServer.SmtpServer(options, services).StartAsync(stop);
    }

    /// <summary>A page that shows the letters, the newest first.</summary>
    public string Page() =>
        $"""
            <!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Letters</title>
            <style>body {"{"} font: 1rem/1.5 system-ui, sans-serif; max-width: 44rem; margin: 2rem auto; padding: 0 1rem; color: #2b1a33;
            background: #f8f6fa {"}"} pre {"{"} white-space: pre-wrap; font: inherit {"}"}</style>
            <h1>Letters of the demo</h1>{(letters.IsEmpty ? "<p>None came yet.</p>" : string.Concat(Letters.Select(Html)))}</html>
            """;

    private static string Html(StandInLetter letter) =>
        $"<article><h2>{WebUtility.HtmlEncode(letter.Subject)}</h2>"
        + $"<p>To {WebUtility.HtmlEncode(letter.To)}</p><pre>{WebUtility.HtmlEncode(letter.Text)}</pre></article>";
}

/// <summary>Serves letters for as long as the stand-ins run.</summary>
public sealed class MailBox(StandInMail mail, int port) : BackgroundService
{
    protected override Task ExecuteAsync(CancellationToken stoppingToken) => mail.ServeAsync(port, stoppingToken);
}
