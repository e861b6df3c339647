namespace Mauvaise.Core.Catalogue;

/// <summary>What a kind of one's own is.</summary>
public enum OwnKindOf
{
    Crop,
    Trouble,
}

/// <summary>
/// A crop or a trouble that the catalogue does not list. It is taken to be like one that is listed, and goes by that one's facts under its own name.
/// </summary>
/// <param name="Like">Crop or target of the catalogue; a name for a whole group will do.</param>
/// <param name="Retired">It is offered no longer; what it was recorded for keeps it.</param>
public sealed record OwnKind(Guid Id, OwnKindOf Of, string Name, string Like, bool Retired)
{
    /// <summary>The id under which plantings, counts and sprays name it.</summary>
    public string KindId => $"own-{Id:N}";

    /// <summary>Null when it is no crop, or the catalogue has nothing of the kind it is like.</summary>
    public Crop? ToCrop(GardenCatalogue catalogue) =>
        Of == OwnKindOf.Crop && catalogue.FindCrop(Like) is { } like ? like with { Id = KindId, Name = Name, AlsoCalled = [], Like = like.Id } : null;

    /// <summary>
    /// Null when it is no trouble, or the catalogue has nothing of the kind it is like. It is called by whoever knows it, never by the ranking:
    /// nobody has measured its signs.
    /// </summary>
    public Target? ToTarget(GardenCatalogue catalogue) =>
        Of == OwnKindOf.Trouble && catalogue.FindTarget(Like) is { } like
            ? like with
            {
                Id = KindId,
                Name = Name,
                AlsoCalled = [],
                LatinName = null,
                IsGroup = false,
                Like = like.Id,
            }
            : null;
}
