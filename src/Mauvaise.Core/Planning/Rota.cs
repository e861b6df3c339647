using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Planning;

/// <summary>One round on one planting, with its hours.</summary>
/// <param name="Key">Of the round: planting, trouble and how many rounds came before. It stays the same when the round moves.</param>
/// <param name="Round">1 for the first of the course.</param>
/// <param name="Litres">Its share of the tank.</param>
/// <param name="Why">Why it is done; empty for a later round.</param>
/// <param name="WhyThen">Why on that day.</param>
/// <param name="Against">Materials and days that were passed over, and why.</param>
/// <param name="Pinned">The gardener pinned it to this day.</param>
public sealed record PlannedRound(
    string Key,
    NeedKind Kind,
    Planting Planting,
    Place Place,
    Target Target,
    Recipe Recipe,
    DoseStep Step,
    int Round,
    int Rounds,
    DateOnly On,
    SlotHours Hours,
    bool Pinned,
    double Litres,
    IReadOnlyList<Said> Why,
    Said WhyThen,
    IReadOnlyList<Said> Against
);

/// <summary>One mix for several plantings in one visit, in the order in which they are met.</summary>
public sealed record PlannedTank(Recipe Recipe, DoseStep Step, double Litres, IReadOnlyList<PlannedRound> Rounds);

/// <summary>Two leaves that are tried before the first spray of a mix on a crop.</summary>
public sealed record PlannedPatch(Planting Planting, Place Place, Target Target, Recipe Recipe, DateOnly On, SlotHours? Hours);

/// <summary>One visit in one window.</summary>
/// <param name="Key">Of the visit: that of its first round, so that a visit that moves stays the same visit.</param>
/// <param name="Hours">From the first hour to the last; each round has its own.</param>
/// <param name="Tasks">What was taken on and goes first.</param>
public sealed record Outing(string Key, DateOnly On, bool Morning, SlotHours Hours, IReadOnlyList<PlannedTank> Tanks, IReadOnlyList<GardenTask> Tasks);

/// <summary>What goes on next at a planting, and when.</summary>
/// <param name="WhyThen">Why on that day; null for two leaves, which are tried at once.</param>
public sealed record NextMix(Recipe Recipe, DateOnly On, Said? WhyThen);

/// <summary>A visit to count again.</summary>
public sealed record PlannedVisit(DateOnly On, Planting Planting, string What, Guid? CheckBackId)
{
    /// <summary>Where a visit is shown at a time of day, it is at six in the evening by the clock.</summary>
    public const int UsualHour = 18;
}

/// <summary>A walk over plantings that nobody will have looked at for long.</summary>
public sealed record PlannedWalk(DateOnly On, IReadOnlyList<Planting> Plantings);

/// <summary>Something that wants to be sprayed and is not planned, with what would change that.</summary>
public sealed record NotPlanned(Planting Planting, Target Target, Said Sentence);

/// <summary>Something expected beyond the fortnight.</summary>
public sealed record OutlineEntry(DateOnly WeekOf, Place Place, Target Target, Material Material, NeedKind Kind);

public enum ChangeKind
{
    New,
    Moved,
    OtherMix,
    Dropped,
}

/// <summary>What became of a round since the gardener last looked.</summary>
public sealed record PlanChange(ChangeKind Kind, Planting? Planting, Said Sentence);

/// <summary>The plan: a fortnight firm, the rest of the season in outline.</summary>
/// <param name="Cannot">What can not be planned at all, and what to change.</param>
/// <param name="Cost">Of the firm part, share of crop value.</param>
public sealed record Rota(
    DateOnly From,
    DateOnly FirmTo,
    IReadOnlyList<Outing> Outings,
    IReadOnlyList<PlannedPatch> Patches,
    IReadOnlyList<PlannedVisit> Visits,
    IReadOnlyList<PlannedWalk> Walks,
    IReadOnlyList<NotPlanned> NotPlanned,
    IReadOnlyList<Said> Cannot,
    IReadOnlyList<OutlineEntry> Outline,
    IReadOnlyList<PlanChange> Changes,
    double Cost
)
{
    public IEnumerable<PlannedRound> Rounds => Outings.SelectMany(o => o.Tanks).SelectMany(t => t.Rounds);

    /// <summary>What goes on next against a trouble, two leaves or a round; null where nothing is planned.</summary>
    public NextMix? Next(Guid plantingId, string target)
    {
        if (Patches.FirstOrDefault(p => p.Planting.Id == plantingId && p.Target.Id == target) is { } patch)
        {
            return new NextMix(patch.Recipe, patch.On, null);
        }

        var round = Rounds.Where(r => r.Planting.Id == plantingId && r.Target.Id == target).MinBy(r => r.On);
        return round is null ? null : new NextMix(round.Recipe, round.On, round.WhyThen);
    }

    /// <summary>Why nothing is planned against a trouble that wants to be sprayed; null where something is, or nothing is wanted.</summary>
    public Said? WhyNot(Guid plantingId, string target) => NotPlanned.FirstOrDefault(n => n.Planting.Id == plantingId && n.Target.Id == target)?.Sentence;
}
