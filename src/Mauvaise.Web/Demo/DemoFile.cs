using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Web.Demo;

/// <summary>Shape of the demo garden's file. Times are local to the garden; plantings are named "place/crop".</summary>
public sealed record DemoFile(
    string Name,
    double Latitude,
    double Longitude,
    double ElevationM,
    string TimeZone,
    string Climate,
    KitchenSystem Kitchen,
    string Currency,
    Stance Stance,
    DiseaseApproach DiseaseApproach,
    IReadOnlyList<DemoMember> Members,
    IReadOnlyList<DemoPlace> Places,
    IReadOnlyList<DemoSprayer> Sprayers,
    IReadOnlyList<DemoProduct> Products,
    IReadOnlyList<DemoStock> Stocks,
    IReadOnlyList<DemoNote> Notes,
    IReadOnlyList<DemoSpray> Sprays,
    IReadOnlyList<DemoCourse> Courses,
    IReadOnlyList<DemoTrial> Trials
);

public sealed record DemoMember(string Name, Role Role);

public sealed record DemoPlace(
    string Name,
    PlaceKind Kind,
    double AreaM2,
    double SunHours,
    Watering Watering,
    IReadOnlyList<DemoPlanting> Plantings,
    TimeOnly? SunFrom = null,
    TimeOnly? SunTo = null,
    Stance? Stance = null,
    double? PondDistanceM = null
);

public sealed record DemoPlanting(
    string Crop,
    DateOnly From,
    GrowthStage Stage,
    string? Variety = null,
    DateOnly? Until = null,
    bool InFlower = false,
    int? Count = null
);

public sealed record DemoSprayer(string Name, double CapacityLitres);

/// <summary>A product with a label; doses per litre.</summary>
public sealed record DemoProduct(
    string Name,
    string Like,
    string Unit,
    double DoseLow,
    double DoseHigh,
    int? MaxTimes = null,
    int? DaysBetween = null,
    int? DaysToWait = null
);

/// <param name="Material">A material of the catalogue, or the name of one of the garden's products.</param>
public sealed record DemoStock(
    string Material,
    string Name,
    double Amount,
    double Left,
    string Unit,
    DateOnly? OpenedOn = null,
    DateOnly? BestBefore = null,
    double? StrengthPercent = null,
    double? Cost = null
);

/// <param name="DegreeDaysPerDay">Warmth that was expected when it began.</param>
public sealed record DemoCourse(
    string At,
    string Target,
    string Recipe,
    string From,
    DoseStep Step,
    int SpacingDays,
    int Rounds,
    double? DegreeDaysPerDay = null
);

/// <summary>A closed trial on one planting with as many units on each side, one leaf each.</summary>
public sealed record DemoTrial(
    string Name,
    string At,
    string Target,
    int UnitsASide,
    int Seed,
    string Opened,
    string Treated,
    string Counted,
    string Closed,
    IReadOnlyList<DemoTrialSide> Sides
);

/// <param name="Before">Units affected before, and after.</param>
public sealed record DemoTrialSide(int Before, int After, string? Recipe = null);

public sealed record DemoNote(
    string On,
    string At,
    int Looked,
    int Affected,
    IReadOnlyList<string>? Signs = null,
    string? Named = null,
    Ants Ants = Ants.None,
    int Helpers = 0,
    int Mummies = 0,
    string? Note = null
);

/// <param name="CheckedOn">When it was judged; left out while the visit is due.</param>
public sealed record DemoSpray(
    string On,
    string Material,
    double Litres,
    IReadOnlyList<string> At,
    double? PerLitre = null,
    string? Target = null,
    bool PatchTest = false,
    string? CheckedOn = null,
    int Looked = 0,
    int Affected = 0,
    Outcome? Outcome = null,
    Injury Injury = Injury.None,
    string? Note = null
);
