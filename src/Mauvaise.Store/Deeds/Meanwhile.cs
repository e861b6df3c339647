using System.Globalization;
using System.Text.RegularExpressions;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;

namespace Mauvaise.Store.Deeds;

/// <summary>One thing that two people changed differently.</summary>
/// <param name="What">In words: "area".</param>
/// <param name="Theirs">As it stands now.</param>
/// <param name="Yours">As it would be written.</param>
/// <param name="By">Who changed it; null when that is not known.</param>
public sealed record Clash(string What, string Theirs, string Yours, string? By)
{
    public override string ToString() => Say.Of("store.thereHere", ("what", What), ("theirs", Theirs), ("yours", Yours));
}

/// <summary>Somebody changed the same thing otherwise since it was read; nothing was written.</summary>
public sealed class ChangedMeanwhileException(IReadOnlyList<Clash> clashes)
    : DeedRefusedException(
        "changed-meanwhile",
        Say.Of("store.changedThisWhileItWasOpen", ("by", clashes[0].By ?? Say.Of("store.somebody")), ("list", string.Join("; ", clashes)))
    )
{
    public IReadOnlyList<Clash> Clashes { get; } = clashes;
}

/// <summary>What the writer of this request had seen: the last deed when the form was opened. Null where nothing is said, and nothing is compared.</summary>
public sealed class Seen
{
    public long? Deed { get; init; }

    /// <summary>What both changed is written over; what only the others changed still stays theirs.</summary>
    public bool Over { get; init; }
}

/// <summary>
/// Brings together what two people changed in one thing: what only one of them changed is kept from each, and what both changed
/// differently is told instead of written. The row as it was when the form was opened is found in the log of deeds.
/// </summary>
public static partial class Meanwhile
{
    /// <summary>Compares what is about to be saved with what was written after <paramref name="seen"/>.</summary>
    /// <param name="over">What both changed differently is written as it is here.</param>
    /// <exception cref="ChangedMeanwhileException">The same column was changed differently.</exception>
    public static async Task MergeAsync(GardenDb db, Guid gardenId, long seen, bool over, CancellationToken stop)
    {
        var mine = db.ChangeTracker.Entries().Where(e => e.State == EntityState.Modified).ToList();
        if (mine.Count == 0)
        {
            return;
        }

        var since = await db.Deeds.AsNoTracking().Where(d => d.GardenId == gardenId && d.Id > seen && d.UndoneAt == null).OrderBy(d => d.Id).ToListAsync(stop);
        var names = since.Count == 0 ? [] : await db.Members.AsNoTracking().Where(m => m.GardenId == gardenId).ToDictionaryAsync(m => m.Id, m => m.Name, stop);
        List<(DeedRow Deed, RowChange Change)> theirs =
        [
            .. since.SelectMany(d => RowChange.Read(d.Changes).Where(c => c.Kind == EntityState.Modified).Select(c => (d, c))),
        ];
        var clashes = mine.SelectMany(entry =>
            {
                var changes = theirs.Where(t => t.Change.IsOf(entry)).ToList();
                return changes.Count == 0
                    ? []
                    : Clashes(entry, changes[0].Change, changes[^1].Deed.MemberId is { } by ? names.GetValueOrDefault(by) : null).ToList();
            })
            .ToList();
        if (clashes.Count > 0 && !over)
        {
            throw new ChangedMeanwhileException(clashes);
        }
    }

    /// <param name="first">The first change of the row since it was seen: it holds the row as it was then.</param>
    private static IEnumerable<Clash> Clashes(EntityEntry entry, RowChange first, string? by)
    {
        foreach (var property in entry.Properties.Where(p => p.IsModified && first.Holds(p.Metadata)))
        {
            var seen = first.Value(property.Metadata);
            if (Equals(property.CurrentValue, seen))
            {
                // Carried along by the form, and not touched there.
                property.CurrentValue = property.OriginalValue;
                property.IsModified = false;
            }
            else if (!Equals(property.OriginalValue, seen))
            {
                yield return new Clash(
                    InWords(property.Metadata.Name),
                    Told(property.Metadata.Name, property.OriginalValue),
                    Told(property.Metadata.Name, property.CurrentValue),
                    by
                );
            }
        }
    }

    /// <summary>"SunHours" is "sun hours", "AreaM2" is "area".</summary>
    private static string InWords(string column) => Capital().Replace(Suffix().Replace(column, ""), " $0").Trim().ToLowerInvariant();

    private static string Told(string column, object? value) =>
        value switch
        {
            null or "" => Say.Of("words.nothing"),
            double area when column.EndsWith("M2", StringComparison.Ordinal) => Figure.Area(area),
            double length when column.EndsWith('M') => Figure.Length(length),
            double volume when column.EndsWith("Litres", StringComparison.Ordinal) => Figure.Volume(volume),
            DateOnly day => Say.In(day, "d MMMM yyyy"),
            bool yes => Say.Of(yes ? "words.yes" : "words.no"),
            Enum word => Capital().Replace(word.ToString(), " $0").Trim().ToLowerInvariant(),
            IFormattable number => number.ToString(null, CultureInfo.InvariantCulture),
            _ => value.ToString()!,
        };

    [GeneratedRegex("(?:M2|M|Id|Litres|Percent|C)$")]
    private static partial Regex Suffix();

    [GeneratedRegex("(?<=[a-z])[A-Z]")]
    private static partial Regex Capital();
}
