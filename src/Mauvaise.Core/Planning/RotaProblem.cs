using Mauvaise.Core.Time;

namespace Mauvaise.Core.Planning;

/// <summary>
/// Which rounds go on in which visit, with which recipe: the plan with all gardening taken out of it. A slot is half a day, so slot 0
/// is this morning, 1 this evening, 2 tomorrow morning. Costs are shares of crop value.
/// </summary>
/// <param name="Slots">How many slots there are.</param>
/// <param name="OutingCost">Of going out at all in a slot; see <see cref="OutingAt"/>.</param>
/// <param name="TankCost">Of each recipe that is mixed in a slot.</param>
/// <param name="Waits">Days that recipe b has to wait after recipe a on one place, by [a, b]; 0 for none.</param>
/// <param name="Stocks">What is there of each stock, in the unit that <see cref="RotaOption.Takes"/> speaks.</param>
public sealed record RotaProblem(int Slots, double OutingCost, double TankCost, int[,] Waits, IReadOnlyList<double> Stocks, IReadOnlyList<RotaNeed> Needs)
{
    /// <summary>Where somebody is among the beds already, going out costs this share (assumed): the sprayer still has to be taken along.</summary>
    private const double AlreadyOut = 0.5;

    /// <summary>Slots of days on which somebody goes out anyway, to count again or with work by hand.</summary>
    public IReadOnlySet<int> OutAnyway { get; init; } = new HashSet<int>();

    /// <summary>Of going out to spray in a slot.</summary>
    public double OutingAt(int slot) => OutAnyway.Contains(slot) ? AlreadyOut * OutingCost : OutingCost;

    /// <summary>Of leaving a need out.</summary>
    public double SkipOf(RotaNeed need) => need.SkipCost + need.SkipEvenings * OutingCost;

    /// <summary>
    /// The same with the costs that are told to the gardener: crop and work. That an evening is worth sharing, and that a bed is in a hurry, makes the
    /// plan and loses no crop.
    /// </summary>
    /// <param name="outing">Of going out for one bed.</param>
    public RotaProblem AsTold(double outing) => this with { OutingCost = outing, Needs = [.. Needs.Select(n => n with { HurryCost = 0 })] };

    public static int DayOf(int slot) => slot / 2;

    /// <summary>The half day that a slot stands for.</summary>
    public static DayHalf HalfOf(DateOnly today, int slot) => new(today.AddDays(DayOf(slot)), slot % 2 == 0);
}

/// <summary>One course, or one renewal, that wants to be done.</summary>
/// <param name="Place">Number of the place, for waits.</param>
/// <param name="Rounds">Rounds that are still to come, 1 or more; those that fall beyond the last slot are not planned.</param>
/// <param name="GapCost">Of each day that a gap is off.</param>
/// <param name="SkipCost">Of not doing it at all, besides <see cref="SkipEvenings"/>.</param>
public sealed record RotaNeed(int Place, int Rounds, double GapCost, double SkipCost, IReadOnlyList<RotaOption> Options)
{
    /// <summary>Leaving it out costs so many times going out: with all its rounds it is never left out to save an evening.</summary>
    public int SkipEvenings { get; init; }

    /// <summary>Of each day that its first round waits, besides the damage.</summary>
    public double HurryCost { get; init; }
}

/// <summary>One recipe with which a need can be met.</summary>
/// <param name="MinGap">Fewest days between two of its rounds: its label's and its own cadence's.</param>
/// <param name="Gap">The days between two rounds that suit it best.</param>
/// <param name="MaxGap">Most days between two rounds.</param>
/// <param name="First">Cost by slot of the first round: damage until then and after, and poor hours; infinite where it can not be.</param>
/// <param name="Later">Cost by slot of a later round's hours; infinite where it can not be.</param>
/// <param name="RoundCost">Of each round: litres, money, helpers, the plant.</param>
/// <param name="Takes">What one round takes of each stock.</param>
/// <param name="MostRounds">Rounds that season limits leave; more are not planned.</param>
public sealed record RotaOption(
    int Recipe,
    int MinGap,
    int Gap,
    int MaxGap,
    double[] First,
    double[] Later,
    double RoundCost,
    IReadOnlyList<(int Stock, double Amount)> Takes,
    int MostRounds = int.MaxValue
);

/// <summary>A way to meet a need, with what it costs by itself.</summary>
/// <param name="Slots">Of its rounds, rising.</param>
public sealed record RotaWay(int Option, int Recipe, int[] Slots, double Own);

/// <summary>What was decided for one need.</summary>
/// <param name="Option">-1 when it is not done.</param>
/// <param name="Slots">Of its rounds, rising.</param>
public sealed record RotaChoice(int Option, int[] Slots)
{
    public static RotaChoice Skipped { get; } = new(-1, []);
}

/// <summary>A decision for every need, with what it costs.</summary>
public sealed record RotaSolution(IReadOnlyList<RotaChoice> Choices, double Cost);
