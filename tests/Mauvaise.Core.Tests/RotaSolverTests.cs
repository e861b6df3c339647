using Mauvaise.Core.Planning;

namespace Mauvaise.Core.Tests;

/// <summary>What the solver chooses of a small problem that can be reckoned by hand.</summary>
public class RotaSolverTests
{
    /// <summary>Two needs at one place and one at another; three days, two recipes, one of them scarce.</summary>
    private static RotaProblem Problem(double scarce)
    {
        double[] later = [0, 0, 0, 0, 0, 0];
        RotaOption Option(int recipe, double perDay) =>
            new(recipe, 2, 3, 4, [.. Enumerable.Range(0, 6).Select(s => perDay * (s / 2))], later, 0.001, [(recipe, 1)]);
        return new RotaProblem(
            6,
            0.006,
            0.003,
            new[,]
            {
                { 2, 1 },
                { 1, 2 },
            },
            [scarce, 10],
            [new(0, 1, 0.004, 1, [Option(0, 0.01)]), new(0, 1, 0.004, 1, [Option(1, 0.01)]), new(1, 1, 0.004, 1, [Option(0, 0.001), Option(1, 0.001)])]
        );
    }

    [Fact]
    public void A_visit_falls_on_a_day_on_which_somebody_is_out_anyway()
    {
        var alone = RotaSolver.Solve(Problem(10));
        var problem = Problem(10) with
        {
            OutAnyway = new HashSet<int> { 4, 5 },
        };
        Assert.DoesNotContain(alone.Choices, c => c.Slots[0] >= 4);
        Assert.Equal(0.003, problem.OutingAt(5), 9);
        // Worth half a visit: what costs 0.001 a day waits for it, what costs 0.01 does not.
        var shared = RotaSolver.Solve(problem with { Needs = [problem.Needs[2]] });
        Assert.Equal([4], shared.Choices[0].Slots);
        var urgent = RotaSolver.Solve(problem with { Needs = [problem.Needs[0]] });
        Assert.Equal([0], urgent.Choices[0].Slots);
    }

    [Fact]
    public void The_solver_tells_what_its_choice_costs_and_keeps_waits_and_stocks()
    {
        var problem = Problem(10);
        var solution = RotaSolver.Solve(problem);
        Assert.Equal(RotaSolver.Cost(problem, solution.Choices), solution.Cost, 9);
        // Two visits, two tanks, three rounds, and one of the first two a day late: the third goes along.
        Assert.Equal(2 * 0.006 + 2 * 0.003 + 3 * 0.001 + 0.01, solution.Cost, 9);
        Assert.Equal(double.PositiveInfinity, RotaSolver.Cost(problem, [new(0, [0]), new(0, [0]), RotaChoice.Skipped]));
        Assert.Equal(double.PositiveInfinity, RotaSolver.Cost(Problem(1), [new(0, [0]), RotaChoice.Skipped, new(0, [0])]));
        var scarce = RotaSolver.Solve(Problem(0)).Choices;
        Assert.Equal((-1, 1), (scarce[0].Option, scarce[2].Option));
    }
}
