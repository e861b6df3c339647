namespace Mauvaise.Core.Sky;

/// <summary>Clock times of a zone as instants, over the days on which the clocks change.</summary>
public static class LocalTime
{
    /// <summary>The first instant of a civil date: midnight, or the end of the gap where the clocks skip midnight.</summary>
    public static DateTimeOffset StartOf(DateOnly date, TimeZoneInfo zone)
    {
        var midnight = date.ToDateTime(TimeOnly.MinValue);
        while (zone.IsInvalidTime(midnight))
        {
            midnight = midnight.AddMinutes(15);
        }

        return new DateTimeOffset(midnight, zone.GetUtcOffset(midnight));
    }

    /// <summary>
    /// The instant of a clock time. Where the clocks go back a time comes twice: it is the first unless that is not after
    /// <paramref name="previous"/>, so that rows in order keep all their hours. Null where the clocks skipped it.
    /// </summary>
    /// <param name="previous">Instant of the row before; null for the first.</param>
    public static DateTimeOffset? At(DateTime local, TimeZoneInfo zone, DateTimeOffset? previous)
    {
        if (zone.IsInvalidTime(local))
        {
            return null;
        }

        if (!zone.IsAmbiguousTime(local))
        {
            return new DateTimeOffset(local, zone.GetUtcOffset(local)).ToUniversalTime();
        }

        var offsets = zone.GetAmbiguousTimeOffsets(local);
        var first = new DateTimeOffset(local, offsets.Max()).ToUniversalTime();
        return previous is { } before && first <= before ? new DateTimeOffset(local, offsets.Min()).ToUniversalTime() : first;
    }
}
