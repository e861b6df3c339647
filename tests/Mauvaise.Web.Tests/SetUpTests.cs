using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Measures;
using Mauvaise.Web.Board;
using Mauvaise.Web.Gardens;
using Mauvaise.Web.Walk;

namespace Mauvaise.Web.Tests;

public sealed class SetUpTests : IAsyncLifetime
{
    private TestApp app = null!;
    private HttpClient http = null!;

    public async ValueTask InitializeAsync()
    {
        app = await TestApp.StartAsync(demo: false);
        http = app.CreateClient();
    }

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private static NewGarden Karee =>
        new(
            Guid.NewGuid(),
            "Karee Ridge",
            -33.9,
            18.9,
            "Africa/Johannesburg",
            "mediterranean",
            KitchenSystem.Metric,
            Stance.WatchAndTreat,
            "Owner",
            new NewPlace(Guid.NewGuid(), "Stoep bed", PlaceKind.RaisedBed, 3, 1.2, 7, Watering.Drip)
        );

    public async ValueTask DisposeAsync()
    {
        http.Dispose();
        await app.DisposeAsync();
    }

    [Fact]
    public async Task A_southern_garden_is_set_up_planted_and_has_a_board_in_winter()
    {
        Assert.Empty((await http.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
        var karee = Karee;
        await http.SendAsync("/api/gardens", karee, HttpStatusCode.Created);
        await http.SendAsync("/api/gardens", karee, HttpStatusCode.Created);
        var planting = new NewPlanting(Guid.NewGuid(), karee.FirstPlace.Id, "pea", null, new(2026, 6, 1), GrowthStage.Young, false);
        await http.SendAsync($"/api/gardens/{karee.Id}/plantings", planting, HttpStatusCode.Created);
        var board = (await http.GetFromJsonAsync<BoardAnswer>($"/api/gardens/{karee.Id}/board", TestApp.Json, Stop))!;
        Assert.Equal("pea", Assert.Single(Assert.Single(board.Rows).Plantings).Crop);
        Assert.Equal(TimeSpan.FromHours(2), board.LocalNow.Offset);
        var round = (await http.GetFromJsonAsync<RoundAnswer>($"/api/gardens/{karee.Id}/round", TestApp.Json, Stop))!;
        Assert.Contains("nobody looked yet", Assert.Single(round.Stops).Why.Select(w => w.Sentence));
        // July is winter there: the nights are longer than the days.
        var night = board.Nights[1];
        Assert.True(night.To - night.From > TimeSpan.FromHours(12));
        Assert.Contains(board.Sky.TemperatureC, t => t < 14);
    }

    [Fact]
    public async Task A_garden_begins_with_what_grows_in_its_first_place()
    {
        var karee = Karee;
        var pea = new NewPlanting(Guid.NewGuid(), karee.FirstPlace.Id, "pea", " ", new(2026, 6, 1), GrowthStage.Young, false);
        for (var i = 0; i < 2; i++)
        {
            await http.SendAsync("/api/gardens", karee with { FirstPlanting = pea }, HttpStatusCode.Created);
        }

        var garden = (await http.GetFromJsonAsync<GardenAnswer>($"/api/gardens/{karee.Id}", TestApp.Json, Stop))!;
        var planted = Assert.Single(Assert.Single(garden.Places).Plantings);
        Assert.Equal((pea.Id, "pea", null), (planted.Id, planted.Crop, planted.Variety));
    }

    [Fact]
    public async Task What_is_filled_in_is_looked_at_and_nothing_is_written()
    {
        var karee = Karee;
        await http.SendAsync("/api/gardens/check", karee, HttpStatusCode.NoContent);
        var elsewhere = new NewPlanting(Guid.NewGuid(), Guid.NewGuid(), "triffid", null, new(2099, 6, 1), GrowthStage.Young, false);
        var wrong = karee with { Name = " ", MemberName = "", Latitude = 999, FirstPlanting = elsewhere };
        string[] fields = ["name", "latitude", "memberName", "firstPlanting.placeId", "firstPlanting.crop", "firstPlanting.from"];
        foreach (var path in new[] { "/api/gardens/check", "/api/gardens" })
        {
            var answer = await http.SendAsync(path, wrong, HttpStatusCode.BadRequest);
            Assert.Equal(fields.Order(), answer.GetProperty("errors").EnumerateObject().Select(e => e.Name).Order());
        }

        Assert.Empty((await http.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
    }

    [Fact]
    public async Task A_household_gains_people_and_sprayers_and_is_told_what_can_not_be()
    {
        var karee = Karee;
        await http.SendAsync("/api/gardens", karee, HttpStatusCode.Created);
        var path = $"/api/gardens/{karee.Id}";
        async Task<string?> CodeAsync(string at, object body)
        {
            var answer = await http.PutAsJsonAsync($"{path}/{at}", body, TestApp.Json, Stop);
            return answer.IsSuccessStatusCode ? null : (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString();
        }

        var thandi = Guid.NewGuid();
        Assert.Null(await CodeAsync($"members/{thandi}", new MemberChange("Tandi")));
        Assert.Null(await CodeAsync($"members/{thandi}", new MemberChange(" Thandi ")));
        Assert.Equal("name-taken", await CodeAsync($"members/{Guid.NewGuid()}", new MemberChange("thandi")));
        Assert.Equal("member-missing", await CodeAsync($"members/{Guid.NewGuid()}", new MemberChange("  ")));
        Assert.Null(await CodeAsync($"members/{thandi}", new MemberChange("Thandi", Role.Looker)));
        Assert.Equal("only-looks", await CodeAsync($"sprayers/{Guid.NewGuid()}", new SprayerChange("Can", 10, thandi)));
        var owner = (await http.GetFromJsonAsync<GardenAnswer>(path, TestApp.Json, Stop))!.Members.Single(m => m.Name == "Owner");
        Assert.Equal("nobody-writes", await CodeAsync($"members/{owner.Id}", new MemberChange("Owner", Role.Looker)));
        var backpack = Guid.NewGuid();
        Assert.Null(await CodeAsync($"sprayers/{backpack}", new SprayerChange("Backpack", 12)));
        Assert.Null(await CodeAsync($"sprayers/{backpack}", new SprayerChange("Backpack", 15)));
        Assert.Equal("capacity-range", await CodeAsync($"sprayers/{Guid.NewGuid()}", new SprayerChange("Tanker", 5000)));
        Assert.Equal("name-taken", await CodeAsync($"sprayers/{Guid.NewGuid()}", new SprayerChange("backpack", 5)));
        var garden = (await http.GetFromJsonAsync<GardenAnswer>(path, TestApp.Json, Stop))!;
        Assert.Equal(["Owner", "Thandi"], garden.Members.Select(m => m.Name).Order());
        Assert.Equal(15, garden.Sprayers.Single(x => x.Id == backpack).CapacityLitres);

        for (var i = 0; i < 2; i++)
        {
            Assert.Equal(HttpStatusCode.NoContent, (await http.DeleteAsync($"{path}/sprayers/{backpack}", Stop)).StatusCode);
        }

        var last = (await http.GetFromJsonAsync<GardenAnswer>(path, TestApp.Json, Stop))!.LastDeed!;
        Assert.Equal("Took Backpack off", last.Words);
        await http.SendAsync($"{path}/undo", new { deedId = last.Id }, HttpStatusCode.NoContent);
        Assert.Contains((await http.GetFromJsonAsync<GardenAnswer>(path, TestApp.Json, Stop))!.Sprayers, x => x.Id == backpack);
    }

    [Fact]
    public async Task A_place_is_changed_and_keeps_what_grew_there()
    {
        var karee = Karee;
        await http.SendAsync("/api/gardens", karee, HttpStatusCode.Created);
        var planting = new NewPlanting(Guid.NewGuid(), karee.FirstPlace.Id, "pea", null, new(2026, 6, 1), GrowthStage.Young, false);
        await http.SendAsync($"/api/gardens/{karee.Id}/plantings", planting, HttpStatusCode.Created);
        await http.SendAsync($"/api/gardens/{karee.Id}/places", karee.FirstPlace with { Id = Guid.NewGuid(), Name = "Vlei bed" }, HttpStatusCode.Created);
        var path = $"/api/gardens/{karee.Id}/places/{karee.FirstPlace.Id}";
        var change = new PlaceChange("Long bed", PlaceKind.OpenBed, 9.5, 5, Watering.Overhead, 12, new(7, 0), new(15, 0));
        Assert.Equal(HttpStatusCode.NoContent, (await http.PutAsJsonAsync(path, change, TestApp.Json, Stop)).StatusCode);
        var place = (await http.GetFromJsonAsync<GardenAnswer>($"/api/gardens/{karee.Id}", TestApp.Json, Stop))!.Places.Single(p =>
            p.Id == karee.FirstPlace.Id
        );
        Assert.Equal(("Long bed", 9.5, 12.0, new TimeOnly(7, 0)), (place.Name, place.AreaM2, place.PondDistanceM!.Value, place.SunFrom!.Value));
        Assert.Equal(planting.Id, Assert.Single(place.Plantings).Id);
        async Task<string?> CodeAsync(PlaceChange body) =>
            (await (await http.PutAsJsonAsync(path, body, TestApp.Json, Stop)).Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString();
        Assert.Equal("name-taken", await CodeAsync(change with { Name = "vlei bed" }));
        Assert.Equal("area-range", await CodeAsync(change with { AreaM2 = 0 }));
        Assert.Equal("sun-order", await CodeAsync(change with { SunFrom = new(16, 0) }));
        Assert.Equal("place-name-missing", await CodeAsync(change with { Name = " " }));
    }

    [Fact]
    public async Task A_place_knows_its_shade_and_its_pond_and_what_can_not_be_is_refused()
    {
        var karee = Karee;
        await http.SendAsync("/api/gardens", karee, HttpStatusCode.Created);
        var path = $"/api/gardens/{karee.Id}/places";
        var place = new NewPlace(Guid.NewGuid(), "By the pond", PlaceKind.OpenBed, 4, 1, 6, Watering.Drip, 6, new TimeOnly(9, 0), new TimeOnly(17, 30));
        await http.SendAsync(path, place, HttpStatusCode.Created);
        var drowned = await http.SendAsync(path, place with { Id = Guid.NewGuid(), Name = "In it", PondDistanceM = -1 }, HttpStatusCode.BadRequest);
        Assert.Equal("pond-range", drowned.GetProperty("code").GetString());
        var backwards = await http.SendAsync(
            path,
            place with
            {
                Id = Guid.NewGuid(),
                Name = "Backwards",
                SunTo = new TimeOnly(8, 0),
            },
            HttpStatusCode.BadRequest
        );
        Assert.NotEmpty(backwards.GetProperty("errors").GetProperty("sunTo")[0].GetString()!);
    }

    [Theory]
    [InlineData("latitude", 91.0, "latitude")]
    [InlineData("longitude", -181.0, "longitude")]
    [InlineData("timeZoneId", "Mars/Olympus", "timeZoneId")]
    [InlineData("climate", "lunar", "climate")]
    [InlineData("name", "", "name")]
    [InlineData("memberName", "", "memberName")]
    public async Task A_wrong_field_is_named_and_nothing_is_saved(string field, object value, string told)
    {
        var body = JsonSerializer.SerializeToNode(Karee, TestApp.Json)!.AsObject();
        body[field] = JsonSerializer.SerializeToNode(value);
        var problem = await http.SendAsync("/api/gardens", body, HttpStatusCode.BadRequest);
        Assert.True(problem.GetProperty("errors").TryGetProperty(told, out _));
        Assert.Empty((await http.GetFromJsonAsync<StateAnswer>("/api/state", TestApp.Json, Stop))!.Gardens);
    }

    [Fact]
    public async Task Places_and_plantings_are_checked()
    {
        var karee = Karee;
        await http.SendAsync("/api/gardens", karee, HttpStatusCode.Created);
        var place = new NewPlace(Guid.NewGuid(), "stoep bed", PlaceKind.OpenBed, 0, 1, 7, Watering.Drip);
        var problem = await http.SendAsync($"/api/gardens/{karee.Id}/places", place, HttpStatusCode.BadRequest);
        Assert.Equal(["lengthM", "name"], problem.GetProperty("errors").EnumerateObject().Select(e => e.Name).Order());
        var planting = new NewPlanting(Guid.NewGuid(), karee.FirstPlace.Id, "unicorn", null, new(2027, 1, 1), GrowthStage.Young, false);
        var wrong = await http.SendAsync($"/api/gardens/{karee.Id}/plantings", planting, HttpStatusCode.BadRequest);
        Assert.Equal(["crop", "from"], wrong.GetProperty("errors").EnumerateObject().Select(e => e.Name).Order());
    }
}
