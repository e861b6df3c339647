using CsCheck;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;
using static Mauvaise.Core.Tests.WeatherSamples;

namespace Mauvaise.Core.Tests;

public class SprayHoursTests
{
    /// <summary>17:00 UTC is 19:00 in Vienna: sun at 15 degrees and sinking.</summary>
    private const int Dusk = 17;

    private static RuleVerdict Rule(
        SprayRule rule,
        Func<int, WeatherHour> weather,
        string material = "neem-oil",
        PlaceExposure? place = null,
        int hour = Dusk
    ) =>
        SprayHours
            .Judge(SkyOver(Hours(72, weather), place ?? Exposure()), Start.AddHours(hour), Start.AddHours(hour + 1), Material(material))
            .Single()
            .Rules.Single(r => r.Rule == rule);

    [Fact]
    public void A_mild_dry_dusk_is_good()
    {
        var hour = SprayHours.Judge(SkyOver(Hours(72, _ => Mild), Exposure()), Start.AddHours(18), Start.AddHours(19), Material("neem-oil")).Single();
        Assert.Equal(Verdict.Good, hour.Verdict);
    }

    [Theory]
    [InlineData(26.9, Verdict.Good)]
    [InlineData(27, Verdict.Poor)]
    [InlineData(30, Verdict.Poor)]
    [InlineData(30.1, Verdict.Never)]
    public void Heat_in_the_next_six_hours_for_an_oil(double warmest, Verdict verdict) =>
        Assert.Equal(verdict, Rule(SprayRule.Heat, i => i == Dusk + 6 ? Mild with { TemperatureC = warmest } : Mild).Verdict);

    [Fact]
    public void Heat_after_seven_hours_does_not_count() =>
        Assert.Equal(Verdict.Good, Rule(SprayRule.Heat, i => i == Dusk + 7 ? Mild with { TemperatureC = 40 } : Mild).Verdict);

    [Fact]
    public void Noon_sun_forbids_oil_and_suits_milk()
    {
        Assert.Equal(Verdict.Never, Rule(SprayRule.Sun, _ => Mild, hour: 10).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Sun, _ => Mild, "milk", hour: 10).Verdict);
        Assert.Equal(Verdict.Poor, Rule(SprayRule.Sun, _ => Mild, "milk", hour: 19).Verdict);
    }

    [Fact]
    public void Cloud_or_shade_takes_the_sun_off()
    {
        Assert.Equal(Verdict.Good, Rule(SprayRule.Sun, _ => Mild with { CloudPercent = 80 }, hour: 10).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Sun, _ => Mild, place: Exposure() with { SunTo = new(12, 0) }, hour: 11).Verdict);
    }

    [Theory]
    [InlineData(0.9, 1, Verdict.Poor)]
    [InlineData(1, 2, Verdict.Good)]
    [InlineData(4, 6, Verdict.Good)]
    [InlineData(4.1, 6, Verdict.Poor)]
    [InlineData(5, 8, Verdict.Poor)]
    [InlineData(5.1, 6, Verdict.Never)]
    [InlineData(3, 8.1, Verdict.Never)]
    public void Wind(double mean, double gust, Verdict verdict) =>
        Assert.Equal(verdict, Rule(SprayRule.Wind, _ => Mild with { WindMetresPerSecond = mean, GustMetresPerSecond = gust }).Verdict);

    [Theory]
    [InlineData(7, 2.0, Verdict.Never)]
    [InlineData(7, 1.0, Verdict.Poor)]
    [InlineData(8, 9.0, Verdict.Good)]
    public void Rain_within_the_eight_hours_of_neem(int after, double mm, Verdict verdict) =>
        Assert.Equal(verdict, Rule(SprayRule.Rain, i => i == Dusk + after ? Mild with { RainMm = mm } : Mild).Verdict);

    [Fact]
    public void Bees_fly_over_open_flowers_until_the_sun_is_down()
    {
        Assert.Equal(Verdict.Never, Rule(SprayRule.Bees, _ => Mild, place: Exposure(inFlower: true)).Verdict);
        Assert.Equal(Verdict.Poor, Rule(SprayRule.Bees, _ => Mild, place: Exposure(inFlower: true), hour: 19).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Bees, _ => Mild, place: Exposure(inFlower: true), hour: 21).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Bees, _ => Mild with { TemperatureC = 11 }, place: Exposure(inFlower: true)).Verdict);
    }

    [Fact]
    public void Dark_hours_are_never_outdoors_and_fine_indoors()
    {
        Assert.Equal(Verdict.Never, Rule(SprayRule.Light, _ => Mild, hour: 23).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Light, _ => Mild, place: Exposure(Shelter.Indoor), hour: 23).Verdict);
    }

    [Theory]
    [InlineData(3.9, 10, Verdict.Never)]
    [InlineData(8, 10, Verdict.Poor)]
    [InlineData(9, 10, Verdict.Good)]
    [InlineData(9, -0.5, Verdict.Never)]
    public void Cold_now_and_frost_for_oils(double now, double tonight, Verdict verdict) =>
        Assert.Equal(verdict, Rule(SprayRule.Cold, i => Mild with { TemperatureC = i == Dusk + 10 ? tonight : now }, "horticultural-oil").Verdict);

    [Fact]
    public void Leaves_wet_from_rain_are_never_and_from_dew_poor()
    {
        Assert.Equal(
            Verdict.Never,
            Rule(SprayRule.LeafWet, i =>
                i == Dusk - 1 ? Mild with { RainMm = 3, RelativeHumidityPercent = 95 } : Mild with { RelativeHumidityPercent = 85 }
            ).Verdict
        );
        Assert.Equal(Verdict.Poor, Rule(SprayRule.LeafWet, _ => Mild with { RelativeHumidityPercent = 95 }).Verdict);
    }

    [Fact]
    public void A_tunnel_keeps_rain_and_wind_out_and_is_warmer()
    {
        var storm = Mild with { RainMm = 8, WindMetresPerSecond = 12, GustMetresPerSecond = 20 };
        Assert.Equal(Verdict.Good, Rule(SprayRule.Rain, _ => storm, place: Exposure(Shelter.Tunnel)).Verdict);
        Assert.Equal(Verdict.Good, Rule(SprayRule.Wind, _ => storm, place: Exposure(Shelter.Tunnel)).Verdict);
        Assert.True(Rule(SprayRule.Heat, _ => Mild, place: Exposure(Shelter.Tunnel), hour: 8).Number > 22);
    }

    [Fact]
    public void An_hour_of_unknown_weather_is_never_and_says_so()
    {
        var hour = SprayHours.Judge(SkyOver(Hours(24, _ => default), Exposure()), Start, Start.AddHours(1), Material("neem-oil")).Single();
        Assert.Equal(SprayRule.Unknown, Assert.Single(hour.Rules).Rule);
    }

    [Theory]
    [InlineData("neem-oil", false)]
    [InlineData("bicarbonate", true)]
    public void Of_two_equal_hours_oil_has_the_evening_and_what_must_dry_the_morning(string material, bool morning)
    {
        RuleVerdict[] good = [new(SprayRule.Heat, Verdict.Good, 20, "Mild.")];
        HourVerdict[] hours = [new(Start.AddHours(5), Verdict.Good, good, true), new(Start.AddHours(18), Verdict.Good, good, false)];
        Assert.Equal(morning ? Start.AddHours(5) : Start.AddHours(18), SprayHours.Windows(hours, Material(material)).MaxBy(w => w.Score)!.Start);
    }

    [Fact]
    public void A_window_never_holds_a_never_hour_and_moves_with_the_zone_only_in_words()
    {
        var weather = Gen.Select(Gen.Double[0, 38], Gen.Double[20, 100], Gen.Double[0, 9], Gen.Double[0, 3])
            .Select(x => new WeatherHour(x.Item1, x.Item2, x.Item3, x.Item3 * 1.5, x.Item4 < 2.5 ? 0 : x.Item4, 30))
            .Array[96];
        weather.Sample(
            hours =>
            {
                var series = new HourSeries(Start, hours);
                var judged = SprayHours.Judge(SkyOver(series, Exposure()), Start, series.End, Material("neem-oil"));
                var windows = SprayHours.Windows(judged, Material("neem-oil"));
                var elsewhere = SprayHours.Windows(
                    SprayHours.Judge(SkyOver(series, Exposure(), GardenZone.Of("Africa/Johannesburg")), Start, series.End, Material("neem-oil")),
                    Material("neem-oil")
                );
                return windows.All(w => judged.Where(h => h.Hour >= w.Start && h.Hour < w.End).All(h => h.Verdict != Verdict.Never))
                    && judged.Count(h => h.Verdict != Verdict.Never) == windows.Sum(w => (int)(w.End - w.Start).TotalHours)
                    && windows.Select(w => (w.Start, w.End)).SequenceEqual(elsewhere.Select(w => (w.Start, w.End)));
            },
            iter: 60
        );
    }
}
