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
    IReadOnlyList<PlaceKind>? OnlyIn = null
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

    /// <summary>"6.4" or "1.8 mS/cm".</summary>
    public string Told(double value) => FormattableString.Invariant($"{value:0.##}{(Unit.Length > 0 ? " " : "")}{Unit}");
}
