using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Planning;

/// <summary>
/// The steps of a ladder on the days of the rota. The ladder judges one trouble by itself; which evening it shares with others is the
/// rota's to say, and no screen says another.
/// </summary>
public static class StepDays
{
    /// <summary>The ladder's steps; what is mixed has the rota's day and the reason for it, or stays open with why it is not planned.</summary>
    public static IReadOnlyList<LadderStep> Of(ActionLadder ladder, Rota rota) =>
        ladder.Finding.Target is { } target
            ? [.. ladder.Steps.Select(step => IsPlanned(step) ? Placed(step, rota, ladder.Finding.Planting.Id, target.Id) : step)]
            : ladder.Steps;

    /// <summary>A course with the rota's day for its next round, where that is later than the course by itself would have it.</summary>
    public static CourseProgress Of(CourseProgress course, Rota rota) =>
        course.NextOn is { } due && rota.Next(course.Course.PlantingId, course.Course.Target) is { } next && next.On > due && next.On > rota.From
            ? course with
            {
                NextOn = next.On,
                Sentence = Said.Of("planning.onTheRotaFor", ("date", Fact.Weekday(next.On)), ("sentence", Fact.Clause(course.Sentence.InSentence()))),
            }
            : course;

    private static bool IsPlanned(LadderStep step) =>
        step is { Rung: Rung.Spray, Choice: StepChoice.Do, Option: not null } && SprayCodes.All.Contains(step.Code);

    private static LadderStep Placed(LadderStep step, Rota rota, Guid plantingId, string target) =>
        (rota.Next(plantingId, target), rota.WhyNot(plantingId, target)) switch
        {
            ({ } next, _) => step with { On = next.On, Why = next is { WhyThen: { } why } && next.On > rota.From ? [why, .. step.Why] : step.Why },
            (null, { } whyNot) => step with { Choice = StepChoice.May, On = null, Why = [whyNot, .. step.Why] },
            _ => step,
        };
}
