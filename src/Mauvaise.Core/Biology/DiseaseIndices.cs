using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Biology;

/// <summary>Severity value of one wet period for the Alternaria kind. Madden, Pennypacker and MacNab 1978, doi:10.1094/Phyto-68-1354.</summary>
public static class SeverityValues
{
    private static readonly (double FromC, double ToC, int[] FirstHourOfValue)[] Table =
    [
        (13, 18, [7, 16, 21]),
        (18, 21, [4, 9, 16, 23]),
        (21, 26, [3, 6, 13, 21]),
        (26, 29 + 1e-9, [4, 9, 16, 23]),
    ];

    /// <summary>0 to 4. A band holds its lower and not its upper temperature, but 29 C itself; 0 outside 13 to 29 C.</summary>
    /// <param name="wetHours">0 or more; part hours count down to the whole hour.</param>
    /// <example>10 h at 22 C gives 2.</example>
    public static int OfWetPeriod(double wetHours, double meanTemperatureC)
    {
        Bounds.NotNegative(wetHours);
        Bounds.Within(meanTemperatureC, -60, 60);
        var band = Table.FirstOrDefault(b => meanTemperatureC >= b.FromC && meanTemperatureC < b.ToC);
        return band.FirstHourOfValue?.Count(h => Math.Floor(wetHours) >= h) ?? 0;
    }
}

/// <summary>Powdery mildew index 0 to 100: Gubler and Thomas, in Gubler et al. 1999; made for vines, an indicator here.</summary>
public static class MildewIndex
{
    /// <summary>
    /// The index after each day. It starts once three favourable days (6 or more consecutive hours at 21 to 30 C) have come in
    /// a row, at 60; then +20 for a favourable day, -10 otherwise, and -10 more for a day over 35 C.
    /// </summary>
    /// <param name="daysOfHourlyC">Days in order, each with its hourly temperatures; unknown hours are null and break a run.</param>
    public static IReadOnlyList<int> After(IReadOnlyList<IReadOnlyList<double?>> daysOfHourlyC)
    {
        var result = new int[daysOfHourlyC.Count];
        var inARow = 0;
        int? index = null;
        for (var d = 0; d < daysOfHourlyC.Count; d++)
        {
            var day = daysOfHourlyC[d];
            var favourable = LongestRun(day, t => t is >= 21 and <= 30) >= 6;
            inARow = favourable ? inARow + 1 : 0;
            if (index is { } before)
            {
                index = Math.Clamp(before + (favourable ? 20 : -10) - (day.Any(t => t > 35) ? 10 : 0), 0, 100);
            }
            else if (inARow == 3)
            {
                index = 60;
            }

            result[d] = index ?? 0;
        }

        return result;
    }

    private static int LongestRun(IReadOnlyList<double?> hours, Func<double?, bool> holds)
    {
        int longest = 0,
            run = 0;
        foreach (var t in hours)
        {
            run = holds(t) ? run + 1 : 0;
            longest = Math.Max(longest, run);
        }

        return longest;
    }
}

/// <summary>Late blight warning. Hutton criteria, Dancey et al. 2017.</summary>
public static class LateBlightWarning
{
    /// <summary>True when two days in a row each had a minimum of at least 10 C and six or more hours at 90 % humidity or more.</summary>
    public static bool Holds(IReadOnlyList<WeatherHour> firstDay, IReadOnlyList<WeatherHour> secondDay) => Suits(firstDay) && Suits(secondDay);

    private static bool Suits(IReadOnlyList<WeatherHour> day) =>
        day.Count > 0 && day.All(h => h.TemperatureC >= 10) && day.Count(h => h.RelativeHumidityPercent >= 90) >= 6;
}
