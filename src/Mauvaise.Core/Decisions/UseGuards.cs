using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Decisions;

/// <summary>
/// Why a mix may not go onto a planting at a time, whatever its dose: a stable code, and a clause for the middle of a sentence with its figures.
/// </summary>
public sealed record UseReason(string Code, Said Said)
{
    public string Clause => Said.Words;
}

/// <summary>Whether a material has been tried on a crop in this garden.</summary>
public enum PatchState
{
    NotNeeded,
    Proven,
    Needed,
    Waiting,
}

/// <summary>A trial on two leaves, or that one is wanted.</summary>
/// <param name="JudgeOn">The day to look at the leaves, while one is waiting.</param>
/// <param name="Burnt">The last time it was judged, it burnt this crop.</param>
public sealed record PatchTrial(Material Material, Crop Crop, PatchState State, DateOnly? JudgeOn, bool Burnt);

/// <summary>
/// What was really done at a place, and what is planned there, held against a mix: waits, season limits, rows of the same group,
/// picking, labels, ponds. The dose is judged elsewhere.
/// </summary>
public static class UseGuards
{
    /// <summary>Two leaves are judged this long after a patch test.</summary>
    public const int PatchTestDays = 2;

    /// <summary>A plant that was burnt gets nothing of the kind that burnt it for so many days, unless a later look found it healed (assumed).</summary>
    private const int HealDays = 21;

    /// <summary>A row is broken by a pause of this many days (assumed).</summary>
    internal const int RowDays = 21;

    /// <summary>Every reason against; empty when the mix may go on.</summary>
    /// <param name="inMix">All that is in it, the active first.</param>
    /// <param name="at">When it would go on.</param>
    /// <param name="working">How many of them, from the first, are there to work: stickers and emulsifiers do not count against a season's limits.</param>
    public static IReadOnlyList<UseReason> Against(GardenSnapshot garden, Planting planting, IReadOnlyList<Material> inMix, DateTimeOffset at, int working)
    {
        var place = garden.PlaceOf(planting);
        var history = garden.AppliedAt(place, at);
        return
        [
            .. Labelled(garden, inMix[0]),
            .. OwnFamily(garden.Catalogue.Crop(planting.Crop), inMix),
            .. Waits(garden, history, inMix, at),
            .. Burns(garden, planting, inMix, at),
            .. SeasonLimits(garden, history, inMix.Take(working), at),
            .. Rows(garden, history, planting, inMix[0], at),
            .. LabelLimits(garden, history, inMix[0], at),
            .. LabelCrops(garden, planting, inMix),
            .. Picking(garden, planting, inMix, at),
            .. Ponds(place, inMix),
            .. HelpersOut(garden, place, inMix, at),
        ];
    }

    /// <summary>What is made of a plant carries its diseases to its own family.</summary>
    internal static IEnumerable<UseReason> OwnFamily(Crop crop, IEnumerable<Material> inMix) =>
        from m in inMix
        where m.NeverOn.Contains(crop.Family)
        select new UseReason(
            "own-family",
            Said.Of(
                "decisions.carriesDiseases",
                ("it", Fact.Thing(m.Name.InSentence())),
                ("family", Fact.Thing(crop.Family)),
                ("crop", Fact.Thing(crop.Name.InSentence()))
            )
        );

    /// <summary>
    /// How a material stands with a crop: tried and judged in this garden, proven by the gardener's own word, waiting to be judged, or to be
    /// tried first. What burnt it here outweighs a word.
    /// </summary>
    public static PatchTrial PatchOf(GardenSnapshot garden, Crop crop, Material material)
    {
        if (material.Pantry || material.Doses is { Per: not DosedPer.Litre })
        {
            return new PatchTrial(material, crop, PatchState.NotNeeded, null, false);
        }

        var visits = garden.TriedOn(crop.Id, material.Id).Where(v => v.Spray.At <= garden.Now).ToList();
        // A look after which nobody said whether it hurt shows neither that it did no harm nor that the harm is over.
        var judged = visits.Select(v => v.Visit).Where(c => c is { DoneAt: not null, Injury: not Injury.Unsaid }).MaxBy(c => c.DoneAt);
        var burnt = judged is { Injury: >= Injury.Clear };
        return (judged is null && IsSaidProven(garden, crop, material)) || (judged is not null && !burnt)
                ? new PatchTrial(material, crop, PatchState.Proven, null, false)
            : visits.FirstOrDefault(v => v.Visit.DoneAt is null && v.Spray.PatchTest).Visit is { } waiting
                ? new PatchTrial(material, crop, PatchState.Waiting, waiting.DueOn, burnt)
            : new PatchTrial(material, crop, PatchState.Needed, null, burnt);
    }

    /// <summary>
    /// First day, today at the earliest, that a material may go on against a trouble: its two leaves judged, and its own cadence kept.
    /// </summary>
    public static DateOnly FirstDay(GardenSnapshot garden, Planting planting, Target target, Material material)
    {
        var judged = PatchOf(garden, garden.Catalogue.Crop(planting.Crop), material) switch
        {
            { State: PatchState.Needed } => garden.Today.AddDays(PatchTestDays),
            { State: PatchState.Waiting, JudgeOn: { } on } => on,
            _ => garden.Today,
        };
        return new[] { garden.Today, judged, AgainFrom(garden, planting, target, material) ?? garden.Today }.Max();
    }

    /// <summary>
    /// First day that a material's own cadence allows it again against a trouble, in a course or not; null where it never went on against it.
    /// </summary>
    public static DateOnly? AgainFrom(GardenSnapshot garden, Planting planting, Target target, Material material) =>
        garden
            .SpraysOn(planting.Id)
            .LastOrDefault(a => !a.PatchTest && a.At <= garden.Now && a.IsAgainst(target.Id) && a.MaterialAgainst(target.Id) == material.Id)
            is { } last
            ? garden.Garden.DateOf(last.At).AddDays(material.Cadence.CurativeMinDays)
            : null;

    private static bool IsSaidProven(GardenSnapshot garden, Crop crop, Material material) =>
        garden.Choices.Any(c => c.Word == PlanWord.Proven && c.Material == material.Id && garden.FindPlanting(c.PlantingId)?.Crop == crop.Id);

    private static IEnumerable<UseReason> Labelled(GardenSnapshot garden, Material active)
    {
        if (garden.Garden.OnlyLabelled && !active.IsLabelled)
        {
            yield return new("only-labelled", Said.Of("decisions.onlyLabelledProductsAreUsed"));
        }
    }

    private static IEnumerable<UseReason> Waits(
        GardenSnapshot garden,
        IReadOnlyList<SprayApplication> history,
        IReadOnlyList<Material> inMix,
        DateTimeOffset at
    ) =>
        (
            from a in history
            where at < a.At.AddDays(garden.Catalogue.LongestDaysApart)
            from before in garden.MaterialsOf(a)
            from now in inMix
            let pair = Pairs.Between(garden.Catalogue, now, before)
            where pair.DaysApart > 0 && at < a.At.AddDays(pair.DaysApart)
            orderby a.At.AddDays(pair.DaysApart) descending
            select new UseReason(
                "wait",
                Said.Of(
                    "decisions.wasGivenHereOnAndWaits",
                    ("before", Fact.Thing(before.Name.InSentence())),
                    ("date", Fact.Day(garden.Garden.DateOf(a.At))),
                    ("why", Fact.Clause(pair.Why)),
                    ("now", Fact.Thing(now.Name.InSentence())),
                    ("days", Fact.Span(pair.DaysApart)),
                    ("date2", Fact.Day(garden.Garden.DateOf(a.At.AddDays(pair.DaysApart))))
                )
            )
        ).Take(1);

    /// <summary>Oil hurts in any form until the leaves are healed, and so do soap and all else that has burnt them.</summary>
    private static IEnumerable<UseReason> Burns(GardenSnapshot garden, Planting planting, IReadOnlyList<Material> inMix, DateTimeOffset at)
    {
        var judged = garden.VisitsTo(planting.Id).Where(c => c.DoneAt is { } done && done <= at && c.ApplicationId is not null).OrderBy(c => c.DoneAt).ToList();
        if (
            judged.FindLast(c => c.Injury >= Injury.Clear) is not { DoneAt: { } on } burnt
            || at > on.AddDays(HealDays)
            || judged.Exists(c => c.DoneAt > on && c.Injury == Injury.None)
            || garden.FindSpray(burnt.ApplicationId) is not { } spray
        )
        {
            yield break;
        }

        var guilty = garden.ActivesOf(spray).Select(garden.Catalogue.FindMaterial).OfType<Material>().ToList();
        if (inMix.FirstOrDefault(m => guilty.Exists(g => g.Id == m.Id || g.Group == m.Group || (IsOil(g) && IsOil(m)))) is { } again)
        {
            yield return new(
                "burnt",
                Said.Of(
                    "decisions.burntItSeen",
                    ("material", Fact.Thing(garden.Catalogue.Material(spray.Material).Name.InSentence())),
                    ("date", Fact.Day(garden.Garden.DateOf(on))),
                    ("again", Fact.Thing(again.Name.InSentence())),
                    ("until", Fact.Day(garden.Garden.DateOf(on).AddDays(HealDays)))
                )
            );
        }
    }

    private static bool IsOil(Material m) => m.Load == LoadKind.Oil || m.Group == KnownIds.Modes.Oil;

    private static IEnumerable<UseReason> SeasonLimits(
        GardenSnapshot garden,
        IReadOnlyList<SprayApplication> history,
        IEnumerable<Material> inMix,
        DateTimeOffset at
    )
    {
        var season = garden.Garden.SeasonStart(garden.Garden.DateOf(at));
        foreach (var limit in inMix.Select(m => m.SeasonLimit).OfType<SeasonLimit>().DistinctBy(l => l.Together))
        {
            var given = GivenSince(garden, history, season, limit);
            if (given >= limit.Most)
            {
                yield return new(
                    "season-limit",
                    Said.Of(
                        "decisions.wentOnHereTimesThisSeason",
                        ("together", Fact.Thing(limit.Together)),
                        ("given", Fact.Count(given)),
                        ("most", Fact.Count(limit.Most))
                    )
                );
            }
        }
    }

    /// <summary>How often what a limit counts together went on since the season began.</summary>
    internal static int GivenSince(GardenSnapshot garden, IReadOnlyList<SprayApplication> history, DateOnly season, SeasonLimit limit) =>
        history.Count(a =>
            garden.Garden.DateOf(a.At) >= season && garden.ActivesOf(a).Any(id => garden.Catalogue.FindMaterial(id)?.SeasonLimit?.Together == limit.Together)
        );

    private static IEnumerable<UseReason> Rows(
        GardenSnapshot garden,
        IReadOnlyList<SprayApplication> history,
        Planting planting,
        Material active,
        DateTimeOffset at
    )
    {
        var inARow = history
            .Where(a => !a.PatchTest && a.Treated.Any(t => t.PlantingId == planting.Id))
            .Reverse()
            .TakeWhile(a => garden.Catalogue.FindMaterial(a.Material)?.Group == active.Group && a.At > at.AddDays(-RowDays))
            .Count();
        if (active.InARowLimit is { } row && inARow >= row)
        {
            yield return new(
                "in-a-row",
                Said.Of(
                    "decisions.wentOnTimesInARow",
                    ("group", Fact.Thing(garden.Catalogue.Group(active.Group).Name)),
                    ("given", Fact.Count(inARow)),
                    ("name", Fact.Count(row))
                )
            );
        }
    }

    /// <summary>What the label does not name it does not go on.</summary>
    private static IEnumerable<UseReason> LabelCrops(GardenSnapshot garden, Planting planting, IEnumerable<Material> inMix)
    {
        var crop = garden.Catalogue.Crop(planting.Crop);
        if (inMix.FirstOrDefault(m => m.Label?.Allows(crop) == false) is { } other)
        {
            yield return new(
                "label-crop",
                Said.Of("decisions.itsLabelDoesNotNameThisCrop", ("material", Fact.Thing(other.Name)), ("crop", Fact.Thing(crop.Name.InSentence())))
            );
        }
    }

    private static IEnumerable<UseReason> LabelLimits(GardenSnapshot garden, IReadOnlyList<SprayApplication> history, Material active, DateTimeOffset at)
    {
        var season = garden.Garden.SeasonStart(garden.Garden.DateOf(at));
        var given = history.Where(a => a.Material == active.Id && garden.Garden.DateOf(a.At) >= season).ToList();
        if (active.Label?.MaxTimes is { } most && given.Count >= most)
        {
            yield return new("label-times", Said.Of("decisions.itsLabelAllowsTimesASeason", ("most", Fact.Count(most)), ("given", Fact.Count(given.Count))));
        }

        if (active.Label?.DaysBetween is { } days && given.LastOrDefault() is { } last && at < last.At.AddDays(days))
        {
            yield return new(
                "label-interval",
                Said.Of("decisions.itsLabelWantsBetweenTwo", ("days", Fact.Span(days)), ("date", Fact.Day(garden.Garden.DateOf(last.At))))
            );
        }
    }

    private static IEnumerable<UseReason> Picking(GardenSnapshot garden, Planting planting, IReadOnlyList<Material> inMix, DateTimeOffset at)
    {
        var day = garden.Garden.DateOf(at);
        var longest = inMix.Where(m => m.DaysToWait is > 0).MaxBy(m => m.DaysToWait);
        if (
            longest?.DaysToWait is { } wait
            && garden.Picks.FirstOrDefault(p => p.PlantingId == planting.Id && p.On >= day && p.On < day.AddDays(wait)) is { } pick
        )
        {
            yield return new(
                "pick-wait",
                Said.Of(
                    "decisions.pickingIsPlannedForAndWants",
                    ("on", Fact.Day(pick.On)),
                    ("longest", Fact.Thing(longest.Name.InSentence())),
                    ("days", Fact.Span(wait))
                )
            );
        }
    }

    private static IEnumerable<UseReason> Ponds(Place place, IReadOnlyList<Material> inMix)
    {
        var furthest = inMix.MaxBy(m => m.KeepFromPondM)!;
        if (place.PondDistanceM is { } pond && pond < furthest.KeepFromPondM)
        {
            yield return new(
                "pond",
                Said.Of(
                    "decisions.thePondIsAwayAndKeeps",
                    ("figure", Fact.Length(pond)),
                    ("furthest", Fact.Thing(furthest.Name.InSentence())),
                    ("figure2", Fact.Length(furthest.KeepFromPondM))
                )
            );
        }
    }

    private static IEnumerable<UseReason> HelpersOut(GardenSnapshot garden, Place place, IReadOnlyList<Material> inMix, DateTimeOffset at)
    {
        if (
            inMix.FirstOrDefault(m => m.HarmToHelpers >= HelperGuards.Harmful) is { } harmful
            && HelperGuards.SparedAt(garden, place, at) is var (release, until)
        )
        {
            yield return new(
                "helpers-out",
                Said.Of(
                    "decisions.wereLetOutHereOnWould",
                    ("helpers", Fact.Thing(HelperGuards.Told(garden.Catalogue, release.Helper!, release.Number ?? 1))),
                    ("date", Fact.Day(garden.Garden.DateOf(release.DoneAt!.Value))),
                    ("harmful", Fact.Thing(harmful.Name.InSentence())),
                    ("until", Fact.Day(until))
                )
            );
        }
    }
}
