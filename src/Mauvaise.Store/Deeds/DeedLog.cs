using System.Text.Json;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Store.Deeds;

/// <summary>A write that the gardener may not make; nothing was written.</summary>
public class DeedRefusedException(string code, string sentence) : Exception(sentence)
{
    public string Code { get; } = code;
}

/// <summary>Makes writes: each one transaction, remembered with what it changed, so that the last can be undone.</summary>
public sealed class DeedLog(GardenDb db, TimeProvider clock, Seen seen)
{
    /// <summary>Writes all that follows from a deed, together with its record.</summary>
    /// <exception cref="DeedRefusedException">The member may only look, or is nobody of the household.</exception>
    public Task WriteAsync(Guid gardenId, Written written, CancellationToken stop) =>
        WriteAsync(gardenId, written.MemberId, written.Words, db => Writing.PutAsync(db, gardenId, written, stop), stop);

    /// <summary>Runs <paramref name="change"/> and saves it together with its record.</summary>
    /// <param name="words">As on the undo button.</param>
    /// <exception cref="DeedRefusedException">The member may only look.</exception>
    public Task WriteAsync(Guid gardenId, Guid? memberId, string words, Action<GardenDb> change, CancellationToken stop) =>
        WriteAsync(
            gardenId,
            memberId,
            words,
            x =>
            {
                change(x);
                return Task.CompletedTask;
            },
            stop
        );

    private async Task WriteAsync(Guid gardenId, Guid? memberId, string words, Func<GardenDb, Task> change, CancellationToken stop)
    {
        if (memberId is not null)
        {
            var member = await db.Members.AsNoTracking().FirstOrDefaultAsync(m => m.Id == memberId && m.GardenId == gardenId, stop)
                ?? throw new DeedRefusedException("member-unknown", Say.Of("store.notOfTheHousehold"));
            if (member.Role == Role.Looker)
            {
                throw new DeedRefusedException("only-looks", Say.Of("store.mayOnlyLook", ("name", member.Name)));
            }
        }

        await change(db);
        if (seen.Deed is { } last)
        {
            await Meanwhile.MergeAsync(db, gardenId, last, seen.Over, stop);
        }

        Note(gardenId, memberId, words, RowChange.AllOf(db));
        // One SaveChanges is one transaction.
        await db.SaveChangesAsync(stop);
    }

    /// <summary>Remembers what a write changed. The caller saves it together with the write.</summary>
    public void Note(Guid gardenId, Guid? memberId, string words, IReadOnlyList<RowChange> changes) =>
        db.Deeds.Add(
            new DeedRow
            {
                GardenId = gardenId,
                MemberId = memberId,
                At = clock.GetUtcNow(),
                Words = words,
                Changes = JsonSerializer.Serialize(changes),
            }
        );

    /// <summary>The last write that was not undone, or null.</summary>
    public Task<DeedRow?> LastAsync(Guid gardenId, CancellationToken stop) =>
        db.Deeds.AsNoTracking().Where(d => d.GardenId == gardenId && d.UndoneAt == null).OrderByDescending(d => d.Id).FirstOrDefaultAsync(stop);

    /// <summary>Takes the last write back. A repeated call for a deed that is already undone does nothing.</summary>
    /// <param name="deedId">The deed the gardener saw on the button, so that a late tap never undoes another.</param>
    /// <param name="onlyOf">Whose deeds may be taken back; null for anybody's.</param>
    /// <exception cref="DeedRefusedException">Something came after it, or there is no such deed.</exception>
    public async Task UndoAsync(Guid gardenId, long deedId, Guid? onlyOf, CancellationToken stop)
    {
        // Asked and done in one transaction: between the look at what came last and the undoing nothing else is written.
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        var deed = await db.Deeds.FirstOrDefaultAsync(d => d.GardenId == gardenId && d.Id == deedId, stop)
            ?? throw new DeedRefusedException("nothing-to-undo", Say.Of("store.nothingToUndo"));
        if (deed.UndoneAt is not null)
        {
            return;
        }

        if (onlyOf is not null && deed.MemberId != onlyOf)
        {
            throw new DeedRefusedException("not-yours", Say.Of("store.somebodyElseDidThis"));
        }

        if ((await LastAsync(gardenId, stop))?.Id != deedId)
        {
            throw new DeedRefusedException("not-the-last", Say.Of("store.somethingCameAfter"));
        }

        foreach (var change in RowChange.Read(deed.Changes).Reverse())
        {
            change.TakeBack(db);
        }

        deed.UndoneAt = clock.GetUtcNow();
        await db.SaveChangesAsync(stop);
        await transaction.CommitAsync(stop);
    }
}
