using System.Globalization;
using System.IO.Compression;
using System.Text;
using System.Text.Json;
using System.Text.RegularExpressions;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Archive;

/// <summary>An archive that can not be taken in; nothing was written.</summary>
public sealed class ArchiveRefusedException(string code, string sentence) : Exception(sentence)
{
    public string Code { get; } = code;
}

/// <summary>
/// A whole garden in one open file: a zip of garden.json with its schema, weather.csv, photos and a note that says what is what.
/// The same garden always gives the same bytes.
/// </summary>
public static partial class ArchiveFile
{
    public const string GardenEntry = "garden.json";
    public const string SchemaEntry = "garden.schema.json";
    public const string WeatherEntry = "weather.csv";
    public const string NoteEntry = "README.txt";

    /// <summary>More than this is no garden, bytes unpacked.</summary>
    public const long MostBytes = 4L * 1024 * 1024 * 1024;
    public const long MostTextBytes = 512L * 1024 * 1024;
    public const long MostPhotoBytes = 16L * 1024 * 1024;

    private const string WeatherHeader =
        "source,hour_utc,temperature_c,relative_humidity_percent,wind_m_s,gust_m_s,rain_mm,cloud_percent,leaf_wetness_share,solar_w_m2";
    private static string Note => Say.Of("store.thisIsAWholeGardenWritten") + "\n";

    /// <summary>A zip keeps no earlier time than this; with it, the same garden gives the same bytes.</summary>
    private static readonly DateTimeOffset Timeless = new(1980, 1, 1, 0, 0, 0, TimeSpan.Zero);

    [GeneratedRegex(@"^photos/(?<id>[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})(?<small>\.small)?\.jpg$")]
    private static partial Regex PhotoName();

    /// <summary>Writes a garden. Photos pass through one at a time.</summary>
    public static async Task WriteAsync(GardenDb db, GardenArchive archive, Stream to, CancellationToken stop)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        async Task Text(string name, string text)
        {
            await using var entry = Entry(zip, name, CompressionLevel.Optimal);
            await entry.WriteAsync(Encoding.UTF8.GetBytes(text), stop);
        }

        await Text(NoteEntry, Note);
        await Text(SchemaEntry, GardenArchive.Schema());
        await Text(GardenEntry, JsonSerializer.Serialize(archive, GardenArchive.Json));
        await using (var weather = new StreamWriter(Entry(zip, WeatherEntry, CompressionLevel.Optimal), new UTF8Encoding(false)))
        {
            await WriteWeatherAsync(db, archive.Garden.Id, weather, stop);
        }

        foreach (var photo in archive.Photos)
        {
            if (await db.PhotoImages.AsNoTracking().FirstOrDefaultAsync(p => p.PhotoId == photo.Id, stop) is { } image)
            {
                await using (var whole = Entry(zip, $"photos/{photo.Id}.jpg", CompressionLevel.NoCompression))
                {
                    await whole.WriteAsync(image.Image, stop);
                }

                await using var small = Entry(zip, $"photos/{photo.Id}.small.jpg", CompressionLevel.NoCompression);
                await small.WriteAsync(image.Small, stop);
            }
        }
    }

    /// <summary>Opens an archive and reads what is not pictures. Names, sizes and the version are checked first.</summary>
    /// <exception cref="ArchiveRefusedException">It is no archive, is damaged, too large, or of a newer version.</exception>
    public static async Task<OpenedArchive> OpenAsync(Stream file, CancellationToken stop)
    {
        ZipArchive zip;
        try
        {
            zip = new ZipArchive(file, ZipArchiveMode.Read, leaveOpen: true);
            Check(zip);
        }
        catch (InvalidDataException)
        {
            throw new ArchiveRefusedException(
                "archive-broken",
                "This is no whole archive: the file ends too early or is something else. Fetch it again from where it was kept."
            );
        }

        var json = await TextAsync(zip, GardenEntry, stop)
            ?? throw new ArchiveRefusedException("archive-empty", $"There is no {GardenEntry} in this file, so it is no garden.");
        var archive = ArchiveUpgrade.Read(json);
        ArchiveCheck.Hold(archive);
        return new OpenedArchive(zip, archive, await TextAsync(zip, WeatherEntry, stop) is { } weather ? ReadWeather(weather) : []);
    }

    /// <summary>A picture of an open archive; null when it is not in it.</summary>
    internal static async Task<byte[]?> PhotoAsync(ZipArchive zip, Guid id, bool small, CancellationToken stop) =>
        zip.GetEntry($"photos/{id}{(small ? ".small" : "")}.jpg") is { } entry ? await BytesAsync(entry, MostPhotoBytes, stop) : null;

    private static Stream Entry(ZipArchive zip, string name, CompressionLevel level)
    {
        var entry = zip.CreateEntry(name, level);
        entry.LastWriteTime = Timeless;
        return entry.Open();
    }

    /// <summary>Only names that we write ourselves, so that no path can lead out of the archive, and no more than a garden can hold.</summary>
    private static void Check(ZipArchive zip)
    {
        long whole = 0;
        var names = new HashSet<string>(StringComparer.Ordinal);
        foreach (var entry in zip.Entries)
        {
            var isPhoto = PhotoName().IsMatch(entry.FullName);
            if (!isPhoto && entry.FullName is not (GardenEntry or SchemaEntry or WeatherEntry or NoteEntry))
            {
                throw new ArchiveRefusedException(
                    "archive-strange",
                    $"There is something in this file that belongs to no garden: \"{Short(entry.FullName)}\". Nothing was taken in."
                );
            }

            if (!names.Add(entry.FullName))
            {
                throw new ArchiveRefusedException("archive-strange", $"\"{entry.FullName}\" is in this file twice. Nothing was taken in.");
            }

            whole += entry.Length;
            if (entry.Length > (isPhoto ? MostPhotoBytes : MostTextBytes) || whole > MostBytes)
            {
                throw new ArchiveRefusedException("archive-large", $"\"{entry.FullName}\" unpacks to more than any garden holds. Nothing was taken in.");
            }
        }
    }

    private static async Task<string?> TextAsync(ZipArchive zip, string name, CancellationToken stop) =>
        zip.GetEntry(name) is { } entry ? Encoding.UTF8.GetString(await BytesAsync(entry, MostTextBytes, stop)) : null;

    /// <summary>The length that an entry claims is not to be trusted: it is counted as it unpacks.</summary>
    private static async Task<byte[]> BytesAsync(ZipArchiveEntry entry, long most, CancellationToken stop)
    {
        try
        {
            await using var from = entry.Open();
            using var all = new MemoryStream();
            var buffer = new byte[81920];
            int read;
            while ((read = await from.ReadAsync(buffer, stop)) > 0)
            {
                all.Write(buffer, 0, read);
                if (all.Length > most || all.Length > entry.Length)
                {
                    throw new ArchiveRefusedException("archive-large", $"\"{entry.FullName}\" unpacks to more than it says. Nothing was taken in.");
                }
            }

            return all.Length == entry.Length
                ? all.ToArray()
                : throw new ArchiveRefusedException("archive-broken", $"\"{entry.FullName}\" is cut off. Fetch the file again from where it was kept.");
        }
        catch (InvalidDataException)
        {
            throw new ArchiveRefusedException("archive-broken", $"\"{entry.FullName}\" is damaged. Fetch the file again from where it was kept.");
        }
    }

    private static async Task WriteWeatherAsync(GardenDb db, Guid gardenId, TextWriter to, CancellationToken stop)
    {
        await to.WriteAsync(WeatherHeader + "\n");
        await foreach (
            var day in db
                .WeatherDays.AsNoTracking()
                .Where(w => w.GardenId == gardenId)
                .OrderBy(w => w.DayUtc)
                .ThenBy(w => w.Source)
                .AsAsyncEnumerable()
                .WithCancellation(stop)
        )
        {
            var hours = HourPacking.Unpack(day.Hours);
            for (var h = 0; h < hours.Length; h++)
            {
                var x = hours[h];
                double?[] cells =
                [
                    x.TemperatureC,
                    x.RelativeHumidityPercent,
                    x.WindMetresPerSecond,
                    x.GustMetresPerSecond,
                    x.RainMm,
                    x.CloudPercent,
                    x.LeafWetness,
                    x.SolarWattsPerSquareMetre,
                ];
                if (cells.Any(c => c is not null))
                {
                    // Kept in single precision, so written in it.
                    await to.WriteAsync(
                        string.Create(
                            CultureInfo.InvariantCulture,
                            $"{day.Source},{day.DayUtc:yyyy-MM-dd}T{h:00}Z,"
                                + $"{string.Join(',', cells.Select(c => c is { } v ? ((float)v).ToString("R", CultureInfo.InvariantCulture) : ""))}\n"
                        )
                    );
                }
            }
        }
    }

    private static List<(WeatherSource Source, DateTimeOffset At, WeatherHour Hour)> ReadWeather(string text)
    {
        var lines = text.Split('\n', StringSplitOptions.RemoveEmptyEntries);
        var hours = new List<(WeatherSource, DateTimeOffset, WeatherHour)>(lines.Length);
        for (var i = 1; i < lines.Length; i++)
        {
            var cells = lines[i].TrimEnd('\r').Split(',');
            try
            {
                double? Cell(int c) => cells[c].Length == 0 ? null : double.Parse(cells[c], CultureInfo.InvariantCulture);
                var hour = new WeatherHour(Cell(2), Cell(3), Cell(4), Cell(5), Cell(6), Cell(7), Cell(8), Cell(9));
                if (hour.Impossible() is { } why)
                {
                    throw new ArchiveRefusedException("archive-weather", $"Line {i + 1} of {WeatherEntry}: {why}.");
                }

                hours.Add(
                    (
                        Enum.Parse<WeatherSource>(cells[0]),
                        DateTimeOffset.ParseExact(cells[1], "yyyy-MM-dd'T'HH'Z'", CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal),
                        hour
                    )
                );
            }
            catch (Exception e) when (e is FormatException or ArgumentException or IndexOutOfRangeException)
            {
                throw new ArchiveRefusedException("archive-weather", $"Line {i + 1} of {WeatherEntry} can not be read: \"{Short(lines[i])}\".");
            }
        }

        return hours;
    }

    private static string Short(string text) => text.Length <= 60 ? text : text[..60] + "…";
}

/// <summary>An archive that passed its checks. Pictures are read one at a time, so it holds on to the file.</summary>
public sealed class OpenedArchive(ZipArchive zip, GardenArchive archive, IReadOnlyList<(WeatherSource Source, DateTimeOffset At, WeatherHour Hour)> weather)
    : IDisposable
{
    public GardenArchive Archive { get; } = archive;
    public IReadOnlyList<(WeatherSource Source, DateTimeOffset At, WeatherHour Hour)> Weather { get; } = weather;

    /// <summary>The pixels of a photo; null when they are not in it.</summary>
    public async Task<PhotoImageRow?> PhotoAsync(Guid id, CancellationToken stop) =>
        await ArchiveFile.PhotoAsync(zip, id, false, stop) is { } image && await ArchiveFile.PhotoAsync(zip, id, true, stop) is { } small
            ? new PhotoImageRow
            {
                PhotoId = id,
                Image = image,
                Small = small,
            }
            : null;

    public void Dispose() => zip.Dispose();
}
