using System.Net.Sockets;
using MailKit;
using MailKit.Net.Smtp;
using MailKit.Security;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Microsoft.AspNetCore.DataProtection;
using MimeKit;
using MimeKit.Utils;

namespace Mauvaise.Web.Mailing;

/// <summary>Brings letters to the household's mail server, and says in a sentence why one did not go.</summary>
public sealed class Postman(IDataProtectionProvider keys)
{
    /// <summary>For one letter, from the first byte to the last.</summary>
    public TimeSpan Longest { get; init; } = TimeSpan.FromSeconds(15);

    /// <summary>Letters name no machine of the household.</summary>
    private const string Nobody = "mauvaise.invalid";

    private readonly IDataProtector seal = keys.CreateProtector("mail");

    public string Seal(string passPhrase) => seal.Protect(passPhrase);

    /// <returns>Null when the server took it; else why not.</returns>
    public async Task<string?> SendAsync(MailServerRow server, string to, string subject, string text, CancellationToken stop)
    {
        using var message = new MimeMessage();
        message.From.Add(MailboxAddress.Parse(server.From));
        message.To.Add(MailboxAddress.Parse(to));
        message.Subject = subject;
        message.MessageId = MimeUtils.GenerateMessageId(Nobody);
        message.Body = new TextPart("plain") { Text = text };
        using var time = CancellationTokenSource.CreateLinkedTokenSource(stop);
        time.CancelAfter(Longest);
        try
        {
            using var client = new SmtpClient { LocalDomain = Nobody, Timeout = (int)Longest.TotalMilliseconds };
            await client.ConnectAsync(server.Host, server.Port, Options(server.Security), time.Token);
            if (server.User is { } user)
            {
                await client.AuthenticateAsync(user, server.Sealed is null ? "" : seal.Unprotect(server.Sealed), time.Token);
            }

            await client.SendAsync(message, time.Token);
            await client.DisconnectAsync(true, time.Token);
            return null;
        }
        catch (Exception e) when (!stop.IsCancellationRequested && InWords(server, e) is { } words)
        {
            return words;
        }
    }

    private static SecureSocketOptions Options(MailSecurity security) =>
        security switch
        {
            MailSecurity.Tls => SecureSocketOptions.SslOnConnect,
            MailSecurity.StartTls => SecureSocketOptions.StartTls,
            _ => SecureSocketOptions.None,
        };

    /// <summary>What went wrong, without a word of what the server said: it may say anything.</summary>
    private static string? InWords(MailServerRow server, Exception e) =>
        e switch
        {
            AuthenticationException or ServiceNotAuthenticatedException => Say.Of("mailing.theMailServerRefusedName"),
            System.Security.Cryptography.CryptographicException => Say.Of("mailing.thePassPhraseCanNot"),
            SslHandshakeException => Say.Of("mailing.showedNoCertificateThatThisMachine", ("host", server.Host), ("port", server.Port)),
            OperationCanceledException or TimeoutException => Say.Of("mailing.didNotAnswerInTime", ("host", server.Host)),
            SocketException or IOException => Say.Of("mailing.nothingAnswersAtPort", ("host", server.Host), ("port", server.Port)),
            SmtpCommandException { ErrorCode: SmtpErrorCode.RecipientNotAccepted } => Say.Of("mailing.theMailServerDoesNotTake"),
            SmtpCommandException { ErrorCode: SmtpErrorCode.SenderNotAccepted } => Say.Of("mailing.theMailServerDoesNotTake2"),
            SmtpCommandException refused => Say.Of("mailing.theMailServerRefusedTheLetter", ("statusCode", (int)refused.StatusCode)),
            ProtocolException or NotSupportedException => Say.Of("mailing.portDoesNotSpeakAsMail", ("host", server.Host), ("port", server.Port)),
            _ => null,
        };
}
