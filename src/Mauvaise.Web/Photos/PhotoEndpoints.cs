using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Photos;

public sealed record PhotoAnswer(Guid Id, DateTimeOffset At, int Width, int Height);

/// <summary>Photos of what was seen: kept with the data, small, and without the place they were taken at.</summary>
public static class PhotoEndpoints
{
    private const int MostPhotos = 12;

    /// <summary>Decoding takes memory: one photo at a time.</summary>
    private static readonly SemaphoreSlim Desk = new(1);

    public static void MapPhotos(this IEndpointRouteBuilder app)
    {
        var garden = app.MapGroup("/api/gardens/{gardenId:guid}").WithTags("Photos");
        garden.MapGet("/observations/{observationId:guid}/photos", List);
        garden.MapPut("/observations/{observationId:guid}/photos/{photoId:guid}", Put).Accepts<byte[]>("image/jpeg", "image/png", "image/webp");
        garden.MapDelete("/photos/{photoId:guid}", Remove);
        garden
            .MapGet("/photos/{photoId:guid}", (Guid gardenId, Guid photoId, GardenTools tools, CancellationToken stop) =>
                Picture(gardenId, photoId, false, tools, stop)
            )
            .Produces(StatusCodes.Status200OK, contentType: "image/jpeg");
        garden
            .MapGet("/photos/{photoId:guid}/small", (Guid gardenId, Guid photoId, GardenTools tools, CancellationToken stop) =>
                Picture(gardenId, photoId, true, tools, stop)
            )
            .Produces(StatusCodes.Status200OK, contentType: "image/jpeg");
    }

    private static async Task<Ok<IReadOnlyList<PhotoAnswer>>> List(Guid gardenId, Guid observationId, GardenTools tools, CancellationToken stop) =>
        TypedResults.Ok<IReadOnlyList<PhotoAnswer>>(
            await tools
                .Db.Photos.AsNoTracking()
                .Where(p => p.GardenId == gardenId && p.ObservationId == observationId && p.RemovedAt == null)
                .OrderBy(p => p.At)
                .Select(p => new PhotoAnswer(p.Id, p.At, p.Width, p.Height))
                .ToListAsync(stop)
        );

    /// <summary>Keeps a photo. Sending it again changes nothing.</summary>
    private static async Task<Results<Ok<PhotoAnswer>, ProblemHttpResult>> Put(
        Guid gardenId,
        Guid observationId,
        Guid photoId,
        Guid? memberId,
        HttpRequest request,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Photos.AsNoTracking().FirstOrDefaultAsync(p => p.Id == photoId && p.GardenId == gardenId, stop) is { } kept)
        {
            return TypedResults.Ok(new PhotoAnswer(kept.Id, kept.At, kept.Width, kept.Height));
        }

        if (await tools.Db.Observations.AsNoTracking().FirstOrDefaultAsync(o => o.Id == observationId && o.GardenId == gardenId, stop) is not { } seen)
        {
            return Problems.NotFound("note");
        }

        if (await tools.Db.Photos.CountAsync(p => p.ObservationId == observationId && p.RemovedAt == null, stop) >= MostPhotos)
        {
            return Problems.Refused("photos-many", Say.Of("photos.aNoteHoldsUpToPhotos", ("mostPhotos", MostPhotos)));
        }

        if (await ReadAsync(request, stop) is not { } file)
        {
            return Problems.Of(StatusCodes.Status413PayloadTooLarge, "photo-large", Say.Of("photos.aPhotoMayHaveUp"));
        }

        FramedPhoto framed;
        await Desk.WaitAsync(stop);
        try
        {
            framed = PhotoFrame.Frame(file);
        }
        catch (PhotoRefusedException e)
        {
            return Problems.Of(StatusCodes.Status400BadRequest, e.Code, e.Message);
        }
        finally
        {
            Desk.Release();
        }

        await tools.Log.WriteAsync(
            gardenId,
            memberId,
            Say.Of("photos.addedAPhoto"),
            db =>
            {
                db.Photos.Add(
                    new PhotoRow
                    {
                        Id = photoId,
                        GardenId = gardenId,
                        ObservationId = observationId,
                        At = seen.At,
                        Width = framed.Width,
                        Height = framed.Height,
                    }
                );
                db.PhotoImages.Add(
                    new PhotoImageRow
                    {
                        PhotoId = photoId,
                        Image = framed.Image,
                        Small = framed.Small,
                    }
                );
            },
            stop
        );
        return TypedResults.Ok(new PhotoAnswer(photoId, seen.At, framed.Width, framed.Height));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Remove(
        Guid gardenId,
        Guid photoId,
        Guid? memberId,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (await tools.Db.Photos.FirstOrDefaultAsync(p => p.Id == photoId && p.GardenId == gardenId, stop) is not { } photo)
        {
            return Problems.NotFound("photo");
        }

        if (photo.RemovedAt is null)
        {
            await tools.Log.WriteAsync(gardenId, memberId, Say.Of("photos.removedAPhoto"), _ => photo.RemovedAt = tools.Now, stop);
        }

        return TypedResults.NoContent();
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Picture(
        Guid gardenId,
        Guid photoId,
        bool small,
        GardenTools tools,
        CancellationToken stop
    )
    {
        var found = await tools
            .Db.Photos.AsNoTracking()
            .Where(p => p.Id == photoId && p.GardenId == gardenId && p.RemovedAt == null)
            .Join(tools.Db.PhotoImages, p => p.Id, i => i.PhotoId, (_, i) => small ? i.Small : i.Image)
            .FirstOrDefaultAsync(stop);
        return found is null ? Problems.NotFound("photo") : TypedResults.File(found, "image/jpeg");
    }

    /// <summary>The body; null when it is longer than a photo may be.</summary>
    private static async Task<byte[]?> ReadAsync(HttpRequest request, CancellationToken stop)
    {
        if (request.ContentLength > PhotoFrame.MostBytes)
        {
            return null;
        }

        using var file = new MemoryStream();
        var buffer = new byte[81920];
        int read;
        while ((read = await request.Body.ReadAsync(buffer, stop)) > 0)
        {
            file.Write(buffer, 0, read);
            if (file.Length > PhotoFrame.MostBytes)
            {
                return null;
            }
        }

        return file.ToArray();
    }
}
