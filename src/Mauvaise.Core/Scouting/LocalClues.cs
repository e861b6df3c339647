using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Scouting;

/// <summary>What a garden knows about a planting before anybody turns a leaf over. All factors are assumed.</summary>
public static class LocalClues
{
    /// <summary>A trouble named elsewhere counts as near for this long.</summary>
    private const int NeighbourDays = 21;
    private const double SameBed = 2.5;
    private const double SameGarden = 1.4;

    /// <summary>On a bed that lies close by on the plan (assumed).</summary>
    private const double CloseBy = 1.9;

    /// <summary>Scorch shows within this many days of a spray.</summary>
    private const int ScorchDays = 5;
    private const double AfterSpray = 3;
    private const double NoSpray = 0.1;

    /// <summary>Earlier names on the same crop count up to this often.</summary>
    private const int MostNames = 3;

    /// <summary>Circumstances of a planting now.</summary>
    /// <param name="sky">The weather of its place.</param>
    /// <param name="exceptLook">The look that is being named, so that it does not vouch for itself.</param>
    public static Circumstances At(GardenSnapshot garden, Planting planting, PlaceSky sky, Guid? exceptLook = null)
    {
        var crop = garden.Catalogue.Crop(planting.Crop);
        var days = SkyDays.Of(sky.Shelter, garden.Garden, garden.Today, garden.Today);
        var local = new Dictionary<string, IReadOnlyList<Clue>>();
        foreach (var target in garden.Catalogue.TargetsOn(crop).Select(x => x.Target))
        {
            var named = garden.Finds[target.Id].Where(x => x.Seen.LookId != exceptLook && x.Seen.At <= garden.Now).ToList();
            Clue?[] clues =
            [
                .. Readings(garden, planting, crop, target),
                Age(target, planting),
                Weather(target, days),
                Neighbour(garden, planting, named),
                HereBefore(planting, named),
                Sprayed(garden, planting, target),
            ];
            local[target.Id] = [.. clues.OfType<Clue>()];
        }

        return new Circumstances(crop, garden.PlaceOf(planting).Shelter, garden.Garden.NorthernMonth(garden.Today), local);
    }

    /// <summary>What was measured here, as far as it speaks of a trouble.</summary>
    private static IEnumerable<Clue> Readings(GardenSnapshot garden, Planting planting, Crop crop, Target target) =>
        from kind in garden.Catalogue.Readings
        from tells in kind.Tells
        where tells.Of == target.Id
        let read = garden.ReadingOf(garden.PlaceOf(planting), kind)
        where read is not null
        let state = kind.StateOf(read.Value, crop)
        let when = garden.Garden.DateOf(read.At)
        select new Clue(
            "reading",
            tells.At(state),
            Said.Of(
                "scouting.measuredOn",
                ("kind", Fact.Thing(kind.Name.InSentence())),
                ("kind2", Fact.Clause(kind.Told(read.Value))),
                ("when", Fact.Day(when)),
                ("words", Fact.Clause(PlaceReadings.Words(state)))
            ),
            true
        );

    private static Clue? Age(Target target, Planting planting) =>
        planting.Stage is GrowthStage.Seedling or GrowthStage.Young && Math.Abs(target.YoungFactor - 1) > 0.01
            ? new("age", target.YoungFactor, target.YoungFactor > 1 ? Said.Of("scouting.likesYoungPlants") : Said.Of("scouting.seldomOnYoungPlants"))
            : null;

    private static Clue? Weather(Target target, SkyDays days) => Pressure.Latest(target, days) is { } p ? new("weather", 0.4 + 1.2 * p.Value, p.Said) : null;

    private static Clue? Neighbour(GardenSnapshot garden, Planting planting, IReadOnlyList<(Observation Seen, Planting Planting)> named)
    {
        var here = garden.PlaceOf(planting);
        var near = named
            .Where(x => x.Planting.Id != planting.Id && x.Seen.LeavesAffected > 0 && x.Seen.At > garden.Now.AddDays(-NeighbourDays))
            .OrderByDescending(x => x.Planting.PlaceId == planting.PlaceId)
            .ThenByDescending(x => here.IsBeside(garden.PlaceOf(x.Planting)))
            .ThenByDescending(x => x.Seen.At)
            .FirstOrDefault();
        if (near.Planting is null)
        {
            return null;
        }

        var place = garden.PlaceOf(near.Planting).Name;
        var crop = Fact.Thing(garden.Catalogue.Crop(near.Planting.Crop).Name.InSentence());
        var days = garden.Today.DayNumber - garden.Garden.DateOf(near.Seen.At).DayNumber;
        var ago = Fact.Ago(days);
        return near.Planting.PlaceId == planting.PlaceId
            ? new("neighbour", SameBed, Said.Of("scouting.onTheInTheSameBed", ("crop", crop), ("ago", ago)))
            : new(
                "neighbour",
                here.IsBeside(garden.PlaceOf(near.Planting)) ? CloseBy : SameGarden,
                Said.Of("scouting.onThe", ("crop", crop), ("place", Fact.Thing(place)), ("ago", ago))
            );
    }

    private static Clue? HereBefore(Planting planting, IReadOnlyList<(Observation Seen, Planting Planting)> named)
    {
        var times = named.Count(x => x.Planting.Crop == planting.Crop);
        return times == 0
            ? null
            : new(
                "here-before",
                1 + 0.5 * Math.Min(MostNames, times),
                times == 1 ? Said.Of("scouting.namedOnceOnThisCropHere") : Said.Of("scouting.namedTimesOnThisCropHere", ("times", Fact.Count(times)))
            );
    }

    private static Clue? Sprayed(GardenSnapshot garden, Planting planting, Target target)
    {
        if (!target.FollowsSpray)
        {
            return null;
        }

        var days = garden.LastSpray(planting.Id) is { } spray ? (garden.Now - spray.At).TotalDays : double.MaxValue;
        return days <= ScorchDays
            ? new("sprayed", AfterSpray, Said.Of("scouting.sprayedHereWithinDays", ("scorchDays", Fact.Days(ScorchDays))))
            : new("sprayed", NoSpray, Said.Of("scouting.noSprayHereInDays", ("scorchDays", Fact.Days(ScorchDays))));
    }
}
