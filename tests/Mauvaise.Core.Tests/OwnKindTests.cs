using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Planning;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Ways;

namespace Mauvaise.Core.Tests;

/// <summary>Crops and troubles that the catalogue does not list go by the facts of what they are like.</summary>
public class OwnKindTests
{
    private static readonly OwnKind Oca = new(Guid.NewGuid(), OwnKindOf.Crop, "Oca", "potato", false);
    private static readonly OwnKind Blackfly = new(Guid.NewGuid(), OwnKindOf.Trouble, "Ivy aphid", "any-aphid", false);
    private static readonly GardenCatalogue C = Shipped.Catalogue.With(
        [],
        [],
        [Oca, Blackfly, new(Guid.NewGuid(), OwnKindOf.Crop, "Lost", "no such crop", false)]
    );

    private static (GardenSnapshot Garden, Planting Planting) Grown(int affected)
    {
        var bed = GardenSamples.Bed("Bed");
        var planting = GardenSamples.Grown(bed, Oca.KindId);
        var garden = GardenSamples.Tried(GardenSamples.Garden([bed], [planting]) with { Catalogue = C });
        return (garden with { Observations = [GardenSamples.Seen(planting, 0.1, 20, affected, Blackfly.KindId)] }, planting);
    }

    [Fact]
    public void They_are_there_under_their_own_name_by_the_facts_of_what_they_are_like()
    {
        var (oca, potato) = (C.Crop(Oca.KindId), C.Crop("potato"));
        Assert.Equal(("Oca", "potato", potato.Family, potato.StageDays), (oca.Name, oca.Like, oca.Family, oca.StageDays));
        Assert.Equal(C.TargetsOn(potato).Select(t => t.Target.Id), C.TargetsOn(oca).Select(t => t.Target.Id));
        var aphid = C.Target(Blackfly.KindId);
        Assert.Equal(("Ivy aphid", false), (aphid.Name, aphid.IsGroup));
        Assert.Equal(C.Material("insecticidal-soap").EffectOn(C.Target("any-aphid")), C.Material("insecticidal-soap").EffectOn(aphid));
        Assert.Null(C.FindCrop("own-lost"));
        Assert.Same(Shipped.Catalogue, Shipped.Catalogue.With([], [], []));
    }

    [Fact]
    public void A_trouble_of_ones_own_is_weighed_planned_and_mixed_for_like_any()
    {
        var (garden, planting) = Grown(12);
        var set = WayBook.Of(garden).For(planting, garden.Observations[0]);
        Assert.NotNull(set.Proposed);
        Assert.NotNull(set.Alone!.Outlook);
        Assert.Contains(set.WithMaterials, w => w.Allowed);
        Assert.Contains("ivy aphid", set.Finding.Told.Words, StringComparison.Ordinal);
        Assert.NotEmpty(EveningPlanner.Plan(garden).Deeds);
        Assert.Empty(PlanChecker.Faults(garden, RotaPlanner.Plan(garden)));
        Assert.NotEmpty(WalkRound.Plan(garden)[0].Plantings[0].Watch);
    }

    [Fact]
    public void The_ranking_never_says_what_nobody_measured_and_stays_as_it_was()
    {
        var (garden, planting) = Grown(12);
        var clues = LocalClues.At(garden, planting, garden.SkyOf(garden.PlaceOf(planting)));
        SeenSign[] seen = [new("small-insects", true), new("sticky", true)];
        var ranked = SuspectRanker.Rank(C, clues, seen);
        Assert.DoesNotContain(ranked.Suspects, s => s.Target.Like is not null);
        var potato = garden with { Plantings = [planting with { Crop = "potato" }] };
        var listed = SuspectRanker.Rank(Shipped.Catalogue, LocalClues.At(potato, potato.Plantings[0], potato.SkyOf(potato.Places[0])), seen);
        Assert.Equal(
            listed.Suspects.Select(s => (s.Target.Id, Math.Round(s.Probability, 9))),
            ranked.Suspects.Select(s => (s.Target.Id, Math.Round(s.Probability, 9)))
        );
    }
}
