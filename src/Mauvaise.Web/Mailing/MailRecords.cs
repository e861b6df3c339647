using System.ComponentModel.DataAnnotations;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Mailing;

/// <param name="HasPassPhrase">One is kept; it is never told again.</param>
public sealed record MailServerAnswer(string Host, int Port, MailSecurity Security, string From, string? User, bool HasPassPhrase);

/// <param name="Server">Null while none is kept.</param>
public sealed record KeptMailServer(MailServerAnswer? Server);

/// <param name="PassPhrase">Null keeps the one that is kept; empty forgets it.</param>
public sealed record MailServerRequest(
    [property: MaxLength(200)] string Host,
    [property: Range(1, 65535)] int Port,
    MailSecurity Security,
    [property: MaxLength(200)] string From,
    [property: MaxLength(200)] string? User = null,
    [property: MaxLength(200)] string? PassPhrase = null
);

public sealed record MailTry([property: MaxLength(200)] string To);

/// <param name="At">Not before this hour, by the garden's clock.</param>
/// <param name="Fault">Why the last letter did not go, in a sentence; null when it did.</param>
public sealed record MailAnswer(Guid Id, string Address, TimeOnly At, DateTimeOffset? SentAt, string? Fault, DateTimeOffset? FailedAt);

/// <param name="Letters">Where the demo's letters can be read; null elsewhere.</param>
/// <param name="Next">Subject of the letter that would go now; null where nothing is to be done.</param>
public sealed record MailsAnswer(bool HasServer, IReadOnlyList<MailAnswer> Mails, string? Next, string? Letters);

public sealed record MailRequest([property: MaxLength(200)] string Address, TimeOnly At);
