using System.Net;
using System.Net.Http.Json;
using System.Text.Json;

namespace Mauvaise.Web.Tests;

internal static class Sending
{
    /// <summary>Posts as the client does and holds the status; the body, or an undefined element when there is none.</summary>
    public static async Task<JsonElement> SendAsync(this HttpClient http, string path, object body, HttpStatusCode expected)
    {
        var stop = TestContext.Current.CancellationToken;
        return await HeldAsync(await http.PostAsJsonAsync(path, body, TestApp.Json, stop), expected, stop);
    }

    /// <summary>Puts as the client does.</summary>
    public static async Task<JsonElement> SendPutAsync(this HttpClient http, string path, object body, HttpStatusCode expected)
    {
        var stop = TestContext.Current.CancellationToken;
        return await HeldAsync(await http.PutAsJsonAsync(path, body, TestApp.Json, stop), expected, stop);
    }

    private static async Task<JsonElement> HeldAsync(HttpResponseMessage answer, HttpStatusCode expected, CancellationToken stop)
    {
        var text = await answer.Content.ReadAsStringAsync(stop);
        Assert.True(expected == answer.StatusCode, $"{(int)answer.StatusCode} {text}");
        return text.Length == 0 ? default : JsonDocument.Parse(text).RootElement;
    }
}
