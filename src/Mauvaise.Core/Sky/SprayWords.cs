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
                Verdict.Never => $"{Warmest(f, sky)}; nothing over {Round(material.HeatNeverC)} °C for {name}.",
                Verdict.Poor => $"{Warmest(f, sky)}; gentle dose from 27 °C.",
                _ => $"At most {Round(f.Number)} °C in the next six hours.",
            },
            SprayRule.Sun => Sun(f, material),
            SprayRule.Wind => Wind(f, sky, i),
            SprayRule.Rain => f.Verdict == Verdict.Good
                ? $"Dry for the {f.Hours} h that {name} needs."
                : $"{Round(f.Number, 1)} mm of rain within {f.Hours} h; {name} needs them dry.",
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
                Verdict.Never => f.Number < 4 ? $"{Round(f.Number)} °C is too cold." : "Frost within a day; oil would harm.",
                Verdict.Poor => $"{Round(f.Number)} °C: cold mixes spread badly.",
                _ => $"{Round(f.Number)} °C.",
            },
            SprayRule.Bees => f.Verdict == Verdict.Never ? "Bees are flying and the crop is in flower."
                : f.Number == 0 ? "Bees are home."
                : sky.Place.CropInFlower && SprayRules.FlowersClosed(sky, i) ? "The flowers have closed for the day." : "No open flowers here.",
            SprayRule.Pond => f.Verdict == Verdict.Never
                ? $"The pond is {Round(f.Number)} m away; {name} keeps {Round(material.KeepFromPondM)} m from water."
                : "No pond is near.",
            SprayRule.Light => f.Verdict == Verdict.Never ? "Dark." : "Light enough to see the leaves.",
            SprayRule.Wilt => f.Verdict == Verdict.Good ? "Leaves should be firm." : "Plants may be wilting: water first, spray when leaves are firm.",
            SprayRule.Free => f.Verdict == Verdict.Good ? "Somebody is free." : "Nobody is free then.",
            _ => "The weather of this hour is not known.",
        };
    }

    private static string Warmest(RuleFigure f, PlaceSky sky) => $"{Round(f.Number)} °C at {sky.Shelter.LocalStart(f.Hours).ToString("HH:mm", CultureInfo.InvariantCulture)}";

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
            Verdict.Never => $"Wind {Round(f.Number, 1)} m/s, gusts {Round(sky.Hour(i).GustMetresPerSecond ?? f.Number, 1)}; the spray would drift.",
            Verdict.Good => $"Wind {Round(f.Number, 1)} m/s.",
            _ => f.Number < 1 ? $"Still air, {Round(f.Number, 1)} m/s: mist hangs and wanders." : $"Wind {Round(f.Number, 1)} m/s: keep the nozzle close.",
        };

    private static string Round(double value, int digits = 0) =>
        Math.Round(value, digits, MidpointRounding.AwayFromZero).ToString(CultureInfo.InvariantCulture);
}
