using System.Collections;
using System.Globalization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Time;
using Mauvaise.Store.Rows;

namespace Mauvaise.Store.Archive;

/// <summary>What is wrong with one value of an archive.</summary>
/// <param name="Kind">"plantings", as in garden.json.</param>
/// <param name="Row">From 1.</param>
public sealed record ArchiveFault(string Kind, int Row, string Field, string Sentence)
{
    public override string ToString() => $"{Kind}, row {Row}, {Field}: {Sentence}";
}

/// <summary>Holds every row of an archive to what a request would be held to, before anything is written.</summary>
internal static class ArchiveCheck
{
    private const int MostText = 4000, MostYear = 2200, LeastYear = 1900;
    private const double MostNumber = 1e9;

    /// <summary>A list of this many is enough to see what is wrong.</summary>
    private const int MostTold = 20;

    /// <exception cref="ArchiveRefusedException">With the first faults, by kind, row and field.</exception>
    public static void Hold(GardenArchive archive)
    {
        var faults = Faults(archive).Take(MostTold + 1).ToList();
        if (faults.Count > 0)
        {
            throw new ArchiveRefusedException("archive-rows", $"Nothing was taken in. {string.Join(" ", faults.Take(MostTold).Select(f => f + "."))}{(faults.Count > MostTold ? " And more." : "")}");
        }
    }

    /// <summary>What is wrong, in the order of the file.</summary>
    public static IEnumerable<ArchiveFault> Faults(GardenArchive a)
    {
        foreach (var (words, rows) in GardenArchive.Kinds)
        {
            foreach (var (row, i) in rows(a).Select((r, i) => (r, i + 1)))
            {
                foreach (var (field, sentence) in Values(row, ""))
                {
                    yield return new ArchiveFault(words, i, field, sentence);
                }
            }
        }

        foreach (var fault in Facts(a))
        {
            yield return fault;
        }
    }

    /// <summary>Numbers, texts and times that no request may carry, in a row and in its lists.</summary>
    private static IEnumerable<(string Field, string Sentence)> Values(object row, string path)
    {
        foreach (var property in row.GetType().GetProperties().Where(p => p.GetIndexParameters().Length == 0))
        {
            var name = path + char.ToLowerInvariant(property.Name[0]) + property.Name[1..];
            var fault = property.GetValue(row) switch
            {
                double d when !double.IsFinite(d) || Math.Abs(d) > MostNumber => "this is no number that can be",
                int n when Math.Abs((long)n) > (long)MostNumber && property.Name != nameof(TrialRow.Seed) => "this is no number that can be",
                string { Length: > MostText } => string.Create(CultureInfo.InvariantCulture, $"a text has up to {MostText} letters"),
                string text when text.Any(c => char.IsControl(c) && c is not ('\n' or '\r' or '\t')) => "there are letters in it that no keyboard writes",
                DateTimeOffset t when t.Year is < LeastYear or > MostYear => "the year can not be",
                DateOnly t when t.Year is < LeastYear or > MostYear => "the year can not be",
                Guid id when id == Guid.Empty => "the id is empty",
                null when property.PropertyType == typeof(string) && IsRequired(property) => "it is missing",
                _ => null,
            };
            if (fault is not null)
            {
                yield return (name, fault);
            }

            if (property.GetValue(row) is IEnumerable list and not string and not byte[])
            {
                var at = 0;
                foreach (var item in list)
                {
                    at++;
                    foreach (var (field, sentence) in item is null ? [("", "there is a hole in the list")] : item.GetType().Namespace == typeof(GardenRow).Namespace ? Values(item, "") : [])
                    {
                        yield return ($"{name}[{at}]{(field.Length > 0 ? "." + field : "")}", sentence);
                    }
                }
            }
        }
    }

    private static bool IsRequired(System.Reflection.PropertyInfo property) => property.CustomAttributes.Any(x => x.AttributeType.Name == "RequiredMemberAttribute");

    private static IEnumerable<ArchiveFault> Facts(GardenArchive a)
    {
        var places = a.Places.Select(p => p.Id).ToHashSet();
        var plantings = a.Plantings.Select(p => p.Id).ToHashSet();
        var batches = a.Batches.Select(b => b.Id).ToHashSet();
        var sprays = a.Applications.Select(x => x.Id).ToHashSet();
        var tasks = a.Tasks.Select(x => x.Id).ToHashSet();
        return
        [
            .. Wrong("garden", [a.Garden],
                ("latitude", g => g.Latitude is >= -90 and <= 90, "latitude lies between -90 and 90"),
                ("longitude", g => g.Longitude is >= -180 and <= 180, "longitude lies between -180 and 180"),
                ("timeZoneId", g => GardenZone.Find(g.TimeZoneId) is not null, "there is no such time zone"),
                ("freeHours", g => g.FreeHours is null || FreeHoursOf(g.FreeHours) is not null, "free hours are seven masks, Monday first")),
            .. Wrong("places", a.Places,
                ("areaM2", p => p.AreaM2 is > 0 and <= 10_000, "the area is over 0 and up to 10000 square metres"),
                ("sunHours", p => p.SunHours is >= 0 and <= 24, "hours of sun lie between 0 and 24"),
                ("pondDistanceM", p => p.PondDistanceM is null or >= 0, "a distance is no less than 0")),
            .. Wrong("plantings", a.Plantings,
                ("placeId", p => places.Contains(p.PlaceId), "there is no such place in this file"),
                ("until", p => p.Until is null || p.Until >= p.From, "it ends before it begins"),
                ("count", p => p.Count is null or > 0, "plants are counted from 1")),
            .. Wrong("sprayers", a.Sprayers, ("capacityLitres", x => x.CapacityLitres > 0, "a sprayer holds more than nothing")),
            .. Wrong("stocks", a.Stocks, ("left", x => x.Left >= 0 && x.Amount >= 0, "there can not be less than nothing")),
            .. Wrong("observations", a.Observations,
                ("plantingId", o => plantings.Contains(o.PlantingId), "there is no such planting in this file"),
                ("leavesAffected", o => o.LeavesLooked >= 0 && o.LeavesAffected >= 0 && (o.LeavesLooked == 0 || o.LeavesAffected <= o.LeavesLooked), "no more leaves can be affected than were looked at"),
                ("helpers", o => o.Helpers >= 0 && o.Mummies >= 0, "there can not be less than none"),
                ("severityPercent", o => o.SeverityPercent is null or (>= 0 and <= 100), "per cent lie between 0 and 100")),
            .. Wrong("batches", a.Batches,
                ("litres", b => b.Litres >= 0, "there can not be less than nothing"),
                ("ingredients", b => b.Ingredients.Exists(i => i.Role == "active"), "nothing in it is the active part"),
                ("plantings", b => b.Plantings.TrueForAll(p => plantings.Contains(p.PlantingId)), "there is no such planting in this file")),
            .. Wrong("applications", a.Applications,
                ("treated", x => x.Treated.TrueForAll(t => plantings.Contains(t.PlantingId)), "there is no such planting in this file"),
                ("treated.shareWetted", x => x.Treated.TrueForAll(t => t.ShareWetted is >= 0 and <= 1), "a share lies between 0 and 1"),
                ("litres", x => x.Litres >= 0, "there can not be less than nothing"),
                ("batchId", x => x.BatchId is not { } b || batches.Contains(b), "there is no such bottle in this file"),
                ("parts", x => AreWords<WettedPart>(x.Parts), "there is a word in it that no part of a plant has")),
            .. Wrong("harvests", a.Harvests,
                ("plantingId", h => plantings.Contains(h.PlantingId), "there is no such planting in this file"),
                ("grams", h => h.Grams is null or (> 0 and <= 1e6), "what was picked weighs more than nothing, and a ton at most"),
                ("pieces", h => h.Pieces is null or > 0, "pieces are counted from 1")),
            .. Wrong("readings", a.Readings,
                ("placeId", r => places.Contains(r.PlaceId), "there is no such place in this file"),
                ("value", r => double.IsFinite(r.Value), "a reading is a number")),
            .. Wrong("tasks", a.Tasks, ("plantingId", t => plantings.Contains(t.PlantingId), "there is no such planting in this file")),
            .. Wrong("checkBacks", a.CheckBacks,
                ("plantingId", c => plantings.Contains(c.PlantingId), "there is no such planting in this file"),
                ("applicationId", c => c.ApplicationId is not { } s || sprays.Contains(s), "there is no such spray in this file"),
                ("taskId", c => c.TaskId is not { } t || tasks.Contains(t), "there is no such task in this file"),
                ("injurySigns", c => AreWords<InjurySign>(c.InjurySigns), "there is a word in it that no injury has")),
            .. Wrong("courses", a.Courses,
                ("plantingId", c => plantings.Contains(c.PlantingId), "there is no such planting in this file"),
                ("spacingDays", c => c.SpacingDays is >= 1 and <= 400 && c.Rounds is >= 1 and <= 100, "rounds are 1 to 100, and days between them 1 to 400"),
                ("ownDays", c => (c.OwnDays ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).All(d => DateOnly.TryParseExact(d, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out _)), "days are written as 2026-07-16")),
        ];
    }

    /// <summary>Masks of hours, as the row keeps them; null when they are none.</summary>
    private static int[]? FreeHoursOf(string masks)
    {
        var read = masks.Split(',').Select(m => int.TryParse(m, CultureInfo.InvariantCulture, out var mask) && mask is >= 0 and < 1 << 24 ? mask : -1).ToArray();
        return read.Length == 7 && read.All(m => m >= 0) ? read : null;
    }

    private static bool AreWords<T>(string? list)
        where T : struct, Enum => (list ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).All(w => Enum.TryParse<T>(w, out var word) && Enum.IsDefined(word) && !char.IsDigit(w[0]));

    private static IEnumerable<ArchiveFault> Wrong<T>(string kind, IReadOnlyList<T> rows, params (string Field, Func<T, bool> Holds, string Sentence)[] rules) =>
        from row in rows.Select((r, i) => (Row: r, At: i + 1))
        from rule in rules
        where !rule.Holds(row.Row)
        select new ArchiveFault(kind, row.At, rule.Field, rule.Sentence);
}
