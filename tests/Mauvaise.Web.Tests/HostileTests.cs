using System.Net;
using System.Text;

namespace Mauvaise.Web.Tests;

public class HostileTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    /// <summary>The short form of the campaign; `./mauvaise bench hostile` runs the long one.</summary>
    [Fact]
    public async Task Nothing_that_is_sent_ends_in_a_fault_breaks_a_view_or_writes_behind_a_refusal()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        // It has used up how often one may try to join.
        app.KeepFromOthers();
        using var http = app.CreateClient();
        var most = Environment.GetEnvironmentVariable("MAUVAISE_HOSTILE") is { } n ? int.Parse(n, System.Globalization.CultureInfo.InvariantCulture) : 1500;
        var report = await new HostileCampaign(http, 20260716).RunAsync(most, Stop);
        Assert.True(report.Sent >= most, "It sent what it was to send.");
        Assert.True(report.ServerErrors.Count + report.BrokenViews.Count + report.WritesBehindErrors.Count == 0, HostileCampaign.Told(report));
    }

    [Theory]
    [InlineData("\"few, many\"")]
    [InlineData("\"few,few\"")]
    [InlineData("\"1\"")]
    [InlineData("1")]
    [InlineData("\"\"")]
    public async Task An_enum_is_one_word_of_its_own(string ants)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        var body = $$"""
            {"id":"{{Guid.NewGuid()}}","plantingId":"{{Demo.DemoGarden.PlantingId("Chapel/courgette")}}","leavesLooked":5,"leavesAffected":1,
            "ants":{{ants}},"helpers":0,"mummies":0,"signs":[]}
            """;
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        var answer = await http.PostAsync($"/api/gardens/{Demo.DemoGarden.GardenId}/observations", content, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("ants", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }
}
