using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Actions;

/// <summary>What is mixed on the bench: sprays, and dips, drenches and dusts.</summary>
internal static class SpraySteps
{
    /// <summary>Dust is worth nothing once this much rain falls, mm in two days.</summary>
    private const double DustRainMm = 1;
    private const int DustHours = 48;

    /// <summary>Others that were passed over are named up to this many.</summary>
    private const int NamedAgainst = 3;

    public static IEnumerable<LadderStep> Of(WaySet ways)
    {
        var f = ways.Finding;
        if (f.Clean || f.Stale)
        {
            yield break;
        }

        if (f.Target is not { } target)
        {
            yield return Against(SprayCodes.Spray, "Spray", Said.Of("actions.nameItFirstWhatHelpsAgainst"));
            yield break;
        }

        var options = MaterialChoice.Options(f.Garden, f.Planting, target);
        yield return Main(ways, target, options);
        foreach (var other in options.Where(o => o.Recipe.Form is Form.Dust or Form.Dip))
        {
            yield return Other(f, other);
        }

        if (
            f.Place.Kind is PlaceKind.Containers or PlaceKind.IndoorRack
            && f.Planting.Stage is GrowthStage.Young
            && f.Garden.Catalogue.FindRecipe(KnownIds.Recipes.SoapDip) is { } dip
            && options.FirstOrDefault(o => o.Material.Id == dip.Active.Material) is { } soap
        )
        {
            yield return Other(f, soap with { Recipe = dip });
        }
    }

    private static LadderStep Main(WaySet ways, Target target, IReadOnlyList<MaterialOption> options)
    {
        var f = ways.Finding;
        var way = ways.Mixed;
        var form = way?.Option!.Recipe.Form == Form.Drench ? SprayCodes.Drench : SprayCodes.Spray;
        if (Closed(f, target, way is not null) is { } closed)
        {
            return Against(form, "Spray", closed);
        }

        if (f.Course is { } course)
        {
            return Round(f, course);
        }

        if (way is not { Option: { } best, Shape: { } shape })
        {
            return Against(
                SprayCodes.Spray,
                "Spray",
                ways.All.Where(w => w.Option is not null).OrderByDescending(w => w.Option!.Score).FirstOrDefault() is { } barred
                    ? barred.Against[0].Said.About(Fact.Thing(barred.Option!.Material.Name))
                    : Said.Of("actions.nothingInTheCatalogueWorks")
            );
        }

        var name = best.Recipe.Name;
        List<Said> why =
        [
            f.Told.AsSentence(),
            .. f.Doubled || f.RainWillSpread
                ? [f.RainWillSpread && !f.Doubled ? (Said.Of("actions.ofRainInThreeDaysWill", ("rain", Fact.Rain(f.RainMm)))) : f.Line.Reason]
                : Array.Empty<Said>(),
            .. best.Reasons,
            shape.Reason,
            .. options
                .Where(o => !o.Allowed)
                .Take(NamedAgainst)
                .Select(o => Said.Of("actions.not", ("material", Fact.Thing(o.Material.Name.InSentence())), ("passedOver", Fact.Clause(o.Barred[0].Said)))),
        ];
        if (f.Planting.InFlower)
        {
            why.Add(Said.Of("actions.itIsInFlowerOnlyWhen"));
        }

        if (!way.Proposed)
        {
            return Step(
                form,
                name,
                StepChoice.May,
                [Said.Of("actions.firstWhenTheCountAfter", ("words", Fact.Clause(ways.Proposed!.Words.AsSentenceStart()))), .. why],
                best,
                shape
            );
        }

        var on = f.Garden.Today.AddDays(way.SprayDays[0]);
        return UseGuards.PatchOf(f.Garden, f.Crop, best.Material) switch
        {
            { State: PatchState.Waiting, JudgeOn: { } judge } => Step(
                form,
                name,
                StepChoice.Do,
                [Said.Of("actions.twoLeavesWaitToBeJudged", ("date", Fact.Weekday(judge))), .. why],
                best,
                shape,
                on > judge ? on : judge
            ),
            { State: PatchState.Needed } => Step(
                SprayCodes.PatchTest,
                Say.Of("actions.twoLeavesFirst", ("name", name.InSentence())),
                StepChoice.Do,
                why,
                best,
                shape,
                f.Garden.Today
            ),
            _ => Step(form, name, StepChoice.Do, why, best, shape, on),
        };
    }

    /// <summary>Why no spray is in question at all, before any material is weighed; null when one is.</summary>
    private static Said? Closed(Finding f, Target target, bool something) =>
        f switch
        {
            _ when target.Kind == TargetKind.LookAlike => WayWords.NoSprayMends,
            _ when target.NoSpray => Said.Plain(target.InsteadOfSpray!),
            { Visit: { } visit } => Said.Of("actions.checkBackBeforeAnythingElseGoes", ("date", Fact.Weekday(visit.DueOn))),
            { Course: not null } => null,
            _ when target.InsteadOfSpray is { } instead && !(something && target.Group == KnownIds.TargetGroups.SoilPests) => Said.Plain(instead),
            { OverLine: false } => f.Told.AsSentence(),
            { HelpersAtWork: true } => Said.Of("actions.itWouldHarmTheHelpers"),
            { Stance: Stance.LastResort, GrowthHurt: false } => Said.Of("actions.butGrowthIsNotHurt", ("it", Fact.Clause(f.Told))),
            _ => null,
        };

    private static LadderStep Round(Finding f, CourseProgress course)
    {
        List<Said> why = [course.Sentence, .. course.Change is { } change ? [change] : Array.Empty<Said>()];
        var material = f.Garden.Catalogue.Material(course.Recipe.Active.Material);
        var option = new MaterialOption(material, course.Recipe, 1, [], []);
        var due = course is { State: CourseState.RoundDue or CourseState.PatchFirst, NextOn: { } on } && on <= f.Garden.Today;
        return Step(
            course.State == CourseState.PatchFirst ? SprayCodes.PatchTest : SprayCodes.Spray,
            course.Recipe.Name,
            due ? StepChoice.Do : StepChoice.PassedOver,
            why,
            option,
            null,
            due ? f.Garden.Today : null
        );
    }

    private static LadderStep Other(Finding f, MaterialOption option)
    {
        var code = option.Recipe.Form.ToString().ToLowerInvariant();
        var sky = f.Garden.SkyOf(f.Place).Shelter;
        var rain = sky.RainMm(sky.IndexOf(f.Garden.Now), DustHours);
        return option switch
        {
            { Allowed: false } => Step(code, option.Recipe.Name, StepChoice.PassedOver, [option.Barred[0].Said.AsSentence()], option, null),
            _ when !f.OverLine => Step(code, option.Recipe.Name, StepChoice.PassedOver, [f.Told.AsSentence()], option, null),
            { Recipe.Form: Form.Dust } when rain >= DustRainMm => Step(
                code,
                option.Recipe.Name,
                StepChoice.PassedOver,
                [(Said.Of("actions.ofRainInTwoDaysDust", ("rain", Fact.Rain(rain))))],
                option,
                null
            ),
            { Recipe.Form: Form.Dust } when f.Helpers > 0 => Step(
                code,
                option.Recipe.Name,
                StepChoice.PassedOver,
                [Said.Of("actions.dustKillsTheHelpersToo")],
                option,
                null
            ),
            _ => Step(code, option.Recipe.Name, StepChoice.May, option.Reasons, option, null, f.Garden.Today),
        };
    }

    private static LadderStep Step(
        string code,
        string name,
        StepChoice choice,
        IReadOnlyList<Said> why,
        MaterialOption option,
        CourseShape? shape,
        DateOnly? on = null
    ) => new(Rung.Spray, code, name, choice, why, on, null, option, shape);

    private static LadderStep Against(string code, string name, Said why) => new(Rung.Spray, code, name, StepChoice.PassedOver, [why]);
}

/// <summary>Giving the plant up, with what that saves.</summary>
internal static class TakeOutSteps
{
    public static IEnumerable<LadderStep> Of(WaySet ways)
    {
        var f = ways.Finding;
        if (f.Clean || f.Stale || f.Target is not { } target)
        {
            yield break;
        }

        if (target.Group == KnownIds.TargetGroups.SoilPests && f.Place.Kind == PlaceKind.IndoorRack)
        {
            yield return MeasureFits.Step(f, KnownIds.Measures.RestRack, f.Overrun ? StepChoice.Do : StepChoice.May, [Said.Of("actions.itLivesOnInTheMedium")]);
        }

        if (!f.Garden.Catalogue.Measure(KnownIds.Measures.TakeOut).IsFor(target))
        {
            yield break;
        }

        Said[] how = f.Crop.TakenOutBy is { } by ? [Said.Plain(by.AsSentenceStart()).AsSentence()] : [];
        yield return f switch
        {
            _ when target.NoSpray => MeasureFits.Step(f, KnownIds.Measures.TakeOut, StepChoice.Do, [.. how, Said.Plain(target.InsteadOfSpray!)]),
            _ when ways.Proposed?.Uses(KnownIds.Measures.TakeOut) == true => MeasureFits.Step(
                f,
                KnownIds.Measures.TakeOut,
                StepChoice.Do,
                [
                    .. how,
                    f.Ending
                        ? Said.Of("actions.andTheCropIsNearIts", ("it", Fact.Clause(f.Told)))
                        : Said.Of("actions.itFeedsTheRest", ("it", Fact.Clause(f.Told))),
                    Saves(ways),
                ]
            ),
            { Overrun: true } => MeasureFits.Step(
                f,
                KnownIds.Measures.TakeOut,
                StepChoice.May,
                [f.WebbedOver ? Said.Of("actions.webbedOverTheTop") : Said.Of("actions.moreThanSixLeavesInTen"), Saves(ways)]
            ),
            { Ending: true, OverLine: true } => MeasureFits.Step(
                f,
                KnownIds.Measures.TakeOut,
                StepChoice.May,
                [Said.Of("actions.theCropEndsWithinTwoWeeks"), Saves(ways)]
            ),
            _ => MeasureFits.Step(f, KnownIds.Measures.TakeOut, StepChoice.PassedOver, [Said.Of("actions.worthSaving", ("it", Fact.Clause(f.Told)))]),
        };
    }

    private static Said Saves(WaySet ways)
    {
        if (ways.Mixed is not { Option: { } best, Shape: { } shape })
        {
            return Said.Of("actions.itSavesItsNeighbours");
        }

        var litres = SprayVolume.LitresOf(ways.Finding.Garden, best.Recipe, ways.Finding.Planting);
        return Said.Of(
            "actions.itSavesRoundsOfInAll",
            ("rounds", Fact.Count(shape.Rounds)),
            ("material", Fact.Thing(best.Material.Name.InSentence())),
            ("volume", Fact.Volume(shape.Rounds * litres))
        );
    }
}
