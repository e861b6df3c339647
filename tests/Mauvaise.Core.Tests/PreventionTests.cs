using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Preventing;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Sky;

namespace Mauvaise.Core.Tests;

/// <summary>Work before trouble is planned, holds, wears off, and takes off risk.</summary>
public class PreventionTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;

    private static (GardenSnapshot Garden, Planting Planting) With(
        string crop,
        PlaceKind kind = PlaceKind.OpenBed,
        GrowthStage stage = GrowthStage.Mature,
        Watering watering = Watering.HandAtSoil,
        double sunHours = 6,
        int? count = null,
        double meanC = 18,
        bool wet = false
    )
    {
        var place = GardenSamples.Bed("Bed", kind: kind) with { Watering = watering, SunHours = sunHours };
        var planting = GardenSamples.Grown(place, crop) with { Stage = stage, Count = count };
        return (GardenSamples.Garden([place], [planting], _ => new WeatherHour(meanC, wet ? 97 : 70, 1, 2, wet ? 0.3 : 0, 50, null, null)), planting);
    }

    private static PreventiveWork? Work(GardenSnapshot garden, Planting planting, string measure) => PreventionPlan.Of(garden).Find(planting.Id, measure);

    private static GardenSnapshot After(GardenSnapshot garden, PreventiveWork work, PreventionWord word, double daysAgo = 0, DateOnly? on = null) =>
        garden.After(PreventionDeeds.Answer(garden, [(Guid.NewGuid(), work)], word, on ?? garden.Today, garden.Now.AddDays(-daysAgo), null));

    [Theory]
    [InlineData("tomato", PlaceKind.OpenBed, GrowthStage.Fruiting, "low-leaves", true)]
    [InlineData("tomato", PlaceKind.OpenBed, GrowthStage.Seedling, "low-leaves", false)]
    [InlineData("kale", PlaceKind.OpenBed, GrowthStage.Fruiting, "low-leaves", false)]
    [InlineData("kale", PlaceKind.OpenBed, GrowthStage.Young, "collars", true)]
    [InlineData("kale", PlaceKind.OpenBed, GrowthStage.Mature, "collars", false)]
    [InlineData("kale", PlaceKind.OpenBed, GrowthStage.Young, "netting", true)]
    [InlineData("kale", PlaceKind.Tunnel, GrowthStage.Young, "netting", false)]
    [InlineData("tomato", PlaceKind.Tunnel, GrowthStage.Fruiting, "air-the-tunnel", true)]
    [InlineData("tomato", PlaceKind.OpenBed, GrowthStage.Fruiting, "air-the-tunnel", false)]
    public void Each_crop_has_its_work_by_place_and_stage(string crop, PlaceKind kind, GrowthStage stage, string measure, bool wanted)
    {
        var (garden, planting) = With(crop, kind, stage);
        Assert.Equal(wanted, Work(garden, planting, measure) is { State: PreventionState.Due });
    }

    [Fact]
    public void Water_goes_to_the_soil_only_where_it_does_not_already()
    {
        var (dry, planting) = With("tomato");
        var (wet, other) = With("tomato", watering: Watering.Overhead);
        Assert.Null(Work(dry, planting, "water-at-soil"));
        Assert.NotNull(Work(wet, other, "water-at-soil"));
    }

    [Fact]
    public void What_is_done_holds_then_wears_off_and_what_is_let_be_is_not_asked_for()
    {
        var (garden, planting) = With("tomato");
        var work = Work(garden, planting, "low-leaves")!;
        Assert.Equal(PreventionState.Holds, Work(After(garden, work, PreventionWord.Done, 3), planting, "low-leaves")!.State);
        Assert.Equal(garden.Today.AddDays(11), Work(After(garden, work, PreventionWord.Done, 3), planting, "low-leaves")!.On);
        Assert.Equal(PreventionState.Due, Work(After(garden, work, PreventionWord.Done, 15), planting, "low-leaves")!.State);
        Assert.Equal(PreventionState.LetBe, Work(After(garden, work, PreventionWord.LetBe), planting, "low-leaves")!.State);
        var planned = After(garden, work, PreventionWord.Planned, on: garden.Today.AddDays(2));
        var waiting = Work(planned, planting, "low-leaves")!;
        Assert.Equal((PreventionState.Planned, garden.Today.AddDays(2)), (waiting.State, waiting.On!.Value));
        // What was taken on is done as the same task.
        var done = After(planned, Work(planned, planting, "low-leaves")!, PreventionWord.Done);
        Assert.Equal(TaskState.Done, Assert.Single(done.Tasks).State);
    }

    [Fact]
    public void What_flies_in_is_met_a_week_before()
    {
        // Cold so far, the vine borer flies late or not at all; warm, it has flown.
        var (cold, _) = With("squash", meanC: -5);
        var (warm, _) = With("squash", meanC: 28);
        DateOnly? Flight(GardenSnapshot g, string target) => FirstFlights.On(g, g.Places[0], C.Target(target));
        Assert.True((Flight(cold, "vine-borer") ?? DateOnly.MaxValue) > Flight(warm, "vine-borer"));
        Assert.True(Flight(warm, "vine-borer") > Flight(warm, "carrot-fly"));
        Assert.Null(Flight(warm, "slugs"));
        var (carrots, carrot) = With("carrot");
        Assert.Contains("Carrot fly flies since about", Work(carrots, carrot, "netting")!.Why.Words, StringComparison.Ordinal);
        // In winter it is told for the week before the flight.
        var winter = carrots with
        {
            Now = new DateTimeOffset(2026, 1, 10, 12, 0, 0, TimeSpan.Zero),
            Plantings = [carrot with { From = new DateOnly(2026, 1, 5) }],
        };
        var flies = Flight(winter, "carrot-fly")!.Value;
        Assert.InRange(flies, new DateOnly(2026, 3, 15), new DateOnly(2026, 6, 1));
    }

    [Fact]
    public void A_winter_bed_south_of_the_equator_is_not_told_of_summer()
    {
        var (north, planting) = With("lettuce", stage: GrowthStage.Young);
        Assert.NotNull(Work(north, planting, "slug-round"));
        Assert.All(PreventionPlan.Of(north).All, w =>
            Assert.All(w.Against, t =>
                Assert.True(t.Season.Holds(north.Garden.NorthernMonth(north.Today)) || t.Season.Holds(north.Garden.NorthernMonth(north.Today.AddDays(21))))
            )
        );
        var south = north with { Garden = north.Garden with { Latitude = -north.Garden.Latitude } };
        Assert.All(PreventionPlan.Of(south).All, w =>
            Assert.All(w.Against, t =>
                Assert.True(t.Season.Holds(south.Garden.NorthernMonth(south.Today)) || t.Season.Holds(south.Garden.NorthernMonth(south.Today.AddDays(21))))
            )
        );
    }

    [Fact]
    public void Shade_and_crowding_raise_the_risk_and_what_was_done_lowers_it()
    {
        var septoria = C.Target("septoria");
        double Risk(GardenSnapshot g) => PlaceRisk.Of(g, g.Plantings.Single(), septoria);
        var (usual, planting) = With("tomato");
        Assert.Equal(1, Risk(usual), 6);
        Assert.Equal(1.15, Risk(With("tomato", sunHours: 3).Garden), 6);
        Assert.True(Risk(With("tomato", count: 60).Garden) > Risk(With("tomato", count: 4).Garden));
        var mulched = After(usual, Work(usual, planting, "mulch")!, PreventionWord.Done);
        Assert.Equal(0.7, Risk(mulched), 6);
        // Powdery mildew wants no wet leaf.
        var shady = With("tomato", sunHours: 1);
        Assert.Equal(1, PlaceRisk.Of(shady.Garden, shady.Planting, C.Target("powdery-mildew")), 6);
        // It counts in what is played through.
        var (rainy, tomato) = With("tomato", meanC: 20, wet: true);
        var seen = GardenSamples.Seen(tomato, 1, 20, 4);
        double End(GardenSnapshot g) => Scene.Of(g, tomato, septoria, seen).Run(Schedule.Nothing, null, 21).Shares[21];
        var both = After(After(rainy, Work(rainy, tomato, "mulch")!, PreventionWord.Done), Work(rainy, tomato, "more-air")!, PreventionWord.Done);
        Assert.True(End(both) < 0.9 * End(rainy), $"{End(both)} against {End(rainy)}");
    }

    [Fact]
    public void The_evening_puts_what_is_worth_most_for_its_minutes_and_nothing_for_what_is_left_alone()
    {
        var (garden, planting) = With("kale", stage: GrowthStage.Young);
        var deed = Assert.Single(EveningPlanner.Plan(garden).Deeds, d => d.Kind == DeedKind.Prevent);
        var all = PreventionPlan.Of(garden).All.Where(w => w.Worth >= 0.08).ToList();
        Assert.Equal(all.MaxBy(w => w.Worth / w.Minutes)!.Measure.Id, deed.Reasons[0].Code);
        // The screen has the same order.
        Assert.Equal(deed.Reasons[0].Code, PreventionPlan.Of(garden).Kinds.First(k => k.New.Any(w => w.Worth >= 0.08)).Measure.Id);
        var alone = garden with { Choices = [new PlanChoice(Guid.NewGuid(), PlanWord.LeaveAlone, planting.Id, null, null, null)] };
        Assert.Empty(PreventionPlan.Of(alone).All);
    }
}
