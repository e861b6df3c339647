using NodaTime;
using NodaTime.TimeZones;

namespace Mauvaise.Core.Time;

/// <summary>
/// The time zone that a garden lives in. Every question about local days, clock times and the days on which clocks change is
/// answered here and nowhere else.
/// </summary>
public sealed class GardenZone
{
    private readonly DateTimeZone zone;

    private GardenZone(DateTimeZone zone) => this.zone = zone;

    public static GardenZone Utc { get; } = new(DateTimeZone.Utc);

    /// <summary>Its name in the time zone database, as Europe/Vienna.</summary>
    public string Id => zone.Id;

    /// <summary>Null when the database of this version does not know the name.</summary>
    public static GardenZone? Find(string? id) =>
        id is { Length: > 0 } && DateTimeZoneProviders.Tzdb.GetZoneOrNull(id) is { } known ? new GardenZone(known) : null;

    /// <exception cref="ArgumentOutOfRangeException">The database does not know the name.</exception>
    public static GardenZone Of(string id) => Find(id) ?? throw new ArgumentOutOfRangeException(nameof(id), id, "There is no such time zone.");

    /// <summary>The instant with the offset that clocks have then.</summary>
    public DateTimeOffset Local(DateTimeOffset instant) => Instant.FromDateTimeOffset(instant).InZone(zone).ToDateTimeOffset();

    /// <summary>The civil date of an instant.</summary>
    public DateOnly DateOf(DateTimeOffset instant) => DateOnly.FromDateTime(Local(instant).DateTime);

    /// <summary>The first instant of a civil date: the first of two midnights, or the end of the gap where clocks skip midnight.</summary>
    /// <example>Atlantic/Azores 2026-10-25: clocks go from 01:00 back to 00:00, so the day begins at 00:00 +00:00, an hour before the second
    /// midnight.</example>
    public DateTimeOffset StartOf(DateOnly date) => zone.AtStartOfDay(LocalDate.FromDateOnly(date)).ToDateTimeOffset();

    /// <summary>The instant of a clock time: the first of two where clocks go back, the end of the gap where they skip it.</summary>
    public DateTimeOffset At(DateOnly date, TimeOnly clock) => At(date.ToDateTime(clock));

    /// <inheritdoc cref="At(DateOnly, TimeOnly)"/>
    public DateTimeOffset At(DateTime local) =>
        zone.ResolveLocal(LocalDateTime.FromDateTime(local), Resolvers.CreateMappingResolver(Resolvers.ReturnEarlier, Resolvers.ReturnStartOfIntervalAfter))
            .ToDateTimeOffset();

    /// <summary>The instant at which a local hour begins; 24 is the start of the next day.</summary>
    /// <param name="hour">0 to 24.</param>
    public DateTimeOffset At(DateOnly date, int hour) => hour == 24 ? StartOf(date.AddDays(1)) : At(date, new TimeOnly(hour, 0));

    /// <summary>
    /// The instant of a clock time in a table whose rows are in order. A time that comes twice is the first unless that is not after
    /// <paramref name="previous"/>, so that all its hours are kept. Null where clocks skipped it.
    /// </summary>
    /// <param name="previous">Instant of the row before; null for the first.</param>
    public DateTimeOffset? InOrder(DateTime local, DateTimeOffset? previous)
    {
        var mapping = zone.MapLocal(LocalDateTime.FromDateTime(local));
        if (mapping.Count == 0)
        {
            return null;
        }

        var first = mapping.First().ToDateTimeOffset().ToUniversalTime();
        return mapping.Count == 2 && previous is { } before && first <= before ? mapping.Last().ToDateTimeOffset().ToUniversalTime() : first;
    }
}
