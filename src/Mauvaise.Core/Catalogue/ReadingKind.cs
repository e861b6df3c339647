namespace Mauvaise.Core.Catalogue;

/// <summary>How a reading lies against where it should be.</summary>
public enum ReadingState
{
    Low,
    Fine,
    High,
}

/// <summary>Where a reading is as it should be on a crop or a family.</summary>
public sealed record FineRange(string On, double From, double To);

/// <summary>What hung cards caught.</summary>
/// <param name="Insects">On all cards together.</param>
/// <param name="Days">Since they were hung or counted last.</param>
public sealed record CardCatch(int Insects, int Cards, double Days)
{
    public const int MostInsects = 100_000,
        MostCards = 200,
        MostDays = 60;

    public bool IsSound() => Insects is >= 0 and <= MostInsects && Cards is > 0 and <= MostCards && Days is > 0 and <= MostDays;

    /// <summary>Insects a card and week.</summary>
    public double PerCardAndWeek() => Insects / (double)Cards / Days * 7;
}

/// <summary>How much likelier a trouble becomes, as factors.</summary>
/// <param name="Of">A target.</param>
public sealed record ReadingTells(string Of, double Low, double Fine, double High)
{
    public double At(ReadingState state) =>
        state switch
        {
            ReadingState.Low => Low,
            ReadingState.High => High,
            _ => Fine,
        };
}

/// <summary>Something that can be measured at a place.</summary>
/// <param name="Unit">Empty where it has none.</param>
/// <param name="Least">Nothing lower is a reading.</param>
/// <param name="Most">Nothing higher is one.</param>
/// <param name="OnlyIn">Kinds of place; empty for all.</param>
/// <param name="PerCard">Insects on sticky cards: told as how many, on how many cards, in how many days.</param>
/// <param name="HoldsDays">It speaks for so many days.</param>
public sealed record ReadingKind(
    string Id,
    string Name,
    string Unit,
    double Least,
    double Most,
    double FineFrom,
    double FineTo,
    int HoldsDays,
    IReadOnlyList<ReadingTells> Tells,
    string Source,
    IReadOnlyList<FineRange>? FineOn = null,
    IReadOnlyList<PlaceKind>? OnlyIn = null,
    bool PerCard = false
)
{
    public bool IsFor(PlaceKind kind) => OnlyIn is null || OnlyIn.Contains(kind);

    /// <summary>Where it should lie for a crop; the usual range for no crop.</summary>
    public (double From, double To) FineFor(Crop? crop) =>
        crop is not null && FineOn?.FirstOrDefault(f => f.On == (crop.Like ?? crop.Id) || f.On == crop.Family) is { } own
            ? (own.From, own.To)
            : (FineFrom, FineTo);

    public ReadingState StateOf(double value, Crop? crop) =>
        FineFor(crop) is var (from, to) && value < from ? ReadingState.Low
        : value > to ? ReadingState.High
        : ReadingState.Fine;

    /// <summary>"6.4", "1.8 mS/cm" or "12 a card and week".</summary>
    public string Told(double value) =>
        PerCard
            ? Words.Say.Of("catalogue.aCardAndWeek", ("number", Words.Say.In(value, value < 10 ? "0.#" : "0")))
            : FormattableString.Invariant($"{value:0.##}{(Unit.Length > 0 ? " " : "")}{Unit}");
}
