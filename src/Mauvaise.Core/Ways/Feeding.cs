using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Ways;

/// <summary>What a planting is given after it lost leaves: when, and how much. All figures are assumed.</summary>
/// <param name="Step">Of the feed's doses; null where nothing is given.</param>
/// <param name="AfterDays">From the day on which the leaves came off.</param>
public sealed record Feeding(DoseStep? Step, int AfterDays, Said Sentence)
{
    /// <summary>Less than this share of the leaves grows back by itself.</summary>
    public const double FromShare = 0.12;

    /// <summary>From this share on roots take up nothing until new leaves show.</summary>
    private const double HeavyShare = 0.25;
    private const int SoonDays = 3,
        LaterDays = 10;

    /// <summary>What ends within so many days does not use it any more.</summary>
    private const int NearEndDays = 30;

    /// <param name="lost">Share of its leaves that are gone, 0 to 1.</param>
    public static Feeding? For(GardenSnapshot garden, Planting planting, double lost)
    {
        if (lost < FromShare)
        {
            return null;
        }

        if (planting.Stage == GrowthStage.Seedling)
        {
            return new Feeding(null, 0, Said.Of("ways.seedlingsAreNotFed"));
        }

        if (planting.Stage == GrowthStage.Ending || CropLife.DaysToEnd(garden, planting) <= NearEndDays)
        {
            return new Feeding(null, 0, Said.Of("ways.endingIsNotFed"));
        }

        var place = garden.PlaceOf(planting);
        if (place.Kind == PlaceKind.IndoorRack)
        {
            return new Feeding(null, 0, Said.Of("ways.rackFeedLow"));
        }

        var heavy = lost > HeavyShare;
        var (step, days) = heavy ? (DoseStep.Usual, LaterDays) : (DoseStep.Gentle, SoonDays);
        var recipe = garden.Catalogue.FindRecipe(garden.Catalogue.Measure(KnownIds.Measures.Feed).Recipe!)!;
        var doses = garden.Catalogue.Material(recipe.Active.Material).Doses!;
        return new Feeding(
            step,
            days,
            Said.Sentences(
                Said.Of(
                    heavy ? "ways.feedWhenItGrows" : "ways.feedAfterLoss",
                    ("percent", Fact.Percent(lost * 100)),
                    ("dose", Fact.Dose(doses.At(step), doses.Unit, DoseTold.Of(doses.At(step), doses.Unit, doses.Per))),
                    ("date", Fact.Day(garden.Today.AddDays(days)))
                ),
                garden.Exposure(place).SoilMayBeDry ? Said.Of("ways.soilIsDryWaterFirst") : null
            )
        );
    }
}
