using Mauvaise.Core.Gardens;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Outcomes;

/// <summary>What a check-back says of a spray.</summary>
/// <param name="ChangePercent">Change of the share of leaves, per cent of the count before: -80 means four fifths fewer; null without a count before.</param>
public sealed record Judgement(Outcome Outcome, double? ChangePercent, string Sentence);

/// <summary>The count that a spray, or a task, is judged against.</summary>
public static class CountBefore
{
    /// <summary>
    /// The last look at a planting before an instant at which a leaf was looked at: of its troubles the one that was treated; where it was
    /// not named, one without a name. Null when nobody looked.
    /// </summary>
    public static Observation? Of(GardenSnapshot garden, Guid plantingId, string? target, DateTimeOffset at)
    {
        var last = garden.CountsOf(plantingId).LastOrDefault(o => o.At <= at && o.LeavesLooked > 0);
        var look = last is null ? [] : garden.Look(last.LookId).ToList();
        return look.FirstOrDefault(o => o.Named == target) ?? look.FirstOrDefault(o => o.Named is null) ?? last;
    }
}

/// <summary>What a check-back saw beside the leaves with something living on them.</summary>
/// <param name="Insects">It is about something that can move; otherwise about spots.</param>
/// <param name="OnlyDead">Leaves with dead insects, or old spots, alone; null when nobody told them apart.</param>
/// <param name="AntsClimb">Ants still climb, though the trouble is one that they tend.</param>
public sealed record SeenBeside(bool Insects, int? OnlyDead, bool AntsClimb);

/// <summary>Judges a spray from counts before and after on the same plants.</summary>
public static class CheckBackVerdict
{
    /// <summary>Beyond this share the crop is past saving by a spray.</summary>
    private const double LostShare = 0.6;

    /// <summary>
    /// Lost over 60 % of leaves and no fewer than before; cleared when none is left, or fewer than half the line with a fall of
    /// at least half; losing when the share rose; holding otherwise. Only what lives counts. While ants climb, some are left somewhere:
    /// it is held then, never cleared.
    /// </summary>
    /// <param name="before">Count before the spray, or null when nobody counted.</param>
    /// <param name="after">Count now of leaves with something living; at least one leaf was looked at.</param>
    public static Judgement Judge((int Looked, int Affected)? before, (int Looked, int Affected) after, double line, SeenBeside? beside = null)
    {
        var judged = ByCount(before, after, line);
        return judged with
        {
            Outcome = judged.Outcome == Outcome.Cleared && beside is { AntsClimb: true } ? Outcome.Holding : judged.Outcome,
            Sentence = Say.Sentences(judged.Sentence, Told(beside)),
        };
    }

    private static string Told(SeenBeside? beside)
    {
        var dead = beside switch
        {
            { OnlyDead: > 0 and var n, Insects: true } => Say.Of("outcomes.onlyDeadOnMore", ("n", n)),
            { OnlyDead: > 0 and var n } => Say.Of("outcomes.onlyOldOnMore", ("n", n)),
            _ => "",
        };
        return Say.Sentences(dead, beside is { AntsClimb: true } ? Say.Of("outcomes.antsStillClimbSoSome") : null);
    }

    private static Judgement ByCount((int Looked, int Affected)? before, (int Looked, int Affected) after, double line)
    {
        var now = (double)after.Affected / after.Looked;
        var (low, high) = LeafSample.Interval(after.Looked, after.Affected);
        var range = Say.Of("outcomes.affectedNowLikely", ("now", Say.In(now * 100, "0")), ("low", Say.In(low * 100, "0")), ("high", Say.In(high * 100, "0")));
        if (before is not { Looked: > 0 } b)
        {
            var alone =
                after.Affected == 0 ? Outcome.Cleared
                : now > LostShare ? Outcome.Lost
                : now < line ? Outcome.Holding
                : Outcome.Losing;
            return new Judgement(alone, null, Say.Of("outcomes.nobodyCountedBeforeTheSpraySo", ("range", range)));
        }

        var then = (double)b.Affected / b.Looked;
        double? change = then > 0 ? (now - then) / then * 100 : null;
        var outcome =
            now > LostShare && now >= then ? Outcome.Lost
            : after.Affected == 0 || (now < line / 2 && now <= then / 2) ? Outcome.Cleared
            : now > then ? Outcome.Losing
            : Outcome.Holding;
        var compared = change switch
        {
            null => Say.Of("outcomes.noneBefore"),
            > 0 => Say.Of("outcomes.upFrom", ("then", Say.In(then * 100, "0"))),
            < 0 => Say.Of("outcomes.downFrom", ("then", Say.In(then * 100, "0"))),
            _ => Say.Of("outcomes.asBefore"),
        };
        var few = after.Looked < 10 ? Say.Of("outcomes.fewCountTenOrMore") : "";
        return new Judgement(outcome, change, Say.Sentences(Say.Sentence(Say.Remarked(range, compared)), few));
    }
}
