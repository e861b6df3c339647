using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>One tank as it was really mixed and used.</summary>
public sealed record TankDone(
    Guid BatchId,
    Guid ApplicationId,
    string Recipe,
    DoseStep Step,
    string Target,
    double MixedLitres,
    double UsedLitres,
    IReadOnlyList<Guid> PlantingIds,
    IReadOnlyList<WettedPart>? Parts = null
);

/// <summary>An outing that was made: tanks, tasks, and when.</summary>
/// <param name="At">When, if not now.</param>
public sealed record OutingDone(
    IReadOnlyList<TankDone> Tanks,
    IReadOnlyList<Guid> TaskIds,
    DateTimeOffset? At = null,
    Guid? MemberId = null,
    string? Note = null
);

/// <summary>An outing logged in one go.</summary>
public static class Outings
{
    /// <summary>Bottles, sprays and tasks of an outing as one deed: each sees what the ones before it wrote.</summary>
    /// <param name="made">Tanks with the mix that was made for each.</param>
    public static Written Log(
        GardenSnapshot garden,
        OutingDone outing,
        IReadOnlyList<(TankDone Tank, JudgedMix Mix)> made,
        IReadOnlyList<GardenTask> tasks,
        DateTimeOffset at
    )
    {
        var all = new Written(Words(made.Count, tasks.Count), outing.MemberId);
        foreach (var (tank, mix) in made)
        {
            var seen = garden.After(all);
            var bottle = Bottles.Fill(seen, tank.BatchId, tank.PlantingIds, tank.Target, false, mix.Mix, at, outing.MemberId);
            var order = new NewApplication(
                tank.ApplicationId,
                tank.BatchId,
                tank.PlantingIds,
                // A dust or a bait has no litres.
                mix.Mix.Recipe.IsWet
                    ? tank.UsedLitres
                    : 0,
                MemberId: outing.MemberId,
                Parts: tank.Parts,
                Note: outing.Note
            );
            all = all.And(bottle).And(Sprays.Log(seen.After(bottle), order, bottle.Batches[0], at, SprayReason.Plan));
        }

        return tasks.Aggregate(all, (done, task) => done.And(TaskDeeds.Finish(garden, task, at, null, outing.MemberId)));
    }

    private static string Words(int tanks, int tasks) =>
        Say.Of("deeds.loggedAnOuting", ("done", Say.Remarked(Say.Of("words.tanks", ("n", tanks)), tasks > 0 ? Say.Of("words.tasks", ("n", tasks)) : null)));
}
