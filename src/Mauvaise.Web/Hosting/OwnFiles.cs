using Microsoft.AspNetCore.StaticFiles;

namespace Mauvaise.Web.Hosting;

/// <summary>How long a browser may keep the client's files.</summary>
public static class OwnFiles
{
    /// <summary>What carries its content in its name is kept for good; the page itself, and what keeps it on the device, is asked for anew.</summary>
    public static void Keep(StaticFileResponseContext file)
    {
        var path = file.Context.Request.Path;
        // The page is answered at every address, at one below the files too.
        var named = path.StartsWithSegments("/assets") && path.Value!.EndsWith("/" + file.File.Name, StringComparison.Ordinal);
        file.Context.Response.Headers.CacheControl = named ? "public, max-age=31536000, immutable" : "no-cache";
    }
}
