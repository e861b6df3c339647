using CsCheck;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Simulation;
using Mauvaise.Core.Trials;

namespace Mauvaise.Core.Tests;

public class TrialTests
{
    private static readonly DateTimeOffset Opened = new(2026, 6, 8, 17, 0, 0, TimeSpan.Zero);

    [Fact]
    public void The_lot_deals_evenly_within_each_planting_and_the_same_for_the_same_seed() =>
        Gen.Select(Gen.Int[2, 5], Gen.Int[1, 4], Gen.Int[1, 20], Gen.Int)
            .Sample(
                (sides, plantings, each, seed) =>
                {
                    Guid[] ids = [.. Enumerable.Range(0, plantings).Select(_ => Guid.NewGuid())];
                    Guid[] all = [.. ids.SelectMany(p => Enumerable.Repeat(p, each))];
                    var dealt = Lot.Deal(all, sides, seed);
                    Assert.Equal(dealt, Lot.Deal(all, sides, seed));
                    Assert.Equal(Enumerable.Range(1, all.Length), dealt.Select(u => u.Number));
                    Assert.All(ids.Append(Guid.Empty), p =>
                    {
                        var bySide = Enumerable.Range(1, sides).Select(s => dealt.Count(u => u.Side == s && (p == Guid.Empty || u.PlantingId == p))).ToList();
                        Assert.True(bySide.Max() - bySide.Min() <= 1, string.Join(' ', bySide));
                    });
                }
            );

    [Theory]
    [InlineData(40, 1, 2, 20)]
    [InlineData(41, 1, 2, 20)]
    [InlineData(9, 10, 3, 30)]
    [InlineData(11, 10, 4, 20)]
    public void Each_side_has_so_many_leaves_for_certain(int units, int leaves, int sides, int aSide) =>
        Assert.Equal(aSide, TrialPower.LeavesASide(units, leaves, sides));

    [Fact]
    public void Another_seed_deals_otherwise() =>
        Assert.True(
            Enumerable
                .Range(1, 20)
                .Select(seed => string.Join("", Lot.Deal([.. Enumerable.Repeat(Guid.Empty, 20)], 2, seed).Select(u => u.Side)))
                .Distinct()
                .Count() > 15
        );

    [Fact]
    public void Abbott_and_Henderson_Tilton_give_the_worked_numbers()
    {
        var abbott = Comparison.Abbott([new(40, 10, null)], [new(40, 40, null)])!;
        Assert.Equal(75, abbott.Percent, 6);
        var both = Comparison.HendersonTilton(Leaves(200, 18, 120), Leaves(200, 165, 110))!;
        Assert.Equal(90, both.Percent, 6);
        Assert.InRange(both.Low, 83, 90);
        Assert.InRange(both.High, 90, 96);
    }

    [Fact]
    public void Nothing_to_hold_back_gives_no_figure_and_a_clean_side_a_range()
    {
        Assert.Null(Comparison.Abbott(Leaves(20, 3), Leaves(20, 0)));
        var clean = Comparison.Abbott(Leaves(20, 0), Leaves(20, 10))!;
        Assert.Equal((100, 100), (clean.Percent, clean.High));
        Assert.InRange(clean.Low, 55, 90);
    }

    [Fact]
    public void The_estimate_lies_in_its_interval_and_more_leaves_narrow_it() =>
        Gen.Select(Gen.Int[4, 40], Gen.Double[0, 1], Gen.Double[0.2, 1])
            .Sample(
                (n, t, u) =>
                {
                    var few = Comparison.Abbott(Leaves(n, (int)(n * t)), Leaves(n, Math.Max(1, (int)(n * u))))!;
                    Assert.True(few.Low <= few.Percent + 1e-6 && few.Percent <= few.High + 1e-6, $"{few}");
                    var many = Comparison.Abbott(Leaves(4 * n, 4 * (int)(n * t)), Leaves(4 * n, 4 * Math.Max(1, (int)(n * u))))!;
                    Assert.True(many.High - many.Low < few.High - few.Low);
                }
            );

    /// <summary>Known truth, many trials: leaves by themselves, and leaves of plants that are alike; with and without counts before.</summary>
    [Theory]
    [InlineData(20, 1, 0, 0.5, 0.4, false)]
    [InlineData(20, 1, 0, 0.5, 0.9, true)]
    [InlineData(30, 1, 0, 0.35, 0.7, false)]
    [InlineData(40, 1, 0, 0.6, 0.4, true)]
    [InlineData(8, 10, 0.1, 0.5, 0.4, false)]
    [InlineData(8, 10, 0.1, 0.5, 0.7, true)]
    [InlineData(12, 10, 0.2, 0.35, 0.4, true)]
    public void The_interval_holds_the_truth_about_as_often_as_it_says(int units, int leaves, double alike, double share, double control, bool before)
    {
        const int trials = 1500;
        var held = TrialSimulation.Held(trials, units, leaves, alike, share, control, before);
        // 93 to 97 %, and three standard errors of the simulation itself.
        Assert.InRange(held, 0.93 - 0.017, 0.97 + 0.013);
    }

    /// <summary>Units of three sides in turn, each counted once before and once after.</summary>
    private static Trial Counted(int units, params (TrialSide Side, int After, Injury Injury, int? Alive)[] sides)
    {
        var trial = new Trial(
            Guid.NewGuid(),
            "t",
            "melon-aphid",
            TrialUnitKind.Plant,
            10,
            1,
            false,
            Opened,
            Opened.AddHours(2),
            null,
            [.. sides.Select(s => s.Side)],
            [.. Enumerable.Range(1, units * sides.Length).Select(n => new TrialUnit(n, Guid.Empty, (n - 1) % sides.Length + 1))],
            []
        );
        return trial with
        {
            Counts =
            [
                .. trial.Units.Select(u => new TrialCount(Guid.NewGuid(), u.Number, Opened.AddHours(1), 10, 6, null)),
                .. trial.Units.Select(u =>
                {
                    var (_, after, injury, alive) = sides[u.Side - 1];
                    return new TrialCount(Guid.NewGuid(), u.Number, Opened.AddDays(3), 10, after + u.Number % 2, null, injury, alive);
                }),
            ],
        };
    }

    [Fact]
    public void Treated_sides_are_held_against_each_other_and_hands_against_mixes()
    {
        var trial = Counted(
            12,
            (new TrialSide(1, null, DoseStep.Usual), 7, Injury.None, 40),
            (new TrialSide(2, "castile-soap", DoseStep.Usual), 1, Injury.Slight, 2),
            (new TrialSide(3, null, DoseStep.Usual, "water-jet"), 5, Injury.None, 20),
            (new TrialSide(4, null, DoseStep.Usual, "banana peel"), 5, Injury.Unsaid, null)
        );
        var result = TrialResult.Of(trial, Shipped.Catalogue.Target("melon-aphid"));
        Assert.Null(result.Sides[0].Control);
        Assert.Equal(TrialVerdict.Works, result.Sides[1].Verdict);
        Assert.Equal([0, 1, 0, null], result.Sides.Select(s => s.Hurt));
        Assert.Equal([4.0, 0.2, 2.0, null], result.Sides.Select(s => s.AliveALeaf));
        // Whichever leaves less stands first.
        Assert.All(result.Pairs, p => Assert.True(p.Control.Percent >= 0));
        Assert.Equal([(2, 3, true), (2, 4, true)], result.Pairs.Where(p => p.First.Number == 2).Select(p => (p.First.Number, p.Second.Number, p.Differs)));
        Assert.False(result.Pairs.Single(p => p.First.Number != 2).Differs);
    }

    [Fact]
    public void Sides_that_do_alike_are_seldom_told_apart()
    {
        var chance = new Chance(11);
        var told = Enumerable
            .Range(0, 400)
            .Count(_ =>
            {
                var trial = Counted(
                    10,
                    (new(1, null, DoseStep.Usual), 7, Injury.None, null),
                    (new(2, "milk", DoseStep.Usual), 4, Injury.None, null),
                    (new(3, "neem-with-soap", DoseStep.Usual), 4, Injury.None, null)
                );
                var drawn = trial with
                {
                    Counts =
                    [
                        .. trial.Counts.Select(c =>
                            c.At > Opened.AddDays(1) ? c with { LeavesAffected = Enumerable.Range(0, 10).Count(_ => chance.Next() < 0.4) } : c
                        ),
                    ],
                };
                return TrialResult.Of(drawn, Shipped.Catalogue.Target("melon-aphid")).Pairs.Any(p => p.Differs);
            });
        Assert.InRange(told / 400.0, 0, 0.08);
    }

    [Theory]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(5)]
    public void What_does_nothing_is_seldom_said_to_work(int sides)
    {
        const int trials = 1000;
        var wrong = TrialSimulation.SaidToWork(trials, sides);
        Assert.InRange(wrong, 0, 0.06);
    }

    [Fact]
    public void What_works_well_is_mostly_said_to_with_forty_leaves_a_side()
    {
        var chance = new Chance(78);
        var right = Enumerable
            .Range(0, 300)
            .Count(i =>
                TrialResult.Of(TrialSimulation.LeafTrial(chance, 2, 40, 0.6, 0.7, i), GardenSamples.Target("black-bean-aphid")).Sides[1].Verdict
                == TrialVerdict.Works
            );
        Assert.InRange(right / 300.0, 0.9, 1);
    }

    [Fact]
    public void A_trial_tells_in_words_what_it_shows()
    {
        var trial = TrialSimulation.LeafTrial(new Chance(1), 2, 3, 0.6, 0.5, 1);
        var few = TrialResult.Of(trial, GardenSamples.Target("black-bean-aphid"));
        Assert.StartsWith("Too few to tell", few.Sides[1].Sentence, StringComparison.Ordinal);
        Assert.Contains("With 3 leaves a side", few.PowerSentence, StringComparison.Ordinal);
        var uncounted = TrialResult.Of(trial with { Counts = [] }, GardenSamples.Target("black-bean-aphid"));
        Assert.All(uncounted.Sides, s => Assert.Null(s.Verdict));
    }

    [Fact]
    public void A_disease_that_is_counted_three_times_goes_by_the_area_under_its_curve()
    {
        var units = Enumerable.Range(1, 12).Select(n => new TrialUnit(n, Guid.Empty, n % 2 + 1)).ToList();
        var counts = units
            .SelectMany(u =>
                Enumerable
                    .Range(0, 3)
                    .Select(week => week * 7)
                    .Select(d => new TrialCount(Guid.NewGuid(), u.Number, Opened.AddDays(d), 10, u.Side == 1 ? 2 + d / 2 : 2 + d / 14, 20 + u.Number % 3))
            )
            .OrderBy(c => c.At)
            .ToList();
        var trial = new Trial(
            Guid.NewGuid(),
            "Curve",
            "powdery-mildew",
            TrialUnitKind.Plant,
            10,
            1,
            false,
            Opened,
            Opened.AddHours(1),
            null,
            [new(1, null, DoseStep.Usual), new(2, "milk", DoseStep.Usual)],
            units,
            counts
        );
        var side = TrialResult.Of(trial, GardenSamples.Target("powdery-mildew")).Sides[1];
        Assert.Equal("area under the curve", side.Method);
        Assert.Equal(TrialVerdict.Works, side.Verdict);
        Assert.InRange(side.Control!.Percent, 40, 70);
        Assert.NotNull(side.AreaUnderCurve);
    }

    [Fact]
    public void Power_says_what_leaves_can_show()
    {
        Assert.InRange(TrialPower.SmallestDifferencePoints(20, 0.5)!.Value, 35, 45);
        Assert.InRange(TrialPower.SmallestDifferencePoints(100, 0.5)!.Value, 17, 22);
        Assert.Null(TrialPower.SmallestDifferencePoints(5, 0.2));
        Assert.Contains("take more", TrialPower.Sentence(5, 0.2), StringComparison.Ordinal);
        Assert.Throws<ArgumentOutOfRangeException>(() => TrialPower.SmallestDifferencePoints(0, 0.5));
    }

    private static List<CountedUnit> Leaves(int n, int affected, int? before = null) =>
        [.. Enumerable.Range(0, n).Select(i => new CountedUnit(1, i < affected ? 1 : 0, before is { } b ? (i < b ? 1 : 0) : null))];
}
