using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Scouting;

/// <summary>What was measured at a place, held against what its crops want.</summary>
public static class PlaceReadings
{
    /// <summary>The latest that still speaks: low or high as soon as one crop would have it otherwise; null for none.</summary>
    public static ReadingState? StateOf(GardenSnapshot garden, Place place, ReadingKind kind)
    {
        ArgumentNullException.ThrowIfNull(garden);
        return garden.ReadingOf(place, kind) is { } read
            ? Crops(garden, place)
                .Select(c => kind.StateOf(read.Value, c))
                .DefaultIfEmpty(kind.StateOf(read.Value, null))
                .MaxBy(state => state != ReadingState.Fine)
            : null;
    }

    /// <summary>The latest that still speaks, and where it should lie.</summary>
    public static string Sentence(GardenSnapshot garden, Place place, ReadingKind kind)
    {
        ArgumentNullException.ThrowIfNull(garden);
        var crops = Crops(garden, place).ToList();
        var ranges = crops
            .GroupBy(kind.FineFor)
            .Select(g => Say.Of("scouting.for", ("range", Range(kind, g.Key)), ("list", string.Join(", ", g.Select(c => c.Name.InSentence())))))
            .ToList();
        var should = kind.PerCard
            ? Say.Of("scouting.overThisLook", ("most", kind.Told(kind.FineTo)))
            : Say.Of("scouting.itShould", ("range", (crops.Count == 0 ? Range(kind, kind.FineFor(null)) : string.Join(", ", ranges))));
        return garden.ReadingOf(place, kind) is { } read
            ? Say.Of(
                "scouting.kindDateofWordsOn",
                ("kind", kind.Told(read.Value)),
                ("date", Say.In(garden.Garden.DateOf(read.At), "d MMM")),
                ("words", Words(StateOf(garden, place, kind)!.Value)),
                ("should", should)
            )
            : Say.Of("scouting.notMeasuredLately", ("should", should));
    }

    /// <summary>"Too low", as the rest of a sentence.</summary>
    public static string Words(ReadingState state) =>
        state switch
        {
            ReadingState.Low => Say.Of("scouting.tooLow"),
            ReadingState.High => Say.Of("scouting.tooHigh"),
            _ => Say.Of("scouting.asItShould"),
        };

    private static IEnumerable<Crop> Crops(GardenSnapshot garden, Place place) => garden.GrowingAt(place).Select(p => garden.Catalogue.Crop(p.Crop)).Distinct();

    private static string Range(ReadingKind kind, (double From, double To) fine) =>
        Say.Of("scouting.fromKindTo", ("from", Say.In(fine.From, "0.##")), ("kind", kind.Told(fine.To)));
}
