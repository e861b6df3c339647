using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>What the gardener said to the plan, in words.</summary>
public static class ChoiceWords
{
    /// <summary>"Chapel courgette: pinned for Thu 16 Jul", without a full stop.</summary>
    public static string Of(GardenSnapshot garden, PlanChoice choice)
    {
        var planting = garden.FindPlanting(choice.PlantingId);
        var where = planting is null ? Say.Of("planning.aPlanting") : garden.Where(planting);
        var crop = planting is null ? Say.Of("planning.aCrop") : garden.Catalogue.Crop(planting.Crop).Name.InSentence();
        var material = (choice.Material is { } id ? garden.Catalogue.FindMaterial(id)?.Name.InSentence() : null) ?? Say.Of("planning.this");
        var day = Say.In(choice.On, "ddd d MMM");
        return choice.Word switch
        {
            PlanWord.Pin => Say.Of("planning.pinnedFor", ("where", where), ("day", day)),
            PlanWord.Skip => Say.Of("planning.notBeforeTheDayAfter", ("where", where), ("day", day)),
            PlanWord.LeaveAlone => Say.Of("planning.leftAloneOnPurpose", ("where", where)),
            PlanWord.Proven => Say.Of("planning.onUsedForYearsAsYou", ("material", material.AsSentenceStart()), ("crop", crop)),
            _ => Say.Of("planning.never", ("where", where), ("material", material)),
        };
    }
}
