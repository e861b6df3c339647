using System.Globalization;
using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Sky;

/// <summary>
/// When a spray may go on: every hour is judged by every rule. Limits are those of the project's weather rules; the material
/// tightens heat, sun, rain and cold.
/// </summary>
public static class SprayHours
{
    /// <summary>Hours after the spray whose heat and sun count.</summary>
    private const int After = 6;
    private const double SunHighDegrees = 10;
    private const double SunnyCloudPercent = 60;

    /// <summary>Water that a wet leaf must lose, as vapour pressure deficit times hours (assumed).</summary>
    private const double DryingKPaHours = 0.8;

    /// <summary>Every hour of the series from <paramref name="from"/> to <paramref name="to"/> (exclusive), judged.</summary>
    /// <param name="series">Weather outside; the shelter of the place is applied here.</param>
    public static IReadOnlyList<HourVerdict> Judge(HourSeries series, DateTimeOffset from, DateTimeOffset to, Material material, PlaceExposure place)
    {
        var sky = PlaceSky.Of(series, place);
        var first = Math.Max(0, series.IndexOf(from));
        var last = Math.Min(series.Hours.Count, series.IndexOf(to.AddTicks(-1)) + 1);
        return [.. Enumerable.Range(first, Math.Max(0, last - first)).Select(i => JudgeHour(sky, i, material, place))];
    }

    /// <summary>
    /// Runs of hours without a "never", in time order; good and poor hours make windows of their own, and the score is the worst
    /// hour's. The sentence of a good one tells heat, wind and rain; that of a poor one what is poor.
    /// </summary>
    public static IReadOnlyList<SprayWindow> Windows(IReadOnlyList<HourVerdict> hours)
    {
        var windows = new List<SprayWindow>();
        for (var i = 0; i < hours.Count; i++)
        {
            if (hours[i].Verdict == Verdict.Never)
            {
                continue;
            }

            var start = i;
            while (i + 1 < hours.Count && hours[i + 1].Verdict == hours[start].Verdict && hours[i + 1].Hour == hours[i].Hour.AddHours(1))
            {
                i++;
            }

            windows.Add(Window(hours.Skip(start).Take(i - start + 1).ToList()));
        }

        return windows;
    }

    private static SprayWindow Window(List<HourVerdict> run)
    {
        var poor = run.SelectMany(h => h.Rules).Where(r => r.Verdict == Verdict.Poor).GroupBy(r => r.Rule).Select(g => g.First()).ToList();
        var score = Math.Max(0.1, 1 - 0.2 * run.Max(h => h.Rules.Count(r => r.Verdict == Verdict.Poor)));
        IEnumerable<RuleVerdict> told = poor.Count > 0
            ? poor
            : run[0].Rules.Where(r => r.Rule is SprayRule.Heat or SprayRule.Wind or SprayRule.Rain).OrderBy(r => r.Rule);
        return new SprayWindow(run[0].Hour, run[^1].Hour.AddHours(1), score, run[0].Verdict, string.Join(" ", told.Select(r => r.Sentence)));
    }

    private static HourVerdict JudgeHour(PlaceSky sky, int i, Material material, PlaceExposure place)
    {
        var now = sky.Hour(i);
        if (!now.IsComplete)
        {
            return new HourVerdict(sky.At(i), Verdict.Never, [new RuleVerdict(SprayRule.Unknown, Verdict.Never, null, "The weather of this hour is not known.")]);
        }

        RuleVerdict[] rules =
        [
            Light(sky, i, place),
            Heat(sky, i, material, place),
            SunOnLeaves(sky, i, material),
            Rain(sky, i, material),
            Wind(now, place),
            Bees(sky, i, place),
            Cold(sky, i, material),
            LeafWetNow(sky, i),
            Evaporation(now),
            Drying(sky, i),
            Wilt(sky, i, place),
        ];
        return new HourVerdict(sky.At(i), rules.Max(r => r.Verdict), [.. rules.OrderByDescending(r => r.Verdict)]);
    }

    private static RuleVerdict Heat(PlaceSky sky, int i, Material material, PlaceExposure place)
    {
        var (warmest, at) = Enumerable.Range(i, After + 1)
            .Select(k => (sky.Hour(k).TemperatureC ?? double.MinValue, sky.At(k)))
            .MaxBy(x => x.Item1);
        var verdict = Below(warmest, 27, material.HeatNeverC);
        var when = $"{Round(warmest)} °C at {Clock(at, place.Zone)}";
        return new RuleVerdict(SprayRule.Heat, verdict, warmest, verdict switch
        {
            Verdict.Never => $"{when}; nothing over {Round(material.HeatNeverC)} °C for {material.Name.ToLowerInvariant()}.",
            Verdict.Poor => $"{when}; gentle dose from 27 °C.",
            _ => $"At most {Round(warmest)} °C in the next six hours.",
        });
    }

    private static RuleVerdict SunOnLeaves(PlaceSky sky, int i, Material material)
    {
        var hours = Enumerable.Range(i, After).Sum(k => sky.SunOnLeaves(k));
        var told = $"{Round(hours, 1)} h of sun on the leaves in the next six";
        var verdict = material.Sun switch
        {
            SunNeed.Wants => hours >= 2 ? Verdict.Good : Verdict.Poor,
            SunNeed.Avoids => hours < 1 ? Verdict.Good : hours <= 2 ? Verdict.Poor : Verdict.Never,
            _ => hours <= 2 ? Verdict.Good : Verdict.Poor,
        };
        var sentence = (material.Sun, verdict) switch
        {
            (SunNeed.Wants, Verdict.Poor) => $"Only {told}; {material.Name.ToLowerInvariant()} wants two.",
            (_, Verdict.Never) => $"{told}; at most two, or the leaves scorch.",
            _ => $"{told}.",
        };
        return new RuleVerdict(SprayRule.Sun, verdict, hours, sentence);
    }

    private static RuleVerdict Wind(WeatherHour now, PlaceExposure place)
    {
        var wind = now.WindMetresPerSecond ?? 0;
        var gust = now.GustMetresPerSecond ?? wind;
        if (place.Shelter != Shelter.Open)
        {
            return new RuleVerdict(SprayRule.Wind, Verdict.Good, wind, "No wind under cover.");
        }

        if (wind > 5 || gust > 8)
        {
            return new RuleVerdict(SprayRule.Wind, Verdict.Never, wind, $"Wind {Round(wind, 1)} m/s, gusts {Round(gust, 1)}; the spray would drift.");
        }

        return wind is >= 1 and <= 4
            ? new RuleVerdict(SprayRule.Wind, Verdict.Good, wind, $"Wind {Round(wind, 1)} m/s.")
            : new RuleVerdict(SprayRule.Wind, Verdict.Poor, wind, wind < 1
                ? $"Still air, {Round(wind, 1)} m/s: mist hangs and wanders."
                : $"Wind {Round(wind, 1)} m/s: keep the nozzle close.");
    }

    private static RuleVerdict Rain(PlaceSky sky, int i, Material material)
    {
        var hours = Math.Max(1, (int)Math.Ceiling(material.RainFreeHours));
        var span = Enumerable.Range(i, hours).ToList();
        var rain = span.Sum(k => sky.Hour(k).RainMm ?? 0);
        var verdict = rain <= 0 ? Verdict.Good : rain <= 1 ? Verdict.Poor : Verdict.Never;
        return new RuleVerdict(SprayRule.Rain, verdict, rain, verdict == Verdict.Good
            ? $"Dry for the {hours} h that {material.Name.ToLowerInvariant()} needs."
            : $"{Round(rain, 1)} mm of rain within {hours} h; {material.Name.ToLowerInvariant()} needs them dry.");
    }

    private static RuleVerdict Evaporation(WeatherHour now)
    {
        var deltaT = Air.DeltaTK(Math.Clamp(now.TemperatureC!.Value, -20, 50), Math.Clamp(now.RelativeHumidityPercent!.Value, 5, 99));
        var verdict = deltaT > 10 ? Verdict.Never : deltaT is >= 2 and <= 8 ? Verdict.Good : Verdict.Poor;
        return new RuleVerdict(SprayRule.Evaporation, verdict, deltaT, deltaT < 2
            ? $"The air is nearly full of water (Delta T {Round(deltaT, 1)} K)."
            : deltaT <= 8
                ? $"Drops last long enough (Delta T {Round(deltaT, 1)} K)."
                : $"Drops dry on the way (Delta T {Round(deltaT, 1)} K).");
    }

    private static RuleVerdict Drying(PlaceSky sky, int i)
    {
        var hours = HoursToDry(sky, i);
        var untilWet = Enumerable.Range(i + 1, 18).TakeWhile(k => !sky.Wet(k)).Count() + 1;
        if (hours <= 3 || hours < untilWet)
        {
            return new RuleVerdict(SprayRule.Drying, Verdict.Good, hours, $"Leaves are dry again in about {Round(Math.Max(1, hours))} h.");
        }

        var infectious = hours > 6 && sky.NightInfectionShare(i) > 0.8;
        return new RuleVerdict(SprayRule.Drying, infectious ? Verdict.Never : Verdict.Poor, hours, infectious
            ? "Leaves would stay wet through a night of infection weather."
            : hours > 18 ? "Leaves stay wet until morning." : $"Leaves take about {Round(hours)} h to dry.");
    }

    private static double HoursToDry(PlaceSky sky, int i)
    {
        var gone = 0.0;
        for (var k = 0; k < 19; k++)
        {
            var here = sky.DryingKPa(i + k);
            if (here > 0 && gone + here >= DryingKPaHours)
            {
                return k + (DryingKPaHours - gone) / here;
            }

            gone += here;
        }

        return 19;
    }

    private static RuleVerdict LeafWetNow(PlaceSky sky, int i)
    {
        if (sky.WetFromRain(i))
        {
            return new RuleVerdict(SprayRule.LeafWet, Verdict.Never, null, "Leaves are wet from rain; the spray would run off.");
        }

        return sky.Wet(i)
            ? new RuleVerdict(SprayRule.LeafWet, Verdict.Poor, null, "Dew on the leaves.")
            : new RuleVerdict(SprayRule.LeafWet, Verdict.Good, null, "Leaves are dry.");
    }

    private static RuleVerdict Cold(PlaceSky sky, int i, Material material)
    {
        var now = sky.Hour(i).TemperatureC!.Value;
        var coldest = Enumerable.Range(i, 24).Min(k => sky.Hour(k).TemperatureC ?? double.MaxValue);
        if (now < 4 || (coldest < 0 && material.Load == LoadKind.Oil))
        {
            return new RuleVerdict(SprayRule.Cold, Verdict.Never, now, now < 4 ? $"{Round(now)} °C is too cold." : "Frost within a day; oil would harm.");
        }

        return new RuleVerdict(SprayRule.Cold, now > 8 ? Verdict.Good : Verdict.Poor, now, now > 8 ? $"{Round(now)} °C." : $"{Round(now)} °C: cold mixes spread badly.");
    }

    private static RuleVerdict Bees(PlaceSky sky, int i, PlaceExposure place)
    {
        var flying = sky.Elevation(i) > 0 && sky.Hour(i).TemperatureC > 12;
        var closed = place.FlowersCloseAtHour <= TimeZoneInfo.ConvertTime(sky.At(i), place.Zone).Hour;
        if (place.CropInFlower && closed && flying)
        {
            return new RuleVerdict(SprayRule.Bees, Verdict.Good, null, "The flowers have closed for the day.");
        }

        return place.CropInFlower && flying && place.Shelter != Shelter.Indoor
            ? new RuleVerdict(SprayRule.Bees, Verdict.Never, null, "Bees are flying and the crop is in flower.")
            : new RuleVerdict(SprayRule.Bees, Verdict.Good, null, flying ? "No open flowers here." : "Bees are home.");
    }

    private static RuleVerdict Light(PlaceSky sky, int i, PlaceExposure place) =>
        place.Shelter == Shelter.Indoor || sky.Elevation(i) > -6
            ? new RuleVerdict(SprayRule.Light, Verdict.Good, sky.Elevation(i), "Light enough to see the leaves.")
            : new RuleVerdict(SprayRule.Light, Verdict.Never, sky.Elevation(i), "Dark.");

    private static RuleVerdict Wilt(PlaceSky sky, int i, PlaceExposure place)
    {
        var dry = Enumerable.Range(i - 4, 4).Select(k => sky.DeltaTK(k)).DefaultIfEmpty(0).Max();
        var likely = dry > 10 && place.SoilMayBeDry;
        return new RuleVerdict(SprayRule.Wilt, likely ? Verdict.Poor : Verdict.Good, dry, likely
            ? "Plants may be wilting: water first, spray when leaves are firm."
            : "Leaves should be firm.");
    }

    private static Verdict Below(double value, double good, double never) =>
        value < good ? Verdict.Good : value <= never ? Verdict.Poor : Verdict.Never;

    private static string Clock(DateTimeOffset at, TimeZoneInfo zone) =>
        TimeZoneInfo.ConvertTime(at, zone).ToString("HH:mm", CultureInfo.InvariantCulture);

    private static string Round(double value, int digits = 0) =>
        Math.Round(value, digits, MidpointRounding.AwayFromZero).ToString(CultureInfo.InvariantCulture);

    /// <summary>Whether an hour counts as sunny: cloud under 60 %, or unknown.</summary>
    internal static bool IsSunny(WeatherHour hour) => (hour.CloudPercent ?? 0) < SunnyCloudPercent;

    /// <summary>Share of the hour with the sun over 10 degrees.</summary>
    internal static double SunHighShare(double latitude, double longitude, DateTimeOffset hour) =>
        Sun.ShareAbove(latitude, longitude, hour, SunHighDegrees);
}
