using System.Linq.Expressions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Loading;

/// <summary>A stretch of the ledger, the newest first, and how much more there is.</summary>
/// <param name="Counts">All entries that match, by kind.</param>
public sealed record LedgerPage(IReadOnlyList<LedgerEntry> Entries, IReadOnlyDictionary<LedgerKind, int> Counts);

/// <summary>Something that was done, as a mark in a picture of the season.</summary>
/// <param name="What">Material of a spray, measure of a task; null for a count.</param>
/// <param name="Share">Of leaves affected, for a count; null otherwise.</param>
public sealed record LedgerMark(LedgerKind Kind, DateTimeOffset At, Guid PlantingId, string? What, double? Share);

/// <summary>Reads the ledger of all years straight from the file: filtering, paging and summing are done there.</summary>
public sealed class LedgerReader(GardenDb db)
{
    /// <summary>Entries that match, from <paramref name="skip"/> on.</summary>
    public async Task<LedgerPage> PageAsync(Guid gardenId, LedgerFilter filter, int skip, int take, CancellationToken stop)
    {
        var most = skip + take;
        var entries = new List<LedgerEntry>();
        var counts = new Dictionary<LedgerKind, int>();
        async Task Add<T>(
            LedgerKind kind,
            IQueryable<T> rows,
            Expression<Func<T, DateTimeOffset?>> at,
            Func<IQueryable<T>, IQueryable<T>> with,
            Func<T, LedgerEntry> entry
        )
            where T : class
        {
            if (filter.Kind is null || filter.Kind == kind)
            {
                counts[kind] = await rows.CountAsync(stop);
                entries.AddRange((await with(rows.OrderByDescending(at).Take(most)).ToListAsync(stop)).Select(entry));
            }
        }

        await Add(LedgerKind.Spray, Sprays(gardenId, filter), a => a.At, q => q.Include(a => a.Treated), a => OfSpray(a));
        await Add(LedgerKind.Task, Tasks(gardenId, filter), t => t.DoneAt, q => q, OfTask);
        await Add(LedgerKind.Count, CountsOf(gardenId, filter), o => o.At, q => q, OfCount);
        await Add(LedgerKind.Check, Checks(gardenId, filter), c => c.DoneAt, q => q, c => OfCheck(c));
        var page = entries.OrderByDescending(e => e.At).ThenBy(e => e.Id).Skip(skip).Take(take).ToList();
        return new LedgerPage(await DetailedAsync(page, stop), counts);
    }

    /// <summary>The latest sprays, tasks and counts that match, as marks; what was struck out is left out.</summary>
    /// <param name="most">Of each kind.</param>
    public async Task<IReadOnlyList<LedgerMark>> MarksAsync(Guid gardenId, LedgerFilter filter, int most, CancellationToken stop)
    {
        bool Wants(LedgerKind kind) => filter.Kind is null || filter.Kind == kind;
        return
        [
            .. Wants(LedgerKind.Spray)
                ? await Sprays(gardenId, filter)
                    .Where(a => a.StruckAt == null)
                    .OrderByDescending(a => a.At)
                    .Take(most)
                    .SelectMany(a => a.Treated, (a, t) => new LedgerMark(LedgerKind.Spray, a.At, t.PlantingId, a.Material, null))
                    .ToListAsync(stop)
                : [],
            .. Wants(LedgerKind.Task)
                ? await Tasks(gardenId, filter)
                    .OrderByDescending(t => t.DoneAt)
                    .Take(most)
                    .Select(t => new LedgerMark(LedgerKind.Task, t.DoneAt!.Value, t.PlantingId, t.Step, null))
                    .ToListAsync(stop)
                : [],
            .. Wants(LedgerKind.Count)
                ? await CountsOf(gardenId, filter)
                    .Where(o => o.LeavesLooked > 0)
                    .OrderByDescending(o => o.At)
                    .Take(most)
                    .Select(o => new LedgerMark(LedgerKind.Count, o.At, o.PlantingId, null, (double)o.LeavesAffected / o.LeavesLooked))
                    .ToListAsync(stop)
                : [],
        ];
    }

    /// <summary>Sums over all sprays that match.</summary>
    public async Task<SprayUse> UseAsync(Guid gardenId, LedgerFilter filter, CancellationToken stop)
    {
        var sprays = Sprays(gardenId, filter with { Kind = LedgerKind.Spray }).Where(a => a.StruckAt == null && !a.PatchTest);
        return new SprayUse(
            await sprays.GroupBy(a => a.Material).Select(g => new MaterialUse(g.Key, g.Count(), g.Sum(a => a.Litres))).ToListAsync(stop),
            [
                // Where no mix was logged, only its active is known.
                .. (
                    await sprays
                        .Where(a => a.BatchId != null)
                        .Select(a => a.BatchId!.Value)
                        .Distinct()
                        .Join(db.Set<BatchIngredientRow>(), b => b, i => i.BatchId, (_, i) => i)
                        .GroupBy(i => i.Material)
                        .Select(g => new IngredientUse(g.Key, g.Sum(i => i.Amount)))
                        .ToListAsync(stop)
                )
                    .Concat(
                        await sprays
                            .Where(a => a.BatchId == null && a.PerLitre != null)
                            .GroupBy(a => a.Material)
                            .Select(g => new IngredientUse(g.Key, g.Sum(a => a.PerLitre!.Value * a.Litres)))
                            .ToListAsync(stop)
                    )
                    .GroupBy(i => i.Material)
                    .Select(g => new IngredientUse(g.Key, g.Sum(i => i.Amount))),
            ],
            await (
                from a in sprays
                from t in a.Treated
                join p in db.Plantings on t.PlantingId equals p.Id
                group a.Id by new { p.PlaceId, a.Material } into g
                select new PlaceUse(g.Key.PlaceId, g.Key.Material, g.Distinct().Count())
            ).ToListAsync(stop)
        );
    }

    public IQueryable<ApplicationRow> Sprays(Guid gardenId, LedgerFilter f)
    {
        var rows = db.Applications.AsNoTracking().Where(a => a.GardenId == gardenId);
        rows = f.From is { } from ? rows.Where(a => a.At >= from) : rows;
        rows = f.To is { } to ? rows.Where(a => a.At < to) : rows;
        rows = f.PlaceId is { } place ? rows.Where(a => a.Treated.Any(t => db.Plantings.Any(p => p.Id == t.PlantingId && p.PlaceId == place))) : rows;
        rows = f.Material is { } material ? rows.Where(a => a.Material == material) : rows;
        rows = f.Target is { } target ? rows.Where(a => a.Target == target || a.AlsoTarget == target) : rows;
        return f.MemberId is { } member ? rows.Where(a => a.MemberId == member) : rows;
    }

    public IQueryable<TaskRow> Tasks(Guid gardenId, LedgerFilter f)
    {
        var rows = db.Tasks.AsNoTracking().Where(t => t.GardenId == gardenId && t.State == TaskState.Done && t.DoneAt != null);
        rows = f.From is { } from ? rows.Where(t => t.DoneAt >= from) : rows;
        rows = f.To is { } to ? rows.Where(t => t.DoneAt < to) : rows;
        rows = f.PlaceId is { } place ? rows.Where(t => db.Plantings.Any(p => p.Id == t.PlantingId && p.PlaceId == place)) : rows;
        // A task has no material, so none matches one.
        rows = f.Material is null ? rows : rows.Where(_ => false);
        rows = f.Target is { } target ? rows.Where(t => t.Target == target) : rows;
        return f.MemberId is { } member ? rows.Where(t => t.MemberId == member) : rows;
    }

    public IQueryable<ObservationRow> CountsOf(Guid gardenId, LedgerFilter f)
    {
        var rows = db.Observations.AsNoTracking().Where(o => o.GardenId == gardenId);
        rows = f.From is { } from ? rows.Where(o => o.At >= from) : rows;
        rows = f.To is { } to ? rows.Where(o => o.At < to) : rows;
        rows = f.PlaceId is { } place ? rows.Where(o => db.Plantings.Any(p => p.Id == o.PlantingId && p.PlaceId == place)) : rows;
        rows = f.Material is null ? rows : rows.Where(_ => false);
        rows = f.Target is { } target ? rows.Where(o => o.Named == target) : rows;
        return f.MemberId is { } member ? rows.Where(o => o.MemberId == member) : rows;
    }

    public IQueryable<CheckBackRow> Checks(Guid gardenId, LedgerFilter f)
    {
        var rows = db.CheckBacks.AsNoTracking().Where(c => c.GardenId == gardenId && c.DoneAt != null);
        rows = f.From is { } from ? rows.Where(c => c.DoneAt >= from) : rows;
        rows = f.To is { } to ? rows.Where(c => c.DoneAt < to) : rows;
        rows = f.PlaceId is { } place ? rows.Where(c => db.Plantings.Any(p => p.Id == c.PlantingId && p.PlaceId == place)) : rows;
        rows = f.Material is { } material ? rows.Where(c => db.Applications.Any(a => a.Id == c.ApplicationId && a.Material == material)) : rows;
        rows = f.Target is { } target
            ? rows.Where(c =>
                db.Applications.Any(a => a.Id == c.ApplicationId && (c.AlsoTarget ?? a.Target) == target)
                || db.Tasks.Any(t => t.Id == c.TaskId && t.Target == target)
            )
            : rows;
        return f.MemberId is { } member ? rows.Where(c => c.MemberId == member) : rows;
    }

    /// <summary>What the entries of a page want from other tables: whether a spray was corrected, what a visit judged.</summary>
    private async Task<IReadOnlyList<LedgerEntry>> DetailedAsync(List<LedgerEntry> page, CancellationToken stop)
    {
        var sprays = page.Where(e => e.Kind == LedgerKind.Spray).Select(e => e.Id).ToList();
        var corrected = (
            await db.Corrections.AsNoTracking().Where(c => sprays.Contains(c.ApplicationId)).Select(c => c.ApplicationId).ToListAsync(stop)
        ).ToHashSet();
        var checks = page.Where(e => e.Kind == LedgerKind.Check).Select(e => e.Id).ToList();
        var judged = await (
            from c in db.CheckBacks.AsNoTracking()
            where checks.Contains(c.Id)
            join a in db.Applications on c.ApplicationId equals a.Id into sprayed
            from a in sprayed.DefaultIfEmpty()
            join t in db.Tasks on c.TaskId equals t.Id into done
            from t in done.DefaultIfEmpty()
            join o in db.Observations on c.ObservationId equals o.Id into counted
            from o in counted.DefaultIfEmpty()
            select new
            {
                c.Id,
                What = a != null ? (c.AlsoTarget != null && a.AlsoMaterial != null ? a.AlsoMaterial : a.Material)
                : t != null ? t.Step
                : null,
                Target = a != null ? c.AlsoTarget ?? a.Target
                : t != null ? t.Target
                : null,
                Looked = o != null ? (int?)o.LeavesLooked : null,
                Affected = o != null ? (int?)o.LeavesAffected : null,
                On = o != null ? o.On : CountedOn.Leaves,
                ByPlant = o != null && o.Plants != null,
            }
        ).ToDictionaryAsync(x => x.Id, stop);
        return
        [
            .. page.Select(e =>
                e.Kind switch
                {
                    LedgerKind.Spray => e with { Corrected = corrected.Contains(e.Id) },
                    LedgerKind.Check when judged.TryGetValue(e.Id, out var j) => e with
                    {
                        What = j.What,
                        Target = j.Target,
                        LeavesLooked = j.Looked,
                        LeavesAffected = j.Affected,
                        On = j.On,
                        ByPlant = j.ByPlant,
                    },
                    _ => e,
                }
            ),
        ];
    }

    private static LedgerEntry OfSpray(ApplicationRow a) =>
        new(
            LedgerKind.Spray,
            a.Id,
            a.At,
            a.MemberId,
            [.. a.Treated.Select(t => t.PlantingId)],
            a.Material,
            a.Target,
            a.Litres,
            a.PerLitre,
            a.PatchTest,
            a.Why,
            a.StruckAt,
            Note: a.Note
        );

    private static LedgerEntry OfTask(TaskRow t) => new(LedgerKind.Task, t.Id, t.DoneAt!.Value, t.MemberId, [t.PlantingId], t.Step, t.Target, Leaves: t.Leaves);

    private static LedgerEntry OfCount(ObservationRow o) =>
        new(
            LedgerKind.Count,
            o.Id,
            o.At,
            o.MemberId,
            [o.PlantingId],
            null,
            o.Named,
            LeavesLooked: o.LeavesLooked,
            LeavesAffected: o.LeavesAffected,
            Note: o.Note,
            On: o.On,
            ByPlant: o.Plants is not null
        );

    private static LedgerEntry OfCheck(CheckBackRow c) =>
        new(LedgerKind.Check, c.Id, c.DoneAt!.Value, c.MemberId, [c.PlantingId], null, null, Outcome: c.Outcome, Injury: c.Injury);
}
