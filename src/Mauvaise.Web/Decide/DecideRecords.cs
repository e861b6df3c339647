using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Ways;
using Mauvaise.Web.Calc;

namespace Mauvaise.Web.Decide;

/// <summary>A step as the screen shows it.</summary>
/// <param name="Taken">The task that was made of it; null when it was not taken on.</param>
/// <param name="TakenState">What became of that task; null without one.</param>
/// <param name="Recipe">For the bench; null for what is done by hand.</param>
/// <param name="Dose">Which dose of it; null where the bench's own is meant.</param>
public sealed record LadderStepAnswer(
    Rung Rung,
    string Code,
    string Name,
    StepChoice Choice,
    IReadOnlyList<SaidAnswer> Why,
    string? How,
    DateOnly? On,
    string? Recipe,
    DoseStep? Dose,
    ShapeAnswer? Course,
    PruneAnswer? Prune,
    Guid? Taken,
    TaskState? TakenState
);

public sealed record ShapeAnswer(int SpacingDays, int Rounds, string Reason);

/// <param name="Counted">Somebody counted the leaves; otherwise they are reckoned.</param>
public sealed record PruneAnswer(int Leaves, bool Counted, int Affected, int TakeNow, int Visits, string Sentence);

/// <summary>The ladder for one trouble.</summary>
/// <param name="Told">"12 % of leaves with black bean aphid, line 20 %".</param>
/// <param name="Answer">What is proposed and what comes of it, in a sentence or two.</param>
/// <param name="Ways">What is worth comparing, the proposed one first; empty where there is nothing to weigh.</param>
/// <param name="Drawn">The ways that can be drawn, in the order of <paramref name="Ways"/>.</param>
/// <param name="WithoutHour">What is left while no hour of the coming days suits any mix; empty when one does.</param>
/// <param name="ByPlant">Plants and not leaves were counted.</param>
/// <param name="On">What was counted where it was not plants.</param>
public sealed record LadderAnswer(
    Guid ObservationId,
    Guid PlantingId,
    string Where,
    DateTimeOffset At,
    string? Target,
    string Name,
    bool IsGroup,
    Stance Stance,
    int LeavesLooked,
    int LeavesAffected,
    double Share,
    double Line,
    string LineReason,
    string Told,
    Ants Ants,
    int Helpers,
    bool CanPlay,
    string Answer,
    IReadOnlyList<WayAnswer> Ways,
    IReadOnlyList<DrawnWay> Drawn,
    IReadOnlyList<LeftToDo> WithoutHour,
    IReadOnlyList<LadderStepAnswer> Steps,
    bool ByPlant,
    CountedOn On
);

/// <param name="SprayDays">Days from today.</param>
/// <param name="Days">By day from today, to the day that ways are judged by.</param>
public sealed record DrawnWay(string Id, IReadOnlyList<int> SprayDays, IReadOnlyList<WhatIfDay> Days);

/// <summary>What waits for a decision, and what was taken on.</summary>
/// <param name="Uncounted">Notes that can not be decided about, and what is missing.</param>
public sealed record DecideAnswer(
    IReadOnlyList<LadderAnswer> Ladders,
    IReadOnlyList<string> Uncounted,
    IReadOnlyList<TaskAnswer> Tasks,
    IReadOnlyList<CourseAnswer> Courses
);

/// <param name="Recipe">For the bench, where something is mixed for it.</param>
/// <param name="Dose">Which dose of it; null where the bench's own is meant.</param>
/// <param name="Helpers">"200 predatory mites", where it is about them; null otherwise.</param>
/// <param name="HelperKinds">What can be ordered, for an order; empty otherwise.</param>
/// <param name="ComesOn">When they would come, for an order; null otherwise.</param>
/// <param name="Worn">What wore it off, where it was done once and wants doing again; null otherwise.</param>
public sealed record TaskAnswer(
    Guid Id,
    Guid PlantingId,
    string Where,
    string Step,
    string Name,
    string How,
    string? TargetName,
    DateOnly DueOn,
    bool Due,
    string? Worn,
    TaskState State,
    DateTimeOffset? DoneAt,
    int? Leaves,
    bool CountsLeaves,
    string? Recipe,
    DoseStep? Dose,
    string? Helpers,
    IReadOnlyList<HelperChoice> HelperKinds,
    DateOnly? ComesOn
);

/// <summary>A kind of helper that can be ordered.</summary>
/// <param name="Number">The usual number for the place.</param>
public sealed record HelperChoice(string Id, string Name, int Number);

/// <param name="Over">It is finished, one way or another.</param>
public sealed record CourseAnswer(
    Guid Id,
    Guid PlantingId,
    string Where,
    string Target,
    string TargetName,
    string Material,
    string Recipe,
    CourseState State,
    bool Over,
    int RoundsGiven,
    int Rounds,
    int SpacingDays,
    DateOnly? NextOn,
    DoseStep Step,
    string Sentence,
    string? Change
);

/// <summary>A yes or a no to a step of the ladder.</summary>
/// <param name="Pass">True for no: it is not proposed again for this look.</param>
/// <param name="On">Day to do it; null for the day that the ladder says.</param>
public sealed record NewTask(Guid Id, Guid ObservationId, string Step, bool Pass = false, DateOnly? On = null, Guid? MemberId = null);

/// <summary>Everything that is answered with one tap: taken together, undone together.</summary>
public sealed record ManySteps(IReadOnlyList<NewTask> Tasks, IReadOnlyList<NewCourse> Courses, Guid? MemberId = null);

/// <param name="Leaves">Leaves taken off, where it is about leaves.</param>
/// <param name="Ordered">What was ordered, where it is about helpers; null when nobody said.</param>
public sealed record TaskDone(int? Leaves = null, Guid? MemberId = null, OrderedHelpers? Ordered = null);

/// <param name="ReleaseId">Of the release that they are expected for, made by the client.</param>
public sealed record OrderedHelpers(Guid ReleaseId, string Helper, int Number, DateOnly ComesOn);

public sealed record TaskDropped(Guid? MemberId = null);

/// <summary>Rounds of a recipe against a trouble.</summary>
/// <param name="Days">Days from today that the gardener chose, rising; null or empty to go by the life cycle.</param>
/// <param name="Way">Id of the way that it is taken from; null for the proposed one, or the recipe by itself.</param>
public sealed record NewCourse(
    Guid Id,
    Guid PlantingId,
    string Target,
    string Recipe,
    IReadOnlyList<int>? Days = null,
    DoseStep Step = DoseStep.Gentle,
    Guid? MemberId = null,
    string? Way = null
);

public sealed record CourseStopped(Guid? MemberId = null);

/// <summary>What another stance, or another way with disease, would change today.</summary>
/// <param name="Differences">Sentences; empty when nothing would be different today.</param>
public sealed record StanceChange(string Choice, bool Current, IReadOnlyList<string> Lines, IReadOnlyList<string> Differences);

/// <param name="Stances">For the whole garden, or the place that was asked for.</param>
/// <param name="Approaches">Ways with disease; they hold for the whole garden.</param>
public sealed record StancesAnswer(IReadOnlyList<StanceChange> Stances, IReadOnlyList<StanceChange> Approaches);

/// <param name="Stance">Null to follow the garden's.</param>
public sealed record PlaceStance(Stance? Stance, Guid? MemberId = null);
