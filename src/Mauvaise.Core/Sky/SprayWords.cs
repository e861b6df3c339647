using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Sky;

/// <summary>What the rules say, in the gardener's words.</summary>
internal static class SprayWords
{
    public static string Of(RuleFigure f, PlaceSky sky, int i, Material material)
    {
        var name = material.Name.InSentence();
        return f.Rule switch
        {
            SprayRule.Heat => f.Verdict switch
            {
                Verdict.Never => Say.Of(
                    "sky.nothingOver",
                    ("warmest", Warmest(f, sky)),
                    ("temperature", Figure.Temperature(material.HeatNeverC)),
                    ("name", name)
                ),
                Verdict.Poor => Say.Of("sky.gentleDoseFrom", ("warmest", Warmest(f, sky)), ("temperature", Figure.Temperature(27))),
                _ => Say.Of("sky.atMostInTheNextSix", ("temperature", Figure.Temperature(f.Number))),
            },
            SprayRule.Sun => Sun(f, material),
            SprayRule.Wind => Wind(f, sky, i),
            SprayRule.Rain => f.Verdict == Verdict.Good
                ? Say.Of("sky.dryForTheHThatNeeds", ("hours", f.Hours), ("name", name))
                : Say.Of("sky.ofRainWithinHNeedsThem", ("rain", Figure.Rain(f.Number, 1)), ("hours", f.Hours), ("name", name)),
            SprayRule.Evaporation => f.Number < 2 ? Say.Of("sky.theAirIsNearlyFull", ("round", Round(f.Number, 1)))
            : f.Number <= 8 ? Say.Of("sky.dropsLastLongEnoughDeltaT", ("round", Round(f.Number, 1)))
            : Say.Of("sky.dropsDryOnTheWayDelta", ("round", Round(f.Number, 1))),
            SprayRule.Drying => f.Verdict switch
            {
                Verdict.Never => Say.Of("sky.leavesWouldStayWetThrough"),
                Verdict.Poor => f.Number > 18 ? Say.Of("sky.leavesStayWetUntilMorning") : Say.Of("sky.leavesTakeAboutHToDry", ("round", Round(f.Number))),
                _ => Say.Of("sky.leavesAreDryAgainInAbout", ("round", Round(Math.Max(1, f.Number)))),
            },
            SprayRule.LeafWet => f.Verdict switch
            {
                Verdict.Never => Say.Of("sky.leavesAreWetFromRain"),
                Verdict.Poor => Say.Of("sky.dewOnTheLeaves"),
                _ => Say.Of("sky.leavesAreDry"),
            },
            SprayRule.Cold => f.Verdict switch
            {
                Verdict.Never => f.Number < 4 ? Say.Of("sky.isTooCold", ("temperature", Figure.Temperature(f.Number))) : Say.Of("sky.frostWithinADayOilWould"),
                Verdict.Poor => Say.Of("sky.coldMixesSpreadBadly", ("temperature", Figure.Temperature(f.Number))),
                _ => $"{Figure.Temperature(f.Number)}.",
            },
            SprayRule.Bees => f.Verdict == Verdict.Never ? Say.Of("sky.beesAreFlyingAndTheCrop")
            : f.Verdict == Verdict.Poor ? Say.Of("sky.beesAreHome", ("clock", Clock(sky, i, sky.Open(i).From)), ("clock2", Clock(sky, i, sky.Open(i).To)))
            : f.Number == 0 ? Say.Of("sky.beesAreHome2")
            : sky.Place.CropInFlower && sky.FlowersClosed(i) ? Say.Of("sky.theFlowersHaveClosed")
            : Say.Of("sky.noOpenFlowersHere"),
            SprayRule.Pond => f.Verdict == Verdict.Never
                ? Say.Of("sky.thePondIsAwayKeepsFrom", ("figure", Figure.Length(f.Number)), ("name", name), ("figure2", Figure.Length(material.KeepFromPondM)))
                : Say.Of("sky.noPondIsNear"),
            SprayRule.Light => f.Verdict == Verdict.Never ? Say.Of("sky.dark") : Say.Of("sky.lightEnoughToSeeTheLeaves"),
            SprayRule.Wilt => f.Verdict == Verdict.Good ? Say.Of("sky.leavesShouldBeFirm") : Say.Of("sky.plantsMayBeWiltingWaterFirst"),
            SprayRule.Free => f.Verdict == Verdict.Good ? Say.Of("sky.somebodyIsFree") : Say.Of("sky.nobodyIsFreeThen"),
            SprayRule.Lamps => f.Verdict switch
            {
                Verdict.Never => Say.Of("sky.theLampsAreOn"),
                Verdict.Poor => Say.Of("sky.theLampsComeOnSoon", ("hours", LampHours.DryHours)),
                _ => Say.Of("sky.noLampsOn"),
            },
            _ => Say.Of("sky.theWeatherOfThisHour"),
        };
    }

    private static string Clock(PlaceSky sky, int i, int minute) => Figure.Time(sky.Shelter.LocalStart(i).AddMinutes(minute));

    private static string Warmest(RuleFigure f, PlaceSky sky) =>
        Say.Of("sky.temperatureTimeAt", ("temperature", Figure.Temperature(f.Number)), ("time", Figure.Time(sky.Shelter.LocalStart(f.Hours))));

    private static string Sun(RuleFigure f, Material material)
    {
        var told = Say.Of("sky.hOfSunOnTheLeaves", ("round", Round(f.Number, 1)));
        return (material.Sun, f.Verdict) switch
        {
            (SunNeed.Wants, Verdict.Poor) => Say.Of("sky.onlyWantsTwo", ("told", told), ("material", material.Name.InSentence())),
            (_, Verdict.Never) => Say.Of("sky.atMostTwoOrTheLeaves", ("told", told)),
            _ => $"{told}.",
        };
    }

    private static string Wind(RuleFigure f, PlaceSky sky, int i) =>
        sky.Place.Shelter != Shelter.Open
            ? Say.Of("sky.noWindUnderCover")
            : f.Verdict switch
            {
                Verdict.Never => Say.Of(
                    "sky.windGustsTheSprayWouldDrift",
                    ("wind", Figure.Wind(f.Number)),
                    ("wind2", Figure.Wind(sky.Hour(i).GustMetresPerSecond ?? f.Number))
                ),
                Verdict.Good => Say.Of("sky.wind", ("wind", Figure.Wind(f.Number))),
                _ => f.Number < 1
                    ? Say.Of("sky.stillAirMistHangsAndWanders", ("wind", Figure.Wind(f.Number)))
                    : Say.Of("sky.windKeepTheNozzleClose", ("wind", Figure.Wind(f.Number))),
            };

    private static string Round(double value, int digits = 0) =>
        Math.Round(value, digits, MidpointRounding.AwayFromZero).ToString(CultureInfo.InvariantCulture);
}
