using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;

namespace Mauvaise.Web.Weather;

/// <summary>The text of a table as cells. The delimiter is found from the text.</summary>
public sealed record TableText(IReadOnlyList<string> Header, IReadOnlyList<IReadOnlyList<string>> Lines, IReadOnlyList<string> Raw)
{
    /// <summary>A table of ten years of hours has fewer letters.</summary>
    public const int MostLetters = 10_000_000;

    /// <exception cref="FormatException">There is no line below the header, or a quote never ends.</exception>
    public static TableText Read(string text)
    {
        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                DetectDelimiter = true,
                DetectDelimiterValues = [";", "\t", ",", "|"],
                IgnoreBlankLines = true,
                BadDataFound = null,
            }
        );
        var lines = new List<IReadOnlyList<string>>();
        var raw = new List<string>();
        while (parser.Read())
        {
            lines.Add(parser.Record ?? []);
            raw.Add(parser.RawRecord.TrimEnd());
        }

        return lines.Count < 2
            ? throw new FormatException("A table wants a header and a line below it at least.")
            : new TableText(lines[0], lines[1..], raw[1..]);
    }
}
