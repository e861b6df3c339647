using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Words;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Windows;

public sealed record RuleAnswer(SprayRule Rule, Verdict Verdict, string Sentence);

/// <summary>An hour with what the rules say; the worst come first.</summary>
public sealed record HourAnswer(DateTimeOffset Hour, Verdict Verdict, IReadOnlyList<RuleAnswer> Rules);

public sealed record WindowAnswer(DateTimeOffset Start, DateTimeOffset End, double Score, Verdict Verdict, string Sentence);

public sealed record WindowsAnswer(
    string Material,
    string MaterialName,
    IReadOnlyList<string> For,
    IReadOnlyList<HourAnswer> Hours,
    IReadOnlyList<WindowAnswer> Best,
    WeatherNotice Weather
);

/// <summary>When a spray may go on.</summary>
public static class WindowEndpoints
{
    private const int MostHours = 240;

    public static void MapWindows(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Windows").MapGet("/windows", Show);

    private static async Task<Results<Ok<WindowsAnswer>, ProblemHttpResult>> Show(
        Guid gardenId,
        Guid[] planting,
        string material,
        int? hours,
        bool? anyHour,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var checks = new Checks()
            .That(s.Catalogue.FindMaterial(material) is not null, "material", "material-unknown", Say.Of("calc.thisMaterialIsNot2"))
            .That(
                planting.Length > 0 && planting.All(p => s.FindPlanting(p) is not null),
                "planting",
                "planting-unknown",
                Say.Of("windows.chooseAPlantingOfThisGarden")
            )
            .That(hours is null or (> 0 and <= MostHours), "hours", "hours-range", Say.Of("windows.hoursAreOver0AndUp", ("mostHours", MostHours)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var known = s.Catalogue.Material(material);
        var judged = EveningPlanner.HoursFor(s, known, planting, s.Now.AddHours(hours ?? 24), anyHour ?? false);
        return TypedResults.Ok(
            new WindowsAnswer(
                known.Id,
                known.Name,
                [.. planting.Select(s.FindPlanting).OfType<Planting>().Select(p => s.Where(p))],
                [.. judged.Select(Of)],
                [.. SprayHours.Windows(judged, known).OrderByDescending(w => w.Score).ThenBy(w => w.Start).Take(3).Select(Of)],
                GardenAnswers.Weather(s)
            )
        );
    }

    public static HourAnswer Of(HourVerdict h) => new(h.Hour, h.Verdict, [.. h.Rules.Select(r => new RuleAnswer(r.Rule, r.Verdict, r.Sentence))]);

    public static WindowAnswer Of(SprayWindow w) => new(w.Start, w.End, w.Score, w.Verdict, w.Sentence);
}
