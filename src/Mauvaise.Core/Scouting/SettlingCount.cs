using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Scouting;

/// <summary>A fresh count settles a check-back that nobody made.</summary>
public static class SettlingCount
{
    /// <summary>The last look since a visit was due that counted what it is about; null when there is none, or the visit was judged already.</summary>
    /// <param name="target">What the spray or the task was against; null when nothing was named.</param>
    public static Observation? Of(GardenSnapshot garden, CheckBack visit, string? target) =>
        visit.DoneAt is not null
            ? null
            : garden
                .CountsOf(visit.PlantingId)
                .LastOrDefault(o =>
                    o.LeavesLooked > 0 && o.At <= garden.Now && garden.Garden.DateOf(o.At) >= visit.DueOn && (o.Named == target || o.LeavesAffected == 0)
                );
}
