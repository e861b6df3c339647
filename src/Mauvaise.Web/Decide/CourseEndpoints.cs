using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Decide;

/// <summary>Courses: rounds of one material against one trouble, opened and stopped.</summary>
public static class CourseEndpoints
{
    private const int MostOwnDays = 8;
    private const int FurthestDay = 60;

    internal static void MapCourses(this IEndpointRouteBuilder app)
    {
        var courses = app.MapGroup("/api/gardens/{gardenId:guid}/courses").WithTags("Decide");
        courses.MapPost("", Begin);
        courses.MapPost("/{courseId:guid}/stop", Stop);
    }

    private static async Task<Results<Created<CourseAnswer>, ProblemHttpResult>> Begin(Guid gardenId, NewCourse body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Courses.FirstOrDefault(c => c.Id == body.Id) is { } sent)
        {
            return TypedResults.Created((string?)null, Answer(s, CourseProgress.Of(s, sent)));
        }

        var (course, checks) = Read(s, body);
        if (course is null)
        {
            return checks.Problem();
        }

        var words = Say.Of(
            "decide.beganACourse",
            ("material", s.Catalogue.Material(s.Catalogue.FindRecipe(course.Recipe)!.Active.Material).Name.InSentence()),
            ("where", s.Where(s.FindPlanting(course.PlantingId)!))
        );
        await tools.DoAsync(s, new Written(words, body.MemberId) { Courses = [course] }, stop);
        return TypedResults.Created((string?)null, Answer(s, CourseProgress.Of(s, course)));
    }

    /// <summary>The course that is asked for; null with what is wrong.</summary>
    internal static (Course? Course, Checks Checks) Read(GardenSnapshot s, NewCourse body)
    {
        var planting = s.FindPlanting(body.PlantingId);
        var target = s.Catalogue.FindTarget(body.Target);
        var recipe = s.Catalogue.FindRecipe(body.Recipe);
        var material = recipe is null ? null : s.Catalogue.Material(recipe.Active.Material);
        var days = body.Days ?? [];
        var checks = new Checks()
            .That(planting is not null, "plantingId", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(planting is null || planting.GrowsOn(s.Today), "plantingId", "planting-ended", Say.Of("decide.thisPlantingHasEndedNoCourse"))
            .That(target is not null, "target", "target-unknown", Say.Of("bench.thisPestOrDiseaseIsNot"))
            .That(recipe is { Form: Form.Spray or Form.Drench or Form.Bait }, "recipe", "recipe-unknown", Say.Of("decide.chooseASprayFromTheCatalogue"))
            .That(
                target is null || material?.EffectOn(target) is not null,
                "recipe",
                "no-effect",
                Say.Of("decide.doesNothingAgainst", ("material", material?.Name ?? Say.Of("decide.it")), ("target", target?.Name.InSentence()))
            )
            .That(
                days.Count <= MostOwnDays && days.All(d => d is >= 0 and <= FurthestDay),
                "days",
                "days-range",
                Say.Of("decide.chooseUpToDaysFromToday", ("mostOwnDays", MostOwnDays), ("furthestDay", FurthestDay))
            )
            .That(days.Zip(days.Skip(1)).All(p => p.Second > p.First), "days", "days-order", Say.Of("decide.daysMustRise"));
        if (checks.Passed)
        {
            var apart = material!.Cadence.CurativeMinDays;
            checks
                .That(
                    days.Zip(days.Skip(1)).All(p => p.Second - p.First >= apart),
                    "days",
                    "days-too-close",
                    Say.Of("decide.wantsDaysBetweenTwoRounds", ("material", material.Name), ("apart", apart))
                )
                .That(
                    CourseProgress.Running(s, planting!, body.Target) is null,
                    "target",
                    "course-running",
                    Say.Of("decide.aCourseAgainstIsRunningThere", ("target", target!.Name.InSentence()))
                );
            var first = s.Now.AddDays(days.Count > 0 ? days[0] : 0);
            var against = UseGuards.Against(s, planting!, MaterialChoice.MaterialsIn(s.Catalogue, recipe!), first, MaterialChoice.Working(recipe!));
            checks.That(
                against.Count == 0,
                "recipe",
                "use-" + against.FirstOrDefault()?.Code,
                Say.Of("decide.canNotGoOnThen", ("material", material.Name), ("reason", against.FirstOrDefault()?.Clause))
            );
        }

        return checks.Passed
            ? (CourseDeeds.Open(s, body.Id, planting!, target!, recipe!, body.Step, [.. days.Select(d => s.Today.AddDays(d))], s.Now, body.Way), checks)
            : (null, checks);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Stop(
        Guid gardenId,
        Guid courseId,
        CourseStopped body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s || s.Courses.FirstOrDefault(c => c.Id == courseId) is not { } course)
        {
            return Problems.NotFound("course");
        }

        if (course.StoppedAt is null)
        {
            var row = await tools.Db.Courses.FirstAsync(c => c.Id == courseId, stop);
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("decide.stoppedTheCourseAgainst", ("target", s.Catalogue.Target(course.Target).Name.InSentence())),
                _ => row.StoppedAt = tools.Now,
                stop
            );
        }

        return TypedResults.NoContent();
    }

    internal static CourseAnswer Answer(GardenSnapshot s, CourseProgress p) =>
        new(
            p.Course.Id,
            p.Course.PlantingId,
            s.Where(s.FindPlanting(p.Course.PlantingId)!),
            p.Course.Target,
            s.Catalogue.Target(p.Course.Target).Name,
            s.Catalogue.Material(p.Recipe.Active.Material).Name,
            p.Recipe.Id,
            p.State,
            p.IsOver,
            p.RoundsGiven,
            p.Rounds,
            p.SpacingDays,
            p.NextOn,
            p.Step,
            p.Sentence.Words,
            p.Change?.Words
        );
}
