using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Courses;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Ledger;

public enum StoryKind
{
    Planted,
    Found,
    Clean,
    Done,
    Judged,
    Picked,
    Carried,
    Ended,
}

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
        var grown = season
            .OnceAt(place)
            .Where(p => p.From <= season.Today && (p.Until is null || p.Until >= from) && (p.LeftOn(place) is not { } left || left >= from))
            .ToList();
        return
        [
            .. grown.Select(p => WhileHere(season, place, OfPlanting(season, p))),
            .. grown
                .SelectMany(p => Targets(season, p).Select(t => WhileHere(season, place, OfTrouble(season, p, t))))
                .Where(c => c.Lines.Count > 0 || c.Planting.PlaceId == place.Id)
                .OrderBy(c => c.Lines.Count > 0 ? c.Lines[0].At : season.Now),
        ];
    }

    /// <summary>A planting takes its story along: where it stands all of it is told, where it stood what was until it was carried away.</summary>
    private static StoryChapter WhileHere(GardenSnapshot season, Place place, StoryChapter chapter)
    {
        if (chapter.Planting.LeftOn(place) is not { } left)
        {
            return chapter;
        }

        var end = season.Garden.StartOf(left.AddDays(1));
        return chapter with
        {
            Lines = [.. chapter.Lines.Where(l => l.At < end)],
            Ending = Say.Of("ledger.carriedTo", ("place", season.PlaceOf(chapter.Planting).Name)),
        };
    }

    private static IEnumerable<Target> Targets(GardenSnapshot season, Planting planting) =>
        season
            .CountsOf(planting.Id)
            .Where(o => o.LeavesAffected > 0)
            .Select(o => o.Named)
            .Concat(season.SpraysOn(planting.Id).SelectMany(a => new[] { a.Target, a.Also?.Target }))
            .Concat(season.Tasks.Where(t => t.PlantingId == planting.Id && t.State == TaskState.Done).Select(t => t.Target))
            .Distinct()
            .Select(id => season.Catalogue.FindTarget(id ?? ""))
            .OfType<Target>();

    private static StoryChapter OfPlanting(GardenSnapshot season, Planting planting)
    {
        var crop = season.Catalogue.Crop(planting.Crop);
        var lines = new List<StoryLine>
        {
            new(
                StoryKind.Planted,
                season.Garden.StartOf(planting.From),
                planting.Variety is null ? Say.Of("ledger.planted") : Say.Of("ledger.planted2", ("variety", planting.Variety)),
                planting.Id
            ),
        };
        var looks = season
            .CountsOf(planting.Id)
            .GroupBy(o => o.LookId)
            .Select(g =>
                (
                    At: g.First().At,
                    Id: g.First().Id,
                    g.First().On,
                    ByPlant: g.First().Plants is not null,
                    Looked: g.Max(o => o.LeavesLooked),
                    Affected: g.Where(o => o.Named is null).Sum(o => o.LeavesAffected),
                    Clean: g.All(o => o.LeavesAffected == 0),
                    Note: string.Join(" ", g.Select(o => o.Note).OfType<string>())
                )
            )
            .ToList();
        for (var i = 0; i < looks.Count; i++)
        {
            if (looks[i].Clean)
            {
                var run = looks.Skip(i).TakeWhile(l => l.Clean && l.Note.Length == 0).Count();
                var last = looks[i + Math.Max(0, run - 1)];
                lines.Add(
                    new(
                        StoryKind.Clean,
                        looks[i].At,
                        run > 1
                            ? Say.Of("ledger.cleanAtLooksUntil", ("run", run), ("date", Date(season, last.At)))
                            : Say.Sentences(Say.Of("ledger.cleanLooked", ("looked", looks[i].Looked)), Noted(looks[i].Note)),
                        looks[i].Id
                    )
                );
                i += Math.Max(0, run - 1);
            }
            else if (looks[i].Affected > 0)
            {
                lines.Add(
                    new(
                        StoryKind.Found,
                        looks[i].At,
                        Say.Sentences(
                            Say.Of("ledger.somethingWithoutAName", ("count", CountTold.Of(looks[i].On, looks[i].Looked, looks[i].Affected, looks[i].ByPlant))),
                            Noted(looks[i].Note)
                        ),
                        looks[i].Id
                    )
                );
            }
        }

        lines.AddRange(season.Tasks.Where(t => t.PlantingId == planting.Id && t.Target is null).Select(t => Task(season, t)).OfType<StoryLine>());
        lines.AddRange(season.SpraysOn(planting.Id).Where(a => a.Target is null).SelectMany(a => Spray(season, a, planting)));
        lines.AddRange(
            season
                .Harvests.Where(h => h.PlantingId == planting.Id)
                .Select(h => new StoryLine(
                    StoryKind.Picked,
                    h.At,
                    h.Washed switch
                    {
                        true => Say.Of("ledger.pickedWashed", ("it", h.Told)),
                        false => Say.Of("ledger.pickedNotWashed", ("it", h.Told)),
                        null => Say.Of("ledger.picked", ("it", h.Told)),
                    },
                    h.Id
                ))
        );
        lines.AddRange(
            planting
                .Earlier.Where(s => s.Until <= season.Today)
                .Select(s => new StoryLine(
                    StoryKind.Carried,
                    season.Garden.StartOf(s.Until),
                    Say.Of("ledger.carriedAwayFrom", ("place", season.Places.FirstOrDefault(p => p.Id == s.PlaceId)?.Name ?? "")),
                    planting.Id
                ))
        );
        if (planting.Until is { } until && until <= season.Today)
        {
            lines.Add(new(StoryKind.Ended, season.Garden.StartOf(until), Say.Of("ledger.takenOut"), planting.Id));
        }

        return new StoryChapter(
            planting,
            null,
            crop.Name,
            [.. lines.OrderBy(l => l.At)],
            planting.GrowsOn(season.Today)
                ? looks.Count > 0
                    ? Say.Of("ledger.itGrowsAndWasLastLooked", ("date", Date(season, looks[^1].At)))
                    : Say.Of("ledger.itGrowsAndNobodyHasLooked")
                : Say.Of("ledger.itsSeasonIsOver")
        );
    }

    private static StoryChapter OfTrouble(GardenSnapshot season, Planting planting, Target target)
    {
        var crop = season.Catalogue.Crop(planting.Crop).Name.InSentence();
        var judged = season.CheckBacks.Where(c => c.ObservationId is not null).Select(c => c.ObservationId!.Value).ToHashSet();
        var found = season
            .CountsOf(planting.Id)
            .Where(o => o.Named == target.Id && o.LeavesAffected > 0 && !judged.Contains(o.Id))
            .Select((o, i) => new StoryLine(StoryKind.Found, o.At, Found(o, i == 0), o.Id));
        var done = season.SpraysOn(planting.Id).Where(a => a.IsAgainst(target.Id)).SelectMany(a => Spray(season, a, planting, target.Id));
        var byHand = season
            .Tasks.Where(t => t.PlantingId == planting.Id && t.Target == target.Id)
            .SelectMany(t => new[] { Task(season, t) }.OfType<StoryLine>().Concat(Came(season, season.VisitsOf(t.Id).FirstOrDefault())));
        StoryLine[] lines = [.. found.Concat(done).Concat(byHand).OrderBy(l => l.At)];
        return new StoryChapter(
            planting,
            target,
            Say.Of("ledger.targetCropOn", ("target", target.Name), ("crop", crop)),
            lines,
            Ending(season, planting, target)
        );
    }

    private static string Ending(GardenSnapshot season, Planting planting, Target target)
    {
        if (
            season.Courses.LastOrDefault(c => c.PlantingId == planting.Id && c.Target == target.Id) is { } course
            && season.Catalogue.FindRecipe(course.Recipe) is not null
        )
        {
            return CourseProgress.Of(season, course).Sentence.Words;
        }

        var last = season.CountsOf(planting.Id).LastOrDefault(o => (o.Named == target.Id || o.LeavesAffected == 0));
        return last switch
        {
            null => Say.Of("ledger.nobodyCounted"),
            { LeavesAffected: 0 } => Say.Of("ledger.goneWhenLastLooked", ("date", Date(season, last.At))),
            _ => Say.Of(
                "ledger.onOfThingsWhenLastLooked",
                ("incidence", Say.In(last.Incidence * 100, "0")),
                ("things", Say.Word(last.On)),
                ("date", Date(season, last.At))
            ),
        };
    }

    private static IEnumerable<StoryLine> Spray(GardenSnapshot season, SprayApplication a, Planting planting, string? target = null)
    {
        var material = a.MaterialAgainst(target);
        var name = season.Catalogue.FindMaterial(material)?.Name ?? material;
        var who = season.Members.FirstOrDefault(m => m.Id == a.MemberId)?.Name;
        var air = a.Air?.TemperatureC is { } t ? Say.Of("ledger.temperatureAt", ("temperature", Figure.Temperature(t))) : "";
        // A dust or a bait has no litres.
        var amount = a.Litres > 0 ? TankVolume.Text(a.Litres, season.Garden.Kitchen) : "";
        var only = a.Treated.FirstOrDefault(t => t.PlantingId == planting.Id)?.Plants is { } some
            ? Say.Of("ledger.onPlants", ("n", some.Count), ("plants", SinglePlants.Told(some)))
            : null;
        var more = a.Treated.Count > 1 ? Say.Of("ledger.overPlantings", ("treated", a.Treated.Count)) : "";
        yield return new(
            StoryKind.Done,
            a.At,
            a.PatchTest
                ? who is null
                    ? Say.Of("ledger.triedOnTwoLeaves", ("name", name))
                    : Say.Of("ledger.triedOnTwoLeaves2", ("name", name), ("who", who))
                : Say.Sentences(
                    Say.Sentence(Say.Remarked(name, amount, only, more, air, who is null ? null : Say.Of("ledger.by", ("who", who)), Reason(a.Why))),
                    Noted(a.Note ?? "")
                ),
            a.Id
        );
        foreach (var came in Came(season, season.VisitsOf(a.Id).FirstOrDefault(c => c.PlantingId == planting.Id && c.AlsoTarget == a.AlsoFor(target))))
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
            (null, { } a) => Say.Of("ledger.shareAffected", ("share", Say.In(a.Share * 100, "0"))),
            ({ } b, { } a) => Say.Of("ledger.affectedBeforeAndAfter", ("share", Say.In(b.Share * 100, "0")), ("share2", Say.In(a.Share * 100, "0"))),
        };
        var hurt =
            visit.Injury <= Injury.None ? ""
            : visit.InjurySigns is { Count: > 0 } signs
                ? Say.Of("ledger.injury", ("injury", Say.Word(visit.Injury).AsSentenceStart()), ("list", string.Join(", ", signs.Select(s => Say.Word(s)))))
            : Say.Of("ledger.injury2", ("injury", Say.Word(visit.Injury).AsSentenceStart()));
        var touched = (visit.Alive ?? 0) + (visit.Dead ?? 0) is > 0 and var n
            ? Say.Of("ledger.ofTouchedWereDead", ("number", n), ("dead", visit.Dead ?? 0))
            : "";
        yield return new(
            StoryKind.Judged,
            at,
            Say.Sentences(
                Say.Sentence(Say.Remarked(visit.Outcome is { } outcome ? Say.Word(outcome).AsSentenceStart() : Say.Of("ledger.twoLeavesJudged"), change)),
                touched,
                hurt
            ),
            visit.Id
        );
    }

    private static StoryLine? Task(GardenSnapshot season, GardenTask t) =>
        t is { State: TaskState.Done, DoneAt: { } at } && season.Catalogue.FindMeasure(t.Step) is { } measure
            ? new(
                StoryKind.Done,
                at,
                t.Leaves is { } n ? Say.Of("ledger.leaves", ("measure", measure.Name), ("number", n)) : Say.Of("ledger.measure", ("measure", measure.Name)),
                t.Id
            )
            : null;

    private static string Company(Observation o) =>
        (o.Helpers + o.Mummies, o.Ants.Climb()) switch
        {
            (0, false) => "",
            (0, true) => Say.Of("ledger.antsOn"),
            (var helpers, false) => Say.Of("ledger.helpersAtWork", ("helpers", helpers)),
            (var helpers, true) => Say.Of("ledger.helpersAtWorkAndAnts", ("helpers", helpers)),
        };

    private static string Found(Observation o, bool first)
    {
        var ofALeaf = o.SeverityPercent is { } area ? Say.Of("ledger.ofSuchALeaf", ("area", Say.In(area, "0"))) : "";
        var leaves = o.Plants is { Count: > 0 } plants
            ? Say.Of(
                first ? "ledger.foundOfPlants" : "ledger.stillThereOfPlants",
                ("affected", o.LeavesAffected),
                ("looked", o.LeavesLooked),
                ("plants", SinglePlants.Told(plants))
            )
            : Say.Of(first ? "ledger.found" : "ledger.stillThere", ("count", CountTold.Of(o.On, o.LeavesLooked, o.LeavesAffected)));
        return Say.Sentences(Say.Sentence(Say.Remarked(leaves, ofALeaf)), Company(o), Noted(o.Note ?? ""));
    }

    private static string Reason(SprayReason why) =>
        why switch
        {
            SprayReason.Plan => Say.Of("ledger.asPlanned"),
            SprayReason.Course => Say.Of("ledger.aRoundOfTheCourse"),
            _ => "",
        };

    private static string Noted(string note) => note.Length == 0 ? "" : $"\"{note}\"";

    private static string Date(GardenSnapshot season, DateTimeOffset at) => Say.In(season.Garden.DateOf(at), "d MMMM");
}
