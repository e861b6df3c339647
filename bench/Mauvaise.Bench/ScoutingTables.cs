using Mauvaise.Core.Scouting;
using Mauvaise.Core.Tests;
using Mauvaise.Store.Facts;

namespace Mauvaise.Bench;

/// <summary>Tables of how well causes are named and how many leaves a verdict takes.</summary>
internal static class ScoutingTables
{
    public static void Naming()
    {
        var catalogue = CatalogueFiles.Read(CatalogueFiles.DefaultFolder);
        Console.WriteLine("| cases | signs | top 1 | top 3 | Brier | median questions to 80 % | reached 80 % |");
        Console.WriteLine("|---|---|---|---|---|---|---|");
        foreach (var set in NamingCases.Read().GroupBy(c => c.Set))
        {
            Row(set.Key, "first noticed", [.. set.Select(c => NamingCases.AtFirst(catalogue, c))]);
            Row(set.Key, "after questions", [.. set.Select(c => NamingCases.AfterQuestions(catalogue, c))]);
        }

        foreach (var miss in NamingCases.Read().Select(c => NamingCases.AfterQuestions(catalogue, c)).Where(s => s.Rank != 1))
        {
            Console.WriteLine($"missed: {miss.Case.Set} {miss.Case.Cause} on {miss.Case.Crop}, ranked {miss.Rank}");
        }
    }

    public static void Leaves()
    {
        Console.WriteLine("| line | true share | leaves counted, mean | wrong side |");
        Console.WriteLine("|---|---|---|---|");
        foreach (var line in new[] { 0.05, 0.1, 0.2 })
        {
            foreach (var truth in new[] { 0, line / 2, line, line * 1.5, line * 2.5 })
            {
                var (leaves, above) = SampleWalks.Walk(line, truth, 10_000, seed: 1);
                var wrong = truth == line ? "-" : FormattableString.Invariant($"{(truth > line ? 1 - above : above) * 100:0.0} %");
                Console.WriteLine(FormattableString.Invariant($"| {line:0.00} | {truth:0.000} | {leaves:0.0} | {wrong} |"));
            }
        }
    }

    private static void Row(CaseSet set, string signs, List<NamingScore> scores)
    {
        var reached = scores.Where(s => s.Reached).Select(s => s.Questions).Order().ToList();
        Console.WriteLine(FormattableString.Invariant(
            $"| {set}, {scores.Count} | {signs} | {Share(scores, 1):0} % | {Share(scores, 3):0} % | {scores.Average(s => s.Brier):0.000} | {(reached.Count == 0 ? "-" : reached[reached.Count / 2])} | {scores.Count(s => s.Reached) * 100.0 / scores.Count:0} % |"));
    }

    private static double Share(List<NamingScore> scores, int top) => scores.Count(s => s.Rank >= 1 && s.Rank <= top) * 100.0 / scores.Count;
}
