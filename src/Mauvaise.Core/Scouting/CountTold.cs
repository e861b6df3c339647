using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Scouting;

/// <summary>A count as it reads within a sentence: "6 of 20 leaves".</summary>
public static class CountTold
{
    /// <param name="on">What was turned over.</param>
    /// <param name="byPlant">Plants one by one were counted, whatever <paramref name="on"/> says.</param>
    public static string Of(CountedOn on, int looked, int affected, bool byPlant = false) =>
        (byPlant, on) switch
        {
            (true, _) => Say.Of("scouting.countedPlants", ("affected", affected), ("looked", looked)),
            (_, CountedOn.Tips) => Say.Of("scouting.countedTips", ("affected", affected), ("looked", looked)),
            (_, CountedOn.Stems) => Say.Of("scouting.countedStems", ("affected", affected), ("looked", looked)),
            (_, CountedOn.Heads) => Say.Of("scouting.countedHeads", ("affected", affected), ("looked", looked)),
            (_, CountedOn.Fruits) => Say.Of("scouting.countedFruits", ("affected", affected), ("looked", looked)),
            (_, CountedOn.Roots) => Say.Of("scouting.countedRoots", ("affected", affected), ("looked", looked)),
            _ => Say.Of("scouting.countedLeaves", ("affected", affected), ("looked", looked)),
        };
}
