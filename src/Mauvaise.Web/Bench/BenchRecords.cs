using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Web.Bench;

/// <summary>A material that could be taken, or one that was passed over and why.</summary>
public sealed record OptionAnswer(string Recipe, string RecipeName, string Material, string Group, string GroupName, string Hatch, EvidenceGrade Evidence, bool Allowed, IReadOnlyList<string> Reasons);

/// <summary>One thing to measure or do.</summary>
/// <param name="Scoops">What to draw: "tsp", "tbsp" or "cup" and how many; empty for water or a syringe.</param>
public sealed record StepAnswer(string Title, string Detail, string? Material, string Measure, string? Exact, IReadOnlyList<ScoopAnswer> Scoops);

public sealed record ScoopAnswer(string Unit, double Count);

public sealed record ReasonAnswer(string Code, MixVerdict Verdict, string Sentence);

/// <summary>The bench: what to take, what to measure, and why.</summary>
/// <param name="LitresNeeded">For the plantings; the sprayer may hold less.</param>
/// <param name="Material">The active of the recipe.</param>
/// <param name="Tanks">How many fillings of the sprayer.</param>
public sealed record BenchAnswer(
    IReadOnlyList<string> For,
    string? Target,
    string? TargetName,
    IReadOnlyList<OptionAnswer> Options,
    string Recipe,
    string RecipeName,
    string Material,
    DoseStep Step,
    DoseStep AllowedStep,
    double LitresNeeded,
    double Litres,
    Guid? SprayerId,
    double TankLitres,
    int Tanks,
    IReadOnlyList<StepAnswer> Steps,
    IReadOnlyList<StrengthAnswer> Strengths,
    double OilPercent,
    double SoapPercent,
    MixVerdict Verdict,
    IReadOnlyList<ReasonAnswer> Reasons,
    IReadOnlyList<string> Cautions,
    string? MixingNote,
    double MixedLifeHours,
    IReadOnlyList<string> Assumed);

public sealed record StrengthAnswer(string Material, double Percent, double PerLitre, string Unit);

/// <summary>A mix that was really made.</summary>
public sealed record NewBatch(Guid Id, IReadOnlyList<Guid> PlantingIds, string Recipe, DoseStep Step, double Litres, string? Target, Guid? MemberId = null);

public sealed record BatchAnswer(
    Guid Id,
    string RecipeName,
    string Material,
    DoseStep Step,
    double Litres,
    DateTimeOffset MadeAt,
    DateTimeOffset UseBy,
    string? Target,
    string? TargetName,
    IReadOnlyList<Guid> PlantingIds,
    IReadOnlyList<string> For,
    IReadOnlyList<string> Contents,
    IReadOnlyList<string> Cautions);
