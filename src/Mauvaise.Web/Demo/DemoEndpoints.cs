using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Mailing;
using Mauvaise.Web.Weather;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Demo;

/// <param name="Hours">1 for the next hour, 24 for the next day.</param>
public sealed record DemoStep(int Hours);

public sealed record DemoNow(DateTimeOffset Now);

/// <summary>The demo's clock. These routes exist only in the demo.</summary>
public static class DemoEndpoints
{
    private const int MostHours = 24 * 30;

    public static void MapDemo(this IEndpointRouteBuilder app)
    {
        var demo = app.MapGroup("/api/demo").WithTags("Demo");
        demo.MapPost("/step", Step);
        demo.MapPost("/reset", Reset);
    }

    private static async Task<Results<Ok<DemoNow>, ProblemHttpResult>> Step(
        DemoStep body,
        TimeProvider clock,
        WeatherClient weather,
        MailRound mails,
        CancellationToken stop
    )
    {
        if (clock is not DemoClock demo)
        {
            return NoDemo();
        }

        if (body.Hours is < 1 or > MostHours)
        {
            return new Checks().That(false, "hours", "hours-range", Say.Of("demo.stepBy", ("hours", MostHours))).Problem();
        }

        demo.Set(demo.GetUtcNow().AddHours(body.Hours));
        await weather.RefreshAsync(DemoGarden.GardenId, stop);
        await mails.SendDueAsync(stop);
        return TypedResults.Ok(new DemoNow(demo.GetUtcNow()));
    }

    /// <summary>Puts clock and garden back to the beginning; what was written since is gone.</summary>
    private static async Task<Results<Ok<DemoNow>, ProblemHttpResult>> Reset(
        TimeProvider clock,
        GardenDb db,
        DemoGarden garden,
        WeatherClient weather,
        CancellationToken stop
    )
    {
        if (clock is not DemoClock demo)
        {
            return NoDemo();
        }

        demo.Set(DemoClock.Beginning);
        await DeleteAsync(db, stop);
        await garden.PutAsync(stop);
        await weather.RefreshAsync(DemoGarden.GardenId, stop);
        return TypedResults.Ok(new DemoNow(demo.GetUtcNow()));
    }

    /// <summary>Deletes the demo garden from the leaves up, since records hold on to what they are about.</summary>
    private static async Task DeleteAsync(GardenDb db, CancellationToken stop)
    {
        var id = DemoGarden.GardenId;
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        await db.TrialCounts.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Trials.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.CheckBacks.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Tasks.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Courses.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.PlanChoices.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Applications.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Batches.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Observations.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Plantings.Where(x => db.Places.Any(p => p.GardenId == id && p.Id == x.PlaceId)).ExecuteDeleteAsync(stop);
        await db.Deeds.Where(x => x.GardenId == id).ExecuteDeleteAsync(stop);
        await db.Gardens.Where(x => x.Id == id).ExecuteDeleteAsync(stop);
        await transaction.CommitAsync(stop);
    }

    private static ProblemHttpResult NoDemo() => Problems.Of(StatusCodes.Status404NotFound, "no-demo", Say.Of("demo.onlyTheDemosClockCanBe"));
}
