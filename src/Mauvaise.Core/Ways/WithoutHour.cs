using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Ways;

/// <summary>One thing that is left when no hour of the coming days suits a spray.</summary>
/// <param name="Code">Stable key.</param>
/// <param name="Open">It can be done; otherwise the words say why not.</param>
public sealed record LeftToDo(string Code, bool Open, string Words);

/// <summary>
/// What is left when the weather bars every mix: each judged by the hours of the coming days, the one rule that it gets round left out.
/// </summary>
internal static class WithoutHour
{
    /// <summary>The code of a way that only the hours bar.</summary>
    internal const string Code = "no-hour";

    /// <summary>A shaded leaf and a gentle dose bear so much more than the material's limit, K (assumed).</summary>
    private const double ShadeBearsK = 3;

    private const int LooksAheadHours = 72;

    /// <summary>Empty while a mix may go on, or when something else bars them all.</summary>
    public static IReadOnlyList<LeftToDo> Of(Finding f, IReadOnlyList<Way> ways)
    {
        if (Best(ways) is not { Option.Material: { } material })
        {
            return [];
        }

        var sky = f.Garden.PlannedSkyOf(f.Place);
        var hours = SprayHours.Judge(sky, f.Garden.Now, f.Garden.Now.AddHours(LooksAheadHours), material)
            .Where(h => h.Hour >= f.Garden.Now && h.Rules.All(r => r.Rule != SprayRule.Unknown)).ToList();
        return
        [
            .. Lamp(f, hours),
            .. Shade(f, hours, material),
            .. Rinsed(f, hours),
            .. Hands(f, ways),
        ];
    }

    /// <summary>"No hour of the coming days suits insecticidal soap: 36 C at 14:00; nothing over 32 C for it."; empty when one does.</summary>
    public static string Sentence(Finding f, IReadOnlyList<Way> ways)
    {
        if (Best(ways) is not { Option.Material: { } material })
        {
            return "";
        }

        var hours = SprayHours.Judge(f.Garden.PlannedSkyOf(f.Place), f.Garden.Now, f.Garden.Now.AddHours(LooksAheadHours), material);
        var why = hours.SelectMany(h => h.Rules).Where(r => r.Verdict == Verdict.Never && r.Rule != SprayRule.Light).GroupBy(r => r.Rule).MaxBy(g => g.Count())?.First().Sentence;
        return $"No hour of the coming days suits {material.Name.InSentence()}{(why is null ? "" : $": {why.TrimEnd('.').InSentence()}")}. ";
    }

    /// <summary>The best mix that only the hours bar; null when one may go on, or none is there.</summary>
    private static Way? Best(IReadOnlyList<Way> ways) =>
        ways.Any(w => w is { Allowed: true, Option: not null }) ? null
            : ways.Where(w => w.Option is not null && w.Against.All(r => r.Code == Code)).MinBy(w => w.Cost);

    /// <summary>After bees and light have gone, or before they come: nothing but the dark is against it.</summary>
    private static IEnumerable<LeftToDo> Lamp(Finding f, List<HourVerdict> hours)
    {
        var dark = hours.Find(h => OnlyAgainst(h, SprayRule.Light, SprayRule.Free) && h.Rules.Any(r => r is { Rule: SprayRule.Light, Verdict: Verdict.Never }));
        if (dark is not null)
        {
            var local = f.Garden.Garden.Zone.Local(dark.Hour);
            yield return new("lamp", true, $"{(local.Hour < 12 ? "Before sunrise" : "After dark")}, with a lamp: {Told(f, dark)}. Bees are home, and leaves stay cool until it has dried.");
        }
        else
        {
            yield return new("lamp", false, "With a lamp in the dark: no hour of the coming nights suits it either.");
        }
    }

    /// <summary>Heat and sun alone are against it: a sheet, and the gentle dose.</summary>
    private static IEnumerable<LeftToDo> Shade(Finding f, List<HourVerdict> hours, Material material)
    {
        if (hours.Where(h => OnlyAgainst(h, SprayRule.Heat, SprayRule.Sun, SprayRule.Evaporation)).MinBy(Warmest) is not { } hour)
        {
            yield break;
        }

        yield return Warmest(hour) <= material.HeatNeverC + ShadeBearsK
            ? new("shade", true, $"Under a sheet for six hours and at the gentle dose: {Told(f, hour)}. {Figure.Temperature(Warmest(hour))} at the most, in the shade.")
            : new("shade", false, $"Under a sheet: {Figure.Temperature(Warmest(hour))} is too much for {material.Name.InSentence()} even in the shade.");
    }

    /// <summary>Soap works while it is wet: what is rinsed off can not scorch afterwards.</summary>
    private static IEnumerable<LeftToDo> Rinsed(Finding f, List<HourVerdict> hours)
    {
        if (f.Target is not { Insect: not null } || f.Garden.Catalogue.FindMaterial(KnownIds.Materials.InsecticidalSoap)?.EffectOn(f.Target) is null)
        {
            yield break;
        }

        if (hours.Find(h => OnlyAgainst(h, SprayRule.Heat, SprayRule.Sun, SprayRule.Evaporation, SprayRule.Drying)) is { } hour)
        {
            yield return new("rinse", true, $"Soap, rinsed off after ten minutes: {Told(f, hour)}. It works while it is wet, and nothing is left to scorch.");
        }
    }

    private static IEnumerable<LeftToDo> Hands(Finding f, IReadOnlyList<Way> ways)
    {
        if (ways.Where(w => w is { Allowed: true, Option: null, Hands.Count: > 0 } && !w.Uses(KnownIds.Measures.TakeOut)).MinBy(w => w.Cost) is { } hands)
        {
            yield return new("hands", true, $"By hand, at any hour: {hands.Words}.{(hands.Outlook is { End: var end } ? $" In 3 weeks {WayWords.Percent(end.Middle)}." : "")}");
        }
    }

    private static double Warmest(HourVerdict hour) => hour.Rules.First(r => r.Rule == SprayRule.Heat).Number ?? double.MaxValue;

    private static bool OnlyAgainst(HourVerdict hour, params SprayRule[] rules) =>
        hour.Verdict == Verdict.Never && hour.Rules.All(r => r.Verdict != Verdict.Never || rules.Contains(r.Rule));

    private static string Told(Finding f, HourVerdict hour) =>
        string.Create(CultureInfo.InvariantCulture, $"{WayWords.Day(f.Garden.Garden.DateOf(hour.Hour))} from {Figure.Time(f.Garden.Garden.Zone.Local(hour.From))}");
}
