using Mauvaise.Core.Gardens;
using Mauvaise.Core.Outcomes;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>When somebody goes to look: check-backs and walks.</summary>
public class VisitTests
{
    private static readonly Place North = GardenSamples.Bed("North");
    private static readonly Place South = GardenSamples.Bed("South", 1);
    private static readonly Planting Kale = GardenSamples.Grown(North, "kale");
    private static readonly Planting Bean = GardenSamples.Grown(South, "french-bean");

    private static GardenSnapshot Garden(params Observation[] seen) =>
        GardenSamples.Tried(GardenSamples.Garden([North, South], [Kale, Bean])) with
        {
            Observations = [.. seen.OrderBy(o => o.At)],
        };

    /// <summary>Free on the days of the week that are named, by day.</summary>
    private static FreeHours On(params DayOfWeek[] days) =>
        FreeHours.Read([.. Enumerable.Range(1, 7).Select(d => days.Contains((DayOfWeek)(d % 7)) ? "6-9, 18-21" : "never")], out _)!;

    [Theory]
    [InlineData("insecticidal-soap", "cabbage-aphid", 2)]
    [InlineData("insecticidal-soap", null, 2)]
    // Only clean new leaves tell.
    [InlineData("bicarbonate", "rust", 7)]
    // Its next round does not wait for that.
    [InlineData("peroxide", "rust", 2)]
    [InlineData("azadirachtin-concentrate", "root-aphid", 7)]
    // A slow material is not hurried by a target that shows at once.
    [InlineData("worm-castings", "thrips", 10)]
    public void A_check_back_is_due_by_material_and_target(string material, string? target, int days) =>
        Assert.Equal(days, CheckBackDay.DaysAfter(Shipped.Catalogue.Material(material), target is null ? null : GardenSamples.Target(target)));

    [Fact]
    public void No_check_back_comes_before_its_material_shows_nor_after_the_next_round_is_late()
    {
        foreach (var material in Shipped.Catalogue.Materials)
        {
            Assert.All(Shipped.Catalogue.Targets, t =>
                Assert.InRange(CheckBackDay.DaysAfter(material, t), material.CheckBackDays, Math.Max(material.CheckBackDays, material.Cadence.CurativeMaxDays))
            );
        }
    }

    [Fact]
    public void What_is_due_about_then_makes_one_walk()
    {
        var together = Assert.Single(RotaPlanner.Plan(Garden(GardenSamples.Seen(Kale, 4, 20, 0), GardenSamples.Seen(Bean, 3, 20, 0))).Walks);
        Assert.Equal(2, together.Plantings.Count);
        Assert.Equal(new DateOnly(2026, 7, 16).AddDays(WalkRhythm.Days - 4), together.On);
        var apart = RotaPlanner.Plan(Garden(GardenSamples.Seen(Kale, 6, 20, 0), GardenSamples.Seen(Bean, 0.1, 20, 0))).Walks;
        Assert.Equal(2, apart.Count);
        Assert.True(apart[0].On < apart[1].On);
    }

    [Fact]
    public void A_walk_goes_with_an_outing_that_is_near()
    {
        var garden = Garden(GardenSamples.Seen(Kale, 4.5, 20, 12, "cabbage-aphid"), GardenSamples.Seen(Bean, 4.5, 20, 0));
        var rota = RotaPlanner.Plan(garden);
        Assert.Equal(garden.Today, rota.Outings[0].On);
        Assert.Equal(garden.Today, Assert.Single(rota.Walks).On);
    }

    [Fact]
    public void Nobody_is_sent_to_look_on_a_day_without_a_free_hour()
    {
        // The sixteenth of July 2026 is a Thursday.
        var garden = Garden(GardenSamples.Seen(Kale, 6, 20, 0), GardenSamples.Seen(Bean, 6, 20, 0));
        var spray = GardenSamples.Sprayed(Kale, 1, "insecticidal-soap", "cabbage-aphid");
        var visit = new CheckBack(Guid.NewGuid(), spray.Id, Kale.Id, garden.Today.AddDays(1), null, null, null, Injury.None);
        var busy = garden with
        {
            Garden = garden.Garden with { Free = On(DayOfWeek.Sunday, DayOfWeek.Monday) },
            Applications = [.. garden.Applications, spray],
            CheckBacks = [.. garden.CheckBacks, visit],
        };
        var rota = RotaPlanner.Plan(busy);
        Assert.Equal(new DateOnly(2026, 7, 19), rota.Visits.Single(v => v.CheckBackId == visit.Id).On);
        Assert.Equal(new DateOnly(2026, 7, 19), Assert.Single(rota.Walks).On);
    }

    [Fact]
    public void With_nobody_ever_free_what_is_due_stays_on_its_day()
    {
        var garden = Garden(GardenSamples.Seen(Kale, 6, 20, 0), GardenSamples.Seen(Bean, 6, 20, 0));
        Assert.Equal(garden.Today, Assert.Single(RotaPlanner.Plan(garden with { Garden = garden.Garden with { Free = On() } }).Walks).On);
    }
}
