using Mauvaise.Core.Measures;

namespace Mauvaise.Web.Calc;

/// <summary>A figure that stands in a sentence, for whoever reckons further with it.</summary>
/// <param name="Name">Which one it is among those of its sentence.</param>
/// <param name="Amount">In the unit of its kind: metres, degrees Celsius, days, millilitres or grams by what is dosed, parts of a hundred. Null where it is
/// no number.</param>
/// <param name="Day">Null where it is no day.</param>
/// <param name="Words">As it stands in the sentence, in the household's units.</param>
public sealed record FigureAnswer(string Name, FactKind Kind, double? Amount, DateOnly? Day, string Words)
{
    public static IReadOnlyList<FigureAnswer> Of(Said said) =>
        [.. said.Figures.Select(f => new FigureAnswer(f.Key, f.Value.Kind, f.Value.Amount, f.Value.On, f.Value.Words))];
}
