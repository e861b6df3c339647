using System.Diagnostics;
using System.Globalization;
using Google.OrTools.Sat;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Bench;

/// <summary>How fast the planner is, and how near to the proven best.</summary>
internal static class RotaTables
{
    private const int Warm = 3;
    private const int Timed = 7;
    private static readonly int[] Weeks = [2, 4, 8, 16, 26];

    /// <summary>Full replan by places, with the slope of its growth; and after one new fact.</summary>
    public static void Speed()
    {
        var points = new List<(double X, double Y)>();
        Console.WriteLine("| places | findings | full replan, ms | after one new count, ms |");
        Console.WriteLine("|---|---|---|---|");
        foreach (var places in new[] { 5, 10, 20, 40, 80 })
        {
            var garden = BenchGarden.Snapshot(places, 7);
            var full = Time(() => RotaPlanner.Plan(Anew(garden)));
            var fact = Time(() =>
                RotaPlanner.Plan(garden with { Observations = [.. garden.Observations.SkipLast(1), garden.Observations[^1] with { LeavesAffected = 15 }] })
            );
            points.Add((Math.Log(places), Math.Log(full)));
            Console.WriteLine(FormattableString.Invariant($"| {places} | {garden.Observations.Count} | {full:0.0} | {fact:0.0} |"));
        }

        Console.WriteLine(
            FormattableString.Invariant($"\nLog-log slope over places: {Slope(points):0.00}. Each plan has 14 firm days and 26 weeks of outline.")
        );

        var forty = BenchGarden.Snapshot(40, 7);
        var weeks = Weeks.Select(w => (Weeks: w, Ms: Time(() => RotaPlanner.Plan(Anew(forty), w * 7)))).ToList();
        Console.WriteLine("\n| weeks planned firmly, 40 places | full replan, ms |\n|---|---|");
        weeks.ForEach(w => Console.WriteLine(FormattableString.Invariant($"| {w.Weeks} | {w.Ms:0.0} |")));
        Console.WriteLine(
            FormattableString.Invariant($"\nLog-log slope over weeks: {Slope([.. weeks.Select(w => (Math.Log(w.Weeks), Math.Log(w.Ms)))]):0.00}.")
        );
    }

    /// <summary>The same garden in other hands: nothing that was worked out for the first one is known.</summary>
    private static GardenSnapshot Anew(GardenSnapshot garden) => garden with { Weather = new(garden.Weather.Start, [.. garden.Weather.Hours]) };

    private static double Slope(IReadOnlyList<(double X, double Y)> points)
    {
        var (mx, my) = (points.Average(p => p.X), points.Average(p => p.Y));
        return points.Sum(p => (p.X - mx) * (p.Y - my)) / points.Sum(p => (p.X - mx) * (p.X - mx));
    }

    private static double Time(Action run)
    {
        for (var i = 0; i < Warm; i++)
        {
            run();
        }

        var times = new List<double>();
        for (var i = 0; i < Timed; i++)
        {
            var watch = Stopwatch.StartNew();
            run();
            times.Add(watch.Elapsed.TotalMilliseconds);
        }

        return times.Order().ElementAt(Timed / 2);
    }

    private const int Problems = 60;

    /// <summary>Random small problems against the optimum that a constraint solver proves.</summary>
    public static void Optimal()
    {
        // The search was tuned on those from 1 on; the table is of others.
        var first = int.Parse(Environment.GetEnvironmentVariable("MAUVAISE_FIRST_PROBLEM") ?? "3001", CultureInfo.InvariantCulture);
        var gaps = new List<double>();
        double ours = 0,
            theirs = 0;
        var proven = 0;
        for (var seed = first; seed < first + Problems; seed++)
        {
            var problem = Small((ulong)seed);
            var watch = Stopwatch.StartNew();
            var solution = RotaSolver.Solve(problem);
            ours += watch.Elapsed.TotalMilliseconds;
            watch.Restart();
            var (best, isProven) = Prove(problem);
            theirs += watch.Elapsed.TotalMilliseconds;
            if (isProven)
            {
                proven++;
                gaps.Add((solution.Cost - best) / best);
            }
        }

        Console.WriteLine(FormattableString.Invariant($"{proven} of {Problems} small problems proven optimal by the constraint solver."));
        Console.WriteLine(
            FormattableString.Invariant(
                $"Gap of the planner: mean {gaps.Average() * 100:0.00} %, worst {gaps.Max() * 100:0.00} %, none in {gaps.Count(g => g < 1e-6)}."
            )
        );
        Console.WriteLine(
            FormattableString.Invariant(
                $"Time: planner {ours / Problems:0.00} ms, constraint solver {theirs / Problems:0} ms a problem: {theirs / ours:0} times as long."
            )
        );
    }

    /// <summary>
    /// Six to nine needs at two to a place over ten days, with everything that a plan is bound by: waits between recipes, one of a label's week,
    /// hours that are closed, bottles, rows and season limits that rounds draw on, label intervals and the rounds that are left.
    /// </summary>
    private static RotaProblem Small(ulong seed)
    {
        var chance = new Chance(seed);
        const int slots = 20,
            recipes = 3,
            bottles = 3;
        var waits = new int[recipes, recipes];
        for (var a = 0; a < recipes; a++)
        {
            for (var b = 0; b < recipes; b++)
            {
                waits[a, b] =
                    a == b ? 3
                    : chance.Next() < 0.1 ? 7
                    : 1 + (int)(chance.Next() * 4);
            }
        }

        double[] Costs(double scale) =>
            [
                .. Enumerable
                    .Range(0, slots)
                    .Select(s => chance.Next() < 0.35 ? double.PositiveInfinity : scale * s * chance.Between(0.5, 1.5) + (chance.Next() < 0.3 ? 0.003 : 0)),
            ];
        var needs = Enumerable
            .Range(0, 6 + (int)(chance.Next() * 4))
            .Select(i =>
            {
                var gap = 3 + (int)(chance.Next() * 4);
                return new RotaNeed(
                    i / 2,
                    1 + (int)(chance.Next() * 3),
                    0.004,
                    chance.Between(0.05, 0.3),
                    [
                        .. Enumerable
                            .Range(0, 1 + (int)(chance.Next() * 3))
                            .Select(k => new RotaOption(
                                k,
                                chance.Next() < 0.2 ? gap : Math.Max(2, gap - 2),
                                gap,
                                gap + 2,
                                Costs(chance.Between(0.0005, 0.003)),
                                Costs(0),
                                chance.Between(0.002, 0.012),
                                // A bottle, the row of this recipe at this place, and what the season leaves of it there.
                                [(k, chance.Between(2, 6)), (bottles + i / 2 * recipes + k, 1)],
                                chance.Next() < 0.2 ? 1 + (int)(chance.Next() * 2) : int.MaxValue
                            )),
                    ]
                );
            })
            .ToList();
        var rows = Enumerable.Range(0, (needs.Count + 1) / 2 * recipes).Select(_ => chance.Next() < 0.4 ? 2.0 : 4.0);
        var stocks = new[] { chance.Between(20, 60), chance.Between(10, 40), 100 }.Concat(rows).ToList();
        return new RotaProblem(slots, 0.006, 0.003, waits, stocks, needs)
        {
            OutAnyway = Enumerable.Range(0, slots).Where(_ => chance.Next() < 0.2).ToHashSet(),
        };
    }

    /// <summary>The same choice of ways, visits and tanks as whole numbers.</summary>
    private static (double Best, bool Proven) Prove(RotaProblem problem)
    {
        const double scale = 1e7;
        var model = new CpModel();
        var ways = problem.Needs.Select(n => RotaWays.Of(problem, n)).ToList();
        var takes = ways.Select((w, i) => w.Select((_, k) => model.NewBoolVar($"x{i}.{k}")).ToArray()).ToList();
        var outing = Enumerable.Range(0, problem.Slots).Select(s => model.NewBoolVar($"y{s}")).ToArray();
        var recipes = problem.Waits.GetLength(0);
        var tank = Enumerable.Range(0, problem.Slots).Select(s => Enumerable.Range(0, recipes).Select(r => model.NewBoolVar($"z{s}.{r}")).ToArray()).ToArray();
        var cost = new List<LinearExpr>();
        for (var i = 0; i < ways.Count; i++)
        {
            model.AddAtMostOne(takes[i]);
            var skip = problem.SkipOf(problem.Needs[i]);
            cost.Add(LinearExpr.Constant((long)Math.Round(skip * scale)));
            for (var k = 0; k < ways[i].Length; k++)
            {
                cost.Add(LinearExpr.Term(takes[i][k], (long)Math.Round((ways[i][k].Own - skip) * scale)));
                foreach (var slot in ways[i][k].Slots)
                {
                    model.AddImplication(takes[i][k], tank[slot][ways[i][k].Recipe]);
                }
            }
        }

        for (var s = 0; s < problem.Slots; s++)
        {
            cost.Add(LinearExpr.Term(outing[s], (long)Math.Round(problem.OutingAt(s) * scale)));
            for (var r = 0; r < recipes; r++)
            {
                model.AddImplication(tank[s][r], outing[s]);
                cost.Add(LinearExpr.Term(tank[s][r], (long)Math.Round(problem.TankCost * scale)));
            }
        }

        for (var s = 0; s < problem.Stocks.Count; s++)
        {
            var used = ways.SelectMany(
                    (w, i) =>
                        w.Select(
                            (x, k) => (i, k, Amount: problem.Needs[i].Options[x.Option].Takes.Where(t => t.Stock == s).Sum(t => t.Amount) * x.Slots.Length)
                        )
                )
                .Where(x => x.Amount > 0)
                .Select(x => LinearExpr.Term(takes[x.i][x.k], (long)Math.Ceiling(x.Amount * 1000)))
                .ToList();
            if (used.Count > 0)
            {
                model.Add(LinearExpr.Sum(used) <= (long)Math.Floor(problem.Stocks[s] * 1000));
            }
        }

        for (var i = 0; i < ways.Count; i++)
        {
            for (var j = i + 1; j < ways.Count; j++)
            {
                if (problem.Needs[i].Place != problem.Needs[j].Place)
                {
                    continue;
                }

                for (var k = 0; k < ways[i].Length; k++)
                {
                    for (var l = 0; l < ways[j].Length; l++)
                    {
                        if (Clash(problem, ways[i][k], ways[j][l]))
                        {
                            model.AddBoolOr([takes[i][k].Not(), takes[j][l].Not()]);
                        }
                    }
                }
            }
        }

        model.Minimize(LinearExpr.Sum(cost));
        var solver = new CpSolver { StringParameters = "max_time_in_seconds:60,num_workers:2,random_seed:1" };
        var status = solver.Solve(model);
        return (solver.ObjectiveValue / scale, status == CpSolverStatus.Optimal);
    }

    private static bool Clash(RotaProblem problem, RotaWay a, RotaWay b) =>
        a.Slots.Any(s =>
            b.Slots.Any(t =>
                !(s == t && a.Recipe == b.Recipe)
                && Math.Abs(RotaProblem.DayOf(s) - RotaProblem.DayOf(t)) < (s <= t ? problem.Waits[a.Recipe, b.Recipe] : problem.Waits[b.Recipe, a.Recipe])
            )
        );
}
