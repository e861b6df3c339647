using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Web.Calc;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Places;
using Mauvaise.Web.Windows;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Board;

/// <summary>The Board: one time axis for the sky, the cover of each place, counts and visits; and what is due this evening.</summary>
/// <param name="LocalStart">Start of the axis in the garden's time.</param>
/// <param name="Wet">Whether leaves outdoors are wet, hour by hour; null where unknown.</param>
/// <param name="GoodFrom">Hour of the first of <paramref name="Good"/>.</param>
/// <param name="Good">Verdict for tonight's material (or a plain soap), hour by hour from now on.</param>
public sealed record BoardAnswer(
    string GardenName,
    DateTimeOffset Now,
    DateTimeOffset LocalNow,
    DateTimeOffset Start,
    DateTimeOffset End,
    string Sentence,
    HourColumns Sky,
    IReadOnlyList<bool?> Wet,
    DateTimeOffset GoodFrom,
    IReadOnlyList<Verdict> Good,
    IReadOnlyList<NightAnswer> Nights,
    IReadOnlyList<DateTimeOffset> Days,
    IReadOnlyList<RowAnswer> Rows,
    IReadOnlyList<GroupAnswer> Groups,
    EveningAnswer Evening,
    WeatherNotice Weather
);

public sealed record NightAnswer(DateTimeOffset From, DateTimeOffset To);

public sealed record GroupAnswer(string Id, string Name, string Hatch);

public sealed record RowAnswer(
    Guid PlaceId,
    string Name,
    PlaceKind Kind,
    IReadOnlyList<PlantingAnswer> Plantings,
    double CoverNow,
    IReadOnlyList<PressureAnswer> Pressure,
    IReadOnlyList<BandAnswer> Bands,
    IReadOnlyList<DotAnswer> Dots,
    IReadOnlyList<FlagAnswer> Flags
);

/// <summary>
/// Cover of one spray, or of one that is planned: points of 0 to 1, <see cref="BoardEndpoints.BandStepHours"/> apart from <paramref name="From"/>.
/// </summary>
public sealed record BandAnswer(
    Guid ApplicationId,
    string Material,
    string Group,
    string Hatch,
    DateTimeOffset From,
    int StepHours,
    IReadOnlyList<double> Points,
    bool Planned = false
);

public sealed record DotAnswer(
    Guid ObservationId,
    DateTimeOffset At,
    double Share,
    int LeavesLooked,
    int LeavesAffected,
    string? NamedAs,
    string CropName,
    CountedOn On
);

public sealed record FlagAnswer(Guid CheckBackId, DateTimeOffset At, bool Done, string Words);

public sealed record DeedAnswer(
    DeedKind Kind,
    string Title,
    string Detail,
    IReadOnlyList<SaidAnswer> Reasons,
    IReadOnlyList<Guid> PlantingIds,
    TankAnswer? Tank,
    Guid? CheckBackId,
    Guid? TaskId,
    Guid? BatchId
);

public sealed record TankAnswer(string Recipe, DoseStep Step, double Litres, string Target, string Material);

public sealed record LeftAloneAnswer(Guid PlantingId, string Code, string Sentence, IReadOnlyList<FigureAnswer> Figures);

/// <param name="OutingKey">Today's outing in the rota; null when there is none.</param>
public sealed record EveningAnswer(
    WindowAnswer? Window,
    string WindowSentence,
    IReadOnlyList<DeedAnswer> Deeds,
    IReadOnlyList<LeftAloneAnswer> LeftAlone,
    string? OutingKey
);

/// <summary>The main view.</summary>
public static class BoardEndpoints
{
    public const int BandStepHours = 3;
    private const int DaysBack = 7;
    private const int DaysAhead = 9;

    /// <summary>What the window notches are judged for when nothing is to be sprayed.</summary>
    private const string PlainMaterial = KnownIds.Materials.InsecticidalSoap;

    public static void MapBoard(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Board").MapGet("/board", Show);

    private static async Task<Results<Ok<BoardAnswer>, ProblemHttpResult>> Show(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var start = s.Garden.StartOf(s.Today.AddDays(-DaysBack));
        var end = s.Garden.StartOf(s.Today.AddDays(DaysAhead + 1));
        var window = Slice(s.Weather, start, end);
        var rota = RotaPlanner.Plan(s);
        var evening = EveningPlanner.Plan(s);
        var skies = s.Places.ToDictionary(p => p, s.SkyOf);
        var bands = s.Places.ToDictionary(p => p, p => PlaceCover.Bands(s, p, skies[p]));
        var together = s.Places.ToDictionary(p => p, p => PlaceCover.Together(bands[p], s.Weather.Hours.Count));
        return TypedResults.Ok(
            new BoardAnswer(
                s.Garden.Name,
                s.Now,
                s.Garden.Zone.Local(s.Now),
                start,
                end,
                s.Places.Count == 0 ? Say.Of("board.noPlacesYet") : CoverOutlook.Sentence(s, together),
                HourColumns.Of(window),
                [.. window.Hours.Select(LeafWetness.IsWet)],
                HourSeries.WholeHour(s.Now),
                Good(s, evening, window.End),
                Nights(s, start, end),
                [.. Enumerable.Range(-DaysBack, DaysBack + DaysAhead + 1).Select(d => s.Garden.StartOf(s.Today.AddDays(d)))],
                [.. s.Places.Select(p => Row(s, p, bands[p], together[p], rota, start, end))],
                [.. s.Catalogue.Groups.Select(g => new GroupAnswer(g.Id, g.Name, g.Hatch))],
                Evening(s.Catalogue, evening, rota),
                GardenAnswers.Weather(s)
            )
        );
    }

    private static HourSeries Slice(HourSeries hours, DateTimeOffset start, DateTimeOffset end)
    {
        var first = hours.IndexOf(start);
        return new HourSeries(hours.At(first), [.. Enumerable.Range(first, (int)(end - start).TotalHours).Select(hours.AtOrUnknown)]);
    }

    private static List<Verdict> Good(GardenSnapshot s, Evening evening, DateTimeOffset end)
    {
        var spray = evening.Deeds.FirstOrDefault(d => d.Tank is not null);
        var material = s.Catalogue.Material(spray?.Tank?.Recipe.Active.Material ?? PlainMaterial);
        var judged =
            spray is not null ? EveningPlanner.HoursFor(s, material, spray.PlantingIds, end)
            : s.Places.Count > 0 ? SprayHours.Judge(s.PlannedSkyOf(s.Places[0]), s.Now, end, material)
            : [];
        return [.. judged.Select(h => h.Verdict)];
    }

    private static List<NightAnswer> Nights(GardenSnapshot s, DateTimeOffset start, DateTimeOffset end)
    {
        var nights = new List<NightAnswer>();
        DateTimeOffset? set = start;
        for (var date = s.Garden.DateOf(start); date <= s.Garden.DateOf(end); date = date.AddDays(1))
        {
            var day = Sun.Day(s.Garden.Latitude, s.Garden.Longitude, date);
            if (day.Sunrise is not { } rise || day.Sunset is not { } dusk)
            {
                continue;
            }

            if (rise > set && set < end)
            {
                nights.Add(new(set.Value, rise < end ? rise : end));
            }

            set = dusk;
        }

        return nights;
    }

    /// <param name="rota">Null to leave out what is planned.</param>
    internal static RowAnswer Row(
        GardenSnapshot s,
        Place place,
        IReadOnlyList<CoverBand> bands,
        double[] together,
        Rota? rota,
        DateTimeOffset start,
        DateTimeOffset end
    )
    {
        var plantings = s.Plantings.Where(p => p.PlaceId == place.Id).ToDictionary(p => p.Id);
        return new RowAnswer(
            place.Id,
            place.Name,
            place.Kind,
            [.. s.Growing.Where(p => p.PlaceId == place.Id).Select(p => GardenAnswers.Planting(s, p))],
            Math.Round(together[Math.Clamp(s.Weather.IndexOf(s.Now), 0, together.Length - 1)], 3),
            PressureLine(s, place, start, end),
            [
                .. bands.Select(b => Band(s.Catalogue, b, start, end)).Where(b => b.Points.Any(p => p >= 0.03)),
                .. (rota is null ? [] : Planned(s, place, rota))
                    .Select(b => Band(s.Catalogue, b, start, end) with { Planned = true })
                    .Where(b => b.Points.Any(p => p >= 0.03)),
            ],
            [
                .. s
                    .Observations.Where(o => plantings.ContainsKey(o.PlantingId) && o.At >= start && o.At <= s.Now && o.LeavesAffected > 0)
                    .Select(o => new DotAnswer(
                        o.Id,
                        o.At,
                        Math.Round(o.Incidence ?? 0, 3),
                        o.LeavesLooked,
                        o.LeavesAffected,
                        o.Named is null ? null : s.Catalogue.FindTarget(o.Named)?.Name,
                        s.Catalogue.Crop(plantings[o.PlantingId].Crop).Name,
                        o.On
                    )),
            ],
            [
                .. s
                    .CheckBacks.Where(c => plantings.ContainsKey(c.PlantingId) && c.DueOn >= s.Garden.DateOf(start) && c.DueOn < s.Garden.DateOf(end))
                    .Select(c => new FlagAnswer(
                        c.Id,
                        c.DoneAt ?? s.Garden.Zone.At(c.DueOn, PlannedVisit.UsualHour),
                        c.DoneAt is not null,
                        c.Outcome is { } outcome ? Say.Of("board.checked", ("outcome", Say.Word(outcome)))
                            : c.DueOn <= s.Today ? Say.Of("board.checkBackDue")
                            : Say.Of("board.checkBackPlanned")
                    )),
            ]
        );
    }

    /// <summary>What is planned, as cover to come; one band for plantings of a place that are met together.</summary>
    private static IEnumerable<CoverBand> Planned(GardenSnapshot s, Place place, Rota rota) =>
        from together in rota.Rounds.Where(r => r.Place.Id == place.Id).GroupBy(r => (r.On, r.Recipe.Id))
        let round = together.First()
        let material = s.Catalogue.Material(round.Recipe.Active.Material)
        where material.Cover.HalfLifeDays is not null
        let sky = s.SkyOf(place)
        let spray = new SprayApplication(Guid.Empty, null, round.Hours.From, material.Id, null, 0, round.Target.Id, [], false, null)
        select new CoverBand(
            spray,
            material,
            place,
            sky,
            CoverCurve.Of(material, round.Hours.From, CoverCurve.UsualShareWetted, sky, place, round.Planting.Stage)
        );

    /// <summary>The strongest pressure of the place's first troubles on each day of the axis.</summary>
    private static List<PressureAnswer> PressureLine(GardenSnapshot s, Place place, DateTimeOffset start, DateTimeOffset end) =>
        [.. PlaceOutlook.Line(s, place).Where(p => p.Day >= s.Garden.DateOf(start) && p.Day < s.Garden.DateOf(end)).Select(PlaceEndpoints.Of)];

    private static BandAnswer Band(GardenCatalogue catalogue, CoverBand band, DateTimeOffset start, DateTimeOffset end)
    {
        var sprayed = HourSeries.WholeHour(band.Application.At);
        var from = sprayed > start ? sprayed : start;
        var first = band.Sky.IndexOf(from);
        var count = Math.Max(0, (int)((end - from).TotalHours / BandStepHours) + 1);
        var material = band.Material;
        return new BandAnswer(
            band.Application.Id,
            material.Name,
            material.Group,
            catalogue.Group(material.Group).Hatch,
            from,
            BandStepHours,
            [
                .. Enumerable
                    .Range(0, count)
                    .Select(k => first + k * BandStepHours)
                    .Where(i => i >= 0 && i < band.Hours.Length)
                    .Select(i => Math.Round(band.Hours[i], 3)),
            ]
        );
    }

    private static EveningAnswer Evening(GardenCatalogue catalogue, Evening e, Rota rota) =>
        new(
            e.Window is null ? null : WindowEndpoints.Of(e.Window),
            e.WindowSentence,
            [
                .. e.Deeds.Select(d => new DeedAnswer(
                    d.Kind,
                    d.Title,
                    d.Detail,
                    SaidAnswer.Of(d.Reasons.Select(r => r.Said)),
                    d.PlantingIds,
                    d.Tank is null
                        ? null
                        : new TankAnswer(d.Tank.Recipe.Id, d.Tank.Step, d.Tank.Litres, d.Tank.Target.Id, catalogue.Material(d.Tank.Recipe.Active.Material).Id),
                    d.CheckBackId,
                    d.TaskId,
                    d.BatchId
                )),
            ],
            [.. e.LeftAlone.Select(l => new LeftAloneAnswer(l.PlantingId, l.Said.Code, l.Said.Words, FigureAnswer.Of(l.Said)))],
            rota.Outings.FirstOrDefault(o => o.On == rota.From)?.Key
        );
}
