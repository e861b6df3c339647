using System.Globalization;
using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Sky;

namespace Mauvaise.Bench;

/// <summary>What a season came to, a place.</summary>
/// <param name="Loss">Share of crop value, all of it at most.</param>
/// <param name="Affected">Mean share of leaves, or of leaf area, affected over the season.</param>
/// <param name="MinutesBefore">Spent before trouble came.</param>
/// <param name="HelperHarm">Share of the helpers that were hit and died, summed over sprays.</param>
internal sealed record SeasonResult(
    double Loss,
    double Affected,
    double Sprays,
    double Outings,
    double Litres,
    double HelperHarm,
    double ByHand,
    double MinutesBefore,
    int RuleBreaks
);

/// <summary>Whole seasons played through: weather with forecast errors, arrivals, growth, counting errors, sprays with their real effect.</summary>
internal static class ClosedLoop
{
    private const int DefaultSeasons = 200;

    public static void Run()
    {
        var seasons = int.TryParse(Environment.GetEnvironmentVariable("MAUVAISE_SEASONS"), CultureInfo.InvariantCulture, out var n) ? n : DefaultSeasons;
        var climates = BenchGarden.Catalogue.Climates.Select(c => c.Id).ToList();
        (string Name, Func<IPolicy> Make)[] policies =
        [
            ("no spray", () => new NoSpray()),
            ("every 7 days, the same", () => new Calendar("neem-oil")),
            ("every 7 days, rotating", () => new Calendar("neem-oil", "insecticidal-soap", "potassium-bicarbonate", "horticultural-oil")),
            ("threshold, one spray", () => new Threshold()),
            ("last resort", () => new Mauvaise(Stance.LastResort)),
            ("watch and treat", () => new Mauvaise(Stance.WatchAndTreat)),
            ("keep ahead", () => new Mauvaise(Stance.KeepAhead)),
            ("watch and treat without work before", () => new Mauvaise(Stance.WatchAndTreat, prevents: false)),
            ("keep ahead without work before", () => new Mauvaise(Stance.KeepAhead, prevents: false)),
            ("work before alone", () => new WorkBefore()),
            .. BenchGarden.Catalogue.Measures.Where(m => m.Prevents is not null).Select(m => ($"{m.Id} alone", (Func<IPolicy>)(() => new WorkBefore(m.Id)))),
        ];
        if (Environment.GetEnvironmentVariable("MAUVAISE_POLICIES") is { Length: > 0 } wanted)
        {
            policies = [.. policies.Where(p => wanted.Split(';', StringSplitOptions.TrimEntries).Contains(p.Name))];
        }

        Console.WriteLine(
            $"{seasons} seasons of {SeasonLoop.Days} days from number {BenchSettings.FirstSeason} on in each of {climates.Count} climates, "
                + $"{BenchGarden.Kinds.Length} places{(BenchSettings.OwnTruth ? ", each garden with a truth of its own" : "")}. "
                + "Per place and season, mean with 95 % interval.\n"
        );
        Console.WriteLine(
            "| policy | value lost, % | leaves affected, % | sprays | outings of the garden | litres "
                + "| helpers harmed | by hand | before trouble, min | rule breaks |"
        );
        Console.WriteLine("|---|---|---|---|---|---|---|---|---|---|");
        var played = new PlayedSeasons(Environment.GetEnvironmentVariable("MAUVAISE_PLAYED"));
        foreach (var (name, make) in policies)
        {
            var results = new SeasonResult[climates.Count * seasons];
            Parallel.For(0, results.Length, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, i =>
            {
                var (climate, season) = (climates[i % climates.Count], BenchSettings.FirstSeason + i / climates.Count);
                results[i] = played.Of(name, climate, season, () => new SeasonLoop(climate, (ulong)season, make()).Play());
            });
            string Of(Func<SeasonResult, double> figure, string format) => Interval([.. results.Select(figure)], format);
            Console.WriteLine(
                $"| {name} | {Of(r => r.Loss * 100, "0.00")} | {Of(r => r.Affected * 100, "0.0")} | {Of(r => r.Sprays, "0.0")} "
                    + $"| {Of(r => r.Outings, "0.0")} | {Of(r => r.Litres, "0.0")} | {Of(r => r.HelperHarm, "0.00")} "
                    + $"| {Of(r => r.ByHand, "0.0")} | {Of(r => r.MinutesBefore, "0")} | {results.Sum(r => r.RuleBreaks)} |"
            );
        }
    }

    private static string Interval(double[] values, string format)
    {
        var mean = values.Average();
        var half = 1.96 * Math.Sqrt(values.Sum(v => (v - mean) * (v - mean)) / (values.Length - 1) / values.Length);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"{mean.ToString(format, CultureInfo.InvariantCulture)} ± {half.ToString(format, CultureInfo.InvariantCulture)}"
        );
    }
}

/// <summary>What a run of the seasons may be told from outside.</summary>
internal static class BenchSettings
{
    /// <summary>Seed of the first season. The planner was tuned on those from 1000 to 1003.</summary>
    public static int FirstSeason { get; } =
        int.TryParse(Environment.GetEnvironmentVariable("MAUVAISE_FIRST_SEASON"), CultureInfo.InvariantCulture, out var n) ? n : 5000;

    /// <summary>Growth, effects and helpers of each garden differ from the catalogue's figures.</summary>
    public static bool OwnTruth { get; } = Environment.GetEnvironmentVariable("MAUVAISE_TRUTH") == "own";
}

/// <summary>How a garden really is: everything that the planner believes is off by up to three tenths, in a way that it does not know.</summary>
internal sealed class OwnTruth(ulong seed, bool differs)
{
    private const double Off = 0.3;

    /// <summary>How fast a trouble spreads, how many helpers there are, what a measure keeps off: all against what is believed.</summary>
    public double Factor(string what)
    {
        if (!differs)
        {
            return 1;
        }

        var mixed = what.Aggregate(seed, (sum, letter) => sum * 31 + letter);
        return new Chance(mixed).Between(1 - Off, 1 + Off);
    }

    public Target Of(Target target) =>
        target.Insect is { } insect && differs
            ? target with
            {
                Insect = insect with { GrowthPerDayAt20C = insect.GrowthPerDayAt20C * Factor(target.Id) },
            }
            : target;

    public Effect Of(string what, string target, Effect effect)
    {
        var factor = Factor($"{what} on {target}");
        double Real(double share) => Math.Min(0.98, share * factor);
        return effect with { Eggs = Real(effect.Eggs), Young = Real(effect.Young), Adult = Real(effect.Adult), Protects = Real(effect.Protects) };
    }
}

/// <summary>A garden's real state through one season, and the gardener in it.</summary>
internal sealed class SeasonLoop
{
    public const int Days = 150;
    private const int WalkEveryDays = 5;
    private const int Leaves = 20;

    /// <summary>Area affected of a leaf that shows a disease.</summary>
    private const double SpotShare = 0.12;
    private const double StressLoss = 0.0005;

    /// <summary>Beyond this share growth stands still, and anybody sees it.</summary>
    private const double HurtsGrowth = 0.4;

    private static readonly DateOnly First = new(2026, 5, 1);
    private readonly SeasonWeather weather;
    private readonly IPolicy policy;
    private readonly Chance chance;
    private readonly OwnTruth truth;
    private readonly List<Place> places;
    private readonly List<Planting> plantings;
    private readonly Dictionary<(Guid Planting, string Target), Trouble> troubles = [];
    private readonly Dictionary<(Guid Planting, string Target), IReadOnlyDictionary<DateOnly, double>> favour = [];
    private readonly Dictionary<Guid, List<(Material Material, double Cover)>> cover = [];
    private readonly Dictionary<Guid, Ants> ants = [];
    private readonly Dictionary<Guid, double> lost = [];
    private readonly Dictionary<Guid, List<(Measure Measure, DateOnly On)>> before = [];
    private double affected,
        sprays,
        outings,
        litres,
        harm,
        byHand,
        minutesBefore;
    private int breaks;

    public SeasonLoop(string climate, ulong seed, IPolicy policy)
    {
        this.policy = policy;
        chance = new Chance(seed * 7919 + (ulong)climate.Length);
        truth = new OwnTruth(seed, BenchSettings.OwnTruth);
        Home = BenchGarden.Home(policy.Stance, climate);
        weather = new SeasonWeather(Home, climate, seed, First, Days);
        places = [.. Enumerable.Range(0, BenchGarden.Kinds.Length).Select(i => BenchGarden.Place(i) with { Stance = null })];
        plantings = [.. places.Select(p => BenchGarden.Planting(p.Order, First.AddDays(-5)))];
        var sky = GardenSky.Of(weather.Truth, Home.Latitude, Home.Longitude, Home.Zone);
        foreach (var (place, planting) in places.Zip(plantings))
        {
            var open = place.Shelter == Shelter.Open;
            lost[planting.Id] = 0;
            ants[planting.Id] = open && chance.Next() < 0.25 ? Ants.Few : Ants.None;
            cover[planting.Id] = [];
            before[planting.Id] = [];
            var days = SkyDays.Of(sky.Under(place.Shelter), Home, First, First.AddDays(Days));
            foreach (var id in BenchGarden.Kinds[place.Order].Targets)
            {
                var target = BenchGarden.Catalogue.Target(id);
                // A year may be a bad one for this and a good one for that.
                var year = Math.Exp(chance.Between(-1, 1));
                var site = new ColonySite(open, ants[planting.Id] != Ants.None, (open ? 0.001 : 0.0005) * year);
                troubles[(planting.Id, id)] = Trouble.Seen(truth.Of(target), 0.002, 0.05, open ? 0.01 * truth.Factor("helpers") : 0, site, 0.0001 * year, year);
                favour[(planting.Id, id)] = target.Disease is null
                    ? new Dictionary<DateOnly, double>()
                    : Pressure.Daily(target, days).ToDictionary(p => p.Day, p => p.Value);
            }
        }
    }

    public Garden Home { get; }
    public IReadOnlyList<Place> Places => places;
    public IReadOnlyList<Planting> Plantings => plantings;
    public DateOnly Today { get; private set; }

    /// <summary>Five in the morning, before anything is done.</summary>
    public DateTimeOffset Now => Home.StartOf(Today).AddHours(5);

    public bool IsWalkDay => (Today.DayNumber - First.DayNumber) % WalkEveryDays == 0;
    public int Day => Today.DayNumber - First.DayNumber;

    public HourSeries Forecast() => weather.AsSaidAt(Now);

    public SeasonResult Play()
    {
        for (Today = First; Day < Days; Today = Today.AddDays(1))
        {
            var sprayed = sprays;
            policy.Live(this);
            outings += sprays > sprayed ? 1 : 0;
            Advance();
        }

        var n = (double)plantings.Count;
        return new SeasonResult(
            lost.Values.Sum(l => Math.Min(1, l)) / n,
            affected / Days / troubles.Count,
            sprays / n,
            outings,
            litres / n,
            harm / n,
            byHand / n,
            minutesBefore / n,
            breaks
        );
    }

    /// <summary>Counts each trouble of a planting on the same twenty leaves.</summary>
    public IReadOnlyList<Observation> Count(Planting planting)
    {
        var look = NewId();
        return
        [
            .. troubles
                .Where(t => t.Key.Planting == planting.Id)
                .Select(
                    (t, i) =>
                    {
                        var target = BenchGarden.Catalogue.Target(t.Key.Target);
                        // Old spots and holes are counted with the new ones: nobody can tell.
                        var share = target.Disease is null ? t.Value.Damage : Math.Min(1, t.Value.Damage / SpotShare);
                        var hit = Enumerable.Range(0, Leaves).Count(_ => chance.Next() < share);
                        var helpers = Enumerable.Range(0, Leaves).Count(_ => chance.Next() < t.Value.Helpers);
                        return new Observation(
                            i == 0 ? look : NewId(),
                            look,
                            null,
                            planting.Id,
                            Now,
                            Leaves,
                            hit,
                            target.Disease is null || hit == 0 ? null : Math.Clamp(t.Value.Damage / share * 100, 1, 100),
                            ants[planting.Id],
                            helpers,
                            0,
                            PlantPart.Unsaid,
                            BedSide.Unsaid,
                            RootCheck.NotLooked,
                            t.Value.Damage > HurtsGrowth ? [new SeenSign("stunted", true)] : [],
                            hit > 0 ? t.Key.Target : null,
                            false,
                            null
                        );
                    }
                ),
        ];
    }

    public void Spray(Planting planting, Material material, double amount)
    {
        var wetted = chance.Between(0.75, 0.95);
        foreach (var (key, trouble) in troubles.Where(t => t.Key.Planting == planting.Id))
        {
            harm += Math.Min(1, trouble.Helpers * 10) * material.HarmToHelpers * wetted;
            if (material.EffectOn(BenchGarden.Catalogue.Target(key.Target)) is { } effect)
            {
                trouble.Treat(truth.Of(material.Id, key.Target, effect), wetted, material.HarmToHelpers);
            }
        }

        if (material.Cover.HalfLifeDays is not null)
        {
            cover[planting.Id].Add((material, wetted));
        }

        sprays++;
        litres += amount;
        lost[planting.Id] += StressLoss;
    }

    public void Broke(int rules) => breaks += rules;

    public void Hands(Planting planting, string target, Measure measure, double prunedShare)
    {
        byHand++;
        var trouble = troubles[(planting.Id, target)];
        if (prunedShare > 0)
        {
            trouble.Prune(prunedShare);
            lost[planting.Id] += prunedShare * 0.02;
        }
        else if (measure.EffectOn(BenchGarden.Catalogue.Target(target)) is { } effect)
        {
            trouble.Treat(truth.Of(measure.Id, target, effect), 0.8, 0);
        }
    }

    /// <summary>Something is done before trouble comes: it keeps off its part of what comes for as long as it holds.</summary>
    public void Prevent(Planting planting, Measure measure, double minutes)
    {
        minutesBefore += minutes;
        before[planting.Id].Add((measure, Today));
    }

    /// <summary>Share of a trouble's coming that work before it keeps off today.</summary>
    private double KeptOff(Planting planting, Target target) =>
        1
        - before[planting.Id]
            .Where(b => b.Measure.Prevents!.IsAgainst(target) && (b.Measure.Lasts is not { } lasts || Today.DayNumber - b.On.DayNumber < lasts.Days))
            .Select(b => b.Measure)
            .Distinct()
            .Aggregate(1.0, (comes, m) => comes * (1 - Math.Min(0.98, m.Prevents!.TakesOff * truth.Factor($"{m.Id} against {target.Id}"))));

    public Guid NewId() => new([.. Enumerable.Range(0, 16).Select(_ => (byte)(chance.Next() * 256))]);

    private void Advance()
    {
        var (meanC, rain) = weather.Day(Today);
        foreach (var (key, trouble) in troubles)
        {
            var planting = plantings.First(p => p.Id == key.Planting);
            var open = places.First(p => p.Id == planting.PlaceId).Shelter == Shelter.Open;
            var target = BenchGarden.Catalogue.Target(key.Target);
            var held =
                1
                - cover[planting.Id]
                    .Aggregate(1.0, (free, c) =>
                        free * (1 - c.Cover * (c.Material.EffectOn(target) is { } e ? truth.Of(c.Material.Id, target.Id, e).Protects : 0))
                    );
            held = 1 - (1 - held) * (1 - KeptOff(planting, target));
            trouble.Advance(
                new TroubleDay(meanC + (open ? 0 : 3), rain, Math.Min(1, favour[key].GetValueOrDefault(Today) * truth.Factor(key.Target)), held, 0.015),
                chance
            );
            var stands =
                target.Kind == TargetKind.Disease ? 0.1
                : BenchGarden.Catalogue.Crop(planting.Crop).LeafCrop ? 0.05
                : 0.15;
            lost[planting.Id] += 0.02 * Math.Max(0, trouble.Damage - stands);
            affected += trouble.Damage;
        }

        foreach (var planting in plantings)
        {
            var open = places.First(p => p.Id == planting.PlaceId).Shelter == Shelter.Open;
            cover[planting.Id] =
            [
                .. cover[planting.Id]
                    .Select(c =>
                        (
                            c.Material,
                            c.Cover
                                * Math.Pow(2, -1 / c.Material.Cover.HalfLifeDays!.Value - (open && c.Material.Cover.WashOffMm is { } wash ? rain / wash : 0))
                        )
                    )
                    .Where(c => c.Item2 > 0.02),
            ];
        }
    }
}
