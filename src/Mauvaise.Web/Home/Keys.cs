using System.Buffers.Text;
using System.Security.Cryptography;
using System.Text;

namespace Mauvaise.Web.Home;

/// <summary>Keys that open something to who has them: made here, kept as a hash only.</summary>
public static class Keys
{
    private const int Bytes = 16;

    /// <summary>128 bits by chance, in letters that a link may hold.</summary>
    public static string New() => Base64Url.EncodeToString(RandomNumberGenerator.GetBytes(Bytes));

    public static string InLetters(byte[] key) => Base64Url.EncodeToString(key);

    /// <summary>Null for what holds other letters.</summary>
    public static byte[]? FromLetters(string letters) => Base64Url.IsValid(letters) ? Base64Url.DecodeFromChars(letters) : null;

    /// <summary>SHA-256, hexadecimal. A key by chance needs no salt.</summary>
    public static string Hash(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));
}
