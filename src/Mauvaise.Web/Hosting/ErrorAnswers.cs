using Mauvaise.Store;
using Mauvaise.Store.Deeds;
using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Hosting;

/// <summary>Turns expected exceptions into problems, and gives every problem a stable code.</summary>
public sealed partial class ErrorAnswers(IProblemDetailsService problems, ILogger<ErrorAnswers> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, code, sentence) = exception switch
        {
            DamagedDataException e => (StatusCodes.Status409Conflict, "data-damaged", $"Part of the data is damaged: {e.What} Nothing was changed. Put a copy back."),
            DeedRefusedException e => (StatusCodes.Status409Conflict, e.Code, e.Message),
            BadHttpRequestException e => (e.StatusCode, "not-readable", "The request can not be read: " + (e.InnerException is JsonException json ? Readable(json) : e.Message)),
            DbUpdateException { InnerException: SqliteException e } => OfFile(e),
            SqliteException e => OfFile(e),
            _ => (StatusCodes.Status500InternalServerError, "our-mistake", "Something went wrong here; nothing was saved. Try again, and if it stays, restart Mauvaise."),
        };
        if (status >= StatusCodes.Status500InternalServerError)
        {
            // The framework no longer logs what a handler takes.
            LogMistake(log, exception, httpContext.Request.Method, httpContext.Request.Path);
        }

        httpContext.Response.StatusCode = status;
        var problem = new ProblemDetailsContext
        {
            HttpContext = httpContext,
            Exception = exception,
            ProblemDetails = { Status = status, Title = sentence, Detail = sentence, Extensions = { ["code"] = code } },
        };
        if (exception is ChangedMeanwhileException changed)
        {
            problem.ProblemDetails.Extensions["clashes"] = changed.Clashes;
        }

        return await problems.TryWriteAsync(problem);
    }

    /// <summary>Where and why a body does not read, without what it said.</summary>
    private static string Readable(JsonException e) => $"{e.Path?.TrimStart('$', '.')}: {(e.Message.StartsWith("It is one of", StringComparison.Ordinal) ? e.Message : "this is not what belongs here.")}".TrimStart(':', ' ');

    /// <summary>What the data file has against a write.</summary>
    private static (int Status, string Code, string Sentence) OfFile(SqliteException e) => (e.SqliteErrorCode, e.SqliteExtendedErrorCode) switch
    {
        (19, 787) => (StatusCodes.Status409Conflict, "refers-to-nothing", "This names something that is not in the garden any more. Look at the list again."),
        (19, _) => (StatusCodes.Status409Conflict, "id-taken", "Something else has this id already. Send it again with a new one."),
        (5 or 6, _) => (StatusCodes.Status503ServiceUnavailable, "file-busy", "Another program holds the data file; nothing was saved. Try again in a moment."),
        (13, _) => (StatusCodes.Status507InsufficientStorage, "disk-full", "The disk is full; nothing was saved. Make room, then try again."),
        (8 or 14, _) => (StatusCodes.Status507InsufficientStorage, "file-read-only", "The data file can not be written; nothing was saved. Look at its rights and the disk."),
        _ => (StatusCodes.Status500InternalServerError, "our-mistake", "The data file did not take it; nothing was saved. Run a check of the file, and restore a copy if it is damaged."),
    };

    [LoggerMessage(Level = LogLevel.Error, Message = "{Method} {Path} failed")]
    private static partial void LogMistake(ILogger log, Exception exception, string method, string path);

    /// <summary>Codes for problems that the framework makes itself.</summary>
    public static void AddCode(ProblemDetailsContext context) =>
        context.ProblemDetails.Extensions.TryAdd("code", context.ProblemDetails.Status switch
        {
            StatusCodes.Status404NotFound => "not-found",
            StatusCodes.Status405MethodNotAllowed => "not-allowed",
            StatusCodes.Status415UnsupportedMediaType => "not-json",
            >= 500 => "our-mistake",
            _ => "not-readable",
        });
}
