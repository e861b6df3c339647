using System.Collections.Concurrent;

namespace Mauvaise.Core.Gardens;

/// <summary>Records of a snapshot by what they belong to, so that nothing has to look through a season to find them. Lists stay in time order.</summary>
internal sealed class SnapshotIndex
{
    private readonly GardenSnapshot of;
    private readonly ConcurrentDictionary<Guid, SprayApplication[]> spraysAt = new();

    public SnapshotIndex(GardenSnapshot of)
    {
        this.of = of;
        Plantings = of.Plantings.ToDictionary(p => p.Id);
        PlantingsAt = of.Plantings.ToLookup(p => p.PlaceId);
        Places = of.Places.ToDictionary(p => p.Id);
        Batches = of.Batches.ToDictionary(b => b.Id);
        Sprays = of.Applications.ToDictionary(a => a.Id);
        SpraysOn = of.Applications.SelectMany(a => a.Treated.Select(t => (t.PlantingId, Spray: a))).ToLookup(x => x.PlantingId, x => x.Spray);
        SpraysFrom = of.Applications.ToLookup(a => a.BatchId ?? Guid.Empty);
        Counts = of.Observations.ToDictionary(o => o.Id);
        CountsOf = of.Observations.ToLookup(o => o.PlantingId);
        Looks = of.Observations.ToLookup(o => o.LookId);
        Finds = of
            .Observations.Where(o => o.Named is not null && !o.NameIsGroup && Plantings.ContainsKey(o.PlantingId))
            .ToLookup(o => o.Named!, o => (o, Plantings[o.PlantingId]));
        TriedOn = (
            from c in of.CheckBacks
            let spray = Sprays.GetValueOrDefault(c.ApplicationId ?? Guid.Empty)
            let planting = Plantings.GetValueOrDefault(c.PlantingId)
            where spray is not null && planting is not null
            from active in Actives(spray)
            select (Key: (planting.Crop, active), Value: (c, spray))
        ).ToLookup(x => x.Key, x => x.Value);
        VisitsTo = of.CheckBacks.ToLookup(c => c.PlantingId);
        VisitsOf = of.CheckBacks.ToLookup(c => c.ApplicationId ?? c.TaskId ?? Guid.Empty);
    }

    public Dictionary<Guid, Planting> Plantings { get; }
    public ILookup<Guid, Planting> PlantingsAt { get; }
    public Dictionary<Guid, Place> Places { get; }
    public Dictionary<Guid, Batch> Batches { get; }
    public Dictionary<Guid, SprayApplication> Sprays { get; }
    public ILookup<Guid, SprayApplication> SpraysOn { get; }
    public ILookup<Guid, SprayApplication> SpraysFrom { get; }
    public Dictionary<Guid, Observation> Counts { get; }
    public ILookup<Guid, Observation> CountsOf { get; }
    public ILookup<Guid, Observation> Looks { get; }

    /// <summary>Troubles that were named for sure, by target.</summary>
    public ILookup<string, (Observation Seen, Planting Planting)> Finds { get; }

    /// <summary>Visits that judged, or will judge, an active on a crop.</summary>
    public ILookup<(string Crop, string Material), (CheckBack Visit, SprayApplication Spray)> TriedOn { get; }

    /// <summary>Ids of what worked in a spray: its active and its partners; only its active when no bottle was logged.</summary>
    public IEnumerable<string> Actives(SprayApplication spray) =>
        spray.BatchId is { } id && Batches.TryGetValue(id, out var batch)
            ? batch.Ingredients.Where(i => i.Role is "active" or "partner").Select(i => i.Material)
            : [spray.Material];

    /// <summary>By the spray or the task that they judge.</summary>
    public ILookup<Guid, CheckBack> VisitsOf { get; }

    /// <summary>By the planting that is looked at.</summary>
    public ILookup<Guid, CheckBack> VisitsTo { get; }

    /// <summary>Sprays on anything that grew at a place, in time order.</summary>
    public SprayApplication[] SpraysAt(Guid place) =>
        spraysAt.GetOrAdd(place, id => [.. PlantingsAt[id].SelectMany(p => SpraysOn[p.Id]).DistinctBy(a => a.Id).OrderBy(a => a.At)]);

    /// <summary>True while the lists are those of a snapshot; a copy with others wants an index of its own.</summary>
    public bool Fits(GardenSnapshot s) =>
        ReferenceEquals(of.Plantings, s.Plantings)
        && ReferenceEquals(of.Places, s.Places)
        && ReferenceEquals(of.Batches, s.Batches)
        && ReferenceEquals(of.Applications, s.Applications)
        && ReferenceEquals(of.Observations, s.Observations)
        && ReferenceEquals(of.CheckBacks, s.CheckBacks);
}
