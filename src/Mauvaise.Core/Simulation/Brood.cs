using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Simulation;

/// <summary>How a chewer that comes in broods lives. Degree-days are above <paramref name="LowerC"/>.</summary>
/// <param name="EggDegreeDays">Laying to hatch.</param>
/// <param name="YoungDegreeDays">Hatching until it leaves the plant to pupate, seven tenths of the way to adult (assumed).</param>
/// <param name="CycleDegreeDays">From one flight to the next.</param>
public sealed record BroodTraits(double LowerC, double EggDegreeDays, double YoungDegreeDays, double CycleDegreeDays)
{
    private const double FeedsUntil = 0.7;

    /// <summary>The traits of a target; null when it does not come in broods.</summary>
    public static BroodTraits? Of(Target target) =>
        target
            is {
                Group: KnownIds.TargetGroups.Chewers or KnownIds.TargetGroups.TrueBugs or KnownIds.TargetGroups.Miners,
                Insect: { EggDegreeDays: > 0, GrowthPerDayAt20C: 0 } insect
            }
            ? new BroodTraits(insect.LowerC, insect.EggDegreeDays, FeedsUntil * (insect.ToAdultDegreeDays - insect.EggDegreeDays), insect.ToAdultDegreeDays)
            : null;
}

/// <summary>Eggs and grubs on a crop, as densities a leaf. Adults fly in from elsewhere, in flights a generation apart.</summary>
public sealed class Brood(BroodTraits traits)
{
    /// <summary>Eggs laid on a leaf a day at the height of a flight (assumed).</summary>
    private const double LaidAtMost = 0.02;

    /// <summary>Leaves that a grown grub spoils a day; small ones do less (assumed).</summary>
    private const double SpoiledPerGrubDay = 0.15;
    private const double Clumping = 0.5;
    private const double HottestC = 32;

    private readonly StageChain eggs = new();
    private readonly StageChain young = new();
    private double spoiled;
    private double phase;

    /// <summary>Grubs a leaf.</summary>
    public double Density => young.Total;

    /// <summary>Share of leaves with a grub.</summary>
    public double Living => 1 - Math.Pow(1 + Density / Clumping, -Clumping);

    /// <summary>Share of leaves that have a grub or were eaten at.</summary>
    public double Incidence => 1 - (1 - Living) * (1 - spoiled);

    /// <summary>A brood that shows on a share of leaves: most of it as eggs and small grubs, at the height of a flight.</summary>
    public static Brood Showing(BroodTraits traits, double share)
    {
        var brood = new Brood(traits);
        var density = Colony.DensityAt(share);
        brood.young.Advance(density * 0.9, 0);
        brood.eggs.Advance(density, 0);
        brood.spoiled = share * 0.1;
        return brood;
    }

    /// <summary>A day.</summary>
    /// <param name="held">Share of the laying that cover keeps off, 0 to 1.</param>
    /// <param name="leafGrowth">New leaf area a day as a share of what is there.</param>
    /// <param name="flight">Strength of the flight, 1 for a usual year.</param>
    public void Advance(double meanC, double held, double leafGrowth, double flight)
    {
        var degreeDays = Math.Max(0, Math.Min(meanC, HottestC) - traits.LowerC);
        var wave = Math.Max(0, Math.Cos(2 * Math.PI * phase));
        phase = (phase + degreeDays / traits.CycleDegreeDays) % 1;
        var laid = degreeDays > 0 ? LaidAtMost * flight * Math.Pow(wave, 4) * (1 - held) : 0;
        var hatched = eggs.Advance(laid, degreeDays / traits.EggDegreeDays);
        young.Advance(hatched, degreeDays / traits.YoungDegreeDays);
        spoiled += young.Total * SpoiledPerGrubDay * degreeDays / 10 * (1 - spoiled);
        spoiled = Math.Min(1, spoiled / (1 + leafGrowth));
    }

    /// <summary>A spray, or a picking over: what it takes of each stage times the share that it reaches.</summary>
    public void Spray(Effect effect, double wetted)
    {
        eggs.Keep(1 - effect.Eggs * wetted);
        young.Keep(1 - effect.Young * wetted);
    }
}
