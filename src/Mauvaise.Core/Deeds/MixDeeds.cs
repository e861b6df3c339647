using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>What somebody asks of the bench, for a look or to be saved: both are judged the same way.</summary>
/// <param name="Done">It went on already: what the weather, the bees or the crop would have said comes too late.</param>
public sealed record MixAsk(
    IReadOnlyList<Guid> Plantings,
    string? Target,
    string Recipe,
    DoseStep Step,
    IReadOnlyList<string> Add,
    double? Dose,
    string? Soap,
    double? BottlePercent,
    DateTimeOffset? At,
    bool PatchTest,
    bool Done = false
);

/// <summary>A mix with everything that speaks for or against it here and now.</summary>
/// <param name="NearestStep">The strongest step that may be mixed, when this one may not; null when none may.</param>
/// <param name="At">The hour that was judged; null when none is good.</param>
public sealed record JudgedMix(
    Mix Mix,
    DoseStep? NearestStep,
    IReadOnlyList<PatchTrial> Patches,
    MixVerdict Verdict,
    IReadOnlyList<MixReason> Reasons,
    DateTimeOffset? At,
    Emulsion? Emulsion
);

/// <summary>From what was asked to a judged mix.</summary>
public static class MixDeeds
{
    private static readonly TimeSpan LookAhead = TimeSpan.FromHours(24);

    /// <summary>Makes and judges the mix. Every id in what was asked is known to the garden.</summary>
    /// <param name="size">Litres, or what the active is dosed per.</param>
    public static JudgedMix Make(GardenSnapshot s, MixAsk ask, double size)
    {
        var catalogue = s.Catalogue;
        var recipe = WithSoap(s, catalogue.FindRecipe(ask.Recipe)!, ask.Soap);
        var active = catalogue.Material(recipe.Active.Material);
        var plantings = ask.Plantings.Select(s.FindPlanting).OfType<Planting>().ToList();
        var emulsion = Emulsion(s, recipe);
        var order = new MixOrder(recipe, ask.Step, size, s.Garden.Kitchen)
        {
            DropsInSpoon = s.Garden.Units.DropsInSpoon,
            Added = [.. ask.Add.Select(catalogue.Material)],
            ActiveDose = ask.Dose,
            EmulsifierMlPerLitre = emulsion?.SoapMlPerLitre,
            BottlePercent = (ask.BottlePercent ?? OnShelf(s, active)) is { } percent
                ? new Dictionary<string, double> { [active.Id] = percent }
                : new Dictionary<string, double>(),
        };
        var at = ask.At ?? NextGoodHour(s, plantings, active);
        var conditions = ask.Done
            ? new MixConditions(null, [], false)
            : Conditions(s, plantings, [.. order.Added.Prepend(active)], at ?? s.Now, ask.At is not null);
        var mix = Mix.Make(catalogue, order, conditions);
        var inMix = mix.Parts.OrderByDescending(p => p.Role == "active").ThenByDescending(p => p.Role == "partner").Select(p => p.Material).ToList();
        var working = mix.Parts.Count(p => p.Role is "active" or "partner");
        var patches = plantings
            .Select(p => catalogue.Crop(p.Crop))
            .Distinct()
            .SelectMany(crop => mix.Parts.Where(p => p.Role is "active" or "partner").Select(p => UseGuards.PatchOf(s, crop, p.Material)))
            .Where(p => p.State is PatchState.Needed or PatchState.Waiting && recipe.Form is Form.Spray or Form.Dip)
            .ToList();
        MixReason[] reasons =
        [
            .. NoSpray(catalogue, ask.Target),
            .. CourseRuns(s, ask, plantings, active),
            .. plantings
                .SelectMany(p =>
                    UseGuards
                        .Against(s, p, inMix, at ?? s.Now, working)
                        .Select(r => new MixReason(r.Code, MixVerdict.Refused, r.Said.About(Fact.Thing(s.Where(p)))))
                )
                .DistinctBy(r => r.Sentence),
            .. mix.Reasons,
            .. patches.Select(p => new MixReason("patch-test", ask.PatchTest ? MixVerdict.Ok : MixVerdict.Refused, PatchSentence(p))),
        ];
        var nearest = mix.Verdict == MixVerdict.Ok ? null : Mix.NearestStep(catalogue, order, conditions);
        return new JudgedMix(mix, nearest, patches, reasons.Select(r => r.Verdict).DefaultIfEmpty(MixVerdict.Ok).Max(), reasons, at, emulsion);
    }

    private static IEnumerable<MixReason> NoSpray(GardenCatalogue catalogue, string? target)
    {
        if (target is not null && catalogue.Target(target) is { NoSpray: true } t)
        {
            yield return new(
                "no-spray",
                MixVerdict.Refused,
                Said.Of("deeds.noKitchenSprayAgainst", ("target", Fact.Thing(t.Name.InSentence())), ("insteadOfSpray", Fact.Clause(t.InsteadOfSpray)))
            );
        }
    }

    /// <summary>One course at a time against one trouble: what is weighed as a way is what may be mixed.</summary>
    private static IEnumerable<MixReason> CourseRuns(GardenSnapshot s, MixAsk ask, List<Planting> plantings, Material active) =>
        from p in plantings
        where ask is { Done: false, PatchTest: false, Target: not null }
        let bars = CourseProgress.Running(s, p, ask.Target!)?.Bars(active.Id)
        where bars is not null
        select new MixReason(bars.Code, MixVerdict.Refused, bars.Said.About(Fact.Thing(s.Where(p))));

    private static Said PatchSentence(PatchTrial p)
    {
        var what = Say.Of("deeds.materialCropOn", ("material", p.Material.Name), ("crop", p.Crop.Name.InSentence()));
        return p is { State: PatchState.Waiting, JudgeOn: { } on }
                ? Said.Of("deeds.twoLeavesWereTriedJudgeThem", ("what", Fact.Clause(what)), ("judgeOn", Fact.Day(on)))
            : p.Burnt ? Said.Of("deeds.burntLastTimeTryTwoLeaves", ("what", Fact.Clause(what)))
            : Said.Of("deeds.isNewHereTryTwoLeaves", ("what", Fact.Clause(what)));
    }

    /// <summary>The recipe with another soap; where the household's shelf has none of the recipe's but another, with that.</summary>
    private static Recipe WithSoap(GardenSnapshot s, Recipe recipe, string? soap)
    {
        if (recipe.Ingredients.FirstOrDefault(i => i.Role == "emulsifier") is not { } emulsifier)
        {
            return recipe;
        }

        bool Has(string material) => s.Stocks.Any(x => x.Material == material && x.Left > 0);
        var wanted = soap
            ?? (
                s.Stocks.Count == 0 || Has(emulsifier.Material)
                    ? emulsifier.Material
                    : s.Catalogue.Materials.FirstOrDefault(m => m.Load == LoadKind.Soap && Has(m.Id))?.Id ?? emulsifier.Material
            );
        return wanted == emulsifier.Material
            ? recipe
            : recipe with
            {
                Ingredients = [.. recipe.Ingredients.Select(i => i == emulsifier ? i with { Material = wanted } : i)],
            };
    }

    /// <summary>What the jar showed for this oil, soap and water; null when nobody shook one.</summary>
    private static Emulsion? Emulsion(GardenSnapshot s, Recipe recipe) =>
        recipe.Ingredients.FirstOrDefault(i => i.Role == "emulsifier") is { } soap
            ? s.Emulsions.LastOrDefault(e => e.Oil == recipe.Active.Material && e.Soap == soap.Material && e.Water == s.Garden.Water)
            : null;

    /// <summary>Strength of the bottle that would be drawn from first.</summary>
    private static double? OnShelf(GardenSnapshot s, Material material) =>
        Shelf.Take(s.Stocks, material.Id, 1, s.Today).Draws.Select(d => d.Stock.StrengthPercent).FirstOrDefault();

    private static DateTimeOffset? NextGoodHour(GardenSnapshot s, List<Planting> plantings, Material active) =>
        plantings.Count == 0
            ? null
            : SprayHours.Windows(EveningPlanner.HoursFor(s, active, plantings.Select(p => p.Id), s.Now + LookAhead), active).FirstOrDefault()?.Start;

    /// <summary>What the mix will meet at an hour: the warmest of the six hours after it, bees, tender crops, seedlings, ponds.</summary>
    private static MixConditions Conditions(GardenSnapshot s, List<Planting> plantings, IReadOnlyList<Material> actives, DateTimeOffset at, bool chosen)
    {
        var places = plantings.Select(s.PlaceOf).Distinct().ToList();
        double? warmest = null;
        var bees = false;
        foreach (var place in places)
        {
            var sky = s.SkyOf(place);
            var i = sky.IndexOf(at);
            var here = Enumerable.Range(i, 7).Select(k => sky.Hour(k).TemperatureC).Max();
            warmest = warmest is null || here > warmest ? here : warmest;
            bees |= SprayHours
                .Judge(sky, at, at.AddHours(1), actives[0])
                .FirstOrDefault()
                ?.Rules.Any(r => r is { Rule: SprayRule.Bees, Verdict: Verdict.Never })
                ?? false;
        }

        string CropName(Planting p) => s.Catalogue.Crop(p.Crop).Name;
        return new MixConditions(
            warmest,
            [.. plantings.Where(p => actives.Any(a => MaterialChoice.IsTender(s.Catalogue.Crop(p.Crop), p, a))).Select(CropName).Distinct()],
            plantings.Any(p => p.Stage == GrowthStage.Seedling),
            [.. plantings.Where(p => p.InFlower).Select(CropName).Distinct()],
            chosen ? bees : null,
            places.Any(p => p.Kind == PlaceKind.IndoorRack),
            places.Select(p => p.PondDistanceM).Min(),
            s.Garden.Water
        );
    }
}
