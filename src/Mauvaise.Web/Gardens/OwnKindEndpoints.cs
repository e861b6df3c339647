using System.ComponentModel.DataAnnotations;
using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
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
    Guid? MemberId = null
)
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
        return TypedResults.Ok<IReadOnlyList<OwnKindAnswer>>([.. rows.Select(RowReading.ToOwnKind).Select(k => Answer(s, k))]);
    }

    private static OwnKindAnswer Answer(GardenSnapshot s, OwnKind k) =>
        new(
            k.Id,
            k.KindId,
            k.Of,
            k.Name,
            k.Like,
            (k.Of == OwnKindOf.Crop ? s.Catalogue.FindCrop(k.Like)?.Name : s.Catalogue.FindTarget(k.Like)?.Name) ?? k.Like,
            k.Retired
        );

    private static async Task<Results<Ok<OwnKindAnswer>, ProblemHttpResult>> Put(
        Guid gardenId,
        Guid kindId,
        OwnKindChange body,
        GardenTools tools,
        GardenCatalogue shipped,
        CancellationToken stop
    )
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var name = body.Name.Trim();
        var row = await tools.Db.OwnKinds.FirstOrDefaultAsync(k => k.GardenId == gardenId && k.Id == kindId, stop);
        var known = body.Of == OwnKindOf.Crop ? shipped.FindCrop(body.Like) is not null : shipped.FindTarget(body.Like) is { Kind: not TargetKind.LookAlike };
        var ids = body.Of == OwnKindOf.Crop ? shipped.Crops.Select(c => c.Id) : shipped.Targets.Where(t => t.Kind != TargetKind.LookAlike).Select(t => t.Id);
        var listed =
            body.Of == OwnKindOf.Crop
                ? shipped.Crops.Any(c => Same(c.Name, name) || c.AlsoCalled.Any(x => Same(x, name)))
                : shipped.Targets.Any(t => Same(t.Name, name) || t.AlsoCalled.Any(x => Same(x, name)));
        var checks = new Checks()
            .That(name.Length > 0, "name", "name-missing", Say.Of("gardens.giveItTheNameThatYou"))
            .That(!listed, "name", "name-listed", Say.Of("gardens.thatOneIsListedChoose"))
            .That(
                !await tools.Db.OwnKinds.AnyAsync(k => k.GardenId == gardenId && k.Id != kindId && k.Of == body.Of && k.Name == name, stop),
                "name",
                "name-taken",
                Say.Of("gardens.youHaveOneOfThisName")
            )
            .That(known, "like", "like-unknown", Say.Of("gardens.sayWhichOneOfTheList", ("nearest", CatalogueRules.Nearest(body.Like, ids))))
            .That(row is null || row.Of == body.Of, "of", "kind-changed", Say.Of("gardens.aCropDoesNotBecome"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var what = body.Of == OwnKindOf.Crop ? Say.Of("gardens.theCrop", ("name", name)) : Say.Of("gardens.theTrouble", ("name", name));
        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            Say.Of(
                row is null ? "gardens.added"
                    : body.Retired ? "gardens.putAway"
                    : "gardens.changed",
                ("name", what)
            ),
            db =>
            {
                if (row is null)
                {
                    db.OwnKinds.Add(
                        row = new OwnKindRow
                        {
                            Id = kindId,
                            GardenId = gardenId,
                            Of = body.Of,
                            Name = "",
                            Like = "",
                        }
                    );
                }

                (row.Name, row.Like, row.Retired) = (name, body.Like, body.Retired);
            },
            stop
        );
        return TypedResults.Ok(Answer((await tools.LoadAsync(gardenId, stop))!, RowReading.ToOwnKind(row!)));
    }

    private static bool Same(string a, string b) => string.Equals(a, b, StringComparison.OrdinalIgnoreCase);
}
