using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Gardens;

/// <summary>How fresh the weather is.</summary>
/// <param name="FetchedAt">Last answer of the service; null when it never answered.</param>
/// <param name="Trouble">What went wrong at the last try, as a sentence; null when it went well.</param>
public sealed record WeatherState(DateTimeOffset? FetchedAt, string? Trouble);

/// <summary>Everything that the core needs to know of a garden at one instant. Lists are in time order.</summary>
public sealed record GardenSnapshot(
    Garden Garden,
    DateTimeOffset Now,
    GardenCatalogue Catalogue,
    IReadOnlyList<Member> Members,
    IReadOnlyList<Place> Places,
    IReadOnlyList<Planting> Plantings,
    IReadOnlyList<WalkTaken> Walks,
    IReadOnlyList<Observation> Observations,
    IReadOnlyList<Batch> Batches,
    IReadOnlyList<SprayApplication> Applications,
    IReadOnlyList<CheckBack> CheckBacks,
    IReadOnlyList<GardenTask> Tasks,
    IReadOnlyList<Course> Courses,
    IReadOnlyList<PlanChoice> Choices,
    IReadOnlyList<SeenRound> SeenPlan,
    IReadOnlyList<Sprayer> Sprayers,
    IReadOnlyList<Stock> Stocks,
    IReadOnlyList<PlannedPick> Picks,
    IReadOnlyList<Emulsion> Emulsions,
    HourSeries Weather,
    WeatherState WeatherState
)
{
    /// <summary>What was said of ants holds so many days for counts that say nothing of them (assumed).</summary>
    private const int AntsHoldDays = 10;

    /// <summary>What was worked out from these records. Copies with the same records share it, whichever of them asks first.</summary>
    private WorkedOut workedOut = new();

    /// <summary>Made when it is first asked for, and anew for a copy with other records.</summary>
    private SnapshotIndex Index
    {
        get
        {
            if (workedOut.Index is { } made && made.Fits(this))
            {
                return made;
            }

            // A copy with other records keeps what it works out to itself.
            workedOut = workedOut.Index is null ? workedOut : new WorkedOut { Sky = workedOut.Sky };
            return workedOut.Index = new SnapshotIndex(this);
        }
    }

    /// <summary>Sprays that were judged, of the years that a garden learns from, in time order.</summary>
    public IReadOnlyList<JudgedSpray> Judged { get; init; } = [];

    public IReadOnlyList<Trial> Trials { get; init; } = [];

    /// <summary>What was picked, in time order.</summary>
    public IReadOnlyList<Harvest> Harvests { get; init; } = [];

    /// <summary>What was measured, in time order.</summary>
    public IReadOnlyList<Reading> Readings { get; init; } = [];

    /// <summary>What follows from <see cref="Judged"/> and the rest; <see cref="Catalogue"/> has it in it already.</summary>
    public Learned Learned { get; init; } = Learned.Nothing;

    /// <summary>Made when it is first asked for, and anew for a copy with other weather.</summary>
    private GardenSky Sky
    {
        get
        {
            if (workedOut.Sky is { } made && ReferenceEquals(made.Series, Weather) && ReferenceEquals(made.Zone, Garden.Zone))
            {
                return made;
            }

            workedOut = workedOut.Sky is null ? workedOut : new WorkedOut { Index = workedOut.Index };
            return workedOut.Sky = GardenSky.Of(Weather, Garden.Latitude, Garden.Longitude, Garden.Zone);
        }
    }

    /// <summary>
    /// What <paramref name="make"/> finds from all these records together, found once for every copy that holds the same ones and
    /// stands in the same hour. Only for what does not change within the hour.
    /// </summary>
    public T Remembered<T>(Func<GardenSnapshot, T> make)
        where T : class
    {
        ArgumentNullException.ThrowIfNull(make);
        if (
            workedOut.Of(typeof(T)) is var (source, found)
            && HourSeries.WholeHour(source.Now) == HourSeries.WholeHour(Now)
            && (source with { Now = Now }) == this
        )
        {
            return (T)found;
        }

        var made = make(this);
        workedOut.Keep(typeof(T), this, made);
        return made;
    }

    private sealed class WorkedOut
    {
        private readonly Dictionary<Type, (GardenSnapshot From, object Found)> remembered = [];

        public GardenSky? Sky { get; set; }
        public SnapshotIndex? Index { get; set; }

        public (GardenSnapshot From, object Found)? Of(Type what)
        {
            lock (remembered)
            {
                return remembered.TryGetValue(what, out var found) ? found : null;
            }
        }

        public void Keep(Type what, GardenSnapshot from, object found)
        {
            lock (remembered)
            {
                remembered[what] = (from, found);
            }
        }
    }

    /// <summary>The weather of a place. What places share is worked out once for the whole snapshot.</summary>
    public PlaceSky SkyOf(Place place) => Sky.At(Exposure(place));

    /// <summary>The weather of a place with the household's free hours among the rules: for planning, not for judging what is done now.</summary>
    public PlaceSky PlannedSkyOf(Place place) => Sky.At(Exposure(place) with { Free = Garden.Free });

    public DateOnly Today => Garden.DateOf(Now);

    /// <summary>The usual mean temperature of a day's month in this climate, °C.</summary>
    public double UsualMeanC(DateOnly day) => Catalogue.FindClimate(Garden.Climate)!.MeanC[Garden.NorthernMonth(day) - 1];

    /// <summary>Plantings that grow today, in the order of their places.</summary>
    public IEnumerable<Planting> Growing => Places.SelectMany(GrowingAt);

    /// <summary>Plantings that grow today at a place.</summary>
    public IEnumerable<Planting> GrowingAt(Place place) => Index.PlantingsAt[place.Id].Where(x => x.GrowsOn(Today));

    /// <summary>Square metres of a planting, which shares its place evenly with the others that grow there.</summary>
    public double AreaOf(Planting planting) => PlaceOf(planting).AreaM2 / Math.Max(1, GrowingAt(PlaceOf(planting)).Count());

    /// <summary>Plants of a planting; reckoned from its area where nobody counted them.</summary>
    public int PlantsOf(Planting planting) => planting.Count ?? Math.Max(1, (int)Math.Round(AreaOf(planting) * PlantsPerM2));

    /// <summary>Plants on a square metre where nobody counted them (assumed).</summary>
    private const double PlantsPerM2 = 4;

    /// <summary>All that grew at a place, ever, in the order of planting.</summary>
    public IEnumerable<Planting> PlantedAt(Place place) => Index.PlantingsAt[place.Id];

    /// <summary>With those that were carried away from it since.</summary>
    public IEnumerable<Planting> OnceAt(Place place) => Plantings.Where(p => p.PlaceId == place.Id || p.LeftOn(place) is not null);

    public Place PlaceOf(Planting planting) => Index.Places[planting.PlaceId];

    public Planting? FindPlanting(Guid id) => Index.Plantings.GetValueOrDefault(id);

    /// <summary>"Chapel courgette", as sentences name a planting.</summary>
    public string Where(Planting planting) => $"{PlaceOf(planting).Name} {Catalogue.Crop(planting.Crop).Name.InSentence()}";

    public Batch? FindBatch(Guid? id) => id is { } known ? Index.Batches.GetValueOrDefault(known) : null;

    public SprayApplication? FindSpray(Guid? id) => id is { } known ? Index.Sprays.GetValueOrDefault(known) : null;

    public Observation? FindCount(Guid? id) => id is { } known ? Index.Counts.GetValueOrDefault(known) : null;

    /// <summary>Counts of a planting, in time order.</summary>
    public IEnumerable<Observation> CountsOf(Guid plantingId) => Index.CountsOf[plantingId];

    /// <summary>Troubles that were counted on the same leaves.</summary>
    public IEnumerable<Observation> Look(Guid lookId) => Index.Looks[lookId];

    /// <summary>Sprays on a planting, patch tests among them, in time order.</summary>
    public IEnumerable<SprayApplication> SpraysOn(Guid plantingId) => Index.SpraysOn[plantingId];

    /// <summary>Troubles that were named for sure, by target, with where they were.</summary>
    public ILookup<string, (Observation Seen, Planting Planting)> Finds => Index.Finds;

    /// <summary>Visits that judged, or will judge, a material on a crop.</summary>
    public IEnumerable<(CheckBack Visit, SprayApplication Spray)> TriedOn(string crop, string material) => Index.TriedOn[(crop, material)];

    /// <summary>Visits to a planting, whatever they judge.</summary>
    public IEnumerable<CheckBack> VisitsTo(Guid plantingId) => Index.VisitsTo[plantingId];

    /// <summary>Visits that judge a spray or a task.</summary>
    public IEnumerable<CheckBack> VisitsOf(Guid sprayOrTaskId) => Index.VisitsOf[sprayOrTaskId];

    public Stance StanceAt(Place place) => place.Stance ?? Garden.Stance;

    /// <summary>Sprays on anything that grew at a place up to an instant, in time order.</summary>
    public IReadOnlyList<SprayApplication> AppliedAt(Place place, DateTimeOffset to) => [.. Index.SpraysAt(place.Id).TakeWhile(a => a.At <= to)];

    /// <summary>All that was in the tank of an application; only its active when no bottle was logged.</summary>
    public IEnumerable<Material> MaterialsOf(SprayApplication application) =>
        Ingredients(application).Select(i => Catalogue.FindMaterial(i.Material)).OfType<Material>();

    /// <summary>Ids of what worked in an application: its active and its partners.</summary>
    public IEnumerable<string> ActivesOf(SprayApplication application) => Index.Actives(application);

    /// <summary>What in an application leaves a cover: its active, and what went in against a second trouble.</summary>
    public IEnumerable<Material> CoveringIn(SprayApplication application) =>
        new[] { application.Material, application.Also?.Material }
            .Distinct()
            .OfType<string>()
            .Select(Catalogue.FindMaterial)
            .OfType<Material>()
            .Where(m => m.Cover.HalfLifeDays is not null);

    private IEnumerable<Measured> Ingredients(SprayApplication application) =>
        FindBatch(application.BatchId)?.Ingredients ?? [new Measured(application.Material, "active", 0, "ml")];

    /// <summary>The latest reading of a kind at a place that still speaks; null for none.</summary>
    public Reading? ReadingOf(Place place, ReadingKind kind) =>
        Readings.LastOrDefault(r => r.PlaceId == place.Id && r.Of == kind.Id && r.At <= Now && r.At > Now.AddDays(-kind.HoldsDays));

    /// <summary>Litres that are still in a bottle; 0 once it was poured away.</summary>
    public double LeftIn(Batch batch) => batch.EmptiedAt is not null ? 0 : Math.Max(0, batch.Litres - Index.SpraysFrom[batch.Id].Sum(a => a.Litres));

    /// <summary>The gardener leaves it alone on purpose: nothing is proposed for it.</summary>
    public bool IsLeftAlone(Planting planting) => Choices.Any(c => c.Word == PlanWord.LeaveAlone && c.PlantingId == planting.Id);

    /// <summary>What the weather rules need to know of a planting and its place.</summary>
    public PlaceExposure Exposure(Place place)
    {
        var grown = GrowingAt(place).ToList();
        return new PlaceExposure(
            place.Shelter,
            grown.Any(p => p.InFlower),
            SoilMayBeDry(place),
            place.SunFrom,
            place.SunTo,
            grown.Where(p => p.InFlower).Select(p => Catalogue.Crop(p.Crop).FlowersCloseAtHour ?? 24).DefaultIfEmpty(24).Max(),
            place.PondDistanceM,
            Lamps: place.Lamps
        );
    }

    /// <summary>Everything counted at the latest look at a planting, the most affected first; empty when nobody looked yet.</summary>
    public IReadOnlyList<Observation> LatestLook(Guid plantingId) =>
        CountsOf(plantingId).LastOrDefault(o => o.At <= Now) is { } last ? [.. Look(last.LookId).OrderByDescending(o => o.LeavesAffected)] : [];

    /// <summary>What a count says of ants; where it says nothing, what another of that planting said in the days before.</summary>
    public Ants AntsAt(Observation count) =>
        count.Ants != Ants.Unsaid
            ? count.Ants
            : CountsOf(count.PlantingId).LastOrDefault(o => o.Ants != Ants.Unsaid && o.At <= count.At && o.At >= count.At.AddDays(-AntsHoldDays))?.Ants
                ?? Ants.Unsaid;

    /// <summary>The most affected trouble of the latest look at a planting, or null.</summary>
    public Observation? LatestObservation(Guid plantingId) => LatestLook(plantingId).FirstOrDefault();

    /// <summary>The last spray on a planting up to now that was more than a patch test, or null.</summary>
    public SprayApplication? LastSpray(Guid plantingId) => SpraysOn(plantingId).LastOrDefault(a => a.At <= Now && !a.PatchTest);

    /// <summary>Under 5 mm of rain in three days on a place that is watered by hand, when somebody finds the time (assumed).</summary>
    private bool SoilMayBeDry(Place place)
    {
        if (place.Watering != Watering.HandAtSoil || place.Shelter != Shelter.Open)
        {
            return false;
        }

        var now = Weather.IndexOf(Now);
        return Enumerable.Range(now - 72, 72).Sum(i => Weather.AtOrUnknown(i).RainMm ?? 0) < 5;
    }
}
