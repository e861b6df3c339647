using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Measures;
using Mauvaise.Web.Gardens;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Facts;

/// <param name="Country">ISO 3166, two letters.</param>
/// <param name="Near">A large town near it, where another answer has the same name and country.</param>
public sealed record TownAnswer(string Name, string Country, string? Near, double Latitude, double Longitude, string TimeZoneId, string Climate);

/// <summary>What a country's households mostly read, and how it is reckoned.</summary>
/// <param name="Code">ISO 3166, two letters; "ZZ" for anywhere else.</param>
public sealed record CountryAnswer(string Code, KitchenSystem Kitchen, HouseholdUnits Units, ScalesAnswer Scales)
{
    public static CountryAnswer Of(Country c) => new(c.Code, c.Kitchen, c.Units, ScalesAnswer.Of(c.Units, c.Kitchen));
}

/// <summary>What a recipe may call a material.</summary>
public sealed record HeardThing(string Word, string Material);

/// <summary>The facts, for the screens and for anyone's scripts.</summary>
public static class CatalogueEndpoints
{
    public static void MapCatalogue(this IEndpointRouteBuilder app)
    {
        var facts = app.MapGroup("/api/catalogue").WithTags("Catalogue");
        facts.MapGet("/materials", (GardenCatalogue c) => TypedResults.Ok(c.Materials));
        facts.MapGet("/groups", (GardenCatalogue c) => TypedResults.Ok(c.Groups));
        facts.MapGet("/targets", (GardenCatalogue c) => TypedResults.Ok(c.Targets));
        facts.MapGet("/signs", (GardenCatalogue c) => TypedResults.Ok(c.Signs));
        facts.MapGet("/helpers", (GardenCatalogue c) => TypedResults.Ok(c.Helpers));
        facts.MapGet("/crops", (GardenCatalogue c) => TypedResults.Ok(c.Crops));
        facts.MapGet("/recipes", (GardenCatalogue c) => TypedResults.Ok(c.Recipes));
        facts.MapGet("/heard", (GardenCatalogue c) =>
            TypedResults.Ok(c.Heard.Where(h => h.Material is not null).Select(h => new HeardThing(h.Words[0], h.Material!)))
        );
        facts.MapGet("/measures", (GardenCatalogue c) => TypedResults.Ok(c.Measures));
        facts.MapGet("/climates", (GardenCatalogue c) => TypedResults.Ok(c.Climates));
        facts.MapGet("/towns", Towns);
        facts.MapGet("/countries", () => TypedResults.Ok(Country.All.Select(CountryAnswer.Of)));
        facts.MapGet("/crop-signs", (GardenCatalogue c) => TypedResults.Ok(c.Crops.ToDictionary(crop => crop.Id, crop => SignsOn(c, crop))));
    }

    private const int MostTowns = 12;

    /// <summary>Towns by what somebody typed, the likeliest first.</summary>
    private static Ok<List<TownAnswer>> Towns([System.ComponentModel.DataAnnotations.StringLength(80)] string name, Lazy<TownBook> towns)
    {
        var found = towns.Value.Find(name, MostTowns);
        return TypedResults.Ok(
            found
                .Select(t => new TownAnswer(
                    t.Name,
                    t.Country,
                    found.Count(other => (other.Name, other.Country) == (t.Name, t.Country)) > 1 ? towns.Value.LargeTownNear(t)?.Name : null,
                    t.Latitude,
                    t.Longitude,
                    t.TimeZoneId,
                    t.Climate
                ))
                .ToList()
        );
    }

    /// <summary>Ids of the signs worth offering on a crop, the most telling for its usual causes first.</summary>
    private static IReadOnlyList<string> SignsOn(GardenCatalogue c, Crop crop)
    {
        var causes = c.Targets.Where(t => GardenCatalogue.IsHost(t, crop)).ToList();
        return
        [
            .. c
                .Signs.Select(s => (Sign: s, Weight: causes.Max(t => t.Commonness * (t.Signs.TryGetValue(s.Id, out var p) ? p : 0))))
                .Where(x => x.Weight > 0)
                .OrderByDescending(x => x.Weight)
                .ThenBy(x => x.Sign.Id, StringComparer.Ordinal)
                .Select(x => x.Sign.Id),
        ];
    }
}
