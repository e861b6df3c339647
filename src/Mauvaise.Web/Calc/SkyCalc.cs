using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Cover;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Core.Time;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Windows;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Calc;

/// <param name="Start">Share of leaves covered at the first hour, 0 to 1.</param>
/// <param name="Hours">The weather, hour by hour; only rain counts when nothing else is known.</param>
public sealed record CoverRequest(
    [property: MaxLength(HourColumns.MostHours)] IReadOnlyList<WeatherHour> Hours,
    double HalfLifeDays,
    double WashOffMm,
    double Start
);

public sealed record CoverCalc(IReadOnlyList<double> Cover);

public sealed record PlaceFacts(
    double Latitude,
    double Longitude,
    string TimeZoneId,
    Shelter Shelter = Shelter.Open,
    bool InFlower = false,
    bool SoilMayBeDry = false
);

public sealed record WindowRequest(HourColumns Hours, string Material, PlaceFacts Place);

public sealed record WindowCalc(IReadOnlyList<HourAnswer> Hours, IReadOnlyList<WindowAnswer> Windows);

/// <param name="NotSure">Signs that were asked for and not settled.</param>
public sealed record SuspectsRequest(
    string Crop,
    PlaceKind PlaceKind,
    DateOnly Date,
    double Latitude,
    IReadOnlyList<SeenSign> Signs,
    IReadOnlyList<string>? NotSure = null
);

public sealed record SuspectCalc(string Target, string Name, double Probability, IReadOnlyList<string> Reasons);

public sealed record QuestionCalc(string Sign, string Question);

/// <param name="Group">"aphid", "caterpillar", "leaf-spot", ...: kinds of it that are listed and those that are not.</param>
public sealed record SuspectGroupCalc(string Group, string Name, double Probability);

public sealed record TwoTroublesCalc(IReadOnlyList<string> Targets, double Probability);

/// <param name="Suspects">Kinds that are listed, the likeliest first.</param>
/// <param name="Groups">What it may be called when the kind can not be told.</param>
/// <param name="NotListed">Share of something that is not listed, 0 to 1.</param>
/// <param name="Together">Two at once; null when one explains it as well.</param>
public sealed record SuspectsCalc(
    IReadOnlyList<SuspectCalc> Suspects,
    IReadOnlyList<SuspectGroupCalc> Groups,
    double NotListed,
    TwoTroublesCalc? Together,
    QuestionCalc? NextQuestion,
    string? NamingCanWait
);

/// <summary>Calculators of hours, cover and naming.</summary>
public static class SkyCalc
{
    public static void MapSkyCalc(this RouteGroupBuilder calc)
    {
        calc.MapPost("/cover", CoverOf).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapPost("/window", WindowOf);
        calc.MapPost("/suspects", SuspectsOf);
    }

    private static Results<Ok<CoverCalc>, ProblemHttpResult> CoverOf(CoverRequest body)
    {
        var checks = new Checks()
            .That(
                body.Hours.Count is > 0 and <= HourColumns.MostHours,
                "hours",
                "hours-range",
                Say.Of("calc.give1ToHours", ("mostHours", HourColumns.MostHours))
            )
            .That(body.HalfLifeDays is > 0 and <= 365, "halfLifeDays", "half-life-range", Say.Of("calc.theHalfLifeIsOver0"))
            .That(body.WashOffMm is > 0 and <= 1000, "washOffMm", "wash-off-range", Say.Of("calc.theWashOffIsOver0"))
            .That(body.Start is >= 0 and <= 1, "start", "share-range", Say.Of("calc.theStartIsAShare0"))
            .That(
                body.Hours.All(h => h.Impossible() is null),
                "hours",
                "weather-impossible",
                body.Hours.Select(h => h.Impossible()).FirstOrDefault(x => x is not null) ?? ""
            );
        return checks.Passed
            ? TypedResults.Ok(new CoverCalc(CoverCurve.Decay(body.Start, body.HalfLifeDays, body.WashOffMm, [.. body.Hours.Select(h => h.RainMm ?? 0)])))
            : checks.Problem();
    }

    private static Results<Ok<WindowCalc>, ProblemHttpResult> WindowOf(WindowRequest body, GardenCatalogue catalogue)
    {
        var place = body.Place;
        var zone = GardenZone.Find(place.TimeZoneId);
        var checks = new Checks()
            .That(catalogue.FindMaterial(body.Material) is not null, "material", "material-unknown", Say.Of("calc.thisMaterialIsNot2"))
            .That(
                body.Hours.TemperatureC.Count is > 0 and <= HourColumns.MostHours,
                "hours",
                "hours-range",
                Say.Of("calc.give1ToHours", ("mostHours", HourColumns.MostHours))
            )
            .That(
                place.Latitude is >= -90 and <= 90 && place.Longitude is >= -180 and <= 180,
                "place",
                "place-range",
                Say.Of("calc.latitudeLiesBetween90And90")
            )
            .That(zone is not null, "place", "time-zone-unknown", Say.Of("calc.nameATimeZoneAsEurope"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        HourSeries series;
        try
        {
            series = body.Hours.ToSeries();
        }
        catch (FormatException e)
        {
            return new Checks().That(false, "hours", "hours-uneven", e.Message).Problem();
        }

        if (series.Hours.Select(h => h.Impossible()).FirstOrDefault(x => x is not null) is { } impossible)
        {
            return new Checks().That(false, "hours", "weather-impossible", impossible).Problem();
        }

        var exposure = new PlaceExposure(place.Shelter, place.InFlower, place.SoilMayBeDry);
        var judged = SprayHours.Judge(
            GardenSky.Of(series, place.Latitude, place.Longitude, zone!).At(exposure),
            series.Start,
            series.End,
            catalogue.Material(body.Material)
        );
        return TypedResults.Ok(
            new WindowCalc(
                [.. judged.Select(WindowEndpoints.Of)],
                [.. SprayHours.Windows(judged, catalogue.Material(body.Material)).Select(WindowEndpoints.Of)]
            )
        );
    }

    private static Results<Ok<SuspectsCalc>, ProblemHttpResult> SuspectsOf(SuspectsRequest body, GardenCatalogue catalogue)
    {
        var notSure = body.NotSure ?? [];
        var named = body.Signs.Select(s => s.Sign).Concat(notSure).ToList();
        var unknown = named.Find(s => catalogue.FindSign(s) is null);
        var twice = named.GroupBy(s => s).FirstOrDefault(g => g.Count() > 1)?.Key;
        var checks = new Checks()
            .That(
                catalogue.FindCrop(body.Crop) is not null,
                "crop",
                "crop-unknown",
                Say.Of("calc.thisCropIsNot3", ("nearest", CatalogueRules.Nearest(body.Crop, catalogue.Crops.Select(c => c.Id))))
            )
            .That(body.Latitude is >= -90 and <= 90, "latitude", "latitude-range", Say.Of("calc.latitudeLiesBetween90And902"))
            .That(body.Signs.Count > 0, "signs", "signs-missing", Say.Of("calc.nameOneSignAtLeast"))
            .That(
                unknown is null,
                body.NotSure?.Contains(unknown ?? "") == true ? "notSure" : "signs",
                "sign-unknown",
                Say.Of("calc.aSignIsNot", ("nearest", CatalogueRules.Nearest(unknown ?? "", catalogue.Signs.Select(s => s.Id))))
            )
            .That(twice is null, notSure.Contains(twice ?? "") ? "notSure" : "signs", "sign-twice", Say.Of("calc.theSignIsNamedTwice", ("twice", twice)));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var where = new Circumstances(catalogue.Crop(body.Crop), Place.ShelterOf(body.PlaceKind), Garden.NorthernMonth(body.Latitude, body.Date));
        var ranking = SuspectRanker.Rank(catalogue, where, body.Signs, notSure.ToHashSet());
        return TypedResults.Ok(
            new SuspectsCalc(
                [
                    .. ranking
                        .Suspects.Where(s => !s.Target.IsGroup)
                        .Select(s => new SuspectCalc(s.Target.Id, s.Target.Name, s.Probability, [.. s.For.Concat(s.Against).Select(c => c.Said.Words)])),
                ],
                [.. ranking.Groups.Select(g => new SuspectGroupCalc(g.NameGroup, catalogue.NameOfGroup(g.NameGroup)?.Name ?? g.NameGroup, g.Probability))],
                ranking.NotListed,
                ranking.Together is { } two ? new TwoTroublesCalc([two.First.Id, two.Second.Id], two.Probability) : null,
                ranking.Next is { } q ? new QuestionCalc(q.Sign.Id, q.Sign.Question) : null,
                ranking.NamingCanWait?.Sentence
            )
        );
    }
}
