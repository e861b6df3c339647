using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Tests;

/// <summary>How long a planting still stands: what is over by its date alone is not over.</summary>
public class CropLifeTests
{
    private static int? DaysToEnd(
        string crop,
        DateOnly from,
        PlaceKind kind = PlaceKind.OpenBed,
        string climate = "oceanic",
        double latitude = 51,
        DateTimeOffset? now = null
    )
    {
        var bed = GardenSamples.Bed("Bed", kind: kind);
        var planting = GardenSamples.Grown(bed, crop) with { From = from };
        var home = GardenSamples.Home with { Climate = climate, Latitude = latitude };
        var garden = GardenSamples.Garden([bed], [planting]) with { Garden = home, Now = now ?? GardenSamples.Now };
        return CropLife.DaysToEnd(garden, planting);
    }

    private static DateTimeOffset Noon(int year, int month, int day) => new(year, month, day, 12, 0, 0, TimeSpan.Zero);

    [Fact]
    public void In_warm_months_a_day_is_a_day() => Assert.Equal(120 - 57, DaysToEnd("courgette", new(2026, 5, 20)));

    [Fact]
    public void What_was_sown_before_winter_is_not_over_in_spring()
    {
        // Broad beans of November: 169 days later they are in flower, and their 120 days are those that they grew in.
        Assert.True(DaysToEnd("broad-bean", new(2025, 11, 1), now: Noon(2026, 4, 20)) > 30);
        Assert.True(DaysToEnd("garlic", new(2025, 10, 10), climate: "continental", latitude: 48, now: Noon(2026, 6, 1)) > 30);
        Assert.True(DaysToEnd("spinach", new(2026, 2, 1), climate: "continental", latitude: 48, now: Noon(2026, 3, 28)) > 21);
    }

    [Fact]
    public void A_tunnel_and_a_rack_grow_on_in_winter()
    {
        var (sown, now) = (new DateOnly(2026, 1, 10), Noon(2026, 2, 25));
        var open = DaysToEnd("lettuce", sown, now: now);
        var tunnel = DaysToEnd("lettuce", sown, PlaceKind.Tunnel, now: now);
        Assert.True(open > tunnel);
        Assert.Equal(60 - 46, DaysToEnd("lettuce", sown, PlaceKind.IndoorRack, now: now));
    }

    [Fact]
    public void South_of_the_equator_July_is_winter() =>
        Assert.True(
            DaysToEnd("broad-bean", new(2026, 6, 1), latitude: -34, now: Noon(2026, 9, 20))
                > DaysToEnd("broad-bean", new(2026, 6, 1), now: Noon(2026, 9, 20)).GetValueOrDefault()
        );

    [Theory]
    [InlineData("mint")]
    [InlineData("sage")]
    [InlineData("strawberry")]
    [InlineData("houseplant")]
    [InlineData("another-crop")]
    public void What_lasts_has_no_end(string crop) => Assert.Null(DaysToEnd(crop, new(2021, 4, 1)));

    [Fact]
    public void What_stands_on_after_its_usual_end_has_none_that_is_known()
    {
        Assert.Equal(0, DaysToEnd("courgette", GardenSamples.Home.DateOf(GardenSamples.Now).AddDays(-120), climate: "humid-subtropical", latitude: 33));
        Assert.Null(DaysToEnd("courgette", GardenSamples.Home.DateOf(GardenSamples.Now).AddDays(-121), climate: "humid-subtropical", latitude: 33));
    }
}
