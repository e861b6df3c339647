using System.Globalization;
using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.ByEar;

/// <summary>Reads a recipe as people tell it, stretch by stretch. What can not be read is said, never guessed at.</summary>
public sealed partial class RecipeReader
{
    /// <summary>A longer text is no recipe.</summary>
    public const int MostLetters = 4000;

    /// <summary>Amounts of one part beyond this are slips, in its unit.</summary>
    private const double MostAmount = 100_000;

    private readonly KitchenSystem kitchen;
    private readonly GardenCatalogue catalogue;
    private readonly IReadOnlyList<(string Word, HeardWord Heard)> things;

    /// <summary>The unit that was last told, for "two tablespoons of oil and one of soap".</summary>
    private string lastUnit = "";

    private RecipeReader(GardenCatalogue catalogue, KitchenSystem kitchen, IEnumerable<HeardWord> described)
    {
        (this.catalogue, this.kitchen) = (catalogue, kitchen);
        things = [.. described.Concat(catalogue.Heard).SelectMany(h => h.Words.Select(w => (w, h))).OrderByDescending(x => x.w.Length)];
    }

    /// <param name="kitchen">Whose spoons, cups and gallons are meant.</param>
    /// <param name="described">What things are like that are not known here, by what the recipe calls them; null for none.</param>
    public static HeardRecipe Read(
        GardenCatalogue catalogue,
        string text,
        KitchenSystem kitchen,
        IEnumerable<(string Name, HeardNature Nature)>? described = null
    )
    {
        var like = (described ?? []).Select(d => new HeardWord([HeardLanguage.Understood(d.Name).Plain.ToLowerInvariant()], Nature: d.Nature));
        var reader = new RecipeReader(catalogue, kitchen, like);
        var (plain, inItsOwn) = HeardLanguage.Understood(text);
        var read = RecipeStages.Settle(catalogue, [.. HeardText.Pieces(plain).Select(reader.Line)], plain);
        return read with
        {
            Lines =
            [
                .. read.Lines.Select(l => l with { Text = inItsOwn(l.Text), Name = l.Kind == HeardKind.Unknown && l.Name is { } n ? inItsOwn(n) : l.Name }),
            ],
        };
    }

    private HeardLine Line(string told)
    {
        var whole = told[0] == HeardText.Whole;
        var piece = whole ? told[1..] : told;
        var lower = piece.ToLowerInvariant();
        var percent = Percent().Match(lower) is { Success: true } p ? SpokenNumber.Read(p.Groups[1].Value) : null;
        var plain = Percent().Replace(lower, " ");
        var found = Find(plain);
        var amount = Amount().Match(found is { } at ? plain[..at.At] + "\u0001" + plain[(at.At + at.Word.Length)..] : plain);
        var bare = amount.Success ? Match.Empty : OneOf().Match(plain);
        var number =
            amount.Success ? Number(amount)
            : bare.Success ? 1
            : null;
        var unit = (amount.Success ? amount : bare).Groups["unit"].Value.TrimEnd('.');
        if (unit.Length > 0)
        {
            lastUnit = unit;
        }
        else if (Again().IsMatch(plain))
        {
            unit = lastUnit;
        }

        if (found is null)
        {
            return Rest(piece, plain, number, unit, whole);
        }

        var (heard, name) = (found.Value.Heard, NameOf(found.Value));
        if (LeftOut().IsMatch(lower))
        {
            return new HeardLine(piece, HeardKind.Work, Say.Of("byEar.leftOut", ("name", name)));
        }

        var unclear =
            amount.Success && (number is not > 0 || number > MostAmount)
                ? Say.Of("byEar.isNoAmount", ("groups", amount.Groups["number"].Value), ("name", name.InSentence()))
            : number is null ? Say.Of("byEar.howMuch", ("name", name.InSentence()))
            : Wrong().IsMatch(unit) ? Say.Of("byEar.isNotMeasured", ("name", name), ("unit", unit))
            : null;
        if (unclear is not null)
        {
            return Unread(piece, heard, name, percent, unclear);
        }

        var times = Heaped().IsMatch(lower) ? KitchenMeasure.LevelPerHeaped : 1;
        return Measured(piece, heard, name, number!.Value * times, unit, percent);
    }

    /// <summary>A part with its amount in millilitres, in grams, or in parts.</summary>
    private HeardLine Measured(string piece, HeardWord heard, string name, double number, string unit, double? percent)
    {
        var material = heard.Material is { } id ? catalogue.Material(id) : null;
        if (unit is "part" or "parts")
        {
            return new HeardLine(
                piece,
                HeardKind.Part,
                Say.Of("byEar.partsOf", ("plain", Plain(number)), ("name", name.InSentence())),
                heard,
                name,
                Percent: percent,
                Parts: number
            );
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

        return Unread(
            piece,
            heard,
            name,
            percent,
            unit.Length == 0
                ? Say.Of("byEar.whatOf", ("plain", Plain(number)), ("name", name.InSentence()))
                : Say.Of("byEar.isNotMeasured", ("name", name), ("unit", unit))
        );
    }

    private static HeardLine Unread(string piece, HeardWord heard, string name, double? percent, string why) =>
        new(piece, HeardKind.Part, null, heard, name, Percent: percent) { Unclear = why };

    private static HeardLine Known(string piece, HeardWord heard, string name, double? ml, double? grams, double? percent) =>
        new(
            piece,
            HeardKind.Part,
            (ml is null, percent) switch
            {
                (true, { } p) => Say.Of("byEar.gOf", ("grams", Say.In(grams, "0.##")), ("name", name.InSentence()), ("percent", Say.In(p, "0.#"))),
                (true, _) => Say.Of("byEar.gOf2", ("grams", Say.In(grams, "0.##")), ("name", name.InSentence())),
                (false, { } p) => Say.Of("byEar.mlOf", ("ml", Say.In(ml, "0.##")), ("name", name.InSentence()), ("percent", Say.In(p, "0.#"))),
                _ => Say.Of("byEar.mlOf2", ("ml", Say.In(ml, "0.##")), ("name", name.InSentence())),
            },
            heard,
            name,
            ml,
            grams,
            percent
        );

    /// <summary>Water, some of what was made, work, or something that is not known here.</summary>
    private HeardLine Rest(string piece, string lower, double? number, string unit, bool whole)
    {
        if (Thinned().IsMatch(lower) && RecipeStages.RatioOf(lower) is { } ratio)
        {
            return new HeardLine(piece, HeardKind.Thinned, Say.Of("byEar.thinnedToTimesItsVolume", ("plain", Plain(ratio))), Parts: ratio);
        }

        var vessel = Bottle().IsMatch(lower);
        var water = Water().IsMatch(lower) || Vessel().IsMatch(lower) || SteepedIn().IsMatch(lower);
        var volume = VolumeMl(unit is "oz" or "ounce" or "ounces" && (vessel || water) ? "fl oz" : unit, null);
        var inParts = unit is "part" or "parts";
        var amountAlone = !water && Cleaned().Replace(Verbs().Replace(lower, " "), " ").Trim().Length == 0;
        if (number is > 0 and <= MostAmount && (volume is not null || inParts) && (Taken().IsMatch(lower) || amountAlone))
        {
            var taken = Say.Of("byEar.ofWhatWasMade", ("plain", Plain(number.Value)), ("unit", unit));
            return new HeardLine(piece, HeardKind.Taken, taken, Millilitres: number * volume, Parts: inParts ? number : null);
        }

        if (volume is not null && water && number is not null and not (> 0 and <= MostAmount))
        {
            return new HeardLine(piece, HeardKind.Unknown, null, null, "Water") { Unclear = Say.Of("byEar.isNoAmountOfWater", ("plain", Plain(number.Value))) };
        }

        if (number is not null && (volume is not null || inParts) && water)
        {
            var all = whole || vessel;
            var told = Say.Of(all ? "byEar.lInAll" : "byEar.lOfWater", ("plain", Plain(number.Value * (volume ?? 0) / 1000)));
            return inParts
                ? new HeardLine(piece, HeardKind.Water, Say.Of("byEar.partsOfWater", ("plain", Plain(number.Value))), null, "Water", Parts: number)
                : new HeardLine(piece, all ? HeardKind.Whole : HeardKind.Water, told, null, "Water", number * volume);
        }

        if (Work().IsMatch(lower) || RecipeStages.RestIsWater().IsMatch(lower))
        {
            return new HeardLine(piece, HeardKind.Work, Say.Of("byEar.howItIsMadeOrUsed"));
        }

        var name = Cleaned().Replace(lower, " ").Trim();
        return number is not null && name.Length > 2 && (unit.Length > 0 || Regex.IsMatch(lower, @"^\s*" + SpokenNumber.Pattern + @"\s"))
            ? new HeardLine(piece, HeardKind.Unknown, null, null, name.Length > 60 ? name[..60] : name) { Unclear = Say.Of("byEar.notKnownHereSayWhat") }
            : new HeardLine(piece, HeardKind.Unknown, null);
    }

    private static string Plain(double number) => number.ToString("0.##", CultureInfo.InvariantCulture);

    private (int At, string Word, HeardWord Heard)? Find(string lower)
    {
        foreach (var (word, heard) in things)
        {
            if (Regex.Match(lower, $@"\b{Regex.Escape(word)}\b") is { Success: true } m)
            {
                // "Oil" alone is what stands in the kitchen; with another word before it, it is some oil that is not listed.
                var other = Unlisted().Match(lower);
                var isOil = heard.Material is { } id && catalogue.Material(id).Load == LoadKind.Oil;
                return isOil && other.Success && other.Index < m.Index && other.Index + other.Length == m.Index + m.Length
                    ? (other.Index, other.Value, new HeardWord([other.Value], Nature: HeardNature.Oil))
                    : (m.Index, word, heard);
            }
        }

        return null;
    }

    private string NameOf((int At, string Word, HeardWord Heard) found) =>
        found.Heard.Material is { } id ? catalogue.Material(id).Name : char.ToUpperInvariant(found.Word[0]) + found.Word[1..];

    /// <summary>The number of an amount; the middle of a range.</summary>
    private static double? Number(Match amount)
    {
        var first = SpokenNumber.Read(amount.Groups["number"].Value);
        var last = amount.Groups["to"].Success ? SpokenNumber.Read(amount.Groups["to"].Value) : null;
        return first is { } low && last is { } high ? (low + high) / 2 : first;
    }

    private double? VolumeMl(string unit, Material? material)
    {
        var us = kitchen == KitchenSystem.Us;
        var (tsp, tbsp, cup) = KitchenMeasure.Spoons(kitchen);
        return unit switch
        {
            "tsp" or "tsps" or "teaspoon" or "teaspoons" or "teaspoonful" or "teaspoonfuls" => tsp.InBase,
            "tbsp" or "tbsps" or "tbs" or "tbl" or "tbls" or "tblsp" or "tblsps" or "tablespoon" or "tablespoons" or "tablespoonful" or "tablespoonfuls" =>
                tbsp.InBase,
            "dessertspoon" or "dessertspoons" or "spoon" or "spoons" or "spoonful" or "spoonfuls" => 10,
            "cup" or "cups" or "cupful" or "mug" or "mugs" => cup.InBase,
            "fl oz" or "fl. oz" or "fluid ounce" or "fluid ounces" => Units.Get(us ? "us-floz" : "imp-floz").InBase,
            "oz" or "ounce" or "ounces" when material is { Unit: "ml" } => Units.Get(us ? "us-floz" : "imp-floz").InBase,
            "pint" or "pints" => Units.Get(us ? "us-pt" : "imp-pt").InBase,
            "quart" or "quarts" or "qt" or "qts" => us ? Units.Get("us-qt").InBase : Units.Get("imp-gal").InBase / 4,
            "gallon" or "gallons" or "gal" => Units.Get(us ? "us-gal" : "imp-gal").InBase,
            "l" or "litre" or "litres" or "liter" or "liters" or "ltr" or "ltrs" => 1000,
            "ml" or "mls" or "millilitre" or "millilitres" or "milliliter" or "milliliters" or "cc" => 1,
            "cl" => 10,
            "dl" => 100,
            "drop" or "drops" => 1 / (material?.DropsPerMillilitre ?? 20),
            "squirt" or "squirts" or "splash" or "splashes" or "glug" or "glugs" or "squeeze" or "squeezes" => 5,
            "dash" or "dashes" or "shake" or "shakes" => 1,
            "capful" or "capfuls" or "cap" or "caps" => 8,
            "pinch" or "pinches" => 0.4,
            _ => null,
        };
    }

    private static double? GramsOf(string unit, bool weighed) =>
        unit switch
        {
            "g" or "gr" or "gram" or "grams" or "gramme" or "grammes" => 1,
            "kg" or "kilo" or "kilos" or "kilogram" or "kilograms" => 1000,
            "mg" => 0.001,
            "lb" or "lbs" or "pound" or "pounds" => 453.59237,
            "oz" or "ounce" or "ounces" when weighed => 28.349523125,
            _ => null,
        };

    private static string Singular(string unit) =>
        unit switch
        {
            "cloves" => "clove",
            "bulbs" => "bulb",
            "heads" => "head",
            "pods" => "pod",
            "leaves" or "leaf" => "leaf",
            "handfuls" => "handful",
            "pieces" => "piece",
            "tablets" => "tablet",
            _ => unit,
        };

    /// <summary>A number with its unit, before or behind the thing (which is masked).</summary>
    [GeneratedRegex(
        @"(?<![\w.,])(?<number>"
            + SpokenNumber.Pattern
            + @")(?:\s*(?:-|–|to|or)\s*(?<to>"
            + SpokenNumber.Pattern
            + @"))?\s*(?:(?:heaped|heaping|level|rounded|scant|generous|big|large|"
            + @"small|good|whole|medium|fresh|dried|crushed|chopped|of|full|chopped)\s+)*(?<unit>"
            + HeardText.UnitWords
            + @")?(?![a-z])",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Amount();

    [GeneratedRegex(@"(\d+(?:[.,]\d+)?)\s*(?:%|percent|per cent)", RegexOptions.IgnoreCase)]
    private static partial Regex Percent();

    /// <summary>"Squirt of soap" is one squirt.</summary>
    [GeneratedRegex(
        @"^\s*(?:then|add|plus|also|\s)*(?:heaped|heaping|level|rounded|big|large|small|good|\s)*(?<unit>" + HeardText.UnitWords + @")\s+(?:of\b|full\b|\w)",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex OneOf();

    /// <summary>"And one of soap": as many as told of what was told before.</summary>
    [GeneratedRegex(@"^\s*(?:and|then|plus|add|also|\s)*" + SpokenNumber.Pattern + @"\s+(?:more\s+)?of\b", RegexOptions.IgnoreCase)]
    private static partial Regex Again();

    [GeneratedRegex(@"^\s*(?:no|without|never|not|don't (?:use|add)|do not (?:use|add)|leave out)\b", RegexOptions.IgnoreCase)]
    private static partial Regex LeftOut();

    /// <summary>"Lavender oil": a word of its own before the oil.</summary>
    [GeneratedRegex(
        @"\b(?!(?:of|the|a|an|any|some|plain|light|regular|ordinary|cheap|old|used|your|this|that|and|or|with|add|then|plus|stir|mix|"
            + HeardText.UnitWords
            + "|"
            + SpokenNumber.Pattern
            + @")\s)[a-z-]{3,}\s+oil\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Unlisted();

    /// <summary>Some of what stands before it.</summary>
    [GeneratedRegex(
        @"\b(?:of|from)\s+(?:this|that|it|the\s+(?:strained\s+)?(?:mix|mixture|liquid|concentrate|stock|"
            + @"brew|tea|juice|solution|extract|paste|infusion|emulsion|puree|oil mix|soap mix|base))\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Taken();

    /// <summary>What one does with it, for a stretch that names an amount and nothing else.</summary>
    [GeneratedRegex(@"\b(dilute|use|take|add|put|pour|mix|then|now|only|just)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Verbs();

    [GeneratedRegex(@"\b(?:dilut\w*|thin\w*)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Thinned();

    [GeneratedRegex(@"\bwater\b", RegexOptions.IgnoreCase)]
    private static partial Regex Water();

    /// <summary>"Steeped in 2 l": what a plant lies in is water where nothing else is named.</summary>
    [GeneratedRegex(
        @"\b(?:steep|soak|boil|simmer|infus|brew)\w*\s+(?:it\s+|them\s+)?(?:in|with)\s+(?:about\s+)?" + SpokenNumber.Pattern,
        RegexOptions.IgnoreCase
    )]
    private static partial Regex SteepedIn();

    /// <summary>What holds the finished spray: its size is the whole.</summary>
    [GeneratedRegex(@"\b(?:spray|sprayer|spritzer|bottle|tank|pump)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Bottle();

    /// <summary>A volume with nothing else in it is the water.</summary>
    [GeneratedRegex(
        @"^(?:\W|in|into|to|per|each|every|the|up|about|a|an|of|full|"
            + SpokenNumber.Pattern
            + @"|litres?|liters?|ltrs?|l|gallons?|gal|quarts?|qt|pints?|ml|cups?|spray|sprayer|spritzer|bottle|tank|"
            + @"pump|bucket|jar|jug|can|warm|cold|hot|rain|boiling|lukewarm|fill|filled|fl|oz|ounces?|\s)+$",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Vessel();

    [GeneratedRegex(
        @"\b(steep|soak|boil|simmer|strain|leave|let|stand|overnight|spray|shake|stir|mix|dilute|repeat|every|once|weekly|daily|blend|puree|mash|"
            + @"grate|ferment|cool|chop|crush|use|apply|add|pour|hours?|days?|minutes?|weeks?|"
            + @"evening|morning|against|for|my|heard|ants?|aphids?|mildew|mites?|until|wait|fill)(?:ed|d|ing|s)?\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Work();

    [GeneratedRegex(@"\b(heaped|heaping|rounded)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Heaped();

    [GeneratedRegex(@"^(metres?|meters?|inch(es)?|minutes?|hours?|degrees?|miles?)$", RegexOptions.IgnoreCase)]
    private static partial Regex Wrong();

    [GeneratedRegex(@"(?<![\w.,])" + SpokenNumber.Pattern + @"(?![a-z])|\b(" + HeardText.UnitWords + @"|of|the|some|heaped|level)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Cleaned();
}
