using Mauvaise.Core.Gardens;

namespace Mauvaise.Core.Ledger;

/// <summary>What a planting gave in a season, beside what was done for it.</summary>
/// <param name="Grams">Of what was weighed; 0 for nothing.</param>
/// <param name="Pieces">Of what was counted; 0 for nothing.</param>
/// <param name="Times">How often it was picked.</param>
public sealed record Yield(Planting Planting, double Grams, int Pieces, int Times, DateOnly First, DateOnly Last, int Sprays)
{
    /// <summary>What each planting gave, in the order of its first picking.</summary>
    /// <param name="season">A snapshot with the records of the season.</param>
    public static IReadOnlyList<Yield> Of(GardenSnapshot season, DateOnly since)
    {
        ArgumentNullException.ThrowIfNull(season);
        return
        [
            .. from h in season.Harvests
            let day = season.Garden.DateOf(h.At)
            where day >= since && day <= season.Today
            group (h, day) by h.PlantingId into g
            let planting = season.FindPlanting(g.Key)
            where planting is not null
            orderby g.Min(x => x.day)
            select new Yield(
                planting,
                g.Sum(x => x.h.Grams ?? 0),
                g.Sum(x => x.h.Pieces ?? 0),
                g.Count(),
                g.Min(x => x.day),
                g.Max(x => x.day),
                season.SpraysOn(planting.Id).Count(a => !a.PatchTest && season.Garden.DateOf(a.At) >= since)
            ),
        ];
    }

    /// <summary>All of it, in words.</summary>
    public string Told => HarvestAmount.Told(Grams, Pieces);
}
