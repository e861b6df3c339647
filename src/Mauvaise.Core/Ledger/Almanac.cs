using Mauvaise.Core.Biology;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;

namespace Mauvaise.Core.Ledger;

/// <summary>How a material did against a target in a season.</summary>
/// <param name="Rounds">Judged.</param>
public sealed record WorkedHow(Material Material, Target Target, int Rounds, int Cleared, int Holding, int Losing);

/// <summary>A spray that hurt a crop.</summary>
public sealed record Burnt(Material Material, Crop Crop, DateOnly Day, Injury Injury);

/// <summary>A place's season.</summary>
/// <param name="WeeklySprays">What a weekly calendar would have given its plantings.</param>
/// <param name="Worst">The largest share of leaves that was counted, and of what; null when nothing was found.</param>
public sealed record PlaceSeason(Place Place, int Sprays, double WeeklySprays, double? Worst, Target? WorstOf, int Looks);

/// <summary>First finds of a target over the years, with the weather that came before this season's, and what to expect next time.</summary>
/// <param name="Before">Of this season's find: the fortnight before it in words; null without one or without weather.</param>
public sealed record AlmanacFirst(Target Target, IReadOnlyList<FirstDate> Past, string? Before, SeasonOutlook Next);

/// <summary>A month of the season.</summary>
public sealed record MonthWeather(DateOnly Month, double MeanC, double RainMm, int WetNights);

/// <summary>Something to have in the house for next season.</summary>
/// <param name="Used">This season, in the material's unit.</param>
public sealed record NextShopping(Material Material, double Used, double OnShelf, double ToBuy, double? Cost, string Because);

/// <summary>A crop that had a trouble of which resistant varieties are sold.</summary>
public sealed record OtherVariety(Crop Crop, Target Target, string Sentence);

/// <summary>A season looked back at.</summary>
/// <param name="WeeklySprays">Sprays of plantings that a weekly calendar would have given.</param>
public sealed record Almanac(
    DateOnly From,
    DateOnly To,
    int Sprays,
    double WeeklySprays,
    IReadOnlyList<PlaceSeason> Places,
    IReadOnlyList<WorkedHow> Worked,
    IReadOnlyList<Burnt> Burnt,
    IReadOnlyList<AlmanacFirst> Firsts,
    IReadOnlyList<MonthWeather> Weather,
    IReadOnlyList<NextShopping> Shopping,
    IReadOnlyList<Yield> Yields,
    IReadOnlyList<OtherVariety> Varieties,
    string Summary
)
{
    private const int BeforeDays = 14;

    /// <summary>A wet night has this many hours in a row (assumed).</summary>
    private const int WetNightHours = 6;

    /// <summary>Nobody sprays a calendar in a month colder than this on the mean, C (assumed).</summary>
    private const double CalendarFromC = 10;

    /// <summary>Looks back at the season that a snapshot holds.</summary>
    /// <param name="season">Its records as of its last day, or now.</param>
    /// <param name="from">First day of the season.</param>
    /// <param name="firsts">First finds over all years, by target.</param>
    /// <param name="days">The season's weather in the open.</param>
    /// <param name="used">Ingredients that went into the season's mixes.</param>
    public static Almanac Of(
        GardenSnapshot season,
        DateOnly from,
        IReadOnlyDictionary<string, IReadOnlyList<FirstDate>> firsts,
        SkyDays days,
        IReadOnlyList<IngredientUse> used
    )
    {
        var to = season.Today;
        var places = season.Places.Select(p => OfPlace(season, p, from, to)).ToList();
        var judged = season.Judged.Where(j => season.Garden.DateOf(j.JudgedAt) is var day && day >= from && day <= to).ToList();
        var weekly = places.Sum(p => p.WeeklySprays);
        var sprays = places.Sum(p => p.Sprays);
        Burnt[] burnt =
        [
            .. from j in judged
            where j.Injury >= Injury.Slight
            let material = season.Catalogue.FindMaterial(j.Material)
            where material is not null
            orderby j.Injury descending, j.JudgedAt
            select new Burnt(material, season.Catalogue.Crop(j.Crop), season.Garden.DateOf(j.JudgedAt), j.Injury),
        ];
        return new Almanac(
            from,
            to,
            sprays,
            weekly,
            places,
            [
                .. from j in judged
                where j.Outcome is not null
                let material = season.Catalogue.FindMaterial(j.Material)
                let target = season.Catalogue.FindTarget(j.Target ?? "")
                where material is not null && target is not null
                group j.Outcome by (material, target) into g
                let how = new WorkedHow(
                    g.Key.material,
                    g.Key.target,
                    g.Count(),
                    g.Count(o => o == Outcome.Cleared),
                    g.Count(o => o == Outcome.Holding),
                    g.Count(o => o is Outcome.Losing or Outcome.Lost)
                )
                orderby (double)how.Cleared / how.Rounds descending, how.Rounds descending, how.Material.Name
                select how,
            ],
            burnt,
            [
                .. firsts
                    .OrderBy(f => f.Value.Count > 0 ? f.Value[^1].Day : DateOnly.MaxValue)
                    .ThenBy(f => f.Key, StringComparer.Ordinal)
                    .Select(f => First(season, season.Catalogue.Target(f.Key), f.Value, from, to, days)),
            ],
            Months(days),
            [
                .. used.Select(u => Shop(season, u))
                    .OfType<NextShopping>()
                    .OrderByDescending(x => x.ToBuy > 0)
                    .ThenBy(x => x.Material.Name, StringComparer.Ordinal),
            ],
            Yield.Of(season, from),
            [.. VarietiesFor(season, from)],
            Say.Sentences(
                Say.Of("ledger.ofAPlantingAWeeklyCalendar", ("n", sprays), ("weekly", Say.In(weekly, "0"))),
                sprays < weekly ? Say.Of("ledger.wereSaved", ("saved", Say.In(weekly - sprays, "0"))) : Say.Of("ledger.noneWereSaved"),
                burnt.Length > 0 ? Say.Of("ledger.hurtThePlant", ("burnt", burnt.Length)) : null
            )
        );
    }

    /// <summary>What was found on crops that can be had otherwise, what was found most often first.</summary>
    private static IEnumerable<OtherVariety> VarietiesFor(GardenSnapshot season, DateOnly since) =>
        from o in season.Observations
        where o is { LeavesAffected: > 0, Named: not null, NameIsGroup: false } && season.Garden.DateOf(o.At) >= since
        let planting = season.FindPlanting(o.PlantingId)
        let target = season.Catalogue.FindTarget(o.Named!)
        where planting is not null && target is not null
        let crop = season.Catalogue.Crop(planting.Crop)
        where target.ResistedBy.Contains(crop.Like ?? crop.Id)
        group (o, planting) by (crop, target) into g
        orderby g.Count() descending, g.Key.crop.Name
        let had = g.Select(x => x.planting.Variety).OfType<string>().Distinct().ToList()
        select new OtherVariety(
            g.Key.crop,
            g.Key.target,
            Say.Sentences(
                Say.Of("ledger.chooseAVariety", ("crop", g.Key.crop.Name), ("target", g.Key.target.Name.InSentence()), ("n", g.Count())),
                had.Count > 0 ? Say.Of("ledger.thisSeasonItWas", ("varieties", Say.All(had))) : null
            )
        );

    private static PlaceSeason OfPlace(GardenSnapshot season, Place place, DateOnly from, DateOnly to)
    {
        // What was carried elsewhere belongs to both places, to each for its days.
        var stays = season
            .Plantings.SelectMany(p => p.StaysAt(place.Id).Select(s => (Planting: p, From: s.From < from ? from : s.From, Until: s.Until ?? to)))
            .Where(s => s.From <= to && s.Until >= from)
            .ToList();
        bool Within(DateTimeOffset at, (Planting Planting, DateOnly From, DateOnly Until) stay) =>
            season.Garden.DateOf(at) is var day && day >= stay.From && day <= stay.Until;
        var seen = stays.SelectMany(s => season.CountsOf(s.Planting.Id).Where(o => Within(o.At, s))).ToList();
        var worst = seen.Where(o => o.LeavesAffected > 0).MaxBy(o => o.Incidence);
        bool Warm(DateOnly day) => season.UsualMeanC(day) >= CalendarFromC;
        var days = stays.Sum(s =>
            Enumerable.Range(0, to.DayNumber - s.From.DayNumber + 1).Select(s.From.AddDays).Count(d => d <= s.Until && s.Planting.GrowsOn(d) && Warm(d))
        );
        return new PlaceSeason(
            place,
            stays.Sum(s => season.SpraysOn(s.Planting.Id).Count(a => !a.PatchTest && Within(a.At, s))),
            Math.Floor(days / 7.0),
            worst?.Incidence,
            season.Catalogue.FindTarget(worst?.Named ?? ""),
            seen.Select(o => o.LookId).Distinct().Count()
        );
    }

    private static AlmanacFirst First(GardenSnapshot season, Target target, IReadOnlyList<FirstDate> past, DateOnly from, DateOnly to, SkyDays days)
    {
        var here = past.LastOrDefault(f => f.Day >= from && f.Day <= to);
        var next = FirstDates.Outlook(target, past, season.Catalogue, season.Garden, season.Garden.Stance, from.AddYears(1));
        return new AlmanacFirst(target, past, here is null ? null : Fortnight(season, days, here.Day), next);
    }

    /// <summary>"In the fortnight before: 17.2 C on the mean (1.3 cooler than usual), 31 mm of rain, 4 wet nights."</summary>
    private static string? Fortnight(GardenSnapshot season, SkyDays days, DateOnly day)
    {
        var before = days.All.Where(d => d.Date >= day.AddDays(-BeforeDays) && d.Date < day && d.Known).ToList();
        if (before.Count < BeforeDays / 2)
        {
            return null;
        }

        var mean = before.Average(MeanC);
        var usual = season.UsualMeanC(day);
        var off =
            Math.Abs(mean - usual) < 0.75 ? Say.Of("ledger.asUsual")
            : mean > usual ? Say.Of("ledger.warmerThanUsual", ("mean", Say.In(Math.Abs(mean - usual), "0.0")))
            : Say.Of("ledger.coolerThanUsual", ("mean", Say.In(Math.Abs(mean - usual), "0.0")));
        var wet = before.Count(d => d.WetHours >= WetNightHours);
        return Say.Of(
            "ledger.inTheFortnightBefore",
            ("temperature", Figure.Temperature(mean)),
            ("off", off),
            ("rain", Figure.Rain(before.Sum(d => d.RainMm))),
            ("n", wet)
        );
    }

    private static IReadOnlyList<MonthWeather> Months(SkyDays days) =>
        [
            .. days
                .All.Skip(days.First)
                .Where(d => d.Known)
                .GroupBy(d => new DateOnly(d.Date.Year, d.Date.Month, 1))
                .Select(m => new MonthWeather(
                    m.Key,
                    Math.Round(m.Average(MeanC), 1),
                    Math.Round(m.Sum(d => d.RainMm)),
                    m.Count(d => d.WetHours >= WetNightHours)
                )),
        ];

    private static double MeanC(SkyDay day) => day.Hours.Where(h => h.TemperatureC is not null).Average(h => h.TemperatureC!.Value);

    private static NextShopping? Shop(GardenSnapshot season, IngredientUse used)
    {
        if (season.Catalogue.FindMaterial(used.Material) is not { } material)
        {
            return null;
        }

        var good = season
            .Stocks.Where(s =>
                s.Material == material.Id && (Shelf.GoodUntil(material, s) is not { } until || until >= season.Garden.SeasonStart(season.Today).AddYears(1))
            )
            .Sum(s => s.Left);
        var buy = Math.Max(0, used.Amount - good);
        return new NextShopping(
            material,
            used.Amount,
            good,
            buy,
            Shelf.PriceOf(season.Stocks, material.Id) * buy,
            Say.Of("ledger.wentThisSeasonOnTheShelf", ("amount", Figure.Amount(used.Amount, material.Unit)), ("amount2", Figure.Amount(good, material.Unit)))
        );
    }
}
