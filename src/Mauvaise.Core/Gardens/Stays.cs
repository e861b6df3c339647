using System.Globalization;

namespace Mauvaise.Core.Gardens;

/// <summary>Where a planting stood before it was carried to where it stands.</summary>
/// <param name="Until">The day on which it was carried away.</param>
public readonly record struct Stay(Guid PlaceId, DateOnly Until);

/// <summary>How earlier places of a planting are kept as text: "id:2026-07-16;id:2026-08-01", in order.</summary>
public static class Stays
{
    private const string Day = "yyyy-MM-dd";

    /// <summary>Null for none.</summary>
    public static string? Kept(IReadOnlyList<Stay> stays) =>
        stays.Count == 0 ? null : string.Join(';', stays.Select(s => $"{s.PlaceId}:{s.Until.ToString(Day, CultureInfo.InvariantCulture)}"));

    /// <summary>What was kept; null where it can not be read.</summary>
    public static IReadOnlyList<Stay>? Read(string? kept)
    {
        var stays = new List<Stay>();
        foreach (var part in (kept ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries))
        {
            if (
                part.Split(':') is not [var id, var day]
                || !Guid.TryParse(id, out var place)
                || !DateOnly.TryParseExact(day, Day, CultureInfo.InvariantCulture, DateTimeStyles.None, out var until)
            )
            {
                return null;
            }

            stays.Add(new Stay(place, until));
        }

        return stays;
    }
}
