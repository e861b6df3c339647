using Mauvaise.Core.Biology;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Places;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Ledger;

public sealed record PlaceSeasonAnswer(Guid PlaceId, string Place, int Sprays, double WeeklySprays, double? Worst, string? WorstOf, int Looks);

public sealed record WorkedAnswer(string Material, string Hatch, string Target, int Rounds, int Cleared, int Holding, int Losing);

public sealed record BurntAnswer(string Material, string Crop, DateOnly Day, Injury Injury);

public sealed record AlmanacFirstAnswer(
    string Target,
    string Name,
    IReadOnlyList<FirstDateAnswer> Past,
    string? Before,
    DateOnly? Expected,
    DateOnly? ProtectFrom,
    string Sentence
);

public sealed record MonthAnswer(DateOnly Month, double MeanC, double RainMm, int WetNights);

public sealed record NextShoppingAnswer(
    string Material,
    string Unit,
    double Used,
    double OnShelf,
    double ToBuy,
    string ToBuyText,
    double? Cost,
    string Because
);

/// <param name="Given">In words.</param>
public sealed record YieldAnswer(Guid PlantingId, string Where, string Given, int Times, DateOnly First, DateOnly Last, int Sprays);

public sealed record AlmanacAnswer(
    SeasonChoice Season,
    IReadOnlyList<SeasonChoice> Seasons,
    string Summary,
    int Sprays,
    double WeeklySprays,
    LedgerTotalsAnswer Totals,
    IReadOnlyList<PlaceSeasonAnswer> Places,
    IReadOnlyList<WorkedAnswer> Worked,
    IReadOnlyList<BurntAnswer> Burnt,
    IReadOnlyList<AlmanacFirstAnswer> Firsts,
    IReadOnlyList<MonthAnswer> Weather,
    IReadOnlyList<NextShoppingAnswer> Shopping,
    IReadOnlyList<YieldAnswer> Yields,
    IReadOnlyList<string> Varieties
);

/// <summary>A season looked back at, and the next one prepared.</summary>
public static class AlmanacEndpoints
{
    public static void MapAlmanac(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Ledger").MapGet("/almanac", Show);

    private static async Task<Results<Ok<AlmanacAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop, int? year = null)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var seasons = await LedgerEndpoints.SeasonsAsync(tools, s, stop);
        if (seasons.FirstOrDefault(x => year is null || x.Year == year) is not { } season)
        {
            return Problems.Of(StatusCodes.Status404NotFound, "no-season", Say.Of("ledger.nothingIsOnRecord"));
        }

        var then = (await tools.LoadSeasonAsync(gardenId, season.From, season.To, null, stop))!;
        var named = await tools
            .Db.Observations.Where(o => o.GardenId == gardenId && o.Named != null && o.LeavesAffected > 0 && o.At <= then.Now)
            .Select(o => o.Named!)
            .Distinct()
            .ToListAsync(stop);
        var firsts = await FirstFinds.OfAsync(tools, then, Shelter.Open, [.. named.Select(then.Catalogue.FindTarget).OfType<Core.Catalogue.Target>()], stop);
        var filter = new LedgerFilter(From: then.Garden.StartOf(season.From), To: then.Now);
        var use = await new LedgerReader(tools.Db).UseAsync(gardenId, filter, stop);
        var days = SkyDays.Of(
            GardenSky.Of(then.Weather, then.Garden.Latitude, then.Garden.Longitude, then.Garden.Zone).Under(Shelter.Open),
            then.Garden,
            season.From,
            then.Today
        );
        var a = Almanac.Of(then, season.From, firsts, days, use.Ingredients);
        return TypedResults.Ok(
            new AlmanacAnswer(
                season,
                seasons,
                a.Summary,
                a.Sprays,
                a.WeeklySprays,
                LedgerEndpoints.Totals(then, LedgerTotals.Of(then, use)),
                [
                    .. a.Places.Select(p => new PlaceSeasonAnswer(
                        p.Place.Id,
                        p.Place.Name,
                        p.Sprays,
                        p.WeeklySprays,
                        p.Worst is { } worst ? Math.Round(worst, 3) : null,
                        p.WorstOf?.Name,
                        p.Looks
                    )),
                ],
                [
                    .. a.Worked.Select(w => new WorkedAnswer(
                        w.Material.Name,
                        then.Catalogue.Group(w.Material.Group).Hatch,
                        w.Target.Name,
                        w.Rounds,
                        w.Cleared,
                        w.Holding,
                        w.Losing
                    )),
                ],
                [.. a.Burnt.Select(b => new BurntAnswer(b.Material.Name, b.Crop.Name, b.Day, b.Injury))],
                [
                    .. a.Firsts.Select(f => new AlmanacFirstAnswer(
                        f.Target.Id,
                        f.Target.Name,
                        [.. f.Past.Select(p => new FirstDateAnswer(p.Year, p.Day, p.DegreeDays is { } dd ? Math.Round(dd) : null))],
                        f.Before,
                        f.Next.Expected,
                        f.Next.ProtectFrom,
                        f.Next.Sentence
                    )),
                ],
                [.. a.Weather.Select(m => new MonthAnswer(m.Month, m.MeanC, m.RainMm, m.WetNights))],
                [
                    .. a.Shopping.Select(x => new NextShoppingAnswer(
                        x.Material.Name,
                        x.Material.Unit,
                        Math.Round(x.Used, 1),
                        Math.Round(x.OnShelf, 1),
                        Math.Round(x.ToBuy, 1),
                        Figure.Amount(Math.Round(x.ToBuy, 1), x.Material.Unit),
                        x.Cost is { } cost ? Math.Round(cost, 2) : null,
                        x.Because
                    )),
                ],
                [.. a.Yields.Select(y => new YieldAnswer(y.Planting.Id, then.Where(y.Planting), y.Told, y.Times, y.First, y.Last, y.Sprays))],
                [.. a.Varieties.Select(v => v.Sentence)]
            )
        );
    }
}
