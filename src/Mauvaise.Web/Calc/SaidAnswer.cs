using Mauvaise.Core.Measures;

namespace Mauvaise.Web.Calc;

/// <summary>A sentence that gives a reason.</summary>
/// <param name="Code">The same in every language; "own-words" for what the catalogue or a gardener says.</param>
/// <param name="Sentence">In the household's language and units.</param>
/// <param name="Figures">Those that stand in it.</param>
public sealed record SaidAnswer(string Code, string Sentence, IReadOnlyList<FigureAnswer> Figures)
{
    public static SaidAnswer Of(Said said) => new(said.Code, said.Words, FigureAnswer.Of(said));

    public static IReadOnlyList<SaidAnswer> Of(IEnumerable<Said> said) => [.. said.Select(Of)];
}
