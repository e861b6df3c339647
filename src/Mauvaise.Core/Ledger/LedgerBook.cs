using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Ledger;

/// <summary>What an entry of the ledger is: something sprayed, done by hand, counted, or judged.</summary>
public enum LedgerKind
{
    Spray,
    Task,
    Count,
    Check,
}

/// <summary>What of the ledger is wanted; null for all.</summary>
/// <param name="From">This instant and later.</param>
/// <param name="To">Before this instant.</param>
public sealed record LedgerFilter(
    LedgerKind? Kind = null,
    DateTimeOffset? From = null,
    DateTimeOffset? To = null,
    Guid? PlaceId = null,
    string? Material = null,
    string? Target = null,
    Guid? MemberId = null
);

/// <summary>Something that was done. Fields that do not belong to its kind are null.</summary>
/// <param name="What">Material of a spray, measure of a task.</param>
/// <param name="Corrected">Put right since it was logged.</param>
/// <param name="Leaves">Taken off.</param>
/// <param name="On">What was counted, where it was not plants one by one.</param>
public sealed record LedgerEntry(
    LedgerKind Kind,
    Guid Id,
    DateTimeOffset At,
    Guid? MemberId,
    IReadOnlyList<Guid> PlantingIds,
    string? What,
    string? Target,
    double? Litres = null,
    double? PerLitre = null,
    bool PatchTest = false,
    SprayReason? Why = null,
    DateTimeOffset? StruckAt = null,
    bool Corrected = false,
    int? LeavesLooked = null,
    int? LeavesAffected = null,
    Outcome? Outcome = null,
    Injury? Injury = null,
    int? Leaves = null,
    string? Note = null,
    CountedOn On = CountedOn.Leaves,
    bool ByPlant = false
);

/// <summary>How often a material went on, and how much.</summary>
public sealed record MaterialUse(string Material, int Rounds, double Litres);

/// <summary>An ingredient that went into mixes, in its own unit.</summary>
public sealed record IngredientUse(string Material, double Amount);

/// <summary>How often something went onto a place.</summary>
public sealed record PlaceUse(Guid PlaceId, string Material, int Rounds);

/// <summary>Sums of sprays; those that were struck out are not in them.</summary>
public sealed record SprayUse(IReadOnlyList<MaterialUse> Materials, IReadOnlyList<IngredientUse> Ingredients, IReadOnlyList<PlaceUse> Places);

public sealed record GroupRounds(ModeOfAction Group, int Rounds);

/// <param name="Most">Rounds a season at most.</param>
public sealed record SaltRounds(Place Place, int Rounds, int Most);

/// <summary>What a stretch of the ledger comes to.</summary>
/// <param name="Cost">By what bottles on the shelf cost; null when no price is known.</param>
/// <param name="Unpriced">Ingredients whose price is not known, so that the cost is at least that.</param>
/// <param name="Salt">Rounds of bicarbonates by place, the most first: salt gathers in a bed.</param>
public sealed record LedgerTotals(
    int Sprays,
    double Litres,
    double? Cost,
    IReadOnlyList<Material> Unpriced,
    IReadOnlyList<GroupRounds> Groups,
    IReadOnlyList<SaltRounds> Salt
)
{
    private const string Bicarbonates = "bicarbonates";

    /// <summary>Sums up.</summary>
    public static LedgerTotals Of(GardenSnapshot garden, SprayUse use)
    {
        var known = use.Ingredients.Select(i => (i.Amount, Material: garden.Catalogue.FindMaterial(i.Material))).Where(i => i.Material is not null).ToList();
        var priced = known.Select(i => (i.Material, Price: Shelf.PriceOf(garden.Stocks, i.Material!.Id) * i.Amount)).ToList();
        var salts = garden.Catalogue.Materials.Where(m => m.SeasonLimit?.Together == Bicarbonates).ToList();
        return new LedgerTotals(
            use.Materials.Sum(m => m.Rounds),
            use.Materials.Sum(m => m.Litres),
            priced.Any(p => p.Price is not null) ? priced.Sum(p => p.Price ?? 0) : null,
            [.. priced.Where(p => p.Price is null).Select(p => p.Material!)],
            [
                .. use
                    .Materials.Select(m => (m.Rounds, Group: garden.Catalogue.FindMaterial(m.Material)?.Group))
                    .Where(m => m.Group is not null)
                    .GroupBy(m => m.Group!)
                    .Select(g => new GroupRounds(garden.Catalogue.Group(g.Key), g.Sum(m => m.Rounds)))
                    .OrderByDescending(g => g.Rounds)
                    .ThenBy(g => g.Group.Name, StringComparer.Ordinal),
            ],
            [
                .. from p in use.Places
                where salts.Any(m => m.Id == p.Material)
                group p by p.PlaceId into g
                let place = garden.Places.FirstOrDefault(x => x.Id == g.Key)
                where place is not null
                let rounds = g.Sum(p => p.Rounds)
                orderby rounds descending, place.Order
                select new SaltRounds(place, rounds, salts[0].SeasonLimit!.Most),
            ]
        );
    }
}
