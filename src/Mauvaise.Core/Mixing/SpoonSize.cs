using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Mixing;

/// <summary>How much to make so that a kitchen's spoons measure every part of it.</summary>
public static class SpoonSize
{
    /// <summary>So much more than asked for is made at the most, as a share of it (assumed): the rest wets the undersides.</summary>
    public const double MostMore = 0.5;

    /// <summary>What is asked for where spoons measure it, or the next larger size in jug marks where they do; what is asked for when none do.</summary>
    /// <param name="order">Of a liquid.</param>
    /// <param name="mostLitres">What the sprayer holds.</param>
    public static double For(GardenCatalogue catalogue, MixOrder order, double mostLitres)
    {
        var mark = Mark(order.Kitchen);
        return Sizes().FirstOrDefault(size => Mix.PartsOf(catalogue, order with { Size = size }).TrueForAll(p => p.Kitchen.Scoops.Count > 0), order.Size);

        IEnumerable<double> Sizes()
        {
            yield return order.Size;
            for (var marks = Math.Ceiling(order.Size / mark + 1e-9); marks * mark <= Math.Min(order.Size * (1 + MostMore), mostLitres) + 1e-9; marks++)
            {
                yield return Math.Round(marks * mark, 6);
            }
        }
    }

    /// <summary>What a jug is marked in, litres: a quarter of a cup or a pint, or 50 ml.</summary>
    private static double Mark(KitchenSystem kitchen) =>
        kitchen switch
        {
            KitchenSystem.Us => Units.Get("us-cup").InBase / 4000,
            KitchenSystem.Imperial => Units.Get("imp-pt").InBase / 4000,
            _ => 0.05,
        };

    /// <summary>A volume of water to begin with, down to the mark of a jug; as it is where it is less than one.</summary>
    public static double ToMark(double litres, KitchenSystem kitchen) =>
        litres < Mark(kitchen) ? litres : Math.Floor(litres / Mark(kitchen) + 1e-9) * Mark(kitchen);
}
