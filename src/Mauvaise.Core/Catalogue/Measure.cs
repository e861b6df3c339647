namespace Mauvaise.Core.Catalogue;

/// <summary>Rungs of the action ladder, from gentle to drastic.</summary>
public enum Rung
{
    Look,
    Helpers,
    Hands,
    Prune,
    Isolate,
    Spray,
    TakeOut,
}

/// <summary>How long something holds that is put on once (assumed).</summary>
/// <param name="Days">It is done again after so many days.</param>
/// <param name="RainMm">Rain that takes it off, mm; null where rain does it no harm.</param>
public sealed record Holding(int Days, double? RainMm = null);

/// <summary>Work before trouble.</summary>
/// <param name="On">Crops or families, or "all".</param>
/// <param name="Against">Targets, or groups of targets.</param>
/// <param name="TakesOff">Share of their coming that it keeps off while it holds, 0 to 1 (assumed).</param>
/// <param name="Why">As a sentence.</param>
/// <param name="From">From this stage on.</param>
/// <param name="Until">Up to this stage, included.</param>
/// <param name="Overhead">Only where leaves are watered.</param>
public sealed record Prevention(
    IReadOnlyList<string> On,
    IReadOnlyList<string> Against,
    double TakesOff,
    string Why,
    GrowthStage From = GrowthStage.Seedling,
    GrowthStage Until = GrowthStage.Mature,
    bool Overhead = false
)
{
    /// <summary>Whether it is work on a crop.</summary>
    public bool IsOn(Crop crop) => On.Any(on => on == "all" || on == (crop.Like ?? crop.Id) || on == crop.Family);

    /// <summary>Whether it keeps a target off.</summary>
    public bool IsAgainst(Target target) => Against.Contains(target.Like ?? target.Id) || Against.Contains(target.Group);
}

/// <summary>Something done without a sprayer. It is planned, done and judged like a spray.</summary>
public sealed record Measure
{
    public required string Id { get; init; }
    public required string Name { get; init; }
    public required Rung Rung { get; init; }

    /// <summary>How it is done, in a sentence or two.</summary>
    public required string How { get; init; }

    /// <summary>Targets, or groups of targets, that it is for.</summary>
    public IReadOnlyList<string> For { get; init; } = [];

    /// <summary>Targets of those groups that it does nothing against.</summary>
    public IReadOnlyList<string> NotFor { get; init; } = [];

    /// <summary>What one doing takes off, by stage; empty for what can not be judged by counting (assumed).</summary>
    public IReadOnlyList<Effect> WorksOn { get; init; } = [];

    /// <summary>Tender young leaves do not bear it.</summary>
    public bool NotOnSeedlings { get; init; }

    /// <summary>It wants a cool, dull day.</summary>
    public bool WantsDullDay { get; init; }

    /// <summary>Kinds of place where it makes sense; empty for all.</summary>
    public IReadOnlyList<PlaceKind> OnlyIn { get; init; } = [];

    /// <summary>Counted again after so many days; null when there is nothing to count.</summary>
    public int? CheckBackDays { get; init; }

    /// <summary>Work on a square metre of bed, minutes (assumed).</summary>
    public double MinutesPerM2 { get; init; }

    /// <summary>Days from ordering to having it.</summary>
    public int LeadDays { get; init; }

    /// <summary>Recipe that is mixed for it on the bench; null for none.</summary>
    public string? Recipe { get; init; }

    /// <summary>How long one doing holds; null for what is done and over.</summary>
    public Holding? Lasts { get; init; }

    /// <summary>What it keeps off when it is done before anything is found; null when it only answers a find.</summary>
    public Prevention? Prevents { get; init; }

    /// <summary>It keeps ants off, and is over when none climb.</summary>
    public bool AgainstAnts { get; init; }
    public required EvidenceGrade Evidence { get; init; }

    /// <summary>What one doing takes off a target: its own figure, else its group's; null when it is not for counting.</summary>
    public Effect? EffectOn(Target target) =>
        WorksOn.FirstOrDefault(e => e.On == target.Id || e.On == target.Like) ?? WorksOn.FirstOrDefault(e => e.On == target.Group);

    public bool IsFor(Target target) => (For.Contains(target.Like ?? target.Id) || For.Contains(target.Group)) && !NotFor.Contains(target.Like ?? target.Id);
}
