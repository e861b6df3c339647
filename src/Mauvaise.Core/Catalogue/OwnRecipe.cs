using Mauvaise.Core.Words;

namespace Mauvaise.Core.Catalogue;

/// <summary>A part of a recipe of one's own.</summary>
/// <param name="PerLitre">In the material's unit per litre of finished spray.</param>
public sealed record OwnPart(string Material, double PerLitre);

/// <summary>A recipe that the household heard and keeps.</summary>
/// <param name="Text">As it was told.</param>
/// <param name="HeardFrom">Null when nobody said.</param>
/// <param name="Warning">It is kept so that nobody mixes it.</param>
/// <param name="Parts">What of it is in the catalogue; empty for a warning.</param>
/// <param name="SteepHours">How long it stands before it is sprayed; 0 for not at all.</param>
public sealed record OwnRecipe(
    Guid Id,
    string Name,
    string Text,
    string? HeardFrom,
    bool Warning,
    bool Retired,
    IReadOnlyList<OwnPart> Parts,
    double SteepHours = 0
)
{
    /// <summary>Longer than this is a manure or a slip, hours.</summary>
    public const double MostSteepHours = 21 * 24;

    /// <summary>Whether it may stand so long, hours.</summary>
    public static bool IsSteep(double hours) => hours is >= 0 and <= MostSteepHours;

    /// <summary>How long it may stand, in words.</summary>
    public static string SteepRange() => Words.Say.Of("bench.itStandsUpTo", ("most", Words.Say.In(MostSteepHours, "0")));

    private const string Prefix = "heard-";

    /// <summary>The id under which batches and trials name it.</summary>
    public string RecipeId => $"{Prefix}{Id:N}";

    /// <summary>The recipe as the bench mixes it, always in the strength that it is kept in; null when nothing in it can be dosed.</summary>
    public Recipe? ToRecipe(GardenCatalogue catalogue)
    {
        var parts = Parts.Select(p => (Part: p, Material: catalogue.FindMaterial(p.Material))).ToList();
        var oil = parts.Exists(p => p.Material?.NeedsEmulsifier == true);
        // What names it in the log is what works, and soap only where it is alone.
        var dosed = parts.Where(p => p.Material?.Doses is { Per: DosedPer.Litre }).ToList();
        if (Warning || dosed.Count == 0 || parts.Exists(p => p.Material is null))
        {
            return null;
        }

        var active = dosed.Find(p => p.Material!.Load != LoadKind.Soap) is { Material: not null } works ? works : dosed[0];
        return new Recipe(
            RecipeId,
            Name,
            [
                new Ingredient(active.Part.Material, "active", active.Part.PerLitre),
                .. parts.Where(p => p != active).Select(p => new Ingredient(p.Part.Material, Role(p.Material!, oil), p.Part.PerLitre)),
            ],
            parts.Min(p => p.Material!.MixedLifeHours),
            Say.Of("catalogue.shakeEveryMinuteWhileSpraying"),
            Kept: true,
            PutAway: Retired,
            SteepHours: SteepHours
        );
    }

    private static string Role(Material material, bool oil) =>
        material.Doses is null ? "part"
        : oil && material.Load == LoadKind.Soap ? "emulsifier"
        : "partner";
}
