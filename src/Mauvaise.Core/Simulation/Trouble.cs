using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Simulation;

/// <summary>A day as a trouble feels it.</summary>
/// <param name="Favour">How far the weather suits a disease, 0 to 1.</param>
/// <param name="Held">Share of arrivals, births and infections that cover holds back, 0 to 1.</param>
/// <param name="LeafGrowth">New leaf area a day as a share of what is there.</param>
public readonly record struct TroubleDay(double MeanC, double RainMm, double Favour, double Held, double LeafGrowth);

/// <summary>One trouble on one planting that can be played on: a colony, a brood or a leaf disease.</summary>
public abstract class Trouble
{
    /// <summary>Share of leaves on which it lives, 0 to 1: spots that no longer spread are not counted.</summary>
    public abstract double Share { get; }

    /// <summary>What the crop suffers from: the share of leaves, of leaf area for a disease with its old spots. 0 to 1.</summary>
    public virtual double Damage => Share;

    /// <summary>Helpers a leaf.</summary>
    public virtual double Helpers => 0;

    public abstract void Advance(in TroubleDay day, Chance chance);

    /// <summary>A spray, or hands: what is taken of each stage times the share that is reached.</summary>
    public abstract void Treat(Effect effect, double reached, double harmToHelpers);

    /// <summary>The worst leaves come off.</summary>
    /// <param name="share">Of the leaves, 0 to 1.</param>
    public abstract void Prune(double share);

    /// <summary>From now on no ant keeps its helpers from their work.</summary>
    public virtual void KeepAntsOff() { }

    /// <summary>Helpers are let out.</summary>
    /// <param name="helpers">A leaf.</param>
    public virtual void Release(double helpers) { }

    /// <summary>True when a target can be played on.</summary>
    public static bool Knows(Target target) =>
        ColonyTraits.Of(target) is not null || BroodTraits.Of(target) is not null || LeafDiseaseTraits.Of(target) is not null;

    /// <summary>The trouble as it was counted.</summary>
    /// <param name="share">Share of leaves affected, 0 to 1.</param>
    /// <param name="severity">Share of the area of an affected leaf, 0 to 1; used by diseases.</param>
    /// <param name="helpers">A leaf.</param>
    /// <param name="arrivals">Adults that come to a leaf a day, spores to a leaf area, or the strength of a flight.</param>
    /// <param name="target">One that is known.</param>
    public static Trouble Seen(Target target, double share, double severity, double helpers, ColonySite site, double spores, double flight = 1) =>
        ColonyTraits.Of(target) is { } colony ? new OfColony(Colony.Settled(colony, Colony.DensityAt(share), helpers), site)
        : BroodTraits.Of(target) is { } brood ? new OfBrood(Brood.Showing(brood, share), site.Outdoors ? flight : 0)
        : LeafDiseaseTraits.Of(target) is { } leaf ? new OfDisease(LeafDisease.Showing(leaf, share * severity, spores), site.Outdoors, share, share * severity)
        : throw new ArgumentException($"{target.Name} can not be played on.", nameof(target));

    private sealed class OfColony(Colony colony, ColonySite site) : Trouble
    {
        private ColonySite site = site;
        public override double Share => colony.Incidence;
        public override double Helpers => colony.Helpers;

        public override void KeepAntsOff() => site = site with { Ants = false };

        public override void Release(double helpers) => colony.Release(helpers);

        public override void Advance(in TroubleDay day, Chance chance) => colony.Advance(day.MeanC, day.RainMm, day.Held, site, chance);

        public override void Treat(Effect effect, double reached, double harmToHelpers) => colony.Spray(effect, reached, harmToHelpers);

        public override void Prune(double share) => colony.Spray(new Effect("", Leaves.Worst(share), Leaves.Worst(share), Leaves.Worst(share), 0), 1, share);
    }

    private sealed class OfBrood(Brood brood, double flight) : Trouble
    {
        public override double Share => brood.Living;
        public override double Damage => brood.Incidence;

        public override void Advance(in TroubleDay day, Chance chance) => brood.Advance(day.MeanC, day.Held, day.LeafGrowth, flight);

        public override void Treat(Effect effect, double reached, double harmToHelpers) => brood.Spray(effect, reached);

        public override void Prune(double share) => brood.Spray(new Effect("", Leaves.Worst(share), Leaves.Worst(share), 0, 0), 1);
    }

    /// <param name="leaves">Share of leaves that showed it when <paramref name="area"/> of the leaf area did.</param>
    private sealed class OfDisease(LeafDisease disease, bool outdoors, double leaves, double area) : Trouble
    {
        /// <summary>
        /// Of ever so many leaves one stays free by chance: both shares run together on complementary log-log scales (McRoberts and others 2003).
        /// </summary>
        private readonly double leavesForArea = Math.Log(1 - leaves) / Math.Log(1 - area);

        public override double Share => 1 - Math.Pow(1 - disease.Living, leavesForArea);
        public override double Damage => disease.Severity;

        public override void Advance(in TroubleDay day, Chance chance) =>
            disease.Advance(day.MeanC, outdoors ? day.RainMm : 0, day.Favour, day.Held, day.LeafGrowth);

        public override void Treat(Effect effect, double reached, double harmToHelpers) => disease.Spray(effect, reached);

        public override void Prune(double share) => disease.Prune(share, Leaves.Showing(share, Share));
    }
}

/// <summary>What taking leaves off takes with them.</summary>
public static class Leaves
{
    /// <summary>The worst leaves carry this many times their share of what is on the plant (assumed).</summary>
    private const double Selective = 3;

    /// <summary>Spotted leaves that a gardener overlooks, or leaves to the plant (assumed).</summary>
    private const double Overlooked = 0.1;

    /// <summary>Share of the spots that goes with a share of the leaves when those with spots are picked out, worst first.</summary>
    /// <param name="share">Of all leaves, 0 to 1.</param>
    /// <param name="affected">Share of leaves with spots, 0 to 1.</param>
    public static double Showing(double share, double affected) =>
        Math.Max(Math.Min(1 - Overlooked, Worst(share)), (1 - Overlooked) * Math.Min(1, share / Math.Max(affected, 1e-6)));

    /// <summary>Share of a trouble that goes with a share of the leaves, worst first.</summary>
    public static double Worst(double share) => Math.Min(0.95, Selective * share);
}
