using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>Helpers that were ordered, or were found elsewhere and are moved in.</summary>
/// <param name="Id">Of the release, made by the client.</param>
/// <param name="Helper">Kind, as in the catalogue.</param>
/// <param name="Number">How many.</param>
/// <param name="ComesOn">When they are expected; null to let them out now.</param>
/// <param name="Target">What they are to eat; null for an early release, before there is any.</param>
public sealed record NewHelpers(Guid Id, Guid PlantingId, string Helper, int Number, DateOnly? ComesOn = null, string? Target = null, Guid? MemberId = null);

/// <summary>Ordering helpers and letting them out.</summary>
public static class HelperDeeds
{
    /// <summary>They are on order: let out on the day that they come, and nothing is barred until then.</summary>
    public static Written Expect(GardenSnapshot garden, NewHelpers order, DateOnly comesOn) =>
        new(
            Say.Of(
                "deeds.orderedFor",
                ("helpers", HelperGuards.Told(garden.Catalogue, order.Helper, order.Number)),
                ("garden", garden.Where(garden.FindPlanting(order.PlantingId)!))
            ),
            order.MemberId
        )
        {
            Tasks = [Release(order, comesOn)],
        };

    /// <summary>They are let out now, and counted for in two weeks.</summary>
    public static Written LetOut(GardenSnapshot garden, NewHelpers order) =>
        TaskDeeds.Finish(garden, Release(order, garden.Today), garden.Now, null, order.MemberId);

    private static GardenTask Release(NewHelpers order, DateOnly on) =>
        new(
            order.Id,
            order.PlantingId,
            null,
            KnownIds.Measures.ReleaseHelpers,
            order.Target,
            on,
            TaskState.Planned,
            Helper: order.Helper,
            Number: order.Number
        );
}
