using CsCheck;
using Mauvaise.Core.Decisions;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Lessons;
using Mauvaise.Core.Mixing;

namespace Mauvaise.Core.Tests;

public class LearningTests
{
    private const string Soap = "castile-soap",
        Aphid = "cabbage-aphid",
        Crop = "kale";
    private static readonly Place Bed = GardenSamples.Bed("Winding Hole");
    private static readonly Planting Kale = GardenSamples.Grown(Bed, Crop);
    private static readonly GardenSnapshot Garden = GardenSamples.Tried(GardenSamples.Garden([Bed], [Kale]));

    [Fact]
    public void The_worked_number_of_the_posterior() => Assert.Equal(0.625, new LearnedShare(0.7, 10, 3, 6).Now, 10);

    [Fact]
    public void A_garden_that_saw_nothing_goes_by_what_is_usual()
    {
        var same = Learning.In(Garden);
        Assert.Same(Garden.Catalogue, same.Catalogue);
        Assert.Equal(1, same.Learned.LitresFactor);
        Assert.Equal(Learned.UsualMinutesAPlace, same.Learned.MinutesAPlace);
    }

    [Fact]
    public void What_failed_here_counts_for_less_in_the_plan_and_says_so()
    {
        var failed = With([.. Enumerable.Range(0, 12).Select(i => Judged(Soap, i * 7, 8, 9))]);
        var share = failed.Learned.Efficacy(Soap, Aphid)!.Share;
        Assert.True(share.Now < share.UsualMean - 0.2, $"{share}");
        Assert.True(Score(failed, Soap) < Score(Learning.In(Garden), Soap));
        Assert.True(
            failed.Catalogue.Material(Soap).EffectOn(GardenSamples.Target(Aphid))!.Young
                < Garden.Catalogue.Material(Soap).EffectOn(GardenSamples.Target(Aphid))!.Young
        );
        Assert.Contains(Option(failed, Soap).Reasons, r => r.Words.StartsWith("Here it took", StringComparison.Ordinal));
        // Only against what it was seen on.
        Assert.Equal(
            Garden.Catalogue.Material(Soap).EffectOn(GardenSamples.Target("peach-aphid")),
            failed.Catalogue.Material(Soap).EffectOn(GardenSamples.Target("peach-aphid"))
        );
    }

    [Fact]
    public void An_outcome_that_is_set_aside_moves_nothing()
    {
        var aside = With([.. Enumerable.Range(0, 12).Select(i => Judged(Soap, i * 7, 8, 9) with { DiscountedFor = "rain came", Injury = Injury.Severe })]);
        Assert.Equal(aside.Learned.Efficacy(Soap, Aphid)!.Share.UsualMean, aside.Learned.Efficacy(Soap, Aphid)!.Share.Now, 10);
        Assert.Equal(12, aside.Learned.Efficacy(Soap, Aphid)!.Outcomes);
        Assert.Equal(0.05, aside.Learned.Injury(Soap, Crop)!.Share.Now, 10);
        Assert.Equal(Score(Learning.In(Garden), Soap), Score(aside, Soap), 10);
    }

    [Fact]
    public void Few_leaves_count_for_less()
    {
        var target = GardenSamples.Target(Aphid);
        Assert.Equal(0.25, Learning.Weigh(Judged(Soap, 0, 2, 0, leaves: 5), target)!.Weight, 10);
        Assert.Equal(1, Learning.Weigh(Judged(Soap, 0, 8, 0, leaves: 40), target)!.Weight, 10);
        Assert.Null(Learning.Weigh(Judged(Soap, 0, 0, 0), target));
        Assert.Null(Learning.Weigh(Judged(Soap, 0, 5, 1) with { After = null }, target));
    }

    [Fact]
    public void What_burnt_is_weighed_down_for_that_crop()
    {
        var burnt = With([.. Enumerable.Range(0, 5).Select(i => Judged(Soap, i * 9, 8, 3) with { Injury = Injury.Clear })]);
        var unhurt = With([.. Enumerable.Range(0, 5).Select(i => Judged(Soap, i * 9, 8, 3))]);
        Assert.True(burnt.Learned.Injury(Soap, Crop)!.Share.Now > 0.3);
        Assert.True(Score(burnt, Soap) < Score(unhurt, Soap) * 0.8);
        Assert.Contains(Option(burnt, Soap).Reasons, r => r.Words.Contains("hurt kale", StringComparison.Ordinal));
        // Where nobody said whether it hurt, nothing is known of that: not that it did no harm.
        var unsaid = With([.. Enumerable.Range(0, 5).Select(i => Judged(Soap, i * 9, 8, 3) with { Injury = Injury.Unsaid })]);
        Assert.Null(unsaid.Learned.Injury(Soap, Crop));
        Assert.Equal(5, unhurt.Learned.Injury(Soap, Crop)!.Outcomes);
    }

    [Fact]
    public void Litres_that_were_really_used_size_the_next_tank()
    {
        var used = Learning.In(
            Garden with
            {
                Applications = [.. Enumerable.Range(0, 9).Select(i => GardenSamples.Sprayed(Kale, i + 1, Soap) with { Litres = 1.5, ExpectedLitres = 1 })],
            }
        );
        Assert.Equal((3 + 9 * 1.5) / 12, used.Learned.LitresFactor, 10);
        Assert.True(SprayVolume.LitresFor(used, [Kale]) > SprayVolume.LitresFor(Garden, [Kale]));
    }

    [Fact]
    public void A_closed_trial_teaches_too()
    {
        var units = Enumerable.Range(1, 80).Select(n => new TrialUnit(n, Kale.Id, n % 2 + 1)).ToList();
        var at = GardenSamples.Now.AddDays(-20);
        var trial = new Trial(
            Guid.NewGuid(),
            "Soap",
            Aphid,
            TrialUnitKind.Leaf,
            1,
            1,
            false,
            at,
            at.AddHours(1),
            at.AddDays(4),
            [new(1, null, Core.Catalogue.DoseStep.Usual), new(2, Soap, Core.Catalogue.DoseStep.Usual)],
            units,
            [.. units.Select(u => new TrialCount(Guid.NewGuid(), u.Number, at.AddDays(3), 1, u.Side == 1 || u.Number % 8 == 0 ? 1 : 0, null))]
        );
        var taught = Learning.In(Garden with { Trials = [trial] }).Learned.Efficacy(Soap, Aphid)!;
        Assert.Equal(1, taught.Outcomes);
        Assert.Equal(2, taught.Share.OwnWeight, 10);
        Assert.Null(Learning.In(Garden with { Trials = [trial with { ClosedAt = null }] }).Learned.Efficacy(Soap, Aphid));
    }

    [Fact]
    public void A_belief_stays_between_what_is_usual_and_what_was_seen() =>
        Gen.Select(Gen.Int[1, 20], Gen.Int[0, 20], Gen.Int[1, 30])
            .Sample(
                (before, after, times) =>
                {
                    var share = With([.. Enumerable.Range(0, times).Select(i => Judged(Soap, i * 5, before, after))]).Learned.Efficacy(Soap, Aphid)!.Share;
                    var (low, high) = (Math.Min(share.UsualMean, share.OwnMean!.Value), Math.Max(share.UsualMean, share.OwnMean.Value));
                    Assert.InRange(share.Now, low - 1e-9, high + 1e-9);
                }
            );

    /// <summary>Gardens in which one of two materials is truly better by 20 points, whatever the catalogue says.</summary>
    [Fact]
    public void After_three_seasons_the_plan_takes_what_is_better_here_in_four_gardens_of_five()
    {
        Assert.InRange(LearningSimulation.Right(200, 3), 0.8, 1);
    }

    private static GardenSnapshot With(IReadOnlyList<JudgedSpray> judged) => Learning.In(Garden with { Judged = judged });

    private static MaterialOption Option(GardenSnapshot garden, string material) =>
        MaterialChoice.Options(garden, Kale, garden.Catalogue.Target(Aphid)).First(o => o.Material.Id == material);

    private static double Score(GardenSnapshot garden, string material) => Option(garden, material).Score;

    private static JudgedSpray Judged(string material, int daysAgo, int before, int after, int leaves = 20)
    {
        var at = GardenSamples.Now.AddDays(-daysAgo - 3);
        return new(
            Guid.NewGuid(),
            Guid.NewGuid(),
            Kale.Id,
            Crop,
            material,
            Aphid,
            at,
            at.AddDays(2),
            new(leaves, Math.Min(leaves, before)),
            new(leaves, Math.Min(leaves, after)),
            Outcome.Holding,
            Injury.None,
            null
        );
    }
}
