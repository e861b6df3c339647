namespace Mauvaise.Store.Rows;

/// <summary>How the way to a mail server is kept from being read: not at all, by STARTTLS, or from the first byte.</summary>
public enum MailSecurity
{
    None,
    StartTls,
    Tls,
}

/// <summary>The household's mail server; one for all gardens, or none.</summary>
public sealed class MailServerRow
{
    public int Id { get; set; }
    public required string Host { get; set; }
    public int Port { get; set; }
    public MailSecurity Security { get; set; }
    public required string From { get; set; }

    /// <summary>Null where the server asks nobody who they are.</summary>
    public string? User { get; set; }

    /// <summary>The pass phrase, sealed with the keys of the data folder.</summary>
    public string? Sealed { get; set; }
}

/// <summary>Somebody who is told of an evening by mail.</summary>
public sealed class MailRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Address { get; set; }

    /// <summary>Not before this hour, by the garden's clock.</summary>
    public TimeOnly At { get; set; }

    /// <summary>Day of the last letter, and how many went on it.</summary>
    public DateOnly? SentOn { get; set; }

    public int SentThen { get; set; }
    public DateTimeOffset? SentAt { get; set; }

    /// <summary>Points of the last letter, a line each.</summary>
    public string? Told { get; set; }

    /// <summary>Why the last try failed; null when it did not.</summary>
    public string? Fault { get; set; }

    public DateTimeOffset? FailedAt { get; set; }
}
