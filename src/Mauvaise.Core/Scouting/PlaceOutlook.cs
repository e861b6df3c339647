using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Scouting;

/// <summary>A night that was, or will be, wet and warm enough to let a disease in.</summary>
public sealed record InfectionNight(DateOnly Day, int WetHours, double NeededHours);

/// <summary>What the weather does to one trouble at one place.</summary>
/// <param name="Share">Its share of all troubles of the crop, before any sign.</param>
/// <param name="FoundOn">Day of the last find within the weather that is known; null without one.</param>
/// <param name="Pressure">Day by day, past and to come.</param>
/// <param name="Stages">Turns of an insect's life from the find on.</param>
/// <param name="Generations">Generations that the warmth since the find allows; null without a find.</param>
/// <param name="Nights">Infection nights of a wet-leaf disease.</param>
public sealed record TroubleOutlook(
    Planting Planting,
    Target Target,
    double Share,
    DateOnly? FoundOn,
    IReadOnlyList<PressureReading> Pressure,
    IReadOnlyList<StageEvent> Stages,
    double? Generations,
    IReadOnlyList<InfectionNight> Nights
)
{
    public PressureReading? On(DateOnly day) => Pressure.FirstOrDefault(p => p.Day == day);
}

/// <summary>Pressure, stages and infection nights of what is likely or was found at a place, 30 days back and 10 ahead.</summary>
public static class PlaceOutlook
{
    public const int DaysBack = 30;
    public const int DaysAhead = 10;

    /// <summary>Troubles shown for each planting beside those that were found.</summary>
    private const int Likely = 3;

    /// <summary>Stages are told this far ahead, beyond the forecast as an estimate.</summary>
    private const int StagesAheadDays = 45;

    /// <summary>Likely and found troubles of each planting, the likeliest first.</summary>
    public static IReadOnlyList<TroubleOutlook> Of(GardenSnapshot garden, Place place)
    {
        var sky = garden.SkyOf(place);
        var days = Days(garden, sky);
        return [.. garden.Growing.Where(p => p.PlaceId == place.Id).SelectMany(p => OfPlanting(garden, p, sky, days))];
    }

    /// <summary>The strongest pressure on each day of the likeliest trouble of each planting: the Board's thin line.</summary>
    public static IReadOnlyList<PressureReading> Line(GardenSnapshot garden, Place place)
    {
        var sky = garden.SkyOf(place);
        var days = Days(garden, sky);
        return
        [
            .. garden
                .Growing.Where(p => p.PlaceId == place.Id)
                .Select(p => Weighed(garden, p, sky)[0].Target)
                .DistinctBy(t => t.Id)
                .SelectMany(t => Pressure.Daily(t, days).Select(p => p with { Said = p.Said.About(Fact.Thing(t.Name)) }))
                .GroupBy(p => p.Day)
                .OrderBy(g => g.Key)
                .Select(g => g.MaxBy(p => p.Value)!),
        ];
    }

    private static SkyDays Days(GardenSnapshot garden, PlaceSky sky) =>
        SkyDays.Of(sky.Shelter, garden.Garden, garden.Today.AddDays(-DaysBack), garden.Today.AddDays(DaysAhead));

    /// <summary>Pests and diseases of a planting with their share of all, the likeliest first.</summary>
    private static List<(Target Target, double Share)> Weighed(GardenSnapshot garden, Planting planting, PlaceSky sky)
    {
        var where = LocalClues.At(garden, planting, sky);
        var weighed = garden
            .Catalogue.TargetsOn(where.Crop)
            .Where(t => t.Target.Insect is not null || t.Target.Disease is not null)
            .Select(t => (t.Target, Weight: where.PriorWeight(t.Target)))
            .OrderByDescending(x => x.Weight)
            .ThenBy(x => x.Target.Id, StringComparer.Ordinal)
            .ToList();
        var total = weighed.Sum(x => x.Weight);
        return [.. weighed.Select(x => (x.Target, x.Weight / total))];
    }

    private static IEnumerable<TroubleOutlook> OfPlanting(GardenSnapshot garden, Planting planting, PlaceSky sky, SkyDays days)
    {
        var oldest = garden.Today.AddDays(-DaysBack);
        var found = garden
            .CountsOf(planting.Id)
            .Where(o => o.Named is not null && o.LeavesAffected > 0 && o.At <= garden.Now && garden.Garden.DateOf(o.At) >= oldest)
            .GroupBy(o => o.Named!)
            .ToDictionary(g => g.Key, g => garden.Garden.DateOf(g.Max(o => o.At)));
        return Weighed(garden, planting, sky)
            .Where((x, i) => i < Likely || found.ContainsKey(x.Target.Id))
            .Select(x => Trouble(garden, planting, x.Target, x.Share, found.TryGetValue(x.Target.Id, out var on) ? on : null, sky, days));
    }

    private static TroubleOutlook Trouble(GardenSnapshot garden, Planting planting, Target target, double share, DateOnly? foundOn, PlaceSky sky, SkyDays days)
    {
        IReadOnlyList<StageEvent> stages = [];
        double? generations = null;
        if (target.Insect is { } insect && foundOn is { } on)
        {
            stages = StageTimeline.From(
                insect,
                SkyDays.Of(sky.Shelter, garden.Garden, on, garden.Today.AddDays(DaysAhead)),
                garden.Today.AddDays(StagesAheadDays)
            );
            generations = StageTimeline.Generations(insect, SkyDays.Of(sky.Shelter, garden.Garden, on, garden.Today));
        }

        return new(
            planting,
            target,
            share,
            foundOn,
            Pressure.Daily(target, days),
            stages,
            generations,
            target.Disease is { WetHoursAtOptimum: not null } disease ? [.. Nights(disease, days)] : []
        );
    }

    private static IEnumerable<InfectionNight> Nights(DiseaseBiology disease, SkyDays days) =>
        from day in days.All.Skip(days.First)
        where day.WetHours > 0
        let needed = Infection.HoursNeeded(day.WetMeanC, disease.MinC, disease.OptimumC, disease.MaxC, disease.WetHoursAtOptimum!.Value)
        where day.WetHours >= needed
        select new InfectionNight(day.Date, day.WetHours, needed.Value);
}
