using System.Net;
using System.Net.Http.Json;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Store;
using Mauvaise.Web.Archive;
using Mauvaise.Web.Demo;
using Mauvaise.Web.Gardens;

namespace Mauvaise.Web.Tests;

/// <summary>Copies of all data are made, looked into and put back on screen while the app runs.</summary>
public sealed class CopyTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;
    private static string Api => $"/api/gardens/{DemoGarden.GardenId}";

    private static async Task<T> PostAsync<T>(HttpClient http, string path)
    {
        using var answer = await http.PostAsync(new Uri(path, UriKind.Relative), null, Stop);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return (await answer.Content.ReadFromJsonAsync<T>(TestApp.Json, Stop))!;
    }

    private static async Task<bool> HasAsync(HttpClient http, string place) =>
        (await http.GetFromJsonAsync<GardenAnswer>(Api, TestApp.Json, Stop))!.Places.Any(p => p.Name == place);

    [Fact]
    public async Task A_copy_is_put_back_and_what_was_there_is_kept()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var copy = (await PostAsync<CopiesAnswer>(http, "/api/backups")).Copies.First(c => c.Kind == CopyKind.ByHand);
        await http.SendAsync($"{Api}/places", new NewPlace(Guid.NewGuid(), "Since then", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip), HttpStatusCode.Created);
        Assert.True(await HasAsync(http, "Since then"));

        var inside = (await http.GetFromJsonAsync<ExaminedAnswer>($"/api/backups/{copy.Name}", TestApp.Json, Stop))!;
        Assert.True(inside.Sound, string.Join(" ", inside.Found.Where(f => !f.Sound)));
        Assert.Contains(inside.Found, f => f.Words.Contains("plantings", StringComparison.Ordinal));

        var restored = await PostAsync<RestoredAnswer>(http, $"/api/backups/{copy.Name}/restore");
        Assert.False(await HasAsync(http, "Since then"));
        // What was put back can be written to, and what was there can be had again.
        await http.SendAsync($"{Api}/places", new NewPlace(Guid.NewGuid(), "After it", PlaceKind.OpenBed, 4, 1.2, 7, Watering.Drip), HttpStatusCode.Created);
        await PostAsync<RestoredAnswer>(http, $"/api/backups/{restored.KeptAs}/restore");
        Assert.Equal((true, false), (await HasAsync(http, "Since then"), await HasAsync(http, "After it")));
        Assert.Equal(HttpStatusCode.OK, (await http.GetAsync(new Uri($"{Api}/board", UriKind.Relative), Stop)).StatusCode);
    }

    [Theory]
    [InlineData("nowhere.db")]
    [InlineData("..%2Fmauvaise.db")]
    [InlineData("%2Fetc%2Fpasswd")]
    public async Task A_name_that_is_not_in_the_list_is_nothing(string name)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        Assert.Equal(HttpStatusCode.NotFound, (await http.GetAsync(new Uri($"/api/backups/{name}", UriKind.Relative), Stop)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await http.PostAsync(new Uri($"/api/backups/{name}/restore", UriKind.Relative), null, Stop)).StatusCode);
    }

    [Fact]
    public async Task A_copy_that_is_damaged_is_told_and_not_put_back()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var all = await PostAsync<CopiesAnswer>(http, "/api/backups");
        var broken = Backups.Name(CopyKind.ByHand, "broken");
        var bytes = await File.ReadAllBytesAsync(Path.Combine(all.Folder, all.Copies[0].Name), Stop);
        await File.WriteAllBytesAsync(Path.Combine(all.Folder, broken), bytes[..(bytes.Length / 2)], Stop);
        Assert.False((await http.GetFromJsonAsync<ExaminedAnswer>($"/api/backups/{broken}", TestApp.Json, Stop))!.Sound);
        using var answer = await http.PostAsync(new Uri($"/api/backups/{broken}/restore", UriKind.Relative), null, Stop);
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains("copy-damaged", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
        Assert.True(await HasAsync(http, "Chapel"));
        File.Delete(Path.Combine(all.Folder, broken));
    }

    [Fact]
    public async Task The_data_is_looked_through_on_screen_and_nothing_is_mended_that_is_sound()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        await PostAsync<CopiesAnswer>(http, "/api/backups");
        var found = (await http.GetFromJsonAsync<ExaminedAnswer>("/api/doctor", TestApp.Json, Stop))!;
        Assert.Contains(found.Found, f => f.Words.StartsWith("Its pages", StringComparison.Ordinal));
        Assert.Empty((await PostAsync<MendedAnswer>(http, "/api/doctor/mend")).Done);
    }
}
