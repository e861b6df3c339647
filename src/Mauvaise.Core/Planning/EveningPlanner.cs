using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Planning;

/// <summary>
/// What is due now: check-backs first, then what passed its line, then cover that lapsed where a bed keeps ahead, then beds that
/// nobody has looked at. Deterministic: the same snapshot gives the same evening.
/// </summary>
public static class EveningPlanner
{
    /// <summary>A count older than this no longer decides anything.</summary>
    private const int CountHoldsDays = 10;

    /// <summary>A planting that nobody looked at for this long is due for a walk.</summary>
    private const int WalkEveryDays = 6;

    /// <summary>What is under its line is looked at again after this long.</summary>
    private const int LookAgainDays = 4;

    /// <summary>One helper or mummy for this many infested leaves, and the colony is left to them.</summary>
    private const double LeavesPerHelper = 10;

    private sealed record Wish(Planting Planting, Target Target, DeedKind Kind, MaterialOption Option, DoseStep Step, List<Reason> Reasons);

    public static Evening Plan(GardenSnapshot garden)
    {
        var deeds = new List<Deed>();
        var left = new List<LeftAlone>();
        var wishes = new List<Wish>();
        deeds.AddRange(DueCheckBacks(garden));
        var visited = deeds.SelectMany(d => d.PlantingIds).ToHashSet();
        foreach (var planting in garden.Growing.Where(p => !visited.Contains(p.Id)))
        {
            Decide(garden, planting, deeds, wishes, left);
        }

        deeds.AddRange(Tanks(garden, wishes));
        deeds.AddRange(WalkDue(garden, visited));
        var (window, sentence) = Window(garden, deeds);
        return new Evening(window, sentence, deeds, left);
    }

    /// <summary>The worst verdict over all places that a tank goes to, hour by hour from now.</summary>
    /// <param name="anyHour">True to leave the household's free hours out: somebody is there already.</param>
    public static IReadOnlyList<HourVerdict> HoursFor(GardenSnapshot garden, Material material, IEnumerable<Guid> plantingIds, DateTimeOffset to, bool anyHour = false)
    {
        var places = plantingIds.Select(garden.FindPlanting).OfType<Planting>().Select(garden.PlaceOf).Distinct().ToList();
        var judged = places.Select(p => SprayHours.Judge(anyHour ? garden.SkyOf(p) : garden.PlannedSkyOf(p), garden.Now, to, material)).ToList();
        return judged.Count == 0
            ? []
            : [.. Enumerable.Range(0, judged.Min(j => j.Count)).Select(i => judged.Select(j => j[i]).MaxBy(h => h.Verdict)!)];
    }

    private static IEnumerable<Deed> DueCheckBacks(GardenSnapshot garden) =>
        from c in garden.CheckBacks
        where c.DoneAt is null && c.DueOn <= garden.Today
        let planting = garden.FindPlanting(c.PlantingId)
        where planting is not null
        let spray = garden.Applications.First(a => a.Id == c.ApplicationId)
        let days = garden.Today.DayNumber - garden.Garden.DateOf(spray.At).DayNumber
        let material = garden.Catalogue.Material(spray.Material)
        select new Deed(
            DeedKind.CheckBack,
            $"{(spray.PatchTest ? "Judge two leaves" : "Check back")}: {Where(garden, planting)}",
            spray.PatchTest
                ? $"{material.Name} was tried {Days(days)} ago. Did it scorch, curl or drop them?"
                : $"{material.Name} went on {Days(days)} ago. Count the same leaves: are they moving?",
            [new("check-back-due", $"A check-back was due on {Date(c.DueOn)}.")],
            [planting.Id],
            null,
            c.Id);

    private static void Decide(GardenSnapshot garden, Planting planting, List<Deed> deeds, List<Wish> wishes, List<LeftAlone> left)
    {
        if (Renewal(garden, planting, garden.PlaceOf(planting)) is { } renewal)
        {
            wishes.Add(renewal);
        }

        foreach (var seen in garden.LatestLook(planting.Id))
        {
            DecideTrouble(garden, planting, seen, deeds, wishes, left);
        }
    }

    private static void DecideTrouble(GardenSnapshot garden, Planting planting, Observation seen, List<Deed> deeds, List<Wish> wishes, List<LeftAlone> left)
    {
        var place = garden.PlaceOf(planting);
        var target = seen.Named is { } named ? garden.Catalogue.FindTarget(named) : null;
        if (target is null || seen.At < garden.Now.AddDays(-CountHoldsDays) || seen.LeavesLooked == 0)
        {
            return;
        }

        if (target.Kind == TargetKind.LookAlike)
        {
            left.Add(new(planting.Id, $"{Where(garden, planting)}: {target.Name.ToLowerInvariant()}, which no spray mends."));
            return;
        }

        var line = ActionLine.For(target, garden.StanceAt(place), place.Shelter, planting.Stage);
        var share = seen.Incidence!.Value;
        var told = FormattableString.Invariant($"{share * 100:0} % of leaves with {target.Name.ToLowerInvariant()}, line {line.Share * 100:0} %");
        if (target.NoSpray && seen.LeavesAffected > 0)
        {
            deeds.Add(new(DeedKind.Remove, $"Take out what is sick: {Where(garden, planting)}", target.InsteadOfSpray!, [new("no-spray", told + ".")], [planting.Id], null, null));
        }
        else if (share >= line.Share && target.InsteadOfSpray is { } byHand)
        {
            deeds.Add(new(DeedKind.ByHand, $"By hand: {Where(garden, planting)}", byHand, [new("over-line", told + ".")], [planting.Id], null, null));
        }
        else if (share < line.Share)
        {
            if (seen.LeavesAffected > 0)
            {
                left.Add(new(planting.Id, $"{Where(garden, planting)}: {told}. Look again {When(garden, garden.Garden.DateOf(seen.At).AddDays(LookAgainDays))}."));
            }
        }
        else if (Waiting(garden, planting, seen) is { } waiting)
        {
            left.Add(new(planting.Id, $"{Where(garden, planting)}: {told}. {waiting}"));
        }
        else if (HelpersAtWork(seen))
        {
            left.Add(new(planting.Id, $"{Where(garden, planting)}: {told}, but {seen.Helpers + seen.Mummies} helpers are at work. Count again in 3 to 5 days."));
        }
        else
        {
            Treat(garden, planting, target, [new("over-line", told + "."), new("line", line.Reason)], wishes, left);
        }
    }

    private static void Treat(GardenSnapshot garden, Planting planting, Target target, List<Reason> reasons, List<Wish> wishes, List<LeftAlone> left)
    {
        if (wishes.FirstOrDefault(w => w.Planting.Id == planting.Id && w.Kind == DeedKind.Spray) is { } first)
        {
            left.Add(new(planting.Id, $"{Where(garden, planting)}: {target.Name.ToLowerInvariant()} waits, {first.Target.Name.ToLowerInvariant()} comes first here."));
            return;
        }

        var options = MaterialChoice.Options(garden, planting, target);
        if (options.FirstOrDefault(o => o.Allowed && o.Recipe.Form == Form.Spray) is not { } best)
        {
            var why = options.Count == 0 ? "nothing in the catalogue works on it." : options[0].PassedOver[0] + ".";
            left.Add(new(planting.Id, $"{Where(garden, planting)}: {target.Name.ToLowerInvariant()} is over its line, but {why}"));
            return;
        }

        wishes.RemoveAll(w => w.Planting.Id == planting.Id);
        if (PatchWaits(garden, planting, best.Material) is { } patch)
        {
            left.Add(new(planting.Id, patch));
            return;
        }

        reasons.AddRange(best.Reasons.Select(r => new Reason("material", r)));
        reasons.AddRange(options.Where(o => !o.Allowed).Take(2).Select(o => new Reason("passed-over", $"Not {o.Material.Name.ToLowerInvariant()}: {o.PassedOver[0]}.")));
        wishes.Add(new(planting, target, DeedKind.Spray, best, DoseStep.Gentle, reasons));
    }

    /// <summary>Says that two leaves wait to be judged; null when they do not.</summary>
    private static string? PatchWaits(GardenSnapshot garden, Planting planting, Material material) =>
        UseGuards.PatchOf(garden, garden.Catalogue.Crop(planting.Crop), material) is { State: PatchState.Waiting, JudgeOn: { } on }
            ? $"{Where(garden, planting)}: two leaves were tried with {material.Name.ToLowerInvariant()}; judge them {When(garden, on)}."
            : null;

    /// <summary>The kind of deed that comes of a wish: a trial on two leaves before the first time on a crop.</summary>
    private static DeedKind KindOf(GardenSnapshot garden, Wish wish) =>
        UseGuards.PatchOf(garden, garden.Catalogue.Crop(wish.Planting.Crop), wish.Option.Material).State == PatchState.Needed ? DeedKind.PatchTest : wish.Kind;

    /// <summary>Where a bed keeps ahead: the protectant last given, again, once its protection has lapsed.</summary>
    private static Wish? Renewal(GardenSnapshot garden, Planting planting, Place place)
    {
        var stance = garden.StanceAt(place);
        if (stance != Stance.KeepAhead
            || garden.LastSpray(planting.Id) is not { Target: { } lastTarget } last
            || garden.Catalogue.FindTarget(lastTarget) is not { Kind: TargetKind.Disease } target
            || garden.Catalogue.Material(last.Material).EffectOn(target) is not { Protects: > 0 } effect)
        {
            return null;
        }

        var sky = garden.SkyOf(place);
        var wetted = last.Treated.First(t => t.PlantingId == planting.Id).ShareWetted;
        var material = garden.Catalogue.Material(last.Material);
        var now = CoverCurve.Of(material, last.At, wetted, sky, place, planting.Stage)[Math.Clamp(sky.IndexOf(garden.Now), 0, sky.Count - 1)];
        if (now * effect.Protects >= CoverCurve.Floor(stance) * effect.Protects)
        {
            return null;
        }

        return MaterialChoice.Options(garden, planting, target).FirstOrDefault(o => o.Allowed && o.Recipe.Form == Form.Spray) is { } best
            && PatchWaits(garden, planting, best.Material) is null
            ? new Wish(planting, target, DeedKind.Renew, best, DoseStep.Gentle,
                [new("cover-lapsed", FormattableString.Invariant($"{now * 100:0} % of the {material.Name.ToLowerInvariant()} is left at {place.Name}; keep ahead wants 60 %."))])
            : null;
    }

    private static IEnumerable<Deed> Tanks(GardenSnapshot garden, List<Wish> wishes) =>
        from w in wishes
        group w by (w.Option.Recipe.Id, w.Step, Patch: KindOf(garden, w) == DeedKind.PatchTest) into tank
        let first = tank.First()
        let plantings = tank.Select(w => w.Planting).ToList()
        let litres = tank.Key.Patch ? SprayVolume.PatchTestLitres : SprayVolume.LitresFor(garden, plantings)
        let kind = tank.Key.Patch ? DeedKind.PatchTest : tank.All(w => w.Kind == DeedKind.Renew) ? DeedKind.Renew : DeedKind.Spray
        let spots = string.Join(", ", plantings.Select(p => Where(garden, p)))
        select new Deed(
            kind,
            tank.Key.Patch ? $"Two leaves first: {first.Option.Recipe.Name.ToLowerInvariant()} on {spots}" : $"{first.Option.Recipe.Name}: {spots}",
            tank.Key.Patch
                ? $"It is new on this crop here. {TankVolume.Text(litres, garden.Garden.Kitchen)}, judged after {UseGuards.PatchTestDays * 24} hours; the rest waits for that."
                : $"{TankVolume.Text(litres, garden.Garden.Kitchen)}, {first.Step.ToString().ToLowerInvariant()} dose. Undersides first.",
            [.. tank.SelectMany(w => w.Reasons).Distinct()],
            [.. plantings.Select(p => p.Id)],
            new Tank(first.Option.Recipe, first.Step, litres, first.Target),
            null);

    private static IEnumerable<Deed> WalkDue(GardenSnapshot garden, HashSet<Guid> visited)
    {
        var stale = garden.Growing.Where(p => !visited.Contains(p.Id))
            .Select(p => (Planting: p, Days: garden.LatestObservation(p.Id) is { } o ? (int?)(garden.Today.DayNumber - garden.Garden.DateOf(o.At).DayNumber) : null))
            .Where(x => x.Days is null or >= WalkEveryDays)
            .ToList();
        if (stale.Count > 0)
        {
            var longest = stale.Max(x => x.Days ?? 0);
            yield return new Deed(
                DeedKind.Walk,
                $"Walk: {string.Join(", ", stale.Take(3).Select(x => Where(garden, x.Planting)))}{(stale.Count > 3 ? $" and {stale.Count - 3} more" : "")}",
                stale.All(x => x.Days is null) ? "Nobody has looked here yet. Turn leaves over." : $"Last looked at up to {Days(longest)} ago. Turn leaves over.",
                [new("not-seen", $"A walk every {WalkEveryDays} days finds things while they are small.")],
                [.. stale.Select(x => x.Planting.Id)],
                null,
                null);
        }
    }

    private static (SprayWindow? Window, string Sentence) Window(GardenSnapshot garden, List<Deed> deeds)
    {
        if (deeds.FirstOrDefault(d => d.Tank is not null) is not { } spray)
        {
            return (null, "Nothing to spray.");
        }

        var material = garden.Catalogue.Material(spray.Tank!.Recipe.Active.Material);
        var hours = HoursFor(garden, material, spray.PlantingIds, garden.Now.AddHours(24));
        var window = SprayHours.Windows(hours, material).OrderByDescending(w => w.Score).ThenBy(w => w.Start).FirstOrDefault();
        return window is not null
            ? (window, window.Sentence)
            : (null, hours.Count == 0
                ? "No weather is known for the coming day, so no hour can be named."
                : "No good hour in the coming day. " + hours.SelectMany(h => h.Rules).Where(r => r.Verdict == Verdict.Never).GroupBy(r => r.Rule).OrderByDescending(g => g.Count()).First().First().Sentence);
    }

    private static string? Waiting(GardenSnapshot garden, Planting planting, Observation seen) =>
        garden.LastSpray(planting.Id) is { } spray && spray.At >= seen.At
            ? garden.CheckBacks.FirstOrDefault(c => c.ApplicationId == spray.Id && c.PlantingId == planting.Id && c.DoneAt is null) is { } due
                ? $"Sprayed on {Date(garden.Garden.DateOf(spray.At))}; check back {Date(due.DueOn)}."
                : null
            : null;

    private static bool HelpersAtWork(Observation seen) =>
        seen.Ants == Ants.None && seen.Helpers + seen.Mummies >= Math.Max(1, seen.LeavesAffected / LeavesPerHelper);

    private static string Where(GardenSnapshot garden, Planting planting) =>
        $"{garden.PlaceOf(planting).Name} {garden.Catalogue.Crop(planting.Crop).Name.ToLowerInvariant()}";

    private static string When(GardenSnapshot garden, DateOnly date) => date <= garden.Today ? "today" : Date(date);

    private static string Days(int days) => days == 1 ? "1 day" : $"{days} days";

    private static string Date(DateOnly date) => date.ToString("ddd d MMM", CultureInfo.InvariantCulture);
}
