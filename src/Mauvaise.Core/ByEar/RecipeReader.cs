using System.Globalization;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.ByEar;

/// <summary>Reads a recipe as people tell it, part by part. What can not be read is said, never guessed at.</summary>
public sealed partial class RecipeReader
{
    /// <summary>A longer text is no recipe.</summary>
    public const int MostLetters = 4000;

    /// <summary>Amounts of one part beyond this are slips, in its unit.</summary>
    private const double MostAmount = 100_000;

    private readonly KitchenSystem kitchen;
    private readonly GardenCatalogue catalogue;
    private readonly IReadOnlyList<(string Word, HeardWord Heard)> things;

    private RecipeReader(GardenCatalogue catalogue, KitchenSystem kitchen)
    {
        (this.catalogue, this.kitchen) = (catalogue, kitchen);
        things = [.. catalogue.Heard.SelectMany(h => h.Words.Select(w => (w, h))).OrderByDescending(x => x.w.Length)];
    }

    /// <param name="kitchen">Whose spoons, cups and gallons are meant.</param>
    public static HeardRecipe Read(GardenCatalogue catalogue, string text, KitchenSystem kitchen) => new RecipeReader(catalogue, kitchen).Read(text);

    private HeardRecipe Read(string text)
    {
        var lines = Undiluted(SpreadRatio([.. Pieces(text).Select(Line)], text), text);
        var waters = lines.Where(l => l.Name == "Water" && l.Millilitres is not null).ToList();
        var water = waters.Sum(l => l.Millilitres ?? 0);
        var liquids = lines.Where(l => l.Word is { Nature: not (HeardNature.Salt or HeardNature.Plant) } && l.Grams is null).Sum(l => l.Millilitres ?? 0);
        // "per litre" and "made up to" name the whole; an amount of water has what is poured in added to it.
        double? litres = water <= 0 ? null : (water + (MadeUp().IsMatch(text) ? 0 : liquids)) / 1000;
        return new HeardRecipe(lines, litres, waters.Count, Neat().IsMatch(text));
    }

    /// <summary>Stretches that name one thing each: decimals with a point, "2 to 3 tsp" as one number, "a litre" as 1 litre of its own.</summary>
    private static IEnumerable<string> Pieces(string text)
    {
        var plain = Decimal().Replace(text.Replace('\u00a0', ' '), "$1.$2");
        plain = Each().Replace(Range().Replace(plain, "$1–$2"), "; 1 ");
        return Break().Split(plain).Select(p => Bullet().Replace(p.Trim(' ', '.'), "")).Where(p => p.Length > 1);
    }

    /// <summary>"Straight vinegar, 500 ml": the amount is that of the one thing, and no water was named.</summary>
    private static List<HeardLine> Undiluted(List<HeardLine> lines, string text)
    {
        var bare = lines.Find(l => l.Name == "Water" && l.Word is null && l.Millilitres is not null);
        return Neat().IsMatch(text) && !Water().IsMatch(text) && bare is not null && lines.Count(l => l.Word is not null) == 1 && lines.Find(l => l.Word is not null) is { Millilitres: null, Grams: null } thing
            ? [.. lines.Where(l => l != bare).Select(l => l == thing ? Known(thing.Text, thing.Word!, thing.Name!, bare.Millilitres, null, thing.Percent) : l)]
            : lines;
    }

    private HeardLine Line(string piece)
    {
        var lower = piece.ToLowerInvariant();
        if (Ratio().IsMatch(lower) && Find(lower) is not { } _)
        {
            return new HeardLine(piece, "a ratio");
        }

        var percent = Percent().Match(lower) is { Success: true } p ? SpokenNumber.Read(p.Groups[1].Value) : null;
        var plain = Percent().Replace(lower, " ");
        var found = Find(plain);
        var amount = Amount().Match(found is { } at ? plain[..at.At] + "\u0001" + plain[(at.At + at.Word.Length)..] : plain);
        var bare = amount.Success ? Match.Empty : OneOf().Match(plain);
        var number = amount.Success ? Number(amount) : bare.Success ? 1 : null;
        var unit = (amount.Success ? amount : bare).Groups["unit"].Value.TrimEnd('.');
        if (found is null)
        {
            return Rest(piece, plain, number, unit);
        }

        var (heard, name) = (found.Value.Heard, NameOf(found.Value));
        if (number is null)
        {
            return new HeardLine(piece, null, heard, name, Percent: percent) { Unclear = $"How much {name.InSentence()}?" };
        }

        if (!(number > 0) || number > MostAmount)
        {
            return new HeardLine(piece, null, heard, name, Percent: percent) { Unclear = $"{amount.Groups["number"].Value} is no amount of {name.InSentence()}." };
        }

        if (Wrong().IsMatch(unit))
        {
            return new HeardLine(piece, null, heard, name, Percent: percent) { Unclear = $"{name} is not measured in {unit}." };
        }

        var times = Heaped().IsMatch(lower) ? KitchenMeasure.LevelPerHeaped : 1;
        return Measured(piece, heard, name, number.Value * times, unit, percent);
    }

    /// <summary>A part with its amount in millilitres, in grams, or in parts.</summary>
    private HeardLine Measured(string piece, HeardWord heard, string name, double number, string unit, double? percent)
    {
        var material = heard.Material is { } id ? catalogue.Material(id) : null;
        if (unit is "part" or "parts")
        {
            return new HeardLine(piece, $"{number.ToString("0.##", CultureInfo.InvariantCulture)} parts of {name.InSentence()}", heard, name, Percent: percent, Parts: number);
        }

        var weighed = material is null ? heard.Grams is not null : material.Unit == "g";
        var density = heard.PerMl ?? material?.DensityGramsPerMillilitre ?? 1;
        var pieces = Singular(unit.Length == 0 ? (weighed ? "piece" : "") : unit);
        if (heard.Grams is { } weights && weights.TryGetValue(pieces, out var each))
        {
            return Known(piece, heard, name, null, number * each, percent);
        }

        if (VolumeMl(unit, material) is { } ml)
        {
            return weighed ? Known(piece, heard, name, null, number * ml * density, percent) : Known(piece, heard, name, number * ml, null, percent);
        }

        if (GramsOf(unit, weighed) is { } grams)
        {
            return weighed ? Known(piece, heard, name, null, number * grams, percent) : Known(piece, heard, name, number * grams / density, null, percent);
        }

        return new HeardLine(piece, null, heard, name, Percent: percent) { Unclear = unit.Length == 0 ? $"{number.ToString("0.##", CultureInfo.InvariantCulture)} what of {name.InSentence()}?" : $"{name} is not measured in {unit}." };
    }

    private static HeardLine Known(string piece, HeardWord heard, string name, double? ml, double? grams, double? percent) => new(
        piece,
        string.Create(CultureInfo.InvariantCulture, $"{ml ?? grams:0.##} {(ml is null ? "g" : "ml")} of {name.InSentence()}{(percent is { } p ? $", {p:0.#} %" : "")}"),
        heard,
        name,
        ml,
        grams,
        percent);

    /// <summary>Water, work, or something that is not known here.</summary>
    private HeardLine Rest(string piece, string lower, double? number, string unit)
    {
        var volume = VolumeMl(unit, null);
        if (number is > 0 and <= MostAmount && (volume is not null || unit is "part" or "parts") && (Water().IsMatch(lower) || Vessel().IsMatch(lower)))
        {
            return unit is "part" or "parts"
                ? new HeardLine(piece, $"{number.Value.ToString("0.##", CultureInfo.InvariantCulture)} parts of water", null, "Water", Parts: number)
                : new HeardLine(piece, string.Create(CultureInfo.InvariantCulture, $"{number * volume / 1000:0.##} l of water"), null, "Water", number * volume);
        }

        if (Work().IsMatch(lower))
        {
            return new HeardLine(piece, "how it is made or used");
        }

        var name = Cleaned().Replace(lower, " ").Trim();
        return number is not null && name.Length > 2 && (unit.Length > 0 || Regex.IsMatch(lower, @"^\s*" + SpokenNumber.Pattern + @"\s"))
            ? new HeardLine(piece, null, null, name.Length > 60 ? name[..60] : name) { Unclear = "Not known here: say what it is like." }
            : new HeardLine(piece, null);
    }

    /// <summary>"16 to 1", "1:10" and parts, spread over the things that they are of; the water takes the rest of a litre.</summary>
    private List<HeardLine> SpreadRatio(List<HeardLine> lines, string text)
    {
        if (lines.Exists(l => l.Parts is not null))
        {
            var water = lines.Where(l => l.Name == "Water").Sum(l => l.Parts ?? 0);
            var ratio = Ratio().Match(text.ToLowerInvariant());
            if (water == 0 && ratio.Success)
            {
                water = Math.Max(SpokenNumber.Read(ratio.Groups[1].Value) ?? 0, SpokenNumber.Read(ratio.Groups[2].Value) ?? 0);
            }

            var all = lines.Where(l => l.Name != "Water").Sum(l => l.Parts ?? 0) + water;
            return water > 0 ? [.. lines.Select(l => l.Parts is { } p ? Part(l, p / all) : l), .. lines.Exists(l => l.Name == "Water") ? [] : new[] { WaterOf(1 - (all - water) / all) }] : lines;
        }

        if (Ratio().Match(text.ToLowerInvariant()) is not { Success: true } m || lines.Count(l => l.Word is not null) != 1 || lines.Exists(l => l.Millilitres is not null || l.Grams is not null))
        {
            return lines;
        }

        // Told of one thing alone, the larger number is the water.
        var (a, b) = (SpokenNumber.Read(m.Groups[1].Value) ?? 0, SpokenNumber.Read(m.Groups[2].Value) ?? 0);
        if (!(a > 0 && b > 0))
        {
            return lines;
        }

        var share = Math.Min(a, b) / (a + b);
        return [.. lines.Select(l => l.Word is not null ? Part(l, share) : l), WaterOf(1 - share)];
    }

    private HeardLine Part(HeardLine line, double share)
    {
        if (line.Word is not { } heard)
        {
            return line with { Millilitres = share * 1000, Understood = string.Create(CultureInfo.InvariantCulture, $"{share * 1000:0} ml of water in a litre") };
        }

        var material = heard.Material is { } id ? catalogue.Material(id) : null;
        var grams = material?.Unit == "g" ? share * 1000 * (heard.PerMl ?? material.DensityGramsPerMillilitre) : (double?)null;
        return line with
        {
            Millilitres = grams is null ? share * 1000 : null,
            Grams = grams,
            Unclear = null,
            Understood = string.Create(CultureInfo.InvariantCulture, $"{grams ?? share * 1000:0.#} {(grams is null ? "ml" : "g")} of {line.Name!.InSentence()} in a litre"),
        };
    }

    private static HeardLine WaterOf(double share) => new("", string.Create(CultureInfo.InvariantCulture, $"{share * 1000:0} ml of water in a litre"), null, "Water", share * 1000);

    private (int At, string Word, HeardWord Heard)? Find(string lower)
    {
        foreach (var (word, heard) in things)
        {
            if (Regex.Match(lower, $@"\b{Regex.Escape(word)}\b") is { Success: true } m)
            {
                return (m.Index, word, heard);
            }
        }

        return null;
    }

    private string NameOf((int At, string Word, HeardWord Heard) found) =>
        found.Heard.Material is { } id ? catalogue.Material(id).Name : char.ToUpperInvariant(found.Word[0]) + found.Word[1..];

    private static double? Number(Match amount)
    {
        var (first, last) = (SpokenNumber.Read(amount.Groups["number"].Value), amount.Groups["to"].Success ? SpokenNumber.Read(amount.Groups["to"].Value) : null);
        return first is { } low && last is { } high ? (low + high) / 2 : first;
    }

    private double? VolumeMl(string unit, Material? material)
    {
        var us = kitchen == KitchenSystem.Us;
        var (tsp, tbsp, cup) = KitchenMeasure.Spoons(kitchen);
        return unit switch
        {
            "tsp" or "tsps" or "teaspoon" or "teaspoons" or "teaspoonful" or "teaspoonfuls" => tsp.InBase,
            "tbsp" or "tbsps" or "tablespoon" or "tablespoons" or "tablespoonful" or "tablespoonfuls" => tbsp.InBase,
            "dessertspoon" or "dessertspoons" or "spoon" or "spoons" or "spoonful" or "spoonfuls" => 10,
            "cup" or "cups" or "cupful" => cup.InBase,
            "fl oz" or "fluid ounce" or "fluid ounces" => Units.Get(us ? "us-floz" : "imp-floz").InBase,
            "oz" or "ounce" or "ounces" when material is { Unit: "ml" } => Units.Get(us ? "us-floz" : "imp-floz").InBase,
            "pint" or "pints" => Units.Get(us ? "us-pt" : "imp-pt").InBase,
            "quart" or "quarts" or "qt" or "qts" => us ? Units.Get("us-qt").InBase : Units.Get("imp-gal").InBase / 4,
            "gallon" or "gallons" or "gal" => Units.Get(us ? "us-gal" : "imp-gal").InBase,
            "l" or "litre" or "litres" or "liter" or "liters" => 1000,
            "ml" or "mls" or "millilitre" or "millilitres" or "milliliter" or "milliliters" or "cc" => 1,
            "cl" => 10,
            "dl" => 100,
            "drop" or "drops" => 1 / (material?.DropsPerMillilitre ?? 20),
            "squirt" or "squirts" or "splash" or "glug" => 5,
            "dash" => 1,
            "capful" or "capfuls" or "cap" or "caps" => 8,
            "pinch" => 0.4,
            _ => null,
        };
    }

    private static double? GramsOf(string unit, bool weighed) => unit switch
    {
        "g" or "gr" or "gram" or "grams" or "gramme" or "grammes" => 1,
        "kg" or "kilo" or "kilos" or "kilogram" => 1000,
        "mg" => 0.001,
        "lb" or "lbs" or "pound" or "pounds" => 453.59237,
        "oz" or "ounce" or "ounces" when weighed => 28.349523125,
        _ => null,
    };

    private static string Singular(string unit) => unit switch { "cloves" => "clove", "bulbs" => "bulb", "heads" => "head", "pods" => "pod", "leaves" or "leaf" => "leaf", "handfuls" => "handful", "pieces" => "piece", _ => unit };

    private const string UnitWords = @"fl\.? oz|fluid ounces?|teaspoon(?:ful)?s?|tsps?|tablespoon(?:ful)?s?|tbsps?|dessertspoons?|spoon(?:ful)?s?|cup(?:ful)?s?|pints?|quarts?|qts?|gallons?|gal|litres?|liters?|millilit(?:re|er)s?|mls?|cc|cl|dl|l|kilograms?|kilos?|kg|mg|gram(?:me)?s?|gr|g|pounds?|lbs?|ounces?|oz|drops?|squirts?|splash|glug|dash|capfuls?|caps?|pinch|cloves?|bulbs?|heads?|pods?|leaves|leaf|handfuls?|pieces?|parts?|metres?|meters?|inch(?:es)?|minutes?|hours?|degrees?|miles?";

    /// <summary>A number with its unit, before or behind the thing (which is masked).</summary>
    [GeneratedRegex(@"(?<![\w.,])(?<number>" + SpokenNumber.Pattern + @")(?:\s*(?:-|–|to|or)\s*(?<to>" + SpokenNumber.Pattern + @"))?\s*(?:(?:heaped|heaping|level|rounded|scant|big|large|small|good|whole|medium|fresh|crushed|chopped|of|full|chopped)\s+)*(?<unit>" + UnitWords + @")?(?![a-z])", RegexOptions.IgnoreCase)]
    private static partial Regex Amount();

    [GeneratedRegex(@"(\d+(?:[.,]\d+)?)\s*(?:%|percent|per cent)", RegexOptions.IgnoreCase)]
    private static partial Regex Percent();

    /// <summary>A ratio: "4:1", "16 to 1", "sixteen to one", "one to ten".</summary>
    [GeneratedRegex(@"\b(\d+(?:[.,]\d+)?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|sixteen|twenty)\s*(?::|\bto\b|\bin\b)\s*(\d+(?:[.,]\d+)?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|sixteen|twenty)\b(?!\s*(?:" + UnitWords + @"|hours?|days?|weeks?|minutes?|rounds?|times)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Ratio();

    /// <summary>Where one thing ends and the next begins.</summary>
    [GeneratedRegex(@"[\n\r;]+|,(?!\d)\s*|\s+\+\s+|\.\s+|\s+(?:and|with|plus|then|into|in|to|per|mixed|topped|fill up)\s+(?=(?:the\s+|up\s+to\s+|about\s+|each\s+|every\s+|full\s+|with\s+)*(?:" + SpokenNumber.Pattern + @")\s*(?:heaped|heaping|level|rounded|big|large|small|good|whole)?\s*[a-z½¼¾])|\s+(?:and|with|plus)\s+(?=[a-z])", RegexOptions.IgnoreCase)]
    private static partial Regex Break();

    [GeneratedRegex(@"(?<=^|[^\d])(\d+),(\d{1,2})(?!\d)")]
    private static partial Regex Decimal();

    /// <summary>"Squirt of soap" is one squirt.</summary>
    [GeneratedRegex(@"^\s*(?:then|add|plus|also|\s)*(?:heaped|heaping|level|rounded|big|large|small|good|\s)*(?<unit>" + UnitWords + @")\s+(?:of\b|full\b|\w)", RegexOptions.IgnoreCase)]
    private static partial Regex OneOf();

    /// <summary>"2 to 3 tsp" is one amount.</summary>
    [GeneratedRegex(@"(\d)\s*(?:to|or|-|–)\s*(\d+(?:[.,]\d+)?)(?=\s*(?:" + UnitWords + @")\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Range();

    /// <summary>What each litre gets.</summary>
    [GeneratedRegex(@"(?<!half )\b(?:(?:in|to|into)\s+)?(?:per|a|each|every|the)\s+(?=(?:litre|liter|gallon|quart|pint|l)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex Each();

    [GeneratedRegex(@"^(?:[*•–]|-\s)\s*")]
    private static partial Regex Bullet();

    [GeneratedRegex(@"\b(straight|neat|undiluted|pure|as it is)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Neat();

    [GeneratedRegex(@"\bwater\b", RegexOptions.IgnoreCase)]
    private static partial Regex Water();

    /// <summary>A volume with nothing else in it is the water.</summary>
    [GeneratedRegex(@"^(?:\W|in|into|to|per|each|every|the|up|about|a|an|of|full|" + SpokenNumber.Pattern + @"|litres?|liters?|l|gallons?|gal|quarts?|qt|pints?|ml|cups?|spray|sprayer|spritzer|bottle|tank|bucket|jar|warm|cold|hot|rain|boiling|lukewarm|fill|filled|fl|oz|\s)+$", RegexOptions.IgnoreCase)]
    private static partial Regex Vessel();

    [GeneratedRegex(@"\b(steep|soak|boil|simmer|strain|leave|let|stand|overnight|spray|shake|stir|mix|dilute|repeat|every|once|weekly|daily|blend|chop|crush|use|apply|add|hours?|days?|minutes?|weeks?|evening|morning|against|for|my|heard|aphids?|mildew|mites?|until|wait|fill)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Work();

    [GeneratedRegex(@"\b(heaped|heaping|rounded)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Heaped();

    [GeneratedRegex(@"^(metres?|meters?|inch(es)?|minutes?|hours?|degrees?|miles?)$", RegexOptions.IgnoreCase)]
    private static partial Regex Wrong();

    [GeneratedRegex(@"\b(make|made|fill|filled|top|topped)\s+(it\s+)?up\b|\b(?:per|each|every)\s+(litre|liter|gallon|quart|pint)\b|\b(?:ml|g|tsp|tbsp|teaspoons?|tablespoons?|of \w+|neem|soap|oil|bicarbonate)\s+a\s+(litre|liter|gallon|quart)\b", RegexOptions.IgnoreCase)]
    private static partial Regex MadeUp();

    [GeneratedRegex(@"(?<![\w.,])" + SpokenNumber.Pattern + @"(?![a-z])|\b(" + UnitWords + @"|of|the|some|heaped|level)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Cleaned();
}
