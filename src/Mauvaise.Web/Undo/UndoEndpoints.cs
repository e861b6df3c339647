using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Undo;

/// <param name="DeedId">The deed that the button named.</param>
public sealed record UndoRequest(long DeedId);

/// <summary>Taking back the last write.</summary>
public static class UndoEndpoints
{
    public static void MapUndo(this IEndpointRouteBuilder app) =>
        app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Undo").MapPost("/undo", Undo);

    private static async Task<Results<NoContent, ProblemHttpResult>> Undo(Guid gardenId, UndoRequest body, GardenTools tools, CancellationToken stop)
    {
        await tools.Log.UndoAsync(gardenId, body.DeedId, stop);
        return TypedResults.NoContent();
    }
}
