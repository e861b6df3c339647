using System.Collections;
using System.Collections.Concurrent;
using System.ComponentModel.DataAnnotations;
using System.Reflection;
using System.Security.Claims;
using System.Text.Json;
using Mauvaise.Core.Words;

namespace Mauvaise.Web.Hosting;

/// <summary>
/// Looks through all that a request brought before a handler sees it: no holes in lists, no id of zeros, no number, date, text or
/// list beyond what any garden has. What a figure means is checked by whoever asks for it.
/// </summary>
public static class SoundRequest
{
    /// <summary>
    /// Letters of a text, and things in a list, unless it says otherwise with <see cref="StringLengthAttribute"/> or <see cref="MaxLengthAttribute"/>.
    /// </summary>
    public const int MostLetters = 2000,
        MostThings = 500;

    /// <summary>Numbers nearer to nought than this are slips, and so are those beyond <see cref="Largest"/>.</summary>
    public const double Smallest = 1e-9,
        Largest = 1e9;

    /// <summary>Nobody gardens outside these years.</summary>
    public const int FirstYear = 1900,
        LastYear = 2200;

    private static readonly ConcurrentDictionary<Type, PropertyInfo[]> Properties = new();

    /// <summary>Filter for every route.</summary>
    public static EndpointFilterDelegate Filter(EndpointFilterFactoryContext context, EndpointFilterDelegate next)
    {
        var brought = Brought(context);
        return brought.Count == 0
            ? next
            : invocation =>
            {
                var checks = new Checks();
                foreach (var (index, parameter) in brought)
                {
                    var isBody = IsRecord(parameter.ParameterType);
                    Look(checks, isBody ? "" : parameter.Name!, invocation.Arguments[index], parameter, 0);
                }

                return checks.Passed ? next(invocation) : ValueTask.FromResult<object?>(checks.Problem());
            };
    }

    /// <summary>The parameters of a handler that the request fills, with their places.</summary>
    internal static IReadOnlyList<(int Index, ParameterInfo Item)> Brought(EndpointFilterFactoryContext context)
    {
        var isService = context.ApplicationServices.GetRequiredService<IServiceProviderIsService>();
        return
        [
            .. context
                .MethodInfo.GetParameters()
                .Index()
                .Where(p => !Array.Exists(Given, given => given.IsAssignableFrom(p.Item.ParameterType)) && !isService.IsService(p.Item.ParameterType)),
        ];
    }

    /// <summary>What the framework gives a handler.</summary>
    private static readonly Type[] Given = [typeof(CancellationToken), typeof(HttpContext), typeof(HttpRequest), typeof(ClaimsPrincipal)];

    private static void Look(Checks checks, string path, object? value, ICustomAttributeProvider said, int depth)
    {
        switch (value)
        {
            case null:
                return;
            case string text:
                var letters = Said<StringLengthAttribute>(said)?.MaximumLength ?? MostLetters;
                checks
                    .That(text.Length <= letters, path, "text-long", Say.Of("hosting.thisHasUpToLetters", ("letters", letters)))
                    .That(!text.Contains('\0', StringComparison.Ordinal), path, "text-odd", Say.Of("hosting.thisHoldsASign"));
                return;
            case double number:
                checks.That(
                    double.IsFinite(number) && Math.Abs(number) <= Largest && (number == 0 || Math.Abs(number) >= Smallest),
                    path,
                    "out-of-range",
                    Say.Of("hosting.thisIsNoNumber")
                );
                return;
            case int whole:
                checks.That(Math.Abs((long)whole) <= Largest, path, "out-of-range", Say.Of("hosting.thisIsNoNumber"));
                return;
            case Guid id:
                checks.That(id != Guid.Empty, path, "id-nil", Say.Of("hosting.anIdOfZerosNamesNothing"));
                return;
            case DateTimeOffset at:
                checks.That(
                    at.Year is >= FirstYear and <= LastYear,
                    path,
                    "time-range",
                    Say.Of("hosting.timesLieBetween", ("firstYear", FirstYear), ("lastYear", LastYear))
                );
                return;
            case DateOnly day:
                checks.That(
                    day.Year is >= FirstYear and <= LastYear,
                    path,
                    "day-range",
                    Say.Of("hosting.daysLieBetween", ("firstYear", FirstYear), ("lastYear", LastYear))
                );
                return;
            case IEnumerable list:
                Through(checks, path, list, said, depth);
                return;
            default:
                if (IsRecord(value.GetType()) && depth < 12)
                {
                    foreach (
                        var property in Properties.GetOrAdd(value.GetType(), t =>
                            [.. t.GetProperties().Where(p => p.GetIndexParameters().Length == 0 && p.CanWrite)]
                        )
                    )
                    {
                        Look(
                            checks,
                            (path.Length == 0 ? "" : path + ".") + JsonNamingPolicy.CamelCase.ConvertName(property.Name),
                            property.GetValue(value),
                            property,
                            depth + 1
                        );
                    }
                }

                return;
        }
    }

    private static void Through(Checks checks, string path, IEnumerable list, ICustomAttributeProvider said, int depth)
    {
        var most = Said<MaxLengthAttribute>(said)?.Length ?? MostThings;
        var mayBeNull = list.GetType()
            .GetInterfaces()
            .Any(i =>
                i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IEnumerable<>) && Nullable.GetUnderlyingType(i.GetGenericArguments()[0]) is not null
            );
        var index = 0;
        foreach (var thing in list)
        {
            if (index == most)
            {
                checks.That(false, path, "list-long", Say.Of("hosting.sendUpToAtOnce", ("most", most)));
                return;
            }

            checks.That(thing is not null || mayBeNull, $"{path}[{index}]", "hole", Say.Of("hosting.thereIsNothingHereLeave"));
            Look(checks, $"{path}[{index}]", thing, said, depth + 1);
            index++;
        }
    }

    private static T? Said<T>(ICustomAttributeProvider said)
        where T : Attribute => said.GetCustomAttributes(typeof(T), true).OfType<T>().FirstOrDefault();

    private static bool IsRecord(Type type) => type.Namespace?.StartsWith("Mauvaise.", StringComparison.Ordinal) == true && !type.IsEnum;
}
