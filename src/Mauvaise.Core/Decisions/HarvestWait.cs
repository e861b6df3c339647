using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Decisions;

/// <summary>From when a planting may be picked.</summary>
/// <param name="Last">The last spray on it; null for none.</param>
/// <param name="DaysSince">The last spray; null for none.</param>
/// <param name="From">The first day; null when nothing keeps it back.</param>
/// <param name="Material">What keeps it back; null when nothing does.</param>
public sealed record HarvestWait(SprayApplication? Last, int? DaysSince, DateOnly? From, Material? Material)
{
    /// <summary>By every spray on it and all that was in the bottle: the longest wait that is not over.</summary>
    public static HarvestWait Of(GardenSnapshot garden, Planting planting)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var sprays = garden.SpraysOn(planting.Id);
        var longest = (
            from spray in sprays
            let day = garden.Garden.DateOf(spray.At)
            from material in garden.MaterialsOf(spray)
            where material.DaysToWait is > 0
            select (From: day.AddDays(material.DaysToWait ?? 0), Material: material)).OrderByDescending(x => x.From).FirstOrDefault();
        var last = garden.LastSpray(planting.Id);
        var held = longest.Material is not null && longest.From > garden.Today;
        return new HarvestWait(last, last is null ? null : garden.Today.DayNumber - garden.Garden.DateOf(last.At).DayNumber, held ? longest.From : null, held ? longest.Material : null);
    }
}
