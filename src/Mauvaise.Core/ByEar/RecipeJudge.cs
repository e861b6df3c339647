using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.ByEar;

public enum HeardVerdict
{
    Ok,
    Warn,
    No,
}

/// <summary>What speaks against a recipe.</summary>
/// <param name="Stops">It may not go on a plant like this.</param>
public sealed record RecipeFault(string Code, string Words, bool Stops);

/// <summary>What is in a litre of what comes out, in the material's unit.</summary>
public sealed record HeardShare(Material Material, double PerLitre);

/// <summary>A recipe held against what is known.</summary>
/// <param name="Litres">Of what comes out; null when that is not known.</param>
/// <param name="Corrected">The nearest that may go on, line by line; null when nothing is to be put right or nothing is left.</param>
public sealed record JudgedRecipe(
    HeardRecipe Heard,
    double? Litres,
    IReadOnlyList<HeardShare> PerLitre,
    IReadOnlyList<RecipeFault> Faults,
    IReadOnlyList<string>? Corrected,
    HeardVerdict Verdict
)
{
    /// <summary>A part that the bench could not measure, since it is no material here, so that it would be missing from what is mixed; null for none.</summary>
    public string? NotMeasured => Heard.Lines.FirstOrDefault(l => l is { Kind: HeardKind.Part, Word.Material: null })?.Name;

    /// <summary>What keeps it from being mixed: it stops, or it is not understood; null for nothing.</summary>
    public string? Stopped => Faults.FirstOrDefault(f => f.Stops || f.Code == RecipeJudge.Unclear)?.Words;

    /// <summary>It may be kept to be mixed: all of it is understood and measured, and nothing stops it.</summary>
    public bool CanBeMixed => Stopped is null && Litres is not null && NotMeasured is null;
}

/// <summary>Judges a recipe that was heard by the rules of the bench, and puts it right.</summary>
public static class RecipeJudge
{
    /// <summary>Of what was not understood.</summary>
    internal const string Unclear = "unclear";

    /// <summary>Soap that keeps a kitchen oil in the water, ml a litre: what a shaken jar begins with (assumed).</summary>
    private const double SoapForOil = 2;

    /// <summary>Nobody counts more drops than these.</summary>
    private const double MostDrops = 40;

    /// <summary>Less than this, in ml or g, nobody measures: such a part is left out, and all are told in steps of it.</summary>
    private const double LeastMeasured = 0.01;

    /// <param name="sprayerLitres">What the corrected recipe is made up for; null for what was told, a litre when nothing was.</param>
    public static JudgedRecipe Judge(GardenCatalogue catalogue, HeardRecipe heard, KitchenSystem kitchen, Crop? crop, double? sprayerLitres)
    {
        var litres = heard.Litres ?? WithoutWater(heard);
        var shares = litres is { } whole ? Shares(catalogue, heard, whole) : [];
        var soapy =
            shares.Exists(s => s.Material.Load == LoadKind.Soap)
            || heard.Lines.Any(l => l is { IsMeasured: true, Word: { Nature: HeardNature.Soap, Material: null } });
        RecipeFault[] faults =
        [
            .. Reading(heard),
            .. heard.Litres is null && !heard.Bait ? NoWater(heard) : [],
            .. Unknown(heard, litres, soapy),
            .. heard.Bait ? Bait(heard, shares) : Guards(catalogue, shares, crop, soapy),
            .. Evidence(shares),
        ];
        var verdict =
            Array.Exists(faults, f => f.Stops) ? HeardVerdict.No
            : Array.Exists(faults, f => f.Code != "evidence") ? HeardVerdict.Warn
            : HeardVerdict.Ok;
        var corrected = verdict == HeardVerdict.No ? Corrected(catalogue, shares, kitchen, crop, sprayerLitres ?? heard.WaterLitres ?? 1) : null;
        return new JudgedRecipe(heard, heard.Litres, [.. shares.Select(s => new HeardShare(s.Material, s.PerLitre))], faults, corrected, verdict);
    }

    /// <summary>Liquids alone are what is sprayed, when no water was named.</summary>
    private static double? WithoutWater(HeardRecipe heard) => heard.Lines.Sum(l => l.PouredMl * l.Used) is > 0 and var ml ? ml / 1000 : null;

    private static List<MixShare> Shares(GardenCatalogue catalogue, HeardRecipe heard, double litres) =>
        [
            .. heard
                .Lines.Where(l => l.Word?.Material is not null && l.IsMeasured)
                .Select(l => (Material: catalogue.Material(l.Word!.Material!), Amount: (l.Millilitres ?? l.Grams)!.Value * l.Used, l.Percent))
                .GroupBy(l => l.Material.Id)
                .Select(g => new MixShare(g.First().Material, g.Sum(x => x.Amount) / litres, g.Select(x => x.Percent).FirstOrDefault(p => p is not null))),
        ];

    /// <summary>What was not understood is asked. A stock of unknown strength may be anything, and does not go on.</summary>
    private static IEnumerable<RecipeFault> Reading(HeardRecipe heard) =>
        heard.Lines.Where(l => l.Unclear is not null).Select(l => new RecipeFault(Unclear, $"“{l.Text}”: {l.Unclear}", l.Kind == HeardKind.Taken));

    private static IEnumerable<RecipeFault> NoWater(HeardRecipe heard)
    {
        var strong = heard.Lines.Where(l => l.Word is { Material: not null } && l.Millilitres is not null).ToList();
        yield return strong.Count > 0 || (heard.Neat && heard.Lines.Any(l => l.Word is not null))
            ? new RecipeFault("undiluted", Say.Of("byEar.noWaterIsNamedNothingGoes"), true)
            : new RecipeFault("no-water", Say.Of("byEar.howMuchWaterDoesItGo"), false);
    }

    /// <summary>What the catalogue does not hold: refused where it harms, and held to the ceiling of its kind where one is known.</summary>
    private static IEnumerable<RecipeFault> Unknown(HeardRecipe heard, double? litres, bool soapy)
    {
        foreach (var line in heard.Lines.Where(l => l.Word is { Material: null }))
        {
            var word = line.Word!;
            if (word.Stops is { } why)
            {
                yield return new RecipeFault("harmful", $"{line.Name}: {why}", true);
                continue;
            }

            yield return new RecipeFault("not-in-catalogue", $"{line.Name}: {word.Says ?? NobodyMeasured}", false);
            if (word.Nature == HeardNature.Hot)
            {
                yield return new RecipeFault("hot", Say.Of("byEar.itIsHot", ("name", line.Name)), false);
            }

            var perLitre = (line.Millilitres ?? line.Grams) * line.Used / litres;
            if (MostOfKind(word.Nature) is { } most && perLitre > most)
            {
                var (much, name, limit) = (Say.In(perLitre, "0.#"), line.Name!.InSentence(), Say.In(most, "0"));
                var told = line.Millilitres is null
                    ? Say.Of("byEar.gOfALitreIsOver", ("perLitre", much), ("line", name), ("most", limit))
                    : Say.Of("byEar.mlOfALitreIsOver", ("perLitre", much), ("line", name), ("most", limit));
                yield return new RecipeFault("ceiling", told, true);
            }

            if (word.Nature == HeardNature.Oil && line.IsMeasured && !soapy)
            {
                yield return new RecipeFault(MixGuards.OilAlone.Code, MixGuards.OilAlone.Sentence, true);
            }
        }
    }

    private static string NobodyMeasured => Say.Of("byEar.nobodyMeasuredWhatItDoes");

    /// <summary>
    /// The most of a thing that is only known by its kind, ml or g a litre: as of oils, soaps, bicarbonates, vinegar and alcohol (assumed); null where
    /// there is none.
    /// </summary>
    private static double? MostOfKind(HeardNature nature) =>
        nature switch
        {
            HeardNature.Oil or HeardNature.Soap => 20,
            HeardNature.Salt => 10,
            HeardNature.Acid => 50,
            HeardNature.Alcohol => 500,
            _ => null,
        };

    /// <summary>Borax that ants are to carry home, per cent of the sweet water: more kills them on the way.</summary>
    private const double MostBoraxPercent = 1.5;

    private static IEnumerable<RecipeFault> Bait(HeardRecipe heard, List<MixShare> shares)
    {
        var borax = shares.Find(s => s.Material.Id == KnownIds.Materials.Borax);
        if (borax is not null && heard.Litres is not null && borax.PerLitre / 10 > MostBoraxPercent)
        {
            var told = Say.Of("byEar.ofBoraxKillsTheAntsBefore", ("perLitre", Say.In(borax.PerLitre / 10, "0.#")), ("mostBoraxPercent", MostBoraxPercent));
            yield return new RecipeFault("bait-strong", told, false);
        }

        foreach (var caution in borax?.Material.Cautions ?? [])
        {
            yield return new RecipeFault("bait", caution, false);
        }
    }

    private static IEnumerable<RecipeFault> Guards(GardenCatalogue catalogue, List<MixShare> shares, Crop? crop, bool soapy)
    {
        if (shares.Count == 0)
        {
            yield break;
        }

        var tender =
            crop is not null
            && shares.Exists(s =>
                MaterialChoice.IsTender(crop, new Planting(Guid.Empty, Guid.Empty, crop.Id, null, default, null, null, GrowthStage.Mature, false), s.Material)
            );
        var judged = MixGuards.Judge(
            catalogue,
            shares,
            [.. shares.Where(s => s.Material.Doses is not null).Select(s => s.Material).DefaultIfEmpty(shares[0].Material)],
            Form.Spray,
            new MixConditions(null, tender ? [crop!.Name] : [], false)
        );
        foreach (var reason in judged.Reasons.Where(r => !(soapy && r.Code == "no-emulsifier")))
        {
            // Told at the bench as something to put right first; in a recipe that was heard it is what burns the plant.
            yield return new RecipeFault(reason.Code, reason.Sentence, reason.Verdict == MixVerdict.Refused || reason.Code == "no-emulsifier");
        }

        foreach (var reason in crop is null ? [] : UseGuards.OwnFamily(crop, shares.Select(s => s.Material)))
        {
            yield return new RecipeFault(reason.Code, reason.Clause.AsSentenceStart() + ".", true);
        }

        if (shares.Exists(s => s.Material.Cautions.Any(c => c.Contains("cats", StringComparison.Ordinal))))
        {
            yield return new RecipeFault("pets", Say.Of("byEar.keepCatsAwayUntil"), false);
        }
    }

    private static IEnumerable<RecipeFault> Evidence(List<MixShare> shares)
    {
        if (
            shares.Count > 0
            && shares.TrueForAll(s => s.Material.Evidence == EvidenceGrade.Weak || s.Material.Load == LoadKind.Soap)
            && shares.Exists(s => s.Material.Evidence == EvidenceGrade.Weak)
        )
        {
            yield return new RecipeFault("evidence", Say.Of("byEar.theEvidenceForItIsWeak"), false);
        }
    }

    /// <summary>
    /// The same recipe with every part at a strength that may go on, soap where there is oil, and without what may not meet; null when nothing is left.
    /// </summary>
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

        // Parts are measured for the volume that is told, which is rounded.
        var size = TankVolume.AsTold(Math.Min(litres, Mix.MostLitres), kitchen);
        return
        [
            .. may.Where(s => s.PerLitre * size >= LeastMeasured).Select(s => Measured(s, Limit(catalogue, s.Material) ?? s.PerLitre, size, kitchen)),
            Say.Of("byEar.madeUpWithWater", ("text", TankVolume.Text(size, kitchen))),
            .. crop is null ? Array.Empty<string>() : [Say.Of("byEar.twoLeavesOfTheFirst", ("crop", crop.Name.InSentence()))],
        ];
    }

    /// <summary>The most of a material that a corrected recipe holds, in its unit a litre; null for what is never sprayed.</summary>
    private static double? Limit(GardenCatalogue catalogue, Material material) =>
        material.Doses is { Per: DosedPer.Litre } doses ? doses.Strong
        : material.Doses is not null ? null
        : Preparations.MostOf(catalogue, material);

    /// <summary>In spoons or drops where they fit; else the exact amount, with what measures it behind. Never over what is given.</summary>
    /// <param name="mostPerLitre">Spoons may be a little over what was told, but not over this.</param>
    private static string Measured(MixShare share, double mostPerLitre, double litres, KitchenSystem kitchen)
    {
        var (material, amount) = (share.Material, Math.Floor(share.PerLitre * litres / LeastMeasured) * LeastMeasured);
        var most = Math.Max(amount, Math.Min(mostPerLitre * litres, amount * (1 + KitchenMeasure.LargestErrorPercent / 100)));
        var powder = material.Unit == "g";
        var perMl = powder ? material.DensityGramsPerMillilitre : 1;
        var name = material.Name.InSentence();
        if (KitchenMeasure.AtMost(most / perMl, kitchen) is { } spoons)
        {
            return Say.Of(
                "byEar.textMillilitresUnitOf",
                ("text", spoons.Text),
                ("millilitres", Say.In(spoons.Millilitres * perMl, "0.##")),
                ("unit", material.Unit),
                ("name", name)
            );
        }

        var drops = Math.Floor(amount * material.DropsPerMillilitre + 1e-9);
        return !powder && drops is >= 1 and <= MostDrops
            ? drops > 1
                ? Say.Of("byEar.dropsMl", ("drops", drops), ("drops2", Say.In(drops / material.DropsPerMillilitre, "0.##")), ("name", name))
                : Say.Of("byEar.dropMl", ("drops", drops), ("drops2", Say.In(drops / material.DropsPerMillilitre, "0.##")), ("name", name))
            : powder
                ? Say.Of("byEar.ofScale", ("amount", Say.In(amount, "0.##")), ("unit", material.Unit), ("name", name))
                : Say.Of("byEar.ofSyringe", ("amount", Say.In(amount, "0.##")), ("unit", material.Unit), ("name", name));
    }
}
