using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Mixing;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Loading;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Ledger;

/// <summary>What of the ledger a request asks for.</summary>
public sealed record LedgerAsk
{
    /// <summary>A <see cref="LedgerKind"/>, in any case.</summary>
    [FromQuery(Name = "kind")]
    public string? Kind { get; init; }

    /// <summary>First day in the garden's time.</summary>
    [FromQuery(Name = "from")]
    public DateOnly? From { get; init; }

    /// <summary>Last day.</summary>
    [FromQuery(Name = "to")]
    public DateOnly? To { get; init; }

    [FromQuery(Name = "place")]
    public Guid? Place { get; init; }

    [FromQuery(Name = "material")]
    public string? Material { get; init; }

    [FromQuery(Name = "target")]
    public string? Target { get; init; }

    [FromQuery(Name = "member")]
    public Guid? Member { get; init; }

    /// <summary>Null when <see cref="Kind"/> is null or no kind.</summary>
    public LedgerKind? OfKind => Enum.TryParse<LedgerKind>(Kind, true, out var kind) && Enum.IsDefined(kind) ? kind : null;

    /// <summary>What is wrong with it.</summary>
    public Checks Check(Checks checks) =>
        checks
            .That(Kind is null || OfKind is not null, "kind", "kind-unknown", Say.Of("ledger.anEntryIsASpray"))
            .That(From is null || To is null || From <= To, "to", "dates-turned", Say.Of("ledger.theLastDayLiesBefore"));

    public LedgerFilter In(Garden garden) =>
        new(OfKind, From is { } from ? garden.StartOf(from) : null, To is { } to ? garden.StartOf(to.AddDays(1)) : null, Place, Material, Target, Member);
}

/// <summary>Everything that was done, filtered, summed and carried out as a table.</summary>
public static class LedgerEndpoints
{
    private const int MostAtOnce = 1000;

    /// <summary>Marks of each kind in the picture.</summary>
    private const int MostMarks = 600;

    public static void MapLedger(this IEndpointRouteBuilder app)
    {
        var ledger = app.MapGroup("/api/gardens/{gardenId:guid}/ledger").WithTags("Ledger");
        ledger.MapGet("", Show);
        ledger.MapGet("/recipes", Recipes);
        ledger.MapLedgerCsv();
        ledger.MapSprayRecords();
    }

    private static async Task<Results<Ok<LedgerAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        [AsParameters] LedgerAsk ask,
        GardenTools tools,
        CancellationToken stop,
        int skip = 0,
        int take = 100
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = ask.Check(new Checks())
            .That(skip >= 0, "skip", "skip-range", Say.Of("ledger.entriesAreSkippedFrom0"))
            .That(take is > 0 and <= MostAtOnce, "take", "take-range", Say.Of("ledger.upToEntriesComeAtOnce", ("mostAtOnce", MostAtOnce)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var reader = new LedgerReader(tools.Db);
        var filter = ask.In(s.Garden);
        var page = await reader.PageAsync(gardenId, filter, skip, take, stop);
        var totals = LedgerTotals.Of(s, await reader.UseAsync(gardenId, filter, stop));
        return TypedResults.Ok(
            new LedgerAnswer(
                [.. page.Entries.Select(e => Answer(s, e))],
                page.Counts.Values.Sum(),
                [.. page.Counts.Select(c => new KindCount(c.Key, c.Value))],
                Totals(s, totals),
                await ChoicesAsync(tools, s, stop),
                [.. s.Choices.Where(c => c.Word == PlanWord.Proven).Select(c => ChoiceWords.Of(s, c) + ".")],
                await PictureAsync(reader, s, ask, stop)
            )
        );
    }

    /// <summary>The stretch that is asked for, else the season, up to today: whole months.</summary>
    private static async Task<LedgerPicture> PictureAsync(LedgerReader reader, GardenSnapshot s, LedgerAsk ask, CancellationToken stop)
    {
        var from = ask.From ?? s.Garden.SeasonStart(s.Today);
        var to = ask.To ?? s.Today;
        var marks = await reader.MarksAsync(s.Garden.Id, (ask with { From = from, To = to }).In(s.Garden), MostMarks, stop);
        PictureRow[] rows =
        [
            .. from place in s.Places.OrderBy(p => p.Order)
            let plantings = s.Plantings.Where(p => p.PlaceId == place.Id).Select(p => p.Id).ToHashSet()
            let here = marks.Where(m => plantings.Contains(m.PlantingId)).Select(m => Mark(s, m)).Distinct().OrderBy(m => m.On).ToList()
            where here.Count > 0
            select new PictureRow(place.Id, place.Name, Told(here), here),
        ];
        var first = rows.SelectMany(r => r.Marks).Select(m => m.On).DefaultIfEmpty(to).Min();
        var last = to > s.Today ? s.Today : to;
        return new LedgerPicture(new DateOnly(first.Year, first.Month, 1), last < first ? first : last, rows);
    }

    private static string Told(List<MarkAnswer> marks)
    {
        int Of(LedgerKind kind) => marks.Count(m => m.Kind == kind);
        return Say.Of(
            "ledger.byHand",
            ("sprays", Say.Of("ledger.sprays", ("n", Of(LedgerKind.Spray)))),
            ("of", Of(LedgerKind.Task)),
            ("counts", Say.Of("ledger.counts", ("n", Of(LedgerKind.Count))))
        );
    }

    private static MarkAnswer Mark(GardenSnapshot s, LedgerMark m)
    {
        var material = m is { Kind: LedgerKind.Spray, What: { } id } ? s.Catalogue.FindMaterial(id) : null;
        return new MarkAnswer(
            m.Kind,
            s.Garden.DateOf(m.At),
            m.Share is { } share
                ? Say.Of("ledger.shareAffected", ("share", Say.In(share * 100, "0")))
                : material?.Name ?? s.Catalogue.FindMeasure(m.What ?? "")?.Name ?? m.What ?? "",
            material is null ? null : s.Catalogue.Group(material.Group).Hatch,
            m.Share is { } shown ? Math.Round(shown, 2) : null
        );
    }

    /// <summary>What can be logged or put in a trial: every recipe with a dose, the household's own products among them.</summary>
    private static async Task<Results<Ok<IReadOnlyList<DosedRecipe>>, ProblemHttpResult>> Recipes(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        await tools.LoadAsync(gardenId, stop) is { } s
            ? TypedResults.Ok<IReadOnlyList<DosedRecipe>>([
                .. from recipe in s.Catalogue.Recipes
                let doses = s.Catalogue.Material(recipe.Active.Material).Doses
                where doses is not null
                orderby recipe.Name
                select new DosedRecipe(recipe.Id, recipe.Name, MixSize.Unit(doses.Per)),
            ])
            : Problems.NotFound("garden");

    /// <summary>The seasons from the first record to now, the newest first.</summary>
    public static async Task<IReadOnlyList<SeasonChoice>> SeasonsAsync(GardenTools tools, GardenSnapshot s, CancellationToken stop)
    {
        var id = s.Garden.Id;
        var firsts = new[]
        {
            await tools.Db.Observations.Where(o => o.GardenId == id).MinAsync(o => (DateTimeOffset?)o.At, stop),
            await tools.Db.Applications.Where(a => a.GardenId == id).MinAsync(a => (DateTimeOffset?)a.At, stop),
        };
        var start = s.Garden.SeasonStart(s.Today);
        var first = firsts.Min() is { } at ? s.Garden.SeasonStart(s.Garden.DateOf(at)) : start;
        return [.. Enumerable.Range(0, Math.Max(1, start.Year - first.Year + 1)).Select(back => Season(s.Garden, start.AddYears(-back)))];
    }

    public static SeasonChoice Season(Garden garden, DateOnly start) =>
        new(start.Year, start, start.AddYears(1).AddDays(-1), garden.Latitude >= 0 ? $"{start.Year}" : $"{start.Year}/{(start.Year + 1) % 100:00}");

    private static async Task<LedgerChoices> ChoicesAsync(GardenTools tools, GardenSnapshot s, CancellationToken stop)
    {
        var id = s.Garden.Id;
        var materials = await tools.Db.Applications.Where(a => a.GardenId == id).Select(a => a.Material).Distinct().ToListAsync(stop);
        var targets = await tools.Db.Observations.Where(o => o.GardenId == id && o.Named != null).Select(o => o.Named!).Distinct().ToListAsync(stop);
        return new(
            [.. materials.Select(m => new NamedId(m, s.Catalogue.FindMaterial(m)?.Name ?? m)).OrderBy(m => m.Name, StringComparer.Ordinal)],
            [.. targets.Select(t => new NamedId(t, s.Catalogue.FindTarget(t)?.Name ?? t)).OrderBy(t => t.Name, StringComparer.Ordinal)],
            await SeasonsAsync(tools, s, stop)
        );
    }

    internal static LedgerTotalsAnswer Totals(GardenSnapshot s, LedgerTotals t) =>
        new(
            t.Sprays,
            Math.Round(t.Litres, 2),
            TankVolume.Text(t.Litres, s.Garden.Kitchen),
            t.Cost is { } cost ? Math.Round(cost, 2) : null,
            t.Cost is null ? Say.Of("ledger.noPricesAreOnTheShelf")
                : t.Unpriced.Count > 0 ? Say.Of("ledger.withoutNoPriceIsKnown", ("list", string.Join(", ", t.Unpriced.Select(m => m.Name.InSentence()))))
                : Say.Of("ledger.byWhatTheBottles"),
            [.. t.Groups.Select(g => new GroupRoundsAnswer(g.Group.Id, g.Group.Name, g.Group.Hatch, g.Rounds))],
            [.. t.Salt.Select(x => new SaltAnswer(x.Place.Id, x.Place.Name, x.Rounds, x.Most))]
        );

    private static LedgerEntryAnswer Answer(GardenSnapshot s, LedgerEntry e)
    {
        var plantings = e.PlantingIds.Select(s.FindPlanting).OfType<Planting>().ToList();
        string[] where = [.. plantings.Select(p => s.Where(p))];
        var material = e.What is null ? null : s.Catalogue.FindMaterial(e.What);
        var what = material?.Name ?? (e.What is null ? null : s.Catalogue.FindMeasure(e.What)?.Name) ?? e.What;
        var target = e.Target is null ? null : s.Catalogue.FindTarget(e.Target)?.Name ?? e.Target;
        return new(
            e.Kind,
            e.Id,
            e.At,
            s.Members.FirstOrDefault(m => m.Id == e.MemberId)?.Name,
            where,
            [.. plantings.Select(p => p.PlaceId).Distinct()],
            e.Kind switch
            {
                LedgerKind.Count => e.LeavesAffected > 0 ? target ?? Say.Of("ledger.somethingWithoutAName2") : Say.Of("ledger.clean"),
                LedgerKind.Check => e.Outcome is { } outcome
                    ? Say.Of("ledger.outcomeWhat", ("outcome", Say.Word(outcome).AsSentenceStart()), ("what", what?.InSentence()))
                    : Say.Of("ledger.twoLeavesJudged2", ("what", what?.InSentence())),
                _ => e.PatchTest ? Say.Of("ledger.twoLeaves", ("what", what)) : what ?? "",
            },
            Detail(s, e, material?.Unit),
            target,
            e.Kind == LedgerKind.Spray && material is not null ? s.Catalogue.Group(material.Group).Hatch : null,
            e.StruckAt is not null,
            e.Corrected,
            e.Note,
            e.Kind == LedgerKind.Check ? e.Id : null
        );
    }

    private static string Detail(GardenSnapshot s, LedgerEntry e, string? unit)
    {
        string Counted() => e is { LeavesLooked: { } looked, LeavesAffected: { } affected } ? CountTold.Of(e.On, looked, affected, e.ByPlant) : "";
        static string Listed(params IEnumerable<string?> all) => string.Join(", ", all.Where(x => !string.IsNullOrEmpty(x)));
        return e.Kind switch
        {
            LedgerKind.Spray => Listed(
                e.Litres > 0 ? TankVolume.Text(e.Litres.Value, s.Garden.Kitchen) : null,
                e.PerLitre is { } dose ? Figure.Dose(dose, unit ?? "ml") : null,
                e.Why switch
                {
                    SprayReason.Plan => Say.Of("ledger.asPlanned"),
                    SprayReason.Course => Say.Of("ledger.aRoundOfACourse"),
                    _ => null,
                }
            ),
            LedgerKind.Task => e.Leaves is { } off ? Say.Of("ledger.leavesOff", ("off", off)) : "",
            LedgerKind.Check when e.Injury is { } hurt and > Injury.None => Listed(Counted(), Say.Of("ledger.injuryAlone", ("hurt", Say.Word(hurt)))),
            _ => Counted(),
        };
    }
}
