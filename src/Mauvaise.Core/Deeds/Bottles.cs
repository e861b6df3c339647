using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>Filling a bottle.</summary>
public static class Bottles
{
    /// <summary>A bottle that was made. What is in it is taken from the shelf.</summary>
    /// <param name="also">A second trouble that it is against; null for none.</param>
    /// <param name="fromShelf">False when it was not taken from what is written down there.</param>
    public static Written Fill(
        GardenSnapshot garden,
        Guid id,
        IReadOnlyList<Guid> plantings,
        string? target,
        bool patchTest,
        Mix mix,
        DateTimeOffset at,
        Guid? memberId,
        bool fromShelf = true,
        Guid? sprayerId = null,
        AlsoAgainst? also = null
    )
    {
        DateTimeOffset? readyAt = mix.Recipe.SteepHours > 0 ? at.AddHours(mix.Recipe.SteepHours) : null;
        var amount = MixSize.Text(garden, mix.Recipe, mix.Order.Size);
        return new Written(
            mix.Recipe.IsWet
                ? Say.Of("deeds.mixedOf", ("amount", amount), ("recipe", mix.Recipe.Name.InSentence()))
                : Say.Of("deeds.mixed", ("recipe", mix.Recipe.Name.InSentence())),
            memberId
        )
        {
            Batches =
            [
                new Batch(
                    id,
                    at,
                    mix.Recipe.Id,
                    mix.Order.Step,
                    mix.Litres,
                    (readyAt ?? at).AddHours(mix.MixedLifeHours),
                    target,
                    [.. plantings.Distinct()],
                    [.. mix.Parts.Select(p => new Measured(p.Material.Id, p.Role, p.Amount, p.Unit, p.BottlePercent))],
                    patchTest,
                    null,
                    memberId,
                    sprayerId,
                    readyAt,
                    also
                ),
            ],
            Draws = fromShelf
                ?
                [
                    .. mix
                        .Parts.SelectMany(p => Shelf.Take(garden.Stocks, p.Material.Id, p.Amount, garden.Today).Draws)
                        .Select(d => new StockDraw(d.Stock.Id, d.Amount)),
                ]
                : [],
        };
    }
}
