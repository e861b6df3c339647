using System.Net;

namespace Mauvaise.Web.Home;

/// <summary>How the app is reached from the home network. Without it, it answers on its own machine only, and nobody signs in.</summary>
/// <param name="On">Everybody signs in.</param>
/// <param name="Port">Of the app over HTTPS.</param>
/// <param name="TrustPort">Of the page over plain HTTP that says how to trust the app's authority.</param>
/// <param name="Names">Names that the app is reached by, beside those that the machine knows.</param>
/// <param name="Certificate">Files of a certificate and key of one's own, as PEM; null for the app's own authority.</param>
/// <param name="Proxies">Addresses of proxies that end HTTPS in front of the app; empty where it does that itself.</param>
public sealed record HomeSettings(
    bool On,
    int Port,
    int TrustPort,
    IReadOnlyList<string> Names,
    (string Certificate, string Key)? Certificate,
    IReadOnlyList<IPAddress> Proxies
)
{
    /// <summary>HTTPS ends here, not at a proxy.</summary>
    public bool EndsHttps => On && Proxies.Count == 0;

    /// <exception cref="HomeException">A setting can not be read; the message says which.</exception>
    public static HomeSettings From(IConfiguration configuration)
    {
        var port = configuration.GetValue("HomePort", 5443);
        var (certificate, key) = (configuration["HomeCert"], configuration["HomeKey"]);
        if (string.IsNullOrEmpty(certificate) != string.IsNullOrEmpty(key))
        {
            throw new HomeException("A certificate of your own wants both: --cert with the certificate and --key with its key.");
        }

        return new HomeSettings(
            configuration.GetValue("AtHome", false),
            port,
            configuration.GetValue("TrustPort", port + 1),
            Listed(configuration["Hosts"]),
            string.IsNullOrEmpty(certificate) ? null : (Path.GetFullPath(certificate), Path.GetFullPath(key!)),
            [
                .. Listed(configuration["HomeProxies"])
                    .Select(p => IPAddress.TryParse(p, out var address) ? address : throw new HomeException($"A proxy is named by its address; {p} is none.")),
            ]
        );
    }

    private static string[] Listed(string? names) => (names ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
}
