using System.Globalization;

namespace Mauvaise.Core.Gardens;

/// <summary>Plants of a planting one by one: numbered from 1 along the row, so that those with numbers next to each other are neighbours.</summary>
public static class SinglePlants
{
    /// <summary>A planting with more plants is not counted one by one.</summary>
    public const int Most = 60;

    /// <summary>True for a planting whose plants can be told apart by number.</summary>
    public static bool Fits(Planting planting) => planting.Count is >= 2 and <= Most;

    /// <summary>Plants with those next to them, rising.</summary>
    /// <param name="of">How many plants there are.</param>
    public static IReadOnlyList<int> WithNeighbours(IReadOnlyList<int> plants, int of) =>
        [.. plants.SelectMany(p => new[] { p - 1, p, p + 1 }).Where(p => p >= 1 && p <= of).Distinct().Order()];

    /// <summary>Whether each of these plants is one of the planting's, and none stands twice.</summary>
    public static bool AreOf(Planting planting, IReadOnlyList<int> plants) =>
        Fits(planting) && plants.All(p => p >= 1 && p <= planting.Count) && plants.Distinct().Count() == plants.Count;

    /// <summary>As people say them: "3, 7–9".</summary>
    public static string Told(IReadOnlyList<int> plants)
    {
        var runs = new List<(int From, int To)>();
        foreach (var plant in plants.Order())
        {
            if (runs.Count > 0 && runs[^1].To == plant - 1)
            {
                runs[^1] = (runs[^1].From, plant);
            }
            else
            {
                runs.Add((plant, plant));
            }
        }

        return string.Join(", ", runs.Select(r => r.To == r.From ? $"{r.From}" : $"{r.From}–{r.To}"));
    }

    /// <summary>How they are kept, "3,7,8"; null for none told apart.</summary>
    public static string? Kept(IReadOnlyList<int>? plants) => plants is null ? null : string.Join(',', plants.Order());

    /// <summary>What was kept; null where plants were not told apart, or it can not be read.</summary>
    public static IReadOnlyList<int>? Read(string? kept)
    {
        if (kept is null)
        {
            return null;
        }

        var plants = new List<int>();
        foreach (var part in kept.Split(',', StringSplitOptions.RemoveEmptyEntries))
        {
            if (!int.TryParse(part, NumberStyles.None, CultureInfo.InvariantCulture, out var plant))
            {
                return null;
            }

            plants.Add(plant);
        }

        return plants;
    }
}
