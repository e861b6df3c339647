using System.Text.RegularExpressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.ByEar;

/// <summary>
/// How the stretches of a recipe come together: parts and ratios spread over what they are of, a stock of which only some is taken, what is
/// thinned, and the volume that comes out.
/// </summary>
internal static partial class RecipeStages
{
    public static HeardRecipe Settle(GardenCatalogue catalogue, IReadOnlyList<HeardLine> read, string text)
    {
        var lines = InParts(catalogue, InPercent(Undiluted(NamedTwice(read), text), text), text);
        var (settled, litres, water) = Volumes(lines, text);
        var steep = Steeping.HoursIn(text);
        return new HeardRecipe(settled, litres, RecipesIn(lines), Neat().IsMatch(text), water, IsBait(lines, text))
        {
            SteepHours = steep,
            Making = Steeping.MakingOf(text, steep),
        };
    }

    /// <summary>How many times its volume "1:10", "4 to 1" or "ten parts of water" make of it; null without such words.</summary>
    public static double? RatioOf(string text) =>
        Ratio().Match(text) is { Success: true } m
        && SpokenNumber.Read(m.Groups["a"].Value) is > 0 and var a
        && SpokenNumber.Read(m.Groups["b"].Value) is > 0 and var b
            ? (a + b) / Math.Min(a, b)
            : null;

    /// <summary>"Blend garlic and water: 40 g of garlic, a litre of water": named first, measured after.</summary>
    private static List<HeardLine> NamedTwice(IReadOnlyList<HeardLine> lines) =>
        [
            .. lines.Select(l =>
                l.Kind == HeardKind.Part && !HasAmount(l) && lines.Any(x => x.Word == l.Word && HasAmount(x))
                    ? new HeardLine(l.Text, HeardKind.Work, Say.Of("byEar.howItIsMadeOrUsed"))
                    : l
            ),
        ];

    private static bool HasAmount(HeardLine line) => line.IsMeasured || line.Parts is not null;

    /// <summary>"Straight vinegar, 500 ml": the amount is that of the one thing, and no water was named.</summary>
    private static List<HeardLine> Undiluted(List<HeardLine> lines, string text)
    {
        var bare = lines.Find(l => l.Kind is HeardKind.Water or HeardKind.Whole && l.Millilitres is not null);
        var parts = lines.Where(l => l.Kind == HeardKind.Part).ToList();
        if (!Neat().IsMatch(text) || Water().IsMatch(text) || bare is null || parts is not [{ IsMeasured: false } thing])
        {
            return lines;
        }

        var told = Say.Of("byEar.mlOf3", ("millilitres", Say.In(bare.Millilitres, "0.##")), ("thing", thing.Name!.InSentence()));
        return [.. lines.Where(l => l != bare).Select(l => l == thing ? l with { Millilitres = bare.Millilitres, Unclear = null, Understood = told } : l)];
    }

    /// <summary>No bottle is sold thinner than this, per cent: less is a share of what is sprayed.</summary>
    private const double ThinnestBottle = 3;

    /// <summary>"Neem 0.5 %, soap 0.2 %, rest water": shares of the whole, where nothing else says how much.</summary>
    private static List<HeardLine> InPercent(List<HeardLine> lines, string text)
    {
        var parts = lines.Where(l => l.Kind == HeardKind.Part).ToList();
        var all = parts.Sum(l => l.Percent ?? 0);
        var shares =
            parts.Count > 0
            && parts.TrueForAll(l => l.Percent is > 0 && !HasAmount(l))
            && all < 100
            && (RestIsWater().IsMatch(text) || parts.TrueForAll(l => l.Percent < ThinnestBottle));
        return shares
            ?
            [
                .. lines
                    .Where(l => l.Kind != HeardKind.Water)
                    .Select(l => l.Kind == HeardKind.Part ? l with { Parts = l.Percent, Percent = null, Unclear = null } : l),
                WaterOf(1) with
                {
                    Parts = 100 - all,
                    Millilitres = null,
                },
            ]
            : lines;
    }

    /// <summary>"16 to 1", "1:10" and parts, spread over the things that they are of; the water takes the rest of a litre.</summary>
    private static List<HeardLine> InParts(GardenCatalogue catalogue, List<HeardLine> lines, string text)
    {
        var things = lines.Where(l => l.Kind == HeardKind.Part).ToList();
        if (things.Exists(l => l.Parts is not null))
        {
            var water = lines.Where(l => l.Kind == HeardKind.Water).Sum(l => l.Parts ?? 0);
            if (water == 0 && RatioOf(text.ToLowerInvariant()) is { } times)
            {
                water = times - 1;
            }

            var all = things.Sum(l => l.Parts ?? 0) + water;
            if (water == 0)
            {
                return lines;
            }

            var spread = lines.ConvertAll(l => l is { Parts: { } p, Kind: HeardKind.Part or HeardKind.Water } ? Spread(catalogue, l, p / all) : l);
            return lines.Exists(l => l.Kind == HeardKind.Water) ? spread : [.. spread, WaterOf(water / all)];
        }

        // Told of one thing alone, the larger number is the water.
        return things is [{ IsMeasured: false } only] && RatioOf(text.ToLowerInvariant()) is { } ratio
            ? [.. lines.Where(l => l.Kind != HeardKind.Thinned).Select(l => l == only ? Spread(catalogue, l, 1 / ratio) : l), WaterOf(1 - 1 / ratio)]
            : lines;
    }

    private static HeardLine Spread(GardenCatalogue catalogue, HeardLine line, double share)
    {
        if (line.Word is not { } heard)
        {
            return line with { Parts = null, Millilitres = share * 1000, Understood = WaterOf(share).Understood };
        }

        var material = heard.Material is { } id ? catalogue.Material(id) : null;
        var grams = material?.Unit == "g" ? share * 1000 * (heard.PerMl ?? material.DensityGramsPerMillilitre) : (double?)null;
        return line with
        {
            Parts = null,
            Millilitres = grams is null ? share * 1000 : null,
            Grams = grams,
            Unclear = null,
            Understood = grams is null
                ? Say.Of("byEar.mlOfInALitre", ("grams", Say.In(grams ?? share * 1000, "0.#")), ("line", line.Name!.InSentence()))
                : Say.Of("byEar.gOfInALitre", ("grams", Say.In(grams ?? share * 1000, "0.#")), ("line", line.Name!.InSentence())),
        };
    }

    private static HeardLine WaterOf(double share) =>
        new("", HeardKind.Water, Say.Of("byEar.mlOfWaterInALitre", ("share", Say.In(share * 1000, "0"))), null, "Water", share * 1000);

    /// <summary>What comes out, litres, with how much of each part ends in it, and the water that was named for it.</summary>
    private static (List<HeardLine> Lines, double? Litres, double? WaterLitres) Volumes(List<HeardLine> lines, string text)
    {
        var settled = new List<HeardLine>();
        var stage = new Stage(0, false);
        foreach (var (line, at) in lines.Select((l, i) => (l, i)))
        {
            var rest = lines.Skip(at + 1).ToList();
            var begun = settled.Exists(l => l.Kind == HeardKind.Part);
            if (line.Kind == HeardKind.Taken && begun && rest.Exists(l => l.Kind is HeardKind.Water or HeardKind.Whole))
            {
                if (stage.MadeMl(settled) is not { } made)
                {
                    // How strong the stock is, nobody knows: nothing that is in it can be judged.
                    settled = [.. settled.Select(l => l with { Millilitres = null, Grams = null })];
                    stage = new Stage(0, true) { From = settled.Count };
                    settled.Add(line with { Understood = null, Unclear = Say.Of("byEar.howMuchStock") });
                    continue;
                }

                var taken = Math.Min(made, line.Millilitres ?? made);
                settled = [.. settled.Select(l => l with { Used = l.Used * taken / made })];
                // "One part of it to ten of water" thins all of it.
                stage = new Stage(line.Parts is null ? taken : made, true) { From = settled.Count, Parts = line.Parts };
            }

            settled.Add(line);
        }

        return stage.Total(settled, MadeUp().IsMatch(text));
    }

    /// <summary>What is being made: from which stretch on, and how much of an earlier stage is in it.</summary>
    private sealed record Stage(double BeforeMl, bool Second)
    {
        public int From { get; init; }

        /// <summary>Of the earlier stage, when it was taken in parts.</summary>
        public double? Parts { get; init; }

        /// <summary>
        /// What a stock comes to, ml: the whole that was named, its water with what was poured in, or what was poured together; null when that is
        /// not known, as when the rest of an unnamed whole is water.
        /// </summary>
        public double? MadeMl(List<HeardLine> lines)
        {
            var own = lines.Skip(From).ToList();
            if (own.Find(l => l.Kind == HeardKind.Whole) is { Millilitres: { } whole })
            {
                return whole;
            }

            var ml = BeforeMl + own.Sum(l => l.PouredMl + (l.Kind == HeardKind.Water ? l.Millilitres ?? 0 : 0));
            return ml > 0 && !own.Exists(IsTheRest) ? ml : null;
        }

        private static bool IsTheRest(HeardLine line) => line is { Kind: HeardKind.Work } && RestIsWater().IsMatch(line.Text);

        public (List<HeardLine> Lines, double? Litres, double? WaterLitres) Total(List<HeardLine> lines, bool madeUp)
        {
            var own = lines.Skip(From).ToList();
            var wholes = own.Where(l => l.Kind == HeardKind.Whole).Select(l => l.Millilitres!.Value).ToList();
            var settled = wholes.Count > 1 ? SameWhole(lines, wholes[0]) : lines;
            // "Topped up to a gallon": what was named last is the whole.
            var named = madeUp ? LastNamed(own) : own.Where(l => l.Kind == HeardKind.Water);
            var water = named.Sum(l => l.Millilitres ?? 0);
            double? told =
                wholes.Count > 0 ? wholes[0]
                : water > 0 ? water
                : null;
            var ml =
                wholes.Count > 0 ? wholes[0]
                : water > 0 ? (water + (madeUp && !Second ? 0 : own.Sum(l => l.PouredMl) + BeforeMl))
                : Second && Parts is { } p ? BeforeMl
                : (double?)null;
            var parts = own.Where(l => l is { Kind: HeardKind.Water, Parts: not null }).Sum(l => l.Parts!.Value);
            var thinned =
                lines.Where(l => l.Kind == HeardKind.Thinned).Aggregate(1.0, (a, l) => a * l.Parts!.Value) * (parts > 0 ? 1 + parts / (Parts ?? 1) : 1);
            return (settled, ml * thinned / 1000, told * thinned / 1000);
        }

        private static IEnumerable<HeardLine> LastNamed(List<HeardLine> lines) =>
            Enumerable.Reverse(lines).SkipWhile(l => l.Kind != HeardKind.Water).TakeWhile(l => l.Kind == HeardKind.Water);

        /// <summary>"5 ml a litre of one and 10 ml a gallon of the other" told for the first of the two.</summary>
        private static List<HeardLine> SameWhole(List<HeardLine> lines, double first)
        {
            var settled = new List<HeardLine>();
            var waiting = new List<HeardLine>();
            foreach (var line in lines)
            {
                waiting.Add(line);
                if (line.Kind == HeardKind.Whole)
                {
                    settled.AddRange(waiting.Select(l => l with { Used = l.Used * first / line.Millilitres!.Value }));
                    waiting.Clear();
                }
            }

            return [.. settled, .. waiting];
        }
    }

    /// <summary>
    /// Water that is named again begins another recipe, when things of its own were measured for it and nothing says that the first goes into it.
    /// </summary>
    private static int RecipesIn(List<HeardLine> lines)
    {
        var recipes = 1;
        var since = -1;
        for (var i = 0; i < lines.Count; i++)
        {
            if (lines[i] is not { Kind: HeardKind.Water, Millilitres: not null })
            {
                continue;
            }

            var between = lines.Skip(since + 1).Take(i - since).ToList();
            var joined = between.Exists(l => l.Kind is HeardKind.Taken or HeardKind.Thinned || Joined().IsMatch(l.Text));
            if (since >= 0 && between.Exists(l => l.IsMeasured) && !joined)
            {
                recipes++;
            }

            since = i;
        }

        return recipes;
    }

    /// <summary>Sugar with borax is set out for ants, unless it is told to be sprayed.</summary>
    private static bool IsBait(List<HeardLine> lines, string text) =>
        lines.Exists(l => l.Word?.Material == KnownIds.Materials.Borax)
        && (lines.Exists(l => l.Word?.Material == KnownIds.Materials.Sugar) || SetOut().IsMatch(text))
        && !Sprayed().IsMatch(text);

    /// <summary>A ratio: "4:1", "16 to 1", "sixteen to one", "one to ten".</summary>
    [GeneratedRegex(
        @"\b(?<a>"
            + RatioNumber
            + @")\s*(?::|\bto\b|\bin\b)\s*(?<b>"
            + RatioNumber
            + @")\b(?!\s*(?:"
            + HeardText.UnitWords
            + @"|hours?|days?|weeks?|minutes?|rounds?|times)\b)|\b(?<a>"
            + RatioNumber
            + @")\s*parts?\s*(?:of\s+\w+\s+)?\bto\s+(?<b>"
            + RatioNumber
            + @")\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex Ratio();

    private const string RatioNumber = @"\d+(?:[.,]\d+)?|one|two|three|four|five|six|seven|eight|nine|ten|twelve|sixteen|twenty";

    [GeneratedRegex(@"\b(straight|neat|undiluted|pure|as it is)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Neat();

    [GeneratedRegex(@"\bwater\b", RegexOptions.IgnoreCase)]
    private static partial Regex Water();

    /// <summary>What is lacking to a whole is water; how much that is, nobody said.</summary>
    [GeneratedRegex(@"\b(?:rest|remainder|remaining|fill|filled|top)\b.*\bwater\b|\bwater\b.*\brest\b", RegexOptions.IgnoreCase)]
    internal static partial Regex RestIsWater();

    [GeneratedRegex(
        @"\b(make|made|fill|filled|top|topped)\s+(it\s+)?up\b|\bfill(ed)?\s+(it\s+)?with\s+water\b|\brest\s+water\b|\bwater\s+up(\s+to)?\b",
        RegexOptions.IgnoreCase
    )]
    private static partial Regex MadeUp();

    /// <summary>Words that pour the first water into the second.</summary>
    [GeneratedRegex(@"\b(strain(ed)?|dilut\w*|pour(ed)?|add (it|this|that|all|to|into)|top(ped)? up|stir (it )?into)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Joined();

    [GeneratedRegex(@"\b(ants?|bait|station)\b", RegexOptions.IgnoreCase)]
    private static partial Regex SetOut();

    [GeneratedRegex(@"\bspray(ed|ing)?\b", RegexOptions.IgnoreCase)]
    private static partial Regex Sprayed();
}
