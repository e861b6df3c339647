using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using Mauvaise.Web.Demo;

namespace Mauvaise.Web.Tests;

public class OwnPageTests
{
    private static readonly string Undo = $"/api/gardens/{DemoGarden.GardenId}/undo";

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Theory]
    [InlineData("example.org")]
    [InlineData("localhost.example.org")]
    [InlineData("192.168.1.7")]
    public async Task A_name_that_was_not_given_is_turned_away(string host)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/state") { Headers = { Host = host } };
        var answer = await http.SendAsync(request, Stop);
        Assert.Equal(HttpStatusCode.MisdirectedRequest, answer.StatusCode);
        Assert.Equal("host-unknown", (await answer.Content.ReadFromJsonAsync<JsonElement>(Stop)).GetProperty("code").GetString());
    }

    [Theory]
    [InlineData("Origin", "http://example.org", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "http://localhost:81", HttpStatusCode.Forbidden)]
    [InlineData("Origin", "null", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "cross-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-site", HttpStatusCode.Forbidden)]
    [InlineData("Sec-Fetch-Site", "same-origin", HttpStatusCode.BadRequest)]
    [InlineData("Origin", "http://localhost", HttpStatusCode.BadRequest)]
    public async Task Only_its_own_page_writes(string header, string value, HttpStatusCode expected)
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        using var request = new HttpRequestMessage(HttpMethod.Post, Undo)
        {
            Headers = { { header, value } },
            Content = JsonContent.Create(new { deedId = "no" }),
        };
        Assert.Equal(expected, (await http.SendAsync(request, Stop)).StatusCode);
        using var read = new HttpRequestMessage(HttpMethod.Get, "/api/state") { Headers = { { header, value } } };
        Assert.Equal(HttpStatusCode.OK, (await http.SendAsync(read, Stop)).StatusCode);
    }

    [Fact]
    public async Task Every_answer_says_what_a_browser_may_do_with_it()
    {
        await using var app = await TestApp.StartAsync(demo: true);
        using var http = app.CreateClient();
        foreach (var path in new[] { "/api/state", "/api/nowhere", "/" })
        {
            var answer = await http.GetAsync(path, Stop);
            var policy = Assert.Single(answer.Headers.GetValues("Content-Security-Policy"));
            Assert.Contains("script-src 'self';", policy, StringComparison.Ordinal);
            Assert.Contains("frame-ancestors 'none'", policy, StringComparison.Ordinal);
            Assert.Equal("nosniff", Assert.Single(answer.Headers.GetValues("X-Content-Type-Options")));
            Assert.Equal(path.StartsWith("/api", StringComparison.Ordinal), answer.Headers.CacheControl?.NoStore == true);
        }
    }
}
