using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Ways;

/// <summary>One thing that is left when no hour of the coming days suits a spray.</summary>
/// <param name="Code">Stable key.</param>
/// <param name="Open">It can be done; otherwise the words say why not.</param>
public sealed record LeftToDo(string Code, bool Open, string Words);

/// <summary>
/// What is left when the weather bars every mix: each judged by the hours of the coming days, the rules that it gets round left out. No other
/// rule is got round: what else bars a mix bars it here too.
/// </summary>
internal static class WithoutHour
{
    /// <summary>The code of a way that only the hours bar.</summary>
    internal const string Code = "no-hour";

    /// <summary>A shaded leaf and a gentle dose bear so much more than the material's limit, K (assumed).</summary>
    private const double ShadeBearsK = 3;

    private const int LooksAheadHours = 72;

    /// <summary>
    /// "No hour of the coming days suits insecticidal soap: 36 C at 14:00; nothing over 32 C for it.", and what is left; null and empty while a
    /// mix may go on, or when something else than the hours bars them all.
    /// </summary>
    public static (Said? Sentence, IReadOnlyList<LeftToDo> Left) Of(Finding f, IReadOnlyList<Way> ways)
    {
        var barred = ways.Where(w => w.Option is not null && w.Against.Count > 0 && w.Against.All(r => r.Code == Code)).ToList();
        if (barred.Count == 0 || ways.Any(w => w is { Allowed: true, Option: not null }))
        {
            return (null, []);
        }

        var material = barred.MinBy(w => w.Cost)!.Option!.Material;
        var hours = Hours(f, material);
        var soap = barred.Find(w => w.Option!.Material.Id == KnownIds.Materials.InsecticidalSoap)?.Option!.Material;
        return (
            Why(material, hours),
            [Lamp(f, hours), .. Shade(f, hours, material), .. soap is null ? [] : Rinsed(f, soap == material ? hours : Hours(f, soap)), .. Hands(ways)]
        );
    }

    /// <summary>The hours to come whose weather is known.</summary>
    private static List<HourVerdict> Hours(Finding f, Material material) =>
        [
            .. SprayHours
                .Judge(f.Garden.PlannedSkyOf(f.Place), f.Garden.Now, f.Garden.Now.AddHours(LooksAheadHours), material)
                .Where(h => h.Hour >= f.Garden.Now && h.Rules.All(r => r.Rule != SprayRule.Unknown)),
        ];

    private static Said Why(Material material, List<HourVerdict> hours)
    {
        var often = hours
            .SelectMany(h => h.Rules)
            .Where(r => r.Verdict == Verdict.Never && r.Rule != SprayRule.Light)
            .GroupBy(r => r.Rule)
            .MaxBy(g => g.Count());
        var name = Fact.Thing(material.Name.InSentence());
        return often is null
            ? Said.Of("ways.noHourSuits", ("material", name))
            : Said.Of("ways.noHourSuitsSince", ("material", name), ("because", Fact.Clause(often.First().Sentence.TrimEnd('.').InSentence())));
    }

    /// <summary>After bees and light have gone, or before they come: nothing but the dark is against it, and that nobody is free.</summary>
    private static LeftToDo Lamp(Finding f, List<HourVerdict> hours)
    {
        if (hours.Find(h => Says(h, SprayRule.Light) && OnlyAgainst(h, SprayRule.Light, SprayRule.Free)) is not { } dark)
        {
            return new("lamp", false, Say.Of("ways.withALampInTheDark"));
        }

        var when = f.Garden.Garden.Zone.Local(dark.Hour).Hour < 12 ? Say.Of("ways.beforeSunrise") : Say.Of("ways.afterDark");
        var free = Says(dark, SprayRule.Free) ? Say.Of("ways.youDidNotMark") : "";
        return new("lamp", true, Say.Sentences(Say.Of("ways.withALampBeesAreHome", ("when", when), ("told", Told(f, dark))), free));
    }

    /// <summary>Heat and sun alone are against it: a sheet, and the gentle dose.</summary>
    private static IEnumerable<LeftToDo> Shade(Finding f, List<HourVerdict> hours, Material material)
    {
        if (hours.Where(h => OnlyAgainst(h, SprayRule.Heat, SprayRule.Sun, SprayRule.Evaporation)).MinBy(Warmest) is not { } hour)
        {
            yield break;
        }

        var warmest = Figure.Temperature(Warmest(hour));
        yield return Warmest(hour) <= material.HeatNeverC + ShadeBearsK
            ? new("shade", true, Say.Of("ways.underASheetForSixHours", ("told", Told(f, hour)), ("warmest", warmest)))
            : new("shade", false, Say.Of("ways.underASheetIsTooMuch", ("warmest", warmest), ("material", material.Name.InSentence())));
    }

    /// <summary>Soap works while it is wet: what is rinsed off can not scorch afterwards.</summary>
    private static IEnumerable<LeftToDo> Rinsed(Finding f, List<HourVerdict> hours)
    {
        if (hours.Find(h => OnlyAgainst(h, SprayRule.Heat, SprayRule.Sun, SprayRule.Evaporation, SprayRule.Drying)) is { } hour)
        {
            yield return new("rinse", true, Say.Of("ways.soapRinsedOffAfterTenMinutes", ("told", Told(f, hour))));
        }
    }

    private static IEnumerable<LeftToDo> Hands(IReadOnlyList<Way> ways)
    {
        if (ways.Where(w => w is { Allowed: true, Option: null, Hands.Count: > 0 } && !w.Uses(KnownIds.Measures.TakeOut)).MinBy(w => w.Cost) is { } hands)
        {
            var comes = hands.Outlook is { End: var end } ? Say.Of("ways.in3Weeks", ("percent", WayWords.Percent(end.Middle))) : "";
            yield return new("hands", true, Say.Sentences(Say.Of("ways.byHandAtAnyHour", ("words", hands.Words)), comes));
        }
    }

    private static double Warmest(HourVerdict hour) => hour.Rules.First(r => r.Rule == SprayRule.Heat).Number ?? double.MaxValue;

    private static bool Says(HourVerdict hour, SprayRule rule) => hour.Rules.Any(r => r.Rule == rule && r.Verdict == Verdict.Never);

    private static bool OnlyAgainst(HourVerdict hour, params SprayRule[] rules) =>
        hour.Verdict == Verdict.Never && hour.Rules.All(r => r.Verdict != Verdict.Never || rules.Contains(r.Rule));

    private static string Told(Finding f, HourVerdict hour) =>
        Say.Of("ways.from2", ("day", WayWords.Day(f.Garden.Garden.DateOf(hour.Hour))), ("time", Figure.Time(f.Garden.Garden.Zone.Local(hour.From))));
}
