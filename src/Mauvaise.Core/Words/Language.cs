using System.Globalization;

namespace Mauvaise.Core.Words;

/// <summary>What stands first in a day, where a language writes both: "16 July" or "July 16".</summary>
public enum DayOrder
{
    DayFirst,
    MonthFirst,
}

/// <summary>How a garden speaks where nobody asks, and how a reader asks to be spoken to.</summary>
/// <param name="Language">By its code; null for the default.</param>
public readonly record struct Voice(string? Language, DayOrder Days = DayOrder.DayFirst);

/// <summary>A language that all messages stand in.</summary>
/// <param name="Code">Of two letters, ISO 639: the name of its folder.</param>
/// <param name="Name">As those who speak it call it.</param>
/// <param name="LowersNames">Whether a name of the catalogue loses its capital within a sentence.</param>
public sealed record Language(string Code, string Name, bool LowersNames)
{
    /// <summary>What is spoken where nothing else is known, and what is fallen back on.</summary>
    public const string Default = "en";

    /// <summary>The language that is nearest to what a browser or a person asks for; the default where none is.</summary>
    /// <param name="wanted">"de-AT", "de"; null where nobody said.</param>
    public static string Nearest(string? wanted) =>
        wanted is not null
        && MessageBook.All.Keys.FirstOrDefault(code =>
            wanted.Equals(code, StringComparison.OrdinalIgnoreCase) || wanted.StartsWith(code + "-", StringComparison.OrdinalIgnoreCase)
        )
            is { } code
            ? code
            : Default;

    /// <summary>Where the month stands before the day; what a browser from there asks for as well: "en-US".</summary>
    private const string MonthFirst = "-US";

    /// <summary>All that can be asked for: each language as it is, and with the month before the day.</summary>
    public static IEnumerable<CultureInfo> Cultures => MessageBook.All.Keys.SelectMany(code => new[] { CultureOf(code, false), CultureOf(code, true) });

    /// <summary>Whether days are to be told with the month first.</summary>
    public static bool IsMonthFirst(CultureInfo culture) => culture.Name.EndsWith(MonthFirst, StringComparison.Ordinal);

    /// <summary>Speaks a language until it is disposed of; for work that no request asked for, such as letters and feeds.</summary>
    public static IDisposable Speaking(Voice voice) => new Spoken(CultureOf(Nearest(voice.Language), voice.Days == DayOrder.MonthFirst));

    private static CultureInfo CultureOf(string code, bool monthFirst) => CultureInfo.GetCultureInfo(monthFirst ? code + MonthFirst : code);

    private sealed class Spoken : IDisposable
    {
        private readonly CultureInfo before = CultureInfo.CurrentUICulture;

        public Spoken(CultureInfo culture) => CultureInfo.CurrentUICulture = culture;

        public void Dispose() => CultureInfo.CurrentUICulture = before;
    }
}
