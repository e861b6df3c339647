using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Ways;

/// <summary>Ways as sentences say them.</summary>
public static class WayWords
{
    /// <summary>Of a planting that nothing is proposed for.</summary>
    public static Said LeftAlone => Said.Of("ways.youLeaveItAloneOnPurpose");

    /// <summary>Of what is no pest, where the catalogue says nothing better.</summary>
    public static Said NoSprayMends => Said.Of("ways.noSprayMends");

    /// <summary>"Hose them off, 3 times, 3 days apart".</summary>
    internal static string Hands(IReadOnlyList<HandPart> parts) => Say.All(parts.Select(p => Say.Remarked(p.Measure.Name.InSentence(), Times(p.Days))));

    internal static string Prune(PrunePlan plan) =>
        plan.Visits > 1
            ? Say.Of("ways.cutLeavesAndBinThemTimes", ("takeNow", plan.TakeNow), ("visits", plan.Visits))
            : Say.Of("ways.cutLeavesAndBinThem", ("takeNow", plan.TakeNow));

    /// <summary>"Cut 35 leaves and bin them, then neem with soap, 3 rounds, 5 days apart, from Thu 16 Jul".</summary>
    internal static string Rounds(GardenSnapshot garden, Recipe recipe, IReadOnlyList<HandPart> first, PrunePlan? prune, CourseShape shape, int start)
    {
        var times =
            shape.Rounds == 1 ? Say.Of("ways.once") : Say.Of("ways.roundsApart", ("rounds", shape.Rounds), ("days", CourseShape.Days(shape.SpacingDays)));
        var from = start == 0 ? null : Say.Of("ways.fromDay", ("day", Day(garden.Today.AddDays(start))));
        var rounds = Say.Remarked(recipe.Name.InSentence(), times, from);
        return first.Count == 0 ? rounds : Then(first.Any(p => p.Measure.Id == KnownIds.Measures.Prune) ? Prune(prune!) : Hands(first), rounds);
    }

    /// <summary>One thing, and what follows it: "hydrogen peroxide, once, then milk, 3 rounds, 7 days apart".</summary>
    internal static string Then(string first, string then) => Say.Of("ways.firstThen", ("first", first), ("rounds", then));

    /// <summary>What is proposed and what comes of it.</summary>
    internal static Said Sentence(Finding f, IReadOnlyList<Way> ways)
    {
        var proposed = ways.FirstOrDefault(w => w.Proposed);
        var alone = ways.FirstOrDefault(w => w.Id == Way.AloneId);
        if (proposed is null)
        {
            return Said.Of("ways.nothingThatMayBeDoneHere");
        }

        var does = new Said("ways.does", proposed.Words.AsSentenceStart(), []);
        var what = Fact.Clause(does);
        if (proposed.Outlook is not { } outlook || alone?.Outlook is not { } untouched)
        {
            return does.AsSentence();
        }

        if (proposed.Id == alone.Id)
        {
            return f.OverLine && f.HelpersAtWork ? Said.Of("ways.helpersAreAtWork", ("what", what))
                : f.OverLine && f.Visit is { } visit ? Said.Of("ways.onSomethingWasDoneAlready", ("what", what), ("day", Fact.Weekday(visit.DueOn)))
                : f.OverLine && !proposed.Holds
                    ? Said.Sentences(Said.Of("ways.nothingHereChangesMuch", ("percent", Fact.Share(outlook.End.Middle))), Bought(ways))
                : f.OverLine
                    ? Said.Of(
                        "ways.itComesUnderItsLineByItself",
                        ("what", what),
                        ("share", Fact.Percent(f.Line.Share * 100)),
                        ("percent", Fact.Percent(outlook.End.Middle * 100))
                    )
                : Said.Of("ways.itIsUnderItsLine", ("what", what), ("share", Fact.Percent(f.Line.Share * 100)));
        }

        if (proposed.Id == KnownIds.Measures.TakeOut)
        {
            return Said.Of("ways.leftAloneAffectedIn3Weeks", ("what", what), ("percent", Fact.Share(untouched.End.Middle)));
        }

        var comes = Comes(outlook, untouched);
        return proposed.Holds ? Said.Sentences(does.AsSentence(), comes)
            : f.CleansFirst(proposed) && proposed.After is null ? Said.Of("ways.protectingWhatIsCleanComesNext", ("what", what), ("comes", Fact.Clause(comes)))
            : Said.Sentences(
                Said.Of("ways.nothingHereBringsItUnder", ("what", what), ("comes", Fact.Clause(comes)), ("percent", Fact.Share(f.Line.Share))),
                Bought(ways)
            );
    }

    /// <summary>What would hold it if it were bought, as a sentence of its own; null where nothing would.</summary>
    private static Said? Bought(IReadOnlyList<Way> ways) =>
        ways.Where(w => w.Holds && w.Against is [{ Code: MaterialOption.NeedsLabel }]).MinBy(w => w.Cost) is { } way
            ? Said.Of("ways.wouldEnterTheProductThatYou", ("material", Fact.Thing(way.Option!.Material.Name)))
            : null;

    /// <summary>"In 3 weeks 7 %, left alone 65 %."; null where no model plays it through.</summary>
    public static Said? Comes(Way way, WaySet set) => way.Outlook is { } outlook && set.Alone?.Outlook is { } alone ? Comes(outlook, alone) : null;

    private static Said Comes(Outlook outlook, Outlook alone) =>
        Said.Of("ways.in3WeeksLeftAlone", ("percent", Fact.Share(outlook.End.Middle)), ("percent2", Fact.Share(alone.End.Middle)));

    public static string Percent(double share) => Fact.Share(share).Words;

    public static string Day(DateOnly date) => Fact.Weekday(date).Words;

    private static string Times(IReadOnlyList<int> days) =>
        days.Count < 2 ? "" : Say.Of("ways.timesApart", ("days", days.Count), ("days2", CourseShape.Days(days[1] - days[0])));
}
