using System.Collections.Concurrent;
using System.Collections.Frozen;

namespace Mauvaise.Core.Catalogue;

/// <summary>All the facts, immutable and indexed by id. Made by <see cref="Create"/>, which refuses facts that contradict each other.</summary>
public sealed class GardenCatalogue
{
    public required IReadOnlyList<ModeOfAction> Groups { get; init; }
    public required IReadOnlyList<Material> Materials { get; init; }
    public required IReadOnlyList<Target> Targets { get; init; }
    public required IReadOnlyList<Sign> Signs { get; init; }
    public required IReadOnlyList<Beneficial> Helpers { get; init; }
    public required IReadOnlyList<Crop> Crops { get; init; }
    public required IReadOnlyList<Recipe> Recipes { get; init; }
    public required IReadOnlyList<MixingPair> Pairs { get; init; }
    public required IReadOnlyList<Measure> Measures { get; init; }
    public required IReadOnlyList<Climate> Climates { get; init; }

    /// <summary>What can be measured at a place.</summary>
    public IReadOnlyList<ReadingKind> Readings { get; init; } = [];

    /// <summary>Words that recipes are told in.</summary>
    public IReadOnlyList<HeardWord> Heard { get; init; } = [];

    private FrozenDictionary<string, Material> materialById = FrozenDictionary<string, Material>.Empty;
    private FrozenDictionary<string, Target> targetById = FrozenDictionary<string, Target>.Empty;
    private FrozenDictionary<string, Sign> signById = FrozenDictionary<string, Sign>.Empty;
    private FrozenDictionary<string, Crop> cropById = FrozenDictionary<string, Crop>.Empty;
    private FrozenDictionary<string, Recipe> recipeById = FrozenDictionary<string, Recipe>.Empty;
    private FrozenDictionary<string, ModeOfAction> groupById = FrozenDictionary<string, ModeOfAction>.Empty;
    private FrozenDictionary<string, Climate> climateById = FrozenDictionary<string, Climate>.Empty;
    private FrozenDictionary<string, Measure> measureById = FrozenDictionary<string, Measure>.Empty;
    private FrozenDictionary<string, IReadOnlyList<TargetOnCrop>> targetsByCrop = FrozenDictionary<string, IReadOnlyList<TargetOnCrop>>.Empty;
    private FrozenDictionary<string, Target> groupNames = FrozenDictionary<string, Target>.Empty;
    private IReadOnlyList<TargetOnCrop> causes = [];

    /// <summary>Answers of <see cref="Catalogue.Pairs.Between"/> that were asked for, by the two ids.</summary>
    internal ConcurrentDictionary<(string A, string B), MixingPair> DecidedPairs { get; } = new();

    /// <summary>Days after which nothing waits for anything else any more.</summary>
    internal double LongestDaysApart { get; private set; }

    /// <summary>Indexes and checks the facts.</summary>
    /// <exception cref="CatalogueException">Any rule of <see cref="CatalogueRules"/> is broken; the message lists every fault.</exception>
    public static GardenCatalogue Create(GardenCatalogue facts)
    {
        ArgumentNullException.ThrowIfNull(facts);
        var faults = CatalogueRules.Faults(facts);
        if (faults.Count > 0)
        {
            throw new CatalogueException(faults);
        }

        facts.materialById = facts.Materials.ToFrozenDictionary(m => m.Id);
        facts.targetById = facts.Targets.ToFrozenDictionary(t => t.Id);
        facts.signById = facts.Signs.ToFrozenDictionary(s => s.Id);
        facts.cropById = facts.Crops.ToFrozenDictionary(c => c.Id);
        facts.recipeById = facts.Recipes.ToFrozenDictionary(r => r.Id);
        facts.groupById = facts.Groups.ToFrozenDictionary(g => g.Id);
        facts.climateById = facts.Climates.ToFrozenDictionary(c => c.Id);
        facts.measureById = facts.Measures.ToFrozenDictionary(m => m.Id);
        facts.causes = [.. facts.Targets.Select(t => new TargetOnCrop(t, [.. facts.Signs.Select(s => CatalogueRules.Likelihood(t, s))]))];
        facts.targetsByCrop = facts.Crops.ToFrozenDictionary(c => c.Id, facts.TargetsThatLiveOn);
        facts.LongestDaysApart = facts.Pairs.Select(p => p.DaysApart).DefaultIfEmpty(0).Max();
        facts.groupNames = facts.Targets.Where(t => t.IsGroup).ToFrozenDictionary(t => t.NameGroup);
        return facts;
    }

    /// <summary>This catalogue with a garden's own crops, troubles, products, stocks and recipes in it.</summary>
    public GardenCatalogue With(
        IReadOnlyList<OwnProduct> products,
        IReadOnlyList<OwnRecipe>? recipes = null,
        IReadOnlyList<OwnKind>? kinds = null,
        IReadOnlyList<OwnStock>? stocks = null
    )
    {
        if (products.Count == 0 && recipes is null or [] && kinds is null or [] && stocks is null or [])
        {
            return this;
        }

        var grown = kinds is null or []
            ? this
            : Growing([.. kinds.Select(k => k.ToCrop(this)).OfType<Crop>()], [.. kinds.Select(k => k.ToTarget(this)).OfType<Target>()]);
        var own = products.Select(p => p.ToMaterial(grown)).ToList();
        var made = (stocks ?? []).Select(x => (Stock: x, Material: x.ToMaterial(this))).Where(x => x.Material is not null).ToList();
        var with = grown.Copy(
            [.. Materials, .. own, .. made.Select(x => x.Material!)],
            [.. Recipes, .. own.Select(Recipe.ByLabel), .. made.Select(x => x.Stock.ToRecipe(x.Material!))]
        );
        return recipes is null or [] ? with : with.Copy(with.Materials, [.. with.Recipes, .. recipes.Select(r => r.ToRecipe(with)).OfType<Recipe>()]);
    }

    /// <summary>With more crops, and with more troubles that have a name and no signs of their own.</summary>
    private GardenCatalogue Growing(IReadOnlyList<Crop> crops, IReadOnlyList<Target> targets)
    {
        var with = Copy(Materials, Recipes, [.. Crops, .. crops], [.. Targets, .. targets]);
        with.cropById = with.Crops.ToFrozenDictionary(c => c.Id);
        with.targetById = with.Targets.ToFrozenDictionary(t => t.Id);
        with.targetsByCrop = with.Crops.ToFrozenDictionary(c => c.Id, TargetsThatLiveOn);
        return with;
    }

    private IReadOnlyList<TargetOnCrop> TargetsThatLiveOn(Crop crop) => [.. causes.Where(t => !t.Target.IsGroup && IsHost(t.Target, crop))];

    /// <summary>This catalogue with some of its materials as a garden has come to know them.</summary>
    /// <param name="known">By id; each keeps its id.</param>
    public GardenCatalogue Knowing(IReadOnlyDictionary<string, Material> known) =>
        known.Count == 0 ? this : Copy([.. Materials.Select(m => known.GetValueOrDefault(m.Id, m))], Recipes);

    private GardenCatalogue Copy(
        IReadOnlyList<Material> materials,
        IReadOnlyList<Recipe> recipes,
        IReadOnlyList<Crop>? crops = null,
        IReadOnlyList<Target>? targets = null
    ) =>
        new()
        {
            Groups = Groups,
            Materials = materials,
            Targets = targets ?? Targets,
            Signs = Signs,
            Helpers = Helpers,
            Crops = crops ?? Crops,
            Recipes = recipes,
            Pairs = Pairs,
            Measures = Measures,
            Climates = Climates,
            Readings = Readings,
            Heard = Heard,
            materialById = materials.ToFrozenDictionary(m => m.Id),
            recipeById = recipes.ToFrozenDictionary(r => r.Id),
            targetById = targetById,
            signById = signById,
            cropById = cropById,
            groupById = groupById,
            climateById = climateById,
            measureById = measureById,
            targetsByCrop = targetsByCrop,
            groupNames = groupNames,
            causes = causes,
            LongestDaysApart = LongestDaysApart,
        };

    /// <summary>Null when the catalogue has no such material; the same for the other finders.</summary>
    public Material? FindMaterial(string id) => materialById.GetValueOrDefault(id);

    public Target? FindTarget(string id) => targetById.GetValueOrDefault(id);

    public Sign? FindSign(string id) => signById.GetValueOrDefault(id);

    public Crop? FindCrop(string id) => cropById.GetValueOrDefault(id);

    public Recipe? FindRecipe(string id) => recipeById.GetValueOrDefault(id);

    public Climate? FindClimate(string id) => climateById.GetValueOrDefault(id);

    public Measure? FindMeasure(string id) => measureById.GetValueOrDefault(id);

    /// <summary>The material with this id, which the caller knows to exist (records are checked when written).</summary>
    public Material Material(string id) => materialById[id];

    public Target Target(string id) => targetById[id];

    public Crop Crop(string id) => cropById[id];

    public ModeOfAction Group(string id) => groupById[id];

    public Measure Measure(string id) => measureById[id];

    /// <summary>The first recipe whose active is this material: the usual way to mix it. Null when none is known.</summary>
    public Recipe? RecipeFor(string materialId) => Recipes.FirstOrDefault(r => r.Active.Material == materialId);

    /// <summary>Every target that is known to live on the crop, kinds alone.</summary>
    public IReadOnlyList<TargetOnCrop> TargetsOn(Crop crop) => targetsByCrop[crop.Id];

    /// <summary>Everything that has a name, on whatever crop: kinds, and names of whole groups.</summary>
    public IReadOnlyList<TargetOnCrop> Causes => causes;

    /// <summary>The target that stands for a whole name group; null when none does.</summary>
    public Target? NameOfGroup(string nameGroup) => groupNames.GetValueOrDefault(nameGroup);

    /// <summary>True when the target lives on the crop, by crop id, family or "all".</summary>
    public static bool IsHost(Target target, Crop crop) => target.Hosts.Any(h => h == "all" || h == crop.Id || h == crop.Like || h == crop.Family);
}

/// <summary>A target with its likelihood of every sign, in the order of <see cref="GardenCatalogue.Signs"/>.</summary>
public sealed record TargetOnCrop(Target Target, double[] Likelihoods);

/// <summary>The catalogue files contradict each other or miss something.</summary>
public sealed class CatalogueException(IReadOnlyList<string> faults) : Exception("The catalogue can not be used:\n- " + string.Join("\n- ", faults))
{
    public IReadOnlyList<string> Faults { get; } = faults;
}
