using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Mixing;

/// <summary>What may be done with a mix.</summary>
public enum MixVerdict { Ok, StepDown, Refused }

/// <summary>Why a mix is refused, weakened or to be watched: a stable code and a sentence.</summary>
public sealed record MixReason(string Code, MixVerdict Verdict, string Sentence);

/// <summary>What the mix will meet.</summary>
/// <param name="WarmestNext6hC">Warmest of the six hours after spraying, or null when unknown.</param>
/// <param name="TenderCrops">Names of crops among those to be sprayed that are tender to the active.</param>
public sealed record MixConditions(double? WarmestNext6hC, IReadOnlyList<string> TenderCrops, bool Seedlings);

/// <summary>One thing to measure.</summary>
/// <param name="Amount">For the whole tank, in <see cref="Unit"/>.</param>
/// <param name="FinalPercent">Strength of the active in the finished spray: weight by volume for powders, else volume by volume.</param>
public sealed record MixPart(Material Material, string Role, double PerLitre, double Amount, string Unit, KitchenMeasure Kitchen, double FinalPercent);

/// <summary>A recipe scaled to a sprayer. "Made up to": water is added until the whole is <see cref="Litres"/>.</summary>
public sealed record Mix(
    Recipe Recipe,
    DoseStep Step,
    DoseStep AllowedStep,
    double Litres,
    IReadOnlyList<MixPart> Parts,
    double OilPercent,
    double SoapPercent,
    MixVerdict Verdict,
    IReadOnlyList<MixReason> Reasons,
    IReadOnlyList<string> Cautions,
    double MixedLifeHours)
{
    private const double MostLoadPercent = 2;
    private const double MostWarmOilPercent = 1;
    private const double WarmC = 27;
    private const double HotC = 32;

    /// <summary>Scales a recipe and judges it. The amounts are those of <paramref name="step"/> even when a lower step is allowed.</summary>
    /// <param name="litres">Over 0, to 50: the finished spray.</param>
    /// <exception cref="ArgumentException">The active has no dose of its own (a labelled product).</exception>
    public static Mix Make(GardenCatalogue catalogue, Recipe recipe, DoseStep step, double litres, KitchenSystem kitchen, MixConditions conditions)
    {
        Bounds.Positive(litres);
        Bounds.Within(litres, 0, 50);
        var active = catalogue.Material(recipe.Active.Material);
        var doses = active.Doses ?? throw new ArgumentException($"{active.Name} is dosed by its label.", nameof(recipe));
        var parts = recipe.Ingredients
            .Select(i => Part(catalogue.Material(i.Material), i.Role, i.PerLitre ?? doses.At(step), litres, kitchen))
            .ToList();
        var oil = Load(parts, LoadKind.Oil);
        var soap = Load(parts, LoadKind.Soap);
        var down = StepDowns(conditions, active);
        var allowed = (DoseStep)Math.Max(0, (int)DoseStep.Strong - down.Count);
        var reasons = new List<MixReason>();
        reasons.AddRange(Refusals(catalogue, parts, oil, soap, conditions));
        reasons.AddRange(step > allowed ? down : down.Select(r => r with { Verdict = MixVerdict.Ok }));
        return new Mix(
            recipe,
            step,
            allowed,
            litres,
            parts,
            oil,
            soap,
            reasons.Select(r => r.Verdict).DefaultIfEmpty(MixVerdict.Ok).Max(),
            reasons,
            [.. parts.SelectMany(p => p.Material.Cautions).Distinct()],
            recipe.MixedLifeHours);
    }

    private static MixPart Part(Material m, string role, double perLitre, double litres, KitchenSystem kitchen)
    {
        var unit = m.Doses?.Unit ?? "ml";
        var amount = perLitre * litres;
        var spoonMl = unit == "g" ? amount / m.DensityGramsPerMillilitre : amount;
        var exact = string.Create(CultureInfo.InvariantCulture, $"{amount:0.#} {unit}");
        return new MixPart(
            m,
            role,
            perLitre,
            amount,
            unit,
            KitchenMeasure.Nearest(spoonMl, kitchen, exact, unit == "g"),
            perLitre / 10 * (m.StockStrengthPercent ?? 100) / 100);
    }

    private static double Load(IEnumerable<MixPart> parts, LoadKind kind) =>
        parts.Where(p => p.Material.Load == kind).Sum(p => p.PerLitre / 10);

    private static List<MixReason> StepDowns(MixConditions conditions, Material active)
    {
        var down = new List<MixReason>();
        if (conditions.WarmestNext6hC is > WarmC and <= HotC and var warm)
        {
            down.Add(new("heat", MixVerdict.StepDown, FormattableString.Invariant($"{warm:0} °C after spraying. Over {WarmC:0} °C the dose steps down.")));
        }

        if (conditions.TenderCrops.Count > 0)
        {
            down.Add(new("tender", MixVerdict.StepDown, $"{string.Join(", ", conditions.TenderCrops)} scorches easily from {active.Name.ToLowerInvariant()}: one step down, two leaves first."));
        }

        if (conditions.Seedlings)
        {
            down.Add(new("seedlings", MixVerdict.StepDown, "Seedlings: one step down."));
        }

        return down;
    }

    private static IEnumerable<MixReason> Refusals(GardenCatalogue catalogue, List<MixPart> parts, double oil, double soap, MixConditions conditions)
    {
        foreach (var p in parts.Where(p => p.Material.Doses is { } d && p.PerLitre > d.Ceiling))
        {
            yield return new("ceiling", MixVerdict.Refused, FormattableString.Invariant(
                $"{p.PerLitre:0.#} {p.Unit} of {p.Material.Name.ToLowerInvariant()} a litre is over its ceiling; {p.Material.Doses!.Ceiling:0.#} {p.Unit} is the most."));
        }

        if (conditions.WarmestNext6hC is > HotC and var hot)
        {
            yield return new("too-hot", MixVerdict.Refused, FormattableString.Invariant($"{hot:0} °C after spraying. Over {HotC:0} °C nothing goes on: wait for a cooler evening."));
        }

        var mostOil = conditions.WarmestNext6hC > WarmC ? MostWarmOilPercent : MostLoadPercent;
        if (oil > mostOil + 1e-9)
        {
            yield return new("oil-load", MixVerdict.Refused, FormattableString.Invariant($"Oils together make {oil:0.##} %; {mostOil:0} % is the most{(mostOil < MostLoadPercent ? " above 27 °C" : "")}."));
        }

        if (soap > MostLoadPercent + 1e-9)
        {
            yield return new("soap-load", MixVerdict.Refused, FormattableString.Invariant($"Soaps together make {soap:0.##} %; {MostLoadPercent:0} % is the most."));
        }

        foreach (var (a, b) in parts.SelectMany((x, i) => parts.Skip(i + 1).Select(y => (x.Material, y.Material))))
        {
            if (Pairs.Between(catalogue, a, b) is { InOneTank: "never" } pair)
            {
                yield return new("never-together", MixVerdict.Refused, $"{a.Name} and {b.Name.ToLowerInvariant()} may not meet in one tank: {pair.Why}.");
            }
        }
    }
}
