using System.Net;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Ledger;
using Mauvaise.Web.Picking;
using Mauvaise.Web.Places;
using Mauvaise.Web.Readings;
using Mauvaise.Web.Suspects;
using Mauvaise.Web.Undo;

namespace Mauvaise.Web.Tests;

/// <summary>What is picked is weighed or counted, waits for what was sprayed, and stands beside it; what is measured speaks for and against causes.</summary>
public sealed class PickingTests : DemoTest
{
    private async Task<PickableAnswer> PickableAsync(string where) => (await GetAsync<PickingAnswer>("harvests")).Plantings.Single(p => p.Where == where);

    [Fact]
    public async Task A_picking_is_summed_told_in_the_story_and_the_almanac_and_undone()
    {
        var place = await PickableAsync("Boathouse chard");
        Assert.Null(place.Given);
        var first = new NewHarvest(Guid.NewGuid(), place.PlantingId, 0.75, HarvestUnit.Kilograms, Washed: true);
        await Http.SendAsync("harvests", first, HttpStatusCode.Created);
        await Http.SendAsync("harvests", first, HttpStatusCode.Created);
        await Http.SendAsync("harvests", new NewHarvest(Guid.NewGuid(), place.PlantingId, 12, HarvestUnit.Pieces), HttpStatusCode.Created);
        Assert.Equal("750 g and 12 pieces in 2 pickings", (await PickableAsync("Boathouse chard")).Given);
        var garden = await GetAsync<GardenAnswer>("");
        var story = await GetAsync<StoryAnswer>($"places/{garden.Places.Single(p => p.Name == "Boathouse").Id}/story");
        Assert.Contains(story.Chapters.SelectMany(c => c.Lines), l => l.Sentence == "Picked 750 g, washed.");
        Assert.Equal(2, (await GetAsync<AlmanacAnswer>("almanac")).Yields.Single().Times);
        await Http.SendAsync("undo", new UndoRequest((await GetAsync<GardenAnswer>("")).LastDeed!.Id), HttpStatusCode.NoContent);
        Assert.Equal("750 g in 1 picking", (await PickableAsync("Boathouse chard")).Given);
    }

    [Fact]
    public async Task What_waits_is_refused_once_and_logged_when_it_was_picked_already()
    {
        // Oil wants a day before picking.
        var kale = await PickableAsync("Winding Hole kale");
        var spray = new HandSpray(
            Guid.NewGuid(),
            Guid.NewGuid(),
            App.Clock.GetUtcNow(),
            [kale.PlantingId],
            "oil-with-soap",
            DoseStep.Gentle,
            0.3,
            null,
            0.9,
            null
        );
        await Http.SendAsync("ledger/sprays", spray, HttpStatusCode.Created);
        var waiting = await PickableAsync("Winding Hole kale");
        Assert.NotNull(waiting.From);
        Assert.Contains("Wait until", waiting.Sentence, StringComparison.Ordinal);
        var harvest = new NewHarvest(Guid.NewGuid(), waiting.PlantingId, 300, HarvestUnit.Grams);
        await RefusedAsync("harvests", harvest, "plantingId");
        await Http.SendAsync("harvests", harvest with { PickedAlready = true }, HttpStatusCode.Created);
        Assert.Single((await PickableAsync(waiting.Where)).Harvests);
    }

    [Fact]
    public async Task No_amount_is_swallowed()
    {
        var planting = (await PickableAsync("Boathouse chard")).PlantingId;
        await RefusedAsync("harvests", new NewHarvest(Guid.NewGuid(), planting, 0, HarvestUnit.Grams), "amount");
        await RefusedAsync("harvests", new NewHarvest(Guid.NewGuid(), planting, -2, HarvestUnit.Kilograms), "amount");
        await RefusedAsync("harvests", new NewHarvest(Guid.NewGuid(), planting, 1e9, HarvestUnit.Pounds), "amount");
        await RefusedAsync("harvests", new NewHarvest(Guid.NewGuid(), planting, 1.5, HarvestUnit.Pieces), "amount");
        await RefusedAsync("harvests", new NewHarvest(Guid.NewGuid(), planting, 1, HarvestUnit.Grams, At: App.Clock.GetUtcNow().AddHours(1)), "at");
        await RefusedAsync("harvests", new NewHarvest(Guid.NewGuid(), Guid.NewGuid(), 1, HarvestUnit.Grams), "plantingId");
        Assert.Null((await PickableAsync("Boathouse chard")).Given);
    }

    [Fact]
    public async Task Measured_and_fine_rules_a_cause_out()
    {
        var garden = await GetAsync<GardenAnswer>("");
        var place = garden.Places.Single(p => p.Name == "Boathouse");
        var look = new NewObservation(Guid.NewGuid(), place.Plantings[0].Id, 20, 10, Ants.None, 0, 0, [new("between-veins", true)]);
        await Http.SendAsync("observations", look, HttpStatusCode.Created);
        async Task<double> WrongPh()
        {
            var answer = await GetAsync<SuspectsAnswer>($"observations/{look.Id}/suspects");
            return answer.Suspects.Where(s => s.Target == "wrong-ph").Select(s => s.Probability).DefaultIfEmpty(0).Single();
        }

        var before = await WrongPh();
        var reading = new NewReading(Guid.NewGuid(), place.Id, "soil-ph", 6.6);
        await Http.SendAsync("readings", reading, HttpStatusCode.Created);
        await Http.SendAsync("readings", reading, HttpStatusCode.Created);
        Assert.True(await WrongPh() < before / 5, $"{before} became {await WrongPh()}");
        var kind = (await GetAsync<List<ReadingKindAnswer>>($"places/{place.Id}/readings")).Single(k => k.Id == "soil-ph");
        Assert.Equal(ReadingState.Fine, kind.State);
        Assert.Equal("6.6", Assert.Single(kind.Taken).Told);
        await Http.SendAsync("readings", new NewReading(Guid.NewGuid(), place.Id, "soil-ph", 4.4), HttpStatusCode.Created);
        Assert.True(await WrongPh() > before);
    }

    [Fact]
    public async Task A_reading_out_of_range_or_out_of_place_is_refused()
    {
        var garden = await GetAsync<GardenAnswer>("");
        var (bed, rack) = (garden.Places.Single(p => p.Name == "Boathouse").Id, garden.Places.Single(p => p.Name == "Window rack").Id);
        await RefusedAsync("readings", new NewReading(Guid.NewGuid(), bed, "soil-ph", 0), "value");
        await RefusedAsync("readings", new NewReading(Guid.NewGuid(), bed, "soil-ph", 15), "value");
        await RefusedAsync("readings", new NewReading(Guid.NewGuid(), rack, "soil-ph", 6), "of");
        await RefusedAsync("readings", new NewReading(Guid.NewGuid(), bed, "luck", 6), "of");
        await RefusedAsync("readings", new NewReading(Guid.NewGuid(), Guid.NewGuid(), "soil-ph", 6), "placeId");
        Assert.All(await GetAsync<List<ReadingKindAnswer>>($"places/{bed}/readings"), k => Assert.Empty(k.Taken));
    }
}
