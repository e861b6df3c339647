using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Deeds;

/// <summary>What is said of work before trouble: it is done, it is taken on for a day, or it is let be this season.</summary>
public enum PreventionWord
{
    Done,
    Planned,
    LetBe,
}

/// <summary>Work before trouble, done or taken on.</summary>
public static class PreventionDeeds
{
    /// <summary>It was said already: done today, or let be. A second tap writes nothing.</summary>
    public static bool IsSaid(GardenSnapshot garden, PreventiveWork work, PreventionWord word) =>
        word switch
        {
            PreventionWord.Done => work is { State: PreventionState.Holds, Task.DoneAt: { } at } && garden.Garden.DateOf(at) == garden.Today,
            PreventionWord.LetBe => work.State == PreventionState.LetBe,
            _ => false,
        };

    /// <summary>Several pieces of work in one deed.</summary>
    /// <param name="work">With the id that its task gets.</param>
    /// <param name="on">The day it is taken on for; today otherwise.</param>
    public static Written Answer(
        GardenSnapshot garden,
        IReadOnlyList<(Guid Id, PreventiveWork Work)> work,
        PreventionWord word,
        DateOnly on,
        DateTimeOffset at,
        Guid? memberId
    )
    {
        var verb = word switch
        {
            PreventionWord.Done => Say.Of("deeds.done2"),
            PreventionWord.Planned => Say.Of("deeds.tookOn"),
            _ => Say.Of("deeds.letBe"),
        };
        var measures = work.Select(w => w.Work.Measure.Name.InSentence()).Distinct().ToList();
        var where = work.Count == 1 ? garden.Where(work[0].Work.Planting) : Say.Of("deeds.plantings", ("work", work.Count));
        return new Written(
            measures.Count == 1
                ? Say.Of("deeds.verbMeasuresWhere", ("verb", verb), ("measures", measures[0]), ("where", where))
                : Say.Of("deeds.thingsBeforeTrouble", ("verb", verb), ("measures", measures.Count), ("where", where)),
            memberId
        )
        {
            Tasks =
            [
                .. work.Select(w => new GardenTask(
                    // What was taken on is the task that is done now.
                    w.Work
                        is { State: PreventionState.Planned, Task: { } planned }
                        ? planned.Id
                        : w.Id,
                    w.Work.Planting.Id,
                    null,
                    w.Work.Measure.Id,
                    null,
                    word == PreventionWord.Planned ? on : garden.Today,
                    word switch
                    {
                        PreventionWord.Done => TaskState.Done,
                        PreventionWord.Planned => TaskState.Planned,
                        _ => TaskState.Passed,
                    },
                    word == PreventionWord.Done ? at : null
                )),
            ],
        };
    }
}
