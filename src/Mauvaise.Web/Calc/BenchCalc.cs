using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Calc;

/// <param name="Material">What it is a dose of, to be judged as the bench does and weighed by its own density; null when nobody said.</param>
public sealed record DilutionRequest(
    double DoseAmount,
    string DoseUnit,
    double PerAmount,
    string PerUnit,
    double TankAmount,
    string TankUnit,
    double? DensityGramsPerMillilitre = null,
    double? StockStrengthPercent = null,
    double? RecipeStrengthPercent = null,
    bool Heaped = false,
    bool AddTo = false,
    string? Material = null
);

public sealed record AmountCalc(double Amount, string Unit);

public sealed record KitchenCalc(string Text, double ErrorPercent);

/// <param name="Reasons">What speaks against such a spray; empty when no material was named.</param>
public sealed record DilutionCalc(
    AmountCalc PerLitre,
    AmountCalc Needed,
    KitchenCalc Kitchen,
    double? FinalStrengthPercent,
    IReadOnlyList<MixReasonCalc> Reasons
);

public sealed record MixIngredient(string Material, double Amount, string Unit);

/// <param name="Crop">Crop id, or null when any.</param>
public sealed record MixSituation(double? MaxTemperatureNext6hC = null, string? Crop = null, GrowthStage Stage = GrowthStage.Mature, bool InFlower = false);

/// <param name="WaterAmount">The finished volume: the mix is made up to it.</param>
public sealed record MixRequest(IReadOnlyList<MixIngredient> Ingredients, double WaterAmount, string WaterUnit, MixSituation? Conditions = null);

public sealed record StrengthCalc(string Material, double PerLitre, string Unit, double Percent);

public sealed record LoadCalc(double OilPercent, double SoapPercent);

public sealed record MixReasonCalc(string Code, MixVerdict Verdict, string Sentence, IReadOnlyList<FigureAnswer> Figures);

public sealed record MixCalc(IReadOnlyList<StrengthCalc> Strengths, LoadCalc Load, MixVerdict Verdict, IReadOnlyList<MixReasonCalc> Reasons);

/// <param name="Method">"Henderson-Tilton", or "Abbott" when there were no counts before.</param>
public sealed record ControlCalc(double ControlPercent, string Method);

public sealed record ProgressCalc(double AreaUnderCurve);

/// <summary>Calculators of the bench and of outcomes.</summary>
public static class BenchCalc
{
    public static void MapBenchCalc(this RouteGroupBuilder calc)
    {
        calc.MapPost("/dilution", Dilution).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapPost("/mix", JudgeMix);
        calc.MapGet("/control", ControlOf).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/progress", Progress).ProducesProblem(StatusCodes.Status400BadRequest);
    }

    private static Results<Ok<DilutionCalc>, ProblemHttpResult> Dilution(DilutionRequest body, GardenCatalogue catalogue)
    {
        var material = body.Material is null ? null : catalogue.FindMaterial(body.Material);
        var checks = new Checks().That(
            body.Material is null || material is not null,
            "material",
            "material-unknown",
            Say.Of("calc.thisMaterialIsNot", ("nearest", CatalogueRules.Nearest(body.Material ?? "", catalogue.Materials.Select(m => m.Id))))
        );
        foreach (var (field, code) in new[] { ("doseUnit", body.DoseUnit), ("perUnit", body.PerUnit), ("tankUnit", body.TankUnit) })
        {
            checks.That(
                Units.Find(code) is not null,
                field,
                "unit-unknown",
                Say.Of("calc.thereIsNoUnitKnown", ("code", code), ("list", string.Join(", ", Units.All.Select(u => u.Code))))
            );
        }

        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var scaled = DoseScaling.Scale(
            new SpokenDose(
                body.DoseAmount,
                Units.Get(body.DoseUnit),
                body.PerAmount,
                Units.Get(body.PerUnit),
                body.TankAmount,
                Units.Get(body.TankUnit),
                body.DensityGramsPerMillilitre ?? (material?.Unit == "g" ? material.DensityGramsPerMillilitre : null),
                body.StockStrengthPercent,
                body.RecipeStrengthPercent,
                body.Heaped,
                body.AddTo
            )
        );
        return TypedResults.Ok(
            new DilutionCalc(
                new(scaled.PerLitre, scaled.Unit),
                new(scaled.Needed, scaled.Unit),
                new(scaled.Kitchen.Text, scaled.Kitchen.ErrorPercent),
                scaled.FinalPercent,
                material is null ? [] : Against(catalogue, material, scaled, body.StockStrengthPercent)
            )
        );
    }

    private static IReadOnlyList<MixReasonCalc> Against(GardenCatalogue catalogue, Material material, ScaledDose scaled, double? bottlePercent)
    {
        var density = material.DensityGramsPerMillilitre;
        var perLitre =
            scaled.Unit == material.Unit ? scaled.PerLitre
            : material.Unit == "g" ? scaled.PerLitre * density
            : scaled.PerLitre / density;
        return Reasons(
            MixGuards.Judge(catalogue, [new MixShare(material, perLitre, bottlePercent)], [material], Form.Spray, new MixConditions(null, [], false))
        );
    }

    private static IReadOnlyList<MixReasonCalc> Reasons(MixJudgement judged) =>
        [.. judged.Reasons.Select(r => new MixReasonCalc(r.Code, r.Verdict, r.Sentence, FigureAnswer.Of(r.Said)))];

    private static Results<Ok<MixCalc>, ProblemHttpResult> JudgeMix(MixRequest body, GardenCatalogue catalogue)
    {
        var situation = body.Conditions ?? new MixSituation();
        var crop = situation.Crop is null ? null : catalogue.FindCrop(situation.Crop);
        var checks = new Checks()
            .That(body.Ingredients.Count > 0, "ingredients", "ingredients-missing", Say.Of("calc.nameOneIngredientAtLeast"))
            .That(
                body.Ingredients.All(i => catalogue.FindMaterial(i.Material) is not null),
                "ingredients",
                "material-unknown",
                Say.Of("calc.oneOfTheMaterialsIsNot")
            )
            .That(body.Ingredients.All(i => Units.Find(i.Unit) is not null), "ingredients", "unit-unknown", Say.Of("calc.oneOfTheUnitsIsNot"))
            .That(body.Ingredients.All(i => i.Amount is > 0 and <= 1e6), "ingredients", "amount-range", Say.Of("calc.everyAmountIsOver0"))
            .That(Units.Find(body.WaterUnit) is { Dimension: Dimension.Volume }, "waterUnit", "unit-unknown", Say.Of("calc.waterIsMeasuredByVolume"))
            .That(body.WaterAmount is > 0 and <= 1e6, "waterAmount", "amount-range", Say.Of("calc.waterIsOver0"))
            .That(situation.Crop is null || crop is not null, "crop", "crop-unknown", Say.Of("calc.thisCropIsNot"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var litres = Units.Convert(body.WaterAmount, Units.Get(body.WaterUnit), Units.Get("l"));
        var shares = body.Ingredients.Select(i => Share(catalogue.Material(i.Material), i, litres)).ToList();
        var active = shares[0].Material;
        var tender =
            crop is not null
            && MaterialChoice.IsTender(
                crop,
                new Planting(Guid.Empty, Guid.Empty, crop.Id, null, default, null, null, situation.Stage, situation.InFlower),
                active
            );
        var judged = MixGuards.Judge(
            catalogue,
            shares,
            [active],
            Form.Spray,
            new MixConditions(
                situation.MaxTemperatureNext6hC,
                tender ? [crop!.Name] : [],
                situation.Stage == GrowthStage.Seedling,
                situation.InFlower ? [crop?.Name ?? Say.Of("calc.theCrop")] : []
            )
        );
        return TypedResults.Ok(
            new MixCalc(
                [.. Strengths.Of(catalogue, shares).Select(s => new StrengthCalc(s.Material.Id, s.PerLitre, s.Material.Unit, s.Percent))],
                new LoadCalc(judged.OilPercent, judged.SoapPercent),
                judged.Verdict,
                Reasons(judged)
            )
        );
    }

    private static MixShare Share(Material material, MixIngredient i, double litres) =>
        new(
            material,
            Units.Convert(i.Amount, Units.Get(i.Unit), Units.Get(material.Unit), material.DensityGramsPerMillilitre, material.DropsPerMillilitre) / litres
        );

    private static Ok<ControlCalc> ControlOf(double? treatedBefore, double treatedAfter, double? untreatedBefore, double untreatedAfter) =>
        TypedResults.Ok(
            treatedBefore is { } tb && untreatedBefore is { } ub
                ? new ControlCalc(Control.HendersonTiltonPercent(tb, treatedAfter, ub, untreatedAfter), "Henderson-Tilton")
                : new ControlCalc(Control.AbbottPercent(treatedAfter, untreatedAfter), "Abbott")
        );

    private static Results<Ok<ProgressCalc>, ProblemHttpResult> Progress(string days, string percent)
    {
        var (d, p) = (Numbers(days), Numbers(percent));
        return d is null || p is null
            ? new Checks().That(false, d is null ? "days" : "percent", "not-numbers", Say.Of("calc.giveNumbersWithCommasBetween")).Problem()
            : TypedResults.Ok(new ProgressCalc(DiseaseProgress.AreaUnderCurve(d, p)));
    }

    /// <summary>Null when any part is no number.</summary>
    private static double[]? Numbers(string list)
    {
        var parts = list.Split(',').Select(x => double.TryParse(x, System.Globalization.CultureInfo.InvariantCulture, out var v) ? (double?)v : null).ToList();
        return parts.Any(x => x is null) ? null : [.. parts.Select(x => x!.Value)];
    }
}
