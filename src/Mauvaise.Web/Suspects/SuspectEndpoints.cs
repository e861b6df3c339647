using Mauvaise.Core.Catalogue;
using Mauvaise.Core.Gardens;
using Mauvaise.Core.Identification;
using Mauvaise.Core.Measures;
using Mauvaise.Core.Scouting;
using Mauvaise.Core.Words;
using Mauvaise.Store.Rows;
using Mauvaise.Web.Hosting;
using Mauvaise.Web.Walk;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Mauvaise.Web.Suspects;

/// <param name="Drawing">Of the sign it shows most often.</param>
/// <param name="Underside">That sign is seen from below.</param>
/// <param name="IsGroup">It stands for the kinds of its group that are not listed.</param>
public sealed record SuspectAnswer(
    string Target,
    string Name,
    bool IsGroup,
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
    string? InsteadOfSpray
);

/// <param name="LeadIfYes">Probability of the first suspect after a yes.</param>
public sealed record QuestionAnswer(string Sign, string Question, double LeadIfYes, double LeadIfNo);

/// <param name="Words">"a sap feeder".</param>
/// <param name="Target">The likeliest of the group, which stands for it.</param>
public sealed record SharedActionAnswer(string Words, string Target, string Sentence);

/// <summary>A name for the whole group, when that is sure and the kind is not.</summary>
/// <param name="Target">The target that stands for the group.</param>
public sealed record NameGroupAnswer(string Target, string Name, double Probability);

/// <summary>That two troubles are at work.</summary>
public sealed record TogetherAnswer(string First, string Second, double Probability);

/// <param name="NotListed">Probability of something that is not in the catalogue.</param>
/// <param name="Meanwhile">What to do until it has a name; null when a listed cause leads.</param>
/// <param name="Group">Null when a kind is sure, or no group is.</param>
public sealed record SuspectsAnswer(
    ObservationAnswer Observation,
    string Leaf,
    IReadOnlyList<SuspectAnswer> Suspects,
    double NotListed,
    string? Meanwhile,
    NameGroupAnswer? Group,
    TogetherAnswer? Together,
    QuestionAnswer? Next,
    SharedActionAnswer? NamingCanWait,
    TrendAnswer? Trend,
    double Line,
    string LineReason
);

/// <param name="Present">True for yes, false for no.</param>
public sealed record SignAnswer(string Sign, bool Present, Guid? MemberId = null);

/// <param name="Group">The name stands for its whole group, because nobody has settled which of them it is.</param>
/// <param name="OwnName">What the gardener calls it, when the target only says of which group it is; longer ones are cut.</param>
public sealed record NameGiven(string Target, Guid? MemberId = null, bool Group = false, string? OwnName = null);

/// <summary>Naming: the ranking, the next question, the name.</summary>
public static class SuspectEndpoints
{
    internal const int Shown = 6;

    /// <summary>A group is offered as a name from this probability on.</summary>
    internal const double GroupSure = 0.7;

    internal static string NotListedMeanwhile => Say.Of("suspects.somethingThatIsNotListedExplains");

    public static void MapSuspects(this IEndpointRouteBuilder app)
    {
        var observation = app.MapGroup("/api/gardens/{gardenId:guid}/observations/{observationId:guid}").WithTags("Suspects");
        observation.MapGet("/suspects", Rank);
        observation.MapPost("/answers", Answer);
        observation.MapPut("/name", Name);
    }

    private static async Task<Results<Ok<SuspectsAnswer>, ProblemHttpResult>> Rank(
        Guid gardenId,
        Guid observationId,
        string? skip,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { } s
            || s.Observations.FirstOrDefault(o => o.Id == observationId) is not { } seen
            || s.FindPlanting(seen.PlantingId) is not { } planting
        )
        {
            return Problems.NotFound("note");
        }

        var crop = s.Catalogue.Crop(planting.Crop);
        var skipped = (skip ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries).ToHashSet();
        var sky = s.SkyOf(s.PlaceOf(planting));
        var ranking = SuspectRanker.Rank(s.Catalogue, LocalClues.At(s, planting, sky, seen.LookId), Evidence.Of(seen), skipped);
        var lead = (seen.Named is { } named ? s.Catalogue.FindTarget(named) : null) ?? ranking.Suspects[0].Target;
        var line = ActionLine.At(s, planting, lead, seen.On);
        return TypedResults.Ok(
            new SuspectsAnswer(
                ObservationEndpoints.Answer(s, seen),
                crop.Leaf,
                [.. ranking.Suspects.Take(Shown).Select(x => Suspect(s.Catalogue, x))],
                ranking.NotListed,
                ranking.NotListed > ranking.Suspects[0].Probability ? NotListedMeanwhile : null,
                Group(s.Catalogue, ranking),
                ranking.Together is { } two ? new TogetherAnswer(two.First.Name, two.Second.Name, two.Probability) : null,
                ranking.Next is { } q ? new QuestionAnswer(q.Sign.Id, q.Sign.Question, q.LeadIfYes, q.LeadIfNo) : null,
                ranking.NamingCanWait is { } shared
                    ? new SharedActionAnswer(TargetGroups.Words(shared.Group), ranking.Suspects[0].Target.Id, shared.Sentence)
                    : null,
                TrendAnswer.Of(WalkRound.TrendOf(s, planting.Id, lead.Id, seen)),
                line.Share,
                line.Reason.Words
            )
        );
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Answer(
        Guid gardenId,
        Guid observationId,
        SignAnswer body,
        GardenTools tools,
        GardenCatalogue catalogue,
        CancellationToken stop
    )
    {
        if (await tools.Db.Observations.Include(o => o.Signs).FirstOrDefaultAsync(o => o.GardenId == gardenId && o.Id == observationId, stop) is not { } row)
        {
            return Problems.NotFound("note");
        }

        var checks = new Checks().That(catalogue.FindSign(body.Sign) is not null, "sign", "sign-unknown", Say.Of("suspects.thisSignIsNot"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        await tools.Log.WriteAsync(
            gardenId,
            body.MemberId,
            body.Present
                ? Say.Of("suspects.answeredYes", ("sign", catalogue.FindSign(body.Sign)!.Name))
                : Say.Of("suspects.answeredNo", ("sign", catalogue.FindSign(body.Sign)!.Name)),
            db =>
            {
                if (row.Signs.FirstOrDefault(x => x.Sign == body.Sign) is { } before)
                {
                    before.Present = body.Present;
                }
                else
                {
                    db.Add(
                        new ObservedSignRow
                        {
                            ObservationId = row.Id,
                            Sign = body.Sign,
                            Present = body.Present,
                        }
                    );
                }
            },
            stop
        );
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Name(
        Guid gardenId,
        Guid observationId,
        NameGiven body,
        GardenTools tools,
        CancellationToken stop
    )
    {
        if (
            await tools.LoadAsync(gardenId, stop) is not { Catalogue: var catalogue }
            || await tools.Db.Observations.FirstOrDefaultAsync(o => o.GardenId == gardenId && o.Id == observationId, stop) is not { } row
        )
        {
            return Problems.NotFound("note");
        }

        var checks = new Checks().That(catalogue.FindTarget(body.Target) is not null, "target", "target-unknown", Say.Of("suspects.thisNameIsNeither"));
        if (!checks.Passed)
        {
            return checks.Problem();
        }

        var own = body.OwnName?.Trim() is { Length: > 0 } name ? name[..Math.Min(name.Length, Observation.OwnNameLetters)] : null;
        if (row.Named != body.Target || row.NameIsGroup != body.Group || row.OwnName != own)
        {
            var target = catalogue.Target(body.Target);
            await tools.Log.WriteAsync(
                gardenId,
                body.MemberId,
                Say.Of("suspects.namedIt", ("own", own ?? (body.Group ? TargetGroups.Words(target.Group) : target.Name.InSentence()))),
                _ =>
                {
                    row.Named = body.Target;
                    row.NameIsGroup = body.Group;
                    row.OwnName = own;
                },
                stop
            );
        }

        return TypedResults.NoContent();
    }

    private static NameGroupAnswer? Group(GardenCatalogue catalogue, SuspectRanking ranking) =>
        ranking.Groups[0] is var first
        && first.Probability >= GroupSure
        && ranking.Suspects[0].Probability < GroupSure
        && catalogue.NameOfGroup(first.NameGroup) is { } target
            ? new NameGroupAnswer(target.Id, target.Name, first.Probability)
            : null;

    internal static SuspectAnswer Suspect(GardenCatalogue catalogue, Suspect x)
    {
        var sign = catalogue.FindSign(x.Target.Signs.MaxBy(p => p.Value).Key)!;
        return new(
            x.Target.Id,
            x.Target.IsGroup ? Say.Of("suspects.ofAKindThatIsNot", ("target", x.Target.Name)) : x.Target.Name,
            x.Target.IsGroup,
            x.Target.LatinName,
            x.Target.Kind,
            x.Probability,
            [.. x.For.Select(c => c.Said.Words)],
            [.. x.Against.Select(c => c.Said.Words)],
            x.Target.HowToTell,
            sign.Drawing,
            sign.Part == "underside",
            x.Target.Stages,
            x.Target.NoSpray,
            x.Target.InsteadOfSpray
        );
    }
}
