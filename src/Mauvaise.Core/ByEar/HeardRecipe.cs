using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.ByEar;

/// <summary>What a stretch of a recipe is there for.</summary>
public enum HeardKind
{
    /// <summary>A thing that goes in, with or without an amount that could be read.</summary>
    Part,

    /// <summary>Water that is poured: what goes into it comes on top.</summary>
    Water,

    /// <summary>The whole that it makes: "per litre", "in a 2 litre sprayer".</summary>
    Whole,

    /// <summary>So much of what was made before: "a cup of that".</summary>
    Taken,

    /// <summary>What was made before is thinned: "diluted 1:10". <see cref="HeardLine.Parts"/> says to how many times its volume.</summary>
    Thinned,

    /// <summary>How it is made or used, or what is left out.</summary>
    Work,

    /// <summary>Could not be read.</summary>
    Unknown,
}

/// <summary>A stretch of what was heard, and what it was taken to mean.</summary>
/// <param name="Understood">In words; null when it could not be read.</param>
/// <param name="Word">The thing that was named; null for water, for work, and for what is not known.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Millilitres">For a liquid, or a powder measured by spoon; null where not known.</param>
/// <param name="Grams">For what is weighed; null where not known.</param>
/// <param name="Percent">Strength of the bottle as it was said; null when nobody said.</param>
/// <param name="Parts">In "parts", where it was told so.</param>
public sealed record HeardLine(
    string Text,
    HeardKind Kind,
    string? Understood,
    HeardWord? Word = null,
    string? Name = null,
    double? Millilitres = null,
    double? Grams = null,
    double? Percent = null,
    double? Parts = null
)
{
    /// <summary>Why it could not be read, when it names something; null when it was.</summary>
    public string? Unclear { get; init; }

    /// <summary>How much of it ends in what is sprayed: less than 1 where only some of a stock is taken.</summary>
    public double Used { get; init; } = 1;

    /// <summary>A thing with an amount.</summary>
    public bool IsMeasured => Kind == HeardKind.Part && (Millilitres ?? Grams) is not null;

    /// <summary>What it adds to the water that it goes into, ml: things that are poured, not leaves and powders.</summary>
    public double PouredMl => Kind == HeardKind.Part && Word is { Nature: not (HeardNature.Salt or HeardNature.Plant) } && Grams is null ? Millilitres ?? 0 : 0;
}

/// <summary>A recipe as it was understood.</summary>
/// <param name="Litres">Of what comes out; null when nobody said how much water it goes into.</param>
/// <param name="Recipes">How many recipes were told in one.</param>
/// <param name="Neat">It was told to be used as it is.</param>
/// <param name="WaterLitres">The water, or the whole, that was named for what is sprayed; null when none was.</param>
/// <param name="Bait">It is set out for ants and never sprayed.</param>
public sealed record HeardRecipe(IReadOnlyList<HeardLine> Lines, double? Litres, int Recipes, bool Neat, double? WaterLitres, bool Bait)
{
    /// <summary>It stands so long before it is used, hours; 0 for not at all.</summary>
    public double SteepHours { get; init; }

    /// <summary>How what works in its plants is got out.</summary>
    public StockMaking Making { get; init; }

    /// <summary>
    /// The same as a stock, in hundredths of the whole by weight: plants and what goes with them in the water that they lie in. Null without a plant,
    /// without water, or where something in it is not known.
    /// </summary>
    public OwnStock? AsStock(GardenCatalogue catalogue)
    {
        var parts = Lines.Where(l => l.Kind == HeardKind.Part).Select(l => (Line: l, Material: catalogue.FindMaterial(l.Word?.Material ?? ""))).ToList();
        var water = Lines.Where(l => l.Kind is HeardKind.Water or HeardKind.Whole).Select(l => l.Millilitres).FirstOrDefault(ml => ml > 0);
        if (
            water is not { } grams
            || !parts.Exists(p => p.Material is { Pantry: true, Unit: "g", MostPerLitre: null })
            || parts.Exists(p => p.Material is null || !p.Line.IsMeasured)
            || Lines.Any(l => l.Kind == HeardKind.Unknown && l.Name is not null)
        )
        {
            return null;
        }

        var weights = parts
            .GroupBy(p => p.Material!.Id)
            .Select(g => new StockPart(g.Key, g.Sum(p => p.Line.Grams ?? p.Line.Millilitres!.Value * p.Material!.DensityGramsPerMillilitre)))
            .ToList();
        var all = grams + weights.Sum(w => w.Parts);
        double Hundredths(double weight) => Math.Round(weight / all * 100, 2);
        var steep = Making == StockMaking.Steeped ? Math.Min(SteepHours, StockReckoning.MostSteepHours) : 0;
        var stock = new OwnStock(
            Guid.Empty,
            "",
            [.. weights.Select(w => w with { Parts = Hundredths(w.Parts) })],
            Hundredths(grams),
            true,
            Making,
            steep,
            false
        );
        return StockReckoning.Of(catalogue, stock).Faults is [] ? stock : null;
    }
}
