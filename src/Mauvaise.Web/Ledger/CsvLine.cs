using System.Globalization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;

namespace Mauvaise.Web.Ledger;

/// <summary>A line of the table that is being read. What can not be read is noted, with its line and column.</summary>
internal sealed class CsvLine(int number, IReadOnlyDictionary<string, string> cells, GardenSnapshot garden, List<string> faults)
{
    public GardenSnapshot Garden => garden;
    public Guid GardenId => garden.Garden.Id;

    public string? Words(string column) => cells.TryGetValue(column, out var cell) && cell.Trim() is { Length: > 0 } words ? words : null;

    /// <summary>Free words, as they were before they were made safe.</summary>
    public string? Note(string column)
    {
        var words = cells.TryGetValue(column, out var cell) && cell.Length > 0 ? LedgerColumns.Plain(cell) : null;
        Hold(words is null or { Length: <= 2000 }, column, Say.Of("ledger.itHasUpTo2000Letters"));
        return words;
    }

    /// <summary>A short name, as it was before it was made safe.</summary>
    public string? Name(string column, int letters)
    {
        var name = Note(column);
        Hold(name is null || name.Length <= letters, column, Say.Of("ledger.itHasUpToLetters", ("letters", letters)));
        return name;
    }

    public void Hold(bool holds, string column, string why)
    {
        if (!holds)
        {
            faults.Add(Say.Of("ledger.line", ("number", number), ("column", column), ("why", why)));
        }
    }

    public Guid? Id(string column)
    {
        var id = Guid.Empty;
        var words = Words(column);
        Hold(words is null || Guid.TryParse(words, out id), column, Say.Of("ledger.isNoId", ("words", words)));
        return words is null || id == Guid.Empty ? null : id;
    }

    public DateTimeOffset Instant(string column)
    {
        var words = Words(column);
        if (Read(words) is { } instant)
        {
            Hold(instant <= garden.Now.AddMinutes(5), column, Say.Of("ledger.itLiesInTheFuture"));
            return instant.ToUniversalTime();
        }

        Hold(false, column, Say.Of("ledger.isNoTimeWrite202607", ("words", words)));
        return default;
    }

    /// <summary>Without an offset it is the garden's own time; null for what is no time.</summary>
    private DateTimeOffset? Read(string? words)
    {
        // Read with a zone of nought, whatever the machine's own is, so that what has no offset keeps its clock.
        if (!DateTimeOffset.TryParse(words, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var at) || words!.Length <= 10)
        {
            return null;
        }

        var hasOffset = words.EndsWith('Z') || words[10..].Contains('+', StringComparison.Ordinal) || words[10..].Contains('-', StringComparison.Ordinal);
        return hasOffset ? at : garden.Garden.Zone.At(at.DateTime);
    }

    public DateOnly? Day(string column)
    {
        var day = default(DateOnly);
        var words = Words(column);
        Hold(
            words is null || DateOnly.TryParseExact(words, "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out day),
            column,
            Say.Of("ledger.isNoDayWrite202607", ("words", words))
        );
        return words is null || day == default ? null : day;
    }

    public double? Number(string column, double low, double high)
    {
        var value = 0.0;
        var words = Words(column);
        Hold(
            words is null || (double.TryParse(words, NumberStyles.Float, CultureInfo.InvariantCulture, out value) && value >= low && value <= high),
            column,
            Say.Of("ledger.isNoNumberFrom", ("words", words), ("low", low), ("high", high))
        );
        return words is null ? null : value;
    }

    public IReadOnlyList<double> Numbers(string column)
    {
        var values = new List<double>();
        foreach (var words in (Words(column) ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            Hold(
                double.TryParse(words, NumberStyles.Float, CultureInfo.InvariantCulture, out var value) && value is > 0 and <= 1,
                column,
                Say.Of("ledger.isNoShareFrom0", ("words", words))
            );
            values.Add(value);
        }

        return values;
    }

    public int? Whole(string column, int most)
    {
        var value = 0;
        var words = Words(column);
        Hold(
            words is null || (int.TryParse(words, NumberStyles.None, CultureInfo.InvariantCulture, out value) && value <= most),
            column,
            Say.Of("ledger.isNoWholeNumberUp", ("words", words), ("most", most))
        );
        return words is null ? null : value;
    }

    public bool Yes(string column)
    {
        var words = Words(column)?.ToLowerInvariant();
        Hold(words is null or "yes" or "no" or "true" or "false", column, Say.Of("ledger.isNeitherYesNorNo", ("words", words)));
        return words is "yes" or "true";
    }

    public T Enum<T>(string column)
        where T : struct, Enum
    {
        var value = default(T);
        var words = Words(column);
        Hold(
            words is null || (!char.IsDigit(words[0]) && System.Enum.TryParse(words, true, out value)),
            column,
            Say.Of("ledger.isNone", ("words", words), ("list", string.Join(", ", System.Enum.GetNames<T>())))
        );
        return value;
    }

    public string? Names<T>(string column)
        where T : struct, Enum
    {
        var names = (Words(column) ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        foreach (var name in names)
        {
            Hold(
                System.Enum.GetNames<T>().Contains(name),
                column,
                Say.Of("ledger.isNone2", ("name", name), ("list", string.Join(", ", System.Enum.GetNames<T>())))
            );
        }

        return names.Length > 0 ? string.Join(',', names) : null;
    }

    public string? Known(string column, Func<string, bool> known, string what)
    {
        var words = Words(column);
        Hold(
            words is not null && known(words),
            column,
            words is null ? Say.Of("ledger.itNamesNo", ("what", what)) : Say.Of("ledger.isNoOfTheCatalogue", ("words", words), ("what", what))
        );
        return words;
    }

    public string? Target() =>
        Words("against") is null ? null : Known("against", t => garden.Catalogue.FindTarget(t) is not null, Say.Of("ledger.pestOrDisease"));

    public Guid? Person()
    {
        var name = Note("person");
        var member = garden.Members.FirstOrDefault(m => string.Equals(m.Name, name, StringComparison.OrdinalIgnoreCase));
        Hold(name is null || member is not null, "person", Say.Of("ledger.isNobodyOfTheHousehold", ("name", name)));
        return member?.Id;
    }

    public Guid Planting() => Plantings() is [var first, ..] ? first : Guid.Empty;

    /// <summary>By their ids; for a line that was written by hand by "place/crop", the one that grew then.</summary>
    public IReadOnlyList<Guid> Plantings()
    {
        if (Words("planting_ids") is { } ids)
        {
            var found = ids.Split(' ', StringSplitOptions.RemoveEmptyEntries)
                .Select(id => Guid.TryParse(id, out var g) && garden.FindPlanting(g) is not null ? g : Guid.Empty)
                .ToList();
            Hold(!found.Contains(Guid.Empty), "planting_ids", Say.Of("ledger.oneOfThePlantingsIsNot"));
            return [.. found.Where(f => f != Guid.Empty)];
        }

        var day = garden.Garden.DateOf(Read(Words("at")) ?? garden.Now);
        var plantings = new List<Guid>();
        foreach (var words in (Note("places") ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            var parts = words.Split('/');
            var planting = garden.Plantings.FirstOrDefault(p =>
                p.GrowsOn(day)
                && string.Equals(garden.PlaceOf(p).Name, parts[0].Trim(), StringComparison.OrdinalIgnoreCase)
                && (parts.Length == 1 || p.Crop == parts[1].Trim())
            );
            Hold(planting is not null, "places", Say.Of("ledger.nothingLikeGrewThenWritePlace", ("words", words)));
            if (planting is not null)
            {
                plantings.Add(planting.Id);
            }
        }

        Hold(plantings.Count > 0, "planting_ids", Say.Of("ledger.itSaysNowhere"));
        return plantings;
    }
}
