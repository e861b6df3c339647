using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Ways;

/// <summary>A trouble on a crop somewhere, with nothing known of the garden around it.</summary>
/// <param name="Stage">Null for a grown plant.</param>
/// <param name="Share">Of leaves affected, 0 to 1.</param>
/// <param name="HelpersOnTwenty">Helpers seen on twenty leaves.</param>
public sealed record Imagined(
    string Crop,
    PlaceKind PlaceKind,
    GrowthStage? Stage,
    DateOnly Date,
    double Latitude,
    string Climate,
    string Target,
    double Share,
    int HelpersOnTwenty,
    Ants Ants,
    Stance Stance,
    DiseaseApproach DiseaseApproach
);

/// <summary>The smallest garden in which a trouble can be judged: one bed, one planting, one count, and no weather but the climate's.</summary>
public static class ImaginedGarden
{
    private const double AreaM2 = 6;
    private const double SunHours = 8;

    /// <summary>Leaves of the imagined count: enough that no share is rounded away.</summary>
    private const int Leaves = 1000,
        TwentyLeaves = 20;

    /// <param name="asked">Ids are known to the catalogue, latitude and share in their ranges.</param>
    public static (GardenSnapshot Garden, Planting Planting, Observation Seen) With(GardenCatalogue catalogue, Imagined asked)
    {
        ArgumentNullException.ThrowIfNull(catalogue);
        ArgumentNullException.ThrowIfNull(asked);
        var morning = new DateTimeOffset(asked.Date, new TimeOnly(6, 0), TimeSpan.Zero);
        var home = new Garden(Guid.NewGuid(), "", asked.Latitude, 0, 0, "UTC", asked.Climate, KitchenSystem.Metric, asked.Stance, asked.DiseaseApproach, false);
        var place = new Place(Guid.NewGuid(), "", asked.PlaceKind, AreaM2, SunHours, Watering.Drip, null, null, null, null, 0);
        var crop = catalogue.FindCrop(asked.Crop)!;
        var planting = new Planting(
            Guid.NewGuid(),
            place.Id,
            crop.Id,
            null,
            asked.Date.AddDays(-crop.StageDays[asked.Stage is GrowthStage.Seedling or GrowthStage.Young ? 0 : 1]),
            null,
            null,
            asked.Stage ?? GrowthStage.Mature,
            asked.Stage == GrowthStage.Flowering
        );
        var seen = Count(planting, asked.Target, asked.Share, morning.AddHours(-1), asked.HelpersOnTwenty, asked.Ants);
        var garden = new GardenSnapshot(
            home,
            morning,
            catalogue,
            [],
            [place],
            [planting],
            [],
            [seen],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            [],
            new HourSeries(morning, []),
            new WeatherState(null, null)
        );
        return (garden, planting, seen);
    }

    /// <summary>A count that nobody made.</summary>
    /// <param name="share">Of leaves affected, 0 to 1.</param>
    public static Observation Count(Planting planting, string target, double share, DateTimeOffset at, int helpersOnTwenty = 0, Ants ants = Ants.None)
    {
        ArgumentNullException.ThrowIfNull(planting);
        var look = Guid.NewGuid();
        return new Observation(
            look,
            look,
            null,
            planting.Id,
            at,
            Leaves,
            Math.Max(1, (int)Math.Round(share * Leaves)),
            null,
            ants,
            helpersOnTwenty * Leaves / TwentyLeaves,
            0,
            PlantPart.Unsaid,
            BedSide.Unsaid,
            RootCheck.NotLooked,
            [],
            target,
            false,
            null
        );
    }
}
