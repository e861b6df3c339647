using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>Bands, baits and mulches hold for a while, and what wears them off asks for them again.</summary>
public class WearingTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Planting Kale = GardenSamples.Grown(Bed, "kale");

    /// <summary>A garden in which something was done so many days ago, with so much rain an hour since.</summary>
    private static GardenSnapshot Done(string measure, double daysAgo, double rainMmAnHour = 0, Place? place = null, params Observation[] looks)
    {
        var where = place ?? Bed;
        var planting = Kale with { PlaceId = where.Id };
        var garden = GardenSamples.Garden([where], [planting], _ => new WeatherHour(18, 70, 1, 2, rainMmAnHour, 50, null, null));
        return garden with
        {
            Tasks =
            [
                new GardenTask(
                    Guid.NewGuid(),
                    planting.Id,
                    null,
                    measure,
                    null,
                    garden.Today.AddDays(-(int)daysAgo),
                    TaskState.Done,
                    garden.Now.AddDays(-daysAgo)
                ),
            ],
            Observations = [.. looks.Select(o => o with { PlantingId = planting.Id })],
        };
    }

    private static Observation Look(double daysAgo, Ants ants) => GardenSamples.Seen(Kale, daysAgo, 20, 2) with { Ants = ants };

    [Theory]
    [InlineData("ant-bait", 13, 0, false)]
    [InlineData("ant-bait", 14, 0, true)]
    [InlineData("ant-bait", 5, 1, false)]
    [InlineData("ant-band", 5, 0, false)]
    [InlineData("ant-band", 5, 0.2, true)]
    [InlineData("ant-band", 21, 0, true)]
    [InlineData("mulch", 59, 1, false)]
    [InlineData("mulch", 60, 0, true)]
    [InlineData("wipe-off", 90, 1, false)]
    public void It_holds_so_many_days_and_so_much_rain(string measure, double daysAgo, double rainMmAnHour, bool worn) =>
        Assert.Equal(worn, Wearing.Due(Done(measure, daysAgo, rainMmAnHour)).Any());

    [Fact]
    public void It_says_what_wore_it_off()
    {
        Assert.Equal("24 mm of rain since it was done 5 days ago.", Wearing.Due(Done("ant-band", 5, 0.2)).Single().Why.Words.Told());
        Assert.Equal("Done 14 days ago; it holds for about 14 days.", Wearing.Due(Done("ant-bait", 14)).Single().Why.Words);
    }

    [Fact]
    public void No_rain_wears_it_off_under_cover() => Assert.Empty(Wearing.Due(Done("ant-band", 5, 1, GardenSamples.Bed("Tunnel", kind: PlaceKind.Tunnel))));

    [Fact]
    public void What_keeps_ants_off_ends_when_none_climb()
    {
        Assert.Empty(Wearing.Due(Done("ant-bait", 15, looks: Look(2, Ants.None))));
        Assert.Single(Wearing.Due(Done("ant-bait", 15, looks: Look(2, Ants.Few))));
        // Nobody said that they are gone.
        Assert.Single(Wearing.Due(Done("ant-bait", 15, looks: Look(2, Ants.Unsaid))));
        // A look from before says nothing about what it did.
        Assert.Single(Wearing.Due(Done("ant-bait", 15, looks: Look(20, Ants.None))));
    }

    [Fact]
    public void What_is_left_alone_asks_for_nothing()
    {
        var garden = Done("ant-band", 22);
        Assert.Empty(Wearing.Due(garden with { Choices = [new PlanChoice(Guid.NewGuid(), PlanWord.LeaveAlone, garden.Plantings[0].Id, null, null, null)] }));
    }

    [Fact]
    public void Renewed_it_holds_anew_and_let_be_it_asks_no_more()
    {
        var garden = Done("ant-band", 22);
        var worn = Wearing.Due(garden).Single();
        var renewed = garden with { Tasks = [.. garden.Tasks, .. TaskDeeds.Renew(garden, worn, garden.Now, null).Tasks] };
        Assert.Empty(Wearing.Due(renewed));
        var letBe = garden with { Tasks = [.. garden.Tasks, .. TaskDeeds.LetBe(garden, worn, null).Tasks] };
        Assert.Empty(Wearing.Due(letBe));
        Assert.Equal(2, letBe.Tasks.Select(t => t.Id).Distinct().Count());
    }

    [Fact]
    public void The_evening_asks_for_it()
    {
        var deed = EveningPlanner.Plan(Done("ant-band", 22)).Deeds.Single(d => d.Title.StartsWith("Renew", StringComparison.Ordinal));
        Assert.Equal("Renew: band the stems, Bed kale", deed.Title);
        Assert.NotNull(deed.TaskId);
    }
}
