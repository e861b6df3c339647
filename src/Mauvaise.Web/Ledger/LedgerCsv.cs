using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Ledger;

/// <summary>Records of the ledger, as a table carries them.</summary>
public sealed record LedgerRows(IReadOnlyList<ApplicationRow> Sprays, IReadOnlyList<TaskRow> Tasks, IReadOnlyList<ObservationRow> Counts, IReadOnlyList<CheckBackRow> Checks)
{
    public int Count => Sprays.Count + Tasks.Count + Counts.Count + Checks.Count;
}

/// <summary>
/// The ledger as a table: RFC 4180, UTF-8, one record a line, one column a field, instants with their offset. Words that a spreadsheet
/// would take for a formula get an apostrophe in front, which reading takes off again, so that nothing is lost on the way.
/// </summary>
public static class LedgerCsv
{
    /// <summary>Every column, in order. What a kind of record does not have stays empty.</summary>
    public static IReadOnlyList<string> Columns { get; } =
    [
        "kind", "id", "at", "person", "places", "planting_ids", "against", "note",
        "material", "batch_id", "per_litre", "litres", "expected_litres", "share_wetted", "parts", "why", "patch_test", "temperature_c", "humidity_percent", "wind_m_s", "struck_at",
        "measure", "due_on", "leaves_off",
        "leaves_looked", "leaves_affected", "severity_percent", "ants", "helpers", "mummies", "part", "side", "roots", "signs_there", "signs_not_there", "name_is_group",
        "spray_id", "task_id", "count_id", "before_id", "outcome", "injury", "injury_signs", "alive", "dead", "discounted_for",
        "look_id", "walk_id",
    ];

    private static readonly string[] Needed = ["kind", "at"];

    private const string Risky = "=+-@\t\r'";

    public static async Task WriteAsync(TextWriter to, GardenSnapshot s, LedgerRows rows)
    {
        await using var csv = new CsvWriter(to, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" }, leaveOpen: true);
        async Task Line(Dictionary<string, string?> cells)
        {
            foreach (var column in Columns)
            {
                csv.WriteField(cells.GetValueOrDefault(column) ?? "");
            }

            await csv.NextRecordAsync();
        }

        foreach (var column in Columns)
        {
            csv.WriteField(column);
        }

        await csv.NextRecordAsync();
        var lines = rows.Sprays.Select(r => (r.At, r.Id, Cells: Cells(s, r)))
            .Concat(rows.Tasks.Select(r => (At: r.DoneAt!.Value, r.Id, Cells: Cells(s, r))))
            .Concat(rows.Counts.Select(r => (r.At, r.Id, Cells: Cells(s, r))))
            .Concat(rows.Checks.Select(r => (At: r.DoneAt!.Value, r.Id, Cells: Cells(s, r))));
        foreach (var line in lines.OrderBy(l => l.At).ThenBy(l => l.Id))
        {
            await Line(line.Cells);
        }
    }

    /// <summary>Reads a table back into rows.</summary>
    /// <param name="faults">A sentence for each cell that can not be read; rows are complete only when there is none.</param>
    public static LedgerRows Read(string text, GardenSnapshot s, out IReadOnlyList<string> faults)
    {
        using var parser = new CsvParser(new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            DetectDelimiter = true,
            DetectDelimiterValues = [",", ";", "\t"],
            IgnoreBlankLines = true,
            BadDataFound = null,
        });
        var found = new List<string>();
        faults = found;
        List<ApplicationRow> sprays = [];
        List<TaskRow> tasks = [];
        List<ObservationRow> counts = [];
        List<CheckBackRow> checks = [];
        var rows = new LedgerRows(sprays, tasks, counts, checks);
        if (!parser.Read())
        {
            found.Add("The table is empty.");
            return rows;
        }

        var header = (parser.Record ?? []).Select(h => h.Trim().TrimStart('\uFEFF').ToLowerInvariant()).ToList();
        var missing = Needed.Except(header).ToList();
        if (missing.Count > 0)
        {
            found.Add($"The first line must name the columns; \"{missing[0]}\" is not among them.");
            return rows;
        }

        while (parser.Read())
        {
            var record = parser.Record ?? [];
            var cells = header.Zip(record).Where(c => Columns.Contains(c.First)).GroupBy(c => c.First).ToDictionary(g => g.Key, g => g.First().Second);
            var line = new CsvLine(parser.RawRow, cells, s, found);
            switch (line.Words("kind")?.ToLowerInvariant())
            {
                case "spray": sprays.Add(Spray(line)); break;
                case "task": tasks.Add(Task(line)); break;
                case "count": counts.Add(CountRow(line)); break;
                case "check": checks.Add(Check(line)); break;
                case var kind: found.Add($"Line {parser.RawRow}: \"{kind}\" is no kind of record; it is spray, task, count or check."); break;
            }
        }

        return rows;
    }

    private static Dictionary<string, string?> Common(GardenSnapshot s, LedgerKind kind, Guid id, DateTimeOffset at, Guid? member, IEnumerable<Guid> plantings, string? against, string? note)
    {
        var ids = plantings.Order().ToList();
        return new()
        {
            ["kind"] = kind.ToString().ToLowerInvariant(),
            ["id"] = id.ToString(),
            ["at"] = Time(s, at),
            ["person"] = Safe(s.Members.FirstOrDefault(m => m.Id == member)?.Name),
            ["places"] = Safe(string.Join("; ", ids.Select(s.FindPlanting).OfType<Planting>().Select(p => $"{s.PlaceOf(p).Name}/{p.Crop}"))),
            ["planting_ids"] = string.Join(' ', ids),
            ["against"] = against,
            ["note"] = Safe(note),
        };
    }

    private static Dictionary<string, string?> Cells(GardenSnapshot s, ApplicationRow r) => new(Common(s, LedgerKind.Spray, r.Id, r.At, r.MemberId, r.Treated.Select(t => t.PlantingId), r.Target, r.Note))
    {
        ["material"] = r.Material,
        ["batch_id"] = r.BatchId?.ToString(),
        ["per_litre"] = Number(r.PerLitre),
        ["litres"] = Number(r.Litres),
        ["expected_litres"] = Number(r.ExpectedLitres),
        ["share_wetted"] = string.Join(' ', r.Treated.OrderBy(t => t.PlantingId).Select(t => Number(t.ShareWetted))),
        ["parts"] = r.Parts,
        ["why"] = r.Why.ToString(),
        ["patch_test"] = YesNo(r.PatchTest),
        ["temperature_c"] = Number(r.TemperatureC),
        ["humidity_percent"] = Number(r.RelativeHumidityPercent),
        ["wind_m_s"] = Number(r.WindMetresPerSecond),
        ["struck_at"] = r.StruckAt is { } struck ? Time(s, struck) : null,
    };

    private static Dictionary<string, string?> Cells(GardenSnapshot s, TaskRow r) => new(Common(s, LedgerKind.Task, r.Id, r.DoneAt!.Value, r.MemberId, [r.PlantingId], r.Target, null))
    {
        ["measure"] = r.Step,
        ["due_on"] = r.DueOn.ToString("O", CultureInfo.InvariantCulture),
        ["leaves_off"] = r.Leaves?.ToString(CultureInfo.InvariantCulture),
        ["look_id"] = r.LookId?.ToString(),
    };

    private static Dictionary<string, string?> Cells(GardenSnapshot s, ObservationRow r) => new(Common(s, LedgerKind.Count, r.Id, r.At, r.MemberId, [r.PlantingId], r.Named, r.Note))
    {
        ["leaves_looked"] = r.LeavesLooked.ToString(CultureInfo.InvariantCulture),
        ["leaves_affected"] = r.LeavesAffected.ToString(CultureInfo.InvariantCulture),
        ["severity_percent"] = Number(r.SeverityPercent),
        ["ants"] = r.Ants.ToString(),
        ["helpers"] = r.Helpers.ToString(CultureInfo.InvariantCulture),
        ["mummies"] = r.Mummies.ToString(CultureInfo.InvariantCulture),
        ["part"] = r.Part.ToString(),
        ["side"] = r.Side.ToString(),
        ["roots"] = r.Roots.ToString(),
        ["signs_there"] = string.Join(' ', r.Signs.Where(x => x.Present).Select(x => x.Sign).Order(StringComparer.Ordinal)),
        ["signs_not_there"] = string.Join(' ', r.Signs.Where(x => !x.Present).Select(x => x.Sign).Order(StringComparer.Ordinal)),
        ["name_is_group"] = YesNo(r.NameIsGroup),
        ["look_id"] = r.LookId.ToString(),
        ["walk_id"] = r.WalkId?.ToString(),
    };

    private static Dictionary<string, string?> Cells(GardenSnapshot s, CheckBackRow r) => new(Common(s, LedgerKind.Check, r.Id, r.DoneAt!.Value, r.MemberId, [r.PlantingId], null, null))
    {
        ["due_on"] = r.DueOn.ToString("O", CultureInfo.InvariantCulture),
        ["spray_id"] = r.ApplicationId?.ToString(),
        ["task_id"] = r.TaskId?.ToString(),
        ["count_id"] = r.ObservationId?.ToString(),
        ["before_id"] = r.BeforeId?.ToString(),
        ["outcome"] = r.Outcome?.ToString(),
        ["injury"] = r.Injury.ToString(),
        ["injury_signs"] = r.InjurySigns,
        ["alive"] = r.Alive?.ToString(CultureInfo.InvariantCulture),
        ["dead"] = r.Dead?.ToString(CultureInfo.InvariantCulture),
        ["discounted_for"] = Safe(r.DiscountedFor),
    };

    private static ApplicationRow Spray(CsvLine line)
    {
        var id = line.Id("id") ?? Guid.NewGuid();
        var plantings = line.Plantings();
        var shares = line.Numbers("share_wetted");
        return new()
        {
            Id = id,
            GardenId = line.GardenId,
            At = line.Instant("at"),
            MemberId = line.Person(),
            BatchId = line.Id("batch_id"),
            Material = line.Known("material", m => line.Garden.Catalogue.FindMaterial(m) is not null, "material") ?? "",
            PerLitre = line.Number("per_litre", 0, 1000),
            Litres = line.Number("litres", 0, 1000) ?? 0,
            ExpectedLitres = line.Number("expected_litres", 0, 1000),
            Target = line.Target(),
            Parts = line.Names<WettedPart>("parts"),
            Why = line.Enum<SprayReason>("why"),
            PatchTest = line.Yes("patch_test"),
            TemperatureC = line.Number("temperature_c", -60, 60),
            RelativeHumidityPercent = line.Number("humidity_percent", 0, 100),
            WindMetresPerSecond = line.Number("wind_m_s", 0, 80),
            StruckAt = line.Words("struck_at") is null ? null : line.Instant("struck_at"),
            Note = line.Note("note"),
            Treated = [.. plantings.Select((p, i) => new TreatedRow { ApplicationId = id, PlantingId = p, ShareWetted = shares.Count == 0 ? Core.Cover.CoverCurve.UsualShareWetted : shares[Math.Min(i, shares.Count - 1)] })],
        };
    }

    private static TaskRow Task(CsvLine line)
    {
        var at = line.Instant("at");
        return new()
        {
            Id = line.Id("id") ?? Guid.NewGuid(),
            GardenId = line.GardenId,
            PlantingId = line.Planting(),
            LookId = line.Id("look_id"),
            Step = line.Known("measure", m => line.Garden.Catalogue.FindMeasure(m) is not null, "measure") ?? "",
            Target = line.Target(),
            DueOn = line.Day("due_on") ?? line.Garden.Garden.DateOf(at),
            State = TaskState.Done,
            DoneAt = at,
            Leaves = line.Whole("leaves_off", 100_000),
            MemberId = line.Person(),
        };
    }

    private static ObservationRow CountRow(CsvLine line)
    {
        var id = line.Id("id") ?? Guid.NewGuid();
        var looked = line.Whole("leaves_looked", 1000) ?? 0;
        var affected = line.Whole("leaves_affected", 1000) ?? 0;
        line.Hold(affected <= looked, "leaves_affected", "more leaves are affected than were looked at");
        IEnumerable<ObservedSignRow> Signs(string column, bool present) => (line.Words(column) ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(x =>
        {
            line.Hold(line.Garden.Catalogue.FindSign(x) is not null, column, $"\"{x}\" is no sign of the catalogue");
            return new ObservedSignRow { ObservationId = id, Sign = x, Present = present };
        });
        return new()
        {
            Id = id,
            GardenId = line.GardenId,
            LookId = line.Id("look_id") ?? id,
            WalkId = line.Id("walk_id"),
            PlantingId = line.Planting(),
            At = line.Instant("at"),
            MemberId = line.Person(),
            LeavesLooked = looked,
            LeavesAffected = affected,
            SeverityPercent = line.Number("severity_percent", 0, 100),
            Ants = line.Enum<Ants>("ants"),
            Helpers = line.Whole("helpers", 10_000) ?? 0,
            Mummies = line.Whole("mummies", 10_000) ?? 0,
            Part = line.Enum<PlantPart>("part"),
            Side = line.Enum<BedSide>("side"),
            Roots = line.Enum<RootCheck>("roots"),
            Named = line.Target(),
            NameIsGroup = line.Yes("name_is_group"),
            Note = line.Note("note"),
            Signs = [.. Signs("signs_there", true), .. Signs("signs_not_there", false)],
        };
    }

    private static CheckBackRow Check(CsvLine line)
    {
        var at = line.Instant("at");
        var row = new CheckBackRow
        {
            Id = line.Id("id") ?? Guid.NewGuid(),
            GardenId = line.GardenId,
            ApplicationId = line.Id("spray_id"),
            TaskId = line.Id("task_id"),
            PlantingId = line.Planting(),
            DueOn = line.Day("due_on") ?? line.Garden.Garden.DateOf(at),
            DoneAt = at,
            ObservationId = line.Id("count_id"),
            BeforeId = line.Id("before_id"),
            Outcome = line.Words("outcome") is null ? null : line.Enum<Outcome>("outcome"),
            Injury = line.Enum<Injury>("injury"),
            InjurySigns = line.Names<InjurySign>("injury_signs"),
            Alive = line.Whole("alive", 100_000),
            Dead = line.Whole("dead", 100_000),
            DiscountedFor = line.Note("discounted_for"),
            MemberId = line.Person(),
        };
        line.Hold(row.ApplicationId is not null || row.TaskId is not null, "spray_id", "a check names the spray or the task that it judges");
        return row;
    }

    /// <summary>Words, safe for a spreadsheet.</summary>
    private static string? Safe(string? words) => words is { Length: > 0 } && Risky.Contains(words[0], StringComparison.Ordinal) ? "'" + words : words;

    /// <summary>The inverse of <see cref="Safe"/>.</summary>
    internal static string Plain(string cell) => cell.Length > 1 && cell[0] == '\'' && Risky.Contains(cell[1], StringComparison.Ordinal) ? cell[1..] : cell;

    private static string Time(GardenSnapshot s, DateTimeOffset at) => TimeZoneInfo.ConvertTime(at, s.Garden.Zone).ToString("yyyy-MM-dd'T'HH:mm:ss.fffzzz", CultureInfo.InvariantCulture);

    private static string? Number(double? value) => value?.ToString("R", CultureInfo.InvariantCulture);

    private static string YesNo(bool value) => value ? "yes" : "no";
}

/// <summary>A line of the table that is being read. What can not be read is noted, with its line and column.</summary>
internal sealed class CsvLine(int number, IReadOnlyDictionary<string, string> cells, GardenSnapshot garden, List<string> faults)
{
    public GardenSnapshot Garden => garden;
    public Guid GardenId => garden.Garden.Id;

    public string? Words(string column) => cells.TryGetValue(column, out var cell) && cell.Trim() is { Length: > 0 } words ? words : null;

    /// <summary>Free words, as they were before they were made safe.</summary>
    public string? Note(string column)
    {
        var words = cells.TryGetValue(column, out var cell) && cell.Length > 0 ? LedgerCsv.Plain(cell) : null;
        Hold(words is null or { Length: <= 2000 }, column, "it has up to 2000 letters");
        return words;
    }

    public void Hold(bool holds, string column, string why)
    {
        if (!holds)
        {
            faults.Add($"Line {number}, {column}: {why}.");
        }
    }

    public Guid? Id(string column)
    {
        var id = Guid.Empty;
        var words = Words(column);
        Hold(words is null || Guid.TryParse(words, out id), column, $"\"{words}\" is no id");
        return words is null || id == Guid.Empty ? null : id;
    }

    public DateTimeOffset Instant(string column)
    {
        var words = Words(column);
        if (DateTimeOffset.TryParse(words, CultureInfo.InvariantCulture, DateTimeStyles.None, out var at) && words!.Length > 10)
        {
            // Without an offset it is the garden's own time.
            var hasOffset = words.EndsWith('Z') || words[10..].Contains('+', StringComparison.Ordinal) || words[10..].Contains('-', StringComparison.Ordinal);
            var instant = hasOffset ? at : new DateTimeOffset(at.DateTime, garden.Garden.Zone.GetUtcOffset(at.DateTime));
            Hold(instant <= garden.Now.AddMinutes(5), column, "it lies in the future");
            return instant.ToUniversalTime();
        }

        Hold(false, column, $"\"{words}\" is no time; write 2026-07-16T18:30");
        return default;
    }

    public DateOnly? Day(string column)
    {
        var day = default(DateOnly);
        var words = Words(column);
        Hold(words is null || DateOnly.TryParseExact(words, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out day), column, $"\"{words}\" is no day; write 2026-07-16");
        return words is null || day == default ? null : day;
    }

    public double? Number(string column, double low, double high)
    {
        var value = 0.0;
        var words = Words(column);
        Hold(words is null || (double.TryParse(words, NumberStyles.Float, CultureInfo.InvariantCulture, out value) && value >= low && value <= high), column, $"\"{words}\" is no number from {low} to {high}");
        return words is null ? null : value;
    }

    public IReadOnlyList<double> Numbers(string column)
    {
        var values = new List<double>();
        foreach (var words in (Words(column) ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var value = 0.0;
            Hold(double.TryParse(words, NumberStyles.Float, CultureInfo.InvariantCulture, out value) && value is > 0 and <= 1, column, $"\"{words}\" is no share from 0 to 1");
            values.Add(value);
        }

        return values;
    }

    public int? Whole(string column, int most)
    {
        var value = 0;
        var words = Words(column);
        Hold(words is null || (int.TryParse(words, NumberStyles.None, CultureInfo.InvariantCulture, out value) && value <= most), column, $"\"{words}\" is no whole number up to {most}");
        return words is null ? null : value;
    }

    public bool Yes(string column)
    {
        var words = Words(column)?.ToLowerInvariant();
        Hold(words is null or "yes" or "no" or "true" or "false", column, $"\"{words}\" is neither yes nor no");
        return words is "yes" or "true";
    }

    public T Enum<T>(string column)
        where T : struct, Enum
    {
        var value = default(T);
        var words = Words(column);
        Hold(words is null || (!char.IsDigit(words[0]) && System.Enum.TryParse(words, true, out value)), column, $"\"{words}\" is none of {string.Join(", ", System.Enum.GetNames<T>())}");
        return value;
    }

    public string? Names<T>(string column)
        where T : struct, Enum
    {
        var names = (Words(column) ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        foreach (var name in names)
        {
            Hold(System.Enum.GetNames<T>().Contains(name), column, $"\"{name}\" is none of {string.Join(", ", System.Enum.GetNames<T>())}");
        }

        return names.Length > 0 ? string.Join(',', names) : null;
    }

    public string? Known(string column, Func<string, bool> known, string what)
    {
        var words = Words(column);
        Hold(words is not null && known(words), column, words is null ? $"it names no {what}" : $"\"{words}\" is no {what} of the catalogue");
        return words;
    }

    public string? Target() => Words("against") is null ? null : Known("against", t => garden.Catalogue.FindTarget(t) is not null, "pest or disease");

    public Guid? Person()
    {
        var name = Note("person");
        var member = garden.Members.FirstOrDefault(m => string.Equals(m.Name, name, StringComparison.OrdinalIgnoreCase));
        Hold(name is null || member is not null, "person", $"\"{name}\" is nobody of the household");
        return member?.Id;
    }

    public Guid Planting() => Plantings() is [var first, ..] ? first : Guid.Empty;

    /// <summary>By their ids; for a line that was written by hand by "place/crop", the one that grew then.</summary>
    public IReadOnlyList<Guid> Plantings()
    {
        if (Words("planting_ids") is { } ids)
        {
            var found = ids.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(id => Guid.TryParse(id, out var g) && garden.FindPlanting(g) is not null ? g : Guid.Empty).ToList();
            Hold(!found.Contains(Guid.Empty), "planting_ids", "one of the plantings is not in this garden");
            return [.. found.Where(f => f != Guid.Empty)];
        }

        var day = garden.Garden.DateOf(DateTimeOffset.TryParse(Words("at"), CultureInfo.InvariantCulture, DateTimeStyles.None, out var at) ? at : garden.Now);
        var plantings = new List<Guid>();
        foreach (var words in (Note("places") ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var parts = words.Split('/');
            var planting = garden.Plantings.FirstOrDefault(p => p.GrowsOn(day) && string.Equals(garden.PlaceOf(p).Name, parts[0].Trim(), StringComparison.OrdinalIgnoreCase) && (parts.Length == 1 || p.Crop == parts[1].Trim()));
            Hold(planting is not null, "places", $"nothing like \"{words}\" grew then; write place/crop");
            if (planting is not null)
            {
                plantings.Add(planting.Id);
            }
        }

        Hold(plantings.Count > 0, "planting_ids", "it says nowhere");
        return plantings;
    }
}
