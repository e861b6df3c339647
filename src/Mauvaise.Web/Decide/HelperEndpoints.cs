using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Decide;

/// <summary>Helpers that are ordered, moved in and let out.</summary>
public static class HelperEndpoints
{
    private const int MostHelpers = 100_000,
        FurthestDays = 60;

    internal static void MapHelpers(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Decide").MapPost("/helpers", Order);

    private static async Task<Results<Created, ProblemHttpResult>> Order(Guid gardenId, NewHelpers body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        if (s.Tasks.Any(t => t.Id == body.Id))
        {
            return TypedResults.Created((string?)null);
        }

        var checks = Check(s, body, new Checks());
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.DoAsync(s, body.ComesOn is { } on ? HelperDeeds.Expect(s, body, on) : HelperDeeds.LetOut(s, body), stop);
        return TypedResults.Created((string?)null);
    }

    /// <summary>What holds of helpers however they come.</summary>
    internal static Checks Check(GardenSnapshot s, NewHelpers order, Checks checks)
    {
        var planting = s.FindPlanting(order.PlantingId);
        checks
            .That(planting is not null, "plantingId", "planting-unknown", Say.Of("decide.chooseOneOfTheGardensPlantings"))
            .That(planting is null || planting.GrowsOn(s.Today), "plantingId", "planting-ended", Say.Of("decide.thisPlantingHasEnded"))
            .That(s.Catalogue.Helpers.Any(h => h.Id == order.Helper && h.Ordered is not null), "helper", "helper-unknown", Say.Of("decide.chooseAKindThatCan"))
            .That(order.Number is > 0 and <= MostHelpers, "number", "helpers-range", Say.Of("decide.howMany1", ("mostHelpers", Say.In(MostHelpers, "N0"))))
            .That(order.Target is null || s.Catalogue.FindTarget(order.Target) is not null, "target", "target-unknown", Say.Of("decide.thisPestIsNot"))
            .That(
                order.ComesOn is null || (order.ComesOn >= s.Today && order.ComesOn <= s.Today.AddDays(FurthestDays)),
                "comesOn",
                "day-range",
                Say.Of("decide.theyComeTodayOrWithinDays", ("furthestDays", FurthestDays))
            );
        if (checks.Passed && order.ComesOn is null)
        {
            CheckRelease(s, planting!, order.Helper, order.Number, checks);
        }

        return checks;
    }

    /// <summary>Letting them out while something is against it would waste them: refused, with what it is.</summary>
    internal static void CheckRelease(GardenSnapshot s, Planting planting, string helper, int number, Checks checks)
    {
        if (s.Catalogue.Helpers.FirstOrDefault(h => h.Id == helper) is { Ordered: not null } kind)
        {
            foreach (var reason in HelperGuards.AgainstRelease(s, planting, kind, number))
            {
                checks.That(false, reason.Code == "too-many" ? "number" : "helper", reason.Code, Say.Of("decide.notYet", ("clause", reason.Clause)));
            }
        }
    }
}
