using Mauvaise.Store.Deeds;
using Microsoft.AspNetCore.Diagnostics;

namespace Mauvaise.Web.Hosting;

/// <summary>Turns expected exceptions into problems, and gives every problem a stable code.</summary>
public sealed partial class ErrorAnswers(IProblemDetailsService problems, ILogger<ErrorAnswers> log) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, code, sentence) = exception switch
        {
            DeedRefusedException e => (StatusCodes.Status409Conflict, e.Code, e.Message),
            BadHttpRequestException e => (e.StatusCode, "not-readable", "The request can not be read: " + e.Message),
            _ => (StatusCodes.Status500InternalServerError, "our-mistake", "Something went wrong here; nothing was saved. Try again, and if it stays, restart Mauvaise."),
        };
        if (status >= StatusCodes.Status500InternalServerError)
        {
            // The framework no longer logs what a handler takes.
            LogMistake(log, exception, httpContext.Request.Method, httpContext.Request.Path);
        }

        httpContext.Response.StatusCode = status;
        return await problems.TryWriteAsync(new ProblemDetailsContext
        {
            HttpContext = httpContext,
            Exception = exception,
            ProblemDetails = { Status = status, Title = sentence, Detail = sentence, Extensions = { ["code"] = code } },
        });
    }

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
