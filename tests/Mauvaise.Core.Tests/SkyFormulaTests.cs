using CsCheck;
using Mauvaise.Core.Biology;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

public class SkyFormulaTests
{
    [Fact]
    public void Saturation_pressure_at_25_C() => Assert.Equal(0.61094 * Math.Exp(440.625 / 268.04), Air.SaturationVapourPressureKPa(25), 1e-12);

    [Theory]
    [InlineData(25, 60, 16.70)]
    [InlineData(12, 80, 8.66)]
    [InlineData(20, 100, 20)]
    public void Dew_point(double t, double rh, double expected) => Assert.Equal(expected, Air.DewPointC(t, rh), 0.005);

    [Theory]
    [InlineData(20, 50, 13.70)]
    [InlineData(25, 60, 19.50)]
    public void Wet_bulb(double t, double rh, double expected) => Assert.Equal(expected, Air.WetBulbC(t, rh), 0.005);

    [Fact]
    public void Delta_T_of_a_hot_dry_noon() => Assert.Equal(10.77, Air.DeltaTK(31, 35), 0.005);

    [Fact]
    public void Vapour_pressure_deficit() => Assert.Equal(1.265, Air.VapourPressureDeficitKPa(25, 60), 0.0005);

    [Theory]
    [InlineData(double.NaN, 50)]
    [InlineData(20, double.NaN)]
    [InlineData(61, 50)]
    [InlineData(20, 101)]
    [InlineData(20, 0)]
    public void Air_outside_its_range_is_an_error_with_the_range(double t, double rh) =>
        Assert.Contains("must be", Assert.Throws<ArgumentOutOfRangeException>(() => Air.DewPointC(t, rh)).Message, StringComparison.Ordinal);

    [Fact]
    public void Dew_point_is_the_inverse_of_saturation() =>
        Gen.Select(Gen.Double[-10, 50], Gen.Double[3, 100])
            .Sample((t, rh) => Math.Abs(Air.SaturationVapourPressureKPa(Air.DewPointC(t, rh)) / Air.SaturationVapourPressureKPa(t) * 100 - rh) < 1e-6);

    [Fact]
    public void Sun_over_the_demo_garden_on_a_July_evening()
    {
        var sun = Sun.Position(47.52, 16.31, new(2026, 7, 16, 17, 30, 0, TimeSpan.Zero));
        Assert.Equal(10.83, sun.ElevationDegrees, 0.01);
        Assert.Equal(289.76, sun.AzimuthDegrees, 0.01);
    }

    [Fact]
    public void Sunrise_and_sunset_of_that_day()
    {
        var day = Sun.Day(47.52, 16.31, new(2026, 7, 16));
        Assert.Equal(new DateTimeOffset(2026, 7, 16, 3, 13, 46, TimeSpan.Zero), day.Sunrise!.Value, TimeSpan.FromSeconds(15));
        Assert.Equal(new DateTimeOffset(2026, 7, 16, 18, 47, 21, TimeSpan.Zero), day.Sunset!.Value, TimeSpan.FromSeconds(15));
    }

    [Theory]
    [InlineData(78, 6, true)]
    [InlineData(78, 12, false)]
    [InlineData(-78, 12, true)]
    public void Polar_day_and_night_have_no_rise(double latitude, int month, bool alwaysUp)
    {
        var day = Sun.Day(latitude, 15, new(2026, month, 21));
        Assert.Null(day.Sunrise);
        Assert.Null(day.Sunset);
        Assert.Equal(alwaysUp, day.AlwaysUp);
    }

    [Fact]
    public void The_sun_stands_at_its_rise_height_when_it_rises_and_sets() =>
        Gen.Select(Gen.Double[-60, 60], Gen.Double[-180, 180], Gen.Int[0, 25000])
            .Sample(
                (lat, lon, d) =>
                {
                    var day = Sun.Day(lat, lon, new DateOnly(1990, 1, 1).AddDays(d));
                    return day.Sunrise < day.Sunset
                        && Math.Abs(Sun.Position(lat, lon, day.Sunrise!.Value).ElevationDegrees - Sun.RiseElevationDegrees) < 0.01
                        && Math.Abs(Sun.Position(lat, lon, day.Sunset!.Value).ElevationDegrees - Sun.RiseElevationDegrees) < 0.01;
                },
                iter: 500
            );

    [Theory]
    [InlineData(10, 30, 12, 8.271)]
    [InlineData(15, 27, 12, 9.000)]
    [InlineData(3, 9, 10, 0)]
    public void Degree_days_of_a_day(double min, double max, double lower, double expected) =>
        Assert.Equal(expected, DegreeDays.OfDay(min, max, lower), 0.0005);

    [Fact]
    public void Heat_over_the_upper_threshold_does_not_count() =>
        Assert.Equal(DegreeDays.OfDay(20, 34, 10) - DegreeDays.OfDay(20, 34, 30), DegreeDays.OfDay(20, 34, 10, 30), 1e-9);

    [Theory]
    [InlineData(24, 1, 2.00)]
    [InlineData(18, 0.5826, 3.43)]
    [InlineData(12, 0.0936, 21.37)]
    public void Infection_of_a_leaf_spot(double t, double response, double hours)
    {
        Assert.Equal(response, Infection.Response(t, 7, 24, 30), 0.0005);
        Assert.Equal(hours, Infection.HoursNeeded(t, 7, 24, 30, 2)!.Value, 0.005);
    }

    [Theory]
    [InlineData(7)]
    [InlineData(30)]
    [InlineData(35)]
    public void No_infection_outside_the_range(double t) => Assert.Null(Infection.HoursNeeded(t, 7, 24, 30, 2));

    [Theory]
    [InlineData(10, 22, 2)]
    [InlineData(6, 15, 0)]
    [InlineData(7, 15, 1)]
    [InlineData(21, 17.9, 3)]
    [InlineData(3, 18, 0)]
    [InlineData(4, 20.9, 1)]
    [InlineData(23, 20, 4)]
    [InlineData(2.9, 21, 0)]
    [InlineData(21, 25.9, 4)]
    [InlineData(22, 29, 3)]
    [InlineData(40, 29.1, 0)]
    [InlineData(40, 12.9, 0)]
    public void Severity_value_of_a_wet_period(double hours, double t, int expected) => Assert.Equal(expected, SeverityValues.OfWetPeriod(hours, t));

    [Fact]
    public void Mildew_index_starts_after_three_good_days_and_falls_in_heat()
    {
        IReadOnlyList<double?> good = [.. Enumerable.Repeat<double?>(25, 24)];
        IReadOnlyList<double?> cool = [.. Enumerable.Repeat<double?>(15, 24)];
        IReadOnlyList<double?> hot = [.. Enumerable.Repeat<double?>(36, 24)];
        Assert.Equal([0, 0, 60, 80, 100, 100, 90, 70], MildewIndex.After([good, good, good, good, good, good, cool, hot]));
        Assert.Equal([0, 0, 0, 0], MildewIndex.After([good, good, cool, good]));
    }

    [Fact]
    public void Late_blight_wants_two_warm_humid_days()
    {
        var humid = Enumerable.Range(0, 24).Select(h => new WeatherHour(12, h < 6 ? 92 : 70, 1, 1, 0, 0)).ToList();
        var dry = humid.Select(h => h with { RelativeHumidityPercent = 70 }).ToList();
        Assert.True(LateBlightWarning.Holds(humid, humid));
        Assert.False(LateBlightWarning.Holds(humid, dry));
        Assert.False(LateBlightWarning.Holds(humid, []));
    }

    [Theory]
    [InlineData(20, 90, 0, true)]
    [InlineData(20, 85, 0, false)]
    [InlineData(20, 89, 0, true)]
    [InlineData(20, 50, 0.2, true)]
    public void Leaf_wetness_from_air_and_rain(double t, double rh, double rain, bool wet) =>
        Assert.Equal(wet, LeafWetness.IsWet(new WeatherHour(t, rh, 1, 1, rain, 0)));

    [Fact]
    public void Leaf_wetness_is_unknown_without_air_and_rain() => Assert.Null(LeafWetness.IsWet(default));
}
