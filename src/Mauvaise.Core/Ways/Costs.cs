using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Ways;

/// <summary>What things cost besides money, as shares of the value of one mean place's crop (assumed). Ways and the rota weigh with the same figures.</summary>
public static class Costs
{
    public const double Outing = 0.016;
    public const double Tank = 0.003;
    private const double Litre = 0.001;
    private const double Helpers = 0.02;
    private const double Stress = 0.002;
    private const double Tender = 0.006;

    /// <summary>Of a patch test that has to come first, and of a choice of material that is one point worse.</summary>
    public const double Patch = 0.004;
    private const double Worse = 0.004;

    /// <summary>Of an hour's work by hand.</summary>
    public const double HandHour = 0.02;

    /// <summary>An evening out for one bed, as shares of a mean bed's crop. Who keeps ahead has something to spray somewhere on any evening.</summary>
    public static double OutingOf(Stance stance) => Outing * (stance == Stance.KeepAhead ? 1.4 : Math.Max(1, Weight(stance)));

    /// <summary>For more beds than this it weighs no more (assumed).</summary>
    private const int MostShared = 6;

    /// <summary>
    /// An evening out for the whole garden. Beds share one only when it weighs more for each bed that could. Found by playing seasons 1000 and 1001 of
    /// every climate: less, and more evenings are spent for the same crop; keeping ahead at 2.6, more is lost.
    /// </summary>
    /// <param name="beds">That have something to be sprayed in the coming days, and could share it.</param>
    public static double OutingOf(Stance stance, int beds)
    {
        var eachMoreBed = stance switch
        {
            Stance.KeepAhead => 2,
            Stance.WatchAndTreat => 3,
            _ => 0,
        };
        return OutingOf(stance) + Outing * eachMoreBed * (Math.Clamp(beds, 1, MostShared) - 1);
    }

    /// <summary>How heavily a household weighs spraying.</summary>
    public static double Weight(Stance stance) =>
        stance switch
        {
            Stance.LastResort => 2,
            Stance.KeepAhead => 0.8,
            _ => 1,
        };

    /// <summary>What a round of a mix costs a planting besides its tank, before the stance weighs it.</summary>
    /// <param name="seen">Where helpers were counted; null where nobody looked.</param>
    public static double RoundOf(GardenSnapshot garden, Planting planting, MaterialOption option, Observation? seen)
    {
        var inMix = MaterialChoice.MaterialsIn(garden.Catalogue, option.Recipe);
        var helpers = seen is { LeavesLooked: > 0 } ? Math.Min(1, (double)(seen.Helpers + seen.Mummies) / seen.LeavesLooked) : 0;
        return SprayVolume.LitresOf(garden, option.Recipe, planting) * Litre
            + helpers * inMix.Max(m => m.HarmToHelpers) * Helpers
            + Stress
            + (inMix.Any(m => MaterialChoice.IsTender(garden.Catalogue.Crop(planting.Crop), planting, m)) ? Tender : 0)
            // Among those that work, the better choice for this garden comes first.
            + Worse * Math.Max(0, 2 - option.Score);
    }
}
