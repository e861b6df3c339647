using Mauvaise.Core.Actions;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>Helpers ordered, let out and spared.</summary>
public class HelperTests
{
    private static readonly GardenCatalogue C = Shipped.Catalogue;
    private static readonly Beneficial Mites = C.Helpers.First(h => h.Id == "predatory-mite");

    private static (GardenSnapshot Garden, Planting Planting) Tunnel(Func<DateTimeOffset, Sky.WeatherHour>? weather = null)
    {
        var tunnel = GardenSamples.Bed("Tunnel", kind: PlaceKind.Tunnel);
        var planting = GardenSamples.Grown(tunnel, "aubergine");
        var seen = GardenSamples.Seen(planting, 0.1, 20, 3, "spider-mite");
        return (GardenSamples.Tried(GardenSamples.Garden([tunnel], [planting], weather)) with { Observations = [seen] }, planting);
    }

    private static NewHelpers Order(Planting planting, int number = 200, DateOnly? comes = null) =>
        new(Guid.NewGuid(), planting.Id, Mites.Id, number, comes, "spider-mite");

    [Fact]
    public void What_can_be_ordered_fits_the_pest_and_the_place()
    {
        var (garden, planting) = Tunnel();
        var kinds = HelperGuards.For(C, garden.PlaceOf(planting), "spider-mite").ToList();
        Assert.Equal((Mites, 300), Assert.Single(kinds));
        Assert.Empty(HelperGuards.For(C, garden.PlaceOf(planting), "powdery-mildew"));
        Assert.Equal("1 predatory mite", HelperGuards.Told(C, Mites.Id, 1));
        Assert.Equal("3 moon beetle", HelperGuards.Told(C, "moon beetle", 3));
    }

    [Fact]
    public void On_order_they_bar_nothing_and_are_not_ordered_again()
    {
        var (garden, planting) = Tunnel();
        var before = WayBook.Of(garden).For(planting, garden.Observations[0]);
        var ordered = garden.After(HelperDeeds.Expect(garden, Order(planting), garden.Today.AddDays(10)));
        var after = WayBook.Of(ordered).For(planting, garden.Observations[0]);
        Assert.Equal(before.All.Where(w => w.Allowed).Select(w => w.Id), after.All.Where(w => w.Allowed).Select(w => w.Id));
        Assert.Equal(before.Sentence, after.Sentence);
        var step = ActionLadder.For(ordered, planting, garden.Observations[0]).Steps.Single(s => s.Code == KnownIds.Measures.OrderHelpers);
        Assert.Equal((StepChoice.PassedOver, "200 predatory mites are ordered, for Sun 26 Jul."), (step.Choice, step.Why[0].Words));
        Assert.Contains(EveningPlanner.Plan(ordered with { Now = ordered.Now.AddDays(10) }).Deeds, d =>
            d.Title == "Let the helpers out: 200 predatory mites, Tunnel aubergine"
        );
    }

    [Fact]
    public void Let_out_they_are_spared_for_as_long_as_their_kind_wants()
    {
        var (garden, planting) = Tunnel();
        var place = garden.PlaceOf(planting);
        var written = HelperDeeds.LetOut(garden, Order(planting));
        Assert.Equal(garden.Today.AddDays(14), written.CheckBacks.Single().DueOn);
        var after = garden.After(written);
        Material[] soap = [C.Material("insecticidal-soap")],
            milk = [C.Material("milk")];
        Assert.Contains(UseGuards.Against(after, planting, soap, garden.Now.AddDays(20), 1), r => r.Code == "helpers-out");
        Assert.DoesNotContain(UseGuards.Against(after, planting, soap, garden.Now.AddDays(21), 1), r => r.Code == "helpers-out");
        Assert.DoesNotContain(UseGuards.Against(after, planting, milk, garden.Now.AddDays(1), 1), r => r.Code == "helpers-out");
        Assert.Null(HelperGuards.SparedAt(after, place, garden.Now.AddDays(-1)));

        // Hands are weighed on, and no harmful spray is planned.
        var heavy = after with { Observations = [GardenSamples.Seen(planting, 0, 20, 12, "spider-mite")] };
        var set = WayBook.Of(heavy).For(planting, heavy.Observations[0]);
        Assert.Null(set.Finding.Visit);
        Assert.All(set.WithMaterials.Where(w => w.Option!.Material.HarmToHelpers >= HelperGuards.Harmful), w =>
            Assert.Contains(w.Against, r => r.Code == "helpers-out")
        );
        Assert.Empty(PlanChecker.Faults(heavy, RotaPlanner.Plan(heavy)));
    }

    [Fact]
    public void They_are_not_let_out_into_soap_cold_or_hunger()
    {
        var (garden, planting) = Tunnel();
        Assert.Empty(HelperGuards.AgainstRelease(garden, planting, Mites, 200));
        Assert.Equal("too-many", HelperGuards.AgainstRelease(garden, planting, Mites, 5000).Single().Code);
        var soaped = garden with { Applications = [GardenSamples.Sprayed(planting, 3, "insecticidal-soap")] };
        Assert.Equal("still-on-leaves", HelperGuards.AgainstRelease(soaped, planting, Mites, 200).Single().Code);
        Assert.Empty(
            HelperGuards.AgainstRelease(garden with { Applications = [GardenSamples.Sprayed(planting, 8, "insecticidal-soap")] }, planting, Mites, 200)
        );
        Assert.Empty(HelperGuards.AgainstRelease(garden with { Applications = [GardenSamples.Sprayed(planting, 1, "milk")] }, planting, Mites, 200));
        var (cold, there) = Tunnel(_ => WeatherSamples.Mild with { TemperatureC = 8, CloudPercent = 100 });
        Assert.Contains(HelperGuards.AgainstRelease(cold, there, Mites, 200), r => r.Code == "too-cold");
    }
}
