using Mauvaise.Web.Home;

namespace Mauvaise.Web.Hosting;

/// <summary>
/// Writes to gardens go through one after the other, so that each sees what the one before left: ten sprays take ten doses from the
/// shelf, and the same parcel sent three times at once is written once and answered three times.
/// </summary>
public sealed class WriteGate : IDisposable
{
    private readonly SemaphoreSlim one = new(1, 1);

    /// <summary>Filter for every route: reads pass, writes queue.</summary>
    public static async ValueTask<object?> Filter(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var http = context.HttpContext;
        if (HttpMethods.IsGet(http.Request.Method) || http.Request.RouteValues["gardenId"] is null)
        {
            return await next(context);
        }

        var gate = http.RequestServices.GetRequiredService<WriteGate>();
        await gate.one.WaitAsync(http.RequestAborted);
        try
        {
            return await next(context);
        }
        finally
        {
            gate.one.Release();
            if (Guid.TryParse(http.Request.RouteValues["gardenId"]?.ToString(), out var gardenId))
            {
                http.RequestServices.GetRequiredService<GardenNews>().Tell(gardenId, http.Request.Headers[GardenNews.PageHeader].ToString());
            }
        }
    }

    public void Dispose() => one.Dispose();
}
