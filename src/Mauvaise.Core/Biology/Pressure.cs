using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Biology;

/// <summary>How far recent weather favours a target, 0 to 1, with the figure behind it in words.</summary>
public sealed record PressureReading(DateOnly Day, double Value, Said Said);

/// <summary>
/// Weather pressure. Insects: development per day of the last week, 1 at a steady 30 C. Wet-leaf diseases: spells that were wet
/// and warm enough for infection in the last ten days, 1 at three of them. Powdery mildew: its index over 100, less where
/// nights are dry or rain washed the leaves. Late blight: its two-day warning, fading over a week. The scales are assumed.
/// </summary>
public static class Pressure
{
    private const int InsectDays = 7;
    private const int DiseaseDays = 10;
    private const int WarningDays = 7;
    private const double SpellsForFull = 3;

    /// <summary>A spell that was almost wet enough, against one that was.</summary>
    private const double NearlyWeight = 0.2;
    private const double FullSpeedC = 30;
    private const double HumidNightPercent = 70;
    private const double WashingRainMm = 5;

    /// <summary>The pressure on the last of the days; null for a target without biology or a day without weather.</summary>
    public static PressureReading? Latest(Target target, SkyDays days) => Daily(target, days) is [.., var last] && last.Day == days.To ? last : null;

    /// <summary>Readings that were worked out already: many plantings ask for the same trouble under the same sky.</summary>
    private static readonly ConditionalWeakTable<SkyDays, ConcurrentDictionary<object, IReadOnlyList<PressureReading>>> Kept = [];

    /// <summary>One reading for each of the days that has weather; none for a target without biology.</summary>
    public static IReadOnlyList<PressureReading> Daily(Target target, SkyDays days) =>
        Kept.GetValue(days, _ => new(ReferenceEqualityComparer.Instance)).GetOrAdd(target, _ => Read(target, days));

    private static List<PressureReading> Read(Target target, SkyDays days)
    {
        Func<int, (double Value, Said Said)>? read = target switch
        {
            { Insect: { } insect } => Insect(insect, days.All),
            { Disease: { WetHoursAtOptimum: null } } => Mildew(days.All),
            { Disease: { WarnedByHumidDays: true } disease } => Warned(disease, days.All),
            { Disease: { } disease } => WetLeaf(disease, days.All),
            _ => null,
        };
        var readings = new List<PressureReading>();
        for (var i = days.First; read is not null && i < days.All.Count; i++)
        {
            if (days.All[i].Known)
            {
                var (value, said) = read(i);
                readings.Add(new PressureReading(days.All[i].Date, Math.Clamp(value, 0, 1), said));
            }
        }

        return readings;
    }

    /// <summary>Degree-days of each day; null where the temperature of half of it is unknown.</summary>
    internal static double?[] DegreeDaysOf(InsectBiology insect, IReadOnlyList<SkyDay> days) =>
        [
            .. days.Select(d =>
                d.Known
                    ? d.Hours.Where(h => h.TemperatureC.HasValue).Average(h => DegreeDays.OfHour(h.TemperatureC!.Value, insect.LowerC, insect.UpperC)) * 24
                    : (double?)null
            ),
        ];

    /// <summary>Share of what an infection needs that each day's night brought, 0 to 1.</summary>
    internal static double[] InfectionOf(DiseaseBiology disease, IReadOnlyList<SkyDay> days) =>
        [
            .. days.Select(d =>
                d.WetHours > 0
                && Infection.HoursNeeded(d.WetMeanC, disease.MinC, disease.OptimumC, disease.MaxC, disease.WetHoursAtOptimum!.Value) is { } needed
                    ? Math.Min(1, d.WetHours / needed)
                    : 0
            ),
        ];

    private static Func<int, (double, Said)> Insect(InsectBiology insect, IReadOnlyList<SkyDay> days)
    {
        var degreeDays = DegreeDaysOf(insect, days);
        return i =>
        {
            double sum = 0,
                humidity = 0;
            var known = 0;
            for (var k = Math.Max(0, i - InsectDays + 1); k <= i; k++)
            {
                if (degreeDays[k] is { } dd)
                {
                    sum += dd;
                    humidity += days[k].MeanHumidityPercent;
                    known++;
                }
            }

            var (perDay, mean) = (sum / known, humidity / known);
            var dryness = insect.LikesDryAir ? Math.Clamp((85 - mean) / 40, 0.2, 1) : 1;
            var speed = Said.Of("biology.aDayLastWeek", ("degreeDays", Fact.Warmth(perDay, 0)));
            return (
                perDay / (FullSpeedC - insect.LowerC) * dryness,
                insect.LikesDryAir ? speed.Remarked(Said.Of("biology.airAt", ("mean", Fact.Percent(mean)))) : speed
            );
        };
    }

    private static Func<int, (double, Said)> WetLeaf(DiseaseBiology disease, IReadOnlyList<SkyDay> days)
    {
        var fill = InfectionOf(disease, days);
        return i =>
        {
            var spells = 0;
            var nearly = 0.0;
            for (var k = Math.Max(0, i - DiseaseDays + 1); k <= i; k++)
            {
                spells += fill[k] >= 1 ? 1 : 0;
                nearly += fill[k] >= 1 ? 0 : fill[k] * NearlyWeight;
            }

            var words = spells switch
            {
                0 => Said.Of("biology.noNightWetAndWarmEnough"),
                1 => Said.Of("biology.oneNightWetAndWarmEnough"),
                _ => Said.Of("biology.nightsWetAndWarmEnough", ("spells", Fact.Count(spells))),
            };
            return ((spells + nearly) / SpellsForFull, Said.Of("biology.inTenDays", ("words", Fact.Clause(words))) with { Code = words.Code });
        };
    }

    private static Func<int, (double, Said)> Warned(DiseaseBiology disease, IReadOnlyList<SkyDay> days)
    {
        var wet = WetLeaf(disease, days);
        var warned = days.Select((d, i) => i > 0 && LateBlightWarning.Holds(days[i - 1].Hours, d.Hours)).ToArray();
        return i =>
        {
            for (var back = 0; back < WarningDays && i - back > 0; back++)
            {
                if (warned[i - back])
                {
                    return (
                        1 - 0.1 * back,
                        back == 0 ? Said.Of("biology.twoWarmHumidDays")
                        : back == 1 ? Said.Of("biology.twoWarmHumidDays2", ("back", Fact.Days(back)))
                        : Said.Of("biology.twoWarmHumidDays3", ("back", Fact.Days(back)))
                    );
                }
            }

            var (value, said) = wet(i);
            return (value / 2, said);
        };
    }

    private static Func<int, (double, Said)> Mildew(IReadOnlyList<SkyDay> days)
    {
        var index = MildewIndex.After([.. days.Select(d => d.Hours.Select(h => h.TemperatureC).ToList())]);
        return i =>
        {
            var humid = days[i].NightHumidityPercent >= HumidNightPercent;
            var washed = days[i].RainMm > WashingRainMm;
            var value = index[i] / 100.0 * (humid ? 1 : 0.6) * (washed ? 0.7 : 1);
            return (
                value,
                washed ? Said.Of("biology.mildewIndexOf100RainWashed", ("index", Fact.Count(index[i])))
                : humid ? Said.Of("biology.mildewIndexOf100HumidNights", ("index", Fact.Count(index[i])))
                : Said.Of("biology.mildewIndexOf100DryNights", ("index", Fact.Count(index[i])))
            );
        };
    }
}
