using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.ByEar;

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
    string? Understood,
    HeardWord? Word = null,
    string? Name = null,
    double? Millilitres = null,
    double? Grams = null,
    double? Percent = null,
    double? Parts = null)
{
    /// <summary>Why it could not be read, when it names something; null when it was.</summary>
    public string? Unclear { get; init; }
}

/// <summary>A recipe as it was understood.</summary>
/// <param name="Litres">Of what comes out; null when nobody said how much water it goes into.</param>
/// <param name="Waters">How often an amount of water was named.</param>
/// <param name="Neat">It was told to be used as it is.</param>
public sealed record HeardRecipe(IReadOnlyList<HeardLine> Lines, double? Litres, int Waters, bool Neat)
{
    /// <summary>The water that was named; null when none was.</summary>
    public double? WaterLitres => Lines.Where(l => l is { Word: null, Name: "Water" }).Sum(l => l.Millilitres ?? 0) is > 0 and var ml ? ml / 1000 : null;
}
