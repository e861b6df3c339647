using System.Globalization;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Sky;

/// <summary>The hours of the week in which somebody of the household is free, by local clock.</summary>
/// <param name="Days">Seven masks, Monday first; bit h stands for the hour from h to h + 1.</param>
public sealed record FreeHours(IReadOnlyList<int> Days)
{
    private const int WholeDay = (1 << 24) - 1;

    public static FreeHours Always { get; } = new([.. Enumerable.Repeat(WholeDay, 7)]);

    /// <summary>By the hours, not by the list that holds them: the same week read twice is the same.</summary>
    public bool Equals(FreeHours? other) => other is not null && Days.SequenceEqual(other.Days);

    public override int GetHashCode() => Days.Aggregate(0, HashCode.Combine);

    /// <summary>True when somebody is free in the hour that holds the local time.</summary>
    public bool Holds(DateTimeOffset local) => (Days[((int)local.DayOfWeek + 6) % 7] >> local.Hour & 1) == 1;

    /// <summary>A day as the gardener writes it: "6-8, 18-21", "always" or "never".</summary>
    public string Day(int day) =>
        Days[day] switch
        {
            WholeDay => Say.Of("sky.always"),
            0 => Say.Of("sky.never"),
            var mask => string.Join(", ", Runs(mask)),
        };

    /// <summary>Reads seven days as <see cref="Day"/> writes them, Monday first; null with the first day that does not read.</summary>
    /// <param name="wrongDay">0 to 6 for the day at fault; -1 when all read.</param>
    public static FreeHours? Read(IReadOnlyList<string> days, out int wrongDay)
    {
        var masks = days.Select(ReadDay).ToList();
        wrongDay = masks.Count == 7 ? masks.FindIndex(m => m is null) : Math.Min(masks.Count, 6);
        return wrongDay < 0 ? new FreeHours([.. masks.Select(m => m!.Value)]) : null;
    }

    private static int? ReadDay(string words)
    {
        var text = words.Trim().ToLowerInvariant();
        if (text is "always" or "all day" || text == Say.Of("sky.always"))
        {
            return WholeDay;
        }

        if (text is "" or "never" || text == Say.Of("sky.never"))
        {
            return 0;
        }

        var mask = 0;
        foreach (var part in text.Split(',', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var ends = part.Split('-', '–');
            if (ends.Length != 2 || Hour(ends[0]) is not { } from || Hour(ends[1]) is not { } to || from >= to)
            {
                return null;
            }

            for (var h = from; h < to; h++)
            {
                mask |= 1 << h;
            }
        }

        return mask;
    }

    private static int? Hour(string text)
    {
        var whole = text.Trim();
        whole = whole.EndsWith(":00", StringComparison.Ordinal) ? whole[..^3] : whole;
        return int.TryParse(whole, NumberStyles.None, CultureInfo.InvariantCulture, out var hour) && hour <= 24 ? hour : null;
    }

    private static IEnumerable<string> Runs(int mask)
    {
        for (var h = 0; h < 24; h++)
        {
            if ((mask >> h & 1) == 1)
            {
                var from = h;
                while (h < 24 && (mask >> h & 1) == 1)
                {
                    h++;
                }

                yield return $"{from}-{h}";
            }
        }
    }
}
