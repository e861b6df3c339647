using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Sky;

/// <summary>When a spray may go on: every hour is judged by every rule of <see cref="SprayRules"/>.</summary>
public static class SprayHours
{
    /// <summary>A material that wants this many dry hours is one that must dry (assumed).</summary>
    private const double LongDryingHours = 12;

    /// <summary>What a window loses at the end of the day that its material leans away from (assumed): both stay on offer.</summary>
    private const double OtherEndOfDay = 0.05;

    /// <summary>Every hour from <paramref name="from"/> to <paramref name="to"/> (exclusive) that the series holds, judged, with reasons.</summary>
    public static IReadOnlyList<HourVerdict> Judge(PlaceSky sky, DateTimeOffset from, DateTimeOffset to, Material material)
    {
        var (first, last) = Range(sky, from, to);
        return [.. Enumerable.Range(first, last - first).Select(i => JudgeHour(sky, i, material))];
    }

    /// <summary>The verdicts of <see cref="Judge"/> without their reasons: for planning over whole seasons.</summary>
    public static Verdict[] Verdicts(PlaceSky sky, DateTimeOffset from, DateTimeOffset to, Material material)
    {
        var (first, last) = Range(sky, from, to);
        var verdicts = new Verdict[last - first];
        Span<RuleFigure> figures = stackalloc RuleFigure[SprayRules.RuleCount];
        for (var i = first; i < last; i++)
        {
            verdicts[i - first] = sky.Hour(i).IsComplete ? SprayRules.Judge(sky, i, material, figures) : Verdict.Never;
        }

        return verdicts;
    }

    /// <summary>
    /// Runs of hours without a "never", in time order; good and poor hours make windows of their own, and the score is the worst
    /// hour's. The sentence of a good one tells heat, wind and rain; that of a poor one what is poor.
    /// </summary>
    /// <param name="material">Oils lean to the evening, what must dry long to the morning.</param>
    public static IReadOnlyList<SprayWindow> Windows(IReadOnlyList<HourVerdict> hours, Material material)
    {
        var windows = new List<SprayWindow>();
        for (var i = 0; i < hours.Count; i++)
        {
            if (hours[i].Verdict == Verdict.Never)
            {
                continue;
            }

            var start = i;
            while (i + 1 < hours.Count && hours[i + 1].Verdict == hours[start].Verdict && hours[i + 1].From == hours[i].To)
            {
                i++;
            }

            windows.Add(Window(hours.Skip(start).Take(i - start + 1).ToList(), material));
        }

        return windows;
    }

    private static (int First, int Last) Range(PlaceSky sky, DateTimeOffset from, DateTimeOffset to)
    {
        var first = Math.Clamp(sky.IndexOf(from), 0, sky.Count);
        return (first, Math.Clamp(sky.IndexOf(to.AddTicks(-1)) + 1, first, sky.Count));
    }

    private static SprayWindow Window(List<HourVerdict> run, Material material)
    {
        var poor = run.SelectMany(h => h.Rules).Where(r => r.Verdict == Verdict.Poor).GroupBy(r => r.Rule).Select(g => g.First()).ToList();
        var leans = material.Load == LoadKind.Oil ? !run[0].Morning : material.RainFreeHours < LongDryingHours || run[0].Morning;
        var score = Math.Max(0.1, 1 - 0.2 * run.Max(h => h.Rules.Count(r => r.Verdict == Verdict.Poor)) - (leans ? 0 : OtherEndOfDay));
        IEnumerable<RuleVerdict> told =
            poor.Count > 0 ? poor : run[0].Rules.Where(r => r.Rule is SprayRule.Heat or SprayRule.Wind or SprayRule.Rain).OrderBy(r => r.Rule);
        return new SprayWindow(run[0].From, run[^1].To, score, run[0].Verdict, string.Join(" ", told.Select(r => r.Sentence)));
    }

    private static HourVerdict JudgeHour(PlaceSky sky, int i, Material material)
    {
        if (!sky.Hour(i).IsComplete)
        {
            return new HourVerdict(
                sky.At(i),
                Verdict.Never,
                [new RuleVerdict(SprayRule.Unknown, Verdict.Never, null, Say.Of("sky.theWeatherOfThisHour"))],
                Morning(sky, i)
            );
        }

        var figures = new RuleFigure[SprayRules.RuleCount];
        var worst = SprayRules.Judge(sky, i, material, figures);
        return new HourVerdict(
            sky.At(i),
            worst,
            [
                .. figures
                    .OrderByDescending(f => f.Verdict)
                    .Select(f => new RuleVerdict(f.Rule, f.Verdict, double.IsNaN(f.Number) ? null : f.Number, SprayWords.Of(f, sky, i, material))),
            ],
            Morning(sky, i),
            sky.Open(i) is { IsNone: false } open && open != MinutesOfHour.All ? open : null
        );
    }

    private static bool Morning(PlaceSky sky, int i) => sky.Shelter.LocalStart(i).Hour < 12;
}
