using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Gardens;

/// <summary>When a household sprays at all.</summary>
public enum Stance
{
    LastResort,
    WatchAndTreat,
    KeepAhead,
}

/// <summary>How a household meets fungal disease.</summary>
public enum DiseaseApproach
{
    CleanThenProtect,
    ProtectOnly,
    NeemOnly,
    Milk,
}

public enum Watering
{
    Drip,
    HandAtSoil,
    Overhead,
    Tray,
}

/// <summary>
/// Who may do what: owners keep the garden, helpers do all the work of it, guests walk and log for a while, lookers only read.
/// </summary>
public enum Role
{
    Owner,
    Helper,
    Looker,
    Guest,
}

/// <summary>A site with its household's choices. Latitude north positive, longitude east positive, degrees.</summary>
/// <param name="Free">When somebody is free to spray; null for always.</param>
/// <param name="Language">What letters, calendars and links speak, by its code; null for the default. A screen speaks its reader's own.</param>
public sealed record Garden(
    Guid Id,
    string Name,
    double Latitude,
    double Longitude,
    double ElevationM,
    string TimeZoneId,
    string Climate,
    KitchenSystem Kitchen,
    Stance Stance,
    DiseaseApproach DiseaseApproach,
    bool OnlyLabelled,
    FreeHours? Free = null,
    Water Water = Water.Rain,
    HouseholdUnits? Units = null,
    string? Language = null
)
{
    /// <summary>What the household reads.</summary>
    public HouseholdUnits Units { get; init; } = Units ?? HouseholdUnits.Metric;

    /// <summary>A text with its figures as this household reads them.</summary>
    public string Told(string text) => text.Told(Units, Kitchen);

    /// <summary>UTC for a name that this version does not know, so that such a garden can still be opened.</summary>
    public GardenZone Zone { get; } = GardenZone.Find(TimeZoneId) ?? GardenZone.Utc;

    /// <summary>The civil date of an instant in the garden.</summary>
    public DateOnly DateOf(DateTimeOffset instant) => Zone.DateOf(instant);

    /// <inheritdoc cref="GardenZone.StartOf"/>
    public DateTimeOffset StartOf(DateOnly date) => Zone.StartOf(date);

    /// <summary>The month as the northern hemisphere counts it: six months on when the garden lies south of the equator.</summary>
    public int NorthernMonth(DateOnly date) => NorthernMonth(Latitude, date);

    /// <summary>First day of the growing season that holds a date: January north of the equator, July south of it.</summary>
    public DateOnly SeasonStart(DateOnly date) =>
        Latitude >= 0 ? new DateOnly(date.Year, 1, 1) : new DateOnly(date.Month >= 7 ? date.Year : date.Year - 1, 7, 1);

    public static int NorthernMonth(double latitude, DateOnly date) => latitude >= 0 ? date.Month : (date.Month + 5) % 12 + 1;
}

public sealed record Member(Guid Id, string Name, Role Role);

/// <summary>The middle of a place on the plan of the garden.</summary>
/// <param name="AcrossM">From the left, m.</param>
/// <param name="DownM">From the top, m.</param>
public readonly record struct Spot(double AcrossM, double DownM)
{
    /// <summary>A garden is no wider and no deeper than this, m.</summary>
    public const double Most = 200;
}

/// <summary>Where plants grow. <see cref="AreaM2"/> counts all tubs of a set.</summary>
/// <param name="SunFrom">Local time at which the sun reaches it; null for all day.</param>
/// <param name="Stance">Null to follow the garden's.</param>
/// <param name="ReservoirLitres">Water that goes round in a rack or tower; null where there is none.</param>
/// <param name="Spot">Where it lies on the plan; null while nobody put it there.</param>
/// <param name="Lamps">When lamps are on over it; null where there are none.</param>
public sealed record Place(
    Guid Id,
    string Name,
    PlaceKind Kind,
    double AreaM2,
    double SunHours,
    Watering Watering,
    TimeOnly? SunFrom,
    TimeOnly? SunTo,
    Stance? Stance,
    double? PondDistanceM,
    int Order,
    double? ReservoirLitres = null,
    Spot? Spot = null,
    LampHours? Lamps = null
)
{
    /// <summary>What is no further than this walks, drifts and is carried over, m (assumed).</summary>
    public const double BesideM = 3;

    private const double MostReservoirLitres = 2000;

    /// <summary>Whether a rack or tower may hold so much water, in litres; null is none.</summary>
    public static bool IsReservoir(double? litres) => litres is null or (> 0 and <= MostReservoirLitres);

    /// <summary>What a reservoir may hold, in words.</summary>
    public static string ReservoirRange() => Say.Of("gardens.theReservoirHolds", ("volume", Figure.Volume(MostReservoirLitres)));

    /// <summary>Whether lamps may have such hours: both ends or neither, and not the same.</summary>
    public static bool AreLamps(TimeOnly? from, TimeOnly? to) => from is null == to is null && (from is null || from != to);

    /// <summary>From edge to edge, m, each taken for a square; null where one is not on the plan.</summary>
    public double? DistanceM(Place other) =>
        Spot is { } here && other.Spot is { } there
            ? Math.Max(
                0,
                Math.Sqrt(Math.Pow(here.AcrossM - there.AcrossM, 2) + Math.Pow(here.DownM - there.DownM, 2)) - (Math.Sqrt(AreaM2) + Math.Sqrt(other.AreaM2)) / 2
            )
            : null;

    /// <summary>Another place that lies close by on the plan.</summary>
    public bool IsBeside(Place other) => other.Id != Id && DistanceM(other) is <= BesideM;

    public Shelter Shelter => ShelterOf(Kind);

    public static Shelter ShelterOf(PlaceKind kind) =>
        kind switch
        {
            PlaceKind.Tunnel => Shelter.Tunnel,
            PlaceKind.IndoorRack => Shelter.Indoor,
            _ => Shelter.Open,
        };
}

/// <summary>One crop in one place from a date to a date.</summary>
/// <param name="PlaceId">Where it stands now.</param>
/// <param name="Until">Last day, or null while it grows.</param>
/// <param name="ApartUntil">Last day on which it is kept apart, as what was bought or is sick; null when it is not.</param>
public sealed record Planting(
    Guid Id,
    Guid PlaceId,
    string Crop,
    string? Variety,
    DateOnly From,
    DateOnly? Until,
    int? Count,
    GrowthStage Stage,
    bool InFlower,
    DateOnly? ApartUntil = null
)
{
    /// <summary>Where it stood before, the first place first.</summary>
    public IReadOnlyList<Stay> Earlier { get; init; } = [];

    /// <summary>Kept apart on a day.</summary>
    public bool IsApart(DateOnly on) => ApartUntil >= on;

    /// <summary>The day on which it was last carried away from a place; null when it never stood there, or stands there now.</summary>
    public DateOnly? LeftOn(Place place) =>
        place.Id == PlaceId ? null : Earlier.Where(s => s.PlaceId == place.Id).Select(s => (DateOnly?)s.Until).LastOrDefault();

    /// <summary>The days that it stood at a place, the first first; without an end where it stands still.</summary>
    public IEnumerable<(DateOnly From, DateOnly? Until)> StaysAt(Guid placeId)
    {
        var from = From;
        foreach (var stay in Earlier)
        {
            if (stay.PlaceId == placeId)
            {
                yield return (from, stay.Until.AddDays(-1));
            }

            from = stay.Until;
        }

        if (PlaceId == placeId)
        {
            yield return (from, Until);
        }
    }

    /// <summary>True on every day from planting to the last day, both included.</summary>
    public bool GrowsOn(DateOnly date) => From <= date && (Until is null || date <= Until);
}

public sealed record Sprayer(Guid Id, string Name, double CapacityLitres);

/// <summary>What stands on the shelf. Amounts are in the material's unit ("ml" or "g").</summary>
/// <param name="Amount">When it was full.</param>
/// <param name="StrengthPercent">As its label says, where that matters; null for the usual strength.</param>
/// <param name="Cost">What the full bottle cost, in the household's money; null when not known.</param>
/// <param name="LowAt">It is low at this much; null for a fifth of the full amount.</param>
/// <param name="ReadyAt">It stands until then and waits to be strained; null once it was, and for what is ready at once.</param>
public sealed record Stock(
    Guid Id,
    string Material,
    string Name,
    double Amount,
    double Left,
    string Unit,
    DateOnly? OpenedOn,
    DateOnly? BestBefore,
    double? StrengthPercent = null,
    double? Cost = null,
    double? LowAt = null,
    DateTimeOffset? ReadyAt = null
)
{
    /// <summary>It stands, or waits to be strained: nothing is taken of it.</summary>
    public bool IsSteeping => ReadyAt is not null;

    public bool IsLow => Left <= (LowAt ?? Amount / 5);
}

/// <summary>A day on which the household means to pick.</summary>
public sealed record PlannedPick(Guid Id, Guid PlantingId, DateOnly On);

/// <summary>Water as it comes to the bench.</summary>
public enum Water
{
    Rain,
    SoftTap,
    HardTap,
}

/// <summary>How much of a soap kept an oil even in a water, as a shaken jar showed.</summary>
/// <param name="SoapMlPerLitre">The least that did.</param>
/// <param name="HeldSeconds">For how long the jar stayed even.</param>
public sealed record Emulsion(Guid Id, DateTimeOffset At, string Oil, string Soap, Water Water, double SoapMlPerLitre, int HeldSeconds);

/// <summary>Something that was picked.</summary>
/// <param name="Grams">Null where it was counted only.</param>
/// <param name="Pieces">Null where it was weighed only.</param>
/// <param name="Washed">Null when nobody said.</param>
public sealed record Harvest(Guid Id, Guid PlantingId, DateTimeOffset At, double? Grams, int? Pieces, bool? Washed, Guid? MemberId)
{
    /// <summary>How much, in words.</summary>
    public string Told => HarvestAmount.Told(Grams ?? 0, Pieces ?? 0);
}

/// <summary>Something that was measured at a place.</summary>
/// <param name="Of">Id of what is measured, as the catalogue has it.</param>
public sealed record Reading(Guid Id, Guid PlaceId, string Of, DateTimeOffset At, double Value, Guid? MemberId);
