using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Mauvaise.Web.Hosting;

namespace Mauvaise.Web.Home;

/// <summary>
/// A certificate authority of the household's own, kept in the data folder, and the certificate that it gives to this machine's
/// names and addresses. Phones trust the authority once; the certificate is made anew as often as it has to be.
/// </summary>
public sealed class Authority(Settings settings, HomeSettings home, HomeNames names) : IDisposable
{
    private const int AuthorityYears = 10;

    /// <summary>Browsers take no longer ones.</summary>
    private const int LeafDays = 397;

    private const int RenewDays = 30;

    private static readonly TimeSpan LookAgain = TimeSpan.FromMinutes(1);

    private readonly Lock making = new();
    private X509Certificate2? authority;
    private X509Certificate2? leaf;
    private IReadOnlyList<string> leafNames = [];
    private DateTimeOffset lookedAt = DateTimeOffset.MinValue;

    /// <summary>The machine's own clock, also in the demo: certificates are judged by the phones' clocks.</summary>
    private static DateTimeOffset Now => TimeProvider.System.GetUtcNow();

    private string Folder => Path.Combine(settings.DataFolder, "home");

    /// <summary>Without its key, as phones take it in.</summary>
    public byte[] Published => Own().RawData;

    /// <summary>SHA-256 of the authority's certificate, in pairs, to compare by eye.</summary>
    public string Fingerprint => string.Join(':', Convert.ToHexString(SHA256.HashData(Own().RawData)).Chunk(2).Select(pair => new string(pair)));

    /// <summary>The certificate to answer with, made anew when names changed or its end is near.</summary>
    /// <exception cref="HomeException">One's own certificate can not be read.</exception>
    public X509Certificate2 Leaf()
    {
        lock (making)
        {
            if (leaf is not null && Now - lookedAt < LookAgain)
            {
                return leaf;
            }

            lookedAt = Now;
            if (home.Certificate is { } own)
            {
                return leaf ??= Read(own.Certificate, own.Key);
            }

            var wanted = names.All();
            if (leaf is null || leaf.NotAfter.ToUniversalTime() < Now.AddDays(RenewDays).UtcDateTime || !wanted.SequenceEqual(leafNames))
            {
                // The former one may be in use by a connection that is being made: it is left to the collector.
                (leaf, leafNames) = (Issue(Own(), wanted), wanted);
            }

            return leaf;
        }
    }

    private X509Certificate2 Own()
    {
        lock (making)
        {
            return authority ??= Kept() ?? Founded();
        }
    }

    private string CertificatePath => Path.Combine(Folder, "authority.pem");

    private string KeyPath => Path.Combine(Folder, "authority.key");

    /// <summary>Null when there is none, or it ends soon.</summary>
    private X509Certificate2? Kept()
    {
        if (!File.Exists(CertificatePath) || !File.Exists(KeyPath))
        {
            return null;
        }

        var kept = Read(CertificatePath, KeyPath);
        return kept.NotAfter.ToUniversalTime() < Now.AddDays(LeafDays).UtcDateTime ? null : kept;
    }

    private static X509Certificate2 Read(string certificate, string key)
    {
        try
        {
            return Usable(X509Certificate2.CreateFromPemFile(certificate, key));
        }
        catch (Exception e) when (e is IOException or CryptographicException or UnauthorizedAccessException)
        {
            throw new HomeException($"The certificate {certificate} with its key {key} can not be read: {e.Message}", e);
        }
    }

    private X509Certificate2 Founded()
    {
        Directory.CreateDirectory(Folder);
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN=Mauvaise of {Environment.MachineName}", key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign | X509KeyUsageFlags.CrlSign, true));
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        var made = request.CreateSelfSigned(Now.AddDays(-1), Now.AddYears(AuthorityYears));
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
        {
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        }

        using (var file = new StreamWriter(KeyPath, options))
        {
            file.Write(key.ExportPkcs8PrivateKeyPem());
        }

        File.WriteAllText(CertificatePath, made.ExportCertificatePem());
        return made;
    }

    private static X509Certificate2 Issue(X509Certificate2 by, IReadOnlyList<string> names)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=Mauvaise", key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1", "Server authentication")], false));
        var called = new SubjectAlternativeNameBuilder();
        foreach (var name in names)
        {
            if (IPAddress.TryParse(name, out var address))
            {
                called.AddIpAddress(address);
            }
            else
            {
                called.AddDnsName(name);
            }
        }

        request.CertificateExtensions.Add(called.Build());
        var serial = RandomNumberGenerator.GetBytes(16);
        serial[0] &= 0x7f;
        using var issued = request.Create(by, Now.AddDays(-1), Now.AddDays(LeafDays - 1), serial);
        using var whole = issued.CopyWithPrivateKey(key);
        return Usable(whole);
    }

    /// <summary>With a key that a TLS connection can use on every system.</summary>
    private static X509Certificate2 Usable(X509Certificate2 certificate)
    {
        using (certificate)
        {
            return X509CertificateLoader.LoadPkcs12(certificate.Export(X509ContentType.Pkcs12), null);
        }
    }

    public void Dispose()
    {
        authority?.Dispose();
        leaf?.Dispose();
    }
}

/// <summary>The app can not be reached as was asked; the message says why.</summary>
public sealed class HomeException(string message, Exception? inner = null) : Exception(message, inner);
