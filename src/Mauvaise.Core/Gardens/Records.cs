using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Gardens;

public enum Ants { None, Few, Many }

/// <summary>A sign that was looked for: there, or not there.</summary>
public sealed record SeenSign(string Sign, bool Present);

/// <summary>What was seen at one planting.</summary>
/// <param name="Named">Target id, once somebody has named it.</param>
/// <param name="SeverityPercent">Share of the leaf area of affected leaves, 0 to 100.</param>
public sealed record Observation(
    Guid Id,
    Guid PlantingId,
    DateTimeOffset At,
    int LeavesLooked,
    int LeavesAffected,
    double? SeverityPercent,
    Ants Ants,
    int Helpers,
    int Mummies,
    IReadOnlyList<SeenSign> Signs,
    string? Named,
    string? Note)
{
    /// <summary>Share of leaves affected, 0 to 1; null when no leaf was looked at.</summary>
    public double? Incidence => LeavesLooked > 0 ? (double)LeavesAffected / LeavesLooked : null;
}

/// <summary>Part of a mix as it was made.</summary>
/// <param name="Amount">In <paramref name="Unit"/> ("ml" or "g") for the whole batch.</param>
public sealed record Measured(string Material, string Role, double Amount, string Unit);

/// <summary>A bottle or tank that was really made.</summary>
public sealed record Batch(
    Guid Id,
    DateTimeOffset MadeAt,
    string Recipe,
    DoseStep Step,
    double Litres,
    DateTimeOffset UseBy,
    string? Target,
    IReadOnlyList<Guid> PlantingIds,
    IReadOnlyList<Measured> Ingredients);

/// <summary>Where an application went.</summary>
/// <param name="ShareWetted">Share of the leaf area wetted, 0 to 1.</param>
public sealed record Treated(Guid PlantingId, double ShareWetted);

/// <summary>A spray that was put on.</summary>
/// <param name="PerLitre">Dose of the active in its dose unit per litre.</param>
public sealed record SprayApplication(
    Guid Id,
    Guid? BatchId,
    DateTimeOffset At,
    string Material,
    double? PerLitre,
    double Litres,
    string? Target,
    IReadOnlyList<Treated> Treated,
    bool PatchTest,
    string? Note);

/// <summary>How an application, or a whole course, turned out.</summary>
public enum Outcome { Cleared, Holding, Losing, Lost }

/// <summary>What a spray did to the plant.</summary>
public enum Injury { None, Slight, Clear, Severe }

/// <summary>A visit to judge an application at one planting.</summary>
/// <param name="DoneAt">Null while it is due.</param>
/// <param name="ObservationId">The count made on that visit.</param>
public sealed record CheckBack(
    Guid Id,
    Guid ApplicationId,
    Guid PlantingId,
    DateOnly DueOn,
    DateTimeOffset? DoneAt,
    Guid? ObservationId,
    Outcome? Outcome,
    Injury Injury);
