using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Ledger;

/// <summary>Writes records of the ledger as a table.</summary>
public static class LedgerCsvWriter
{
    public static async Task WriteAsync(TextWriter to, GardenSnapshot s, LedgerRows rows)
    {
        await using var csv = new CsvWriter(to, new CsvConfiguration(CultureInfo.InvariantCulture) { NewLine = "\r\n" }, leaveOpen: true);
        async Task Line(Dictionary<string, string?> cells)
        {
            foreach (var column in LedgerColumns.All)
            {
                csv.WriteField(cells.GetValueOrDefault(column) ?? "");
            }

            await csv.NextRecordAsync();
        }

        foreach (var column in LedgerColumns.All)
        {
            csv.WriteField(column);
        }

        await csv.NextRecordAsync();
        var lines = rows
            .Sprays.Select(r => (r.At, r.Id, Cells: Cells(s, r)))
            .Concat(rows.Tasks.Select(r => (At: r.DoneAt!.Value, r.Id, Cells: Cells(s, r))))
            .Concat(rows.Counts.Select(r => (r.At, r.Id, Cells: Cells(s, r))))
            .Concat(rows.Checks.Select(r => (At: r.DoneAt!.Value, r.Id, Cells: Cells(s, r))));
        foreach (var line in lines.OrderBy(l => l.At).ThenBy(l => l.Id))
        {
            await Line(line.Cells);
        }
    }

    private static Dictionary<string, string?> Common(
        GardenSnapshot s,
        LedgerKind kind,
        Guid id,
        DateTimeOffset at,
        Guid? member,
        IEnumerable<Guid> plantings,
        string? against,
        string? note
    )
    {
        var ids = plantings.Order().ToList();
        return new()
        {
            ["kind"] = kind.ToString().ToLowerInvariant(),
            ["id"] = id.ToString(),
            ["at"] = Time(s, at),
            ["person"] = LedgerColumns.Safe(s.Members.FirstOrDefault(m => m.Id == member)?.Name),
            ["places"] = LedgerColumns.Safe(string.Join("; ", ids.Select(s.FindPlanting).OfType<Planting>().Select(p => $"{s.PlaceOf(p).Name}/{p.Crop}"))),
            ["planting_ids"] = string.Join(' ', ids),
            ["against"] = against,
            ["note"] = LedgerColumns.Safe(note),
        };
    }

    private static Dictionary<string, string?> Cells(GardenSnapshot s, ApplicationRow r) =>
        new(Common(s, LedgerKind.Spray, r.Id, r.At, r.MemberId, r.Treated.Select(t => t.PlantingId), r.Target, r.Note))
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

    private static Dictionary<string, string?> Cells(GardenSnapshot s, TaskRow r) =>
        new(Common(s, LedgerKind.Task, r.Id, r.DoneAt!.Value, r.MemberId, [r.PlantingId], r.Target, null))
        {
            ["measure"] = r.Step,
            ["due_on"] = r.DueOn.ToString("O", CultureInfo.InvariantCulture),
            ["leaves_off"] = r.Leaves?.ToString(CultureInfo.InvariantCulture),
            ["look_id"] = r.LookId?.ToString(),
        };

    private static Dictionary<string, string?> Cells(GardenSnapshot s, ObservationRow r) =>
        new(Common(s, LedgerKind.Count, r.Id, r.At, r.MemberId, [r.PlantingId], r.Named, r.Note))
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
            ["own_name"] = LedgerColumns.Safe(r.OwnName),
            ["look_id"] = r.LookId.ToString(),
            ["walk_id"] = r.WalkId?.ToString(),
        };

    private static Dictionary<string, string?> Cells(GardenSnapshot s, CheckBackRow r) =>
        new(Common(s, LedgerKind.Check, r.Id, r.DoneAt!.Value, r.MemberId, [r.PlantingId], null, null))
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
            ["discounted_for"] = LedgerColumns.Safe(r.DiscountedFor),
        };

    private static string Time(GardenSnapshot s, DateTimeOffset at) =>
        s.Garden.Zone.Local(at).ToString("yyyy-MM-dd'T'HH:mm:ss.fffzzz", CultureInfo.InvariantCulture);

    private static string? Number(double? value) => value?.ToString("R", CultureInfo.InvariantCulture);

    private static string YesNo(bool value) => value ? "yes" : "no";
}
