using System.Text.Json.Serialization;

namespace Mauvaise.Core.Catalogue;

/// <summary>A crop of the kitchen garden.</summary>
public sealed record Crop
{
    public required string Id { get; init; }
    public required string Name { get; init; }

    /// <summary>What people elsewhere call it; it is found by all of these.</summary>
    public IReadOnlyList<string> AlsoCalled { get; init; } = [];
    public required string Family { get; init; }

    /// <summary>The crop whose facts it goes by, for a kind of one's own; null otherwise. No file says it.</summary>
    [JsonIgnore]
    public string? Like { get; init; }

    /// <summary>Leaf outline used by drawings: lobed, heart, pinnate, strap, broad, feather, trifoliate, narrow.</summary>
    public required string Leaf { get; init; }

    /// <summary>Load kinds or material ids that scorch this crop easily ("soap", "oil", "sulfur").</summary>
    public IReadOnlyList<string> TenderTo { get; init; } = [];

    /// <summary>True when only its seedlings are tender.</summary>
    public bool TenderAsSeedlingOnly { get; init; }

    /// <summary>Hairy or waxy leaves that take more soap or care to wet.</summary>
    public bool HardToWet { get; init; }

    /// <summary>Tall or trellised when full grown: takes more spray.</summary>
    public bool Tall { get; init; }

    /// <summary>Days from sowing or planting to: young, full, end (assumed).</summary>
    public required IReadOnlyList<int> StageDays { get; init; }

    /// <summary>It stands for years, or nobody can say how long: it has no end of its own.</summary>
    public bool Lasting { get; init; }

    /// <summary>Local hour at which its flowers have closed for the day, or null when they stay open: cucurbits close about noon.</summary>
    public int? FlowersCloseAtHour { get; init; }

    /// <summary>Leaves of one full-grown plant (assumed).</summary>
    public int Leaves { get; init; } = 24;

    /// <summary>Sold or eaten as leaves, so that little damage is tolerated.</summary>
    public bool LeafCrop { get; init; }

    /// <summary>How it is taken out where it is not pulled, as the middle of a sentence; null where it is.</summary>
    public string? TakenOutBy { get; init; }
}

/// <summary>Monthly normals of a climate type, January first, northern hemisphere.</summary>
public sealed record Climate
{
    public required string Id { get; init; }
    public required string Name { get; init; }
    public required IReadOnlyList<double> MeanC { get; init; }
    public required IReadOnlyList<double> DailyRangeK { get; init; }
    public required IReadOnlyList<double> RainDays { get; init; }
    public required IReadOnlyList<double> RainMm { get; init; }
    public required IReadOnlyList<double> RelativeHumidityPercent { get; init; }
    public required IReadOnlyList<double> WindMetresPerSecond { get; init; }
}
