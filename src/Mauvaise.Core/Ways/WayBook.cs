using System.Collections.Concurrent;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Ways;

/// <summary>The ways to meet one finding, and which of them is proposed.</summary>
/// <param name="All">Every way, those that are barred among them: the proposed one first, then what holds, then the rest, each by what it costs.</param>
/// <param name="Sentence">What is proposed and what comes of it; where nothing brings it under its line, that last.</param>
public sealed record WaySet(Finding Finding, IReadOnlyList<Way> All, Said Sentence)
{
    /// <summary>What is left while no hour of the coming days suits any mix; empty when one does.</summary>
    public IReadOnlyList<LeftToDo> WithoutHour { get; init; } = [];

    /// <summary>Null when there is nothing to decide yet: no leaf affected, no name, or a count too old.</summary>
    public Way? Proposed => All.FirstOrDefault(w => w.Proposed);

    /// <summary>The best that is mixed: in the proposed way, else by itself. Null when nothing may be.</summary>
    public Way? Mixed => Proposed is { Option: not null } proposed ? proposed : All.FirstOrDefault(w => w is { Allowed: true, Option: not null });

    /// <summary>Rounds of a material against this, as they would be begun today; null when it is no way here.</summary>
    public Way? Of(Material material) => WithMaterials.FirstOrDefault(w => w.Option!.Material.Id == material.Id);

    /// <summary>Leaving it alone.</summary>
    public Way? Alone => All.FirstOrDefault(w => w.Id == Way.AloneId);

    /// <summary>What is worth comparing: the proposed way, leaving it, the next best that differ, taking out, and what was passed over.</summary>
    public IReadOnlyList<Way> Compared
    {
        get
        {
            var takeOut = All.FirstOrDefault(w => w.Uses(KnownIds.Measures.TakeOut));
            var others = All.Where(w => w.Allowed && !w.Proposed && w != Alone && w != takeOut)
                .DistinctBy(w =>
                    w.Outlook is { End: var end }
                        ? (Math.Round(end.Middle, 2), Math.Round(end.High, 2), w.Sprays, w.Hands.Count)
                        : (w.Cost, 0, w.Sprays, w.Hands.Count)
                );
            return
            [
                .. All.Where(w => w.Proposed || w == Alone),
                .. others.Take(OthersCompared),
                .. takeOut is { Allowed: true, Proposed: false } ? [takeOut] : Array.Empty<Way>(),
                .. All.Where(w => w is { Allowed: false, Option: not null }).OrderByDescending(w => w.Holds).ThenBy(w => w.Cost).Take(BarredCompared),
            ];
        }
    }

    private const int OthersCompared = 4,
        BarredCompared = 3;

    /// <summary>One way for each material, the best first: the proposed one, else what is mixed without hands.</summary>
    public IEnumerable<Way> WithMaterials =>
        All.Where(w => w.Option is not null)
            .GroupBy(w => w.Option!.Material.Id)
            .Select(g => g.OrderByDescending(w => w.Proposed).ThenBy(w => w.After is not null).ThenBy(w => w.Hands.Count).First());
}

/// <summary>
/// The one judgement of what may be done about what was found. Ladder, rota, Board, bench, what-if, calendar and shopping list ask it; it
/// is worked out once for each finding of a garden, and again when anything that it depends on changed.
/// </summary>
public sealed class WayBook
{
    /// <summary>A way is judged by the share of leaves after so many days.</summary>
    public const int JudgedAfterDays = 21;

    /// <summary>Days that a way is played through.</summary>
    public const int PlayedDays = 28;

    private readonly GardenSnapshot garden;
    private readonly ConcurrentDictionary<(Guid Observation, int? Leaves), WaySet> known = new();

    private WayBook(GardenSnapshot garden)
    {
        this.garden = garden;
        Hours = new HalfDayHours(garden, HoursAheadDays);
    }

    /// <summary>Days in which an hour for a spray is looked for.</summary>
    internal const int HoursAheadDays = 7;

    internal HalfDayHours Hours { get; }

    /// <summary>The book of a garden at an instant.</summary>
    public static WayBook Of(GardenSnapshot garden)
    {
        ArgumentNullException.ThrowIfNull(garden);
        return garden.Remembered(g => new WayBook(g));
    }

    /// <summary>The ways to meet a count.</summary>
    /// <param name="seen">At least one leaf was looked at.</param>
    /// <param name="leaves">Leaves on all plants, where somebody counted them.</param>
    public WaySet For(Planting planting, Observation seen, int? leaves = null) =>
        known.GetOrAdd((seen.Id, leaves), _ => WaySearch.Search(Finding.Of(garden, planting, seen), leaves, Hours));

    /// <summary>The ways to meet a count that nobody made.</summary>
    public WaySet Imagined(Planting planting, Observation seen) => WaySearch.Search(Finding.Of(garden, planting, seen), null, Hours);

    /// <summary>The ways to meet a trouble that was counted at the latest look; null when it was not.</summary>
    public WaySet? For(Planting planting, Target target) =>
        garden
            .LatestLook(planting.Id)
            .Where(o => o is { LeavesLooked: > 0, LeavesAffected: > 0 })
            .Select(o => For(planting, o))
            .FirstOrDefault(set => set.Finding.Target?.Id == target.Id);
}
