using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace Mauvaise.Web.Home;

/// <summary>Names and addresses that this machine is reached by at home.</summary>
public sealed class HomeNames(HomeSettings home)
{
    private static readonly string[] Here = ["localhost", "127.0.0.1", "::1"];

    private static readonly TimeSpan LookAgain = TimeSpan.FromSeconds(20);

    private readonly Lock looking = new();
    private IReadOnlyList<string> known = [];
    private long lookedAt;

    /// <summary>All of them, the one to tell others first, as long as an address lasts.</summary>
    public IReadOnlyList<string> All()
    {
        lock (looking)
        {
            if (known.Count == 0 || TimeProvider.System.GetElapsedTime(lookedAt) > LookAgain)
            {
                var host = Environment.MachineName.ToLowerInvariant();
                known = [.. home.Names, .. Addresses(), host, host + ".local", .. Here];
                lookedAt = TimeProvider.System.GetTimestamp();
            }

            return known;
        }
    }

    /// <summary>Whether a request may name this host; an address in brackets counts as the address.</summary>
    public bool Knows(string host) => (home.On ? All() : [.. home.Names, .. Here]).Contains(host.Trim('[', ']'), StringComparer.OrdinalIgnoreCase);

    /// <summary>Where a phone finds the app.</summary>
    public string Address => home.Proxies.Count > 0 ? $"https://{All()[0]}" : $"https://{Bracketed(All()[0])}:{home.Port}";

    /// <summary>Where a phone finds the page about trust.</summary>
    public string TrustAddress => $"http://{Bracketed(All()[0])}:{home.TrustPort}";

    private static string Bracketed(string host) => host.Contains(':', StringComparison.Ordinal) ? $"[{host}]" : host;

    private static IEnumerable<string> Addresses() =>
        from card in NetworkInterface.GetAllNetworkInterfaces()
        where card.OperationalStatus == OperationalStatus.Up && card.NetworkInterfaceType != NetworkInterfaceType.Loopback
        from address in card.GetIPProperties().UnicastAddresses
        where address.Address.AddressFamily == AddressFamily.InterNetwork && !IPAddress.IsLoopback(address.Address)
        orderby card.Name, address.Address.ToString()
        select address.Address.ToString();
}
