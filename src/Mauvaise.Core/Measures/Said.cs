using Mauvaise.Core.Words;

namespace Mauvaise.Core.Measures;

/// <summary>What a figure of a saying is.</summary>
public enum FactKind
{
    /// <summary>The name of something: a material, a crop, a place.</summary>
    Thing,

    /// <summary>A day by the garden's calendar.</summary>
    Day,

    /// <summary>So many days.</summary>
    Span,

    /// <summary>So many of something.</summary>
    Count,

    /// <summary>Parts of a hundred.</summary>
    Percent,

    /// <summary>Metres.</summary>
    Length,

    /// <summary>Degrees Celsius.</summary>
    Temperature,

    /// <summary>Millilitres a litre, square metre, plant or station.</summary>
    VolumeDose,

    /// <summary>Grams a litre, square metre, plant or station.</summary>
    MassDose,

    /// <summary>The unit of a figure beside it.</summary>
    Unit,

    /// <summary>A saying within the saying.</summary>
    Clause,
}

/// <summary>One figure of a saying: what it is, and how it is told.</summary>
/// <param name="Amount">In the unit of its kind; null where it is no number.</param>
/// <param name="Words">As it stands in the sentence, with the marks of <see cref="Figure"/>.</param>
public readonly record struct Fact(FactKind Kind, double? Amount, DateOnly? On, string Words)
{
    public static Fact Thing(string name) => new(FactKind.Thing, null, null, name);

    public static Fact Unit(string unit) => new(FactKind.Unit, null, null, unit);

    public static Fact Clause(string? said) => new(FactKind.Clause, null, null, said ?? "");

    /// <param name="format">A format of .NET.</param>
    public static Fact Day(DateOnly on, string format = "d MMMM") => new(FactKind.Day, null, on, Say.In(on, format));

    public static Fact Span(double days) =>
        new(FactKind.Span, days, null, days == 1 ? Say.Of("words.days", ("n", 1)) : Say.Of("courses.days", ("days", Say.In(days, "0.#"))));

    public static Fact Count(int count) => new(FactKind.Count, count, null, Say.In(count, "0"));

    /// <param name="format">A format of .NET.</param>
    public static Fact Percent(double percent, string format = "0") => new(FactKind.Percent, percent, null, Say.In(percent, format));

    public static Fact Length(double metres) => new(FactKind.Length, metres, null, Figure.Length(metres));

    public static Fact Temperature(double celsius) => new(FactKind.Temperature, celsius, null, Figure.Temperature(celsius));

    /// <param name="unit">"ml" or "g".</param>
    /// <param name="words">As it is told; as a dose a litre where nothing is given.</param>
    public static Fact Dose(double amount, string unit, string? words = null) =>
        new(unit == "g" ? FactKind.MassDose : FactKind.VolumeDose, amount, null, words ?? Figure.Dose(amount, unit));
}

/// <summary>A sentence or clause, and the figures in it for whoever reckons further with them.</summary>
public sealed record Said(string Words, IReadOnlyList<KeyValuePair<string, Fact>> Figures)
{
    /// <summary>A saying by its code, as <see cref="Say.Of"/> has it, its holes filled with figures.</summary>
    public static Said Of(string code, params ReadOnlySpan<(string Name, Fact Fact)> figures)
    {
        var told = new (string, object?)[figures.Length];
        var kept = new KeyValuePair<string, Fact>[figures.Length];
        for (var i = 0; i < figures.Length; i++)
        {
            var (name, fact) = figures[i];
            // Of one and many the message chooses by the number.
            told[i] = (name, fact.Kind == FactKind.Count ? (int)fact.Amount! : fact.Words);
            kept[i] = new(name, fact);
        }

        return new Said(Say.Of(code, told), kept);
    }

    /// <summary>What is said by the catalogue, or by a gardener.</summary>
    public static Said Plain(string words) => new(words, []);

    /// <summary>The same of one place among several: "Chapel: oil waits until 3 August."</summary>
    public Said At(string where) => new($"{where}: {Words}.", [new("where", Fact.Thing(where)), .. Figures]);

    /// <summary>Sayings are the same when they say the same.</summary>
    public bool Equals(Said? other) => other is not null && Words == other.Words;

    public override int GetHashCode() => Words.GetHashCode(StringComparison.Ordinal);
}
