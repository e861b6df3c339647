using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Deeds;

/// <summary>What is taken from a stock, in its unit.</summary>
public sealed record StockDraw(Guid StockId, double Amount);

/// <summary>
/// What follows from a deed: everything that is to be written for it, and nothing else is. A task or check-back whose id the garden
/// has already takes its place; every other record is new.
/// </summary>
/// <param name="Words">Of the deed, as on the undo button.</param>
/// <param name="MemberId">Who did it; null when nobody said.</param>
public sealed record Written(string Words, Guid? MemberId = null)
{
    public IReadOnlyList<WalkTaken> Walks { get; init; } = [];
    public IReadOnlyList<Observation> Observations { get; init; } = [];
    public IReadOnlyList<Batch> Batches { get; init; } = [];
    public IReadOnlyList<StockDraw> Draws { get; init; } = [];
    public IReadOnlyList<SprayApplication> Sprays { get; init; } = [];
    public IReadOnlyList<Course> Courses { get; init; } = [];
    public IReadOnlyList<GardenTask> Tasks { get; init; } = [];
    public IReadOnlyList<CheckBack> CheckBacks { get; init; } = [];

    /// <summary>Both, as one deed with the words of this one.</summary>
    public Written And(Written other) =>
        this with
        {
            Walks = [.. Walks, .. other.Walks],
            Observations = [.. Observations, .. other.Observations],
            Batches = [.. Batches, .. other.Batches],
            Draws = [.. Draws, .. other.Draws],
            Sprays = [.. Sprays, .. other.Sprays],
            Courses = [.. Courses, .. other.Courses],
            Tasks = [.. Tasks, .. other.Tasks],
            CheckBacks = [.. CheckBacks, .. other.CheckBacks],
        };
}

/// <summary>A garden with a deed done.</summary>
public static class SnapshotAfter
{
    /// <summary>The garden as it stands once the deed is written. Lists stay in their order.</summary>
    public static GardenSnapshot After(this GardenSnapshot garden, Written written) =>
        garden with
        {
            Walks = Added(garden.Walks, written.Walks, w => w.StartedAt),
            Observations = Added(garden.Observations, written.Observations, o => o.At),
            Batches = Added(garden.Batches, written.Batches, b => b.MadeAt),
            Applications = Added(garden.Applications, written.Sprays, a => a.At),
            Courses = Added(garden.Courses, written.Courses, c => c.OpenedAt),
            Tasks = Added(Without(garden.Tasks, written.Tasks, t => t.Id), written.Tasks, t => t.DueOn),
            CheckBacks = Added(Without(garden.CheckBacks, written.CheckBacks, c => c.Id), written.CheckBacks, c => c.DueOn),
            Stocks =
                written.Draws.Count == 0
                    ? garden.Stocks
                    : [.. garden.Stocks.Select(s => s with { Left = s.Left - written.Draws.Where(d => d.StockId == s.Id).Sum(d => d.Amount) })],
        };

    private static IReadOnlyList<T> Added<T, TKey>(IReadOnlyList<T> before, IReadOnlyList<T> added, Func<T, TKey> order) =>
        added.Count == 0 ? before : [.. before.Concat(added).OrderBy(order)];

    private static IReadOnlyList<T> Without<T>(IReadOnlyList<T> before, IReadOnlyList<T> replaced, Func<T, Guid> id)
    {
        if (replaced.Count == 0)
        {
            return before;
        }

        var ids = replaced.Select(id).ToHashSet();
        return [.. before.Where(x => !ids.Contains(id(x)))];
    }
}
