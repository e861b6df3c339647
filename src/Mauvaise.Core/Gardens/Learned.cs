namespace Mauvaise.Core.Gardens;

/// <summary>A spray on one planting that was judged, with the counts around it: what a garden learns from.</summary>
/// <param name="Before">Leaves looked at and affected before it; null when nobody counted.</param>
/// <param name="After">The same when it was judged; null for a patch test.</param>
/// <param name="DiscountedFor">Why the gardener does not want it to count; null when it does.</param>
public sealed record JudgedSpray(
    Guid CheckBackId,
    Guid ApplicationId,
    Guid PlantingId,
    string Crop,
    string Material,
    string? Target,
    DateTimeOffset SprayedAt,
    DateTimeOffset JudgedAt,
    LeafCount? Before,
    LeafCount? After,
    Outcome? Outcome,
    Injury Injury,
    string? DiscountedFor
);

/// <summary>Leaves looked at, and of them affected.</summary>
public sealed record LeafCount(int Looked, int Affected)
{
    public double Share => Looked > 0 ? (double)Affected / Looked : 0;
}

/// <summary>A share that is believed, as a beta distribution: what is usual, what was seen here, and both together.</summary>
/// <param name="UsualMean">0 to 1.</param>
/// <param name="UsualWeight">What the usual figure is worth, trials.</param>
/// <param name="OwnHits">Weighted hits of the garden's own trials.</param>
/// <param name="OwnWeight">Their weight together.</param>
public sealed record LearnedShare(double UsualMean, double UsualWeight, double OwnHits, double OwnWeight)
{
    /// <summary>Mean of the posterior. Prior 0.7 worth 10, then 3 of 6: 0.625.</summary>
    public double Now => (UsualMean * UsualWeight + OwnHits) / (UsualWeight + OwnWeight);

    public double? OwnMean => OwnWeight > 0 ? OwnHits / OwnWeight : null;
}

/// <summary>How well a material works on a target in this garden.</summary>
public sealed record LearnedEfficacy(string Material, string Target, LearnedShare Share, int Outcomes);

/// <summary>How often a material hurts a crop in this garden.</summary>
public sealed record LearnedInjury(string Material, string Crop, LearnedShare Share, int Outcomes);

/// <summary>What a garden has taught so far. A garden that taught nothing yet goes by what is usual.</summary>
/// <param name="LitresFactor">Litres really used over litres reckoned; 1 as usual.</param>
/// <param name="MinutesAPlace">Time that a place takes on a walk.</param>
public sealed record Learned(
    IReadOnlyList<LearnedEfficacy> Efficacies,
    IReadOnlyList<LearnedInjury> Injuries,
    double LitresFactor,
    int LitresFrom,
    double MinutesAPlace,
    int WalksFrom
)
{
    /// <summary>Minutes that a place takes where nobody has walked yet (assumed).</summary>
    public const double UsualMinutesAPlace = 2.5;

    public static Learned Nothing { get; } = new([], [], 1, 0, UsualMinutesAPlace, 0);

    public LearnedEfficacy? Efficacy(string material, string target) => Efficacies.FirstOrDefault(e => e.Material == material && e.Target == target);

    public LearnedInjury? Injury(string material, string crop) => Injuries.FirstOrDefault(e => e.Material == material && e.Crop == crop);
}
