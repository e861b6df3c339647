using System.Collections;
using System.Text.Json;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Deeds;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata;

namespace Mauvaise.Store.Archive;

/// <summary>How rows of a kind compare with what is here.</summary>
/// <param name="Fresh">Not here yet.</param>
/// <param name="Differing">Here, and not the same.</param>
public sealed record KindCompared(string Words, int Fresh, int Same, int Differing);

/// <summary>What bringing an archive in would do.</summary>
public sealed record MergePreview(Guid GardenId, string GardenName, int Version, bool GardenIsHere, IReadOnlyList<KindCompared> Kinds, int WeatherHours)
{
    public int Fresh => Kinds.Sum(k => k.Fresh);
    public int Differing => Kinds.Sum(k => k.Differing);
}

/// <summary>Reads a garden out of the data file, and merges one in by id.</summary>
public sealed class ArchiveMerge(GardenDb db)
{
    private const int PhotosAtOnce = 40;

    /// <summary>What was saved so far, for undo.</summary>
    private readonly List<RowChange> changes = [];

    /// <summary>Everything of a garden; null when there is no such garden.</summary>
    public async Task<GardenArchive?> ReadAsync(Guid id, CancellationToken stop)
    {
        if (await db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id == id, stop) is not { } garden)
        {
            return null;
        }

        // A key does not belong into a file that is handed on.
        garden.StationKeyHash = null;
        var places = await db.Places.AsNoTracking().Where(p => p.GardenId == id).ToListAsync(stop);
        var placeIds = places.Select(p => p.Id).ToList();
        return Ordered(
            new GardenArchive(
                GardenArchive.Current,
                garden,
                await db.Members.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                places,
                await db.Plantings.AsNoTracking().Where(r => placeIds.Contains(r.PlaceId)).ToListAsync(stop),
                await db.Sprayers.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Products.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.OwnRecipes.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.OwnStocks.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.OwnKinds.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Stocks.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Picks.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Harvests.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Readings.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Emulsions.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Walks.AsNoTracking().Include(r => r.Skipped).Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Observations.AsNoTracking().Include(r => r.Signs).Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Photos.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db
                    .Batches.AsNoTracking()
                    .Include(r => r.Plantings)
                    .Include(r => r.Ingredients)
                    .Where(r => r.GardenId == id)
                    .AsSplitQuery()
                    .ToListAsync(stop),
                await db.Applications.AsNoTracking().Include(r => r.Treated).Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Tasks.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.CheckBacks.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Courses.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.PlanChoices.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.SeenRounds.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.FeedEvents.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Corrections.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop),
                await db.Trials.AsNoTracking().Include(r => r.Sides).Include(r => r.Units).Where(r => r.GardenId == id).AsSplitQuery().ToListAsync(stop),
                await db.TrialCounts.AsNoTracking().Where(r => r.GardenId == id).ToListAsync(stop)
            )
        );
    }

    /// <summary>What would be new, the same and different.</summary>
    /// <exception cref="ArchiveRefusedException">Another garden lives in this data file.</exception>
    public async Task<MergePreview> PreviewAsync(OpenedArchive opened, CancellationToken stop)
    {
        var theirs = Ordered(opened.Archive);
        await RefuseOtherGardenAsync(theirs.Garden, stop);
        var mine = await ReadAsync(theirs.Garden.Id, stop);
        return new MergePreview(
            theirs.Garden.Id,
            theirs.Garden.Name,
            theirs.Version,
            mine is not null,
            [
                .. GardenArchive.Kinds.Select(k =>
                {
                    var here = mine is null ? [] : k.Rows(mine).ToDictionary(KeyOf, Text);
                    var rows = k.Rows(theirs).Select(r => (Key: KeyOf(r), Text: Text(r))).ToList();
                    return new KindCompared(
                        k.Words,
                        rows.Count(r => !here.ContainsKey(r.Key)),
                        rows.Count(r => here.GetValueOrDefault(r.Key) == r.Text),
                        rows.Count(r => here.TryGetValue(r.Key, out var text) && text != r.Text)
                    );
                }),
            ],
            opened.Weather.Count
        );
    }

    /// <summary>
    /// Brings an archive in: what is not here is added; what differs is left, or taken from the archive. All or nothing, and one deed when
    /// the garden was here before; a garden that was not here leaves nothing to go back to.
    /// </summary>
    /// <exception cref="ArchiveRefusedException">Its records point to what is neither in it nor here, or another garden lives here.</exception>
    /// <param name="redraw">A photo and its small copy made safe to keep.</param>
    public async Task TakeInAsync(
        OpenedArchive opened,
        bool takeTheirs,
        DeedLog log,
        Guid? memberId,
        Func<byte[], byte[], (byte[] Image, byte[] Small)> redraw,
        CancellationToken stop
    )
    {
        var theirs = Ordered(opened.Archive);
        await RefuseOtherGardenAsync(theirs.Garden, stop);
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        var mine = await ReadAsync(theirs.Garden.Id, stop);
        try
        {
            foreach (var (_, rows) in GardenArchive.Kinds)
            {
                var here = mine is null ? [] : rows(mine).ToDictionary(KeyOf);
                foreach (var row in rows(theirs))
                {
                    if (!here.TryGetValue(KeyOf(row), out var own))
                    {
                        db.Add(row);
                    }
                    else if (takeTheirs && Text(own) != Text(row))
                    {
                        await ReplaceAsync(row, stop);
                    }
                }
            }

            await SaveAsync(stop);
            await WeatherAsync(theirs.Garden.Id, opened.Weather, stop);
            await PhotosAsync(opened, redraw, stop);
            if (mine is not null && changes.Count > 0)
            {
                log.Note(theirs.Garden.Id, memberId, Say.Of("store.tookInAFile", ("garden", theirs.Garden.Name)), changes);
                await db.SaveChangesAsync(stop);
            }

            await transaction.CommitAsync(stop);
        }
        catch (Exception e) when (e is DbUpdateException { InnerException: SqliteException } or InvalidOperationException)
        {
            throw new ArchiveRefusedException(
                "archive-loose",
                "Some records in this file point to others that are neither in it nor here, or stand in it twice. Nothing was taken in."
            );
        }
    }

    /// <summary>One data file holds one garden on screen: a second would only hide.</summary>
    private async Task RefuseOtherGardenAsync(GardenRow theirs, CancellationToken stop)
    {
        if (await db.Gardens.AsNoTracking().FirstOrDefaultAsync(g => g.Id != theirs.Id, stop) is { } other)
        {
            throw new ArchiveRefusedException(
                "archive-other-garden",
                $"This file holds the garden \"{theirs.Name}\", and here lives \"{other.Name}\". "
                    + "Start Mauvaise with another --data folder and bring it in there."
            );
        }
    }

    private async Task ReplaceAsync(object row, CancellationToken stop)
    {
        var type = db.Model.FindEntityType(row.GetType())!;
        var own = (await db.FindAsync(row.GetType(), Key(type, row), stop))!;
        var entry = db.Entry(own);
        var station = (own as GardenRow)?.StationKeyHash;
        entry.CurrentValues.SetValues(row);
        if (own is GardenRow garden)
        {
            garden.StationKeyHash = station;
        }

        foreach (var children in type.GetNavigations().Where(n => n.IsCollection))
        {
            var collection = entry.Collection(children.Name);
            await collection.LoadAsync(stop);
            var had = collection.CurrentValue!.Cast<object>().ToDictionary(c => string.Join('|', Key(children.TargetEntityType, c)));
            foreach (var child in (IEnumerable)children.GetGetter().GetClrValue(row)!)
            {
                if (had.Remove(string.Join('|', Key(children.TargetEntityType, child)), out var old))
                {
                    db.Entry(old).CurrentValues.SetValues(child);
                }
                else
                {
                    db.Add(child);
                }
            }

            db.RemoveRange(had.Values);
        }
    }

    private async Task SaveAsync(CancellationToken stop)
    {
        changes.AddRange(RowChange.AllOf(db));
        await db.SaveChangesAsync(stop);
        db.ChangeTracker.Clear();
    }

    private async Task WeatherAsync(Guid gardenId, IReadOnlyList<(WeatherSource Source, DateTimeOffset At, WeatherHour Hour)> weather, CancellationToken stop)
    {
        foreach (var source in weather.GroupBy(w => w.Source))
        {
            // What is known here already stays.
            var known = (await db.WeatherDays.AsNoTracking().Where(w => w.GardenId == gardenId && w.Source == source.Key).ToListAsync(stop)).ToDictionary(
                w => w.DayUtc,
                w => HourPacking.Unpack(w.Hours)
            );
            var hours = source
                .Select(w => (w.At, Hour: known.TryGetValue(DateOnly.FromDateTime(w.At.UtcDateTime), out var day) ? day[w.At.Hour].OrElse(w.Hour) : w.Hour))
                .GroupBy(w => w.At)
                .ToDictionary(g => g.Key, g => g.First().Hour);
            await WeatherStore.PutAsync(db, gardenId, source.Key, WeatherStore.Series(hours), stop);
            await SaveAsync(stop);
        }
    }

    private async Task PhotosAsync(OpenedArchive opened, Func<byte[], byte[], (byte[] Image, byte[] Small)> redraw, CancellationToken stop)
    {
        var here = (await db.PhotoImages.AsNoTracking().Select(p => p.PhotoId).ToListAsync(stop)).ToHashSet();
        foreach (var some in opened.Archive.Photos.Where(p => !here.Contains(p.Id)).Chunk(PhotosAtOnce))
        {
            foreach (var photo in some)
            {
                if (await opened.PhotoAsync(photo.Id, stop) is { } image)
                {
                    (image.Image, image.Small) = redraw(image.Image, image.Small);
                    db.PhotoImages.Add(image);
                }
            }

            await SaveAsync(stop);
        }
    }

    private static object[] Key(IReadOnlyTypeBase type, object row) =>
        [.. ((IReadOnlyEntityType)type).FindPrimaryKey()!.Properties.Select(p => p.PropertyInfo!.GetValue(row)!)];

    private string KeyOf(object row) => string.Join('|', Key(db.Model.FindEntityType(row.GetType())!, row));

    private static string Text(object row) => JsonSerializer.Serialize(row, row.GetType(), GardenArchive.Json);

    /// <summary>The same garden in one order, whatever order its rows came in.</summary>
    private GardenArchive Ordered(GardenArchive a)
    {
        foreach (var (_, rows) in GardenArchive.Kinds)
        {
            foreach (var row in rows(a))
            {
                foreach (var children in db.Model.FindEntityType(row.GetType())!.GetNavigations().Where(n => n.IsCollection))
                {
                    var list = (IList)children.GetGetter().GetClrValue(row)!;
                    var sorted = list.Cast<object>().OrderBy(c => string.Join('|', Key(children.TargetEntityType, c)), StringComparer.Ordinal).ToList();
                    for (var i = 0; i < sorted.Count; i++)
                    {
                        list[i] = sorted[i];
                    }
                }
            }
        }

        IReadOnlyList<T> Sorted<T>(IReadOnlyList<T> rows)
            where T : notnull => [.. rows.OrderBy(r => KeyOf(r), StringComparer.Ordinal)];
        return a with
        {
            Members = Sorted(a.Members),
            Places = Sorted(a.Places),
            Plantings = Sorted(a.Plantings),
            Sprayers = Sorted(a.Sprayers),
            Products = Sorted(a.Products),
            OwnRecipes = Sorted(a.OwnRecipes),
            OwnStocks = Sorted(a.OwnStocks),
            OwnKinds = Sorted(a.OwnKinds),
            Stocks = Sorted(a.Stocks),
            Picks = Sorted(a.Picks),
            Harvests = Sorted(a.Harvests),
            Readings = Sorted(a.Readings),
            Emulsions = Sorted(a.Emulsions),
            Walks = Sorted(a.Walks),
            Observations = Sorted(a.Observations),
            Photos = Sorted(a.Photos),
            Batches = Sorted(a.Batches),
            Applications = Sorted(a.Applications),
            Tasks = Sorted(a.Tasks),
            CheckBacks = Sorted(a.CheckBacks),
            Courses = Sorted(a.Courses),
            PlanChoices = Sorted(a.PlanChoices),
            SeenRounds = Sorted(a.SeenRounds),
            FeedEvents = Sorted(a.FeedEvents),
            Corrections = Sorted(a.Corrections),
            Trials = Sorted(a.Trials),
            TrialCounts = Sorted(a.TrialCounts),
        };
    }
}
