using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Planning;

namespace Mauvaise.Core.Tests;

/// <summary>What a letter says of an evening, and when it is worth a second one.</summary>
public class EveningLetterTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed", 0);
    private static readonly Planting Kale = GardenSamples.Grown(Bed, "kale", GrowthStage.Mature);

    private static GardenSnapshot Garden(double affected) =>
        GardenSamples.Tried(GardenSamples.Garden([Bed], [Kale])) with
        {
            Observations = [GardenSamples.Seen(Kale, 0.5, 20, (int)(20 * affected), "cabbage-aphid")],
        };

    [Fact]
    public void Where_nothing_is_to_be_done_there_is_no_letter() => Assert.Null(EveningLetter.Of(Garden(0)));

    [Fact]
    public void It_says_the_boards_own_deeds_what_has_its_hour_first()
    {
        var garden = Garden(0.9);
        var letter = EveningLetter.Of(garden)!;
        var deeds = EveningPlanner.Plan(garden).Deeds.Where(d => d.Kind is not (DeedKind.Walk or DeedKind.Prevent)).ToList();
        Assert.NotEmpty(deeds);
        Assert.Equal(deeds.Count, letter.Points.Count);
        Assert.All(deeds, d => Assert.Contains(letter.Lines, l => l.StartsWith(d.Title, StringComparison.Ordinal)));
    }

    [Fact]
    public void An_hour_that_passes_is_no_change()
    {
        var garden = Garden(0.9);
        var letter = EveningLetter.Of(garden)!;
        var later = garden with { Now = garden.Now.AddMinutes(70) };
        Assert.False(EveningLetter.Changed(later, letter.Points, garden.Now, EveningLetter.Of(later)));
    }

    [Fact]
    public void What_is_the_same_is_not_told_again_what_came_is()
    {
        var garden = Garden(0.9);
        var letter = EveningLetter.Of(garden)!;
        Assert.False(EveningLetter.Changed(garden, letter.Points, garden.Now, letter));
        Assert.True(EveningLetter.Changed(garden, [.. letter.Points.Skip(1)], garden.Now, letter));
    }

    [Fact]
    public void What_went_is_told_unless_somebody_did_it()
    {
        var garden = Garden(0);
        string[] told = ["Neem with soap: Bed kale 19"];
        Assert.True(EveningLetter.Changed(garden, told, garden.Now.AddHours(-1), null));
        var done = garden with { Applications = [GardenSamples.Sprayed(Kale, 0.01, "neem-oil", "cabbage-aphid")] };
        Assert.False(EveningLetter.Changed(done, told, garden.Now.AddHours(-1), null));
    }
}
