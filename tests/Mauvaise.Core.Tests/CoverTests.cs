using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Sky;
using static Mauvaise.Core.Tests.WeatherSamples;

namespace Mauvaise.Core.Tests;

public class CoverTests
{
    private static double[] Cover(string material, HourSeries hours, Shelter shelter = Shelter.Open, GrowthStage stage = GrowthStage.Ending) =>
        CoverCurve.Of(Material(material), Start, 0.9, SkyOver(hours, Exposure(shelter)), OpenBed, stage);

    [Fact]
    public void Half_is_left_after_the_half_life_in_dry_weather()
    {
        var cover = Cover("bicarbonate", Hours(200, _ => Mild));
        Assert.Equal(0.9, cover[0], 1e-9);
        Assert.Equal(0.45, cover[7 * 24], 1e-9);
    }

    [Fact]
    public void Rain_of_the_wash_off_takes_half_away_and_none_under_cover()
    {
        HourSeries storm = Hours(48, i => i == 10 ? Mild with { RainMm = 6 } : Mild);
        var dry = Cover("bicarbonate", Hours(48, _ => Mild));
        Assert.Equal(dry[20] / 2, Cover("bicarbonate", storm)[20], 1e-9);
        Assert.Equal(dry[20], Cover("bicarbonate", storm, Shelter.Tunnel)[20], 1e-9);
    }

    [Fact]
    public void Sun_shortens_neem_and_new_leaves_thin_it()
    {
        var cloudy = Cover("neem-oil", Hours(100, _ => Mild with { CloudPercent = 100 }));
        Assert.True(Cover("neem-oil", Hours(100, _ => Mild))[99] < cloudy[99]);
        Assert.True(Cover("neem-oil", Hours(100, _ => Mild with { CloudPercent = 100 }), stage: GrowthStage.Young)[99] < cloudy[99]);
    }

    [Fact]
    public void Soap_leaves_no_cover() => Assert.All(Cover("castile-soap", Hours(48, _ => Mild)), c => Assert.Equal(0, c));

    [Fact]
    public void Cover_never_rises_and_more_rain_never_gives_more() =>
        Gen.Select(Gen.Double[0, 10].Array[72], Gen.Int[0, 71], Gen.Double[0.1, 20])
            .Sample(
                (rain, at, more) =>
                {
                    var cover = Cover("neem-oil", Hours(72, i => Mild with { RainMm = rain[i] }));
                    var wetter = Cover("neem-oil", Hours(72, i => Mild with { RainMm = rain[i] + (i == at ? more : 0) }));
                    return cover.Zip(cover.Skip(1)).All(p => p.Second <= p.First) && cover.Zip(wetter).All(p => p.Second <= p.First);
                },
                iter: 100
            );

    [Fact]
    public void Layers_protect_independently() => Assert.Equal(1 - (1 - 0.5 * 0.8) * (1 - 1 * 0.5), CoverCurve.Protection([(0.5, 0.8), (1, 0.5)]), 1e-12);

    [Fact]
    public void Cover_lapses_in_the_first_hour_under_the_floor()
    {
        var sky = SkyOver(Hours(4, _ => Mild), Exposure());
        Assert.Equal(Start.AddHours(2), CoverCurve.LapsesOn([0.9, 0.7, 0.5, 0.1], sky, Start, 0.6));
        Assert.Null(CoverCurve.LapsesOn([0.9, 0.9, 0.9, 0.9], sky, Start, 0.6));
    }
}
