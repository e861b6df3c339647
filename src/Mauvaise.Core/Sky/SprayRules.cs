using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Sky;

/// <summary>One rule's word on one hour as a figure; <see cref="SprayWords"/> puts it into a sentence.</summary>
/// <param name="Number">What it was judged by, in the rule's unit; NaN where there is none.</param>
/// <param name="Hours">A second figure that the sentence tells: hours dry, or the hour that is warmest.</param>
internal readonly record struct RuleFigure(SprayRule Rule, Verdict Verdict, double Number = double.NaN, int Hours = 0);

/// <summary>
/// The limits of every weather rule for a spray, as figures alone. The limits are those of the project's rules; the material
/// tightens heat, sun, rain, cold and the distance from a pond.
/// </summary>
internal static class SprayRules
{
    /// <summary>Hours after the spray whose heat and sun count.</summary>
    public const int After = 6;
    public const double SunHighDegrees = 10;
    public const double SunnyCloudPercent = 60;
    public const int RuleCount = 14;

    /// <summary>Every rule's word, in the order of telling; <paramref name="figures"/> holds <see cref="RuleCount"/>.</summary>
    /// <returns>The worst verdict.</returns>
    public static Verdict Judge(PlaceSky sky, int i, Material material, Span<RuleFigure> figures)
    {
        figures[0] = Light(sky, i);
        figures[1] = Heat(sky, i, material);
        figures[2] = SunOnLeaves(sky, i, material);
        figures[3] = Rain(sky, i, material);
        figures[4] = Wind(sky, i);
        figures[5] = Bees(sky, i);
        figures[6] = Pond(sky.Place, material);
        figures[7] = Cold(sky, i, material);
        figures[8] = LeafWet(sky, i);
        figures[9] = Evaporation(sky, i);
        figures[10] = Drying(sky, i);
        figures[11] = Wilt(sky, i);
        figures[12] = Free(sky, i);
        figures[13] = Lamps(sky, i);
        var worst = Verdict.Good;
        foreach (var f in figures)
        {
            worst = f.Verdict > worst ? f.Verdict : worst;
        }

        return worst;
    }

    private static RuleFigure Heat(PlaceSky sky, int i, Material material)
    {
        var at = sky.Shelter.WarmestHour(i);
        var warmest = sky.Hour(at).TemperatureC!.Value;
        return new(
            SprayRule.Heat,
            warmest < 27 ? Verdict.Good
                : warmest <= material.HeatNeverC ? Verdict.Poor
                : Verdict.Never,
            warmest,
            at
        );
    }

    private static RuleFigure SunOnLeaves(PlaceSky sky, int i, Material material)
    {
        var hours = sky.SunHours(i, After);
        return new(
            SprayRule.Sun,
            material.Sun switch
            {
                SunNeed.Wants => hours >= 2 ? Verdict.Good : Verdict.Poor,
                SunNeed.Avoids => hours < 1 ? Verdict.Good
                : hours <= 2 ? Verdict.Poor
                : Verdict.Never,
                _ => hours <= 2 ? Verdict.Good : Verdict.Poor,
            },
            hours
        );
    }

    private static RuleFigure Wind(PlaceSky sky, int i)
    {
        var now = sky.Hour(i);
        var wind = now.WindMetresPerSecond ?? 0;
        return new(
            SprayRule.Wind,
            sky.Place.Shelter != Shelter.Open ? Verdict.Good
                : wind > 5 || (now.GustMetresPerSecond ?? wind) > 8 ? Verdict.Never
                : wind is >= 1 and <= 4 ? Verdict.Good
                : Verdict.Poor,
            wind
        );
    }

    private static RuleFigure Rain(PlaceSky sky, int i, Material material)
    {
        var hours = Math.Max(1, (int)Math.Ceiling(material.RainFreeHours));
        var rain = sky.Shelter.RainMm(i, hours);
        return new(
            SprayRule.Rain,
            rain <= 0 ? Verdict.Good
                : rain <= 1 ? Verdict.Poor
                : Verdict.Never,
            rain,
            hours
        );
    }

    private static RuleFigure Evaporation(PlaceSky sky, int i)
    {
        var deltaT = sky.Shelter.DeltaTK(i);
        return new(
            SprayRule.Evaporation,
            deltaT > 10 ? Verdict.Never
                : deltaT is >= 2 and <= 8 ? Verdict.Good
                : Verdict.Poor,
            deltaT
        );
    }

    private static RuleFigure Drying(PlaceSky sky, int i)
    {
        var hours = sky.Shelter.HoursToDry(i);
        return new(
            SprayRule.Drying,
            hours <= 3 || hours < sky.Shelter.HoursUntilWet(i) ? Verdict.Good
                : hours > 6 && sky.Shelter.NightInfectionShare(i) > 0.8 ? Verdict.Never
                : Verdict.Poor,
            hours
        );
    }

    private static RuleFigure LeafWet(PlaceSky sky, int i) =>
        new(
            SprayRule.LeafWet,
            sky.Shelter.WetFromRain(i) ? Verdict.Never
                : sky.Shelter.Wet(i) ? Verdict.Poor
                : Verdict.Good
        );

    private static RuleFigure Cold(PlaceSky sky, int i, Material material)
    {
        var now = sky.Hour(i).TemperatureC!.Value;
        return new(
            SprayRule.Cold,
            now < 4 || (material.Load == LoadKind.Oil && sky.Shelter.FrostWithinADay(i)) ? Verdict.Never
                : now > 8 ? Verdict.Good
                : Verdict.Poor,
            now
        );
    }

    /// <summary>Where flowers are open only that part of an hour is left in which bees are home.</summary>
    private static RuleFigure Bees(PlaceSky sky, int i)
    {
        var up = sky.Shelter.Elevation(i) > 0;
        var open = sky.Open(i);
        return new(
            SprayRule.Bees,
            open == MinutesOfHour.All ? Verdict.Good
                : !open.IsNone ? Verdict.Poor
                : up ? Verdict.Never
                : Verdict.Good,
            up && sky.Hour(i).TemperatureC > 12 ? 1 : 0
        );
    }

    private static RuleFigure Pond(PlaceExposure place, Material material) =>
        new(SprayRule.Pond, place.PondDistanceM < material.KeepFromPondM ? Verdict.Never : Verdict.Good, place.PondDistanceM ?? double.NaN);

    private static RuleFigure Light(PlaceSky sky, int i) =>
        new(
            SprayRule.Light,
            sky.Place.Shelter == Shelter.Indoor || sky.Shelter.Elevation(i) > Sun.DarkDegrees || (sky.BeesMayFly(i) && !sky.Open(i).IsNone)
                ? Verdict.Good
                : Verdict.Never,
            sky.Shelter.Elevation(i)
        );

    private static RuleFigure Wilt(PlaceSky sky, int i)
    {
        var dry = sky.Shelter.DriestBeforeK(i);
        return new(SprayRule.Wilt, dry > 10 && sky.Place.SoilMayBeDry ? Verdict.Poor : Verdict.Good, dry);
    }

    /// <summary>Lamps burn wet leaves as the sun does, and dry the drops before they worked.</summary>
    private static RuleFigure Lamps(PlaceSky sky, int i)
    {
        if (sky.Place.Lamps is not { } lamps)
        {
            return new(SprayRule.Lamps, Verdict.Good);
        }

        // The clock goes on where the forecast ends.
        var last = sky.Count - 1;
        bool On(int hour) =>
            lamps.Holds(TimeOnly.FromDateTime(sky.Shelter.LocalStart(Math.Min(i + hour, last)).AddHours(Math.Max(0, i + hour - last)).DateTime));
        return new(
            SprayRule.Lamps,
            On(0) ? Verdict.Never
                : Enumerable.Range(1, LampHours.DryHours).Any(On) ? Verdict.Poor
                : Verdict.Good,
            LampHours.DryHours
        );
    }

    private static RuleFigure Free(PlaceSky sky, int i) =>
        new(SprayRule.Free, sky.Place.Free is not { } free || free.Holds(sky.Shelter.LocalStart(i)) ? Verdict.Good : Verdict.Never);
}
