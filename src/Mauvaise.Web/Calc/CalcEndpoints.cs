using Mauvaise.Core.Biology;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Calc;

public sealed record SampleCalc(double Share, double Low, double High, SampleVerdict Verdict, int MoreLeaves);

public sealed record AirCalc(double DewPointC, double VapourPressureDeficitKPa, double WetBulbC, double DeltaTK);

public sealed record SunCalc(double ElevationDegrees, double AzimuthDegrees);

/// <param name="Polar">"day" or "night" when the sun does not cross the horizon; null otherwise.</param>
public sealed record SunDayCalc(DateTimeOffset? Sunrise, DateTimeOffset? Sunset, string? Polar);

public sealed record DegreeDaysCalc(double DegreeDays);

/// <param name="HoursNeeded">Null outside the temperature range.</param>
public sealed record InfectionCalc(double Response, double? HoursNeeded);

public sealed record SeverityCalc(int Value);

public sealed record SpacingCalc(int SpacingDays, int Rounds);

/// <summary>Open calculators: no state, for scripts and spreadsheets too. A number out of range is answered with the range.</summary>
public static class CalcEndpoints
{
    public static void MapCalc(this IEndpointRouteBuilder app)
    {
        var calc = app.MapGroup("/api/calc")
            .WithTags("Calculator")
            .AddEndpointFilter(CalcUnits.Told)
            .AddEndpointFilter(OutOfRange)
            .AddOpenApiOperationTransformer(CalcUnits.Describe);
        calc.MapGet("/sample", Sample).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/air", Air).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/sun", SunAt).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/sun-day", SunDay).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/degree-days", DegreeDaysOf).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/infection", InfectionAt).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/severity-value", Severity).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapGet("/spacing", SpacingOf).ProducesProblem(StatusCodes.Status400BadRequest);
        calc.MapSkyCalc();
        calc.MapBenchCalc();
        calc.MapRecipeCalc();
        calc.MapStockCalc();
        calc.MapWayCalc();
    }

    private static Ok<SampleCalc> Sample(int looked, int affected, double line)
    {
        var r = LeafSample.Judge(looked, affected, line);
        return TypedResults.Ok(new SampleCalc(r.Share, r.Low, r.High, r.Verdict, r.MoreLeaves));
    }

    private static Ok<AirCalc> Air(double temperatureC, double relativeHumidityPercent) =>
        TypedResults.Ok(
            new AirCalc(
                Core.Sky.Air.DewPointC(temperatureC, relativeHumidityPercent),
                Core.Sky.Air.VapourPressureDeficitKPa(temperatureC, relativeHumidityPercent),
                Core.Sky.Air.WetBulbC(temperatureC, relativeHumidityPercent),
                Core.Sky.Air.DeltaTK(temperatureC, relativeHumidityPercent)
            )
        );

    private static Ok<SunCalc> SunAt(double latitude, double longitude, DateTimeOffset at)
    {
        var p = Sun.Position(latitude, longitude, at);
        return TypedResults.Ok(new SunCalc(p.ElevationDegrees, p.AzimuthDegrees));
    }

    private static Ok<SunDayCalc> SunDay(double latitude, double longitude, DateOnly date)
    {
        var day = Sun.Day(latitude, longitude, date);
        return TypedResults.Ok(
            new SunDayCalc(
                day.Sunrise,
                day.Sunset,
                day.Sunrise is not null ? null
                    : day.AlwaysUp ? "day"
                    : "night"
            )
        );
    }

    private static Ok<DegreeDaysCalc> DegreeDaysOf(double minC, double maxC, double lowerC, double? upperC) =>
        TypedResults.Ok(new DegreeDaysCalc(DegreeDays.OfDay(minC, maxC, lowerC, upperC)));

    private static Ok<InfectionCalc> InfectionAt(double tMinC, double tOptC, double tMaxC, double wetHoursAtOptimum, double temperatureC) =>
        TypedResults.Ok(
            new InfectionCalc(
                Infection.Response(temperatureC, tMinC, tOptC, tMaxC),
                Infection.HoursNeeded(temperatureC, tMinC, tOptC, tMaxC, wetHoursAtOptimum)
            )
        );

    private static Ok<SeverityCalc> Severity(double wetHours, double meanTemperatureC) =>
        TypedResults.Ok(new SeverityCalc(SeverityValues.OfWetPeriod(wetHours, meanTemperatureC)));

    private static Ok<SpacingCalc> SpacingOf(
        double eggDegreeDays,
        double toAdultDegreeDays,
        double degreeDaysPerDay,
        bool killsEggs,
        int cadenceMinDays,
        int cadenceMaxDays
    )
    {
        var s = RespraySpacing.ForEggLayer(eggDegreeDays, toAdultDegreeDays, degreeDaysPerDay, killsEggs, cadenceMinDays, cadenceMaxDays);
        return TypedResults.Ok(new SpacingCalc(s.SpacingDays, s.Rounds));
    }

    private static async ValueTask<object?> OutOfRange(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        try
        {
            return await next(context);
        }
        catch (ArgumentOutOfRangeException e)
        {
            // The message's second line only repeats the value.
            return new Checks().That(false, e.ParamName ?? "", "out-of-range", e.Message.Split('(')[0].Trim()).Problem();
        }
    }
}
