using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Time;

namespace Mauvaise.Core.Tests;

/// <summary>Civil time on the days on which clocks change. Instants were worked out by hand from the zones' published rules.</summary>
public class TimeTests
{
    private static DateTimeOffset Utc(string at) =>
        DateTimeOffset.Parse(at, System.Globalization.CultureInfo.InvariantCulture, System.Globalization.DateTimeStyles.AssumeUniversal);

    [Theory]
    // Clocks go back at midnight or at one: midnight comes twice, and the day begins with the first.
    [InlineData("Atlantic/Azores", "2026-10-25", "2026-10-25T00:00:00Z")]
    [InlineData("America/Havana", "2026-11-01", "2026-11-01T04:00:00Z")]
    // Clocks skip midnight: the day begins at one.
    [InlineData("America/Havana", "2026-03-08", "2026-03-08T05:00:00Z")]
    [InlineData("Europe/Vienna", "2026-10-25", "2026-10-24T22:00:00Z")]
    [InlineData("Europe/Vienna", "2026-03-29", "2026-03-28T23:00:00Z")]
    [InlineData("Australia/Adelaide", "2026-10-04", "2026-10-03T14:30:00Z")]
    [InlineData("Asia/Kathmandu", "2026-07-16", "2026-07-15T18:15:00Z")]
    public void A_day_begins_at_its_first_instant(string zone, string day, string expected) =>
        Assert.Equal(Utc(expected), GardenZone.Of(zone).StartOf(DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture)));

    [Fact]
    public void The_first_and_the_last_instant_of_every_day_of_two_years_lie_in_it()
    {
        foreach (var id in new[] { "Europe/Vienna", "Atlantic/Azores", "America/Havana", "America/St_Johns", "Australia/Lord_Howe", "Africa/Johannesburg" })
        {
            var zone = GardenZone.Of(id);
            for (var day = new DateOnly(2026, 1, 1); day < new DateOnly(2028, 1, 1); day = day.AddDays(1))
            {
                Assert.Equal(day, zone.DateOf(zone.StartOf(day)));
                Assert.Equal(day.AddDays(-1), zone.DateOf(zone.StartOf(day).AddTicks(-1)));
            }
        }
    }

    [Theory]
    // October in Vienna: 25 hours. Eleven by the clock is morning, whatever stands between it and midnight.
    [InlineData("Europe/Vienna", "2026-10-25T10:00:00Z", true)]
    [InlineData("Europe/Vienna", "2026-10-25T11:00:00Z", false)]
    // March: 23 hours. Noon by the clock is no morning.
    [InlineData("Europe/Vienna", "2026-03-29T09:59:00Z", true)]
    [InlineData("Europe/Vienna", "2026-03-29T10:00:00Z", false)]
    [InlineData("America/St_Johns", "2026-11-01T15:29:00Z", true)]
    [InlineData("America/St_Johns", "2026-11-01T15:30:00Z", false)]
    public void Half_a_day_goes_by_the_clock(string zone, string at, bool morning) => Assert.Equal(morning, DayHalf.Of(Utc(at), GardenZone.Of(zone)).IsMorning);

    [Theory]
    [InlineData("2026-10-25", "2026-10-25T04:00:00Z", "2026-10-25T11:00:00Z", "2026-10-25T21:00:00Z")]
    [InlineData("2026-03-29", "2026-03-29T03:00:00Z", "2026-03-29T10:00:00Z", "2026-03-29T20:00:00Z")]
    public void Its_hours_run_from_five_to_noon_to_ten_by_the_clock(string day, string from, string noon, string to)
    {
        var (zone, on) = (GardenZone.Of("Europe/Vienna"), DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture));
        Assert.Equal((Utc(from), Utc(noon)), new DayHalf(on, true).Hours(zone));
        Assert.Equal((Utc(noon), Utc(to)), new DayHalf(on, false).Hours(zone));
    }

    [Fact]
    public void A_clock_time_that_was_skipped_is_the_end_of_the_gap_and_one_that_comes_twice_the_first()
    {
        var vienna = GardenZone.Of("Europe/Vienna");
        Assert.Equal(Utc("2026-03-29T01:00:00Z"), vienna.At(new DateOnly(2026, 3, 29), new TimeOnly(2, 30)));
        Assert.Equal(Utc("2026-10-25T00:30:00Z"), vienna.At(new DateOnly(2026, 10, 25), new TimeOnly(2, 30)));
        Assert.Null(vienna.InOrder(new DateTime(2026, 3, 29, 2, 30, 0), null));
        Assert.Equal(Utc("2026-10-25T01:30:00Z"), vienna.InOrder(new DateTime(2026, 10, 25, 2, 30, 0), Utc("2026-10-25T00:30:00Z")));
    }

    [Theory]
    [InlineData(2026, 10, 25)]
    [InlineData(2026, 3, 29)]
    public void The_planner_keeps_mornings_in_the_morning_when_clocks_change(int year, int month, int day)
    {
        var bed = GardenSamples.Bed("Bed");
        var planting = GardenSamples.Grown(bed, "kale") with { From = new DateOnly(year, month, 1) };
        var on = new DateOnly(year, month, day);
        var zone = GardenSamples.Home.Zone;
        var now = zone.At(on.AddDays(-1), 20);
        var start = Core.Sky.HourSeries.WholeHour(now).AddDays(-30);
        var garden = GardenSamples.Tried(GardenSamples.Garden([bed], [planting])) with
        {
            Now = now,
            Weather = new Core.Sky.HourSeries(start, [.. Enumerable.Range(0, 40 * 24).Select(_ => WeatherSamples.Mild)]),
            Observations = [GardenSamples.Seen(planting, 0, 20, 12, "cabbage-aphid") with { At = now.AddHours(-2) }],
        };
        var outings = RotaPlanner.Plan(garden).Outings;
        Assert.NotEmpty(outings);
        Assert.All(outings, o =>
        {
            var hour = zone.Local(o.Hours.From).Hour;
            Assert.Equal(o.Morning, hour < 12);
            Assert.Equal(o.On, zone.DateOf(o.Hours.From));
            Assert.InRange(hour, 5, 21);
        });
    }

    [Fact]
    public void A_garden_in_a_zone_that_is_not_known_is_opened_all_the_same()
    {
        var home = GardenSamples.Home;
        var garden = new Garden(
            home.Id,
            home.Name,
            home.Latitude,
            home.Longitude,
            home.ElevationM,
            "Mars/Olympus",
            home.Climate,
            home.Kitchen,
            home.Stance,
            home.DiseaseApproach,
            false
        );
        Assert.Equal(GardenSamples.Now, garden.StartOf(garden.DateOf(GardenSamples.Now)).AddHours(15).AddMinutes(40));
    }
}
