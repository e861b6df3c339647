using System.Globalization;
using System.Security.Claims;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Archive;
using Mauvaise.Web.Home;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Photos;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Archive;

/// <summary>What was brought in.</summary>
/// <param name="BackupName">File name of the copy of the data that was made just before; null when there was nothing to copy.</param>
public sealed record TakenIn(MergePreview What, string? BackupName);

/// <summary>A whole garden out and in.</summary>
public static class ArchiveEndpoints
{
    private const string Zip = "application/zip";

    public static void MapArchive(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/gardens/{gardenId:guid}/archive", Write).WithTags("Archive").Produces(StatusCodes.Status200OK, contentType: Zip);
        app.MapPost("/api/archive/preview", (HttpRequest request, GardenDb db, Settings settings, CancellationToken stop) =>
                OpenedAsync<Ok<MergePreview>>(request, settings, async opened => TypedResults.Ok(await new ArchiveMerge(db).PreviewAsync(opened, stop)), stop)
            )
            .WithTags("Archive")
            .Accepts<byte[]>(Zip);
        app.MapPost(
                "/api/archive",
                (
                    bool takeTheirs,
                    Guid? memberId,
                    HttpRequest request,
                    ClaimsPrincipal user,
                    GardenTools tools,
                    Settings settings,
                    WriteGate gate,
                    CancellationToken stop
                ) =>
                    OpenedAsync<Ok<TakenIn>>(
                        request,
                        settings,
                        async opened => TypedResults.Ok(await TakeInAsync(opened, takeTheirs, memberId, user, tools, settings, gate, stop)),
                        stop
                    )
            )
            .WithTags("Archive")
            .Accepts<byte[]>(Zip);
        app.MapGet("/api/archive/schema", () => TypedResults.Text(GardenArchive.Schema(), "application/schema+json")).WithTags("Archive");
    }

    private static async Task<Results<EmptyHttpResult, ProblemHttpResult>> Write(
        Guid gardenId,
        HttpResponse response,
        GardenTools tools,
        Settings settings,
        CancellationToken stop
    )
    {
        if (await new ArchiveMerge(tools.Db).ReadAsync(gardenId, stop) is not { } archive)
        {
            return Problems.NotFound("garden");
        }

        // Made whole first: half a file that looks whole is worse than an error.
        await using var file = Disk.Scratch(settings.DataFolder);
        await ArchiveFile.WriteAsync(tools.Db, archive, file, stop);
        file.Position = 0;
        var name = string.Concat(archive.Garden.Name.ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')).Trim('-');
        response.ContentType = Zip;
        response.ContentLength = file.Length;
        response.Headers.ContentDisposition = string.Create(
            CultureInfo.InvariantCulture,
            $"attachment; filename=\"{(name.Length > 0 ? name : "garden")}-{tools.Now:yyyy-MM-dd}.zip\""
        );
        await file.CopyToAsync(response.Body, stop);
        return TypedResults.Empty;
    }

    private static async Task<TakenIn> TakeInAsync(
        OpenedArchive opened,
        bool takeTheirs,
        Guid? memberId,
        ClaimsPrincipal user,
        GardenTools tools,
        Settings settings,
        WriteGate gate,
        CancellationToken stop
    )
    {
        var db = tools.Db;
        var merge = new ArchiveMerge(db);
        var preview = await merge.PreviewAsync(opened, stop);
        string? backup = null;
        if (await db.Gardens.AnyAsync(stop))
        {
            backup = Backups.Name(CopyKind.BeforeMerge, tools.Now);
            Backups.Copy(settings.DatabasePath, Path.Combine(settings.BackupFolder, backup));
        }

        var person = Sessions.PersonOf(user);
        // Who signed in is who brings it in, whatever the request says.
        memberId = await (
            person is null
                ? db.Members.Where(m => m.Id == memberId && m.GardenId == opened.Archive.Garden.Id).Select(m => (Guid?)m.Id)
                : db.Grants.Where(g => g.PersonId == person && g.GardenId == opened.Archive.Garden.Id).Select(g => (Guid?)g.MemberId)
        ).FirstOrDefaultAsync(stop);

        using (await gate.HoldAsync(stop))
        {
            await merge.TakeInAsync(opened, takeTheirs, tools.Log, memberId, PhotoFrame.AsKept, stop);
        }

        if (person is not null)
        {
            await Household.OwnAsync(db, person.Value, stop);
        }

        return new TakenIn(preview, backup);
    }

    /// <summary>Keeps the body in a file for as long as it is read from, since a zip is read from its end.</summary>
    private static async Task<Results<TOk, ProblemHttpResult>> OpenedAsync<TOk>(
        HttpRequest request,
        Settings settings,
        Func<OpenedArchive, Task<TOk>> use,
        CancellationToken stop
    )
        where TOk : IResult
    {
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size)
        {
            size.MaxRequestBodySize = ArchiveFile.MostBytes;
        }

        try
        {
            await using var file = Disk.Scratch(settings.DataFolder);
            await request.Body.CopyToAsync(file, stop);
            file.Position = 0;
            using var opened = await ArchiveFile.OpenAsync(file, stop);
            return await use(opened);
        }
        catch (PhotoRefusedException e)
        {
            return Problems.Of(StatusCodes.Status400BadRequest, "archive-photo", Say.Of("archive.aPhotoInThisFileCan", ("message", e.Message)));
        }
        catch (ArchiveRefusedException e)
        {
            return Problems.Of(StatusCodes.Status400BadRequest, e.Code, e.Message);
        }
    }
}
