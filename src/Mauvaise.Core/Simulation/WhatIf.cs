using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Simulation;

/// <summary>Sprays on days from today, today being 0; none for leaving it alone.</summary>
/// <param name="PrunedShare">Share of the leaves that come off today, the worst first, 0 to 0.25.</param>
public sealed record Schedule(IReadOnlyList<int> Days, double PrunedShare = 0);

/// <summary>A day over all runs: the middle one, and the range that nine in ten keep to. Shares of leaves or of leaf area, 0 to 1.</summary>
/// <param name="Cover">Cover of the spray that is left, in the middle run.</param>
public sealed record WhatIfDay(double Middle, double Low, double High, double Cover);

/// <summary>What a schedule comes to.</summary>
/// <param name="Loss">Share of the crop's value lost over the time, in the middle run.</param>
/// <param name="HelpersLeft">Helpers at the end against those of leaving it alone, in the middle run; null where there are none.</param>
public sealed record WhatIfCurve(Schedule Schedule, IReadOnlyList<WhatIfDay> Days, double Loss, double? HelpersLeft);

/// <summary>What would come of a trouble on a planting under different schedules of one material, in this garden's weather.</summary>
public static class WhatIf
{
    /// <summary>Days that are played through.</summary>
    public const int Days = 35;

    /// <summary>Runs of each schedule; the same luck for all of them.</summary>
    public const int Runs = 41;

    /// <summary>Share of leaves wetted, as gardeners reach it.</summary>
    private const double LeastWetted = 0.75;
    private const double MostWetted = 0.95;

    /// <summary>A forecast is wrong by up to this much a week ahead, K (assumed).</summary>
    private const double ForecastErrorK = 1.5;

    /// <summary>Weather beyond the forecast goes on as the last this many known days.</summary>
    private const int CarriedDays = 7;

    /// <summary>Value lost a day when every leaf beyond what the crop stands is affected (assumed).</summary>
    internal const double LossPerDay = 0.02;

    /// <summary>Value that goes with leaves that are taken off, a share for a share (assumed: shade and sugar are lost until they grow back).</summary>
    private const double LossOfLeaves = 0.1;

    /// <summary>Adults that come to a leaf a day outdoors, and spores that come to a leaf area (assumed).</summary>
    internal const double ArrivalsOutdoors = 0.001;
    internal const double Spores = 0.0001;

    /// <summary>One curve for each schedule. The same garden and schedules give the same curves.</summary>
    /// <param name="seen">The count it starts from: leaves were looked at, and the target is what <see cref="Trouble.Knows"/>.</param>
    public static IReadOnlyList<WhatIfCurve> Play(GardenSnapshot garden, Planting planting, Observation seen, Target target, Material material, IReadOnlyList<Schedule> schedules)
    {
        var place = garden.PlaceOf(planting);
        var days = SkyDays.Of(garden.SkyOf(place).Shelter, garden.Garden, garden.Today, garden.Today.AddDays(10));
        var weather = Ahead(garden, target, days);
        var runs = schedules.Select(s => Enumerable.Range(0, Runs).Select(r => Run(garden, planting, place, seen, target, material, s, weather, (ulong)r)).ToList()).ToList();
        var alone = schedules.Select((s, i) => (s, i)).FirstOrDefault(x => x.s.Days.Count == 0);
        return [.. schedules.Select((schedule, i) => Summed(schedule, runs[i], alone.s is null ? null : runs[alone.i]))];
    }

    /// <summary>A day to come as far as it is known; rain is null beyond the forecast.</summary>
    internal sealed record DayAhead(double MeanC, double? RainMm, double Favour);

    private sealed record Played(double[] Shares, double[] Cover, double Loss, double Helpers);

    private static WhatIfCurve Summed(Schedule schedule, List<Played> runs, List<Played>? alone)
    {
        static double At(List<double> sorted, double share) => sorted[(int)Math.Round(share * (sorted.Count - 1))];
        var days = Enumerable.Range(0, Days + 1).Select(day =>
        {
            List<double> shares = [.. runs.Select(r => r.Shares[day]).Order()];
            return new WhatIfDay(At(shares, 0.5), At(shares, 0.05), At(shares, 0.95), At([.. runs.Select(r => r.Cover[day]).Order()], 0.5));
        });
        var helpers = At([.. runs.Select(r => r.Helpers).Order()], 0.5);
        var undisturbed = alone is null ? 0 : At([.. alone.Select(r => r.Helpers).Order()], 0.5);
        return new WhatIfCurve(schedule, [.. days], At([.. runs.Select(r => r.Loss).Order()], 0.5), undisturbed > 0 ? helpers / undisturbed : null);
    }

    /// <summary>The forecast, carried on by the mean of its last week; rain beyond it is left to luck (null).</summary>
    internal static List<DayAhead> Ahead(GardenSnapshot garden, Target target, SkyDays days)
    {
        var readings = Pressure.Daily(target, days).ToDictionary(p => p.Day, p => p.Value);
        var known = days.All.Where(d => d.Known).ToList();
        static double MeanC(SkyDay d) => d.Hours.Where(h => h.TemperatureC.HasValue).Average(h => h.TemperatureC!.Value);
        var climate = garden.Catalogue.FindClimate(garden.Garden.Climate)!;
        var carriedC = known.TakeLast(CarriedDays).Select(MeanC).DefaultIfEmpty(climate.MeanC[garden.Garden.NorthernMonth(garden.Today) - 1]).Average();
        var carriedFavour = readings.OrderBy(r => r.Key).TakeLast(CarriedDays).Select(r => r.Value).DefaultIfEmpty(0.5).Average();
        return
        [
            .. Enumerable.Range(0, Days).Select(i =>
            {
                var date = garden.Today.AddDays(i);
                var day = known.FirstOrDefault(d => d.Date == date);
                return new DayAhead(day is null ? carriedC : MeanC(day), day?.RainMm, readings.TryGetValue(date, out var favour) ? favour : carriedFavour);
            }),
        ];
    }

    private static Played Run(GardenSnapshot garden, Planting planting, Place place, Observation seen, Target target, Material material, Schedule schedule, List<DayAhead> weather, ulong seed)
    {
        var chance = new Chance(seed);
        var share = Math.Clamp(seen.Incidence!.Value * chance.Between(0.8, 1.2), 0.002, 0.95);
        var outdoors = place.Shelter == Shelter.Open;
        var site = new ColonySite(outdoors, seen.Ants != Ants.None, outdoors ? ArrivalsOutdoors : 0);
        var trouble = Trouble.Seen(target, share, (seen.SeverityPercent ?? 10) / 100, (double)(seen.Helpers + seen.Mummies) / seen.LeavesLooked, site, Spores);
        var effect = material.EffectOn(target) ?? new Effect(target.Id, 0, 0, 0, 0);
        var stands = Stands(garden.Catalogue.Crop(planting.Crop), planting, target);
        double cover = 0, loss = 0;
        var (shares, covers) = (new double[Days + 1], new double[Days + 1]);
        if (schedule.PrunedShare > 0)
        {
            trouble.Prune(schedule.PrunedShare);
            loss += schedule.PrunedShare * LossOfLeaves;
        }

        for (var day = 0; day < Days; day++)
        {
            (shares[day], covers[day]) = (trouble.Share, cover);
            var meanC = weather[day].MeanC + chance.Between(-ForecastErrorK, ForecastErrorK) * Math.Min(1, day / 7.0);
            var rain = weather[day].RainMm ?? Rain(garden, garden.Today.AddDays(day), chance);
            var wetted = chance.Between(LeastWetted, MostWetted);
            if (schedule.Days.Contains(day))
            {
                trouble.Treat(effect, wetted, material.HarmToHelpers);
                cover = material.Cover.HalfLifeDays is null ? 0 : wetted;
            }

            trouble.Advance(new TroubleDay(meanC, rain, weather[day].Favour, effect.Protects * cover, LeafGrowth(planting.Stage)), chance);
            loss += LossPerDay * Math.Max(0, trouble.Share - stands);
            if (material.Cover is { HalfLifeDays: { } halfLife, WashOffMm: { } washOff })
            {
                cover *= Math.Pow(2, -1 / halfLife - (outdoors ? rain / washOff : 0));
            }
        }

        (shares[Days], covers[Days]) = (trouble.Share, cover);
        return new Played(shares, covers, Math.Min(1, loss), trouble.Helpers);
    }

    private static double Rain(GardenSnapshot garden, DateOnly date, Chance chance)
    {
        var climate = garden.Catalogue.FindClimate(garden.Garden.Climate)!;
        var month = garden.Garden.NorthernMonth(date) - 1;
        var wet = chance.Next() < climate.RainDays[month] / 30;
        // Rain of a wet day is spread as 0.3 to 1.7 times its mean (assumed).
        return wet ? climate.RainMm[month] / Math.Max(1, climate.RainDays[month]) * chance.Between(0.3, 1.7) : 0;
    }

    /// <summary>What a crop bears without loss (assumed): sap feeders 15 % of leaves, 5 % on seedlings and leaf crops; diseases 10 % of the area, 3 % on leaf crops.</summary>
    internal static double Stands(Crop crop, Planting planting, Target target) =>
        target.Kind == TargetKind.Disease
            ? crop.LeafCrop ? 0.03 : 0.1
            : crop.LeafCrop || planting.Stage == GrowthStage.Seedling ? 0.05 : 0.15;

    internal static double LeafGrowth(GrowthStage stage) => stage switch
    {
        GrowthStage.Seedling => 0.08,
        GrowthStage.Young => 0.05,
        GrowthStage.Flowering or GrowthStage.Fruiting => 0.015,
        _ => 0.005,
    };
}
