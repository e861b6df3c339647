namespace Mauvaise.Core.Measures;

/// <summary>Strength and volume of a solution before and after water: c1 v1 = c2 v2.</summary>
public static class Dilution
{
    /// <summary>Final strength in per cent of <paramref name="stockMillilitres"/> made up to <paramref name="finalMillilitres"/>.</summary>
    /// <param name="stockPercent">0 to 100.</param>
    /// <param name="stockMillilitres">0 to the final volume.</param>
    /// <param name="finalMillilitres">Over 0; the volume after water is added ("make up to").</param>
    /// <example>60 ml of 3 % made up to 1000 ml is 0.18 %.</example>
    public static double FinalPercent(double stockPercent, double stockMillilitres, double finalMillilitres)
    {
        Bounds.Within(stockPercent, 0, 100);
        Bounds.Positive(finalMillilitres);
        Bounds.Within(stockMillilitres, 0, finalMillilitres);
        return stockPercent * stockMillilitres / finalMillilitres;
    }
}
