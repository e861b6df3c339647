using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Web.Gardens;

/// <summary>What the app is and which gardens it holds.</summary>
public sealed record StateAnswer(IReadOnlyList<GardenName> Gardens, bool Demo, DateTimeOffset Now);

public sealed record GardenName(Guid Id, string Name);

/// <summary>The first step of a real garden.</summary>
/// <param name="FirstPlanting">What grows in the first place; null where nothing does yet.</param>
public sealed record NewGarden(
    Guid Id,
    string Name,
    double Latitude,
    double Longitude,
    string TimeZoneId,
    string Climate,
    KitchenSystem Kitchen,
    Stance Stance,
    string MemberName,
    NewPlace FirstPlace,
    HouseholdUnits? Units = null,
    NewPlanting? FirstPlanting = null
);

/// <param name="PondDistanceM">Null where no pond is near.</param>
/// <param name="SunFrom">Local time at which the sun reaches it; null for the whole day.</param>
/// <param name="ReservoirLitres">Water that goes round in it; null where there is none.</param>
/// <param name="LampsFrom">Local time at which lamps come on over it; null where there are none.</param>
public sealed record NewPlace(
    Guid Id,
    string Name,
    PlaceKind Kind,
    double LengthM,
    double WidthM,
    double SunHours,
    Watering Watering,
    double? PondDistanceM = null,
    TimeOnly? SunFrom = null,
    TimeOnly? SunTo = null,
    Guid? MemberId = null,
    double? ReservoirLitres = null,
    TimeOnly? LampsFrom = null,
    TimeOnly? LampsTo = null
);

/// <summary>A place as it is now.</summary>
/// <param name="PondDistanceM">Null where no pond is near.</param>
/// <param name="SunFrom">Local time at which the sun reaches it; null for the whole day.</param>
/// <param name="ReservoirLitres">Water that goes round in it; null where there is none.</param>
/// <param name="LampsFrom">Local time at which lamps come on over it; null where there are none.</param>
public sealed record PlaceChange(
    string Name,
    PlaceKind Kind,
    double AreaM2,
    double SunHours,
    Watering Watering,
    double? PondDistanceM = null,
    TimeOnly? SunFrom = null,
    TimeOnly? SunTo = null,
    Guid? MemberId = null,
    double? ReservoirLitres = null,
    TimeOnly? LampsFrom = null,
    TimeOnly? LampsTo = null
);

/// <param name="Role">Null to leave it as it is; somebody new is a helper.</param>
/// <param name="MemberId">Who writes it.</param>
public sealed record MemberChange(string Name, Role? Role = null, Guid? MemberId = null);

public sealed record SprayerChange(string Name, double CapacityLitres, Guid? MemberId = null);

public sealed record NewPlanting(
    Guid Id,
    Guid PlaceId,
    string Crop,
    string? Variety,
    DateOnly From,
    GrowthStage Stage,
    bool InFlower,
    Guid? MemberId = null,
    [property: System.ComponentModel.DataAnnotations.Range(1, PlantingFacts.MostPlants)] int? Count = null
);

/// <summary>Changes to how the garden is run.</summary>
/// <param name="FreeHours">When somebody is free, Monday first, each as "6-8, 18-21", "always" or "never"; null to leave it as it is.</param>
/// <param name="OnlyLabelled">Whether only products with a label are used; null to leave it as it is.</param>
/// <param name="Water">The water that mixes are made with; null to leave it as it is.</param>
/// <param name="DiseaseApproach">How disease is met; null to leave it as it is.</param>
/// <param name="Units">What the household reads; null to leave it as it is.</param>
public sealed record GardenSettings(
    Stance Stance,
    KitchenSystem Kitchen,
    IReadOnlyList<string>? FreeHours = null,
    bool? OnlyLabelled = null,
    Water? Water = null,
    DiseaseApproach? DiseaseApproach = null,
    Guid? MemberId = null,
    HouseholdUnits? Units = null,
    string? Language = null
);

/// <summary>A day on which somebody means to pick.</summary>
public sealed record NewPick(Guid Id, Guid PlantingId, DateOnly On, Guid? MemberId = null);

public sealed record PickAnswer(Guid Id, DateOnly On);

/// <summary>How a planting stands now, or that it has ended.</summary>
public sealed record PlantingChange(GrowthStage Stage, bool InFlower, bool Ended, Guid? MemberId = null);

/// <param name="BesideM">What lies no further apart than this is a neighbour, m.</param>
public sealed record GardenAnswer(
    Guid Id,
    string Name,
    DateTimeOffset Now,
    DateTimeOffset LocalNow,
    string TimeZoneId,
    double Latitude,
    double Longitude,
    string Climate,
    Stance Stance,
    DiseaseApproach DiseaseApproach,
    KitchenSystem Kitchen,
    bool OnlyLabelled,
    Water Water,
    IReadOnlyList<MemberAnswer> Members,
    IReadOnlyList<PlaceAnswer> Places,
    IReadOnlyList<SprayerAnswer> Sprayers,
    HouseholdUnits Units,
    string Language,
    ScalesAnswer Scales,
    IReadOnlyList<string> FreeHours,
    WeatherNotice Weather,
    LastDeed? LastDeed,
    double BesideM
);

/// <summary>How SI becomes what the household reads, for what a screen draws by itself and for what is typed.</summary>
/// <param name="Volume">For a volume that is typed.</param>
/// <param name="DoseMl">For a label's dose in millilitres a litre; <paramref name="AreaDoseMl"/> a square metre.</param>
/// <param name="DoseG">For a label's dose in grams a litre; <paramref name="AreaDoseG"/> a square metre.</param>
public sealed record ScalesAnswer(
    UnitScale Temperature,
    UnitScale DegreeDays,
    UnitScale Length,
    UnitScale Area,
    UnitScale Rain,
    UnitScale Wind,
    UnitScale Volume,
    UnitScale DoseMl,
    UnitScale DoseG,
    UnitScale AreaDoseMl,
    UnitScale AreaDoseG,
    TypedScalesAnswer Typed
)
{
    public static ScalesAnswer Of(HouseholdUnits units, KitchenSystem kitchen) =>
        new(
            units.Scale(Quantity.Temperature),
            units.Scale(Quantity.DegreeDays),
            units.Scale(Quantity.Length),
            units.Scale(Quantity.Area),
            units.Scale(Quantity.Rain),
            units.Scale(Quantity.Wind),
            TankVolume.Scale(kitchen),
            LabelDose.InWater("ml", kitchen),
            LabelDose.InWater("g", kitchen),
            LabelDose.OnArea("ml", kitchen, units.Length),
            LabelDose.OnArea("g", kitchen, units.Length),
            new TypedScalesAnswer(
                HouseholdUnits.Typed(Quantity.Temperature),
                HouseholdUnits.Typed(Quantity.Length),
                HouseholdUnits.Typed(Quantity.Area),
                HouseholdUnits.Typed(Quantity.Rain),
                HouseholdUnits.Typed(Quantity.Wind),
                TankVolume.Typed(kitchen),
                LabelDose.TypedInWater("ml", kitchen),
                LabelDose.TypedInWater("g", kitchen),
                LabelDose.TypedOnArea("ml", kitchen),
                LabelDose.TypedOnArea("g", kitchen)
            )
        );
}

/// <summary>Units that a number may be typed with, by what is measured.</summary>
public sealed record TypedScalesAnswer(
    IReadOnlyList<UnitScale> Temperature,
    IReadOnlyList<UnitScale> Length,
    IReadOnlyList<UnitScale> Area,
    IReadOnlyList<UnitScale> Rain,
    IReadOnlyList<UnitScale> Wind,
    IReadOnlyList<UnitScale> Volume,
    IReadOnlyList<UnitScale> DoseMl,
    IReadOnlyList<UnitScale> DoseG,
    IReadOnlyList<UnitScale> AreaDoseMl,
    IReadOnlyList<UnitScale> AreaDoseG
);

public sealed record MemberAnswer(Guid Id, string Name, Role Role);

public sealed record PlaceAnswer(
    Guid Id,
    string Name,
    PlaceKind Kind,
    double AreaM2,
    double SunHours,
    Watering Watering,
    double? PondDistanceM,
    TimeOnly? SunFrom,
    TimeOnly? SunTo,
    Stance Stance,
    bool OwnStance,
    IReadOnlyList<PlantingAnswer> Plantings,
    double? ReservoirLitres,
    SpotAnswer? Spot,
    TimeOnly? LampsFrom,
    TimeOnly? LampsTo
);

/// <summary>The middle of a place on the plan, m from the left and the top.</summary>
public sealed record SpotAnswer(double AcrossM, double DownM);

/// <summary>Where a place lies on the plan now.</summary>
public sealed record SpotChange(double AcrossM, double DownM, Guid? MemberId = null);

/// <param name="LikeCrop">The listed crop whose facts it goes by: itself, but for a crop of one's own.</param>
/// <param name="LeftAlone">The word by which it is left alone on purpose; null when it is not.</param>
public sealed record PlantingAnswer(
    Guid Id,
    string Crop,
    string LikeCrop,
    string CropName,
    IReadOnlyList<string> AlsoCalled,
    string? Variety,
    string Leaf,
    GrowthStage Stage,
    bool InFlower,
    DateOnly From,
    int? Count,
    DateTimeOffset? LastSeen,
    IReadOnlyList<PickAnswer> Picks,
    Guid? LeftAlone,
    DateOnly? ApartUntil
);

/// <summary>A planting is carried elsewhere, with its records; or kept apart where it stands.</summary>
/// <param name="PlaceId">Where it stands from now on.</param>
/// <param name="On">The day; null for today.</param>
/// <param name="ApartUntil">Last day on which it is kept apart; null to let it be among others.</param>
public sealed record PlantingMove(Guid PlaceId, DateOnly? On = null, DateOnly? ApartUntil = null, Guid? MemberId = null)
{
    /// <summary>Nothing is kept apart for longer, days.</summary>
    public const int MostDaysApart = 366;
}

public sealed record SprayerAnswer(Guid Id, string Name, double CapacityLitres, string Holds);

/// <summary>How old the weather is.</summary>
/// <param name="Stale">True when the screen must say so.</param>
public sealed record WeatherNotice(DateTimeOffset? FetchedAt, bool Stale, string Sentence);

/// <summary>The write that undo would take back.</summary>
public sealed record LastDeed(long Id, string Words, DateTimeOffset At, Guid? MemberId, string? By);
