using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Loading;

/// <summary>Loads what the core needs to know of a garden, in one go, untracked.</summary>
public sealed class SnapshotLoader(GardenDb db, GardenCatalogue catalogue, TimeProvider clock)
{
    /// <summary>Records older than this are left in the file.</summary>
    private static readonly TimeSpan HistoryBack = TimeSpan.FromDays(400);
    private static readonly TimeSpan WeatherBack = TimeSpan.FromDays(55);
    private static readonly TimeSpan WeatherAhead = TimeSpan.FromDays(11);

    /// <summary>Null when there is no such garden.</summary>
    public async Task<GardenSnapshot?> LoadAsync(Guid gardenId, CancellationToken stop)
    {
        if (await db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == gardenId, stop) is not { } garden)
        {
            return null;
        }

        var now = clock.GetUtcNow();
        var since = now - HistoryBack;
        var places = await db.Places.AsNoTracking().Where(p => p.GardenId == gardenId).OrderBy(p => p.Order).ThenBy(p => p.Name).ToListAsync(stop);
        var placeIds = places.Select(p => p.Id).ToList();
        var fetch = await db.WeatherFetches.AsNoTracking().FirstOrDefaultAsync(f => f.GardenId == gardenId && f.Source == WeatherSource.Service, stop);
        var products = await db.Products.AsNoTracking().Where(p => p.GardenId == gardenId).OrderBy(p => p.Name).ToListAsync(stop);
        return new GardenSnapshot(
            ToGarden(garden),
            now,
            catalogue.With([.. products.Select(ToProduct)]),
            [.. (await db.Members.AsNoTracking().Where(m => m.GardenId == gardenId).Select(m => new Member(m.Id, m.Name, m.Role)).ToListAsync(stop))
                .OrderBy(m => m.Role).ThenBy(m => m.Name, StringComparer.Ordinal)],
            [.. places.Select(ToPlace)],
            await db.Plantings.AsNoTracking().Where(p => placeIds.Contains(p.PlaceId)).OrderBy(p => p.From).ThenBy(p => p.Crop)
                .Select(p => new Planting(p.Id, p.PlaceId, p.Crop, p.Variety, p.From, p.Until, p.Count, p.Stage, p.InFlower)).ToListAsync(stop),
            [.. (await db.Walks.AsNoTracking().Include(w => w.Skipped).Where(w => w.GardenId == gardenId && w.StartedAt >= since).OrderBy(w => w.StartedAt).ToListAsync(stop))
                .Select(w => new WalkTaken(w.Id, w.StartedAt, w.EndedAt, w.MemberId, [.. w.Skipped.Select(x => x.PlaceId)]))],
            [.. (await db.Observations.AsNoTracking().Include(o => o.Signs).Where(o => o.GardenId == gardenId && o.At >= since).OrderBy(o => o.At).AsSplitQuery().ToListAsync(stop)).Select(ToObservation)],
            [.. (await db.Batches.AsNoTracking().Include(b => b.Plantings).Include(b => b.Ingredients).Where(b => b.GardenId == gardenId && b.MadeAt >= since).OrderBy(b => b.MadeAt).AsSplitQuery().ToListAsync(stop)).Select(ToBatch)],
            [.. (await db.Applications.AsNoTracking().Include(a => a.Treated).Where(a => a.GardenId == gardenId && a.At >= since).OrderBy(a => a.At).AsSplitQuery().ToListAsync(stop)).Select(ToApplication)],
            await db.CheckBacks.AsNoTracking().Where(c => c.GardenId == gardenId && c.DueOn >= DateOnly.FromDateTime(since.UtcDateTime)).OrderBy(c => c.DueOn)
                .Select(c => new CheckBack(c.Id, c.ApplicationId, c.PlantingId, c.DueOn, c.DoneAt, c.ObservationId, c.Outcome, c.Injury, c.TaskId)).ToListAsync(stop),
            await db.Tasks.AsNoTracking().Where(t => t.GardenId == gardenId && t.DueOn >= DateOnly.FromDateTime(since.UtcDateTime)).OrderBy(t => t.DueOn)
                .Select(t => new GardenTask(t.Id, t.PlantingId, t.LookId, t.Step, t.Target, t.DueOn, t.State, t.DoneAt, t.Leaves)).ToListAsync(stop),
            [.. (await db.Courses.AsNoTracking().Where(c => c.GardenId == gardenId && c.OpenedAt >= since).OrderBy(c => c.OpenedAt).ToListAsync(stop)).Select(ToCourse)],
            await db.PlanChoices.AsNoTracking().Where(c => c.GardenId == gardenId).OrderBy(c => c.On).ThenBy(c => c.Id)
                .Select(c => new PlanChoice(c.Id, c.Word, c.PlantingId, c.Target, c.Material, c.On)).ToListAsync(stop),
            await db.SeenRounds.AsNoTracking().Where(r => r.GardenId == gardenId).OrderBy(r => r.On).ThenBy(r => r.Key)
                .Select(r => new SeenRound(r.Key, r.On, r.Recipe)).ToListAsync(stop),
            await db.Sprayers.AsNoTracking().Where(s => s.GardenId == gardenId).OrderBy(s => s.CapacityLitres)
                .Select(s => new Sprayer(s.Id, s.Name, s.CapacityLitres)).ToListAsync(stop),
            await db.Stocks.AsNoTracking().Where(s => s.GardenId == gardenId).OrderBy(s => s.Name)
                .Select(s => new Stock(s.Id, s.Material, s.Name, s.Amount, s.Left, s.Unit, s.OpenedOn, s.BestBefore, s.StrengthPercent, s.Cost, s.LowAt)).ToListAsync(stop),
            await db.Picks.AsNoTracking().Where(p => p.GardenId == gardenId && p.On >= DateOnly.FromDateTime(since.UtcDateTime)).OrderBy(p => p.On)
                .Select(p => new PlannedPick(p.Id, p.PlantingId, p.On)).ToListAsync(stop),
            await db.Emulsions.AsNoTracking().Where(e => e.GardenId == gardenId).OrderBy(e => e.At)
                .Select(e => new Emulsion(e.Id, e.At, e.Oil, e.Soap, e.Water, e.SoapMlPerLitre, e.HeldSeconds)).ToListAsync(stop),
            await WeatherStore.ReadAsync(db, gardenId, now - WeatherBack, now + WeatherAhead, stop),
            new WeatherState(fetch?.AnsweredAt, fetch?.Trouble));
    }

    public static Garden ToGarden(GardenRow g) =>
        new(g.Id, g.Name, g.Latitude, g.Longitude, g.ElevationM, g.TimeZoneId, g.Climate, g.Kitchen, g.Stance, g.DiseaseApproach, g.OnlyLabelled,
            g.FreeHours is null ? null : new FreeHours([.. g.FreeHours.Split(',').Select(m => int.Parse(m, CultureInfo.InvariantCulture))]),
            g.Water);

    public static OwnProduct ToProduct(ProductRow p) =>
        new(p.Id, p.Name, p.Like, p.WorksOn.Split(',', StringSplitOptions.RemoveEmptyEntries), p.Unit, p.DoseLow, p.DoseHigh, p.AddTo, p.MaxTimes, p.DaysBetween, p.DaysToWait, p.Retired);

    private static Place ToPlace(PlaceRow p) =>
        new(p.Id, p.Name, p.Kind, p.AreaM2, p.SunHours, p.Watering, p.SunFrom, p.SunTo, p.Stance, p.PondDistanceM, p.Order);

    private static Observation ToObservation(ObservationRow o) =>
        new(o.Id, o.LookId, o.WalkId, o.PlantingId, o.At, o.LeavesLooked, o.LeavesAffected, o.SeverityPercent, o.Ants, o.Helpers, o.Mummies,
            o.Part, o.Side, o.Roots,
            [.. o.Signs.OrderBy(s => s.Sign, StringComparer.Ordinal).Select(s => new SeenSign(s.Sign, s.Present))], o.Named, o.NameIsGroup, o.Note);

    public static Batch ToBatch(BatchRow b) =>
        new(b.Id, b.MadeAt, b.Recipe, b.Step, b.Litres, b.UseBy, b.Target,
            [.. b.Plantings.Select(p => p.PlantingId)],
            [.. b.Ingredients.OrderBy(i => i.Role == "active" ? "" : i.Role, StringComparer.Ordinal).ThenBy(i => i.Material, StringComparer.Ordinal).Select(i => new Measured(i.Material, i.Role, i.Amount, i.Unit))],
            b.PatchTest,
            b.EmptiedAt,
            b.MemberId);

    private static Course ToCourse(CourseRow c) =>
        new(c.Id, c.PlantingId, c.Target, c.Recipe, c.OpenedAt, c.Step, c.SpacingDays, c.Rounds, c.DegreeDaysPerDay,
            [.. (c.OwnDays ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).Select(d => DateOnly.ParseExact(d, "yyyy-MM-dd", CultureInfo.InvariantCulture))], c.StoppedAt);

    private static SprayApplication ToApplication(ApplicationRow a) =>
        new(a.Id, a.BatchId, a.At, a.Material, a.PerLitre, a.Litres, a.Target,
            [.. a.Treated.Select(t => new Treated(t.PlantingId, t.ShareWetted))], a.PatchTest, a.Note);
}
