using System.Net;
using System.Net.Http.Json;
using Mauvaise.Web.Demo;

namespace Mauvaise.Web.Tests;

/// <summary>Asks the API of the demo garden, with its weather; paths are below the garden's own.</summary>
public abstract class DemoTest : IAsyncLifetime
{
    protected TestApp App { get; private set; } = null!;

    protected HttpClient Http { get; private set; } = null!;

    protected static CancellationToken Stop => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        App = await TestApp.StartAsync(demo: true);
        await App.RefreshWeatherAsync();
        Http = App.CreateClient();
        Http.BaseAddress = new Uri(Http.BaseAddress!, $"/api/gardens/{DemoGarden.GardenId}/");
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        await App.DisposeAsync();
        GC.SuppressFinalize(this);
    }

    protected async Task<T> GetAsync<T>(string path) => (await Http.GetFromJsonAsync<T>(path, TestApp.Json, Stop))!;

    /// <summary>Holds that a body is refused with 400 and names the field.</summary>
    protected async Task RefusedAsync<T>(string path, T body, string field)
    {
        using var answer = await Http.PostAsJsonAsync(path, body, TestApp.Json, Stop);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains($"\"{field}\"", await answer.Content.ReadAsStringAsync(Stop), StringComparison.Ordinal);
    }
}
