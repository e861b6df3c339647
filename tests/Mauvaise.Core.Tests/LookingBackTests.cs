using Mauvaise.Core.Biology;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ledger;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;

namespace Mauvaise.Core.Tests;

/// <summary>What the records come to: the story of a place, the sums of the ledger, the season looked back at.</summary>
public class LookingBackTests
{
    private static readonly Place Bed = GardenSamples.Bed("Bed");
    private static readonly Place Other = GardenSamples.Bed("Other", 1);
    private static readonly Planting Squash = GardenSamples.Grown(Bed, "squash");
    private static readonly DateOnly From = new(2026, 1, 1);

    private static GardenSnapshot Garden(
        IReadOnlyList<Observation>? seen = null,
        IReadOnlyList<SprayApplication>? sprays = null,
        IReadOnlyList<CheckBack>? visits = null
    ) =>
        GardenSamples.Garden([Bed, Other], [Squash]) with
        {
            Observations = [.. (seen ?? []).OrderBy(o => o.At)],
            Applications = [.. (sprays ?? []).OrderBy(a => a.At)],
            CheckBacks = visits ?? [],
        };

    private static StoryChapter Chapter(GardenSnapshot garden, string? target) => PlaceStory.Of(garden, Bed, From).Single(c => c.Target?.Id == target);

    [Fact]
    public void A_story_tells_what_was_found_done_and_came_of_it_in_order()
    {
        var found = GardenSamples.Seen(Squash, 10, 20, 6, "powdery-mildew", helpers: 2);
        var spray = GardenSamples.Sprayed(Squash, 9, "bicarbonate", "powdery-mildew");
        var after = GardenSamples.Seen(Squash, 5, 20, 1, "powdery-mildew");
        var visit = new CheckBack(Guid.NewGuid(), spray.Id, Squash.Id, new(2026, 7, 11), after.At, after.Id, Outcome.Cleared, Injury.Slight)
        {
            BeforeId = found.Id,
        };
        var story = Chapter(Garden([found, after], [spray], [visit]), "powdery-mildew");
        Assert.Equal("Powdery mildew on squash", story.Title);
        Assert.Equal([StoryKind.Found, StoryKind.Done, StoryKind.Judged], story.Lines.Select(l => l.Kind));
        Assert.Equal("Found: 6 of 20 leaves. 2 helpers at work.", story.Lines[0].Sentence);
        Assert.StartsWith("Bicarbonate, 1 l", story.Lines[1].Sentence, StringComparison.Ordinal);
        Assert.Equal("Cleared, 30 % affected before and 5 % after. Slight injury.", story.Lines[2].Sentence);
        Assert.StartsWith("On 5 % of leaves when last looked at", story.Ending, StringComparison.Ordinal);
    }

    [Fact]
    public void A_dust_has_no_litres_and_a_try_is_called_one()
    {
        var dust = GardenSamples.Sprayed(Squash, 3, "diatomaceous-earth", "squash-bug") with { Litres = 0 };
        var two = GardenSamples.Sprayed(Squash, 4, "neem-oil", "squash-bug", patchTest: true);
        var lines = Chapter(Garden(sprays: [dust, two]), "squash-bug").Lines;
        Assert.Equal(["Neem oil tried on two leaves.", "Diatomaceous earth."], lines.Select(l => l.Sentence));
    }

    [Fact]
    public void Clean_looks_in_a_row_are_one_line_and_what_has_no_name_is_told()
    {
        Observation Clean(double daysAgo) => GardenSamples.Seen(Squash, daysAgo, 20, 0);
        var story = Chapter(Garden([Clean(20), Clean(15), Clean(10), GardenSamples.Seen(Squash, 5, 20, 3)]), null);
        Assert.Equal([StoryKind.Planted, StoryKind.Clean, StoryKind.Found], story.Lines.Select(l => l.Kind));
        Assert.Equal("Clean at 3 looks until 6 July.", story.Lines[1].Sentence);
        Assert.Equal("Something without a name on 3 of 20 leaves.", story.Lines[2].Sentence);
        Assert.Equal("It grows, and was last looked at on 11 July.", story.Ending);
    }

    [Fact]
    public void A_place_where_nothing_grew_has_no_story() => Assert.Empty(PlaceStory.Of(Garden(), Other, From));

    [Fact]
    public void Sums_tell_rounds_by_group_salt_by_place_and_what_has_no_price()
    {
        Stock Bought(string material, double amount, double? cost) => new(Guid.NewGuid(), material, material, amount, amount, "g", null, null, null, cost);
        var garden = Garden() with { Stocks = [Bought("bicarbonate", 500, 4), Bought("castile-soap", 1000, null)] };
        var totals = LedgerTotals.Of(
            garden,
            new SprayUse(
                [new("bicarbonate", 3, 2.4), new("potassium-bicarbonate", 1, 0.8), new("neem-oil", 2, 1)],
                [new("bicarbonate", 50), new("castile-soap", 10), new("a-material-of-old", 7)],
                [new(Bed.Id, "bicarbonate", 3), new(Bed.Id, "potassium-bicarbonate", 1), new(Bed.Id, "neem-oil", 2), new(Other.Id, "bicarbonate", 1)]
            )
        );
        Assert.Equal((6, 4.2), (totals.Sprays, Math.Round(totals.Litres, 6)));
        Assert.Equal(0.4, totals.Cost!.Value, 9);
        Assert.Equal("castile-soap", Assert.Single(totals.Unpriced).Id);
        Assert.Equal([("bicarbonate", 4), ("azadirachtin", 2)], totals.Groups.Select(g => (g.Group.Id, g.Rounds)));
        Assert.Equal([(Bed.Id, 4, 8), (Other.Id, 1, 8)], totals.Salt.Select(s => (s.Place.Id, s.Rounds, s.Most)));
    }

    [Fact]
    public void Nothing_that_has_a_price_gives_no_cost() => Assert.Null(LedgerTotals.Of(Garden(), new SprayUse([], [new("bicarbonate", 50)], [])).Cost);

    private static Almanac Season(GardenSnapshot garden, IReadOnlyDictionary<string, IReadOnlyList<FirstDate>>? firsts = null, params IngredientUse[] used) =>
        Almanac.Of(
            garden,
            From,
            firsts ?? new Dictionary<string, IReadOnlyList<FirstDate>>(),
            SkyDays.Of(garden.SkyOf(Bed).Shelter, garden.Garden, garden.Today.AddDays(-20), garden.Today),
            used
        );

    [Fact]
    public void The_season_is_held_against_a_weekly_calendar()
    {
        var almanac = Season(
            Garden(
                [GardenSamples.Seen(Squash, 8, 20, 9, "powdery-mildew"), GardenSamples.Seen(Squash, 2, 20, 1, "whitefly")],
                [GardenSamples.Sprayed(Squash, 8, "bicarbonate"), GardenSamples.Sprayed(Squash, 9, "neem-oil", patchTest: true)]
            )
        );
        // The squash grows from the first of May to the sixteenth of July: 77 days.
        Assert.Equal((1, 11.0), (almanac.Sprays, almanac.WeeklySprays));
        var bed = almanac.Places.Single(p => p.Place.Id == Bed.Id);
        Assert.Equal((0.45, "powdery-mildew", 2), (bed.Worst!.Value, bed.WorstOf!.Id, bed.Looks));
        Assert.Equal("1 spray of a planting; a weekly calendar would have given 11. 10 were saved.", almanac.Summary);
        Assert.Equal((0, 0.0), (almanac.Places.Single(p => p.Place.Id == Other.Id).Sprays, almanac.Places.Single(p => p.Place.Id == Other.Id).WeeklySprays));
    }

    [Fact]
    public void What_worked_comes_first_and_what_burnt_is_named_with_its_day()
    {
        JudgedSpray Judged(string material, Outcome outcome, Injury injury = Injury.None, double daysAgo = 5) =>
            new(
                Guid.NewGuid(),
                Guid.NewGuid(),
                Squash.Id,
                "squash",
                material,
                "powdery-mildew",
                GardenSamples.Now.AddDays(-daysAgo - 3),
                GardenSamples.Now.AddDays(-daysAgo),
                null,
                null,
                outcome,
                injury,
                null
            );
        var almanac = Season(
            Garden() with
            {
                Judged =
                [
                    Judged("milk", Outcome.Holding),
                    Judged("milk", Outcome.Cleared),
                    Judged("bicarbonate", Outcome.Cleared),
                    Judged("neem-oil", Outcome.Lost, Injury.Clear),
                    Judged("milk", Outcome.Cleared, daysAgo: 400),
                ],
            }
        );
        Assert.Equal(
            [("bicarbonate", 1, 1, 0), ("milk", 2, 1, 0), ("neem-oil", 1, 0, 1)],
            almanac.Worked.Select(w => (w.Material.Id, w.Rounds, w.Cleared, w.Losing))
        );
        var burnt = Assert.Single(almanac.Burnt);
        Assert.Equal(("neem-oil", "squash", new DateOnly(2026, 7, 11)), (burnt.Material.Id, burnt.Crop.Id, burnt.Day));
        Assert.EndsWith("1 hurt the plant.", almanac.Summary, StringComparison.Ordinal);
    }

    [Fact]
    public void The_fortnight_before_a_first_find_is_told_and_next_year_follows_from_the_dates()
    {
        FirstDate First(int year, int month, int day) => new(year, new(year, month, day), null);
        var almanac = Season(
            Garden(),
            new Dictionary<string, IReadOnlyList<FirstDate>> { ["powdery-mildew"] = [First(2024, 7, 20), First(2025, 7, 10), First(2026, 7, 14)] }
        );
        var mildew = Assert.Single(almanac.Firsts);
        Assert.StartsWith("In the fortnight before: ", mildew.Before, StringComparison.Ordinal);
        Assert.Contains("0 mm of rain", mildew.Before!.Told(), StringComparison.Ordinal);
        // The middle of three first dates, and two weeks sooner to protect.
        Assert.Equal((new DateOnly(2027, 7, 14), new DateOnly(2027, 6, 30)), (mildew.Next.Expected!.Value, mildew.Next.ProtectFrom!.Value));
    }

    [Fact]
    public void What_went_this_season_is_bought_again_unless_it_still_keeps()
    {
        var garden = Garden() with
        {
            Stocks =
            [
                new(Guid.NewGuid(), "bicarbonate", "Tin", 500, 120, "g", null, null, null, 5),
                new(Guid.NewGuid(), "neem-oil", "Old bottle", 250, 200, "ml", null, new(2026, 9, 1), null, 20),
            ],
        };
        var shopping = Season(garden, null, new IngredientUse("bicarbonate", 180), new IngredientUse("neem-oil", 90)).Shopping.ToDictionary(x => x.Material.Id);
        Assert.Equal((60, 0.6), (shopping["bicarbonate"].ToBuy, Math.Round(shopping["bicarbonate"].Cost!.Value, 9)));
        // It will be past its date by then.
        Assert.Equal((0, 90), (shopping["neem-oil"].OnShelf, shopping["neem-oil"].ToBuy));
    }
}
