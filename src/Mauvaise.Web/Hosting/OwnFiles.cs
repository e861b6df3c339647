using Microsoft.AspNetCore.StaticFiles;

namespace Mauvaise.Web.Hosting;

/// <summary>The client's files: how they travel, and how long a browser may keep them.</summary>
public static class OwnFiles
{
    /// <summary>Beside a file lies the same one packed, where that is worth it.</summary>
    private const string Packed = ".br";

    public static WebApplication UseOwnFiles(this WebApplication app)
    {
        var files = app.Environment.WebRootFileProvider;
        app.Use(
            (http, next) =>
            {
                var request = http.Request;
                if (
                    (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
                    && request.GetTypedHeaders().AcceptEncoding.Any(e => e.Value == "br" && e.Quality != 0)
                    && files.GetFileInfo(request.Path + Packed).Exists
                )
                {
                    request.Path += Packed;
                }

                return next(http);
            }
        );
        app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = Prepare, ContentTypeProvider = new TypesOfPacked() });
        return app;
    }

    /// <summary>What carries its content in its name is kept for good; the page itself, and what keeps it on the device, is asked for anew.</summary>
    public static void Prepare(StaticFileResponseContext file)
    {
        var path = file.Context.Request.Path;
        var headers = file.Context.Response.Headers;
        // The page is answered at every address, at one below the files too.
        var named = path.StartsWithSegments("/assets") && path.Value!.EndsWith("/" + file.File.Name, StringComparison.Ordinal);
        headers.CacheControl = named ? "public, max-age=31536000, immutable" : "no-cache";
        headers.Vary = "Accept-Encoding";
        if (file.File.Name.EndsWith(Packed, StringComparison.Ordinal))
        {
            headers.ContentEncoding = "br";
        }
    }

    /// <summary>What is packed is still of the kind that it was.</summary>
    private sealed class TypesOfPacked : FileExtensionContentTypeProvider, IContentTypeProvider
    {
        bool IContentTypeProvider.TryGetContentType(string subpath, out string contentType) =>
            TryGetContentType(subpath.EndsWith(Packed, StringComparison.Ordinal) ? subpath[..^Packed.Length] : subpath, out contentType!);
    }
}
