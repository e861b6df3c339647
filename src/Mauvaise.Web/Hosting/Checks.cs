using Mauvaise.Core.Words;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Hosting;

/// <summary>Gathers what is wrong with a request, field by field, in words a gardener can act on.</summary>
public sealed class Checks
{
    private readonly Dictionary<string, string[]> errors = [];
    private string? firstCode;

    public bool Passed => errors.Count == 0;

    /// <summary>Notes a fault unless <paramref name="holds"/>. Only the first fault of a field is kept.</summary>
    /// <param name="field">Field as the body names it; "" for the whole.</param>
    public Checks That(bool holds, string field, string code, string sentence)
    {
        if (!holds && errors.TryAdd(field, [sentence]))
        {
            firstCode ??= code;
        }

        return this;
    }

    /// <summary>A 400 with the code of the first fault and a sentence for each field.</summary>
    public ProblemHttpResult Problem() =>
        TypedResults.Problem(
            new HttpValidationProblemDetails(errors)
            {
                Status = StatusCodes.Status400BadRequest,
                Title = errors.Values.First()[0],
                Detail = string.Join(" ", errors.Values.Select(e => e[0])),
                Extensions = { ["code"] = firstCode },
            }
        );
}

/// <summary>Problems that are not about one field.</summary>
public static class Problems
{
    public static ProblemHttpResult Of(int status, string code, string sentence) =>
        TypedResults.Problem(title: sentence, detail: sentence, statusCode: status, extensions: new Dictionary<string, object?> { ["code"] = code });

    public static ProblemHttpResult NotFound(string what) =>
        Of(StatusCodes.Status404NotFound, "not-found", Say.Of("hosting.thereIsNoSuchInThis", ("what", what)));

    public static ProblemHttpResult Refused(string code, string sentence) => Of(StatusCodes.Status409Conflict, code, sentence);
}
