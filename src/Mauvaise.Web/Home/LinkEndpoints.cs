using System.Net;
using System.Text;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Ways;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Plan;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Home;

/// <summary>Links that open one thing to who has them: the calendar to a calendar, a page to neighbours.</summary>
public static class LinkEndpoints
{
    private const int MostLinks = 20;

    /// <summary>Neighbours read of sprays of so many days.</summary>
    private const int NeighbourDays = 21;

    public static void MapLinks(this IEndpointRouteBuilder app)
    {
        var links = app.MapGroup("/api/gardens/{gardenId:guid}/links").WithTags("Home");
        links.MapGet("", List);
        links.MapPost("", Make);
        links.MapDelete("/{linkId:guid}", End);
        app.MapGet("/links/{key}/calendar.ics", Calendar).ExcludeFromDescription();
        app.MapGet("/links/{key}", Neighbours).ExcludeFromDescription();
    }

    private static async Task<Ok<List<LinkAnswer>>> List(Guid gardenId, GardenTools tools, CancellationToken stop) =>
        TypedResults.Ok(
            (await tools.Db.Links.AsNoTracking().Where(l => l.GardenId == gardenId && l.EndedAt == null).OrderBy(l => l.MadeAt).ToListAsync(stop)).ConvertAll(
                l => new LinkAnswer(l.Id, l.Kind, l.Name, l.MadeAt)
            )
        );

    /// <summary>Makes a link. Its address is told once; a repeated send makes it anew, since nobody read the first.</summary>
    private static async Task<Results<Ok<MadeLink>, ProblemHttpResult>> Make(
        Guid gardenId,
        NewLink body,
        HttpRequest request,
        GardenTools tools,
        HomeSettings home,
        HomeNames names,
        CancellationToken stop
    )
    {
        if (!await tools.Db.Gardens.AnyAsync(g => g.Id == gardenId, stop))
        {
            return Problems.NotFound("garden");
        }

        var row = await tools.Db.Links.FirstOrDefaultAsync(l => l.Id == body.Id, stop);
        var checks = new Checks()
            .That(body.Name.Trim() is { Length: > 0 and <= 80 }, "name", "link-name", Say.Of("home.sayWhomTheLink"))
            .That(row is null || row.GardenId == gardenId, "id", "id-taken", Say.Of("home.somethingElseHasThisIdAlready"))
            .That(
                row is not null || await tools.Db.Links.CountAsync(l => l.GardenId == gardenId && l.EndedAt == null, stop) < MostLinks,
                "name",
                "links-many",
                Say.Of("home.aGardenHasUpToLinks", ("mostLinks", MostLinks))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var key = Keys.New();
        if (row is null)
        {
            tools.Db.Links.Add(
                row = new LinkRow
                {
                    Id = body.Id,
                    GardenId = gardenId,
                    Name = "",
                    KeyHash = "",
                    MadeAt = tools.Now,
                }
            );
        }

        (row.Kind, row.Name, row.KeyHash, row.EndedAt) = (body.Kind, body.Name.Trim(), Keys.Hash(key), null);
        await tools.Db.SaveChangesAsync(stop);
        var at = home.On ? names.Address : $"{request.Scheme}://{request.Host}";
        return TypedResults.Ok(new MadeLink(row.Id, $"{at}/links/{key}{(body.Kind == LinkKind.Calendar ? "/calendar.ics" : "")}"));
    }

    private static async Task<NoContent> End(Guid gardenId, Guid linkId, GardenTools tools, CancellationToken stop)
    {
        await tools
            .Db.Links.Where(l => l.Id == linkId && l.GardenId == gardenId && l.EndedAt == null)
            .ExecuteUpdateAsync(l => l.SetProperty(x => x.EndedAt, tools.Now), stop);
        return TypedResults.NoContent();
    }

    private static Task<Guid> GardenOfAsync(string key, LinkKind kind, GardenTools tools, CancellationToken stop)
    {
        var hash = Keys.Hash(key);
        return tools.Db.Links.Where(l => l.KeyHash == hash && l.Kind == kind && l.EndedAt == null).Select(l => l.GardenId).FirstOrDefaultAsync(stop);
    }

    private static async Task<Results<ContentHttpResult, ProblemHttpResult>> Calendar(
        string key,
        GardenTools tools,
        FeedKeeper keeper,
        CancellationToken stop
    ) =>
        await GardenOfAsync(key, LinkKind.Calendar, tools, stop) is var id && id != Guid.Empty
            ? await FeedEndpoints.Feed(id, tools, keeper, stop)
            : Problems.NotFound("link");

    /// <summary>What neighbours may want to know: what was sprayed where and when. No name of anybody, no position.</summary>
    private static async Task<Results<ContentHttpResult, ProblemHttpResult>> Neighbours(string key, GardenTools tools, CancellationToken stop)
    {
        if (await GardenOfAsync(key, LinkKind.Neighbours, tools, stop) is var id && id == Guid.Empty || await tools.LoadAsync(id, stop) is not { } s)
        {
            return Problems.NotFound("link");
        }

        var lines = s
            .Applications.Where(a => a.At <= s.Now && a.At >= s.Now.AddDays(-NeighbourDays))
            .OrderByDescending(a => a.At)
            .Select(a =>
                (
                    On: WayWords.Day(s.Garden.DateOf(a.At)),
                    What: Say.Of("home.materialOn", ("material", s.Catalogue.FindMaterial(a.Material)?.Name ?? a.Material), ("where", WhereOf(s, a)))
                )
            )
            .Select(line => $"<li><b>{Text(line.On)}</b>: {Text(line.What)}</li>");
        return TypedResults.Text(
            $"""
            <!doctype html><html lang="{Say.Language.Code}"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
            <meta name="robots" content="noindex">
            <title>{Text(s.Garden.Name)}</title>
            <style>body {"{"} font: 1rem/1.5 system-ui, sans-serif; max-width: 40rem; margin: 2rem auto; padding: 0 1rem; color: #2b1a33;
            background: #f8f6fa {"}"} li {"{"} margin: .4rem 0 {"}"}</style>
            <h1>{Text(s.Garden.Name)}</h1><p>{Text(Say.Of("home.whatWasSprayedInTheLast", ("days", NeighbourDays)))}</p>
            <ul>{new StringBuilder().AppendJoin("", lines)}</ul>{(lines.Any() ? "" : $"<p>{Text(Say.Of("home.nothing"))}</p>")}</html>
            """,
            "text/html; charset=utf-8"
        );
    }

    private static string WhereOf(GardenSnapshot s, SprayApplication a) =>
        string.Join(", ", a.Treated.Select(t => s.FindPlanting(t.PlantingId)).OfType<Planting>().Select(s.Where).Distinct());

    private static string Text(string words) => WebUtility.HtmlEncode(words);
}
