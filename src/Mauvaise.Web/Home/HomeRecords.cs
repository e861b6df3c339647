using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Gardens;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Home;

/// <summary>Whether people sign in here, and who this device belongs to.</summary>
/// <param name="SignIn">False where the app answers on its own machine only.</param>
/// <param name="Person">Null where nobody is in.</param>
public sealed record HomeAnswer(bool SignIn, PersonAnswer? Person);

/// <param name="HasWayIn">A pass phrase or a passkey: may sign in without a code.</param>
public sealed record PersonAnswer(string Name, bool Keeper, bool HasWayIn, IReadOnlyList<StandingAnswer> Gardens);

public sealed record StandingAnswer(Guid GardenId, Guid MemberId, Role Role);

/// <param name="Key">What the code held.</param>
/// <param name="Device">As the household will see it listed.</param>
public sealed record JoinRequest([property: StringLength(100)] string Key, [property: StringLength(80)] string? Device = null);

public sealed record SignInRequest(
    [property: StringLength(80)] string Name,
    [property: StringLength(200)] string PassPhrase,
    [property: StringLength(80)] string? Device = null
);

/// <param name="Name">Null to keep it.</param>
public sealed record PassPhraseChange([property: StringLength(200)] string PassPhrase, [property: StringLength(80)] string? Name = null);

/// <param name="GuestDays">For a guest: days until it ends; null for good.</param>
/// <param name="GuestPlaces">For a guest: places that may be written to; null for all.</param>
public sealed record InviteRequest([property: Range(1, 365)] int? GuestDays = null, IReadOnlyList<Guid>? GuestPlaces = null);

/// <summary>A code that lets one phone in, once.</summary>
/// <param name="Svg">The code as a drawing.</param>
public sealed record InviteAnswer(string Name, Role Role, string Address, string Svg, DateTimeOffset GoodUntil, string TrustAddress, string? Fingerprint);

/// <param name="This">The device that asks.</param>
public sealed record DeviceAnswer(Guid Id, string Person, string Device, DateTimeOffset StartedAt, DateTimeOffset LastSeenAt, bool This);

public sealed record NewLink(Guid Id, LinkKind Kind, [property: StringLength(80)] string Name);

/// <param name="Address">Shown once: only its hash is kept.</param>
public sealed record MadeLink(Guid Id, string Address);

public sealed record LinkAnswer(Guid Id, LinkKind Kind, string Name, DateTimeOffset MadeAt);
