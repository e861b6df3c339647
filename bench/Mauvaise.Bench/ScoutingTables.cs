using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
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
        var all = NamingCases.Read();
        Console.WriteLine("| cases | signs | top 1 | top 3 | log loss | Brier | questions, mean | reached 80 % |");
        Console.WriteLine("|---|---|---|---|---|---|---|---|");
        foreach (var set in all.Where(c => c.IsListed).GroupBy(c => c.Set))
        {
            Row(set.Key, "first noticed", [.. set.Select(c => NamingCases.AtFirst(catalogue, c))]);
            Row(set.Key, "after questions", [.. set.Select(c => NamingCases.AfterQuestions(catalogue, c))]);
            var random = new Random(1);
            Row(
                set.Key,
                "one answer in ten wrong",
                [.. Enumerable.Range(0, 100).SelectMany(_ => set.Select(c => NamingCases.AfterWrongAnswers(catalogue, c, random, 0.1)))]
            );
        }

        Console.WriteLine("\n| causes that are not listed | a kind told at 70 % or more | said so, or a right group first |");
        Console.WriteLine("|---|---|---|");
        foreach (var set in all.Where(c => !c.IsListed).GroupBy(c => c.Set))
        {
            List<NamingScore> scores = [.. set.Select(c => NamingCases.AtFirst(catalogue, c))];
            Console.WriteLine($"| {set.Key}, {scores.Count} | {scores.Count(s => s.Lead >= 0.7)} | {scores.Count(s => s.Owned) * 100 / scores.Count} % |");
            scores
                .Where(s => s.Lead >= 0.7 || !s.Owned)
                .ToList()
                .ForEach(s =>
                    Console.WriteLine(
                        FormattableString.Invariant(
                            $"not owned: {set.Key} {string.Join(", ", s.Case.Seen)} on {s.Case.Crop}, lead {s.Lead:0.00} {Lead(catalogue, s.Case)}"
                        )
                    )
                );
        }

        Console.WriteLine("\n| told at | cases | right |");
        Console.WriteLine("|---|---|---|");
        foreach (
            var band in all.Where(c => c.IsListed)
                .SelectMany(c => new[] { NamingCases.AtFirst(catalogue, c), NamingCases.AfterQuestions(catalogue, c) })
                .GroupBy(s => Math.Min(9, (int)(s.Lead * 10)))
                .OrderBy(g => g.Key)
        )
        {
            Console.WriteLine(
                FormattableString.Invariant(
                    $"| {band.Key / 10.0:0.0} to {(band.Key + 1) / 10.0:0.0} | {band.Count()} | {band.Count(s => s.Rank == 1) * 100 / band.Count()} % |"
                )
            );
        }

        foreach (var miss in all.Where(c => c.IsListed).Select(c => NamingCases.AtFirst(catalogue, c)).Where(s => s.Rank != 1))
        {
            Console.WriteLine(
                $"missed at first: {miss.Case.Set} {miss.Case.Cause} on {miss.Case.Crop} "
                    + $"({string.Join(", ", miss.Case.Seen)}), ranked {miss.Rank}; {Lead(catalogue, miss.Case)}"
            );
        }

        foreach (var miss in all.Where(c => c.IsListed).Select(c => NamingCases.AfterQuestions(catalogue, c)).Where(s => s.Rank != 1))
        {
            Console.WriteLine($"missed after questions: {miss.Case.Set} {miss.Case.Cause} on {miss.Case.Crop}, ranked {miss.Rank}");
        }

        Console.WriteLine($"\nSweep: {NamingSweep.Faults(catalogue).Count} faults in {NamingSweep.Pairs(catalogue)} pairs of crop and cause.");
        foreach (var fault in NamingSweep.Faults(catalogue).Take(30))
        {
            Console.WriteLine(fault);
        }
    }

    private static string Lead(GardenCatalogue catalogue, NamingCase c)
    {
        var ranking = SuspectRanker.Rank(
            catalogue,
            new Circumstances(catalogue.Crop(c.Crop), Place.ShelterOf(c.Place), c.Month),
            [.. c.Seen.Select(s => new SeenSign(s, true)), .. c.Absent.Select(s => new SeenSign(s, false))]
        );
        return string.Create(
            CultureInfo.InvariantCulture,
            $"first {ranking.Suspects[0].Target.Id} {ranking.Suspects[0].Probability:0.00}, "
                + $"{ranking.Suspects[1].Target.Id} {ranking.Suspects[1].Probability:0.00}, "
                + $"group {ranking.Groups[0].NameGroup} {ranking.Groups[0].Probability:0.00}, "
                + $"not listed {ranking.NotListed:0.00}"
        );
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
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"| {set}, {scores.Count} | {signs} | {Share(scores, 1):0} % | {Share(scores, 3):0} % | "
                    + $"{scores.Average(s => s.LogLoss):0.00} | {scores.Average(s => s.Brier):0.000} | {scores.Average(s => s.Questions):0.0} | "
                    + $"{scores.Count(s => s.Reached) * 100.0 / scores.Count:0} % |"
            )
        );
    }

    private static double Share(List<NamingScore> scores, int top) => scores.Count(s => s.Rank >= 1 && s.Rank <= top) * 100.0 / scores.Count;
}
