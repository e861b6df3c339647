using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;
using static Mauvaise.Core.Tests.WeatherSamples;

namespace Mauvaise.Core.Tests;

public class WeatherTableTests
{
    private static IReadOnlyList<IReadOnlyList<string>> Lines(params string[] lines) => [.. lines.Select(l => l.Split(';'))];

    private static TableReading Read(string header, params string[] lines)
    {
        var table = Lines(lines);
        return WeatherTable.Read(table, WeatherTable.Guess(header.Split(';'), table), 47.52, 16.31, Vienna);
    }

    [Fact]
    public void The_header_and_the_numbers_tell_how_to_read_it()
    {
        var table = Lines("16.07.2026 14:00;24,5;55;18,0;0,4", "16.07.2026 15:00;25,0;52;20,0;0");
        var columns = WeatherTable.Guess("Date/time;Temperature °C;Humidity %;Wind km/h;Rain mm".Split(';'), table);
        Assert.Equal([TableField.Time, TableField.Temperature, TableField.Humidity, TableField.Wind, TableField.Rain], columns.Fields);
        Assert.Equal(
            (DateOrder.DayFirst, WindUnit.KilometresPerHour, RainUnit.Millimetres, true),
            (columns.Dates, columns.Wind, columns.Rain, columns.DecimalComma)
        );
        var hour = WeatherTable.Read(table, columns, 47.52, 16.31, Vienna).Hours[new DateTimeOffset(2026, 7, 16, 12, 0, 0, TimeSpan.Zero)];
        Assert.Equal(
            (24.5, 55.0, 5.0, 0.4),
            (hour.TemperatureC!.Value, hour.RelativeHumidityPercent!.Value, Math.Round(hour.WindMetresPerSecond!.Value, 6), hour.RainMm!.Value)
        );
    }

    [Theory]
    [InlineData("temp (F);wind mph;rain (in)", "68;10;1", 20, 4.4704, 25.4)]
    [InlineData("temp;wind knots;rain", "20;10;1", 20, 5.1444, 1)]
    [InlineData("temp;wind;rain", "20;10;1", 20, 10, 1)]
    public void Units_are_brought_to_our_own(string header, string line, double temperatureC, double wind, double rainMm)
    {
        var hour = Read("time;" + header, "2026-07-16 14:00;" + line).Hours.Values.Single();
        Assert.Equal(temperatureC, hour.TemperatureC!.Value, 0.001);
        Assert.Equal(wind, hour.WindMetresPerSecond!.Value, 0.001);
        Assert.Equal(rainMm, hour.RainMm!.Value, 0.001);
    }

    [Theory]
    [InlineData("07/16/2026 14:00", DateOrder.MonthFirst)]
    [InlineData("16/07/2026 14:00", DateOrder.DayFirst)]
    [InlineData("2026-07-16T14:00:00", DateOrder.YearFirst)]
    public void Dates_of_three_orders_are_read(string time, DateOrder order)
    {
        var table = Lines(time + ";20");
        var columns = WeatherTable.Guess(["time", "temp"], table);
        Assert.Equal(order, columns.Dates);
        Assert.Equal(new DateTimeOffset(2026, 7, 16, 12, 0, 0, TimeSpan.Zero), WeatherTable.Read(table, columns, 47.52, 16.31, Vienna).Hours.Keys.Single());
    }

    [Fact]
    public void A_time_that_names_its_offset_is_taken_by_that() =>
        Assert.Equal(new DateTimeOffset(2026, 7, 16, 14, 0, 0, TimeSpan.Zero), Read("time;temp", "2026-07-16T14:00:00Z;20").Hours.Keys.Single());

    [Fact]
    public void A_date_and_a_time_may_stand_apart() =>
        Assert.Equal(new DateTimeOffset(2026, 7, 16, 12, 0, 0, TimeSpan.Zero), Read("date;time;temp", "2026-07-16;14:00;20").Hours.Keys.Single());

    [Fact]
    public void The_hour_that_comes_twice_in_autumn_is_two_hours()
    {
        var reading = Read("time;temp", "2026-10-25 01:00;1", "2026-10-25 02:00;2", "2026-10-25 02:00;3", "2026-10-25 03:00;4");
        Assert.Empty(reading.Bad);
        Assert.Equal([1.0, 2, 3, 4], reading.Hours.OrderBy(h => h.Key).Select(h => h.Value.TemperatureC!.Value));
        Assert.Equal(new DateTimeOffset(2026, 10, 24, 23, 0, 0, TimeSpan.Zero), reading.Hours.Keys.Min());
        Assert.Equal(new DateTimeOffset(2026, 10, 25, 2, 0, 0, TimeSpan.Zero), reading.Hours.Keys.Max());
    }

    [Fact]
    public void The_hour_that_is_skipped_in_spring_is_a_bad_line_and_none_is_lost()
    {
        var reading = Read("time;temp", "2026-03-29 01:00;1", "2026-03-29 02:00;2", "2026-03-29 03:00;3");
        Assert.Equal("That time did not exist: the clocks skipped it.", Assert.Single(reading.Bad).Why);
        Assert.Equal(2, reading.Hours.Count);
        Assert.Equal(TimeSpan.FromHours(1), reading.Hours.Keys.Max() - reading.Hours.Keys.Min());
    }

    [Theory]
    [InlineData("2026-07-16 14:00;999;1", "temperature 999 C is outside -60 to 60")]
    [InlineData("2026-07-16 14:00;20;-1", "rain -1 mm is outside 0 to 300")]
    [InlineData("2026-07-16 14:00;warm;1", "'warm' is no number.")]
    [InlineData("yesterday;20;1", "The time can not be read.")]
    [InlineData("2026-07-16 13:00;20;1", "This time was there before.")]
    public void A_line_that_can_not_be_is_told_and_the_others_stay(string bad, string why)
    {
        var reading = Read("time;temp;rain", "2026-07-16 13:00;20;0", bad, "2026-07-16 16:00;21;0");
        Assert.Equal(new BadLine(2, why), Assert.Single(reading.Bad));
        Assert.Equal(2, reading.Hours.Count);
    }

    [Fact]
    public void Readings_of_one_hour_become_their_mean_their_sum_of_rain_and_their_strongest_gust()
    {
        var hour = Read("time;temp;gust;rain", "2026-07-16 14:00;20;5;0.2", "2026-07-16 14:30;22;9;0.3", "2026-07-16 14:45;-;-;-").Hours.Values.Single();
        Assert.Equal((21.0, 9.0, 0.5), (hour.TemperatureC!.Value, hour.GustMetresPerSecond!.Value, hour.RainMm!.Value));
        Assert.Null(hour.WindMetresPerSecond);
    }

    [Fact]
    public void Days_are_spread_to_hours_that_keep_minimum_maximum_and_rain()
    {
        var reading = Read("date;tmin;tmax;rain", "2026-07-15;14;28;0", "2026-07-16;15;30;6", "2026-07-17;16;27;0");
        Assert.True(reading.Daily);
        Assert.Equal(72, reading.Hours.Count);
        var start = new DateTimeOffset(2026, 7, 15, 22, 0, 0, TimeSpan.Zero);
        var day = Enumerable.Range(0, 24).Select(i => reading.Hours[start.AddHours(i)]).ToList();
        Assert.InRange(day.Min(h => h.TemperatureC!.Value), 14.5, 16.5);
        Assert.InRange(day.Max(h => h.TemperatureC!.Value), 29.5, 30);
        Assert.Equal(6, day.Sum(h => h.RainMm!.Value), 0.001);
        Assert.Equal(3, day.Count(h => h.RainMm > 0));
    }

    [Fact]
    public void Days_on_which_the_clocks_change_have_23_and_25_hours()
    {
        DayValues Day(int month, int day) => new(new DateOnly(2026, month, day), 2, 10, 1, null, null, null, null);
        Assert.Equal(23, DailySpread.Hours(Day(3, 29), null, 47.52, 16.31, Vienna).Hours.Count);
        Assert.Equal(25, DailySpread.Hours(Day(10, 25), null, 47.52, 16.31, Vienna).Hours.Count);
        Assert.Equal(24, DailySpread.Hours(Day(7, 16), null, 47.52, 16.31, Vienna).Hours.Count);
    }

    [Fact]
    public void A_polar_day_is_spread_too() =>
        Assert.All(DailySpread.Hours(new DayValues(new DateOnly(2026, 6, 21), 2, 10, 1, null, null, null, null), null, 78, 15, GardenZone.Utc).Hours, h =>
            Assert.InRange(h.TemperatureC!.Value, 1.9, 10.1)
        );

    [Fact]
    public void A_gauge_scales_the_rain_that_is_known_and_keeps_its_pattern()
    {
        var day = Hours(24, i => Mild with { RainMm =
                    i is 5 ? 3
                    : i is 6 ? 1
                    : 0 });
        var rain = HandEntry.Rain(day, 10);
        Assert.Equal((7.5, 2.5), (rain.Hours[5].RainMm!.Value, rain.Hours[6].RainMm!.Value));
        Assert.Equal(10, rain.Hours.Sum(h => h.RainMm!.Value), 1e-9);
        Assert.Equal(0, HandEntry.Rain(day, 0).Hours.Sum(h => h.RainMm!.Value));
        Assert.Null(rain.Hours[5].TemperatureC);
    }

    [Fact]
    public void A_gauge_without_any_known_rain_fills_the_most_humid_hours()
    {
        var rain = HandEntry.Rain(Hours(24, i => Mild with { RelativeHumidityPercent = i < 6 ? 90 : 50 }), 6);
        Assert.All(rain.Hours.Take(6), h => Assert.Equal(1, h.RainMm!.Value, 1e-9));
        Assert.All(rain.Hours.Skip(6), h => Assert.Equal(0, h.RainMm));
    }

    [Fact]
    public void A_thermometer_stretches_the_day_between_its_ends()
    {
        var day = Hours(24, i => Mild with { TemperatureC = 15 + i });
        var hours = HandEntry.Temperature(day, 10, 33)!.Hours;
        Assert.Equal((10.0, 33.0), (hours[0].TemperatureC!.Value, hours[23].TemperatureC!.Value));
        Assert.True(hours[0].RelativeHumidityPercent > 60 && hours[23].RelativeHumidityPercent > 60);
        Assert.Null(HandEntry.Temperature(Hours(24, _ => default), 10, 33));
    }
}
