using System.Globalization;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;

namespace Mauvaise.Core.Ledger;

public enum StoryKind { Planted, Found, Clean, Done, Judged, Picked, Ended }

/// <summary>A line of a story.</summary>
/// <param name="RecordId">Of the count, spray, task or check-back; the planting's for its beginning and end.</param>
public sealed record StoryLine(StoryKind Kind, DateTimeOffset At, string Sentence, Guid RecordId);

/// <summary>One trouble on one planting from its finding to its end; or, without a target, the planting itself.</summary>
/// <param name="Title">As "Powdery mildew on courgette".</param>
/// <param name="Ending">How it stands or stood in the end.</param>
public sealed record StoryChapter(Planting Planting, Target? Target, string Title, IReadOnlyList<StoryLine> Lines, string Ending);

/// <summary>What was found at a place, what was done about it and what came of it.</summary>
public static class PlaceStory
{
    /// <summary>Chapters in the order of their beginning, those without a target first.</summary>
    /// <param name="season">A snapshot with the records of the season.</param>
    public static IReadOnlyList<StoryChapter> Of(GardenSnapshot season, Place place, DateOnly from)
    {
        var grown = season.PlantedAt(place).Where(p => p.From <= season.Today && (p.Until is null || p.Until >= from)).ToList();
        return
        [
            .. grown.Select(p => OfPlanting(season, p)),
            .. grown.SelectMany(p => Targets(season, p).Select(t => OfTrouble(season, p, t))).OrderBy(c => c.Lines.Count > 0 ? c.Lines[0].At : season.Now),
        ];
    }

    private static IEnumerable<Target> Targets(GardenSnapshot season, Planting planting) =>
        season.CountsOf(planting.Id).Where(o => o.LeavesAffected > 0).Select(o => o.Named)
            .Concat(season.SpraysOn(planting.Id).Select(a => a.Target))
            .Concat(season.Tasks.Where(t => t.PlantingId == planting.Id && t.State == TaskState.Done).Select(t => t.Target))
            .Distinct().Select(id => season.Catalogue.FindTarget(id ?? "")).OfType<Target>();

    private static StoryChapter OfPlanting(GardenSnapshot season, Planting planting)
    {
        var crop = season.Catalogue.Crop(planting.Crop);
        var lines = new List<StoryLine> { new(StoryKind.Planted, season.Garden.StartOf(planting.From), $"Planted{(planting.Variety is null ? "" : $", {planting.Variety}")}.", planting.Id) };
        var looks = season.CountsOf(planting.Id).GroupBy(o => o.LookId).Select(g => (At: g.First().At, Id: g.First().Id, Looked: g.Max(o => o.LeavesLooked), Affected: g.Where(o => o.Named is null).Sum(o => o.LeavesAffected), Clean: g.All(o => o.LeavesAffected == 0), Note: string.Join(" ", g.Select(o => o.Note).OfType<string>()))).ToList();
        for (var i = 0; i < looks.Count; i++)
        {
            if (looks[i].Clean)
            {
                var run = looks.Skip(i).TakeWhile(l => l.Clean && l.Note.Length == 0).Count();
                var last = looks[i + Math.Max(0, run - 1)];
                lines.Add(new(StoryKind.Clean, looks[i].At, run > 1
                    ? $"Clean at {run} looks until {Date(season, last.At)}."
                    : FormattableString.Invariant($"Clean: {looks[i].Looked} leaves.{Noted(looks[i].Note)}"), looks[i].Id));
                i += Math.Max(0, run - 1);
            }
            else if (looks[i].Affected > 0)
            {
                lines.Add(new(StoryKind.Found, looks[i].At, FormattableString.Invariant($"Something without a name on {looks[i].Affected} of {looks[i].Looked} leaves.{Noted(looks[i].Note)}"), looks[i].Id));
            }
        }

        lines.AddRange(season.Tasks.Where(t => t.PlantingId == planting.Id && t.Target is null).Select(t => Task(season, t)).OfType<StoryLine>());
        lines.AddRange(season.SpraysOn(planting.Id).Where(a => a.Target is null).SelectMany(a => Spray(season, a, planting)));
        lines.AddRange(season.Harvests.Where(h => h.PlantingId == planting.Id)
            .Select(h => new StoryLine(StoryKind.Picked, h.At, $"Picked {h.Told}{(h.Washed switch { true => ", washed", false => ", not washed", _ => "" })}.", h.Id)));
        if (planting.Until is { } until && until <= season.Today)
        {
            lines.Add(new(StoryKind.Ended, season.Garden.StartOf(until), "Taken out.", planting.Id));
        }

        return new StoryChapter(planting, null, crop.Name, [.. lines.OrderBy(l => l.At)],
            planting.GrowsOn(season.Today) ? looks.Count > 0 ? $"It grows, and was last looked at on {Date(season, looks[^1].At)}." : "It grows, and nobody has looked at it yet." : "Its season is over.");
    }

    private static StoryChapter OfTrouble(GardenSnapshot season, Planting planting, Target target)
    {
        var crop = season.Catalogue.Crop(planting.Crop).Name.InSentence();
        var judged = season.CheckBacks.Where(c => c.ObservationId is not null).Select(c => c.ObservationId!.Value).ToHashSet();
        var found = season.CountsOf(planting.Id).Where(o => o.Named == target.Id && o.LeavesAffected > 0 && !judged.Contains(o.Id)).Select((o, i) => new StoryLine(StoryKind.Found, o.At, FormattableString.Invariant(
            $"{(i == 0 ? "Found" : "Still there")}: {o.LeavesAffected} of {o.LeavesLooked} leaves{(o.SeverityPercent is { } area ? FormattableString.Invariant($", {area:0} % of such a leaf") : "")}.{Company(o)}{Noted(o.Note ?? "")}"), o.Id));
        var done = season.SpraysOn(planting.Id).Where(a => a.Target == target.Id).SelectMany(a => Spray(season, a, planting));
        var byHand = season.Tasks.Where(t => t.PlantingId == planting.Id && t.Target == target.Id).SelectMany(t => new[] { Task(season, t) }.OfType<StoryLine>().Concat(Came(season, season.VisitsOf(t.Id).FirstOrDefault())));
        StoryLine[] lines = [.. found.Concat(done).Concat(byHand).OrderBy(l => l.At)];
        return new StoryChapter(planting, target, $"{target.Name} on {crop}", lines, Ending(season, planting, target));
    }

    private static string Ending(GardenSnapshot season, Planting planting, Target target)
    {
        if (season.Courses.LastOrDefault(c => c.PlantingId == planting.Id && c.Target == target.Id) is { } course && season.Catalogue.FindRecipe(course.Recipe) is not null)
        {
            return CourseProgress.Of(season, course).Sentence;
        }

        var last = season.CountsOf(planting.Id).LastOrDefault(o => (o.Named == target.Id || o.LeavesAffected == 0));
        return last switch
        {
            null => "Nobody counted it.",
            { LeavesAffected: 0 } => $"Gone when last looked at, on {Date(season, last.At)}.",
            _ => FormattableString.Invariant($"On {last.Incidence * 100:0} % of leaves when last looked at, on {Date(season, last.At)}."),
        };
    }

    private static IEnumerable<StoryLine> Spray(GardenSnapshot season, SprayApplication a, Planting planting)
    {
        var name = season.Catalogue.FindMaterial(a.Material)?.Name ?? a.Material;
        var who = season.Members.FirstOrDefault(m => m.Id == a.MemberId)?.Name;
        var air = a.Air?.TemperatureC is { } t ? $", at {Figure.Temperature(t)}" : "";
        // A dust or a bait has no litres.
        var amount = a.Litres > 0 ? $", {TankVolume.Text(a.Litres, season.Garden.Kitchen)}" : "";
        var more = a.Treated.Count > 1 ? $", over {a.Treated.Count} plantings" : "";
        yield return new(StoryKind.Done, a.At, a.PatchTest
            ? $"{name} tried on two leaves{(who is null ? "" : $" by {who}")}."
            : $"{name}{amount}{more}{air}{(who is null ? "" : $", by {who}")}{Reason(a.Why)}.{Noted(a.Note ?? "")}", a.Id);
        foreach (var came in Came(season, season.VisitsOf(a.Id).FirstOrDefault(c => c.PlantingId == planting.Id)))
        {
            yield return came;
        }
    }

    private static IEnumerable<StoryLine> Came(GardenSnapshot season, CheckBack? visit)
    {
        if (visit?.DoneAt is not { } at)
        {
            yield break;
        }

        LeafCount? Counted(Guid? id) => season.FindCount(id) is { LeavesLooked: > 0 } o ? new(o.LeavesLooked, o.LeavesAffected) : null;
        var (before, after) = (Counted(visit.BeforeId), Counted(visit.ObservationId));
        var change = (before, after) switch
        {
            (_, null) => "",
            (null, { } a) => FormattableString.Invariant($", {a.Share * 100:0} % of leaves"),
            ({ } b, { } a) => FormattableString.Invariant($", {b.Share * 100:0} % of leaves before and {a.Share * 100:0} % after"),
        };
        var hurt = visit.Injury == Injury.None ? "" : $" {visit.Injury} injury{(visit.InjurySigns is { Count: > 0 } signs ? $" ({string.Join(", ", signs.Select(s => s.ToString().ToLowerInvariant()))})" : "")}.";
        var touched = (visit.Alive ?? 0) + (visit.Dead ?? 0) is > 0 and var n ? $" Of {n} touched, {visit.Dead ?? 0} were dead." : "";
        yield return new(StoryKind.Judged, at, $"{visit.Outcome?.ToString() ?? "Two leaves judged"}{change}.{touched}{hurt}", visit.Id);
    }

    private static StoryLine? Task(GardenSnapshot season, GardenTask t) => t is { State: TaskState.Done, DoneAt: { } at } && season.Catalogue.FindMeasure(t.Step) is { } measure
        ? new(StoryKind.Done, at, $"{measure.Name}{(t.Leaves is { } n ? $", {n} leaves" : "")}.", t.Id)
        : null;

    private static string Company(Observation o) => (o.Helpers + o.Mummies, o.Ants) switch
    {
        (0, Ants.None) => "",
        (0, _) => " Ants on it.",
        (var helpers, Ants.None) => $" {helpers} helpers at work.",
        var (helpers, _) => $" {helpers} helpers at work, and ants.",
    };

    private static string Reason(SprayReason why) => why switch { SprayReason.Plan => ", as planned", SprayReason.Course => ", a round of the course", _ => "" };

    private static string Noted(string note) => note.Length == 0 ? "" : $" \"{note}\"";

    private static string Date(GardenSnapshot season, DateTimeOffset at) => season.Garden.DateOf(at).ToString("d MMMM", CultureInfo.InvariantCulture);
}
