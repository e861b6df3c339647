namespace Mauvaise.Web.Photos;

/// <summary>What a JPEG holds beside its pixels.</summary>
internal static class JpegMarkers
{
    private const byte Mark = 0xFF,
        Start = 0xD8,
        End = 0xD9,
        Scan = 0xDA,
        Jfif = 0xE0,
        Comment = 0xFE;

    /// <summary>True when there is nothing in it but what draws it: no data of the camera, no comment, nothing behind its end.</summary>
    public static bool ArePlain(ReadOnlySpan<byte> file)
    {
        if (file.Length < 4 || file[0] != Mark || file[1] != Start)
        {
            return false;
        }

        var at = 2;
        while (at + 1 < file.Length && file[at] == Mark)
        {
            var kind = file[at + 1];
            if (kind == End)
            {
                return at + 2 == file.Length;
            }

            if (kind is > Jfif and <= 0xEF or Comment || at + 3 >= file.Length)
            {
                return false;
            }

            at += 2 + (file[at + 2] << 8) + file[at + 3];
            if (kind == Scan)
            {
                at = AfterScan(file, at);
            }
        }

        return false;
    }

    /// <summary>Where the next marker stands: in the pixels a mark is followed by 0, or by one of eight restarts.</summary>
    private static int AfterScan(ReadOnlySpan<byte> file, int at)
    {
        while (at + 1 < file.Length && !(file[at] == Mark && file[at + 1] is not (0 or Mark or (>= 0xD0 and <= 0xD7))))
        {
            at++;
        }

        return at;
    }
}
