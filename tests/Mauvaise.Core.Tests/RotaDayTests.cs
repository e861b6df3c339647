using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;

namespace Mauvaise.Core.Tests;

/// <summary>The sky above the plan's days, and the work below them.</summary>
public class RotaDayTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Kale = GardenSamples.Grown(Bed, "kale");

    [Fact]
    public void Days_tell_what_is_known_of_the_sky_and_how_long_the_work_takes()
    {
        var rain = GardenSamples.Now.AddDays(1);
        var garden = GardenSamples.Tried(
            GardenSamples.Garden([Bed], [Kale], at => WeatherSamples.Mild with { TemperatureC = 18 + at.Hour / 4.0, RainMm = at.Date == rain.Date ? 0.5 : 0 })
        ) with
        {
            Observations = [GardenSamples.Seen(Kale, 0.2, 20, 14, "cabbage-aphid")],
        };
        var rota = RotaPlanner.Plan(garden);
        var days = RotaDay.Of(garden, rota);
        Assert.Equal(RotaPlanner.FirmDays, days.Count);
        Assert.Equal(Enumerable.Range(0, days.Count).Select(rota.From.AddDays), days.Select(d => d.On));
        Assert.InRange(days[1].RainMm!.Value, 10, 12.5);
        Assert.InRange(days[1].WarmestC!.Value, 22, 24);
        Assert.True(days[2].GoodHours > 0);
        // Five days ahead are known, and no more.
        Assert.Null(days[^1].WarmestC);
        Assert.Null(days[^1].GoodHours);
        Assert.All(rota.Outings, o => Assert.True(days.Single(d => d.On == o.On).Minutes >= 10));
        Assert.NotEmpty(rota.Outings);
    }

    [Fact]
    public void A_garden_without_a_place_has_no_days() =>
        Assert.Empty(RotaDay.Of(GardenSamples.Garden([], []), RotaPlanner.Plan(GardenSamples.Garden([], []))));
}
