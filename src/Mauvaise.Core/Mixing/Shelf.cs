using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>What is taken from one bottle on the shelf, in its unit.</summary>
public sealed record Draw(Stock Stock, double Amount);

/// <summary>What taking an amount from the shelf comes to.</summary>
/// <param name="Missing">Not on the shelf, in the material's unit.</param>
/// <param name="Kept">False when the household keeps none of this material on its shelf, so that nothing is said of it.</param>
public sealed record ShelfDraw(IReadOnlyList<Draw> Draws, double Missing, bool Kept);

/// <summary>What to know of a bottle: a stable code and a sentence.</summary>
public sealed record ShelfHint(string Code, string Sentence);

/// <summary>The bottles and bags of the household.</summary>
public static class Shelf
{
    /// <summary>Under this much nothing is worth measuring, in ml or g.</summary>
    private const double Nothing = 1e-6;

    /// <summary>Takes an amount: what goes off first comes first, what is past its date last.</summary>
    public static ShelfDraw Take(IEnumerable<Stock> stocks, string material, double amount, DateOnly today)
    {
        var draws = new List<Draw>();
        var kept = stocks.Where(s => s.Material == material && !s.IsSteeping).ToList();
        var missing = amount;
        foreach (
            var stock in kept.Where(s => s.Left > 0)
                .OrderBy(s => s.BestBefore < today)
                .ThenBy(s => s.BestBefore ?? DateOnly.MaxValue)
                .ThenBy(s => s.Left)
                .ThenBy(s => s.Id)
        )
        {
            var taken = Math.Min(stock.Left, missing);
            if (taken > Nothing)
            {
                draws.Add(new Draw(stock, taken));
                missing -= taken;
            }
        }

        return new ShelfDraw(draws, missing > Nothing ? missing : 0, kept.Count > 0);
    }

    /// <summary>The last day on which a bottle is as good as its date or its time since opening says; null when nothing says.</summary>
    public static DateOnly? GoodUntil(Material material, Stock stock)
    {
        var opened = stock.OpenedOn is { } on && material.KeepsOpenedMonths is { } months ? on.AddMonths(months) : (DateOnly?)null;
        return (stock.BestBefore, opened) switch
        {
            ({ } a, { } b) => a < b ? a : b,
            ({ } a, null) => a,
            (null, var b) => b,
        };
    }

    /// <summary>What to say of a bottle today.</summary>
    /// <param name="coldestLastNightC">Null when not known.</param>
    public static IReadOnlyList<ShelfHint> Hints(Material material, Stock stock, DateOnly today, double? coldestLastNightC)
    {
        var hints = new List<ShelfHint>();
        if (stock.IsSteeping)
        {
            hints.Add(new("steeping", Say.Of("mixing.itStandsStrainItThen")));
        }

        if (stock.Left <= 0)
        {
            hints.Add(new("empty", Say.Of("mixing.usedUp")));
        }
        else if (stock.IsLow)
        {
            hints.Add(new("low", Say.Of("mixing.lowLeft", ("amount", Figure.Amount(stock.Left, stock.Unit)))));
        }

        if (stock.Left > 0 && GoodUntil(material, stock) is { } until && until < today)
        {
            hints.Add(
                material.Load == LoadKind.Oil || material.Group is "oil" or KnownIds.Modes.Azadirachtin ? new("rancid", Say.Of("mixing.oldOilSmellItARancid"))
                : material.MadeFrom is not null ? new("stale", Say.Of("mixing.pastItsDayPour"))
                : new("old", Say.Of("mixing.pastItsDateWeakerThan"))
            );
        }

        if (stock.Left > 0 && ColdHint(material, coldestLastNightC) is { } cold)
        {
            hints.Add(cold);
        }

        return hints;
    }

    /// <summary>Says that a cold bottle has set; null when it has not, or nobody knows.</summary>
    public static ShelfHint? ColdHint(Material material, double? coldestLastNightC) =>
        coldestLastNightC is { } cold && material.PasteBelowC is { } paste && cold < paste
            ? new("cold", Say.Of("mixing.lastNightUnder", ("temperature", Figure.Temperature(cold)), ("temperature2", Figure.Temperature(paste))))
            : null;

    /// <summary>What a unit of a material cost when it was last bought, in the household's money; null when no price is known.</summary>
    public static double? PriceOf(IReadOnlyList<Stock> stocks, string material) =>
        stocks.LastOrDefault(s => s.Material == material && s.Cost is not null && s.Amount > 0) is { } bought ? bought.Cost / bought.Amount : null;
}
