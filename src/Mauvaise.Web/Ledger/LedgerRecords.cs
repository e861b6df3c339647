using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;

namespace Mauvaise.Web.Ledger;

/// <param name="Title">As "Neem oil with soap on Chapel courgette".</param>
/// <param name="Detail">Amounts, counts or verdict in words.</param>
/// <param name="Hatch">Of the material's group; null for what is no spray.</param>
/// <param name="CheckBackId">The visit, for a judged entry.</param>
public sealed record LedgerEntryAnswer(
    LedgerKind Kind,
    Guid Id,
    DateTimeOffset At,
    string? Who,
    IReadOnlyList<string> Where,
    IReadOnlyList<Guid> PlaceIds,
    string Title,
    string Detail,
    string? TargetName,
    string? Hatch,
    bool Struck,
    bool Corrected,
    string? Note,
    Guid? CheckBackId
);

public sealed record KindCount(LedgerKind Kind, int Count);

public sealed record GroupRoundsAnswer(string Group, string Name, string Hatch, int Rounds);

public sealed record SaltAnswer(Guid PlaceId, string Place, int Rounds, int Most);

/// <param name="CostSentence">Says which prices are missing.</param>
public sealed record LedgerTotalsAnswer(
    int Sprays,
    double Litres,
    string LitresText,
    double? Cost,
    string CostSentence,
    IReadOnlyList<GroupRoundsAnswer> Groups,
    IReadOnlyList<SaltAnswer> Salt
);

/// <summary>What the ledger can be narrowed to.</summary>
public sealed record LedgerChoices(IReadOnlyList<NamedId> Materials, IReadOnlyList<NamedId> Targets, IReadOnlyList<SeasonChoice> Seasons);

public sealed record NamedId(string Id, string Name);

/// <summary>A season of the garden: a calendar year in the north, July to June in the south.</summary>
public sealed record SeasonChoice(int Year, DateOnly From, DateOnly To, string Name);

/// <summary>Something done at a place, as a mark in the picture of the season.</summary>
/// <param name="On">Day in the garden's time.</param>
/// <param name="Hatch">Of the material's group; null for what is no spray.</param>
/// <param name="Share">Of leaves affected, 0 to 1, for a count; null otherwise.</param>
public sealed record MarkAnswer(LedgerKind Kind, DateOnly On, string Words, string? Hatch, double? Share);

/// <summary>What was done at a place, by day.</summary>
/// <param name="Words">"3 sprays, 1 by hand, 12 counts".</param>
public sealed record PictureRow(Guid PlaceId, string Place, string Words, IReadOnlyList<MarkAnswer> Marks);

/// <summary>The season as a picture, one row for each place where something was done.</summary>
/// <param name="From">First day that it shows.</param>
/// <param name="To">Last day that it shows.</param>
public sealed record LedgerPicture(DateOnly From, DateOnly To, IReadOnlyList<PictureRow> Rows);

/// <param name="Proven">What the gardener says has been used here for years, in sentences.</param>
public sealed record LedgerAnswer(
    IReadOnlyList<LedgerEntryAnswer> Entries,
    int Total,
    IReadOnlyList<KindCount> Counts,
    LedgerTotalsAnswer Totals,
    LedgerChoices Choices,
    IReadOnlyList<string> Proven,
    LedgerPicture Picture
);

public sealed record PartOfMix(string Name, string Role, string Amount);

public sealed record CorrectionAnswer(DateTimeOffset At, string? Who, string Field, string? Was, string? Became);

/// <summary>A spray with all that is known of it.</summary>
public sealed record SprayRecord(
    Guid Id,
    DateTimeOffset At,
    string Material,
    string MaterialName,
    string GroupName,
    string? RecipeName,
    DoseStep? Step,
    string? Dose,
    double Litres,
    string Amount,
    string? ExpectedAmount,
    double ShareWetted,
    IReadOnlyList<WettedPart> Parts,
    IReadOnlyList<Guid> PlantingIds,
    IReadOnlyList<string> Where,
    string? Target,
    string? TargetName,
    SprayReason Why,
    bool PatchTest,
    Guid? DoneBy,
    string? Note,
    string Air,
    IReadOnlyList<PartOfMix> Mix,
    IReadOnlyList<Guid> CheckBackIds,
    DateTimeOffset? StruckAt,
    IReadOnlyList<CorrectionAnswer> History
);

/// <summary>A spray put right. What it was stays in its history.</summary>
/// <param name="DoneBy">Who sprayed.</param>
/// <param name="MemberId">Who puts it right.</param>
public sealed record SprayCorrection(
    DateTimeOffset At,
    double Litres,
    double ShareWetted,
    IReadOnlyList<WettedPart> Parts,
    IReadOnlyList<Guid> PlantingIds,
    string? Target,
    SprayReason Why,
    string? Note,
    Guid? DoneBy,
    Guid? MemberId = null
);

/// <param name="Struck">False to bring it back.</param>
public sealed record SprayStruck(bool Struck, Guid? MemberId = null);

/// <summary>A mix with a dose, to log by hand or to try.</summary>
/// <param name="SizeUnit">"l", "m²", "plants" or "stations": what its amount is told in.</param>
public sealed record DosedRecipe(string Id, string Name, string SizeUnit);

/// <summary>A spray that nobody logged when it was done.</summary>
/// <param name="Size">Litres, or what the recipe is dosed per.</param>
/// <param name="FromShelf">Take what was in it from the shelf.</param>
public sealed record HandSpray(
    Guid Id,
    Guid BatchId,
    DateTimeOffset At,
    IReadOnlyList<Guid> PlantingIds,
    string Recipe,
    DoseStep Step,
    double Size,
    string? Target = null,
    double? ShareWetted = null,
    IReadOnlyList<WettedPart>? Parts = null,
    bool PatchTest = false,
    bool FromShelf = false,
    string? Note = null,
    Guid? DoneBy = null,
    Guid? MemberId = null
);
