namespace Mauvaise.Core.Planning;

/// <summary>The ways to meet one need of a <see cref="RotaProblem"/>: which recipe, and in which slots its rounds.</summary>
public static class RotaWays
{
    /// <summary>All ways to meet a need, its rounds spaced within their bounds, cheapest first.</summary>
    public static RotaWay[] Of(RotaProblem problem, RotaNeed need)
    {
        var all = new List<RotaWay>();
        foreach (var (option, index) in need.Options.Select((o, i) => (o, i)))
        {
            for (var first = 0; first < problem.Slots; first++)
            {
                if (!double.IsPositiveInfinity(option.First[first]))
                {
                    Extend(problem, need, option, index, [first], option.First[first] + need.HurryCost * RotaProblem.DayOf(first) + option.RoundCost, all);
                }
            }
        }

        return [.. all.OrderBy(c => c.Own)];
    }

    /// <summary>Adds the rounds that follow. A round is left to later plans only when it may fall beyond the last slot.</summary>
    private static void Extend(RotaProblem problem, RotaNeed need, RotaOption option, int index, int[] slots, double own, List<RotaWay> all)
    {
        var day = RotaProblem.DayOf(slots[^1]);
        var lastDay = RotaProblem.DayOf(problem.Slots - 1);
        if (slots.Length >= Math.Min(need.Rounds, option.MostRounds) || day + option.MaxGap > lastDay)
        {
            var wanted = Math.Min(need.Rounds, option.MostRounds);
            // A round beyond the last slot is paid for all the same: putting off must not look cheap.
            all.Add(
                new RotaWay(index, option.Recipe, slots, own + Math.Max(0, wanted - slots.Length) * (option.RoundCost + problem.OutingCost + problem.TankCost))
            );
            if (slots.Length >= wanted)
            {
                return;
            }
        }

        var any = false;
        for (var slot = 2 * (day + option.MinGap); slot <= Math.Min(problem.Slots - 1, 2 * (day + option.MaxGap) + 1); slot++)
        {
            if (!double.IsPositiveInfinity(option.Later[slot]))
            {
                any = true;
                var off = Math.Abs(RotaProblem.DayOf(slot) - day - option.Gap);
                Extend(problem, need, option, index, [.. slots, slot], own + option.Later[slot] + option.RoundCost + off * need.GapCost, all);
            }
        }

        if (!any && day + option.MaxGap <= lastDay)
        {
            // No hour fits the next round in time: what was begun is better than nothing, and the gap is paid for.
            all.Add(
                new RotaWay(
                    index,
                    option.Recipe,
                    slots,
                    own + (option.MaxGap - option.Gap + 1) * need.GapCost + option.RoundCost + problem.OutingCost + problem.TankCost
                )
            );
        }
    }
}
