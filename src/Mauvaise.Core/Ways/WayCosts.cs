using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Ways;

/// <summary>What the ways to meet a finding cost besides the crop that is lost: time, sprays, evenings.</summary>
/// <param name="prune">The leaves that would come off; null where none do.</param>
internal sealed class WayCosts(Finding f, PrunePlan? prune)
{
    /// <summary>Time in all, minutes.</summary>
    public double Minutes(Way way) =>
        way.Hands.Sum(h => h.Days.Count * WorkTime.OfHands(f.Garden, f.Planting, h.Measure, h.Measure.Id == KnownIds.Measures.Prune ? prune!.TakeNow : null))
        + way.SprayDays.Count * TankMinutes(way.Option)
        + (way.After is { } after ? after.Days.Count * TankMinutes(after.Option) : 0);

    private double TankMinutes(MaterialOption? option) => option is null ? 0 : WorkTime.OfTank(SprayVolume.LitresOf(f.Garden, option.Recipe, f.Planting));

    /// <summary>What a way costs besides the crop that is lost.</summary>
    public double Besides(Way way, double minutes)
    {
        var weight = Costs.Weight(f.Stance);
        var evenings = way.Evenings * Costs.OutingOf(f.Stance);
        if (way.Option is not { } option)
        {
            return evenings + minutes / 60 * Costs.HandHour;
        }

        return evenings
            + weight * (way.SprayDays.Count * RoundOf(option) + PatchOf(option))
            + (way.After is { } after ? weight * (after.Days.Count * RoundOf(after.Option) + PatchOf(after.Option)) : 0)
            + minutes / 60 * Costs.HandHour;
    }

    /// <summary>What the two leaves cost that have to come first.</summary>
    private double PatchOf(MaterialOption option) => UseGuards.PatchOf(f.Garden, f.Crop, option.Material) is { State: PatchState.Needed } ? Costs.Patch : 0;

    /// <summary>What a round of it costs, with a tank of its own.</summary>
    private double RoundOf(MaterialOption option) => Costs.Tank + Costs.RoundOf(f.Garden, f.Planting, option, f.Seen);
}
