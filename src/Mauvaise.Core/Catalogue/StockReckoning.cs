using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Catalogue;

/// <summary>What is wrong with a stock: a stable code and a sentence.</summary>
public sealed record StockFault(string Code, string Sentence);

/// <summary>
/// A stock of one's own, worked out from its proportions: amounts, how strong it is taken to be, how much of it goes into a litre, how long it
/// keeps. A plant is reckoned against the catalogue's stock of it, everything else against its own doses. Doses go by what is taken to come out of a
/// plant, ceilings by all that went in, so that a wrong guess never makes too strong a spray.
/// </summary>
/// <param name="Material">Null when there are faults.</param>
/// <param name="KeepsWhy">As a sentence.</param>
/// <param name="Drawn">How much is taken to come out, and why, as sentences.</param>
public sealed record StockReckoning(Material? Material, Preparation? Made, string KeepsWhy, IReadOnlyList<string> Drawn, IReadOnlyList<StockFault> Faults)
{
    /// <summary>Most parts that a stock has, water aside.</summary>
    public const int MostParts = 8;

    /// <summary>Most parts of one thing.</summary>
    public const double MostOfOne = 1000;

    /// <summary>Plants lie in water for so many hours at the most: longer, and they rot.</summary>
    public const double MostSteepHours = 96;

    /// <summary>Soap that an oil without any wants, ml a litre of spray.</summary>
    internal const double SoapForOilMl = 2;

    private const double YieldMl = 500;

    /// <summary>More than this in a litre is no dilution any more, ml.</summary>
    private const double MostInALitreMl = 950;

    /// <summary>Share that cold water draws out in the end, and hours until it has half of that (both assumed).</summary>
    private const double ColdDraws = 0.8,
        ColdHalfHours = 8;

    /// <summary>Of what heat spoils, so much is left when it was boiled (assumed).</summary>
    private const double LeftByHeat = 0.3;

    /// <summary>A blended stock stands over night.</summary>
    private const double NightHours = 12;

    /// <summary>One part of soap keeps so many parts of oil in the water.</summary>
    private const double OilToSoap = 6;

    /// <summary>Days that a stock keeps (assumed, from how kitchens keep such things).</summary>
    private const double RawDays = 7,
        BoiledDays = 10,
        PlantInOilDays = 4,
        DryDays = 182;

    /// <summary>One thing in a stock.</summary>
    /// <param name="InMl">Its amount in a millilitre of the stock, in its unit.</param>
    /// <param name="Like">What its strength is known from; null when it is not known.</param>
    /// <param name="LikeInMl">Its amount in a millilitre of that.</param>
    /// <param name="Draws">Share that comes out, 0 to 1.</param>
    private sealed record Share(Material Material, double InMl, Material? Like, double LikeInMl, double Draws)
    {
        public bool IsPlant => Material is { Pantry: true, Unit: "g", MostPerLitre: null };

        /// <summary>A millilitre of the stock is so much of what the step puts into a litre.</summary>
        public double OfDose(DoseStep step) => InMl * Draws / LikeInMl / Like!.Doses!.At(step);

        /// <summary>A millilitre of the stock is so much of the most that is ever in a litre.</summary>
        public double OfCeiling => Math.Max(Like is not null ? InMl / LikeInMl / Like.Doses!.Ceiling : 0, Material.MostPerLitre is { } most ? InMl / most : 0);
    }

    public static StockReckoning Of(GardenCatalogue catalogue, OwnStock stock)
    {
        ArgumentNullException.ThrowIfNull(stock);
        var known = stock.Parts.Select(p => (p.Parts, Material: catalogue.FindMaterial(p.Material))).ToList();
        if (known.Count == 0 || known.Exists(k => k.Material is null || !(k.Parts > 0)) || !(stock.WaterParts >= 0))
        {
            return Fault("parts", Say.Of("catalogue.stockNeedsParts"));
        }

        var poured = known.Where(k => k.Material!.Unit == "ml").Sum(k => Millilitres(k.Material!, k.Parts, stock.ByWeight)) + stock.WaterParts;
        if (poured <= 0)
        {
            return Fault("dry", Say.Of("catalogue.stockNeedsALiquid"));
        }

        var shares = known.ConvertAll(k => ShareOf(catalogue, k.Material!, Amount(k.Material!, k.Parts, stock.ByWeight) / poured, stock));
        var faults = Wrong(catalogue, stock, shares).ToList();
        var working = shares.FindAll(s => s.Like is not null && s.Material.Load != LoadKind.Soap) is { Count: > 0 } works
            ? works
            : shares.FindAll(s => s.Like is not null);
        if (working.Count == 0 && faults.Count == 0)
        {
            faults.Add(
                new("unknown-strength", Say.Of("catalogue.nobodyKnowsHowStrong", ("list", Say.All([.. shares.Select(s => s.Material.Name.InSentence())]))))
            );
        }

        if (faults.Count > 0)
        {
            return new StockReckoning(null, null, "", [], faults);
        }

        double At(DoseStep step) => 1 / working.Sum(s => s.OfDose(step));
        var ceiling = Down(Math.Min(MostInALitreMl, Math.Min(1 / working.Sum(s => s.OfCeiling), 1 / shares.Max(s => s.OfCeiling))));
        if (At(DoseStep.Gentle) > MostInALitreMl)
        {
            var times = At(DoseStep.Gentle) / MostInALitreMl;
            return Fault("too-weak", Say.Of("catalogue.stockIsTooWeak", ("times", Say.In(Math.Ceiling(times * 10) / 10, "0.#"))));
        }

        double Dose(DoseStep step) => Math.Min(ceiling, Down(At(step)));
        var made = Make(stock, shares);
        return new StockReckoning(
            Like(stock, shares, working, new Doses("ml", Dose(DoseStep.Gentle), Dose(DoseStep.Usual), Dose(DoseStep.Strong), ceiling), made.Made),
            made.Made,
            made.Why,
            Drawing(stock, shares),
            []
        );
    }

    private static StockReckoning Fault(string code, string sentence) => new(null, null, "", [], [new(code, sentence)]);

    /// <summary>Two figures are as much as anybody can claim; never more than was worked out.</summary>
    private static double Down(double x)
    {
        var unit = Math.Pow(10, Math.Floor(Math.Log10(x)) - 1);
        return Math.Floor(x / unit + 1e-9) * unit;
    }

    private static double Millilitres(Material m, double parts, bool byWeight) => byWeight ? parts / m.DensityGramsPerMillilitre : parts;

    /// <summary>Parts as an amount in the material's unit.</summary>
    private static double Amount(Material m, double parts, bool byWeight) =>
        m.Unit == "ml" ? Millilitres(m, parts, byWeight)
        : byWeight ? parts
        : parts * m.DensityGramsPerMillilitre;

    private static Share ShareOf(GardenCatalogue catalogue, Material m, double inMl, OwnStock stock)
    {
        if (m.Doses is { Per: DosedPer.Litre })
        {
            return new Share(m, inMl, m, 1, 1);
        }

        // The catalogue's own stock of it: what stands first in one is what it is made for.
        var like = catalogue.Materials.FirstOrDefault(x => x is { MadeFrom: not null, Doses.Per: DosedPer.Litre } && x.MadeFrom.Parts[0].Material == m.Id);
        return like is null
            ? new Share(m, inMl, null, 1, 1)
            : new Share(m, inMl, like, like.MadeFrom!.Parts[0].Amount / like.MadeFrom.YieldMl, m.Unit == "g" ? Draws(m, stock) : 1);
    }

    private static double Draws(Material plant, OwnStock stock) =>
        stock.Making switch
        {
            StockMaking.Steeped => ColdDraws * (1 - Math.Pow(0.5, stock.SteepHours / ColdHalfHours)),
            StockMaking.Boiled => plant.HeatSpoils ? LeftByHeat : 1,
            _ => 1,
        };

    private static IEnumerable<StockFault> Wrong(GardenCatalogue catalogue, OwnStock stock, List<Share> shares)
    {
        var plants = shares.Exists(s => s.IsPlant);
        if (plants && stock.Making == StockMaking.Shaken)
        {
            yield return new("not-drawn", Say.Of("catalogue.plantsAreNotShaken"));
        }

        if (plants && stock.Making != StockMaking.Shaken && stock.WaterParts <= 0)
        {
            yield return new("no-water", Say.Of("catalogue.plantsNeedWater"));
        }

        if (stock.Making == StockMaking.Steeped && !(stock.SteepHours is > 0 and <= MostSteepHours))
        {
            yield return new("steep-range", Say.Of("catalogue.steepRange", ("most", Say.In(MostSteepHours, "0"))));
        }

        if (shares.Exists(s => s.Material.LabelOnly || s.Material.Doses is { Per: not DosedPer.Litre }))
        {
            yield return new("no-spray-form", Say.Of("catalogue.aStockHoldsSprays"));
        }

        for (var i = 0; i < shares.Count; i++)
        {
            foreach (var other in shares.Skip(i + 1).Select(s => s.Material))
            {
                var pair = Pairs.Find(catalogue.Pairs, shares[i].Material, other);
                if (pair is { InOneTank: "never" })
                {
                    yield return new(
                        "never-together",
                        Say.Of("catalogue.neverInOneBottle", ("first", shares[i].Material.Name), ("second", other.Name.InSentence()), ("why", pair.Why))
                    );
                }
            }
        }
    }

    /// <summary>What leads in it, as strong as it is here.</summary>
    private static Material Like(OwnStock stock, List<Share> shares, List<Share> working, Doses doses, Preparation made)
    {
        var leading = working.MaxBy(s => s.OfDose(DoseStep.Usual))!.Like!;
        var all = shares.Select(s => s.Like ?? s.Material).Distinct().ToList();
        var oils = shares.Where(s => s.Material.NeedsEmulsifier).Sum(s => s.InMl);
        var soaps = shares.Where(s => s.Material.Load == LoadKind.Soap).Sum(s => s.InMl);
        // Where the ceiling holds the dose down, it does as much less.
        var reached = Math.Min(1, doses.Usual * working.Sum(s => s.OfDose(DoseStep.Usual)) * Rounding);
        return leading with
        {
            Id = stock.MaterialId,
            Name = stock.Name,
            AlsoCalled = [],
            Doses = doses,
            Evidence = EvidenceGrade.Weak,
            WorksOn =
            [
                .. leading.WorksOn.Select(e =>
                    e with
                    {
                        Eggs = e.Eggs * reached,
                        Young = e.Young * reached,
                        Adult = e.Adult * reached,
                        Protects = e.Protects * reached,
                        Confidence = "assumed",
                        Evidence = EvidenceGrade.Weak,
                    }
                ),
            ],
            NeverOn = [.. shares.SelectMany(s => s.Material.NeverOn).Concat(all.SelectMany(m => m.NeverOn)).Distinct()],
            Pantry = false,
            MeasuredIn = null,
            MadeFrom = made,
            Load = LoadKind.None,
            NeedsEmulsifier = oils > OilToSoap * soaps,
            TrueSoap = shares.Exists(s => s.Material.TrueSoap),
            Living = shares.Exists(s => s.Material.Living),
            HeatNeverC = all.Min(m => m.HeatNeverC),
            RainFreeHours = all.Max(m => m.RainFreeHours),
            KeepFromPondM = all.Max(m => m.KeepFromPondM),
            DaysToWait = all.Max(m => m.DaysToWait ?? 1),
            MixedLifeHours = all.Min(m => m.MixedLifeHours),
            HarmToHelpers = all.Max(m => m.HarmToHelpers),
            DensityGramsPerMillilitre = 1,
            StockStrengthPercent = null,
            MostStockPercent = null,
            MostPerLitre = null,
            PasteBelowC = all.Max(m => m.PasteBelowC),
            KeepsOpenedMonths = null,
            Storage = Say.Of("catalogue.labelledAndAway"),
            MixingNote = null,
            Schools = null,
            Cautions = [.. all.Concat(shares.Select(s => s.Material)).SelectMany(m => m.Cautions).Distinct()],
            Assumed = ["doses", "worksOn", "madeFrom", "harmToHelpers"],
        };
    }

    /// <summary>Doses are cut down to two figures, which is no weakness of the stock.</summary>
    private const double Rounding = 1.1;

    private static (Preparation Made, string Why) Make(OwnStock stock, List<Share> shares)
    {
        var (days, where, why) = Keeping(stock, shares);
        var plants = Say.All([.. shares.Where(s => s.IsPlant).Select(s => s.Material.Name.InSentence())]);
        var hours = stock.Making switch
        {
            StockMaking.Blended => NightHours,
            StockMaking.Steeped => stock.SteepHours,
            _ => 0,
        };
        string[] steps = stock.Making switch
        {
            StockMaking.Blended =>
            [
                Say.Of("catalogue.blendWithWarmWater", ("plants", plants)),
                Say.Of("catalogue.standAndStrain", ("hours", Say.In(hours, "0"))),
                Say.Of("catalogue.addTheRestAndFillUp"),
            ],
            StockMaking.Steeped =>
            [
                Say.Of("catalogue.cutUpAndCover", ("plants", plants)),
                Say.Of("catalogue.standAndStrain", ("hours", Say.In(hours, "0"))),
                Say.Of("catalogue.addTheRestAndFillUp"),
            ],
            StockMaking.Boiled =>
            [
                Say.Of("catalogue.simmerUnderALid", ("plants", plants)),
                Say.Of("catalogue.coolAndStrain"),
                Say.Of("catalogue.addTheRestAndFillUp"),
            ],
            _ => [Say.Of("catalogue.measureIntoABottle"), Say.Of("catalogue.shakeUntilEven")],
        };
        var parts = shares.Select(s => new PreparationPart(s.Material.Id, s.InMl * YieldMl)).ToList();
        return (new Preparation(YieldMl, days, where, parts, steps, hours), why);
    }

    /// <summary>The shortest of what its parts allow, and why.</summary>
    private static (double Days, string Where, string Why) Keeping(OwnStock stock, List<Share> shares)
    {
        var cold = Say.Of("catalogue.inTheFridge");
        var cool = Say.Of("catalogue.closedAndCool");
        var wet = stock.WaterParts > 0;
        var keeping = new List<(double Days, string Where, string Why)> { (DryDays, cool, Say.Of("catalogue.keepsWithoutWater")) };
        if (shares.Exists(s => s.IsPlant))
        {
            keeping.Add(
                shares.Exists(s => s.Material.Load == LoadKind.Oil) ? (PlantInOilDays, cold, Say.Of("catalogue.plantsUnderOilGoBad"))
                : stock.Making == StockMaking.Boiled ? (BoiledDays, cold, Say.Of("catalogue.boiledKeepsALittleLonger"))
                : (RawDays, cold, Say.Of("catalogue.rawPlantsInWaterSpoil"))
            );
        }

        foreach (var m in shares.Where(s => wet && !s.IsPlant).Select(s => s.Material))
        {
            // What is spent in a day, or sours, keeps no longer in a stock; everything else does for a week.
            var brief = m.MixedLifeHours < 24 || m.Group.StartsWith(KnownIds.Modes.Azadirachtin, StringComparison.Ordinal);
            keeping.Add((brief ? m.MixedLifeHours / 24 : RawDays, cool, Say.Of("catalogue.onceInWaterItKeeps", ("material", m.Name))));
        }

        return keeping.MinBy(k => k.Days);
    }

    private static List<string> Drawing(OwnStock stock, List<Share> shares)
    {
        var told = new List<string>();
        foreach (var s in shares.Where(s => s is { IsPlant: true, Like: not null }))
        {
            var plant = s.Material.Name.InSentence();
            told.Add(
                stock.Making switch
                {
                    StockMaking.Steeped => Say.Of("catalogue.coldWaterDraws", ("plant", plant), ("share", Say.In(s.Draws * 100, "0"))),
                    StockMaking.Boiled when s.Material.HeatSpoils => Say.Of("catalogue.heatSpoils", ("plant", plant), ("share", Say.In(s.Draws * 100, "0"))),
                    StockMaking.Boiled => Say.Of("catalogue.heatLeaves", ("plant", plant)),
                    _ => Say.Of("catalogue.blendingDrawsAll", ("plant", plant)),
                }
            );
            told.Add(Say.Of("catalogue.asStrongAs", ("times", Say.In(s.InMl * s.Draws / s.LikeInMl, "0.##")), ("stock", s.Like!.Name.InSentence())));
        }

        return [.. told.Distinct()];
    }
}
