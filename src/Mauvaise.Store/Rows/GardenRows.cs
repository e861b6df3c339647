using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Store.Rows;

/// <summary>Rows are the shape of the data file; the core's records are made from them by <see cref="Loading.SnapshotLoader"/>.</summary>
public sealed class GardenRow
{
    public Guid Id { get; set; }
    public required string Name { get; set; }
    public double Latitude { get; set; }
    public double Longitude { get; set; }
    public double ElevationM { get; set; }
    public required string TimeZoneId { get; set; }
    public required string Climate { get; set; }
    public KitchenSystem Kitchen { get; set; }
    public TemperatureUnit TemperatureUnit { get; set; }
    public LengthUnit LengthUnit { get; set; }
    public RainUnit RainUnit { get; set; }
    public WindUnit WindUnit { get; set; }
    public HourCount Hours { get; set; }
    public DayOfWeek WeekStart { get; set; } = DayOfWeek.Monday;
    public DayOrder Days { get; set; }
    public string Currency { get; set; } = "";
    public int DropsInSpoon { get; set; } = HouseholdUnits.UsualDropsInSpoon;
    public Stance Stance { get; set; }
    public DiseaseApproach DiseaseApproach { get; set; }
    public bool OnlyLabelled { get; set; }
    public Water Water { get; set; }

    /// <summary>Seven masks of hours, Monday first, with commas between; null for always.</summary>
    public string? FreeHours { get; set; }

    /// <summary>SHA-256 of the weather station's key, hexadecimal; null when there is no station.</summary>
    public string? StationKeyHash { get; set; }

    /// <summary>What letters, calendars and links speak; null for the default.</summary>
    public string? Language { get; set; }
    public DateTimeOffset CreatedAt { get; set; }
}

public sealed class MemberRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }
    public Role Role { get; set; }
}

public sealed class PlaceRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }
    public PlaceKind Kind { get; set; }
    public double AreaM2 { get; set; }
    public double SunHours { get; set; }
    public Watering Watering { get; set; }
    public TimeOnly? SunFrom { get; set; }
    public TimeOnly? SunTo { get; set; }
    public Stance? Stance { get; set; }
    public double? PondDistanceM { get; set; }

    /// <summary>Water that goes round; null where there is none.</summary>
    public double? ReservoirLitres { get; set; }

    /// <summary>When lamps are on over it; both null where there are none.</summary>
    public TimeOnly? LampsFrom { get; set; }
    public TimeOnly? LampsTo { get; set; }

    /// <summary>Its middle on the plan; both null while nobody put it there.</summary>
    public double? SpotAcrossM { get; set; }
    public double? SpotDownM { get; set; }
    public int Order { get; set; }
}

public sealed class PlantingRow
{
    public Guid Id { get; set; }
    public Guid PlaceId { get; set; }
    public required string Crop { get; set; }
    public string? Variety { get; set; }
    public DateOnly From { get; set; }
    public DateOnly? Until { get; set; }
    public int? Count { get; set; }
    public GrowthStage Stage { get; set; }
    public bool InFlower { get; set; }
    public DateOnly? ApartUntil { get; set; }

    /// <summary>Where it stood before, as <see cref="Core.Gardens.Stays"/> keeps it; null for nowhere else.</summary>
    public string? EarlierPlaces { get; set; }
}

public sealed class SprayerRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }
    public double CapacityLitres { get; set; }
}

public sealed class StockRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Material { get; set; }
    public required string Name { get; set; }
    public double Amount { get; set; }
    public double Left { get; set; }
    public required string Unit { get; set; }
    public DateOnly? OpenedOn { get; set; }
    public DateOnly? BestBefore { get; set; }
    public double? StrengthPercent { get; set; }
    public double? Cost { get; set; }
    public double? LowAt { get; set; }

    /// <summary>What stands is strained from then on; null for what is ready.</summary>
    public DateTimeOffset? ReadyAt { get; set; }
}

/// <summary>A product of the household's with what its label says. Never deleted once records may name it: it is retired.</summary>
public sealed class ProductRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }
    public string? Like { get; set; }

    /// <summary>Targets and groups of targets, with commas between.</summary>
    public required string WorksOn { get; set; }
    public required string Unit { get; set; }
    public double DoseLow { get; set; }
    public double DoseHigh { get; set; }
    public bool AddTo { get; set; }
    public int? MaxTimes { get; set; }
    public int? DaysBetween { get; set; }
    public int? DaysToWait { get; set; }
    public bool Retired { get; set; }
    public Form Form { get; set; }
    public DosedPer Per { get; set; }
    public int? RunHours { get; set; }
    public int? FreshWaterDays { get; set; }

    /// <summary>Crops and families with commas between; null for all.</summary>
    public string? Crops { get; set; }
}

/// <summary>A recipe that the household heard. Never deleted once records may name it: it is retired.</summary>
public sealed class OwnRecipeRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }
    public required string Text { get; set; }
    public string? HeardFrom { get; set; }
    public bool Warning { get; set; }
    public bool Retired { get; set; }

    /// <summary>"neem-oil:5;castile-soap:2": materials and how much of each is in a litre, in the material's unit.</summary>
    public required string Parts { get; set; }

    /// <summary>How long it stands before it is sprayed, hours; 0 for not at all.</summary>
    public double SteepHours { get; set; }
}

/// <summary>A stock that the household makes. Never deleted once records may name it: it is retired.</summary>
public sealed class OwnStockRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }

    /// <summary>"kitchen-oil:4;castile-soap:1": materials and parts of each.</summary>
    public required string Parts { get; set; }
    public double WaterParts { get; set; }
    public bool ByWeight { get; set; }
    public StockMaking Making { get; set; }
    public double SteepHours { get; set; }
    public bool Retired { get; set; }
}

/// <summary>A crop or a trouble of one's own. Never deleted once records may name it: it is retired.</summary>
public sealed class OwnKindRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public OwnKindOf Of { get; set; }
    public required string Name { get; set; }

    /// <summary>Crop or target of the catalogue whose facts it goes by.</summary>
    public required string Like { get; set; }
    public bool Retired { get; set; }
}

public sealed class PickRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid PlantingId { get; set; }
    public DateOnly On { get; set; }
}

public sealed class HarvestRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid PlantingId { get; set; }
    public DateTimeOffset At { get; set; }
    public double? Grams { get; set; }
    public int? Pieces { get; set; }
    public bool? Washed { get; set; }
    public Guid? MemberId { get; set; }
}

public sealed class ReadingRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid PlaceId { get; set; }

    /// <summary>Id of what is measured.</summary>
    public required string Of { get; set; }
    public DateTimeOffset At { get; set; }
    public double Value { get; set; }
    public Guid? MemberId { get; set; }
}

public sealed class EmulsionRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public DateTimeOffset At { get; set; }
    public required string Oil { get; set; }
    public required string Soap { get; set; }
    public Water Water { get; set; }
    public double SoapMlPerLitre { get; set; }
    public int HeldSeconds { get; set; }
}
