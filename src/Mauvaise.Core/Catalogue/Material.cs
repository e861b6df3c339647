using Mauvaise.Core.Words;

namespace Mauvaise.Core.Catalogue;

/// <summary>How strong a mix is made: the planner starts gentle and steps up only after a failed round without injury.</summary>
public enum DoseStep
{
    Gentle,
    Usual,
    Strong,
}

/// <summary>How well a remedy is supported by evidence; shown with every kitchen remedy.</summary>
public enum EvidenceGrade
{
    Good,
    Fair,
    Weak,
}

/// <summary>What a material counts as when the total load of a mix is summed.</summary>
public enum LoadKind
{
    None,
    Oil,
    Soap,
}

/// <summary>What the sun does to a material on the leaf: burns with it, needs it, or leaves it alone.</summary>
public enum SunNeed
{
    Avoids,
    Indifferent,
    Wants,
}

/// <summary>A group of materials that work the same way: the unit of rotation.</summary>
/// <param name="Id">Stable key.</param>
/// <param name="Name">The gardener's word.</param>
/// <param name="Code">Resistance-committee code where one exists, else null.</param>
/// <param name="Hatch">Name of the hatch that drawings use, so that colour is never the only code.</param>
/// <param name="BreedsResistance">What it is used on may get used to it, so that the group changes between courses.</param>
public sealed record ModeOfAction(string Id, string Name, string? Code, string Hatch, bool BreedsResistance = false);

/// <summary>What a dose is for: a litre of finished spray, or what is dusted, fed or baited.</summary>
public enum DosedPer
{
    Litre,
    SquareMetre,
    Plant,
    Station,
}

/// <summary>Amount of a material in one litre of finished spray, or in what <see cref="Per"/> says.</summary>
/// <param name="Unit">"ml" or "g".</param>
/// <param name="Ceiling">Above this a mix is refused.</param>
public sealed record Doses(string Unit, double Gentle, double Usual, double Strong, double Ceiling, DosedPer Per = DosedPer.Litre)
{
    /// <summary>The dose of a step, in <see cref="Unit"/>.</summary>
    public double At(DoseStep step) =>
        step switch
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
/// <param name="Evidence">For this use; null for that of the material.</param>
/// <param name="Source">What this use rests on; null for what is said of the material.</param>
public sealed record Effect(
    string On,
    double Eggs,
    double Young,
    double Adult,
    double Protects,
    string Confidence = "assumed",
    EvidenceGrade? Evidence = null,
    string? Source = null
);

/// <summary>Most applications to one bed in one season, counted together for all materials of the same name.</summary>
/// <param name="Together">What is counted together, as the sentence says it: "bicarbonates", "oil and neem".</param>
public sealed record SeasonLimit(int Most, string Together);

/// <summary>What the label of a product in the household's hand says. It beats the catalogue.</summary>
/// <param name="MaxTimes">Most applications to one bed in a season; null when the label does not say.</param>
/// <param name="DaysBetween">Days between two applications; null when the label does not say.</param>
/// <param name="AddTo">The label's dose is added to a litre of water, not made up to a litre.</param>
/// <param name="Retired">The household has put it away: records still name it, nothing proposes it.</param>
/// <param name="RunHours">How long the pump carries it through a rack; null when the label does not say.</param>
/// <param name="FreshWaterDays">Days until the water of a rack is changed; null when the label does not say.</param>
/// <param name="Crops">Crops and families that it names; null or empty for all.</param>
public sealed record ProductLabel(
    int? MaxTimes,
    int? DaysBetween,
    bool AddTo,
    bool Retired = false,
    int? RunHours = null,
    int? FreshWaterDays = null,
    IReadOnlyList<string>? Crops = null
)
{
    /// <summary>Whether a pump may run so long; null when the label does not say.</summary>
    public static bool IsRun(int? hours) => hours is null or (>= 1 and <= 72);

    /// <summary>Whether days between two applications, or until fresh water, may be so many; null when the label does not say.</summary>
    public static bool AreDays(int? days) => days is null or (>= 1 and <= 60);

    /// <summary>True when the label names this crop, its like or its family, or names none.</summary>
    public bool Allows(Crop crop) =>
        Crops is null or [] || Crops.Contains(crop.Id) || Crops.Contains(crop.Family) || (crop.Like is { } like && Crops.Contains(like));
}

/// <summary>Part of a preparation, in the part's own unit.</summary>
public sealed record PreparationPart(string Material, double Amount);

/// <summary>A concentrate that is made first and diluted later.</summary>
/// <param name="YieldMl">What one making gives, ml. Water makes up what the parts do not fill.</param>
/// <param name="KeepsDays">From the straining, kept as <paramref name="Where"/> says; under 1 for what is used the same day.</param>
/// <param name="Parts">Materials of the catalogue, which may be preparations themselves.</param>
/// <param name="SteepHours">How long it stands before it is strained; 0 for what is ready at once.</param>
public sealed record Preparation(
    double YieldMl,
    double KeepsDays,
    string Where,
    IReadOnlyList<PreparationPart> Parts,
    IReadOnlyList<string> Steps,
    double SteepHours = 0
);

/// <summary>A spray material, dust, bait or kitchen thing, as the catalogue or a garden describes it.</summary>
public sealed record Material
{
    public required string Id { get; init; }
    public required string Name { get; init; }

    /// <summary>What people elsewhere call it; it is found by all of these.</summary>
    public IReadOnlyList<string> AlsoCalled { get; init; } = [];
    public required string Group { get; init; }

    /// <summary>Null when the dose is only on the label of the product in hand.</summary>
    public Doses? Doses { get; init; }
    public Cadence Cadence { get; init; } = new(7, 7, 1, null, null);
    public CoverTraits Cover { get; init; } = new(null, null);
    public required EvidenceGrade Evidence { get; init; }

    /// <summary>Families that it never goes on, since it carries their diseases.</summary>
    public IReadOnlyList<string> NeverOn { get; init; } = [];
    public IReadOnlyList<Effect> WorksOn { get; init; } = [];

    /// <summary>What it is measured in when it has no doses of its own: "ml" or "g".</summary>
    public string? MeasuredIn { get; init; }

    /// <summary>What works in it does not bear boiling.</summary>
    public bool HeatSpoils { get; init; }

    /// <summary>Only a part of other things (sugar, garlic cloves): never sprayed on its own.</summary>
    public bool Pantry { get; init; }

    /// <summary>How it is made at home; null when it is bought.</summary>
    public Preparation? MadeFrom { get; init; }

    /// <summary>Null unless it is a garden's own product with a label.</summary>
    public ProductLabel? Label { get; init; }
    public LoadKind Load { get; init; }
    public bool NeedsEmulsifier { get; init; }

    /// <summary>True when it comes only as a labelled product, so that the label's dose rules.</summary>
    public bool LabelOnly { get; init; }

    /// <summary>How a labelled product of its kind reaches the trouble.</summary>
    public Form GivenAs { get; init; }

    /// <summary>A living product, killed by most other materials.</summary>
    public bool Living { get; init; }
    public SunNeed Sun { get; init; } = SunNeed.Indifferent;

    /// <summary>No spraying when it gets warmer than this in the next six hours, in degrees C.</summary>
    public double HeatNeverC { get; init; } = 32;
    public double RainFreeHours { get; init; }

    /// <summary>It is not sprayed nearer than this to a pond, m (assumed); 0 for no limit.</summary>
    public double KeepFromPondM { get; init; }

    /// <summary>It is rinsed off with clean water after so many hours, since what is left scorches; null where it stays on.</summary>
    public int? RinseAfterHours { get; init; }

    /// <summary>Days to wait before picking; null when the label says.</summary>
    public int? DaysToWait { get; init; }
    public double MixedLifeHours { get; init; } = 24;

    /// <summary>Grams per millilitre: of the liquid, or loose bulk density of a powder.</summary>
    public double DensityGramsPerMillilitre { get; init; } = 1;
    public double DropsPerMillilitre { get; init; } = 20;

    /// <summary>Strength in per cent of the stock as usually sold (3 for kitchen peroxide), or null for a pure material.</summary>
    public double? StockStrengthPercent { get; init; }

    /// <summary>A bottle stronger than this is refused, in per cent; null when any strength may be diluted.</summary>
    public double? MostStockPercent { get; init; }

    /// <summary>
    /// Where it has no doses: the most that is ever in a litre of spray, in its unit (assumed); null where it is never sprayed, or nothing is known.
    /// </summary>
    public double? MostPerLitre { get; init; }

    /// <summary>True soap, which hard water breaks.</summary>
    public bool TrueSoap { get; init; }

    /// <summary>Under this it is a paste and has to be warmed, degrees C; null when it stays liquid.</summary>
    public double? PasteBelowC { get; init; }

    /// <summary>Where and how it is kept.</summary>
    public string? Storage { get; init; }

    /// <summary>Good for this long once opened; null when it does not go off.</summary>
    public int? KeepsOpenedMonths { get; init; }

    /// <summary>Share of helpers hit by it that die, 0 to 1 (assumed).</summary>
    public double HarmToHelpers { get; init; }

    /// <summary>Days after which its effect shows; a target may take longer to show it.</summary>
    public int CheckBackDays { get; init; } = 2;

    /// <summary>Null for no limit.</summary>
    public SeasonLimit? SeasonLimit { get; init; }

    /// <summary>Most rounds of its group in a row; null for no limit.</summary>
    public int? InARowLimit { get; init; }
    public IReadOnlyList<string> Cautions { get; init; } = [];

    /// <summary>One line on how it is measured or mixed, shown on the bench.</summary>
    public string? MixingNote { get; init; }

    /// <summary>Where gardeners disagree about it, and what is done here.</summary>
    public string? Schools { get; init; }

    /// <summary>Which figures are our assumptions.</summary>
    public IReadOnlyList<string> Assumed { get; init; } = [];

    /// <summary>What amounts of it are told in: "ml" or "g".</summary>
    public string Unit => Doses?.Unit ?? MeasuredIn ?? "ml";

    /// <summary>True when a label rules its use, so that it is allowed where only labelled products are.</summary>
    public bool IsLabelled => Label is not null || LabelOnly;

    /// <summary>What of it may be assumed, by field, and the message that says what a gardener calls that.</summary>
    internal static readonly IReadOnlyDictionary<string, string> AssumedWords = new Dictionary<string, string>
    {
        ["doses"] = "catalogue.doses",
        ["cadence"] = "catalogue.daysBetweenRounds",
        ["cover"] = "catalogue.howLongItCovers",
        ["worksOn"] = "catalogue.whatItDoes",
        ["harmToHelpers"] = "catalogue.harmToHelpers",
        ["madeFrom"] = "catalogue.whatGoesInto",
        ["mixedLifeHours"] = "catalogue.howLongAMixKeeps",
    };

    /// <summary>What of it is assumed, in words.</summary>
    public IReadOnlyList<string> AssumedInWords() => [.. Assumed.Select(a => Say.Of(AssumedWords[a]))];

    /// <summary>
    /// How well this material works on a target: the entry for the target itself, else the one for its group, else null.
    /// </summary>
    public Effect? EffectOn(Target target) =>
        WorksOn.FirstOrDefault(e => e.On == target.Id || e.On == target.Like) ?? WorksOn.FirstOrDefault(e => e.On == target.Group);

    /// <summary>How well it is known to work against a target: the grade of that use, else the material's.</summary>
    public EvidenceGrade EvidenceOn(Target target) => EffectOn(target)?.Evidence ?? Evidence;
}
