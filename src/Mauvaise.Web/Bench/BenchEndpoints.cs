using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Mauvaise.Web.Bench;

/// <summary>Mixing: the recipe scaled to the sprayer at hand.</summary>
public static class BenchEndpoints
{
    /// <summary>Less than this too much is not worth a word, litres.</summary>
    private const double SpareLitres = 0.15;

    public static void MapBench(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Bench");
        garden.MapGet("/bench", Preview);
        garden.MapEmulsions();
        garden.MapBatches();
        garden.MapShelf();
        garden.MapProducts();
        garden.MapOwnRecipes();
        garden.MapOwnStocks();
    }

    private static async Task<Results<Ok<BenchAnswer>, ProblemHttpResult>> Preview(
        Guid gardenId,
        Guid[] planting,
        string? target,
        string? recipe,
        string? step,
        Guid? sprayer,
        double? size,
        [FromQuery] string[] add,
        double? dose,
        string? soap,
        double? bottlePercent,
        DateTimeOffset? at,
        bool? patchTest,
        int[] plants,
        string? also,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = BenchOrder
            .Check(s, planting, target, recipe, add, soap, dose, bottlePercent, new Checks())
            .That(EnumWords.TryRead(step ?? "gentle", out DoseStep doseStep), "step", "step-unknown", Say.Of("bench.theDoseIsGentleUsual"))
            .That(sprayer is null || s.Sprayers.Any(x => x.Id == sprayer), "sprayer", "sprayer-unknown", Say.Of("bench.chooseOneOfTheGardensSprayers"))
            .That(
                plants.Length == 0 || (planting is [var one] && s.FindPlanting(one) is { } grown && SinglePlants.AreOf(grown, plants)),
                "plants",
                "plants-not-theirs",
                Say.Of("bench.plantsAreOfOne")
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var plantings = planting.Select(s.FindPlanting).OfType<Planting>().ToList();
        var options = plantings.Count > 0 && target is not null ? Options(s, plantings[0], s.Catalogue.Target(target)) : [];
        var chosen = (recipe is null ? null : s.Catalogue.FindRecipe(recipe))
            ?? s.Catalogue.FindRecipe(options.FirstOrDefault(o => o.Allowed)?.Recipe ?? "")
            ?? s.Catalogue.RecipeFor(KnownIds.Materials.InsecticidalSoap)!;
        var fill = Fill(s, chosen, plantings, plants, sprayer, size, patchTest == true);
        if (!(fill.Size > 0 && (size ?? fill.Size) <= Mix.MostOf(chosen.IsWet)))
        {
            return new Checks().That(false, "size", "size-range", BenchOrder.SizeRange(chosen.IsWet)).Problem();
        }

        var first = new MixAsk(planting, target, chosen.Id, doseStep, add, dose, soap, bottlePercent, at, patchTest == true);
        var together = OneTank.For(s, first, fill.Size);
        var shared = together.FirstOrDefault(t => t.Other.Id == also && t.Material is not null);
        var ask = shared is { Beside: true } ? first with { Add = [.. first.Add, shared.Material!.Id] } : first;
        var made = MixDeeds.Make(s, ask, fill.Size);
        if (
            size is null
            && chosen.IsWet
            && fill.Tanks == 1
            && SpoonSize.For(s.Catalogue, made.Mix.Order, ask.PatchTest ? SprayVolume.MostPatchTestLitres : fill.VesselLitres) is var spoons
            && spoons != fill.Size
        )
        {
            fill = fill with { Size = spoons };
            made = MixDeeds.Make(s, ask, spoons);
        }

        return TypedResults.Ok(
            Answer(s, ask, made, options, plantings, fill) with
            {
                Plants = plantings is [var single] ? PlantsOf(s, single) : null,
                Together = [.. together.Select(t => new SharedFillingAnswer(t.Other.Id, t.Other.Name, t.Material?.Id, t.Worth, t.Sentence))],
                Also = shared?.Other.Id,
                Feed = chosen.Form == Form.Spray ? OneTank.Feed(s.Catalogue, s.Catalogue.Material(chosen.Active.Material)) : null,
            }
        );
    }

    /// <summary>Which plants of a planting the latest look found sick; null where plants were not counted.</summary>
    private static BenchPlants? PlantsOf(GardenSnapshot s, Planting planting) =>
        SinglePlants.Fits(planting) && s.LatestLook(planting.Id).FirstOrDefault(o => o.Plants is { Count: > 0 })?.Plants is { } sick
            ? new BenchPlants(planting.Count!.Value, sick, SinglePlants.WithNeighbours(sick, planting.Count.Value))
            : null;

    /// <summary>How much goes into which vessel.</summary>
    /// <param name="Needed">For the plantings.</param>
    private sealed record Filling(double Needed, double Size, Sprayer? Sprayer, double VesselLitres, int Tanks);

    /// <summary>The smallest sprayer that holds it all, or equal fillings of the one that was chosen; dips and drenches take any bucket.</summary>
    private static Filling Fill(GardenSnapshot s, Recipe recipe, List<Planting> plantings, int[] plants, Guid? sprayer, double? size, bool patchTest)
    {
        var needed =
            patchTest ? SprayVolume.PatchTestLitres
            : plants.Length > 0 ? SprayVolume.SizeFor(s, recipe, plantings[0], plants)
            : plantings.Count > 0 ? SprayVolume.SizeFor(s, recipe, plantings)
            : 1;
        var wanted = size ?? needed;
        if (!recipe.IsWet)
        {
            return new Filling(needed, wanted, null, 0, 1);
        }

        var tank =
            recipe.Form == Form.Spray
                ? s.Sprayers.FirstOrDefault(x => x.Id == sprayer) ?? s.Sprayers.FirstOrDefault(x => x.CapacityLitres >= wanted) ?? s.Sprayers.LastOrDefault()
                : null;
        var vessel = tank?.CapacityLitres ?? Math.Max(wanted, 1);
        var tanks = (int)Math.Max(1, Math.Ceiling(wanted / vessel - 1e-9));
        return new Filling(needed, tanks == 1 ? wanted : Math.Min(vessel, Math.Ceiling(wanted / tanks * 10 - 1e-9) / 10), tank, vessel, tanks);
    }

    private static BenchAnswer Answer(GardenSnapshot s, MixAsk ask, JudgedMix made, IReadOnlyList<OptionAnswer> options, List<Planting> plantings, Filling fill)
    {
        var mix = made.Mix;
        var catalogue = s.Catalogue;
        var active = mix.Parts.First(p => p.Role == "active");
        var doses = active.Material.Doses!;
        var inMix = mix.Parts.Select(p => p.Material).ToList();
        return new BenchAnswer(
            [.. plantings.Select(p => s.Where(p))],
            ask.Target,
            ask.Target is null ? null : catalogue.Target(ask.Target).Name,
            options,
            [
                .. catalogue
                    .Recipes.Select(r => (Recipe: r, Active: catalogue.Material(r.Active.Material)))
                    .Where(x => x.Active.Doses is not null && x.Active.Label is not { Retired: true } && !x.Recipe.PutAway)
                    .Select(x => new RecipeAnswer(
                        x.Recipe.Id,
                        x.Recipe.Name,
                        x.Recipe.Form,
                        x.Active.Id,
                        x.Recipe.Kept ? EvidenceGrade.Weak : x.Active.Evidence,
                        x.Recipe.Kept
                    )),
            ],
            mix.Recipe.Id,
            mix.Recipe.Name,
            mix.Recipe.Form,
            active.Material.Id,
            active.Material.Name,
            catalogue.Group(active.Material.Group).Hatch,
            mix.Order.Step,
            mix.AllowedStep,
            made.NearestStep,
            new DoseAnswer(
                mix.Order.ActiveDose ?? mix.Recipe.Active.Amount ?? doses.At(mix.Order.Step),
                doses.Unit,
                doses.Per,
                doses.Gentle,
                doses.Usual,
                doses.Strong,
                doses.Ceiling
            ),
            fill.Needed,
            MixSize.Text(s, doses.Per, fill.Needed),
            fill.Size,
            MixSize.Unit(doses.Per),
            MixSize.Text(s, doses.Per, fill.Size),
            doses.Per == DosedPer.Litre ? TankVolume.Beside(fill.Size, s.Garden.Kitchen) : null,
            fill.Sprayer?.Id,
            fill.VesselLitres,
            fill.Tanks,
            [.. MixSteps.Of(mix).Select(Step)],
            [.. mix.Strengths.Select(Strength)],
            mix.OilPercent,
            mix.SoapPercent,
            made.Verdict,
            [.. made.Reasons.Select(r => new ReasonAnswer(r.Code, r.Verdict, r.Sentence, FigureAnswer.Of(r.Said)))],
            mix.Cautions,
            Notes(s, mix, inMix, fill, plantings),
            Why(s, made, active),
            [.. mix.Order.Added.Select(m => new MaterialName(m.Id, m.Name))],
            [
                .. catalogue
                    .Materials.Where(m => m.Doses is { Per: DosedPer.Litre } && m.Label is not { Retired: true } && !inMix.Contains(m))
                    .Select(m => new MaterialName(m.Id, m.Name)),
            ],
            [.. mix.Parts.Select(p => OnShelf(s, p))],
            EmulsionEndpoints.Answer(s, made),
            [.. made.Patches.Select(p => new PatchAnswer(p.Material.Id, p.Material.Name, p.Crop.Id, p.Crop.Name, p.State, p.JudgeOn, p.Burnt))],
            ask.PatchTest,
            active.BottlePercent ?? active.Material.StockStrengthPercent,
            mix.MixedLifeHours,
            inMix.Max(m => m.DaysToWait),
            made.At
        );
    }

    /// <summary>How it is measured, and what is more than it takes.</summary>
    private static List<string> Notes(GardenSnapshot s, Mix mix, List<Material> inMix, Filling fill, List<Planting> plantings)
    {
        var coldestC = ShelfEndpoints.ColdestLastNight(s);
        var notes = inMix
            .Select(m => Shelf.ColdHint(m, coldestC) is { } cold ? $"{m.Name}: {cold.Sentence}" : m.MixingNote)
            .OfType<string>()
            .Distinct()
            .ToList();
        if (AfterSpray.Rinse(inMix) is { } rinsed)
        {
            notes.Add(rinsed);
        }

        if (Rinsing.First(s, fill.Sprayer, inMix) is { } rinse)
        {
            notes.Insert(0, rinse);
        }

        if (mix.Recipe.SteepHours > 0)
        {
            notes.Insert(
                0,
                Say.Of(
                    "bench.itStandsHours",
                    ("hours", Say.In(mix.Recipe.SteepHours, "0")),
                    ("when", Figure.Moment(s.Garden.Zone.Local(s.Now.AddHours(mix.Recipe.SteepHours))))
                )
            );
        }

        notes.AddRange(SystemRun.Of(s, mix.Recipe.Form, inMix[0], plantings).Select(run => run.Told(s.Garden.Kitchen)));

        var waxy = plantings.Select(p => s.Catalogue.Crop(p.Crop)).Where(c => c.HardToWet).Select(c => c.Name.InSentence()).Distinct().ToList();
        if (mix.Recipe.Form == Form.Spray && waxy.Count > 0)
        {
            notes.Add(Say.Of("bench.leavesOfShedWaterSprayThem", ("list", Say.All(waxy))));
        }

        var spare = fill.Size * fill.Tanks - fill.Needed;
        if (mix.Recipe.IsWet && spare > SpareLitres)
        {
            notes.Add(
                Say.Of(
                    "bench.moreThanTheyTakeMakeLess",
                    ("text", TankVolume.Text(spare, s.Garden.Kitchen)),
                    ("mixedLifeHours", Say.In(mix.MixedLifeHours, "0"))
                )
            );
        }

        return notes;
    }

    /// <summary>Why this dose and not another, in the order in which it was settled.</summary>
    private static List<string> Why(GardenSnapshot s, JudgedMix made, MixPart active)
    {
        var mix = made.Mix;
        var why = new List<string>
        {
            mix.Order.ActiveDose is { } own ? Say.Of("bench.youAsked", ("dose", DoseTold.Of(own, active.Unit, active.Material.Doses!.Per)))
            : mix.Recipe.Kept ? Say.Of("bench.itIsMixedAsYouKeep")
            : Say.Of("bench.startGentleStepUpOnlyAfter"),
        };
        if (active.Material.Label is not null)
        {
            why.Add(Say.Of("bench.theLabelsFiguresStandInPlace"));
        }

        if (active.BottlePercent is { } bottle && active.Material.StockStrengthPercent is { } usual && bottle != usual)
        {
            why.Add(
                Say.Of(
                    "bench.theBottleIsAndTheRecipe",
                    ("bottle", Say.In(bottle, "0.#")),
                    ("usual", Say.In(usual, "0.#")),
                    ("usual2", Say.In(usual / bottle, "0.##"))
                )
            );
        }

        if (made.Emulsion is { } jar)
        {
            why.Add(
                Say.Of(
                    "bench.soapKeptAJarEven",
                    ("dose", Figure.Dose(jar.SoapMlPerLitre, "ml")),
                    ("heldSeconds", jar.HeldSeconds),
                    ("date", Say.In(s.Garden.DateOf(jar.At), "d MMMM"))
                )
            );
        }

        if (mix.OilPercent > 0 || mix.SoapPercent > 0)
        {
            why.Add(
                Say.Of(
                    "bench.oilsTogetherSoapsTogether2",
                    ("oilPercent", Say.In(mix.OilPercent, "0.##")),
                    ("soapPercent", Say.In(mix.SoapPercent, "0.##")),
                    ("temperature", Figure.Temperature(27))
                )
            );
        }

        if (active.Material.Assumed.Count > 0)
        {
            why.Add(Say.Of("bench.assumedOfThisMaterial", ("list", string.Join(", ", active.Material.AssumedInWords()))));
        }

        return why;
    }

    private static ShelfLine OnShelf(GardenSnapshot s, MixPart part)
    {
        var draw = Shelf.Take(s.Stocks, part.Material.Id, part.Amount, s.Today);
        return new ShelfLine(
            part.Material.Id,
            part.Material.Name,
            part.Amount,
            part.Unit,
            draw.Kept ? s.Stocks.Where(x => x.Material == part.Material.Id).Sum(x => x.Left) : null,
            draw.Kept ? draw.Missing : 0,
            [
                .. draw
                    .Draws.SelectMany(d => Shelf.Hints(part.Material, d.Stock, s.Today, null))
                    .Where(h => h.Code is not "low")
                    .Select(h => $"{part.Material.Name}: {h.Sentence}")
                    .Distinct(),
            ]
        );
    }

    public static StepAnswer Step(MixStep step) =>
        new(
            step.Title,
            step.Detail,
            step.Material,
            step.Measure,
            step.Exact,
            [.. step.Scoops.Select(x => new ScoopAnswer(x.Unit.Named(1), x.Count, x.Unit.InBase))]
        );

    public static StrengthAnswer Strength(ActiveStrength s) =>
        new(s.Material.Name, s.Percent, s.PerLitre, s.Material.Unit, Figure.Dose(s.PerLitre, s.Material.Unit));

    /// <summary>Materials as the ways weigh them; where nothing was counted yet, by what they do and what was done before.</summary>
    private static IReadOnlyList<OptionAnswer> Options(GardenSnapshot s, Planting planting, Target target) =>
        WayBook.Of(s).For(planting, target) is { } set
            ? [.. set.WithMaterials.Select(w => Option(s, planting, target, w.Option!, w.Against, WayWords.Comes(w, set), w.Outlook?.End.Middle))]
            : [.. MaterialChoice.Options(s, planting, target).Select(o => Option(s, planting, target, o, o.Barred, null, null))];

    private static OptionAnswer Option(
        GardenSnapshot s,
        Planting planting,
        Target target,
        MaterialOption o,
        IReadOnlyList<UseReason> against,
        Said? comes,
        double? share
    )
    {
        var group = s.Catalogue.Group(o.Material.Group);
        string[] inShort = against.Any(r => r.Code == MaterialOption.NeedsLabel)
            ? [Say.Of("bench.byTheLabelOfAProduct")]
            :
            [
                .. against.Count > 0 ? [Say.Of("bench.notNow")]
                : share is { } left ? [Say.Of("bench.in3Weeks", ("percent", WayWords.Percent(left)))]
                : Array.Empty<string>(),
                .. UseGuards.PatchOf(s, s.Catalogue.Crop(planting.Crop), o.Material).State is PatchState.Needed or PatchState.Waiting
                    ? [Say.Of("bench.newHere")]
                    : Array.Empty<string>(),
                .. s.Stocks.Count > 0 && s.Stocks.All(x => x.Material != o.Material.Id || x.Left <= 0)
                    ? [o.Material.MadeFrom is null ? Say.Of("bench.noneThere") : Say.Of("bench.toBeMade")]
                    : Array.Empty<string>(),
            ];
        return new(
            o.Recipe.Id,
            o.Recipe.Name,
            o.Material.Name,
            group.Id,
            group.Name,
            group.Hatch,
            o.Material.EvidenceOn(target),
            against.Count == 0,
            string.Join(", ", inShort),
            against.Count == 0
                ? SaidAnswer.Of([.. comes is null ? [] : new[] { comes }, .. o.Reasons])
                : SaidAnswer.Of(against.Select(r => Said.Of("bench.notNow2", ("clause", Fact.Clause(r.Said)))))
        );
    }
}
