using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Planning;

public enum DeedKind
{
    CheckBack,
    PatchTest,
    Spray,
    Renew,
    Task,
    ByHand,
    Remove,
    Prevent,
    Walk,
    Strain,
}

/// <summary>Why something is proposed.</summary>
/// <param name="Code">Stable key of what speaks for it.</param>
/// <param name="Said">A sentence.</param>
public sealed record Reason(string Code, Said Said);

/// <summary>One thing to do this evening.</summary>
/// <param name="Tank">What to mix, for a spray; null otherwise.</param>
/// <param name="CheckBackId">The visit that is due, for a check-back.</param>
/// <param name="TaskId">The task that was taken on, when it is due; null otherwise.</param>
public sealed record Deed(
    DeedKind Kind,
    string Title,
    string Detail,
    IReadOnlyList<Reason> Reasons,
    IReadOnlyList<Guid> PlantingIds,
    Tank? Tank,
    Guid? CheckBackId,
    Guid? TaskId = null
)
{
    /// <summary>Where it is done, for one planting; null for several.</summary>
    public string? Where { get; init; }

    /// <summary>The bottle that stands mixed for it already; null when it is still to be mixed.</summary>
    public Guid? BatchId { get; init; }
}

/// <summary>One mix for several plantings.</summary>
public sealed record Tank(Recipe Recipe, DoseStep Step, double Litres, Target Target);

/// <summary>A planting that is left alone, and why.</summary>
public sealed record LeftAlone(Guid PlantingId, Said Said);

/// <summary>What to do this evening, in order.</summary>
/// <param name="Window">The best window in the coming day for what is to be sprayed; null when there is none, or nothing to spray.</param>
/// <param name="WindowSentence">Says when, or why not.</param>
public sealed record Evening(SprayWindow? Window, string WindowSentence, IReadOnlyList<Deed> Deeds, IReadOnlyList<LeftAlone> LeftAlone);
