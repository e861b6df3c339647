using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Bench;

/// <summary>A product of the household's with its label.</summary>
/// <param name="MaterialId">Under which it is on the shelf and on the bench.</param>
public sealed record ProductAnswer(
    Guid Id,
    string MaterialId,
    string Name,
    string? Like,
    string? LikeName,
    IReadOnlyList<string> WorksOn,
    string Unit,
    string DoseText,
    double DoseLow,
    double DoseHigh,
    bool AddTo,
    int? MaxTimes,
    int? DaysBetween,
    int? DaysToWait,
    bool Retired,
    Form Form,
    DosedPer Per,
    int? RunHours,
    int? FreshWaterDays,
    IReadOnlyList<string> Crops
);

/// <summary>What a label says. The id is the address's.</summary>
/// <param name="Like">Material of the catalogue it is a make of; null for something else, which then names what it works on.</param>
/// <param name="Unit">"ml" or "g" a litre.</param>
/// <param name="AddTo">The dose is added to a litre of water, not made up to a litre.</param>
/// <param name="Form">How it reaches the trouble.</param>
/// <param name="Per">What the doses are for: a litre of what is mixed, else a square metre, a plant or a station.</param>
public sealed record ProductChange(
    string Name,
    string? Like,
    IReadOnlyList<string> WorksOn,
    string Unit,
    double DoseLow,
    double DoseHigh,
    bool AddTo = false,
    int? MaxTimes = null,
    int? DaysBetween = null,
    int? DaysToWait = null,
    bool Retired = false,
    Guid? MemberId = null,
    Form Form = Form.Spray,
    DosedPer Per = DosedPer.Litre,
    int? RunHours = null,
    int? FreshWaterDays = null,
    IReadOnlyList<string>? Crops = null
);

/// <summary>The garden's own materials: a label beats the catalogue.</summary>
public static class ProductEndpoints
{
    private const int MostCrops = 60;

    public static void MapProducts(this RouteGroupBuilder garden) => garden.MapGroup("/products").WithTags("Shelf").MapPut("/{productId:guid}", Put);

    /// <summary>All products, the retired ones last.</summary>
    public static async Task<IReadOnlyList<ProductAnswer>> ListAsync(GardenDb db, GardenSnapshot s, CancellationToken stop) =>
        [
            .. (await db.Products.AsNoTracking().Where(p => p.GardenId == s.Garden.Id).OrderBy(p => p.Retired).ThenBy(p => p.Name).ToListAsync(stop))
                .Select(RowReading.ToProduct)
                .Select(p => new ProductAnswer(
                    p.Id,
                    p.MaterialId,
                    p.Name,
                    p.Like,
                    p.Like is null ? null : s.Catalogue.FindMaterial(p.Like)?.Name,
                    p.WorksOn,
                    p.Unit,
                    Say.Of("bench.doseDose2To", ("dose", Told(p, p.DoseLow)), ("dose2", Told(p, p.DoseHigh))),
                    p.DoseLow,
                    p.DoseHigh,
                    p.AddTo,
                    p.MaxTimes,
                    p.DaysBetween,
                    p.DaysToWait,
                    p.Retired,
                    p.Form,
                    p.Per,
                    p.RunHours,
                    p.FreshWaterDays,
                    p.Crops ?? []
                )),
        ];

    private static string Told(OwnProduct p, double dose) => DoseTold.Of(dose, p.Unit, p.Per);

    private static async Task<Results<NoContent, ProblemHttpResult>> Put(
        Guid gardenId,
        Guid productId,
        ProductChange body,
        GardenTools tools,
        GardenCatalogue shipped,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is null)
        {
            return Problems.NotFound("garden");
        }

        var like = body.Like is null ? null : shipped.FindMaterial(body.Like);
        var checks = new Checks()
            .That(body.Name is { Length: > 0 and <= 80 }, "name", "name-missing", Say.Of("bench.giveTheProductsNameUp"))
            .That(
                body.Like is null || like is { Pantry: false, MadeFrom: null, Doses: null or { Per: DosedPer.Litre } },
                "like",
                "material-unknown",
                Say.Of("bench.chooseWhatItIsFrom")
            )
            .That(body.Like is not null || body.WorksOn.Count > 0, "worksOn", "works-on-missing", Say.Of("bench.sayWhatItsLabel"))
            .That(
                body.WorksOn.Count <= 8 && body.WorksOn.All(on => shipped.Targets.Any(t => (t.Id == on || t.Group == on) && !t.NoSpray)),
                "worksOn",
                "target-unknown",
                Say.Of("bench.oneOfTheThingsItWorks")
            )
            .That(Recipe.IsMixed(body.Form) == (body.Per == DosedPer.Litre), "per", "per-what", Say.Of("bench.aDoseIsForALitre"))
            .That(body.Unit is "ml" or "g", "unit", "unit-unknown", Say.Of("bench.aLabelsDoseIsInMl"))
            .That(body.DoseLow is > 0 and <= 500, "doseLow", "dose-range", Say.Of("bench.aDoseIsOver02"))
            .That(body.DoseHigh >= body.DoseLow && body.DoseHigh <= 500, "doseHigh", "dose-order", Say.Of("bench.theHighestDoseIsAtLeast"))
            .That(body.MaxTimes is null or (>= 1 and <= 50), "maxTimes", "times-range", Say.Of("bench.aLabelAllows1To50"))
            .That(ProductLabel.AreDays(body.DaysBetween), "daysBetween", "between-range", Say.Of("bench.daysBetweenTwoLieBetween1"))
            .That(
                body.Crops is not { } crops || (crops.Count <= MostCrops && crops.All(c => shipped.Crops.Any(x => x.Id == c || x.Family == c))),
                "crops",
                "crop-unknown",
                Say.Of("gardens.chooseACropFromTheList")
            )
            .That(ProductLabel.IsRun(body.RunHours), "runHours", "run-range", Say.Of("bench.aPumpRuns1To72"))
            .That(ProductLabel.AreDays(body.FreshWaterDays), "freshWaterDays", "fresh-range", Say.Of("bench.freshWaterAfter1To60"))
            .That(
                (body.RunHours ?? body.FreshWaterDays) is null || body.Form == Form.Drench,
                "runHours",
                "run-form",
                Say.Of("bench.onlyADrenchRunsThroughARack")
            )
            .That(body.DaysToWait is null or (>= 0 and <= 120), "daysToWait", "wait-range", Say.Of("bench.daysToWaitBeforePickingLie"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var row = await tools.Db.Products.FirstOrDefaultAsync(p => p.GardenId == gardenId && p.Id == productId, stop);
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            row is null ? Say.Of("bench.notedTheLabel", ("name", body.Name.Trim()))
                : body.Retired ? Say.Of("bench.putAway", ("name", body.Name.Trim()))
                : Say.Of("bench.changedTheLabel", ("name", body.Name.Trim())),
            db =>
            {
                if (row is null)
                {
                    db.Products.Add(
                        row = new ProductRow
                        {
                            Id = productId,
                            GardenId = gardenId,
                            Name = "",
                            WorksOn = "",
                            Unit = "",
                        }
                    );
                }

                row.Name = body.Name.Trim();
                row.Like = body.Like;
                row.WorksOn = string.Join(',', body.WorksOn);
                row.Unit = body.Unit;
                row.DoseLow = body.DoseLow;
                row.DoseHigh = body.DoseHigh;
                row.AddTo = body.AddTo;
                row.MaxTimes = body.MaxTimes;
                row.DaysBetween = body.DaysBetween;
                row.DaysToWait = body.DaysToWait;
                row.Retired = body.Retired;
                row.Form = body.Form;
                row.Per = body.Per;
                (row.RunHours, row.FreshWaterDays) = (body.RunHours, body.FreshWaterDays);
                row.Crops = body.Crops is null or [] ? null : string.Join(',', body.Crops);
            },
            stop
        );
        return TypedResults.NoContent();
    }
}
