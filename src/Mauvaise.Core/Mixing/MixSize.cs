using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>How much of a mix there is, as people say it.</summary>
public static class MixSize
{
    /// <summary>An amount of a mix as the household reads it.</summary>
    public static string Text(GardenSnapshot garden, DosedPer per, double size) =>
        per switch
        {
            DosedPer.Litre => TankVolume.Text(size, garden.Garden.Kitchen),
            DosedPer.SquareMetre => Figure.Area(size),
            _ => $"{Say.In(size, "0.#")} {Unit(per)}",
        };

    /// <summary>An amount of what a recipe makes, as the household reads it.</summary>
    public static string Text(GardenSnapshot garden, Recipe recipe, double size) =>
        Text(garden, garden.Catalogue.Material(recipe.Active.Material).Doses?.Per ?? DosedPer.Litre, size);

    /// <summary>What a mix is measured in.</summary>
    public static string Unit(DosedPer per) =>
        per switch
        {
            DosedPer.SquareMetre => "m²",
            DosedPer.Plant => Say.Of("deeds.plants"),
            DosedPer.Station => Say.Of("deeds.stations"),
            _ => "l",
        };
}
