using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Store.Loading;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Gardens;

/// <summary>A crop or trouble of the household's own.</summary>
/// <param name="KindId">Under which plantings and counts name it.</param>
/// <param name="LikeName">What it goes by; its id where the catalogue has it no longer.</param>
public sealed record OwnKindAnswer(Guid Id, string KindId, OwnKindOf Of, string Name, string Like, string LikeName, bool Retired);

/// <param name="Like">Crop or target of the catalogue whose facts it goes by.</param>
public sealed record OwnKindChange(
    OwnKindOf Of,
    [property: StringLength(OwnKindChange.NameLetters)] string Name,
    [property: StringLength(OwnKindChange.NameLetters)] string Like,
    bool Retired = false,
    Guid? MemberId = null)
{
    public const int NameLetters = 80;
}

/// <summary>Crops and troubles of one's own: under a name that the catalogue does not have, by the facts of one that it has.</summary>
public static class OwnKindEndpoints
{
    public static void MapOwnKinds(this IEndpointRouteBuilder app)
    {
        var kinds = app.MapGroup("/api/gardens/{gardenId:guid}/own-kinds").WithTags("Garden");
        kinds.MapGet("", List);
        kinds.MapPut("/{kindId:guid}", Put);
    }

    private static async Task<Results<Ok<IReadOnlyList<OwnKindAnswer>>, ProblemHttpResult>> List(Guid gardenId, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var rows = await tools.Db.OwnKinds.AsNoTracking().Where(k => k.GardenId == gardenId).OrderBy(k => k.Retired).ThenBy(k => k.Name).ToListAsync(stop);
        return TypedResults.Ok<IReadOnlyList<OwnKindAnswer>>([.. rows.Select(SnapshotLoader.ToOwnKind).Select(k => Answer(s, k))]);
    }

    private static OwnKindAnswer Answer(GardenSnapshot s, OwnKind k) => new(
        k.Id, k.KindId, k.Of, k.Name, k.Like,
        (k.Of == OwnKindOf.Crop ? s.Catalogue.FindCrop(k.Like)?.Name : s.Catalogue.FindTarget(k.Like)?.Name) ?? k.Like,
        k.Retired);

    private static async Task<Results<Ok<OwnKindAnswer>, ProblemHttpResult>> Put(
        Guid gardenId, Guid kindId, OwnKindChange body, GardenTools tools, GardenCatalogue shipped, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var name = body.Name.Trim();
        var row = await tools.Db.OwnKinds.FirstOrDefaultAsync(k => k.GardenId == gardenId && k.Id == kindId, stop);
        var known = body.Of == OwnKindOf.Crop ? shipped.FindCrop(body.Like) is not null : shipped.FindTarget(body.Like) is { Kind: not TargetKind.LookAlike };
        var ids = body.Of == OwnKindOf.Crop ? shipped.Crops.Select(c => c.Id) : shipped.Targets.Where(t => t.Kind != TargetKind.LookAlike).Select(t => t.Id);
        var listed = body.Of == OwnKindOf.Crop
            ? shipped.Crops.Any(c => Same(c.Name, name) || c.AlsoCalled.Any(x => Same(x, name)))
            : shipped.Targets.Any(t => Same(t.Name, name) || t.AlsoCalled.Any(x => Same(x, name)));
        var checks = new Checks()
            .That(name.Length > 0, "name", "name-missing", "Give it the name that you call it by.")
            .That(!listed, "name", "name-listed", "That one is listed: choose it from the list instead.")
            .That(!await tools.Db.OwnKinds.AnyAsync(k => k.GardenId == gardenId && k.Id != kindId && k.Of == body.Of && k.Name == name, stop),
                "name", "name-taken", "You have one of this name.")
            .That(known, "like", "like-unknown", $"Say which one of the list it is most like. The nearest name is {CatalogueRules.Nearest(body.Like, ids)}.")
            .That(row is null || row.Of == body.Of, "of", "kind-changed", "A crop does not become a trouble, nor the other way round.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var words = row is null ? "Added" : body.Retired ? "Put away" : "Changed";
        await tools.Log.WriteAsync(gardenId, body.MemberId, $"{words} the {(body.Of == OwnKindOf.Crop ? "crop" : "trouble")} {name}", db =>
        {
            if (row is null)
            {
                db.OwnKinds.Add(row = new OwnKindRow { Id = kindId, GardenId = gardenId, Of = body.Of, Name = "", Like = "" });
            }

            (row.Name, row.Like, row.Retired) = (name, body.Like, body.Retired);
        }, stop);
        return TypedResults.Ok(Answer((await tools.LoadAsync(gardenId, stop))!, SnapshotLoader.ToOwnKind(row!)));
    }

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
