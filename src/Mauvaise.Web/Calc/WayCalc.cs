using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Calc;

/// <param name="Climate">Id of a climate of the catalogue; its usual weather is taken.</param>
/// <param name="Share">Of leaves affected, over 0 and up to 1.</param>
/// <param name="Helpers">Seen on twenty leaves, mummies among them.</param>
/// <param name="Stage">Null for a grown plant.</param>
public sealed record WaysRequest(
    string Crop,
    PlaceKind PlaceKind,
    DateOnly Date,
    double Latitude,
    string Climate,
    string Target,
    double Share,
    [property: Range(0, 1000)] int Helpers = 0,
    Ants Ants = Ants.None,
    Stance Stance = Stance.WatchAndTreat,
    DiseaseApproach DiseaseApproach = DiseaseApproach.CleanThenProtect,
    GrowthStage? Stage = null
);

/// <summary>The ways to meet a trouble without a garden: in the climate's usual weather, nothing tried before.</summary>
public static class WayCalc
{
    public static void MapWayCalc(this RouteGroupBuilder calc) => calc.MapPost("/ways", WaysOf);

    private static Results<Ok<WaysAnswer>, ProblemHttpResult> WaysOf(WaysRequest body, GardenCatalogue catalogue)
    {
        var checks = new Checks()
            .That(
                catalogue.FindCrop(body.Crop) is not null,
                "crop",
                "crop-unknown",
                Say.Of("calc.thisCropIsNot3", ("nearest", CatalogueRules.Nearest(body.Crop, catalogue.Crops.Select(c => c.Id))))
            )
            .That(
                catalogue.FindTarget(body.Target) is not null,
                "target",
                "target-unknown",
                Say.Of("calc.thisPestOrDiseaseIsNot", ("nearest", CatalogueRules.Nearest(body.Target, catalogue.Targets.Select(t => t.Id))))
            )
            .That(
                catalogue.FindClimate(body.Climate) is not null,
                "climate",
                "climate-unknown",
                Say.Of("calc.thisClimateIsNot", ("nearest", CatalogueRules.Nearest(body.Climate, catalogue.Climates.Select(c => c.Id))))
            )
            .That(body.Latitude is >= -90 and <= 90, "latitude", "latitude-range", Say.Of("calc.latitudeLiesBetween90And902"))
            .That(body.Share is > 0 and <= 1, "share", "share-range", Say.Of("calc.theShareOfLeavesAffected"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var (garden, planting, seen) = ImaginedGarden.With(
            catalogue,
            new Imagined(
                body.Crop,
                body.PlaceKind,
                body.Stage,
                body.Date,
                body.Latitude,
                body.Climate,
                body.Target,
                body.Share,
                body.Helpers,
                body.Ants,
                body.Stance,
                body.DiseaseApproach
            )
        );
        return TypedResults.Ok(WaysAnswer.Of(WayBook.Of(garden).For(planting, seen), catalogue));
    }
}
