namespace Mauvaise.Store.Rows;

/// <summary>A write that was made, with what it changed, so that it can be undone and its history read.</summary>
public sealed class DeedRow
{
    public long Id { get; set; }
    public Guid GardenId { get; set; }
    public DateTimeOffset At { get; set; }
    public Guid? MemberId { get; set; }

    /// <summary>As it reads on the undo button: "Logged a spray on Chapel".</summary>
    public required string Words { get; set; }

    /// <summary>JSON list of <see cref="Deeds.RowChange"/>.</summary>
    public required string Changes { get; set; }
    public DateTimeOffset? UndoneAt { get; set; }
}
