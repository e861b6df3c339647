using Microsoft.AspNetCore.Identity;

namespace Mauvaise.Store.Rows;

/// <summary>Somebody who signs in on the home network. Name, pass phrase and lock-out are kept by Identity.</summary>
public sealed class PersonRow : IdentityUser<Guid>
{
    /// <summary>Keeps this Mauvaise: may set up gardens, and has every right in those that stand here.</summary>
    public bool IsKeeper { get; set; }
}

/// <summary>Whom of a garden's household a person is.</summary>
public sealed class GrantRow
{
    public Guid PersonId { get; set; }
    public Guid GardenId { get; set; }
    public Guid MemberId { get; set; }

    /// <summary>Null for good.</summary>
    public DateTimeOffset? Until { get; set; }

    /// <summary>Ids of the places that a guest may write to, with commas between; null for all.</summary>
    public string? Places { get; set; }
}

/// <summary>A phone or computer that is in. The cookie holds its key, the file only the key's hash.</summary>
public sealed class SessionRow
{
    public Guid Id { get; set; }
    public required string KeyHash { get; set; }
    public Guid PersonId { get; set; }
    public required string Device { get; set; }
    public required byte[] Ticket { get; set; }
    public DateTimeOffset StartedAt { get; set; }

    /// <summary>To the hour, so that looking writes next to nothing.</summary>
    public DateTimeOffset LastSeenAt { get; set; }

    public DateTimeOffset ExpiresAt { get; set; }
}

/// <summary>A code that lets one phone in, once.</summary>
public sealed class InviteRow
{
    public Guid Id { get; set; }
    public required string KeyHash { get; set; }

    /// <summary>Null with <see cref="MemberId"/>: for who keeps this Mauvaise.</summary>
    public Guid? GardenId { get; set; }

    public Guid? MemberId { get; set; }
    public DateTimeOffset GoodUntil { get; set; }
    public DateTimeOffset? UsedAt { get; set; }

    /// <inheritdoc cref="GrantRow.Until"/>
    public DateTimeOffset? GuestUntil { get; set; }

    /// <inheritdoc cref="GrantRow.Places"/>
    public string? GuestPlaces { get; set; }
}

/// <summary>What a link opens.</summary>
public enum LinkKind
{
    Calendar,
    Neighbours,
}

/// <summary>A link that opens one thing to who has it, until it is ended.</summary>
public sealed class LinkRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public LinkKind Kind { get; set; }
    public required string Name { get; set; }
    public required string KeyHash { get; set; }
    public DateTimeOffset MadeAt { get; set; }
    public DateTimeOffset? EndedAt { get; set; }
}
