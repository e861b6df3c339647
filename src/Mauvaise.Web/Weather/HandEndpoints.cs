using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Weather;

/// <summary>What a rain gauge and a thermometer say of a day.</summary>
internal static class HandEndpoints
{
    public static void MapHand(this RouteGroupBuilder weather)
    {
        weather.MapPut("/hand/{date}", Enter);
        weather.MapDelete("/hand/{date}", Drop);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Enter(
        Guid gardenId,
        DateOnly date,
        HandValues body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var day = WeatherEndpoints.HoursOf(s, date);
        var checks = new Checks()
            .That(date <= s.Today && date > s.Today.AddDays(-40), "date", "date-range", Say.Of("weather.daysFrom39DaysAgo"))
            .That(body.RainMm is not null || body.MinC is not null || body.MaxC is not null, "", "nothing-entered", Say.Of("weather.enterTheRainOrTheLowest"))
            .That(body.RainMm is null or (>= 0 and <= 500), "rainMm", "rain-range", Say.Of("weather.rainOfADayLiesBetween", ("rain", Figure.Rain(500))))
            .That(body.MinC is null == body.MaxC is null, "maxC", "temperature-pair", Say.Of("weather.theLowestAndTheHighestTemperature"))
            .That(
                body.MinC is null or (>= -60 and <= 60),
                "minC",
                "temperature-range",
                Say.Of("weather.temperaturesLieBetween", ("temperature", Figure.Temperature(-60)), ("temperature2", Figure.Temperature(60)))
            )
            .That(
                body.MaxC is null or (>= -60 and <= 60),
                "maxC",
                "temperature-range",
                Say.Of("weather.temperaturesLieBetween", ("temperature", Figure.Temperature(-60)), ("temperature2", Figure.Temperature(60)))
            )
            .That(
                body.MinC is null || body.MaxC is null || body.MinC < body.MaxC,
                "maxC",
                "temperature-order",
                Say.Of("weather.theHighestTemperatureLiesAbove")
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var entered = new List<HourSeries>();
        if (body.RainMm is { } rain)
        {
            entered.Add(HandEntry.Rain(day, rain));
        }

        if (body is { MinC: { } min, MaxC: { } max })
        {
            // Without any temperature to stretch, the day's usual curve stands in.
            entered.Add(
                HandEntry.Temperature(day, min, max)
                    ?? DailySpread.Hours(
                        new DayValues(date, min, max, null, null, null, null, null),
                        null,
                        s.Garden.Latitude,
                        s.Garden.Longitude,
                        s.Garden.Zone
                    )
            );
        }

        await WeatherEndpoints.KeepAsync(
            tools,
            gardenId,
            body.MemberId,
            Say.Of("weather.enteredTheWeather", ("date", Say.In(date, "d MMMM"))),
            WeatherSource.Hand,
            entered,
            stop
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Drop(
        Guid gardenId,
        DateOnly date,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var day = WeatherEndpoints.HoursOf(s, date);
        var (first, last) = (DateOnly.FromDateTime(day.Start.UtcDateTime), DateOnly.FromDateTime(day.End.UtcDateTime));
        var rows = await tools
            .Db.WeatherDays.Where(w => w.GardenId == gardenId && w.Source == WeatherSource.Hand && w.DayUtc >= first && w.DayUtc <= last)
            .ToListAsync(stop);
        await tools.Log.WriteAsync(
            gardenId,
            memberId,
            Say.Of("weather.droppedWhatWasEntered", ("date", Say.In(date, "d MMMM"))),
            _ =>
            {
                foreach (var row in rows)
                {
                    var hours = HourPacking.Unpack(row.Hours);
                    var midnight = new DateTimeOffset(row.DayUtc.ToDateTime(TimeOnly.MinValue), TimeSpan.Zero);
                    row.Hours = HourPacking.Pack([
                        .. hours.Select((h, i) => midnight.AddHours(i) >= day.Start && midnight.AddHours(i) < day.End ? default : h),
                    ]);
                }
            },
            stop
        );
        return TypedResults.NoContent();
    }
}
