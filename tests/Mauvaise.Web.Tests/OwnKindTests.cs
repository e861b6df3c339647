using System.Net;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Web.Decide;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Suspects;

namespace Mauvaise.Web.Tests;

/// <summary>An own crop with an own trouble: planted, walked, named, decided about, put away, carried elsewhere.</summary>
public sealed class OwnKindTests : DemoTest
{
    private async Task<OwnKindAnswer> AddAsync(OwnKindOf of, string name, string like)
    {
        var id = Guid.NewGuid();
        await Http.SendPutAsync($"own-kinds/{id}", new OwnKindChange(of, name, like), HttpStatusCode.OK);
        return (await GetAsync<List<OwnKindAnswer>>("own-kinds")).Single(k => k.Id == id);
    }

    [Fact]
    public async Task It_is_planted_counted_named_and_decided_about_and_stays_what_it_was_when_put_away()
    {
        var crop = await AddAsync(OwnKindOf.Crop, "Oca", "potato");
        var trouble = await AddAsync(OwnKindOf.Trouble, "Ivy aphid", "any-aphid");
        var place = (await GetAsync<GardenAnswer>("")).Places[0].Id;
        var planting = Guid.NewGuid();
        await Http.SendAsync(
            "plantings",
            new NewPlanting(planting, place, crop.KindId, null, new DateOnly(2026, 6, 1), GrowthStage.Mature, false),
            HttpStatusCode.Created
        );
        var grown = (await GetAsync<GardenAnswer>("")).Places[0].Plantings.Single(p => p.Id == planting);
        Assert.Equal(("Oca", "potato"), (grown.CropName, grown.LikeCrop));

        var look = new NewObservation(Guid.NewGuid(), planting, 20, 12, Ants.None, 0, 0, [new("small-insects", true)]);
        await Http.SendAsync("observations", look, HttpStatusCode.Created);
        await Http.SendPutAsync($"observations/{look.Id}/name", new NameGiven(trouble.KindId), HttpStatusCode.NoContent);
        var ladder = (await GetAsync<DecideAnswer>($"decide?planting={planting}")).Ladders.Single();
        Assert.Equal("ivy aphid", ladder.Name);
        Assert.NotEmpty(ladder.Ways);

        await Http.SendPutAsync($"own-kinds/{crop.Id}", new OwnKindChange(OwnKindOf.Crop, "Oca", "potato", Retired: true), HttpStatusCode.OK);
        Assert.Equal("Oca", (await GetAsync<GardenAnswer>("")).Places[0].Plantings.Single(p => p.Id == planting).CropName);
        var archive = await Http.GetByteArrayAsync("archive", Stop);
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(archive));
        using var garden = new StreamReader(zip.GetEntry("garden.json")!.Open());
        var text = await garden.ReadToEndAsync(Stop);
        Assert.Contains("\"ownKinds\"", text, StringComparison.Ordinal);
        Assert.Contains("Ivy aphid", text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(OwnKindOf.Crop, " ", "potato", "name-missing")]
    [InlineData(OwnKindOf.Crop, "eggplant", "potato", "name-listed")]
    [InlineData(OwnKindOf.Crop, "Oca", "potatoe", "like-unknown")]
    [InlineData(OwnKindOf.Trouble, "Ivy aphid", "potato", "like-unknown")]
    public async Task What_can_not_be_kept_is_refused_in_words(OwnKindOf of, string name, string like, string code)
    {
        var refused = await Http.SendPutAsync($"own-kinds/{Guid.NewGuid()}", new OwnKindChange(of, name, like), HttpStatusCode.BadRequest);
        Assert.Equal(code, refused.GetProperty("code").GetString());
        Assert.Empty(await GetAsync<List<OwnKindAnswer>>("own-kinds"));
    }

    [Fact]
    public async Task A_name_is_taken_once_and_a_crop_stays_a_crop()
    {
        var crop = await AddAsync(OwnKindOf.Crop, "Oca", "potato");
        Assert.Equal(
            "name-taken",
            (await Http.SendPutAsync($"own-kinds/{Guid.NewGuid()}", new OwnKindChange(OwnKindOf.Crop, "Oca", "tomato"), HttpStatusCode.BadRequest))
                .GetProperty("code")
                .GetString()
        );
        Assert.Equal(
            "kind-changed",
            (await Http.SendPutAsync($"own-kinds/{crop.Id}", new OwnKindChange(OwnKindOf.Trouble, "Oca", "any-aphid"), HttpStatusCode.BadRequest))
                .GetProperty("code")
                .GetString()
        );
    }
}
