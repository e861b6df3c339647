using System.Globalization;
using System.Text.RegularExpressions;

namespace Mauvaise.Core.ByEar;

/// <summary>Brings what people say into one form, and cuts it into stretches that name one thing each.</summary>
internal static partial class HeardText
{
    /// <summary>Stands before a volume that names the whole: "5 ml a litre".</summary>
    public const char Whole = '\u0002';

    /// <summary>Names of volumes, weights and pieces, and of what is no amount of anything.</summary>
    public const string UnitWords =
        @"fl\.? oz|fluid ounces?|teaspoon(?:ful)?s?|tsps?|tablespoon(?:ful)?s?|tbsps?|tblsps?|tbls?|tbs|"
        + @"dessertspoons?|spoon(?:ful)?s?|cup(?:ful)?s?|mugs?|pints?|quarts?|qts?|gallons?|gal|litres?|liters?|ltrs?|"
        + @"millilit(?:re|er)s?|mls?|cc|cl|dl|l|kilograms?|kilos?|kg|mg|gram(?:me)?s?|gr|g|"
        + @"pounds?|lbs?|ounces?|oz|drops?|squirts?|splash(?:es)?|glugs?|squeezes?|shakes?|dash(?:es)?|capfuls?|caps?|"
        + @"pinch(?:es)?|tablets?|cloves?|bulbs?|heads?|pods?|leaves|leaf|handfuls?|pieces?|parts?|"
        + @"metres?|meters?|inch(?:es)?|minutes?|hours?|degrees?|miles?";

    private const string Spoons = "teaspoons?|tsps?|tablespoons?|tbsps?|cups?|fl\\.? oz";

    private const string Volumes = "litres?|liters?|gallons?|gal|quarts?|qts?|pints?|l";

    /// <summary>Decimals with a point, "2 to 3 tsp" as one number, "a litre" as 1 litre of its own.</summary>
    public static IEnumerable<string> Pieces(string text)
    {
        var plain = Tablespoon().Replace(text.Replace('\u00a0', ' '), m => m.Value == "T" ? "tbsp" : "tsp");
        plain = UnitDot().Replace(plain, "$1");
        plain = Decimal().Replace(plain, "$1.$2");
        plain = Mixed().Replace(plain, "$1 $2");
        plain = DoseOf().Replace(plain, "$1 $3 per $2");
        plain = Slash().Replace(plain, " per $1");
        plain = Stock().Replace(plain, $"{Whole}${{amount}}; ");
        plain = Sum().Replace(plain, "${more} ${thing}; ${less} ${thing}");
        plain = Title().Replace(plain, "");
        plain = MixOf().Replace(plain, "");
        plain = Article().Replace(plain, "");
        plain = AndAHalf().Replace(plain, "1.5 $1");
        plain = NumberAndAHalf().Replace(plain, m => SpokenNumber.Read(m.Groups[1].Value) is { } n ? FormattableString.Invariant($"{n + 0.5}") : m.Value);
        plain = InShares(Percents(), Fractions().Replace(plain, m => Fraction(m.Value)));
        plain = InShares(Thirds(), plain);
        plain = PerSpoon().Replace(plain, "$1 each of");
        plain = EachOf().Replace(plain, m => string.Join("; ", Named(m.Groups["things"].Value).Select(t => $"{m.Groups["amount"].Value} {t}")));
        plain = Equal().Replace(plain, m => string.Join("; ", Named(m.Groups["things"].Value).Select(t => $"1 part {t}")));
        plain = EqualAfter().Replace(plain, "1 part $1; 1 part $2");
        plain = Halves().Replace(plain, "1 part $1; 1 part $2");
        plain = Each().Replace(Range().Replace(plain, "$1–$2"), m => NamesTheWhole(plain, m) ? $"; {Whole}1 " : "; 1 ");
        return Break().Split(plain).Select(p => Bullet().Replace(p.Trim(' ', '.'), "")).Where(p => p.Length > 1);
    }

    /// <summary>"40 % milk, 60 % water", "1/3 milk, 2/3 water": shares that make a whole are parts, and no strengths of bottles.</summary>
    private static string InShares(Regex shares, string text)
    {
        static double Read(Group number, double otherwise) => number.Success ? double.Parse(number.Value, CultureInfo.InvariantCulture) : otherwise;
        static double Of(Match m) => Read(m.Groups["over"], 0) / Read(m.Groups["under"], 100);
        var found = shares.Matches(text);
        return found.Count > 1 && found.Sum(Of) is > 0.95 and < 1.05
            ? shares.Replace(text, m => FormattableString.Invariant($"{Of(m) * 100:0.##} parts "))
            : text;
    }

    private static string Fraction(string words) =>
        words.ToLowerInvariant().Split(' ', '-') switch
        {
            ["two", ..] => "2/3",
            ["three", ..] => "3/4",
            [_, .., "third"] => "1/3",
            _ => "1/4",
        };

    private static IEnumerable<string> Named(string things) => And().Split(things).Where(t => t.Trim().Length > 0);

    /// <summary>"5 ml soap a litre" and "per litre" name the whole; "with a litre" and "in a litre" are poured.</summary>
    private static bool NamesTheWhole(string text, Match each)
    {
        var word = each.Groups["word"].Value.ToLower(CultureInfo.InvariantCulture);
        return word is "per" or "each" or "every" || (!each.Groups["into"].Success && !Poured().IsMatch(text[..each.Index]));
    }

    /// <summary>A large T is a tablespoon, a small one a teaspoon.</summary>
    [GeneratedRegex(@"(?<=[\d½¼¾⅓⅔⅛]\s?)[Tt](?=\.?\s)")]
    private static partial Regex Tablespoon();

    /// <summary>"2 Tbl. soap": the dot ends a short word, and no sentence.</summary>
    [GeneratedRegex(@"\b(tbsps?|tblsps?|tbls?|tbs|tsps?|oz|gal|qts?|pt|lbs?)\.(?=\s)", RegexOptions.IgnoreCase)]
    private static partial Regex UnitDot();

    [GeneratedRegex(@"(?<=^|[^\d])(\d+),(\d{1,2})(?!\d)")]
    private static partial Regex Decimal();

    /// <summary>"1-1/2" and "1 and 1/2".</summary>
    [GeneratedRegex(@"(\d)\s*(?:-|&|and)\s*(\d/\d)", RegexOptions.IgnoreCase)]
    private static partial Regex Mixed();

    /// <summary>"10 ml/l neem": the dose before what it is a dose of.</summary>
    [GeneratedRegex(
        @"(\d[\d.]*\s*(?:"
            + UnitWords
            + @"))\s*(?:/|per)\s*("
            + Volumes
            + @")\s+(?:of\s+)?(?!of\b|water\b|in\b|and\b|with\b|plus\b|to\b)([a-z][a-z -]*?)(?=\s*(?:[,;.+&\n]|\band\b|\bwith\b|\bplus\b|$))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex DoseOf();

    [GeneratedRegex(@"(?<=[a-z])\s*/\s*(" + Volumes + @")\b", RegexOptions.IgnoreCase)]
    private static partial Regex Slash();

    /// <summary>"1/2 cup + 2 tbsp (88 g) of onions" is one amount in two measures; what it weighs was reckoned from them.</summary>
    [GeneratedRegex(
        @"(?<![\w.,])(?<more>"
            + SpokenNumber.Pattern
            + @"\s*(?:"
            + Spoons
            + @"))\s*(?:\+|plus)\s*(?<less>"
            + SpokenNumber.Pattern
            + @"\s*(?:"
            + Spoons
            + @"))\s+(?:\([^)\n]*\)\s*)?(?:of\s+)?(?<thing>[a-z][a-z -]*?)(?=\s*(?:[,;.:+&\n(]|\b(?:and|with|plus|in|into|to|per)\b|$))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Sum();

    /// <summary>"1 litre of stock: 40 g of soap, rest water": what is named before the colon is the whole.</summary>
    [GeneratedRegex(
        @"(?<=^|[\n;.]\s*)(?<amount>"
            + SpokenNumber.Pattern
            + @"\s*(?:ml|"
            + Volumes
            + @"))\s+of\s+[^\n;.:,\d]{2,40}:\s*(?=[^.\n;]*\b(?:rest|remainder|remaining|fill(?:ed)?|top(?:ped)?)\b[^.\n;]*\bwater\b)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Stock();

    /// <summary>What a recipe is called, before a colon, when the part stands behind it.</summary>
    [GeneratedRegex(
        @"(?<=^|[\n;.])[^\n;.:,\d]{3,60}:\s*(?=(?:" + SpokenNumber.Pattern + @")\s*(?:" + UnitWords + @")\s+(?:of\s+)?[a-z]|[^:\n]{30,})",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Title();

    /// <summary>"A mix of one cup of oil and …": the mix is no amount of anything.</summary>
    [GeneratedRegex(@"\b(?:a|the|this)\s+(?:mix|mixture|solution|blend|combination)\s+of\s+(?=" + SpokenNumber.Pattern + @"\b)", RegexOptions.IgnoreCase)]
    private static partial Regex MixOf();

    [GeneratedRegex(@"\b(?:a|an|the|another)\s+(?=\d)", RegexOptions.IgnoreCase)]
    private static partial Regex Article();

    [GeneratedRegex(@"\b(?:a|an|one)\s+(" + UnitWords + @")\s+and\s+a\s+half\b", RegexOptions.IgnoreCase)]
    private static partial Regex AndAHalf();

    [GeneratedRegex(@"\b(" + SpokenNumber.Pattern + @")\s+and\s+a\s+half\b", RegexOptions.IgnoreCase)]
    private static partial Regex NumberAndAHalf();

    [GeneratedRegex(@"(?<over>\d+(?:\.\d+)?)\s*(?:%|percent|per cent)\s*(?:of\s+)?(?=[a-z])", RegexOptions.IgnoreCase)]
    private static partial Regex Percents();

    [GeneratedRegex(@"(?<!\d\s?)(?<over>\d)/(?<under>[1-9])(?!\s*(?:(?:of\s+)?an?\s+)?(?:" + UnitWords + @")\b)\s*(?:of\s+)?", RegexOptions.IgnoreCase)]
    private static partial Regex Thirds();

    [GeneratedRegex(@"\b(?:(?:one|a)[ -](?:third|quarter)|two[ -]thirds|three[ -]quarters)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Fractions();

    /// <summary>"Per tablespoon" of several things, as some languages say "each".</summary>
    [GeneratedRegex(@"\bper\s+(" + SpokenNumber.Pattern + @"\s*(?:" + Spoons + @"|ml|g|grams|drops))(?=\s+[a-z][a-z ]*?\s+and\s)", RegexOptions.IgnoreCase)]
    private static partial Regex PerSpoon();

    /// <summary>"2 tbsp each of neem and soap".</summary>
    [GeneratedRegex(
        @"(?<amount>"
            + SpokenNumber.Pattern
            + @"\s*(?:"
            + UnitWords
            + @"))\s+(?:of\s+)?each(?:\s+of)?:?\s+(?<things>[a-z][a-z -]*(?:(?:,|&|\band\b)\s*(?:and\s+)?[a-z][a-z -]*?)+?)"
            + @"(?=\s+(?:in|to|into|per|with)\b|[.;\n]|,\s*\d|$)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex EachOf();

    /// <summary>"Equal parts of milk and water", "half and half milk and water", "50/50".</summary>
    [GeneratedRegex(
        @"\b(?:equal\s+(?:parts|amounts|measures)|half\s+and\s+half|half-and-half|50\s*[/:-]\s*50)"
            + @"(?:\s+mix(?:ture)?)?(?:\s+of)?:?\s+(?<things>[a-z][a-z -]*(?:,|&|\band\b)\s*[^.;\n]*)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Equal();

    /// <summary>"Vinegar and water, half and half".</summary>
    [GeneratedRegex(
        @"\b([a-z][a-z ]*?)\s+(?:and|&)\s+([a-z]+),?\s+(?:half\s+and\s+half|half-and-half|50\s*[/:-]\s*50|in\s+equal\s+(?:parts|amounts))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex EqualAfter();

    [GeneratedRegex(
        @"\bhalf\s+((?!a\b|an\b|litre|liter|cup|tea|table|pint|gallon|quart)[a-z][a-z ]*?)\s*(?:,|&|\band\b)?\s*half\s+(water|[a-z]+)\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Halves();

    [GeneratedRegex(@"\s*(?:,|&|\band\b)\s*", RegexOptions.IgnoreCase)]
    private static partial Regex And();

    /// <summary>What each litre gets, or the one that all goes into.</summary>
    [GeneratedRegex(
        @"(?<!half )\b(?:(?<into>in|to|into)\s+)?(?:(?<word>per|a|each|every|the)\s+(?=(?:" + Volumes + @")\b)|(?<word>per|every)\s+(?=cups?\b))",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Each();

    [GeneratedRegex(@"(?:^|[,;.:+\n]|\b(?:with|of|and|plus|add|use|take|or|then|about|up))\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex Poured();

    /// <summary>"2 to 3 tsp" is one amount.</summary>
    [GeneratedRegex(@"(\d)\s*(?:to|or|-|–)\s*(\d+(?:[.,]\d+)?)(?=\s*(?:" + UnitWords + @")\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Range();

    /// <summary>Where one thing ends and the next begins.</summary>
    [GeneratedRegex(
        @"[\n\r;]+|,(?!\d)\s*|(?<=\d[^:;,.%\n]*):\s+(?="
            + SpokenNumber.Pattern
            + @"\s)|(?<=\bparts?\s[a-z ]{3,})\s+(?=(?:"
            + SpokenNumber.Pattern
            + @")\s+parts?\b)|\s+[+&]\s+|\.\s+|\s+(?:and|with|plus|then|into|in|to|per|mixed|topped|fill up|for(?=\s+(?:every|each)\b))"
            + @"\s+(?=(?:the\s+|up\s+to\s+|about\s+|each\s+|every\s+|full\s+|with\s+)*(?:"
            + SpokenNumber.Pattern
            + @")\s*(?:heaped|heaping|level|rounded|big|large|small|good|whole)?\s*[a-z½¼¾])|\s+(?:and|with|plus)\s+(?=[a-z])",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Break();

    [GeneratedRegex(@"^(?:[*•–]|-\s|and\s+|\d+[.)]\s+(?=[a-z\d]))\s*", RegexOptions.IgnoreCase)]
    private static partial Regex Bullet();
}
