using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>One thing to do at the bench, in order.</summary>
/// <param name="Material">Material id when something is measured; null for water and plain work.</param>
/// <param name="Measure">The big figure: "2 1/2 tsp", "2.4 l"; empty for plain work.</param>
/// <param name="Exact">The same in millilitres, litres or grams, or what to measure it with; null when the measure is already that.</param>
/// <param name="Scoops">Spoons and cups to draw; empty for none.</param>
public sealed record MixStep(string Title, string Detail, string? Material, string Measure, string? Exact, IReadOnlyList<Scoop> Scoops);

/// <summary>The order of mixing: powders first in a cup of water; else warm water, soap, oil into the soapy water, shake, fill up.</summary>
public static class MixSteps
{
    public static IReadOnlyList<MixStep> Of(Mix mix) => mix.Recipe.Steps is { } steps ? Dry(mix, steps) : Wet(mix);

    /// <summary>Making a preparation: each part, then what to do with them.</summary>
    /// <param name="yieldMl">Over 0: how much is made.</param>
    public static IReadOnlyList<MixStep> OfPreparation(GardenCatalogue catalogue, Preparation preparation, double yieldMl, KitchenSystem kitchen)
    {
        var scale = Bounds.Within(Bounds.Positive(yieldMl), 10, 5000) / preparation.YieldMl;
        return
        [
            .. preparation.Parts.Select(p =>
            {
                var m = catalogue.Material(p.Material);
                var amount = p.Amount * scale;
                // What is chopped is weighed: it does not fill a spoon evenly.
                return Measured(m, "", amount, m.Unit == "g" ? null : KitchenMeasure.Nearest(amount, kitchen, "", false));
            }),
            .. preparation.Steps.Select(Plain),
        ];
    }

    private static List<MixStep> Wet(Mix mix)
    {
        var kitchen = mix.Order.Kitchen;
        var powders = mix.Parts.Where(p => p.Unit == "g").ToList();
        var soaps = mix.Parts.Where(p => p.Unit != "g" && p.Material.Load == LoadKind.Soap).ToList();
        var others = mix.Parts.Except(powders).Except(soaps).ToList();
        var warm = others.Any(p => p.Material.PasteBelowC is not null);
        var water = Math.Max(0, mix.Litres - mix.Parts.Where(p => p.Unit != "g").Sum(p => p.Amount) / 1000);
        var first = SpoonSize.ToMark(Math.Min(Math.Min(0.25, mix.Litres / 4), water), kitchen);
        return
        [
            Water(
                warm ? Say.Of("mixing.warmWaterAbout", ("temperature", Figure.Temperature(30))) : Say.Of("mixing.waterFirst"),
                powders.Count > 0 ? Say.Of("mixing.toStirThePowder") : Say.Of("mixing.toStart"),
                first,
                kitchen
            ),
            .. powders.Select(p => Measured(p, Say.Of("mixing.stirUntilClear"), kitchen)),
            .. soaps.Select(p => Measured(p, p.Role == "emulsifier" ? Say.Of("mixing.keepsTheOilInTheWater") : Say.Of("mixing.stirGentlyNoFoam"), kitchen)),
            .. others.Select(p =>
                Measured(
                    p,
                    p.Material.NeedsEmulsifier ? Say.Of("mixing.intoTheSoapyWaterThenShake")
                        : p.Role == "sticker" ? Say.Of("mixing.sticksItToTheLeaf")
                        : Say.Of("mixing.stirIn"),
                    kitchen
                )
            ),
            Water(
                Say.Of("mixing.fillUpWithRainWater"),
                Say.Of("mixing.madeUpToTheMarkAbout", ("text", TankVolume.Text(Math.Max(0, water - first), kitchen)), ("shake", mix.Recipe.Shake)),
                mix.Litres,
                kitchen
            ),
            .. mix.Recipe.SteepHours > 0 ? [Plain(Say.Of("catalogue.standAndStrain", ("hours", Say.In(mix.Recipe.SteepHours, "0"))))] : Array.Empty<MixStep>(),
        ];
    }

    private static List<MixStep> Dry(Mix mix, IReadOnlyList<string> steps) =>
        [
            .. mix.Parts.Select(p => Measured(p, DoseTold.Of(p.PerLitre, p.Unit, mix.Parts[0].Material.Doses!.Per), mix.Order.Kitchen)),
            .. steps.Select(Plain),
            Plain(mix.Recipe.Shake),
        ];

    private static MixStep Plain(string sentence) => new(sentence, "", null, "", null, []);

    private static MixStep Water(string title, string detail, double litres, KitchenSystem kitchen) =>
        new(title, detail, null, TankVolume.Text(litres, kitchen), TankVolume.Beside(litres, kitchen), []);

    private static MixStep Measured(MixPart part, string detail, KitchenSystem kitchen)
    {
        var heaped = part is { Unit: "g", Kitchen.Scoops.Count: > 0 } ? KitchenMeasure.Heaped(part.SpoonMl, kitchen) : null;
        return Measured(part.Material, heaped is null ? detail : Say.Of("mixing.orHeaped", ("detail", detail), ("heaped", heaped)), part.Amount, part.Kitchen);
    }

    private static MixStep Measured(Material material, string detail, double amount, KitchenMeasure? kitchen)
    {
        var exact = $"{Say.In(amount, amount < 10 ? "0.##" : "0.#")} {material.Unit}";
        var spoons = kitchen is { InKitchen: true };
        var powder = material.Unit == "g";
        return new MixStep(
            material.Name,
            detail,
            material.Id,
            spoons && powder ? Say.Of("mixing.level", ("amount", kitchen!.Text))
                : spoons ? kitchen!.Text
                : powder ? Figure.Amount(amount, "g")
                : exact,
            spoons ? exact
                : powder ? Say.Of("mixing.withAScale2")
                : Say.Of("mixing.withASyringe"),
            kitchen?.Scoops ?? []
        );
    }
}
