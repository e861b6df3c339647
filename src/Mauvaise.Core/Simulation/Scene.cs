using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Simulation;

/// <summary>One run of a schedule.</summary>
/// <param name="Shares">Of leaves affected, by day from today, the last day after the end.</param>
/// <param name="Cover">Of the spray that is left, by day.</param>
/// <param name="Loss">Share of the crop's value, 0 to 1.</param>
/// <param name="Helpers">A leaf, at the end.</param>
public sealed record Played(double[] Shares, double[] Cover, double Loss, double Helpers);

/// <summary>
/// A trouble on a planting as it was counted, with the weather ahead: whatever may be done about it is played through here, a day at
/// a time. Everything that judges a way, a round or a day by what would come of it asks this.
/// </summary>
public sealed class Scene
{
    /// <summary>Days that can be played through.</summary>
    public const int Days = 35;

    /// <summary>Days of which a single run tells the loss to a planner.</summary>
    private const int LossDays = 28;

    /// <summary>What is there, unseen, where nothing was found yet: share of leaves and of such a leaf (assumed).</summary>
    private const double UnseenShare = 0.01;
    private const double UnseenSeverity = 0.05;

    /// <summary>Share of an affected leaf where nobody said (assumed).</summary>
    private const double UsualSeverity = 0.1;

    /// <summary>Share of leaves wetted, as gardeners reach it; hands reach as much.</summary>
    private const double LeastWetted = 0.75;
    private const double MostWetted = 0.95;
    private const double UsualWetted = 0.85;

    /// <summary>A count is off by up to this share of itself.</summary>
    private const double CountError = 0.2;

    /// <summary>A forecast is wrong by up to this much a week ahead, K (assumed).</summary>
    private const double ForecastErrorK = 1.5;

    /// <summary>Weather beyond the forecast goes on as the last this many known days.</summary>
    private const int CarriedDays = 7;

    /// <summary>How far weather that nobody knows suits a disease (assumed).</summary>
    private const double UsualFavour = 0.5;

    /// <summary>Value lost a day when every leaf beyond what the crop stands is affected (assumed).</summary>
    private const double LossPerDay = 0.02;

    /// <summary>Value that goes with leaves that are taken off, a share for a share (assumed: shade and sugar are lost until they grow back).</summary>
    private const double LossOfLeaves = 0.04;

    /// <summary>Adults that come to a leaf a day outdoors, and spores that come to a leaf area (assumed).</summary>
    private const double ArrivalsOutdoors = 0.001;
    private const double Spores = 0.0001;

    /// <summary>Helpers to a leaf that an order brings (assumed).</summary>
    private const double Ordered = 0.15;

    private readonly Target target;
    private readonly (double Share, double Severity, double Helpers) start;
    private readonly bool outdoors;
    private readonly bool ants;
    private readonly double stands;
    private readonly double leafGrowth;

    /// <summary>What comes to this planting against what the weather alone would bring.</summary>
    private readonly double risk;
    private readonly List<DayAhead> weather;

    /// <summary>A day to come as far as it is known.</summary>
    /// <param name="RainMm">Null beyond the forecast.</param>
    /// <param name="WetDays">Share of days with rain at this time of the year, 0 to 1.</param>
    /// <param name="WetDayMm">Rain of such a day.</param>
    private sealed record DayAhead(double MeanC, double? RainMm, double Favour, double WetDays, double WetDayMm);

    /// <param name="target">One that <see cref="Trouble.Knows"/>.</param>
    /// <param name="seen">The count it starts from; null where nothing was found yet.</param>
    /// <param name="days">The weather ahead at the place.</param>
    public Scene(GardenSnapshot garden, Planting planting, Target target, Observation? seen, SkyDays days)
    {
        this.target = target;
        outdoors = garden.PlaceOf(planting).Shelter == Shelter.Open;
        ants = seen is not null && garden.AntsAt(seen).Climb();
        start = seen is { LeavesLooked: > 0 }
            ? (
                Math.Clamp(seen.Incidence!.Value, 0.002, 0.95),
                (seen.SeverityPercent ?? 100 * UsualSeverity) / 100,
                (double)(seen.Helpers + seen.Mummies) / seen.LeavesLooked
            )
            : (UnseenShare, UnseenSeverity, 0);
        stands = Stands(garden.Catalogue.Crop(planting.Crop), planting, target);
        leafGrowth = LeafGrowth(planting.Stage);
        risk = PlaceRisk.Of(garden, planting, target);
        weather = Ahead(garden, target, days, risk);
    }

    /// <summary>The scene of a count at a planting, with the weather of its place.</summary>
    public static Scene Of(GardenSnapshot garden, Planting planting, Target target, Observation? seen) =>
        new(garden, planting, target, seen, SkyDays.Of(garden.SkyOf(garden.PlaceOf(planting)).Shelter, garden.Garden, garden.Today, garden.Today.AddDays(10)));

    /// <summary>Share of the crop's value that is lost in four weeks with middling luck, 0 to 1.</summary>
    /// <param name="material">Null for nothing at all.</param>
    /// <param name="sprayDays">Days from today, rising.</param>
    public double Loss(Material? material, IReadOnlyList<int> sprayDays) =>
        Run(material is null ? Schedule.Nothing : new Schedule(new SprayRounds(material, sprayDays)), null, LossDays).Loss;

    /// <summary>One run.</summary>
    /// <param name="luck">The same luck gives the same run; null for a middling one.</param>
    /// <param name="days">1 to <see cref="Days"/>.</param>
    public Played Run(Schedule schedule, ulong? luck, int days = Days)
    {
        var chance = new Chance(luck ?? 1);
        double Between(double low, double high) => luck is null ? (low + high) / 2 : chance.Between(low, high);
        var site = new ColonySite(outdoors, ants, outdoors ? ArrivalsOutdoors * risk : 0);
        var trouble = Trouble.Seen(
            target,
            Math.Clamp(start.Share * Between(1 - CountError, 1 + CountError), 0.002, 0.95),
            start.Severity,
            start.Helpers,
            site,
            Spores
        );
        var layers = Layers(schedule);
        double loss = 0,
            rainOwed = 0;
        var (shares, covers) = (new double[days + 1], new double[days + 1]);
        for (var day = 0; day < days; day++)
        {
            (shares[day], covers[day]) = (trouble.Share, Most(layers));
            var ahead = weather[day];
            var meanC = ahead.MeanC + Between(-ForecastErrorK, ForecastErrorK) * Math.Min(1, day / 7.0);
            var rain = ahead.RainMm ?? Rain(ahead);
            var reached = luck is null ? UsualWetted : chance.Between(LeastWetted, MostWetted);
            loss += Done(schedule, trouble, day, reached);
            var open = 1.0;
            foreach (var layer in layers)
            {
                if (layer.IsDueOn(day))
                {
                    trouble.Treat(layer.Effect, reached, layer.Material.HarmToHelpers);
                    layer.Cover = layer.Material.Cover.HalfLifeDays is null ? 0 : reached;
                }

                open *= 1 - layer.Effect.Protects * layer.Cover;
            }

            trouble.Advance(new TroubleDay(meanC, rain, ahead.Favour, 1 - open, leafGrowth), chance);
            loss += LossPerDay * Math.Max(0, trouble.Damage - stands);
            foreach (var layer in layers)
            {
                layer.Weather(outdoors ? rain : 0);
            }
        }

        (shares[days], covers[days]) = (trouble.Share, Most(layers));
        return new Played(shares, covers, Math.Min(1, loss), trouble.Helpers);

        // Middling luck has rain on as many days as usual, evenly spread.
        double Rain(DayAhead ahead)
        {
            rainOwed += ahead.WetDays;
            var wet = luck is null ? rainOwed >= 1 : chance.Next() < ahead.WetDays;
            rainOwed -= wet ? 1 : 0;
            // Rain of a wet day is spread as 0.3 to 1.7 times its mean (assumed).
            return wet ? ahead.WetDayMm * Between(0.3, 1.7) : 0;
        }
    }

    /// <summary>The spray of one material on the leaves.</summary>
    private sealed class Layer(SprayRounds rounds, Effect effect)
    {
        private readonly ulong days = OnDays(rounds.Days);

        public Material Material => rounds.Material;
        public Effect Effect => effect;

        /// <summary>What is left of it, 0 to 1.</summary>
        public double Cover { get; set; }

        public bool IsDueOn(int day) => (days >> day & 1) == 1;

        /// <summary>A day goes over it, with the rain that reaches it.</summary>
        public void Weather(double rainMm)
        {
            if (Cover > 0 && Material.Cover is { HalfLifeDays: { } halfLife, WashOffMm: { } washOff })
            {
                Cover *= CoverCurve.Left(halfLife, rainMm / washOff);
            }
        }

        /// <summary>A bit for each day that can be played through.</summary>
        private static ulong OnDays(IReadOnlyList<int> days)
        {
            var mask = 0UL;
            foreach (var day in days)
            {
                mask |= day is >= 0 and < Scene.Days ? 1UL << day : 0;
            }

            return mask;
        }
    }

    private Layer[] Layers(Schedule schedule) =>
        [.. schedule.Rounds.Select(r => new Layer(r, r.Material.EffectOn(target) ?? new Effect(target.Id, 0, 0, 0, 0)))];

    private static double Most(Layer[] layers)
    {
        var most = 0.0;
        foreach (var layer in layers)
        {
            most = Math.Max(most, layer.Cover);
        }

        return most;
    }

    /// <summary>What is done without a sprayer on a day; the value that goes with it.</summary>
    private static double Done(Schedule schedule, Trouble trouble, int day, double reached)
    {
        if (schedule.AntsOffFrom == day)
        {
            trouble.KeepAntsOff();
        }

        if (schedule.HelpersFrom == day)
        {
            trouble.Release(Ordered);
        }

        if (schedule.Hands?.Days.Contains(day) == true)
        {
            trouble.Treat(schedule.Hands.Effect, reached, 0);
        }

        if (schedule.Pruned is not { } pruned || !pruned.Days.Contains(day))
        {
            return 0;
        }

        trouble.Prune(pruned.Share);
        return pruned.Share * LossOfLeaves;
    }

    /// <summary>The forecast, carried on by the mean of its last week; rain beyond it is left to luck.</summary>
    private static List<DayAhead> Ahead(GardenSnapshot garden, Target target, SkyDays days, double risk)
    {
        var readings = Pressure.Daily(target, days).ToDictionary(p => p.Day, p => p.Value);
        var known = days.All.Where(d => d.Known).ToList();
        static double MeanC(SkyDay d) => d.Hours.Where(h => h.TemperatureC.HasValue).Average(h => h.TemperatureC!.Value);
        var climate = garden.Catalogue.FindClimate(garden.Garden.Climate)!;
        var carriedC = known.TakeLast(CarriedDays).Select(MeanC).DefaultIfEmpty(garden.UsualMeanC(garden.Today)).Average();
        var carriedFavour = readings.OrderBy(r => r.Key).TakeLast(CarriedDays).Select(r => r.Value).DefaultIfEmpty(UsualFavour).Average();
        return
        [
            .. Enumerable
                .Range(0, Days)
                .Select(i =>
                {
                    var date = garden.Today.AddDays(i);
                    var day = known.FirstOrDefault(d => d.Date == date);
                    var month = garden.Garden.NorthernMonth(date) - 1;
                    var favour = Math.Min(1, risk * readings.GetValueOrDefault(date, carriedFavour));
                    return new DayAhead(
                        day is null ? carriedC : MeanC(day),
                        day?.RainMm,
                        favour,
                        climate.RainDays[month] / 30,
                        climate.RainMm[month] / Math.Max(1, climate.RainDays[month])
                    );
                }),
        ];
    }

    /// <summary>
    /// What a crop bears without loss (assumed): sap feeders 15 % of leaves, 5 % on seedlings and leaf crops; diseases 10 % of the area, 3 % on leaf
    /// crops.
    /// </summary>
    private static double Stands(Crop crop, Planting planting, Target target) =>
        target.Kind == TargetKind.Disease
            ? crop.LeafCrop
                ? 0.03
                : 0.1
            : crop.LeafCrop || planting.Stage == GrowthStage.Seedling
                ? 0.05
                : 0.15;

    private static double LeafGrowth(GrowthStage stage) =>
        stage switch
        {
            GrowthStage.Seedling => 0.08,
            GrowthStage.Young => 0.05,
            GrowthStage.Flowering or GrowthStage.Fruiting => 0.015,
            _ => 0.005,
        };
}
