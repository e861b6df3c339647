using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Words;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Mauvaise.Web.Calc;

/// <summary>
/// <c>?units=us</c> at a calculator: whose units its sentences are told in, by country. Figures stay in SI, as their names say; the language is that
/// of <c>Accept-Language</c>.
/// </summary>
internal static class CalcUnits
{
    private const string Query = "units";

    /// <summary>Tells the sentences of an answer as that country's households read them; 400 for a country that is not listed.</summary>
    public static ValueTask<object?> Told(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var http = context.HttpContext;
        if (!http.Request.Query.TryGetValue(Query, out var asked))
        {
            return next(context);
        }

        var code = asked.ToString().ToUpperInvariant();
        if (Country.All.FirstOrDefault(c => c.Code == code) is not { } country)
        {
            var nearest = CatalogueRules.Nearest(code, Country.All.Select(c => c.Code)).ToLowerInvariant();
            return ValueTask.FromResult<object?>(new Checks().That(false, Query, "units-unknown", Say.Of("calc.unitsAre", ("nearest", nearest))).Problem());
        }

        http.Features.Set(country);
        return next(context);
    }

    public static Task Describe(OpenApiOperation operation, OpenApiOperationTransformerContext context, CancellationToken stop)
    {
        (operation.Parameters ??= []).Add(
            new OpenApiParameter
            {
                Name = Query,
                In = ParameterLocation.Query,
                Description = "ISO 3166 code of the country whose units words are in; figures are SI",
                Schema = new OpenApiSchema { Type = JsonSchemaType.String },
            }
        );
        return Task.CompletedTask;
    }
}
