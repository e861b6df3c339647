using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Planning;

/// <summary>One thing to buy or to make, and why.</summary>
/// <param name="Needed">For what is planned, in the material's unit.</param>
/// <param name="OnShelf">Of that, still good.</param>
/// <param name="ToBuy">0 when it is only low or old.</param>
/// <param name="Cost">By what the last bottle cost; null when not known.</param>
public sealed record ShoppingItem(Material Material, double Needed, double OnShelf, double ToBuy, double? Cost, IReadOnlyList<Said> Reasons);

/// <summary>What the coming fortnight takes, held against the shelf.</summary>
public static class ShoppingList
{
    /// <summary>How far ahead it looks, days.</summary>
    public const int AheadDays = 14;

    /// <summary>What is missing first, then what is low or old.</summary>
    public static IReadOnlyList<ShoppingItem> For(GardenSnapshot garden, Evening evening)
    {
        var needed = Needed(garden, evening);
        return
        [
            .. needed
                .Keys.Union(garden.Stocks.Select(s => s.Material))
                .Select(garden.Catalogue.FindMaterial)
                .OfType<Material>()
                .Select(m => Item(garden, m, needed.GetValueOrDefault(m.Id)))
                .Where(i => i.ToBuy > 0 || i.Reasons.Count > 0)
                .OrderByDescending(i => i.ToBuy > 0)
                .ThenBy(i => i.Material.Name, StringComparer.Ordinal),
        ];
    }

    private static ShoppingItem Item(GardenSnapshot garden, Material material, double needed)
    {
        var kept = garden.Stocks.Where(s => s.Material == material.Id).ToList();
        var good = kept.Where(s => Shelf.GoodUntil(material, s) is not { } until || until >= garden.Today).ToList();
        var onShelf = good.Sum(s => s.Left);
        var toBuy = Math.Max(0, needed - onShelf);
        var reasons = new List<Said>();
        if (toBuy > 0)
        {
            reasons.Add(
                Said.Of(
                    "planning.theComingDaysTake",
                    ("aheadDays", Fact.Days(AheadDays)),
                    ("amount", Fact.OnShelf(needed, material.Unit)),
                    ("amount2", Fact.OnShelf(onShelf, material.Unit))
                )
            );
        }
        else if (kept.Count > 0 && good.All(s => s.IsLow))
        {
            reasons.Add(good.Count == 0 ? Said.Of("planning.whatIsOnTheShelf") : Said.Of("mixing.lowLeft", ("amount", Fact.OnShelf(onShelf, material.Unit))));
        }

        return new ShoppingItem(material, needed, onShelf, toBuy, toBuy > 0 ? Shelf.PriceOf(kept, material.Id) * toBuy : null, reasons);
    }

    /// <summary>By material: all rounds of this evening's tanks that fall into the fortnight. What is made at home counts as its parts.</summary>
    private static Dictionary<string, double> Needed(GardenSnapshot garden, Evening evening)
    {
        var needed = new Dictionary<string, double>();
        foreach (var deed in evening.Deeds.Where(d => d.Tank is not null))
        {
            var tank = deed.Tank!;
            var plantings = deed.PlantingIds.Select(garden.FindPlanting).OfType<Planting>().ToList();
            var size = SprayVolume.SizeFor(garden, tank.Recipe, plantings);
            var mix = Mix.Make(
                garden.Catalogue,
                new MixOrder(tank.Recipe, tank.Step, Math.Min(size, Mix.MostLitres), garden.Garden.Kitchen),
                new MixConditions(null, [], false)
            );
            var cadence = garden.Catalogue.Material(tank.Recipe.Active.Material).Cadence;
            var rounds =
                deed.Kind == DeedKind.Renew
                    ? 1 + AheadDays / Math.Max(1, cadence.UpkeepMaxDays ?? AheadDays)
                    : Math.Min(cadence.Rounds, 1 + AheadDays / Math.Max(1, cadence.CurativeMaxDays));
            foreach (var part in mix.Parts)
            {
                Add(garden, needed, part.Material, part.Amount * rounds);
            }
        }

        return needed;
    }

    private static void Add(GardenSnapshot garden, Dictionary<string, double> needed, Material material, double amount)
    {
        var made = garden.Stocks.Where(s => s.Material == material.Id).Sum(s => s.Left);
        if (material.MadeFrom is { } from && amount > made)
        {
            foreach (var part in from.Parts)
            {
                Add(garden, needed, garden.Catalogue.Material(part.Material), part.Amount * Math.Ceiling((amount - made) / from.YieldMl));
            }

            return;
        }

        needed[material.Id] = needed.GetValueOrDefault(material.Id) + amount;
    }
}
