using Mauvaise.Core.Tests;

namespace Mauvaise.Bench;

/// <summary>How often a trial's interval holds the truth, how often it is wrong, and how soon a garden learns.</summary>
internal static class RecordTables
{
    private const int Trials = 4000;
    private static readonly int[] Sides = [2, 3, 5];

    public static void OfTrials()
    {
        Console.WriteLine(
            "| units a side | leaves on each | alike | affected when left alone | true control | "
                + "interval holds it: after only | before and after |\n|---|---|---|---|---|---|---|"
        );
        var (after, both, n) = (0.0, 0.0, 0);
        foreach (var (units, leaves, alike) in new[] { (15, 1, 0.0), (20, 1, 0), (40, 1, 0), (6, 10, 0.1), (10, 10, 0.1), (12, 10, 0.2) })
        {
            foreach (var (share, control) in new[] { (0.35, 0.0), (0.35, 0.5), (0.6, 0.0), (0.6, 0.5), (0.6, 0.9) })
            {
                double a = TrialSimulation.Held(Trials, units, leaves, alike, share, control, false),
                    b = TrialSimulation.Held(Trials, units, leaves, alike, share, control, true);
                (after, both, n) = (after + a, both + b, n + 1);
                Console.WriteLine(
                    FormattableString.Invariant(
                        $"| {units} | {leaves} | {alike} | {share * 100:0} % | {control * 100:0} % | {a * 100:0.0} % | {b * 100:0.0} % |"
                    )
                );
            }
        }

        var said = Sides.Select(s => FormattableString.Invariant($"{TrialSimulation.SaidToWork(Trials, s) * 100:0.0} % with {s} sides"));
        Console.WriteLine(FormattableString.Invariant($"\nOn the mean: {after / n * 100:0.0} % and {both / n * 100:0.0} %."));
        Console.WriteLine($"Said to work and does nothing, 20 leaves a side: {string.Join(", ", said)}.");
    }

    public static void OfLearning()
    {
        Console.WriteLine("| seasons | gardens whose plan takes what is truly better by 20 points |\n|---|---|");
        foreach (var seasons in new[] { 0, 1, 2, 3, 5 })
        {
            Console.WriteLine(FormattableString.Invariant($"| {seasons} | {LearningSimulation.Right(2000, seasons) * 100:0.0} % |"));
        }
    }
}
