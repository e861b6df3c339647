using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Ways;

/// <summary>Which of the ways to meet a finding is proposed.</summary>
/// <param name="played">A model plays them through.</param>
internal sealed class WayChoice(Finding f, Target target, bool played)
{
    /// <summary>Where nothing holds, a way is worth its trouble when it leaves no more than this share of what leaving it alone would.</summary>
    private const double WorthIt = 0.8;

    /// <summary>So near to its line, what stays under it may eat much all the same (assumed).</summary>
    private const double NearLine = 0.5;

    /// <summary>
    /// Hands are put to what eats, though no line asks for it, when they save more than this share of the crop (assumed), whatever the household
    /// thinks of sprays; less is enough for who has nothing else until growth is hurt.
    /// </summary>
    private double WorthSaving => f.Stance == Stance.LastResort ? 0.02 : 0.05;

    /// <summary>The mildest way that holds, as the stance weighs it; where none does, the one that comes nearest and is worth its trouble.</summary>
    public Way? Of(List<Way> all)
    {
        var nothing = all[0];
        var takeOut = all[^1];
        if (target.NoSpray || (f.Overrun && f.Ending && takeOut.Allowed))
        {
            return takeOut;
        }

        if (f.Visit is not null)
        {
            return nothing;
        }

        if (!f.OverLine || f.HelpersAtWork)
        {
            // Ants are baited whatever the count; who hardly ever sprays takes spotted leaves off at sight.
            var early = all.Find(w =>
                w.Allowed && !PassedBy(w) && (w.Rung == Rung.Helpers || (f.Stance == Stance.LastResort && w.Id == KnownIds.Measures.Prune))
            );
            var near = !nothing.Holds || f.Share >= NearLine * f.Line.Share || f.Stance == Stance.LastResort;
            return early ?? (near && !f.HelpersAtWork ? Saving(all, nothing) : null) ?? nothing;
        }

        var ways = all.Where(w => w.Allowed && w.Id != takeOut.Id && w.Id != nothing.Id && !PassedBy(w)).ToList();
        if (ways.Exists(w => w.Prune is not null && w.Option is not null))
        {
            // Spotted leaves come off before anything is sprayed.
            ways.RemoveAll(w => w.Prune is null && w.Option is not null);
        }

        if (ways.Exists(w => w.Option is not null && !IsOffApproach(w) && IsWorthMixing(w, ways)))
        {
            // The household's way with disease outranks what else may be mixed, where it does more than hands alone.
            ways.RemoveAll(IsOffApproach);
            if (f.Stance == Stance.KeepAhead && target.Kind == TargetKind.Disease)
            {
                // Who keeps ahead of disease protects what is clean at the first spot.
                ways.RemoveAll(w => w.Option is null);
            }
        }

        if (!played)
        {
            return ways.Where(w => w.Rung == Rung.Hands && w.Hands.All(h => h.Measure.EffectOn(target) is not null)).MinBy(w => w.Cost)
                ?? ways.Where(w => w.Rung != Rung.Helpers).OrderBy(w => w.Rung).ThenBy(w => w.Cost).FirstOrDefault()
                ?? nothing;
        }

        if (nothing.Holds && f.Stance != Stance.KeepAhead && !f.RainWillSpread)
        {
            return Saving(all, nothing) ?? nothing;
        }

        var holding = ways.Where(w => w.Holds).ToList();
        if (f.Stance == Stance.KeepAhead && holding.Exists(IsSure))
        {
            // Who keeps ahead takes no chances.
            holding = holding.FindAll(IsSure);
        }

        if (holding.Count > 0)
        {
            var most = holding.Min(w => w.Cost) + MildnessIsWorth;
            return holding.Where(w => w.Cost <= most).OrderBy(w => w.Rung).ThenBy(w => w.Cost).First();
        }

        var worth = ways.Where(w => w.Outlook!.End.Middle <= WorthIt * nothing.Outlook!.End.Middle).ToList();
        // Who cleans first protects what is clean next: the cleaning is not judged as if nothing came after it.
        return worth
            .OrderByDescending(w => f.CleansFirst(w) && IsWorthMixing(w, ways))
            .ThenBy(w => Math.Max(0, w.Outlook!.End.Middle - f.Line.Share) + w.Cost)
            .FirstOrDefault()
            ?? (f.Overrun && takeOut.Allowed ? takeOut : nothing);
    }

    /// <summary>
    /// A few caterpillars eat much, and who hardly ever sprays has nothing but hands for long: the hands that save most of the crop before a line
    /// asks for it; null where that is little, and for what does not eat leaves in other stances.
    /// </summary>
    private Way? Saving(List<Way> all, Way nothing) =>
        nothing.Outlook is null || (BroodTraits.Of(target) is null && f.Stance != Stance.LastResort)
            ? null
            : all.Where(w => w.Allowed && w.Rung == Rung.Hands && !PassedBy(w) && nothing.Outlook.Loss - w.Outlook!.Loss > WorthSaving).MinBy(w => w.Cost);

    /// <summary>It holds, or leaves clearly less than what is done without mixing.</summary>
    private static bool IsWorthMixing(Way way, List<Way> ways) =>
        way.Outlook is not { End.Middle: var left }
        || way.Holds
        || ways.TrueForAll(w => w.Option is not null || w.Outlook is not { End.Middle: var other } || left <= WorthIt * other);

    /// <summary>Somebody said no to a part of it for this look.</summary>
    private bool PassedBy(Way way) => way.Hands.Any(h => f.Passed.Contains(h.Measure.Id)) || (way.Option is not null && f.Passed.Overlaps(SprayCodes.All));

    /// <summary>Nine runs in ten come under the line.</summary>
    private bool IsSure(Way way) => way.Outlook!.End.Mostly <= f.Line.Share;

    /// <summary>It is mixed against a disease, and is not the household's way with disease.</summary>
    public bool IsOffApproach(Way way) => target.Kind == TargetKind.Disease && way.Option is { FitsApproach: false };

    /// <summary>What a milder way may cost more than the cheapest, share of the crop (assumed): nothing to who keeps ahead, all to who hardly sprays.</summary>
    private double MildnessIsWorth =>
        f.Stance switch
        {
            Stance.KeepAhead => 0,
            Stance.LastResort => 1,
            _ => 0.03,
        };
}
