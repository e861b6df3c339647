using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Decisions;

/// <summary>From when a planting may be picked.</summary>
/// <param name="Last">The last spray on it; null for none.</param>
/// <param name="From">The first day; null when nothing keeps it back.</param>
/// <param name="Sentence">Whether it may be picked now, why not, and what was on it last.</param>
public sealed record HarvestWait(SprayApplication? Last, DateOnly? From, string Sentence)
{
    /// <summary>By every spray on it and all that was in the bottle: the longest wait that is not over.</summary>
    public static HarvestWait Of(GardenSnapshot garden, Planting planting)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var waits =
            from spray in garden.SpraysOn(planting.Id)
            from material in garden.MaterialsOf(spray)
            where material.DaysToWait is > 0
            let until = garden.Garden.DateOf(spray.At).AddDays(material.DaysToWait ?? 0)
            where until > garden.Today
            orderby until descending
            select (Until: until, Material: material);
        var last = garden.LastSpray(planting.Id);
        return waits.FirstOrDefault() is { Material: { } wanting, Until: var from }
            ? new HarvestWait(last, from, Wait(from, wanting))
            : new HarvestWait(last, null, last is null ? Say.Of("decisions.neverSprayedThisSeason") : After(garden, last));
    }

    private static string Wait(DateOnly from, Material material) =>
        Say.Of(
            "decisions.waitUntilWantsBeforePicking",
            ("from", Fact.Weekday(from).Words),
            ("material", material.Name.InSentence()),
            ("some", Say.Of("words.days", ("n", material.DaysToWait!.Value)))
        );

    private static string After(GardenSnapshot garden, SprayApplication last)
    {
        var ago = Say.Ago(garden.Today.DayNumber - garden.Garden.DateOf(last.At).DayNumber);
        return Say.Of("decisions.wentOnWash", ("material", garden.Catalogue.FindMaterial(last.Material)?.Name ?? last.Material), ("ago", ago));
    }
}
