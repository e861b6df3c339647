using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Decisions;

/// <summary>Rounds of a course and the days between them.</summary>
public sealed record Spacing(int SpacingDays, int Rounds);

/// <summary>
/// How often and how many times, from the life cycle: given again before hatchlings breed, until all eggs of the first day have
/// hatched. Derived for this project from degree-day development.
/// </summary>
public static class RespraySpacing
{
    /// <summary>Hatchlings are met before this share of their way to breeding is done.</summary>
    private const double SafeShare = 0.8;

    /// <summary>Spacing and rounds for an egg layer.</summary>
    /// <param name="eggDegreeDays">Laying to hatch, E; 0 when no egg is laid outside, as the rounds are then two.</param>
    /// <param name="toAdultDegreeDays">Laying to adult; J is this less E.</param>
    /// <param name="degreeDaysPerDay">Expected over the coming two weeks, D; over 0.</param>
    /// <param name="killsEggs">Then two rounds do, for what was missed.</param>
    /// <returns>
    /// spacing = min(floor(0.8 J / D), cadence maximum), at least the cadence minimum and one day;
    /// rounds = 1 + ceil((E / D) / spacing), at least 2.
    /// </returns>
    /// <example>E 50, to adult 135, D 13, cadence 3 to 5: spacing 5, rounds 2. At D 6: spacing 5, rounds 3.</example>
    public static Spacing ForEggLayer(
        double eggDegreeDays,
        double toAdultDegreeDays,
        double degreeDaysPerDay,
        bool killsEggs,
        int cadenceMinDays,
        int cadenceMaxDays
    )
    {
        Bounds.NotNegative(eggDegreeDays);
        Bounds.Positive(degreeDaysPerDay);
        if (!(toAdultDegreeDays > eggDegreeDays))
        {
            throw new ArgumentOutOfRangeException(nameof(toAdultDegreeDays), toAdultDegreeDays, "toAdultDegreeDays must be over eggDegreeDays.");
        }

        if (cadenceMinDays < 1 || cadenceMaxDays < cadenceMinDays)
        {
            throw new ArgumentOutOfRangeException(
                nameof(cadenceMinDays),
                cadenceMinDays,
                "The cadence must be 1 day or more, and its minimum not over its maximum."
            );
        }

        var young = toAdultDegreeDays - eggDegreeDays;
        var spacing = (int)Math.Max(cadenceMinDays, Math.Min(Math.Floor(SafeShare * young / degreeDaysPerDay), cadenceMaxDays));
        var rounds = killsEggs ? 2 : Math.Max(2, 1 + (int)Math.Ceiling(eggDegreeDays / degreeDaysPerDay / spacing));
        return new Spacing(spacing, rounds);
    }

    /// <summary>The fewest rounds after which survivors of a live-bearer are under 5 %: ((1 - kill x wetted) e^(growth x spacing))^n.</summary>
    /// <param name="kill">Share killed of what is wetted, 0 to 1.</param>
    /// <param name="wetted">Share of leaves wetted, 0 to 1.</param>
    /// <param name="growthPerDay">0 or more.</param>
    /// <param name="spacingDays">1 or more.</param>
    /// <returns>Null when the colony grows faster than the rounds kill, so that no number of them is enough.</returns>
    /// <example>Kill 0.9, wetted 0.9, growth 0.12, 4 days apart: each round leaves 0.307, so three.</example>
    public static int? RoundsForLiveBearer(double kill, double wetted, double growthPerDay, int spacingDays)
    {
        Bounds.Within(kill, 0, 1);
        Bounds.Within(wetted, 0, 1);
        Bounds.NotNegative(growthPerDay);
        Bounds.Positive(spacingDays);
        var left = (1 - kill * wetted) * Math.Exp(growthPerDay * spacingDays);
        return left >= 1 ? null
            : left <= 0 ? 1
            : (int)Math.Ceiling(Math.Log(Enough) / Math.Log(left));
    }

    /// <summary>A colony is beaten when this share is left.</summary>
    private const double Enough = 0.05;
}
