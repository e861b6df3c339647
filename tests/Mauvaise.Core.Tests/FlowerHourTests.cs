using Mauvaise.Core.Decisions;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Ways;
using static Mauvaise.Core.Tests.WeatherSamples;

namespace Mauvaise.Core.Tests;

/// <summary>Open flowers are sprayed only while bees are home and there is light, found within the hour; where no hour is left, what remains is said.</summary>
public class FlowerHourTests
{
    private static readonly PlaceExposure Flowering = Exposure(inFlower: true);

    /// <summary>By the almanac the sun sets at 18:47 UTC on that day and place, and civil twilight ends at about 19:23.</summary>
    [Fact]
    public void The_dusk_is_found_within_the_hour()
    {
        var hours = SprayHours.Judge(SkyOver(Hours(72, _ => Mild), Flowering), Start.AddHours(12), Start.AddHours(24), Material("insecticidal-soap"));
        var window = SprayHours.Windows(hours, Material("insecticidal-soap")).Single();
        Assert.InRange(window.Start, Start.AddHours(18).AddMinutes(40), Start.AddHours(18).AddMinutes(55));
        Assert.InRange(window.End, Start.AddHours(19).AddMinutes(15), Start.AddHours(19).AddMinutes(30));
        Assert.Contains(hours.SelectMany(h => h.Rules), r =>
            r.Rule == SprayRule.Bees && r.Sentence.StartsWith("Bees are home and it is light from", StringComparison.Ordinal)
        );
    }

    [Theory]
    [InlineData(47.52, 16.31)]
    [InlineData(0.5, 32.6)]
    [InlineData(-36.85, 174.76)]
    [InlineData(59.9, 10.7)]
    public void It_has_dusk_and_dawn_everywhere_but_in_white_nights(double latitude, double longitude)
    {
        var day = new DateTimeOffset(2026, 3, 20, 0, 0, 0, TimeSpan.Zero);
        var minutes = Enumerable
            .Range(0, 24)
            .Select(h => (At: day.AddHours(h), Part: Sun.BeeFreeLight(latitude, longitude, day.AddHours(h))))
            .Where(x => !x.Part.IsNone)
            .ToList();
        Assert.InRange(minutes.Sum(x => x.Part.To - x.Part.From), 30, 130);
        var heights = minutes.Select(x => Sun.Position(latitude, longitude, x.At.AddMinutes((x.Part.From + x.Part.To) / 2.0)).ElevationDegrees);
        Assert.All(heights, height => Assert.InRange(height, Sun.DarkDegrees, 0));
    }

    [Fact]
    public void In_unknown_weather_a_flowering_crop_gets_no_slot_in_which_the_sun_may_be_up()
    {
        var bed = GardenSamples.Bed("Bed");
        var garden = GardenSamples.Garden([bed], [GardenSamples.Grown(bed, "runner-bean", inFlower: true)], _ => default);
        var slots = new HalfDayHours(garden, 7).Of(bed, Material("insecticidal-soap")).OfType<SlotHours>().ToList();
        Assert.NotEmpty(slots);
        Assert.All(slots, s =>
        {
            Assert.False(s.Known);
            Assert.InRange(s.To - s.From, TimeSpan.FromMinutes(5), TimeSpan.FromMinutes(60));
            Assert.True(Sun.Position(garden.Garden.Latitude, garden.Garden.Longitude, s.From).ElevationDegrees <= 0);
            Assert.True(Sun.Position(garden.Garden.Latitude, garden.Garden.Longitude, s.To.AddSeconds(-1)).ElevationDegrees <= 0);
        });
        var plain = garden with { Plantings = [garden.Plantings[0] with { InFlower = false }] };
        Assert.Contains(new HalfDayHours(plain, 7).Of(bed, Material("insecticidal-soap")).OfType<SlotHours>(), s => s.To - s.From > TimeSpan.FromHours(2));
    }

    private static WaySet InHeat(Func<DateTimeOffset, WeatherHour> weather, bool inFlower)
    {
        var bed = GardenSamples.Bed("Bed");
        var planting = GardenSamples.Grown(bed, "runner-bean", inFlower: inFlower);
        var seen = GardenSamples.Seen(planting, 0.1, 20, 14, "black-bean-aphid");
        var garden = GardenSamples.Tried(GardenSamples.Garden([bed], [planting], weather)) with { Observations = [seen] };
        return WayBook.Of(garden).For(planting, garden.Observations[0]);
    }

    [Fact]
    public void In_a_heat_wave_the_first_line_says_so_and_hands_are_offered()
    {
        var set = InHeat(_ => Mild with { TemperatureC = 39 }, inFlower: true);
        Assert.StartsWith("No hour of the coming days suits", set.Sentence.Words, StringComparison.Ordinal);
        Assert.Null(set.Proposed!.Option);
        Assert.Contains(set.WithoutHour, x => x is { Code: "lamp", Open: false });
        Assert.Contains(set.WithoutHour, x => x is { Code: "hands", Open: true });
    }

    [Fact]
    public void Where_nights_are_cool_a_lamp_does_and_where_it_is_little_too_hot_shade()
    {
        // Wind until after dark, so that dusk is no hour.
        var nights = InHeat(at => Mild with { WindMetresPerSecond = at.Hour is >= 20 or < 2 ? 2 : 7 }, inFlower: true);
        Assert.Contains(nights.WithoutHour, x => x is { Code: "lamp", Open: true } && x.Words.Contains("lamp", StringComparison.Ordinal));
        var shade = InHeat(_ => Mild with { TemperatureC = Material("insecticidal-soap").HeatNeverC + 1, CloudPercent = 100 }, inFlower: false);
        Assert.Contains(shade.WithoutHour, x => x.Code == "shade");
        Assert.Empty(InHeat(_ => Mild, inFlower: false).WithoutHour);
    }
}
