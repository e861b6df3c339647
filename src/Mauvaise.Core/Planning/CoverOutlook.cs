using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Planning;

/// <summary>The Board's one sentence: where cover holds, and which rain will take it.</summary>
public static class CoverOutlook
{
    /// <summary>Cover of at least this share counts as holding (assumed).</summary>
    private const double Holds = 0.3;

    /// <summary>Rain in 24 hours that is worth a word, mm.</summary>
    private const double NotableRainMm = 5;

    /// <param name="cover">Cover of all materials together by place, each over the snapshot's hours.</param>
    public static string Sentence(GardenSnapshot garden, IReadOnlyDictionary<Place, double[]> cover)
    {
        var now = garden.Weather.IndexOf(garden.Now);
        var holding = cover.Where(c => c.Value[Math.Clamp(now, 0, c.Value.Length - 1)] >= Holds).ToList();
        // Where nothing holds, no rain can take it or leave it.
        if (holding.Count == 0)
        {
            return Say.Of("planning.noPlaceHasCoverNow");
        }

        var words = Say.Of("planning.coverHoldsOnOfPlaces", ("holding", holding.Count), ("cover", cover.Count));
        var rain = Enumerable
            .Range(now, Math.Max(0, Math.Min(120, garden.Weather.Hours.Count - now - 24)))
            .Select(i => (Hour: i, Mm: Enumerable.Range(i, 24).Sum(k => garden.Weather.AtOrUnknown(k).RainMm ?? 0)))
            .Where(x => x.Mm >= NotableRainMm && garden.Weather.AtOrUnknown(x.Hour).RainMm > 0)
            .Select(x => ((int Hour, double Mm)?)x)
            .FirstOrDefault();
        if (rain is not { } storm)
        {
            return words;
        }

        // Rain takes what stands under the open sky and still held when it came; what fades by itself is not its doing.
        var stripped = holding
            .Where(c => c.Key.Shelter == Shelter.Open && c.Value[storm.Hour] >= Holds && c.Value[Math.Min(storm.Hour + 24, c.Value.Length - 1)] < Holds)
            .Select(c => c.Key.Name)
            .ToList();
        var day = Say.In(garden.Garden.Zone.Local(garden.Weather.At(storm.Hour)), "dddd");
        var rain24 = Figure.Rain(storm.Mm);
        return Say.Sentences(
            words,
            stripped.Count == 0
                ? Say.Of("planning.leavesItStanding", ("day", day), ("rain", rain24))
                : Say.Of("planning.willStrip", ("day", day), ("rain", rain24), ("list", Say.All(stripped)))
        );
    }
}
