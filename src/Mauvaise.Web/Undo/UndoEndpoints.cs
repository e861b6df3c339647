using Mauvaise.Core.Gardens;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Undo;

/// <param name="DeedId">The deed that the button named.</param>
public sealed record UndoRequest(long DeedId);

/// <summary>Taking back the last write.</summary>
public static class UndoEndpoints
{
    public static void MapUndo(this IEndpointRouteBuilder app) => app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Undo").MapPost("/undo", Undo);

    private static async Task<Results<NoContent, ProblemHttpResult>> Undo(
        Guid gardenId,
        UndoRequest body,
        HttpContext http,
        GardenTools tools,
        CancellationToken stop
    )
    {
        // Where people sign in, one takes back what one did oneself; who keeps the garden may take back anything.
        var only = http.Features.Get<Standing>() is { Role: not Role.Owner } standing ? standing.MemberId : (Guid?)null;
        await tools.Log.UndoAsync(gardenId, body.DeedId, only, stop);
        return TypedResults.NoContent();
    }
}
