using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Decisions;

/// <summary>A material that would work, or one that was passed over, and why.</summary>
/// <param name="Score">Higher is better; 0 when passed over.</param>
/// <param name="Barred">Why it is passed over; empty when it may be used.</param>
public sealed record MaterialOption(Material Material, Recipe Recipe, double Score, IReadOnlyList<Said> Reasons, IReadOnlyList<UseReason> Barred)
{
    /// <summary>It is the household's way with disease.</summary>
    public bool FitsApproach { get; init; }

    public const string RepeatsGroup = "group-repeats";

    /// <summary>It is bought, and only the label of what was bought says how much.</summary>
    public const string NeedsLabel = "label-needed";

    public bool Allowed => Barred.Count == 0;

    /// <summary>Good for upkeep, which is no course: the group may stay the same.</summary>
    public bool AllowedForUpkeep => Barred.All(r => r.Code == RepeatsGroup);
}

/// <summary>Which material to take against a target on a planting, from what works and what was done before.</summary>
public static class MaterialChoice
{
    /// <summary>How far back the last course counts for changing the group, days (assumed).</summary>
    private const int CourseMemoryDays = 45;

    /// <summary>After cleaning with an oxidiser it is time to protect, for so many days.</summary>
    private const int CleanHoldsDays = 5;
    private const string Oxidiser = KnownIds.Modes.Oxidiser;

    /// <summary>What holds back this share of infections protects, and what takes this share of what shows cleans (assumed: peroxide does as much).</summary>
    private const double Protecting = 0.4,
        Cleaning = 0.2;

    /// <summary>It keeps clean leaves clean.</summary>
    internal static bool Protects(Material material, Target target) => material.EffectOn(target) is { Protects: >= Protecting };

    /// <summary>It takes what shows, and keeps little off afterwards.</summary>
    internal static bool Cleans(Material material, Target target) => material.EffectOn(target) is { Young: >= Cleaning, Protects: < Protecting };

    /// <summary>All materials with an effect on the target, best first; those that may not be used come last with the reason.</summary>
    public static IReadOnlyList<MaterialOption> Options(GardenSnapshot garden, Planting planting, Target target) =>
        [
            .. garden
                .Catalogue.Materials.Where(m => m.Label is not { Retired: true } && !(m.LabelOnly && OwnedOf(garden.Catalogue, m, target)))
                .Select(m => (Material: m, Effect: m.EffectOn(target), Recipe: m.LabelOnly ? Recipe.ByLabel(m) : RecipeAgainst(garden.Catalogue, m, target)))
                .Where(x => x.Effect is not null && x.Recipe is not null && (x.Material.Doses is not null || x.Material.LabelOnly))
                .Select(x => Weigh(garden, planting, target, x.Material, x.Effect!, x.Recipe!))
                .OrderByDescending(o => o.Allowed)
                .ThenByDescending(o => o.Score)
                .ThenBy(o => o.Material.Id, StringComparer.Ordinal),
        ];

    /// <summary>The household has a product of this kind, whose label says the dose.</summary>
    private static bool OwnedOf(GardenCatalogue catalogue, Material kind, Target target) =>
        catalogue.Materials.Any(m => m.Label is { Retired: false } && m.Group == kind.Group && m.EffectOn(target) is not null);

    /// <summary>What lives in the soil is met there; everything else by the usual way to mix the material.</summary>
    private static Recipe? RecipeAgainst(GardenCatalogue catalogue, Material material, Target target) =>
        target.Group == KnownIds.TargetGroups.SoilPests
            ? catalogue.Recipes.FirstOrDefault(r => r.Form == Form.Drench && r.Active.Material == material.Id)
            : catalogue.RecipeFor(material.Id);

    private static MaterialOption Weigh(GardenSnapshot garden, Planting planting, Target target, Material material, Effect effect, Recipe recipe)
    {
        var crop = garden.Catalogue.Crop(planting.Crop);
        var history = garden.SpraysOn(planting.Id).Where(a => a.At <= garden.Now).ToList();
        var reasons = new List<Said>();
        var barred = new List<UseReason>();
        var approach = false;

        var works =
            target.Kind == TargetKind.Disease ? 0.4 * effect.Young + 0.6 * effect.Protects : 0.2 * effect.Eggs + 0.45 * effect.Young + 0.35 * effect.Adult;
        // What was seen here takes the place of the doubt in the catalogue's figure, as far as it goes; the effect itself has it in it.
        var learned = garden.Learned.Efficacy(material.Id, target.Id)?.Share;
        var own = learned is null ? 0 : learned.OwnWeight / (learned.OwnWeight + learned.UsualWeight);
        var grade = material.EvidenceOn(target) switch
        {
            EvidenceGrade.Good => 1,
            EvidenceGrade.Fair => 0.85,
            _ => 0.5,
        };
        var score = works * (grade + (1 - grade) * own);
        var (evidence, against) = (Fact.Clause(Evidence(material.EvidenceOn(target))), Fact.Thing(target.Name.InSentence()));
        reasons.Add(
            effect.Source is { } source
                ? Said.Of("decisions.evidenceAgainstSince", ("evidence", evidence), ("target", against), ("source", Fact.Thing(source)))
                : Said.Of("decisions.evidenceAgainst", ("evidence", evidence), ("target", against))
        );
        if (learned is { OwnWeight: > 0.5 })
        {
            reasons.Add(Said.Of("decisions.hereItTookByWhatYou", ("now", Fact.Percent(learned.Now * 100)), ("usual", Fact.Percent(learned.UsualMean * 100))));
        }

        if (garden.Learned.Injury(material.Id, crop.Id)?.Share is { OwnHits: > 0 } hurt && hurt.Now > hurt.UsualMean)
        {
            score *= 1 - (hurt.Now - hurt.UsualMean);
            reasons.Add(Said.Of("decisions.itHurtHereOfAHundred", ("crop", Fact.Thing(crop.Name.InSentence())), ("now", Fact.Percent(hurt.Now * 100))));
        }

        if (LastCourseGroup(garden, history, target) is { } last)
        {
            if (last.Count >= 2 && last.Group == material.Group && garden.Catalogue.Group(last.Group).BreedsResistance)
            {
                barred.Add(
                    new(MaterialOption.RepeatsGroup, Said.Of("decisions.theLastCourseHere", ("group", Fact.Thing(garden.Catalogue.Group(last.Group).Name))))
                );
            }
            else if (last.Group != material.Group)
            {
                reasons.Add(Said.Of("decisions.changesTheGroupTheLast", ("group", Fact.Thing(garden.Catalogue.Group(last.Group).Name))));
            }
        }

        if (material.LabelOnly)
        {
            barred.Add(new(MaterialOption.NeedsLabel, Said.Of("decisions.itsDoseIsOnTheLabel")));
        }

        barred.AddRange(UseGuards.Against(garden, planting, MaterialsIn(garden.Catalogue, recipe), garden.Now, Working(recipe)));
        if (UseGuards.PatchOf(garden, crop, material) is { State: PatchState.Needed or PatchState.Waiting })
        {
            score *= 0.9;
            reasons.Add(Said.Of("decisions.newOnHereTwoLeavesFirst", ("crop", Fact.Thing(crop.Name.InSentence()))));
        }

        if (garden.Stocks.Count > 0 && garden.Stocks.All(x => x.Material != material.Id || x.Left <= 0))
        {
            score *= 0.9;
            reasons.Add(material.MadeFrom is null ? Said.Of("decisions.noneOnTheShelf") : Said.Of("decisions.toBeMadeFirst"));
        }

        if (target.Kind == TargetKind.Disease && Approach(garden, history, material, effect) is var (fits, word))
        {
            // The garden's way outranks the rest, and still leaves an order among what fits it.
            approach = fits;
            score = fits ? score + 1 : score * 0.4;
            reasons.Add(word);
        }

        if (IsTender(crop, planting, material))
        {
            score *= 0.6;
            reasons.Add(Said.Of("decisions.scorchesEasilyFromItGentleDose", ("crop", Fact.Thing(crop.Name))));
        }

        if (garden.LatestObservation(planting.Id) is { } seen && seen.Helpers + seen.Mummies > 0 && material.HarmToHelpers > 0.5)
        {
            score *= 0.8;
            reasons.Add(Said.Of("decisions.harmsTheHelpersThatWereSeen"));
        }

        return new MaterialOption(material, recipe, barred.Count == 0 ? score : 0, reasons, barred) { FitsApproach = approach };
    }

    /// <summary>Whether a material fits the garden's way with disease, and the sentence for it; null where the way says nothing.</summary>
    private static (bool Fits, Said Word)? Approach(GardenSnapshot garden, List<SprayApplication> history, Material material, Effect effect)
    {
        const bool fits = true,
            not = false;
        var cleaned = history.Any(a => garden.Catalogue.Material(a.Material).Group == Oxidiser && a.At > garden.Now.AddDays(-CleanHoldsDays));
        return garden.Garden.DiseaseApproach switch
        {
            DiseaseApproach.CleanThenProtect when material.Group == Oxidiser => cleaned
                ? (not, Said.Of("decisions.itWasCleanedLatelyNow"))
                : (fits, Said.Of("decisions.cleanFirstThenProtectYourWay")),
            DiseaseApproach.CleanThenProtect when effect.Protects >= Protecting => cleaned ? (fits, Said.Of("decisions.itWasCleanedLatelyNow")) : null,
            DiseaseApproach.ProtectOnly => effect.Protects >= Protecting
                ? (fits, Said.Of("decisions.protectOnlyYourWayWithDisease"))
                : (not, Said.Of("decisions.itProtectsLittleAndYouProtect")),
            DiseaseApproach.NeemOnly => material.Group.StartsWith(KnownIds.Modes.Azadirachtin, StringComparison.Ordinal)
                ? (fits, Said.Of("decisions.neemOnlyYourWayWithDisease"))
                : (not, Said.Of("decisions.notNeemWhichIsYourWay")),
            DiseaseApproach.Milk => material.Id == KnownIds.Materials.Milk
                ? (fits, Said.Of("decisions.milkYourWayWithDisease"))
                : (not, Said.Of("decisions.notMilkWhichIsYourWay")),
            _ => null,
        };
    }

    /// <summary>Days from one mix to another on one bed, by the strictest pair of what is in them; a day at least.</summary>
    public static int DaysBetween(GardenCatalogue catalogue, Recipe before, Recipe after) =>
        (int)
            Math.Ceiling(
                MaterialsIn(catalogue, before)
                    .SelectMany(b => MaterialsIn(catalogue, after).Select(a => Pairs.Between(catalogue, b, a).DaysApart))
                    .Append(1)
                    .Max()
            );

    /// <summary>All that a recipe puts into the tank, its active first, then its partners.</summary>
    public static IReadOnlyList<Material> MaterialsIn(GardenCatalogue catalogue, Recipe recipe) =>
        [
            .. recipe
                .Ingredients.OrderByDescending(i => i.Role == "active")
                .ThenByDescending(i => i.Role == "partner")
                .Select(i => catalogue.Material(i.Material)),
        ];

    /// <summary>How many of <see cref="MaterialsIn"/>, from the first, are there to work: the active and its partners.</summary>
    public static int Working(Recipe recipe) => recipe.Ingredients.Count(i => i.Role is "active" or "partner");

    /// <summary>True when the crop, at its stage, is marked tender to the material or its kind.</summary>
    public static bool IsTender(Crop crop, Planting planting, Material material) =>
        IsMarkedTender(crop, material) && (!crop.TenderAsSeedlingOnly || planting.Stage == GrowthStage.Seedling);

    /// <summary>True when the crop is marked tender to the material or its kind, at one stage at least.</summary>
    public static bool IsMarkedTender(Crop crop, Material material) =>
        crop.TenderTo.Any(t => t == material.Id || t == material.Group || string.Equals(t, material.Load.ToString(), StringComparison.OrdinalIgnoreCase));

    private static (string Group, int Count)? LastCourseGroup(GardenSnapshot garden, List<SprayApplication> history, Target target)
    {
        var against = history
            .Where(a => a.IsAgainst(target.Id) && !a.PatchTest && a.At > garden.Now.AddDays(-CourseMemoryDays))
            .Select(a => garden.Catalogue.Material(a.MaterialAgainst(target.Id)).Group)
            .Reverse()
            .ToList();
        return against.Count == 0 ? null : (against[0], against.TakeWhile(g => g == against[0]).Count());
    }

    private static Said Evidence(EvidenceGrade grade) =>
        grade switch
        {
            EvidenceGrade.Good => Said.Of("decisions.evidenceGood"),
            EvidenceGrade.Fair => Said.Of("decisions.evidenceFair"),
            _ => Said.Of("decisions.evidenceWeak"),
        };
}
