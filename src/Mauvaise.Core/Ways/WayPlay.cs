using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Ways;

/// <summary>Plays the ways to meet a finding through: what comes of each, in this garden's weather.</summary>
internal sealed class WayPlay(Finding f, Target target)
{
    /// <summary>Under the line from this day on until a way is judged: it came down, and stays there.</summary>
    private const int UnderFromDay = 18;

    /// <summary>A bait takes some days to work (assumed).</summary>
    private const int AntsGoneAfterDays = 3;

    /// <summary>Luck is lopsided: a run with middling luck has to clear the line by a seventh.</summary>
    private const double ClearOfLine = 0.85;

    private readonly Scene? scene = Trouble.Knows(target) ? Scene.Of(f.Garden, f.Planting, target, f.Seen) : null;

    /// <summary>False where no model plays this trouble through.</summary>
    public bool Knows => scene is not null;

    /// <summary>How it goes with middling luck.</summary>
    public Played Middling(Way way) => scene!.Run(ScheduleOf(way), null, WayBook.PlayedDays);

    /// <summary>It comes under the line, and stays there until it is judged.</summary>
    private static bool Under(double[] shares, double line) =>
        Enumerable.Range(UnderFromDay, WayBook.JudgedAfterDays - UnderFromDay + 1).All(day => shares[day] <= line);

    /// <summary>A run with middling luck promises that the middle of many will hold.</summary>
    public bool Promises(Played run) => Under(run.Shares, f.Line.Share * ClearOfLine);

    private Schedule ScheduleOf(Way way)
    {
        var hands = way.Hands.FirstOrDefault(h => h.Measure.EffectOn(target) is not null && h.Measure.Id != KnownIds.Measures.Prune);
        return new Schedule(
            way.Option is { } option ? new SprayRounds(option.Material, way.SprayDays) : null,
            hands is null ? null : new HandRounds(hands.Measure.EffectOn(target)!, hands.Days),
            way.Prune is { } plan
                ? new PruneRounds((double)plan.TakeNow / plan.Leaves, way.Hands.First(h => h.Measure.Id == KnownIds.Measures.Prune).Days)
                : null,
            way.Hands.Any(h => h.Measure.Id is KnownIds.Measures.AntBait or KnownIds.Measures.AntBand) ? AntsGoneAfterDays : null,
            After: way.After is { } after ? new SprayRounds(after.Option.Material, after.Days) : null
        );
    }

    /// <summary>In the middle of many runs it comes under the line, and stays there until it is judged.</summary>
    public bool Holds(Outlook outlook) => Under([.. outlook.Days.Select(d => d.Middle)], f.Line.Share);

    /// <summary>What each way comes to. Materials that do the same on the same days are played once.</summary>
    public List<Outlook?> Outlooks(List<Way> ways)
    {
        if (scene is null)
        {
            return [.. ways.Select(w => w.Id == KnownIds.Measures.TakeOut ? Gone() : null)];
        }

        var schedules = ways.ConvertAll(ScheduleOf);
        var outlooks = WhatIf
            .Play(scene, [.. schedules.DistinctBy(KeyOf)], WayBook.PlayedDays)
            .ToDictionary(c => KeyOf(c.Schedule), c => new Outlook(c.Days, c.Loss, c.HelpersLeft));
        return [.. ways.Select((w, i) => w.Id == KnownIds.Measures.TakeOut ? Gone() : outlooks[KeyOf(schedules[i])])];
    }

    private string KeyOf(Schedule s)
    {
        return FormattableString.Invariant(
            $"{string.Join('/', s.Rounds.Select(Sprayed))}|{s.Hands?.Effect} {Days(s.Hands?.Days)}|{s.Pruned?.Share} {Days(s.Pruned?.Days)}|{s.AntsOffFrom}"
        );

        string Sprayed(SprayRounds r) =>
            string.Create(
                CultureInfo.InvariantCulture,
                $"{(r.Material.EffectOn(target) is { } e ? e with { On = "", Confidence = "" } : null)} "
                    + $"{r.Material.Cover} {r.Material.HarmToHelpers} {Days(r.Days)}"
            );

        static string Days(IReadOnlyList<int>? days) => string.Join(',', days ?? []);
    }

    /// <summary>Nothing is left, neither of the trouble nor of what the planting would still have given.</summary>
    private Outlook Gone()
    {
        var days = f.Crop.StageDays;
        var left = f.DaysToEnd is { } toEnd ? Math.Clamp((double)toEnd / Math.Max(1, days[2] - days[1]), 0.05, 1) : 1;
        return new Outlook(
            [.. Enumerable.Range(0, WayBook.PlayedDays + 1).Select(_ => new WhatIfDay(0, 0, 0, 0, 0))],
            left * (target.ByPlant ? f.Share : 1),
            null
        );
    }
}
