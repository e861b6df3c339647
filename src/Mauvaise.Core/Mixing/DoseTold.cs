using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Mixing;

/// <summary>A dose in the household's units, whatever it is for.</summary>
public static class DoseTold
{
    /// <summary>"5 ml a litre", "50 g a square metre", "2 g a plant".</summary>
    /// <param name="dose">Millilitres or grams for one of <paramref name="per"/>.</param>
    /// <param name="unit">"ml" or "g".</param>
    public static string Of(double dose, string unit, DosedPer per) =>
        per switch
        {
            DosedPer.SquareMetre => Figure.DoseByArea(dose, unit),
            DosedPer.Plant => Say.Of("mixing.aPlant", ("amount", Figure.Amount(dose, unit))),
            DosedPer.Station => Say.Of("mixing.aStation", ("amount", Figure.Amount(dose, unit))),
            _ => Figure.Dose(dose, unit),
        };

    /// <summary>"5 ml a litre gentle, 10 ml a litre usual, …", in the household's spoons where it is by the litre.</summary>
    public static string Steps(Doses doses)
    {
        string One(double dose) => Of(dose, doses.Unit, doses.Per);
        return Say.Of(
            "mixing.gentleUsualStrong",
            ("gentle", One(doses.Gentle)),
            ("usual", One(doses.Usual)),
            ("strong", One(doses.Strong)),
            ("ceiling", One(doses.Ceiling))
        );
    }
}
