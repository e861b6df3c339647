using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Simulation;

namespace Mauvaise.Core.Tests;

/// <summary>What the simulator must reproduce.</summary>
public class SimulationTests
{
    private static readonly ColonySite Indoors = new(false, false, 0);
    private static readonly Effect Contact = new("", 0, 0.95, 0.9, 0);

    private static ColonyTraits Traits(string target) => ColonyTraits.Of(GardenSamples.Target(target))!;

    private static Colony Grown(string target, double density, double meanC, int days, params int[] sprayDays)
    {
        var colony = Colony.Settled(Traits(target), density, 0);
        for (var day = 0; day < days; day++)
        {
            if (sprayDays.Contains(day))
            {
                colony.Spray(Contact, 0.9, 0);
            }

            colony.Live(meanC, 0, Indoors);
        }

        return colony;
    }

    [Theory]
    [InlineData("peach-aphid", 16, 0.09)]
    [InlineData("peach-aphid", 20, 0.12)]
    [InlineData("peach-aphid", 24, 0.15)]
    [InlineData("spider-mite", 20, 0.08)]
    [InlineData("spider-mite", 24, 0.13)]
    [InlineData("spider-mite", 28, 0.16)]
    [InlineData("whitefly", 20, 0.06)]
    [InlineData("whitefly", 24, 0.07)]
    [InlineData("thrips", 20, 0.08)]
    [InlineData("thrips", 24, 0.11)]
    public void Colonies_grow_as_they_are_told_to_within_a_fifth(string target, double meanC, double growth)
    {
        var (sooner, later) = (Grown(target, 1e-4, meanC, 10), Grown(target, 1e-4, meanC, 40));
        Assert.InRange(Math.Log(later.Density / sooner.Density) / 30, growth * 0.8, growth * 1.2);
    }

    [Theory]
    [InlineData("peach-aphid")]
    [InlineData("spider-mite")]
    public void From_one_in_twenty_leaves_to_half_the_leaves_in_a_month_or_so(string target)
    {
        var colony = Colony.Settled(Traits(target), 0.05, 0);
        var days = 0;
        while (colony.Incidence < 0.5 && days < 100)
        {
            colony.Live(21, 0, Indoors);
            days++;
        }

        Assert.InRange(days, 25, 45);
    }

    [Fact]
    public void One_contact_spray_on_mites_is_made_good_in_ten_to_twenty_days()
    {
        var days = Enumerable.Range(1, 40).First(d => Grown("spider-mite", 1, 20, d, 0).Density >= 1);
        Assert.InRange(days, 10, 20);
    }

    [Fact]
    public void Three_sprays_five_days_apart_hold_mites_under_a_twentieth_of_what_they_would_be() =>
        Assert.InRange(Grown("spider-mite", 1, 25, 12, 0, 5, 10).Density / Grown("spider-mite", 1, 25, 12).Density, 0, 0.05);

    [Fact]
    public void Three_sprays_a_fortnight_apart_are_clearly_worse()
    {
        double Mean(params int[] sprays) => Enumerable.Range(1, 28).Average(day => Grown("spider-mite", 1, 25, day, sprays).Density);
        Assert.InRange(Mean(0, 5, 10) / Mean(0, 14, 28), 0, 0.6);
    }

    /// <summary>Runs of 100 in which an outdoor aphid colony on 4 to 10 % of leaves is smaller after three weeks, unsprayed.</summary>
    private static int Shrinking(bool ants)
    {
        var shrunk = 0;
        for (var seed = 0; seed < 100; seed++)
        {
            var chance = new Chance((ulong)seed);
            var density = Colony.DensityAt(chance.Between(0.04, 0.1));
            var colony = Colony.Settled(Traits("black-bean-aphid"), density, chance.Between(0.04, 0.12));
            for (var day = 0; day < 21; day++)
            {
                colony.Advance(18, chance.Next() < 0.2 ? chance.Between(1, 12) : 0, 0, new ColonySite(true, ants, 0), chance);
            }

            shrunk += colony.Density < density ? 1 : 0;
        }

        return shrunk;
    }

    [Fact]
    public void Helpers_bring_a_young_colony_down_and_ants_undo_them()
    {
        Assert.True(Shrinking(ants: false) > 50);
        Assert.True(Shrinking(ants: true) < 20);
    }

    [Fact]
    public void The_day_in_four_parts_is_near_the_day_in_a_thousand()
    {
        var (four, thousand) = (Colony.Settled(Traits("spider-mite"), 0.5, 0.05), Colony.Settled(Traits("spider-mite"), 0.5, 0.05));
        var worst = 0.0;
        for (var day = 0; day < 30; day++)
        {
            four.Live(24, 0, Indoors);
            thousand.Live(24, 0, Indoors, 1000);
            worst = Math.Max(worst, Math.Abs(four.Density / thousand.Density - 1));
        }

        Assert.InRange(worst, 0, 0.1);
    }

    private static LeafDiseaseTraits Mildew => LeafDiseaseTraits.Of(GardenSamples.Target("powdery-mildew"))!;

    private static LeafDisease Ill(LeafDiseaseTraits traits, int days, Func<int, double> held, double favour = 1, Func<int, double>? rain = null)
    {
        var disease = LeafDisease.Showing(traits, 0.001, 0);
        for (var day = 0; day < days; day++)
        {
            disease.Advance(20, rain?.Invoke(day) ?? 2, favour, held(day), 0);
        }

        return disease;
    }

    [Theory]
    [InlineData("powdery-mildew", 3, 5)]
    [InlineData("septoria", 5, 8)]
    public void Diseases_double_in_the_days_that_are_told(string target, double least, double most)
    {
        var traits = LeafDiseaseTraits.Of(GardenSamples.Target(target))!;
        var (sooner, later) = (Ill(traits, 15, _ => 0), Ill(traits, 25, _ => 0));
        Assert.InRange(10 * Math.Log(2) / Math.Log(later.Severity / sooner.Severity), least, most);
    }

    [Fact]
    public void Splash_diseases_spread_on_rain_days_alone()
    {
        var traits = LeafDiseaseTraits.Of(GardenSamples.Target("septoria"))!;
        Assert.True(traits.BySplash);
        Assert.InRange(Ill(traits, 20, _ => 0, rain: _ => 0).Severity / Ill(traits, 20, _ => 0).Severity, 0, 0.35);
    }

    [Fact]
    public void Once_rain_has_taken_the_cover_mildew_runs_as_it_would_without()
    {
        double Growth(Func<int, double> held) => Ill(Mildew, 30, held).Severity / Ill(Mildew, 22, held).Severity;
        Assert.Equal(Growth(_ => 0), Growth(day => day < 7 ? 0.7 : 0), Growth(_ => 0) * 0.15);
        Assert.True(Ill(Mildew, 30, _ => 0.7).Severity < Ill(Mildew, 30, _ => 0).Severity / 4);
    }

    [Fact]
    public void The_same_seed_is_the_same_luck_everywhere()
    {
        var chance = new Chance(52675);
        Assert.Equal([0.65083822, 0.26834549, 0.10020783], new[] { chance.Next(), chance.Next(), chance.Next() }.Select(x => Math.Round(x, 8)));
    }

    private static Brood Eaten(int days, params int[] sprayDays)
    {
        var brood = Brood.Showing(BroodTraits.Of(GardenSamples.Target("cabbage-white"))!, 0.2);
        for (var day = 0; day < days; day++)
        {
            if (sprayDays.Contains(day))
            {
                brood.Spray(new Effect("", 0, 0.85, 0, 0.6), 0.9);
            }

            brood.Advance(20, 0, 0.01, 1);
        }

        return brood;
    }

    [Fact]
    public void Chewers_come_in_broods_a_generation_apart()
    {
        var traits = BroodTraits.Of(GardenSamples.Target("cabbage-white"))!;
        var days = (int)(traits.CycleDegreeDays / 10);
        var density = Enumerable.Range(0, 2 * days).Select(d => Eaten(d).Density).ToList();
        var low = density.Skip(days / 2).Take(days).Min();
        Assert.True(density.Take(days / 2).Max() > 3 * low && density.Skip(days).Max() > 1.5 * low);
    }

    [Fact]
    public void Grubs_are_best_met_when_small()
    {
        Assert.True(Eaten(30, 9).Incidence < Eaten(30, 20).Incidence);
        Assert.True(Eaten(30, 20).Incidence < Eaten(30).Incidence);
    }

    [Fact]
    public void The_worst_leaves_carry_more_than_their_share_away()
    {
        var (kept, pruned) = (LeafDisease.Showing(Mildew, 0.1, 0), LeafDisease.Showing(Mildew, 0.1, 0));
        pruned.Prune(0.2, Leaves.Worst(0.2));
        Assert.InRange(pruned.Severity / kept.Severity, 0.3, 0.7);
    }

    [Fact]
    public void Days_are_drawn_to_a_hundredth_of_a_per_cent() =>
        Assert.Equal([new WhatIfDay(0.1235, 0.0001, 1, 0, 0.3333)], WhatIfDay.Drawn([new(0.12346, 0.00012, 1, 0, 1.0 / 3), new(1, 1, 1, 1, 1)], 1));
}
