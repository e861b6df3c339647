using System.Globalization;

namespace Mauvaise.Core.Words;

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

    /// <summary>Speaks a language until it is disposed of; for work that no request asked for, such as letters and feeds.</summary>
    public static IDisposable Speaking(string? code) => new Spoken(CultureInfo.GetCultureInfo(Nearest(code)));

    private sealed class Spoken : IDisposable
    {
        private readonly CultureInfo before = CultureInfo.CurrentUICulture;

        public Spoken(CultureInfo culture) => CultureInfo.CurrentUICulture = culture;

        public void Dispose() => CultureInfo.CurrentUICulture = before;
    }
}
