using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;

namespace Mauvaise.Web.Plan;

/// <summary>
/// Outings and check-backs as calendars are told of them: a visit keeps its key when it moves, with a higher sequence; one that goes is cancelled.
/// </summary>
internal static class FeedBook
{
    /// <summary>A cancelled visit is told of for so long.</summary>
    private static readonly TimeSpan CancelledFor = TimeSpan.FromDays(30);

    private sealed record Visit(string Key, DateTimeOffset From, DateTimeOffset To, string Words);

    /// <summary>What is told now, in time order, after what was told before.</summary>
    public static IReadOnlyList<FeedEventRow> Next(GardenSnapshot s, IReadOnlyList<FeedEventRow> told)
    {
        var before = told.ToDictionary(r => r.Key);
        var visits = Visits(s).ToList();
        var keys = visits.Select(v => v.Key).ToHashSet();
        return
        [
            .. visits
                .Select(v => Told(s, v, before.GetValueOrDefault(v.Key)))
                .Concat(told.Where(r => !keys.Contains(r.Key)).Select(r => Gone(s, r)))
                .Where(r => !r.Cancelled || r.ChangedAt >= s.Now - CancelledFor)
                .OrderBy(r => r.From)
                .ThenBy(r => r.Key, StringComparer.Ordinal),
        ];
    }

    private static FeedEventRow Told(GardenSnapshot s, Visit visit, FeedEventRow? before) =>
        before is { Cancelled: false } && (before.From, before.To, before.Words) == (visit.From, visit.To, visit.Words)
            ? before
            : Row(s, visit.Key, visit.From, visit.To, visit.Words, Sequence(s, before), cancelled: false);

    /// <summary>A visit that is over stays as it was; one that was still to come is cancelled.</summary>
    private static FeedEventRow Gone(GardenSnapshot s, FeedEventRow before) =>
        before.Cancelled || before.To <= s.Now ? before : Row(s, before.Key, before.From, before.To, before.Words, Sequence(s, before), cancelled: true);

    private static FeedEventRow Row(GardenSnapshot s, string key, DateTimeOffset from, DateTimeOffset to, string words, int sequence, bool cancelled) =>
        new()
        {
            GardenId = s.Garden.Id,
            Key = key,
            From = from,
            To = to,
            Words = words,
            Sequence = sequence,
            Cancelled = cancelled,
            ChangedAt = s.Now,
        };

    /// <summary>Rises with the clock, so that two changes are in order even where nobody kept the first.</summary>
    private static int Sequence(GardenSnapshot s, FeedEventRow? before) =>
        before is null ? 0 : Math.Max(before.Sequence + 1, (int)((s.Now - DateTimeOffset.UnixEpoch).TotalMinutes / 2));

    private static IEnumerable<Visit> Visits(GardenSnapshot s)
    {
        var rota = RotaPlanner.Plan(s);
        foreach (var outing in rota.Outings)
        {
            var answer = PlanEndpoints.Outing(s, outing);
            var lines = answer.Tanks.SelectMany(t =>
                t.Rounds.Select(r =>
                    Say.Of(
                        "plan.roundOf",
                        ("amount", t.Amount),
                        ("recipeName", t.RecipeName.InSentence()),
                        ("where", r.Where),
                        ("targetName", r.TargetName.InSentence()),
                        ("round", r.Round),
                        ("rounds", r.Rounds)
                    )
                )
            );
            yield return new Visit("outing/" + outing.Key, outing.Hours.From, outing.Hours.To, $"{PlanEndpoints.InShort(outing)}\n{string.Join('\n', lines)}");
        }

        foreach (var visit in rota.Visits.Where(v => v.CheckBackId is not null))
        {
            var at = s.Garden.Zone.At(visit.On, PlannedVisit.UsualHour);
            yield return new Visit($"check-back/{visit.CheckBackId:N}", at, at.AddMinutes(15), $"{visit.What}: {s.Where(visit.Planting)}");
        }
    }
}
