using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;

namespace Mauvaise.Core.Tests;

public class SnapshotTests
{
    private static GardenSnapshot Garden(out Planting planting, out Place bed)
    {
        bed = GardenSamples.Bed("Bed");
        planting = GardenSamples.Grown(bed, "kale");
        return GardenSamples.Tried(GardenSamples.Garden([bed], [planting])) with { Observations = [GardenSamples.Seen(planting, 1, 20, 12, "cabbage-aphid")] };
    }

    [Fact]
    public void The_sky_is_worked_out_once_whatever_is_asked_first()
    {
        var kept = Garden(out var planting, out var bed);
        // The first request after a write asks for records only; later ones are copies of what it left.
        Assert.NotNull(kept.FindPlanting(planting.Id));
        var (one, other) = (kept with { Now = kept.Now.AddMinutes(1) }, kept with { Now = kept.Now.AddMinutes(2) });
        Assert.Same(one.SkyOf(bed).Shelter, other.SkyOf(bed).Shelter);
        Assert.NotSame(one.SkyOf(bed).Shelter, (other with { Weather = GardenSamples.Weather(_ => WeatherSamples.Mild) }).SkyOf(bed).Shelter);
        Assert.Same(one.SkyOf(bed).Shelter, other.SkyOf(bed).Shelter);
    }

    [Fact]
    public void The_rota_is_solved_again_only_when_something_changed()
    {
        var kept = Garden(out var planting, out _);
        var rota = RotaPlanner.Plan(kept with { Now = kept.Now.AddMinutes(1) });
        Assert.Same(rota, RotaPlanner.Plan(kept with { Now = kept.Now.AddMinutes(5) }));
        Assert.NotSame(rota, RotaPlanner.Plan(kept with { Now = kept.Now.AddHours(2) }));
        var banned = kept with
        {
            Choices = [new PlanChoice(Guid.NewGuid(), PlanWord.Ban, planting.Id, null, rota.Rounds.First().Recipe.Active.Material, null)],
        };
        Assert.NotEqual(rota.Rounds.First().Recipe, RotaPlanner.Plan(banned).Rounds.First().Recipe);
    }

    [Fact]
    public void A_copy_with_other_records_finds_them_and_leaves_the_first_alone()
    {
        var kept = Garden(out var planting, out _);
        var seen = GardenSamples.Seen(planting, 0, 20, 3, "cabbage-aphid");
        var later = kept with { Observations = [.. kept.Observations, seen] };
        Assert.Null(kept.FindCount(seen.Id));
        Assert.Equal(seen, later.FindCount(seen.Id));
        Assert.Null(kept.FindCount(seen.Id));
    }
}
