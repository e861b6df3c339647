using System.Globalization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Planning;

/// <summary>What the gardener said to the plan, in words.</summary>
public static class ChoiceWords
{
    /// <summary>"Chapel courgette: pinned for Thu 16 Jul", without a full stop.</summary>
    public static string Of(GardenSnapshot garden, PlanChoice choice)
    {
        var planting = garden.FindPlanting(choice.PlantingId);
        var where = planting is null ? "a planting" : garden.Where(planting);
        var crop = planting is null ? "a crop" : garden.Catalogue.Crop(planting.Crop).Name.InSentence();
        var material = (choice.Material is { } id ? garden.Catalogue.FindMaterial(id)?.Name.InSentence() : null) ?? "this";
        var day = choice.On?.ToString("ddd d MMM", CultureInfo.InvariantCulture);
        return choice.Word switch
        {
            PlanWord.Pin => $"{where}: pinned for {day}",
            PlanWord.Skip => $"{where}: not before the day after {day}",
            PlanWord.LeaveAlone => $"{where}: left alone on purpose",
            PlanWord.Proven => $"{material.AsSentenceStart()} on {crop}: used for years, as you said",
            _ => $"{where}: never {material}",
        };
    }
}
