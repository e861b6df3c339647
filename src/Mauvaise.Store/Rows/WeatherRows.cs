using Mauvaise.Core.Sky;

namespace Mauvaise.Store.Rows;

/// <summary>
/// One UTC day of one source, 24 hours packed by <see cref="HourPacking"/>: ten years of one source are 3,650 rows, read in one
/// sweep of the primary key.
/// </summary>
public sealed class WeatherDayRow
{
    public Guid GardenId { get; set; }
    public DateOnly DayUtc { get; set; }
    public WeatherSource Source { get; set; }
    public required byte[] Hours { get; set; }
}

/// <summary>When a source last answered, and what went wrong last.</summary>
public sealed class WeatherFetchRow
{
    public Guid GardenId { get; set; }
    public WeatherSource Source { get; set; }
    public DateTimeOffset? AnsweredAt { get; set; }
    public string? Trouble { get; set; }
}
