using System.Globalization;
using System.Text;

namespace Mauvaise.Core.Catalogue;

/// <summary>A town of a thousand people or more.</summary>
/// <param name="Country">ISO 3166, two letters.</param>
/// <param name="Latitude">Degrees to two places, as near as weather is known; longitude too.</param>
public sealed record Town(string Name, string Country, double Latitude, double Longitude, string TimeZoneId)
{
    /// <summary>
    /// The catalogue's climate that fits best, by latitude, country and coast (assumed: the usual climate maps, drawn with a ruler).
    /// The gardener may choose another.
    /// </summary>
    public string Climate
    {
        get
        {
            var north = Math.Abs(Latitude);
            return (Country, Latitude, Longitude) switch
            {
                _ when north >= 58 => KnownIds.Climates.CoolNorth,
                ("ES" or "PT" or "IT" or "GR" or "MT" or "CY" or "AL" or "HR" or "IL" or "LB" or "SY" or "TN" or "DZ" or "MA" or "LY", <= 44.6, _) => KnownIds
                    .Climates
                    .Mediterranean,
                ("FR", < 44.2, > 2.5) or ("TR", < 41, < 37) => KnownIds.Climates.Mediterranean,
                ("US", < 42, < -117) or ("CL", > -38, _) or ("ZA", < -31, < 21) => KnownIds.Climates.Mediterranean,
                ("AU", < -28, < 140) => KnownIds.Climates.Mediterranean,
                ("GB" or "IE" or "NL" or "BE" or "LU" or "DK" or "NZ", _, _) => KnownIds.Climates.Oceanic,
                ("FR", _, < 6) or ("DE", _, < 10) or ("ES" or "PT", _, _) => KnownIds.Climates.Oceanic,
                ("US" or "CA", _, < -120) or ("AU", < -36, _) or ("CL", _, _) => KnownIds.Climates.Oceanic,
                ("US", < 38.5, > -100) => KnownIds.Climates.HumidSubtropical,
                ("CN" or "JP" or "TW" or "KR", < 36, _) => KnownIds.Climates.HumidSubtropical,
                _ when north < 35 => KnownIds.Climates.HumidSubtropical,
                _ => KnownIds.Climates.Continental,
            };
        }
    }
}

/// <summary>All towns, to be found by what somebody types.</summary>
public sealed class TownBook
{
    /// <summary>So many are large: those of a hundred thousand people or more (of the list that ships; assumed as what most have heard of).</summary>
    private const int Large = 5000;

    private readonly IReadOnlyList<(string Key, Town Town)> towns;
    private readonly IReadOnlyList<(string Code, string[] Called)> names;
    private readonly IReadOnlyList<Town> large;

    /// <param name="bySize">The largest first.</param>
    public TownBook(IEnumerable<Town> bySize)
    {
        towns = [.. bySize.Select(t => (Folded(t.Name), t))];
        large = [.. towns.Take(Large).Select(t => t.Town)];
        names = [.. towns.Select(t => t.Town.Country).Distinct().Select(code => (code, NamesOf(code)))];
    }

    /// <summary>A country as English and as it itself calls it; nothing where this machine knows neither.</summary>
    private static string[] NamesOf(string code)
    {
        try
        {
            var region = new RegionInfo(code);
            return [Folded(region.EnglishName), Folded(region.NativeName)];
        }
        catch (ArgumentException)
        {
            return [];
        }
    }

    public int Count => towns.Count;

    /// <summary>Towns whose name begins with what was typed, then those with a later word that does; the largest first in both.</summary>
    /// <param name="typed">
    /// With or without marks on letters; a country may follow after a comma, by its two letters or as it or English calls it. One that is not known
    /// narrows nothing.
    /// </param>
    /// <param name="most">1 or more.</param>
    public IReadOnlyList<Town> Find(string typed, int most)
    {
        var parts = typed.Split(',', 2);
        var key = Folded(parts[0].Trim());
        var countries = CountriesCalled(parts.Length > 1 ? parts[1].Trim() : "");
        if (key.Length < 2)
        {
            return [];
        }

        var there = countries.Count == 0 ? towns : towns.Where(t => countries.Contains(t.Town.Country));
        var first = there.Where(t => t.Key.StartsWith(key, StringComparison.Ordinal)).Take(most).ToList();
        var exact = first.Where(t => t.Key.Length == key.Length);
        return
        [
            .. exact
                .Concat(first)
                .Concat(there.Where(t => t.Key.Contains(' ' + key, StringComparison.Ordinal)).Take(Math.Max(0, most - first.Count)))
                .Select(t => t.Town)
                .Distinct()
                .Take(most),
        ];
    }

    /// <summary>The nearest large town of the country that is called otherwise, to tell a town from another of its name; null where none is large.</summary>
    public Town? LargeTownNear(Town town) => large.Where(t => t.Country == town.Country && t.Name != town.Name).MinBy(t => SquaredDegrees(t, town));

    /// <summary>As far apart as on a flat map of their latitude: enough to tell near from far.</summary>
    private static double SquaredDegrees(Town a, Town b)
    {
        var east = Math.IEEERemainder(a.Longitude - b.Longitude, 360) * Math.Cos(a.Latitude * Math.PI / 180);
        return Math.Pow(a.Latitude - b.Latitude, 2) + Math.Pow(east, 2);
    }

    /// <summary>Codes of the countries that have towns and that a word may begin; none where it begins none.</summary>
    private HashSet<string> CountriesCalled(string word)
    {
        var key = Folded(word);
        return key.Length == 0
            ? []
            :
            [
                .. names
                    .Where(n => n.Code.Equals(key, StringComparison.OrdinalIgnoreCase) || n.Called.Any(c => c.StartsWith(key, StringComparison.Ordinal)))
                    .Select(n => n.Code),
            ];
    }

    /// <summary>Without marks on letters, small, with blanks for hyphens.</summary>
    private static string Folded(string name)
    {
        var folded = new StringBuilder(name.Length);
        foreach (var c in name.Normalize(NormalizationForm.FormD))
        {
            if (CharUnicodeInfo.GetUnicodeCategory(c) != UnicodeCategory.NonSpacingMark)
            {
                folded.Append(c is '-' or '\'' or '’' ? ' ' : char.ToLowerInvariant(c));
            }
        }

        return folded
            .ToString()
            .Replace("ß", "ss", StringComparison.Ordinal)
            .Replace("ø", "o", StringComparison.Ordinal)
            .Replace("ł", "l", StringComparison.Ordinal);
    }
}
