using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Store.Rows;

public sealed class ObservationRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }

    /// <summary>The first trouble's id of the look; shared by all troubles counted on the same leaves.</summary>
    public Guid LookId { get; set; }
    public Guid? WalkId { get; set; }
    public Guid PlantingId { get; set; }
    public DateTimeOffset At { get; set; }
    public Guid? MemberId { get; set; }
    public int LeavesLooked { get; set; }
    public int LeavesAffected { get; set; }
    public double? SeverityPercent { get; set; }
    public Ants Ants { get; set; }
    public int Helpers { get; set; }
    public int Mummies { get; set; }
    public PlantPart Part { get; set; }
    public BedSide Side { get; set; }
    public RootCheck Roots { get; set; }
    public string? Named { get; set; }
    public bool NameIsGroup { get; set; }

    /// <summary>What the gardener calls it, where the catalogue has no name.</summary>
    public string? OwnName { get; set; }
    public string? Note { get; set; }

    /// <summary>Numbers of the affected plants with commas between, where plants were counted; null for leaves.</summary>
    public string? Plants { get; set; }
    public CountedOn On { get; set; }
    public List<ObservedSignRow> Signs { get; set; } = [];
}

public sealed class ObservedSignRow
{
    public Guid ObservationId { get; set; }
    public required string Sign { get; set; }
    public bool Present { get; set; }
}

public sealed class BatchRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public DateTimeOffset MadeAt { get; set; }
    public Guid? MemberId { get; set; }
    public required string Recipe { get; set; }
    public DoseStep Step { get; set; }
    public double Litres { get; set; }
    public DateTimeOffset UseBy { get; set; }
    public string? Target { get; set; }
    public bool PatchTest { get; set; }
    public DateTimeOffset? EmptiedAt { get; set; }

    /// <summary>What it was mixed in; null when nobody said. No reference: a sprayer that is thrown away leaves its mixes.</summary>
    public Guid? SprayerId { get; set; }

    /// <summary>It stands until then and is not sprayed before; null for what is ready.</summary>
    public DateTimeOffset? ReadyAt { get; set; }

    /// <summary>A second trouble that the same filling is against, and what in it works on that; null for none.</summary>
    public string? AlsoTarget { get; set; }
    public string? AlsoMaterial { get; set; }
    public List<BatchPlantingRow> Plantings { get; set; } = [];
    public List<BatchIngredientRow> Ingredients { get; set; } = [];
}

public sealed class BatchPlantingRow
{
    public Guid BatchId { get; set; }
    public Guid PlantingId { get; set; }
}

public sealed class BatchIngredientRow
{
    public Guid BatchId { get; set; }
    public required string Material { get; set; }
    public required string Role { get; set; }
    public double Amount { get; set; }
    public required string Unit { get; set; }

    /// <summary>Strength of the bottle it came from, per cent; null for the usual one.</summary>
    public double? BottlePercent { get; set; }
}

public sealed class ApplicationRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid? BatchId { get; set; }
    public DateTimeOffset At { get; set; }
    public Guid? MemberId { get; set; }
    public required string Material { get; set; }
    public double? PerLitre { get; set; }
    public double Litres { get; set; }
    public string? Target { get; set; }
    public bool PatchTest { get; set; }
    public string? Note { get; set; }
    public double? TemperatureC { get; set; }
    public double? RelativeHumidityPercent { get; set; }
    public double? WindMetresPerSecond { get; set; }
    public SprayReason Why { get; set; }

    /// <summary>Names of <see cref="WettedPart"/> with commas between; null when nobody said.</summary>
    public string? Parts { get; set; }

    /// <summary>What the places were reckoned to take, litres; null when nobody reckoned.</summary>
    public double? ExpectedLitres { get; set; }

    /// <summary>When it was struck out as logged by mistake; it stays in the file.</summary>
    public DateTimeOffset? StruckAt { get; set; }

    /// <summary>A second trouble that it was against, and what in it works on that; null for none.</summary>
    public string? AlsoTarget { get; set; }
    public string? AlsoMaterial { get; set; }
    public List<TreatedRow> Treated { get; set; } = [];
}

public sealed class TreatedRow
{
    public Guid ApplicationId { get; set; }
    public Guid PlantingId { get; set; }
    public double ShareWetted { get; set; }

    /// <summary>Numbers of the plants that were treated, with commas between; null for all.</summary>
    public string? Plants { get; set; }
}

public sealed class CheckBackRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid? ApplicationId { get; set; }
    public Guid? TaskId { get; set; }
    public Guid PlantingId { get; set; }
    public DateOnly DueOn { get; set; }
    public DateTimeOffset? DoneAt { get; set; }
    public Guid? ObservationId { get; set; }
    public Outcome? Outcome { get; set; }
    public Injury Injury { get; set; }
    public Guid? MemberId { get; set; }

    /// <summary>The count before that it was judged against.</summary>
    public Guid? BeforeId { get; set; }

    /// <summary>The second trouble of its spray, where it judges that; null for the spray's own.</summary>
    public string? AlsoTarget { get; set; }

    /// <summary>Names of <see cref="InjurySign"/> with commas between; null when none was noted.</summary>
    public string? InjurySigns { get; set; }

    /// <summary>Of the insects that were touched.</summary>
    public int? Alive { get; set; }
    public int? Dead { get; set; }

    /// <summary>Leaves with nothing but dead insects or old spots; null when nobody told them apart.</summary>
    public int? OnlyDead { get; set; }

    /// <summary>Why the garden is not to learn from it; null when it is.</summary>
    public string? DiscountedFor { get; set; }
}

/// <summary>One field of a spray that was put right, as it was and as it became.</summary>
public sealed class CorrectionRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid ApplicationId { get; set; }
    public DateTimeOffset At { get; set; }
    public Guid? MemberId { get; set; }
    public required string Field { get; set; }
    public string? Was { get; set; }
    public string? Became { get; set; }
}

public sealed class TrialRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public required string Name { get; set; }
    public required string Target { get; set; }
    public TrialUnitKind Unit { get; set; }
    public int LeavesPerUnit { get; set; }
    public int Seed { get; set; }
    public bool Blind { get; set; }
    public DateTimeOffset OpenedAt { get; set; }
    public DateTimeOffset? TreatedAt { get; set; }

    /// <summary>Null where it was treated once at the most.</summary>
    public DateTimeOffset? LastTreatedAt { get; set; }
    public int TreatedTimes { get; set; }
    public DateTimeOffset? ClosedAt { get; set; }
    public Guid? MemberId { get; set; }
    public List<TrialSideRow> Sides { get; set; } = [];
    public List<TrialUnitRow> Units { get; set; } = [];
}

public sealed class TrialSideRow
{
    public Guid TrialId { get; set; }
    public int Number { get; set; }

    /// <summary>Null for what is done by hand, and for the side that is left alone.</summary>
    public string? Recipe { get; set; }
    public DoseStep Step { get; set; }

    /// <summary>A measure, or something else in the gardener's words; null for what is mixed and for the side left alone.</summary>
    public string? ByHand { get; set; }
}

public sealed class TrialUnitRow
{
    public Guid TrialId { get; set; }
    public int Number { get; set; }
    public Guid PlantingId { get; set; }
    public int Side { get; set; }
}

public sealed class TrialCountRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid TrialId { get; set; }
    public int Unit { get; set; }
    public DateTimeOffset At { get; set; }
    public int LeavesLooked { get; set; }
    public int LeavesAffected { get; set; }
    public double? SeverityPercent { get; set; }
    public Injury Injury { get; set; }

    /// <summary>Living insects; null when nobody counted them.</summary>
    public int? Alive { get; set; }
    public Guid? MemberId { get; set; }
}

public sealed class TaskRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid PlantingId { get; set; }
    public Guid? LookId { get; set; }
    public required string Step { get; set; }
    public string? Target { get; set; }
    public DateOnly DueOn { get; set; }
    public TaskState State { get; set; }
    public DateTimeOffset? DoneAt { get; set; }
    public int? Leaves { get; set; }

    /// <summary>Kind of helper that is ordered or let out; null otherwise.</summary>
    public string? Helper { get; set; }

    /// <summary>How many helpers.</summary>
    public int? Number { get; set; }

    /// <summary>Which dose of the measure's recipe was proposed; null where it has none.</summary>
    public DoseStep? Dose { get; set; }
    public Guid? MemberId { get; set; }
}

public sealed class CourseRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid PlantingId { get; set; }
    public required string Target { get; set; }
    public required string Recipe { get; set; }
    public DateTimeOffset OpenedAt { get; set; }
    public DoseStep Step { get; set; }
    public int SpacingDays { get; set; }
    public int Rounds { get; set; }
    public double? DegreeDaysPerDay { get; set; }

    /// <summary>ISO days with commas between; null to go by the life cycle.</summary>
    public string? OwnDays { get; set; }

    /// <summary>What it goes on with when its rounds are through; null for nothing, and then the two below are too.</summary>
    public string? ThenRecipe { get; set; }
    public int? ThenSpacingDays { get; set; }
    public int? ThenRounds { get; set; }
    public DateTimeOffset? StoppedAt { get; set; }
    public Guid? MemberId { get; set; }
}

public sealed class PlanChoiceRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public PlanWord Word { get; set; }
    public Guid PlantingId { get; set; }
    public string? Target { get; set; }
    public string? Material { get; set; }
    public DateOnly? On { get; set; }
    public Guid? MemberId { get; set; }
}

/// <summary>A round as it was in the plan that the gardener last looked at.</summary>
public sealed class SeenRoundRow
{
    public Guid GardenId { get; set; }
    public required string Key { get; set; }
    public DateOnly On { get; set; }
    public required string Recipe { get; set; }
}

/// <summary>A visit as it was last given out to calendars, so that one that moves stays the same and one that goes is cancelled.</summary>
public sealed class FeedEventRow
{
    public Guid GardenId { get; set; }
    public required string Key { get; set; }
    public DateTimeOffset From { get; set; }
    public DateTimeOffset To { get; set; }
    public required string Words { get; set; }
    public int Sequence { get; set; }
    public bool Cancelled { get; set; }
    public DateTimeOffset ChangedAt { get; set; }
}

public sealed class WalkRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public DateTimeOffset StartedAt { get; set; }
    public DateTimeOffset? EndedAt { get; set; }
    public Guid? MemberId { get; set; }
    public List<SkippedPlaceRow> Skipped { get; set; } = [];
}

public sealed class SkippedPlaceRow
{
    public Guid WalkId { get; set; }
    public Guid PlaceId { get; set; }
}

/// <summary>A picture that belongs to an observation. Sizes are in pixels, as kept.</summary>
public sealed class PhotoRow
{
    public Guid Id { get; set; }
    public Guid GardenId { get; set; }
    public Guid ObservationId { get; set; }
    public DateTimeOffset At { get; set; }
    public int Width { get; set; }
    public int Height { get; set; }
    public DateTimeOffset? RemovedAt { get; set; }
}

/// <summary>The pixels of a photo, apart from it so that lists stay light. Both are JPEG without any data about the place.</summary>
public sealed class PhotoImageRow
{
    public Guid PhotoId { get; set; }
    public required byte[] Image { get; set; }
    public required byte[] Small { get; set; }
}
