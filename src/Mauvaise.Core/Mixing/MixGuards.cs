using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>How much of a material is in a litre of a mix, in its unit.</summary>
/// <param name="BottlePercent">Strength of the bottle it came from; null for the usual one.</param>
public sealed record MixShare(Material Material, double PerLitre, double? BottlePercent = null)
{
    /// <summary>The same as it would be from a bottle of the usual strength: what doses and ceilings are written for.</summary>
    public double UsualPerLitre => BottlePercent is { } have && Material.StockStrengthPercent is { } usual ? PerLitre * have / usual : PerLitre;
}

/// <summary>What the guards say of a mix.</summary>
/// <param name="AllowedStep">The highest dose step that the conditions allow.</param>
public sealed record MixJudgement(double OilPercent, double SoapPercent, DoseStep AllowedStep, MixVerdict Verdict, IReadOnlyList<MixReason> Reasons);

/// <summary>Refuses or weakens a mix, whichever way it came about.</summary>
public static class MixGuards
{
    private const double MostLoadPercent = 2;
    private const double MostWarmOilPercent = 1;
    private const double WarmC = 27;
    private const double HotC = 32;

    /// <summary>Of oil without soap.</summary>
    public static MixReason OilAlone => new("no-emulsifier", MixVerdict.Ok, Said.Of("mixing.oilFloatsOnWaterAndBurns", ("dose", Fact.Dose(1, "ml"))));

    /// <summary>A pond nearer than this is named on the mix (assumed).</summary>
    private const double PondNearM = 30;

    /// <summary>Judges shares of a made-up litre, or of what the active is dosed per.</summary>
    /// <param name="actives">The materials whose dose step is lowered by heat, tender crops and seedlings.</param>
    public static MixJudgement Judge(
        GardenCatalogue catalogue,
        IReadOnlyList<MixShare> shares,
        IReadOnlyList<Material> actives,
        Form form,
        MixConditions conditions
    )
    {
        var wet = Recipe.IsMixed(form);
        var strengths = wet ? Strengths.Of(catalogue, shares) : [];
        var oil = Load(strengths, LoadKind.Oil);
        var soap = Load(strengths, LoadKind.Soap);
        var down = form is Form.Bait or Form.Feed ? [] : StepDowns(conditions, actives[0]);
        var allowed = (DoseStep)Math.Max(0, (int)DoseStep.Strong - down.Count);
        var tooStrong =
            down.Count > 0 && actives.Any(a => a.Doses is { } doses && shares.Any(s => s.Material.Id == a.Id && s.UsualPerLitre > doses.At(allowed) + 1e-9));
        MixReason[] reasons =
        [
            .. Bottles(shares),
            .. Ceilings(catalogue, shares),
            .. wet ? NoSprays(shares) : [],
            .. wet ? Loads(shares, oil, soap, conditions) : [],
            .. Meetings(catalogue, shares, strengths),
            .. form is Form.Bait or Form.Feed ? [] : Weather(form, conditions),
            .. tooStrong ? down : down.Select(r => r with { Verdict = MixVerdict.Ok }),
            .. Watch(shares, oil, soap, form, conditions),
        ];
        return new MixJudgement(oil, soap, allowed, reasons.Select(r => r.Verdict).DefaultIfEmpty(MixVerdict.Ok).Max(), reasons);
    }

    private static double Load(IEnumerable<ActiveStrength> strengths, LoadKind kind) => strengths.Where(p => p.Material.Load == kind).Sum(p => p.PerLitre / 10);

    private static List<MixReason> StepDowns(MixConditions conditions, Material active)
    {
        var down = new List<MixReason>();
        if (conditions.WarmestNext6hC is > WarmC and <= HotC and var warm)
        {
            down.Add(
                new(
                    "heat",
                    MixVerdict.StepDown,
                    Said.Of("mixing.afterSprayingOverTheDoseSteps", ("temperature", Fact.Temperature(warm)), ("temperature2", Fact.Temperature(WarmC)))
                )
            );
        }

        if (conditions.TenderCrops.Count > 0)
        {
            down.Add(
                new(
                    "tender",
                    MixVerdict.StepDown,
                    Said.Of(
                        "mixing.scorchesEasilyFromOneStepDown",
                        ("list", Fact.Thing(string.Join(", ", conditions.TenderCrops))),
                        ("active", Fact.Thing(active.Name.InSentence()))
                    )
                )
            );
        }

        if (conditions.Seedlings)
        {
            down.Add(new("seedlings", MixVerdict.StepDown, Said.Of("mixing.seedlingsOneStepDown")));
        }

        return down;
    }

    private static IEnumerable<MixReason> Bottles(IEnumerable<MixShare> shares) =>
        from s in shares
        where s.BottlePercent > s.Material.MostStockPercent
        select new MixReason(
            "bottle-strong",
            MixVerdict.Refused,
            Said.Of(
                "mixing.aBottleOfIsRefused",
                ("bottlePercent", Fact.Percent(s.BottlePercent!.Value, "0.#")),
                ("stockStrengthPercent", Fact.Percent(s.Material.StockStrengthPercent!.Value))
            )
        );

    /// <summary>A brew of plants is refused when it is so many times as strong as the strongest stock brings (assumed).</summary>
    private const double StrongBrew = 4;

    private static IEnumerable<MixReason> Ceilings(GardenCatalogue catalogue, IReadOnlyList<MixShare> shares)
    {
        foreach (var p in shares.Where(p => p.Material.Doses is null))
        {
            if (Preparations.MostOf(catalogue, p.Material) is { } most && p.PerLitre > most + 1e-9)
            {
                var told = Say.Of(
                    "mixing.ofALitre",
                    ("perLitre", Say.In(p.PerLitre, "0.#")),
                    ("unit", p.Material.Unit),
                    ("material", p.Material.Name.InSentence())
                );
                // What a stock brings is no limit that anybody measured: a stronger brew scorches before it harms.
                yield return p.Material.MostPerLitre is null && p.PerLitre <= StrongBrew * most
                    ? new(
                        "strong-brew",
                        MixVerdict.Ok,
                        Said.Of(
                            "mixing.isStrongerThanAnyStockHere",
                            ("told", Fact.Dose(p.PerLitre, p.Material.Unit, told)),
                            ("most", Fact.Dose(most, p.Material.Unit, Say.In(most, "0.#"))),
                            ("unit", Fact.Unit(p.Material.Unit))
                        )
                    )
                    : new(
                        "ceiling",
                        MixVerdict.Refused,
                        Said.Of(
                            "mixing.isOverWhatIsEverGiven",
                            ("told", Fact.Dose(p.PerLitre, p.Material.Unit, told)),
                            ("most", Fact.Dose(most, p.Material.Unit, Say.In(most, "0.#"))),
                            ("unit", Fact.Unit(p.Material.Unit))
                        )
                    );
            }
        }

        foreach (var p in shares.Where(p => p.Material.Doses is { } d && p.UsualPerLitre > d.Ceiling + 1e-9))
        {
            var doses = p.Material.Doses!;
            yield return new(
                "ceiling",
                MixVerdict.Refused,
                Said.Of(
                    p.Material.Label is null ? "mixing.ofIsOverItsCeiling" : "mixing.ofIsOverItsLabel",
                    ("material", Fact.Thing(p.Material.Name)),
                    ("dose", Fact.Dose(p.UsualPerLitre, doses.Unit, DoseTold.Of(p.UsualPerLitre, doses.Unit, doses.Per))),
                    // Two doses that are close may read alike in spoons.
                    ("percent", Fact.Percent(Math.Ceiling((p.UsualPerLitre / doses.Ceiling - 1) * 100))),
                    ("most", Fact.Dose(doses.Ceiling, doses.Unit, DoseTold.Of(doses.Ceiling, doses.Unit, doses.Per)))
                )
            );
        }

        if (shares.Where(s => s.Material.Unit == "ml").Sum(s => s.PerLitre) >= 1000)
        {
            yield return new("undiluted", MixVerdict.Refused, Said.Of("mixing.anUndilutedConcentrateIsNeverSprayed"));
        }
    }

    /// <summary>What is laid out as bait or dusted is never dissolved and sprayed.</summary>
    private static IEnumerable<MixReason> NoSprays(IEnumerable<MixShare> shares) =>
        from s in shares
        where s.Material.Doses is { Per: DosedPer.Station or DosedPer.SquareMetre or DosedPer.Plant }
        select new MixReason(
            "no-spray-form",
            MixVerdict.Refused,
            Said.Of("mixing.isNeverSprayedItIsMeasured", ("material", Fact.Thing(s.Material.Name)), ("per", Fact.Clause(Per(s.Material.Doses!.Per))))
        );

    private static IEnumerable<MixReason> Loads(IReadOnlyList<MixShare> shares, double oil, double soap, MixConditions conditions)
    {
        var mostOil = conditions.WarmestNext6hC > WarmC ? MostWarmOilPercent : MostLoadPercent;
        if (oil > mostOil + 1e-9)
        {
            yield return new(
                "oil-load",
                MixVerdict.Refused,
                mostOil < MostLoadPercent
                    ? Said.Of(
                        "mixing.oilsTogetherMakeIsTheMost",
                        ("oil", Fact.Percent(oil, "0.##")),
                        ("mostOil", Fact.Percent(mostOil)),
                        ("temperature", Fact.Temperature(WarmC))
                    )
                    : Said.Of("mixing.oilsTogetherMakeIsTheMost2", ("oil", Fact.Percent(oil, "0.##")), ("mostOil", Fact.Percent(mostOil)))
            );
        }

        if (soap > MostLoadPercent + 1e-9)
        {
            yield return new(
                "soap-load",
                MixVerdict.Refused,
                Said.Of("mixing.soapsTogetherMakeIsTheMost", ("soap", Fact.Percent(soap, "0.##")), ("mostLoadPercent", Fact.Percent(MostLoadPercent)))
            );
        }

        if (oil > 0 && soap == 0 && shares.Any(s => s.Material.NeedsEmulsifier))
        {
            yield return OilAlone;
        }
    }

    private static IEnumerable<MixReason> Meetings(GardenCatalogue catalogue, IReadOnlyList<MixShare> shares, IReadOnlyList<ActiveStrength> strengths)
    {
        var all = new List<Material>(shares.Count + strengths.Count);
        foreach (var share in shares)
        {
            all.Add(share.Material);
        }

        // What was bought counts beside the stock that it went into.
        foreach (var strength in strengths)
        {
            if (!all.Contains(strength.Material))
            {
                all.Add(strength.Material);
            }
        }

        for (var i = 0; i < all.Count; i++)
        {
            for (var j = i + 1; j < all.Count; j++)
            {
                if (Pairs.Between(catalogue, all[i], all[j]) is { InOneTank: "never" } pair)
                {
                    var wait =
                        pair.DaysApart > 0
                            ? pair.DaysApart == 1
                                ? Say.Of("mixing.giveThemDayApart", ("daysApart", Say.In(pair.DaysApart, "0")))
                                : Say.Of("mixing.giveThemDaysApart", ("daysApart", Say.In(pair.DaysApart, "0")))
                            : Say.Of("mixing.giveOneOfThemAlone");
                    yield return new(
                        "never-together",
                        MixVerdict.Refused,
                        Said.Of(
                            "mixing.andMayNotMeetInOne",
                            ("all", Fact.Thing(all[i].Name)),
                            ("all2", Fact.Thing(all[j].Name.InSentence())),
                            ("why", Fact.Clause(pair.Why)),
                            ("wait", Fact.Clause(wait))
                        )
                    );
                }
            }
        }
    }

    private static IEnumerable<MixReason> Weather(Form form, MixConditions conditions)
    {
        if (conditions.WarmestNext6hC is > HotC and var hot)
        {
            yield return new(
                "too-hot",
                MixVerdict.Refused,
                Said.Of("mixing.afterSprayingOverNothingGoes", ("temperature", Fact.Temperature(hot)), ("temperature2", Fact.Temperature(HotC)))
            );
        }

        if (conditions.InFlower is { Count: > 0 } flowers)
        {
            var who = string.Join(", ", flowers);
            yield return form == Form.Dust ? new("bees", MixVerdict.Refused, Said.Of("mixing.inFlowerDustOnAFlower", ("who", Fact.Thing(who))))
            : conditions.BeesOut == true ? new("bees", MixVerdict.Refused, Said.Of("mixing.inFlowerAndBeesAreOut", ("who", Fact.Thing(who))))
            : new("bees", MixVerdict.Ok, Said.Of("mixing.inFlowerOnlyWhenTheBees", ("who", Fact.Thing(who))));
        }
    }

    /// <summary>What to watch, without being refused.</summary>
    private static IEnumerable<MixReason> Watch(IReadOnlyList<MixShare> shares, double oil, double soap, Form form, MixConditions conditions)
    {
        if (conditions.Water == Water.HardTap && soap > 0 && shares.Any(s => s.Material.TrueSoap))
        {
            yield return new("hard-water", MixVerdict.Ok, Said.Of("mixing.hardWaterBreaksTrueSoapInto"));
        }

        if (conditions.PondM is { } pond and <= PondNearM && form is Form.Spray or Form.Drench)
        {
            yield return new("pond", MixVerdict.Ok, Said.Of("mixing.aPondLiesAwayOnlyWhile", ("figure", Fact.Length(pond))));
        }

        if (conditions.Indoors && (oil > 0 || soap > 0 || form == Form.Spray))
        {
            yield return new("indoors", MixVerdict.Ok, Said.Of("mixing.indoorsAirTheRoomCover"));
        }
    }

    private static string Per(DosedPer per) =>
        per switch
        {
            DosedPer.SquareMetre => Say.Of("mixing.byArea"),
            DosedPer.Plant => Say.Of("mixing.byPlant"),
            _ => Say.Of("mixing.byStation"),
        };
}
