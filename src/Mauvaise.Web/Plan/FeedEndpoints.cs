using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Plan;

/// <summary>Outings and check-backs as an iCalendar (RFC 5545) file and feed.</summary>
internal static class FeedEndpoints
{
    /// <summary>Time to mix and to walk out (assumed).</summary>
    private const int AlarmMinutesBefore = 30;

    internal static void MapFeed(this RouteGroupBuilder plan) => plan.MapGet("/calendar.ics", Feed).Produces<string>(StatusCodes.Status200OK, "text/calendar");

    /// <summary>What calendars are told now. It writes nothing: what they are told is kept by <see cref="FeedKeeper"/>, for which it waits.</summary>
    internal static async Task<Results<ContentHttpResult, ProblemHttpResult>> Feed(Guid gardenId, GardenTools tools, FeedKeeper keeper, CancellationToken stop)
    {
        await keeper.CaughtUpAsync(stop);
        using var speaking = Language.Speaking(await tools.VoiceOfAsync(gardenId, stop));
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var told = await tools.Db.FeedEvents.AsNoTracking().Where(e => e.GardenId == gardenId).ToListAsync(stop);
        var calendar = new Calendar { ProductId = $"-//Mauvaise//Rota//{Say.Language.Code.ToUpperInvariant()}", Method = "PUBLISH" };
        calendar.AddProperty("X-WR-CALNAME", s.Garden.Name);
        foreach (var row in FeedBook.Next(s, told))
        {
            calendar.Events.Add(Event(s.Garden, row));
        }

        return TypedResults.Text(new CalendarSerializer().SerializeToString(calendar) ?? "", "text/calendar; charset=utf-8");
    }

    private static CalendarEvent Event(Garden garden, FeedEventRow row)
    {
        var lines = garden.Told(row.Words).Split('\n', 2);
        var visit = new CalendarEvent
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
        if (!row.Cancelled)
        {
            visit.Alarms.Add(
                new Alarm
                {
                    Action = AlarmAction.Display,
                    Description = lines[0],
                    Trigger = new Trigger(Duration.FromMinutes(-AlarmMinutesBefore)),
                }
            );
        }

        return visit;
    }

    private static CalDateTime Utc(DateTimeOffset at) => new(at.UtcDateTime, "UTC");
}
