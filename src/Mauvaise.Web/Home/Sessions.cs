using System.Security.Claims;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Home;

/// <summary>Phones and computers that are in. A cookie names a session here, so one that is ended opens nothing any more.</summary>
public sealed class Sessions(IServiceScopeFactory scopes, MachineClock clock) : ITicketStore
{
    /// <summary>A phone that was not seen for so long is out.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromDays(90);

    /// <summary>Claim with the session's id, and what the ticket says of the device.</summary>
    public const string SessionClaim = "session",
        Device = "device";

    private static readonly TimeSpan SeenEvery = TimeSpan.FromHours(1);

    /// <summary>Whoever it is, on a device of theirs.</summary>
    public static Task SignInAsync(HttpContext http, PersonRow person, string? device)
    {
        var identity = new ClaimsIdentity(
            [
                new Claim(ClaimTypes.NameIdentifier, person.Id.ToString()),
                new Claim(ClaimTypes.Name, person.UserName ?? ""),
                new Claim(SessionClaim, Guid.NewGuid().ToString()),
            ],
            CookieAuthenticationDefaults.AuthenticationScheme
        );
        var properties = new AuthenticationProperties { IsPersistent = true };
        properties.Items[Device] = string.IsNullOrWhiteSpace(device) ? "a device" : device.Trim();
        return http.SignInAsync(CookieAuthenticationDefaults.AuthenticationScheme, new ClaimsPrincipal(identity), properties);
    }

    public static Guid? IdOf(ClaimsPrincipal user) => Guid.TryParse(user.FindFirstValue(SessionClaim), out var id) ? id : null;

    public static Guid? PersonOf(ClaimsPrincipal user) => Guid.TryParse(user.FindFirstValue(ClaimTypes.NameIdentifier), out var id) ? id : null;

    public async Task<string> StoreAsync(AuthenticationTicket ticket)
    {
        var key = Keys.New();
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<GardenDb>();
        var now = clock.Now;
        db.Sessions.Add(
            new SessionRow
            {
                Id = IdOf(ticket.Principal)!.Value,
                KeyHash = Keys.Hash(key),
                PersonId = PersonOf(ticket.Principal)!.Value,
                Device = ticket.Properties.Items[Device] ?? "",
                Ticket = TicketSerializer.Default.Serialize(ticket),
                StartedAt = now,
                LastSeenAt = now,
                ExpiresAt = ticket.Properties.ExpiresUtc ?? now + Lasts,
            }
        );
        await db.Sessions.Where(s => s.ExpiresAt < now).ExecuteDeleteAsync();
        await db.SaveChangesAsync();
        return key;
    }

    public async Task RenewAsync(string key, AuthenticationTicket ticket)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<GardenDb>();
        if (await db.Sessions.FirstOrDefaultAsync(s => s.KeyHash == Keys.Hash(key)) is { } row)
        {
            row.Ticket = TicketSerializer.Default.Serialize(ticket);
            row.ExpiresAt = ticket.Properties.ExpiresUtc ?? row.ExpiresAt;
            await db.SaveChangesAsync();
        }
    }

    public async Task<AuthenticationTicket?> RetrieveAsync(string key)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<GardenDb>();
        var hash = Keys.Hash(key);
        var now = clock.Now;
        if (await db.Sessions.AsNoTracking().FirstOrDefaultAsync(s => s.KeyHash == hash) is not { } row || row.ExpiresAt < now)
        {
            return null;
        }

        if (now - row.LastSeenAt >= SeenEvery)
        {
            await db.Sessions.Where(s => s.KeyHash == hash).ExecuteUpdateAsync(s => s.SetProperty(x => x.LastSeenAt, now));
        }

        return TicketSerializer.Default.Deserialize(row.Ticket);
    }

    public async Task RemoveAsync(string key)
    {
        await using var scope = scopes.CreateAsyncScope();
        var hash = Keys.Hash(key);
        await scope.ServiceProvider.GetRequiredService<GardenDb>().Sessions.Where(s => s.KeyHash == hash).ExecuteDeleteAsync();
    }
}
