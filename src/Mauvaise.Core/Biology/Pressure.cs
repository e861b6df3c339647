using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Biology;

/// <summary>How far recent weather favours a target, 0 to 1, with the figure behind it in words.</summary>
public sealed record PressureReading(DateOnly Day, double Value, string Sentence);

/// <summary>
/// Weather pressure. Insects: development per day of the last week, 1 at a steady 25 C. Wet-leaf diseases: spells that were wet
/// and warm enough for infection in the last ten days, 1 at three of them. Powdery mildew: its index over 100, less where
/// nights are dry or rain washed the leaves. Late blight: its two-day warning, fading over a week. The scales are assumed.
/// </summary>
public static class Pressure
{
    private const int InsectDays = 7;
    private const int DiseaseDays = 10;
    private const int WarningDays = 7;

    /// <summary>Days of run-up before the first day asked for, so that indices have settled.</summary>
    private const int RunUpDays = 21;
    private const double SpellsForFull = 3;
    /// <summary>A spell that was almost wet enough, against one that was.</summary>
    private const double NearlyWeight = 0.2;
    private const double FullSpeedC = 25;
    private const double HumidNightPercent = 70;
    private const double WashingRainMm = 5;

    /// <summary>The pressure today; null for a target without biology or a time without weather.</summary>
    public static PressureReading? Now(Target target, PlaceSky sky, Garden garden, DateTimeOffset now)
    {
        var today = garden.DateOf(now);
        return Daily(target, sky, garden, today, today) is [var reading] ? reading : null;
    }

    /// <summary>One reading for each day of <paramref name="from"/> to <paramref name="to"/>, both included, that has weather.</summary>
    public static IReadOnlyList<PressureReading> Daily(Target target, PlaceSky sky, Garden garden, DateOnly from, DateOnly to)
    {
        if (target.Insect is null && target.Disease is null)
        {
            return [];
        }

        var first = from.AddDays(-RunUpDays);
        var days = Enumerable.Range(0, to.DayNumber - first.DayNumber + 1).Select(d => DayOf(sky, garden, first.AddDays(d))).ToList();
        var read = target switch
        {
            { Insect: { } insect } => Insect(insect, days),
            { Disease: { WetHoursAtOptimum: null } } => Mildew(days),
            { Disease: { WarnedByHumidDays: true } disease } => Warned(disease, days),
            { Disease: { } disease } => WetLeaf(disease, days),
            _ => throw new InvalidOperationException("A target has insect or disease biology here."),
        };
        return [
            .. Enumerable.Range(RunUpDays, days.Count - RunUpDays)
                .Where(i => days[i].Known)
                .Select(i => read(i) is var (value, sentence) ? new PressureReading(days[i].Date, Math.Clamp(value, 0, 1), sentence) : null!)];
    }

    /// <summary>The hours of a civil day at the place. The wet spell is the night's that ends on it: noon to noon.</summary>
    private sealed record Day(DateOnly Date, IReadOnlyList<WeatherHour> Hours, int WetHours, double WetMeanC, double NightHumidityPercent)
    {
        public bool Known => Hours.Count(h => h.TemperatureC.HasValue) >= 12;
    }

    private static Day DayOf(PlaceSky sky, Garden garden, DateOnly date)
    {
        int start = sky.IndexOf(garden.StartOf(date)), end = sky.IndexOf(garden.StartOf(date.AddDays(1)));
        int run = 0, longest = 0, longestEnd = start;
        for (var i = start - 12; i < end - 12; i++)
        {
            run = sky.Wet(i) ? run + 1 : 0;
            if (run > longest)
            {
                (longest, longestEnd) = (run, i);
            }
        }

        var wet = Enumerable.Range(longestEnd - longest + 1, longest).Select(i => sky.Hour(i).TemperatureC).OfType<double>().DefaultIfEmpty(0).Average();
        var night = Enumerable.Range(start - 3, 9).Select(i => sky.Hour(i).RelativeHumidityPercent).OfType<double>().DefaultIfEmpty(0).Average();
        return new(date, [.. Enumerable.Range(start, end - start).Select(sky.Hour)], longest, wet, night);
    }

    private static Func<int, (double, string)> Insect(InsectBiology insect, IReadOnlyList<Day> days) => i =>
    {
        var week = Last(days, i, InsectDays).SelectMany(d => d.Hours).ToList();
        var perDay = week.Select(h => h.TemperatureC).OfType<double>().Average(t => DegreeDays.OfHour(t, insect.LowerC, insect.UpperC)) * 24;
        var humidity = week.Select(h => h.RelativeHumidityPercent).OfType<double>().DefaultIfEmpty(60).Average();
        var dryness = insect.LikesDryAir ? Math.Clamp((85 - humidity) / 40, 0.2, 1) : 1;
        var air = insect.LikesDryAir ? FormattableString.Invariant($", air at {humidity:0} %") : "";
        return (perDay / (FullSpeedC - insect.LowerC) * dryness, FormattableString.Invariant($"{perDay:0} degree-days a day last week{air}"));
    };

    private static Func<int, (double, string)> WetLeaf(DiseaseBiology disease, IReadOnlyList<Day> days)
    {
        var fill = days.Select(d => InfectionFill(disease, d)).ToList();
        return i =>
        {
            var spells = Last(fill, i, DiseaseDays).Count(f => f >= 1);
            var words = spells switch { 0 => "no night wet and warm enough", 1 => "one night wet and warm enough", _ => $"{spells} nights wet and warm enough" };
            var nearly = Last(fill, i, DiseaseDays).Where(f => f < 1).Sum() * NearlyWeight;
            return ((spells + nearly) / SpellsForFull, $"{words} in ten days");
        };
    }

    private static Func<int, (double, string)> Warned(DiseaseBiology disease, IReadOnlyList<Day> days)
    {
        var wet = WetLeaf(disease, days);
        return i =>
        {
            for (var back = 0; back < WarningDays && i - back > 0; back++)
            {
                if (LateBlightWarning.Holds(days[i - back - 1].Hours, days[i - back].Hours))
                {
                    return (1 - 0.1 * back, back == 0 ? "two warm, humid days in a row" : $"two warm, humid days in a row, {back} {(back == 1 ? "day" : "days")} ago");
                }
            }

            var (value, sentence) = wet(i);
            return (value / 2, sentence);
        };
    }

    private static Func<int, (double, string)> Mildew(IReadOnlyList<Day> days)
    {
        var index = MildewIndex.After([.. days.Select(d => d.Hours.Select(h => h.TemperatureC).ToList())]);
        return i =>
        {
            var humid = days[i].NightHumidityPercent >= HumidNightPercent;
            var washed = days[i].Hours.Sum(h => h.RainMm ?? 0) > WashingRainMm;
            var value = index[i] / 100.0 * (humid ? 1 : 0.6) * (washed ? 0.7 : 1);
            return (value, $"mildew index {index[i]} of 100, {(washed ? "rain washed the leaves" : humid ? "humid nights" : "dry nights")}");
        };
    }

    private static double InfectionFill(DiseaseBiology disease, Day day) =>
        day.WetHours > 0 && Infection.HoursNeeded(day.WetMeanC, disease.MinC, disease.OptimumC, disease.MaxC, disease.WetHoursAtOptimum!.Value) is { } needed
            ? Math.Min(1, day.WetHours / needed)
            : 0;

    private static IEnumerable<T> Last<T>(IReadOnlyList<T> all, int i, int count) =>
        Enumerable.Range(Math.Max(0, i - count + 1), Math.Min(count, i + 1)).Select(k => all[k]);
}
