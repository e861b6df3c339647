using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Lessons;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Facts;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Loading;

/// <summary>Loads what the core needs to know of a garden, in one go, untracked.</summary>
public sealed class SnapshotLoader(GardenDb db, Catalogues catalogues, TimeProvider clock, SnapshotCache cache)
{
    /// <summary>Records older than this are left in the file.</summary>
    private static readonly TimeSpan HistoryBack = TimeSpan.FromDays(400);
    private static readonly TimeSpan WeatherBack = TimeSpan.FromDays(55);
    private static readonly TimeSpan WeatherAhead = TimeSpan.FromDays(11);

    /// <summary>Outcomes older than this teach nothing any more, years (assumed).</summary>
    private const int YearsLearned = 5;

    /// <summary>Weather before a season that its indices start from.</summary>
    private static readonly TimeSpan SeasonRunUp = TimeSpan.FromDays(25);

    /// <summary>The garden as it stands now; null when there is no such garden.</summary>
    public async Task<GardenSnapshot?> LoadAsync(Guid gardenId, CancellationToken stop)
    {
        var now = clock.GetUtcNow();
        // Asked for before reading: what is written meanwhile makes the next one read again.
        var version = cache.Version();
        if (cache.Find(gardenId, version, now) is { } kept)
        {
            return kept with { Now = now };
        }

        var read = await ReadAsync(gardenId, new Span(now, now - HistoryBack, now + HistoryBack, now - WeatherBack, now + WeatherAhead, null, null), stop);
        if (read is not null)
        {
            cache.Keep(gardenId, version, read);
        }

        return read;
    }

    /// <summary>A garden as it stood at the end of a season, or stands now, with all that was recorded in it.</summary>
    /// <param name="from">First day of the season.</param>
    /// <param name="to">Last day; today at the latest.</param>
    /// <param name="placeId">Only what was recorded at this place; null for all.</param>
    public async Task<GardenSnapshot?> LoadSeasonAsync(Guid gardenId, DateOnly from, DateOnly to, Guid? placeId, CancellationToken stop)
    {
        if (await db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } row)
        {
            return null;
        }

        var garden = RowReading.ToGarden(row);
        var end = new[] { garden.StartOf(to.AddDays(1)).AddMinutes(-1), clock.GetUtcNow() }.Min();
        var start = garden.StartOf(from);
        // Outcomes of a season that the garden learns from still need no reading again when the garden of today is in memory.
        var now = clock.GetUtcNow();
        var judged = start > now.AddYears(-YearsLearned) ? cache.Find(gardenId, cache.Version(), now)?.Judged.Where(j => j.JudgedAt <= end).ToList() : null;
        return await ReadAsync(gardenId, new Span(end, start, end, start - SeasonRunUp, end + WeatherAhead, placeId, judged), stop);
    }

    /// <summary>What of a garden is read.</summary>
    /// <param name="Now">As of when.</param>
    /// <param name="Judged">What is known of outcomes; null to read it.</param>
    private sealed record Span(
        DateTimeOffset Now,
        DateTimeOffset Since,
        DateTimeOffset Until,
        DateTimeOffset WeatherFrom,
        DateTimeOffset WeatherTo,
        Guid? PlaceId,
        IReadOnlyList<JudgedSpray>? Judged
    );

    /// <summary>Reads all of it as of one instant: in one transaction, which in write-ahead mode holds nobody up.</summary>
    private async Task<GardenSnapshot?> ReadAsync(Guid gardenId, Span span, CancellationToken stop)
    {
        if (db.Database.CurrentTransaction is not null)
        {
            return await ReadAtOnceAsync(gardenId, span, stop);
        }

        await db.Database.OpenConnectionAsync(stop);
        try
        {
            await using var reading = ((SqliteConnection)db.Database.GetDbConnection()).BeginTransaction(deferred: true);
            await db.Database.UseTransactionAsync(reading, stop);
            return await ReadAtOnceAsync(gardenId, span, stop);
        }
        finally
        {
            await db.Database.UseTransactionAsync(null, stop);
            await db.Database.CloseConnectionAsync();
        }
    }

    private async Task<GardenSnapshot?> ReadAtOnceAsync(Guid gardenId, Span span, CancellationToken stop)
    {
        if (await db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return null;
        }

        var (now, since, until) = (span.Now, span.Since, span.Until);
        var (sinceDay, untilDay) = (DateOnly.FromDateTime(since.UtcDateTime), DateOnly.FromDateTime(until.UtcDateTime));
        var places = await db.Places.AsNoTracking().Where(p => p.GardenId == gardenId).OrderBy(p => p.Order).ThenBy(p => p.Name).ToListAsync(stop);
        var fetch = await db.WeatherFetches.AsNoTracking().FirstOrDefaultAsync(f => f.GardenId == gardenId && f.Source == WeatherSource.Service, stop);
        var products = await db.Products.AsNoTracking().Where(p => p.GardenId == gardenId).OrderBy(p => p.Name).ToListAsync(stop);
        var recipes = await db.OwnRecipes.AsNoTracking().Where(r => r.GardenId == gardenId).OrderBy(r => r.Name).ToListAsync(stop);
        var stocks = await db.OwnStocks.AsNoTracking().Where(r => r.GardenId == gardenId).OrderBy(r => r.Name).ToListAsync(stop);
        var kinds = await db.OwnKinds.AsNoTracking().Where(k => k.GardenId == gardenId).OrderBy(k => k.Name).ToListAsync(stop);
        // Plantings of the garden, and of those the ones whose records are wanted.
        var plantings = db.Plantings.AsNoTracking().Where(p => db.Places.Any(x => x.Id == p.PlaceId && x.GardenId == gardenId));
        var wanted = span.PlaceId is { } place ? plantings.Where(p => p.PlaceId == place || p.EarlierPlaces!.Contains(place.ToString())) : null;
        IQueryable<T> Of<T>(IQueryable<T> rows, Func<IQueryable<T>, IQueryable<T>> only) => wanted is null ? rows : only(rows);

        var applications = Of(db.Applications.AsNoTracking().Where(a => a.GardenId == gardenId && a.At >= since && a.At <= until && a.StruckAt == null), q =>
            q.Where(a => a.Treated.Any(t => wanted!.Any(p => p.Id == t.PlantingId)))
        );
        var tasks = Of(db.Tasks.AsNoTracking().Where(t => t.GardenId == gardenId && t.DueOn >= sinceDay && t.DueOn <= untilDay), q =>
            q.Where(t => wanted!.Any(p => p.Id == t.PlantingId))
        );
        // Only with what they judge: a visit may lie within the time that is read and its spray before it.
        var checkBacks = Of(
            db.CheckBacks.AsNoTracking()
                .Where(c =>
                    c.GardenId == gardenId
                    && c.DueOn >= sinceDay
                    && c.DueOn <= untilDay
                    && (
                        db.Applications.Any(a => a.Id == c.ApplicationId && a.StruckAt == null && a.At >= since)
                        || db.Tasks.Any(t => t.Id == c.TaskId && t.DueOn >= sinceDay)
                    )
                ),
            q => q.Where(c => wanted!.Any(p => p.Id == c.PlantingId))
        );
        return Learning.In(
            KnownRecords.Of(
                new GardenSnapshot(
                    RowReading.ToGarden(garden),
                    now,
                    catalogues.Spoken.With(
                        [.. products.Select(RowReading.ToProduct)],
                        [.. recipes.Select(RowReading.ToOwnRecipe)],
                        [.. kinds.Select(RowReading.ToOwnKind)],
                        [.. stocks.Select(RowReading.ToOwnStock)]
                    ),
                    [
                        .. (await db.Members.AsNoTracking().Where(m => m.GardenId == gardenId).Select(m => new Member(m.Id, m.Name, m.Role)).ToListAsync(stop))
                            .OrderBy(m => m.Role)
                            .ThenBy(m => m.Name, StringComparer.Ordinal),
                    ],
                    [.. places.Select(RowReading.ToPlace)],
                    [.. (await plantings.OrderBy(p => p.From).ThenBy(p => p.Crop).ToListAsync(stop)).Select(RowReading.ToPlanting)],
                    [
                        .. (
                            await db
                                .Walks.AsNoTracking()
                                .Include(w => w.Skipped)
                                .Where(w => w.GardenId == gardenId && w.StartedAt >= since && w.StartedAt <= until)
                                .OrderBy(w => w.StartedAt)
                                .ToListAsync(stop)
                        ).Select(w => new WalkTaken(w.Id, w.StartedAt, w.EndedAt, w.MemberId, [.. w.Skipped.Select(x => x.PlaceId)])),
                    ],
                    [
                        .. (
                            await Of(db.Observations.AsNoTracking().Where(o => o.GardenId == gardenId && o.At >= since && o.At <= until), q =>
                                    q.Where(o => wanted!.Any(p => p.Id == o.PlantingId))
                                )
                                .Include(o => o.Signs)
                                .OrderBy(o => o.At)
                                .AsSplitQuery()
                                .ToListAsync(stop)
                        ).Select(RowReading.ToObservation),
                    ],
                    [
                        .. (
                            await Of(db.Batches.AsNoTracking().Where(b => b.GardenId == gardenId && b.MadeAt >= since && b.MadeAt <= until), q =>
                                    q.Where(b => applications.Any(a => a.BatchId == b.Id))
                                )
                                .Include(b => b.Plantings)
                                .Include(b => b.Ingredients)
                                .OrderBy(b => b.MadeAt)
                                .AsSplitQuery()
                                .ToListAsync(stop)
                        ).Select(RowReading.ToBatch),
                    ],
                    [.. (await applications.Include(a => a.Treated).OrderBy(a => a.At).AsSplitQuery().ToListAsync(stop)).Select(RowReading.ToApplication)],
                    [.. (await checkBacks.OrderBy(c => c.DueOn).ToListAsync(stop)).Select(RowReading.ToCheckBack)],
                    await tasks
                        .OrderBy(t => t.DueOn)
                        .Select(t => new GardenTask(
                            t.Id,
                            t.PlantingId,
                            t.LookId,
                            t.Step,
                            t.Target,
                            t.DueOn,
                            t.State,
                            t.DoneAt,
                            t.Leaves,
                            t.Helper,
                            t.Number,
                            t.Dose
                        ))
                        .ToListAsync(stop),
                    [
                        .. (
                            await Of(db.Courses.AsNoTracking().Where(c => c.GardenId == gardenId && c.OpenedAt >= since && c.OpenedAt <= until), q =>
                                    q.Where(c => wanted!.Any(p => p.Id == c.PlantingId))
                                )
                                .OrderBy(c => c.OpenedAt)
                                .ToListAsync(stop)
                        ).Select(RowReading.ToCourse),
                    ],
                    await db
                        .PlanChoices.AsNoTracking()
                        .Where(c => c.GardenId == gardenId)
                        .OrderBy(c => c.On)
                        .ThenBy(c => c.Id)
                        .Select(c => new PlanChoice(c.Id, c.Word, c.PlantingId, c.Target, c.Material, c.On))
                        .ToListAsync(stop),
                    await db
                        .SeenRounds.AsNoTracking()
                        .Where(r => r.GardenId == gardenId)
                        .OrderBy(r => r.On)
                        .ThenBy(r => r.Key)
                        .Select(r => new SeenRound(r.Key, r.On, r.Recipe))
                        .ToListAsync(stop),
                    await db
                        .Sprayers.AsNoTracking()
                        .Where(s => s.GardenId == gardenId)
                        .OrderBy(s => s.CapacityLitres)
                        .Select(s => new Sprayer(s.Id, s.Name, s.CapacityLitres))
                        .ToListAsync(stop),
                    await db
                        .Stocks.AsNoTracking()
                        .Where(s => s.GardenId == gardenId)
                        .OrderBy(s => s.Name)
                        .Select(s => new Stock(
                            s.Id,
                            s.Material,
                            s.Name,
                            s.Amount,
                            s.Left,
                            s.Unit,
                            s.OpenedOn,
                            s.BestBefore,
                            s.StrengthPercent,
                            s.Cost,
                            s.LowAt,
                            s.ReadyAt
                        ))
                        .ToListAsync(stop),
                    await db
                        .Picks.AsNoTracking()
                        .Where(p => p.GardenId == gardenId && p.On >= sinceDay)
                        .OrderBy(p => p.On)
                        .Select(p => new PlannedPick(p.Id, p.PlantingId, p.On))
                        .ToListAsync(stop),
                    await db
                        .Emulsions.AsNoTracking()
                        .Where(e => e.GardenId == gardenId)
                        .OrderBy(e => e.At)
                        .Select(e => new Emulsion(e.Id, e.At, e.Oil, e.Soap, e.Water, e.SoapMlPerLitre, e.HeldSeconds))
                        .ToListAsync(stop),
                    await WeatherStore.ReadAsync(db, gardenId, span.WeatherFrom, span.WeatherTo, stop),
                    new WeatherState(fetch?.AnsweredAt, fetch?.Trouble)
                )
                {
                    Judged = span.Judged ?? await JudgedAsync(gardenId, now, stop),
                    Trials = await TrialsAsync(db, gardenId, stop),
                    Harvests = await Of(db.Harvests.AsNoTracking().Where(h => h.GardenId == gardenId && h.At >= since && h.At <= until), q =>
                            q.Where(h => wanted!.Any(p => p.Id == h.PlantingId))
                        )
                        .OrderBy(h => h.At)
                        .Select(h => new Harvest(h.Id, h.PlantingId, h.At, h.Grams, h.Pieces, h.Washed, h.MemberId))
                        .ToListAsync(stop),
                    Readings = await db
                        .Readings.AsNoTracking()
                        .Where(r => r.GardenId == gardenId && r.At >= since && r.At <= until && (span.PlaceId == null || r.PlaceId == span.PlaceId))
                        .OrderBy(r => r.At)
                        .Select(r => new Reading(r.Id, r.PlaceId, r.Of, r.At, r.Value, r.MemberId))
                        .ToListAsync(stop),
                }
            )
        );
    }

    /// <summary>What came of every spray of some years: a garden learns from more than its last season, and what was true long ago may not be now.</summary>
    private async Task<IReadOnlyList<JudgedSpray>> JudgedAsync(Guid gardenId, DateTimeOffset now, CancellationToken stop)
    {
        var (since, until) = (now.AddYears(-YearsLearned), now);
        return await (
            from c in db.CheckBacks.AsNoTracking()
            where c.GardenId == gardenId && c.DoneAt >= since && c.DoneAt <= until
            join a in db.Applications on c.ApplicationId equals a.Id
            where a.StruckAt == null
            join p in db.Plantings on c.PlantingId equals p.Id
            join before in db.Observations on c.BeforeId equals before.Id into befores
            from before in befores.DefaultIfEmpty()
            join after in db.Observations on c.ObservationId equals after.Id into afters
            from after in afters.DefaultIfEmpty()
            orderby a.At, c.Id
            select new JudgedSpray(
                c.Id,
                a.Id,
                p.Id,
                p.Crop,
                c.AlsoTarget != null && a.AlsoMaterial != null ? a.AlsoMaterial! : a.Material,
                c.AlsoTarget ?? a.Target,
                a.At,
                c.DoneAt!.Value,
                before == null ? null : new LeafCount(before.LeavesLooked, before.LeavesAffected),
                after == null ? null : new LeafCount(after.LeavesLooked, after.LeavesAffected),
                c.Outcome,
                c.Injury,
                c.DiscountedFor
            )
        ).ToListAsync(stop);
    }

    /// <summary>Every trial of a garden, with its counts in time order.</summary>
    public static async Task<IReadOnlyList<Trial>> TrialsAsync(GardenDb db, Guid gardenId, CancellationToken stop)
    {
        var trials = await db
            .Trials.AsNoTracking()
            .Include(t => t.Sides)
            .Include(t => t.Units)
            .Where(t => t.GardenId == gardenId)
            .OrderBy(t => t.OpenedAt)
            .AsSplitQuery()
            .ToListAsync(stop);
        var counts = (await db.TrialCounts.AsNoTracking().Where(c => c.GardenId == gardenId).OrderBy(c => c.At).ThenBy(c => c.Unit).ToListAsync(stop)).ToLookup(
            c => c.TrialId
        );
        return
        [
            .. trials.Select(t => new Trial(
                t.Id,
                t.Name,
                t.Target,
                t.Unit,
                t.LeavesPerUnit,
                t.Seed,
                t.Blind,
                t.OpenedAt,
                t.TreatedAt,
                t.ClosedAt,
                [.. t.Sides.OrderBy(s => s.Number).Select(s => new TrialSide(s.Number, s.Recipe, s.Step, s.ByHand))],
                [.. t.Units.OrderBy(u => u.Number).Select(u => new TrialUnit(u.Number, u.PlantingId, u.Side))],
                [.. counts[t.Id].Select(c => new TrialCount(c.Id, c.Unit, c.At, c.LeavesLooked, c.LeavesAffected, c.SeverityPercent, c.Injury, c.Alive))],
                Math.Max(t.TreatedTimes, t.TreatedAt is null ? 0 : 1),
                t.LastTreatedAt ?? t.TreatedAt
            )),
        ];
    }
}
