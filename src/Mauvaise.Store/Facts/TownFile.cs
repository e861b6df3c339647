using System.Globalization;
using System.IO.Compression;
using Mauvaise.Core.Catalogue;

namespace Mauvaise.Store.Facts;

/// <summary>The towns that ship with the app: GeoNames' (CC BY 4.0), packed, the largest first.</summary>
public static class TownFile
{
    public const string Name = "towns.tsv.gz";

    /// <summary>Lines of name, country, hundredths of latitude and longitude, and time zone.</summary>
    public static TownBook Read(string folder)
    {
        using var file = File.OpenRead(Path.Combine(folder, Name));
        using var unpacked = new GZipStream(file, CompressionMode.Decompress);
        using var reader = new StreamReader(unpacked);
        return new TownBook(Lines(reader).Select(line => line.Split('\t')).Select(f => new Town(f[0], f[1], Hundredths(f[2]), Hundredths(f[3]), f[4])));
    }

    private static IEnumerable<string> Lines(StreamReader reader)
    {
        while (reader.ReadLine() is { } line)
        {
            yield return line;
        }
    }

    private static double Hundredths(string text) => int.Parse(text, CultureInfo.InvariantCulture) / 100.0;
}
