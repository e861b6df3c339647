using System.Globalization;

namespace Mauvaise.Core.Planning;

/// <summary>Names a round so that it stays the same round when it moves.</summary>
/// <param name="Before">How many rounds came before it.</param>
public sealed record RoundKey(Guid PlantingId, string Target, int Before)
{
    public override string ToString() => FormattableString.Invariant($"{PlantingId:N}/{Target}/{Before}");

    /// <summary>The inverse of <see cref="ToString"/>; null for what is no key.</summary>
    public static RoundKey? Read(string text) =>
        text.Split('/') is [var planting, var target, var before]
        && Guid.TryParse(planting, out var id)
        && int.TryParse(before, NumberStyles.None, CultureInfo.InvariantCulture, out var rounds)
            ? new RoundKey(id, target, rounds)
            : null;
}
