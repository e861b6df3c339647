using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>What is told of an evening to somebody who does not look at the Board: the Board's own deeds, and only when one of them can not wait.</summary>
/// <param name="Subject">"19:20 neem with soap: Chapel courgette; check back: Polytunnel north aubergine".</param>
/// <param name="Lines">A deed each, with its detail.</param>
/// <param name="Points">What a later letter is held against, in the order of the lines.</param>
public sealed record EveningLetter(string Subject, IReadOnlyList<string> Lines, IReadOnlyList<string> Points)
{
    /// <summary>So many deeds stand in the subject; the rest is in the letter.</summary>
    private const int InSubject = 2;

    /// <summary>Null where nothing is to be done, or nothing but walking and what is done before trouble comes.</summary>
    public static EveningLetter? Of(GardenSnapshot garden)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var evening = EveningPlanner.Plan(garden);
        var urgent = evening.Deeds.Where(d => d.Kind is not (DeedKind.Walk or DeedKind.Prevent)).ToList();
        if (urgent.Count == 0)
        {
            return null;
        }

        // An hour that runs already needs no naming.
        var from = evening.Window is { } window && window.Start > garden.Now ? garden.Garden.Zone.Local(window.Start) : (DateTimeOffset?)null;
        // What has its hour comes first.
        var told = urgent.OrderByDescending(d => d.Tank is not null).ToList();
        var named = told.Take(InSubject).Select(d => (d.Tank is not null && from is { } at ? Figure.Time(at) + " " : "") + d.Title.InSentence());
        var subject = string.Join("; ", named);
        return new EveningLetter(
            (told.Count > InSubject ? Say.Of("planning.andMore", ("named", subject), ("number", told.Count - InSubject)) : subject).AsSentenceStart(),
            [.. told.Select(d => $"{d.Title}. {d.Detail}"), .. evening.WindowSentence == "" ? Array.Empty<string>() : [evening.WindowSentence]],
            // A window's beginning moves on with the clock, its end only with the weather.
            [.. told.Select(d => d.Tank is not null && evening.Window is { } until ? FormattableString.Invariant($"{d.Title} {until.End:u}") : d.Title)]
        );
    }

    /// <summary>Whether somebody who was told that should be told anew: something came, or something went that nobody did.</summary>
    /// <param name="told">Points of the letter that was sent.</param>
    /// <param name="sentAt">When it was sent.</param>
    /// <param name="now">The letter of now; null where nothing is to be done any more.</param>
    public static bool Changed(GardenSnapshot garden, IReadOnlyList<string> told, DateTimeOffset sentAt, EveningLetter? now)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var points = now?.Points ?? [];
        return points.Except(told).Any() || (told.Except(points).Any() && !WasWorkedSince(garden, sentAt));
    }

    private static bool WasWorkedSince(GardenSnapshot garden, DateTimeOffset at) =>
        garden.Applications.Any(a => a.At > at)
        || garden.CheckBacks.Any(c => c.DoneAt > at)
        || garden.Tasks.Any(t => t.DoneAt > at)
        || garden.Observations.Any(o => o.At > at);
}
