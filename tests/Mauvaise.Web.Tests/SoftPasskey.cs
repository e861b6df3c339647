using System.Buffers.Binary;
using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json;

namespace Mauvaise.Web.Tests;

/// <summary>A device with one passkey, in software: it answers what a browser would be asked, after the Web Authentication standard of W3C, level 2.</summary>
internal sealed class SoftPasskey(string origin = "https://localhost") : IDisposable
{
    private const byte OwnerThere = 0x01,
        OwnerKnown = 0x04,
        HoldsKey = 0x40;

    private static readonly string[] Transports = ["internal"];

    private readonly ECDsa key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
    private readonly byte[] id = RandomNumberGenerator.GetBytes(32);
    private string ownerId = "";

    /// <summary>How often it was used, as it tells.</summary>
    public uint Uses { get; set; }

    /// <summary>It asks its owner for finger, face or code.</summary>
    public bool KnowsOwner { get; init; } = true;

    /// <summary>Makes the key that is asked for.</summary>
    public string Made(string options)
    {
        using var asked = JsonDocument.Parse(options);
        ownerId = asked.RootElement.GetProperty("user").GetProperty("id").GetString()!;
        var point = key.ExportParameters(false).Q;
        // As COSE has a key on P-256: kind 2, algorithm -7, curve 1, x, y.
        byte[] cose = [0xA5, 0x01, 0x02, 0x03, 0x26, 0x20, 0x01, 0x21, 0x58, 0x20, .. point.X!, 0x22, 0x58, 0x20, .. point.Y!];
        byte[] about =
        [
            .. Head(asked.RootElement.GetProperty("rp").GetProperty("id").GetString()!, HoldsKey),
            .. new byte[16],
            0,
            (byte)id.Length,
            .. id,
            .. cose,
        ];
        // A map of three in CBOR: no attestation, and what is told of the key.
        byte[] attested = [0xA3, .. Text("fmt"), .. Text("none"), .. Text("attStmt"), 0xA0, .. Text("authData"), 0x58, (byte)about.Length, .. about];
        return Answer(
            new
            {
                clientDataJSON = Letters(ClientData(asked, "webauthn.create")),
                attestationObject = Letters(attested),
                transports = Transports,
            }
        );
    }

    /// <summary>Shows the key that it has.</summary>
    public string Shown(string options)
    {
        using var asked = JsonDocument.Parse(options);
        Uses++;
        var about = Head(asked.RootElement.GetProperty("rpId").GetString()!, 0);
        var client = ClientData(asked, "webauthn.get");
        return Answer(
            new
            {
                clientDataJSON = Letters(client),
                authenticatorData = Letters(about),
                signature = Letters(key.SignData([.. about, .. SHA256.HashData(client)], HashAlgorithmName.SHA256, DSASignatureFormat.Rfc3279DerSequence)),
                userHandle = ownerId,
            }
        );
    }

    private byte[] Head(string name, byte more)
    {
        var uses = new byte[4];
        BinaryPrimitives.WriteUInt32BigEndian(uses, Uses);
        return [.. SHA256.HashData(Encoding.UTF8.GetBytes(name)), (byte)(OwnerThere | (KnowsOwner ? OwnerKnown : 0) | more), .. uses];
    }

    private byte[] ClientData(JsonDocument asked, string type) =>
        JsonSerializer.SerializeToUtf8Bytes(
            new
            {
                type,
                challenge = asked.RootElement.GetProperty("challenge").GetString(),
                origin,
                crossOrigin = false,
            }
        );

    private string Answer(object response) =>
        JsonSerializer.Serialize(
            new
            {
                id = Letters(id),
                rawId = Letters(id),
                type = "public-key",
                clientExtensionResults = new { },
                response,
            }
        );

    private static byte[] Text(string text) => [(byte)(0x60 + text.Length), .. Encoding.ASCII.GetBytes(text)];

    private static string Letters(byte[] bytes) => Base64Url.EncodeToString(bytes);

    public void Dispose() => key.Dispose();
}
