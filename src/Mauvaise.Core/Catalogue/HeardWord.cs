namespace Mauvaise.Core.Catalogue;

/// <summary>What a thing is like that the catalogue has no material for.</summary>
public enum HeardNature
{
    Plant,
    Oil,
    Soap,
    Salt,
    Acid,
    Alcohol,
    Hot,
    Feed,
    Other,
}

/// <summary>Words that a recipe may call a thing by.</summary>
/// <param name="Words">Lower case; longer ones are looked for first.</param>
/// <param name="Material">Material that is meant; null for what the catalogue does not have.</param>
/// <param name="Nature">What it is like, when there is no material.</param>
/// <param name="Stops">Why it never goes on a plant, as a sentence; null when it may.</param>
/// <param name="Says">What is said of it instead of "nobody measured what it does", as the rest of a sentence that begins with its name; null for that.</param>
/// <param name="Grams">Weight of one piece by the word for the piece: "clove", "bulb", "pod", "leaf", "handful", "piece" (assumed).</param>
/// <param name="PerMl">Grams in a level millilitre where it is not that of the material (assumed).</param>
public sealed record HeardWord(
    IReadOnlyList<string> Words,
    string? Material = null,
    HeardNature Nature = HeardNature.Other,
    string? Stops = null,
    string? Says = null,
    IReadOnlyDictionary<string, double>? Grams = null,
    double? PerMl = null
);
