using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Ways;

/// <summary>How many leaves come off at one visit.</summary>
/// <param name="Leaves">Leaves on all plants together.</param>
/// <param name="Counted">Somebody counted them; otherwise they are reckoned from crop and stage.</param>
/// <param name="Affected">Of them affected, by the count.</param>
/// <param name="TakeNow">At this visit, the worst first: never more than a quarter.</param>
/// <param name="Visits">Visits a week apart until all affected leaves are off.</param>
public sealed record PrunePlan(int Leaves, bool Counted, int Affected, int TakeNow, int Visits, Said Sentence)
{
    /// <summary>Most of the foliage that may go at once.</summary>
    public const double MostAtOnce = 0.25;

    /// <param name="share">Share of leaves affected, 0 to 1.</param>
    /// <param name="leaves">On all plants together, over 0; null to reckon it.</param>
    public static PrunePlan For(GardenSnapshot garden, Planting planting, double share, int? leaves = null)
    {
        var all = leaves ?? Reckoned(garden, planting);
        Bounds.Within(all, 1, 1_000_000, nameof(leaves));
        var affected = (int)Math.Ceiling(all * share - 1e-9);
        var most = (int)Math.Floor(all * MostAtOnce);
        var now = Math.Min(affected, most);
        var visits = now == 0 ? 0 : (int)Math.Ceiling((double)affected / now);
        var of = leaves is null ? Fact.Clause(Said.Of("words.aboutSo", ("it", Fact.Count(all)))) : Fact.Count(all);
        var sentence =
            now == 0 ? Said.Of("ways.tooFewLeavesToSpareOne")
            : visits == 1 ? Said.Of("ways.takeOffOfLeavesTheWorst", ("now", Fact.Count(now)), ("all", of))
            : Said.Of("ways.takeOffOfLeavesNow", ("now", Fact.Count(now)), ("all", of), ("affected", Fact.Count(affected)), ("visits", Fact.Count(visits)));
        return new PrunePlan(all, leaves is not null, affected, now, visits, sentence);
    }

    private static int Reckoned(GardenSnapshot garden, Planting planting)
    {
        var grown = planting.Stage switch
        {
            GrowthStage.Seedling => 0.15,
            GrowthStage.Young => 0.4,
            _ => 1.0,
        };
        return Math.Max(1, (int)Math.Round(garden.PlantsOf(planting) * garden.Catalogue.Crop(planting.Crop).Leaves * grown));
    }
}
