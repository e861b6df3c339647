using System.Collections;
using System.Collections.Concurrent;
using System.Reflection;
using Mauvaise.Core.Words;
using Mauvaise.Store;
using Mauvaise.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Home;

/// <summary>
/// On the home network a deed is signed by the session: whoever a request says it is from, it is from who is signed in. A guest's
/// writes are held to the places that the guest was asked to.
/// </summary>
public static class SignedDeeds
{
    /// <summary>What names the writer, in a body and as a parameter.</summary>
    private static readonly string[] Names = ["MemberId", "Member"];

    private static readonly ConcurrentDictionary<Type, PropertyInfo[]> Properties = new();

    /// <summary>Filter for every route.</summary>
    public static EndpointFilterDelegate Filter(EndpointFilterFactoryContext context, EndpointFilterDelegate next)
    {
        var brought = SoundRequest.Brought(context);
        var writers = brought
            .Where(p => p.Item.ParameterType == typeof(Guid?) && Names.Contains(p.Item.Name, StringComparer.OrdinalIgnoreCase))
            .Select(p => p.Index)
            .ToList();
        return async invocation =>
        {
            var http = invocation.HttpContext;
            if (HttpMethods.IsGet(http.Request.Method) || http.Features.Get<Standing>() is not { } standing)
            {
                return await next(invocation);
            }

            foreach (var index in writers)
            {
                invocation.Arguments[index] = standing.MemberId;
            }

            var plantings = new HashSet<Guid>();
            var places = new HashSet<Guid>();
            foreach (var (index, _) in brought)
            {
                Sign(invocation.Arguments[index], standing.MemberId, plantings, places, 0);
            }

            return standing.Places is { } allowed && !await WithinAsync(http, allowed, plantings, places)
                ? Problems.Of(StatusCodes.Status403Forbidden, "other-place", Say.Of("home.youWereAskedToOtherPlaces"))
                : await next(invocation);
        };
    }

    private static async Task<bool> WithinAsync(HttpContext http, IReadOnlySet<Guid> allowed, HashSet<Guid> plantings, HashSet<Guid> places)
    {
        var db = http.RequestServices.GetRequiredService<GardenDb>();
        foreach (var (name, set) in new[] { ("placeId", places), ("plantingId", plantings) })
        {
            if (Guid.TryParse(http.Request.RouteValues[name]?.ToString(), out var id))
            {
                set.Add(id);
            }
        }

        if (Guid.TryParse(http.Request.RouteValues["observationId"]?.ToString(), out var seen))
        {
            plantings.UnionWith(await db.Observations.Where(o => o.Id == seen).Select(o => o.PlantingId).ToListAsync(http.RequestAborted));
        }

        places.UnionWith(await db.Plantings.Where(p => plantings.Contains(p.Id)).Select(p => p.PlaceId).ToListAsync(http.RequestAborted));
        return places.IsSubsetOf(allowed);
    }

    /// <summary>Signs a body with all that it holds, and notes which plantings and places it is about.</summary>
    private static void Sign(object? value, Guid memberId, HashSet<Guid> plantings, HashSet<Guid> places, int depth)
    {
        if (depth > 6)
        {
            return;
        }

        if (value is IEnumerable list and not string)
        {
            foreach (var item in list)
            {
                Sign(item, memberId, plantings, places, depth + 1);
            }

            return;
        }

        if (value is null || value.GetType().Namespace?.StartsWith("Mauvaise.", StringComparison.Ordinal) != true)
        {
            return;
        }

        foreach (var property in Properties.GetOrAdd(value.GetType(), t => [.. t.GetProperties().Where(p => p.GetIndexParameters().Length == 0 && p.CanWrite)]))
        {
            if (property.PropertyType == typeof(Guid?) && Names.Contains(property.Name, StringComparer.Ordinal))
            {
                property.SetValue(value, memberId);
            }
            else if (property.Name == "PlantingId" && property.GetValue(value) is Guid planting)
            {
                plantings.Add(planting);
            }
            else if (property.Name == "PlaceId" && property.GetValue(value) is Guid place)
            {
                places.Add(place);
            }
            else if (!property.PropertyType.IsValueType)
            {
                Sign(property.GetValue(value), memberId, plantings, places, depth + 1);
            }
        }
    }
}
