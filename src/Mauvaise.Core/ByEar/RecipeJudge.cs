using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.ByEar;

public enum HeardVerdict { Ok, Warn, No }

/// <summary>What speaks against a recipe.</summary>
/// <param name="Stops">It may not go on a plant like this.</param>
public sealed record RecipeFault(string Code, string Words, bool Stops);

/// <summary>What is in a litre of what comes out, in the material's unit.</summary>
public sealed record HeardShare(Material Material, double PerLitre);

/// <summary>A recipe held against what is known.</summary>
/// <param name="Litres">Of what comes out; null when that is not known.</param>
/// <param name="Corrected">The nearest that may go on, line by line; null when nothing is to be put right or nothing is left.</param>
public sealed record JudgedRecipe(HeardRecipe Heard, double? Litres, IReadOnlyList<HeardShare> PerLitre, IReadOnlyList<RecipeFault> Faults, IReadOnlyList<string>? Corrected, HeardVerdict Verdict);

/// <summary>Judges a recipe that was heard by the rules of the bench, and puts it right.</summary>
public static class RecipeJudge
{
    /// <summary>Soap that keeps a kitchen oil in the water, ml a litre: what a shaken jar begins with (assumed).</summary>
    private const double SoapForOil = 2;

    /// <summary>Less than this, in ml or g, nobody measures: such a part is left out, and all are told in steps of it.</summary>
    private const double LeastMeasured = 0.01;

    /// <param name="sprayerLitres">What the corrected recipe is made up for; null for what was told, a litre when nothing was.</param>
    public static JudgedRecipe Judge(GardenCatalogue catalogue, HeardRecipe heard, KitchenSystem kitchen, Crop? crop, double? sprayerLitres)
    {
        var litres = heard.Litres ?? WithoutWater(heard);
        var shares = litres is { } whole ? Shares(catalogue, heard, whole) : [];
        RecipeFault[] faults =
        [
            .. Reading(heard),
            .. heard.Litres is null ? NoWater(heard) : [],
            .. Unknown(heard),
            .. Guards(catalogue, heard, shares, crop),
            .. Evidence(shares),
        ];
        var verdict = Array.Exists(faults, f => f.Stops) ? HeardVerdict.No : faults.Length > 0 && Array.Exists(faults, f => f.Code != "evidence") ? HeardVerdict.Warn : HeardVerdict.Ok;
        var corrected = verdict == HeardVerdict.No ? Corrected(catalogue, shares, kitchen, crop, sprayerLitres ?? heard.WaterLitres ?? 1) : null;
        return new JudgedRecipe(heard, heard.Litres, [.. shares.Select(s => new HeardShare(s.Material, s.PerLitre))], faults, corrected, verdict);
    }

    /// <summary>Liquids alone are what is sprayed, when no water was named.</summary>
    private static double? WithoutWater(HeardRecipe heard) =>
        heard.Lines.Where(l => l.Word is not null).Sum(l => l.Millilitres ?? 0) is > 0 and var ml ? ml / 1000 : null;

    private static List<MixShare> Shares(GardenCatalogue catalogue, HeardRecipe heard, double litres) =>
    [
        .. heard.Lines.Where(l => l.Word?.Material is not null && (l.Millilitres ?? l.Grams) is not null)
            .Select(l => (Material: catalogue.Material(l.Word!.Material!), Amount: (l.Millilitres ?? l.Grams)!.Value, l.Percent))
            .GroupBy(l => l.Material.Id)
            .Select(g => new MixShare(g.First().Material, g.Sum(x => x.Amount) / litres, g.Select(x => x.Percent).FirstOrDefault(p => p is not null))),
    ];

    private static IEnumerable<RecipeFault> Reading(HeardRecipe heard) =>
        heard.Lines.Where(l => l.Unclear is not null).Select(l => new RecipeFault("unclear", $"“{l.Text}”: {l.Unclear}", false));

    private static IEnumerable<RecipeFault> NoWater(HeardRecipe heard)
    {
        var strong = heard.Lines.Where(l => l.Word is { Material: not null } && l.Millilitres is not null).ToList();
        yield return strong.Count > 0 || (heard.Neat && heard.Lines.Any(l => l.Word is not null))
            ? new RecipeFault("undiluted", "No water is named: nothing goes on a plant undiluted. Say how much water it goes into.", true)
            : new RecipeFault("no-water", "How much water does it go into?", false);
    }

    private static IEnumerable<RecipeFault> Unknown(HeardRecipe heard)
    {
        foreach (var line in heard.Lines.Where(l => l.Word is { Material: null }))
        {
            yield return line.Word!.Stops is { } why
                ? new RecipeFault("harmful", $"{line.Name}: {why}", true)
                : new RecipeFault("not-in-catalogue", $"{line.Name}: nobody measured what it does on a plant. Try two leaves first.", false);
        }
    }

    private static IEnumerable<RecipeFault> Guards(GardenCatalogue catalogue, HeardRecipe heard, List<MixShare> shares, Crop? crop)
    {
        if (shares.Count == 0)
        {
            yield break;
        }

        var tender = crop is not null && shares.Exists(s => MaterialChoice.IsTender(crop, new Planting(Guid.Empty, Guid.Empty, crop.Id, null, default, null, null, GrowthStage.Mature, false), s.Material));
        var judged = MixGuards.Judge(catalogue, shares, [.. shares.Where(s => s.Material.Doses is not null).Select(s => s.Material).DefaultIfEmpty(shares[0].Material)], Form.Spray, new MixConditions(null, tender ? [crop!.Name] : [], false));
        var soapy = heard.Lines.Any(l => l.Word is { Nature: HeardNature.Soap, Material: null });
        foreach (var reason in judged.Reasons.Where(r => !(soapy && r.Code == "no-emulsifier")))
        {
            // Told at the bench as something to put right first; in a recipe that was heard it is what burns the plant.
            yield return new RecipeFault(reason.Code, reason.Sentence, reason.Verdict == MixVerdict.Refused || reason.Code == "no-emulsifier");
        }

        if (shares.Exists(s => s.Material.Cautions.Any(c => c.Contains("cats", StringComparison.Ordinal))))
        {
            yield return new RecipeFault("pets", "Keep cats away until it is dry: they lick it off.", false);
        }
    }

    private static IEnumerable<RecipeFault> Evidence(List<MixShare> shares)
    {
        if (shares.Count > 0 && shares.TrueForAll(s => s.Material.Evidence == EvidenceGrade.Weak || s.Material.Load == LoadKind.Soap) && shares.Exists(s => s.Material.Evidence == EvidenceGrade.Weak))
        {
            yield return new RecipeFault("evidence", "The evidence for it is weak: nobody measured much. A trial beside plants that are left alone would tell.", false);
        }
    }

    /// <summary>The same recipe with every part at a strength that may go on, soap where there is oil, and without what may not meet; null when nothing is left.</summary>
    private static List<string>? Corrected(GardenCatalogue catalogue, List<MixShare> shares, KitchenSystem kitchen, Crop? crop, double litres)
    {
        var may = new List<MixShare>();
        foreach (var share in shares.Where(s => Limit(catalogue, s.Material) is not null))
        {
            var held = share with { PerLitre = Math.Min(share.UsualPerLitre, Limit(catalogue, share.Material)!.Value), BottlePercent = null };
            if (may.TrueForAll(m => Pairs.Between(catalogue, m.Material, held.Material).InOneTank != "never"))
            {
                may.Add(held);
            }
        }

        var oil = may.Where(s => s.Material.Load == LoadKind.Oil).ToList();
        if (oil.Count > 0 && may.TrueForAll(s => s.Material.Load != LoadKind.Soap))
        {
            may.Add(new MixShare(catalogue.Material(KnownIds.Materials.CastileSoap), SoapForOil));
        }

        if (may.TrueForAll(s => s.Material.Load == LoadKind.Soap && shares.TrueForAll(x => x.Material.Id != s.Material.Id)))
        {
            return null;
        }

        var size = Math.Min(litres, Mix.MostLitres);
        return
        [
            .. may.Where(s => s.PerLitre * size >= LeastMeasured).Select(s => Measured(s, size, kitchen)),
            $"made up with water to {TankVolume.Text(size, kitchen)}",
            .. crop is null ? Array.Empty<string>() : [$"two leaves of the {crop.Name.InSentence()} first"],
        ];
    }

    /// <summary>The most of a material that a corrected recipe holds, in its unit a litre; null for what is never sprayed.</summary>
    private static double? Limit(GardenCatalogue catalogue, Material material) =>
        material.Doses is { Per: DosedPer.Litre } doses ? doses.Strong
        : material.Doses is not null ? null
        : Preparations.MostOf(catalogue, material);

    /// <summary>In spoons where they fit and do not go over what is given; else the exact amount, with what measures it behind.</summary>
    private static string Measured(MixShare share, double litres, KitchenSystem kitchen)
    {
        // Rounded down: what is told is never over what is given.
        var (material, amount) = (share.Material, Math.Floor(share.PerLitre * litres / LeastMeasured) * LeastMeasured);
        var exact = string.Create(CultureInfo.InvariantCulture, $"{amount:0.##} {material.Unit}");
        var powder = material.Unit == "g";
        var measured = KitchenMeasure.Nearest(powder ? amount / material.DensityGramsPerMillilitre : amount, kitchen, exact, powder);
        var name = material.Name.InSentence();
        return measured.Scoops.Count > 0 && measured.ErrorPercent <= 0 ? $"{measured.Text} ({exact}) of {name}" : $"{exact} of {name} ({(powder ? "scale" : "syringe")})";
    }
}
