using System.Globalization;
using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Mixing;

/// <summary>One thing to do at the bench, in order.</summary>
/// <param name="Material">Material id when something is measured; null for water.</param>
/// <param name="Measure">The big figure: "2 1/2 tsp", "2.4 l".</param>
/// <param name="Exact">The same in millilitres or grams, or null when the measure is already that.</param>
public sealed record MixStep(string Title, string Detail, string? Material, string Measure, string? Exact);

/// <summary>The order of mixing: powders first in a cup of water; else warm water, soap, oil into the soapy water, shake, fill up.</summary>
public static class MixSteps
{
    public static IReadOnlyList<MixStep> Of(Mix mix)
    {
        var powders = mix.Parts.Where(p => p.Unit == "g").ToList();
        var soaps = mix.Parts.Where(p => p.Unit != "g" && p.Material.Load == LoadKind.Soap).ToList();
        var others = mix.Parts.Except(powders).Except(soaps).ToList();
        var neem = others.Any(p => p.Material.NeedsEmulsifier && p.Material.Group == "azadirachtin");
        var cup = Math.Min(250, mix.Litres * 1000 / 4);
        return
        [
            new(neem ? "Warm water, about 30 °C" : "Water first", powders.Count > 0 ? "to stir the powder in" : "to start with", null, Volume(cup / 1000), null),
            .. powders.Select(p => Measured(p, "stir until clear")),
            .. soaps.Select(p => Measured(p, p.Role == "emulsifier" ? "keeps the oil in the water" : "stir gently, no foam")),
            .. others.Select(p => Measured(p, p.Material.NeedsEmulsifier ? "into the soapy water, then shake" : p.Role == "sticker" ? "sticks it to the leaf" : "stir in")),
            new("Fill up with rain water", $"made up to the mark. {mix.Recipe.Shake}", null, Volume(mix.Litres), null),
        ];
    }

    /// <summary>Litres or millilitres as a gardener reads them.</summary>
    public static string Volume(double litres) => litres >= 1
        ? string.Create(CultureInfo.InvariantCulture, $"{litres:0.##} l")
        : string.Create(CultureInfo.InvariantCulture, $"{litres * 1000:0} ml");

    private static MixStep Measured(MixPart part, string detail)
    {
        var exact = string.Create(CultureInfo.InvariantCulture, $"{part.Amount:0.#} {part.Unit}");
        var spoons = part.Kitchen.Scoops.Count > 0;
        var level = spoons && part.Unit == "g" ? ", level" : "";
        return new MixStep(part.Material.Name, detail, part.Material.Id, (spoons ? part.Kitchen.Text : exact) + level, spoons ? exact : part.Unit == "g" ? "with a scale" : "with a syringe");
    }
}
