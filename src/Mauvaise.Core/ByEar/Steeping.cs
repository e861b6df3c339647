using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.ByEar;

/// <summary>How long a recipe wants to stand before it is used: "steep it overnight", "let it stand for 24 hours".</summary>
internal static partial class Steeping
{
    private const double NightHours = 12;

    /// <summary>
    /// The longest that is told; 0 when nothing stands. What is told after the spraying is how long it stays on leaves, or how often it is repeated.
    /// </summary>
    public static double HoursIn(string plain) =>
        Sentences()
            .Split(plain.ToLowerInvariant())
            .SelectMany(s => Stands().Matches(s).Where(m => !OnPlants().IsMatch(s[..m.Index])))
            .Select(m =>
                m.Groups["night"].Success ? NightHours
                : SpokenNumber.Read(m.Groups["n"].Value) is { } n ? n * HoursOf(m.Groups["unit"].Value)
                : 0
            )
            .Where(h => h <= OwnRecipe.MostSteepHours)
            .DefaultIfEmpty(0)
            .Max();

    /// <summary>How what works is got out of the plants: as it is told, else by standing where it stands, else blended as stocks usually are.</summary>
    public static StockMaking MakingOf(string plain, double steepHours) =>
        Boils().IsMatch(plain) ? StockMaking.Boiled
        : Blends().IsMatch(plain) || steepHours == 0 ? StockMaking.Blended
        : StockMaking.Steeped;

    private static double HoursOf(string unit) =>
        unit[0] switch
        {
            'd' => 24,
            'w' => 168,
            _ => 1,
        };

    [GeneratedRegex(@"\b(?:boil|simmer|cook)\w*\b", RegexOptions.IgnoreCase)]
    private static partial Regex Boils();

    [GeneratedRegex(@"\b(?:blend|puree|liquidi[sz]e|mash|crush|grate|process)\w*\b", RegexOptions.IgnoreCase)]
    private static partial Regex Blends();

    [GeneratedRegex(@"[.;!\n]")]
    private static partial Regex Sentences();

    [GeneratedRegex(@"\b(?:spray\w*|rinse\w*|wash\w*|repeat\w*|every|on the (?:leaves|plants?))\b")]
    private static partial Regex OnPlants();

    [GeneratedRegex(
        @"\b(?:steep|soak|infus|stand|sit|leav|left|let|brew|ferment)\w*\b[^.;\n]{0,80}?\b(?:(?<night>over\s?night)|(?<n>"
            + SpokenNumber.Pattern
            + @")\s*(?<unit>hours?|hrs?|h|days?|weeks?))\b"
    )]
    private static partial Regex Stands();
}
