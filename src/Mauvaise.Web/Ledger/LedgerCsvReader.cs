using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Ledger;

/// <summary>Reads a table of the ledger back into rows.</summary>
public static class LedgerCsvReader
{
    /// <param name="faults">A sentence for each cell that can not be read; rows are complete only when there is none.</param>
    public static LedgerRows Read(string text, GardenSnapshot s, out IReadOnlyList<string> faults)
    {
        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                DetectDelimiter = true,
                DetectDelimiterValues = [",", ";", "\t"],
                IgnoreBlankLines = true,
                BadDataFound = null,
            }
        );
        var found = new List<string>();
        faults = found;
        List<ApplicationRow> sprays = [];
        List<TaskRow> tasks = [];
        List<ObservationRow> counts = [];
        List<CheckBackRow> checks = [];
        var rows = new LedgerRows(sprays, tasks, counts, checks);
        if (!parser.Read())
        {
            found.Add(Say.Of("ledger.theTableIsEmpty"));
            return rows;
        }

        var header = (parser.Record ?? []).Select(h => h.Trim().TrimStart('\uFEFF').ToLowerInvariant()).ToList();
        var missing = LedgerColumns.Needed.Except(header).ToList();
        if (missing.Count > 0)
        {
            found.Add(Say.Of("ledger.theFirstLineMustName", ("missing", missing[0])));
            return rows;
        }

        while (parser.Read())
        {
            var record = parser.Record ?? [];
            var cells = header
                .Zip(record)
                .Where(c => LedgerColumns.All.Contains(c.First))
                .GroupBy(c => c.First)
                .ToDictionary(g => g.Key, g => g.First().Second);
            var line = new CsvLine(parser.RawRow, cells, s, found);
            switch (line.Words("kind")?.ToLowerInvariant())
            {
                case "spray":
                    sprays.Add(Spray(line));
                    break;
                case "task":
                    tasks.Add(Task(line));
                    break;
                case "count":
                    counts.Add(CountRow(line));
                    break;
                case "check":
                    checks.Add(Check(line));
                    break;
                case var kind:
                    found.Add(Say.Of("ledger.lineIsNoKindOfRecord", ("rawRow", parser.RawRow), ("kind", kind)));
                    break;
            }
        }

        return rows;
    }

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
            Treated =
            [
                .. plantings.Select(
                    (p, i) =>
                        new TreatedRow
                        {
                            ApplicationId = id,
                            PlantingId = p,
                            ShareWetted = shares.Count == 0 ? Core.Cover.CoverCurve.UsualShareWetted : shares[Math.Min(i, shares.Count - 1)],
                        }
                ),
            ],
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
        line.Hold(affected <= looked, "leaves_affected", Say.Of("ledger.moreLeavesAreAffectedThanWere"));
        IEnumerable<ObservedSignRow> Signs(string column, bool present) =>
            (line.Words(column) ?? "")
                .Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(x =>
                {
                    line.Hold(line.Garden.Catalogue.FindSign(x) is not null, column, Say.Of("ledger.isNoSignOfTheCatalogue", ("it", x)));
                    return new ObservedSignRow
                    {
                        ObservationId = id,
                        Sign = x,
                        Present = present,
                    };
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
            OwnName = line.Name("own_name", Observation.OwnNameLetters),
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
        line.Hold(row.ApplicationId is not null || row.TaskId is not null, "spray_id", Say.Of("ledger.aCheckNamesTheSpray"));
        return row;
    }
}
