using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Tests;

public class CarriedTests
{
    private static readonly Place Step = GardenSamples.Bed("Step", 0);
    private static readonly Place Yard = GardenSamples.Bed("Yard", 1);
    private static readonly Planting Melon = GardenSamples.Grown(Yard, "melon");

    private static GardenSnapshot Garden(Planting melon, params Observation[] seen) =>
        GardenSamples.Garden([Step, Yard], [melon, GardenSamples.Grown(Step, "kale")]) with
        {
            Observations = [.. seen.OrderBy(o => o.At)],
        };

    [Fact]
    public void Earlier_places_are_read_as_they_were_kept()
    {
        Stay[] stays = [new(Step.Id, new DateOnly(2026, 6, 1)), new(Yard.Id, new DateOnly(2026, 7, 1)), new(Step.Id, new DateOnly(2026, 7, 9))];
        Assert.Equal(stays, Stays.Read(Stays.Kept(stays)));
        Assert.Null(Stays.Kept([]));
        Assert.Empty(Stays.Read(null)!);
    }

    [Theory]
    [InlineData("here:2026-07-01")]
    [InlineData("7f0c1f3e-0000-0000-0000-000000000001:1st of July")]
    [InlineData("7f0c1f3e-0000-0000-0000-000000000001")]
    public void What_can_not_be_read_is_nothing(string kept) => Assert.Null(Stays.Read(kept));

    [Fact]
    public void A_place_that_it_came_back_to_was_never_left()
    {
        var there = new Stay(Step.Id, new DateOnly(2026, 7, 1));
        Assert.Equal(there.Until, (Melon with { Earlier = [there] }).LeftOn(Step));
        Assert.Null((Melon with { Earlier = [there], PlaceId = Step.Id }).LeftOn(Step));
        Assert.Null(Melon.LeftOn(Step));
    }

    [Fact]
    public void The_new_place_tells_all_and_the_old_one_what_was_until_then()
    {
        var today = Garden(Melon).Today;
        var carried = Melon with { Earlier = [new Stay(Step.Id, today.AddDays(-5))] };
        var garden = Garden(carried, GardenSamples.Seen(Melon, 8, 20, 9, "spider-mite"), GardenSamples.Seen(Melon, 1, 20, 2, "spider-mite"));
        int Finds(Place place) =>
            PlaceStory.Of(garden, place, today.AddDays(-60)).Where(c => c.Target?.Id == "spider-mite").Sum(c => c.Lines.Count(l => l.Kind == StoryKind.Found));

        Assert.Equal((1, 2), (Finds(Step), Finds(Yard)));
        Assert.All(PlaceStory.Of(garden, Step, today.AddDays(-60)).Where(c => c.Planting.Id == carried.Id), c =>
            Assert.Equal("It was carried to Yard.", c.Ending)
        );
        Assert.DoesNotContain(PlaceStory.Of(garden, Step, today.AddDays(-4)), c => c.Planting.Id == carried.Id);
    }

    [Fact]
    public void What_is_kept_apart_is_looked_at_last_until_its_day_is_over()
    {
        var today = Garden(Melon).Today;
        string[] Order(DateOnly? until)
        {
            var melon = Melon with { ApartUntil = until };
            var garden = Garden(melon);
            return [.. WalkRound.Plan(garden with { Observations = [GardenSamples.Seen(garden.Plantings[1], 0.1, 20, 0)] }).Select(s => s.Place.Name)];
        }

        Assert.Equal(["Yard", "Step"], Order(null));
        Assert.Equal(["Step", "Yard"], Order(today));
        Assert.Equal(["Yard", "Step"], Order(today.AddDays(-1)));
    }
}
