using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Mailing;

/// <summary>Sends what is due: a letter an evening at the most, and a second one when the plan changed after the first.</summary>
public sealed class MailRound(GardenTools tools, Postman postman)
{
    private const int MostADay = 2;

    /// <summary>After a fault the next try waits so long.</summary>
    private static readonly TimeSpan Again = TimeSpan.FromMinutes(15);

    /// <summary>The schedule and a stepped clock may look at once; one after the other they send no letter twice.</summary>
    private static readonly SemaphoreSlim OneAtATime = new(1, 1);

    /// <summary>Looks at every mail of every garden.</summary>
    public async Task SendDueAsync(CancellationToken stop)
    {
        await OneAtATime.WaitAsync(stop);
        try
        {
            await LookAsync(stop);
        }
        finally
        {
            OneAtATime.Release();
        }
    }

    private async Task LookAsync(CancellationToken stop)
    {
        if (await ServerAsync(tools, stop) is not { } server)
        {
            return;
        }

        foreach (var mails in (await tools.Db.Mails.ToListAsync(stop)).GroupBy(m => m.GardenId))
        {
            using var speaking = Language.Speaking(await tools.VoiceOfAsync(mails.Key, stop));
            if (mails.Any(m => m.FailedAt is null || m.FailedAt <= tools.Now - Again) && await tools.LoadAsync(mails.Key, stop) is { } garden)
            {
                var letter = new Lazy<EveningLetter?>(() => EveningLetter.Of(garden));
                foreach (var mail in mails)
                {
                    await SendAsync(garden, server, mail, letter, stop);
                }
            }
        }
    }

    public static Task<MailServerRow?> ServerAsync(GardenTools tools, CancellationToken stop) => tools.Db.MailServers.AsNoTracking().FirstOrDefaultAsync(stop);

    private async Task SendAsync(GardenSnapshot garden, MailServerRow server, MailRow mail, Lazy<EveningLetter?> letter, CancellationToken stop)
    {
        if (TimeOnly.FromDateTime(garden.Garden.Zone.Local(garden.Now).DateTime) < mail.At || mail.FailedAt > garden.Now - Again)
        {
            return;
        }

        var first = mail.SentOn != garden.Today;
        if (
            first
                ? letter.Value is null
                : mail.SentThen >= MostADay || !EveningLetter.Changed(garden, mail.Told?.Split('\n') ?? [], mail.SentAt!.Value, letter.Value)
        )
        {
            return;
        }

        var (subject, text) = Words(garden, letter.Value, first);
        mail.Fault = await postman.SendAsync(server, mail.Address, subject, text, stop);
        mail.FailedAt = mail.Fault is null ? null : garden.Now;
        if (mail.Fault is null)
        {
            (mail.SentThen, mail.SentOn, mail.SentAt, mail.Told) = (
                first ? 1 : mail.SentThen + 1,
                garden.Today,
                garden.Now,
                string.Join('\n', letter.Value?.Points ?? [])
            );
        }

        await tools.Db.SaveChangesAsync(stop);
    }

    /// <summary>Subject and text in the household's units.</summary>
    private static (string Subject, string Text) Words(GardenSnapshot garden, EveningLetter? letter, bool first)
    {
        string Told(string words) => garden.Garden.Told(words);
        var subject =
            letter is null ? Say.Of("mailing.nothingIsToBeDoneThis")
            : first ? Told(letter.Subject)
            : Say.Of("mailing.changed", ("told", Told(letter.Subject)));
        var head = $"{garden.Garden.Name}, {Say.In(garden.Today, "dddd d MMMM")}";
        return (subject, string.Join("\n\n", [head, .. letter?.Lines.Select(Told) ?? [subject + "."]]) + "\n");
    }
}

/// <summary>Looks every minute of real time. Whatever goes wrong, the app goes on.</summary>
public sealed partial class MailSchedule(IServiceScopeFactory scopes, ILogger<MailSchedule> log) : BackgroundService
{
    private static readonly TimeSpan Every = TimeSpan.FromMinutes(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Every, TimeProvider.System);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await scope.ServiceProvider.GetRequiredService<MailRound>().SendDueAsync(stoppingToken);
            }
            catch (Exception e) when (!stoppingToken.IsCancellationRequested)
            {
                LogFailure(log, e.GetType().Name);
            }
        }
    }

    // The exception itself may name an address.
    [LoggerMessage(Level = LogLevel.Error, Message = "Letters could not be sent ({Kind}). The next try is in a minute.")]
    private static partial void LogFailure(ILogger log, string kind);
}
