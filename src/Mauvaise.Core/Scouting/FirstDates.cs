using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Scouting;

/// <summary>When a trouble was first seen in a season.</summary>
/// <param name="Year">Calendar year in the north; the year in which the season begins in the south.</param>
/// <param name="DegreeDays">Over the target's threshold since the season's first day; null without biology or weather.</param>
public sealed record FirstDate(int Year, DateOnly Day, double? DegreeDays);

/// <summary>When a trouble is to be expected this season, and from when to protect.</summary>
/// <param name="Expected">The middle of the garden's own first dates; the climate's date when there are none; null for what comes all year and has
/// none.</param>
/// <param name="Own">True when it rests on the garden's own log.</param>
/// <param name="ProtectFrom">Null where the stance does not protect.</param>
public sealed record SeasonOutlook(DateOnly? Expected, bool Own, DateOnly? ProtectFrom, IReadOnlyList<FirstDate> Past, string Sentence);

/// <summary>First dates of own past years, and the date to expect from them or from the climate. Works south of the equator.</summary>
public static class FirstDates
{
    /// <summary>Days before the first date at which prevention begins, by stance; none as a last resort.</summary>
    public static int? ProtectDaysBefore(Stance stance) =>
        stance switch
        {
            Stance.KeepAhead => 21,
            Stance.WatchAndTreat => 14,
            _ => null,
        };

    /// <summary>The first day of the season that holds a date: 1 January in the north, 1 July in the south.</summary>
    public static DateOnly SeasonStart(double latitude, DateOnly date) =>
        latitude >= 0 ? new DateOnly(date.Year, 1, 1) : new DateOnly(date.Month >= 7 ? date.Year : date.Year - 1, 7, 1);

    /// <summary>First day of each season on which a target was named with affected leaves, oldest first.</summary>
    /// <param name="named">Days on which it was, in any order.</param>
    /// <param name="degreeDays">Degree-days from the season's first day to a day; null where unknown.</param>
    public static IReadOnlyList<FirstDate> Of(IEnumerable<DateOnly> named, double latitude, Func<DateOnly, DateOnly, double?> degreeDays) =>
        [
            .. named
                .GroupBy(day => SeasonStart(latitude, day))
                .OrderBy(g => g.Key)
                .Select(g => (Start: g.Key, First: g.Min()))
                .Select(x => new FirstDate(x.Start.Year, x.First, degreeDays(x.Start, x.First))),
        ];

    /// <param name="past">First dates of earlier seasons; this season's own is left out of the expectation.</param>
    public static SeasonOutlook Outlook(Target target, IReadOnlyList<FirstDate> past, GardenCatalogue catalogue, Garden garden, Stance stance, DateOnly today)
    {
        var start = SeasonStart(garden.Latitude, today);
        var own = past.Where(f => SeasonStart(garden.Latitude, f.Day) < start)
            .Select(f => f.Day.DayNumber - SeasonStart(garden.Latitude, f.Day).DayNumber)
            .Order()
            .ToList();
        if (own.Count == 0 && target.Season is { From: 1, To: 12 })
        {
            return new(null, false, null, past, Say.Of("scouting.comesAtAnyTime"));
        }

        var offset = own.Count > 0 ? (own[(own.Count - 1) / 2] + own[own.Count / 2]) / 2 : ClimateOffset(target, catalogue, garden);
        var expected = start.AddDays(offset);
        DateOnly? protect = ProtectDaysBefore(stance) is { } days ? expected.AddDays(-days) : null;
        var basis = own.Count switch
        {
            0 => Say.Of("scouting.asTheClimateHasItNo"),
            1 => Say.Of("scouting.asInTheOneEarlierSeason"),
            _ => Say.Of("scouting.theMiddleOfEarlierSeasons", ("own", own.Count)),
        };
        var from = protect is { } p ? Say.Of("scouting.protectFrom", ("date", Date(p))) : "";
        return new(expected, own.Count > 0, protect, past, Say.Sentences(Say.Of("scouting.expectedAbout", ("date", Date(expected)), ("basis", basis)), from));
    }

    /// <summary>
    /// Days from the season's start to the first month of the target's season, moved to when this climate is as warm as a
    /// continental one is then (assumed).
    /// </summary>
    private static int ClimateOffset(Target target, GardenCatalogue catalogue, Garden garden)
    {
        var usual = DayOfMonth(target.Season.From);
        if (catalogue.FindClimate(garden.Climate) is not { } here || catalogue.FindClimate(KnownIds.Climates.Continental) is not { } home)
        {
            return usual;
        }

        var warmth = MeanC(home, usual);
        for (var day = Math.Max(0, usual - 75); day < Math.Min(364, usual + 75); day++)
        {
            if (MeanC(here, day) >= warmth)
            {
                return day;
            }
        }

        return Math.Min(364, usual + 75);
    }

    private static int DayOfMonth(int month) => new DateOnly(2026, month, 1).DayOfYear - 1;

    /// <summary>Normal temperature on a day after the season's start, straight between mid-months.</summary>
    internal static double MeanC(Climate climate, int day)
    {
        var month = day / 30.44 - 0.5;
        var i = (int)Math.Floor(month);
        var f = month - i;
        return climate.MeanC[(i + 12) % 12] * (1 - f) + climate.MeanC[(i + 13) % 12] * f;
    }

    private static string Date(DateOnly day) => Say.In(day, "d MMMM");
}
