using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Gardens;

/// <summary>What the amount of a picking is told in.</summary>
public enum HarvestUnit
{
    Pieces,
    Grams,
    Kilograms,
    Ounces,
    Pounds,
}

/// <summary>How much was picked: weighed or counted.</summary>
/// <param name="Grams">Null where it was counted.</param>
/// <param name="Pieces">Null where it was weighed.</param>
public sealed record HarvestAmount(double? Grams, int? Pieces)
{
    private const int GramsAKilogram = 1000;

    /// <summary>A number as somebody told it; null for a part of a piece.</summary>
    public static HarvestAmount? Of(double amount, HarvestUnit unit) =>
        unit switch
        {
            HarvestUnit.Pieces => amount == Math.Floor(amount) && Math.Abs(amount) <= int.MaxValue ? new(null, (int)amount) : null,
            HarvestUnit.Kilograms => new(amount * GramsAKilogram, null),
            HarvestUnit.Ounces => new(amount * Units.Get("oz").InBase, null),
            HarvestUnit.Pounds => new(amount * DoseWords.OuncesAPound * Units.Get("oz").InBase, null),
            _ => new(amount, null),
        };

    /// <summary>"1.2 kg and 14 pieces", in the household's units when it is read.</summary>
    public static string Told(double grams, int pieces) =>
        Say.All(new[] { grams > 0 ? Figure.Amount(grams, "g") : null, pieces > 0 ? Say.Of("words.pieces", ("n", pieces)) : null }.OfType<string>());
}
