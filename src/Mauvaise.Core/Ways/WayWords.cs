using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Ways;

/// <summary>Ways as sentences say them.</summary>
public static class WayWords
{
    /// <summary>Of a planting that nothing is proposed for.</summary>
    public const string LeftAlone = "You leave it alone on purpose: nothing is proposed here.";

    /// <summary>Of what is no pest, where the catalogue says nothing better.</summary>
    public const string NoSprayMends = "No spray mends it.";

    /// <summary>"Hose them off, 3 times, 3 days apart".</summary>
    internal static string Hands(IReadOnlyList<HandPart> parts) => Joined(parts.Select(p => p.Measure.Name.InSentence() + Times(p.Days)));

    internal static string Prune(PrunePlan plan) => $"cut {plan.TakeNow} leaves and bin them" + (plan.Visits > 1 ? $", {plan.Visits} times a week apart" : "");

    /// <summary>"Cut 35 leaves and bin them, then neem with soap, 3 rounds, 5 days apart, from Thu 16 Jul".</summary>
    internal static string Rounds(GardenSnapshot garden, Recipe recipe, IReadOnlyList<HandPart> first, PrunePlan? prune, CourseShape shape, int start)
    {
        var before = first.Count == 0 ? "" : (first.Any(p => p.Measure.Id == KnownIds.Measures.Prune) ? Prune(prune!) : Hands(first)) + ", then ";
        var rounds = shape.Rounds == 1 ? "once" : $"{shape.Rounds} rounds, {CourseShape.Days(shape.SpacingDays)} apart";
        return $"{before}{recipe.Name.InSentence()}, {rounds}{(start == 0 ? "" : $", from {Day(garden.Today.AddDays(start))}")}";
    }

    /// <summary>What is proposed and what comes of it.</summary>
    internal static string Sentence(Finding f, IReadOnlyList<Way> ways)
    {
        var proposed = ways.FirstOrDefault(w => w.Proposed);
        var alone = ways.FirstOrDefault(w => w.Id == Way.AloneId);
        if (proposed is null)
        {
            return "Nothing that may be done here helps.";
        }

        var what = proposed.Words.AsSentenceStart();
        if (proposed.Outlook is not { } outlook || alone?.Outlook is not { } untouched)
        {
            return what + ".";
        }

        if (proposed.Id == alone.Id)
        {
            return f.OverLine && f.HelpersAtWork ? $"{what}: helpers are at work."
                : f.OverLine && f.Visit is { } visit ? $"{what} on {Day(visit.DueOn)}: something was done already."
                : f.OverLine && !proposed.Holds ? $"Nothing that may be done here changes much: {Percent(outlook.End.Middle)} of leaves in 3 weeks.{Bought(ways)}"
                : FormattableString.Invariant($"{what}: it is under its line of {f.Line.Share * 100:0} %.");
        }

        if (proposed.Id == KnownIds.Measures.TakeOut)
        {
            return $"{what}: left alone, {Percent(untouched.End.Middle)} of leaves in 3 weeks.";
        }

        var comes = Comes(outlook, untouched);
        return proposed.Holds ? $"{what}. {comes}"
            : f.CleansFirst(proposed) ? $"{what}. {comes} Protecting what is clean comes next."
            : $"{what}. {comes} Nothing here brings it under {Percent(f.Line.Share)} for good.{Bought(ways)}";
    }

    /// <summary>What would hold it if it were bought, as a sentence of its own; empty where nothing would.</summary>
    private static string Bought(IReadOnlyList<Way> ways) =>
        ways.Where(w => w.Holds && w.Against is [{ Code: MaterialOption.NeedsLabel }]).MinBy(w => w.Cost) is { } way
            ? $" {way.Option!.Material.Name} would: enter the product that you buy on the shelf." : "";

    /// <summary>"In 3 weeks 7 %, left alone 65 %."; null where no model plays it through.</summary>
    public static string? Comes(Way way, WaySet set) => way.Outlook is { } outlook && set.Alone?.Outlook is { } alone ? Comes(outlook, alone) : null;

    private static string Comes(Outlook outlook, Outlook alone) => $"In 3 weeks {Percent(outlook.End.Middle)}, left alone {Percent(alone.End.Middle)}.";

    public static string Percent(double share) => FormattableString.Invariant($"{share * 100:0} %");

    public static string Day(DateOnly date) => date.ToString("ddd d MMM", System.Globalization.CultureInfo.InvariantCulture);

    private static string Times(IReadOnlyList<int> days) => days.Count < 2 ? "" : $", {days.Count} times, {CourseShape.Days(days[1] - days[0])} apart";

    private static string Joined(IEnumerable<string> parts)
    {
        var all = parts.ToList();
        return all.Count < 2 ? string.Concat(all) : $"{string.Join(", ", all[..^1])} and {all[^1]}";
    }
}
