using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Sky;
using Mauvaise.Web.Calc;

namespace Mauvaise.Web.Plan;

/// <param name="Known">The weather of these hours is known; otherwise they are the usual ones.</param>
public sealed record HoursAnswer(DateTimeOffset From, DateTimeOffset To, Verdict Verdict, bool Known);

public sealed record PlannedRoundAnswer(
    string Key,
    NeedKind Kind,
    Guid PlantingId,
    Guid PlaceId,
    string Where,
    string Target,
    string TargetName,
    string Recipe,
    string RecipeName,
    string Material,
    string Group,
    string GroupName,
    string Hatch,
    DoseStep Step,
    int Round,
    int Rounds,
    DateOnly On,
    HoursAnswer Hours,
    Guid? PinId,
    double Litres,
    string Amount,
    IReadOnlyList<SaidAnswer> Why,
    IReadOnlyList<SaidAnswer> Against
);

/// <param name="Fillings">Equal fillings of the household's sprayer, when one filling is not enough; 1 otherwise.</param>
public sealed record PlannedTankAnswer(
    string Recipe,
    string RecipeName,
    string Material,
    string Hatch,
    DoseStep Step,
    double Litres,
    string Amount,
    int Fillings,
    string Shake,
    IReadOnlyList<PlannedRoundAnswer> Rounds
);

public sealed record PlannedTaskAnswer(Guid Id, string Name, string Where, string How);

/// <param name="Title">"Thursday evening: neem with soap on 2 beds".</param>
public sealed record OutingAnswer(
    string Key,
    DateOnly On,
    bool Morning,
    HoursAnswer Hours,
    string Title,
    IReadOnlyList<PlannedTankAnswer> Tanks,
    IReadOnlyList<PlannedTaskAnswer> Tasks
);

public sealed record PlannedPatchAnswer(Guid PlantingId, string Where, string Target, string Recipe, string RecipeName, DateOnly On);

public sealed record PlannedVisitAnswer(DateOnly On, Guid PlantingId, Guid PlaceId, string Where, string What, Guid? CheckBackId);

public sealed record PlannedWalkAnswer(DateOnly On, IReadOnlyList<string> Where, IReadOnlyList<Guid> PlaceIds);

public sealed record NotPlannedAnswer(Guid PlantingId, string Where, string Target, string TargetName, SaidAnswer Why);

public sealed record OutlineAnswer(DateOnly WeekOf, Guid PlaceId, string Target, string TargetName, string Material, string Group, string Hatch, NeedKind Kind);

public sealed record PlanChangeAnswer(ChangeKind Kind, SaidAnswer Why);

/// <param name="Words">"Beans, pinned for Sat 18 Jul".</param>
public sealed record PlanChoiceAnswer(Guid Id, PlanWord Word, string Words);

public sealed record PlanPlace(Guid Id, string Name);

public sealed record RotaAnswer(
    DateOnly From,
    DateOnly FirmTo,
    string InShort,
    IReadOnlyList<RotaDay> Days,
    IReadOnlyList<PlanPlace> Places,
    IReadOnlyList<OutingAnswer> Outings,
    IReadOnlyList<PlannedPatchAnswer> Patches,
    IReadOnlyList<PlannedVisitAnswer> Visits,
    IReadOnlyList<PlannedWalkAnswer> Walks,
    IReadOnlyList<NotPlannedAnswer> NotPlanned,
    IReadOnlyList<SaidAnswer> Cannot,
    IReadOnlyList<OutlineAnswer> Outline,
    IReadOnlyList<PlanChangeAnswer> Changes,
    IReadOnlyList<PlanChoiceAnswer> Choices
);

/// <param name="MorePercent">Of a bed's crop; null where it can not be.</param>
public sealed record MoveAnswer(DateOnly On, double? MorePercent, SaidAnswer Why);

/// <summary>A word to the plan.</summary>
/// <param name="Target">For a pin or a skip.</param>
/// <param name="Material">For a ban.</param>
/// <param name="On">Pin: the day. Skip: not before the day after.</param>
public sealed record NewPlanChoice(
    Guid Id,
    PlanWord Word,
    Guid PlantingId,
    string? Target = null,
    string? Material = null,
    DateOnly? On = null,
    Guid? MemberId = null
);

public sealed record OutingLogged(IReadOnlyList<string> Sprayed, IReadOnlyList<DateOnly> CheckBacks);
