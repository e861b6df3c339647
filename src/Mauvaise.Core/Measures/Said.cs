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

    /// <summary>Litres.</summary>
    Volume,

    /// <summary>Millilitres on the shelf.</summary>
    Millilitres,

    /// <summary>Grams on the shelf.</summary>
    Grams,

    /// <summary>Millimetres of rain.</summary>
    Rain,

    /// <summary>Degree-days.</summary>
    Warmth,

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
    /// <summary>The figures of a saying within the saying; null where it is none.</summary>
    public IReadOnlyList<KeyValuePair<string, Fact>>? Within { get; private init; }

    public static Fact Thing(string name) => new(FactKind.Thing, null, null, name);

    public static Fact Unit(string unit) => new(FactKind.Unit, null, null, unit);

    public static Fact Clause(string? said) => new(FactKind.Clause, null, null, said ?? "");

    public static Fact Clause(Said said) => new(FactKind.Clause, null, null, said.Words) { Within = said.Figures };

    /// <param name="format">A format of .NET.</param>
    public static Fact Day(DateOnly on, string format = "d MMMM") => new(FactKind.Day, null, on, Say.In(on, format));

    /// <summary>A day near enough to go by its weekday: "Thu 16 Jul".</summary>
    public static Fact Weekday(DateOnly on) => Day(on, "ddd d MMM");

    public static Fact Span(double days) =>
        new(FactKind.Span, days, null, days == 1 ? Say.Of("words.days", ("n", 1)) : Say.Of("courses.days", ("days", Say.In(days, "0.#"))));

    /// <summary>So many days where the sentence itself says that they are days.</summary>
    public static Fact Days(double days) => new(FactKind.Span, days, null, Say.In(days, "0.#"));

    /// <summary>So many days back, as "today", "yesterday", "three days ago".</summary>
    public static Fact Ago(int days) => new(FactKind.Span, days, null, Say.Ago(days));

    public static Fact Count(int count) => new(FactKind.Count, count, null, Say.In(count, "0"));

    /// <param name="format">A format of .NET.</param>
    public static Fact Percent(double percent, string format = "0") => new(FactKind.Percent, percent, null, Say.In(percent, format));

    /// <param name="share">0 to 1; told as "7 %".</param>
    public static Fact Share(double share) => new(FactKind.Percent, share * 100, null, $"{Say.In(share * 100, "0")} %");

    public static Fact Length(double metres) => new(FactKind.Length, metres, null, Figure.Length(metres));

    public static Fact Volume(double litres) => new(FactKind.Volume, litres, null, Figure.Volume(litres));

    /// <param name="unit">"ml" or "g".</param>
    public static Fact OnShelf(double amount, string unit) =>
        new(unit == "g" ? FactKind.Grams : FactKind.Millilitres, amount, null, Figure.Amount(amount, unit));

    public static Fact Rain(double mm) => new(FactKind.Rain, mm, null, Figure.Rain(mm));

    /// <param name="decimals">How many are told.</param>
    public static Fact Warmth(double degreeDays, int decimals) => new(FactKind.Warmth, degreeDays, null, Figure.DegreeDays(degreeDays, decimals));

    public static Fact Temperature(double celsius) => new(FactKind.Temperature, celsius, null, Figure.Temperature(celsius));

    /// <param name="unit">"ml" or "g".</param>
    /// <param name="words">As it is told; as a dose a litre where nothing is given.</param>
    public static Fact Dose(double amount, string unit, string? words = null) =>
        new(unit == "g" ? FactKind.MassDose : FactKind.VolumeDose, amount, null, words ?? Figure.Dose(amount, unit));
}

/// <summary>A sentence or clause, and the figures in it for whoever reckons further with them.</summary>
/// <param name="Code">Of the message, as "ways.ofPlantsWithLine", or "ways.does" for what a way does: the same in every language.</param>
public sealed record Said(string Code, string Words, IReadOnlyList<KeyValuePair<string, Fact>> Figures)
{
    /// <summary>The code of what the catalogue or a gardener said in words of their own.</summary>
    public const string OwnWords = "own-words";

    /// <summary>A saying by its code, as <see cref="Say.Of"/> has it, its holes filled with figures; those of a saying in a hole follow it.</summary>
    public static Said Of(string code, params ReadOnlySpan<(string Name, Fact Fact)> figures)
    {
        var told = new (string, object?)[figures.Length];
        var kept = new List<KeyValuePair<string, Fact>>(figures.Length);
        for (var i = 0; i < figures.Length; i++)
        {
            var (name, fact) = figures[i];
            // Of one and many the message chooses by the number.
            told[i] = (name, fact.Kind == FactKind.Count ? (int)fact.Amount! : fact.Words);
            kept.Add(new(name, fact));
            kept.AddRange(fact.Within ?? []);
        }

        return new Said(code, Say.Of(code, told), kept);
    }

    /// <summary>What is said by the catalogue, or by a gardener.</summary>
    public static Said Plain(string words) => new(OwnWords, words, []);

    /// <summary>The saying as a clause of another: without its capital and its full stop, as <see cref="Sentences.InSentence"/> has it.</summary>
    public Said InSentence() => this with { Words = Words.InSentence() };

    /// <summary>The saying with its full stop.</summary>
    public Said AsSentence() => this with { Words = Say.Sentence(Words) };

    /// <summary>The same of one thing among several: "Neem oil: the group repeats."</summary>
    public Said About(Fact thing) =>
        Of("words.ofThing", ("thing", thing), ("said", Fact.Clause(this with { Words = Words.TrimEnd('.') }))) with
        {
            Code = Code,
        };

    /// <summary>The same of one place among several: "Chapel courgette. Neem goes on tonight."</summary>
    public Said In(string where) => this with { Words = Say.Sentences(Say.Sentence(where), Words), Figures = [new("where", Fact.Thing(where)), .. Figures] };

    /// <summary>The saying, and what is remarked of it: "neem 0.5 %, at 18 °C".</summary>
    public Said Remarked(Said remark) => this with { Words = Say.Remarked(Words, remark.Words), Figures = [.. Figures, .. remark.Figures] };

    /// <summary>Whole sentences, one after another, under the code of the first; what is null is left out, the first never.</summary>
    public static Said Sentences(Said first, params ReadOnlySpan<Said?> then)
    {
        foreach (var next in then)
        {
            first = next is null ? first : first with { Words = Say.Sentences(first.Words, next.Words), Figures = [.. first.Figures, .. next.Figures] };
        }

        return first;
    }

    /// <summary>Sayings are the same when they say the same.</summary>
    public bool Equals(Said? other) => other is not null && Words == other.Words;

    public override int GetHashCode() => Words.GetHashCode(StringComparison.Ordinal);
}
