using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Trials;

/// <summary>Deals the units of a trial to its sides by lot.</summary>
public static class Lot
{
    public const int FewestSides = 2;
    public const int MostSides = 5;

    /// <summary>
    /// Units numbered from 1 in the order of their plantings. Within each planting the sides come up equally often, or once more
    /// or less, so that no side gets the sunny end by chance; which units they fall on is left to the lot. The same seed deals the same.
    /// </summary>
    /// <param name="plantings">A planting for each unit; those of one planting follow each other.</param>
    /// <param name="sides">2 to 5.</param>
    public static IReadOnlyList<TrialUnit> Deal(IReadOnlyList<Guid> plantings, int sides, int seed)
    {
        Bounds.Within(sides, FewestSides, MostSides);
        var chance = new Chance((ulong)seed);
        var units = new List<TrialUnit>();
        var next = 0;
        foreach (var block in plantings.GroupBy(p => p))
        {
            var n = block.Count();
            // Goes on where the last planting ended, so that the whole comes out even too.
            var dealt = Enumerable.Range(0, n).Select(i => (next + i) % sides + 1).ToArray();
            next = (next + n) % sides;
            for (var i = n - 1; i > 0; i--)
            {
                var j = (int)(chance.Next() * (i + 1));
                (dealt[i], dealt[j]) = (dealt[j], dealt[i]);
            }

            units.AddRange(dealt.Select(side => new TrialUnit(0, block.Key, side)));
        }

        return [.. units.Select((u, i) => u with { Number = i + 1 })];
    }
}
