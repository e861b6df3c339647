using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Sky;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Walk;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Suspects;

/// <param name="Drawing">Of the sign it shows most often.</param>
/// <param name="Underside">That sign is seen from below.</param>
public sealed record SuspectAnswer(
    string Target,
    string Name,
    string? LatinName,
    TargetKind Kind,
    double Probability,
    IReadOnlyList<string> For,
    IReadOnlyList<string> Against,
    string HowToTell,
    string Drawing,
    bool Underside,
    IReadOnlyList<LifeStage> Stages,
    bool NoSpray,
    string? InsteadOfSpray);

/// <param name="LeadIfYes">Probability of the first suspect after a yes.</param>
public sealed record QuestionAnswer(string Sign, string Question, double LeadIfYes, double LeadIfNo);

/// <param name="Words">"a sap feeder".</param>
/// <param name="Target">The likeliest of the group, which stands for it.</param>
public sealed record SharedActionAnswer(string Words, string Target, string Sentence);

public sealed record SuspectsAnswer(
    ObservationAnswer Observation,
    string Leaf,
    IReadOnlyList<SuspectAnswer> Suspects,
    QuestionAnswer? Next,
    SharedActionAnswer? NamingCanWait,
    TrendAnswer? Trend,
    double Line,
    string LineReason);

/// <param name="Present">True for yes, false for no.</param>
public sealed record SignAnswer(string Sign, bool Present, Guid? MemberId = null);

/// <param name="Group">The name stands for its whole group, because nobody has settled which of them it is.</param>
public sealed record NameGiven(string Target, Guid? MemberId = null, bool Group = false);

/// <summary>Naming: the ranking, the next question, the name.</summary>
public static class SuspectEndpoints
{
    private const int Shown = 6;

    public static void MapSuspects(this IEndpointRouteBuilder app)
    {
        var observation = app.MapGroup("/api/gardens/{gardenId:guid}/observations/{observationId:guid}").WithTags("Suspects");
        observation.MapGet("/suspects", Rank);
        observation.MapPost("/answers", Answer);
        observation.MapPut("/name", Name);
    }

    private static async Task<Results<Ok<SuspectsAnswer>, ProblemHttpResult>> Rank(Guid gardenId, Guid observationId, string? skip, GardenTools tools, CancellationToken stop)
    {
        if (await tools.LoadAsync(gardenId, stop) is not { } s
            || s.Observations.FirstOrDefault(o => o.Id == observationId) is not { } seen
            || s.FindPlanting(seen.PlantingId) is not { } planting)
        {
            return Problems.NotFound("note");
        }

        var crop = s.Catalogue.Crop(planting.Crop);
        var skipped = (skip ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).ToHashSet();
        var sky = s.SkyOf(s.PlaceOf(planting));
        var ranking = SuspectRanker.Rank(s.Catalogue, LocalClues.At(s, planting, sky, seen.LookId), Evidence.Of(seen), skipped);
        var lead = (seen.Named is { } named ? s.Catalogue.FindTarget(named) : null) ?? ranking.Suspects[0].Target;
        var line = ObservationEndpoints.Line(s, planting, lead);
        return TypedResults.Ok(new SuspectsAnswer(
            ObservationEndpoints.Answer(s, seen),
            crop.Leaf,
            [.. ranking.Suspects.Take(Shown).Select(x => Suspect(s.Catalogue, x))],
            ranking.Next is { } q ? new QuestionAnswer(q.Sign.Id, q.Sign.Question, q.LeadIfYes, q.LeadIfNo) : null,
            ranking.NamingCanWait is { } shared ? new SharedActionAnswer(TargetGroups.Words(shared.Group), ranking.Suspects[0].Target.Id, shared.Sentence) : null,
            TrendAnswer.Of(WalkRound.TrendOf(s, planting.Id, lead.Id, seen)),
            line.Share,
            line.Reason));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Answer(Guid gardenId, Guid observationId, SignAnswer body, GardenTools tools, GardenCatalogue catalogue, CancellationToken stop)
    {
        if (await tools.Db.Observations.Include(o => o.Signs).FirstOrDefaultAsync(o => o.GardenId == gardenId && o.Id == observationId, stop) is not { } row)
        {
            return Problems.NotFound("note");
        }

        var checks = new Checks().That(catalogue.FindSign(body.Sign) is not null, "sign", "sign-unknown", "This sign is not in the catalogue.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(gardenId, body.MemberId, $"Answered: {catalogue.FindSign(body.Sign)!.Name}, {(body.Present ? "yes" : "no")}", db =>
        {
            if (row.Signs.FirstOrDefault(x => x.Sign == body.Sign) is { } before)
            {
                before.Present = body.Present;
            }
            else
            {
                db.Add(new ObservedSignRow { ObservationId = row.Id, Sign = body.Sign, Present = body.Present });
            }
        }, stop);
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Name(Guid gardenId, Guid observationId, NameGiven body, GardenTools tools, GardenCatalogue catalogue, CancellationToken stop)
    {
        if (await tools.Db.Observations.FirstOrDefaultAsync(o => o.GardenId == gardenId && o.Id == observationId, stop) is not { } row)
        {
            return Problems.NotFound("note");
        }

        var checks = new Checks().That(catalogue.FindTarget(body.Target) is not null, "target", "target-unknown", "This name is not in the catalogue.");
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        if (row.Named != body.Target || row.NameIsGroup != body.Group)
        {
            var target = catalogue.Target(body.Target);
            await tools.Log.WriteAsync(gardenId, body.MemberId, $"Named it {(body.Group ? TargetGroups.Words(target.Group) : target.Name.InSentence())}", _ =>
            {
                row.Named = body.Target;
                row.NameIsGroup = body.Group;
            }, stop);
        }

        return TypedResults.NoContent();
    }

    private static SuspectAnswer Suspect(GardenCatalogue catalogue, Suspect x)
    {
        var sign = catalogue.FindSign(x.Target.Signs.MaxBy(p => p.Value).Key)!;
        return new(
            x.Target.Id,
            x.Target.Name,
            x.Target.LatinName,
            x.Target.Kind,
            x.Probability,
            [.. x.For.Select(c => c.Sentence)],
            [.. x.Against.Select(c => c.Sentence)],
            x.Target.HowToTell,
            sign.Drawing,
            sign.Part == "underside",
            x.Target.Stages,
            x.Target.NoSpray,
            x.Target.InsteadOfSpray);
    }
}
