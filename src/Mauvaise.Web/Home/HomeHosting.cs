using System.Threading.RateLimiting;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.DataProtection.Repositories;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using QRCoder;

namespace Mauvaise.Web.Home;

/// <summary>Puts the home network's parts into the app.</summary>
public static class HomeHosting
{
    private const int TriesAMinute = 10;
    private const int LockedMinutes = 15;

    /// <summary>How long the first code, and one that was asked for at the machine itself, is good.</summary>
    private static readonly TimeSpan KeeperCodeLasts = TimeSpan.FromHours(1);

    public static void AddHome(this IServiceCollection services)
    {
        services.AddSingleton(s => HomeSettings.From(s.GetRequiredService<IConfiguration>()));
        services.AddSingleton<HomeNames>();
        services.AddSingleton(new MachineClock(TimeProvider.System));
        services.AddSingleton<Authority>();
        services.AddSingleton<Sessions>();
        services.AddSingleton<GardenNews>();
        services
            .AddIdentityCore<PersonRow>(o =>
            {
                // Anything may be a name. What a pass phrase has to be is asked where it is set.
                o.User.AllowedUserNameCharacters = "";
                o.Lockout.MaxFailedAccessAttempts = 8;
                o.Lockout.DefaultLockoutTimeSpan = TimeSpan.FromMinutes(LockedMinutes);
            })
            .AddEntityFrameworkStores<GardenDb>();
        services.Configure<IdentityPasskeyOptions>(o =>
        {
            // It is the only key that is asked for: the device has to know its owner, and which name it is for.
            o.UserVerificationRequirement = "required";
            o.ResidentKeyRequirement = "required";
        });
        services.AddScoped<IPasskeyHandler<PersonRow>, PasskeyHandler<PersonRow>>();
        services.AddSingleton<PasskeyTries>();
        services.AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme).AddCookie();
        services.AddOptions<CookieAuthenticationOptions>(CookieAuthenticationDefaults.AuthenticationScheme).Configure<Sessions, MachineClock>(Configure);
        services
            .AddOptions<KeyManagementOptions>()
            .Configure<Settings, ILoggerFactory>(
                (o, settings, log) =>
                    o.XmlRepository = new FileSystemXmlRepository(new DirectoryInfo(Path.Combine(settings.DataFolder, "home", "cookies")), log)
            );
        // The data folder is its owner's alone, so its keys lie open in it.
        services.AddLogging(log => log.AddFilter("Microsoft.AspNetCore.DataProtection.KeyManagement.XmlKeyManager", LogLevel.Error));
        services.AddScoped<IAuthorizationHandler, AccessHandler>();
        services.AddAuthorizationBuilder().SetFallbackPolicy(new AuthorizationPolicyBuilder().AddRequirements(new TableRequirement()).Build());
        services.AddRateLimiter(o =>
        {
            o.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
            o.OnRejected = (context, _) =>
                new ValueTask(
                    Problems
                        .Of(StatusCodes.Status429TooManyRequests, "too-many-tries", Say.Of("home.tooManyTriesWaitAMinute"))
                        .ExecuteAsync(context.HttpContext)
                );
            o.AddPolicy(HomeEndpoints.Guessing, http =>
                RateLimitPartition.GetFixedWindowLimiter(http.Connection.RemoteIpAddress?.ToString() ?? "", _ => new FixedWindowRateLimiterOptions
                {
                    PermitLimit = TriesAMinute,
                    Window = TimeSpan.FromMinutes(1),
                })
            );
        });
    }

    private static void Configure(CookieAuthenticationOptions o, Sessions sessions, MachineClock clock)
    {
        o.TimeProvider = clock.Time;
        o.Cookie.Name = "__Host-mauvaise";
        o.Cookie.HttpOnly = true;
        o.Cookie.SecurePolicy = CookieSecurePolicy.Always;
        o.Cookie.SameSite = SameSiteMode.Strict;
        o.Cookie.Path = "/";
        o.ExpireTimeSpan = Sessions.Lasts;
        o.SlidingExpiration = true;
        o.SessionStore = sessions;
        o.Events.OnRedirectToLogin = c =>
            Problems.Of(StatusCodes.Status401Unauthorized, "signed-out", Say.Of("home.thisDeviceIsSignedOutSign")).ExecuteAsync(c.HttpContext);
        o.Events.OnRedirectToAccessDenied = c =>
            Problems.Of(StatusCodes.Status403Forbidden, "not-yours", Say.Of("home.yourPartInThisGardenDoes")).ExecuteAsync(c.HttpContext);
    }

    /// <summary>Listens on the home network: HTTPS for the app, plain HTTP for the page about trust.</summary>
    public static void ListenAtHome(this IWebHostBuilder host) =>
        host.ConfigureKestrel(
            (context, kestrel) =>
            {
                var home = HomeSettings.From(context.Configuration);
                if (!home.On)
                {
                    return;
                }

                if (!home.EndsHttps)
                {
                    kestrel.ListenAnyIP(home.Port);
                    return;
                }

                kestrel.ListenAnyIP(home.Port, o =>
                    o.UseHttps(https => https.ServerCertificateSelector = (_, _) => kestrel.ApplicationServices.GetRequiredService<Authority>().Leaf())
                );
                kestrel.ListenAnyIP(home.TrustPort);
            }
        );

    /// <summary>Says on the terminal where the app is, and lets the first keeper in.</summary>
    public static async Task WelcomeAsync(IServiceProvider services)
    {
        var home = services.GetRequiredService<HomeSettings>();
        if (!home.On)
        {
            return;
        }

        var names = services.GetRequiredService<HomeNames>();
        var authority = services.GetRequiredService<Authority>();
        await using var scope = services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<GardenDb>();
        Directory.CreateDirectory(Path.Combine(services.GetRequiredService<Settings>().DataFolder, "home"));
        await File.WriteAllTextAsync(AddressFile(services.GetRequiredService<Settings>()), names.Address);
        Console.WriteLine($"At home: {names.Address}");
        if (home is { EndsHttps: true, Certificate: null })
        {
            _ = authority.Leaf();
            Console.WriteLine($"Each phone has to trust it once: {names.TrustAddress} says how. Fingerprint:\n{authority.Fingerprint}");
        }
        else if (home.EndsHttps)
        {
            _ = authority.Leaf();
        }

        if (!await db.People.AnyAsync(p => p.IsKeeper && (p.PasswordHash != null || db.Passkeys.Any(k => k.UserId == p.Id))))
        {
            Console.WriteLine("Nobody keeps this garden yet. Whoever opens this first does:");
            Invite(names.Address, await KeeperKeyAsync(db, services.GetRequiredService<MachineClock>().Now));
        }
        else
        {
            Console.WriteLine(Drawn(names.Address));
        }
    }

    /// <summary>Makes a code for who keeps this Mauvaise; earlier ones open nothing any more.</summary>
    public static async Task<string> KeeperKeyAsync(GardenDb db, DateTimeOffset now)
    {
        var key = Keys.New();
        await db.Invites.Where(i => i.MemberId == null && i.UsedAt == null).ExecuteDeleteAsync();
        db.Invites.Add(
            new InviteRow
            {
                Id = Guid.NewGuid(),
                KeyHash = Keys.Hash(key),
                GoodUntil = now + KeeperCodeLasts,
            }
        );
        await db.SaveChangesAsync();
        return key;
    }

    /// <summary>Where the running app wrote how it is reached.</summary>
    public static string AddressFile(Settings settings) => Path.Combine(settings.DataFolder, "home", "address.txt");

    /// <summary>Prints a keeper's code as an address and as a drawing.</summary>
    public static void Invite(string address, string key)
    {
        var join = $"{address}/join#{key}";
        Console.WriteLine($"{join}\n(good once, within {KeeperCodeLasts.TotalMinutes:0} minutes)\n{Drawn(join)}");
    }

    private static string Drawn(string text)
    {
        using var code = QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.L);
        return new AsciiQRCode(code).GetGraphicSmall();
    }
}
