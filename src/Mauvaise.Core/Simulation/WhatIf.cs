using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Simulation;

/// <summary>Rounds of a material, on days from today, today being 0; rising.</summary>
public sealed record SprayRounds(Material Material, IReadOnlyList<int> Days);

/// <summary>Hands or water, on days from today; rising.</summary>
/// <param name="Effect">What one doing takes off.</param>
public sealed record HandRounds(Effect Effect, IReadOnlyList<int> Days);

/// <summary>The worst leaves come off, on days from today; rising.</summary>
/// <param name="Share">Of the leaves at each visit, 0 to 0.25.</param>
public sealed record PruneRounds(double Share, IReadOnlyList<int> Days);

/// <summary>All that is done from today on. Nothing set: it is left alone.</summary>
/// <param name="AntsOffFrom">Day from which ants are kept off; null where nobody does.</param>
/// <param name="After">Rounds of another material besides.</param>
/// <param name="HelpersFrom">Day on which ordered helpers are let out; null for none.</param>
public sealed record Schedule(
    SprayRounds? Sprays = null,
    HandRounds? Hands = null,
    PruneRounds? Pruned = null,
    int? AntsOffFrom = null,
    int? HelpersFrom = null,
    SprayRounds? After = null
)
{
    /// <summary>All that is sprayed, by material.</summary>
    public IReadOnlyList<SprayRounds> Rounds { get; } = [.. new[] { Sprays, After }.OfType<SprayRounds>()];

    public static Schedule Nothing { get; } = new();
}

/// <summary>A day over all runs: the middle one, and the range that the next run keeps to nine times in ten. Shares of leaves, 0 to 1.</summary>
/// <param name="Cover">Cover of the spray that is left, in the middle run.</param>
/// <param name="Mostly">What nine in ten of these runs stay under.</param>
public sealed record WhatIfDay(double Middle, double Low, double High, double Cover, double Mostly)
{
    /// <summary>
    /// The first days as they are drawn: to a hundredth of a per cent. All digits of a dozen ways were most of what a phone fetches for Decide.
    /// </summary>
    public static IReadOnlyList<WhatIfDay> Drawn(IEnumerable<WhatIfDay> days, int count) =>
        [.. days.Take(count).Select(d => new WhatIfDay(Drawn(d.Middle), Drawn(d.Low), Drawn(d.High), Drawn(d.Cover), Drawn(d.Mostly)))];

    private static double Drawn(double share) => Math.Round(share, 4);
}

/// <summary>What a schedule comes to.</summary>
/// <param name="Loss">Share of the crop's value lost over the time, in the middle run.</param>
/// <param name="HelpersLeft">Helpers at the end against those of leaving it alone, in the middle run; null where there are none.</param>
public sealed record WhatIfCurve(Schedule Schedule, IReadOnlyList<WhatIfDay> Days, double Loss, double? HelpersLeft);

/// <summary>What would come of a trouble on a planting under different schedules, in this garden's weather and with common luck.</summary>
public static class WhatIf
{
    /// <summary>Runs of each schedule, the same luck for all of them; odd, so that there is a middle one.</summary>
    public const int Runs = 21;

    /// <summary>
    /// How much wider than the least to the most of these runs a range is told, so that it holds nine others in ten: the luck that is played
    /// does not reach as far as luck does. Set on two hundred runs of seven troubles with other luck, and held by a test with yet another.
    /// </summary>
    private const double Wider = 1.3;

    /// <summary>One curve for each schedule. The same scene and schedules give the same curves.</summary>
    /// <param name="days">Days that are played through.</param>
    public static IReadOnlyList<WhatIfCurve> Play(Scene scene, IReadOnlyList<Schedule> schedules, int days = Scene.Days)
    {
        ArgumentNullException.ThrowIfNull(scene);
        var alone = At(Sorted(Play(scene, Schedule.Nothing, days).Select(r => r.Helpers)), 0.5);
        return [.. schedules.Select(s => Summed(s, Play(scene, s, days), days, alone))];
    }

    private static Played[] Play(Scene scene, Schedule schedule, int days) => [.. Enumerable.Range(0, Runs).Select(r => scene.Run(schedule, (ulong)r, days))];

    private static WhatIfCurve Summed(Schedule schedule, Played[] runs, int days, double helpersAlone) =>
        new(
            schedule,
            [
                .. Enumerable
                    .Range(0, days + 1)
                    .Select(day =>
                    {
                        var shares = Sorted(runs.Select(r => r.Shares[day]));
                        var middle = At(shares, 0.5);
                        return new WhatIfDay(
                            middle,
                            Math.Max(0, middle - Wider * (middle - shares[0])),
                            Math.Min(1, middle + Wider * (shares[^1] - middle)),
                            At(Sorted(runs.Select(r => r.Cover[day])), 0.5),
                            At(shares, 0.95)
                        );
                    }),
            ],
            At(Sorted(runs.Select(r => r.Loss)), 0.5),
            helpersAlone > 0 ? At(Sorted(runs.Select(r => r.Helpers)), 0.5) / helpersAlone : null
        );

    private static double[] Sorted(IEnumerable<double> values)
    {
        double[] sorted = [.. values];
        Array.Sort(sorted);
        return sorted;
    }

    private static double At(double[] sorted, double share) => sorted[(int)Math.Round(share * (sorted.Length - 1))];
}
