using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;

namespace Mauvaise.Store.Deeds;

/// <summary>What one write did to one row: enough to take it back.</summary>
/// <param name="Row">Name of the row's type.</param>
/// <param name="Kind">Added, Modified or Deleted.</param>
/// <param name="Values">By property: the values before the write; of an added row its key, which is all that taking it back needs.</param>
public sealed record RowChange(string Row, EntityState Kind, IReadOnlyDictionary<string, JsonElement> Values)
{
    /// <summary>The change that a tracked row is about to make; null when it makes none.</summary>
    public static RowChange? Of(EntityEntry entry) =>
        entry.State is EntityState.Added or EntityState.Modified or EntityState.Deleted
            ? new RowChange(
                entry.Metadata.ClrType.Name,
                entry.State,
                entry.Properties.Where(p => entry.State != EntityState.Added || p.Metadata.IsPrimaryKey()).ToDictionary(
                    p => p.Metadata.Name,
                    p => JsonSerializer.SerializeToElement(entry.State == EntityState.Added ? p.CurrentValue : p.OriginalValue, p.Metadata.ClrType)))
            : null;

    /// <summary>Marks the opposite change on the context; it takes effect when changes are saved.</summary>
    public void TakeBack(DbContext db)
    {
        var type = db.Model.GetEntityTypes().Single(t => t.ClrType.Name == Row);
        object? Value(string property) => Values[property].Deserialize(type.FindProperty(property)!.ClrType);
        var key = type.FindPrimaryKey()!.Properties.Select(p => Value(p.Name)).ToArray();
        var row = db.Find(type.ClrType, key);
        if (Kind == EntityState.Added)
        {
            if (row is not null)
            {
                db.Remove(row);
            }

            return;
        }

        var entry = row is not null ? db.Entry(row) : db.Add(Activator.CreateInstance(type.ClrType)!);
        foreach (var property in Values.Keys)
        {
            entry.Property(property).CurrentValue = Value(property);
        }
    }
}
