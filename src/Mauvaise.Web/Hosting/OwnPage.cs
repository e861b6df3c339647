using Mauvaise.Core.Words;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Hosting;

/// <summary>
/// Answers only under the names that the app was given, and takes writes only from its own page: a browser tells with Sec-Fetch-Site
/// and Origin where a request comes from, and a script on the machine sends neither. Names that resolve to this machine from elsewhere
/// (DNS rebinding) are turned away by the first rule, other sites' forms and scripts by the second.
/// </summary>
public static class OwnPage
{
    /// <summary>Styles are set in the page by the controls and the drawings; scripts come from files alone.</summary>
    private const string Policy =
        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; "
        + "connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <param name="isNamed">Whether the app answers under a host, without port.</param>
    public static IApplicationBuilder UseOwnPage(this IApplicationBuilder app, Func<string, bool> isNamed)
    {
        return app.Use(
            async (http, next) =>
            {
                // At the last moment, so that they stand on faults too.
                http.Response.OnStarting(() =>
                {
                    Describe(http);
                    return Task.CompletedTask;
                });
                if (Refusal(http.Request, isNamed) is { } refusal)
                {
                    await refusal.ExecuteAsync(http);
                    return;
                }

                await next(http);
            }
        );
    }

    private static void Describe(HttpContext http)
    {
        var headers = http.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        if (http.Request.Path.StartsWithSegments("/api"))
        {
            headers.CacheControl = "no-store";
        }
    }

    private static ProblemHttpResult? Refusal(HttpRequest request, Func<string, bool> isNamed)
    {
        if (!isNamed(request.Host.Host))
        {
            return Problems.Of(StatusCodes.Status421MisdirectedRequest, "host-unknown", Say.Of("hosting.thisAppAnswersOnlyUnder"));
        }

        var reads = HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method);
        return reads || FromOwnPage(request) ? null : Problems.Of(StatusCodes.Status403Forbidden, "other-page", Say.Of("hosting.anotherPageAskedForThisOnly"));
    }

    private static bool FromOwnPage(HttpRequest request)
    {
        if (request.Headers["Sec-Fetch-Site"] is [var site] && site is not ("same-origin" or "none"))
        {
            return false;
        }

        return request.Headers.Origin is not [var origin] || (Uri.TryCreate(origin, UriKind.Absolute, out var uri) && uri.Authority == Authority(request));
    }

    /// <summary>Host and port as a browser writes them in Origin, without the scheme's own port.</summary>
    private static string Authority(HttpRequest request) => new UriBuilder(request.Scheme, request.Host.Host, request.Host.Port ?? -1).Uri.Authority;
}
