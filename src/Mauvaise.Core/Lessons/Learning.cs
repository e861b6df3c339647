using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Trials;

namespace Mauvaise.Core.Lessons;

/// <summary>What one judged spray, or one side of a trial, says of a material against a target.</summary>
/// <param name="Spray">Null for a trial.</param>
/// <param name="Hits">How far it worked, 0 to 1.</param>
/// <param name="Weight">How much it counts, trials: less with few leaves, nothing when it is discounted.</param>
public sealed record Evidence(string Material, string Target, JudgedSpray? Spray, Trial? Trial, double Hits, double Weight);

/// <summary>
/// Learns from a garden's own outcomes. Each belief is a beta distribution that starts from the catalogue's figure, worth as many
/// trials as its evidence is good, and is moved by what came of each spray.
/// </summary>
public static class Learning
{
    /// <summary>What the catalogue's figure is worth, trials, by its evidence (10 for good; the others assumed).</summary>
    public static double UsualWeight(EvidenceGrade grade) =>
        grade switch
        {
            EvidenceGrade.Good => 10,
            EvidenceGrade.Fair => 7,
            _ => 4,
        };

    /// <summary>Leaves on each count for an outcome to count whole (assumed).</summary>
    private const double WholeLeaves = 20;

    /// <summary>A side of a trial counts as no more than so many outcomes, however many leaves it had (assumed).</summary>
    private const double MostOfTrial = 4;

    /// <summary>A material never does more than this, however well it went.</summary>
    private const double Most = 0.98;

    /// <summary>Warmth that growth between two counts is reckoned with, degrees C (assumed).</summary>
    private const double UsualC = 18;
    private const double CatalogueC = 20;

    /// <summary>What is left alone does not grow to more than this many times (assumed).</summary>
    private const double MostGrowth = 3;

    /// <summary>Growth of a disease that is left alone, a day (assumed).</summary>
    private const double DiseaseGrowth = 0.06;

    /// <summary>Spots that are there stay: a disease can fall to this share of what it was at best (assumed).</summary>
    private const double SpotsStay = 0.6;

    /// <summary>How often a spray hurts, and a crop that is tender to it (assumed), each worth so many trials.</summary>
    private const double UsualInjury = 0.05,
        TenderInjury = 0.25,
        InjuryWeight = 10;

    private const double LitresWeight = 3,
        WalksWeight = 3;
    private const double LeastMinutes = 0.3,
        MostMinutes = 20;

    /// <summary>The garden with what it taught in it: its catalogue's effects are what works here.</summary>
    public static GardenSnapshot In(GardenSnapshot garden)
    {
        var learned = Of(garden);
        return garden with { Learned = learned, Catalogue = garden.Catalogue.Knowing(Known(garden.Catalogue, learned)) };
    }

    /// <summary>What a garden taught, held against the catalogue that it has.</summary>
    public static Learned Of(GardenSnapshot garden)
    {
        var catalogue = garden.Catalogue;
        var injuries =
            from g in garden.Judged.Where(SaysOfHarm).GroupBy(j => (j.Material, j.Crop))
            let material = catalogue.FindMaterial(g.Key.Material)
            let crop = catalogue.FindCrop(g.Key.Crop)
            where material is not null && crop is not null
            let counted = g.Where(j => j.DiscountedFor is null).ToList()
            let usual = MaterialChoice.IsMarkedTender(crop, material) && !crop.TenderAsSeedlingOnly ? TenderInjury : UsualInjury
            select new LearnedInjury(material.Id, crop.Id, new LearnedShare(usual, InjuryWeight, counted.Sum(j => Hurt(j.Injury)), counted.Count), g.Count());
        var efficacies =
            from g in All(garden).GroupBy(e => (e.Material, e.Target))
            let material = catalogue.Material(g.Key.Material)
            let target = catalogue.Target(g.Key.Target)
            let usual = UsualMean(material, target)
            where usual is not null
            let share = new LearnedShare(usual.Value, UsualWeight(material.EvidenceOn(target)), g.Sum(e => e.Hits * e.Weight), g.Sum(e => e.Weight))
            select new LearnedEfficacy(material.Id, g.Key.Target, share, g.Count());
        var litres = garden
            .Applications.Where(a => a is { PatchTest: false, ExpectedLitres: > 0, Litres: > 0 })
            .Select(a => Math.Clamp(a.Litres / a.ExpectedLitres!.Value, 0.3, 3))
            .ToList();
        var walks = garden.Walks.Select(w => MinutesAPlace(garden, w)).OfType<double>().ToList();
        return new Learned(
            [.. efficacies.OrderBy(e => e.Target, StringComparer.Ordinal).ThenBy(e => e.Material, StringComparer.Ordinal)],
            [.. injuries.OrderBy(e => e.Crop, StringComparer.Ordinal).ThenBy(e => e.Material, StringComparer.Ordinal)],
            (LitresWeight + litres.Sum()) / (LitresWeight + litres.Count),
            litres.Count,
            (WalksWeight * Learned.UsualMinutesAPlace + walks.Sum()) / (WalksWeight + walks.Count),
            walks.Count
        );
    }

    /// <summary>Everything that says how well something works here: judged sprays, and trials that were closed.</summary>
    public static IEnumerable<Evidence> All(GardenSnapshot garden) =>
        [
            .. from j in garden.Judged
            where garden.Catalogue.FindMaterial(j.Material) is not null
            let target = garden.Catalogue.FindTarget(j.Target ?? "")
            where target is not null
            let said = Weigh(j, target)
            where said is not null
            select said!,
            .. from t in garden.Trials
            where t.ClosedAt is not null
            let target = garden.Catalogue.FindTarget(t.Target)
            where target is not null
            from side in TrialResult.Of(t, target).Sides
            let recipe = garden.Catalogue.FindRecipe(side.Side.Recipe ?? "")
            let control = side.Control
            where recipe is not null && control is not null
            select new Evidence(
                recipe.Active.Material,
                target.Id,
                null,
                t,
                Math.Clamp(control.Percent / 100, 0, 1),
                Math.Min(MostOfTrial, side.Leaves / WholeLeaves)
            ),
        ];

    /// <summary>
    /// How far a material usually works on a target, 0 to 1: of insects what it kills of young and adults; of a disease what it stops and what it keeps
    /// off. Null when it does nothing.
    /// </summary>
    public static double? UsualMean(Material material, Target target) =>
        material.EffectOn(target) is { } e
            ? Math.Clamp(
                CoverCurve.UsualShareWetted * (target.Kind == TargetKind.Disease ? 0.4 * e.Young + 0.6 * e.Protects : 0.6 * e.Young + 0.4 * e.Adult),
                0.02,
                Most
            )
            : null;

    /// <summary>
    /// What a judged spray says: how much less there was than would have been, had it been left alone. Insects are compared by how many
    /// they are (a leaf with one counts like a leaf with ten, so shares near the whole say little), diseases by the share of leaves.
    /// Null where nobody counted before or after, or nothing was there.
    /// </summary>
    public static Evidence? Weigh(JudgedSpray spray, Target target)
    {
        if (spray is not { Before: { Looked: > 0, Affected: > 0 } before, After: { Looked: > 0 } after })
        {
            return null;
        }

        var days = Math.Max(0, (spray.JudgedAt - spray.SprayedAt).TotalDays);
        double hits;
        if (target.Kind == TargetKind.Disease)
        {
            var left = Math.Min(1, before.Share * Math.Min(MostGrowth, 1 + DiseaseGrowth * days));
            var least = before.Share * SpotsStay;
            hits = 1 - (after.Share - least) / (left - least);
        }
        else
        {
            var growth = target.Insect is { } insect ? insect.GrowthPerDayAt20C * Math.Max(0, UsualC - insect.LowerC) / (CatalogueC - insect.LowerC) : 0;
            hits = 1 - Density(after.Share) / (Density(before.Share) * Math.Min(MostGrowth, Math.Exp(growth * days)));
        }

        // The fewer of the two counts decides how sure it is.
        var weight = spray.DiscountedFor is null ? Math.Min(1, Math.Min(before.Looked, after.Looked) / WholeLeaves) : 0;
        return new Evidence(spray.Material, target.Id, spray, null, Math.Clamp(hits, 0, 1), weight);
    }

    private static double Density(double share) => Colony.DensityAt(Math.Min(0.97, share));

    /// <summary>Somebody said whether it hurt.</summary>
    public static bool SaysOfHarm(JudgedSpray judged) => judged.Injury != Injury.Unsaid;

    /// <summary>How far an injury counts as one, 0 to 1.</summary>
    public static double Hurt(Injury injury) =>
        injury switch
        {
            <= Injury.None => 0,
            Injury.Slight => 0.5,
            _ => 1,
        };

    private static double? MinutesAPlace(GardenSnapshot garden, WalkTaken walk)
    {
        var places = garden.Observations.Where(o => o.WalkId == walk.Id).Select(o => o.PlantingId).Distinct().Count();
        return
            walk.EndedAt is { } end
            && places > 1
            && (end - walk.StartedAt).TotalMinutes / places is var minutes
            && minutes is >= LeastMinutes and <= MostMinutes
            ? minutes
            : null;
    }

    private static Dictionary<string, Material> Known(GardenCatalogue catalogue, Learned learned) =>
        learned
            .Efficacies.Where(e => e.Share.OwnWeight > 0)
            .GroupBy(e => e.Material)
            .Select(g =>
                catalogue.Material(g.Key) is var m
                    ? m with
                    {
                        WorksOn = [.. g.Select(e => Scaled(m.EffectOn(catalogue.Target(e.Target))!, e)), .. m.WorksOn],
                    }
                    : m
            )
            .ToDictionary(m => m.Id);

    private static Effect Scaled(Effect usual, LearnedEfficacy learned)
    {
        var by = learned.Share.Now / learned.Share.UsualMean;
        double Of(double share) => Math.Min(Most, share * by);
        return usual with { On = learned.Target, Eggs = Of(usual.Eggs), Young = Of(usual.Young), Adult = Of(usual.Adult), Protects = Of(usual.Protects) };
    }
}
