using Mauvaise.Core.Biology;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

public class PressureTests
{
    private static readonly Gardens.Place Bed = GardenSamples.Bed("Bed");

    private static PressureReading Read(string target, Func<DateTimeOffset, WeatherHour> weather)
    {
        var garden = GardenSamples.Garden([Bed], [], weather);
        return Assert.IsType<PressureReading>(Pressure.Latest(GardenSamples.Target(target), Days(garden, 0, 0)));
    }

    private static SkyDays Days(Gardens.GardenSnapshot garden, int from, int to) =>
        SkyDays.Of(garden.SkyOf(Bed).Shelter, garden.Garden, garden.Today.AddDays(from), garden.Today.AddDays(to));

    private static WeatherHour Air(double temperatureC, double humidity, double rainMm = 0) => new(temperatureC, humidity, 2, 3, rainMm, 20);

    private static bool Night(DateTimeOffset at) => at.Hour is >= 20 or < 5;

    [Theory]
    [InlineData(30, 1)]
    [InlineData(17.25, 0.5)]
    [InlineData(4, 0)]
    [InlineData(31, 1)]
    public void An_insect_goes_by_its_degree_days_and_30_degrees_are_full_speed(double temperatureC, double pressure) =>
        Assert.Equal(pressure, Read("peach-aphid", _ => Air(temperatureC, 60)).Value, 0.001);

    [Fact]
    public void An_insect_says_its_degree_days() => Assert.Equal("16 degree-days a day last week", Read("peach-aphid", _ => Air(20, 60)).Said.Words.Told());

    [Fact]
    public void Mites_like_dry_air()
    {
        var dry = Read("spider-mite", _ => Air(30, 45));
        var humid = Read("spider-mite", _ => Air(30, 85));
        Assert.Equal(1, dry.Value, 0.01);
        Assert.Equal(0.2, humid.Value, 0.01);
        Assert.Contains("air at 85 %", humid.Said.Words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_wet_leaf_disease_counts_wet_warm_nights_and_three_are_full()
    {
        var dry = Read("septoria", _ => Air(20, 60));
        Assert.Equal(0, dry.Value);
        Assert.Equal("no night wet and warm enough in ten days", dry.Said.Words);
        var twice = Read("septoria", at => Air(22, Night(at) && at.AddHours(6).Day is 14 or 15 ? 95 : 60));
        Assert.Equal("2 nights wet and warm enough in ten days", twice.Said.Words);
        Assert.Equal(2 / 3.0, twice.Value, 0.001);
        Assert.Equal(1, Read("septoria", at => Air(22, Night(at) ? 95 : 60)).Value);
    }

    [Fact]
    public void Cold_wet_nights_do_not_count() => Assert.Equal(0, Read("septoria", at => Air(8, Night(at) ? 95 : 60)).Value);

    [Fact]
    public void Powdery_mildew_follows_its_index_and_falls_with_dry_nights_and_rain()
    {
        var humid = Read("powdery-mildew", at => Air(25, Night(at) ? 85 : 60));
        Assert.Equal(1, humid.Value);
        Assert.Equal("mildew index 100 of 100, humid nights", humid.Said.Words);
        Assert.Equal(0.6, Read("powdery-mildew", _ => Air(25, 50)).Value, 0.001);
        Assert.Contains("rain washed", Read("powdery-mildew", at => Air(25, 85, at.Day == 16 ? 1 : 0)).Said.Words, StringComparison.Ordinal);
        Assert.Equal(0, Read("powdery-mildew", _ => Air(15, 85)).Value);
    }

    [Fact]
    public void Late_blight_is_warned_of_after_two_warm_humid_days_and_fades()
    {
        Func<DateTimeOffset, WeatherHour> until(int day) => at => Air(15, at.AddHours(2).Day <= day && at.AddHours(2).Hour < 8 ? 95 : 60);
        Assert.Equal(1, Read("late-blight", until(16)).Value);
        var faded = Read("late-blight", until(13));
        Assert.Equal(0.7, faded.Value, 0.001);
        Assert.Contains("3 days ago", faded.Said.Words, StringComparison.Ordinal);
        Assert.Equal(0, Read("late-blight", _ => Air(15, 60)).Value);
    }

    [Fact]
    public void Without_weather_or_biology_there_is_no_pressure()
    {
        var garden = GardenSamples.Garden([Bed], [], _ => default);
        Assert.Null(Pressure.Latest(GardenSamples.Target("peach-aphid"), Days(garden, 0, 0)));
        Assert.Null(Pressure.Latest(GardenSamples.Target("sun-scald"), Days(garden, 0, 0)));
    }

    [Fact]
    public void A_run_of_days_has_one_reading_each_and_ends_with_the_weather()
    {
        var garden = GardenSamples.Garden([Bed], []);
        var days = Pressure.Daily(GardenSamples.Target("whitefly"), Days(garden, -3, 10));
        Assert.Equal(garden.Today.AddDays(-3), days[0].Day);
        Assert.Equal(garden.Today.AddDays(5), days[^1].Day);
        Assert.Equal(days.Count, days.Select(d => d.Day).Distinct().Count());
        Assert.All(days, d => Assert.InRange(d.Value, 0, 1));
    }
}
