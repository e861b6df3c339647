using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Cover;

/// <summary>
/// What the weather leaves of a spray, hour by hour. The same code serves the past (measured hours) and the future (forecast).
/// cover(t + 1 h) = cover(t) * 2^(-1/(24 half-life)) * 2^(-water / wash-off) * exp(-leaf growth / 24).
/// </summary>
public static class CoverCurve
{
    /// <summary>Share of leaf wetted when nobody says (assumed).</summary>
    public const double UsualShareWetted = 0.9;

    /// <summary>Under this share a spray counts as washed off: it is renewed before its usual time (assumed).</summary>
    public const double WashedOff = 0.15;

    /// <summary>Less than this counts as none.</summary>
    private const double Nothing = 0.001;

    /// <summary>Overhead watering on a dry morning, mm (assumed).</summary>
    private const double OverheadMm = 4;

    /// <summary>
    /// Share of protection left in each hour of <paramref name="sky"/>, 0 to 1: 0 before the spray, the share wetted in its hour,
    /// then falling. All 0 for materials that leave no cover.
    /// </summary>
    /// <param name="shareWetted">0 to 1.</param>
    /// <param name="sky">The weather at the place; an hour without rain known counts as dry, without temperature as no growth.</param>
    public static double[] Of(Material material, DateTimeOffset sprayedAt, double shareWetted, PlaceSky sky, Place place, GrowthStage stage)
    {
        Bounds.Within(shareWetted, 0, 1);
        var cover = new double[sky.Count];
        if (material.Cover.HalfLifeDays is not { } halfLifeDays)
        {
            return cover;
        }

        var start = sky.IndexOf(sprayedAt);
        var left = shareWetted;
        // A spray from before the series decays in dry weather up to its first hour.
        if (start < 0)
        {
            left *= Math.Pow(2, start / (halfLifeDays * 24));
        }

        for (var i = Math.Max(0, start); i < sky.Count && left >= Nothing; i++)
        {
            cover[i] = left;
            left *= HourFactor(material, halfLifeDays, sky, i, place, stage);
        }

        return cover;
    }

    /// <summary>
    /// Decay by half-life and rain alone, for where nothing is known of sun and leaves: the share in each hour, the first being
    /// <paramref name="start"/> itself.
    /// </summary>
    /// <param name="start">0 to 1.</param>
    public static double[] Decay(double start, double halfLifeDays, double washOffMm, IReadOnlyList<double> rainMm)
    {
        Bounds.Within(start, 0, 1);
        Bounds.Positive(halfLifeDays);
        Bounds.Positive(washOffMm);
        var cover = new double[rainMm.Count];
        for (var i = 0; i < cover.Length; i++)
        {
            cover[i] = i == 0 ? start : cover[i - 1] * Left(halfLifeDays * 24, rainMm[i - 1] / washOffMm);
        }

        return cover;
    }

    /// <summary>Several materials together against a target: 1 - product of (1 - cover x protects).</summary>
    public static double Protection(IEnumerable<(double Cover, double Protects)> layers) =>
        1 - layers.Aggregate(1.0, (open, l) => open * (1 - l.Cover * l.Protects));

    /// <summary>First instant at or after <paramref name="from"/> with less than <paramref name="floor"/>; null when it holds to the end.</summary>
    public static DateTimeOffset? LapsesOn(IReadOnlyList<double> protection, PlaceSky sky, DateTimeOffset from, double floor)
    {
        for (var i = Math.Max(0, sky.IndexOf(from)); i < protection.Count; i++)
        {
            if (protection[i] < floor)
            {
                return sky.At(i);
            }
        }

        return null;
    }

    /// <summary>Protection that a stance wants kept up: 60 % keep ahead, 30 % watch and treat, none as a last resort.</summary>
    public static double Floor(Stance stance) =>
        stance switch
        {
            Stance.KeepAhead => 0.6,
            Stance.WatchAndTreat => 0.3,
            _ => 0,
        };

    private static double HourFactor(Material material, double halfLifeDays, PlaceSky sky, int i, Place place, GrowthStage stage)
    {
        var hour = sky.Hour(i);
        var halfLifeHours = halfLifeDays * 24 / (material.Cover.SunHalvesHalfLife ? 1 + sky.SunOnLeaves(i) : 1);
        var water = (hour.RainMm ?? 0) + Overhead(sky, i, place);
        var wash = material.Cover.WashOffMm is { } mm ? water / mm : 0;
        var growth = GrowthPerDay(stage) * Math.Clamp(((hour.TemperatureC ?? 5) - 5) / 15, 0, 1.5) / 24;
        return Left(halfLifeHours, wash + growth / Math.Log(2));
    }

    /// <summary>Share left after one step of time, an hour or a day, and so many wash-offs of water.</summary>
    /// <param name="halfLife">In such steps.</param>
    internal static double Left(double halfLife, double washOffs) => Math.Pow(2, -1 / halfLife - washOffs);

    /// <summary>A place watered from above gets 4 mm at seven in the morning when the two days before brought under 3 mm (assumed).</summary>
    private static double Overhead(PlaceSky sky, int i, Place place) =>
        place.Watering == Watering.Overhead && sky.Shelter.LocalStart(i).Hour == 7 && sky.Shelter.RainMm(i - 48, 48) < 3 ? OverheadMm : 0;

    /// <summary>New leaf area a day at 20 C by stage (assumed): it dilutes what was put on.</summary>
    private static double GrowthPerDay(GrowthStage stage) =>
        stage switch
        {
            GrowthStage.Seedling => 0.06,
            GrowthStage.Young => 0.05,
            GrowthStage.Flowering => 0.03,
            GrowthStage.Fruiting => 0.02,
            GrowthStage.Mature => 0.01,
            _ => 0,
        };
}
