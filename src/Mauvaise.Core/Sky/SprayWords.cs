using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

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
                Verdict.Never => $"{Warmest(f, sky)}; nothing over {Figure.Temperature(material.HeatNeverC)} for {name}.",
                Verdict.Poor => $"{Warmest(f, sky)}; gentle dose from {Figure.Temperature(27)}.",
                _ => $"At most {Figure.Temperature(f.Number)} in the next six hours.",
            },
            SprayRule.Sun => Sun(f, material),
            SprayRule.Wind => Wind(f, sky, i),
            SprayRule.Rain => f.Verdict == Verdict.Good
                ? $"Dry for the {f.Hours} h that {name} needs."
                : $"{Figure.Rain(f.Number, 1)} of rain within {f.Hours} h; {name} needs them dry.",
            SprayRule.Evaporation => f.Number < 2
                ? $"The air is nearly full of water (Delta T {Round(f.Number, 1)} K)."
                : f.Number <= 8
                    ? $"Drops last long enough (Delta T {Round(f.Number, 1)} K)."
                    : $"Drops dry on the way (Delta T {Round(f.Number, 1)} K).",
            SprayRule.Drying => f.Verdict switch
            {
                Verdict.Never => "Leaves would stay wet through a night of infection weather.",
                Verdict.Poor => f.Number > 18 ? "Leaves stay wet until morning." : $"Leaves take about {Round(f.Number)} h to dry.",
                _ => $"Leaves are dry again in about {Round(Math.Max(1, f.Number))} h.",
            },
            SprayRule.LeafWet => f.Verdict switch
            {
                Verdict.Never => "Leaves are wet from rain; the spray would run off.",
                Verdict.Poor => "Dew on the leaves.",
                _ => "Leaves are dry.",
            },
            SprayRule.Cold => f.Verdict switch
            {
                Verdict.Never => f.Number < 4 ? $"{Figure.Temperature(f.Number)} is too cold." : "Frost within a day; oil would harm.",
                Verdict.Poor => $"{Figure.Temperature(f.Number)}: cold mixes spread badly.",
                _ => $"{Figure.Temperature(f.Number)}.",
            },
            SprayRule.Bees => f.Verdict == Verdict.Never ? "Bees are flying and the crop is in flower."
                : f.Verdict == Verdict.Poor ? $"Bees are home and it is light from {Clock(sky, i, sky.Open(i).From)} to {Clock(sky, i, sky.Open(i).To)} only."
                : f.Number == 0 ? "Bees are home."
                : sky.Place.CropInFlower && sky.FlowersClosed(i) ? "The flowers have closed for the day." : "No open flowers here.",
            SprayRule.Pond => f.Verdict == Verdict.Never
                ? $"The pond is {Figure.Length(f.Number)} away; {name} keeps {Figure.Length(material.KeepFromPondM)} from water."
                : "No pond is near.",
            SprayRule.Light => f.Verdict == Verdict.Never ? "Dark." : "Light enough to see the leaves.",
            SprayRule.Wilt => f.Verdict == Verdict.Good ? "Leaves should be firm." : "Plants may be wilting: water first, spray when leaves are firm.",
            SprayRule.Free => f.Verdict == Verdict.Good ? "Somebody is free." : "Nobody is free then.",
            _ => "The weather of this hour is not known.",
        };
    }

    private static string Clock(PlaceSky sky, int i, int minute) => Figure.Time(sky.Shelter.LocalStart(i).AddMinutes(minute));

    private static string Warmest(RuleFigure f, PlaceSky sky) => $"{Figure.Temperature(f.Number)} at {Figure.Time(sky.Shelter.LocalStart(f.Hours))}";

    private static string Sun(RuleFigure f, Material material)
    {
        var told = $"{Round(f.Number, 1)} h of sun on the leaves in the next six";
        return (material.Sun, f.Verdict) switch
        {
            (SunNeed.Wants, Verdict.Poor) => $"Only {told}; {material.Name.InSentence()} wants two.",
            (_, Verdict.Never) => $"{told}; at most two, or the leaves scorch.",
            _ => $"{told}.",
        };
    }

    private static string Wind(RuleFigure f, PlaceSky sky, int i) =>
        sky.Place.Shelter != Shelter.Open ? "No wind under cover."
        : f.Verdict switch
        {
            Verdict.Never => $"Wind {Figure.Wind(f.Number)}, gusts {Figure.Wind(sky.Hour(i).GustMetresPerSecond ?? f.Number)}; the spray would drift.",
            Verdict.Good => $"Wind {Figure.Wind(f.Number)}.",
            _ => f.Number < 1 ? $"Still air, {Figure.Wind(f.Number)}: mist hangs and wanders." : $"Wind {Figure.Wind(f.Number)}: keep the nozzle close.",
        };

    private static string Round(double value, int digits = 0) =>
        Math.Round(value, digits, MidpointRounding.AwayFromZero).ToString(CultureInfo.InvariantCulture);
}
