using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Deeds;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Mauvaise.Web.Bench;

/// <summary>The soap that an oil asks for, as a shaken jar shows it.</summary>
public static class EmulsionEndpoints
{
    /// <summary>A test of the emulsifier starts with this much soap, ml a litre.</summary>
    private const double StartsAt = 1;

    /// <summary>A jar is watched for this long, seconds.</summary>
    private const int ShortestShake = 30;
    private const int LongestShake = 600;

    public static void MapEmulsions(this RouteGroupBuilder garden) => garden.MapPost("/emulsions", Save);

    /// <summary>The emulsifier of a mix; null where it needs none.</summary>
    public static EmulsifierAnswer? Answer(GardenSnapshot s, JudgedMix made)
    {
        if (made.Mix.Parts.FirstOrDefault(p => p.Role == "emulsifier") is not { } part)
        {
            return null;
        }

        var soaps = s.Catalogue.Materials.Where(m => m.Load == LoadKind.Soap && m.Label is null).Select(m => new MaterialName(m.Id, m.Name));
        return new EmulsifierAnswer(
            made.Mix.Recipe.Active.Material,
            part.Material.Id,
            [.. soaps],
            part.PerLitre,
            made.Emulsion is not null,
            s.Garden.Water,
            StartsAt
        );
    }

    private static async Task<Results<Created, ProblemHttpResult>> Save(Guid gardenId, NewEmulsion body, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s)
        {
            return Problems.NotFound("garden");
        }

        var soap = s.Catalogue.FindMaterial(body.Soap);
        var checks = new Checks()
            .That(s.Catalogue.FindMaterial(body.Oil) is { NeedsEmulsifier: true }, "oil", "oil-unknown", Say.Of("bench.chooseAnOilThatNeedsSoap"))
            .That(soap is { Load: LoadKind.Soap }, "soap", "soap-unknown", Say.Of("bench.chooseOneOfTheSoaps"))
            .That(
                body.SoapMlPerLitre > 0 && body.SoapMlPerLitre <= (soap?.Doses?.Ceiling ?? 0),
                "soapMlPerLitre",
                "soap-range",
                Say.Of("bench.theSoapIsOver0", ("soap", Say.In(soap?.Doses?.Ceiling, "0.#")))
            )
            .That(
                body.HeldSeconds is >= ShortestShake and <= LongestShake,
                "heldSeconds",
                "held-range",
                Say.Of("bench.watchTheJarForSeconds", ("shortestShake", ShortestShake))
            );
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (s.Emulsions.All(e => e.Id != body.Id))
        {
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("bench.notedWhatAShakenJarShowed"),
                db =>
                    db.Emulsions.Add(
                        new EmulsionRow
                        {
                            Id = body.Id,
                            GardenId = gardenId,
                            At = tools.Now,
                            Oil = body.Oil,
                            Soap = body.Soap,
                            Water = body.Water,
                            SoapMlPerLitre = body.SoapMlPerLitre,
                            HeldSeconds = body.HeldSeconds,
                        }
                    ),
                stop
            );
        }

        return TypedResults.Created((string?)null);
    }
}
