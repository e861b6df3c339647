using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata;

namespace Mauvaise.Store.Deeds;

/// <summary>What one write did to one row: enough to take it back.</summary>
/// <param name="Row">Name of the table; of a deed from before tables were named, that of the row's type.</param>
/// <param name="Kind">Added, Modified or Deleted.</param>
/// <param name="Values">By column (by property in a deed of then): the values before the write; of an added row its key, which is all that taking it back
/// needs.</param>
public sealed record RowChange(string Row, EntityState Kind, IReadOnlyDictionary<string, JsonElement> Values)
{
    /// <summary>The change that a tracked row is about to make; null when it makes none.</summary>
    public static RowChange? Of(EntityEntry entry) =>
        entry.State is EntityState.Added or EntityState.Modified or EntityState.Deleted
            ? new RowChange(
                entry.Metadata.GetTableName()!,
                entry.State,
                entry
                    .Properties.Where(p => entry.State != EntityState.Added || p.Metadata.IsPrimaryKey())
                    .ToDictionary(
                        p => p.Metadata.GetColumnName(),
                        p => JsonSerializer.SerializeToElement(entry.State == EntityState.Added ? p.CurrentValue : p.OriginalValue, p.Metadata.ClrType)
                    )
            )
            : null;

    /// <summary>All that is about to be saved.</summary>
    public static IReadOnlyList<RowChange> AllOf(DbContext db) => [.. db.ChangeTracker.Entries().Select(Of).OfType<RowChange>()];

    /// <summary>The changes as a deed keeps them.</summary>
    public static IReadOnlyList<RowChange> Read(string changes) => JsonSerializer.Deserialize<List<RowChange>>(changes) ?? [];

    /// <summary>Whether it was made to this row.</summary>
    public bool IsOf(EntityEntry entry) =>
        IsOf(entry.Metadata) && entry.Properties.Where(p => p.Metadata.IsPrimaryKey()).All(p => Holds(p.Metadata) && Equals(Value(p.Metadata), p.CurrentValue));

    private bool IsOf(IEntityType type) => type.GetTableName() == Row || type.ClrType.Name == Row;

    /// <summary>Whether it keeps the property's value of before.</summary>
    public bool Holds(IProperty property) => Values.ContainsKey(property.GetColumnName()) || Values.ContainsKey(property.Name);

    /// <summary>The property's value before the write.</summary>
    public object? Value(IProperty property) =>
        (Values.TryGetValue(property.GetColumnName(), out var value) ? value : Values[property.Name]).Deserialize(property.ClrType);

    /// <summary>Marks the opposite change on the context; it takes effect when changes are saved.</summary>
    public void TakeBack(DbContext db)
    {
        var type = db.Model.GetEntityTypes().Single(IsOf);
        var properties = type.GetProperties().Where(Holds).ToList();
        var key = type.FindPrimaryKey()!.Properties.Select(Value).ToArray();
        var row = db.Find(type.ClrType, key);
        if (Kind == EntityState.Added)
        {
            if (row is not null)
            {
                db.Remove(row);
            }

            return;
        }

        var entry = db.Entry(row ?? Activator.CreateInstance(type.ClrType)!);
        foreach (var property in properties)
        {
            entry.Property(property.Name).CurrentValue = Value(property);
        }

        if (row is null)
        {
            // A row is taken in with its key, never before it has one.
            entry.State = EntityState.Added;
        }
    }
}
