using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Biology;

public enum StageEventKind
{
    Hatch,
    Young,
    Adults,
}

/// <summary>A turn in an insect's life as the warmth brings it.</summary>
/// <param name="Generation">1 for the insects that were found, 2 for their young, and so on.</param>
/// <param name="Certain">False where the weather is not known that far and the last week's warmth was carried on.</param>
public sealed record StageEvent(DateOnly Day, StageEventKind Kind, int Generation, bool Certain, string Sentence);

/// <summary>
/// When eggs hatch and the young are grown, by degree-days from the day on which something was found. What was found counts as
/// just laid (or just born, for live-bearers), so every date is the earliest.
/// </summary>
public static class StageTimeline
{
    private const int MostGenerations = 6;

    /// <summary>Weather is carried on by the mean of the last this many known days.</summary>
    private const int CarriedDays = 7;

    /// <param name="days">Days from the find to the end of what is known.</param>
    /// <param name="until">Last day to look at, known or not.</param>
    /// <returns>In time order; empty when it is too cold to develop.</returns>
    public static IReadOnlyList<StageEvent> From(InsectBiology insect, SkyDays days, DateOnly until)
    {
        var known = Pressure.DegreeDaysOf(insect, days.All);
        var carried = known.Where(d => d is not null).TakeLast(CarriedDays).Select(d => d!.Value).DefaultIfEmpty(0).Average();
        var events = new List<StageEvent>();
        // The day after the last one whose warmth is in the sum.
        var (sum, day, i) = (0.0, days.All[days.First].Date, days.First);
        for (var generation = 1; generation <= MostGenerations; generation++)
        {
            var laid = (generation - 1) * insect.ToAdultDegreeDays;
            foreach (var (at, kind) in Turns(insect, generation, laid))
            {
                while (sum < at && day <= until)
                {
                    sum += i < known.Length ? known[i] ?? carried : carried;
                    day = day.AddDays(1);
                    i++;
                }

                if (sum < at)
                {
                    return events;
                }

                events.Add(Event(day.AddDays(-1), kind, generation, i <= known.Length));
            }
        }

        return events;
    }

    /// <summary>Generations that the warmth since a day allows: degree-days over those of one.</summary>
    public static double Generations(InsectBiology insect, SkyDays days) =>
        Pressure.DegreeDaysOf(insect, days.All).Skip(days.First).Sum(d => d ?? 0) / insect.ToAdultDegreeDays;

    /// <summary>Degree-days from the first of the days up to and with <paramref name="day"/>; null when a day of them is unknown.</summary>
    public static double? DegreeDaysUntil(InsectBiology insect, SkyDays days, DateOnly day)
    {
        var count = day.DayNumber - days.All[days.First].Date.DayNumber + 1;
        var known = Pressure.DegreeDaysOf(insect, days.All).Skip(days.First).Take(count).ToList();
        return known.Count == count && known.TrueForAll(d => d is not null) ? known.Sum() : null;
    }

    private static IEnumerable<(double At, StageEventKind Kind)> Turns(InsectBiology insect, int generation, double laid)
    {
        if (insect.EggDegreeDays > 0)
        {
            yield return (laid + insect.EggDegreeDays, StageEventKind.Hatch);
        }
        else if (generation > 1)
        {
            yield return (laid, StageEventKind.Young);
        }

        yield return (laid + insect.ToAdultDegreeDays, StageEventKind.Adults);
    }

    private static StageEvent Event(DateOnly day, StageEventKind kind, int generation, bool certain)
    {
        var on = Fact.Weekday(day).Words;
        var date = certain ? on : Say.Of("words.aboutSo", ("it", on));
        var whose = generation == 1 ? Say.Of("biology.ofWhatWasFound") : Say.Of("biology.ofGeneration", ("generation", generation));
        return new(
            day,
            kind,
            generation,
            certain,
            kind switch
            {
                StageEventKind.Hatch => Say.Of("biology.eggsHatch", ("whose", whose), ("date", date)),
                StageEventKind.Young => Say.Of("biology.firstYoungOfGeneration", ("generation", generation), ("date", date)),
                _ => Say.Of("biology.adultsTheyBreed", ("whose", whose), ("date", date)),
            }
        );
    }
}
