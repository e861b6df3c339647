using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Simulation;

/// <summary>
/// What a trouble would cost a planting when a material is given on certain days: one run with the forecast and middling luck. The
/// planner's view of what waiting costs; <see cref="WhatIf"/> shows the same with its spread.
/// </summary>
public sealed class DamageForecast
{
    /// <summary>Days that are looked ahead.</summary>
    public const int Days = 28;

    /// <summary>What is there, unseen, where nothing was found yet: share of leaves and of such a leaf (assumed).</summary>
    private const double UnseenShare = 0.01;
    private const double UnseenSeverity = 0.05;

    private const double UsualWetted = 0.85;
    private const double UsualSeverity = 0.1;

    private readonly Planting planting;
    private readonly Target target;
    private readonly Observation? seen;
    private readonly bool outdoors;
    private readonly double stands;
    private readonly double meanRainMm;
    private readonly List<WhatIf.DayAhead> weather;

    /// <param name="target">One that <see cref="Trouble.Knows"/>.</param>
    /// <param name="seen">The count it starts from; null where nothing was found yet.</param>
    /// <param name="days">The weather ahead at the place.</param>
    public DamageForecast(GardenSnapshot garden, Planting planting, Target target, Observation? seen, SkyDays days)
    {
        (this.planting, this.target, this.seen) = (planting, target, seen);
        outdoors = garden.PlaceOf(planting).Shelter == Shelter.Open;
        stands = WhatIf.Stands(garden.Catalogue.Crop(planting.Crop), planting, target);
        weather = WhatIf.Ahead(garden, target, days);
        var climate = garden.Catalogue.FindClimate(garden.Garden.Climate)!;
        meanRainMm = climate.RainMm[garden.Garden.NorthernMonth(garden.Today) - 1] / 30;
    }

    /// <summary>Share of the crop's value that is lost, 0 to 1.</summary>
    /// <param name="material">Null for nothing at all.</param>
    /// <param name="sprayDays">Days from today, rising.</param>
    public double Loss(Material? material, IReadOnlyList<int> sprayDays)
    {
        var site = new ColonySite(outdoors, seen is { Ants: not Ants.None }, outdoors ? WhatIf.ArrivalsOutdoors : 0);
        var trouble = seen is { LeavesLooked: > 0 }
            ? Trouble.Seen(target, Math.Clamp(seen.Incidence!.Value, 0.002, 0.95), seen.SeverityPercent / 100 ?? UsualSeverity, (double)(seen.Helpers + seen.Mummies) / seen.LeavesLooked, site, WhatIf.Spores)
            : Trouble.Seen(target, UnseenShare, UnseenSeverity, 0, site, WhatIf.Spores);
        var effect = material?.EffectOn(target) ?? new Effect(target.Id, 0, 0, 0, 0);
        var luck = new Chance(1);
        double cover = 0, loss = 0;
        for (var (day, next) = (0, 0); day < Days; day++)
        {
            if (next < sprayDays.Count && sprayDays[next] == day)
            {
                trouble.Treat(effect, UsualWetted, material!.HarmToHelpers);
                cover = material.Cover.HalfLifeDays is null ? 0 : UsualWetted;
                next++;
            }

            var rain = weather[day].RainMm ?? meanRainMm;
            trouble.Advance(new TroubleDay(weather[day].MeanC, rain, weather[day].Favour, effect.Protects * cover, WhatIf.LeafGrowth(planting.Stage)), luck);
            loss += WhatIf.LossPerDay * Math.Max(0, trouble.Share - stands);
            if (material?.Cover is { HalfLifeDays: { } halfLife, WashOffMm: { } washOff })
            {
                cover *= Math.Pow(2, -1 / halfLife - (outdoors ? rain / washOff : 0));
            }
        }

        return Math.Min(1, loss);
    }
}
