using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>What may be done with a mix.</summary>
public enum MixVerdict
{
    Ok,
    StepDown,
    Refused,
}

/// <summary>Why a mix is refused, weakened or to be watched: a stable code, and a sentence with its figures.</summary>
public sealed record MixReason(string Code, MixVerdict Verdict, Said Said)
{
    public string Sentence => Said.Words;
}

/// <summary>What the mix will meet.</summary>
/// <param name="WarmestNext6hC">Warmest of the six hours after spraying, or null when unknown.</param>
/// <param name="TenderCrops">Names of crops among those to be sprayed that are tender to an active.</param>
/// <param name="InFlower">Names of crops among them that are in flower.</param>
/// <param name="BeesOut">Whether bees fly at the chosen hour; null when no hour was chosen.</param>
/// <param name="PondM">The nearest pond; null where none is.</param>
public sealed record MixConditions(
    double? WarmestNext6hC,
    IReadOnlyList<string> TenderCrops,
    bool Seedlings,
    IReadOnlyList<string>? InFlower = null,
    bool? BeesOut = null,
    bool Indoors = false,
    double? PondM = null,
    Water Water = Water.Rain
);

/// <summary>What is to be mixed.</summary>
/// <param name="Size">How much: litres of finished spray, or square metres, plants or stations, as the active is dosed.</param>
public sealed record MixOrder(Recipe Recipe, DoseStep Step, double Size, KitchenSystem Kitchen)
{
    /// <summary>Materials that go in besides the recipe's, dosed by the same step.</summary>
    public IReadOnlyList<Material> Added { get; init; } = [];

    /// <summary>Dose of the active in place of the step's, in its unit.</summary>
    public double? ActiveDose { get; init; }

    /// <summary>Emulsifier per litre in place of the recipe's: what a shaken jar showed, ml.</summary>
    public double? EmulsifierMlPerLitre { get; init; }

    /// <summary>Drops of water that the household's dropper gives in 5 ml; other liquids go with it.</summary>
    public int DropsInSpoon { get; init; } = HouseholdUnits.UsualDropsInSpoon;

    /// <summary>Strength of the bottle at hand by material, where it is not the usual one, per cent.</summary>
    public IReadOnlyDictionary<string, double> BottlePercent { get; init; } = new Dictionary<string, double>();
}

/// <summary>One thing to measure.</summary>
/// <param name="PerLitre">In its unit per litre of finished spray, or per what the active is dosed per.</param>
/// <param name="Amount">For the whole, in <see cref="Unit"/>.</param>
/// <param name="BottlePercent">Strength of the bottle at hand; null for the usual one.</param>
public sealed record MixPart(Material Material, string Role, double PerLitre, double Amount, string Unit, KitchenMeasure Kitchen, double? BottlePercent)
{
    /// <summary>Volume that it takes up in the spoon and, for a liquid, in the tank, ml.</summary>
    public double SpoonMl => Unit == "g" ? Amount / Material.DensityGramsPerMillilitre : Amount;
}

/// <summary>A recipe scaled to a sprayer. "Made up to": water is added until the whole is <see cref="Litres"/>.</summary>
/// <param name="AllowedStep">The highest step that heat, tender crops and seedlings leave.</param>
/// <param name="Litres">0 for what is no liquid.</param>
public sealed record Mix(
    MixOrder Order,
    DoseStep AllowedStep,
    double Litres,
    IReadOnlyList<MixPart> Parts,
    IReadOnlyList<ActiveStrength> Strengths,
    double OilPercent,
    double SoapPercent,
    MixVerdict Verdict,
    IReadOnlyList<MixReason> Reasons,
    double MixedLifeHours
)
{
    /// <summary>No home sprayer holds more, litres.</summary>
    public const double MostLitres = 50;

    /// <summary>Most square metres, plants or stations at once.</summary>
    public const double MostDry = 1000;

    /// <summary>The most that is made at once of what is a liquid, or is none.</summary>
    public static double MostOf(bool wet) => wet ? MostLitres : MostDry;

    public Recipe Recipe => Order.Recipe;

    /// <summary>What to know before it is handled: of every part, and of what its preparations were made from.</summary>
    public IReadOnlyList<string> Cautions =>
        [.. Parts.Select(p => p.Material).Concat(Strengths.Select(s => s.Material)).SelectMany(m => m.Cautions).Distinct()];

    /// <summary>Scales a recipe and judges it. The amounts are those of the order's step even when a lower step is allowed.</summary>
    /// <exception cref="ArgumentException">An active has no dose of its own (a labelled product).</exception>
    /// <exception cref="ArgumentOutOfRangeException">The size or a dose is not over 0, or the size is over <see cref="MostOf"/>.</exception>
    public static Mix Make(GardenCatalogue catalogue, MixOrder order, MixConditions conditions)
    {
        Bounds.Positive(order.Size);
        Bounds.Within(order.Size, 0, MostOf(order.Recipe.IsWet));
        var parts = PartsOf(catalogue, order);
        var judged = Judge(catalogue, order, parts, conditions);
        return new Mix(
            order,
            judged.AllowedStep,
            order.Recipe.IsWet ? order.Size : 0,
            parts,
            Mixing.Strengths.Of(catalogue, order.Recipe.IsWet ? parts.Select(Share) : []),
            judged.OilPercent,
            judged.SoapPercent,
            judged.Verdict,
            judged.Reasons,
            parts.Select(p => p.Material.MixedLifeHours).Append(order.Recipe.MixedLifeHours).Min()
        );
    }

    private static MixJudgement Judge(GardenCatalogue catalogue, MixOrder order, IReadOnlyList<MixPart> parts, MixConditions conditions) =>
        MixGuards.Judge(
            catalogue,
            [.. parts.Select(Share)],
            [.. parts.Where(p => p.Role is "active" or "partner").Select(p => p.Material)],
            order.Recipe.Form,
            conditions
        );

    /// <summary>The strongest step at which an order may be mixed; null when none may.</summary>
    public static DoseStep? NearestStep(GardenCatalogue catalogue, MixOrder order, MixConditions conditions) =>
        new[] { DoseStep.Strong, DoseStep.Usual, DoseStep.Gentle }
            .Select(step => order with { Step = step, ActiveDose = null })
            .Where(o => Judge(catalogue, o, PartsOf(catalogue, o), conditions).Verdict == MixVerdict.Ok)
            .Select(o => (DoseStep?)o.Step)
            .FirstOrDefault();

    private static MixShare Share(MixPart p) => new(p.Material, p.PerLitre, p.BottlePercent);

    internal static List<MixPart> PartsOf(GardenCatalogue catalogue, MixOrder order) =>
        [
            .. order.Recipe.Ingredients.Select(i =>
                Part(
                    order,
                    catalogue.Material(i.Material),
                    i.Role,
                    i.Role switch
                    {
                        "active" => order.ActiveDose ?? i.Amount,
                        "emulsifier" => order.EmulsifierMlPerLitre ?? i.Amount,
                        _ => i.Amount,
                    }
                )
            ),
            .. order.Added.Where(m => order.Recipe.Ingredients.All(i => i.Material != m.Id)).Select(m => Part(order, m, "partner", null)),
        ];

    private static MixPart Part(MixOrder order, Material m, string role, double? dose)
    {
        var asked = Bounds.Positive(dose ?? m.Doses?.At(order.Step) ?? throw new ArgumentException($"{m.Name} is dosed by its label.", nameof(order)), "dose");
        // A label that adds its dose to a litre of water makes a little more than a litre.
        var madeUp = m.Label is { AddTo: true } && m.Unit == "ml" ? asked / (1 + asked / 1000) : asked;
        var bottle = order.BottlePercent.TryGetValue(m.Id, out var percent) ? percent : (double?)null;
        var perLitre = bottle is { } have && m.StockStrengthPercent is { } usual ? madeUp * usual / have : madeUp;
        var amount = perLitre * order.Size;
        var spoonMl = m.Unit == "g" ? amount / m.DensityGramsPerMillilitre : amount;
        var exact = $"{Say.In(amount, "0.##")} {m.Unit}";
        var drops = m.DropsPerMillilitre * order.DropsInSpoon / HouseholdUnits.UsualDropsInSpoon;
        return new MixPart(m, role, perLitre, amount, m.Unit, KitchenMeasure.Nearest(spoonMl, order.Kitchen, exact, m.Unit == "g", drops), bottle);
    }
}
