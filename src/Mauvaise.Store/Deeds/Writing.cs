using System.Globalization;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Deeds;

/// <summary>Puts what a deed writes into the file: the only place where its rows are made.</summary>
public static class Writing
{
    /// <summary>Marks everything to be saved. What is changed, and the shelf that is drawn from, is read first. The caller saves.</summary>
    public static async Task PutAsync(GardenDb db, Guid gardenId, Written written, CancellationToken stop)
    {
        foreach (var walk in written.Walks)
        {
            // A round of long ago is not in the snapshot, so a late count of it seems to begin it.
            if (!await db.Walks.AnyAsync(w => w.GardenId == gardenId && w.Id == walk.Id, stop))
            {
                db.Walks.Add(
                    new WalkRow
                    {
                        Id = walk.Id,
                        GardenId = gardenId,
                        StartedAt = walk.StartedAt,
                        EndedAt = walk.EndedAt,
                        MemberId = walk.MemberId,
                    }
                );
            }
        }

        db.Observations.AddRange(written.Observations.Select(o => Row(gardenId, written.MemberId, o)));
        db.Batches.AddRange(written.Batches.Select(b => Row(gardenId, b)));
        db.Applications.AddRange(written.Sprays.Select(a => Row(gardenId, a)));
        db.Courses.AddRange(written.Courses.Select(c => Row(gardenId, written.MemberId, c)));
        foreach (var task in written.Tasks)
        {
            await PutAsync(db, gardenId, written.MemberId, task, stop);
        }

        foreach (var visit in written.CheckBacks)
        {
            await PutAsync(db, gardenId, visit, stop);
        }

        foreach (var draw in written.Draws)
        {
            if (await db.Stocks.FirstOrDefaultAsync(s => s.GardenId == gardenId && s.Id == draw.StockId, stop) is { } stock)
            {
                stock.Left -= draw.Amount;
            }
        }
    }

    private static async Task PutAsync(GardenDb db, Guid gardenId, Guid? memberId, GardenTask task, CancellationToken stop)
    {
        var row = await db.Tasks.FirstOrDefaultAsync(t => t.GardenId == gardenId && t.Id == task.Id, stop);
        if (row is null)
        {
            db.Tasks.Add(
                row = new TaskRow
                {
                    Id = task.Id,
                    GardenId = gardenId,
                    Step = task.Step,
                    MemberId = memberId,
                }
            );
        }

        (row.PlantingId, row.LookId, row.Target, row.DueOn) = (task.PlantingId, task.LookId, task.Target, task.DueOn);
        (row.State, row.DoneAt, row.Leaves) = (task.State, task.DoneAt, task.Leaves);
        (row.Helper, row.Number, row.Dose) = (task.Helper, task.Number, task.Dose);
    }

    private static async Task PutAsync(GardenDb db, Guid gardenId, CheckBack visit, CancellationToken stop)
    {
        if (await db.CheckBacks.FirstOrDefaultAsync(c => c.GardenId == gardenId && c.Id == visit.Id, stop) is { } row)
        {
            Fill(row, visit);
        }
        else
        {
            db.CheckBacks.Add(Row(gardenId, visit));
        }
    }

    /// <summary>The row of a visit.</summary>
    public static CheckBackRow Row(Guid gardenId, CheckBack visit)
    {
        var row = new CheckBackRow { Id = visit.Id, GardenId = gardenId };
        Fill(row, visit);
        return row;
    }

    private static void Fill(CheckBackRow row, CheckBack visit)
    {
        (row.ApplicationId, row.TaskId, row.PlantingId, row.DueOn) = (visit.ApplicationId, visit.TaskId, visit.PlantingId, visit.DueOn);
        (row.DoneAt, row.ObservationId, row.Outcome, row.MemberId) = (visit.DoneAt, visit.ObservationId, visit.Outcome, visit.MemberId);
        (row.Injury, row.InjurySigns, row.BeforeId) = (visit.Injury, RowReading.Joined(visit.InjurySigns), visit.BeforeId);
        row.AlsoTarget = visit.AlsoTarget;
        (row.Alive, row.Dead, row.OnlyDead, row.DiscountedFor) = (visit.Alive, visit.Dead, visit.OnlyDead, visit.DiscountedFor);
    }

    private static ObservationRow Row(Guid gardenId, Guid? memberId, Observation o)
    {
        var row = new ObservationRow
        {
            Id = o.Id,
            GardenId = gardenId,
            LookId = o.LookId,
            WalkId = o.WalkId,
            PlantingId = o.PlantingId,
            At = o.At,
            MemberId = memberId,
        };
        Fill(row, o);
        return row;
    }

    /// <summary>What was counted, into its row; signs that it holds and the observation does not name stay.</summary>
    public static void Fill(ObservationRow row, Observation o)
    {
        (row.LeavesLooked, row.LeavesAffected, row.SeverityPercent, row.On) = (o.LeavesLooked, o.LeavesAffected, o.SeverityPercent, o.On);
        (row.Ants, row.Helpers, row.Mummies, row.Part, row.Side, row.Roots) = (o.Ants, o.Helpers, o.Mummies, o.Part, o.Side, o.Roots);
        (row.Named, row.NameIsGroup, row.OwnName, row.Note) = (o.Named, o.NameIsGroup, o.OwnName, o.Note);
        row.Plants = SinglePlants.Kept(o.Plants);
        foreach (var seen in o.Signs)
        {
            if (row.Signs.Find(s => s.Sign == seen.Sign) is not { } sign)
            {
                row.Signs.Add(sign = new ObservedSignRow { ObservationId = o.Id, Sign = seen.Sign });
            }

            sign.Present = seen.Present;
        }
    }

    private static BatchRow Row(Guid gardenId, Batch b) =>
        new()
        {
            Id = b.Id,
            GardenId = gardenId,
            MadeAt = b.MadeAt,
            MemberId = b.MemberId,
            Recipe = b.Recipe,
            Step = b.Step,
            Litres = b.Litres,
            UseBy = b.UseBy,
            Target = b.Target,
            PatchTest = b.PatchTest,
            EmptiedAt = b.EmptiedAt,
            SprayerId = b.SprayerId,
            ReadyAt = b.ReadyAt,
            AlsoTarget = b.Also?.Target,
            AlsoMaterial = b.Also?.Material,
            Plantings = [.. b.PlantingIds.Select(p => new BatchPlantingRow { BatchId = b.Id, PlantingId = p })],
            Ingredients =
            [
                .. b.Ingredients.Select(i => new BatchIngredientRow
                {
                    BatchId = b.Id,
                    Material = i.Material,
                    Role = i.Role,
                    Amount = i.Amount,
                    Unit = i.Unit,
                    BottlePercent = i.BottlePercent,
                }),
            ],
        };

    private static ApplicationRow Row(Guid gardenId, SprayApplication a) =>
        new()
        {
            Id = a.Id,
            GardenId = gardenId,
            BatchId = a.BatchId,
            At = a.At,
            MemberId = a.MemberId,
            Material = a.Material,
            PerLitre = a.PerLitre,
            Litres = a.Litres,
            Target = a.Target,
            PatchTest = a.PatchTest,
            Note = a.Note,
            TemperatureC = a.Air?.TemperatureC,
            RelativeHumidityPercent = a.Air?.RelativeHumidityPercent,
            WindMetresPerSecond = a.Air?.WindMetresPerSecond,
            Why = a.Why,
            Parts = RowReading.Joined(a.Parts),
            ExpectedLitres = a.ExpectedLitres,
            AlsoTarget = a.Also?.Target,
            AlsoMaterial = a.Also?.Material,
            Treated =
            [
                .. a.Treated.Select(t => new TreatedRow
                {
                    ApplicationId = a.Id,
                    PlantingId = t.PlantingId,
                    ShareWetted = t.ShareWetted,
                    Plants = SinglePlants.Kept(t.Plants),
                }),
            ],
        };

    private static CourseRow Row(Guid gardenId, Guid? memberId, Course c) =>
        new()
        {
            Id = c.Id,
            GardenId = gardenId,
            PlantingId = c.PlantingId,
            Target = c.Target,
            Recipe = c.Recipe,
            OpenedAt = c.OpenedAt,
            Step = c.Step,
            SpacingDays = c.SpacingDays,
            Rounds = c.Rounds,
            DegreeDaysPerDay = c.DegreeDaysPerDay,
            OwnDays = c.OwnDays.Count == 0 ? null : string.Join(',', c.OwnDays.Select(d => d.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture))),
            ThenRecipe = c.Then?.Recipe,
            ThenSpacingDays = c.Then?.SpacingDays,
            ThenRounds = c.Then?.Rounds,
            MemberId = memberId,
        };
}
