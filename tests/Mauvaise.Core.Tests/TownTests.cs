using Mauvaise.Core.Catalogue;

namespace Mauvaise.Core.Tests;

/// <summary>Towns by what somebody types, in the shape of the list that ships.</summary>
public class TownTests
{
    private static Town At(string name, string country, double latitude, double longitude) => new(name, country, latitude, longitude, "Etc/UTC");

    private static readonly Town Chile = At("Valdivia", "CL", -39.81, -73.25),
        North = At("Valdivia", "CO", 7.16, -75.44),
        South = At("Valdivia", "CO", 3.4, -76.5);

    private static readonly TownBook Book = new([
        At("Medellín", "CO", 6.25, -75.56),
        At("Cali", "CO", 3.44, -76.52),
        .. Enumerable.Range(0, 4998).Select(i => At($"City {i}", "CN", 30, 110)),
        Chile,
        North,
        South,
    ]);

    [Theory]
    [InlineData("Valdivia, CL", "CL")]
    [InlineData("valdivia, chile", "CL")]
    [InlineData("Valdivia, Colombia", "CO CO")]
    [InlineData("Valdivia, col", "CO CO")]
    // Not a country that anybody here knows: rather all than none.
    [InlineData("Valdivia, Los Ríos", "CL CO CO")]
    [InlineData("Valdivia,", "CL CO CO")]
    public void A_country_narrows_what_a_town_is_called_by_code_or_name(string typed, string countries) =>
        Assert.Equal(countries, string.Join(' ', Book.Find(typed, 12).Select(t => t.Country)));

    [Fact]
    public void A_town_is_told_from_its_namesake_by_the_large_one_near_it()
    {
        Assert.Equal(("Medellín", "Cali"), (Book.LargeTownNear(North)?.Name, Book.LargeTownNear(South)?.Name));
        // None of that country is large.
        Assert.Null(Book.LargeTownNear(Chile));
        // Large ones may have a namesake as well, and are not told by it.
        var (one, other) = (At("Springfield", "US", 37.22, -93.3), At("Springfield", "US", 42.1, -72.59));
        var states = new TownBook([At("Kansas City", "US", 39.1, -94.58), At("Hartford", "US", 41.76, -72.69), one, other]);
        Assert.Equal(("Kansas City", "Hartford"), (states.LargeTownNear(one)?.Name, states.LargeTownNear(other)?.Name));
    }

    [Fact]
    public void Near_is_near_across_the_date_line_and_high_in_the_north()
    {
        var (east, west) = (At("East", "FJ", -16.5, 179.9), At("West", "FJ", -16.5, 170));
        var isle = At("Isle", "FJ", -16.5, -179.9);
        Assert.Equal(east, new TownBook([west, east, .. Enumerable.Range(0, 5000).Select(i => At($"City {i}", "CN", 30, 110)), isle]).LargeTownNear(isle));
        // Three degrees of longitude are less than two of latitude up there.
        var (along, below) = (At("Along", "NO", 70, 28), At("Below", "NO", 68, 25));
        var village = At("Village", "NO", 70, 25);
        Assert.Equal(
            along,
            new TownBook([below, along, .. Enumerable.Range(0, 5000).Select(i => At($"City {i}", "CN", 30, 110)), village]).LargeTownNear(village)
        );
    }
}
