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
        try
        {
            using (await gate.HoldAsync(http.RequestAborted))
            {
                return await next(context);
            }
        }
        finally
        {
            if (Guid.TryParse(http.Request.RouteValues["gardenId"]?.ToString(), out var gardenId))
            {
                http.RequestServices.GetRequiredService<GardenNews>().Tell(gardenId, http.Request.Headers[GardenNews.PageHeader].ToString());
            }
        }
    }

    /// <summary>Keeps all other writes waiting until what it gives is disposed.</summary>
    public async Task<IDisposable> HoldAsync(CancellationToken stop)
    {
        await one.WaitAsync(stop);
        return new Turn(one);
    }

    public void Dispose() => one.Dispose();

    private sealed class Turn(SemaphoreSlim one) : IDisposable
    {
        public void Dispose() => one.Release();
    }
}
