using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;
using Mauvaise.Web.Calc;

namespace Mauvaise.Web.Bench;

/// <summary>A material that could be taken, or one that was passed over and why.</summary>
/// <param name="InShort">A few words: what it comes to, and what to know before one takes it.</param>
public sealed record OptionAnswer(
    string Recipe,
    string RecipeName,
    string Material,
    string Group,
    string GroupName,
    string Hatch,
    EvidenceGrade Evidence,
    bool Allowed,
    string InShort,
    IReadOnlyList<SaidAnswer> Reasons
);

/// <summary>Any recipe that can be mixed.</summary>
/// <param name="Material">Its active.</param>
/// <param name="Kept">One that the household heard and keeps.</param>
public sealed record RecipeAnswer(string Id, string Name, Form Form, string Material, EvidenceGrade Evidence, bool Kept);

public sealed record MaterialName(string Id, string Name);

/// <summary>One thing to measure or do.</summary>
/// <param name="Scoops">What to draw: "tsp", "tbsp" or "cup" and how many; empty for water, a syringe or plain work.</param>
public sealed record StepAnswer(string Title, string Detail, string? Material, string Measure, string? Exact, IReadOnlyList<ScoopAnswer> Scoops);

/// <param name="Millilitres">What one of it holds.</param>
public sealed record ScoopAnswer(string Unit, double Count, double Millilitres);

public sealed record ReasonAnswer(string Code, MixVerdict Verdict, string Sentence, IReadOnlyList<FigureAnswer> Figures);

/// <summary>The dose of the active.</summary>
/// <param name="Amount">In the unit per what <paramref name="Per"/> says, as from a bottle of the usual strength.</param>
public sealed record DoseAnswer(double Amount, string Unit, DosedPer Per, double Gentle, double Usual, double Strong, double Ceiling);

/// <summary>What a part takes from the shelf.</summary>
/// <param name="OnShelf">Before it is mixed, in the unit; null when the household keeps none of it.</param>
public sealed record ShelfLine(string Material, string Name, double Needed, string Unit, double? OnShelf, double Missing, IReadOnlyList<string> Hints);

/// <summary>The soap that keeps the oil in the water.</summary>
/// <param name="Found">True when a shaken jar showed the amount for this soap and water.</param>
/// <param name="StartAt">Where a new test starts, ml a litre.</param>
public sealed record EmulsifierAnswer(string Oil, string Soap, IReadOnlyList<MaterialName> Soaps, double MlPerLitre, bool Found, Water Water, double StartAt);

public sealed record PatchAnswer(string MaterialId, string Material, string Crop, string CropName, PatchState State, DateOnly? JudgeOn, bool Burnt);

public sealed record StrengthAnswer(string Material, double Percent, double PerLitre, string Unit, string Text);

/// <summary>The bench: what to take, what to measure, and why.</summary>
/// <param name="SizeNeeded">For the plantings, in <paramref name="SizeUnit"/>; the sprayer may hold less.</param>
/// <param name="SizeUnit">"l", "m²", "plants" or "stations".</param>
/// <param name="SizeText">In the household's units.</param>
/// <param name="SizeBeside">The same in litres where the household reads something else.</param>
/// <param name="Material">The active of the recipe.</param>
/// <param name="Tanks">How many equal fillings of the sprayer.</param>
/// <param name="BottlePercent">Strength that the amounts are for; null where it does not matter.</param>
/// <param name="At">The hour that was judged; null when no good one is known.</param>
public sealed record BenchAnswer(
    IReadOnlyList<string> For,
    string? Target,
    string? TargetName,
    IReadOnlyList<OptionAnswer> Options,
    IReadOnlyList<RecipeAnswer> Recipes,
    string Recipe,
    string RecipeName,
    Form Form,
    string Material,
    string MaterialName,
    string Hatch,
    DoseStep Step,
    DoseStep AllowedStep,
    DoseStep? NearestStep,
    DoseAnswer Dose,
    double SizeNeeded,
    string SizeNeededText,
    double Size,
    string SizeUnit,
    string SizeText,
    string? SizeBeside,
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
    IReadOnlyList<string> Notes,
    IReadOnlyList<string> WhyThisDose,
    IReadOnlyList<MaterialName> Added,
    IReadOnlyList<MaterialName> CanAdd,
    IReadOnlyList<ShelfLine> Shelf,
    EmulsifierAnswer? Emulsifier,
    IReadOnlyList<PatchAnswer> Patches,
    bool PatchTest,
    double? BottlePercent,
    double MixedLifeHours,
    int? DaysToWait,
    DateTimeOffset? At
)
{
    /// <summary>Plants of the one planting that were found sick one by one; null where they were not.</summary>
    public BenchPlants? Plants { get; init; }

    /// <summary>What else is over its line on the one planting, and whether the same filling may be against it too.</summary>
    public IReadOnlyList<SharedFillingAnswer> Together { get; init; } = [];

    /// <summary>The second trouble that this filling is against; null for none.</summary>
    public string? Also { get; init; }

    /// <summary>Why a feed stays out of this tank; null when nothing is to be said.</summary>
    public string? Feed { get; init; }
}

/// <summary>A second trouble of the same planting.</summary>
/// <param name="Material">What in the same filling works on it; null when it wants a tank of its own.</param>
/// <param name="Worth">One filling costs less than two.</param>
public sealed record SharedFillingAnswer(string Target, string TargetName, string? Material, bool Worth, string Sentence);

/// <param name="All">How many plants there are.</param>
/// <param name="Sick">Their numbers.</param>
/// <param name="WithNeighbours">With those next to them.</param>
public sealed record BenchPlants(int All, IReadOnlyList<int> Sick, IReadOnlyList<int> WithNeighbours);

/// <summary>A mix that was really made.</summary>
/// <param name="Size">Litres of finished spray; square metres, plants or stations for what is dosed by them.</param>
/// <param name="Add">Materials besides the recipe's.</param>
/// <param name="Dose">Dose of the active in place of the step's.</param>
/// <param name="Soap">Soap in place of the recipe's emulsifier.</param>
/// <param name="BottlePercent">Strength of the active's bottle, where it is not the usual.</param>
/// <param name="At">The hour it is meant for; null for the next good one.</param>
/// <param name="PatchTest">For two leaves only.</param>
/// <param name="Also">A second trouble that the same filling is against.</param>
public sealed record NewBatch(
    Guid Id,
    IReadOnlyList<Guid> PlantingIds,
    string Recipe,
    DoseStep Step,
    double Size,
    string? Target,
    Guid? MemberId = null,
    IReadOnlyList<string>? Add = null,
    double? Dose = null,
    string? Soap = null,
    double? BottlePercent = null,
    DateTimeOffset? At = null,
    bool PatchTest = false,
    Guid? Sprayer = null,
    string? Also = null
);

/// <param name="LitresLeft">Not yet sprayed or poured away.</param>
/// <param name="Strengths">Each thing in it with its per cent, for the label.</param>
/// <param name="MadeBy">Who mixed it; null when nobody said.</param>
public sealed record BatchAnswer(
    Guid Id,
    string RecipeName,
    Form Form,
    string Material,
    string Hatch,
    DoseStep Step,
    double Litres,
    double LitresLeft,
    string AmountLeft,
    string Amount,
    DateTimeOffset MadeAt,
    DateTimeOffset UseBy,
    string? MadeBy,
    string? Target,
    string? TargetName,
    IReadOnlyList<Guid> PlantingIds,
    IReadOnlyList<string> For,
    IReadOnlyList<string> Contents,
    IReadOnlyList<StrengthAnswer> Strengths,
    IReadOnlyList<string> Cautions,
    bool PatchTest,
    DateTimeOffset? ReadyAt,
    string? AlsoTargetName
);

/// <summary>A bottle with something in it.</summary>
/// <param name="Advice">What to do with the rest.</param>
public sealed record LeftoverAnswer(BatchAnswer Batch, bool Past, string Advice);

/// <summary>Who poured the rest away.</summary>
public sealed record EmptyBottle(Guid? MemberId = null);

/// <summary>What a shaken jar showed.</summary>
public sealed record NewEmulsion(Guid Id, string Oil, string Soap, Water Water, double SoapMlPerLitre, int HeldSeconds, Guid? MemberId = null);
