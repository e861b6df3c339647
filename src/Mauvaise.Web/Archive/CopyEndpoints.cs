using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Archive;

/// <summary>The copies of the data file.</summary>
/// <param name="Folder">Where they lie.</param>
/// <param name="Copies">The newest first.</param>
public sealed record CopiesAnswer(string Folder, long DataBytes, IReadOnlyList<KeptCopy> Copies);

/// <summary>What a look through a data file found.</summary>
public sealed record ExaminedAnswer(bool Sound, IReadOnlyList<Examined> Found);

/// <param name="Done">What was done; empty when there was nothing to mend.</param>
public sealed record MendedAnswer(IReadOnlyList<string> Done, ExaminedAnswer Now);

/// <param name="KeptAs">The copy of what was there.</param>
public sealed record RestoredAnswer(string KeptAs);

/// <summary>Copies of all data: made, looked into and put back while the app runs, and the data looked through.</summary>
public static class CopyEndpoints
{
    public static void MapCopies(this IEndpointRouteBuilder app)
    {
        var api = app.MapGroup("/api").WithTags("Copies");
        api.MapGet("/backups", (Settings settings) => TypedResults.Ok(All(settings)));
        api.MapPost("/backups", Make);
        api.MapGet("/backups/{name}", Look);
        api.MapPost("/backups/{name}/restore", Restore);
        api.MapGet("/doctor", async (Settings settings, CancellationToken stop) => TypedResults.Ok(await ExamineAsync(settings.DatabasePath, settings, stop)));
        api.MapPost("/doctor/mend", Mend);
    }

    private static CopiesAnswer All(Settings settings) =>
        new(settings.BackupFolder, Length(settings.DatabasePath) + Length(settings.DatabasePath + "-wal"), Backups.All(settings.BackupFolder));

    private static async Task<Ok<CopiesAnswer>> Make(Settings settings, WriteGate gate, CancellationToken stop)
    {
        using (await gate.HoldAsync(stop))
        {
            Backups.CopyByHand(settings.DatabasePath, settings.BackupFolder, TimeProvider.System.GetLocalNow());
            return TypedResults.Ok(All(settings));
        }
    }

    private static async Task<Results<Ok<ExaminedAnswer>, ProblemHttpResult>> Look(string name, Settings settings, CancellationToken stop) =>
        Find(name, settings) is { } file ? TypedResults.Ok(await ExamineAsync(file, null, stop)) : Problems.NotFound("copy");

    private static async Task<Results<Ok<RestoredAnswer>, ProblemHttpResult>> Restore(string name, Settings settings, WriteGate gate, CancellationToken stop)
    {
        if (Find(name, settings) is not { } file)
        {
            return Problems.NotFound("copy");
        }

        using (await gate.HoldAsync(stop))
        {
            try
            {
                return TypedResults.Ok(
                    new RestoredAnswer(
                        await Backups.RestoreInUseAsync(file, settings.DatabasePath, settings.BackupFolder, TimeProvider.System.GetLocalNow(), stop)
                    )
                );
            }
            catch (DamagedDataException e)
            {
                return Problems.Refused("copy-damaged", Say.Of("archive.thisCopyCanNotBePut", ("what", e.What)));
            }
        }
    }

    private static async Task<Ok<MendedAnswer>> Mend(Settings settings, WriteGate gate, CancellationToken stop)
    {
        using (await gate.HoldAsync(stop))
        {
            var done = await Doctor.MendAsync(settings.DatabasePath, settings.BackupFolder, TimeProvider.System.GetLocalNow(), stop);
            return TypedResults.Ok(new MendedAnswer(done, await ExamineAsync(settings.DatabasePath, settings, stop)));
        }
    }

    private static async Task<ExaminedAnswer> ExamineAsync(string file, Settings? withCopies, CancellationToken stop)
    {
        var found = await Doctor.ExamineAsync(file, withCopies?.BackupFolder, TimeProvider.System.GetLocalNow(), stop);
        return new ExaminedAnswer(found.All(f => f.Sound), found);
    }

    /// <summary>Only what stands in the list: a name that leads elsewhere is none of it.</summary>
    private static string? Find(string name, Settings settings) =>
        Backups.All(settings.BackupFolder).Any(c => c.Name == name) ? Path.Combine(settings.BackupFolder, name) : null;

    private static long Length(string file) => File.Exists(file) ? new FileInfo(file).Length : 0;
}
