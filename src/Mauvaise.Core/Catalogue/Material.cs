namespace Mauvaise.Core.Catalogue;

/// <summary>How strong a mix is made: the planner starts gentle and steps up only after a failed round without injury.</summary>
public enum DoseStep { Gentle, Usual, Strong }

/// <summary>How well a remedy is supported by evidence; shown with every kitchen remedy.</summary>
public enum EvidenceGrade { Good, Fair, Weak }

/// <summary>What a material counts as when the total load of a mix is summed.</summary>
public enum LoadKind { None, Oil, Soap }

/// <summary>What the sun does to a material on the leaf: burns with it, needs it, or leaves it alone.</summary>
public enum SunNeed { Avoids, Indifferent, Wants }

/// <summary>A group of materials that work the same way: the unit of rotation.</summary>
/// <param name="Id">Stable key.</param>
/// <param name="Name">The gardener's word.</param>
/// <param name="Code">Resistance-committee code where one exists, else null.</param>
/// <param name="Hatch">Name of the hatch that drawings use, so that colour is never the only code.</param>
public sealed record ModeOfAction(string Id, string Name, string? Code, string Hatch);

/// <summary>Amount of a material in one litre of finished spray.</summary>
/// <param name="Unit">"ml" or "g".</param>
/// <param name="Ceiling">Above this a mix is refused.</param>
public sealed record Doses(string Unit, double Gentle, double Usual, double Strong, double Ceiling)
{
    /// <summary>The dose of a step, in <see cref="Unit"/> per litre of finished spray.</summary>
    public double At(DoseStep step) => step switch
    {
        DoseStep.Gentle => Gentle,
        DoseStep.Usual => Usual,
        DoseStep.Strong => Strong,
        _ => throw new ArgumentOutOfRangeException(nameof(step), step, "Unknown dose step."),
    };
}

/// <summary>Days between rounds of a course, and between upkeep sprays; null upkeep where none is wanted.</summary>
public sealed record Cadence(int CurativeMinDays, int CurativeMaxDays, int Rounds, int? UpkeepMinDays, int? UpkeepMaxDays);

/// <summary>How long protection stays on a leaf.</summary>
/// <param name="HalfLifeDays">Days in dry weather until half is left; null when the material leaves no cover.</param>
/// <param name="WashOffMm">Rain or overhead water in mm that takes off half of what is left.</param>
/// <param name="SunHalvesHalfLife">True when full sun halves the half-life (neem).</param>
public sealed record CoverTraits(double? HalfLifeDays, double? WashOffMm, bool SunHalvesHalfLife = false);

/// <summary>Share killed or held back by one application, per stage of an insect, or of a disease.</summary>
/// <param name="On">Target id, or a target group id such as "sap-feeders".</param>
/// <param name="Eggs">Share of eggs killed, 0 to 1.</param>
/// <param name="Young">Share of young stages (or of active disease) killed, 0 to 1.</param>
/// <param name="Adult">Share of adults killed, 0 to 1.</param>
/// <param name="Protects">Share of new arrivals or infections that full cover holds back, 0 to 1.</param>
/// <param name="Confidence">"sourced" or "assumed".</param>
public sealed record Effect(string On, double Eggs, double Young, double Adult, double Protects, string Confidence = "assumed");

/// <summary>A spray material or dust, as the catalogue or a garden describes it.</summary>
public sealed record Material
{
    public required string Id { get; init; }
    public required string Name { get; init; }
    public required string Group { get; init; }
    /// <summary>Null when the dose is only on the label of the product in hand.</summary>
    public Doses? Doses { get; init; }
    public required Cadence Cadence { get; init; }
    public required CoverTraits Cover { get; init; }
    public required EvidenceGrade Evidence { get; init; }
    public required IReadOnlyList<Effect> WorksOn { get; init; }
    public LoadKind Load { get; init; }
    public bool NeedsEmulsifier { get; init; }
    /// <summary>True when it comes only as a labelled product, so that the label's dose rules.</summary>
    public bool LabelOnly { get; init; }
    /// <summary>A living product, killed by most other materials.</summary>
    public bool Living { get; init; }
    public SunNeed Sun { get; init; } = SunNeed.Indifferent;
    /// <summary>No spraying when it gets warmer than this in the next six hours, in degrees C.</summary>
    public double HeatNeverC { get; init; } = 32;
    public double RainFreeHours { get; init; }
    /// <summary>It is not sprayed nearer than this to a pond, m (assumed); 0 for no limit.</summary>
    public double KeepFromPondM { get; init; }
    /// <summary>Days to wait before picking; null when the label says.</summary>
    public int? DaysToWait { get; init; }
    public double MixedLifeHours { get; init; } = 24;
    /// <summary>Grams per millilitre: of the liquid, or loose bulk density of a powder.</summary>
    public double DensityGramsPerMillilitre { get; init; } = 1;
    public double DropsPerMillilitre { get; init; } = 20;
    /// <summary>Strength in per cent of the stock as usually sold (3 for kitchen peroxide), or null for a pure material.</summary>
    public double? StockStrengthPercent { get; init; }
    /// <summary>Share of helpers hit by it that die, 0 to 1 (assumed).</summary>
    public double HarmToHelpers { get; init; }
    /// <summary>Days to look back at what was done: how long after a spray the check-back is due.</summary>
    public int CheckBackDays { get; init; } = 2;
    /// <summary>Most applications to one bed in one season; null for no limit.</summary>
    public int? SeasonLimit { get; init; }
    /// <summary>Most rounds in a row; null for no limit.</summary>
    public int? InARowLimit { get; init; }
    public required IReadOnlyList<string> Cautions { get; init; }
    /// <summary>One line on how it is measured or mixed, shown on the bench.</summary>
    public string? MixingNote { get; init; }
    /// <summary>Which figures are our assumptions.</summary>
    public IReadOnlyList<string> Assumed { get; init; } = [];

    /// <summary>
    /// How well this material works on a target: the entry for the target itself, else the one for its group, else null.
    /// </summary>
    public Effect? EffectOn(Target target) =>
        WorksOn.FirstOrDefault(e => e.On == target.Id) ?? WorksOn.FirstOrDefault(e => e.On == target.Group);
}
