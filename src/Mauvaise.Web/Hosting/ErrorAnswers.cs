using System.Text.Json;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Store.Deeds;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Hosting;

/// <summary>Turns expected exceptions into problems, and gives every problem a stable code.</summary>
public sealed partial class ErrorAnswers(IProblemDetailsService problems, ILogger<ErrorAnswers> log) : IExceptionHandler
{
    /// <summary>What the system calls a full disk.</summary>
    private const int NoSpaceOnUnix = 28,
        NoSpaceOnWindows = unchecked((int)0x80070070);

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, code, sentence) = exception switch
        {
            DamagedDataException e => (StatusCodes.Status409Conflict, "data-damaged", Say.Of("hosting.partOfTheDataIsDamaged", ("what", e.What))),
            DeedRefusedException e => (StatusCodes.Status409Conflict, e.Code, e.Message),
            BadHttpRequestException e => (
                e.StatusCode,
                "not-readable",
                Say.Of("hosting.theRequestCanNotBeRead", ("readable", e.InnerException is JsonException json ? Readable(json) : e.Message))
            ),
            DbUpdateException { InnerException: SqliteException e } => OfFile(e),
            SqliteException e => OfFile(e),
            IOException { HResult: NoSpaceOnUnix or NoSpaceOnWindows } => (
                StatusCodes.Status507InsufficientStorage,
                "disk-full",
                Say.Of("hosting.theDiskIsFullNothing")
            ),
            _ => (StatusCodes.Status500InternalServerError, "our-mistake", Say.Of("hosting.somethingWentWrongHereNothing")),
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
            ProblemDetails =
            {
                Status = status,
                Title = sentence,
                Detail = sentence,
                Extensions = { ["code"] = code },
            },
        };
        if (exception is ChangedMeanwhileException changed)
        {
            problem.ProblemDetails.Extensions["clashes"] = changed.Clashes;
        }

        return await problems.TryWriteAsync(problem);
    }

    /// <summary>Where and why a body does not read, without what it said.</summary>
    private static string Readable(JsonException e) =>
        (
            e.Message.StartsWith("It is one of", StringComparison.Ordinal)
                ? Say.Of("hosting.pathMessage", ("path", e.Path?.TrimStart('$', '.')), ("message", e.Message))
                : Say.Of("hosting.thisIsNotWhatBelongsHere", ("path", e.Path?.TrimStart('$', '.')))
        ).TrimStart(':', ' ');

    /// <summary>What the data file has against a write.</summary>
    private static (int Status, string Code, string Sentence) OfFile(SqliteException e) =>
        (e.SqliteErrorCode, e.SqliteExtendedErrorCode) switch
        {
            (19, 787) => (StatusCodes.Status409Conflict, "refers-to-nothing", Say.Of("hosting.thisNamesSomethingThatIsNot")),
            (19, _) => (StatusCodes.Status409Conflict, "id-taken", Say.Of("hosting.somethingElseHasThisIdAlready")),
            (5 or 6, _) => (StatusCodes.Status503ServiceUnavailable, "file-busy", Say.Of("hosting.anotherProgramHoldsTheDataFile")),
            (13, _) => (StatusCodes.Status507InsufficientStorage, "disk-full", Say.Of("hosting.theDiskIsFullNothing")),
            (8 or 14, _) => (StatusCodes.Status507InsufficientStorage, "file-read-only", Say.Of("hosting.theDataFileCanNot")),
            _ => (StatusCodes.Status500InternalServerError, "our-mistake", Say.Of("hosting.theDataFileDidNotTake")),
        };

    [LoggerMessage(Level = LogLevel.Error, Message = "{Method} {Path} failed")]
    private static partial void LogMistake(ILogger log, Exception exception, string method, string path);

    /// <summary>Codes for problems that the framework makes itself.</summary>
    public static void AddCode(ProblemDetailsContext context) =>
        context.ProblemDetails.Extensions.TryAdd(
            "code",
            context.ProblemDetails.Status switch
            {
                StatusCodes.Status404NotFound => "not-found",
                StatusCodes.Status405MethodNotAllowed => "not-allowed",
                StatusCodes.Status415UnsupportedMediaType => "not-json",
                >= 500 => "our-mistake",
                _ => "not-readable",
            }
        );
}
