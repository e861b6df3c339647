using System.Net;
using Mauvaise.Core.Words;

namespace Mauvaise.Web.Home;

/// <summary>The one page over plain HTTP: how a phone comes to trust the app's own authority, and the authority itself.</summary>
public static class TrustPage
{
    private const string File = "/mauvaise-authority.crt";

    /// <summary>Answers all that comes over plain HTTP where HTTPS ends here.</summary>
    public static IApplicationBuilder UseTrustPage(this IApplicationBuilder app) =>
        app.MapWhen(http => !http.Request.IsHttps && http.RequestServices.GetRequiredService<HomeSettings>().EndsHttps, plain => plain.Run(AnswerAsync));

    private static Task AnswerAsync(HttpContext http)
    {
        var authority = http.RequestServices.GetRequiredService<Authority>();
        if (!HttpMethods.IsGet(http.Request.Method) && !HttpMethods.IsHead(http.Request.Method))
        {
            http.Response.StatusCode = StatusCodes.Status405MethodNotAllowed;
            return Task.CompletedTask;
        }

        if (http.Request.Path == File)
        {
            return TypedResults.Bytes(authority.Published, "application/x-x509-ca-cert", File[1..]).ExecuteAsync(http);
        }

        http.Response.StatusCode = http.Request.Path == "/" ? StatusCodes.Status200OK : StatusCodes.Status404NotFound;
        http.Response.ContentType = "text/html; charset=utf-8";
        return http.Response.WriteAsync(Page(authority.Fingerprint, http.RequestServices.GetRequiredService<HomeNames>().Address));
    }

    private static string Told(string name) => WebUtility.HtmlEncode(Say.Of($"trust.{name}"));

    private static string Page(string fingerprint, string address) =>
        $$"""
            <!doctype html><html lang="{{Say.Language.Code}}"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <title>{{Told("trustThis")}}</title>
            <style>
            body { font: 1.05rem/1.5 system-ui, sans-serif; max-width: 42rem; margin: 1.5rem auto; padding: 0 1rem; color: #2b1a33; background: #f8f6fa }
            a.get { display: inline-block; padding: .8rem 1.2rem; color: #fff; background: #4b2a5c; border-radius: .4rem; text-decoration: none }
            code { word-break: break-all } summary { padding: .7rem 0; font-weight: 600 } details { border-top: 1px solid #d9d0df }
            </style>
            <h1>{{Told("trustThis")}}</h1>
            <p>{{Told("speaksInPrivate")}}</p>
            <p><a class="get" href="{{File}}">{{Told("getTheCertificate")}}</a></p>
            <p>{{Told("compareItsFingerprint")}}<br><code>{{WebUtility.HtmlEncode(fingerprint)}}</code></p>
            <details><summary>{{Told("iPhoneAndIPad")}}</summary><p>{{Told("onAnIPhone")}}</p></details>
            <details><summary>Android</summary><p>{{Told("onAndroid")}}</p></details>
            <details><summary>Windows</summary><p>{{Told("onWindows")}}</p></details>
            <details><summary>macOS</summary><p>{{Told("onAMac")}}</p></details>
            <details><summary>Linux</summary><p>{{Told("onLinux")}}</p></details>
            <p>{{Told("thenOpen")}} <a href="{{WebUtility.HtmlEncode(address)}}">{{WebUtility.HtmlEncode(address)}}</a>.</p></html>
            """;
}
