using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;
using Mauvaise.StandIns;

namespace Mauvaise.Bench;

/// <summary>The weather of one season as it comes, and as it is said to come.</summary>
internal sealed class SeasonWeather
{
    private const int RunUpDays = 30;
    private const int AheadDays = 11;
    private const int BackDays = 24;

    private readonly StandInWeather made;
    private readonly Dictionary<DateOnly, (double MeanC, double RainMm)> days;

    public SeasonWeather(Garden garden, string climate, ulong seed, DateOnly first, int count)
    {
        made = new StandInWeather(BenchGarden.Catalogue.FindClimate(climate)!, garden.Latitude, garden.Longitude, seed);
        var from = HourSeries.WholeHour(garden.StartOf(first.AddDays(-RunUpDays)));
        Truth = made.Hours(from, garden.StartOf(first.AddDays(count + 1)), garden.StartOf(first.AddDays(count + 100)));
        days = Truth
            .Hours.Index()
            .GroupBy(h => garden.DateOf(Truth.At(h.Index)))
            .ToDictionary(g => g.Key, g => (g.Average(h => h.Item.TemperatureC!.Value), g.Sum(h => h.Item.RainMm ?? 0)));
    }

    public HourSeries Truth { get; }

    public (double MeanC, double RainMm) Day(DateOnly date) => days[date];

    /// <summary>What is known at an instant: the truth until then, a forecast beyond.</summary>
    public HourSeries AsSaidAt(DateTimeOffset now)
    {
        var at = Truth.IndexOf(now);
        var first = Math.Max(0, at - BackDays * 24);
        return new HourSeries(
            Truth.At(first),
            [
                .. Enumerable.Range(first, at - first).Select(i => Truth.Hours[i]),
                .. Enumerable.Range(0, AheadDays * 24).Select(i => made.Forecast(Truth.At(at + i), now)),
            ]
        );
    }
}
