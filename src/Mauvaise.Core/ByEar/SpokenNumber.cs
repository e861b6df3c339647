using System.Globalization;
using System.Text.RegularExpressions;

namespace Mauvaise.Core.ByEar;

/// <summary>Numbers as people say them: "2", "1,5", "1 1/2", "½", "a", "half a", "a dozen", "two to three".</summary>
internal static partial class SpokenNumber
{
    private static readonly Dictionary<string, double> Words = new()
    {
        ["a"] = 1,
        ["an"] = 1,
        ["one"] = 1,
        ["two"] = 2,
        ["three"] = 3,
        ["four"] = 4,
        ["five"] = 5,
        ["six"] = 6,
        ["seven"] = 7,
        ["eight"] = 8,
        ["nine"] = 9,
        ["ten"] = 10,
        ["eleven"] = 11,
        ["twelve"] = 12,
        ["fifteen"] = 15,
        ["sixteen"] = 16,
        ["twenty"] = 20,
        ["thirty"] = 30,
        ["forty"] = 40,
        ["fifty"] = 50,
        ["hundred"] = 100,
        ["thousand"] = 1000,
        ["million"] = 1_000_000,
        ["couple"] = 2,
        ["few"] = 3,
        ["dozen"] = 12,
        ["half"] = 0.5,
        ["quarter"] = 0.25,
        ["third"] = 1.0 / 3,
        ["some"] = 1,
        ["another"] = 1,
    };

    private static readonly Dictionary<char, double> Signs = new()
    {
        ['½'] = 0.5,
        ['¼'] = 0.25,
        ['¾'] = 0.75,
        ['⅓'] = 1.0 / 3,
        ['⅔'] = 2.0 / 3,
        ['⅛'] = 0.125,
    };

    /// <summary>One number at the start of a text.</summary>
    public const string Pattern =
        @"(?:\d+/\d+|-?\d+(?:[.,]\d+)?(?:\s+\d+/\d+|\s*[½¼¾⅓⅔⅛])?|[½¼¾⅓⅔⅛]"
        + @"|(?:a|an)\s+(?:couple|few|dozen|half|quarter|third|hundred|thousand|million)|(?:one|two|three|four|half\s+a)\s+dozen|half\s+an?"
        + @"|(?:one|two|three|four)\s+and\s+a\s+half|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|"
        + @"fifteen|sixteen|twenty|thirty|forty|fifty|hundred|thousand|million|couple|few|dozen|half|quarter|some|another)";

    /// <summary>The number that such words stand for; null for anything else.</summary>
    public static double? Read(string text)
    {
        var words = text.Trim().ToLowerInvariant();
        if (AndAHalf().Match(words) is { Success: true } and)
        {
            return Words[and.Groups[1].Value] + 0.5;
        }

        if (Mixed().Match(words) is { Success: true } mixed)
        {
            var whole = mixed.Groups["whole"].Success ? double.Parse(mixed.Groups["whole"].Value.Replace(',', '.'), CultureInfo.InvariantCulture) : 0;
            return mixed.Groups["sign"].Success ? whole + Signs[mixed.Groups["sign"].Value[0]]
                : mixed.Groups["over"].Success && mixed.Groups["under"].Value.TrimStart('0').Length > 0
                    ? whole
                        + double.Parse(mixed.Groups["over"].Value, CultureInfo.InvariantCulture)
                            / double.Parse(mixed.Groups["under"].Value, CultureInfo.InvariantCulture)
                : mixed.Groups["over"].Success ? null
                : whole;
        }

        // "half a", "a dozen": the larger word counts.
        var known = words.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(w => Words.TryGetValue(w, out var v) ? (double?)v : null).ToList();
        return known.Count > 0 && known.TrueForAll(v => v is not null) ? known.Aggregate(1.0, (a, v) => a * v!.Value) : null;
    }

    [GeneratedRegex(@"^(one|two|three|four)\s+and\s+a\s+half$")]
    private static partial Regex AndAHalf();

    private const string Over = @"(?<over>\d+)/(?<under>\d+)",
        Sign = "(?<sign>[½¼¾⅓⅔⅛])";

    [GeneratedRegex($@"^(?:(?<whole>-?\d+(?:[.,]\d+)?)(?:\s+{Over}|\s*{Sign})?|{Over}|{Sign})$")]
    private static partial Regex Mixed();
}
