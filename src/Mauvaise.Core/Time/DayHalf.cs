namespace Mauvaise.Core.Time;

/// <summary>Half a civil day, by the local clock: a morning ends at noon, whatever the clocks did in the night.</summary>
/// <param name="IsMorning">True for the hours before noon.</param>
public readonly record struct DayHalf(DateOnly Day, bool IsMorning)
{
    private const int Noon = 12;

    /// <summary>Nobody is sent out at night.</summary>
    private const int DayFrom = 5,
        DayTo = 22;

    /// <summary>The half day that holds an instant.</summary>
    public static DayHalf Of(DateTimeOffset instant, GardenZone zone)
    {
        var local = zone.Local(instant);
        return new DayHalf(DateOnly.FromDateTime(local.DateTime), local.Hour < Noon);
    }

    /// <summary>Its hours by daylight: from 5 to noon, or from noon to 22, by the clock; the end is not in it.</summary>
    public (DateTimeOffset From, DateTimeOffset To) Hours(GardenZone zone) =>
        IsMorning ? (zone.At(Day, DayFrom), zone.At(Day, Noon)) : (zone.At(Day, Noon), zone.At(Day, DayTo));
}
