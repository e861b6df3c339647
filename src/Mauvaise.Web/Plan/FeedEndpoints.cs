using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Planning;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Plan;

/// <summary>Outings and check-backs as an iCalendar (RFC 5545) file and feed.</summary>
internal static class FeedEndpoints
{
    /// <summary>A cancelled visit is told of for so long.</summary>
    private static readonly TimeSpan CancelledFor = TimeSpan.FromDays(30);

    internal static void MapFeed(this RouteGroupBuilder plan) => plan.MapGet("/calendar.ics", Feed).Produces<string>(StatusCodes.Status200OK, "text/calendar");

    private sealed record Visit(string Key, DateTimeOffset From, DateTimeOffset To, string Words);

    /// <summary>A visit keeps its UID when it moves, with a higher sequence; one that goes is cancelled.</summary>
    private static async Task<Results<ContentHttpResult, ProblemHttpResult>> Feed(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var visits = Visits(s, RotaPlanner.Plan(s)).ToDictionary(v => v.Key);
        var rows = await tools.Db.FeedEvents.Where(e => e.GardenId == gardenId).ToListAsync(stop);
        foreach (var row in rows)
        {
            if (visits.TryGetValue(row.Key, out var visit))
            {
                if (row.Cancelled || row.From != visit.From || row.To != visit.To || row.Words != visit.Words)
                {
                    (row.From, row.To, row.Words, row.Cancelled) = (visit.From, visit.To, visit.Words, false);
                    row.Sequence++;
                    row.ChangedAt = s.Now;
                }
            }
            else if (!row.Cancelled && row.To > s.Now)
            {
                row.Cancelled = true;
                row.Sequence++;
                row.ChangedAt = s.Now;
            }
        }

        tools.Db.FeedEvents.RemoveRange(rows.Where(r => r.Cancelled && r.ChangedAt < s.Now - CancelledFor));
        var added = visits.Values.Where(v => rows.All(r => r.Key != v.Key)).Select(v => new FeedEventRow { GardenId = gardenId, Key = v.Key, From = v.From, To = v.To, Words = v.Words, ChangedAt = s.Now }).ToList();
        tools.Db.FeedEvents.AddRange(added);
        await tools.Db.SaveChangesAsync(stop);

        var calendar = new Calendar { ProductId = "-//Mauvaise//Rota//EN", Method = "PUBLISH" };
        calendar.AddProperty("X-WR-CALNAME", s.Garden.Name);
        foreach (var row in rows.Concat(added).Where(r => r.Cancelled ? r.ChangedAt >= s.Now - CancelledFor : true).OrderBy(r => r.From).ThenBy(r => r.Key, StringComparer.Ordinal))
        {
            calendar.Events.Add(Event(row));
        }

        return TypedResults.Text(new CalendarSerializer().SerializeToString(calendar) ?? "", "text/calendar; charset=utf-8");
    }

    private static CalendarEvent Event(FeedEventRow row)
    {
        var lines = row.Words.Split('\n', 2);
        return new CalendarEvent
        {
            Uid = $"{row.Key.Replace('/', '-')}@{row.GardenId:N}",
            DtStamp = Utc(row.ChangedAt),
            Start = Utc(row.From),
            End = Utc(row.To),
            Summary = lines[0],
            Description = lines.Length > 1 ? lines[1] : null,
            Sequence = row.Sequence,
            Status = row.Cancelled ? EventStatus.Cancelled : EventStatus.Confirmed,
        };
    }

    private static CalDateTime Utc(DateTimeOffset at) => new(at.UtcDateTime, "UTC");

    private static IEnumerable<Visit> Visits(GardenSnapshot s, Rota rota)
    {
        foreach (var outing in rota.Outings)
        {
            var answer = PlanEndpoints.Outing(s, outing);
            var lines = answer.Tanks.SelectMany(t => t.Rounds.Select(r => $"{t.Amount} {t.RecipeName.InSentence()}: {r.Where}, {r.TargetName.InSentence()}, round {r.Round} of {r.Rounds}"));
            yield return new Visit("outing/" + outing.Key, outing.Hours.From, outing.Hours.To, $"{answer.Title[(answer.Title.IndexOf(": ", StringComparison.Ordinal) + 2)..]}\n{string.Join('\n', lines)}");
        }

        foreach (var visit in rota.Visits.Where(v => v.CheckBackId is not null))
        {
            var at = s.Garden.Zone.At(visit.On, PlannedVisit.UsualHour);
            yield return new Visit($"check-back/{visit.CheckBackId:N}", at, at.AddMinutes(15), $"{visit.What}: {s.Where(visit.Planting)}");
        }
    }
}
