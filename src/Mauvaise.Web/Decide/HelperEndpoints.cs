using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Decide;

/// <summary>Helpers that are ordered, moved in and let out.</summary>
public static class HelperEndpoints
{
    private const int MostHelpers = 100_000, FurthestDays = 60;

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
            .That(planting is not null, "plantingId", "planting-unknown", "Choose one of the garden's plantings.")
            .That(planting is null || planting.GrowsOn(s.Today), "plantingId", "planting-ended", "This planting has ended.")
            .That(s.Catalogue.Helpers.Any(h => h.Id == order.Helper && h.Ordered is not null), "helper", "helper-unknown",
                "Choose a kind that can be ordered or moved.")
            .That(order.Number is > 0 and <= MostHelpers, "number", "helpers-range", $"How many: 1 to {MostHelpers:N0}.")
            .That(order.Target is null || s.Catalogue.FindTarget(order.Target) is not null, "target", "target-unknown", "This pest is not in the catalogue.")
            .That(order.ComesOn is null || (order.ComesOn >= s.Today && order.ComesOn <= s.Today.AddDays(FurthestDays)),
                "comesOn", "day-range", $"They come today or within {FurthestDays} days.");
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
                checks.That(false, reason.Code == "too-many" ? "number" : "helper", reason.Code, $"Not yet: {reason.Clause}.");
            }
        }
    }
}
