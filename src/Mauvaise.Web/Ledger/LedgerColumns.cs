using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Ledger;

/// <summary>Records of the ledger, as a table carries them.</summary>
public sealed record LedgerRows(
    IReadOnlyList<ApplicationRow> Sprays,
    IReadOnlyList<TaskRow> Tasks,
    IReadOnlyList<ObservationRow> Counts,
    IReadOnlyList<CheckBackRow> Checks
)
{
    public int Count => Sprays.Count + Tasks.Count + Counts.Count + Checks.Count;
}

/// <summary>
/// The ledger as a table: RFC 4180, UTF-8, one record a line, one column a field, instants with their offset. Words that a spreadsheet
/// would take for a formula get an apostrophe in front, which reading takes off again, so that nothing is lost on the way.
/// </summary>
public static class LedgerColumns
{
    private const string Risky = "=+-@\t\r'";

    /// <summary>Every column, in order. What a kind of record does not have stays empty.</summary>
    public static IReadOnlyList<string> All { get; } =
    [
        "kind",
        "id",
        "at",
        "person",
        "places",
        "planting_ids",
        "against",
        "note",
        "material",
        "batch_id",
        "per_litre",
        "litres",
        "expected_litres",
        "share_wetted",
        "parts",
        "why",
        "patch_test",
        "temperature_c",
        "humidity_percent",
        "wind_m_s",
        "struck_at",
        "measure",
        "due_on",
        "leaves_off",
        "leaves_looked",
        "leaves_affected",
        "severity_percent",
        "ants",
        "helpers",
        "mummies",
        "part",
        "side",
        "roots",
        "signs_there",
        "signs_not_there",
        "name_is_group",
        "own_name",
        "spray_id",
        "task_id",
        "count_id",
        "before_id",
        "outcome",
        "injury",
        "injury_signs",
        "alive",
        "dead",
        "discounted_for",
        "look_id",
        "walk_id",
    ];

    /// <summary>Columns without which a table can not be read.</summary>
    public static IReadOnlyList<string> Needed { get; } = ["kind", "at"];

    /// <summary>Words, safe for a spreadsheet.</summary>
    public static string? Safe(string? words) => words is { Length: > 0 } && Risky.Contains(words[0], StringComparison.Ordinal) ? "'" + words : words;

    /// <summary>The inverse of <see cref="Safe"/>.</summary>
    public static string Plain(string cell) => cell.Length > 1 && cell[0] == '\'' && Risky.Contains(cell[1], StringComparison.Ordinal) ? cell[1..] : cell;
}
